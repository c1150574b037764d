package bake_test

import (
	"strings"
	"testing"

	"risepan/core/bake"
	"risepan/core/machine"
	"risepan/core/measure"
)

func TestWhatIsOtherwiseThanTheLastTime(t *testing.T) {
	was := bake.Setup{Machine: "Galley machine", Size: measure.LoafPounds(3, 2), Cycle: "Basic", Crust: machine.Medium}
	if got := was.Since(was); got != nil {
		t.Errorf("the same again: %v", got)
	}
	is := bake.Setup{Machine: "Boatyard machine", Size: measure.LoafPounds(2, 1), Cycle: "Sweet", Crust: machine.Dark}
	if got, want := strings.Join(is.Since(was), ", "), "in the Boatyard machine, size 2 lb, cycle Sweet, crust set "+
		"to dark"; got != want {
		t.Errorf("%s, want %s", got, want)
	}
	other := was
	other.Cycle = "Rapid"
	if got := strings.Join(other.Since(was), ", "); got != "cycle Rapid" {
		t.Errorf("another cycle alone: %s", got)
	}
}
