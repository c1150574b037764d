package machine_test

import (
	"fmt"
	"maps"
	"slices"
	"testing"

	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/readtest"
	"risepan/demo"
)

// Machines as they are described: every cycle's programme at every size and crust, the presses that lead to it, what is
// doubted, and what a total is likely made of.
func TestWhatMachinesDo(t *testing.T) {
	var all []readtest.Said
	for _, m := range append(machine.Profiles(), demo.Galley(), demo.Boatyard()) {
		all = append(all, readtest.Said{Name: m.Name, Value: []any{m.Full(), m.Doubts(), m.SizesInWords(), fmt.Sprint(m.Check())}})
		for _, c := range m.Cycles {
			var can []any
			for _, size := range m.Sizes {
				for _, crust := range append([]machine.Crust{machine.Medium}, m.Crusts...) {
					for _, timer := range []machine.Minutes{0, m.Delay.Largest / 2 / max(m.Delay.Step, 1) * m.Delay.Step} {
						presses, shows := m.Set(machine.Wanted{Cycle: c.ID, Crust: crust, Size: size, Timer: timer, AddIns: timer > 0})
						can = append(can, presses, shows, machine.Label(presses))
					}
					can = append(can, c.Programme(size, crust), c.Totals(size, crust))
				}
			}
			all = append(all, readtest.Said{Name: m.Name + ", " + c.Name, Value: can})
		}
	}
	for _, of := range machine.Character("").Words() {
		for _, total := range []machine.Minutes{40, 95, 190, 310} {
			all = append(all, readtest.Said{Name: fmt.Sprintf("%s of %s", of, total), Value: machine.Estimate(machine.Character(of), total)})
		}
	}
	bounds := map[string]func(*machine.Machine, float64){
		"a fills": func(m *machine.Machine, v float64) { m.Fills = v }, "b knead rise": func(m *machine.Machine, v float64) { m.KneadRise = measure.Celsius(v) },
		"c dispenser": func(m *machine.Machine, v float64) { m.Dispenser = measure.Millilitres(v) }, "d keep warm": func(m *machine.Machine, v float64) { m.KeepWarm = machine.Minutes(v) },
		"e cool down": func(m *machine.Machine, v float64) { m.CoolDown = machine.Minutes(v) }, "f browns": func(m *machine.Machine, v float64) { m.Browns = int(v) },
		"g step": func(m *machine.Machine, v float64) { m.Delay.Step = machine.Minutes(v) }, "h largest": func(m *machine.Machine, v float64) { m.Delay.Largest = machine.Minutes(v) },
		"i depth": func(m *machine.Machine, v float64) { m.Vessel.Depth = int(v) }, "j first stage": func(m *machine.Machine, v float64) { m.Cycles[0].Stages[0].Minutes = machine.Minutes(v) },
	}
	for _, name := range slices.Sorted(maps.Keys(bounds)) {
		var said []any
		for _, v := range []float64{-1, 0, 0.4, 0.5, 0.6, 1, 1.4, 1.5, 1.6, 2, 3, 5, 10, 14, 15, 16, 30, 59, 60, 61, 120, 180, 181, 240, 300, 600, 720, 780, 1000, 1440, 2000} {
			m := demo.Galley()
			bounds[name](&m, v)
			said = append(said, fmt.Sprint(m.Check()), m.Doubts())
		}
		all = append(all, readtest.Said{Name: "bounds, " + name, Value: said})
	}
	odd := demo.Galley()
	odd.Sizes = append(odd.Sizes, measure.LoafPounds(5, 2))
	odd.Cycles[0].Stages[0].Minutes, odd.Cycles[1].Stages[1].Minutes = 500, 1
	all = append(all, readtest.Said{Name: "an odd one", Value: []any{odd.Doubts(), fmt.Sprint(odd.Check())}})
	readtest.Hold(t, all)
}
