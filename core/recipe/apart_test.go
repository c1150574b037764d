package recipe_test

import (
	"slices"
	"testing"

	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/recipe"
)

// Several recipes in one paste come apart; one recipe with parts, versions of an amount or sections stays whole.
func TestSeveralRecipesComeApart(t *testing.T) {
	for _, c := range []struct {
		text string
		want []string
	}{
		{"Dear neighbour, two for you:\n\nMORNING LOAF\n1 cup milk\n1 tbsp butter\n3 cups bread flour\n1 tsp salt\n" +
			"1½ tsp instant yeast\nBasic, light.\n\nAPRICOT JAM (in the same machine!)\n3 cups chopped ripe apricots\n" +
			"1½ cups sugar\n2 tbsp lemon juice\nJam cycle.", []string{"MORNING LOAF", "APRICOT JAM (in the same machine!)"}},
		{"EDIT: first version was too wet, use the second!!\nv1\n1 1/4 c water, 3 c bread flour, 1 tsp salt, 2 tsp yeast\n" +
			"v2\n1 c water, 3 c bread flour, 1 1/4 tsp salt, 1 1/2 tsp instant yeast", []string{"v1", "v2"}},
		{"** WHITE ** 1 c water, 1 T oil, 3 c bread flour, 1 t salt, 1½ t yeast\n" +
			"** WHEAT ** 1 c water, 2 c whole wheat flour, 1 c bread flour, 1¼ t salt, 2 t yeast", []string{"WHITE", "WHEAT"}},
		{"White rolls\n320 ml water\n500 g strong white flour\n1½ tsp salt\n1½ tsp instant yeast\nDough programme.\n\n" +
			"Brown rolls\n340 ml water\n500 g wholemeal flour\n1½ tsp salt\n1½ tsp instant yeast",
			[]string{"White rolls", "Brown rolls"}},
		{"Towpath white\n1 cup water\n3 cups bread flour\n1 tsp salt\n2 tsp yeast", nil},
		{"Cinnamon swirl\n\nDough\n1 cup milk\n3 cups bread flour\n1 tsp salt\n2 tsp yeast\n\nFilling\n4 tbsp butter\n" +
			"4 tbsp sugar\n1 tbsp cinnamon", nil},
		{"Monkey bread\n1 cup water\n3 cups bread flour\n1 tsp salt\n2 tsp yeast\n\nCaramel sauce\n4 tbsp butter\n1 cup sugar\n" +
			"2 tbsp cream", nil},
		{"Focaccia\n\nIngredients\n1 cup water\n3 cups flour\n1 tsp salt\n1 tsp yeast\n\nMethod\n1. Put it all in.\n2. Bake.", nil},
	} {
		var got []string
		for _, p := range recipe.Apart(c.text, measure.US, larder.Find) {
			got = append(got, p.Name)
			if card, err := recipe.ReadCard(p.Text, measure.US, larder.Find); err != nil || len(card.Lines) < 3 {
				t.Errorf("%q is read as %v, %v", p.Text, card.Lines, err)
			}
		}
		if !slices.Equal(got, c.want) {
			t.Errorf("%.40q comes apart as %q, want %q", c.text, got, c.want)
		}
	}
	for _, p := range pastedCards(t) {
		if got := recipe.Apart(p.text, measure.US, larder.Find); len(got) > 3 {
			t.Errorf("%.40q comes apart as %d", p.text, len(got))
		}
	}
}
