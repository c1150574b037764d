package machine_test

import (
	"fmt"

	"risepan/core/machine"
)

func Example() {
	m := machine.Profiles()[0]
	presses, _ := m.Set(machine.Wanted{Cycle: m.Cycles[0].ID, Crust: machine.Medium, Size: m.Sizes[0]})
	fmt.Println(machine.Label(presses))
	// Output: Start
}
