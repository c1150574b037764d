package scale_test

import (
	"fmt"

	"risepan/core/measure"
	"risepan/core/recipe"
	"risepan/core/scale"
)

func Example() {
	size := scale.Infer(recipe.White, 375, 660)
	fmt.Println(size, "gives about", scale.Slices(size), "slices")
	_, ask := scale.Questions(recipe.White, measure.LoafPounds(1, 1), 500)
	fmt.Println("500 g of flour for 1 lb is asked about:", ask)
	// Output:
	// 1 1/2 lb gives about 12 slices
	// 500 g of flour for 1 lb is asked about: true
}
