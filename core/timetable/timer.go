package timetable

import (
	"time"

	"risepan/core/machine"
)

// Fit says how a wished time fits the machine's timer.
type Fit string

const (
	AtOnce  Fit = "at once"  // no wish, or less than a step to wait: start without a delay
	Delayed Fit = "delayed"  // the delay timer is set
	TooSoon Fit = "too soon" // the bread cannot be ready by then
	TooFar  Fit = "too far"  // beyond the timer's largest value: press Start later
	ByHand  Fit = "by hand"  // no delay with this cycle: press Start later, without one
)

// Timer is what to set on the delay timer and what follows from it.
type Timer struct {
	Fit     Fit               `json:"fit"`
	Rule    machine.DelayRule `json:"rule"`
	Setting machine.Minutes   `json:"setting"` // what the display shall show; 0: no delay
	Press   time.Time         `json:"press"`   // when Start is pressed
	Begin   time.Time         `json:"begin"`   // when the cycle begins
	Ready   time.Time         `json:"ready"`   // the true ready time
	Early   machine.Minutes   `json:"early"`   // before the wished time
	Late    machine.Minutes   `json:"late"`    // after it
}

func duration(m machine.Minutes) time.Duration { return time.Duration(m) * time.Minute }

func minutes(d time.Duration) machine.Minutes { return machine.Minutes(d / time.Minute) }

// StartAt is the timer of a bake that starts without a delay.
func StartAt(press time.Time, total machine.Minutes) Timer {
	return Timer{Fit: AtOnce, Press: press, Begin: press, Ready: press.Add(duration(total))}
}

// Wish is when bread is wanted.
type Wish struct {
	At     time.Time
	NotYet bool // not before At, for somebody who comes home then; else not after it
}

// Set works out the delay for bread that takes total minutes and can be started from press on. With
// delay false the cycle has none. The setting is rounded to what the timer can show, so that bread
// wished for by a time is not late and bread for somebody who comes home then is not early; times are
// instants, so a change of the clocks between them counts.
func Set(d machine.Delay, delay bool, total machine.Minutes, press time.Time, wish Wish) Timer {
	t := StartAt(press, total)
	t.Rule = d.Rule
	byHand := func(fit Fit) Timer {
		t.Fit, t.Press = fit, wish.At.Add(-duration(total))
		t.Begin, t.Ready = t.Press, wish.At
		return t
	}
	switch spare := minutes(wish.At.Sub(press)) - total; {
	case spare < 0:
		t.Fit, t.Late = TooSoon, -spare
		return t
	case !delay || d.Step <= 0:
		if spare > 0 {
			return byHand(ByHand)
		}
		return byHand(AtOnce)
	default:
		return delayed(t, d, wish, total, spare, byHand)
	}
}

// delayed sets the timer of a cycle that has spare minutes to wait.
func delayed(t Timer, d machine.Delay, wish Wish, total, spare machine.Minutes, byHand func(Fit) Timer) Timer {
	fixed := machine.Minutes(0) // what the setting counts beside the wait before the cycle
	if d.Rule == machine.FinishBased {
		fixed = total
	}
	most, can := d.Most(total)
	least, want := d.Least(total), spare+fixed
	switch {
	case spare == 0, want < least && !wish.NotYet:
		t.Early = spare
		return t
	case !can: // the timer cannot be set beyond this cycle's own length
		return byHand(ByHand)
	}
	steps := (want - least) / d.Step
	if wish.NotYet {
		steps = max(0, want-least+d.Step-1) / d.Step
	}
	t.Fit, t.Setting = Delayed, least+steps*d.Step
	if t.Setting > most {
		t.Fit, t.Setting, t.Press = TooFar, most, wish.At.Add(-duration(most-fixed+total))
	}
	t.Begin = t.Press.Add(duration(t.Setting - fixed))
	t.Ready = t.Begin.Add(duration(total))
	off := minutes(wish.At.Sub(t.Ready))
	t.Early, t.Late = max(off, 0), max(-off, 0)
	return t
}
