package otherwise_test

import (
	"fmt"

	"risepan/core/otherwise"
	"risepan/core/recipe"
)

func Example() {
	at := otherwise.AtCourse(recipe.White, course, 12, false, true)
	a := otherwise.Answer(otherwise.NoSalt, at)
	fmt.Println(a.Do(), "Until minute", int(a.Until))
	// Output: Strew the salt finely over the dough. Until minute 35
}
