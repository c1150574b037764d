package formats_test

import (
	"strings"
	"testing"
	"time"

	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/demo"
	"risepan/formats"
)

// carried are the ways in which a recipe is carried away.
var carried = map[string]func(formats.Sheet) string{
	"text": formats.Sheet.Text, "Markdown": formats.Sheet.Markdown,
	"JSON-LD": func(s formats.Sheet) string { b, _ := s.JSONLD(); return string(b) },
}

// Every recipe of the demo goes out in each way and comes back with its name, size, kind, lines and method.
func TestRecipesComeBack(t *testing.T) {
	all := demo.Recipes()
	full := all[0]
	full.Makes, full.Method = "12 rolls", []string{"Put everything into the pan in this order.",
		"Turn out and cool for an hour."}
	all = append(all, full)
	for how, write := range carried {
		for _, r := range all {
			file := write(formats.Written(r))
			cards, err := formats.Cards(file)
			if err != nil || len(cards) != 1 {
				t.Errorf("%s as %s: %d recipes, %v", r.Name, how, len(cards), err)
				continue
			}
			card, err := recipe.ReadCard(cards[0].Text, r.Standard, larder.Find)
			if err != nil {
				t.Errorf("%s as %s: %v", r.Name, how, err)
				continue
			}
			back := card.Recipe()
			back.Kind, back.Note, back.Standard = r.Kind, cards[0].Note, r.Standard
			if how == "JSON-LD" { // the others leave the kind to be guessed
				back.Kind = cards[0].Kind
			}
			for _, d := range recipe.Differ(r, back.Revise(r), larder.Get) {
				t.Errorf("%s as %s: %s was %q and came back as %q in\n%s", r.Name, how, d.Of, d.From, d.To, file)
			}
			if back.Makes != r.Makes {
				t.Errorf("%s as %s: it makes %q, and came back as %q", r.Name, how, r.Makes, back.Makes)
			}
		}
	}
}

// A loaf at its chosen size says the amounts that the plan measures, and reads as a recipe again.
func TestAPlannedLoafIsCarriedAway(t *testing.T) {
	r := demo.Recipes()[4]
	small := measure.LoafPounds(1, 1)
	p, err := plan.Make(plan.Place{Kitchen: kitchen.New("Test", "UTC"), Zone: time.UTC, Recipe: r,
		Machine: demo.Galley(), Now: time.Date(2026, 5, 2, 8, 0, 0, 0, time.UTC)},
		plan.Wish{LoafWish: plan.LoafWish{Size: small}})
	if err != nil {
		t.Fatal(err)
	}
	s := formats.Planned(p, r)
	if s.Size != "1 lb" || !strings.Contains(s.Set, "Galley machine") {
		t.Errorf("it is for %s, set by %q", s.Size, s.Set)
	}
	for how, write := range carried {
		cards, err := formats.Cards(write(s))
		if err != nil {
			t.Fatalf("%s: %v", how, err)
		}
		card, err := recipe.ReadCard(cards[0].Text, measure.US, larder.Find)
		if err != nil || len(card.Lines) != len(p.Lines) {
			t.Fatalf("as %s it has %d lines of %d: %v\n%s", how, len(card.Lines), len(p.Lines), err, cards[0].Text)
		}
		for n, l := range card.Lines {
			i, _ := larder.Get(l.Line.Ingredient)
			if g, err := i.Weigh(l.Line.Amount); err != nil || i.ID != p.Lines[n].Ingredient ||
				g < p.Lines[n].Exact*0.85 || g > p.Lines[n].Exact*1.15 {
				t.Errorf("as %s: %s of %s is %.1f g, planned %.1f g of %s (%v)", how, l.Line.Amount, i.Name,
					float64(g), float64(p.Lines[n].Exact), p.Lines[n].Name, err)
			}
		}
	}
	list := formats.Shopping(p, []plan.Shopping{{Name: "bread flour", Need: "250 g"}, {Name: "raisins", Need: "60 g",
		Has: "500 g"}, {Name: "butter", Need: "20 g", Has: "5 g", Buy: "15 g"}}, true)
	if list != "# Mooring raisin loaf, 1 lb\n\n- [ ] bread flour, 250 g\n- [ ] butter, 15 g (20 g needed, 5 g in "+
		"the house)\n" {
		t.Errorf("the list to tick off is %q", list)
	}
}
