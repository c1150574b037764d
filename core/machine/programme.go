package machine

import (
	"cmp"
	"slices"
	"strconv"

	"risepan/core/measure"
	"risepan/core/vocab"
)

// Actor is who acts at an event of a programme.
type Actor string

const (
	ByMachine Actor = "machine"
	ByBaker   Actor = "baker"
	ByBoth    Actor = "both" // the machine calls, the baker or the dispenser answers
)

var Actors = []Actor{ByMachine, ByBaker, ByBoth}

func (a Actor) Words() []string                  { return vocab.List(Actors) }
func (a *Actor) UnmarshalText(text []byte) error { return vocab.Read(a, text, "actor", Actors) }

// Span is one stage of a programme, in minutes from when the cycle begins.
type Span struct {
	ID    string    `json:"id"` // "rise 2"
	Kind  StageKind `json:"kind"`
	From  Minutes   `json:"from"`
	To    Minutes   `json:"to"`             // at the latest
	Slack Minutes   `json:"slack,omitzero"` // by how much the stage itself may be shorter
}

// Window is when something falls, in minutes after the cycle begins; To is From where it is one minute.
type Window struct {
	From Minutes `json:"from"`
	To   Minutes `json:"to"`
}

// Event is a point of a programme at which somebody acts beside the stages.
type Event struct {
	ID   string `json:"id"` // "add-ins 1"
	Call Signal `json:"call"`
	Window
	Acts  Actor `json:"acts"`
	Pips  int   `json:"pips,omitzero"`
	Waits bool  `json:"waits,omitzero"` // the machine stands still until Start is pressed again
}

// Programme is a cycle at one size and crust: its stages laid end to end, and the events in them. All
// that follows from a cycle (its length, the ribbon, a bake's moments, comparing) is read off it.
type Programme struct {
	Stages []Span  `json:"stages"`
	Events []Event `json:"events"` // in time order
	Total  Minutes `json:"total"`  // without keep warm; where a stage waits for warmth, the longest
	Least  Minutes `json:"least"`  // and the shortest
}

// Programme lays the cycle out for a size and crust. Stages of no minutes are left out, and so are
// beeps that have no place in what remains.
func (c Cycle) Programme(size measure.LoafSize, crust Crust) Programme {
	p := Programme{Stages: make([]Span, 0, len(c.Stages))}
	nth := map[StageKind]int{}
	for _, s := range c.Stages {
		m := s.For(size, crust)
		if m <= 0 {
			continue
		}
		nth[s.Kind]++
		slack := s.slack(m)
		p.Stages = append(p.Stages, Span{nthOf(s.Kind, nth[s.Kind]), s.Kind, p.Total, p.Total + m, slack})
		p.Total += m
		p.Least += m - slack
	}
	called := map[Signal]int{}
	for _, b := range c.Beeps {
		w, ok := p.window(b)
		if !ok {
			continue
		}
		called[b.For]++
		p.Events = append(p.Events, Event{nthOf(b.For, called[b.For]), b.For, w, ByBoth, b.Pips, c.Restart &&
			b.For == PaddleOut})
	}
	slices.SortStableFunc(p.Events, func(a, b Event) int { return cmp.Compare(a.From, b.From) })
	return p
}

func nthOf[T ~string](what T, n int) string { return string(what) + " " + strconv.Itoa(n) }

// window is when a beep sounds; ok is false where the stage that it counts from is not there.
func (p Programme) window(b Beep) (w Window, ok bool) {
	if b.By == AfterStart {
		return Window{b.Minutes, max(b.Minutes, b.UpTo)}, true
	}
	var early Minutes // by so much what follows may come sooner
	for _, s := range p.Stages {
		switch {
		case b.By == BeforeKneadEnd && s.Kind == Knead:
			w, ok = Window{s.To - b.Minutes - early - s.Slack, s.To - b.Minutes}, true
		case b.By == BeforeLastRise && s.Kind == Rise:
			w, ok = Window{s.From - b.Minutes - early, s.From - b.Minutes}, true
		}
		early += s.Slack
	}
	return w, ok
}

// Pause is the programme with a stand of so many minutes at one of its events, in which the machine waits for
// hands: what comes after it comes later.
func (p Programme) Pause(event string, m Minutes) Programme {
	n := slices.IndexFunc(p.Events, func(e Event) bool { return e.ID == event })
	if n < 0 || m <= 0 {
		return p
	}
	at := p.Events[n].To
	p.Stages, p.Events = slices.Clone(p.Stages), slices.Clone(p.Events)
	for k := range p.Stages {
		if s := &p.Stages[k]; s.To > at {
			if s.From >= at {
				s.From += m
			}
			s.To += m
		}
	}
	for k := range p.Events {
		if e := &p.Events[k]; e.From > at {
			e.From, e.To = e.From+m, e.To+m
		}
	}
	p.Total, p.Least = p.Total+m, p.Least+m
	return p
}

// Slack is by how much the whole may be shorter than its total.
func (p Programme) Slack() Minutes { return p.Total - p.Least }

// Of lists the stages of a kind, in order.
func (p Programme) Of(kind StageKind) []Span {
	var out []Span
	for _, s := range p.Stages {
		if s.Kind == kind {
			out = append(out, s)
		}
	}
	return out
}

// Calls lists the events that call for something, in order.
func (p Programme) Calls(call Signal) []Event {
	var out []Event
	for _, e := range p.Events {
		if e.Call == call {
			out = append(out, e)
		}
	}
	return out
}

// Total is the length of the cycle's programme, without making it.
func (c Cycle) Total(size measure.LoafSize, crust Crust) Minutes {
	var t Minutes
	for _, s := range c.Stages {
		t += max(0, s.For(size, crust))
	}
	return t
}

// Calls reports whether the cycle ever calls for something.
func (c Cycle) Calls(call Signal) bool {
	return slices.ContainsFunc(c.Beeps, func(b Beep) bool { return b.For == call })
}
