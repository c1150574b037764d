package recipe_test

import (
	"strings"
	"testing"

	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/recipe"
)

// said is a card's lines, one a row: amount, name, moment or part, note.
func said(t *testing.T, text string) string {
	t.Helper()
	card, err := recipe.ReadCard(text, measure.US, larder.Find)
	if err != nil {
		t.Fatal(err)
	}
	var out []string
	for _, u := range card.Lines {
		row := []string{u.Line.Amount.String(), string(u.Line.Ingredient)}
		for _, more := range []string{string(u.Line.When), string(u.Line.Part), u.Line.Note, u.Doubt} {
			if more != "" {
				row = append(row, more)
			}
		}
		out = append(out, strings.Join(row, " · "))
	}
	return strings.Join(out, "\n")
}

// A share that a card takes of a line is a line of its own, and the two add up to what the card has.
func TestSharesOfALine(t *testing.T) {
	const rest = "\n1 cup water\n2 tsp instant yeast"
	for text, want := range map[string]string{
		"3 cups bread flour (hold back 1/4 c. till the first knead is going)": "2 3/4 cups · bread-flour\n" +
			"1/4 cup · bread-flour · first knead",
		"1 cup grated cheddar, split: 3/4 cup at the beep, 1/4 cup on the rolls before baking": "3/4 cup · cheddar · beep · grated\n" +
			"1/4 cup · cheddar · topping · grated",
		"1 cup grated cheddar, split: 3/4 kg at the beep, 1/4 cup on the rolls": "1 cup · cheddar",
		"3 cups bread flour\nWhisk 1/2 cup of the flour with a little water on the stove.": "2 1/2 cups · bread-flour\n" +
			"1/2 cup · bread-flour · cooked first",
		"3 cups bread flour\n1/2 cup sugar, divided\nKeep 2 tbsp of the sugar to sprinkle over when baking starts.": "3 cups · bread-flour\n" +
			"3/8 cup · sugar\n2 tbsp · sugar · topping",
		"3 cups bread flour\nPut 2 cups of the flour into the pan, then the yeast.":  "3 cups · bread-flour",
		"3 cups bread flour\nHold back 4 cups of the flour till the first kneading.": "3 cups · bread-flour",
	} {
		got := said(t, text+rest)
		if !strings.HasPrefix(got, want+"\n") && !strings.Contains(got, want+" · ") {
			t.Errorf("%s\nis\n%s\nwant\n%s", text, got, want)
		}
	}
}

// What a paste says in other words is read for what it is.
func TestCardsInOtherWords(t *testing.T) {
	for text, want := range map[string]string{
		"half a 500 g pack seeded bread mix":    "250 g · wholemeal-bread-mix",
		"½ pack of 500 g brown bread mix":       "250 g · wholemeal-bread-mix",
		"1 knife-tip cinnamon":                  "1 pinch · ground-cinnamon",
		"1 cucchiaino raso (level) of salt x 2": "2 tsp · salt",
		"1 to 1,5 c. à café of salt":            "1-1 1/2 tsp · salt",
		"300 ml Wasser / water":                 "300 ml · water",
		"300 g bread flower":                    "300 g · bread-flour",
		"To brush: 1 egg. Pearl sugar.":         "1 · egg · glaze\n0 · pearl-sugar · glaze",
		"500 g packet mix":                      "500 g · bread-mix",
		"1/2 cup flaked almonds":                "1/2 cup · almonds · flaked",
		"2 c w.w. flour":                        "2 cups · wholemeal-flour",
		"INTO THE NUT BOX:\n40 g hazelnuts":     "40 g · hazelnuts · beep",
		"40 g raisins (2)\n\n(1) Keeps. (2) Goes in at the add-in signal.": "40 g · raisins · beep",
	} {
		if got := said(t, "1 cup water\n3 cups flour\n"+text); !strings.Contains(got+"\n", "\n"+want) {
			t.Errorf("%s\nis\n%s\nwant\n%s", text, got, want)
		}
	}
	for _, text := range []string{"1 packet gelatine - no! leave out", "1000 g, basic, dark. Nothing else is needed."} {
		if got := said(t, "Loaf\n1 cup water\n3 cups flour\n2 tsp yeast\n"+text); strings.Count(got, "\n") != 2 {
			t.Errorf("%s is an ingredient:\n%s", text, got)
		}
	}
}
