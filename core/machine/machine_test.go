package machine

import (
	"errors"
	"strings"
	"testing"

	"risepan/core/fault"
	"risepan/core/measure"
	"risepan/core/pan"
)

func basic() Cycle {
	return Cycle{ID: "basic", Panel: "1", Name: "Basic", Character: Basic, Delay: true, HasCrust: true, BeepBeforeKneadEnd: 6,
		Stages: []Stage{{Kind: Rest, Minutes: 10}, {Kind: Knead, Minutes: 8}, {Kind: Rest, Minutes: 5}, {Kind: Knead, Minutes: 17}, {Kind: Rise, Minutes: 60},
			{Kind: Bake, Minutes: 50, Vary: []Variation{{Size: measure.LoafPounds(2, 1), Crust: Dark, Minutes: 65}, {Size: measure.LoafPounds(2, 1), Minutes: 58}, {Crust: Dark, Minutes: 55}}}}}
}

func whole() Machine {
	return Machine{Name: "Test", Sizes: []measure.LoafSize{measure.LoafPounds(1, 1), measure.LoafPounds(2, 1)}, Crusts: Crusts,
		Vessel: pan.Vessel{Length: 190, Width: 130, Depth: 145}, Loading: pan.WetFirst,
		Delay: Delay{FinishBased, 10, 780}, Cycles: []Cycle{basic()}}
}

func TestStagesDifferBySizeAndCrust(t *testing.T) {
	one, two := measure.LoafPounds(1, 1), measure.LoafPounds(2, 1)
	for _, c := range []struct {
		size  measure.LoafSize
		crust Crust
		want  Minutes
	}{{one, Medium, 150}, {one, Dark, 155}, {two, Light, 158}, {two, Dark, 165}} {
		if got := basic().Total(c.size, c.crust); got != c.want {
			t.Errorf("%v %s takes %v, want %v", c.size, c.crust, got, c.want)
		}
	}
}

// The last knead is from minute 23 to 40, so a beep 6 minutes before its end falls at 34.
func TestTheBeepCountsFromTheEndOfTheLastKnead(t *testing.T) {
	if at, ok := basic().Beep(measure.LoafPounds(1, 1), Medium); !ok || at != 34 {
		t.Errorf("the beep falls at minute %d (%v), want 34", at, ok)
	}
	quiet := basic()
	quiet.BeepBeforeKneadEnd = 0
	if at, ok := quiet.Beep(measure.LoafPounds(1, 1), Medium); ok {
		t.Errorf("a cycle without a beep beeps at %d", at)
	}
}

func TestMachinesThatCannotBeAreRefusedAtTheField(t *testing.T) {
	if err := whole().Check(); err != nil {
		t.Fatalf("a good machine is refused: %v", err)
	}
	for pointer, spoil := range map[string]func(*Machine){
		"/name":                        func(m *Machine) { m.Name = " " },
		"/sizes":                       func(m *Machine) { m.Sizes = nil },
		"/vessel":                      func(m *Machine) { m.Vessel.Depth = 0 },
		"/loading":                     func(m *Machine) { m.Loading = "" },
		"/cycles":                      func(m *Machine) { m.Cycles = nil },
		"/delay":                       func(m *Machine) { m.Delay.Step = -1 },
		"/cycles/0/stages":             func(m *Machine) { m.Cycles[0].Stages = nil },
		"/cycles/0/stages/1/minutes":   func(m *Machine) { m.Cycles[0].Stages[1].Minutes = -5 },
		"/cycles/0/stages/5/minutes":   func(m *Machine) { m.Cycles[0].Stages[5].Vary[0].Minutes = 5000 },
		"/cycles/0/beepBeforeKneadEnd": func(m *Machine) { m.Cycles[0].BeepBeforeKneadEnd = 60 },
	} {
		m := whole()
		spoil(&m)
		var f *fault.Fault
		if err := m.Check(); !errors.As(err, &f) || f.Pointer != pointer {
			t.Errorf("want a fault at %s, got %v", pointer, err)
		}
	}
}

func TestVocabulariesRefuseOtherWordsAndNameTheRightOnes(t *testing.T) {
	c := Light
	err := c.UnmarshalText([]byte("burnt"))
	if err == nil || !strings.Contains(err.Error(), "light, medium, dark") || c != Light {
		t.Errorf("a burnt crust: %v, now %s", err, c)
	}
}
