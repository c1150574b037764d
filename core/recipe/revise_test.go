package recipe

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/readtest"
)

func revised(t *testing.T, before Recipe, text string) Recipe {
	t.Helper()
	return Recipe{Name: "n", Kind: White, Size: measure.LoafPounds(1, 1), Lines: linesOf(t, text)}.Revise(before)
}

// linesOf reads a card of which every row must be understood.
func linesOf(t *testing.T, text string) []Line {
	t.Helper()
	c, err := ReadCard(text, measure.US, larder.Find)
	if err != nil {
		t.Fatal(err)
	}
	var out []Line
	for _, u := range c.Lines {
		if u.Open() || u.Loose {
			t.Fatalf("%q is not understood: %+v", u.Written, u)
		}
		out = append(out, u.Line)
	}
	return out
}

func ids(r Recipe) string {
	var out []string
	for _, l := range r.Lines {
		out = append(out, l.ID+" "+string(l.Ingredient))
	}
	return strings.Join(out, ", ")
}

func TestALineKeepsItsIdThroughRevisions(t *testing.T) {
	first := revised(t, Recipe{}, "1 cup water\n1 tsp salt\n2 cups bread flour\n1 tsp instant yeast")
	for _, step := range []struct{ name, text, want string }{
		{"as written", "1 cup water\n1 tsp salt\n2 cups bread flour\n1 tsp instant yeast",
			"l1 water, l2 salt, l3 bread-flour, l4 instant-yeast"},
		{"a line above the others", "1 tbsp honey\n1 cup water\n1 tsp salt\n2 cups bread flour\n1 tsp instant yeast",
			"l5 honey, l1 water, l2 salt, l3 bread-flour, l4 instant-yeast"},
		{"another amount", "3/4 cup water\n1 tsp salt\n2 cups bread flour\n1 tsp instant yeast",
			"l1 water, l2 salt, l3 bread-flour, l4 instant-yeast"},
		{"turned round", "1 tsp instant yeast\n2 cups bread flour\n1 tsp salt\n1 cup water",
			"l4 instant-yeast, l3 bread-flour, l2 salt, l1 water"},
		{"one split in two: the same amount stays", "1/2 cup water\n1 cup water\n1 tsp salt",
			"l5 water, l1 water, l2 salt"},
		{"moved to the beep", "1 cup water\nAdd-ins:\n1 tsp salt", "l1 water, l2 salt"},
	} {
		t.Run(step.name, func(t *testing.T) {
			if got := ids(revised(t, first, step.text)); got != step.want {
				t.Errorf("%s, want %s", got, step.want)
			}
		})
	}
	without := revised(t, first, "1 cup water\n2 cups bread flour")
	if again := revised(t, without,
		"1 cup water\n1 tsp salt\n2 cups bread flour"); ids(again) != "l1 water, l5 salt, l3 bread-flour" {
		t.Errorf("salt that comes back took an id that was used before: %s", ids(again))
	}
}

// Every row of the larder, in every part, at every moment, with and without a choice, a note and being
// optional: what is written is read back as the same line.
func TestTextAndLinesAreEachOthersInverse(t *testing.T) {
	all := larder.All()
	var lines []Line
	for n, i := range all {
		other := all[(n+7)%len(all)].ID
		ors := [][]Choice{nil, {{Ingredient: other}}, {{Ingredient: other}, {"water", measure.Of(9, 4, measure.Tbsp)}}}
		notes := []string{"", "drained, patted dry", "organic, at 30 °C, spooned in and levelled"}
		places := len(ors) * len(notes) * 2
		for turn := range readtest.Draws(5, places) { // each goes round the places of a line
			k := (turn + 5*n) % places
			amount := measure.Of(int64(n%7+1), int64(n%5+1), measure.Cup)
			if n%11 == 0 {
				amount.UpTo = measure.Whole(9)
			}
			if i.Counted() {
				amount = measure.Of(int64(n%3+1), 1, measure.Piece)
			}
			lines = append(lines, Line{Ingredient: i.ID, Amount: amount, Part: Parts[k%4], When: Whens[k/4%4],
				Or: ors[k%3], Note: notes[k/3%3], Optional: k/9 == 1})
		}
	}
	for few := range slices.Chunk(lines, 30) {
		for n := range few {
			few[n].ID = fmt.Sprintf("l%d", n+1)
		}
		text := Recipe{Lines: few}.Text()
		back := linesOf(t, text)
		if len(back) != len(few) {
			t.Fatalf("%d lines came back of %d:\n%s", len(back), len(few), text)
		}
		for n := range few {
			if fmt.Sprint(few[n]) != fmt.Sprint(back[n]) {
				t.Fatalf("%+v was read back as %+v", few[n], back[n])
			}
		}
	}
}
