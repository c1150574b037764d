package kitchen_test

import (
	"fmt"

	"risepan/core/kitchen"
)

func Example() {
	k := kitchen.New("Heron Lock", "Europe/London")
	k.Decimal, k.Weights = "comma", "ounces"
	fmt.Println(k.Weight(250, false), "and", k.Weight(7.5, true))
	// Output: 8,80 oz and 0,265 oz
}
