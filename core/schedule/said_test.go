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
	var said []any
	for n := range 80 {
		p, left := schedule.MakeCounted(random(r))
		if said = append(said, p, left); n%4 == 3 {
			all = append(all, readtest.Said{Name: fmt.Sprintf("random days to %d", n), Value: said})
			said = nil
		}
	}
	for seed := range uint64(8) {
		p, left := schedule.MakeCounted(saturday(seed, 5, 2))
		all = append(all, readtest.Said{Name: fmt.Sprintf("saturday %d", seed), Value: []any{p, left}})
	}
	readtest.Hold(t, all)
}
