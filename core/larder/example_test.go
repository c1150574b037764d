package larder_test

import (
	"fmt"

	"risepan/core/larder"
	"risepan/core/measure"
)

func Example() {
	found := larder.Find("finely chopped walnuts")
	g, err := found.Ingredient.Weigh(measure.Of(1, 2, measure.Cup))
	fmt.Printf("%s, %s: %.0f g %v\n", found.Ingredient.Name, found.State, float64(g), err)
	// Output: walnuts, chopped: 58 g <nil>
}
