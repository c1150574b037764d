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

// Set works out the delay for bread that takes total minutes, is wished for by ready, and can be
// started from press on. With delay false the cycle has none. The setting is rounded to the
// timer's step so that the bread is not late; times are instants, so a change of the clocks
// between them counts.
func Set(d machine.Delay, delay bool, total machine.Minutes, press, ready time.Time) Timer {
	available := minutes(ready.Sub(press))
	t := StartAt(press, total)
	t.Rule = d.Rule
	spare := available - total
	switch {
	case spare < 0:
		t.Fit, t.Late = TooSoon, -spare
		return t
	case !delay || d.Step <= 0:
		if spare > 0 {
			t.Fit = ByHand
		}
		t.Press = ready.Add(-duration(total))
		t.Begin, t.Ready = t.Press, ready
		return t
	}

	whole := func(m machine.Minutes) machine.Minutes { return m / d.Step * d.Step }
	fixed := machine.Minutes(0) // what the setting counts beside the wait before the cycle
	if d.Rule == machine.FinishBased {
		fixed = total
	}
	setting := whole(spare + fixed)
	if setting <= fixed {
		t.Early = spare
		return t
	}
	t.Fit = Delayed
	if most := whole(d.Largest); setting > most {
		if most <= fixed { // the timer cannot be set beyond this cycle's own length
			t.Fit, t.Press = ByHand, ready.Add(-duration(total))
			t.Begin, t.Ready = t.Press, ready
			return t
		}
		setting = most
		t.Fit, t.Press = TooFar, ready.Add(-duration(setting-fixed+total))
	}
	t.Setting = setting
	t.Begin = t.Press.Add(duration(setting - fixed))
	t.Ready = t.Begin.Add(duration(total))
	t.Early = minutes(ready.Sub(t.Ready))
	return t
}
