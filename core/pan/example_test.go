package pan_test

import (
	"fmt"

	"risepan/core/pan"
	"risepan/core/recipe"
)

func Example() {
	manner, why := pan.Decide(pan.Manner{Order: pan.DryFirst}, recipe.QuickBread, pan.Manner{}, pan.Manner{})
	fmt.Println(manner.Order)
	fmt.Println(why)
	// Output:
	// batter
	// A quick bread has no yeast to keep dry: wet, then flour, the leavening in the middle.
}
