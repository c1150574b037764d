package plan

import (
	"risepan/core/machine"
)

// mostBeeps is how many cycles are named whose beep could be borrowed.
const mostBeeps = 2

// beeping is a cycle whose beep for the add-ins could be borrowed, and what its stages cost beside the chosen one's.
type beeping struct {
	CycleName
	costs string
}

// unheard reports whether add-ins go in by hand on a cycle that does not beep for them.
func (g Programme) unheard() bool {
	return g.AddIns != nil && len(g.AddIns.named(WithHands)) > 0 && g.AddIns.Silent
}

// beeps are the cycles that beep for add-ins, suit the dough and grant the wishes, best first.
func (g Programme) beeps(m machine.Machine) []beeping {
	var out []beeping
	s := g.Setting
	here := g.cycle.Totals(s.Size.LoafSize, s.Crust)
	for _, o := range s.Options {
		c, _ := m.Cycle(o.ID)
		if o.Suits && o.Grants && c.Calls(machine.ForAddIns) && len(out) < mostBeeps {
			out = append(out, beeping{o.CycleName, c.Totals(s.Size.LoafSize, s.Crust).Beside(here)})
		}
	}
	return out
}

// whyNoBeep names those cycles where the choice of the cycle is explained; nothing where it beeps itself.
func (g Programme) whyNoBeep(m machine.Machine) string {
	say := ""
	if g.unheard() {
		for _, b := range g.beeps(m) {
			say += " " + b.CycleName.String() + " would beep for the add-ins: it " + b.costs + "."
		}
	}
	return say
}
