package bake

import (
	"time"

	"risepan/core/advice"
	"risepan/core/dough"
	"risepan/core/machine"
	"risepan/core/plan"
)

// Height is how high the dough stood at a minute of the cycle.
type Height struct {
	Minute machine.Minutes `json:"minute"`
	Stands dough.Stands    `json:"stands"`
}

// Before is how high an earlier loaf of the recipe stood, in the same machine, and its mark.
type Before struct {
	Heights []Height
	Mark    int
}

// about is by how many minutes an earlier look may lie beside this one.
const about = 12

// Rise is what to do about the last height that was told; nil where none was. It is held against what the plan has
// the loaf fill of its pan, and against earlier loaves, newest first.
func Rise(p plan.Plan, s State, before []Before) *advice.Advice {
	if len(s.Heights) == 0 {
		return nil
	}
	h := s.Heights[len(s.Heights)-1]
	r := dough.Rise{Stands: h.Stands, Doing: dough.Rests, Last: true}
	if f := p.Pan.Fill; f.Pan > 0 {
		r.Low, r.High = float64(f.Low/f.Pan), float64(f.High/f.Pan)
	}
	if only := p.Setting.Fittings.BakeOnly; only != nil {
		r.BakeOnly = only.String()
	}
	for _, st := range s.Stages {
		if st.Kind == machine.Bake && r.ToBake == 0 {
			r.ToBake = max(0, int(st.From-h.Minute))
		}
		if st.Kind == machine.Rise && st.From > h.Minute {
			r.Last = false
		}
		if h.Minute < st.From || h.Minute >= st.To {
			continue
		}
		switch st.Kind {
		case machine.Knead:
			r.Doing = dough.Kneads
		case machine.Rise, machine.KnockBack:
			r.Doing = dough.Rises
		case machine.Bake:
			r.Doing = dough.Bakes
		}
	}
	if n := len(s.Stages); n > 0 && h.Minute >= s.Stages[n-1].To {
		r.Doing = dough.Bakes
	}
	for _, b := range before {
		if e, ok := b.at(h.Minute); ok {
			r.Before = append(r.Before, e)
		}
	}
	a := r.Judge()
	return &a
}

// Low reports whether a dough that stands so as its baking begins is lower than its loaf was planned to be.
func Low(p plan.Plan, stands dough.Stands) bool {
	r := dough.Rise{Stands: stands}
	if f := p.Pan.Fill; f.Pan > 0 {
		r.Low, r.High = float64(f.Low/f.Pan), float64(f.High/f.Pan)
	}
	return r.IsLow()
}

// at is how high it stood nearest to a minute.
func (b Before) at(minute machine.Minutes) (e dough.Earlier, ok bool) {
	near := machine.Minutes(about + 1)
	for _, h := range b.Heights {
		if off := max(h.Minute-minute, minute-h.Minute); off < near {
			near, e, ok = off, dough.Earlier{Stands: h.Stands, Mark: b.Mark}, true
		}
	}
	return e, ok
}

// heights are those that were told, by the minute of the cycle.
func heights(c course, standing []Happening) []Height {
	var out []Height
	for _, h := range standing {
		if h.What == Stood && !h.At.Before(c.begin) {
			out = append(out, Height{c.minute(h.At.Truncate(time.Minute)), h.Stands})
		}
	}
	return out
}
