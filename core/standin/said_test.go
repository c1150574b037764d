package standin_test

import (
	"fmt"
	"testing"
	"time"

	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/readtest"
	"risepan/core/standin"
	"risepan/demo"
)

// The stand-in's dough at every half hour and its loaf, under one change of each kind.
func TestWhatTheDoughComesTo(t *testing.T) {
	changes := map[string][]func(*trial){
		"yeast": {yeast(0), yeast(.5), yeast(2), yeast(3)}, "salt": {salt(0), salt(.5), salt(2)}, "water": {water(-12),
			water(-5), water(6), water(14)},
		"sugar": {sugar(0), sugar(14), sugar(25)}, "fat": {fat(0), fat(20)}, "grain": {grain(40), grain(100)},
		"room":   {room(12), room(32)},
		"liquid": {liquid(8), liquid(58)}, "strong": {func(c *trial) { c.strong = .6 }},
		"paddle": {func(c *trial) { c.noPaddle = true }},
	}
	var all []readtest.Said
	for _, what := range []string{"yeast", "salt", "water", "sugar", "fat", "grain", "room", "liquid", "strong",
		"paddle"} {
		for n, change := range changes[what] {
			for _, cycle := range []string{"basic", "rapid"}[:1+n%2] {
				c := usual.with(change).with(func(c *trial) {
					if m, ok := demo.Galley().Cycle(cycle); ok {
						c.cycle = m.ID
					}
				})
				p := c.programme()
				d := c.put()
				var stood readtest.Rows
				for m := machine.Minutes(60); m < p.Total; m += 60 {
					stood.Add(t, m, c.put().Through(p, m))
				}
				d = d.Through(p, p.Total)
				stood.Add(t, "baked", d.Shape(measure.Millilitres(3580)), c.loaf())
				all = append(all, readtest.Said{Name: fmt.Sprintf("%s %d, %s", what, n+1, cycle), Value: &stood})
			}
		}
	}
	for _, m := range []machine.Machine{demo.Galley(), demo.Boatyard()} {
		for _, c := range m.Cycles {
			var stood readtest.Rows
			for _, timer := range []machine.Minutes{0, m.Delay.Largest / 2 / max(m.Delay.Step, 1) * m.Delay.Step} {
				e := set(standin.New(m, noon), c.ID, m.Sizes[0], timer)
				for n := range 40 {
					if n == 5 {
						e, _ = e.Power(false)
					}
					var events []standin.Event
					e, events = e.Until(e.Now.Add(9 * time.Minute))
					if n == 5 {
						e, _ = e.Power(true)
					}
					if len(events) > 0 {
						stood.Add(t, fmt.Sprintf("timer %s, %d min", timer, 9*(n+1)), events, e.Phase, e.Display,
							e.Wait, e.Into, e.Hot, e.Locked)
					}
					if e.Phase == standin.Paused && n%3 == 0 {
						e, _ = e.Press(m.Full().Start, false)
					}
				}
			}
			all = append(all, readtest.Said{Name: m.Name + ", " + c.Name, Value: &stood})
		}
	}
	readtest.Hold(t, all)
}
