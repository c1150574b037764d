package fault_test

import (
	"fmt"

	"risepan/core/fault"
)

func Example() {
	err := fault.At("/amount", "want an amount such as 1 cup, not %q", "lots")
	fmt.Println(fault.Under("/lines/2", err))
	// Output: /lines/2/amount: want an amount such as 1 cup, not "lots"
}
