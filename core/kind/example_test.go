package kind_test

import (
	"fmt"

	"risepan/core/kind"
	"risepan/core/recipe"
)

func Example() {
	row := kind.Of(recipe.White)
	fmt.Println(row.Loaf(), row.Missing(0))
	// Output: true bread needs flour: add a line with flour
}
