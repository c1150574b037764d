package choice

import (
	"fmt"
	"strings"

	"risepan/core/machine"
)

// Beeping names the cycles of the machine that would beep for the add-ins of a dough where its own does not, and
// what their stages cost; nothing where its own beeps, where nothing goes in then, and where no other could be taken.
func Beeping(m machine.Machine, own machine.Cycle, n Needs) string {
	if !n.addIns() || n.Away || own.Calls(machine.ForAddIns) {
		return ""
	}
	var out []string
	for _, o := range Cycles(m, n) {
		c, _ := m.Cycle(o.Cycle)
		if o.Suits && o.Grants && c.Calls(machine.ForAddIns) && Harm(c, n) == "" {
			out = append(out, c.Title()+" beeps for them, and "+n.costs(own, c)+".")
		}
	}
	return strings.Join(out, " ")
}

// costs is how another cycle's stages differ from those of a cycle.
func (n Needs) costs(own, other machine.Cycle) string {
	a, b := own.Totals(n.Size.LoafSize, machine.Medium), other.Totals(n.Size.LoafSize, machine.Medium)
	var parts []string
	for _, stage := range []struct {
		does     string
		own, has machine.Minutes
	}{{"kneads", a.Knead, b.Knead}, {"rises", a.Rise, b.Rise}, {"bakes", a.Bake, b.Bake}} {
		switch d := stage.has - stage.own; {
		case d > 0:
			parts = append(parts, fmt.Sprintf("%s %d minutes longer", stage.does, d))
		case d < 0:
			parts = append(parts, fmt.Sprintf("%s %d minutes less", stage.does, -d))
		}
	}
	if len(parts) == 0 {
		return "its stages are the same"
	}
	return strings.Join(parts, ", ")
}
