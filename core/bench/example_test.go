package bench_test

import (
	"fmt"

	"risepan/core/bench"
)

func Example() {
	s := bench.At([]bench.Happening{
		{Do: bench.Done, Step: "tools"}, {Do: bench.Done, Step: bench.StepOf(bench.Measure, "l1")},
		{Do: bench.Undone, Step: "tools"},
	})
	fmt.Println(s.Done, s.Filled)
	// Output: [measure l1] [l1]
}
