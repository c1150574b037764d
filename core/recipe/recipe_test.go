package recipe

import (
	"errors"
	"fmt"
	"slices"
	"strings"
	"testing"
	"unicode/utf8"

	"risepan/core/fault"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/readtest"
)

const pasted = `
1 cup water
2 tbsp butter or oil
- 1 1/2 tsp salt
3 cups bread flour, spooned
2 tsp active dry yeast
1/4 cup moonflower flour

Add-ins:
2/3 cup raisins (optional), rinsed
1/2 cup olives, drained
Glaze:
1 egg
1 tbsp milk
`

func TestReadingARecipeAsPeopleWriteIt(t *testing.T) {
	lines := linesOf(t, pasted)
	want := []Line{
		{ID: "l1", Ingredient: "water", Amount: measure.Of(1, 1, measure.Cup)},
		{ID: "l2", Ingredient: "butter", Amount: measure.Of(2, 1, measure.Tbsp), Or: []Choice{{Ingredient: "oil"}}},
		{ID: "l3", Ingredient: "salt", Amount: measure.Of(3, 2, measure.Tsp)},
		{ID: "l4", Ingredient: "bread-flour", Amount: measure.Of(3, 1, measure.Cup), Note: "spooned"},
		{ID: "l5", Ingredient: "active-dry-yeast", Amount: measure.Of(2, 1, measure.Tsp)},
		{ID: "l6", Ingredient: "unknown:moonflower flour", Amount: measure.Of(1, 4, measure.Cup)},
		{ID: "l7", Ingredient: "raisins", Amount: measure.Of(2, 3, measure.Cup), When: AtBeep, Optional: true,
			Note: "rinsed"},
		{ID: "l8", Ingredient: "olives", Amount: measure.Of(1, 2, measure.Cup), When: AtBeep, Note: "drained"},
		{ID: "l9", Ingredient: "egg", Amount: measure.Of(1, 1, measure.Piece), Part: Glaze},
		{ID: "l10", Ingredient: "milk", Amount: measure.Of(1, 1, measure.Tbsp), Part: Glaze},
	}
	if len(lines) != len(want) {
		t.Fatalf("%d lines, want %d: %+v", len(lines), len(want), lines)
	}
	for n := range want {
		if fmt.Sprint(lines[n]) != fmt.Sprint(want[n]) {
			t.Errorf("line %d reads as %+v, want %+v", n+1, lines[n], want[n])
		}
	}
	if back := linesOf(t, Recipe{Lines: lines}.Text()); fmt.Sprint(back) != fmt.Sprint(lines) {
		t.Errorf("written and read back it is another recipe:\n%v\n%v", back, lines)
	}
}

// A row that cannot be read is asked about in its place, and stops no other.
func TestARowThatCannotBeReadIsAskedAboutAlone(t *testing.T) {
	for text, want := range map[string]string{
		"1 cup water\n3 cups": "", "1 cup water\n2 tbsp moon dust\n2 cups flour": "moon dust",
		"1 cup water\n320 flour": "what measure", "1 can beans\n1 cup water": "how much is in a can",
		"1 cup water\n90 cups bread flour": "cannot be meant", "1 cup water\n0 cups bread flour": "cannot be meant",
	} {
		c, err := ReadCard(text, measure.US, larder.Find)
		if err != nil {
			t.Fatal(err)
		}
		asked, other := "", 0
		for _, u := range c.Lines {
			switch {
			case u.Asks():
				asked += strings.ToLower(u.Doubt + u.Name)
			case u.Line.Ingredient == "water":
				other++
			}
		}
		if !strings.Contains(asked, want) || other != 1 {
			t.Errorf("%q: asked %q, want %q; water read %d times", text, asked, want, other)
		}
	}
	_, err := ReadCard(strings.Repeat("1 cup water\n", 2000), measure.US, larder.Find)
	if f := (*fault.Fault)(nil); !errors.As(err, &f) || f.Pointer != "/text" || !strings.Contains(f.Detail,
		"too long") {
		t.Errorf("a card without end: %v", err)
	}
}

func TestAnAmountLessAnother(t *testing.T) {
	for said, want := range map[string]string{
		"1 cup bread flour less 1 tbsp": "3/4 cup + 3 tbsp", "3 cups bread flour, less 2 tbsp": "2 7/8 cups",
		"1 cup water minus 2 tablespoons.": "7/8 cup",
		"1 cup less 1 tbsp bread flour":    "3/4 cup + 3 tbsp", "1 cup water less 2 minutes": "1 cup",
	} {
		c, err := ReadCard("X\n"+said, measure.US, larder.Find)
		if err != nil || len(c.Lines) != 1 || c.Lines[0].Line.Amount.String() != want {
			t.Errorf("%s: %+v (%v), want %s", said, c.Lines, err, want)
		}
	}
}

func TestOptionalLinesAndChoices(t *testing.T) {
	lines := linesOf(t, pasted)
	r := Recipe{Lines: lines}
	got, err := r.Choose([]string{"l7"}, map[string]larder.ID{"l2": "oil"})
	if err != nil || len(got.Lines) != len(lines)-1 || got.Lines[1].Ingredient != "oil" ||
		r.Lines[1].Ingredient != "butter" {
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
		{"40", "egg", "/lines/0/amount"}, {"0 g", "salt", "/lines/0/amount"}, {"90 cups", "water", "/lines/0/amount"},
		{"1 cup", "moon-dust", "/lines/0/ingredient"},
	} {
		a, err := measure.Parse(c.amount, measure.US)
		if err != nil {
			t.Fatal(err)
		}
		r := Recipe{Name: "n", Kind: White, Size: measure.LoafPounds(1, 1),
			Lines: []Line{{ID: "a", Ingredient: larder.ID(c.ingredient), Amount: a}}}
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
		"/lines/1/or":   func(r *Recipe) { r.Lines[1].Or = slices.Repeat([]Choice{{Ingredient: "oil"}}, mostOthers+1) },
	} {
		lines := linesOf(t, "3 cups bread flour, spooned\n1 cup water\n2 tsp active dry yeast")
		r := Recipe{Name: "n", Kind: White, Size: measure.LoafPounds(3, 2), Standard: measure.US, Lines: lines}
		change(&r)
		var f *fault.Fault
		if err := r.Check(); pointer == "" && err != nil || pointer != "" && (!errors.As(err, &f) ||
			f.Pointer != pointer) {
			t.Errorf("%s: refused as %v", pointer, err)
		}
	}
}

func TestALongNoteAndALongSentenceAreKeptWhole(t *testing.T) {
	aside := strings.Repeat("gewürfelt und geröstet ", 6) + "am Ende"
	sentence := "Stir " + strings.Repeat("the pan once more with a wooden spoon and ", 12) + "wait."
	c, err := ReadCard("Loaf\n1 cup walnuts, "+aside+"\nMethod\n"+sentence, measure.US, larder.Find)
	if err != nil || len(c.Lines) != 1 || len(c.Method) != 1 {
		t.Fatalf("%+v, %v", c, err)
	}
	if c.Lines[0].Line.Note != aside {
		t.Errorf("the note is %q", c.Lines[0].Line.Note)
	}
	if c.Method[0] != sentence {
		t.Errorf("the method is %q", c.Method[0])
	}
}

func FuzzReadingACard(f *testing.F) {
	f.Add(pasted)
	for _, card := range strings.Split(cardCorpus, "=====\n")[1:] {
		card, _, _ = strings.Cut(card, "---\n")
		f.Add(card)
	}
	f.Fuzz(func(t *testing.T, text string) {
		var c Card
		var err error
		readtest.Within(t, len(text), func() { c, err = ReadCard(text, measure.US, larder.Find) })
		if err != nil {
			return
		}
		everyRowIsTold(t, text, c)
		for _, u := range c.Lines {
			i, ok := larder.Know(u.Line.Ingredient)
			if _, err := i.Weigh(u.Line.Amount); u.Sure == larder.Plainly && !u.Open() && !u.Loose &&
				(err != nil || !ok) {
				t.Errorf("%q is understood as %+v, which cannot be weighed: %v", u.Written, u.Line, err)
			}
		}
	})
}

// A cup of a food weighs what its cut weighs, also when the card was written again.
func TestACupOfItsCut(t *testing.T) {
	card, err := ReadCard("1 cup water\n3 cups bread flour\n1 cup flaked almonds\n1 cup almonds, whole\n1 cup almonds", measure.US,
		larder.Find)
	if err != nil {
		t.Fatal(err)
	}
	r := card.Recipe()
	for range 2 {
		weighed, err := r.Weigh(larder.Know)
		if err != nil || len(weighed) != 5 || weighed[2].Grams != 92 || weighed[3].Grams != 143 || weighed[4].Grams != 115 {
			t.Fatalf("%v, %v:\n%s", weighed, err, r.Text())
		}
		if card, err = ReadCard(r.Text(), measure.US, larder.Find); err != nil {
			t.Fatal(err)
		}
		r = card.Recipe()
	}
}

// everyRowIsTold holds that each row of a text that is not empty is told once, and that those of the lines are told as
// ingredients.
func everyRowIsTold(t *testing.T, text string, c Card) {
	t.Helper()
	as, n := map[int]Became{}, 0
	for at, row := range strings.Split(strings.ReplaceAll(text, "\r", ""), "\n") {
		if strings.TrimSpace(row) == "" {
			continue
		}
		if n == len(c.Rows) || c.Rows[n].Row != at+1 {
			t.Errorf("row %d, %.60q, is not told", at+1, row)
			return
		}
		as[at+1], n = c.Rows[n].As, n+1
	}
	if n != len(c.Rows) {
		t.Errorf("%d rows are told of %d", len(c.Rows), n)
	}
	for _, u := range c.Lines {
		if as[u.Row] != AsLine {
			t.Errorf("%q stands on row %d, which is told as %q", u.Written, u.Row, as[u.Row])
		}
	}
}

func FuzzReadingALine(f *testing.F) {
	for _, row := range strings.Split(lineCorpus, "\n") {
		text, _, _ := strings.Cut(row, " => ")
		f.Add(text)
	}
	r := reading{measure.US, larder.Find}
	f.Fuzz(func(t *testing.T, text string) {
		var rows []Understood
		readtest.Within(t, len(text), func() { rows = r.rows(text) })
		for _, u := range rows {
			if utf8.RuneCountInString(u.Line.Note) > longLineNote {
				t.Errorf("%q has a note of %d letters", text, utf8.RuneCountInString(u.Line.Note))
			}
			if len(u.Line.Or) > mostOthers {
				t.Errorf("%q has %d choices", text, len(u.Line.Or))
			}
			u.Line.Aside()
		}
	})
}

// A kitchen that weighs goes by the weight that a line gives beside its cups; a line of weight alone stays.
func TestAKitchenThatWeighsGoesByTheWeight(t *testing.T) {
	r := Recipe{Lines: []Line{
		{ID: "l1", Ingredient: "bread-flour", Amount: measure.Of(3, 1, measure.Cup), Also: measure.Of(375, 1,
			measure.Gram)},
		{ID: "l2", Ingredient: "water", Amount: measure.Of(240, 1, measure.Gram), Also: measure.Of(1, 1, measure.Cup)},
		{ID: "l3", Ingredient: "salt", Amount: measure.Of(8, 1, measure.Gram), Also: measure.Of(8, 1, measure.Gram)},
	}}
	w := r.ByWeight()
	if w.Lines[0].Amount != measure.Of(375, 1, measure.Gram) || w.Lines[0].Also != measure.Of(3, 1, measure.Cup) ||
		w.Lines[1].Amount != r.Lines[1].Amount || w.Lines[1].Also != r.Lines[1].Also ||
		w.Lines[2].Amount != r.Lines[2].Amount {
		t.Errorf("weighed, the lines are %+v", w.Lines)
	}
	if r.Lines[0].Amount != measure.Of(3, 1, measure.Cup) {
		t.Error("the recipe itself was changed")
	}
}
