package bake

import (
	"slices"
	"time"

	"risepan/core/dough"
	"risepan/core/kind"
	"risepan/core/machine"
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
	row := kind.Of(p.Kind)
	d := dough.Ball{
		Slow: p.Formula.Grain >= grainy || row.Look > 0, Soft: row.Soft || row.Sticky, Gives: row.Gives,
		Mend: row.Mend, Batter: row.Batter,
		Poured: row.Loose, Spoons: p.Doses,
		Flour: p.Formula.Flour, Hydration: p.Formula.Hydration,
	}
	for _, h := range standing {
		switch {
		case h.What == Saw:
			d.Into, d.Left, d.Resting = s.kneaded(b.From, h.At), s.kneaded(h.At, b.Until), s.resting(h.At, b.Until)
			if n := len(b.Doses); n > 0 {
				d.Since = s.kneaded(b.Doses[n-1].At, h.At)
			}
			a := dough.Advise(d, h.Seen)
			b.Seen, b.Advice, b.Look = h.Seen, &a, nil
			if a.Again > 0 {
				b.Look = s.afterKneading(h.At, a.Again)
			}
		case h.What == Restarted:
			b.Seen, b.Advice, b.Look = "", nil, &first
		case h.What == Done && h.Moment == s.Moments[at].ID:
			b.Look = nil
		case h.What == PutIn && h.Dose != nil:
			points := h.Dose.Points(d)
			d.Doses, d.Hydration = append(d.Doses, *h.Dose), d.Hydration+points
			b.Points += points
			b.Doses = append(b.Doses, Dosed{*h.Dose, h.At, points, h.Dose.Amount.Spoken()})
			b.Advice, b.Look = nil, nil
			if again := dough.AfterDose(s.kneaded(h.At, b.Until)); again > 0 {
				b.Look = s.afterKneading(h.At, again)
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

// kneaded is how many whole minutes the paddle turns from one instant to another: rests do not count.
func (s State) kneaded(from, to time.Time) int {
	var turned time.Duration
	for _, st := range s.Stages {
		if st.Kind == machine.Knead {
			begins, ends := s.Begin.Add(time.Duration(st.From)*time.Minute),
				s.Begin.Add(time.Duration(st.To)*time.Minute)
			turned += max(0, minTime(ends, to).Sub(maxTime(begins, from)))
		}
	}
	return int(turned / time.Minute)
}

// resting is in how many minutes the paddle turns again; 0 where it turns, or does not any more.
func (s State) resting(at, until time.Time) int {
	for _, st := range s.Stages {
		begins, ends := s.Begin.Add(time.Duration(st.From)*time.Minute), s.Begin.Add(time.Duration(st.To)*time.Minute)
		if st.Kind != machine.Knead || !ends.After(at) || ends.After(until) {
			continue
		}
		return int(wholeMinutes(begins.Sub(at)) / time.Minute)
	}
	return 0
}

// afterKneading is when the paddle has turned for so many more minutes; nil where it does not any more.
func (s State) afterKneading(from time.Time, minutes int) *time.Time {
	left := time.Duration(minutes) * time.Minute
	for _, st := range s.Stages {
		begins, ends := s.Begin.Add(time.Duration(st.From)*time.Minute), s.Begin.Add(time.Duration(st.To)*time.Minute)
		if st.Kind != machine.Knead || !ends.After(from) {
			continue
		}
		begins = maxTime(begins, from)
		if long := ends.Sub(begins); long < left {
			left -= long
			continue
		}
		at := begins.Add(left)
		return &at
	}
	return nil
}
