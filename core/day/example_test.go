package day_test

import (
	"fmt"

	"risepan/core/day"
)

func Example() {
	b := day.Book{Hands: 0}
	fmt.Println(b.Check())
	// Output: /hands: there are 1 to 4 pairs of hands, not 0
}
