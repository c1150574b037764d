package bake

import (
	"risepan/core/machine"
	"risepan/core/measure"
)

// Setup is how a loaf was made, beside its recipe.
type Setup struct {
	Machine string // its name
	Size    measure.LoafSize
	Cycle   string        // its name
	Crust   machine.Crust // that was set; empty: no choice
}

// Since is what is otherwise than at an earlier bake, in words.
func (w Setup) Since(before Setup) (out []string) {
	for _, is := range []struct{ was, now, say string }{
		{before.Machine, w.Machine, "in the "}, {before.Size.String(), w.Size.String(), "size "},
		{before.Cycle, w.Cycle, "cycle "}, {string(before.Crust), string(w.Crust), "crust set to "},
	} {
		if is.was != is.now {
			out = append(out, is.say+is.now)
		}
	}
	return out
}
