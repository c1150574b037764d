package machine_test

import (
	"fmt"
	"maps"
	"slices"
	"strings"
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
		var can readtest.Rows
		can.Add(t, m.Name, m.SizesInWords(), m.Doubts(), m.Check())
		for _, c := range m.Cycles {
			for _, size := range m.Sizes {
				for _, crust := range append([]machine.Crust{machine.Medium}, m.Crusts...) {
					presses, shows := m.Set(machine.Wanted{Cycle: c.ID, Crust: crust, Size: size,
						AddIns: crust == machine.Dark})
					can.Add(t, fmt.Sprintf("%s, %s, %s", c.Name, size, crust), machine.Label(presses), shows,
						c.Totals(size, crust))
				}
			}
			can.Add(t, c.Name, stages(c.Programme(m.Sizes[0], machine.Medium)))
		}
		timer := m.Delay.Largest / 2 / max(m.Delay.Step, 1) * m.Delay.Step
		presses, shows := m.Set(machine.Wanted{Cycle: m.Cycles[0].ID, Crust: machine.Medium, Size: m.Sizes[0],
			Timer: timer})
		can.Add(t, "timer at "+timer.String(), machine.Label(presses), shows)
		all = append(all, readtest.Said{Name: m.Name, Value: &can})
	}
	var likely readtest.Rows
	for _, of := range machine.Character("").Words() {
		for _, total := range []machine.Minutes{40, 95, 190, 310} {
			likely.Add(t, fmt.Sprintf("%s of %s", of, total), machine.Estimate(machine.Character(of), total))
		}
	}
	all = append(all, readtest.Said{Name: "what a total is likely made of", Value: &likely})
	bounds := map[string]func(*machine.Machine, float64){
		"a fills": func(m *machine.Machine, v float64) { m.Fills = v }, "b knead rise": func(m *machine.Machine,
			v float64) {
			m.KneadRise = measure.Celsius(v)
		},
		"c dispenser":   func(m *machine.Machine, v float64) { m.Dispenser = measure.Millilitres(v) },
		"d keep warm":   func(m *machine.Machine, v float64) { m.KeepWarm = machine.Minutes(v) },
		"e cool down":   func(m *machine.Machine, v float64) { m.CoolDown = machine.Minutes(v) },
		"f browns":      func(m *machine.Machine, v float64) { m.Browns = int(v) },
		"g step":        func(m *machine.Machine, v float64) { m.Delay.Step = machine.Minutes(v) },
		"h largest":     func(m *machine.Machine, v float64) { m.Delay.Largest = machine.Minutes(v) },
		"i depth":       func(m *machine.Machine, v float64) { m.Vessel.Depth = int(v) },
		"j first stage": func(m *machine.Machine, v float64) { m.Cycles[0].Stages[0].Minutes = machine.Minutes(v) },
	}
	for _, name := range slices.Sorted(maps.Keys(bounds)) {
		var said readtest.Rows
		for _, v := range []float64{-1, 0, 0.4, 0.5, 0.6, 1, 1.4, 1.5, 1.6, 2, 3, 5, 10, 14, 15, 16, 30, 59, 60, 61,
			120, 180, 181, 240, 300, 600, 720, 780, 1000, 1440, 2000} {
			m := demo.Galley()
			bounds[name](&m, v)
			said.Add(t, v, m.Check(), m.Doubts())
		}
		all = append(all, readtest.Said{Name: "bounds, " + name, Value: &said})
	}
	odd := demo.Galley()
	odd.Sizes = append(odd.Sizes, measure.LoafPounds(5, 2))
	odd.Cycles[0].Stages[0].Minutes, odd.Cycles[1].Stages[1].Minutes = 500, 1
	all = append(all, readtest.Said{Name: "an odd one", Value: []any{odd.Doubts(), fmt.Sprint(odd.Check())}})
	readtest.Hold(t, all)
}

// stages are a programme's, each with its minutes, and its events.
func stages(p machine.Programme) string {
	var out []string
	for _, s := range p.Stages {
		out = append(out, fmt.Sprintf("%s %d", s.ID, s.To-s.From))
	}
	for _, e := range p.Events {
		out = append(out, fmt.Sprintf("%s at %d", e.ID, e.From))
	}
	return strings.Join(out, ", ")
}
