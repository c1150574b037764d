package e2e

import (
	"context"
	"strings"
	"testing"

	"risepan/e2e/drive"
)

// A whole loaf as a baker goes: recipe, size, delay, refusal, start, watch, a crash of the server in
// the middle, the loaf out, the verdict, the log.
func TestALoafFromTheShelfToTheLog(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL)
	p.Sees("In the pan")

	choose(p, "Sluice-gate egg loaf")
	p.Until("the written amounts", "document.querySelector('[data-amount=egg]')")
	if got := amount(p, "milk"); got != "1/2+1/4cup" {
		t.Errorf("at its written size the milk is %q", got)
	}
	p.Click("2 lb")
	p.Until("the flour of 2 lb", "document.querySelector('[data-grams=bread-flour]').innerText.includes('500 g')")
	if got := amount(p, "egg"); got != "1" {
		t.Errorf("1 1/3 eggs are shown as %q, want 1", got)
	}
	if got := grams(p, "milk"); got != "259 g" {
		t.Errorf("the milk that makes up for the egg is %q, want 259 g", got)
	}
	p.Click("whole milk")
	p.Sees("Whole eggs bring 13 g less water")
	p.Click("Back to the panel")

	p.Click("Ready by")
	p.Sees("use the timer with whole milk and large egg")
	p.Until("no way to start", "document.evaluate(\"//button[.='Fix the warning first']\", document).iterateNext()?.disabled")
	axe(t, p, "Plan with a refused delay")

	choose(p, "Mooring raisin loaf")
	p.Until("a delay for the raisin loaf", "/^\\d+ h \\d0$/.test(document.querySelector('[data-timer]')?.innerText "+
		"?? '')")
	p.Click("Day:")
	p.Click("tomorrow")
	p.Type("Ready time", "7\r")
	p.Until("seven o'clock in the address", "new URLSearchParams(location.search).get('ready')?.endsWith('T07:00')")
	p.Sees("Set aside for the beep")
	p.Click("Machine:")
	p.Click("Boatyard machine")
	p.Sees("dry first")
	p.Until("2 lb refused with a reason", "document.querySelector('input[aria-label^=\"2 lb\"]')?.disabled && "+
		"shows('has no setting for it')")
	if got := drive.Value[string](p,
		"document.querySelector('[aria-label^=\"Layers\"] li').innerText"); !strings.HasPrefix(got,
		"active dry yeast") {
		t.Errorf("dry first, the floor of the pan is %q", got)
	}
	axe(t, p, "Plan")

	p.Click("Machine:")
	p.Click("Galley machine")
	p.Sees("wet first")
	p.Click("Start now")
	p.Until("no delay", "document.querySelector('[data-timer]')?.innerText === 'no delay'")
	p.Click("Start the bake")
	p.Until("what to set", "document.querySelector('[role=dialog] ol')")
	axe(t, p, "Start")
	p.Click("I have pressed Start")
	p.Until("a countdown", "/^\\d+:\\d\\d$/.test(document.querySelector('[data-countdown]')?.innerText ?? '')")
	axe(t, p, "Watch")
	p.Click("Done : Look at the dough ball.")
	p.Until("the look ticked off", "document.querySelector('[data-moment=look] button').innerText.startsWith('Undo')")
	address := drive.Value[string](p, "location.href")

	s.Kill()
	p.Sees("does not answer; asking again")
	if err := s.Start(context.Background()); err != nil {
		t.Fatal(err)
	}
	p.Until("the server's return to be noticed", "!shows('does not answer')")
	p.Reload()
	p.Until("the same bake after the crash", "document.querySelector('[data-countdown]') && "+
		"document.querySelector('[data-moment=look] button').innerText.startsWith('Undo')")
	if now := drive.Value[string](p, "location.href"); now != address {
		t.Errorf("after the crash the page is at %s, was at %s", now, address)
	}
	p.Keys("p")
	p.Sees("Measure, in this order")
	p.Until("the running bake on Plan", "document.querySelector('a[href^=\"/watch/\"] .figures')")

	// Four hours on, by the server's own clock.
	s.Kill()
	if err := s.Start(context.Background(), "--ahead", "4h"); err != nil {
		t.Fatal(err)
	}
	p.Go(address)
	p.Sees("Take it out")
	axe(t, p, "Watch when ready")
	takeOut(p)
	p.Sees("What to remember")
	axe(t, p, "Verdict")
	p.Click("4: good")
	p.Type("What to remember", "Raisins whole, crumb even.")
	p.Click("Save to log")
	p.Sees("What went in")
	p.Sees("Raisins whole, crumb even.")
	axe(t, p, "A logged bake")
	p.Keys("l")
	p.Until("the log with the new bake on top", "document.querySelector('[data-bake]')?.innerText.includes('Raisins "+
		"whole, crumb even.')")
	axe(t, p, "Log")
	top := p.Text("[data-bake]")
	for _, want := range []string{"Mooring raisin loaf", "1 1/2 lb", "Galley machine", "4 Sweet"} {
		if !strings.Contains(top, want) {
			t.Errorf("the log's newest entry lacks %q: %s", want, top)
		}
	}
	p.Click("Mooring raisin loaf")
	p.Sees("What went in")
	if strings.Contains(s.Said(), "panic") {
		t.Errorf("the server panicked:\n%s", s.Said())
	}
}

func TestEverythingWorksByKeyboard(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL)
	p.Sees("In the pan")
	p.Keys("3")
	p.Until("2 lb by its key", "document.querySelector('label:has(input:checked)')?.innerText.startsWith('2')")
	p.Keys("1")
	p.Until("1 lb by its key", "document.querySelector('label:has(input:checked)')?.innerText.startsWith('1 lb')")
	p.Keys("?")
	p.Sees("Keyboard shortcuts")
	axe(t, p, "Help")
	p.Keys("\x1b")
	p.Until("the help closed", "!shows('Keyboard shortcuts')")
	Focus(p, "[aria-label='Recipe']")
	p.Keys(" ")
	p.Until("the recipes", "document.querySelector('[role=listbox]')")
	p.Keys("wind\r") // a part of its name
	p.Until("a recipe by a part of its name", "document.querySelector('h1').innerText.includes('Winding-hole')")
	Focus(p, "[data-start]")
	p.Keys("\r")
	p.Until("the start", "document.querySelector('[role=dialog] ol')")
	p.Keys("\r")
	p.Until("the bake runs", "document.querySelector('[data-countdown]')")
	p.Keys("l")
	p.Sees("baking now")
	p.Keys("w")
	p.Until("the bake again", "document.querySelector('[data-countdown]')")
}

// Focus goes to a control with the Tab key, as somebody without a mouse does.
func Focus(p *drive.Page, selector string) {
	for range 60 {
		if drive.Value[bool](p, "document.activeElement?.matches(`"+selector+"`) ?? false") {
			return
		}
		p.Keys("\t")
	}
	p.Until("Tab to reach "+selector, "false")
}

func TestAnEmptyKitchenTellsTheFirstStep(t *testing.T) {
	s := serve(t, "--empty")
	p := open(t, s.URL)
	p.Sees("From a recipe to a loaf on your bread machine")
	axe(t, p, "Plan of an empty kitchen")
	p.Keys("l")
	p.Sees("No bake yet")
	p.Keys("w")
	p.Sees("Nothing is baking")
	axe(t, p, "Watch without a bake")
	p.Keys("p")
	p.Click("Try it with the sample kitchen")
	p.Sees("Measure, in this order")
}

func TestBadTimesAreToldAtTheField(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL+"/?ready=2020-01-01T07:00")
	p.Sees("has passed")
	p.Type("Ready time", "noonish\r")
	p.Sees("Write a time such as 7:00")
	p.Type("Ready time", "7:30 pm\r")
	p.Until("the time to be read", "new URLSearchParams(location.search).get('ready')?.endsWith('T19:30')")
	for _, bad := range []string{"/?recipe=none&size=9+lb&crust=burnt&cycle=jam", "/watch/none",
		"/log/01a20b86-4787-7116-b0c7-8cdb76f46303", "/nowhere"} {
		p.Go(s.URL + bad)
		p.Until("a page for "+bad, "document.querySelector('[role=alert], h1')")
	}
}

// Start is never offered for what the timer cannot hold, nor for a machine that is baking.
func TestStartIsNotOfferedTooEarlyNorOnABusyMachine(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL)
	p.Sees("In the pan")
	choose(p, "Mooring raisin loaf")
	p.Click("Ready by")
	p.Click("Day:")
	p.Click("tomorrow")
	p.Type("Ready time", "23:50\r")
	p.Sees("Load the pan later and press Start at")
	p.Until("Start to wait for its hour", "document.querySelector('[data-start]').disabled && "+
		"document.querySelector('[data-start]').innerText.startsWith('Start at')")

	p.Click("Start now")
	p.Until("no delay", "document.querySelector('[data-timer]')?.innerText === 'no delay'")
	p.Click("Start the bake")
	p.Until("what to set", "document.querySelector('[role=dialog] ol')")
	p.Click("I have pressed Start")
	p.Sees("Look at the dough ball")
	p.Go(s.URL)
	p.Sees("the next start is at")
	axe(t, p, "A busy machine")
	p.Until("Start to wait for the machine", "document.querySelector('[data-start]').disabled && "+
		"shows(document.querySelector('[data-start]').innerText.replace('Start at', 'the next start is at'))")
	p.Click("Machine:")
	p.Click("Boatyard machine")
	p.Until("the other machine to be free", "!document.querySelector('[data-start]').disabled && !shows('the next "+
		"start is at')")
}
