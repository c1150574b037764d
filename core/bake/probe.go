package bake

import (
	"risepan/core/dough"
	"risepan/core/measure"
	"risepan/core/plan"
)

// Probe is how warm the dough was found.
type Probe struct {
	Warm measure.Temperature `json:"warm"`
	Off  *measure.Celsius    `json:"off,omitzero"` // by so much warmer than was aimed at; nil where nothing was
}

// A dough is between these, °C.
const (
	coldDough = 5
	hotDough  = 45
)

// probed holds a reading beside what the liquid was tempered for.
func probed(p plan.Plan, h Happening) *Probe {
	out := Probe{Warm: h.Warm}
	if p.Heat.Line != "" && !p.Heat.Cool && p.Heat.Leaves == p.Heat.Target {
		off := h.Warm.Celsius() - dough.Target
		out.Off = &off
	}
	return &out
}
