package choice_test

import (
	"fmt"

	"risepan/core/choice"
	"risepan/core/formula"
	"risepan/core/machine"
	"risepan/core/recipe"
)

func Example() {
	m := machine.Profiles()[0]
	options := choice.Cycles(m, choice.Needs{Kind: recipe.White, Formula: formula.Formula{Flour: 375, Hydration: 63,
		Yeast: 1.4}})
	fmt.Println(options[0].Reason)
	// Output: An everyday dough: the basic cycle suits it.
}
