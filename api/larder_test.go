package api_test

import (
	"maps"
	"net/url"
	"strings"
	"testing"

	"risepan/usecase"
)

// All that is known of an ingredient is in the answer to its name; what a baker says of a name holds from then
// on, and said twice it is said once.
func TestWhatAnIngredientIsByItsName(t *testing.T) {
	h := open(t)
	facts := func(name string) (f usecase.Facts) {
		t.Helper()
		h.must(200, "GET", "~/larder?name="+url.QueryEscape(name), nil, &f)
		return f
	}
	if f := facts("2% milk"); f.Ingredient.ID != "semi-skimmed-milk" {
		t.Errorf("2%% milk is %s", f.Ingredient.ID)
	}
	f := facts("strong wholemeal flour")
	if i := f.Ingredient; f.Sure != "known" || i.PerCup != 118 || i.FlourPart != 1 || i.Grain != "wheat" ||
		!f.HoldsGluten || i.Spoils || len(i.Allergens) != 1 {
		t.Errorf("wholemeal flour is %+v", f)
	}
	f = facts("crumbled feta")
	if !f.Ingredient.Spoils || f.HoldsGluten || f.State != "crumbled" {
		t.Errorf("feta is %+v", f)
	}
	f = facts("moonflower dust")
	if f.Sure != "unknown" || !f.Ingredient.Unknown || !f.Ingredient.Spoils {
		t.Errorf("what nobody knows is %+v", f)
	}
	said := map[string]any{"name": "moonflower dust", "answer": map[string]any{"like": "ground-spice", "keeps": true,
		"allergens": []string{"celery"}}}
	for range 2 {
		var f usecase.Facts
		h.must(200, "POST", "~/larder", said, &f)
		if f.Sure != "known" || f.Ingredient.Spoils || f.Ingredient.Like != "ground spice" {
			t.Errorf("explained, it is %+v", f)
		}
	}
	for body, pointer := range map[string]string{`{"name":"x y","is":"moon"}`: "/is", `{"name":"dust"}`: "/is",
		`{"name":"dust","answer":{"like":"moon"}}`:                     "/answer/like",
		`{"name":"dust","answer":{"like":"egg","allergens":["moon"]}}`: "/answer/allergens/0"} {
		if status, p := h.ask("POST", "~/larder", body, nil); status < 400 || status > 422 || p.Pointer != pointer {
			t.Errorf("%s: %d at %q: %s", body, status, p.Pointer, p.Detail)
		}
	}
}

// A card's columns, settings and questions are in the answer; lines that were edited one by one come back as
// its text; and what is meant stays answered for the recipe.
func TestACardIsReadWhole(t *testing.T) {
	h := open(t)
	card := map[string]any{"standard": "us", "text": "Harbour loaf\n | 1 lb | 1 1/2 lb\nWater | 2/3 cup | 1 " +
		"cup\nBread flour | 2 cups | 3 cups\nButter | 1 tbsp | 3 tbsp\nYeast | 1 tsp | 1 1/2 tsp\nBlue stuff | 1 " +
		"tsp | 1 tsp\nSweet cycle, light crust, not for the timer.\nMakes 12 slices"}
	var read usecase.RecipeRead
	h.must(200, "POST", "~/recipes/read", card, &read)
	if read.Recipe.Name != "Harbour loaf" || len(read.Lines) != 5 || read.Asks != 1 || len(read.Columns) != 1 ||
		len(read.Sizes) != 2 || read.Settings.Cycle != "sweet" || read.Settings.Crust != "light" ||
		read.Settings.Delay != "no" || read.Makes != "12 slices" || read.Problem != "" {
		t.Errorf("understood as %+v", read)
	}
	differ := 0
	for _, l := range read.Columns[0].Lines {
		if l.Differs {
			differ++
		}
	}
	if differ == 0 {
		t.Error("a tablespoon of butter in 1 lb and three in 1 1/2 lb are not told apart")
	}
	read = usecase.RecipeRead{}
	card["lines"] = []any{map[string]any{"amount": "1 cup", "name": "water", "from": 1},
		map[string]any{"amount": "3 cups", "name": "bread flour", "note": "sifted", "from": 2},
		map[string]any{"amount": "2 tsp", "name": "instant yeast", "from": 4},
		map[string]any{"amount": "1/2 cup", "name": "raisins", "when": "beep", "optional": true}}
	h.must(200, "POST", "~/recipes/read", card, &read)
	if want := "1 lb | 1 1/2 lb | size\n2/3 cup | 1 cup | water\n2 cups | 3 cups | bread flour, sifted\n1 tsp | 2 " +
		"tsp | instant yeast\nAdd-ins:\n– | 1/2 cup | raisins (optional)\nMakes 12 slices\nMethod:\nSweet cycle, " +
		"light crust, not for the timer.\n"; read.Recipe.Text != want {
		t.Errorf("the edited lines are written as\n%s", read.Recipe.Text)
	}
	if len(read.Lines) != 4 || len(read.Columns) != 1 || len(read.Columns[0].Lines) != 3 {
		t.Errorf("read back, the edited card is %+v beside %+v", read.Lines, read.Columns)
	}
	small := maps.Clone(card)
	small["size"], small["lines"] = "1 lb", []any{map[string]any{"amount": "3/4 cup", "name": "water", "from": 1},
		map[string]any{"amount": "2 cups", "name": "bread flour", "from": 2}}
	h.must(200, "POST", "~/recipes/read", small, &read)
	if want := "1 lb | 1 1/2 lb | size\n3/4 cup | 1 cup | water\n2 cups | 3 cups | bread flour\n"; !strings.HasPrefix(
		read.Recipe.Text, want) || read.Lines[0].Amount != "3/4 cup" {
		t.Errorf("the line edited at 1 lb is written as\n%s", read.Recipe.Text)
	}
	read = usecase.RecipeRead{}
	var kept usecase.RecipeRead
	card["name"] = "Harbour loaf"
	h.must(201, "POST", "~/recipes", card, &kept, "Idempotency-Key", "card")
	w := h.wish("Harbour loaf")
	var p usecase.PlanAnswer
	h.must(200, "POST", "~/plan", w, &p)
	if c, refused := p.Plan.Refusal(); !refused || c.Level != "ask" {
		t.Fatalf("bread without salt is not asked about: %+v", p.Plan.Cautions)
	}
	var again usecase.RecipeKept
	for range 2 {
		h.must(201, "POST", "~/recipes/"+kept.ID+"/meant", map[string]any{"revision": 1, "figure": "salt"}, &again,
			"Idempotency-Key", "meant")
	}
	h.must(200, "POST", "~/plan", w, &p)
	if c, refused := p.Plan.Refusal(); refused || again.Revision != 2 {
		t.Errorf("what is meant is asked again: %+v (revision %d)", c, again.Revision)
	}
}

// A page's source or its data, pasted where a card is written, is read as the recipe it holds; of a paste with two
// recipes both are offered.
func TestAPageIsReadWhereACardIsWritten(t *testing.T) {
	h := open(t)
	var read usecase.RecipeRead
	h.must(200, "POST", "~/recipes/read", map[string]any{"standard": "us", "text": `{"@context":"https://schema.org","@type":"Recipe",` +
		`"name":"Lock loaf","recipeIngredient":["1 cup water","3 cups bread flour","2 tsp instant yeast",],}`}, &read)
	if read.Recipe.Name != "Lock loaf" || len(read.Lines) != 3 {
		t.Errorf("data is read as %q with %d lines", read.Recipe.Name, len(read.Lines))
	}
	read = usecase.RecipeRead{}
	h.must(200, "POST", "~/recipes/read", map[string]any{"standard": "us", "text": "Winter rolls\n320 ml water\n500 g bread flour\n1 tsp salt\n" +
		"\nSummer rolls\n340 ml water\n500 g wholemeal flour\n1 tsp salt"}, &read)
	if len(read.Several) != 2 || read.Several[1].Name != "Summer rolls" {
		t.Errorf("two recipes come apart as %+v", read.Several)
	}
	read = usecase.RecipeRead{}
	h.must(200, "POST", "~/recipes/read", map[string]any{"standard": "us", "text": "Home » Bread » Loaves\nTowpath loaf\n▢ a 1/4 cup oil\n" +
		"▢ 3 cups bread flour\n3 Comments\nGran: 2 cups sugar"}, &read)
	if len(read.Unused) != 3 || len(read.Lines) != 2 || read.Lines[0].Amount != "1/4 cup" {
		t.Errorf("a page is read as %+v, not used %q", read.Lines, read.Unused)
	}
}
