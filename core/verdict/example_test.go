package verdict_test

import (
	"fmt"

	"risepan/core/bake"
	"risepan/core/verdict"
)

func Example() {
	for _, w := range verdict.Told(verdict.Weigh(verdict.Seen{All: true, Signs: []bake.Sign{bake.Collapsed,
		bake.Coarse}})) {
		fmt.Println(w.Strength, w.Cause)
	}
	// Output:
	// possible too wet
	// possible too much yeast
}
