package schedule

import (
	"fmt"
	"slices"

	"risepan/core/fault"
)

// Span is a stretch of time, up to but not with To.
type Span struct{ From, To int }

func (s Span) meets(o Span) bool { return s.From < o.To && o.From < s.To }

func (s Span) plus(minutes int) Span { return Span{s.From + minutes, s.To + minutes} }

// Option is one way to make a loaf: on a machine, by a cycle.
type Option struct {
	Machine int    // its place among the day's machines
	Run     int    // from the cycle's begin until the machine is done, at its longest
	Load    int    // that hands are wanted to load the pan and press Start; 1 at the least
	First   int    // the smallest delay of the timer beside none; of a finish-based timer seldom a whole step
	Step    int    // of the delay timer; 0: none
	Longest int    // delay
	Hands   []Span // within the cycle in which hands are wanted, since it began
	Beeps   []int  // since it began; the machine sounds at its end too
	After   []Span // in which hands are wanted after the machine, since the dough was taken out
	Finish  int    // from when a dough is taken out until it is done; bread is done when it is out
}

// Job is a loaf that is wanted.
type Job struct {
	Ways     []Option
	Whenever bool // it may be done at any time
	From     int  // done not before; the same as By for bread that is wanted fresh by a time
	By       int  // done not after
	Pin      Span // in which it is to be done, whatever that costs; zero: nowhere
}

// Resource is a machine as the day finds it.
type Resource struct {
	Free int // from when it can be started
	Cool int // from when a loaf is out until it can be started again

	// by loaves that are not planned: each from when the machine must be empty and cool until theirs is out
	Taken []Span
}

// Wanted is a day as it is wanted.
type Wanted struct {
	Loaves   []Job
	Machines []Resource
	Now      int    // nothing that is planned happens before
	Away     []Span // in which nobody's hands are to be had
	Quiet    []Span // in which nothing may sound
	Odd      []Span // in which hands would rather not be wanted
	Pairs    int    // of hands; 1: loadings and other moments for hands do not fall together
	Ends     int    // the last minute at which anything may happen
	Hurry    int    // the part of the usual search that is done, such as 6 for a sixth; 0: all of it
	Grid     int    // minutes: all presses fall on it; 0: five
	// of each loaf: where it stood, by way, press, begin and when it was done; kept where nothing is better. None:
	// nowhere
	Was []Placed
}

// Bounds of what is planned, and what it is planned in.
const (
	MostLoaves   = 12
	MostMachines = 6
	usualGrid    = 5           // minutes
	TakeOut      = 5           // minutes that hands are wanted to take a loaf out
	longest      = 3 * 24 * 60 // minutes
	mostMoments  = 10          // in which a loaf wants hands
)

// Placed is what becomes of a loaf.
type Placed struct {
	None  bool `json:"none,omitzero"` // no place was found for it
	Way   int  `json:"way"`
	Press int  `json:"press"` // when Start is pressed
	Begin int  `json:"begin"` // of the cycle: after the delay
	Ready int  `json:"ready"`
	Taken int  `json:"taken"` // out of the machine
	Done  int  `json:"done"`  // to be eaten, of a dough; else as it is taken
	Late  int  `json:"late,omitzero"`
	Waits int  `json:"waits,omitzero"` // early, or kept warm
}

// Cost is what a day costs, the worst first.
type Cost struct {
	Without int `json:"without"` // loaves without a place
	Late    int `json:"late"`    // loaves
	Minutes int `json:"minutes"` // late, of all
	Waits   int `json:"waits"`   // minutes early or kept warm, of all
	Odd     int `json:"odd"`     // moments in which hands would rather not be wanted
}

// What is worse outweighs all of what is less so: there are at most 12 loaves of ten moments each, and three days.
const (
	perWait    = 1 << 8
	perMinute  = perWait << 16
	perLate    = perMinute << 16
	perWithout = perLate << 8
)

func (c Cost) sum() int {
	return c.Without*perWithout + c.Late*perLate + c.Minutes*perMinute + c.Waits*perWait + c.Odd
}

func costOf(sum int) Cost {
	return Cost{sum / perWithout, sum % perWithout / perLate, sum % perLate / perMinute, sum % perMinute / perWait,
		sum % perWait}
}

// Less reports whether a day costs less than another.
func (c Cost) Less(than Cost) bool { return c.sum() < than.sum() }

// Plan is a day as it can be had.
type Plan struct {
	Loaves []Placed `json:"loaves"`
	Cost   Cost     `json:"cost"`
	Proven bool     `json:"proven"` // no better one can be had
	Least  Cost     `json:"least"`  // that any plan costs, as far as was proven
}

// Check refuses a day that is beyond what is planned, at the field that is wrong.
func (w Wanted) Check() error {
	switch {
	case len(w.Loaves) == 0 || len(w.Loaves) > MostLoaves:
		return fault.At("/loaves", "a day has 1 to %d loaves", MostLoaves)
	case len(w.Machines) == 0 || len(w.Machines) > MostMachines:
		return fault.At("/machines", "a day has 1 to %d machines", MostMachines)
	case w.Ends <= 0 || w.Ends > longest:
		return fault.At("/ends", "a day ends within three days")
	case w.Now < 0:
		return fault.At("/now", "a day is planned from some minute of its own on")
	case w.Grid < 0 || w.Hurry < 0:
		return fault.At("/grid", "a grid has a minute or more")
	case w.Pairs < 1:
		return fault.At("/pairs", "somebody has hands")
	}
	if len(w.Was) > 0 && len(w.Was) != len(w.Loaves) {
		return fault.At("/was", "where the loaves stood is told of each of them")
	}
	for n, m := range w.Machines {
		if m.Free < 0 || m.Cool < 0 {
			return fault.At(fmt.Sprintf("/machines/%d", n), "a machine is free from some minute on, and cools for some")
		}
	}
	for n, l := range w.Loaves {
		at := fmt.Sprintf("/loaves/%d", n)
		if !l.Whenever && (l.From > l.By || l.By <= 0) {
			return fault.At(at, "a loaf is wanted between two times, the first of them first")
		}
		for _, y := range l.Ways {
			if y.Machine >= len(w.Machines) || !y.can() {
				return fault.At(at, "a way to make a loaf needs a machine, a time, hands within the cycle and after "+
					"it, and a timer as machines have them")
			}
		}
	}
	return nil
}

// can reports whether a way is one that a machine could go.
func (y Option) can() bool {
	within := func(h Span) bool { return h.From >= 0 && h.From < h.To && h.To <= y.Run }
	after := func(h Span) bool { return h.From >= 0 && h.From < h.To }
	timer := y.Step >= 0 && y.Longest >= 0 && (y.Step == 0 || y.First >= 1)
	return y.Machine >= 0 && y.Run > 0 && y.Load >= 1 && y.Finish >= 0 && timer && len(y.Hands)+
		len(y.After) <= mostMoments &&
		!slices.ContainsFunc(y.Hands, func(h Span) bool { return !within(h) }) && !slices.ContainsFunc(y.After,
		func(h Span) bool { return !after(h) })
}

// free reports whether none of some spans meets one.
func free(spans []Span, s Span) bool {
	return !slices.ContainsFunc(spans, s.meets)
}

// holds reports whether a minute falls into one of some spans.
func holds(spans []Span, at int) bool { return !free(spans, Span{at, at + 1}) }

// up is the first minute of the grid that is not before a minute.
func (w Wanted) up(at int) int { return (at + w.Grid - 1) / w.Grid * w.Grid }
