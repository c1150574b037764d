package e2e

import (
	"strings"
	"testing"
	"time"

	"risepan/e2e/drive"
)

// written keeps a recipe of a text, and gives its id.
func written(t *testing.T, at, name, kind, text string) string {
	t.Helper()
	status, r := post(t, at+"/recipes", map[string]any{"name": name, "kind": kind, "standard": "us", "text": text},
		strings.ReplaceAll(name, " ", ""))
	if status != 201 {
		t.Fatalf("%s is not kept: %d %v", name, status, r)
	}
	return r["id"].(string)
}

// sized keeps a machine like the galley's, of other sizes, whose start button is called Go; its id.
func sized(t *testing.T, at, name string, noSize bool, sizes ...string) string {
	t.Helper()
	galley := get(t, at)["machines"].([]any)[0].(map[string]any)["id"].(string)
	m := get(t, at+"/machines/"+galley)["machine"].(map[string]any)
	m["name"], m["sizes"] = name, sizes
	panel := m["panel"].(map[string]any)
	panel["start"] = "Go"
	panel["size"].(map[string]any)["default"] = sizes[0]
	for _, c := range m["cycles"].([]any) {
		c := c.(map[string]any)
		c["noSize"] = noSize
		for _, s := range c["stages"].([]any) {
			delete(s.(map[string]any), "vary")
		}
	}
	status, kept := post(t, at+"/machines", m, strings.ReplaceAll(name, " ", ""))
	if status != 201 {
		t.Fatalf("%s is not kept: %d %v", name, status, kept)
	}
	return kept["id"].(string)
}

// A loaf of 1 lb in a machine of 1 1/2 and 2 lb: its size is the loaf's on every page, its setting the panel's.
func TestALoafSmallerThanItsSettingFromPlanToBakeThisAgain(t *testing.T) {
	s := serve(t)
	at := kitchenOf(t, s)
	r := written(t, at, "Half-crown white", "white", "3/4 cup water\n1 tbsp oil\n1 tbsp sugar\n1 tsp salt\n2 cups "+
		"bread flour\n1 packet active dry yeast")
	m := sized(t, at, "Lock machine", false, "1 1/2 lb", "2 lb")
	p := open(t, s.URL+"/?recipe="+r+"&machine="+m)
	plan := func(where string) {
		t.Helper()
		p.Until("the loaf's size "+where,
			"document.querySelector('label:has(input:checked)')?.innerText.startsWith('1 lb')")
		p.Until("the setting "+where, "document.querySelector('[data-setting]').innerText === '1 1/2 lb'")
		if got := grams(p, "bread-flour"); got != "250 g" {
			t.Errorf("%s it has %s of flour, want 250 g", where, got)
		}
		if got := amount(p, "active-dry-yeast"); got != "1packet" {
			t.Errorf("%s the yeast is %q, want 1 packet", where, got)
		}
	}
	plan("on the plan")
	p.Sees("8 slices")
	p.Sees("The panel is set to 1 1/2 lb and a light crust.")
	p.Click("Start the bake")
	p.Until("the dialog", "document.querySelector('[role=dialog]')?.innerText.includes('I have pressed Go')")
	p.Click("I have pressed Go")
	p.Until("the loaf on Watch", "document.querySelector('header')?.innerText.includes('1 lb · Lock machine') && "+
		"/until [0-9]/.test(document.querySelector('[data-phase]')?.innerText)")
	later(t, s, "4h")
	p.Reload()
	takeOut(p)
	p.Sees("What do you see, feel and taste?")
	p.Click("4: good")
	p.Click("Save to log")
	p.Sees("Bake this again")
	p.Sees("Size setting")
	p.Click("Bake this again")
	p.Sees("In the pan")
	plan("baked again")
}

// A banana bread in a machine of 2 lb whose cycles have no size is made as its card has it.
func TestABananaBreadAsWritten(t *testing.T) {
	s := serve(t)
	at := kitchenOf(t, s)
	r := written(t, at, "Banana bread", "quick bread", "2 eggs\n1 cup mashed banana\n1/3 cup oil\n1/4 cup milk\n3/4 "+
		"cup sugar\n1/2 tsp salt\n2 cups all-purpose flour\n2 tsp baking powder")
	for _, noSize := range []bool{false, true} {
		name := map[bool]string{false: "Two pounds", true: "Two pounds without sizes"}[noSize]
		p := open(t, s.URL+"/?recipe="+r+"&machine="+sized(t, at, name, noSize, "2 lb"))
		p.Until("as written", "document.querySelector('label:has(input:checked)')?.innerText.replace(/\\s+/g, ' "+
			"').trim() === 'as written' && document.querySelector('[data-amount=egg]')")
		for ingredient, want := range map[string]string{"egg": "2", "plain-flour": "2cups", "sugar": "1/2+1/4cup"} {
			if got := amount(p, ingredient); got != want {
				t.Errorf("%s of a card as written: %q, want %q", ingredient, got, want)
			}
		}
	}
}

// Water too hot for any yeast is stopped on the plan, with a way out; cooled, the loaf can be measured.
func TestHotWaterIsStopped(t *testing.T) {
	s := serve(t)
	at := kitchenOf(t, s)
	r := written(t, at, "Hot hands loaf", "white", "1 cup water at 63 °C\n1 tbsp oil\n1 tbsp sugar\n1 1/2 tsp "+
		"salt\n3 cups bread flour\n2 tsp active dry yeast")
	p := open(t, s.URL+"/?recipe="+r)
	p.Sees("none survives")
	axe(t, p, "Hot water")
	p.Until("no way to the bench", "[...document.querySelectorAll('button')].every((b) => !b.innerText.includes('To "+
		"the bench'))")
	p.Click("Work out a safe temperature")
	p.Until("no caution", "!shows('none survives') && location.search.includes('tempered')")
	toBench(p)
}

// A day of loaves where one machine has no timer: it is planned, with the press of its start by hand.
func TestADayWithAMachineWithoutATimer(t *testing.T) {
	s := serve(t)
	at, date := kitchenOf(t, s), dayAfterTomorrow(t)
	p := open(t, s.URL+"/machines")
	p.Click("Add a machine")
	p.Click("From nothing")
	p.Type("Your own name for it", "Mill machine")
	p.Click("Save machine")
	p.Sees("In the pan")
	machine := drive.Value[string](p, "new URLSearchParams(location.search).get('machine')")
	day := date.Format(time.DateOnly)
	put(t, at+"/days/"+day, bookOf(t, at, date, "Towpath white by 12:00", "Oat and honey loaf by 13:00"), 0)
	book := get(t, at+"/days/"+day)["book"].(map[string]any)
	loaf := book["loaves"].([]any)[1].(map[string]any)
	loaf["only"], loaf["wish"].(map[string]any)["machine"] = true, machine
	put(t, at+"/days/"+day, book, 1)
	p.Go(s.URL + "/day/" + day)
	p.Until("both on the day", "document.querySelectorAll('[data-row]').length === 2 && shows('Mill machine')")
	axe(t, p, "A day with a machine without a timer")
	if got := row(p, "loaf-0"); !strings.Contains(got, "Start") {
		t.Errorf("the day says %q of the first loaf", got)
	}
	if got := row(p, "loaf-1"); !strings.Contains(got, "Mill machine") || !strings.Contains(got, "no delay") {
		t.Errorf("of a loaf on a machine without a timer the day says %q", got)
	}
}
