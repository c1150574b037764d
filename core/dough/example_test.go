package dough_test

import (
	"fmt"

	"risepan/core/dough"
)

func Example() {
	advice := dough.Advise(dough.Ball{Flour: 375, Hydration: 63, Into: 10, Left: 12, Since: 3}, dough.Smears)
	fmt.Println(advice.Say)
	fmt.Println(dough.Touch(37))
	// Output:
	// It is too wet: sprinkle 1 tablespoon of flour over the middle.
	// just warm on the wrist
}
