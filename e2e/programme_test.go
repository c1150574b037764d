package e2e

import (
	"fmt"
	"strings"
	"testing"
	"time"
	_ "time/tzdata"

	"github.com/chromedp/chromedp/kb"

	"risepan/demo"
	"risepan/e2e/drive"
)

func TestAMachineFromNothingToItsPresses(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL+"/machines")
	p.Sees("Add a machine")
	axe(t, p, "Machines")
	p.Click("Add a machine")
	p.Click("From nothing")
	p.Type("Your own name for it", "Mill machine")
	p.Click("1 lb")
	p.Click("Hours until done")
	p.Type("It goes in steps of", "0")
	axe(t, p, "A machine")
	p.Click("Stages and beeps")
	p.Type("Minutes of stage 1", "-5")
	axe(t, p, "Stages and beeps")
	p.Click("Save machine")
	p.Sees("a timer goes in steps of 1 to 120 minutes, not 0")
	p.Until("the page of the fault", "field('It goes in steps of')?.ariaInvalid === 'true'")
	p.Type("It goes in steps of", "15")
	p.Click("Save machine")
	p.Sees("a stage lasts from 0 to 1440 minutes, not -5")
	if v := drive.Value[string](p, "field('Minutes of stage 1').value"); v != "-5" {
		t.Errorf("the refused minutes are lost from their field, which holds %q", v)
	}
	p.Reload() // the draft outlives it
	p.Sees("Describe your machine")
	if v := drive.Value[string](p, "field('Your own name for it').value"); v != "Mill machine" {
		t.Errorf("a reload lost the draft: the name is %q", v)
	}
	p.Click("Stages and beeps")
	p.Type("Minutes of stage 1", "25")
	p.Type("Minutes of stage 2", "60")
	p.Click("Add a beep")

	// A second cycle is added and named, a third is a copy of the first with a stage dropped; the end of
	// a stage moves by the arrow keys.
	p.Click("Add a cycle")
	p.Type("Its name", "Whole grain")
	p.Click("Made for: basic")
	p.Click("wholemeal")
	p.Click("I only know the total time")
	p.Type("It takes", "4:00\r")
	p.Sees("Estimated from its total alone")
	p.Type("Minutes of stage 1", "200")
	p.Sees("200 min of rest? Usual is 2 to 90.")
	p.Type("Minutes of stage 1", "30")
	p.Until("nothing asked any more", "!shows('200 min of rest')")
	p.Click("1 Basic")
	p.Click("Copy Basic as a cycle of your own")
	p.Until("the copy", "field('Its name').value === 'Basic, own'")
	p.Click("Remove stage 4, rise")
	drive.Value[bool](p, "(document.querySelector('[aria-label=\"End of stage 4, bake\"]').focus(), true)")
	p.Keys(kb.ArrowRight) // a minute longer
	p.Until("56 minutes of baking", "field('Minutes of stage 4').value === '56'")
	p.Click("Save machine")
	p.Sees("this machine stores 0")
	p.Click("Machine")
	p.Type("Own cycles it can store", "1")
	p.Click("Panel")
	p.Sees("Chooses the cycle")
	axe(t, p, "Panel")
	p.Click("Save machine")
	p.Sees("In the pan")
	p.Until("the plan on it", "document.querySelector('[aria-label=\"Machine: Mill machine\"]')")
	choose(p, "Lock-keeper's wholemeal")
	p.Until("its wholemeal cycle", "document.querySelector('[data-cycle]')?.innerText === '2'")
	p.Click("Ready by")
	p.Until("a delay", "/^\\d+ h \\d\\d$/.test(document.querySelector('[data-timer]')?.innerText)")
	p.Click(p.Text("[data-presses]"))
	p.Sees("What to press")
	axe(t, p, "Presses")
	if shows := p.Text("[data-display]"); !strings.Contains(shows, "2 Whole grain") {
		t.Errorf("the display shows %q", shows)
	}
	p.Click("Back to the panel")
	if p.Text("[data-timer]") == "" {
		t.Error("the timer is gone")
	}
}

func TestCyclesAreComparedSideBySide(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL)
	p.Sees("In the pan")
	choose(p, "Lock-keeper's wholemeal")
	p.Click("why this cycle")
	p.Click("Compare cycles")
	p.Sees("which is long enough for whole grain")
	p.Sees("Beside Wholemeal it rests 28 min less, kneads 3 min longer, rises 15 min less, bakes 3 min less")
	axe(t, p, "Compare")
	if n := drive.Value[int](p, "document.querySelectorAll('[data-compared]').length"); n < 2 {
		t.Fatalf("%d cycles are compared", n)
	}
	p.Click("3 Crusty")
	p.Until("a third", "document.querySelector('[data-compared=crusty]')")
	p.Click("5 Rapid")
	p.Until("one fewer", "!document.querySelector('[data-compared=rapid]')")
	p.Reload()
	p.Until("the same cycles after a reload", "document.querySelector('[data-compared=crusty]') && "+
		"!document.querySelector('[data-compared=rapid]')")
}

func TestAListThatComesWhileTheButtonIsDownOpens(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL)
	p.Sees("In the pan")
	const list = "!!target('Machine:').id"
	if drive.Value[bool](p, list) {
		t.Skip("the list was there before it could be pressed")
	}
	release := p.Hold("Machine:")
	p.Until("the list's own button", list)
	release()
	p.Sees("Boatyard machine")
}

func TestTheBakersOwnChoiceAndWishesAreKept(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL)
	p.Sees("In the pan")
	choose(p, "Mooring raisin loaf")
	cycle := func(want string) {
		t.Helper()
		p.Until("cycle "+want, fmt.Sprintf("document.querySelector('[data-cycle]')?.dataset.cycle === %q || "+
			"document.querySelector('h2.text-lg')?.innerText.toLowerCase().includes(%q)", want, want))
	}
	p.Click("why this cycle")
	p.Click("1 Basic")
	p.Sees("Your own choice")
	p.Click("Back to the panel")
	cycle("basic")
	p.Reload()
	cycle("basic") // remembered for this recipe on this machine
	p.Click("Machine:")
	p.Click("Boatyard machine")
	cycle("sweet") // and for no other
	p.Click("Machine:")
	p.Click("Galley machine")
	cycle("basic")
	p.Click("why this cycle")
	p.Click("Use suggestion")
	cycle("sweet")
	p.Type("I have this much time", "soon\r")
	p.Sees("such as 2:30")
	p.Type("I have this much time", "2:00\r")
	cycle("rapid")
	p.Type("I have this much time", kb.Backspace+"\r")
	cycle("sweet")
	p.Click("Nobody is there at the beep")
	p.Sees("Nobody is there for the beep, so the add-ins go in at the start")
	p.Click("Back to the panel")
	p.Until("nothing set aside", "!shows('Set aside for the beep')")
	p.Click("how")
	p.Click("By hand, at the beep")
	p.Until("set aside again", "shows('Set aside for the beep')")
	axe(t, p, "Add-ins")

	// A beep in your quiet hours is said, with ways out.
	p.Click("Kitchen")
	p.Click("Quiet hours & away")
	p.Type("Quiet from", "0:00\r")
	p.Type("Quiet until", "23:59\r")
	p.Until("the hours kept", "field('Quiet until').value === '23:59' && shows('Saved.')")
	p.Click("Plan")
	choose(p, "Mooring raisin loaf")
	p.Sees("in your quiet hours")
	p.Click("Put them in at the start")
	p.Until("nobody woken", "!shows('in your quiet hours')")
}

// nextChange is the next night on which London's clocks change, at noon of the day before.
func nextChange(now time.Time, zone *time.Location) time.Time {
	for d := 1; ; d++ {
		noon := time.Date(now.Year(), now.Month(), now.Day()+d, 12, 0, 0, 0, zone)
		_, a := noon.Zone()
		if _, b := noon.AddDate(0, 0, 1).Zone(); a != b {
			return noon
		}
	}
}

// In the evening before the clocks change, bread for seven in the morning is an hour nearer or further
// than the clocks say, and the timer knows.
func TestADelayAcrossTheNightWhenTheClocksChange(t *testing.T) {
	zone, err := time.LoadLocation(demo.Zone)
	if err != nil {
		t.Fatal(err)
	}
	evening := nextChange(time.Now(), zone).Add(8 * time.Hour)
	ahead := time.Until(evening).Round(time.Minute)
	s := serve(t, "--ahead", ahead.String())
	p := open(t, s.URL)
	p.Sees("In the pan")
	p.Click("Ready by")
	p.Type("Ready time", "7:00\r")
	p.Until("bread at seven", "document.querySelector('[data-ready]')?.innerText.startsWith('06:5') || "+
		"document.querySelector('[data-ready]')?.innerText === '07:00'")
	press, err := time.ParseInLocation("15:04", drive.Value[string](p, "document.body.innerText.match(/Press Start "+
		"at (\\d\\d:\\d\\d)/)[1]"), zone)
	if err != nil {
		t.Fatal(err)
	}
	start := time.Date(evening.Year(), evening.Month(), evening.Day(), press.Hour(), press.Minute(), 0, 0, zone)
	ready := time.Date(evening.Year(), evening.Month(), evening.Day()+1, 7, 0, 0, 0, zone)
	want := ready.Sub(start).Truncate(10 * time.Minute) // as the galley machine's timer goes
	if got := p.Text("[data-timer]"); got != fmt.Sprintf("%d h %02d", int(want.Hours()), int(want.Minutes())%60) {
		t.Errorf("from %s to %s the timer is set to %s, want %v", start, ready, got, want)
	}
	// The same plan, opened later than it was made, is worked out anew and says so.
	drive.Value[bool](p, "(Object.keys(sessionStorage).filter(k => k.includes('timer')).forEach(k => "+
		"sessionStorage.setItem(k, '777')), true)")
	p.Reload()
	p.Sees("the timer was to show 12 h 57, and is worked out again from now")
	byTheClock := time.Duration(24-press.Hour()+7)*time.Hour - time.Duration(press.Minute())*time.Minute
	if off := want - byTheClock.Truncate(10*time.Minute); off != time.Hour && off != -time.Hour {
		t.Errorf("the night is as long as any other: off by %v", off)
	}
}
