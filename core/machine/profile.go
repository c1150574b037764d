package machine

import (
	"slices"

	"risepan/core/measure"
	"risepan/core/pan"
)

// Profiles are typical machines, each of the usual kind of its day, to begin a description from. Their
// names and minutes are nobody's: the owner's booklet puts them right.
func Profiles() []Machine {
	small, middle, large := measure.LoafPounds(1, 1), measure.LoafPounds(3, 2), measure.LoafPounds(2, 1)
	bake := func(s, m, l Minutes) Stage {
		return Stage{Kind: Bake, Minutes: m, Vary: []Variation{{Size: small, Minutes: s}, {Size: large, Minutes: l}}}
	}
	stages := func(first ...Stage) []Stage { return first }
	knead := func(m Minutes) Stage { return Stage{Kind: Knead, Minutes: m} }
	rest := func(m Minutes) Stage { return Stage{Kind: Rest, Minutes: m} }
	rise := func(m Minutes) Stage { return Stage{Kind: Rise, Minutes: m} }
	knock := Stage{Kind: KnockBack, Minutes: 1}
	beep := []Beep{{For: ForAddIns, By: BeforeKneadEnd, Minutes: 6}}
	cycles := []Cycle{
		{ID: "c1", Panel: "1", Name: "Basic", Character: Basic, Delay: true, HasCrust: true, KeepsWarm: true,
			Beeps: beep,
			Stages: stages(knead(10), rest(5), knead(18), rise(38), knock, rise(25), knock, rise(50),
				bake(48, 54, 60))},
		{ID: "c2", Panel: "2", Name: "Wholemeal", Character: Wholemeal, Delay: true, HasCrust: true, KeepsWarm: true,
			Beeps: beep,
			Stages: stages(rest(30), knead(10), rest(5), knead(15), rise(55), knock, rise(30), knock, rise(45),
				bake(50, 56, 62))},
		{ID: "c3", Panel: "3", Name: "Crusty", Character: CrustyLoaf, Delay: true, HasCrust: true, KeepsWarm: true,
			Stages: stages(knead(15), rest(5), knead(12), rise(45), knock, rise(35), knock, rise(60),
				bake(55, 60, 66))},
		{ID: "c4", Panel: "4", Name: "Sweet", Character: Sweet, Delay: true, HasCrust: true, KeepsWarm: true,
			Beeps: beep,
			Stages: stages(knead(10), rest(5), knead(20), rise(42), knock, rise(28), knock, rise(48),
				bake(46, 50, 55))},
		{ID: "c5", Panel: "5", Name: "Rapid", Character: Rapid, HasCrust: true, KeepsWarm: true, Beeps: beep,
			Stages: stages(knead(20), rise(40), bake(46, 50, 55))},
		{ID: "c6", Panel: "6", Name: "Dough", Character: Dough, Delay: true, Beeps: beep, NoSize: true,
			Stages: stages(knead(10), rest(5), knead(15), rise(60))},
	}
	upright := Machine{
		Name: "Upright, one paddle", Sizes: []measure.LoafSize{small, middle}, Crusts: Crusts,
		Vessel:  pan.Vessel{Length: 140, Width: 130, Depth: 165},
		Paddles: Paddles{Count: 1}, Loading: pan.WetFirst, Delay: Delay{Rule: StartBased, Step: 30, Largest: 12 * 60},
		KeepWarm: 60, CoolDown: 25, Cycles: cycles[:5],
	}
	long := Machine{
		Name: "Long pan, two paddles", Sizes: []measure.LoafSize{small, middle, large}, Crusts: Crusts,
		Vessel:  pan.Vessel{Length: 225, Width: 130, Depth: 135},
		Paddles: Paddles{Count: 2, Folding: true}, Loading: pan.WetFirst, Dispenser: 200,
		Delay:    Delay{Rule: FinishBased, Step: 10, Largest: 13 * 60},
		KeepWarm: 60, CoolDown: 25, Window: true, Memory: 2, Cycles: cycles,
	}
	bare := Machine{
		Name: "From nothing", Sizes: []measure.LoafSize{middle}, Crusts: Crusts, Vessel: pan.Vessel{Length: 190,
			Width: 130, Depth: 140},
		Paddles: Paddles{Count: 1}, Loading: pan.WetFirst, Delay: Delay{Rule: NoTimer}, KeepWarm: 60, CoolDown: 25,
		Cycles: []Cycle{{ID: "c1", Panel: "1", Name: "Basic", Character: Basic, HasCrust: true, KeepsWarm: true,
			Stages: stages(knead(25), rise(60), knock, rise(50), Stage{Kind: Bake, Minutes: 55})}},
	}
	out := []Machine{long, upright, bare}
	for n := range out {
		out[n].Cycles = slices.Clone(out[n].Cycles)
		for c := range out[n].Cycles {
			out[n].Cycles[c].Typical = true
		}
	}
	return out
}
