package plan_test

import (
	"fmt"
	"time"

	"risepan/core/kitchen"
	"risepan/core/plan"
	"risepan/demo"
)

func Example() {
	p, err := plan.Make(plan.Place{
		Kitchen: kitchen.New("Heron Lock", "UTC"), Zone: time.UTC, Recipe: demo.Recipes()[0], Machine: demo.Galley(),
		Now: time.Date(2026, 3, 10, 20, 0, 0, 0, time.UTC),
	}, plan.Wish{})
	if err != nil {
		fmt.Println(err)
		return
	}
	fmt.Println(p.Recipe, p.Size, "on", p.Setting.Cycle.Name)
	for _, l := range p.Lines[:3] {
		fmt.Println(l.Spoken, "of", l.Name)
	}
	// Output:
	// Towpath white 1 1/2 lb on Basic
	// 1 cup of water
	// 1 tablespoon, 1 teaspoon and half a teaspoon of butter
	// 1 tablespoon of sugar
}
