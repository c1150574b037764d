package day

import (
	"cmp"
	"fmt"
	"strings"
	"time"

	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/schedule"
	"risepan/core/timetable"
)

// sentence is a refusal as a sentence of its own.
func sentence(s string) string {
	if s = strings.TrimSuffix(s, "."); s == "" {
		return s
	}
	return strings.ToUpper(s[:1]) + s[1:] + "."
}

// wall is an instant on the kitchen's clock, with its day wherever that is not the date of the day.
func (d draft) wall(t time.Time) string {
	w := timetable.WallOf(t, d.Zone)
	text := d.Kitchen.Face.Text(kitchen.Clock(w.OfDay()))
	switch n := kitchen.DateOf(t, d.Zone).Since(d.Date); {
	case n < 0:
		return text + " the evening before"
	case n > 0:
		return text + " after midnight"
	}
	return text
}

// length says a length of time: "25 min", "3 h 05".
func length(m machine.Minutes) string {
	if m < 60 {
		return fmt.Sprintf("%d min", m)
	}
	return m.String()
}

func many(n int, one, more string) string {
	if n == 1 {
		return "1 " + one
	}
	return fmt.Sprintf("%d %s", n, more)
}

// sum says how the day comes out, and how far it can be from the best possible.
func (d draft) sum(c schedule.Cost, made schedule.Plan) (say, off string) {
	var parts []string
	if c.Without > 0 {
		parts = append(parts, many(c.Without, "loaf has no place", "loaves have no place"))
	}
	if c.Late > 0 {
		parts = append(parts, fmt.Sprintf("%s late, by %s in all", many(c.Late, "loaf is", "loaves are"),
			length(machine.Minutes(c.Minutes))))
	}
	if len(parts) == 0 {
		parts = append(parts, "All on time")
	}
	if c.Waits > 0 {
		parts = append(parts, length(machine.Minutes(c.Waits))+" early or kept warm")
	}
	if !made.Proven {
		off = fmt.Sprintf("The best found in the time there is. No plan does better than %s late and %s early or kept "+
			"warm.",
			length(machine.Minutes(made.Least.Minutes)), length(machine.Minutes(made.Least.Waits)))
	}
	return strings.Join(parts, " · ") + ".", off
}

// why says of a loaf that is not as it is wanted what stands in its way.
func (d draft) why(out *Day, made schedule.Plan, k int, at schedule.Placed) {
	l := &out.Loaves[d.nth[k]]
	switch {
	case at.None:
		l.Say = "No place on this day: " + d.inTheWay(k) + "."
	case at.Late > 0:
		l.Say = fmt.Sprintf("Late by %s: %s.", length(l.Late), d.inTheWay(k))
	case at.Waits >= worthSaying:
		alone, ok := d.alone(k, d.wanted)
		if !ok || alone.Waits < at.Waits {
			l.Say = d.waits(*l) + ", to leave room for the others."
		} else if cause := d.shutOut(k); cause != "" {
			l.Say = fmt.Sprintf("%s: %s.", d.waits(*l), cause)
		} else {
			l.Say = d.waits(*l) + "."
		}
	}
}

// worthSaying is from how many minutes on a loaf is said to be early or kept warm: less is the timer's step.
const worthSaying = 10

// waits says how long a loaf is early or stands in the machine, and for how long of that it is kept warm.
func (d draft) waits(l Planned) string {
	var parts []string
	switch {
	case l.Warm > 0 && l.Warm <= l.keepWarm:
		parts = append(parts, "kept warm for "+length(l.Warm))
	case l.Warm > 0 && l.keepWarm > 0:
		parts = append(parts, fmt.Sprintf("in the machine for %s after it is ready, kept warm for %s of it",
			length(l.Warm), length(l.keepWarm)))
	case l.Warm > 0:
		parts = append(parts, fmt.Sprintf("in the machine for %s after it is ready, not kept warm", length(l.Warm)))
	}
	if l.Early > 0 {
		parts = append(parts, "done "+length(l.Early)+" before it is wanted")
	}
	text := strings.Join(parts, ", and ")
	return strings.ToUpper(text[:1]) + text[1:]
}

// alone is where a loaf would be if it were the only one, in other hours.
func (d draft) alone(k int, w schedule.Wanted) (schedule.Placed, bool) {
	w.Loaves, w.Was = w.Loaves[k:k+1], nil
	p, err := schedule.Make(d.ctx, w)
	if err != nil || p.Loaves[0].None {
		return schedule.Placed{}, false
	}
	return p.Loaves[0], true
}

// inTheWay says what keeps a loaf from its time: the other loaves, or the hours.
func (d draft) inTheWay(k int) string {
	if p, ok := d.alone(k, d.wanted); ok && p.Late == 0 {
		return "the other loaves leave it no room"
	}
	return cmp.Or(d.shutOut(k), d.takes(k))
}

// shutOut says what of the day itself keeps a loaf from its time; empty: nothing but how long it takes.
func (d draft) shutOut(k int) string {
	better := func(change func(w *schedule.Wanted)) bool {
		w := d.wanted
		was, had := d.alone(k, w)
		change(&w)
		p, ok := d.alone(k, w)
		return ok && (!had || p.Late < was.Late || p.Late == 0 && p.Waits < was.Waits)
	}
	switch {
	case better(func(w *schedule.Wanted) { w.Away = nil }):
		return "nobody is free when it needs attention"
	case better(func(w *schedule.Wanted) { w.Away, w.Quiet = nil, nil }):
		return "it would beep in the quiet hours"
	case better(func(w *schedule.Wanted) {
		w.Machines = append([]schedule.Resource{}, w.Machines...)
		for n := range w.Machines {
			w.Machines[n].Free = 0
		}
	}):
		return "the machine is not free before"
	case d.wanted.Loaves[k].Pin != (schedule.Span{}):
		return "it is pinned there"
	}
	return ""
}

// takes says how long a loaf takes at the least.
func (d draft) takes(k int) string {
	shortest := 0
	for _, y := range d.wanted.Loaves[k].Ways {
		if all := y.Load + y.Run + y.Finish; shortest == 0 || all < shortest {
			shortest = all
		}
	}
	return "with loading it takes " + length(machine.Minutes(shortest))
}
