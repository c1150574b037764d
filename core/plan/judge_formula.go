package plan

import (
	"fmt"
	"slices"
	"strings"

	"risepan/core/kind"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/recipe"
	"risepan/core/scale"
)

// slows are the figures, per 100 of flour, above which something slows the yeast, and how that is said.
var slows = map[Figure]struct {
	above float64
	say   string
}{
	Salt:  {2.4, "So much salt slows the yeast."},
	Sugar: {12, "So much sugar slows the yeast: give it time."},
}

// formula judges the dough in three levels: what is usual says nothing, what is unusual is one note for the
// whole formula, and what no loaf holds is asked about.
func (j *judgement) formula() {
	asked := j.implausible()
	var unusual, slow []string
	figure := j.Kitchen.Decimal.Figure
	for _, a := range j.programme.Usual.Against {
		if !a.Verdict.Outside() || slices.Contains(asked, a.Of) {
			continue
		}
		unusual = append(unusual, fmt.Sprintf("%s %s (%s–%s)", a.Of, figure((a.Low+a.High)/2, 1), j.Kitchen.Decimal.UpTo(a.Usual.Low, 1), j.Kitchen.Decimal.UpTo(a.Usual.High, 1)))
		if s := slows[a.Of]; s.say != "" && a.Verdict == kind.Above && a.Low > s.above && j.dough.Formula.Yeast > 0 {
			slow = append(slow, s.say)
		}
	}
	if len(unusual) > 0 {
		say := "Per 100 of flour this is outside the usual for its kind: " + strings.Join(unusual, ", ") + ". That may be how you like it; look at the dough ball."
		j.say(Note, OutOfBand, nil, "%s", strings.Join(append([]string{say}, slow...), " "))
	}
}

// question is something about a formula that no loaf holds.
type question struct {
	of    Figure
	holds bool
	say   string
	line  func(*larder.Ingredient) bool // whose line is the likeliest slip
}

// implausible asks about what no loaf of the kind holds (of water by the whole range that this kitchen's cup of
// flour allows), and returns what was asked. What the baker has said is meant is not asked again.
func (j *judgement) implausible() []Figure {
	row := kind.Of(j.dough.Kind)
	e := row.Edges
	f, figure := j.dough.Formula, j.Kitchen.Decimal.Figure
	switch j.programme.cycle.Character {
	case machine.Rapid:
		e.Yeast = max(e.Yeast, kind.RapidYeast)
	case machine.PastaDough:
		e = kind.Pasta
	}
	if j.dough.packet() {
		e = kind.Edges{Wet: e.Wet}
	}
	is := func(kinds ...larder.Kind) func(*larder.Ingredient) bool {
		return func(i *larder.Ingredient) bool { return slices.Contains(kinds, i.Kind) }
	}
	asked := []Figure{}
	for _, q := range []question{
		{Yeast, e.Raised && f.Yeast == 0 && f.Powder == 0, "There is no yeast in it and no baking powder: it would not rise. Is a line missing?", nil},
		{Yeast, e.Yeast > 0 && f.Yeast > e.Yeast, fmt.Sprintf("Yeast is %s per 100 of flour; hardly a loaf takes more than %s.", figure(f.Yeast, 1), figure(e.Yeast, -1)), is(larder.Yeast)},
		{Salt, e.Salted && f.Salt == 0, "There is no salt in it: the dough rises wild and falls, and tastes of nothing. Is a line missing?", nil},
		{Salt, e.Salt > 0 && f.Salt > e.Salt, fmt.Sprintf("Salt is %s per 100 of flour; no bread takes more than %s.", figure(f.Salt, 1), figure(e.Salt, -1)), is(larder.Salt)},
		{Hydration, !e.Wet.IsZero() && f.High < e.Wet.Low, fmt.Sprintf("Water is %.0f per 100 of flour, however the cup is filled: too dry to knead. Is a cup of it missing?", f.High), nil},
		{Hydration, !e.Wet.IsZero() && f.Low > e.Wet.High, fmt.Sprintf("Water is %.0f per 100 of flour, however the cup is filled: too wet to be a dough. Is a cup of flour missing?", f.Low), nil},
		{Fat, e.Fat > 0 && f.Fat > e.Fat, fmt.Sprintf("Fat is %.0f per 100 of flour; no dough takes more than %s.", f.Fat, figure(e.Fat, -1)), is(larder.Fat)},
		{Sugar, e.Sugar > 0 && f.Sugar > e.Sugar, fmt.Sprintf("Sugar is %.0f per 100 of flour; no dough takes more than %s.", f.Sugar, figure(e.Sugar, -1)), is(larder.Sugar, larder.Syrup)},
	} {
		if !q.holds || slices.Contains(asked, q.of) {
			continue
		}
		asked = append(asked, q.of)
		if slices.Contains(j.Recipe.Meant, string(q.of)) {
			continue
		}
		ways, slip := j.slip(q)
		j.said = append(j.said, Caution{Level: Ask, About: Implausible, Say: strings.TrimSpace(q.say + " " + slip), Ways: append(ways, Way{Say: "It is meant", Meant: q.of})})
	}
	return asked
}

// smaller are the units that a larger one is likeliest a slip for, and how many of it go into the larger.
var smaller = map[measure.Unit]struct {
	unit measure.Unit
	of   int64
}{
	measure.Tbsp: {measure.Tsp, 3}, measure.MetricTbsp: {measure.MetricTsp, 3}, measure.AustralianTbsp: {measure.MetricTsp, 4},
	measure.Cup: {measure.Tbsp, 16}, measure.MetricCup: {measure.MetricTbsp, 16},
}

// slip is the likeliest slip of the pen behind a figure that is too high, with its mend for this loaf: a
// tablespoon for a teaspoon, a cup for a tablespoon.
func (j *judgement) slip(q question) (ways []Way, say string) {
	if q.line == nil {
		return nil, ""
	}
	var worst scale.Line
	for _, l := range j.dough.lines {
		if q.line(l.Ingredient) && l.Line.Part == recipe.InDough && l.Grams > worst.Grams {
			worst = l
		}
	}
	less, ok := smaller[worst.Line.Amount.Unit]
	if !ok || worst.Line.ID == "" {
		return nil, ""
	}
	meant := measure.Amount{Quantity: worst.Line.Amount.Quantity, Unit: less.unit}
	here, simple := measure.Simple(worst.Ingredient.Volume(worst.Grams)/measure.Millilitres(less.of), j.Kitchen.Standard)
	say = fmt.Sprintf("Is the %s of %s a slip for %s?", worst.Line.Amount, worst.Ingredient.Name, meant)
	if simple {
		ways = append(ways, Way{Say: fmt.Sprintf("Yes, use %s", here), Lock: &Lock{Line: worst.Line.ID, Amount: here}})
	}
	return ways, say
}
