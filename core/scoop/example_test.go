package scoop_test

import (
	"fmt"

	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/scoop"
)

func Example() {
	salt, _ := larder.Get("salt")
	set := scoop.NewSet(measure.DefaultMeasures(measure.US), measure.US)
	a, ok := set.Nearest(salt, 7.4)
	fmt.Println(a, ok)
	// Output: 1 tsp + 1/4 tsp true
}
