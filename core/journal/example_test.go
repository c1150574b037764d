package journal_test

import (
	"fmt"

	"risepan/core/journal"
)

// pressed is a happening; back is the number of the one that it takes back.
type pressed struct {
	journal.Stamp
	what string
	back int
}

func (p pressed) TakesBack() int { return p.back }

func Example() {
	happened := []pressed{
		{journal.Stamp{Seq: 1}, "salt", 0}, {journal.Stamp{Seq: 2}, "sugar", 0}, {journal.Stamp{Seq: 3},
			"not the salt", 1},
	}
	for _, p := range journal.Standing(happened) {
		fmt.Println(p.what)
	}
	// Output: sugar
}
