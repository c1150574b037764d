package recipe_test

import (
	"fmt"

	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/recipe"
)

func Example() {
	card, err := recipe.ReadCard("Plain loaf\n1 cup water\n3 cups bread flour\n1 1/2 tsp salt\n2 tsp dry yeast",
		measure.US, larder.Find)
	if err != nil {
		fmt.Println(err)
		return
	}
	for _, l := range card.Lines {
		fmt.Println(l.Line.Amount, "of", l.Line.Ingredient)
	}
	// Output:
	// 1 cup of water
	// 3 cups of bread-flour
	// 1 1/2 tsp of salt
	// 2 tsp of active-dry-yeast
}
