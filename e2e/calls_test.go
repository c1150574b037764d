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
	p.Sees("Alerts on this device")
	p.Click("Test: Action needed")
	p.Click("For information: chime")
	p.Click("no sound")
	p.Reload()
	p.Sees("no sound")
	axe(t, p, "Alerts on this device")
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

// Salt that was left out: found by a word, answered for where the bake stands, noted, and taken back.
func TestSomethingElseHappenedIsAnswered(t *testing.T) {
	s := serve(t)
	id := started(t, s, "Towpath white")
	later(t, s, "12m")
	p := open(t, s.URL+"/watch/"+id)
	p.Click("Something else happened")
	p.Type("Search what happened", "salt")
	p.Until("what is called so alone", "!shows('Too large a size was chosen') && shows('Salt was left out')")
	axe(t, p, "Something else happened")
	p.Click("salt was left out")
	p.Sees("finely over the dough")
	p.Sees("You can do this until ")
	axe(t, p, "An answer to what happened")
	p.Click("Note it with this bake")
	p.Click("Take back: what went otherwise")
	p.Until("nothing more to take back", "!shows('Take back: what went otherwise')")
}

// What happens on the way of one loaf, each found in its group and answered for its minute.
func TestWhateverHappensIsAnsweredOnItsWay(t *testing.T) {
	s := serve(t)
	id := started(t, s, "Towpath white")
	p := open(t, s.URL+"/watch/"+id)
	ahead := ""
	for _, c := range []struct {
		at, group, event string
		says             []string
	}{
		{"3m", "pressed or set", "too small a size was chosen", []string{"Set the right size and start again"}},
		{"3m", "pressed or set", "another button was pressed, and the display counts on", []string{"Leave it"}},
		{"3m", "pan, paddle or lid", "the paddle is not in", []string{"Pull the plug", "fit the paddle"}},
		{"12m", "forgotten or too much", "yeast was left out", []string{"dry over the dough now"}},
		{"12m", "forgotten or too much", "salt went in twice", []string{"sweet butter"}},
		{"12m", "add-ins and shaping", "the dispenser did not open", []string{"Empty it by hand"}},
		{"12m", "heard or smelt", "the machine walks on the worktop", []string{"by its sides"}},
		{"12m", "spoilt or unsafe", "a chip of the pan's coating is in it", []string{"Throw the dough away"}},
		{"12m", "pressed or set", "Stop was pressed, and the display is back at its start",
			[]string{"Set cycle, size and crust as before", "I started it again"}},
		{"112m", "pressed or set", "too small a size was chosen", []string{"Measure its middle at its end"}},
		{"112m", "add-ins and shaping", "the dispenser did not open", []string{"Leave them out"}},
		{"112m", "seen in the pan", "the dough touches the lid", []string{"Prick it"}},
		{"112m", "forgotten or too much", "salt was left out", []string{"Leave it out"}},
		{"112m", "pan, paddle or lid", "the lid stood open", []string{"Shut it"}},
		{"172m", "heard or smelt", "thick smoke or a flame", []string{"Pull the plug", "No water, no hand inside"}},
		{"172m", "heard or smelt", "a little smoke, and it smells of toast or sugar", []string{"Leave it, with the lid shut"}},
		{"172m", "pressed or set", "Stop was pressed, and the display is back at its start", []string{"at once, for"}},
		{"232m", "at the end", "it will not come out", []string{"turn the nut under the pan"}},
		{"232m", "at the end", "it is to be sliced at once", []string{"Let it cool on a rack"}},
		{"532m", "at the end", "it was forgotten in the pan", []string{"Let it dry on a rack"}},
	} {
		if c.at != ahead {
			ahead = c.at
			later(t, s, ahead)
		}
		p.Go(s.URL + "/watch/" + id)
		p.Until("the bake", "document.querySelector('[data-phase]')")
		p.Click("Something else happened")
		p.Sees("What happened?")
		p.Click(c.group)
		p.Click(c.event)
		for _, say := range c.says {
			p.Sees(say)
		}
	}
	p.Click("Something else")
	p.Click("it is not done inside")
	p.Sees("Bake on for")
	p.Type("The middle of the loaf, if you measured it", "88")
	p.Keys("\r")
	p.Sees("Bake on for")
	p.Type("The middle of the loaf, if you measured it", "94")
	p.Keys("\r")
	p.Sees("It is done: turn it out")
}

// Meat that was forgotten in the machine is thrown away.
func TestMeatThatWasForgottenIsThrownAway(t *testing.T) {
	s := serve(t)
	id := started(t, s, "Winter mooring meat loaf")
	later(t, s, "9h")
	p := open(t, s.URL+"/watch/"+id)
	p.Until("the bake", "document.querySelector('[data-phase]')")
	p.Click("Something else happened")
	p.Click("at the end")
	p.Click("it was forgotten in the pan")
	p.Sees("Throw it away")
}

// A cycle that is started again runs from its beginning, and its moments are to come anew.
func TestACycleStartedAgainRunsAnew(t *testing.T) {
	s := serve(t)
	id := started(t, s, "Towpath white")
	later(t, s, "12m")
	p := open(t, s.URL+"/watch/"+id)
	p.Sees("Ready: take the loaf out")
	ready := p.Text("[data-moment=ready] .figures")
	p.Click("Something else happened")
	p.Click("pressed or set")
	p.Click("Stop was pressed, and the display is back at its start")
	p.Click("I started it again")
	p.Until("a later loaf", "document.querySelector('[data-moment=ready] .figures').innerText !== "+quoted(ready))
	p.Click("Take back: started again")
	p.Until("the loaf as before", "document.querySelector('[data-moment=ready] .figures').innerText === "+quoted(ready))
}
