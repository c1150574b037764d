package e2e

import (
	"testing"

	"risepan/e2e/drive"
)

// A moment of a running bake calls on whatever screen is open; how, is chosen and tried on the Kitchen screen.
func TestAMomentCallsFromEveryScreen(t *testing.T) {
	s := serve(t)
	startLoaf(t, s)
	p := open(t, s.URL+"/recipes")
	p.Sees("Write a new one")
	p.Still()
	later(t, s, "8m") // the dough ball is looked at seven minutes in, while the page slept
	p.Until("the call", "document.querySelector('[data-call]')?.dataset.call.includes('Look at the dough ball')")
	p.Until("the edge to light up, and not to flash where nothing shall move",
		"document.querySelector('.calls') && getComputedStyle(document.querySelector('.calls')).animationName === "+
			"'none'")
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

// A machine that will not start, too hot from the last loaf: told at once, waited for by the clock, and all that
// is to come moves with it.
func TestAMachineThatRefusesToStart(t *testing.T) {
	s := serve(t)
	id := startLoaf(t, s)
	p := open(t, s.URL+"/watch/"+id)
	p.Sees("The times are not right")
	ready := drive.Value[string](p, "document.querySelector('[data-moment=ready] .figures').innerText")
	p.Click("The times are not right")
	p.Click("too hot")
	p.Sees("The machine refuses to start: it is too hot")
	p.Sees("Leave the lid open for 25 min.")
	p.Until("the wait counted down", "/^2[45]:\\d\\d$/.test(document.querySelector('[data-countdown]').innerText)")
	axe(t, p, "A machine that refuses to start")
	p.Until("a later loaf", "document.querySelector('[data-moment=ready] .figures').innerText !== "+quoted(ready))
	p.Click("It has started")
	p.Until("it kneads", "document.querySelector('[data-phase]').innerText.startsWith('Kneading')")
	p.Click("Take back: Start pressed again")
	p.Sees("The machine refuses to start")
}

// Salt that was left out and smoke: found by a word, answered for where the bake stands, noted, and taken back.
func TestSomethingElseHappenedIsAnswered(t *testing.T) {
	s := serve(t)
	id := started(t, s, "Towpath white")
	later(t, s, "12m")
	p := open(t, s.URL+"/watch/"+id)
	p.Click("Something else happened")
	p.Type("A word for it", "salt")
	p.Until("what is called so alone", "!shows('The wrong size was chosen') && shows('Salt was left out')")
	axe(t, p, "Something else happened")
	p.Click("salt was left out")
	p.Sees("pour it over the dough")
	p.Sees("Until ")
	axe(t, p, "An answer to what happened")
	p.Click("Note it with this bake")
	p.Click("Take back: what went otherwise")
	p.Until("nothing more to take back", "!shows('Take back: what went otherwise')")
	later(t, s, "190m")
	p.Go(s.URL + "/watch/" + id)
	p.Click("Something else happened")
	p.Type("A word for it", "smoke")
	p.Click("it smokes, or smells burnt")
	p.Sees("pull the plug")
	p.Sees("No water, no hand inside")
}
