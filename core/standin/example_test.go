package standin_test

import (
	"fmt"
	"time"

	"risepan/core/machine"
	"risepan/core/standin"
)

func Example() {
	m := machine.Profiles()[0]
	e := standin.New(m, time.Date(2026, 3, 10, 20, 0, 0, 0, time.UTC))
	e, _ = e.Press(m.Full().Start, false)
	e, _ = e.Until(e.Now.Add(30 * time.Minute))
	fmt.Println(e.Phase)
	// Output: running
}
