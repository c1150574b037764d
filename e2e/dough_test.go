package e2e

import (
	"fmt"
	"strconv"
	"strings"
	"testing"

	"risepan/e2e/drive"
)

// fact is the figure of one of the dough's facts on the plan.
func fact(p *drive.Page, name string) string {
	return drive.Value[string](p, `document.querySelector("[data-fact=`+name+`] .figures").innerText`)
}

// width is how far apart the ends of a range such as "54–74" are.
func width(t *testing.T, figure string) int {
	t.Helper()
	low, high, _ := strings.Cut(figure, "–")
	a, err := strconv.Atoi(low)
	if err != nil {
		t.Fatalf("%q is no figure", figure)
	}
	b, err := strconv.Atoi(high)
	if err != nil {
		return 0
	}
	return b - a
}

func TestWeighingOnesOwnCupNarrowsTheHydration(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL)
	p.Sees("In the pan")
	wide := width(t, fact(p, "formula"))
	p.Click("Kitchen")
	p.Click("Flour")
	p.Type("Weigh a cup of flour", "bread fl")
	p.Click("bread flour")
	p.Sees("weighed three times")
	weigh := func(g string) {
		p.Type("A weighing of bread flour, in grams", g+"\r")
	}
	weigh("128")
	p.Sees("128 g")
	weigh("250") // two cups at once, or a slip of the finger
	p.Sees("cannot be of the same cup")
	if v := drive.Value[string](p, "field('A weighing of bread flour, in grams').value"); v != "250" {
		t.Errorf("the refused weighing is lost from its field, which holds %q", v)
	}
	weigh("131")
	p.Sees("once more")
	weigh("125")
	p.Sees("give or take")
	axe(t, p, "Own cup")
	p.Click("Plan")
	p.Sees("In the pan")
	p.Until("the flour by the own cup",
		"document.querySelector('[data-grams=bread-flour]')?.innerText.includes('384 g')")
	if own := width(t, fact(p, "formula")); own >= wide/2 || own == 0 {
		t.Errorf("the hydration is %d points wide by the own cup, %d before", own, wide)
	}
	p.Click("bread flour")
	p.Click("Weigh this")
	p.Until("one figure", "!document.querySelector('[data-fact=formula] .figures').innerText.includes('–')")
	p.Click("Back to the panel")
	p.Click("Water (hydration)")
	p.Sees("The flour is weighed")
	p.Sees("net carbohydrate")
	axe(t, p, "Formula")
}

func TestACoolerKitchenWantsWarmerWater(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL)
	p.Sees("In the pan")
	warm := fact(p, "heat")
	p.Click("water at")
	p.Sees("What was assumed")
	axe(t, p, "Heat")
	p.Type("Kitchen", "16\r")
	p.Until("warmer water", fmt.Sprintf("document.querySelector('[data-heat]').innerText !== %q", warm))
	if got := p.Text("[data-heat]"); warm != "24 °C" || got != "28 °C" {
		t.Errorf("water at %s in a kitchen of 21 °C, at %s in one of 16 °C; want 24 and 28", warm, got)
	}
	p.Click("bread flour from the fridge")
	p.Until("warmer still for cold flour", "Number(document.querySelector('[data-heat]').innerText.slice(0, 2)) > 33")
	p.Type("Kitchen", "60\r")
	p.Sees("0 to 45 °C")
	if v := drive.Value[string](p, "field('Kitchen').value"); v != "60" {
		t.Errorf("the refused temperature is lost from its field, which holds %q", v)
	}
	p.Type("Kitchen", "61 °F\r")
	p.Until("the plan again", "!shows('0 to 45 °C')")
	p.Click("Back to the panel")
	p.Click("Ready by")
	p.Until("cool water for a delay", "document.querySelector('[data-fact=heat] .figures').innerText === 'cool'")
}

func TestAnOldJarIsWarnedOfBeforeMeasuring(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL+"/kitchen?drawer=Cupboard")
	p.Sees("Opened packs")
	p.Type("Add a jar or bag of", "active dry")
	p.Click("active dry yeast")
	p.Type("Best before, active dry yeast", "20226-01-01\r")
	p.Sees("is no date: use one such as")
	if v := drive.Value[string](p, "field('Best before, active dry yeast').value"); v != "20226-01-01" {
		t.Errorf("the refused date is lost from its field, which holds %q", v)
	}
	p.Type("Best before, active dry yeast", "2024-01-31\r")
	p.Sees("was best before 31 January 2024")
	axe(t, p, "Cupboard")
	p.Click("Plan")
	p.Sees("In the pan")
	p.Sees("was best before 31 January 2024")
	p.Sees("froth should have doubled")
}

func TestASwapIsMadeComparedKeptAndUndone(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL)
	p.Sees("In the pan")
	choose(p, "Sluice-gate egg loaf")
	p.Until("its milk", "document.querySelector('[data-amount=milk]')")
	written := amounts(p)
	p.Click("whole milk")
	p.Click("Use water and dry milk")
	p.Until("dry milk in its place", "document.querySelector('[data-amount=dry-milk]') && "+
		"!document.querySelector('[data-amount=milk]')")
	p.Click("Before and after")
	p.Sees("was 55.5")
	axe(t, p, "A swap")
	p.Click("Undo whole milk")
	p.Until("milk again", "document.querySelector('[data-amount=milk]')")
	if got := moved(written, amounts(p)); len(got) > 0 {
		t.Errorf("undone, these lines differ: %v", got)
	}
	p.Click("Back to the panel")

	p.Click("whole milk")
	p.Click("Use water and dry milk")
	p.Until("dry milk in its place", "document.querySelector('[data-amount=dry-milk]')")
	p.Click("Save swap to recipe")
	p.Sees("Saved as version 2")
	p.Until("the recipe holds it", "!location.search.includes('swap=') && "+
		"document.querySelector('[data-amount=dry-milk]')")
	p.Click("Undo")
	p.Until("the recipe as it was", "document.querySelector('[data-amount=milk]') && "+
		"!document.querySelector('[data-amount=dry-milk]')")
	if got := moved(written, amounts(p)); len(got) > 0 {
		t.Errorf("undone for good, these lines differ: %v", got)
	}

	// A refused delay is mended by one press.
	p.Click("Back to the panel")
	p.Click("Ready by")
	p.Sees("use the timer with")
	p.Click("Swap to timer-safe ingredients")
	p.Until("a delay that is not refused", "!shows('use the timer with') && "+
		"document.querySelector('[data-amount=dried-egg], [data-amount=oil]')")

	// What is not in the house is said, with what would do; without yeast, a loaf that needs none.
	p.Click("Start now")
	choose(p, "Oat and honey loaf")
	p.Click("honey")
	p.Click("I’ve run out")
	p.Sees("I have it again")
	p.Click("Back to the panel")
	p.Sees("You are out of honey")
	p.Click("Use sugar")
	p.Until("sugar in its place", "document.querySelector('[data-amount=sugar]') && "+
		"!document.querySelector('[data-amount=honey]')")
	p.Click("To buy")
	p.Sees("For the shop")
	axe(t, p, "Shopping list")
	p.Click("Back to the panel")
	p.Click("active dry yeast")
	p.Click("I’ve run out")
	p.Click("Back to the panel")
	p.Sees("Loaves that need no yeast")
	p.Click("Boatyard banana bread")
	p.Until("a loaf without yeast", "document.querySelector('h1').innerText.includes('banana')")
}
