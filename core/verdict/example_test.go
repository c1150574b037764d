package verdict_test

import (
	"fmt"

	"risepan/core/bake"
	"risepan/core/verdict"
)

func Example() {
	sunken := verdict.Seen{All: true, Signs: []bake.Sign{bake.Collapsed, bake.Coarse}}
	slack := sunken
	slack.Facts = []verdict.Fact{verdict.BallWet}
	for _, s := range []verdict.Seen{sunken, slack} {
		w := verdict.Told(verdict.Weigh(s))[0]
		fmt.Println(w.Strength, w.Cause)
	}
	// Output:
	// cannot tell too wet
	// likely too wet
}
