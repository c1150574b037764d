package plan

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"risepan/core/dough"
	"risepan/core/kind"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/recipe"
	"risepan/core/scale"
)

// unusual is what a figure outside its band does to the loaf: each has its own word, for too little and too much.
var unusual = map[Figure]map[kind.Verdict]string{
	Hydration: {kind.Below: "It is likely to be stiff: have a little water ready at the first look.",
		kind.Above: "It is likely to be slack: have a spoonful of flour ready at the first look."},
	Salt: {kind.Below: "With little salt it rises faster and may fall: look how high it stands before it bakes.",
		kind.Above: "So much salt slows the yeast, and you will taste it."},
	Yeast: {kind.Below: "With little yeast it rises slowly, and may stay low on this cycle.",
		kind.Above: "With so much yeast it may rise too far: look how high it stands before it bakes."},
	Sugar: {kind.Below: "With little sugar the crust stays paler.",
		kind.Above: "So much sugar browns fast, and slows the yeast."},
	Fat: {kind.Below: "With little fat it is crustier, and goes stale sooner.",
		kind.Above: "So much fat makes it soft and heavy, and it rises slowly."},
	Powder: {kind.Below: "With little leavening it may stay flat.",
		kind.Above: "So much leavening can raise it fast and let it sink, and you may taste it."},
}

// likely is what an unweighed cup of flour makes likely of a dough whose range touches what is usual.
var likely = map[bool]string{
	true: "By the cup, this dough is likely to be wetter than usual (water about %s per 100 of flour, usual up to " +
		"%s). Have a spoonful of flour ready at the first look.",
	false: "By the cup, this dough is likely to be stiffer than usual (water about %s per 100 of flour, usual from " +
		"%s). Have a little water ready at the first look.",
}

// runny is the same of a batter, which nobody mends by the spoon.
var runny = map[bool]string{
	true: "By the cup, this batter is likely to be thinner than usual (water about %s per 100 of flour, usual up " +
		"to %s).",
	false: "By the cup, this batter is likely to be thicker than usual (water about %s per 100 of flour, usual from " +
		"%s).",
}

// formula judges the dough in three levels: what is usual says nothing, what is unusual is one note for the
// whole formula, and what no loaf holds is asked about.
func (j *judgement) formula() {
	asked := j.implausible()
	if j.leavened() {
		asked = append(asked, Powder)
	}
	if _, short := j.tooShort(); short {
		asked = append(asked, Yeast) // by its own question
	}
	var figures, words []string
	level := Note
	for _, a := range j.programme.Usual.Against {
		if !a.Verdict.Outside() || slices.Contains(asked, a.Of) {
			continue
		}
		figures = append(figures, fmt.Sprintf("%s %s (%s–%s)", a.Of, j.Kitchen.Decimal.Figure(a.Is, 1),
			j.Kitchen.Decimal.UpTo(a.Usual.Low, 1), j.Kitchen.Decimal.UpTo(a.Usual.High, 1)))
		if a.Of == Hydration && a.Verdict == kind.Above && kind.Of(j.dough.Kind).Fibrous {
			level = Care
			words = append(words, "There is too little fibre in it to drink so much: hold a quarter of the water back until "+
				"it has been kneaded for ten minutes.")
			continue
		}
		if say := unusual[a.Of][a.Verdict]; j.dough.Formula.Yeast > 0 || a.Of == Powder {
			words = append(words, say)
		}
	}
	if len(figures) > 0 {
		say := "Unusual for this kind of bread, per 100 of flour: " + strings.Join(figures, ", ") + "."
		j.say(level, OutOfBand, nil, "%s",
			strings.Join(append([]string{say}, append(words, "That may be how you like it.")...), " "))
	}
	j.wetness(asked)
}

// wetness says what is likely of a dough whose flour is measured by a cup that was never weighed, where the range of
// its water touches the usual and the middle of it does not.
func (j *judgement) wetness(asked []Figure) {
	for _, a := range j.programme.Usual.Against {
		if a.Of != Hydration || a.Verdict != kind.MayBe || slices.Contains(asked, Hydration) ||
			math.Abs(a.Is-a.Usual.Nearest(a.Is)) < dough.Tells {
			continue
		}
		wet := a.Is > a.Usual.High
		edge, say := a.Usual.Low, likely[wet]
		if wet {
			edge = a.Usual.High
		}
		if kind.Of(j.dough.Kind).Batter {
			say = runny[wet]
		}
		j.say(Note, Wetness, nil, say, j.Kitchen.Decimal.Figure(a.Is, 0), j.Kitchen.Decimal.Figure(edge, 0))
	}
}

// question is something about a formula that no loaf holds.
type question struct {
	of    Figure
	holds bool
	say   string
	line  func(*larder.Ingredient) bool // whose line is the likeliest slip
}

// muchMore is how many points of water beyond what its fibre drinks a low-carb dough hardly holds.
const muchMore = 40

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
	if row.Fibrous {
		e.Wet.High = min(e.Wet.High, j.programme.Usual.Bands.Hydration.High+muchMore)
	}
	asked := []Figure{}
	for _, q := range []question{
		{Yeast, e.Raised && f.Yeast == 0 && f.Powder == 0, "There is no yeast in it and no baking powder: it would " +
			"not rise. " + j.missing(), nil},
		{Yeast, e.Yeast > 0 && f.Yeast > e.Yeast, fmt.Sprintf("Yeast is %s per 100 of flour; almost no loaf needs "+
			"more than %s.", figure(f.Yeast, 1), figure(e.Yeast, -1)), is(larder.Yeast)},
		{Salt, e.Salted && f.Salt == 0, "There is no salt in it: it would over-rise, collapse and taste " +
			"bland. Is a line missing?", nil},
		{Salt, e.Salt > 0 && f.Salt > e.Salt, fmt.Sprintf("Salt is %s per 100 of flour; no bread takes more than %s.",
			figure(f.Salt, 1), figure(e.Salt, -1)), is(larder.Salt)},
		{Hydration, !e.Wet.IsZero() && f.High < e.Wet.Low, fmt.Sprintf("Too dry to knead: at most "+
			"%.0f g of water for 100 g of flour. Is a cup of water missing?", f.High), nil},
		{Hydration, !e.Wet.IsZero() && f.Low > e.Wet.High, fmt.Sprintf("Too wet to be a dough: at least "+
			"%.0f g of water for 100 g of flour. Is a cup of flour missing?", f.Low), nil},
		{Powder, e.Powder > 0 && f.Powder > max(e.Powder, row.Bands.Soured(f.Soda).Powder.High*1.5), fmt.Sprintf("Leavening "+
			"is %s per 100 of flour, as baking powder; no batter takes so much.", figure(f.Powder, 1)),
			is(larder.Leavening)},
		{Fat, e.Fat > 0 && f.Fat > e.Fat, fmt.Sprintf("Fat is %.0f per 100 of flour; no dough takes more than %s.",
			f.Fat, figure(e.Fat, -1)), is(larder.Fat)},
		{Sugar, e.Sugar > 0 && f.Sugar > e.Sugar, fmt.Sprintf("Sugar is %.0f per 100 of flour; no dough takes more "+
			"than %s.", f.Sugar, figure(e.Sugar, -1)), is(larder.Sugar, larder.Syrup)},
	} {
		if !q.holds || slices.Contains(asked, q.of) {
			continue
		}
		asked = append(asked, q.of)
		if slices.Contains(j.Recipe.Meant, string(q.of)) {
			continue
		}
		ways, slip := j.slip(q)
		j.said = append(j.said, Caution{Level: Ask, About: Implausible, Say: strings.TrimSpace(q.say + " " + slip),
			Ways: append(ways, Remedy{Say: "It is meant", Meant: q.of})})
	}
	return asked
}

// smaller are the units that a larger one is likeliest a slip for, and how many of it go into the larger.
var smaller = map[measure.Unit]struct {
	unit measure.Unit
	of   int64
}{
	measure.Tbsp: {measure.Tsp, 3}, measure.MetricTbsp: {measure.MetricTsp, 3},
	measure.AustralianTbsp: {measure.MetricTsp, 4},
	measure.Cup:            {measure.Tbsp, 16}, measure.MetricCup: {measure.MetricTbsp, 16},
}

// slip is the likeliest slip of the pen behind a figure that is too high, with its mend for this loaf: a
// tablespoon for a teaspoon, a cup for a tablespoon.
func (j *judgement) slip(q question) (ways []Remedy, say string) {
	if q.line == nil {
		return nil, ""
	}
	var worst scale.Scaled
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
	here, simple := measure.Simple(worst.Ingredient.Volume(worst.Grams)/measure.Millilitres(less.of),
		j.Kitchen.Standard)
	say = fmt.Sprintf("Is the %s of %s a slip for %s?", worst.Line.Amount, worst.Ingredient.Name, meant)
	if simple {
		ways = append(ways, Remedy{Say: fmt.Sprintf("Yes, use %s", here), Lock: &Lock{Line: worst.Line.ID, Amount: here}})
	}
	return ways, say
}
