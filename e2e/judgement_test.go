package e2e

import (
	"testing"
)

// Rolls for seven: the machine has done with the dough an hour and a quarter before, and the bake goes on after it.
func TestADoughForSeven(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL)
	p.Sees("In the pan")
	choose(p, "Swing-bridge rolls")
	p.Until("its dough cycle", "document.querySelector('[data-cycle]')?.dataset.cycle === 'dough'")
	p.Click("Eaten at")
	p.Type("Ready time", "19:00\r")
	p.Until("eaten at seven, or some minutes before",
		"/^(18:5\\d|19:00)$/.test(document.querySelector('[data-ready]')?.innerText)")
	p.Until("the dough is ready 75 minutes before", `(() => {
		const [dough, eaten] = [...document.querySelectorAll('dl .figures.text-xl')].map(e => e.innerText).filter(t => /^\d\d:\d\d$/.test(t)).map(t => t.split(':').map(Number));
		return eaten[0] * 60 + eaten[1] - dough[0] * 60 - dough[1] === 75;
	})()`)
	p.Sees("15 min to shape it, 40 min to rise, 20 min in the oven")
	p.Sees("into the oven")
	axe(t, p, "A dough's plan")
	p.Click("Start now")
	p.Until("no delay", "document.querySelector('[data-timer]')?.innerText === 'no delay'")
	p.Click("Start the bake")
	p.Until("what to set", "document.querySelector('[role=dialog] ol')")
	p.Click("I have pressed Start")
	p.Until("the countdown", "document.querySelector('[data-countdown]')")
	p.Sees("take it out and shape it")
	p.Sees("Out of the oven")
}

// A machine that begins at 1 1/2 lb bakes a recipe for 1 lb: with its own setting, a lighter crust and an early look.
func TestASmallLoafInABigMachine(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL+"/machines")
	p.Click("Add a machine")
	p.Click("From nothing")
	p.Type("Your own name for it", "Mill machine")
	p.Click("Save machine")
	p.Sees("In the pan")
	choose(p, "Boathook rye")
	p.Sees("no setting for a loaf of 1 lb. The panel is set to 1 1/2 lb")
	p.Sees("Look early")
	p.Until("a pound of dough", "document.querySelector('[data-grams=\"bread-flour\"]')?.innerText.includes('188 g')")
	toBench(p)
}

// A kitchen that nobody has set up keeps the clock of the browser that opens it first, and no other after that.
func TestAFirstKitchenTakesTheZoneOfItsBrowser(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL)
	p.Sees("In the pan")
	p.Zone("America/New_York")
	p.Go(s.URL + "/kitchen")
	p.Click("Quiet hours & away")
	p.Until("the browser's zone", "field('Time zone')?.value === 'America/New_York'")
	p.Zone("Asia/Tokyo")
	p.Reload()
	p.Click("Quiet hours & away")
	p.Until("the zone that was kept", "field('Time zone')?.value === 'America/New_York'")
	p.Type("Time zone", "Boat time\r")
	p.Sees("is no time zone")
}
