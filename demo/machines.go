package demo

import (
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/pan"
)

var (
	small  = measure.LoafPounds(1, 1)
	middle = measure.LoafPounds(3, 2)
	large  = measure.LoafPounds(2, 1)
)

func bySize(s, m, l machine.Minutes) []machine.Variation {
	return []machine.Variation{{Size: small, Minutes: s}, {Size: middle, Minutes: m}, {Size: large, Minutes: l}}
}

func rest(m machine.Minutes) machine.Stage { return machine.Stage{Kind: machine.Rest, Minutes: m} }

// warmUp is a rest that lasts until the pan is warm.
func warmUp(least, most machine.Minutes) machine.Stage {
	return machine.Stage{Kind: machine.Rest, Minutes: most, Least: least}
}
func knead(m machine.Minutes) machine.Stage { return machine.Stage{Kind: machine.Knead, Minutes: m} }
func rise(m machine.Minutes) machine.Stage  { return machine.Stage{Kind: machine.Rise, Minutes: m} }
func knock() machine.Stage                  { return machine.Stage{Kind: machine.KnockBack, Minutes: 1} }

func bakes(s, m, l machine.Minutes) machine.Stage {
	return machine.Stage{Kind: machine.Bake, Minutes: m, Vary: bySize(s, m, l)}
}

func addInBeep(beforeKneadEnd machine.Minutes) []machine.Beep {
	return []machine.Beep{{For: machine.ForAddIns, By: machine.BeforeKneadEnd, Minutes: beforeKneadEnd, Pips: 8}}
}

// Galley is the newer machine: wet first, with a dispenser and a finish-based timer.
func Galley() machine.Machine {
	return machine.Machine{
		Name:   "Galley machine",
		Sizes:  []measure.LoafSize{small, middle, large},
		Crusts: []machine.Crust{machine.Light, machine.Medium, machine.Dark},
		Vessel: pan.Vessel{Length: 190, Width: 130, Depth: 145}, Paddles: machine.Paddles{Count: 1, Folding: true},
		Loading: pan.WetFirst, Dispenser: 200,
		Delay:    machine.Delay{Rule: machine.FinishBased, Step: 10, Largest: 13 * 60},
		KeepWarm: 60, CoolDown: 25, Window: true, Memory: 2,
		Panel: machine.Panel{Sooner: "Timer -", Hold: true, Lock: "Lock",
			Size:  machine.Ring{Default: middle.String()},
			Crust: machine.Ring{Default: string(machine.Medium)}},
		Cycles: []machine.Cycle{
			{ID: "basic", Panel: "1", Name: "Basic", Character: machine.Basic, Delay: true, HasCrust: true,
				KeepsWarm: true, Beeps: addInBeep(6),
				Stages: []machine.Stage{knead(9), rest(6), knead(19), rise(35), knock(), rise(24), knock(), rise(48),
					bakes(48, 53, 58)}},
			{ID: "wholemeal", Panel: "2", Name: "Wholemeal", Character: machine.Wholemeal, Delay: true, HasCrust: true,
				KeepsWarm: true, Beeps: addInBeep(6),
				Stages: []machine.Stage{rest(28), knead(8), rest(6), knead(17), rise(52), knock(), rise(28), knock(),
					rise(42), bakes(50, 56, 62)}},
			{ID: "crusty", Panel: "3", Name: "Crusty", Character: machine.CrustyLoaf, Delay: true, HasCrust: true,
				KeepsWarm: true,
				Stages: []machine.Stage{knead(14), rest(8), knead(12), rise(44), knock(), rise(33), knock(),
					rise(56), bakes(56, 61, 66)}},
			{ID: "sweet", Panel: "4", Name: "Sweet", Character: machine.Sweet, Delay: true, HasCrust: true,
				KeepsWarm: true, Beeps: addInBeep(7),
				Stages: []machine.Stage{knead(10), rest(5), knead(22), rise(40), knock(), rise(27), knock(), rise(46),
					bakes(45, 50, 54)}},
			{ID: "rapid", Panel: "5", Name: "Rapid", Character: machine.Rapid, HasCrust: true, KeepsWarm: true,
				Beeps:  addInBeep(5),
				Stages: []machine.Stage{knead(6), knead(16), rise(11), knock(), rise(29), bakes(46, 50, 55)}},
			{ID: "gluten-free", Panel: "6", Name: "Gluten-free", Character: machine.GlutenFree, Delay: true,
				HasCrust: true, KeepsWarm: true, Beeps: addInBeep(5),
				Stages: []machine.Stage{knead(19), rise(47), bakes(57, 63, 69)}},
			{ID: "dough", Panel: "7", Name: "Dough", Character: machine.Dough, Delay: true, Beeps: addInBeep(6),
				Stages: []machine.Stage{knead(9), rest(4), knead(17), rise(58)}},
			{ID: "cake", Panel: "8", Name: "Quick bread", Character: machine.QuickBread, HasCrust: true,
				KeepsWarm: true,
				Beeps:     []machine.Beep{{For: machine.Scrape, By: machine.AfterStart, Minutes: 6, Pips: 4}},
				Stages:    []machine.Stage{knead(13), bakes(62, 68, 74)}},
			{ID: "bake", Panel: "9", Name: "Bake only", Character: machine.BakeOnly, HasCrust: true, KeepsWarm: true,
				Stages: []machine.Stage{{Kind: machine.Bake, Minutes: 50}}},
			{ID: "jam", Panel: "10", Name: "Jam", Character: machine.Jam, NoSize: true,
				Stages: []machine.Stage{rest(15), {Kind: machine.Boil, Minutes: 65}}},
			{ID: "pasta", Panel: "11", Name: "Pasta dough", Character: machine.PastaDough, NoSize: true,
				Stages: []machine.Stage{knead(17)}},
			{ID: "starter", Panel: "12", Name: "Starter", Character: machine.Starter, NoSize: true,
				Stages: []machine.Stage{{Kind: machine.Culture, Minutes: 24 * 60}}},
			{ID: "yoghurt", Panel: "13", Name: "Yoghurt", Character: machine.Yoghurt, NoSize: true,
				Stages: []machine.Stage{{Kind: machine.Culture, Minutes: 8 * 60}}},
			{ID: "filled", Panel: "14", Name: "Filled", Character: machine.Sweet, HasCrust: true, KeepsWarm: true,
				Restart: true,
				Beeps: append(addInBeep(7), machine.Beep{For: machine.PaddleOut, By: machine.BeforeLastRise,
					Pips: 12}),
				Stages: []machine.Stage{knead(10), rest(5), knead(22), rise(40), knock(), rise(46), bakes(45, 50, 54)}},
		},
	}
}

// Boatyard is the older, upright machine: dry first, two sizes, a start-based timer, no dispenser.
func Boatyard() machine.Machine {
	return machine.Machine{
		Name:   "Boatyard machine",
		Sizes:  []measure.LoafSize{small, middle},
		Crusts: []machine.Crust{machine.Light, machine.Medium, machine.Dark},
		Vessel: pan.Vessel{Length: 142, Width: 132, Depth: 168}, Paddles: machine.Paddles{Count: 1},
		Loading:  pan.DryFirst,
		Delay:    machine.Delay{Rule: machine.StartBased, Step: 30, Largest: 12 * 60},
		KeepWarm: 90, CoolDown: 30,
		Panel: machine.Panel{Menu: machine.Ring{Button: "Select"}, Crust: machine.Ring{Button: "Colour",
			Values: []string{"medium", "dark", "light"}},
			Size: machine.Ring{Button: "Loaf", Default: middle.String()}, Later: "Delay", Start: "Start/Stop"},
		Cycles: []machine.Cycle{
			{ID: "basic", Panel: "1", Name: "White", Character: machine.Basic, Delay: true, HasCrust: true,
				KeepsWarm: true, Beeps: addInBeep(5),
				Stages: []machine.Stage{warmUp(12, 17), knead(24), rise(41), knock(), rise(31), knock(), rise(54),
					bakes(52, 57, 57)}},
			{ID: "wholemeal", Panel: "2", Name: "Whole grain", Character: machine.Wholemeal, Delay: true,
				HasCrust: true, KeepsWarm: true,
				Stages: []machine.Stage{rest(36), knead(21), rise(63), knock(), rise(58), bakes(55, 60, 60)}},
			{ID: "sweet", Panel: "3", Name: "Sweet", Character: machine.Sweet, KeepsWarm: true, Beeps: addInBeep(5),
				Stages: []machine.Stage{rest(12), knead(26), rise(47), knock(), rise(64), bakes(47, 52, 52)}},
			{ID: "quick", Panel: "4", Name: "Fast", Character: machine.Rapid, HasCrust: true, KeepsWarm: true,
				Stages: []machine.Stage{knead(21), rise(36), bakes(48, 53, 53)}},
			{ID: "dough", Panel: "5", Name: "Dough", Character: machine.Dough,
				Stages: []machine.Stage{rest(10), knead(22), rise(62)}},
		},
	}
}
