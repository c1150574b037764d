package recipe

import (
	"errors"
	"fmt"
	"strings"
	"testing"

	"risepan/core/fault"
	"risepan/core/larder"
	"risepan/core/measure"
)

const pasted = `
1 cup water
2 tbsp butter or oil
- 1 1/2 tsp salt
3 cups bread flour, spooned
2 tsp active dry yeast
1/4 cup buckwheat groats flour

Add-ins:
2/3 cup raisins (optional), rinsed
1/2 cup olives, drained
Glaze:
1 egg
1 tbsp milk
`

func TestReadingARecipeAsPeopleWriteIt(t *testing.T) {
	lines, err := ReadLines(pasted, measure.US)
	if err != nil {
		t.Fatal(err)
	}
	want := []Line{
		{ID: "l1", Ingredient: "water", Amount: measure.Of(1, 1, measure.Cup)},
		{ID: "l2", Ingredient: "butter", Amount: measure.Of(2, 1, measure.Tbsp), Or: []larder.ID{"oil"}},
		{ID: "l3", Ingredient: "salt", Amount: measure.Of(3, 2, measure.Tsp)},
		{ID: "l4", Ingredient: "bread-flour", Amount: measure.Of(3, 1, measure.Cup), Note: "spooned"},
		{ID: "l5", Ingredient: "active-dry-yeast", Amount: measure.Of(2, 1, measure.Tsp)},
		{ID: "l6", Ingredient: "guess:buckwheat groats flour", Amount: measure.Of(1, 4, measure.Cup)},
		{ID: "l7", Ingredient: "raisins", Amount: measure.Of(2, 3, measure.Cup), When: AtBeep, Optional: true, Note: "rinsed"},
		{ID: "l8", Ingredient: "olives", Amount: measure.Of(1, 2, measure.Cup), When: AtBeep, Note: "drained"},
		{ID: "l9", Ingredient: "egg", Amount: measure.Of(1, 1, measure.Piece), Part: Glaze},
		{ID: "l10", Ingredient: "milk", Amount: measure.Of(1, 1, measure.Tbsp), Part: Glaze},
	}
	for n := range want {
		if fmt.Sprint(lines[n]) != fmt.Sprint(want[n]) {
			t.Errorf("line %d reads as %+v, want %+v", n+1, lines[n], want[n])
		}
	}
	back, err := ReadLines(Recipe{Lines: lines}.Text(), measure.US)
	if err != nil || fmt.Sprint(back) != fmt.Sprint(lines) {
		t.Errorf("written and read back it is another recipe (%v):\n%v\n%v", err, back, lines)
	}
}

func TestALineThatCannotBeReadIsNamed(t *testing.T) {
	for text, want := range map[string]string{
		"1 cup water\nsome flour": `line 2, "some flour"`, "3 water": "line 1", "1 cup ": "line 1", "": "one ingredient a line",
		"-1 cup water": "line 1", "0 cups water": "line 1", "3 cups\n": "say what it is", strings.Repeat("1 cup water\n", 2000): "too long",
	} {
		_, err := ReadLines(text, measure.US)
		var f *fault.Fault
		if text == "-1 cup water" { // a list's dash
			if err != nil {
				t.Errorf("%q: %v", text, err)
			}
			continue
		}
		if !errors.As(err, &f) || f.Pointer != "/text" || !strings.Contains(f.Detail, want) {
			t.Errorf("%.30q: %v, want %q", text, err, want)
		}
	}
}

func TestAnUnknownIngredientIsGuessedByItsNameAndMarked(t *testing.T) {
	for name, kind := range map[string]larder.Kind{
		"teff flour": larder.Flour, "Date Syrup": larder.Syrup, "pale ale": larder.Liquid, "cranberries": larder.Extra, "hemp seed": larder.Extra, "goose lard": larder.Fat,
	} {
		i, ok := larder.Guess(name)
		if !ok || i.Kind != kind || i.Like == "" {
			t.Errorf("%s is taken for %s like %q, want %s", name, i.Kind, i.Like, kind)
		}
		if again, ok := larder.Know(i.ID); !ok || again.Kind != kind {
			t.Errorf("%s is not known again by its id", i.ID)
		}
	}
}

func TestOptionalLinesAndChoices(t *testing.T) {
	lines, err := ReadLines(pasted, measure.US)
	if err != nil {
		t.Fatal(err)
	}
	r := Recipe{Lines: lines}
	got, err := r.Choose([]string{"l7"}, map[string]larder.ID{"l2": "oil"})
	if err != nil || len(got.Lines) != len(lines)-1 || got.Lines[1].Ingredient != "oil" || r.Lines[1].Ingredient != "butter" {
		t.Errorf("chosen %+v (%v)", got.Lines, err)
	}
	if _, err := r.Choose([]string{"l4"}, nil); err == nil {
		t.Error("the flour was left out")
	}
	if _, err := r.Choose(nil, map[string]larder.ID{"l2": "honey"}); err == nil {
		t.Error("honey took the butter's place, which the recipe does not offer")
	}
}

func TestNonsenseIsAFaultAtTheLine(t *testing.T) {
	for _, c := range []struct{ amount, ingredient, pointer string }{
		{"40", "egg", "/lines/0/amount"}, {"0 g", "salt", "/lines/0/amount"}, {"90 cups", "water", "/lines/0/amount"}, {"1 cup", "moon-dust", "/lines/0/ingredient"},
	} {
		a, err := measure.Parse(c.amount, measure.US)
		if err != nil {
			t.Fatal(err)
		}
		r := Recipe{Name: "n", Kind: White, Size: measure.LoafPounds(1, 1), Lines: []Line{{ID: "a", Ingredient: larder.ID(c.ingredient), Amount: a}}}
		var f *fault.Fault
		if _, err := r.Weigh(larder.Know); !errors.As(err, &f) || f.Pointer != c.pointer {
			t.Errorf("%s of %s: %v, want a fault at %s", c.amount, c.ingredient, err, c.pointer)
		}
	}
}

func TestARecipeThatCannotBeIsRefusedAtItsField(t *testing.T) {
	for pointer, change := range map[string]func(*Recipe){
		"":              func(*Recipe) {},
		"/lines":        func(r *Recipe) { r.Lines = nil },
		"/drawn":        func(r *Recipe) { r.Drawn = -1 },
		"/lines/0/id":   func(r *Recipe) { r.Lines[0].ID = strings.Repeat("l", longID+1) },
		"/lines/0/note": func(r *Recipe) { r.Lines[0].Note = "sifted\ntwice" },
		"/lines/1/note": func(r *Recipe) { r.Lines[1].Note = strings.Repeat("n", longLineNote+1) },
		"/lines/1/or":   func(r *Recipe) { r.Lines[1].Or = make([]larder.ID, mostOthers+1) },
	} {
		lines, err := ReadLines("3 cups bread flour, spooned\n1 cup water\n2 tsp active dry yeast", measure.US)
		if err != nil {
			t.Fatal(err)
		}
		r := Recipe{Name: "n", Kind: White, Size: measure.LoafPounds(3, 2), Standard: measure.US, Lines: lines}
		change(&r)
		var f *fault.Fault
		if err := r.Check(); pointer == "" && err != nil || pointer != "" && (!errors.As(err, &f) || f.Pointer != pointer) {
			t.Errorf("%s: refused as %v", pointer, err)
		}
	}
}

func FuzzReadingARecipe(f *testing.F) {
	f.Add(pasted)
	f.Add("1 or or or")
	f.Add("1 cup (optional)(optional), or")
	f.Fuzz(func(t *testing.T, text string) {
		lines, err := ReadLines(text, measure.US)
		if err != nil {
			return
		}
		if _, err := ReadLines(Recipe{Lines: lines}.Text(), measure.US); err != nil {
			t.Errorf("%q is read, but written as %q it is not: %v", text, Recipe{Lines: lines}.Text(), err)
		}
	})
}
