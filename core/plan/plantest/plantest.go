// Package plantest asks for plans in tests of other rooms.
package plantest

import (
	"testing"
	"time"

	"risepan/core/kitchen"
	"risepan/core/plan"
)

// Ask is a wish with the place that grants it; its fields can be set as if they were one value's.
type Ask struct {
	plan.Place
	plan.Wish
}

// With is the ask with another wish.
func (a Ask) With(w plan.Wish) Ask { return Ask{a.Place, w} }

// Make makes the plan in a kitchen at a moment.
func Make(k kitchen.Kitchen, a Ask, now time.Time) (plan.Plan, error) {
	a.Kitchen, a.Now = k, now
	return plan.Make(a.Place, a.Wish)
}

// Must makes the plan and fails the test where it cannot be made.
func Must(t testing.TB, k kitchen.Kitchen, a Ask, now time.Time) plan.Plan {
	t.Helper()
	p, err := Make(k, a, now)
	if err != nil {
		t.Fatal(err)
	}
	return p
}
