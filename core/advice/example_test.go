package advice_test

import (
	"fmt"

	"risepan/core/advice"
)

func Example() {
	a := advice.To(advice.Add, "Strew the yeast over the dough.").
		Then(advice.Look, "Look at the ball in five minutes.").
		By(24).Not("Do not add a second helping later.").For("The paddle still works it in.")
	fmt.Println(a.Do(), int(a.Until), a.Has(advice.Stop))
	// Output: Strew the yeast over the dough. Look at the ball in five minutes. 24 false
}
