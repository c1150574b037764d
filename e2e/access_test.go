package e2e

import (
	"fmt"
	"slices"
	"strings"
	"testing"

	"github.com/chromedp/chromedp/kb"

	"risepan/e2e/drive"
)

// tabTo presses Tab until what is called name has the focus, as somebody does who uses no mouse. The focus must be
// seen.
func tabTo(t *testing.T, p *drive.Page, name string) {
	t.Helper()
	for range 90 {
		p.Keys(kb.Tab)
		here := drive.Value[string](p, "(() => { const e = document.activeElement; return nameOf(e) || "+
			"squeeze(e.labels?.[0]?.innerText ?? '') })()")
		if !strings.HasPrefix(here, name) {
			continue
		}
		if !drive.Value[bool](p, "(() => { const e = document.activeElement, l = e.closest('label') ?? e; return "+
			"[e, l].some(x => parseFloat(getComputedStyle(x).outlineWidth) > 0 && getComputedStyle(x).outlineStyle "+
			"!== 'none') })()") {
			t.Errorf("the focus on %q cannot be seen", name)
		}
		return
	}
	t.Fatalf("no way leads to %q by Tab", name)
}

// From the plan to the verdict without a mouse: size, time, bench, watch, mark and note.
func TestALoafFromPlanToVerdictByKeyboardAlone(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL)
	p.Until("the plan with all its parts", "document.querySelector('[data-amount]') && "+
		"document.querySelector('input[aria-label=Recipe]')")
	tabTo(t, p, "1 1/2 lb")
	p.Keys(kb.ArrowRight)
	p.Until("2 lb by the arrow", "document.querySelector('input[aria-label=\"2 lb\"]').checked && new "+
		"URLSearchParams(location.search).get('size') === '2 lb'")
	p.Until("it is told to those who listen", "document.querySelector('main "+
		"[role=status].sr-only').innerText.includes('Amounts for 2 lb')")
	tabTo(t, p, "why this cycle")
	p.Keys(kb.Enter)
	p.Until("the why, with the focus in it", "document.activeElement.closest('section[aria-label=Why]')")
	p.Keys(kb.Escape)
	p.Until("the panel again, with the focus where it was", "!document.querySelector('section[aria-label=Why]') && "+
		"nameOf(document.activeElement).startsWith('why this cycle')")
	tabTo(t, p, "To the bench")
	p.Keys(kb.Enter)
	p.Until("the first step", stepNow+" === 'tools'")
	for step := "tools"; step != "start"; {
		drive.Value[bool](p, "(document.activeElement.blur(), true)")
		p.Keys(" ")
		step = on(p, step)
	}
	tabTo(t, p, "I have pressed Start")
	p.Keys(kb.Enter)
	p.Until("the countdown", "document.querySelector('[data-countdown]')")
	tabTo(t, p, "End this bake early")
	p.Keys(kb.Enter)
	p.Until("the verdict", "location.pathname.startsWith('/verdict/') && field('What to remember')")
	tabTo(t, p, "1: ")
	p.Keys(kb.ArrowRight + kb.ArrowRight)
	p.Until("the third mark", "document.querySelector('input[aria-label^=\"3: \"]').checked")
	tabTo(t, p, "What to remember")
	p.Keys("Ended by hand.")
	tabTo(t, p, "Save to log")
	p.Keys(kb.Enter)
	p.Sees("Ended by hand.")
}

// What a screen reader has of each screen: amounts as a cook says them, the ribbon as times in order, everything
// that can be pressed with a name.
func TestWhatIsHeard(t *testing.T) {
	s := serve(t)
	bake := startLoaf(t, s)
	p := open(t, s.URL+"/?size=2+lb")
	p.Until("the plan with all its parts", "document.querySelector('[data-amount]') && "+
		"document.querySelector('input[aria-label=Recipe]')")
	plan := p.Heard()
	hears := func(screen string, heard []string, wants ...string) {
		t.Helper()
		for _, want := range wants {
			if !slices.ContainsFunc(heard, func(h string) bool { return strings.Contains(h, want) }) {
				t.Errorf("%s: nobody hears %q of\n%s", screen, want, strings.Join(heard, "\n"))
			}
		}
		for _, h := range heard {
			role, name, _ := strings.Cut(h, ": ")
			if name == "" && slices.Contains([]string{"button", "link", "radio", "textbox", "combobox", "searchbox",
				"radiogroup", "heading", "switch"}, role) {
				t.Errorf("%s: a %s without a name", screen, role)
			}
			if name == "+" || name == "×" {
				t.Errorf("%s: a sign is heard: %q", screen, h)
			}
		}
	}
	hears("Plan", plan, "heading: Plan: Towpath white", "radio: 2 lb", "StaticText: 1 cup and a third of a cup",
		"StaticText: 1 tablespoon and 1 teaspoon",
		"button: water", "list: Layers from the floor of the pan upwards", "region: Time ribbon", ": press Start",
		": bake, ", "button: To the bench")
	order := func(what string) int {
		return slices.IndexFunc(plan, func(h string) bool { return strings.Contains(h, what) })
	}
	if !(order("radio: 2 lb") < order("Measure, in this order") &&
		order("Measure, in this order") < order("In the pan") && order("In the pan") < order("Settings") &&
		order("Settings") < order("Time ribbon")) {
		t.Error("the sheet is not heard in the order of the work")
	}
	toBench(p)
	for step := "tools"; !strings.HasPrefix(step, "measure"); {
		p.Click("Next")
		step = on(p, step)
	}
	hears("Bench", p.Heard(), "StaticText: 1 cup and a third of a cup", "button: Next")
	for path, wants := range map[string][]string{
		"/watch/" + bake:   {"timer", "button: End this bake early", ": bake, "},
		"/verdict/" + bake: {"radiogroup: Mark", "radio: 1: ", "textbox: What to remember"},
		"/log":             {"heading: Log", "link: "},
		"/recipes":         {"searchbox: Find", "link: Plan : Towpath white"},
		"/machines":        {"link: Compare cycles : Galley machine"},
		"/kitchen":         {"heading: "},
		"/day/2026-12-24": {"heading: Thursday 24 December", "navigation: Days", "button: Put a loaf on the day",
			"heading: Your tasks"},
	} {
		p.Go(s.URL + path)
		p.Until("the page", "document.querySelector('h1') && !shows('One moment') && !shows('Loading recipes') "+
			"&& !shows('Planning the day')")
		p.Settled()
		hears(fmt.Sprint(path), p.Heard(), wants...)
	}
}
