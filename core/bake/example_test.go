package bake_test

import (
	"fmt"
	"time"

	"risepan/core/bake"
	"risepan/core/kitchen"
	"risepan/core/plan"
	"risepan/demo"
)

func Example() {
	start := time.Date(2026, 3, 10, 20, 0, 0, 0, time.UTC)
	p, err := plan.Make(plan.Place{
		Kitchen: kitchen.New("Heron Lock", "UTC"), Zone: time.UTC, Recipe: demo.Recipes()[0], Machine: demo.Galley(),
		Now: start,
	}, plan.Wish{Timing: plan.Timing{AtPanel: true}})
	if err != nil {
		fmt.Println(err)
		return
	}
	s := bake.At(p, nil, start.Add(2*time.Hour))
	fmt.Println(s.Phase, s.Stage, "until", s.Ends.Format("15:04"))
	// Output: running rise until 22:23
}
