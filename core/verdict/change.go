package verdict

import (
	"fmt"

	"risepan/core/kind"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/recipe"
)

// Change is the one change for next time, in a recipe's own amounts.
type Change struct {
	Line   string         `json:"line"`
	Name   string         `json:"name"`
	From   measure.Amount `json:"from"`
	To     measure.Amount `json:"to"`
	Effect string         `json:"effect"` // what it is expected to do
}

// move is how an amount answers a cause.
type move struct {
	of     func(*larder.Ingredient) bool
	figure plan.Figure
	by     measure.Amount // a step
	less   bool
	effect string
}

// moves are the causes that a recipe's amount answers: of which ingredient, by how much, with what it does.
var moves = map[Cause]move{
	TooWet: {isWater, plan.Hydration, measure.Of(1, 1, measure.Tbsp), true,
		"A dough that no longer smears: the top stands, the crumb is finer."},
	TooDry: {isWater, plan.Hydration, measure.Of(1, 1, measure.Tbsp), false,
		"A softer dough: it rises higher, and its outside is smooth."},
	MuchYeast: {isYeast, plan.Yeast, measure.Of(1, 4, measure.Tsp), true, "It rises more slowly and keeps its shape."},
	WarmPlace: {isYeast, plan.Yeast, measure.Of(1, 4, measure.Tsp), true,
		"It rises later, and stands in a warm kitchen."},
	LittleYeast: {isYeast, plan.Yeast, measure.Of(1, 4, measure.Tsp), false, "It rises higher in the same time."},
	MuchSalt:    {isSalt, plan.Salt, measure.Of(1, 4, measure.Tsp), true, "It rises more freely, and tastes of bread."},
	NoSalt: {isSalt, plan.Salt, measure.Of(1, 4, measure.Tsp), false,
		"It rises more slowly, holds, and has more flavour."},
	WetAddIns: {isWater, plan.Hydration, measure.Of(1, 1, measure.Tbsp), true,
		"What the add-ins bring is taken out of the water."},
}

func isWater(i *larder.Ingredient) bool { return i.Kind == larder.Liquid }
func isYeast(i *larder.Ingredient) bool { return i.Kind == larder.Yeast }
func isSalt(i *larder.Ingredient) bool  { return i.Kind == larder.Salt }

// inwards is how far into a band a change leads that comes from outside of it, as a share of the band.
const inwards = 1.0 / 3

// outside is how much of so much of an ingredient is to move, where its figure lies outside its band, for the figure to
// come well inside; 0 where it may lie inside.
func (m move) outside(p plan.Plan, grams measure.Grams) measure.Grams {
	for _, a := range p.Usual.Against {
		if a.Of != m.figure || m.less && a.Verdict != kind.Above || !m.less && a.Verdict != kind.Below {
			continue
		}
		is, edge := a.Low, a.Usual.High
		if !m.less {
			is, edge = a.High, a.Usual.Low
		}
		off := max(is-edge, edge-is) + inwards*(a.Usual.High-a.Usual.Low)
		if m.figure == plan.Hydration {
			return p.Formula.Flour * measure.Grams(off/100)
		}
		return grams * measure.Grams(off/is)
	}
	return 0
}

// mostAway is how much of an amount one change takes away at the most, as a share.
const mostAway = 0.4

// Propose is the one change that a cause asks of a recipe, in what its kitchen measures with: nil where no amount of
// it answers the cause. Where the figure of the baked plan lies surely outside its band, the change leads a
// third into the band, in whole steps; else it is one.
func Propose(k kitchen.Kitchen, p plan.Plan, r recipe.Recipe, c Cause) *Change {
	facts := k.Ingredient
	m, ok := moves[c]
	if !ok {
		return nil
	}
	l, i, grams, ok := most(r, facts, m.of)
	if !ok {
		return nil
	}
	by := m.by.In(r.Standard)
	step, err := i.Weigh(by)
	if err != nil || step <= 0 || m.less && float64(step/grams) > mostAway {
		return nil
	}
	steps := max(1, int64(float64(m.outside(p, grams)/step)+0.5))
	for m.less && steps > 1 && float64(step/grams)*float64(steps) > mostAway {
		steps--
	}
	to, ok := moved(l.Amount, by, step, steps, m.less)
	if !ok {
		return nil
	}
	out := Change{Line: l.ID, Name: i.Name, From: l.Amount, To: to.Tidy(), Effect: m.effect}
	if weighed := to.Unit.Facts().Dimension == measure.Weight; weighed && !k.Scale {
		from, _ := plan.ByMeasures(k, i, l.Amount.Grams())
		spooned, ok := plan.ByMeasures(k, i, to.Grams())
		if !ok || spooned == from { // its measures do not tell the two apart
			return nil
		}
		out.From, out.To = from, spooned
	}
	return &out
}

// most is the line of a recipe's dough that holds the most of what is looked for.
func most(r recipe.Recipe, facts recipe.Lookup, of func(*larder.Ingredient) bool) (line recipe.Line,
	is *larder.Ingredient, grams measure.Grams, ok bool) {
	for _, l := range r.Lines {
		i, known := facts(l.Ingredient)
		if g, err := i.Weigh(l.Amount); known && err == nil && l.Part == recipe.InDough && of(i) && g > grams {
			line, is, grams, ok = l, i, g, true
		}
	}
	return line, is, grams, ok
}

// moved is an amount more or less another; where it is a weight, by what that weighs, to a tenth of a gram of what is
// less than twenty, else to a gram.
func moved(a, by measure.Amount, weighs measure.Grams, steps int64, less bool) (measure.Amount, bool) {
	sign := steps
	if less {
		sign = -steps
	}
	if a.Unit.Facts().Dimension != measure.Weight {
		return a.Plus(sign, by)
	}
	parts := int64(1)
	if a.Grams() < finely {
		parts = 10
	}
	tenths := int64(float64(a.Grams()+measure.Grams(sign)*weighs)*float64(parts) + 0.5)
	return measure.Of(tenths, parts, measure.Gram), tenths > 0 && a.UpTo.Sign() == 0
}

// finely is below what weight, g, tenths count.
const finely = 20

// Say is a change in one sentence.
func (c Change) Say() string { return fmt.Sprintf("%s %s → %s", c.Name, c.From, c.To) }
