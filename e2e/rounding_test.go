package e2e

import (
	"encoding/json"
	"fmt"
	"maps"
	"slices"
	"testing"

	"risepan/e2e/drive"
)

// amounts reads every amount on the plan, by ingredient, as text: measures, then grams.
func amounts(p *drive.Page) map[string]string {
	return drive.Value[map[string]string](p, `Object.fromEntries([...document.querySelectorAll("[data-amount]")].map((e) => {
		const read = (x) => { const c = x.cloneNode(true); c.querySelectorAll(".sr-only").forEach((s) => s.remove());
			return c.textContent.replace(/\s+/g, " ").trim(); };
		return [e.dataset.amount, read(e) + " = " + read(document.querySelector('[data-grams="' + e.dataset.amount + '"]'))];
	}))`)
}

// moved lists the ingredients whose amounts differ.
func moved(a, b map[string]string) []string {
	var out []string
	for _, k := range slices.Sorted(maps.Keys(a)) {
		if a[k] != b[k] {
			out = append(out, k)
		}
	}
	return out
}

// until waits for the amounts to differ from before and returns them.
func until(p *drive.Page, what string, before map[string]string) map[string]string {
	b, _ := json.Marshal(before)
	p.Until(what, `JSON.stringify(Object.fromEntries([...document.querySelectorAll("[data-amount]")].map((e) => {
		const read = (x) => { const c = x.cloneNode(true); c.querySelectorAll(".sr-only").forEach((s) => s.remove());
			return c.textContent.replace(/\s+/g, " ").trim(); };
		return [e.dataset.amount, read(e) + " = " + read(document.querySelector('[data-grams="' + e.dataset.amount + '"]'))];
	}).sort())) !== JSON.stringify(Object.fromEntries(Object.entries(`+string(b)+`).sort()))`)
	return amounts(p)
}

func handling(p *drive.Page) float64 {
	return drive.Value[float64](p, "Number(document.querySelector('[data-handling]').dataset.handling)")
}

func TestAmountsFollowSizeStepsMeasuresLocksAndTheScale(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL)
	p.Sees("In the pan")
	choose(p, "Oat and honey loaf")
	p.Until("its amounts", "document.querySelector('[data-amount=oats]')")
	written := amounts(p)
	if written["water"] != "1cup+1tbsp = 251 g" || written["bread-flour"] != "2+1/2cups = 313 g" {
		t.Fatalf("at its written size the recipe is not as written: %v", written)
	}

	p.Click("1 lb")
	small := until(p, "the small loaf", written)
	if got := moved(written, small); len(got) != len(written) {
		t.Errorf("from 1 1/2 to 1 lb only these moved: %v", got)
	}

	// Each step closer costs more handling.
	for n := handling(p); drive.Value[bool](p, "!document.querySelector('[aria-label=\"Closer\"]').disabled"); {
		p.Click("Closer")
		p.Until("more scoops", fmt.Sprintf("Number(document.querySelector('[data-handling]').dataset.handling) > %g",
			n))
		n = handling(p)
	}
	closest := amounts(p)
	for drive.Value[bool](p, "!document.querySelector('[aria-label=\"Fewer scoops\"]').disabled") {
		n := handling(p)
		p.Click("Fewer scoops")
		p.Until("fewer scoops", fmt.Sprintf("Number(document.querySelector('[data-handling]').dataset.handling) < %g",
			n))
	}
	if back := amounts(p); len(moved(back, closest)) == 0 {
		t.Error("fewer scoops and closest are the same amounts")
	}

	// Without the third of a cup, no line uses it; with it back, all is as before.
	fewest := amounts(p)
	p.Click(drive.Value[string](p, "document.querySelector('[data-handling]').innerText"))
	p.Sees("rounded one by one")
	axe(t, p, "Rounding")
	p.Click("1/3 cup")
	without := until(p, "the amounts without the third of a cup", fewest)
	for k, a := range without {
		if contains(a, "1/3") {
			t.Errorf("the third of a cup is away, but %s is %s", k, a)
		}
		if contains(fewest[k], "1/3") && a == fewest[k] {
			t.Errorf("%s still needs the third of a cup: %s", k, a)
		}
	}
	p.Click("1/3 cup")
	if again := until(p, "the third of a cup back", without); len(moved(again, fewest)) > 0 {
		t.Errorf("with the measure back these differ: %v", moved(again, fewest))
	}
	p.Click("Back to the panel")

	// A line that is held keeps its amount; the loaf that follows it moves every line.
	p.Click("honey")
	p.Type("I have", "2 1/2 tsp")
	p.Click("Use this, fit the rest to it")
	held := until(p, "the honey held", fewest)
	if !contains(held["honey"], "2 1/2 tsp") {
		t.Errorf("the honey is held at %q", held["honey"])
	}
	p.Type("I have", "a lot\r")
	p.Sees("column 1")
	p.Click("Stop holding this amount")
	until(p, "the honey let go", held)
	p.Click("Back to the panel")
	p.Click("bread flour")
	p.Type("I have", "2 cups")
	p.Click("Scale the loaf to this amount")
	p.Until("a loaf of 2 cups of flour",
		"document.querySelector('[data-grams=bread-flour]').innerText.includes('250 g')")
	p.Click("Back to the panel")
	p.Until("a loaf of its own size",
		"document.querySelector('label:has(input:checked)').innerText.startsWith('1 1/4')")
	p.Until("the next larger setting", "document.querySelector('[data-setting]').innerText === '1 1/2 lb'")
	p.Click("bread flour")
	p.Click("Stop holding this amount")
	p.Until("the loaf as before", "document.querySelector('[data-grams=bread-flour]').innerText.includes('203 g')")
	p.Click("Weigh this")
	p.Until("the flour in grams", "document.querySelector('[data-amount=bread-flour]').innerText.trim().endsWith(' g')")
	axe(t, p, "A line")
}

func contains(s, part string) bool {
	for n := 0; n+len(part) <= len(s); n++ {
		if s[n:n+len(part)] == part {
			return true
		}
	}
	return false
}

// A kitchen that writes its decimals after a comma, and has a ruler in inches, a scale in ounces and a thermometer in
// Fahrenheit, reads no point between two figures, no millimetre, no gram and no degree Celsius, wherever it looks. What
// a slice holds is told in grams everywhere, a machine's sizes are called as on its panel, and a bake stays as it was.
func TestFiguresAreInTheKitchensUnits(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL+"/kitchen?drawer=Units")
	for _, choice := range []string{"After a comma", "Inches", "Ounces", "Fahrenheit"} {
		p.Click(choice)
		p.Until(choice, "target('"+choice+"')?.querySelector('input').checked")
	}
	look := func(what string) {
		t.Helper()
		if found := drive.Value[[]string](p,
			`(document.querySelector("main").innerText.match(/.*(\d\.\d|\d mm|\d\s?k?g\b|°C).*/g) ?? []).filter(l => !/net carbohydrate|100 g|^(500|750|1000) g$/.test(l))`); len(found) > 0 {
			t.Errorf("%s: %q", what, found)
		}
	}
	p.Go(s.URL)
	p.Sees("In the pan")
	if got := drive.Value[string](p, `document.querySelector("[data-grams=salt]").innerText`); !contains(got, ",") ||
		!contains(got, "oz") {
		t.Errorf("salt is %q", got)
	}
	look("Plan")
	p.Click("Water (hydration)")
	p.Sees("net carbohydrate")
	look("the formula")
	for _, why := range []struct{ press, sees string }{{"water at", "in the pan"}, {"active dry yeast", "exactly"},
		{"bread flour", "exactly"}} {
		p.Keys("\x1b")
		p.Click(why.press)
		p.Sees(why.sees)
		look("why " + why.press)
	}
	p.Go(s.URL + "/rehearse")
	p.Click("Start practising")
	p.Sees("litres are expected")
	look("a rehearsal")
	at := kitchenOf(t, s)
	shelf := get(t, at)
	recipe, machine := "", shelf["machines"].([]any)[0].(map[string]any)["id"].(string)
	for _, r := range shelf["recipes"].([]any) {
		if r := r.(map[string]any); r["name"] == "Mooring raisin loaf" {
			recipe = r["id"].(string)
		}
	}
	bake := get(t, at+"/bakes")["bakes"].([]any)[0].(map[string]any)["id"].(string)
	for _, at := range []struct{ path, sees string }{{"/log", "Towpath white"}, {"/log/year", "loaves"},
		{"/verdict/" + bake, "It weighs, ounces"},
		{"/recipes", "Towpath white"}, {"/recipes/" + recipe, "per 100"}, {"/recipes/" + recipe + "/story",
			"Versions"}, {"/bags/new", "oz"},
		{"/machines", "Galley machine"}, {"/machines/" + machine, "Keeps warm for"}, {"/machines/new", " in ·"},
		{"/kitchen", "in the drawer"}, {"/kitchen?drawer=Flour", "oz sifted"}, {"/kitchen?drawer=Cupboard", "yeast"},
		{"/kitchen?drawer=Habits", "Salt"}} {
		p.Go(s.URL + at.path)
		p.Sees(at.sees)
		look(at.path)
	}
}

func TestTheKitchensMeasuresAndSchoolsShowOnThePlan(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL+"/kitchen")
	p.Sees("Cups and spoons in the drawer")
	axe(t, p, "Kitchen")
	p.Click("1 cup")
	p.Until("the cup taken out", "target('1 cup').ariaPressed === 'false'")
	p.Sees("Saved.")
	p.Type("Another measure", "blue mug")
	p.Type("holds, ml", "180\r")
	p.Sees("180 ml")
	p.Keys("\x1b")
	p.Click("Plan")
	p.Until("flour without the cup", "document.querySelector('[data-amount=bread-flour]') && "+
		"!document.querySelector('[data-amount=bread-flour]').innerText.includes('3 cups')")
	if got := amount(p, "bread-flour"); got == "3cups" {
		t.Errorf("the cup is out of the drawer, but the flour is %s", got)
	}
	p.Click("Kitchen")
	p.Click("Undo the last change")
	p.Until("the mug gone", "!shows('180 ml')")
	p.Click("Units")
	p.Click("On a scale")
	p.Until("the scale chosen",
		"document.querySelector('label:has(input:checked)')?.innerText.startsWith('On a scale')")
	p.Click("Plan")
	p.Until("grams for every line", "[...document.querySelectorAll('[data-amount]')].every(e => "+
		"e.innerText.trim().endsWith(' g'))")
	p.Sees("pan 237 g")
	p.Click("Kitchen")
	p.Click("Units")
	p.Click("Ounces")
	p.Until("ounces", "target('Ounces')?.querySelector('input').checked")
	p.Click("Plan")
	p.Sees("pan 8.35 oz")
	p.Click("12 slices")
	p.Type("Slices wanted", "15\r")
	p.Until("the size for fifteen slices",
		"document.querySelector('label:has(input:checked)').innerText.startsWith('2')")
	p.Type("Slices wanted", "40\r")
	p.Sees("more than one loaf")
	p.Click("1 1/2 lb")
	p.Until("the written size again", "!shows('more than one loaf')")
	p.Type("Eaters", "5\r")
	p.Until("ten slices, at two each", "field('Slices wanted').value === '2' && "+
		"document.querySelector('label:has(input:checked)').innerText.startsWith('1')")
	p.Type("Slices wanted", "3\r")
	p.Until("the size for five eaters of three slices",
		"document.querySelector('label:has(input:checked)').innerText.startsWith('2')")
	p.Click("1 1/2 lb")
	p.Click("Kitchen")
	p.Click("Units")
	p.Click("Grams")
	p.Until("grams", "target('Grams')?.querySelector('input').checked")
	p.Click("Flour")
	p.Type("Change the figures of", "bread fl")
	p.Click("bread flour")
	p.Type("A cup of bread flour, in grams", "9000\r")
	p.Sees("1 to 1000")
	p.Type("A cup of bread flour, in grams", "140\r")
	p.Until("the own cup kept", "document.querySelector('[role=status]').innerText.includes('Saved') && field('A cup "+
		"of bread flour, in grams').value === '140'")
	p.Click("Plan")
	p.Until("three cups of 140 g", "document.querySelector('[data-grams=bread-flour]')?.innerText.includes('420 g')")
}
