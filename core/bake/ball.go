package bake

import (
	"slices"
	"time"

	"risepan/core/dough"
	"risepan/core/kind"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/timetable"
)

// Ball is how the dough ball of a bake stands.
type Ball struct {
	From   time.Time     `json:"from"`            // kneading begins
	Until  time.Time     `json:"until"`           // and ends for the last time
	Look   *time.Time    `json:"look,omitzero"`   // when to look next; nil: no more
	Seen   dough.Seen    `json:"seen,omitzero"`   // what was seen last
	Advice *dough.Advice `json:"advice,omitzero"` // on that, until something was put in
	Doses  []Dosed       `json:"doses,omitzero"`
	Points float64       `json:"points,omitzero"` // what the doses did to the hydration
}

// Dosed is a spoonful that went in.
type Dosed struct {
	dough.Dose
	At     time.Time `json:"at"`
	Points float64   `json:"points"`
	Spoken string    `json:"spoken"`
}

// grainy is from how much whole grain in 100 of flour on a dough drinks slowly.
const grainy = 40

var twoPounds = measure.LoafPounds(2, 1)

// ball folds what was seen and put in; nil for what makes no ball.
func ball(p plan.Plan, s State, standing []Happening) *Ball {
	at := slices.IndexFunc(s.Moments, func(m Moment) bool { return m.Kind == timetable.Look })
	if at < 0 {
		return nil
	}
	first := s.Moments[at].At
	b := &Ball{Look: &first}
	for _, st := range s.Stages {
		if st.Kind == machine.Knead {
			if b.From.IsZero() {
				b.From = s.Begin.Add(time.Duration(st.From) * time.Minute)
			}
			b.Until = s.Begin.Add(time.Duration(st.To) * time.Minute)
		}
	}
	d := dough.Ball{Slow: p.Formula.Grain >= grainy, Sticky: kind.Of(p.Kind).Sticky, Large: p.Size.Pounds().Cmp(twoPounds.Pounds()) >= 0, Flour: p.Formula.Flour, Hydration: p.Formula.Hydration}
	minutes := func(from, to time.Time) int { return int(to.Sub(from) / time.Minute) }
	for _, h := range standing {
		switch {
		case h.What == Saw:
			d.Into, d.Left = minutes(b.From, h.At), minutes(h.At, b.Until)
			if n := len(b.Doses); n > 0 {
				d.Since = minutes(b.Doses[n-1].At, h.At)
			}
			a := dough.Advise(d, h.Seen)
			b.Seen, b.Advice, b.Look = h.Seen, &a, nil
			if a.Again > 0 {
				b.look(h.At, a.Again)
			}
		case h.What == Done && h.Moment == s.Moments[at].ID:
			b.Look = nil
		case h.What == PutIn && h.Dose != nil:
			points := h.Dose.Points(d)
			d.Doses, d.Hydration = append(d.Doses, *h.Dose), d.Hydration+points
			b.Points += points
			b.Doses = append(b.Doses, Dosed{*h.Dose, h.At, points, h.Dose.Amount.Spoken()})
			b.Advice, b.Look = nil, nil
			if again := dough.AfterDose(minutes(h.At, b.Until)); again > 0 {
				b.look(h.At, again)
			}
		}
	}
	return b
}

// follow moves the moment of the look to where the next one is.
func (b *Ball) follow(moments []Moment) {
	at := slices.IndexFunc(moments, func(m Moment) bool { return m.Kind == timetable.Look })
	m := &moments[at]
	if m.Done = b.Look == nil; !m.Done && b.Look.After(m.At) {
		m.At, m.Say = *b.Look, "Look at the dough ball again."
	}
	slices.SortStableFunc(moments, func(a, b Moment) int { return a.At.Compare(b.At) })
}

func (b *Ball) look(from time.Time, in int) {
	at := from.Add(time.Duration(in) * time.Minute)
	b.Look = &at
}
