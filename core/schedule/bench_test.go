package schedule_test

import (
	"fmt"
	"math/rand/v2"
	"testing"

	"risepan/core/schedule"
)

// saturday is a day of so many loaves on so many machines as kitchens have them: three to four hours a loaf, timers of
// ten minutes' steps up to thirteen hours, a morning away, a quiet night, one pair of hands.
func saturday(seed uint64, loaves, machines int) schedule.Wanted {
	r := rand.New(rand.NewPCG(seed, 7))
	w := schedule.Wanted{Ends: 30 * 60, Pairs: 1, Away: []schedule.Span{{From: 16 * 60, To: 20 * 60}},
		Quiet: []schedule.Span{{From: 2 * 60, To: 9 * 60}}}
	for range machines {
		w.Machines = append(w.Machines, schedule.Resource{Cool: 30})
	}
	for range loaves {
		by := 11*60 + 30*r.IntN(36)
		l := schedule.Job{By: by, From: by - 60*r.IntN(3)}
		run := 185 + 5*r.IntN(12)
		for m := range machines {
			y := schedule.Option{Machine: m, Run: run + 5*m, Load: 15, First: 10, Step: 10, Longest: 13 * 60}
			if r.IntN(3) == 0 { // with fresh milk in the pan
				y.Longest = 0
			}
			if r.IntN(3) == 0 {
				y.Beeps = []int{25}
				y.Hands = []schedule.Span{{From: 25, To: 30}}
			}
			l.Ways = append(l.Ways, y)
		}
		w.Loaves = append(w.Loaves, l)
	}
	return w
}

func BenchmarkSaturday(b *testing.B) {
	for _, n := range [][2]int{{6, 2}, {10, 3}} {
		b.Run(fmt.Sprintf("%d loaves on %d machines", n[0], n[1]), func(b *testing.B) {
			seed, proven, near := uint64(0), 0, 0
			for b.Loop() {
				seed++
				p, err := schedule.Make(b.Context(), saturday(seed%20, n[0], n[1]))
				if err != nil {
					b.Fatal(err)
				}
				if p.Proven {
					proven++
				}
				if near2(p) {
					near++
				}
			}
			b.ReportMetric(100*float64(proven)/float64(seed), "%proven")
			b.ReportMetric(100*float64(near)/float64(seed), "%within2%")
		})
	}
}

// near2 reports whether a plan is within 2 % of what any plan costs at the least, at the first of its costs in which
// the two differ: what follows it weighs nothing beside it.
func near2(p schedule.Plan) bool {
	for _, c := range [][2]int{{p.Cost.Without, p.Least.Without}, {p.Cost.Late, p.Least.Late},
		{p.Cost.Minutes, p.Least.Minutes}, {p.Cost.Waits, p.Least.Waits}} {
		if c[0] != c[1] {
			return 50*(c[0]-c[1]) <= c[0]
		}
	}
	return true
}
