package recipe_test

import (
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
		"one word is not enough": {"Warm the milk in the oven.\nPut everything into the pan.", 0},
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
