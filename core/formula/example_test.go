package formula_test

import (
	"fmt"

	"risepan/core/formula"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/recipe"
)

func Example() {
	card, _ := recipe.ReadCard("Plain loaf\n250 g water\n400 g bread flour\n8 g salt", measure.Metric, larder.Find)
	lines, err := card.Recipe().Weigh(larder.Know)
	if err != nil {
		fmt.Println(err)
		return
	}
	f := formula.FromRecipe(lines)
	fmt.Printf("%.1f %% water, %.1f %% salt\n", f.Hydration, f.Salt)
	// Output: 62.5 % water, 2.0 % salt
}
