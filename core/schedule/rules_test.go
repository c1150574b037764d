package schedule_test

import (
	"testing"

	"risepan/core/schedule"
)

// hours is a time of the day that is planned.
func hours(h, m int) int { return 60*h + m }

// usual is a loaf of three hours on the first machine, loaded in a quarter of an hour, with a timer of ten minutes'
// steps.
func usual(by int) schedule.Job {
	return schedule.Job{From: by, By: by, Ways: []schedule.Option{{Run: 180, Load: 15, First: 10, Step: 10,
		Longest: hours(13, 0)}}}
}

func alone(loaves ...schedule.Job) schedule.Wanted {
	return schedule.Wanted{Loaves: loaves, Machines: []schedule.Resource{{Cool: 30}}, Pairs: 1, Ends: hours(24, 0)}
}

func TestDays(t *testing.T) {
	second := schedule.Option{Machine: 1, Run: 180, Load: 15, First: 10, Step: 10, Longest: hours(13, 0)}
	for name, c := range map[string]struct {
		day  func() schedule.Wanted
		want schedule.Cost
		hold func(p schedule.Plan) bool
	}{
		"one loaf is ready when it is wanted": {func() schedule.Wanted { return alone(usual(hours(12, 0))) },
			schedule.Cost{},
			func(p schedule.Plan) bool { return p.Loaves[0].Taken == hours(12, 0) }},
		"a timer bridges the hours in which nobody is home": {func() schedule.Wanted {
			w := alone(usual(hours(18, 0)))
			w.Away = []schedule.Span{{From: hours(9, 0), To: hours(17, 30)}}
			return w
		}, schedule.Cost{}, func(p schedule.Plan) bool {
			return p.Loaves[0].Press <= hours(9, 0) && p.Loaves[0].Begin == hours(15, 0)
		}},
		"a loaf whose milk spoils has no delay and comes early": {func() schedule.Wanted {
			l := usual(hours(18, 0))
			l.Ways[0].Longest = 0
			w := alone(l)
			w.Away = []schedule.Span{{From: hours(9, 0), To: hours(17, 30)}}
			return w
		}, schedule.Cost{Waits: hours(6, 0)},
			func(p schedule.Plan) bool { return p.Loaves[0].Press == p.Loaves[0].Begin }},
		"two loaves at once on one machine: one is early by a loaf and its cooling": {func() schedule.Wanted { return alone(usual(hours(12, 0)), usual(hours(12, 0))) },
			schedule.Cost{Waits: 180 + 30 + schedule.TakeOut}, nil},
		"two on two machines: taken out one after the other": {func() schedule.Wanted {
			l := usual(hours(12, 0))
			l.Ways = append(l.Ways, second)
			w := alone(l, l)
			w.Machines = append(w.Machines, schedule.Resource{Cool: 30})
			return w
		}, schedule.Cost{Waits: 5}, nil},
		"with two pairs of hands at once": {func() schedule.Wanted {
			l := usual(hours(12, 0))
			l.Ways = append(l.Ways, second)
			w := alone(l, l)
			w.Machines, w.Pairs = append(w.Machines, schedule.Resource{Cool: 30}), 2
			return w
		}, schedule.Cost{}, nil},
		"nothing sounds while the house sleeps": {func() schedule.Wanted {
			w := alone(usual(hours(7, 0)))
			w.Quiet = []schedule.Span{{From: 0, To: hours(6, 30)}}
			return w
		}, schedule.Cost{}, func(p schedule.Plan) bool { return p.Loaves[0].Ready >= hours(6, 30) }},
		"a beep in the night forbids it, and late is better than never": {func() schedule.Wanted {
			l := usual(hours(7, 0))
			l.Ways[0].Beeps = []int{30}
			w := alone(l)
			w.Quiet = []schedule.Span{{From: 0, To: hours(6, 30)}}
			return w
		}, schedule.Cost{Late: 1, Minutes: 120}, nil},
		"a loaf for which the day is too short has no place": {func() schedule.Wanted {
			w := alone(usual(hours(2, 0)))
			w.Ends = hours(3, 0)
			return w
		}, schedule.Cost{Without: 1}, func(p schedule.Plan) bool { return p.Loaves[0].None }},
		"a machine that still bakes is waited for": {func() schedule.Wanted {
			w := alone(usual(hours(5, 0)))
			w.Machines[0].Free = hours(3, 0)
			return w
		}, schedule.Cost{Late: 1, Minutes: 60}, nil},
		"bread at any time stands in nobody's way": {func() schedule.Wanted {
			any := usual(0)
			any.Whenever = true
			return alone(any, usual(hours(12, 0)), any)
		}, schedule.Cost{}, nil},
		"what may be ready between two times is not early between them": {func() schedule.Wanted {
			l := usual(hours(14, 0))
			l.From = hours(10, 0)
			return alone(l, usual(hours(14, 0)))
		}, schedule.Cost{}, nil},
	} {
		t.Run(name, func(t *testing.T) {
			w := c.day()
			p, err := schedule.Make(t.Context(), w)
			if err != nil {
				t.Fatal(err)
			}
			if p.Cost != c.want || !p.Proven || p.Least != p.Cost || c.hold != nil && !c.hold(p) {
				t.Errorf("want %+v, got %+v (proven %v): %+v", c.want, p.Cost, p.Proven, p.Loaves)
			}
			if w.Grid = 5; lies(w, p) != "" {
				t.Error(lies(w, p))
			}
		})
	}
}

func TestADayBeyondWhatIsPlannedIsRefused(t *testing.T) {
	for field, w := range map[string]schedule.Wanted{
		"no loaves":  {Machines: []schedule.Resource{{}}, Pairs: 1, Ends: 600},
		"no machine": {Loaves: []schedule.Job{usual(300)}, Pairs: 1, Ends: 600},
		"no hands": {Loaves: []schedule.Job{usual(300)},
			Machines: []schedule.Resource{{}}, Ends: 600},
		"a week": {Loaves: []schedule.Job{usual(300)},
			Machines: []schedule.Resource{{}}, Pairs: 1, Ends: 7 * 24 * 60},
		"another's machine": {Loaves: []schedule.Job{{By: 300, From: 300,
			Ways: []schedule.Option{{Machine: 1, Run: 60, Load: 5}}}}, Machines: []schedule.Resource{{}}, Pairs: 1,
			Ends: 600},
		"hands that are back before they come": {Loaves: []schedule.Job{{By: 300, From: 300,
			Ways: []schedule.Option{{Run: 60, Load: 5, Hands: []schedule.Span{{From: 20, To: 20}}}}}},
			Machines: []schedule.Resource{{}}, Pairs: 1, Ends: 600},
		"hands after the cycle within it": {Loaves: []schedule.Job{{By: 300, From: 300,
			Ways: []schedule.Option{{Run: 60, Load: 5, Hands: []schedule.Span{{From: 50, To: 70}}}}}},
			Machines: []schedule.Resource{{}}, Pairs: 1, Ends: 600},
		"a timer without a first step": {Loaves: []schedule.Job{{By: 300, From: 300,
			Ways: []schedule.Option{{Run: 60, Load: 5, Step: 10, Longest: 600}}}}, Machines: []schedule.Resource{{}},
			Pairs: 1, Ends: 600},
		"a machine that is free before the day": {Loaves: []schedule.Job{usual(300)},
			Machines: []schedule.Resource{{Free: -5}}, Pairs: 1, Ends: 600},
		"a past of other loaves": {Loaves: []schedule.Job{usual(300)}, Machines: []schedule.Resource{{}}, Pairs: 1,
			Ends: 600, Was: make([]schedule.Placed, 2)},
		"a window backward": {Loaves: []schedule.Job{{By: 300, From: 400}}, Machines: []schedule.Resource{{}},
			Pairs: 1, Ends: 600},
	} {
		if _, err := schedule.Make(t.Context(), w); err == nil {
			t.Errorf("%s is planned", field)
		}
	}
}
