package api_test

import (
	"fmt"
	"testing"

	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/usecase"
)

func TestSwapsAreKeptAsARevisionAndUndone(t *testing.T) {
	h := open(t)
	w := h.wish("Sluice-gate egg loaf")
	path := "~/recipes/" + w["recipe"].(string)
	var before, after usecase.RecipeRead
	h.must(200, "GET", path, nil, &before)
	milk := []any{map[string]any{"line": "l1", "swap": "milk>dry-milk"}}
	var kept usecase.RecipeKept
	h.must(201, "POST", path+"/swaps", map[string]any{"revision": 1, "swaps": milk}, &kept, "Idempotency-Key", "keep")
	h.must(201, "POST", path+"/swaps", map[string]any{"revision": 1, "swaps": milk}, &kept, "Idempotency-Key", "keep")
	if kept.Revision != 2 {
		t.Fatalf("kept as %+v", kept)
	}
	for n, c := range []struct {
		path    string
		body    any
		status  int
		pointer string
	}{
		{"/swaps", map[string]any{"revision": 1, "swaps": milk}, 412, ""},
		{"/swaps", map[string]any{"revision": 2, "swaps": milk}, 422, "/swaps/0/line"},
		{"/swaps", map[string]any{"revision": 2, "swaps": []any{}}, 422, "/swaps"},
		{"/swaps", map[string]any{"revision": 2, "swaps": []any{map[string]any{"line": "l2", "swap": "egg>gold"}}},
			422, "/swaps/0/swap"},
		{"/undo", map[string]any{"id": "x", "revision": 1}, 412, ""},
		{"/undo", map[string]any{"id": "x", "revision": "two"}, 400, "/revision"},
	} {
		if status, p := h.ask("POST", path+c.path, c.body, nil, "Idempotency-Key",
			fmt.Sprint(n)); status != c.status || p.Pointer != c.pointer {
			t.Errorf("%s %v: %d at %q (%s), want %d at %q", c.path, c.body, status, p.Pointer, p.Detail, c.status,
				c.pointer)
		}
	}
	h.must(201, "POST", path+"/undo", map[string]any{"id": kept.ID, "revision": 2}, &kept, "Idempotency-Key", "undo")
	h.must(200, "GET", path, nil, &after)
	if after.Revision != 3 || after.Recipe.Text != before.Recipe.Text {
		t.Errorf("undone, revision %d reads:\n%s\nwant:\n%s", after.Revision, after.Recipe.Text, before.Recipe.Text)
	}
	first := "~/recipes/" + h.wish("Towpath white")["recipe"].(string)
	if status, p := h.ask("POST", first+"/undo", map[string]any{"id": "x", "revision": 1}, nil, "Idempotency-Key",
		"first"); status != 422 || p.Pointer != "/revision" {
		t.Errorf("a recipe as it was first written is undone: %d %s", status, p.Detail)
	}
}

func TestNonsenseAboutTheDoughIsRefusedAtTheField(t *testing.T) {
	h := open(t)
	for n, c := range []struct {
		field   string
		value   any
		pointer string
	}{
		{"hands/warmth", map[string]any{"room": "60 °C"}, "/hands/warmth/room"},
		{"hands/warmth", map[string]any{"room": "balmy"}, "/hands/warmth/room"},
		{"hands/warmth", map[string]any{"flour": "200 °F"}, "/hands/warmth/flour"},
		{"loaf/swaps", []any{map[string]any{"line": "l1", "swap": "milk>dry-milk"}}, "/loaf/swaps/0/line"},
		{"loaf/swaps", []any{map[string]any{"line": "l3", "swap": "sugar>honey", "share": 900}}, "/loaf/swaps/0/share"},
		{"loaf/eaters", -2, "/loaf/eaters"}, {"loaf/slices", 5000, "/loaf/slices"},
	} {
		w := h.wish("Towpath white")
		put(w, c.field, c.value)
		if status, p := h.ask("POST", "~/plan", w, nil); status < 400 || status > 422 || p.Pointer != c.pointer {
			t.Errorf("%d %v: %d at %q (%s), want a fault at %s", n, c.value, status, p.Pointer, p.Detail, c.pointer)
		}
	}
}

func TestCupsAndDatesAreToldWithTheSettings(t *testing.T) {
	h := open(t)
	s := h.shelf()
	k := s.Kitchen
	old, err := kitchen.ParseDate("2025-01-31")
	if err != nil {
		t.Fatal(err)
	}
	k.Cups = []larder.Cup{{Flour: "bread-flour", Filling: larder.Scooped, Measure: measure.Of(1, 1, measure.Cup),
		Weighings: []measure.Grams{140, 143, 146}}}
	k.Packs = []kitchen.Pack{{Ingredient: "active-dry-yeast", BestBefore: old}}
	k.Stock = []kitchen.Stocked{{Ingredient: "active-dry-yeast"}}
	var now usecase.KitchenSettings
	h.must(200, "PUT", "~", k, &now, "If-Match", fmt.Sprintf("%q", fmt.Sprint(s.Version)))
	if len(now.Cups) != 1 || !now.Cups[0].Enough || now.Cups[0].PerCup != 143 || len(now.Worries) != 1 ||
		now.Worries[0] == "" {
		t.Errorf("the settings come back as %+v", now)
	}
	var p usecase.PlanAnswer
	h.must(200, "POST", "~/plan", h.wish("Towpath white"), &p)
	if len(p.NoYeast) != 1 || p.NoYeast[0].Name != "Boatyard banana bread" {
		t.Errorf("without yeast in the house these are offered: %+v", p.NoYeast)
	}
	var o, milk usecase.Offers
	h.must(200, "POST", "~/plan/offers", map[string]any{"wish": h.wish("Towpath white")}, &o)
	h.must(200, "POST", "~/plan/offers", map[string]any{"wish": h.wish("Towpath white"), "line": "l2"}, &milk)
	if p.Plan.Formula.Sure != "own cup" || len(o.Offers) == 0 || len(milk.Offers) == 0 ||
		len(milk.Offers) >= len(o.Offers) || len(p.Shopping) == 0 {
		t.Errorf("the plan knows the flour by %q, has %d offers, %d of them for the butter, and %d things to buy",
			p.Plan.Formula.Sure, len(o.Offers), len(milk.Offers), len(p.Shopping))
	}
}

// A dark horse: 3.4 per 100 of yeast is far above what is usual, until such a loaf was liked.
func TestALikedLoafWidensWhatIsUsual(t *testing.T) {
	h := open(t)
	yeasty := map[string]any{"name": "Dark horse", "kind": "wholemeal", "size": "1 1/2 lb", "standard": "us",
		"text": "1 1/4 cups water\n1 tbsp honey\n1 tbsp oil\n1 1/2 tsp salt\n3 cups wholemeal flour\n1 tbsp " +
			"gluten\n1 1/4 tbsp active dry yeast"}
	var kept usecase.RecipeRead
	h.must(201, "POST", "~/recipes", yeasty, &kept, "Idempotency-Key", "r")
	odd := func() int {
		var p usecase.PlanAnswer
		h.must(200, "POST", "~/plan", h.wish("Dark horse"), &p)
		n := 0
		for _, c := range p.Plan.Cautions {
			if c.About == "outside the usual" {
				n++
			}
		}
		return n
	}
	if odd() != 1 {
		t.Fatalf("so much yeast is remarked on %d times", odd())
	}
	b := h.start("Dark horse", "one")
	path := "~/bakes/" + b.ID + "/happenings"
	h.must(201, "POST", path, map[string]any{"what": "taken out"}, nil, "Idempotency-Key", "out")
	h.must(201, "POST", path, map[string]any{"what": "judged", "mark": 5}, nil, "Idempotency-Key", "mark")
	if odd() != 0 {
		t.Error("a loaf that was liked is still held to be unusual")
	}
	h.must(201, "POST", path, map[string]any{"what": "undone", "of": 2}, nil, "Idempotency-Key", "undo")
	if odd() != 1 {
		t.Error("with the mark taken back it is not unusual again")
	}
}
