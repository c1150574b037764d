package e2e

import (
	"fmt"
	"testing"

	"risepan/e2e/drive"
)

// The demo's loaf that kept collapsing, read from its first sight to its mended form: what was changed between the
// loaves, the figures over time and their tables, two revisions side by side, and a way back that is undone.
func TestAStoryIsReadAndAnOldRevisionReturns(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL+"/recipes")
	p.Type("Find", "oat and honey")
	p.Until("one recipe", "document.querySelectorAll('main li').length === 1")
	p.Click("Its story: Oat and honey loaf")
	p.Sees("Bakes")
	p.Until("four loaves in a row", "document.querySelectorAll('[data-story]').length === 4")
	if first, last := p.Text("[data-story]:first-child"), p.Text("[data-story]:last-child"); first == last {
		t.Error("the first loaf reads as the last")
	}
	p.Sees("24 mm under the rim")
	p.Sees("domed, near the rim")
	p.Sees("the change helped")
	p.Until("four plots", "document.querySelectorAll('[data-plot] svg polyline').length === 4")
	p.Settled()
	axe(t, p, "A recipe's story")
	for _, f := range p.PlatformFonts() {
		if !f.Custom {
			t.Errorf("the story falls back on %s for %v letters", f.Name, f.Glyphs)
		}
	}
	p.Until("the marks as a table",
		`(document.querySelector('[data-plot="Mark"] summary').click(),
			document.querySelectorAll('[data-plot="Mark"] tbody tr').length === 4)`)
	p.Until("the first and the last side by side",
		"document.querySelector('[data-difference]').innerText.includes('hydration')")
	p.Click("To: version 3")
	p.Click("version 2")
	p.Until("water is no part of the first change",
		"!document.querySelector('[data-difference]').innerText.includes('water')")
	p.Click("Restore this version: version 1")
	p.Until("a fourth revision", "document.querySelector('[data-revision=\"4\"]')?.innerText.includes('Back to "+
		"version 1')")
	p.Click("Restore this version: version 3")
	p.Until("a fifth", "document.querySelector('[data-revision=\"5\"]')?.innerText.includes('Back to version 3')")
	p.Resize(390, 844)
	p.Settled()
	axe(t, p, "A recipe's story on a phone")
	if wide := drive.Value[int](p, "document.documentElement.scrollWidth"); wide > 390 {
		t.Errorf("on a phone the story is %d px wide", wide)
	}
}

// Three loaves that came out darker than they were set are a lesson: read with its evidence, declined and offered
// again, taken, and seen in the next plan. The year counts them.
func TestTheLogTeachesAboutAMachine(t *testing.T) {
	s := serve(t)
	at := kitchenOf(t, s)
	for n := range 3 {
		id := startedAs(t, s, "Towpath white", fmt.Sprint("start", n))
		for _, what := range []map[string]any{{"what": "taken out"}, {"what": "judged", "mark": 4, "crust": "dark"}} {
			if status, told := post(t, at+"/bakes/"+id+"/happenings", what, fmt.Sprintf("%.5s-%d", what["what"], n),
				""); status != 201 {
				t.Fatalf("%v: %d %v", what, status, told)
			}
		}
	}
	p := open(t, s.URL+"/log")
	p.Sees("Tips from your bakes")
	p.Sees("Crusts of Galley machine come out darker than they are set.")
	p.Click("It rests on 3 bakes")
	p.Sees("dark, set to medium")
	axe(t, p, "Tips from your bakes")
	p.Click("No change")
	p.Sees("You left it as it is.")
	p.Click("Offer it again")
	p.Click("Suggest a lighter crust on this machine")
	p.Until("the lesson to be taken", "!shows('Tips from your bakes')")
	p.Click("The year")
	p.Sees("Highest rated")
	axe(t, p, "The year")
	p.Sees("£")
	p.Click("Add pack prices")
	p.Sees("What packs cost")
	axe(t, p, "Prices")
	p.Type("What a pack of bread flour costs", "2.50")
	p.Keys("\t")
	p.Sees("Saved.")
	p.Go(s.URL)
	choose(p, "Towpath white")
	p.Click("why this crust")
	p.Sees("come out dark")
}
