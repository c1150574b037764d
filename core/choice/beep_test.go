package choice_test

import (
	"strings"
	"testing"

	"risepan/core/choice"
	"risepan/core/machine"
	"risepan/core/recipe"
)

// What a cycle without a beep could borrow is named with what it costs; where nothing goes in, or nobody is there,
// or the cycle beeps by itself, nothing is said.
func TestTheBeepThatCouldBeBorrowedIsNamed(t *testing.T) {
	m := lock()
	m.Cycles[1].Beeps = []machine.Beep{{For: machine.ForAddIns, By: machine.BeforeKneadEnd, Minutes: 8}}
	basic, country := m.Cycles[0], m.Cycles[1]
	const dough = "1 cup water; 1 tbsp oil; 1 tbsp sugar; 1 1/2 tsp salt; 3 cups bread flour; 1 3/4 tsp active dry yeast"
	with := written(t, recipe.White, dough)
	with.Lines = append(with.Lines, written(t, recipe.White, "1/2 cup raisins").Lines...)
	last := &with.Lines[len(with.Lines)-1]
	last.ID, last.When = "raisins", recipe.AtBeep
	n := needs(t, with)
	const want = "2 Country beeps for them, and kneads 5 minutes less, rises 20 minutes longer, bakes 7 minutes longer."
	if got := choice.Beeping(m, basic, n); got != want {
		t.Errorf("for raisins on a cycle without a beep:\n got %q\nwant %q", got, want)
	}
	if got := choice.Beeping(m, country, n); got != "" {
		t.Errorf("on a cycle that beeps itself %q is said", got)
	}
	if n.Away = true; choice.Beeping(m, basic, n) != "" {
		t.Error("a beep is offered where nobody is there to hear it")
	}
	if got := choice.Beeping(m, basic, needs(t, written(t, recipe.White, dough))); strings.TrimSpace(got) != "" {
		t.Errorf("without add-ins %q is said", got)
	}
}
