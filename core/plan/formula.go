package plan

import (
	"slices"

	"risepan/core/formula"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/recipe"
	"risepan/core/scale"
	"risepan/core/word"
)

// Formula is the dough per 100 of flour, with its usual bands.
type Formula struct {
	formula.Formula
	Low     float64          `json:"low"`  // hydration, by how this kitchen measures flour, from
	High    float64          `json:"high"` // to
	Sure    Certainty        `json:"sure"`
	Bands   formula.Bands    `json:"bands"`
	Against []Against        `json:"against"`          // each figure and its band
	Written *formula.Formula `json:"written,omitzero"` // before the swaps of this loaf
}

// Figure is one figure of the formula that has a band.
type Figure string

const (
	Hydration Figure = "hydration"
	Salt      Figure = "salt"
	Yeast     Figure = "yeast"
	Sugar     Figure = "sugar"
	Fat       Figure = "fat"
	Powder    Figure = "baking powder"
)

var Figures = []Figure{Hydration, Salt, Yeast, Sugar, Fat, Powder}

func (f Figure) Words() []string                  { return word.List(Figures) }
func (f *Figure) UnmarshalText(text []byte) error { return word.Read(f, text, "figure", Figures) }

// Against is a figure of the formula held against its usual band.
type Against struct {
	Of      Figure          `json:"of"`
	Low     float64         `json:"low"`
	High    float64         `json:"high"` // the same where it is one figure
	Was     float64         `json:"was"`  // before the swaps of this loaf
	Usual   formula.Band    `json:"usual"`
	Verdict formula.Verdict `json:"verdict"`
}

// Certainty says how well the weight of the flour is known.
type Certainty string

const (
	Weighed    Certainty = "weighed" // on a scale
	OwnCup     Certainty = "own cup" // by a cup that was weighed often enough
	UnknownCup Certainty = "unknown cup"
)

var Certainties = []Certainty{Weighed, OwnCup, UnknownCup}

func (c Certainty) Words() []string { return word.List(Certainties) }
func (c *Certainty) UnmarshalText(text []byte) error {
	return word.Read(c, text, "certainty", Certainties)
}

// formulate is the formula of the dough, with the range that its flour's cups give it.
func (p *Plan) formulate(k kitchen.Kitchen, w Wish, lines []scale.Line, portions []formula.Portion) {
	f := Formula{Formula: formula.Of(portions), Sure: Weighed}
	var cupped []formula.Cupped
	for _, l := range lines {
		if l.Ingredient.Kind != larder.Flour || l.Line.Part != recipe.InDough || w.weighs(k, l.Line.ID) {
			continue
		}
		c := formula.Cupped{Grams: l.Grams, Cup: l.Ingredient.PerCup}
		if own, ok := k.Cup(l.Ingredient.ID); ok {
			c.Known, _ = own.Calibrate()
			c.Known.Spread *= l.Ingredient.PerCup / max(c.Known.Mean, 1) // of a US cup, as Cup is
		}
		if usual, ok := larder.Know(l.Ingredient.ID); ok {
			c.Low, c.High = larder.Range(usual.PerCup)
		}
		cupped = append(cupped, c)
		if !c.Known.Enough {
			f.Sure = UnknownCup
		} else if f.Sure == Weighed {
			f.Sure = OwnCup
		}
	}
	f.Low, f.High = f.Range(cupped)
	p.Formula = f
}

// usual sets the bands that the dough is held against: those of its kind, or of a rapid cycle.
func (p *Plan) usual(k kitchen.Kitchen, w Wish, cycle machine.Cycle) {
	b := formula.BandsOf(w.Recipe.Kind, p.Formula.Grain)
	if cycle.Character == machine.Rapid && (w.Recipe.Kind == recipe.White || w.Recipe.Kind == recipe.Wholemeal) {
		b = formula.Rapid.On(p.Formula.Grain)
	}
	p.Formula.Bands = b.In(k.Salt).Liking(w.Liked)
	p.Formula.Against = p.Formula.against()
}

// against holds every figure against its band. What this dough has none of is left out where it is
// no part of such a dough.
func (f Formula) against() []Against {
	was := f.Formula
	if f.Written != nil {
		was = *f.Written
	}
	b := f.Bands
	out := []Against{
		{Hydration, f.Low, f.High, was.Hydration, b.Hydration, ""}, {Salt, f.Salt, f.Salt, was.Salt, b.Salt, ""}, {Yeast, f.Yeast, f.Yeast, was.Yeast, b.Yeast, ""},
		{Sugar, f.Sugar, f.Sugar, was.Sugar, b.Sugar, ""}, {Fat, f.Fat, f.Fat, was.Fat, b.Fat, ""}, {Powder, f.Powder, f.Powder, was.Powder, b.Powder, ""},
	}
	out = slices.DeleteFunc(out, func(a Against) bool {
		return a.High == 0 && a.Usual.IsZero() && (a.Of == Yeast || a.Of == Powder)
	})
	for n, a := range out {
		out[n].Verdict = a.Usual.Judge(a.Low, a.High)
	}
	return out
}

// weighs reports whether a line is weighed rather than scooped.
func (w Wish) weighs(k kitchen.Kitchen, line string) bool {
	return k.Scale || slices.Contains(w.Weigh, line) || slices.ContainsFunc(w.Locks, func(l Lock) bool {
		return l.Line == line && l.Amount.Unit.Facts().Dimension == measure.Weight
	})
}
