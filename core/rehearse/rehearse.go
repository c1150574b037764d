package rehearse

import (
	"slices"
	"time"

	"risepan/core/bake"
	"risepan/core/dough"
	"risepan/core/fault"
	"risepan/core/journal"
	"risepan/core/kind"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/standin"
	"risepan/core/timetable"
	"risepan/core/validate"
	"risepan/core/vocab"
)

// Shape is the number of a rehearsal's JSON shape.
const Shape = 3

// HappeningShape is the number of the JSON shape of what happens in one.
const HappeningShape = 1

// Rehearsal is what is practised: a plan as it was made, on a machine.
type Rehearsal struct {
	Plan    plan.Plan       `json:"plan"`
	Machine machine.Machine `json:"machine"`
	Room    measure.Celsius `json:"room"`
	Slip    Slip            `json:"slip,omitzero"`
	Began   time.Time       `json:"began"` // by the real clock
	Of      Made            `json:"of,omitzero"`
}

// Check reports what about a rehearsal cannot be.
func (r Rehearsal) Check() error { return validate.Check(r) }

// What is what the baker does in a rehearsal.
type What string

const (
	Pressed What = "pressed" // a button of the panel
	Paced   What = "paced"   // the clock
	Told    What = "told"    // of the bake, as of a real one
	Cut     What = "cut"     // the power goes, or comes back
	Left    What = "left"    // undone, what the dough wants: the clock goes on without it
	Again   What = "again"   // from the beginning
)

var Whats = []What{Pressed, Paced, Told, Cut, Left, Again}

func (w What) Words() []string { return vocab.List(Whats) }
func (w *What) UnmarshalText(text []byte) error {
	return vocab.Read(w, text, "doing in a rehearsal", Whats)
}

// Happening is one thing done in a rehearsal.
type Happening struct {
	journal.Stamp
	What   What            `json:"what"`
	Button string          `json:"button,omitzero"`
	Held   bool            `json:"held,omitzero"`
	Pace   int             `json:"pace,omitzero"` // of Paced: so many times as fast; 0 stands still
	Told   *bake.Happening `json:"told,omitzero"`
	On     bool            `json:"on,omitzero"` // of Cut: the power is there
}

// TakesBack is none: what is done in a rehearsal is begun again.
func (h Happening) TakesBack() int { return 0 }

// Paces are how fast the clock can run.
var Paces = []int{0, 1, 10, 60, 600}

// State is how a rehearsal stands.
type State struct {
	Now     time.Time         `json:"now"` // on its own clock
	Pace    int               `json:"pace"`
	Waits   string            `json:"waits,omitzero"`  // what the clock stands still for
	Leaves  bool              `json:"leaves,omitzero"` // that can be left undone
	Phase   standin.Phase     `json:"phase"`
	Display machine.Display   `json:"display"`
	Shows   string            `json:"shows"` // the display in words
	Left    machine.Minutes   `json:"left,omitzero"`
	Stage   machine.StageKind `json:"stage,omitzero"`
	Locked  bool              `json:"locked,omitzero"`
	Light   bool              `json:"light,omitzero"`
	Sounds  []standin.Event   `json:"sounds"`           // the last ones, newest first
	Differs []string          `json:"differs,omitzero"` // what is set otherwise than planned
	Inside  *Inside           `json:"inside,omitzero"`  // through the window
	Loaf    *standin.Outcome  `json:"loaf,omitzero"`    // when it is done
	Bake    *bake.State       `json:"bake,omitzero"`    // once it is started
	Happens []bake.Happening  `json:"happens,omitzero"` // that were told of it
	Last    int               `json:"last"`
}

// Inside is what is seen through the window.
type Inside struct {
	Look   dough.Seen      `json:"look,omitzero"` // between its first kneading and its last
	Height float64         `json:"height"`        // of the pan; 1 at its rim
	Warm   measure.Celsius `json:"warm"`
}

// run is a rehearsal while it is folded.
type run struct {
	r       Rehearsal
	engine  standin.Engine
	dough   standin.Dough
	filled  bool
	plan    plan.Plan // on the rehearsal's own clock, once it is started
	started bool
	told    []bake.Happening
	sounds  []standin.Event
	pace    int
	left    int // what was told when something was left undone, and one more; 0: nothing was
}

// mostSounds is how many of the last sounds are told.
const mostSounds = 6

// usualPace is how fast the clock runs once Start was pressed.
const usualPace = 60

func (r Rehearsal) begin() run {
	return run{r: r, engine: standin.New(r.Machine, r.Plan.Timer.Press), pace: usualPace}
}

// At folds what was done into how the rehearsal stands at a real instant.
func At(r Rehearsal, happened []Happening, now time.Time) State {
	a, last := r.after(happened)
	a.advance(now.Sub(last))
	return a.state(journal.Last(happened))
}

// after folds what was done, and tells when the last of it was, by the real clock.
func (r Rehearsal) after(happened []Happening) (run, time.Time) {
	a := r.begin()
	real := r.Began
	for _, h := range happened {
		a.advance(h.At.Sub(real))
		real = h.At
		a.take(h)
	}
	return a, real
}

// advance lets real time go by, as much faster as is set, up to where hands are wanted.
func (a *run) advance(real time.Duration) {
	until := a.engine.Now.Add(real * time.Duration(a.pace))
	for a.started && a.engine.Now.Before(until) {
		want := a.wanted()
		if !want.at.After(a.engine.Now) {
			return
		}
		if want.at.Before(until) {
			a.pass(want.at)
			continue
		}
		a.pass(until)
	}
}

// far is when nothing is wanted any more.
const far = 1000 * time.Hour

// want is what hands are wanted for next.
type want struct {
	at     time.Time
	say    string
	leaves bool // it can be left undone
}

// wanted is for what hands are wanted next. A spoonful that the dough is to get is wanted at once.
func (a *run) wanted() want {
	now := a.engine.Now
	next := want{at: now.Add(far)}
	s := bake.At(a.plan, a.told, now)
	if s.Over() {
		return next
	}
	take := func(w want) {
		if w.at.Before(next.at) {
			next = w
		}
	}
	for _, m := range s.Moments {
		if m.Person && !m.Done && !m.Skipped && m.Kind != timetable.Look {
			take(want{m.At, m.Say, false})
		}
	}
	if b := s.Ball; b != nil && a.left != len(a.told)+1 {
		if b.Advice != nil && b.Advice.Add != nil && now.Before(b.Until) {
			take(want{now, "Give the dough what it wants.", true})
		}
		if b.Look != nil && b.Look.Before(b.Until) {
			take(want{a.lookAt(s), "Look at the dough ball.", true})
		}
	}
	if s.Paused != "" {
		take(want{now, "The machine waits for Start.", false})
	}
	return next
}

// lookAt is when the ball is looked at next. The stand-in's stages last as long as they can, so a look that falls in a
// window comes at its end.
func (a *run) lookAt(s bake.State) time.Time {
	at := *s.Ball.Look
	for _, m := range s.Moments {
		if latest := s.Begin.Add(time.Duration(m.UpTo) * time.Minute); m.Kind == timetable.Look && s.Ball.Seen == "" &&
			latest.After(at) {
			at = latest
		}
	}
	return at
}

// pass lets the machine and its dough go on to an instant, minute by minute.
func (a *run) pass(to time.Time) {
	for a.engine.Now.Before(to) {
		next := a.engine.Now.Add(time.Minute)
		if next.After(to) {
			next = to
		}
		minute := int(next.Sub(a.plan.Timer.Press)/time.Minute) > int(a.engine.Now.Sub(a.plan.Timer.Press)/time.Minute)
		stage := a.engine.Stage().Kind
		var events []standin.Event
		a.engine, events = a.engine.Until(next)
		a.hear(events)
		if a.filled && minute && a.engine.Phase != standin.Paused {
			a.dough = a.dough.Minute(stage)
		}
	}
}

func (a *run) hear(events []standin.Event) {
	a.sounds = append(a.sounds, events...)
}

// take does what the baker did.
func (a *run) take(h Happening) {
	switch h.What {
	case Again:
		*a = a.r.begin()
	case Paced:
		a.pace = h.Pace
	case Cut:
		var events []standin.Event
		a.engine, events = a.engine.Power(h.On)
		a.hear(events)
	case Told:
		a.tell(*h.Told)
	case Left:
		a.left = len(a.told) + 1
	case Pressed:
		before := a.engine.Phase
		var events []standin.Event
		a.engine, events = a.engine.Press(h.Button, h.Held)
		a.hear(events)
		switch {
		case before == standin.Idle && (a.engine.Phase == standin.Running || a.engine.Phase == standin.Waiting):
			a.start()
		case before == standin.Paused && a.engine.Phase == standin.Running:
			if s := bake.At(a.plan, a.told, a.engine.Now); s.Paused != "" {
				a.tell(bake.Happening{What: bake.Resumed, Moment: s.Paused})
				a.dough = a.dough.Minute(machine.KnockBack) // rolled out
			}
		}
	}
}

// start puts the dough in and the plan on the rehearsal's clock.
func (a *run) start() {
	p := a.r.Plan
	press := a.engine.Now
	long := p.Timer.Ready.Sub(p.Timer.Begin)
	p.Timer.Press, p.Timer.Begin = press, press.Add(a.engine.Wait)
	p.Timer.Ready = p.Timer.Begin.Add(long)
	a.plan, a.started, a.told, a.left = p, true, nil, 0
	liquid := p.Heat.Yeast
	if p.Heat.Line == "" || p.Heat.Cool {
		liquid = a.r.Room
	}
	a.dough = standin.Put(standin.In{Kind: kind.Of(p.Kind), Bands: p.Usual.Bands, Meant: p.Formula.Formula,
		Fills: (p.Pan.Fill.Low + p.Pan.Fill.High) / 2,
		Room:  a.r.Room, Liquid: liquid, Meets: p.Heat.Meets})
	slips[a.r.Slip](&a.dough)
	a.filled = p.Formula.Flour > 0
}

func (a *run) tell(h bake.Happening) {
	h.Stamp = journal.Stamp{Seq: len(a.told) + 1, At: a.engine.Now}
	a.told = append(a.told, h)
	if h.What == bake.PutIn && h.Dose != nil {
		a.dough = a.dough.Add(*h.Dose)
	}
}

// state is how it stands.
func (a *run) state(last int) State {
	e := a.engine
	s := State{Now: e.Now, Pace: a.pace, Phase: e.Phase, Display: e.Display, Shows: shows(e), Locked: e.Locked,
		Last: last, Happens: a.told,
		Light: e.Phase == standin.Running || e.Phase == standin.Waiting, Stage: e.Stage().Kind,
		Left: machine.Minutes((e.Left() + time.Minute - 1) / time.Minute), Sounds: []standin.Event{}}
	for n := len(a.sounds) - 1; n >= 0 && len(s.Sounds) < mostSounds; n-- {
		if a.sounds[n].Sound != standin.Click {
			s.Sounds = append(s.Sounds, a.sounds[n])
		}
	}
	s.Differs = a.differs()
	if !a.started {
		return s
	}
	b := bake.At(a.plan, a.told, e.Now)
	s.Bake = &b
	if want := a.wanted(); !want.at.After(e.Now) {
		s.Waits, s.Leaves = want.say, want.leaves
	}
	if a.filled {
		volume := a.dough.Volume()
		s.Inside = &Inside{Height: float64(volume / a.r.Machine.Vessel.Volume()), Warm: a.dough.Warm}
		if k := b.Ball; k != nil && !e.Now.Before(k.From) && e.Now.Before(k.Until) {
			s.Inside.Look = a.dough.Look()
		}
		if done := e.Phase == standin.Warm || b.Over() || !e.Now.Before(b.Ready); done && a.dough.Baked > 0 {
			loaf := a.dough.Shape(a.r.Machine.Vessel.Volume())
			s.Loaf = &loaf
		}
	}
	return s
}

// Check reports, as a *fault.Fault, what cannot be done in a rehearsal that stands as s.
func Check(s State, h Happening) error {
	if err := validate.Check(h); err != nil {
		return err
	}
	switch h.What {
	case Paced:
		if !slices.Contains(Paces, h.Pace) {
			return fault.At("/pace", "the clock stands still, or runs 1, 10, 60 or 600 times as fast, not %d", h.Pace)
		}
	case Left:
		if !s.Leaves {
			return fault.At("/what", "the clock does not stand still for what the dough wants")
		}
	case Pressed:
		if h.Button == "" || len(h.Button) > 40 {
			return fault.At("/button", "say which button was pressed")
		}
	case Told:
		switch {
		case h.Told == nil:
			return fault.At("/told", "say what happened")
		case s.Bake == nil:
			return fault.At("/told", "nothing is started yet: set the panel and press Start")
		case h.Told.What == bake.Resumed:
			return fault.At("/told/what", "it goes on when Start is pressed on the panel")
		case h.Told.What == bake.Judged || h.Told.What == bake.PowerCut || h.Told.What == bake.Refused:
			return fault.At("/told/what", "a rehearsal is not judged, and what becomes of its machine is seen on "+
				"the panel")
		}
		told := *h.Told
		told.Stamp = journal.Stamp{Seq: len(s.Happens) + 1, At: s.Now}
		return bake.Check(*s.Bake, s.Happens, told)
	}
	return nil
}
