package e2e

import (
	"fmt"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"

	"risepan/e2e/drive"
)

// printed prints the page and tells what Debian's own PDF tools find on it: one page, all fonts in it, and its text.
func printed(t *testing.T, p *drive.Page, name string) string {
	t.Helper()
	return printedOn(t, p, name, "A4")
}

// printedOn is the same on another paper, as pdfinfo calls it.
func printedOn(t *testing.T, p *drive.Page, name, paper string) string {
	t.Helper()
	p.Settled()
	file := filepath.Join(t.TempDir(), name+".pdf")
	p.PDF(file)
	tool := func(name string, args ...string) string {
		out, err := exec.Command(name, args...).CombinedOutput()
		if err != nil {
			t.Fatalf("%s: %v: %s", name, err, out)
		}
		return string(out)
	}
	info := tool("pdfinfo", file)
	if pages := strings.TrimSpace(strings.SplitN(strings.SplitN(info, "Pages:", 2)[1], "\n", 2)[0]); pages != "1" {
		t.Errorf("the %s takes %s pages, want one", name, pages)
	}
	if !strings.Contains(info, paper) {
		t.Errorf("the %s is not on %s: %s", name, paper, info)
	}
	fonts := strings.Split(strings.TrimSpace(tool("pdffonts", file)), "\n")[2:]
	for _, f := range fonts {
		// name, type, encoding, emb, sub, uni, object: "emb" is the fifth from the end
		if fields := strings.Fields(f); fields[len(fields)-5] != "yes" {
			t.Errorf("the %s uses a font that is not in it: %s", name, f)
		}
	}
	if len(fonts) == 0 {
		t.Errorf("the %s has no text", name)
	}
	return strings.Join(strings.Fields(tool("pdftotext", "-layout", file, "-")), " ")
}

// whole reports what of some texts a print lacks.
func whole(t *testing.T, name, text string, want ...string) {
	t.Helper()
	for _, say := range want {
		if !strings.Contains(text, say) {
			t.Errorf("the %s does not say %q: %s", name, say, text)
		}
	}
	if strings.Contains(text, "Back to the plan") || strings.Contains(text, "Machines") {
		t.Errorf("the %s has the screen's own buttons on it: %s", name, text)
	}
}

// A card, a timetable and the way by oven, for a usual loaf and for the longest one; labels for bags, which are then
// baked from.
func TestPaperAndBags(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL)
	choose(p, "Mooring raisin loaf")
	p.Click("Card")
	p.Sees("Into the pan")
	axe(t, p, "A card")
	whole(t, "card", printed(t, p, "card"), "Mooring raisin loaf", "water", "active dry yeast", "walnuts", "Menu 3×",
		"booklet comes first")
	p.Click("Timetable")
	p.Sees("press Start")
	whole(t, "timetable", printed(t, p, "timetable"), "press Start", "Add-in beep", "take the loaf out",
		"Keep warm ends")
	p.Click("By mixer and oven")
	p.Sees("dough hook")
	axe(t, p, "By mixer and oven")
	whole(t, "way by oven", printed(t, p, "oven"), "dough hook", "180 °C", "cuts clean")
	p.Click("Back to the plan")
	p.Sees("In the pan")
	p.Click("Make ready-mix bags")
	p.Sees("Into each bag")
	axe(t, p, "Making bags")
	flour := func(bags int) int {
		p.Until(fmt.Sprintf("the flour of %d bags", bags), fmt.Sprintf("document.body.innerText.includes('The %d "+
			"bags') && /[0-9] g$/.test([...document.querySelectorAll('tr')].find(r => r.innerText.includes('bread "+
			"flour')).innerText)", bags))
		return drive.Value[int](p, "parseInt([...document.querySelectorAll('tr')].find(r => "+
			"r.innerText.includes('bread flour')).lastElementChild.innerText)")
	}
	four := flour(4)
	p.Type("How many", "6\r")
	if six := flour(6); four < 1000 || max(six*4-four*6, four*6-six*4) > 6 {
		t.Errorf("four bags hold %d g of flour in all, and six %d g", four, six)
	}
	p.Click("The 6 bags are filled")
	p.Sees("6 labels")
	axe(t, p, "Labels")
	text := printed(t, p, "labels")
	whole(t, "labels", text, "best before", "this bag", "Contains wheat, milk, nuts")
	if n := strings.Count(text, "best before"); n != 6 {
		t.Errorf("%d labels are printed, want 6", n)
	}
	p.Click("All bags")
	p.Sees("6 of 6 left")
	axe(t, p, "The shelf of bags")
	p.Click("Bake from this bag: Mooring raisin loaf")
	p.Sees("In the bag")
	if drive.Value[int](p, "document.querySelectorAll('[data-grams=bread-flour]').length") != 1 {
		t.Error("the flour of the bag is not told")
	}
	p.Click("To the bench")
	for range 30 {
		step := drive.Value[string](p, "document.querySelector('[data-step]')?.dataset.step ?? ''")
		if step == "start" {
			break
		}
		if step == "measure l6" {
			t.Error("the flour that is in the bag is measured again")
		}
		p.Keys(" ")
		p.Until("the step after "+step, "document.querySelector('[data-step]') && "+
			"document.querySelector('[data-step]').dataset.step !== "+`"`+step+`"`)
	}
	p.Click("I have pressed Start")
	p.Sees("until")
	p.Go(s.URL + "/bags")
	p.Sees("5 of 6 left")
	p.Click("One is used: Mooring raisin loaf")
	p.Sees("4 of 6 left")
	p.Click("One more is there: Mooring raisin loaf")
	p.Sees("5 of 6 left")
}
