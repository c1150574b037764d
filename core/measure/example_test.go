package measure_test

import (
	"fmt"

	"risepan/core/measure"
)

func Example() {
	a, err := measure.Parse("1 1/2 cups", measure.US)
	if err != nil {
		fmt.Println(err)
		return
	}
	third := a.Times(measure.NewRatio(1, 3))
	fmt.Println(third, "is", third.Spoken())
	// Output: 1/2 cup is half a cup
}
