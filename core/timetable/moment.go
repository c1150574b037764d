package timetable

import (
	"cmp"
	"fmt"
	"slices"
	"time"

	"risepan/core/dough"
	"risepan/core/machine"
	"risepan/core/recipe"
	"risepan/core/vocab"
)

// MomentKind is what happens, or is to be done, at a moment of a bake.
type MomentKind string

const (
	Refused  MomentKind = "refused"   // the machine would not start
	Begins   MomentKind = "begins"    // the delay is over
	Look     MomentKind = "look"      // look at the dough ball
	Held     MomentKind = "held back" // what was held back goes in
	AddIns   MomentKind = "add-ins"   // the beep, or its clock time
	Scrape   MomentKind = "scrape"    // the sides, in a batter
	Paddle   MomentKind = "paddle"    // comes out, or the dough is shaped
	LastRise MomentKind = "last rise" // the paddle may come out before it
	Bakes    MomentKind = "bakes"     // the lid stays shut
	Ready    MomentKind = "ready"     // take the loaf out
	Filling  MomentKind = "filling"   // is to be ready soon
	Brush    MomentKind = "brush"     // a glaze or topping goes on
	WarmEnds MomentKind = "warm ends" // keep warm is over
	Shaped   MomentKind = "shaped"    // a dough rises for the last time
	Oven     MomentKind = "oven"      // and goes into the oven
	Eaten    MomentKind = "eaten"     // and is done
)

var MomentKinds = []MomentKind{Refused, Begins, Look, Held, AddIns, Scrape, Paddle, LastRise, Filling, Brush, Bakes,
	Ready, WarmEnds, Shaped, Oven, Eaten}

func (k MomentKind) Words() []string { return vocab.List(MomentKinds) }
func (k *MomentKind) UnmarshalText(text []byte) error {
	return vocab.Read(k, text, "moment of a bake", MomentKinds)
}

// Moment is one point of a bake.
type Moment struct {
	ID       string          `json:"id"` // the same as long as it has the same sense
	Kind     MomentKind      `json:"kind"`
	After    machine.Minutes `json:"after"`             // since the cycle began
	Person   bool            `json:"person"`            // somebody must be there
	Optional bool            `json:"optional,omitzero"` // somebody can do something then, and need not
	Say      string          `json:"say"`
	UpTo     machine.Minutes `json:"upTo,omitzero"`  // at the latest, where it may fall in a window
	Waits    bool            `json:"waits,omitzero"` // the machine stands still until Start is pressed again
	Hands    machine.Minutes `json:"hands,omitzero"` // that its steps take
	Steps    []string        `json:"steps,omitzero"` // what the hands do, one after the other
}

// At is the moment's time in a bake whose cycle begins at begin.
func (m Moment) At(begin time.Time) time.Time { return begin.Add(duration(m.After)) }

// When to look at the dough ball, minutes: into the first kneading, by the usual and the early school; after what
// was held back went in; and before the last kneading ends, by the late one.
const (
	lookAfter    machine.Minutes = 7
	lookEarly    machine.Minutes = 3
	lookAfterAll machine.Minutes = 10
	lookLate     machine.Minutes = 12
)

// look is the moment at which the dough ball is looked at first. Where a stage before may be shorter, it falls in a
// window; where the add-ins would come before it, it comes before them, as soon as there is anything to see.
func (n Needs) look(p machine.Programme, kneads []machine.Span, addIns machine.Minutes) Moment {
	first, last := kneads[0], kneads[len(kneads)-1]
	m := Moment{Kind: Look, Person: true, Say: "Look at the dough ball."}
	switch {
	case n.Look == dough.LateLook:
		m.After = max(last.From+2, last.To-lookLate)
	case n.Held:
		m.After = min(first.From+heldUntil+lookAfterAll, last.To)
	case n.Look == dough.EarlyLook:
		m.After = min(first.From+lookEarly, first.To)
	default:
		m.After = min(first.From+max(lookAfter, n.LookAfter), first.To)
	}
	latest := m.After
	for _, s := range p.Stages {
		if s.From < first.From {
			m.After -= s.Slack
		}
	}
	if begins := first.From - (latest - m.After); addIns > 0 && addIns <= m.After {
		m.After = min(m.After, max(begins+lookEarly, addIns-1))
	}
	if m.UpTo = latest; m.UpTo == m.After {
		m.UpTo = 0
	}
	return m
}

// Needs are what a bake asks of the person beside it.
type Needs struct {
	AddIns bool // go in during the last knead
	Box    bool // the dispenser puts them in
	Batter bool // there is no dough ball to look at, and sides to scrape
	Still  bool // nothing is kneaded
	Look   dough.FirstLook
	Start  string // how the machine's start button is called; empty: Start
	// LookAfter is how many minutes of kneading its ball needs before it tells anything; 0: the usual.
	LookAfter machine.Minutes
	Held      bool // something is held back until the first knead

	ByHand string        // what of the add-ins goes in by hand, where the dispenser holds the others
	Shaped bool          // a dough: it leaves the machine unbaked
	Finish recipe.Finish // of a dough

	Heats    string          // what is said as it begins to bake; empty: that the lid stays shut
	Ends     string          // what is said at its end; empty: that the loaf is to be taken out
	Handwork machine.Minutes // in which a dough lies on the board before its last rise; 0: none
	Filling  string          // what it is filled with; empty: nothing
	Brushed  string          // what is brushed or strewn on it in the machine
	Before   machine.Minutes // its end, at which that is done; 0: as its baking begins
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
	if len(kneads) > 0 && !n.Batter && !n.Still && n.Look != dough.NoLook {
		add(n.look(p, kneads, n.addInsAt(p, kneads)))
	}
	if len(kneads) > 0 && n.Held {
		add(Moment{Kind: Held, After: min(kneads[0].From+heldUntil, kneads[0].To), Person: true,
			Say: "Put in what was held back."})
	}
	out = append(out, called(p, n)...)
	out = append(out, n.scraped(p, kneads)...)
	out = append(out, n.filled(p)...)
	out = append(out, n.brushed(p)...)
	if n.AddIns && len(p.Calls(machine.ForAddIns)) == 0 && len(kneads) > 0 {
		m := Moment{Kind: AddIns, After: clockTime(kneads), Person: true,
			Say: "No beep on this cycle: put the add-ins in by the clock."}
		if calls := p.Calls(machine.Scrape); n.Batter && len(calls) > 0 {
			m.After, m.Say = calls[0].From, "With the scraping beep: put the add-ins in too."
		}
		if n.Box {
			m.Person, m.Say = n.dispensed()
		} else if n.ByHand != "" {
			m.Say = "No beep on this cycle: put in the " + n.ByHand + " by the clock."
		}
		add(m)
	}
	if rises := p.Of(machine.Rise); len(rises) > 0 && !n.Still {
		add(Moment{Kind: LastRise, After: rises[len(rises)-1].From, Say: "The last rise begins."})
	}
	if bakes := append(p.Of(machine.Bake), p.Of(machine.Boil)...); len(bakes) > 0 {
		add(Moment{Kind: Bakes, After: bakes[0].From, Say: cmp.Or(n.Heats, "Baking begins: the lid stays shut.")})
	}
	slices.SortStableFunc(out, func(a, b Moment) int { return cmp.Compare(a.After, b.After) })
	switch {
	case n.Shaped:
		out = append(out, n.finish(p.Total)...)
	default:
		add(Moment{Kind: Ready, After: p.Total, Person: true, Say: cmp.Or(n.Ends, "Ready: take the loaf out.")})
	}
	if keepWarm > 0 {
		add(Moment{Kind: WarmEnds, After: p.Total + keepWarm, Say: "Keep warm ends."})
	}
	return out
}

// addInsAt is when add-ins go in at the earliest; 0 where there are none.
func (n Needs) addInsAt(p machine.Programme, kneads []machine.Span) machine.Minutes {
	switch calls := p.Calls(machine.ForAddIns); {
	case !n.AddIns:
		return 0
	case len(calls) > 0:
		return calls[0].From
	}
	return clockTime(kneads)
}

// scrapeAfter is when the sides of a batter are scraped on a cycle that does not call for it, minutes into its
// first mixing.
const scrapeAfter machine.Minutes = 5

// scraped is the look at a batter's sides by the clock, where no beep calls for it.
func (n Needs) scraped(p machine.Programme, kneads []machine.Span) []Moment {
	if !n.Batter || len(kneads) == 0 || len(p.Calls(machine.Scrape)) > 0 {
		return nil
	}
	return []Moment{{ID: string(Scrape), Kind: Scrape, After: min(kneads[0].From+scrapeAfter, kneads[0].To),
		Person: true, Say: "Scrape the sides down."}}
}

// The work on the board between the pan and the pan again.
var (
	lifted  = "Flour the board and your hands. Lift the dough out."
	onBoard = []string{
		"Roll the dough out as wide as the pan is long.",
		"Spread the filling, but for a finger's width at the far edge.",
		"Roll it up towards that edge, not too tightly. Pinch the seam and the ends shut.",
	}
	rolling = slices.Concat([]string{lifted, "Take the paddle out of the pan, and grease the pan lightly."}, onBoard,
		[]string{"Back into the pan, seam down."})
	intoTin = slices.Concat([]string{lifted}, onBoard, []string{"Into a greased tin, seam down."})
	again   = "Press %s again."
)

// makeReady is how long before its moment a filling is to be ready.
const makeReady machine.Minutes = 15

// filled are the moments of a dough that is taken out, filled and put back before its last rise.
func (n Needs) filled(p machine.Programme) []Moment {
	if n.Handwork == 0 {
		return nil
	}
	rises := p.Of(machine.Rise)
	calls := p.Calls(machine.PaddleOut)
	var at machine.Minutes
	var out []Moment
	switch {
	case n.Shaped: // out of the machine for good
		at = p.Total
	case len(calls) > 0:
		at = calls[0].From
	case len(rises) > 0:
		at = rises[len(rises)-1].From
		out = append(out, Moment{ID: string(Paddle), Kind: Paddle, After: at, Person: true, Hands: n.Handwork,
			Steps: rolling,
			Say: fmt.Sprintf("The machine does not wait: out with the dough, fill and roll it, and back within %d "+
				"minutes.", n.Handwork)})
	default:
		return nil
	}
	say := "Have the board floured and the rolling pin ready."
	if n.Filling != "" {
		say = "Get the filling ready: " + n.Filling + "."
	}
	return append(out, Moment{ID: string(Filling), Kind: Filling, After: max(0, at-makeReady), Person: true, Say: say})
}

// brushOn is how long before the baking a glaze goes on.
const brushOn machine.Minutes = 3

// brushed is the moment at which a glaze or topping goes on in the machine.
func (n Needs) brushed(p machine.Programme) []Moment {
	bakes := p.Of(machine.Bake)
	if n.Brushed == "" || len(bakes) == 0 {
		return nil
	}
	m := Moment{ID: string(Brush), Kind: Brush, Person: true}
	if n.Before > 0 {
		m.After, m.Say = max(bakes[0].From, p.Total-n.Before), "Brush on the "+n.Brushed+", quickly, and shut the lid."
	} else {
		m.After, m.Say = max(0, bakes[0].From-brushOn), "Baking begins soon: put on the "+n.Brushed+
			" gently, and shut the lid."
	}
	return []Moment{m}
}

// finish lists the moments of a dough once the machine has done with it.
func (n Needs) finish(from machine.Minutes) []Moment {
	f := n.Finish
	ready := cmp.Or(n.Ends, "The dough is ready: take it out.")
	if f.Shape > 0 && n.Ends == "" {
		ready = "The dough is ready: take it out and shape it."
	}
	out := []Moment{{ID: string(Ready), Kind: Ready, After: from, Person: true, Say: ready}}
	if n.Handwork > 0 {
		out[0].Steps = intoTin
	}
	for _, step := range []struct {
		minutes int
		then    Moment
	}{
		{f.Shape, Moment{Kind: Shaped, Say: "Shaped: cover it, and let it rise."}},
		{f.Rise, n.risen()},
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

// risen is the moment at which a dough has risen for the last time, or, where no oven follows, rested.
func (n Needs) risen() Moment {
	switch {
	case n.Finish.Oven == 0:
		return Moment{Kind: Eaten, Say: "Rested: roll it out and cut it."}
	case n.Brushed != "":
		return Moment{Kind: Oven, Say: "Put on the " + n.Brushed + ", and into the hot oven."}
	}
	return Moment{Kind: Oven, Say: "Into the hot oven."}
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
		m := Moment{ID: e.ID, Kind: c.kind, After: e.From, Person: c.person, Optional: !c.person, Say: c.say,
			Waits: e.Waits}
		if e.To > e.From {
			m.UpTo = e.To
		}
		switch {
		case e.Call == machine.ForAddIns && n.Box:
			m.Person, m.Say = n.dispensed()
			m.Optional = false
		case e.Call == machine.ForAddIns && n.ByHand != "":
			m.Say = "Add-in beep: put in the " + n.ByHand + "."
		case e.Call == machine.PaddleOut && n.Handwork > 0:
			m.Person, m.Optional, m.Hands, m.Steps = true, false, n.Handwork, rolling
			m.Say = fmt.Sprintf("The machine does not wait: out with the dough, fill and roll it, and back within "+
				"%d minutes.", n.Handwork)
			if e.Waits {
				m.Say = fmt.Sprintf("The machine pauses: fill and roll the dough, put it back, then press %s again.",
					n.start())
				m.Steps = append(slices.Clone(rolling), fmt.Sprintf(again, n.start()))
			}
		case e.Waits:
			m.Person, m.Optional, m.Say = true, false, fmt.Sprintf("The machine pauses: paddle out, shape the "+
				"dough, then press %s again.", n.start())
		}
		out = append(out, m)
	}
	return out
}

func (n Needs) start() string { return cmp.Or(n.Start, "Start") }

// clockTime is when add-ins go in on a cycle without a beep.
func clockTime(kneads []machine.Span) machine.Minutes {
	last := kneads[len(kneads)-1]
	return max(last.From, last.To-byTheClock)
}

// heldUntil is when what was held back goes in, minutes into the first kneading.
const heldUntil machine.Minutes = 3

// byTheClock is when add-ins go in on a cycle without a beep, before the last knead ends.
const byTheClock machine.Minutes = 8
