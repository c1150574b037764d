package bake

import (
	"fmt"
	"slices"
	"strings"
	"time"

	"risepan/core/fault"
	"risepan/core/machine"
	"risepan/core/plan"
	"risepan/core/timetable"
	"risepan/core/vocab"
)

// Cut is a power cut, as the baker tells it: only the baker knows.
type Cut struct {
	From    time.Time `json:"from"`
	To      time.Time `json:"to"`
	Resumed bool      `json:"resumed,omitzero"` // the machine went on by itself where it was
}

// Outage is what is left to do after a cut that the machine did not bridge.
type Outage struct {
	Say   string   `json:"say"`
	Steps []string `json:"steps,omitzero"`
	Throw bool     `json:"throw,omitzero"` // what was in the pan is to be thrown away
}

// After a cut, minutes: what spoils may stand so long; a dough that has hardly begun is begun again.
const (
	spoilsAfter = 120
	begunAgain  = 30
)

// outage is what a cut means for what was in the pan.
func outage(p plan.Plan, c course, h Happening) *Outage {
	if h.Cut == nil || h.Cut.Resumed {
		return nil
	}
	cut := *h.Cut
	long := int(cut.To.Sub(cut.From) / time.Minute)
	stage, _ := c.stage(cut.From)
	if long > spoilsAfter && stage != machine.Bake && p.Spoils {
		return &Outage{Throw: true, Say: fmt.Sprintf("What spoils stood warm for %d minutes: throw it away.", long),
			Steps: []string{"Empty the pan, wash it, and begin again with fresh ingredients."}}
	}
	into := c.minute(cut.From)
	left := c.left(into)
	bake := minutesOf(p.Stages, machine.Bake)
	switch stage {
	case machine.Rest, machine.Knead:
		if into <= begunAgain {
			return &Outage{Say: "It had hardly begun: start the same cycle again.",
				Steps: []string{"Set the panel as before, and press " + p.Setting.Fittings.StartButton() +
					". The dough takes a second kneading well."}}
		}
		return &Outage{Say: "It was being kneaded: the dough can be saved.", Steps: risenAndBaked(p,
			left[machine.Rise], bake)}
	case machine.Rise, machine.KnockBack:
		rise := max(0, left[machine.Rise]-long)
		return &Outage{Say: fmt.Sprintf("It was rising, and went on rising for %d minutes: leave it in the pan.",
			long), Steps: risenAndBaked(p, rise, bake)}
	case machine.Bake:
		rest := left[machine.Bake]
		return &Outage{Say: "It was baking: bake it to its end before it cools.", Steps: []string{
			fmt.Sprintf("%s for %d minutes, and some more where it has cooled.", bakedOn(p), rest+5),
			"Try its middle: " + done(p),
		}}
	}
	if cut.From.Before(c.begin) {
		return &Outage{Say: "The delay is lost: nothing has begun. Set the panel anew; the plan counts from now.",
			Steps: []string{"Is the yeast still dry? Else begin again."}}
	}
	if c.paused != "" {
		return &Outage{Say: "It was waiting for " + p.Setting.Fittings.StartButton() + ": the dough can be saved.",
			Steps: risenAndBaked(p, max(0, left[machine.Rise]-long), bake)}
	}
	return &Outage{Say: "It was done already: take it out."}
}

// oven is the usual heat for a loaf that moves to the oven.
const oven = "190 °C (375 °F)"

// bakedOn is where a loaf that its cycle does not bake any more is baked: on the machine's own cycle for that, where it
// has one, or in the oven.
func bakedOn(p plan.Plan) string {
	in := "In a tin in the oven at " + oven
	if only := p.Setting.Fittings.BakeOnly; only != nil {
		return fmt.Sprintf("On the %s cycle, or %s,", only, vocab.Lower(in))
	}
	return in
}

func done(p plan.Plan) string {
	if p.Ending.Core == "" {
		return "a wooden skewer comes out clean."
	}
	return "it is done at " + p.Ending.Core + "."
}

// risenAndBaked are the steps of a kneaded dough that the machine has left.
func risenAndBaked(p plan.Plan, rise, bake int) []string {
	out := []string{}
	if rise > 0 {
		out = append(out, fmt.Sprintf("Let it rise in the covered pan for about %d minutes, until it stands a "+
			"finger below the rim.", rise))
	}
	if bake == 0 {
		return append(out, "Then shape and bake it as planned.")
	}
	return append(out, fmt.Sprintf("Then %s for %d minutes.", vocab.Lower(bakedOn(p)), bake), "Try its middle: "+
		done(p))
}

// left is how many minutes of each kind of stage are left from a minute of the cycle on.
func (c course) left(from machine.Minutes) map[machine.StageKind]int {
	out := map[machine.StageKind]int{}
	for _, s := range c.stages {
		if s.To > from {
			out[s.Kind] += int(s.To - max(s.From, from))
		}
	}
	return out
}

func minutesOf(stages []machine.Span, kind machine.StageKind) int {
	n := 0
	for _, s := range stages {
		if s.Kind == kind {
			n += int(s.To - s.From)
		}
	}
	return n
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
