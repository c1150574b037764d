// Package bake is a started plan and what happened since, folded into its present state.
package bake

import (
	"slices"
	"time"

	"risepan/core/fault"
	"risepan/core/machine"
	"risepan/core/plan"
	"risepan/core/timetable"
	"risepan/core/word"
)

// Shape is the number of a happening's JSON shape.
const Shape = 1

// What is what happened during a bake.
type What string

const (
	Done      What = "done"      // a moment was attended to
	TakenOut  What = "taken out" // the loaf left the pan: the bake is over
	Abandoned What = "abandoned" // stopped before its end
	Judged    What = "judged"    // a mark and a note
	Undone    What = "undone"    // an earlier happening is taken back
)

var Whats = []What{Done, TakenOut, Abandoned, Judged, Undone}

func (w What) Words() []string                  { return word.List(Whats) }
func (w *What) UnmarshalText(text []byte) error { return word.Read(w, text, "happening", Whats) }

// Happening is one thing that happened, numbered from 1 within its bake.
type Happening struct {
	Seq    int                  `json:"seq"`
	At     time.Time            `json:"at"`
	What   What                 `json:"what"`
	Moment timetable.MomentKind `json:"moment,omitzero"` // of Done
	Mark   int                  `json:"mark,omitzero"`   // of Judged, 1 to 5
	Note   string               `json:"note,omitzero"`   // of Judged
	Of     int                  `json:"of,omitzero"`     // of Undone: the seq taken back
}

// longestNote is the most bytes of a note.
const longestNote = 4000

// Phase is where a bake stands.
type Phase string

const (
	Waiting Phase = "waiting"   // the delay runs
	Running Phase = "running"   // a stage of the cycle runs
	Warm    Phase = "warm"      // ready and kept warm
	Cold    Phase = "cold"      // ready, and keep warm is over
	Out     Phase = "out"       // taken out
	GivenUp Phase = "abandoned" // stopped before its end
)

var Phases = []Phase{Waiting, Running, Warm, Cold, Out, GivenUp}

func (p Phase) Words() []string { return word.List(Phases) }

// Moment is a moment of the running bake on the clock.
type Moment struct {
	timetable.Moment
	At   time.Time `json:"at"`
	Done bool      `json:"done"`
}

// State is the bake at one instant.
type State struct {
	Phase   Phase             `json:"phase"`
	Stage   machine.StageKind `json:"stage,omitzero"` // while running
	Begin   time.Time         `json:"begin"`          // of the cycle
	Ready   time.Time         `json:"ready"`
	End     *time.Time        `json:"end,omitzero"` // when it was taken out or abandoned
	Moments []Moment          `json:"moments"`
	Next    int               `json:"next"` // index of the next moment in Moments; -1 when none is left
	Mark    int               `json:"mark,omitzero"`
	Note    string            `json:"note,omitzero"`
	Last    int               `json:"last"`             // the newest seq
	Changes *time.Time        `json:"changes,omitzero"` // when phase, stage or next will change by the clock alone
}

// Over reports whether the bake has ended.
func (s State) Over() bool { return s.Phase == Out || s.Phase == GivenUp }

// At folds a started plan and what happened into the bake's state at now. It depends on nothing
// else, so every device and every server sees the same.
func At(p plan.Plan, happened []Happening, now time.Time) State {
	s := State{Begin: p.Timer.Begin, Ready: p.Timer.Ready, Next: -1}
	undone := map[int]bool{}
	for _, h := range happened {
		s.Last = max(s.Last, h.Seq)
		if h.What == Undone {
			undone[h.Of] = true
		}
	}
	done := map[timetable.MomentKind]bool{}
	for _, h := range happened {
		if undone[h.Seq] {
			continue
		}
		switch h.What {
		case Done:
			done[h.Moment] = true
		case TakenOut, Abandoned:
			at := h.At
			s.End, s.Phase = &at, Out
			if h.What == Abandoned {
				s.Phase = GivenUp
			}
		case Judged:
			s.Mark, s.Note = h.Mark, h.Note
		}
	}
	for _, m := range p.Moments {
		s.Moments = append(s.Moments, Moment{m, m.At(s.Begin), done[m.Kind]})
	}
	if s.Over() {
		return s
	}
	s.Phase, s.Stage = phase(p, s.Begin, now)
	s.Next = slices.IndexFunc(s.Moments, func(m Moment) bool { return m.At.After(now) && !m.Done })
	s.Changes = nextChange(p, s, now)
	return s
}

// nextChange is the first stage's end or moment that is still to come.
func nextChange(p plan.Plan, s State, now time.Time) *time.Time {
	times := []time.Time{s.Begin, s.Ready.Add(time.Duration(p.Setting.KeepWarm) * time.Minute)}
	for _, st := range p.Stages {
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

func phase(p plan.Plan, begin, now time.Time) (Phase, machine.StageKind) {
	if now.Before(begin) {
		return Waiting, ""
	}
	into := machine.Minutes(now.Sub(begin) / time.Minute)
	for _, s := range p.Stages {
		if into < s.To {
			return Running, s.Kind
		}
	}
	if into < p.Setting.Total+p.Setting.KeepWarm {
		return Warm, ""
	}
	return Cold, ""
}

// Check reports, as a *fault.Fault, why h cannot happen next to a bake that stands as s, after what
// happened so far.
func Check(s State, happened []Happening, h Happening) error {
	switch h.What {
	case Done:
		if !slices.ContainsFunc(s.Moments, func(m Moment) bool { return m.Kind == h.Moment }) {
			return fault.At("/moment", "this bake has no moment %q", h.Moment)
		}
		if s.Over() {
			return fault.At("/what", "this bake is over")
		}
	case TakenOut, Abandoned:
		if s.Over() {
			return fault.At("/what", "this bake is over already")
		}
	case Judged:
		if h.Mark < 1 || h.Mark > 5 {
			return fault.At("/mark", "a mark is 1 to 5, not %d", h.Mark)
		}
		if len(h.Note) > longestNote {
			return fault.At("/note", "the note is too long: at most %d letters", longestNote)
		}
		if !s.Over() {
			return fault.At("/what", "judge the loaf when it is out of the pan")
		}
	case Undone:
		if !slices.ContainsFunc(happened, func(o Happening) bool { return o.Seq == h.Of && o.What != Undone }) {
			return fault.At("/of", "there is no happening %d to take back", h.Of)
		}
	default:
		return fault.At("/what", "say what happened: done, taken out, abandoned, judged or undone")
	}
	return nil
}
