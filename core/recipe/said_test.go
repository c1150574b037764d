package recipe

import (
	"fmt"
	"strings"
	"testing"

	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/readtest"
)

// Whole cards and lines of both corpora as they are read, in three standards, with what is asked, and as they are kept.
func TestWhatIsUnderstood(t *testing.T) {
	var all []readtest.Said
	for n, text := range strings.Split(cardCorpus, "=====\n")[1:] {
		card, _, _ := strings.Cut(text, "---\n")
		title, _, _ := strings.Cut(strings.TrimSpace(card), "\n")
		s := []measure.Standard{measure.US, measure.Metric, measure.Imperial}[n%3]
		c, err := ReadCard(card, s, larder.Find)
		if err != nil {
			t.Fatal(err)
		}
		r := New(c.Recipe())
		weighed, err := r.Weigh(larder.Know)
		var grams []string
		for _, w := range weighed {
			grams = append(grams, fmt.Sprintf("%.4g", float64(w.Grams)))
		}
		all = append(all, readtest.Said{Name: string(s) + ", " + title, Value: r.Text() + "\n" +
			strings.Join(grams, ", ") + fmt.Sprintf(" %v %s", err, asked(c))})
	}
	for _, s := range []measure.Standard{measure.US, measure.Australian} {
		var rows readtest.Rows
		for n, row := range strings.Split(lineCorpus, "\n") {
			if text, _, ok := strings.Cut(row, " => "); ok && !strings.HasPrefix(row, "#") &&
				(s == measure.US || n%4 == 0) {
				rows.Each(t, text, reading{s, larder.Find}.rows(text))
			}
		}
		all = append(all, readtest.Said{Name: "lines, " + string(s), Value: &rows})
	}
	for _, flour := range []string{"", "1/4 cup bread flour", "3 cups bread flour", "3 cups wholemeal flour",
		"2 cups rye flour\n1 cup bread flour", "1 1/2 cups almond flour\n1/2 cup gluten", "3 cups rice flour",
		"1 packet bread mix"} {
		var read readtest.Rows
		for _, raised := range []string{"", "2 tsp active dry yeast", "1 tbsp baking powder",
			"1 cup sourdough starter"} {
			for _, more := range []string{"", "2 tbsp sugar", "3/4 cup sugar\n1/2 cup butter", "1 lb ground beef",
				"4 cups strawberries\n3 cups sugar", "4 cups milk\n3 tbsp yoghurt", "2 eggs\n1 tbsp oil",
				"1 cup water"} {
				for _, method := range []string{"", "Sweet cycle.", "Dough cycle. Shape it, and bake for 20 minutes.",
					"Add 1 tsp salt and 1/2 cup sugar."} {
					c, err := ReadCard("Card\n"+flour+"\n"+raised+"\n"+more+"\n1 1/2 tsp salt\nMethod\n"+method,
						measure.US, larder.Find)
					doubts := []string{}
					for _, l := range c.Lines {
						doubts = append(doubts, l.Doubt)
					}
					read.Add(t, strings.Join([]string{raised, strings.ReplaceAll(more, "\n", ", "), method}, "/"),
						c.Kind, c.Settings, c.Makes, c.Remarks, doubts, err)
				}
			}
		}
		all = append(all, readtest.Said{Name: "cards of " + strings.ReplaceAll(flour, "\n", ", "), Value: &read})
	}
	for _, name := range []string{"Egg pasta", "Fresh noodles", "Rye starter", "Sourdough starter loaf",
		"Dark rye bread", "Cinnamon rolls", "Pizza dough", "Banana bread", "Brioche", "Baguette", "Strawberry jam",
		"Cake"} {
		var read readtest.Rows
		for _, lines := range []string{"2 cups plain flour\n3 eggs", "2 cups rye flour\n1 cup water",
			"3 cups bread flour\n1 cup water\n2 tsp active dry yeast",
			"1 cup rye flour\n2 cups bread flour\n2 tsp active dry yeast\n1 cup water",
			"3 cups bread flour\n1 cup milk\n1/3 cup butter\n1/4 cup sugar\n2 eggs\n2 tsp active dry yeast",
			"2 cups plain flour\n2 tsp baking powder\n1 cup sugar\n2 eggs",
			"1 cup sprouted wheat flour\n1 cup bread flour\n2 tsp active dry yeast\n1 cup water",
			"3 cups bread flour\n1 cup water\n2 tsp active dry yeast\nFor the filling:\n1/2 cup brown sugar\n2 tsp " +
				"cinnamon"} {
			for _, method := range []string{"", "Dough cycle. Roll out, cut and boil.",
				"Put it back into the pan and press Start.", "Shape, and bake in the oven at 200 °C."} {
				c, err := ReadCard(name+"\n"+lines+"\nMethod\n"+method, measure.US, larder.Find)
				read.Add(t, strings.ReplaceAll(lines, "\n", ", ")+"/"+method, c.Kind, c.Settings, c.Remarks, err)
			}
		}
		all = append(all, readtest.Said{Name: "cards called " + name, Value: &read})
	}
	for _, listed := range []string{"1 cup", "2 tbsp", "250 g", "1 1/2 tsp"} {
		var read readtest.Rows
		for _, told := range []string{"1 cup", "3/4 cup", "2/3 cup", "1/2 cup", "1/3 cup", "1/4 cup", "1 1/4 cups",
			"2 cups", "3 cups", "2 tbsp", "3 tbsp", "1 tsp", "2 tsp", "250 g", "300 g", "90 g"} {
			for _, of := range []string{"sugar", "butter"} {
				c, err := ReadCard("Card\n1 cup water\n3 cups bread flour\n"+listed+" "+of+
					"\n2 tsp active dry yeast\nMethod\nStir in "+told+" "+of+" at the end.", measure.US, larder.Find)
				read.Add(t, told+" "+of, asked(c), err)
			}
		}
		all = append(all, readtest.Said{Name: "listed " + listed, Value: &read})
	}
	readtest.Hold(t, all)
}

// asked is what is asked about a card's lines.
func asked(c Card) string {
	var out []string
	for _, l := range c.Lines {
		if l.Doubt != "" {
			out = append(out, l.Doubt)
		}
	}
	return strings.Join(out, " ")
}
