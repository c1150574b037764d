package e2e

import (
	"strings"
	"testing"

	"risepan/e2e/drive"
)

// booklet is the table of a machine's booklet, as it is copied into the field.
const booklet = `1 Basic 3:20 3:25 3:30
2 French 3:45 3:50 3:55
3 Whole wheat 3:40 3:45 3:50
4 Sweet 3:10 3:15 3:20
5 Rapid 1:55 2:00 2:05
6 Gluten free 2:50
7 Cake 1:45
8 Dough 1:30
9 Pasta dough 0:14
10 Jam 1:20
11 Bake 1:00
12 Yogurt 8:00`

// gramsCard is the first recipe, in grams.
const gramsCard = `Bridge loaf
240 g water
20 g oil
12 g sugar
8 g salt
375 g bread flour
5 g instant yeast`

// tapped counts what a hand does: a press, or a field that is filled.
type tapped struct {
	*drive.Page
	acts int
}

func (p *tapped) Click(label string) { p.acts++; p.Page.Click(label) }
func (p *tapped) Type(label, text string) {
	p.acts++
	p.Page.Type(label, text)
}

// From an empty folder to the first plan, with a booklet of twelve programs and a card in grams.
func TestTheFirstPlanIsAFewTapsAway(t *testing.T) {
	s := serve(t, "--empty")
	p := &tapped{Page: open(t, s.URL)}
	p.Sees("From a recipe to a loaf on your bread machine")
	axe(t, p.Page, "The first page")
	p.Click("Add my machine")
	p.Click("Long pan, two paddles")
	p.Type("Your own name for it", "Lock-side machine")
	p.Click("Cycles")
	axe(t, p.Page, "Cycles")
	p.Type("Type or paste the table, one cycle on each line", booklet)
	p.Sees("Use these 12 cycles")
	p.Click("Use these 12 cycles")
	p.Until("the totals of its sizes", "field('Total of Basic, 1 lb')?.value === '3:20' && "+
		"field('Total of Basic, 2 lb')?.value === '3:30'")
	axe(t, p.Page, "Cycles that were read")
	p.Click("Save machine")
	p.Sees("A new recipe")
	p.Type("Ingredients, or the whole card", gramsCard)
	p.Sees("bread flour")
	p.Click("Save recipe")
	p.Until("the plan", "shows('Measure, in this order')")
	p.Sees("Only the total time of")
	if p.acts > 25 {
		t.Errorf("%d acts to the first plan, want at most 25", p.acts)
	}
	t.Logf("%d acts to the first plan", p.acts)
}

// A machine that is like a typical one is planned on at once, and the plan says that its times are not checked.
func TestATypicalMachineIsPlannedOnAndSaysSo(t *testing.T) {
	s := serve(t, "--empty")
	p := &tapped{Page: open(t, s.URL)}
	p.Click("Add my machine")
	p.Click("Upright, one paddle")
	p.Type("Your own name for it", "Lock-side machine")
	p.Click("Save machine")
	p.Sees("A new recipe")
	p.Type("Ingredients, or the whole card", gramsCard)
	p.Sees("bread flour")
	p.Click("Save recipe")
	p.Until("the plan", "shows('Measure, in this order')")
	p.Sees("are a usual machine's, not yours")
	if p.acts > 8 {
		t.Errorf("%d acts to the first plan, want at most 8", p.acts)
	}
}

// An American kitchen and a British one, each from its first page to the printed card: names of foods, degrees, the way
// to measure and the paper follow the browser's language, and nothing is asked.
func TestEachEnglishFromTheFirstPageToTheCard(t *testing.T) {
	const cups = "Lock loaf\n1 1/4 cups water\n2 tbsp oil\n1 tbsp sugar\n1 1/2 tsp salt\n2 cups wholemeal flour\n" +
		"1 cup plain flour\n2 tsp active dry yeast"
	for _, c := range []struct {
		language, degrees, paper string
		says, never              []string
	}{
		{"en-US", "°F", "letter", []string{"whole wheat flour", "all-purpose flour"}, []string{"wholemeal flour", "°C"}},
		{"en-GB", "°C", "A4", []string{"wholemeal flour", "plain flour"}, []string{"whole wheat flour", "°F"}},
	} {
		s := serve(t, "--empty")
		p := open(t, "about:blank")
		p.Speaks(c.language)
		p.Go(s.URL)
		p.Click("Add my machine")
		p.Click("Long pan, two paddles")
		p.Type("Your own name for it", "Lock-side machine")
		p.Click("Save machine")
		p.Type("Ingredients, or the whole card", cups)
		p.Sees("Lock loaf")
		p.Click("Save recipe")
		p.Until("the plan", "shows('Measure, in this order')")
		p.Sees(c.degrees)
		p.Go(s.URL + "/paper/card" + drive.Value[string](p, "location.search"))
		p.Sees("Lock loaf")
		text := printedOn(t, p, "card", c.paper)
		for _, w := range c.says {
			if !strings.Contains(text, w) {
				t.Errorf("%s: the card does not say %q: %s", c.language, w, text)
			}
		}
		for _, w := range c.never {
			if strings.Contains(text, w) {
				t.Errorf("%s: the card says %q: %s", c.language, w, text)
			}
		}
	}
}

// Help says what the open screen is for, and finds words, recipes and settings; a word that is touched opens at its
// meaning; on a phone it stands behind More.
func TestHelpFindsWordsAndSettings(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL)
	p.Sees("In the pan")
	p.Click("Timer")
	p.Sees("It lets the machine begin later")
	p.Keys("\x1b")
	p.Until("the help closed", "!shows('It lets the machine begin later')")
	p.Keys("/")
	p.Until("the search to have the focus", "document.activeElement?.type === 'search'")
	p.Keys("knock")
	p.Sees("lets the gas out of the dough")
	p.Type("Search words, recipes, bakes and settings", "phone")
	p.Sees("./start --house")
	p.Type("Search words, recipes, bakes and settings", "raisin")
	axe(t, p, "What help found")
	p.Click("Find “raisin” in your recipes")
	p.Until("the recipes with raisins", "shows('Mooring raisin loaf') && !shows('Towpath white')")
	phone := tab(t, s.URL+"/machines", 390, 844)
	phone.Sees("Galley machine")
	phone.Click("More")
	phone.Click("Help")
	phone.Sees("Your bread machines.")
	axe(t, phone, "Help on a phone")
}
