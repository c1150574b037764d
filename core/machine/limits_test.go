package machine

import (
	"slices"
	"testing"

	"risepan/core/measure"
	"risepan/core/readtest"
)

func TestEachPartOfAMachineIsFilledToItsLimit(t *testing.T) {
	with := func(field string, most int, fill func(m *Machine, n int)) readtest.Limit {
		return readtest.Limit{Field: field, Most: most, Check: func(n int) error {
			m := whole()
			m.Cycles = []Cycle{basic()}
			fill(&m, n)
			return m.Check()
		}}
	}
	readtest.Limits(t, []readtest.Limit{
		with("/sizes", 6, func(m *Machine, n int) {
			m.Sizes = nil
			for i := range n {
				m.Sizes = append(m.Sizes, measure.LoafPounds(int64(i+1), 2))
			}
		}),
		with("/paddles/count", 2, func(m *Machine, n int) { m.Paddles.Count = n }),
		with("/dispenser", 1000, func(m *Machine, n int) { m.Dispenser = measure.Millilitres(n) }),
		with("/keepWarm", int(longestWarm), func(m *Machine, n int) { m.KeepWarm = Minutes(n) }),
		with("/coolDown", int(longestCool), func(m *Machine, n int) { m.CoolDown = Minutes(n) }),
		with("/browns", 1, func(m *Machine, n int) { m.Browns = n }),
		with("/memory", 20, func(m *Machine, n int) { m.Memory = n }),
		with("/cycles", 40, func(m *Machine, n int) { m.Cycles = slices.Repeat(m.Cycles, n) }),
		with("/vessel/length", 500, func(m *Machine, n int) { m.Vessel.Length = n }),
		with("/vessel/width", 500, func(m *Machine, n int) { m.Vessel.Width = n }),
		with("/vessel/depth", 500, func(m *Machine, n int) { m.Vessel.Depth = n }),
		with("/cycles/0/stages", 20, func(m *Machine, n int) {
			m.Cycles[0].Stages = slices.Repeat(m.Cycles[0].Stages[:1], n)
		}),
		with("/cycles/0/beeps", 6, func(m *Machine, n int) {
			m.Cycles[0].Beeps = slices.Repeat(m.Cycles[0].Beeps, n)
		}),
		with("/cycles/0/stages/0/vary", 24, func(m *Machine, n int) {
			m.Cycles[0].Stages[0].Vary = make([]Variation, n)
		}),
		with("/cycles/0/stages/0/least", 10, func(m *Machine, n int) { m.Cycles[0].Stages[0].Least = Minutes(n) }),
		with("/cycles/0/beeps/0/pips", 30, func(m *Machine, n int) { m.Cycles[0].Beeps[0].Pips = n }),
	})
}
