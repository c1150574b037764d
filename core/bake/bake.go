package bake

import (
	"slices"
	"strings"
	"time"

	"risepan/core/advice"
	"risepan/core/dough"
	"risepan/core/fault"
	"risepan/core/journal"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/otherwise"
	"risepan/core/plan"
	"risepan/core/timetable"
	"risepan/core/validate"
	"risepan/core/vocab"
)

// Shape is the number of a happening's JSON shape.
const Shape = 1

// What is what happened during a bake.
type What string

const (
	Done      What = "done"      // a moment was attended to
	Skipped   What = "skipped"   // a moment was let go
	TakenOut  What = "taken out" // the loaf left the pan: the bake is over
	Abandoned What = "abandoned" // stopped before its end
	Judged    What = "judged"    // a mark and a note
	Saw       What = "saw"       // the dough ball, how it looks
	PutIn     What = "put in"    // a dose to mend it
	Stood     What = "stood"     // how high, in the pan

	Refused   What = "refused"    // the machine would not start
	Resumed   What = "resumed"    // Start was pressed again after a pause
	Moved     What = "moved"      // all that is to come, by some minutes: begun late, minutes added
	StageOver What = "stage over" // the present stage ended early, by hand
	PowerCut  What = "power cut"
	Restarted What = "started again" // the whole cycle, from its beginning
	Otherwise What = "otherwise"     // something else than planned, by its event

	Probed       What = "probed" // the dough, with a thermometer
	Photographed What = "photographed"

	Undone What = "undone" // an earlier happening is taken back
)

var Whats = []What{Done, Skipped, TakenOut, Abandoned, Judged, Saw, PutIn, Stood, Refused, Resumed, Moved, StageOver,
	PowerCut, Restarted, Otherwise, Probed, Photographed, Undone}

func (w What) Words() []string                  { return vocab.List(Whats) }
func (w *What) UnmarshalText(text []byte) error { return vocab.Read(w, text, "happening", Whats) }

// Happening is one thing that happened during a bake.
type Happening struct {
	journal.Stamp
	What    What                `json:"what"`
	Moment  string              `json:"moment,omitzero"` // of Done, Skipped and Resumed: the moment's id
	Verdict                     // of Judged
	Of      int                 `json:"of,omitzero"`    // of Undone: the number of what is taken back
	Photo   *Photo              `json:"photo,omitzero"` // of Photographed
	Warm    measure.Temperature `json:"warm,omitzero"`  // of Probed

	Seen dough.Seen  `json:"seen,omitzero"` // of Saw
	Dose *dough.Dose `json:"dose,omitzero"` // of PutIn

	Stands dough.Stands `json:"stands,omitzero"` // of Stood

	Refusal Refusal `json:"refusal,omitzero"` // of Refused

	Event otherwise.Event `json:"event,omitzero"` // of Otherwise

	Minutes int  `json:"minutes,omitzero"` // of Moved: by so many, below 0 sooner; of Resumed: so many ago
	Cut     *Cut `json:"cut,omitzero"`     // of PowerCut
}

// TakesBack is the number of the happening that an undoing takes back.
func (h Happening) TakesBack() int { return h.Of }

// longestNote is the most letters of a note.
const longestNote = 4000

// Phase is where a bake stands.
type Phase string

const (
	Waiting Phase = "waiting"   // the delay runs
	Running Phase = "running"   // a stage of the cycle runs
	Warm    Phase = "warm"      // ready and kept warm
	Cold    Phase = "cold"      // ready, and keep warm is over
	InHand  Phase = "in hand"   // a dough that the machine has done with: shaped, rising or in the oven
	Out     Phase = "out"       // taken out
	GivenUp Phase = "abandoned" // stopped before its end
)

var Phases = []Phase{Waiting, Running, Warm, Cold, InHand, Out, GivenUp}

func (p Phase) Words() []string { return vocab.List(Phases) }
func (p *Phase) UnmarshalText(text []byte) error {
	return vocab.Read(p, text, "phase of a bake", Phases)
}

// Moment is a moment of the running bake on the clock.
type Moment struct {
	timetable.Moment
	At      time.Time `json:"at"`
	Done    bool      `json:"done"`
	Skipped bool      `json:"skipped,omitzero"`
	Stays   bool      `json:"stays,omitzero"` // first, until it is answered
}

// State is the bake at one instant.
type State struct {
	Phase   Phase             `json:"phase"`
	Stage   machine.StageKind `json:"stage,omitzero"`   // while running
	Ends    time.Time         `json:"ends,omitzero"`    // when that stage does
	Lid     string            `json:"lid,omitzero"`     // what may be touched now
	Begin   time.Time         `json:"begin"`            // of the cycle
	Stages  []machine.Span    `json:"stages"`           // as they went and will go, in minutes from there
	Total   machine.Minutes   `json:"total"`            // of the machine
	Paused  string            `json:"paused,omitzero"`  // the moment at which it waits for Start
	Outage  *advice.Advice    `json:"outage,omitzero"`  // what to do after a power cut that the machine did not bridge
	Refuses *time.Time        `json:"refuses,omitzero"` // until when it can be said that it would not start
	Ready   time.Time         `json:"ready"`
	Freed   *time.Time        `json:"freed,omitzero"` // when a dough left the machine
	// when it was taken out, of the machine or of the oven, or abandoned
	End     *time.Time `json:"end,omitzero"`
	Moments []Moment   `json:"moments"`
	Ball    *Ball      `json:"ball,omitzero"`    // the dough ball; nil for what makes none
	Due     *Due       `json:"due,omitzero"`     // what has come and was not answered
	Next    int        `json:"next"`             // index of the next moment in Moments; -1 when none is left
	Heights []Height   `json:"heights,omitzero"` // how high it stood
	Out     []string   `json:"out,omitzero"`     // how it comes out, in steps
	Hot     time.Time  `json:"hot,omitzero"`     // until when it burns fingers, untouched
	Cool    *Cool      `json:"cool,omitzero"`    // of a loaf that is out
	Probe   *Probe     `json:"probe,omitzero"`   // the last one
	Photos  []Pictured `json:"photos,omitzero"`
	Verdict
	Last    int        `json:"last"`             // the newest seq
	Changes *time.Time `json:"changes,omitzero"` // when phase, stage or next will change by the clock alone

	pressed time.Time // when Start was, in whole minutes
}

// staysHot is for how long after its end a loaf burns fingers, a working value of home bakers.
const staysHot = 30 * time.Minute

// Over reports whether the bake has ended.
func (s State) Over() bool { return s.Phase == Out || s.Phase == GivenUp }

// At folds a started plan and what happened into the bake's state at now. It depends on nothing
// else, so every device and every server sees the same.
func At(p plan.Plan, happened []Happening, now time.Time) State {
	done, skipped := map[string]bool{}, map[string]bool{}
	standing := journal.Standing(happened)
	c := courseOf(p, standing, now)
	s := State{Begin: c.begin, Ready: c.at(c.total), Stages: c.stages, Total: c.total, Next: -1,
		Last: journal.Last(happened), pressed: p.Timer.Press.Truncate(time.Minute)}
	for _, h := range standing {
		switch h.What {
		case Done:
			done[h.Moment] = true
			if h.Moment == string(timetable.Ready) {
				at := h.At
				s.Freed = &at
			}
		case Skipped:
			skipped[h.Moment] = true
		case TakenOut, Abandoned:
			at := h.At
			s.End, s.Phase = &at, Out
			if h.What == Abandoned {
				s.Phase = GivenUp
			}
		case Judged:
			s.Verdict = h.Verdict
		case Probed:
			s.Probe = probed(p, h)
		case Resumed: // what was to be ready for it is past
			if h.Moment != string(timetable.Refused) {
				done[h.Moment], done[string(timetable.Filling)] = true, true
			}
		case PowerCut:
			s.Outage = outage(p, c, h)
		case Restarted: // what is done in the cycle is to be done anew
			s.Outage = nil
			for _, m := range c.moments {
				if m.After >= 0 {
					delete(done, m.ID)
					delete(skipped, m.ID)
				}
			}
		}
	}
	for _, m := range c.moments {
		s.Moments = append(s.Moments, Moment{m, m.At(s.Begin), done[m.ID], skipped[m.ID], stays(m)})
	}
	s.Heights, s.Photos, s.Out = heights(c, standing), photos(c, standing), out(p, s.Moments)
	if s.Hot = s.Ready.Add(staysHot); !p.Eaten.IsZero() {
		s.Hot = p.Eaten.Add(staysHot)
	}
	if s.Cool = cooling(p, s); s.Over() {
		s.Outage = nil
	}
	if s.Ball = ball(p, s, standing); s.Ball != nil {
		s.Ball.follow(s.Moments)
	}
	if s.Over() {
		return s
	}
	if s.Phase = ClockOf(p, s).Phase(now); s.Phase == Running || s.Phase == Waiting {
		s.Stage, s.Ends = c.stage(now)
		s.Paused = c.paused
	}
	if until := s.Begin.Add(refusesFor); s.Paused == "" && !now.After(until) {
		s.Refuses = &until
	}
	s.Lid = lid(p, s)
	s.Due = due(p, s, now)
	s.Next = slices.IndexFunc(s.Moments, func(m Moment) bool { return m.At.After(now) && !m.Done })
	s.Changes = nextChange(p, s, now)
	return s
}

// lids are what may be touched in each stage of a cycle.
var lids = map[machine.StageKind]string{
	machine.Knead:     "The lid may be opened while it kneads.",
	machine.Rest:      "The lid may be opened for a look while it rests.",
	machine.Rise:      "Open the lid only to take the paddle out or to shape the dough: the warmth goes.",
	machine.KnockBack: "Keep your fingers out: the paddle may start without warning.",
	machine.Bake:      "The lid stays shut while it bakes.",
	machine.Boil:      "Keep the lid shut: boiling jam burns.",
	machine.Culture:   "Leave the lid shut, for an even warmth.",
}

// lid is what may be touched now. Buttons are left alone throughout: a stop that is pressed loses the cycle.
func lid(p plan.Plan, s State) string {
	switch {
	case s.Paused == string(timetable.Refused):
		return "Nothing runs yet: lid and pan may be touched."
	case s.Phase == Waiting:
		return "Don't press Stop: you would lose the delay."
	case s.Phase == Running:
		if s.Paused != "" {
			return "It stands still until " + p.Setting.Fittings.StartButton() +
				" is pressed. No other button: a stop loses the cycle."
		}
		if say, ok := lids[s.Stage]; ok {
			return say + " Don't press Stop: it cancels the cycle."
		}
	}
	return ""
}

// nextChange is the first stage's end or moment that is still to come.
func nextChange(p plan.Plan, s State, now time.Time) *time.Time {
	times := []time.Time{s.Begin, ClockOf(p, s).WarmUntil}
	for _, st := range s.Stages {
		times = append(times, s.Begin.Add(time.Duration(st.To)*time.Minute))
	}
	for _, m := range s.Moments {
		times = append(times, m.At)
	}
	times = slices.DeleteFunc(times, func(t time.Time) bool { return !t.After(now) })
	if len(times) == 0 {
		return nil
	}
	first := slices.MinFunc(times, time.Time.Compare)
	return &first
}

// Clock is a bake's times, as lists keep them beside its plan.
type Clock struct {
	Begin     time.Time // of the cycle
	Ready     time.Time
	WarmUntil time.Time
	End       *time.Time // when it was taken out or abandoned; nil while it has not ended
	GaveUp    bool       // it ended by being abandoned
	Dough     bool       // it leaves the machine unbaked
}

// Phase is where a bake with these times stands at now.
func (c Clock) Phase(now time.Time) Phase {
	switch {
	case c.End != nil && c.GaveUp:
		return GivenUp
	case c.End != nil:
		return Out
	case now.Before(c.Begin):
		return Waiting
	case now.Before(c.Ready):
		return Running
	case c.Dough:
		return InHand
	case now.Before(c.WarmUntil):
		return Warm
	}
	return Cold
}

// ClockOf is the times of a bake that stands as s.
func ClockOf(p plan.Plan, s State) Clock {
	warm := s.Ready.Add(time.Duration(p.Setting.KeepWarm) * time.Minute)
	return Clock{s.Begin, s.Ready, warm, s.End, s.Phase == GivenUp, HasFinish(s.Moments)}
}

// HasFinish reports whether moments are those of a dough, which goes on after the machine.
func HasFinish(moments []Moment) bool {
	return slices.ContainsFunc(moments, func(m Moment) bool { return m.Kind == timetable.Eaten })
}

// Check reports, as a *fault.Fault, why h cannot happen next to a bake that stands as s, after what
// happened so far.
func Check(s State, happened []Happening, h Happening) error {
	if err := validate.First(validate.Check(h), validate.Short("/note", "the note", h.Note, longestNote)); err != nil {
		return err
	}
	switch h.What {
	case Done, Skipped:
		if !slices.ContainsFunc(s.Moments, func(m Moment) bool { return m.ID == h.Moment }) {
			return fault.At("/moment", "this bake has no moment %q", vocab.Clip(h.Moment))
		}
		if s.Over() {
			return fault.At("/what", "this bake is over")
		}
	case TakenOut, Abandoned:
		if s.Over() {
			return fault.At("/what", "this bake is over already")
		}
	case Stood:
		if s.Over() {
			return fault.At("/what", "this bake is over")
		}
		if h.Stands == "" {
			return fault.At("/stands", "say how high it stands: %s", strings.Join(dough.Stands("").Words(), ", "))
		}
	case Otherwise:
		switch {
		case s.Over():
			return fault.At("/what", "this bake is over")
		case h.Event == "":
			return fault.At("/event", "say what went otherwise")
		}
	case Refused, Resumed, Moved, StageOver, PowerCut, Restarted:
		if s.Over() {
			return fault.At("/what", "this bake is over")
		}
		return checkCourse(s, h)
	case Saw, PutIn:
		if s.Over() || s.Ball == nil {
			return fault.At("/what", "there is no dough ball to look at")
		}
		return checkBall(h)
	case Judged:
		return checkVerdict(s, h.Verdict)
	case Probed:
		if c := h.Warm.Celsius(); s.Over() || h.Warm.IsZero() || c < coldDough || c > hotDough {
			return fault.At("/warm", "say how warm the dough is while it is in the machine: %d to %d °C", coldDough,
				hotDough)
		}
	case Photographed:
		return checkPhoto(s, h.Photo)
	case Undone:
		if !slices.ContainsFunc(happened, func(o Happening) bool { return o.Seq == h.Of }) {
			return fault.At("/of", "there is no happening %d to take back", h.Of)
		}
	}
	return nil
}

// checkBall reports why something cannot have been seen of the ball or put into it.
func checkBall(h Happening) error {
	switch {
	case h.What == Saw && h.Seen == "":
		return fault.At("/seen", "say how the dough looks: %s", strings.Join(dough.Seen("").Words(), ", "))
	case h.What == PutIn && h.Dose == nil:
		return fault.At("/dose", "say what was put in, such as 1 tsp of water")
	case h.What == PutIn:
		if err := h.Dose.Check(); err != nil {
			return fault.At("/dose/amount", "%v", err)
		}
	}
	return nil
}
