package plan_test

import (
	"testing"

	"risepan/core/machine"
	"risepan/core/plan"
	"risepan/core/readtest"
)

func TestEachFieldOfAWishIsFilledToItsLimit(t *testing.T) {
	with := func(field string, most int, fill func(w *plan.Wish, n int)) readtest.Limit {
		return readtest.Limit{Field: field, Most: most, Check: func(n int) error {
			var w plan.Wish
			fill(&w, n)
			return w.Check()
		}}
	}
	readtest.Limits(t, []readtest.Limit{
		with("/loaf/eaters", 50, func(w *plan.Wish, n int) { w.Eaters = n }),
		with("/loaf/slices", 200, func(w *plan.Wish, n int) { w.Slices = n }),
		with("/time/within", 24*60, func(w *plan.Wish, n int) { w.Within = machine.Minutes(n) }),
		with("/hands/closer", 1000, func(w *plan.Wish, n int) { w.Closer = n }),
		with("/hands/closer", 1000, func(w *plan.Wish, n int) { w.Closer = -n }),
		with("/loaf/without", 60, func(w *plan.Wish, n int) { w.Without = make([]string, n) }),
		with("/hands/notToHand", 60, func(w *plan.Wish, n int) { w.NotToHand = make([]string, n) }),
		with("/hands/weigh", 60, func(w *plan.Wish, n int) { w.Weigh = make([]string, n) }),
		with("/hands/warmth/cold", 60, func(w *plan.Wish, n int) { w.Warmth.Cold = make([]string, n) }),
	})
}
