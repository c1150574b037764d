package formats_test

import (
	"os"
	"path/filepath"
	"strings"
	"testing"
	"time"

	"github.com/go-json-experiment/json"

	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/readtest"
	"risepan/core/recipe"
	"risepan/formats"
)

// Saved pages in the shapes that recipes have: JSON-LD in all its forms, microdata, RDFa, none at all. What must be
// understood of each stands in expected.json; at least 95 of 100 fields are.
func TestSavedPages(t *testing.T) {
	var want []struct {
		File, Name, Yield  string
		Ingredients, Steps []string
	}
	b, err := os.ReadFile("testdata/pages/expected.json")
	if err == nil {
		err = json.Unmarshal(b, &want, json.MatchCaseInsensitiveNames(true))
	}
	if err != nil || len(want) < 40 {
		t.Fatalf("%d pages: %v", len(want), err)
	}
	fields, right := 0, 0
	for _, w := range want {
		b, err := os.ReadFile(filepath.Join("testdata/pages", w.File))
		if err != nil {
			t.Fatal(err)
		}
		text, err := formats.Text(b)
		var cards []formats.Card
		if err == nil {
			cards, err = formats.Cards(text)
		}
		fields += 2 + len(w.Ingredients) + len(w.Steps)
		if err != nil || len(cards) != 1 {
			t.Errorf("%s: %d recipes, %v", w.File, len(cards), err)
			continue
		}
		rows := strings.Split(cards[0].Text, "\n")
		check := func(is bool, what string) {
			if is {
				right++
			} else {
				t.Logf("%s: %s is not in\n%s", w.File, what, cards[0].Text)
			}
		}
		have := func(row string) bool {
			for _, r := range rows {
				if r == row {
					return true
				}
			}
			return false
		}
		check(cards[0].Name == w.Name, "the name "+w.Name)
		check(w.Yield == "" || have(w.Yield) || have("Makes: "+w.Yield) || have("Serves: "+w.Yield), "the yield "+
			w.Yield)
		for _, i := range w.Ingredients {
			check(have(i), i)
		}
		for _, s := range w.Steps {
			check(have(s), s)
		}
		// The card's own reader then takes it as it takes any card.
		card, err := recipe.ReadCard(cards[0].Text, measure.US, larder.Find)
		if err != nil || len(card.Lines) != len(w.Ingredients) || card.Name != w.Name {
			t.Errorf("%s: as a card it has %d lines of %d, and is called %q: %v", w.File, len(card.Lines),
				len(w.Ingredients), card.Name, err)
		}
	}
	t.Logf("%d pages: %d of %d fields right (%.1f %%)", len(want), right, fields, 100*float64(right)/float64(fields))
	if float64(right) < 0.95*float64(fields) {
		t.Errorf("%d of %d fields are right, want 95 of 100", right, fields)
	}
}

func TestManyRecipesInOneFile(t *testing.T) {
	for name, c := range map[string]struct {
		text string
		want []string // their names, as the card's reader has them
	}{
		"Markdown": {"# Weir white\n\n- 1 cup water\n- 3 cups **bread flour**\n\n## " +
			"Method\n\nBake it.\n\n# Weir brown\n\n- 1 cup water\n- 3 cups wholemeal flour\n", []string{"Weir white",
			"Weir brown"}},
		"lines of dashes": {"Weir white\n1 cup water\n3 cups bread flour\n---\nWeir brown\n1 cup " +
			"water\n3 cups wholemeal flour\n=====\nWeir rye\n2 cups rye flour\n1 cup water", []string{"Weir white",
			"Weir brown", "Weir rye"}},
		"one card with a rule": {"Weir white\n---\n1 cup water\n3 cups bread flour\n---\nMethod\nBake it.",
			[]string{"Weir white"}},
		"an array": {`[{"@type":"Recipe","name":"Weir white","recipeIngredient":["1 cup water","3 cups bread flour"]},{"@type":"Recipe","name":"Weir brown","recipeIngredient":["1 cup water","3 cups wholemeal flour"]}]`, []string{"Weir white", "Weir brown"}},
		"front matter": {"---\ntitle: \"Weir white\"\ndate: 2026-01-02\n---\n\n* 1 cup " +
			"[water](well.html)\n* 3 cups bread flour\n", []string{"Weir white"}},
		"one that a page holds twice": {`<html><script type="application/ld+json">{"@type":"Recipe","name":"W","recipeIngredient":["1 cup water"]}</script><script type="application/ld+json">{"@type":"Recipe","name":"W","recipeIngredient":["1 cup water"]}</script></html>`, []string{"W"}},
	} {
		t.Run(name, func(t *testing.T) {
			cards, err := formats.Cards(c.text)
			if err != nil {
				t.Fatal(err)
			}
			var got []string
			for _, one := range cards {
				card, err := recipe.ReadCard(one.Text, measure.US, larder.Find)
				if err != nil || len(card.Lines) == 0 {
					t.Errorf("no card: %v, %q", err, one.Text)
				}
				got = append(got, card.Name)
			}
			if strings.Join(got, "|") != strings.Join(c.want, "|") {
				t.Errorf("they are %q, want %q", got, c.want)
			}
		})
	}
}

// What is no recipe is refused clearly, within two seconds.
func TestWhatCannotBeBroughtIn(t *testing.T) {
	deep := strings.Repeat(`{"a":[`, 500_000)
	for name, c := range map[string]struct{ file, want string }{
		"nothing": {"  \n ", "nothing in it"}, "an archive": {"PK\x03\x04../../etc/passwd", "ZIP"},
		"a document": {"%PDF-1.7", "PDF"}, "a photo": {"\xff\xd8\xff\xe0", "photo"},
		"bytes": {"abc\x00def", "no text"}, "too much": {strings.Repeat("x", 9<<20), "too large"},
		"nested JSON": {deep, "nested"}, "half a JSON": {`{"@type":"Recipe","name":`, "not whole"},
		"JSON of something else":   {`{"@type":"Person","name":"x"}`, "no recipe"},
		"a page of something else": {"<!doctype html><h1>News</h1><p>Rain.</p>", "no recipe"},
		"a page nested deep":       {"<html>" + strings.Repeat("<div>", 100_000), "no recipe"},
	} {
		t.Run(name, func(t *testing.T) {
			began := time.Now()
			text, err := formats.Text([]byte(c.file))
			if err == nil {
				_, err = formats.Cards(text)
			}
			if err == nil || !strings.Contains(err.Error(), c.want) && !strings.Contains(err.Error(),
				"cannot be read") {
				t.Errorf("it is answered with %v, want something of %q", err, c.want)
			}
			t.Logf("%v after %s", err, time.Since(began).Round(time.Millisecond))
		})
	}
}

func TestLettersOfAnyCoding(t *testing.T) {
	for name, file := range map[string]string{
		"UTF-8": "Crème loaf\n½ cup water", "UTF-8 with its mark": "\xef\xbb\xbfCrème loaf\n½ cup water",
		"Western": "Cr\xe8me loaf\n\xbd cup water",
		"UTF-16": "\xff\xfeC\x00r\x00\xe8\x00m\x00e\x00 \x00l\x00o\x00a\x00f\x00\n\x00\xbd\x00 \x00c\x00u\x00p\x00 " +
			"\x00w\x00a\x00t\x00e\x00r\x00",
	} {
		if text, err := formats.Text([]byte(file)); err != nil || text != "Crème loaf\n½ cup water" {
			t.Errorf("%s: %q, %v", name, text, err)
		}
	}
}

func FuzzCards(f *testing.F) {
	f.Add(`{"@type":"Recipe","recipeIngredient":["1 cup water"],"recipeInstructions":[{"@type":"HowToSection","itemListElement":["x"]}]}`)
	f.Add(`<div itemscope itemtype="Recipe"><p itemprop="recipeIngredient">1 cup water</p></div>`)
	f.Add("# A\n- 1 cup water\n# B\n- 2 cups flour")
	f.Add("<h1>A</h1>Ingredients<br>1 cup water<br>2 cups flour")
	f.Fuzz(func(t *testing.T, file string) {
		readtest.Within(t, len(file), func() {
			text, err := formats.Text([]byte(file))
			if err != nil {
				return
			}
			cards, err := formats.Cards(text)
			if err == nil && len(cards) == 0 {
				t.Error("no recipe and no error")
			}
		})
	})
}

// A saved page of five megabytes, all but a little of it noise.
func BenchmarkAPageOfFiveMegabytes(b *testing.B) {
	noise := strings.Repeat(`<div class="teaser"><a href="/bread/7">Another loaf</a><p>It rose well, and we ate it.</p></div>`, 5<<20/100)
	page := "<!doctype html><html><head><title>Farm bread</title></head><body>" + noise + "<h1>Farm bread</h1><h2>Ingredients</h2><ul>" +
		"<li>500 g bread flour</li><li>320 ml water</li><li>10 g salt</li><li>7 g instant yeast</li></ul>" + noise[:1000] + "</body></html>"
	b.SetBytes(int64(len(page)))
	for b.Loop() {
		if _, err := formats.Cards(page); err != nil {
			b.Fatal(err)
		}
	}
}
