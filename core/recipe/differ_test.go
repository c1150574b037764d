package recipe_test

import (
	"slices"
	"testing"

	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/recipe"
)

func written(t *testing.T, text string) recipe.Recipe {
	t.Helper()
	card, err := recipe.ReadCard(text, measure.US, larder.Find)
	if err != nil {
		t.Fatal(err)
	}
	return card.Recipe()
}

func TestWhatTwoRevisionsDifferIn(t *testing.T) {
	first := recipe.New(written(t, "White\n\n1 cup water\n1 1/2 tsp salt\n3 cups bread flour\n2 tsp active dry "+
		"yeast\n1 tbsp sugar"))
	for _, c := range []struct {
		name, text string
		want       []string // of: from > to
	}{
		{"nothing", "White\n\n1 cup water\n1 1/2 tsp salt\n3 cups bread flour\n2 tsp active dry yeast\n1 tbsp sugar",
			nil},
		{"an amount", "White\n\n1 cup water\n1 1/2 tsp salt\n3 cups bread flour\n1 3/4 tsp active dry yeast\n1 tbsp " +
			"sugar", []string{"active dry yeast: 2 tsp > 1 3/4 tsp"}},
		{"a line more and one less", "White\n\n1 cup water\n1 1/2 tsp salt\n3 cups bread flour\n2 tsp active dry " +
			"yeast\n2 tbsp butter", []string{"butter:  > 2 tbsp", "sugar: 1 tbsp > "}},
		{"an ingredient", "White\n\n1 cup milk\n1 1/2 tsp salt\n3 cups bread flour\n2 tsp active dry yeast\n1 tbsp " +
			"sugar", nil},
		{"its name", "Plain\n\n1 cup water\n1 1/2 tsp salt\n3 cups bread flour\n2 tsp active dry yeast\n1 tbsp sugar",
			[]string{"name: White > Plain"}},
	} {
		t.Run(c.name, func(t *testing.T) {
			next := written(t, c.text).Revise(first)
			var got []string
			for _, d := range recipe.Differ(first, next, larder.Get) {
				got = append(got, d.Of+": "+d.From+" > "+d.To)
				if d.Line != "" && d.Was == d.Is {
					t.Errorf("%s weighs %g g before and after", d.Of, float64(d.Is))
				}
			}
			if c.name == "an ingredient" {
				if len(got) == 0 {
					t.Error("milk for water is no difference")
				}
				return
			}
			if !slices.Equal(got, c.want) {
				t.Errorf("they differ in %q, want %q", got, c.want)
			}
			var back []string
			for _, d := range recipe.Differ(next, first, larder.Get) {
				back = append(back, d.Of)
			}
			if len(back) != len(got) {
				t.Errorf("the other way round they differ in %q", back)
			}
		})
	}
}
