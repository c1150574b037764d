package timetable

import (
	"cmp"
	"slices"
	"time"

	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/word"
)

// MomentKind is what happens, or is to be done, at a moment of a bake.
type MomentKind string

const (
	Begins   MomentKind = "begins"    // the delay is over
	Look     MomentKind = "look"      // look at the dough ball
	Held     MomentKind = "held back" // what was held back goes in
	AddIns   MomentKind = "add-ins"   // the beep, or its clock time
	Scrape   MomentKind = "scrape"    // the sides, in a batter
	Paddle   MomentKind = "paddle"    // comes out, or the dough is shaped
	LastRise MomentKind = "last rise" // the paddle may come out before it
	Bakes    MomentKind = "bakes"     // the lid stays shut
	Ready    MomentKind = "ready"     // take the loaf out
	WarmEnds MomentKind = "warm ends" // keep warm is over
)

var MomentKinds = []MomentKind{Begins, Look, Held, AddIns, Scrape, Paddle, LastRise, Bakes, Ready, WarmEnds}

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
	UpTo   machine.Minutes `json:"upTo,omitzero"` // at the latest, where it may fall in a window
}

// At is the moment's time in a bake whose cycle begins at begin.
func (m Moment) At(begin time.Time) time.Time { return begin.Add(duration(m.After)) }

// lookAfter is when to look at the dough ball: some minutes into the first kneading.
const lookAfter machine.Minutes = 7

// Needs are what a bake asks of the person beside it.
type Needs struct {
	AddIns bool // go in during the last knead
	Box    bool // the dispenser puts them in
	Batter bool // there is no dough ball to look at
	Held   bool // something is held back until the first knead
}

// Moments lists a run's moments in time order. Add-ins have one of their own: the beep where the cycle
// has one, else its usual place by the clock, 8 minutes before kneading ends.
func Moments(m machine.Machine, c machine.Cycle, size measure.LoafSize, crust machine.Crust, n Needs) []Moment {
	out := []Moment{{Kind: Begins, Say: "The cycle begins."}}
	run := c.Run(size, crust)
	total := c.Total(size, crust)
	kneads := spans(run, machine.Knead)
	if len(kneads) > 0 && !n.Batter {
		out = append(out, Moment{Kind: Look, After: min(kneads[0].From+lookAfter, kneads[0].To), Person: true, Say: "Look at the dough ball."})
	}
	if len(kneads) > 0 && n.Held {
		out = append(out, Moment{Kind: Held, After: min(kneads[0].From+heldUntil, kneads[0].To), Person: true, Say: "Put in what was held back."})
	}
	beep := func(kind MomentKind, call machine.Signal, person bool, say string) bool {
		w, ok := c.Beep(call, size, crust)
		if !ok {
			return false
		}
		moment := Moment{Kind: kind, After: w.From, Person: person, Say: say}
		if w.To > w.From {
			moment.UpTo = w.To
		}
		out = append(out, moment)
		return true
	}
	switch {
	case !n.AddIns:
	case n.Box:
		if !beep(AddIns, machine.ForAddIns, false, "The dispenser drops the add-ins in.") && len(kneads) > 0 {
			out = append(out, Moment{Kind: AddIns, After: clockTime(kneads), Say: "The dispenser drops the add-ins in."})
		}
	case beep(AddIns, machine.ForAddIns, true, "Add-in beep: put the add-ins in."):
	case len(kneads) > 0:
		out = append(out, Moment{Kind: AddIns, After: clockTime(kneads), Person: true, Say: "No beep on this cycle: put the add-ins in now."})
	}
	beep(Scrape, machine.Scrape, true, "Scrape the sides down.")
	beep(Paddle, machine.PaddleOut, false, "Paddle out now, or shape the dough, if you like.")
	if rises := spans(run, machine.Rise); len(rises) > 0 {
		out = append(out, Moment{Kind: LastRise, After: rises[len(rises)-1].From, Say: "The last rise begins."})
	}
	for _, s := range spans(run, machine.Bake) {
		out = append(out, Moment{Kind: Bakes, After: s.From, Say: "Baking begins: the lid stays shut."})
	}
	sortByTime(out)
	out = append(out, Moment{Kind: Ready, After: total, Person: true, Say: "Ready: take the loaf out."})
	if c.KeepsWarm && m.KeepWarm > 0 {
		out = append(out, Moment{Kind: WarmEnds, After: total + m.KeepWarm, Say: "Keep warm ends."})
	}
	return out
}

func spans(run []machine.Span, kind machine.StageKind) []machine.Span {
	var out []machine.Span
	for _, s := range run {
		if s.Kind == kind {
			out = append(out, s)
		}
	}
	return out
}

// clockTime is when add-ins go in on a cycle without a beep.
func clockTime(kneads []machine.Span) machine.Minutes {
	last := kneads[len(kneads)-1]
	return max(last.From, last.To-byTheClock)
}

// heldUntil is when what was held back goes in, minutes into the first kneading.
const heldUntil machine.Minutes = 3

// byTheClock is when add-ins go in on a cycle without a beep, before the last knead ends.
const byTheClock machine.Minutes = 8

func sortByTime(m []Moment) {
	slices.SortStableFunc(m, func(a, b Moment) int { return cmp.Compare(a.After, b.After) })
}
