package bake

import (
	"fmt"
	"slices"
	"time"

	"risepan/core/machine"
	"risepan/core/plan"
	"risepan/core/timetable"
	"risepan/core/vocab"
)

// Refusal is why a machine would not start.
type Refusal string

const (
	TooHot  Refusal = "too hot" // from the last bake
	TooCold Refusal = "too cold"
)

var Refusals = []Refusal{TooHot, TooCold}

func (r Refusal) Words() []string                  { return vocab.List(Refusals) }
func (r *Refusal) UnmarshalText(text []byte) error { return vocab.Read(r, text, "refusal", Refusals) }

// refusesFor is how long after Start it can still be said that the machine refused.
const refusesFor = 10 * time.Minute

// When Start is tried again, minutes: a hot machine is cool in 20 to 30 where its owner has not said; of a cold one
// nobody can say, so it is tried now and then.
const (
	usualCoolDown machine.Minutes = 25
	tryCold       machine.Minutes = 15
)

// refuse lets a machine that would not start wait: its cycle begins no sooner than Start is tried again.
func (c *course) refuse(p plan.Plan, h Happening, now time.Time) {
	wait, steps := tryCold, []string{
		"Carry the machine to where it is warmer, or warm the kitchen.",
		fmt.Sprintf("Nobody can say how long that takes: try %s every %d min.", p.Setting.Fittings.StartButton(),
			tryCold),
		"Liquid that has gone cold slows the first rise: look how high the dough stands before it bakes.",
	}
	if h.Refusal == TooHot {
		wait = p.Setting.CoolDown
		if wait == 0 {
			wait = usualCoolDown
		}
		steps = []string{
			"Take the pan out, and leave it as it is: nothing has been mixed.",
			fmt.Sprintf("Leave the lid open for %d min.", wait),
			"Put the pan back, lock it in, and try " + p.Setting.Fittings.StartButton() + " again.",
		}
	}
	again := h.At.Add(time.Duration(wait) * time.Minute)
	// Whole minutes later, so that what was said of the try stays where it was.
	c.begin = p.Timer.Begin.Add(again.Add(wholeMinutes(now.Sub(again))).Sub(p.Timer.Press))
	c.paused = string(timetable.Refused)
	c.moments = slices.Insert(c.moments, 0,
		timetable.Moment{ID: c.paused, Kind: timetable.Refused, After: c.minute(h.At), Waits: true, Hands: wait,
			Steps: steps,
			Say:   fmt.Sprintf("The machine refuses to start: it is %s.", h.Refusal)},
		timetable.Moment{ID: "try again", Kind: timetable.Refused, After: c.minute(again), Person: true, Say: "Try " +
			p.Setting.Fittings.StartButton() + " again."})
}
