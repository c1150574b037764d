package recipe_test

import (
	"strings"
	"testing"

	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/recipe"
)

func TestARecipeForTheOvenIsRecognised(t *testing.T) {
	list := "Farm loaf\n500 g bread flour\n320 ml water\n10 g salt\n7 g instant yeast\nMethod\n"
	for name, c := range map[string]struct {
		method string
		steps  int
	}{
		"by hand and oven": {"Mix, and knead for 10 minutes on a floured board.\nLeave until doubled in " +
			"size.\nBake at 220 °C for 35 minutes.", 3},
		"Fahrenheit and a tin": {"Shape and put into a loaf tin.\nPreheat to 425F and bake for 30 minutes.", 2},
		"for the machine":      {"Load the pan in this order.\nChoose the basic cycle, medium crust.", 0},
		"dough cycle, then the oven": {"Mix on the dough cycle.\nShape on a floured board, prove, and bake at 200 °C.",
			0},
		"a cycle among the settings": {"Cycle: basic\nKnead on a floured board.\nBake at 220 °C for 35 minutes.", 0},
		"one word is not enough":     {"Warm the milk in the oven.\nPut everything into the pan.", 0},
		"a bread machine with a note": {"Put it all into the bread machine.\nKnead for 5 minutes by hand if it is " +
			"dry.\nBake at 200 °C if yours has no bake stage.", 0},
	} {
		t.Run(name, func(t *testing.T) {
			card, err := recipe.ReadCard(list+c.method, measure.US, larder.Find)
			if err != nil {
				t.Fatal(err)
			}
			got := card.ByOven()
			if len(got) != c.steps {
				t.Errorf("%d sentences are for the oven, want %d: %+v", len(got), c.steps, got)
			}
			for _, s := range got {
				if s.So == "" || s.Says == "" {
					t.Errorf("%+v says nothing", s)
				}
			}
		})
	}
}

// What the method says of one line's amount is held against the list; of a part of it, or of two lines, nothing can be
// said.
func TestAMethodThatDisagreesWithItsList(t *testing.T) {
	for name, c := range map[string]struct {
		list, method string
		asks         bool
	}{
		"twice as much":           {"3 cups bread flour", "Put in 6 cups bread flour.", true},
		"a little more":           {"3 cups bread flour", "Put in 3 1/4 cups bread flour.", false},
		"a part of it":            {"3 cups bread flour", "Put in 2 cups bread flour.", false},
		"much less than it":       {"3 cups bread flour", "Put in 1/2 cup bread flour.", true},
		"two lines, the first":    {"3 cups bread flour\n1 cup bread flour", "Put in 8 cups bread flour.", false},
		"two lines, not at first": {"1 cup milk\n3 cups bread flour\n1 cup bread flour", "8 cups bread flour.", false},
		"another ingredient":      {"3 cups bread flour", "Put in 6 cups water.", false},
	} {
		t.Run(name, func(t *testing.T) {
			card, err := recipe.ReadCard("Loaf\n"+c.list+"\n1 1/2 tsp salt\n2 tsp active dry yeast\nMethod\n"+c.method,
				measure.US, larder.Find)
			if err != nil {
				t.Fatal(err)
			}
			asked := ""
			for _, l := range card.Lines {
				if strings.Contains(l.Doubt, "in the method") {
					asked += l.Doubt
				}
			}
			if (asked != "") != c.asks {
				t.Errorf("it asks %q", asked)
			}
		})
	}
}
