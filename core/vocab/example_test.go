package vocab_test

import (
	"fmt"

	"risepan/core/vocab"
)

func Example() {
	type crust string
	all := []crust{"light", "medium", "dark"}
	var c crust
	fmt.Println(vocab.Read(&c, []byte("dark"), "crust", all), c)
	fmt.Println(vocab.Read(&c, []byte("burnt"), "crust", all))
	// Output:
	// <nil> dark
	// "burnt" is no crust: use light, medium, dark
}
