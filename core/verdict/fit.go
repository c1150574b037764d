package verdict

import (
	"fmt"
	"slices"
	"strings"

	"risepan/core/bake"
	"risepan/core/dough"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/plan"
)

// needs are what a loaf has to have for a cause to lie behind it; a cause that is not named here can lie behind any.
var needs = map[Cause]func(has) bool{
	TooWet: has.flour, TooDry: has.flour, PackedCup: has.flour,
	MuchYeast: has.bakersYeast, FastYeast: has.bakersYeast, LittleYeast: has.bakersYeast, DeadYeast: has.bakersYeast,
	NoYeast:   has.yeast,
	HotLiquid: has.yeast,
	WarmPlace: has.yeast, ColdPlace: has.yeast, WeakFlour: has.yeast,
	WrongCycle: has.misfit,
	LongRise:   func(h has) bool { return h.yeast() && h.rises() },
	MuchSalt:   func(h has) bool { return h.Plan.Formula.Salt > 0 },
	NoPaddle:   func(h has) bool { return h.paddle() && h.kneads() },
	NotScraped: has.kneads,
	PaddleLeft: has.paddle,
	CutHot:     has.cut,
	CrustSet:   has.crust,
	OldPowder:  has.leavened, LittlePowder: has.powder, MuchPowder: has.powder, SodaAlone: has.powder, OverMixed: has.powder,
	WeakFerment: has.starter, WetYeast: has.bakersYeast, DoubleYeast: has.bakersYeast, ManyKnocks: has.rises,
	UnderBaked: func(h has) bool { return h.baked() && !h.kind.Outside }, OverBaked: has.baked,
	LittleSugar: has.baked, TooRich: has.yeast, ManyAddIns: has.addIns,
	HiddenSalt: has.hiddenSalt,
	MuchFlour:  has.ball, MuchLiquid: has.ball, PressedDown: has.rises, PulledOut: has.comesOut, TurnedOut: has.comesOut,
	CooledShut: has.cut, KeptDamp: has.cut, OldFlour: has.flour,
	Spoilt:    func(h has) bool { return h.holds(func(i *larder.Ingredient) bool { return i.Spoils }) },
	MuchFruit: has.jam, LittleSet: has.jam, NotYetSet: has.jam, BoiledLong: has.jam, DeadCulture: has.yoghurt,
	ShortHeld: has.yoghurt, MeatUnder: has.meat, FillingWet: has.filling, SeamOpen: has.filling,
	Unrested: has.shaped, UnderProved: has.byHand, OverProved: has.byHand, OvenWrong: has.ovened,
	LeftInPan: has.cut, WrongSize: has.sized,
	EarlyAddIns: has.addIns, LateAddIns: has.addIns, WetAddIns: has.addIns,
}

// someHidden is from how much salt in other things than salt, in 100 of flour, it can be what a loaf tastes of.
const someHidden = 0.3

// hiddenSalt reports whether something else in it is salty enough to taste.
func (h has) hiddenSalt() bool {
	salty := func(l plan.Line) bool {
		i, ok := h.Kitchen.Ingredient(l.Ingredient)
		return ok && l.AtBeep && i.Shares.Salt > 1
	}
	return h.holds(isSalt) && (h.Plan.Formula.Hidden > someHidden || slices.ContainsFunc(h.Plan.Lines, salty))
}

// cannot lists the causes that this loaf cannot have.
func (b Baked) cannot() []Cause {
	var out []Cause
	h := b.has()
	for _, c := range Causes {
		if can, ok := needs[c]; ok && !can(h) {
			out = append(out, c)
		}
	}
	return out
}

// advice is what to do about a cause, in the words of what is there; a cause that is not named here has one answer for
// every loaf.
var advice = map[Cause]func(has) string{
	TooWet: func(h has) string {
		return fmt.Sprintf("Use %s less liquid, and change nothing else.", h.spoon(spoonful, "water"))
	},
	TooDry: func(h has) string {
		return fmt.Sprintf("Use %s more liquid, and change nothing else.", h.spoon(spoonful, "water"))
	},
	MuchYeast: func(h has) string {
		return fmt.Sprintf("Use %s less yeast, and change nothing else.", h.spoon(quarter, "active-dry-yeast"))
	},
	LittleYeast: func(h has) string {
		return fmt.Sprintf("Use %s more yeast, and change nothing else.", h.spoon(quarter, "active-dry-yeast"))
	},
	MuchSalt: func(h has) string { return fmt.Sprintf("Take %s less salt.", h.spoon(quarter, "salt")) },
	NoSalt: func(h has) string {
		flour := h.Plan.Formula.Flour
		if flour <= 0 {
			return "Put the salt back."
		}
		return fmt.Sprintf("Put the salt back to %s for %s of flour.", h.amount(flour*usualSalt, "salt"),
			h.Kitchen.Weight(flour, false))
	},
	HotLiquid: func(h has) string {
		return fmt.Sprintf("Let the liquid cool to %s at most.",
			h.Kitchen.Degrees.Text(dough.LimitsFor(h.meets()).High))
	},
	LongRise: func(h has) string {
		if o := otherCycle(h.Plan); o != nil {
			return fmt.Sprintf("Use %s, or half the yeast.", o.To)
		}
		return "Take a third less yeast."
	},
	WrongCycle: func(h has) string {
		if o := otherCycle(h.Plan); o != nil {
			return fmt.Sprintf("Use %s.", o.To)
		}
		return "No cycle of this machine is made for it: knead and raise it there, and bake it in the oven."
	},
	TooBig: func(h has) string { return h.smaller() },
	OldPowder: func(h has) string {
		if h.powder() {
			return "Use fresh baking powder or soda, and tick it off as it goes in."
		}
		return fmt.Sprintf("Add %s of baking powder.", h.amount(h.Plan.Formula.Flour*usualPowder, "baking-powder"))
	},
	LidTouched: func(h has) string {
		say := h.smaller()
		if h.Plan.Setting.Fittings.Dispenser {
			return strings.TrimSuffix(say, ".") + ", and see that the dispenser's flap is shut."
		}
		return say
	},
	MuchSugar: func(h has) string {
		if c, ok := h.shade(-1); ok {
			return fmt.Sprintf("Set the crust to %s.", c)
		}
		return "Take a quarter less sugar, or take it out some minutes before its end."
	},
	CrustSet: func(h has) string { return h.otherShade() },
	CutHot: func(h has) string {
		return fmt.Sprintf("Let it cool for %s before it is cut.", plan.InHours(h.Plan.Ending.Clean))
	},
	EarlyAddIns: func(h has) string { return "Put them in " + h.whenAddIns() + "." },
	LateAddIns:  func(h has) string { return "Put them in " + h.whenAddIns() + ", a handful at a time." },
}

// tells are what would tell a cause from its like at the next loaf, where that is not the same for every loaf.
var tells = map[Cause]func(has) string{
	TooWet: func(h has) string { return h.looks("does it smear the floor of the pan?", "is it thinner than cream?") },
	TooDry: func(h has) string { return h.looks("is it tearing, does it bang about?", "is it stiff?") },
	LongRise: func(h has) string {
		if h.stage(machine.Bake) {
			return "Note how high it stands when the baking begins."
		}
		return "Note how high it stands at its end."
	},
	MuchYeast: func(h has) string {
		if h.rises() {
			return "Note how high it stands as the last rise begins."
		}
		return "Read the spoon: teaspoon, or tablespoon?"
	},
	TooBig: func(h has) string { return "See what the plan says of how full the pan gets." },
}

// usualPowder is the baking powder of a usual quick bread, as a share of its flour.
const usualPowder = 0.035

// usualSalt is the salt of a usual loaf, as a share of its flour: the middle of the booklets' band.
const usualSalt = 0.02

var (
	quarter  = measure.Of(1, 4, measure.Tsp)
	spoonful = measure.Of(1, 1, measure.Tbsp)
)

// spoon is a small amount of an ingredient as this kitchen measures: by the spoon, or by its scale.
func (h has) spoon(a measure.Amount, id larder.ID) string {
	i, ok := h.Kitchen.Ingredient(id)
	if g, err := i.Weigh(a); ok && err == nil && h.Kitchen.Scale {
		return h.Kitchen.Weight(g, i.Fine())
	}
	return h.amount(i.GramsPerMl()*measure.Grams(a.Millilitres()), id)
}

// amount is a weight of an ingredient as this kitchen measures it.
func (h has) amount(g measure.Grams, id larder.ID) string {
	i, _ := h.Kitchen.Ingredient(id)
	if a, ok := plan.ByMeasures(h.Kitchen, i, g); ok && !h.Kitchen.Scale {
		return a.String()
	}
	return h.Kitchen.Weight(g, i.Fine())
}

// meets is how the yeast met the liquid; a plan of old does not say.
func (h has) meets() dough.Meeting {
	if h.Plan.Heat.Meets == "" {
		return dough.Layered
	}
	return h.Plan.Heat.Meets
}

// smaller is what to bake in place of what was too big.
func (h has) smaller() string {
	if o, ok := h.Plan.Smaller(); ok {
		return fmt.Sprintf("Bake a smaller one: %s.", o.Name())
	}
	return "Take an eighth less of everything: it is the smallest that this machine bakes."
}

// shade is the crust so many steps from the one that was set, where the machine has it and the cycle lets it be set.
func (h has) shade(by int) (machine.Crust, bool) {
	n := shade(h.Plan.Setting.Crust) + by
	if !h.crust() || n < 0 || n >= len(machine.Crusts) || !slices.Contains(h.Plan.Setting.Crusts, machine.Crusts[n]) {
		return "", false
	}
	return machine.Crusts[n], true
}

// otherShade is the crust that answers a loaf that is too pale or too dark; where the machine has none, what does it in
// place of that.
func (h has) otherShade() string {
	signs := shown(h.Plan, h.State)
	pale := slices.Contains(signs, bake.Pale)
	by := -1
	if pale {
		by = 1
	}
	if c, ok := h.shade(by); ok {
		return fmt.Sprintf("Set the crust to %s.", c)
	}
	only := h.Plan.Setting.Fittings.BakeOnly
	switch {
	case !pale:
		return "Take it out some minutes before its end."
	case only != nil:
		return fmt.Sprintf("Give it some minutes more at its end, with %s.", only)
	}
	return "A spoonful of sugar or dry milk browns it more."
}

// whenAddIns is when add-ins go in on its cycle.
func (h has) whenAddIns() string {
	if h.beep() {
		return "at the beep"
	}
	return "some minutes before the kneading ends"
}

// looks is what to look at while it is mixed: the ball, or of a batter how it runs.
func (h has) looks(ball, batter string) string {
	switch {
	case h.ball():
		return "Look at the dough ball: " + ball
	case h.kneads():
		return "Look at the batter as it is mixed: " + batter
	}
	return "Weigh what goes in."
}

// SignsOf are the signs that a loaf of the plan can show, in their order.
func SignsOf(p plan.Plan) []bake.Sign {
	h := Baked{Plan: p}.has()
	out := []bake.Sign{}
	for _, s := range bake.Signs {
		if can, ok := shows[s]; !ok || can(h) {
			out = append(out, s)
		}
	}
	return out
}

// goes are what a loaf has to have for something to go otherwise with it.
var goes = map[bake.Mishap]func(has) bool{
	bake.PaddleOff: has.paddle, bake.FlourAdded: has.ball, bake.LiquidAdded: has.ball, bake.YeastWetted: has.bakersYeast,
	bake.TwoYeasts:   has.yeast,
	bake.WeakStarter: has.starter, bake.AddedLate: has.addIns, bake.AddedEarly: has.addIns, bake.PressedDown: has.rises,
	bake.LidTouched: has.raised, bake.OtherSize: has.sized, bake.PulledOut: has.comesOut, bake.CameOutEarly: has.comesOut,
	bake.CooledShut: has.cut, bake.KeptDamp: has.cut, bake.MixedLonger: has.powder,
	bake.StoodWarm:  func(h has) bool { return h.holds(func(i *larder.Ingredient) bool { return i.Spoils }) },
	bake.JudgedWarm: func(h has) bool { return h.jam() || h.yoghurt() }, bake.BoiledOn: has.jam,
	bake.OldCulture: has.yoghurt, bake.HotForIt: has.yoghurt, bake.WetFilling: has.filling, bake.LooseSeam: has.filling,
	bake.ShortProof: has.byHand, bake.LongProof: has.byHand, bake.OvenOff: has.ovened,
}

// MishapsOf are what can go otherwise with a loaf of the plan, in their order.
func MishapsOf(p plan.Plan, k kitchen.Kitchen) []bake.Mishap {
	h := Baked{Plan: p, Kitchen: k}.has()
	out := []bake.Mishap{}
	for _, m := range bake.Mishaps {
		if can, ok := goes[m]; !ok || can(h) {
			out = append(out, m)
		}
	}
	return out
}

// shows are what a loaf has to have for a sign to be seen of it.
var shows = map[bake.Sign]func(has) bool{
	bake.Collapsed: has.raised, bake.NotRisen: has.raised, bake.Overflowed: has.raised, bake.Domed: has.raised,
	bake.Torn:    has.crusted,
	bake.Unmixed: has.kneads, bake.Lumpy: has.kneads, bake.Corners: has.kneads,
	bake.Lopsided: has.kneads,
	bake.Coarse:   has.raised, bake.FineCrumb: has.raised,
	bake.Pale: has.crusted, bake.Burnt: has.crusted, bake.Soggy: has.crusted, bake.Gummy: has.crusted,
	bake.Hollow: func(h has) bool { return h.Plan.Ending.Tap },
	bake.Hole:   func(h has) bool { return h.paddle() && h.baked() },
	bake.Mashed: has.addIns, bake.Sunken: has.addIns,
	bake.Runny:    func(h has) bool { return h.jam() || h.yoghurt() },
	bake.StiffSet: has.jam, bake.BoiledOver: has.jam, bake.Whey: has.yoghurt, bake.PinkMeat: has.meat, bake.DryMeat: has.meat,
	bake.FillingRan: has.filling, bake.RollGaps: has.filling, bake.HoleOnTop: has.raised, bake.DrawnIn: has.cut,
	bake.Sticks: has.shaped, bake.Crumbles: has.shaped, bake.SpringsUp: has.shaped,
	bake.Spread: func(h has) bool { return h.shaped() && h.ovened() },
}
