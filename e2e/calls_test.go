package e2e

import "testing"

// A moment of a running bake calls on whatever screen is open; how, is chosen and tried on the Kitchen screen.
func TestAMomentCallsFromEveryScreen(t *testing.T) {
	s := serve(t)
	startLoaf(t, s)
	p := open(t, s.URL+"/recipes")
	p.Sees("Write a new one")
	later(t, s, "8m") // the dough ball is looked at seven minutes in, while the page slept
	p.Until("the call", "document.querySelector('[data-call]')?.dataset.call.includes('Look at the dough ball')")
	p.Until("the edge to flash", "document.querySelector('.calls')")
	p.Until("and to stop", "!document.querySelector('.calls')")
	p.Go(s.URL + "/kitchen")
	p.Sees("How this device calls")
	p.Click("Try it: Something to do now")
	p.Click("Good to know: chime")
	p.Click("no sound")
	p.Reload()
	p.Sees("no sound")
	axe(t, p, "How this device calls")
}
