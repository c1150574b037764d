package plan

import (
	"math"
	"regexp"
	"slices"

	"risepan/core/kind"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/recipe"
	"risepan/core/scale"
)

// in reports whether something in a part of the dough is such.
func (d Dough) in(part recipe.Part, is func(*larder.Ingredient) bool) bool {
	return slices.ContainsFunc(d.lines, func(l scale.Scaled) bool { return l.Line.Part == part && is(l.Ingredient) })
}

// weight is what all of a part weighs that is such.
func (d Dough) weight(part recipe.Part, is func(*larder.Ingredient) bool) (g measure.Grams) {
	for _, l := range d.lines {
		if l.Line.Part == part && is(l.Ingredient) {
			g += l.Grams
		}
	}
	return g
}

// fibre is g of it per 100 of flour.
func (d Dough) fibre() float64 {
	if d.Formula.Flour <= 0 {
		return 0
	}
	fibre := 0.0
	for _, l := range d.lines {
		if l.Line.Part == recipe.InDough && l.Ingredient.Kind != larder.Extra {
			fibre += float64(l.Grams) * l.Ingredient.Shares.Fibre
		}
	}
	return fibre / float64(d.Formula.Flour)
}

// starterAlone reports whether a starter is all that raises it.
func (d Dough) starterAlone() bool {
	return d.in(recipe.InDough, func(i *larder.Ingredient) bool { return i.Ahead == larder.Fed }) &&
		!d.in(recipe.InDough, func(i *larder.Ingredient) bool { return i.Kind == larder.Yeast }) &&
		d.Formula.Powder == 0 && !kind.Of(d.Kind).Still
}

// missing asks what a dough lacks that nothing raises.
func (j *judgement) missing() string {
	if j.dough.in(recipe.InDough, func(i *larder.Ingredient) bool { return i.Spent }) {
		return "Discarded starter has no strength left: add 1 1/2 to 2 tsp of dry yeast, or feed it and wait until it " +
			"doubles."
	}
	return "Is a line missing?"
}

// unmixed says what bake only does to what was not mixed.
func (j *judgement) unmixed() {
	if j.dough.Kind == recipe.BakeOnly && j.dough.Formula.Yeast > 0 {
		j.say(Care, Unfit, nil, "Bake only neither mixes nor raises: the dough goes in kneaded, shaped and risen. From raw "+
			"ingredients, write it as a loaf and take its own cycle.")
	}
}

// starterWants is how long a starter alone raises a loaf at the least, minutes.
const starterWants = 300

// tooShort reports whether a cycle bakes what a starter alone raises before it has risen, and for how long it rises.
func (j *judgement) tooShort() (rises machine.Minutes, short bool) {
	bakes := false
	for _, s := range j.programme.Stages {
		switch s.Kind {
		case machine.Rise:
			rises += s.To - s.From
		case machine.Bake:
			bakes = true
		}
	}
	return rises, bakes && rises < starterWants && j.dough.starterAlone()
}

// starter says what a loaf wants that a starter alone raises, on a cycle that is too short for it.
func (j *judgement) starter() {
	rises, short := j.tooShort()
	if !short {
		return
	}
	var ways []Remedy
	if c, ok := j.Machine.CycleOf(machine.Dough); ok {
		ways = append(ways, Remedy{Say: "Use " + nameOf(c).String(), Cycle: c.ID})
	}
	j.say(Care, Leavening, ways, "A starter alone raises a loaf in 5 to 12 hours, and %s gives it %s. Add 1 1/2 to 2 tsp "+
		"of dry yeast; or let the dough cycle knead it, leave it in the pan until it stands as high as planned, and bake it "+
		"then.",
		j.programme.Setting.Cycle.Name, InHours(rises))
}

// saysBinder is a blend's note that a binder is in it.
var saysBinder = regexp.MustCompile(`(?i)\b(?:gum|xanthan|guar|psyllium|husk)\b`)

// blendBinds reports whether a flour blend may have a binder in it, and whether its note says that it has.
func (j *judgement) blendBinds() (may, does bool) {
	for _, l := range j.dough.lines {
		if l.Ingredient.MayBind {
			may, does = true, does || saysBinder.MatchString(l.Line.Note)
		}
	}
	return may, does
}

// bound says what holds a dough together that has no gluten of wheat.
func (j *judgement) bound() {
	row := kind.Of(j.dough.Kind)
	if !row.Unbound || j.dough.packet() || j.dough.Formula.Flour <= 0 {
		return
	}
	binds := j.dough.in(recipe.InDough, func(i *larder.Ingredient) bool { return i.Binds })
	blend, gum := j.blendBinds()
	egg := j.dough.in(recipe.InDough, func(i *larder.Ingredient) bool { return i.Kind == larder.Egg })
	flour := j.dough.Formula.Flour
	switch {
	case gum && binds:
		j.say(Care, Binder, nil, "The flour blend has a binder in it already, and with this one more the loaf gets gummy and "+
			"stays low: leave it out.")
	case gum, blend && binds:
	case blend:
		j.say(Note, Binder, nil, "Look at the packet of the flour blend: is there gum or husk in it? Without one the loaf "+
			"crumbles.")
	case !binds && !(egg && row.NoWheat):
		j.say(Care, Binder, nil, "Nothing in it holds the dough together: it neither rises well nor slices. Add %s of "+
			"xanthan gum, or %s of psyllium husk with as much water again.",
			j.Kitchen.Weight(0.02*flour, true), j.Kitchen.Weight(0.045*flour, false))
	}
}

// Leavening, as baking powder per 100 of flour.
const (
	hardlyLifts = 1.2
	lemonPer100 = 5.5 // ml of lemon juice that 100 g of flour with soda want
)

// roughly is a volume in ml in words: to the nearest quarter of a cup, or half a tablespoon.
func roughly(ml float64) string {
	if cup := float64(measure.Of(1, 1, measure.Cup).Millilitres()); ml >= cup/2 {
		return measure.Of(int64(math.Round(4*ml/cup)), 4, measure.Cup).String()
	}
	halves := math.Round(2 * ml / float64(measure.Of(1, 1, measure.Tbsp).Millilitres()))
	return measure.Of(max(1, int64(halves)), 2, measure.Tbsp).String()
}

// leavened says what soda wants, and what too much or too little leavening does; it reports whether it spoke of how
// much there is.
func (j *judgement) leavened() (told bool) {
	f := j.dough.Formula
	sour := j.dough.in(recipe.InDough, func(i *larder.Ingredient) bool { return i.Sour })
	if f.Soda > 0 && !sour && f.Powder <= f.Soda {
		j.say(Care, Leavening, nil, "Soda works only on something sour, and there is nothing sour in it: the crumb tastes "+
			"of soap and stays flat. Use buttermilk for the milk, or add about %s of lemon juice or vinegar; or use "+
			"baking powder in place of the soda, three times as much.", roughly(lemonPer100/100*float64(f.Flour)))
	}
	if !j.loose() || f.Yeast > 0 {
		return false
	}
	raised := j.dough.in(recipe.InDough, func(i *larder.Ingredient) bool { return i.Strength == larder.SelfRaising })
	powder := j.dough.in(recipe.InDough, func(i *larder.Ingredient) bool { return i.Kind == larder.Leavening })
	switch {
	case raised && powder:
		j.say(Care, Leavening, nil, "Self-raising flour has baking powder and salt in it already: leave the other leavening "+
			"out, and all but a pinch of the salt.")
		return true
	case f.Powder > 0 && f.Powder < hardlyLifts:
		j.say(Care, Leavening, nil, "So little leavening hardly lifts it: 3 to 5 per 100 of flour are usual, and this is %s.",
			j.Kitchen.Decimal.Figure(f.Powder, 1))
		return true
	}
	return false
}

// Meat, and sugar for fruit.
const (
	mostMeat = measure.Grams(1100) // in one loaf: beyond, its middle stays lukewarm for too long
	setsWell = 0.4                 // of sugar to fruit, from where a jam sets and keeps
)

// cold says how meat is kept, and refuses more of it than gets hot in time.
func (j *judgement) cold() {
	raw := func(i *larder.Ingredient) bool { return i.Raw }
	if !kind.Of(j.dough.Kind).Outside || !j.dough.in(recipe.InDough, raw) {
		return
	}
	if j.dough.weight(recipe.InDough, raw) > mostMeat {
		j.say(Stop, Overflow, nil, "So much meat stays lukewarm in its middle for too long. Make two of at most %s, one "+
			"after the other.", j.Kitchen.Weight(900, false))
		return
	}
	j.say(Note, RawMeat, nil, "Meat stays in the fridge until it goes in, and bakes at once: it is not warmed before, "+
		"and it does not wait in the machine.")
}

// preserved says how a jam with little sugar keeps.
func (j *judgement) preserved() {
	row := kind.Of(j.dough.Kind)
	if row.Most == 0 {
		return
	}
	sugar := j.dough.weight(recipe.InDough, func(i *larder.Ingredient) bool {
		return i.Kind == larder.Sugar || i.Kind == larder.Syrup
	})
	fruit := j.dough.weight(recipe.InDough, func(i *larder.Ingredient) bool {
		return i.Kind == larder.Extra || i.Kind == larder.Puree
	})
	if fruit > 0 && sugar < setsWell*fruit {
		j.say(Care, Keeping, nil, "With so little sugar it sets softly and keeps for one to two weeks, in the fridge only. "+
			"Pectin for jam with little sugar sets it; freeze what you do not eat by then.")
	}
}

// mostFilling is how much filling a dough holds, ml per g of its flour.
const mostFilling = 0.45

// filled says what too much filling does, or one that runs.
func (j *judgement) filled() {
	if kind.Of(j.dough.Kind).Handwork == 0 || j.dough.Formula.Flour <= 0 {
		return
	}
	var volume measure.Millilitres
	wet := false
	for _, l := range j.dough.lines {
		if l.Line.Part == recipe.Filling {
			volume += l.Ingredient.Volume(l.Grams)
			wet = wet || l.Ingredient.Shares.Water >= runs
		}
	}
	most := measure.Millilitres(mostFilling * float64(j.dough.Formula.Flour))
	if volume <= most {
		return
	}
	say := "A filling of more than about %s leaks out of this dough and burns on to the pan. Take less"
	if wet {
		say += ", drained or thickened with a spoonful of starch or crumbs"
	}
	j.say(Care, TooMany, nil, say+".", roughly(float64(most)))
}

// chilled says how a filling that spoils is kept until it goes in: meat loudly, the rest as a note.
func (j *judgement) chilled() {
	const butter, hearty = 60, 10 // g of fat in 100 from which it is no filling that spoils; of protein, one that does
	var names []string
	level := Note
	for _, l := range j.dough.lines {
		i := l.Ingredient
		if l.Line.Part != recipe.Filling || !i.Spoils || i.Shares.Fat >= butter || i.Shares.Protein < hearty && !i.Milky {
			continue
		}
		names = append(names, i.Name)
		if !i.Milky {
			level = Care
		}
	}
	if len(names) > 0 {
		j.say(level, Keeping, nil, "Keep the filling (%s) in the fridge until the dough is rolled out. Bake it until the "+
			"middle is 74 °C, and put what is left in the fridge within two hours of cooling.", inWords(names))
	}
}

// runs is from how much water in 100 g on a filling runs.
const runs = 50

// oats says what oats are to somebody who must avoid gluten.
func (j *judgement) oats() bool {
	return kind.Of(j.dough.Kind).NoWheat && j.dough.in(recipe.InDough, func(i *larder.Ingredient) bool {
		return i.Grain == larder.OfOats
	})
}
