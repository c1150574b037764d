package timetable

import (
	"cmp"
	"slices"
	"time"

	"risepan/core/machine"
	"risepan/core/recipe"
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
	Shaped   MomentKind = "shaped"    // a dough rises for the last time
	Oven     MomentKind = "oven"      // and goes into the oven
	Eaten    MomentKind = "eaten"     // and is done
)

var MomentKinds = []MomentKind{Begins, Look, Held, AddIns, Scrape, Paddle, LastRise, Bakes, Ready, WarmEnds, Shaped, Oven, Eaten}

func (k MomentKind) Words() []string { return word.List(MomentKinds) }
func (k *MomentKind) UnmarshalText(text []byte) error {
	return word.Read(k, text, "moment of a bake", MomentKinds)
}

// Moment is one point of a bake.
type Moment struct {
	ID     string          `json:"id"` // the same as long as it has the same sense
	Kind   MomentKind      `json:"kind"`
	After  machine.Minutes `json:"after"`  // since the cycle began
	Person bool            `json:"person"` // somebody must be there
	Say    string          `json:"say"`
	UpTo   machine.Minutes `json:"upTo,omitzero"`  // at the latest, where it may fall in a window
	Waits  bool            `json:"waits,omitzero"` // the machine stands still until Start is pressed again
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

	ByHand string        // what of the add-ins goes in by hand, where the dispenser holds the others
	Shaped bool          // a dough: it leaves the machine unbaked
	Finish recipe.Finish // of a dough
}

// Moments lists a programme's moments in time order. Add-ins have one of their own: the beep where the
// cycle has one, else its usual place by the clock, 8 minutes before kneading ends. Keep warm lasts so
// many minutes; 0 without.
func Moments(p machine.Programme, keepWarm machine.Minutes, n Needs) []Moment {
	out := []Moment{{ID: string(Begins), Kind: Begins, Say: "The cycle begins."}}
	add := func(m Moment) {
		m.ID = string(m.Kind)
		out = append(out, m)
	}
	kneads := p.Of(machine.Knead)
	if len(kneads) > 0 && !n.Batter {
		add(Moment{Kind: Look, After: min(kneads[0].From+lookAfter, kneads[0].To), Person: true, Say: "Look at the dough ball."})
	}
	if len(kneads) > 0 && n.Held {
		add(Moment{Kind: Held, After: min(kneads[0].From+heldUntil, kneads[0].To), Person: true, Say: "Put in what was held back."})
	}
	out = append(out, called(p, n)...)
	if n.AddIns && len(p.Calls(machine.ForAddIns)) == 0 && len(kneads) > 0 {
		m := Moment{Kind: AddIns, After: clockTime(kneads), Person: true, Say: "No beep on this cycle: put the add-ins in now."}
		if n.Box {
			m.Person, m.Say = n.dispensed()
		} else if n.ByHand != "" {
			m.Say = "No beep on this cycle: put in the " + n.ByHand + " now."
		}
		add(m)
	}
	if rises := p.Of(machine.Rise); len(rises) > 0 {
		add(Moment{Kind: LastRise, After: rises[len(rises)-1].From, Say: "The last rise begins."})
	}
	if bakes := p.Of(machine.Bake); len(bakes) > 0 {
		add(Moment{Kind: Bakes, After: bakes[0].From, Say: "Baking begins: the lid stays shut."})
	}
	slices.SortStableFunc(out, func(a, b Moment) int { return cmp.Compare(a.After, b.After) })
	switch {
	case n.Shaped:
		out = append(out, finish(p.Total, n.Finish)...)
	case n.Batter:
		add(Moment{Kind: Ready, After: p.Total, Person: true, Say: "Ready: take it out."})
	default:
		add(Moment{Kind: Ready, After: p.Total, Person: true, Say: "Ready: take the loaf out."})
	}
	if keepWarm > 0 {
		add(Moment{Kind: WarmEnds, After: p.Total + keepWarm, Say: "Keep warm ends."})
	}
	return out
}

// finish lists the moments of a dough once the machine has done with it.
func finish(from machine.Minutes, f recipe.Finish) []Moment {
	ready := "The dough is ready: take it out."
	if f.Shape > 0 {
		ready = "The dough is ready: take it out and shape it."
	}
	out := []Moment{{ID: string(Ready), Kind: Ready, After: from, Person: true, Say: ready}}
	for _, step := range []struct {
		minutes int
		then    Moment
	}{
		{f.Shape, Moment{Kind: Shaped, Say: "Shaped: cover it, and let it rise."}},
		{f.Rise, Moment{Kind: Oven, Say: "Into the hot oven."}},
		{f.Oven, Moment{Kind: Eaten, Say: "Out of the oven."}},
	} {
		from += machine.Minutes(step.minutes)
		if step.minutes > 0 {
			step.then.ID, step.then.After, step.then.Person = string(step.then.Kind), from, true
			out = append(out, step.then)
		}
	}
	return out
}

// dispensed is how the moment is called at which the dispenser drops the add-ins, and whether somebody puts
// others in then.
func (n Needs) dispensed() (person bool, say string) {
	if n.ByHand != "" {
		return true, "The dispenser drops its add-ins: put in the " + n.ByHand + "."
	}
	return false, "The dispenser drops the add-ins in."
}

// calls are the moments that the signals of a programme make. Add-ins go in at the first beep for them.
var calls = map[machine.Signal]struct {
	kind   MomentKind
	say    string
	person bool
}{
	machine.ForAddIns: {AddIns, "Add-in beep: put the add-ins in.", true},
	machine.Scrape:    {Scrape, "Scrape the sides down.", true},
	machine.PaddleOut: {Paddle, "Paddle out now, or shape the dough, if you like.", false},
}

// called are the moments at a programme's beeps.
func called(p machine.Programme, n Needs) []Moment {
	var out []Moment
	nth := map[machine.Signal]int{}
	for _, e := range p.Events {
		nth[e.Call]++
		if e.Call == machine.ForAddIns && (!n.AddIns || nth[e.Call] > 1) {
			continue
		}
		c := calls[e.Call]
		m := Moment{ID: e.ID, Kind: c.kind, After: e.From, Person: c.person, Say: c.say, Waits: e.Waits}
		if e.To > e.From {
			m.UpTo = e.To
		}
		switch {
		case e.Call == machine.ForAddIns && n.Box:
			m.Person, m.Say = n.dispensed()
		case e.Call == machine.ForAddIns && n.ByHand != "":
			m.Say = "Add-in beep: put in the " + n.ByHand + "."
		case e.Waits:
			m.Person, m.Say = true, "The machine pauses: paddle out, shape the dough, then press Start again."
		}
		out = append(out, m)
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
