package plan

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"risepan/core/choice"
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
	"risepan/core/vocab"
)

// loose reports whether the loaf is a quick bread's batter.
func (j *judgement) loose() bool { return kind.Of(j.dough.Kind).Loose }

func (j *judgement) addIns() {
	if a := j.programme.AddIns; a != nil && a.Volume > a.Carries*1.05 {
		j.say(Care, TooMany, nil, "These add-ins fill %.0f ml; the dough carries about %.0f ml, a third of a cup to "+
			"each cup of flour. Some may stay in a heap.",
			float64(a.Volume), float64(a.Carries))
	}
}

// misses says what could not be kept; a locked line that spoils the dough tells how big a loaf it is
// enough for.
func (j *judgement) misses() {
	for _, m := range j.amounts.misses {
		if m.Line == scoop.AllFlour {
			j.say(Care, Measures, nil, "Your cups cannot make this much flour exactly: %.0f %% %s goes in, and the rest "+
				"follows it.", math.Abs(100*m.Deviation), moreOrLess(m.Deviation))
			continue
		}
		wetter := "wetter"
		if m.Deviation < 0 {
			wetter = "drier"
		}
		j.say(Care, Measures, nil, "The dough is %s points %s than the recipe (water, %% of flour).%s",
			j.Kitchen.Decimal.Figure(math.Abs(m.Deviation), 1), wetter, enoughFor(j.Handling, j.dough.lines))
	}
}

// size says when a loaf gives too few slices or has no matching setting, and when a recipe's flour
// contradicts the size that it is called.
func (j *judgement) size() {
	d := j.dough
	if !d.Batch.IsZero() {
		j.capacity()
		j.divided()
		return
	}
	if !d.enough {
		j.say(Care, NoSetting, nil, "%d slices are more than one loaf of %s gives: about %d. Bake two.", j.wanted(),
			j.Machine.Name, scale.Slices(d.Size))
	}
	switch pounds := d.pounds(j.Recipe).Float(); {
	case pounds > d.setting.Pounds().Float()*1.05 && j.Have != nil:
		j.say(Care, NoSetting, nil, "This makes a loaf of about %s lb, more than %s bakes. Take less, or watch for "+
			"an overflow.", j.Kitchen.Decimal.Figure(pounds, 1), j.Machine.Name)
	case d.small(j.Recipe):
		j.say(Care, NoSetting, nil, "%s has no setting for a loaf of %s. %s", j.Machine.Name, d.Size, j.setLarger())
	case !j.Wish.Size.IsZero() || j.Slices > 0 || d.Size.Pounds().Cmp(j.Recipe.Size.Pounds()) >= 0:
	default:
		j.say(Note, NoSetting, nil, "The recipe is for %s, and %s bakes up to %s: everything is made smaller for it.",
			j.Recipe.Size, j.Machine.Name, d.Size)
	}
	if likely, ask := scale.Questions(d.Kind, j.Recipe.Size, formula.FromRecipe(d.written).Flour); ask {
		j.say(Care, NoSetting, nil, "The recipe is called %s but has flour for %s. Check which is right.",
			j.Recipe.Size, likely)
	}
}

// setLarger says what the panel is set to for a loaf that is smaller than every setting.
func (j *judgement) setLarger() string {
	s := j.programme.Setting
	var set []string
	if s.HasSize {
		set = append(set, s.Size.String())
	}
	if s.HasCrust {
		set = append(set, "a "+string(s.Crust)+" crust")
	}
	if len(set) == 0 {
		return "Its cycle bakes every loaf alike: look early, for it may be done before the end."
	}
	return fmt.Sprintf("The panel is set to %s. Look early: it may be done before the end.", strings.Join(set, " and "))
}

// capacity refuses what would boil over.
func (j *judgement) capacity() {
	row := kind.Of(j.dough.Kind)
	var volume, crushed measure.Millilitres
	for _, l := range j.dough.lines {
		if l.Line.Part != recipe.InDough {
			continue
		}
		volume += l.Ingredient.Volume(l.Grams)
		if l.Ingredient.Kind == larder.Extra || l.Ingredient.Kind == larder.Puree {
			crushed += l.Ingredient.Volume(l.Grams)
		}
	}
	switch {
	case row.Most > 0 && crushed > row.Most:
		j.say(Stop, Overflow, nil, "%s", tooMuchFruit(j.Kitchen, row, crushed))
	case row.Headspace > 0 && volume > j.Machine.Vessel.Below(row.Headspace):
		j.say(Stop, Overflow, nil, "It would stand less than %s below the rim of %s, and boil over. Make less.",
			j.Kitchen.Length(float64(row.Headspace)), j.Machine.Name)
	}
}

// machine warns of what does not suit the machine.
func (j *judgement) machine() {
	switch f := j.amounts.Pan.Fill; {
	case kind.Of(j.dough.Kind).Headspace > 0 || !f.Overflows():
	case f.Low > f.Room:
		j.say(Stop, Overflow, nil, "This rises over the rim and on to the heater: it is likely to reach %s. %s", f, j.less())
	default:
		j.say(Care, Overflow, nil, "This may rise over the rim: it is likely to reach %s. %s", f, j.less())
	}
	g := j.programme
	best := g.Setting.Options[0]
	switch harm := choice.Harm(g.cycle, j.needs()); {
	case harm != "" && j.loose() && g.cycle.Character == machine.BakeOnly:
		j.say(Care, Unfit, nil, "%s", harm)
	case harm != "" && kind.Of(j.dough.Kind).FewKnock && best.ID == g.cycle.ID && j.byHalves() != nil:
		j.say(Care, Unfit, j.byHalves(), "%s Better: let the dough cycle knead it, switch it off then, leave it 35 to 50 "+
			"minutes in the warm pan, and bake it on bake only for 60 to 70.", harm)
	case harm != "" && best.Suits && best.ID != g.cycle.ID:
		level := Care
		if g.cycle.Character == machine.BakeOnly { // raw things in the pan, which nothing mixes
			level = Stop
		}
		j.say(level, Unfit, []Remedy{{Say: "Use " + best.CycleName.String(), Cycle: best.ID}}, "%s", harm)
	case !best.Suits && kind.Of(j.dough.Kind).Only:
		j.say(Stop, Unfit, nil, "%s has no cycle for it. %s", j.Machine.Name, choice.Harm(g.cycle, j.needs()))
	case !best.Suits:
		j.say(Care, Unfit, nil, "%s", strings.TrimSpace(fmt.Sprintf("No cycle of %s is made for this dough. %s "+
			"comes nearest. %s", j.Machine.Name, g.Setting.Cycle.Name, harm)))
	case harm != "" && kind.Of(j.dough.Kind).Handwork == 0:
		j.say(Care, Unfit, nil, "%s", harm)
	}
	if g.unheard() {
		j.say(Care, NoBeep, j.beeps(), "%s has no add-in beep: put in the %s by the clock.", g.Setting.Cycle.Name,
			inWords(g.AddIns.named(WithHands)))
	}
	if g.cycle.Character == machine.Rapid {
		j.slowYeast()
	}
	if g.cycle.Typical {
		j.say(Note, Timed, nil, "The times of %s are a usual machine's, not yours. Before you press %s, check the total on "+
			"the display: %s.", g.Setting.Cycle.Name, j.start(), InHours(g.Setting.Total))
	}
	if g.cycle.Estimated {
		j.say(Note, Timed, nil, "Only the total time of %s is known: when it beeps, and its stages, are estimates. The "+
			"finish time is right.", g.Setting.Cycle.Name)
	}
}

// byHalves is the way to a cycle that only kneads and raises, on a machine that bakes by itself as well; nil: it
// has not both.
func (j *judgement) byHalves() []Remedy {
	c, kneads := j.Machine.CycleOf(machine.Dough)
	if _, bakes := j.Machine.CycleOf(machine.BakeOnly); !kneads || !bakes {
		return nil
	}
	return []Remedy{{Say: "Use " + nameOf(c).String(), Cycle: c.ID}}
}

// less is what to bake in place of what is likely to overflow.
func (j *judgement) less() string {
	if s, ok := j.dough.Smaller(); ok {
		return fmt.Sprintf("Take a smaller size, such as %s.", s.Name())
	}
	return "Take out a part of it before it bakes, and bake that beside it."
}

// needs are what the choice of the cycle went by, its wishes left out.
func (j *judgement) needs() choice.Needs {
	return needsOf(j.Place, j.dough)
}

// beeps are the ways to a cycle that beeps for the add-ins, each with what its beep costs.
func (j *judgement) beeps() []Remedy {
	var ways []Remedy
	for _, b := range j.programme.beeps(j.Machine) {
		ways = append(ways, Remedy{Say: fmt.Sprintf("Use %s for its beep: it %s", b.CycleName, b.costs), Cycle: b.ID})
	}
	return ways
}

// slowYeast says that a rapid cycle leaves active dry yeast too little time, with the swap.
func (j *judgement) slowYeast() {
	for _, l := range j.dough.lines {
		i := l.Ingredient
		if i.Kind != larder.Yeast || i.Rapid || l.Line.Part != recipe.InDough {
			continue
		}
		j.say(Care, SlowYeast, j.rapidYeast(), "%s rises for a short time only, and %s wakes slowly: the loaf stays "+
			"low. A rapid cycle wants instant yeast, in the same weight.",
			j.programme.Setting.Cycle.Name, i.Name)
		return
	}
}

// rapidYeast are the swaps of a slow yeast for one that a rapid cycle wants.
func (j *judgement) rapidYeast() []Remedy {
	var ways []Remedy
	for _, l := range j.dough.lines {
		if l.Ingredient.Kind != larder.Yeast || l.Ingredient.Rapid || l.Line.Part != recipe.InDough {
			continue
		}
		for _, o := range swap.Offers(j.dough.swapped, j.Kitchen.Ingredient, l.Line.ID) {
			if o.Problem == "" && swap.ForRapid(o.Swap) {
				ways = append(ways, Remedy{Say: "Use " + o.Name, Swaps: []swap.Pick{o.Pick}})
			}
		}
	}
	return ways
}

// lines asks about what nobody has explained yet, and says what no measure suits.
func (j *judgement) lines() {
	if n := len(j.Recipe.Open); n > 0 {
		j.say(Ask, Open, nil, "The recipe has a row that is not understood, and it is left out here: “%s”.",
			j.Recipe.Open[0])
	}
	for _, l := range j.amounts.Lines {
		if l.Unknown {
			j.said = append(j.said, Caution{Level: Ask, About: Unknown, Line: l.ID, Name: l.Name,
				Say: fmt.Sprintf("What is %s? Until you tell us, it is treated as perishable, with unknown allergens, "+
					"and left out of the percentages.", l.Name)})
		}
		if !l.Fixed && len(l.Measured.Scoops) == 0 {
			j.say(Care, Unmade, nil, "No measure in this kitchen suits %s: weigh %s.", l.Name,
				j.Kitchen.Weight(l.Exact, l.Exact < 10))
		}
	}
}

// unfit is what a flour of some strength does to a loaf, with yeast or without.
var unfit = map[larder.Strength]struct{ yeast, loose *Caution }{
	larder.Strong: {nil, &Caution{Level: Note,
		Say: "A quick bread wants plain flour: bread flour makes it tough."}},
	larder.Plain: {&Caution{Level: Note, Say: "Plain flour is weaker than bread flour: the loaf rises less, " +
		"and the dough may be slack."}, nil},
	larder.Soft: {&Caution{Level: Care, Say: "Cake flour has too little gluten to hold a yeast loaf up. Use " +
		"bread flour."}, nil},
	larder.SelfRaising: {&Caution{Level: Care, Say: "Self-raising flour holds baking powder and salt and little " +
		"gluten: a yeast loaf of it rises badly. Use bread flour."}, nil},
}

// flour says what a baker should know of this dough's flour and of the dates in the house.
func (j *judgement) flour() {
	today := kitchen.DateOf(j.Now, j.Zone)
	gluten := false
	var whole scale.Scaled
	for _, l := range j.dough.lines {
		i := l.Ingredient
		gluten = gluten || i.Gluten
		if swap.LiftedByGluten(i.ID) {
			whole = l
		}
		say := unfit[i.Strength].yeast
		if j.dough.Formula.Yeast == 0 {
			say = nil
		}
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
	if holds := j.holdsGluten(); holds != nil && kind.Of(j.dough.Kind).NoWheat {
		j.say(Stop, Allergy, nil, "%s holds gluten: this loaf is not gluten-free, and whoever must avoid gluten must not "+
			"eat it. Use a flour without gluten; or, where nobody has to avoid it, change the kind of the recipe.",
			vocab.Upper(holds.Name))
	} else if j.oats() {
		j.say(Care, Allergy, nil, "Plain oats carry dust of wheat: for somebody who must avoid gluten use oats that are "+
			"marked gluten-free. Some bear no oats at all. Pan and paddle that have held wheat dough carry traces as well.")
	} else if kind.Of(j.dough.Kind).NoWheat {
		j.say(Note, Allergy, nil, "If %s has ever held wheat dough, traces of it stay in pan and paddle: not for "+
			"somebody who must avoid gluten.", j.Machine.Name)
	}
	if whole.Line.ID != "" && !gluten && j.dough.Formula.Grain >= 50 {
		j.say(Note, Grain, []Remedy{{Say: "Add a little gluten",
			Swaps: []swap.Pick{{Line: whole.Line.ID, Swap: swap.WithGluten}}}},
			"%.0f %% of the flour is wholemeal. Vital wheat gluten, 2 to 3 %% of it (%s), lifts such a loaf.",
			j.dough.Formula.Grain, j.Kitchen.Weight(0.025*whole.Grams, false))
	}
}

// holdsGluten is the first thing in the dough that holds it; nil: nothing does.
func (j *judgement) holdsGluten() *larder.Ingredient {
	for _, l := range j.dough.lines {
		if l.Ingredient.HoldsGluten() {
			return l.Ingredient
		}
	}
	return nil
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
		say := fmt.Sprintf("You are out of %s.", l.Ingredient.Name)
		if has > 0 {
			weight := func(g measure.Grams) string { return j.Kitchen.Weight(g, l.Ingredient.Fine()) }
			say = fmt.Sprintf("You have only %s of %s; this loaf needs %s.", weight(has),
				l.Ingredient.Name, weight(need))
		}
		j.say(Care, Cupboard, mending(j.Kitchen, j.dough.swapped, l.Line.ID), "%s", say)
	}
}

// mostWays is how many swaps a caution offers.
const mostWays = 3

// mending are the swaps for a line that neither fail nor need what is out too.
func mending(k kitchen.Kitchen, r recipe.Recipe, line string) []Remedy {
	var ways []Remedy
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
		ways = append(ways, Remedy{Say: "Use " + o.Name, Swaps: []swap.Pick{o.Pick}})
	}
	return ways
}
