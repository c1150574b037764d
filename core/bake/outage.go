package bake

import (
	"slices"
	"strings"
	"time"

	"risepan/core/advice"
	"risepan/core/fault"
	"risepan/core/machine"
	"risepan/core/otherwise"
	"risepan/core/plan"
	"risepan/core/timetable"
)

// Cut is a power cut, as the baker tells it: only the baker knows.
type Cut struct {
	From    time.Time `json:"from"`
	To      time.Time `json:"to"`
	Resumed bool      `json:"resumed,omitzero"` // the machine went on by itself where it was
}

// outage is what a cut means for what was in the pan.
func outage(p plan.Plan, c course, h Happening) *advice.Advice {
	if h.Cut == nil || h.Cut.Resumed {
		return nil
	}
	stand := otherwise.At(p, c.stages, c.minute(h.Cut.From))
	a := otherwise.Cut(stand, machine.Minutes(h.Cut.To.Sub(h.Cut.From)/time.Minute))
	return &a
}

// Cool is the clock of a loaf that is out of the pan.
type Cool struct {
	Slice time.Time `json:"slice"` // from when it may be cut at all
	Clean time.Time `json:"clean"` // and from when it cuts clean
}

// cooling is when a loaf that was taken out can be cut; nil for what is not cut.
func cooling(p plan.Plan, s State) *Cool {
	if s.End == nil || s.Phase == GivenUp || p.Ending.Slice == 0 {
		return nil
	}
	return &Cool{s.End.Add(time.Duration(p.Ending.Slice) * time.Minute),
		s.End.Add(time.Duration(p.Ending.Clean) * time.Minute)}
}

// The most that a bake can be moved by, minutes, and the longest cut that is told.
const (
	mostMoved = 240
	longest   = 48 * time.Hour
)

// checkCourse reports why the clock of a bake cannot be moved so.
func checkCourse(s State, h Happening) error {
	switch h.What {
	case Refused:
		switch {
		case h.Refusal == "":
			return fault.At("/refusal", "say why it refuses: %s", strings.Join(Refusal("").Words(), ", "))
		case s.Paused == string(timetable.Refused):
			return fault.At("/what", "that it refuses to start is said already: say when it has started")
		case s.Refuses == nil:
			return fault.At("/what", "the cycle has begun: it no longer refuses to start")
		}
	case Resumed:
		if !slices.ContainsFunc(s.Moments, func(m Moment) bool { return m.ID == h.Moment && m.Waits }) {
			return fault.At("/moment", "the machine does not wait for Start then")
		}
		if h.Minutes < 0 || h.Minutes > mostMoved {
			return fault.At("/minutes", "Start was pressed 0 to %d minutes ago, not %d", mostMoved, h.Minutes)
		}
	case Moved:
		if h.Minutes == 0 || h.Minutes < -mostMoved || h.Minutes > mostMoved {
			return fault.At("/minutes", "say by how many minutes, up to %d later or sooner", mostMoved)
		}
	case Restarted:
		if h.Minutes < 0 || h.Minutes > mostMoved {
			return fault.At("/minutes", "it was started 0 to %d minutes ago, not %d", mostMoved, h.Minutes)
		}
		if h.At.Before(s.Begin) {
			return fault.At("/what", "the cycle has not begun yet")
		}
	case StageOver:
		if s.Stage == "" {
			return fault.At("/what", "no stage runs that could have ended")
		}
	case PowerCut:
		switch {
		case h.Cut == nil || h.Cut.From.IsZero() || !h.Cut.To.After(h.Cut.From):
			return fault.At("/cut", "say when the power went, and when it came back after that")
		case h.Cut.From.Before(s.pressed):
			return fault.At("/cut/from", "the power went after Start was pressed")
		case h.Cut.To.After(h.At.Add(time.Minute)) || h.Cut.To.Sub(h.Cut.From) > longest:
			return fault.At("/cut/to", "the power came back by now, at most two days after it went")
		}
	}
	return nil
}
