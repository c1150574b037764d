package plan

import (
	"fmt"
	"math"
	"slices"

	"risepan/core/formula"
	"risepan/core/kind"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/recipe"
	"risepan/core/scale"
	"risepan/core/scoop"
	"risepan/core/swap"
)

// loose reports whether the loaf is a quick bread's batter.
func (j *judgement) loose() bool { return kind.Of(j.dough.Kind).Loose }

func (j *judgement) addIns() {
	if a := j.programme.AddIns; a != nil && a.Volume > a.Carries*1.05 {
		j.say(Care, TooMany, nil, "These add-ins fill %.0f ml; the dough carries about %.0f ml, a third of a cup to each cup of flour. Some may stay in a heap.",
			float64(a.Volume), float64(a.Carries))
	}
}

// misses says what could not be kept; a locked line that spoils the dough tells how big a loaf it is
// enough for.
func (j *judgement) misses() {
	for _, m := range j.amounts.misses {
		if m.Line == scoop.AllFlour {
			j.say(Care, Measures, nil, "Your measures do not make this flour: %.0f %% %s goes in, and the rest follows it.", math.Abs(100*m.Deviation), moreOrLess(m.Deviation))
			continue
		}
		wetter := "wetter"
		if m.Deviation < 0 {
			wetter = "drier"
		}
		j.say(Care, Measures, nil, "The dough is %.1f points %s than the recipe's.%s", math.Abs(m.Deviation), wetter, enoughFor(j.Handling, j.dough.lines))
	}
}

// size says when a loaf gives too few slices or has no matching setting, and when a recipe's flour
// contradicts the size that it is called.
func (j *judgement) size() {
	d := j.dough
	if !d.enough {
		j.say(Care, NoSetting, nil, "%d slices are more than one loaf of %s gives: about %d. Bake two.", j.wanted(), j.Machine.Name, scale.Slices(d.Size))
	}
	pounds := d.factor.Times(j.Recipe.Size.Pounds()).Float()
	switch set := d.Size.Pounds().Float(); {
	case pounds > set*1.05 && j.Have != nil:
		j.say(Care, NoSetting, nil, "This makes a loaf of about %.1f lb, more than %s bakes. Take less, or watch for an overflow.", pounds, j.Machine.Name)
	case pounds < set*0.9:
		j.say(Care, NoSetting, nil, "This makes a loaf of about %.1f lb and there is no setting for it. Set %s and a lighter crust, and look early.", pounds, d.Size)
	}
	if likely, ask := scale.Questions(j.Recipe.Size, formula.FromRecipe(d.written).Flour); ask && kind.Of(d.Kind).BySize() {
		j.say(Note, NoSetting, nil, "The recipe is called %s but has flour for %s. Check which is right.", j.Recipe.Size, likely)
	}
}

// machine warns of what does not suit the machine.
func (j *judgement) machine() {
	if f := j.amounts.Pan.Fill; f.Overflows() {
		j.say(Care, Overflow, nil, "This may rise over the rim: it is likely to reach %s. A smaller size is safer.", f)
	}
	g := j.programme
	if !g.Setting.Options[0].Suits {
		j.say(Care, Unfit, nil, "No cycle of %s is made for this dough. %s comes nearest.", j.Machine.Name, g.Setting.Cycle.Name)
	}
	if g.AddIns != nil && g.AddIns.Way == WithHands && !g.cycle.Calls(machine.ForAddIns) {
		j.say(Care, NoBeep, nil, "%s has no add-in beep: put the add-ins in by the clock.", g.Setting.Cycle.Name)
	}
}

// lines asks about what nobody has explained yet, and says what no measure suits.
func (j *judgement) lines() {
	if n := len(j.Recipe.Open); n > 0 {
		j.say(Ask, Open, nil, "The recipe has a row that is not understood, and it is left out here: “%s”.", j.Recipe.Open[0])
	}
	for _, l := range j.amounts.Lines {
		if l.Unknown {
			j.said = append(j.said, Caution{Level: Ask, About: Unknown, Line: l.ID, Name: l.Name,
				Say: fmt.Sprintf("What is %s? Until you say, it counts as something that spoils, with unknown allergens, and the formula leaves it out.", l.Name)})
		}
		if !l.Fixed && len(l.Measured.Scoops) == 0 {
			j.say(Care, Unmade, nil, "No measure in this kitchen suits %s: weigh %.0f g.", l.Name, float64(l.Exact))
		}
	}
}

// unfit is what a flour of some strength does to a loaf, with yeast or without.
var unfit = map[larder.Strength]struct{ yeast, loose *Caution }{
	larder.Strong:      {nil, &Caution{Level: Note, Say: "A quick bread wants plain flour: bread flour makes it tough."}},
	larder.Plain:       {&Caution{Level: Note, Say: "Plain flour is weaker than bread flour: the loaf rises less, and the dough may be slack."}, nil},
	larder.Soft:        {&Caution{Level: Care, Say: "Cake flour has too little gluten to hold a yeast loaf up. Use bread flour."}, nil},
	larder.SelfRaising: {&Caution{Level: Care, Say: "Self-raising flour holds baking powder and salt and little gluten: a yeast loaf of it rises badly. Use bread flour."}, &Caution{Level: Note, Say: "Self-raising flour brings baking powder of its own: leave out about 1 1/4 tsp for each cup."}},
}

// flour says what a baker should know of this dough's flour and of the dates in the house.
func (j *judgement) flour() {
	today := kitchen.DateOf(j.Now, j.Zone)
	gluten := false
	var whole scale.Line
	for _, l := range j.dough.lines {
		i := l.Ingredient
		gluten = gluten || i.Gluten
		if swap.LiftedByGluten(i.ID) {
			whole = l
		}
		say := unfit[i.Strength].yeast
		if j.loose() {
			say = unfit[i.Strength].loose
		}
		if say != nil {
			j.say(say.Level, WrongFlour, nil, "%s", say.Say)
		}
		if worry := j.Kitchen.Worry(i, today); worry != "" {
			j.said = append(j.said, Caution{Level: Care, About: Dates, Line: l.Line.ID, Say: worry})
		}
	}
	if j.dough.Kind == recipe.GlutenFree {
		j.say(Note, Allergy, nil, "If %s has ever held wheat dough, traces of it stay in pan and paddle: not for somebody who must avoid gluten.", j.Machine.Name)
	}
	if whole.Line.ID != "" && !gluten && j.dough.Formula.Grain >= 50 {
		j.say(Note, Grain, []Way{{Say: "Add a little gluten", Swaps: []swap.Pick{{Line: whole.Line.ID, Swap: swap.WithGluten}}}},
			"%.0f %% of the flour is wholemeal. Vital wheat gluten, 2 to 3 %% of it (%.0f g), lifts such a loaf.", j.dough.Formula.Grain, 0.025*float64(whole.Grams))
	}
}

// stock says what the house has too little of, with the swaps that would do.
func (j *judgement) stock() {
	needs := map[larder.ID]measure.Grams{}
	for _, l := range j.dough.lines {
		needs[l.Ingredient.ID] += l.Grams
	}
	for _, l := range j.dough.lines {
		need, open := needs[l.Ingredient.ID]
		delete(needs, l.Ingredient.ID) // said once
		has, known := j.Kitchen.Has(l.Ingredient.ID)
		if !open || !known || has >= need {
			continue
		}
		say := fmt.Sprintf("There is no %s in the house.", l.Ingredient.Name)
		if has > 0 {
			weight := func(g measure.Grams) string { return j.Kitchen.Weights.Text(g, finely(l.Ingredient)) }
			say = fmt.Sprintf("There is only %s of %s in the house; this loaf wants %s.", weight(has), l.Ingredient.Name, weight(need))
		}
		j.say(Care, Cupboard, mending(j.Kitchen, j.dough.swapped, l.Line.ID), "%s", say)
	}
}

// mostWays is how many swaps a caution offers.
const mostWays = 3

// mending are the swaps for a line that neither fail nor need what is out too.
func mending(k kitchen.Kitchen, r recipe.Recipe, line string) []Way {
	var ways []Way
	for _, o := range swap.Offers(r, k.Ingredient, line) {
		if o.Problem != "" || o.Share > 0 || len(ways) == mostWays {
			continue
		}
		if slices.ContainsFunc(o.Changes, func(c swap.Change) bool {
			has, known := k.Has(c.Ingredient)
			return c.After > c.Before && known && has < c.After
		}) {
			continue
		}
		ways = append(ways, Way{Say: "Use " + o.Name, Swaps: []swap.Pick{o.Pick}})
	}
	return ways
}
