package swap_test

import (
	"fmt"

	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/recipe"
	"risepan/core/swap"
)

func Example() {
	card, _ := recipe.ReadCard("Plain loaf\n1 cup water\n3 cups bread flour\n2 tbsp butter\n2 tsp dry yeast",
		measure.US, larder.Find)
	r := recipe.New(card.Recipe())
	for _, o := range swap.Offers(r, larder.Know, r.Lines[2].ID) {
		fmt.Println(o.Pick.Swap)
	}
	// Output:
	// butter>oil
	// butter>olive-oil
	// butter>margarine
	// butter>salted-butter
}
