package standin

import (
	"slices"
	"strings"
	"time"

	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/vocab"
)

// Phase is what the machine is about.
type Phase string

const (
	Idle    Phase = "idle"    // its panel can be set
	Waiting Phase = "waiting" // the delay runs
	Running Phase = "running" // a stage runs
	Paused  Phase = "paused"  // it waits for Start
	Warm    Phase = "warm"    // done, and kept warm
	Dark    Phase = "dark"    // there is no power
)

var Phases = []Phase{Idle, Waiting, Running, Paused, Warm, Dark}

func (p Phase) Words() []string { return vocab.List(Phases) }
func (p *Phase) UnmarshalText(text []byte) error {
	return vocab.Read(p, text, "phase of a machine", Phases)
}

// Sound is what a machine makes heard or seen.
type Sound string

const (
	Click   Sound = "click"     // a press that moved something
	Nothing Sound = "nothing"   // a press that did not
	Begins  Sound = "begins"    // the cycle, after a delay too
	Stage   Sound = "stage"     // the next one begins
	Beep    Sound = "beep"      // with its pips
	Drops   Sound = "drops"     // the dispenser opens
	Waits   Sound = "waits"     // until Start is pressed again
	GoesOn  Sound = "goes on"   // after that
	Done    Sound = "done"      // the cycle
	Cools   Sound = "cools"     // keep warm is over
	Stops   Sound = "stops"     // Start was held
	TooHot  Sound = "too hot"   // it refuses to start
	Out     Sound = "power out" // and what was running
	Back    Sound = "power back"
	Lost    Sound = "lost" // what was running, in a cut that was too long
)

var Sounds = []Sound{Click, Nothing, Begins, Stage, Beep, Drops, Waits, GoesOn, Done, Cools, Stops, TooHot, Out, Back,
	Lost}

func (s Sound) Words() []string { return vocab.List(Sounds) }
func (s *Sound) UnmarshalText(text []byte) error {
	return vocab.Read(s, text, "sound of a machine", Sounds)
}

// Event is something that the machine did.
type Event struct {
	At    time.Time      `json:"at"`
	Sound Sound          `json:"sound"`
	Of    string         `json:"of,omitzero"`   // the stage or event of the programme, by its id
	Call  machine.Signal `json:"call,omitzero"` // of a beep
	Pips  int            `json:"pips,omitzero"`
}

// Engine is a stand-in machine at one instant: a plain value. Its zero time is when it was plugged in.
type Engine struct {
	Machine machine.Machine
	Now     time.Time
	Phase   Phase
	Display machine.Display
	Locked  bool
	Wait    time.Duration // until the cycle begins
	Into    time.Duration // the cycle, pauses left out
	Stood   time.Duration // in the present pause
	Kept    time.Duration // warm so far
	Hot     time.Time     // until when it refuses to start
	Beeped  int           // events of the programme that have been

	dark  Phase // what it was about when the power went
	since time.Time
}

// bridge is how long a machine remembers what it was about without power: a working value, as many do.
const bridge = 10 * time.Minute

// New is a machine that was just plugged in.
func New(m machine.Machine, now time.Time) Engine {
	return Engine{Machine: m, Now: now, Phase: Idle, Display: m.PowerOn()}
}

// Programme is what the display's settings make of the machine's cycle.
func (e Engine) Programme() machine.Programme {
	c := e.Machine.Showing(e.Display)
	var size measure.LoafSize
	if e.Display.Size != "" {
		size, _ = measure.ParseLoafSize(e.Display.Size)
	}
	return c.Programme(size, machine.Crust(e.Display.Crust))
}

// Stage is the stage that runs; empty where none does.
func (e Engine) Stage() machine.Span {
	if e.Phase != Running && e.Phase != Paused {
		return machine.Span{}
	}
	into := machine.Minutes(e.Into / time.Minute)
	for _, s := range e.Programme().Stages {
		if into >= s.From && into < s.To {
			return s
		}
	}
	return machine.Span{}
}

// Left is what the display shows as the time that is left: of the whole, its delay included.
func (e Engine) Left() time.Duration {
	switch e.Phase {
	case Waiting:
		return e.Wait + minutes(e.Programme().Total)
	case Running, Paused:
		return minutes(e.Programme().Total) - e.Into
	}
	return 0
}

func minutes(m machine.Minutes) time.Duration { return time.Duration(m) * time.Minute }

// Press is one press of a button, or a long one.
func (e Engine) Press(button string, held bool) (Engine, []Event) {
	panel := e.Machine.Full()
	say := func(s Sound) []Event { return []Event{{At: e.Now, Sound: s}} }
	switch {
	case e.Phase == Dark:
		return e, nil
	case button == panel.Lock && panel.Lock != "":
		e.Locked = !e.Locked
		return e, say(Click)
	case e.Locked && !(button == panel.Start && e.Phase == Paused):
		return e, say(Nothing)
	case button == panel.Start && e.Phase == Idle:
		return e.start()
	case button == panel.Start && e.Phase == Paused && !held:
		e.Phase, e.Stood = Running, 0
		return e, say(GoesOn)
	case button == panel.Start && held:
		hot := e.Hot
		if e.Into > 0 && e.baked() {
			hot = e.Now.Add(minutes(e.Machine.CoolDown))
		}
		stopped := New(e.Machine, e.Now)
		stopped.Hot = hot
		return stopped, say(Stops)
	case e.Phase != Idle:
		return e, say(Nothing)
	}
	before := e.Display
	e.Display = e.Machine.Press(e.Display, button)
	if e.Display == before {
		return e, say(Nothing)
	}
	return e, say(Click)
}

// baked reports whether the cycle has come to its heat.
func (e Engine) baked() bool {
	return slices.ContainsFunc(e.Programme().Stages, func(s machine.Span) bool {
		return (s.Kind == machine.Bake || s.Kind == machine.Boil) && e.Into > minutes(s.From)
	})
}

func (e Engine) start() (Engine, []Event) {
	if e.Now.Before(e.Hot) {
		return e, []Event{{At: e.Now, Sound: TooHot}}
	}
	e.Display.Running = true
	total := minutes(e.Programme().Total)
	if e.Wait = minutes(e.Display.Timer); e.Wait > 0 && e.Machine.Delay.Rule == machine.FinishBased {
		e.Wait = max(0, e.Wait-total)
	}
	e.Into, e.Kept, e.Stood, e.Beeped = 0, 0, 0, 0
	if e.Wait > 0 {
		e.Phase = Waiting
		return e, []Event{{At: e.Now, Sound: Click}}
	}
	return e.begin(nil)
}

func (e Engine) begin(events []Event) (Engine, []Event) {
	e.Phase = Running
	return e.stages(append(events, Event{At: e.Now, Sound: Begins}), -1)
}

// Power cuts the power or gives it back.
func (e Engine) Power(on bool) (Engine, []Event) {
	switch {
	case !on && e.Phase != Dark:
		e.dark, e.since, e.Phase = e.Phase, e.Now, Dark
		return e, []Event{{At: e.Now, Sound: Out}}
	case on && e.Phase == Dark:
		events := []Event{{At: e.Now, Sound: Back}}
		if e.Now.Sub(e.since) > bridge || e.dark == Idle {
			lost := e.dark != Idle
			hot := e.Hot
			e = New(e.Machine, e.Now)
			if e.Hot = hot; lost {
				events = append(events, Event{At: e.Now, Sound: Lost})
			}
			return e, events
		}
		e.Phase = e.dark
		return e, events
	}
	return e, nil
}

// Until lets time go by, and tells what the machine did meanwhile, in order.
func (e Engine) Until(to time.Time) (Engine, []Event) {
	var events []Event
	for e.Now.Before(to) {
		next := e.next()
		step := to.Sub(e.Now)
		if next > 0 && next < step {
			step = next
		}
		e = e.pass(step)
		if next > 0 && step == next {
			e, events = e.happen(events)
		}
	}
	return e, events
}

// pass lets a time go by in which nothing happens.
func (e Engine) pass(d time.Duration) Engine {
	e.Now = e.Now.Add(d)
	switch e.Phase {
	case Waiting:
		e.Wait -= d
	case Running:
		e.Into += d
	case Paused:
		e.Stood += d
	case Warm:
		e.Kept += d
	}
	return e
}

// next is how long it takes until something happens by itself; 0: nothing will.
func (e Engine) next() time.Duration {
	switch e.Phase {
	case Waiting:
		return e.Wait
	case Warm:
		return minutes(e.Machine.KeepWarm) - e.Kept
	case Running:
		p := e.Programme()
		first := minutes(p.Total) - e.Into
		for _, s := range p.Stages {
			if at := minutes(s.From); at > e.Into {
				first = min(first, at-e.Into)
			}
		}
		for n, ev := range p.Events {
			if at := minutes(ev.From); n >= e.Beeped && at > e.Into {
				first = min(first, at-e.Into)
			}
		}
		return first
	}
	return 0
}

// happen is what happens by itself now.
func (e Engine) happen(events []Event) (Engine, []Event) {
	switch e.Phase {
	case Waiting:
		return e.begin(events)
	case Warm:
		cold := New(e.Machine, e.Now)
		cold.Hot = e.Hot
		return cold, append(events, Event{At: e.Now, Sound: Cools})
	}
	return e.stages(events, e.Into-1)
}

// stages tells of what the cycle has come to since it was so far into it, and ends it where it is over.
func (e Engine) stages(events []Event, before time.Duration) (Engine, []Event) {
	p := e.Programme()
	if e.Into >= minutes(p.Total) {
		events = append(events, Event{At: e.Now, Sound: Done, Pips: 10})
		if e.baked() {
			e.Hot = e.Now.Add(minutes(e.Machine.CoolDown))
		}
		if c := e.Machine.Showing(e.Display); c.KeepsWarm && e.Machine.KeepWarm > 0 {
			e.Phase = Warm
			e.Hot = e.Now.Add(minutes(e.Machine.CoolDown + e.Machine.KeepWarm))
			return e, events
		}
		ended := New(e.Machine, e.Now)
		ended.Hot = e.Hot
		return ended, events
	}
	for _, s := range p.Stages {
		if at := minutes(s.From); at > before && at <= e.Into {
			events = append(events, Event{At: e.Now, Sound: Stage, Of: s.ID})
		}
	}
	for e.Beeped < len(p.Events) && minutes(p.Events[e.Beeped].From) <= e.Into {
		ev := p.Events[e.Beeped]
		e.Beeped++
		if ev.Call == machine.ForAddIns && strings.EqualFold(e.Display.AddIns, "off") {
			continue
		}
		events = append(events, Event{At: e.Now, Sound: Beep, Of: ev.ID, Call: ev.Call, Pips: ev.Pips})
		if ev.Call == machine.ForAddIns && e.Machine.Dispenser > 0 {
			events = append(events, Event{At: e.Now, Sound: Drops, Of: ev.ID})
		}
		if ev.Waits {
			e.Phase = Paused
			return e, append(events, Event{At: e.Now, Sound: Waits, Of: ev.ID})
		}
	}
	return e, events
}
