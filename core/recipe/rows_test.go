package recipe_test

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/recipe"
)

// Rows that only their document, or what stands round their amount, makes plain: each after the plain rows of a dough.
func TestRowsThatAreReadByWhatStandsRoundThem(t *testing.T) {
	const dough = "Loaf\n1 cup water\n3 cups bread flour\n1 1/2 tsp salt\n2 tsp instant yeast\n"
	for rows, want := range map[string]string{
		"2 x 15 ml spoons honey":                                  "2 tbsp honey",
		"1½ c. thé (7 mL) sugar":                                  "1 1/2 tsp sugar",
		"1 cup and a half of oats":                                "1 1/2 cups oats",
		"l,5 TL honey":                                            "1 1/2 tsp honey",
		"I CUP oats":                                              "1 cup oats",
		"l Tbsp honey":                                            "1 tbsp honey",
		"- [x] **3 tbsp** sugar":                                  "3 tbsp sugar",
		"1 tsp yeast, bread machine or rapid rise":                "1 tsp instant-yeast",
		"250 g (half the packet) oats":                            "250 g oats",
		"honey          3 %     12 g":                             "12 g honey",
		"honey          1 tbsp     21 g":                          "1 tbsp honey",
		"raisins      1/2 cup     75 g    <- at the beeps":        "1/2 cup raisins, at the beep",
		"at the beep 80 g walnuts, 2 tbsp honey":                  "80 g walnuts, at the beep; 2 tbsp honey, at the beep",
		"Soak overnight: 100 g raisins, 4 tbsp rum":               "100 g raisins; 4 tbsp rum",
		"10) On the crust at the start of baking: 1 tbsp linseed": "1 tbsp flaxseed, topping",
		"30 g honey - filling: 25 g butter, 75 g brown sugar":     "30 g honey; 25 g butter, filling; 75 g brown-sugar, filling",
		"2 tbsp olive oil, plus 1 tsp for brushing":               "2 tbsp olive-oil; 1 tsp olive-oil, glaze",
		"Glaze:\n1 egg white, beaten with 1 tsp water":            "1 egg-white, glaze; 1 tsp water, glaze",
		"1 tsp sugar, pepper to taste":                            "1 tsp sugar; black-pepper",
		"Topping:\ncoarse salt, rosemary":                         "coarse-salt, topping; dried-rosemary, topping",
		"½ oz - ¾ oz honey":                                       "1/2-3/4 oz honey",
		"1 tsp - 2 tbsp honey":                                    "1 tsp unknown:- 2 tbsp honey",
		"3 teacups oats":                                          "oats?",
		"2 bowls oats (about 430 g)":                              "430 g oats",
		"1 can (341 g) sweetcorn, drained weight 240 g":           "240 g sweetcorn",
		"a cup and two tablespoons of milk":                       "1 1/8 cups milk",
		"300 G OATS":                                              "300 g oats",
		"cups oats":                                               "oats?",
		"% cup oats":                                              "oats?",
		"1% tsp honey":                                            "honey?",
		"oats to make a soft dough":                               "oats?",
		"4 cups unbleached bread\n   flour":                       "4 cups bread-flour",
		"200 g oats, toasted; semolina for dusting":               "200 g oats; semolina",
		"35O ml milk / 5O g honey / 1 EL oil":                     "350 ml milk; 50 g honey; 1 tbsp oil",
	} {
		card, err := recipe.ReadCard(dough+rows, measure.US, larder.Find)
		if err != nil || len(card.Lines) < 4 {
			t.Fatalf("%q: %v, %d lines", rows, err, len(card.Lines))
		}
		var got []string
		for _, u := range card.Lines[4:] {
			said := string(u.Line.Ingredient)
			if u.Line.Amount != (measure.Amount{}) {
				said = u.Line.Amount.String() + " " + said
			}
			if u.Open() {
				said += "?"
			}
			if u.Line.Part != recipe.InDough {
				said += ", " + fmt.Sprint(u.Line.Part)
			}
			if u.Line.When == recipe.AtBeep {
				said += ", at the beep"
			}
			got = append(got, said)
		}
		if is := strings.Join(got, "; "); is != want {
			t.Errorf("%q is read as %q, want %q", rows, is, want)
		}
	}
}

// Columns under M, L and XL are those of the loaf sizes that machines call so.
func TestColumnsUnderLetters(t *testing.T) {
	card, err := recipe.ReadCard("Brioche\tM\tL\tXL\nMilk\t100 ml\t130 ml\t170 ml\nBread flour\t300 g\t400 g\t500 g\n"+
		"Salt\t1 tsp\t1¼ tsp\t1½ tsp\nInstant yeast\t1 tsp\t1¼ tsp\t1½ tsp", measure.US, larder.Find)
	if err != nil {
		t.Fatal(err)
	}
	sizes := []measure.LoafSize{measure.LoafPounds(3, 2), measure.LoafPounds(2, 1), measure.LoafPounds(5, 2)}
	if !slices.Equal(card.Sizes, sizes) || card.Name != "Brioche" || len(card.Lines) != 4 ||
		card.Lines[0].Line.Amount.String() != "100 ml" {
		t.Errorf("sizes %v, name %q, %d lines, the first %v", card.Sizes, card.Name, len(card.Lines), card.Lines[0].Line.Amount)
	}
}
