package validate_test

import (
	"fmt"

	"risepan/core/validate"
)

func Example() {
	fmt.Println(validate.Name("/name", "the recipe", "Plain loaf", 60))
	fmt.Println(validate.Name("/name", "the recipe", "", 60))
	// Output:
	// <nil>
	// /name: give the recipe a name of 1 to 60 letters
}
