package schedule_test

import (
	"fmt"
	"math/rand/v2"
	"testing"

	"risepan/core/readtest"
	"risepan/core/schedule"
)

// Days as they are planned, and the work that it took: a search that goes through more than it did is seen too.
func TestWhatDaysCost(t *testing.T) {
	var all []readtest.Said
	r := rand.New(rand.NewPCG(11, 3))
	var said readtest.Rows
	for n := range 80 {
		p, left := schedule.MakeCounted(random(r))
		said.Each(t, fmt.Sprintf("random day %d", n), p, left)
	}
	all = append(all, readtest.Said{Name: "random days", Value: &said})
	for seed := range uint64(8) {
		p, left := schedule.MakeCounted(saturday(seed, 5, 2))
		all = append(all, readtest.Said{Name: fmt.Sprintf("saturday %d", seed), Value: []any{p, left}})
	}
	readtest.Hold(t, all)
}
