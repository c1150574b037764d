package schedule_test

import (
	"testing"

	"risepan/core/schedule"
)

// loaf is a usual one, changed.
func loaf(by int, change func(l *schedule.Job)) schedule.Job {
	l := usual(by)
	change(&l)
	return l
}

// untimed is a loaf that no timer may delay: fresh milk, or a cycle without one.
func untimed(by int) schedule.Job {
	return loaf(by, func(l *schedule.Job) { l.Ways[0].First, l.Ways[0].Step, l.Ways[0].Longest = 0, 0, 0 })
}

// anywhere may be made on the second machine too, in the same time.
func anywhere(l schedule.Job) schedule.Job {
	other := l.Ways[0]
	other.Machine = 1
	l.Ways = []schedule.Option{l.Ways[0], other}
	return l
}

func with(w schedule.Wanted, change func(w *schedule.Wanted)) schedule.Wanted { change(&w); return w }

// two is a day with a second machine.
func two(loaves ...schedule.Job) schedule.Wanted {
	return with(alone(loaves...), func(w *schedule.Wanted) {
		w.Machines = append(w.Machines,
			schedule.Resource{Cool: 30})
	})
}

func window(l schedule.Job, from int) schedule.Job { l.From = from; return l }

func pinned(l schedule.Job, from, to int) schedule.Job {
	l.Pin = schedule.Span{From: from, To: to}
	return l
}

func span(h, m, toH, toM int) []schedule.Span {
	return []schedule.Span{{From: hours(h, m), To: hours(toH, toM)}}
}

// Days whose best plan is reasoned by hand: the loaf takes three hours, a quarter of one to load, five minutes to
// take out; the machine cools for half an hour.
func TestReasonedDays(t *testing.T) {
	noon := usual(hours(12, 0))
	for _, c := range []struct {
		because string
		w       schedule.Wanted
		want    schedule.Cost
	}{
		{"from one to the next there are hours", alone(usual(hours(9, 0)), usual(hours(13, 0))), schedule.Cost{}},
		{"out at 12:05, cooled at 12:35, baked at 15:35", alone(noon, usual(hours(15, 35))), schedule.Cost{}},
		{"five minutes too few: the first is five early, for late is worse", alone(noon, usual(hours(15, 30))),
			schedule.Cost{Waits: 5}},
		{"a machine that cools at once is loaded when it is empty: 12:05 and a quarter, baked at 15:20",
			with(alone(noon, usual(hours(15, 20))), func(w *schedule.Wanted) { w.Machines[0].Cool = 0 }),
			schedule.Cost{}},
		{"and five minutes sooner costs five", with(alone(noon, usual(hours(15, 15))),
			func(w *schedule.Wanted) { w.Machines[0].Cool = 0 }), schedule.Cost{Waits: 5}},
		{"an hour to cool: 13:05, baked at 16:05", with(alone(noon, usual(hours(16, 5))),
			func(w *schedule.Wanted) { w.Machines[0].Cool = 60 }), schedule.Cost{}},
		{"both by four in the morning: one out at 3:15, as early as can be, so that the other is the least late, at " +
			"6:50",
			alone(usual(hours(4, 0)), usual(hours(4, 0))), schedule.Cost{Late: 1, Minutes: 170, Waits: 45}},
		{"until six there is room for one only, and that one is on time",
			with(alone(usual(hours(4, 0)), usual(hours(4, 0))), func(w *schedule.Wanted) { w.Ends = hours(6, 0) }),
			schedule.Cost{Without: 1}},
		{"between ten and two there is room for two: 10:00 and 13:35", alone(window(usual(hours(14, 0)), hours(10, 0)),
			window(usual(hours(14, 0)), hours(10, 0))), schedule.Cost{}},
		{"a third comes 3 h 35 before the other two, which stand at 10:25 and 14:00: at 6:50",
			alone(window(usual(hours(14, 0)), hours(10, 0)), window(usual(hours(14, 0)), hours(10, 0)),
				window(usual(hours(14, 0)), hours(10, 0))), schedule.Cost{Waits: 190}},
		{"nobody there from 11:50 on: out just before",
			with(alone(noon), func(w *schedule.Wanted) { w.Away = span(11, 50, 12, 30) }), schedule.Cost{Waits: 15}},
		{"wanted from ten on, and somebody is there at 11:55", with(alone(window(noon, hours(10, 0))),
			func(w *schedule.Wanted) { w.Away = span(9, 30, 11, 55) }), schedule.Cost{}},
		{"no timer, and nobody there to load at 15:00: loaded at 13:45, an hour early",
			with(alone(untimed(hours(18, 0))), func(w *schedule.Wanted) { w.Away = span(14, 0, 15, 0) }),
			schedule.Cost{Waits: 60}},
		{"the timer waits that hour", with(alone(usual(hours(18, 0))), func(w *schedule.Wanted) {
			w.Away = span(14, 0,
				15, 0)
		}), schedule.Cost{}},
		{"a timer of half an hour at the most waits half of it",
			with(alone(loaf(hours(18, 0), func(l *schedule.Job) { l.Ways[0].Longest = 30 })),
				func(w *schedule.Wanted) { w.Away = span(14, 0, 15, 0) }), schedule.Cost{Waits: 30}},
		{"its first press is 8 minutes, its largest 38: 22 early",
			with(alone(loaf(hours(18, 0), func(l *schedule.Job) { l.Ways[0].First, l.Ways[0].Longest = 8, 38 })),
				func(w *schedule.Wanted) { w.Away = span(14, 0, 15, 0) }), schedule.Cost{Waits: 22}},
		{"3 h 02 from a press on the fives: at 11:57",
			alone(loaf(hours(12, 0), func(l *schedule.Job) { *l = untimed(hours(12, 0)); l.Ways[0].Run = 182 })),
			schedule.Cost{Waits: 3}},
		{"a first press of 8 minutes makes good for it: 8:50 and 8 and 182 is noon",
			alone(loaf(hours(12, 0), func(l *schedule.Job) {
				l.Ways[0].Run, l.Ways[0].First, l.Ways[0].Longest = 182,
					8, 608
			})), schedule.Cost{}},
		{"hands at 9:25, and nobody there from 9:20: begun ten minutes sooner",
			with(alone(loaf(hours(12, 0), func(l *schedule.Job) {
				l.Ways[0].Hands = []schedule.Span{{From: 25,
					To: 30}}
			})), func(w *schedule.Wanted) { w.Away = span(9, 20, 9, 40) }), schedule.Cost{Waits: 10}},
		{"three machines at noon, taken out at 12:00, 11:55 and 11:50",
			with(two(anywhere(noon), anywhere(noon),
				loaf(hours(12, 0), func(l *schedule.Job) { l.Ways[0].Machine = 2 })),
				func(w *schedule.Wanted) { w.Machines = append(w.Machines, schedule.Resource{}) }),
			schedule.Cost{Waits: 15}},
		{"two without a timer are loaded one after the other: a quarter of an hour apart",
			two(anywhere(untimed(hours(12, 0))), anywhere(untimed(hours(12, 0)))), schedule.Cost{Waits: 15}},
		{"loaded in five minutes, five apart",
			two(anywhere(loaf(hours(12, 0),
				func(l *schedule.Job) { *l = untimed(hours(12, 0)); l.Ways[0].Load = 5 })),
				anywhere(loaf(hours(12, 0),
					func(l *schedule.Job) { *l = untimed(hours(12, 0)); l.Ways[0].Load = 5 }))),
			schedule.Cost{Waits: 5}},
		{"with two pairs of hands at once", with(two(anywhere(untimed(hours(12, 0))), anywhere(untimed(hours(12, 0)))),
			func(w *schedule.Wanted) { w.Pairs = 2 }), schedule.Cost{}},
		{"three on two machines: two at noon, five apart, and one 3 h 35 before", two(anywhere(noon), anywhere(noon),
			anywhere(noon)), schedule.Cost{Waits: 220}},
		{"four on two: the loadings in the middle of the morning fall together, and one chain begins ten minutes sooner", two(anywhere(noon), anywhere(noon), anywhere(noon), anywhere(noon)), schedule.Cost{Waits: 450}},
		{"the faster machine alone has it ready by half past three",
			two(loaf(hours(3, 30), func(l *schedule.Job) {
				l.Ways = append(l.Ways, schedule.Option{Machine: 1, Run: 240,
					Load: 15})
			})), schedule.Cost{}},
		{"pinned at ten past ten at the latest, and wanted at noon", alone(pinned(noon, hours(10, 0), hours(10, 6))),
			schedule.Cost{Waits: 115}},
		{"pinned to half past twelve, it is half an hour late", alone(pinned(noon, hours(12, 30), hours(12, 36))),
			schedule.Cost{Late: 1, Minutes: 30}},
		{"one is pinned at noon: the other gives way", alone(pinned(noon, hours(12, 0), hours(12, 1)), noon),
			schedule.Cost{Waits: 215}},
		{"pinned where nobody can take it out: no place", with(alone(pinned(noon, hours(12, 0), hours(12, 1))),
			func(w *schedule.Wanted) { w.Away = span(11, 55, 13, 0) }), schedule.Cost{Without: 1}},
		{"no end may sound from six to half past seven: at 5:55, for late is worse", with(alone(usual(hours(7, 0))),
			func(w *schedule.Wanted) { w.Quiet = span(6, 0, 7, 30) }), schedule.Cost{Waits: 65}},
		{"wanted from five on, it costs nothing", with(alone(window(usual(hours(7, 0)), hours(5, 0))),
			func(w *schedule.Wanted) { w.Quiet = span(6, 0, 7, 30) }), schedule.Cost{}},
		{"a beep at 9:25, quiet from 9:20 to 9:30: begun at 8:50",
			with(alone(loaf(hours(12, 0), func(l *schedule.Job) { l.Ways[0].Beeps = []int{25} })),
				func(w *schedule.Wanted) { w.Quiet = span(9, 20, 9, 30) }), schedule.Cost{Waits: 10}},
		{"a dough for seven in the evening: out at six, an hour for shaping, rise and oven",
			alone(loaf(hours(19, 0), func(l *schedule.Job) {
				l.Ways[0].Run, l.Ways[0].Finish, l.Ways[0].After = 90, 60, []schedule.Span{{From: 0, To: 15}}
			})), schedule.Cost{}},
		{"nobody there to shape it at six: out at 17:45", with(alone(loaf(hours(19, 0), func(l *schedule.Job) {
			l.Ways[0].Run, l.Ways[0].Finish, l.Ways[0].After = 90, 60, []schedule.Span{{From: 0, To: 15}}
		})), func(w *schedule.Wanted) { w.Away = span(18, 0, 18, 30) }), schedule.Cost{Waits: 15}},
		{"nobody there when it goes into the oven, 45 minutes after it is out: ten minutes sooner",
			with(alone(loaf(hours(19, 0), func(l *schedule.Job) {
				l.Ways[0].Run, l.Ways[0].Finish, l.Ways[0].After = 90, 60, []schedule.Span{{From: 0, To: 15},
					{From: 45, To: 50}}
			})), func(w *schedule.Wanted) { w.Away = span(18, 40, 18, 50) }), schedule.Cost{Waits: 10}},
		{"no timer: loaded at an hour at which nobody likes to", with(alone(untimed(hours(12, 0))),
			func(w *schedule.Wanted) { w.Odd = span(5, 0, 9, 0) }), schedule.Cost{Odd: 1}},
		{"with one it is loaded before", with(alone(noon), func(w *schedule.Wanted) { w.Odd = span(5, 0, 9, 0) }),
			schedule.Cost{}},
		{"waiting is worse than an hour that nobody likes",
			with(alone(noon), func(w *schedule.Wanted) { w.Odd = span(11, 55, 12, 10) }), schedule.Cost{Odd: 1}},
		{"wanted from ten on, taken out at half past", with(alone(window(noon, hours(10, 0))),
			func(w *schedule.Wanted) { w.Odd = span(9, 0, 10, 30) }), schedule.Cost{}},
		{"the machine bakes until ten: an hour late",
			with(alone(noon), func(w *schedule.Wanted) { w.Machines[0].Free = hours(10, 0) }), schedule.Cost{Late: 1,
				Minutes: 60}},
		{"another day's loaf has the machine from 5:00 to 9:30: out before it, for an hour late is worse",
			with(alone(noon), func(w *schedule.Wanted) { w.Machines[0].Taken = span(5, 0, 9, 30) }),
			schedule.Cost{Waits: 425}},
		{"the slower one is free an hour sooner: ten minutes late",
			with(two(loaf(hours(12, 0), func(l *schedule.Job) {
				l.Ways = append(l.Ways, schedule.Option{Machine: 1,
					Run: 190, Load: 15})
			})), func(w *schedule.Wanted) {
				w.Machines[0].Free, w.Machines[1].Free = hours(10, 0), hours(9, 0)
			}), schedule.Cost{Late: 1, Minutes: 10}},
		{"the shorter cycle goes second, for the other is then the least early: at 4:25", alone(usual(hours(6, 0)),
			loaf(hours(6, 0), func(l *schedule.Job) { l.Ways[0].Run = 60 })), schedule.Cost{Waits: 95}},
		{"a loaf at any time waits until the other two are out",
			alone(loaf(0, func(l *schedule.Job) { l.Whenever = true }), usual(hours(3, 30)), usual(hours(7, 5))),
			schedule.Cost{}},
	} {
		t.Run(c.because, func(t *testing.T) {
			p, err := schedule.Make(t.Context(), c.w)
			if err != nil {
				t.Fatal(err)
			}
			if p.Cost != c.want || !p.Proven {
				t.Errorf("want %+v, got %+v (proven %v): %+v", c.want, p.Cost, p.Proven, p.Loaves)
			}
			if c.w.Grid = 5; lies(c.w, p) != "" {
				t.Error(lies(c.w, p))
			}
		})
	}
}

// What stood is kept where nothing is better, and given up where something is.
func TestADayStaysAsItWas(t *testing.T) {
	w := alone(window(usual(hours(14, 0)), hours(10, 0)))
	was := schedule.Placed{Press: hours(8, 25), Begin: hours(9, 5), Done: hours(12, 5)}
	w.Was = []schedule.Placed{was}
	p, err := schedule.Make(t.Context(), w)
	if err != nil || p.Loaves[0].Press != was.Press || p.Loaves[0].Done != was.Done {
		t.Errorf("it stood well at %d and now stands at %d (%v)", was.Press, p.Loaves[0].Press, err)
	}
	w.Away = span(12, 0, 12, 10)
	if p, err = schedule.Make(t.Context(), w); err != nil || p.Loaves[0].Done == was.Done || p.Cost != (schedule.Cost{}) {
		t.Errorf("nobody is there at 12:05 any more, and it stands at %d (%v)", p.Loaves[0].Done, err)
	}
}
