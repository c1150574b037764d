package timetable

import (
	"cmp"
	"slices"
	"time"

	"risepan/core/machine"
	"risepan/core/word"
)

// MomentKind is what happens, or is to be done, at a moment of a bake.
type MomentKind string

const (
	Begins   MomentKind = "begins"    // the delay is over
	Look     MomentKind = "look"      // look at the dough ball
	AddIns   MomentKind = "add-ins"   // the beep, or its clock time
	LastRise MomentKind = "last rise" // the paddle may come out before it
	Bakes    MomentKind = "bakes"     // the lid stays shut
	Ready    MomentKind = "ready"     // take the loaf out
	WarmEnds MomentKind = "warm ends" // keep warm is over
)

var MomentKinds = []MomentKind{Begins, Look, AddIns, LastRise, Bakes, Ready, WarmEnds}

func (k MomentKind) Words() []string { return word.List(MomentKinds) }
func (k *MomentKind) UnmarshalText(text []byte) error {
	return word.Read(k, text, "moment of a bake", MomentKinds)
}

// Moment is one point of a bake.
type Moment struct {
	Kind   MomentKind      `json:"kind"`
	After  machine.Minutes `json:"after"`  // since the cycle began
	Person bool            `json:"person"` // somebody must be there
	Say    string          `json:"say"`
}

// At is the moment's time in a bake whose cycle begins at begin.
func (m Moment) At(begin time.Time) time.Time { return begin.Add(duration(m.After)) }

// lookAfter is when to look at the dough ball: some minutes into the first kneading.
const lookAfter machine.Minutes = 7

// Moments lists a run's moments in time order. With addIns they have one of their own: the beep
// where the cycle has one, else its usual place by the clock, 8 minutes before kneading ends.
func Moments(m machine.Machine, c machine.Cycle, run []machine.Span, beep machine.Minutes, beeps, addIns bool) []Moment {
	out := []Moment{{Begins, 0, false, "The cycle begins."}}
	var total machine.Minutes
	firstKnead, lastKnead, lastRise := -1, -1, -1
	for n, s := range run {
		total = s.To
		switch s.Kind {
		case machine.Knead:
			lastKnead = n
			if firstKnead < 0 {
				firstKnead = n
			}
		case machine.Rise:
			lastRise = n
		}
	}
	for n, s := range run {
		if n == firstKnead {
			out = append(out, Moment{Look, min(s.From+lookAfter, s.To), true, "Look at the dough ball."})
		}
		if n == lastKnead && addIns {
			say := "Add-in beep: put the add-ins in."
			if !beeps {
				beep, say = max(s.From, s.To-byTheClock), "No beep on this cycle: put the add-ins in now."
			}
			out = append(out, Moment{AddIns, beep, true, say})
		}
		if n == lastRise {
			out = append(out, Moment{LastRise, s.From, false, "The last rise begins."})
		}
		if s.Kind == machine.Bake {
			out = append(out, Moment{Bakes, s.From, false, "Baking begins: the lid stays shut."})
		}
	}
	sortByTime(out)
	out = append(out, Moment{Ready, total, true, "Ready: take the loaf out."})
	if c.KeepsWarm && m.KeepWarm > 0 {
		out = append(out, Moment{WarmEnds, total + m.KeepWarm, false, "Keep warm ends."})
	}
	return out
}

// byTheClock is when add-ins go in on a cycle without a beep, before the last knead ends.
const byTheClock machine.Minutes = 8

func sortByTime(m []Moment) {
	slices.SortStableFunc(m, func(a, b Moment) int { return cmp.Compare(a.After, b.After) })
}
