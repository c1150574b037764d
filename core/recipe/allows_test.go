package recipe

import (
	"strings"
	"testing"

	"risepan/core/larder"
	"risepan/core/measure"
)

// Of a recipe without yeast that the cupboard can fill, and what it is looked for by.
func TestWhatARecipeHoldsAndWhetherTheCupboardFillsIt(t *testing.T) {
	read := func(text string) Recipe {
		card, err := ReadCard(text, measure.US, larder.Find)
		if err != nil {
			t.Fatal(err)
		}
		return card.Recipe()
	}
	cake := read("1 cup mashed banana\n2 cups plain flour\n1 tbsp baking powder\n1/2 cup walnuts (optional)")
	loaf := read("1 cup water\n3 cups bread flour\n2 tsp instant yeast\n1/2 cup sprotz\n1 tbsp water")
	has := func(ids ...larder.ID) func(larder.ID) bool {
		return func(id larder.ID) bool {
			for _, h := range ids {
				if h == id {
					return true
				}
			}
			return false
		}
	}
	all := func(larder.ID) bool { return true }
	if !cake.Allows(larder.Get, all) || !cake.Allows(larder.Get, has("banana", "plain-flour", "baking-powder")) {
		t.Error("a cake whose walnuts are optional is not allowed")
	}
	if cake.Allows(larder.Get, has("banana", "plain-flour")) {
		t.Error("a cake without its baking powder is allowed")
	}
	if loaf.Allows(larder.Get, all) || !loaf.Yeasted(larder.Get) || cake.Yeasted(larder.Get) {
		t.Error("a loaf with yeast counts as one without")
	}
	if got := loaf.Holds(); got != "water, bread flour, instant yeast, sprotz" {
		t.Errorf("it is looked for by %q", got)
	}
	if !strings.Contains(cake.Holds(), "walnuts") {
		t.Errorf("%q", cake.Holds())
	}
}

// Forty lines are a recipe, one more is not.
func TestARecipeHasAtMostFortyLines(t *testing.T) {
	r := Recipe{Name: "Long", Kind: White, Size: measure.LoafPounds(3, 2), Standard: measure.US}
	for n := range mostLines {
		r.Lines = append(r.Lines, Line{ID: "l" + string(rune('A'+n)), Ingredient: "salt", Amount: measure.Of(1, 1,
			measure.Tsp)})
	}
	if err := r.Check(); err != nil {
		t.Errorf("forty lines: %v", err)
	}
	r.Lines = append(r.Lines, Line{ID: "more", Ingredient: "salt", Amount: measure.Of(1, 1, measure.Tsp)})
	if r.Check() == nil || mostLines != 40 {
		t.Error("forty-one lines are taken")
	}
}
