package standin_test

import (
	"slices"
	"testing"
	"time"

	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/standin"
	"risepan/demo"
)

var noon = time.Date(2026, 5, 2, 12, 0, 0, 0, time.UTC)

// set presses a machine's panel to a cycle, a size and a crust, by the presses that a plan would give.
func set(e standin.Engine, cycle string, size measure.LoafSize, timer machine.Minutes) standin.Engine {
	presses, _ := e.Machine.Set(machine.Wanted{Cycle: cycle, Crust: machine.Medium, Size: size, Timer: timer})
	for _, p := range presses {
		for range p.Times {
			e, _ = e.Press(p.Button, false)
		}
	}
	return e
}

// A full cycle of each demo cycle gives the programme's stages, beeps and end, to the minute.
func TestACycleRunsToTheMinute(t *testing.T) {
	for _, m := range []machine.Machine{demo.Galley(), demo.Boatyard()} {
		for _, c := range m.Cycles {
			size := m.Sizes[len(m.Sizes)-1]
			p := c.Programme(size, machine.Medium)
			e := set(standin.New(m, noon), c.ID, size, 0)
			if e.Phase != standin.Running {
				t.Errorf("%s, %s: after Start it is %s", m.Name, c.Name, e.Phase)
				continue
			}
			got := map[string]machine.Minutes{}
			for e.Phase == standin.Running || e.Phase == standin.Paused {
				var events []standin.Event
				e, events = e.Until(e.Now.Add(7 * time.Minute))
				for _, ev := range events {
					if ev.Of != "" {
						got[string(ev.Sound)+" "+ev.Of] = machine.Minutes(ev.At.Sub(noon) / time.Minute)
					}
					if ev.Sound == standin.Done {
						got["done"] = machine.Minutes(ev.At.Sub(noon) / time.Minute)
					}
				}
				if e.Phase == standin.Paused { // no hands are needed: Start again at once
					e, _ = e.Press(m.Full().Start, false)
				}
			}
			shift := machine.Minutes(0) // by what the steps of seven minutes stood in a pause
			for _, s := range p.Stages {
				at, ok := got["stage "+s.ID]
				if s.From > 0 && (!ok || at-s.From < shift || at-s.From > shift+7) {
					t.Errorf("%s, %s: %s begins at %s, want %s", m.Name, c.Name, s.ID, at, s.From)
				}
				if s.From > 0 && !c.Restart && at != s.From {
					t.Errorf("%s, %s: %s begins at %s, want %s", m.Name, c.Name, s.ID, at, s.From)
				}
			}
			for _, ev := range p.Events {
				if at := got["beep "+ev.ID]; at != ev.From && !c.Restart {
					t.Errorf("%s, %s: %s beeps at %s, want %s", m.Name, c.Name, ev.ID, at, ev.From)
				}
			}
			if !c.Restart && got["done"] != p.Total {
				t.Errorf("%s, %s: done at %s, want %s", m.Name, c.Name, got["done"], p.Total)
			}
		}
	}
}

// A delay ends where the timer says: on a finish-based machine the display counts the cycle in, on a start-based not.
func TestADelayRunsOut(t *testing.T) {
	for _, c := range []struct {
		m     machine.Machine
		timer machine.Minutes
		begin machine.Minutes
	}{{demo.Galley(), 600, 600 - 206}, {demo.Boatyard(), 300, 300}} {
		e := set(standin.New(c.m, noon), "basic", measure.LoafPounds(3, 2), c.timer)
		if e.Phase != standin.Waiting {
			t.Fatalf("%s: %s", c.m.Name, e.Phase)
		}
		total := e.Programme().Total
		if c.m.Delay.Rule == machine.FinishBased {
			c.begin = c.timer - total
		}
		_, events := e.Until(noon.Add(24 * time.Hour))
		n := slices.IndexFunc(events, func(ev standin.Event) bool { return ev.Sound == standin.Begins })
		done := slices.IndexFunc(events, func(ev standin.Event) bool { return ev.Sound == standin.Done })
		if at := machine.Minutes(events[n].At.Sub(noon) / time.Minute); at != c.begin {
			t.Errorf("%s begins at %s, want %s", c.m.Name, at, c.begin)
		}
		if at := machine.Minutes(events[done].At.Sub(noon) / time.Minute); at != c.begin+total {
			t.Errorf("%s is done at %s, want %s", c.m.Name, at, c.begin+total)
		}
	}
}

// What a real one does: it refuses while it is hot, a locked panel does nothing, Start held stops, a pause waits.
func TestAMachinesManners(t *testing.T) {
	m := demo.Galley()
	e := set(standin.New(m, noon), "bake", measure.LoafPounds(3, 2), 0)
	e, _ = e.Until(noon.Add(55 * time.Minute))
	if e.Phase != standin.Warm {
		t.Fatalf("after baking it is %s", e.Phase)
	}
	e, _ = e.Press("Start", true)
	if again, events := e.Press("Start", false); again.Phase != standin.Idle || events[0].Sound != standin.TooHot {
		t.Errorf("right after a bake Start does %v", events)
	}
	e, _ = e.Until(e.Now.Add(26 * time.Minute))
	if again, _ := e.Press("Start", false); again.Phase != standin.Running {
		t.Errorf("cooled down, Start leaves it %s", again.Phase)
	}
	e, _ = e.Press("Lock", false)
	if again, events := e.Press("Menu", false); again.Display != e.Display || events[0].Sound != standin.Nothing {
		t.Error("a locked panel moves")
	}
	e = set(standin.New(m, noon), "filled", measure.LoafPounds(3, 2), 0)
	if again, _ := e.Press("Menu", false); again.Display != e.Display {
		t.Error("a running machine changes its menu")
	}
	e, events := e.Until(noon.Add(80 * time.Minute))
	if e.Phase != standin.Paused || events[len(events)-1].Sound != standin.Waits || e.Into != 78*time.Minute {
		t.Fatalf("at 1 h 20 the filled cycle is %s, %s into it", e.Phase, e.Into)
	}
	e, _ = e.Until(noon.Add(3 * time.Hour))
	if e.Into != 78*time.Minute || e.Left() != 96*time.Minute {
		t.Errorf("it did not wait: %s into it, %s left", e.Into, e.Left())
	}
	e, _ = e.Press("Start", false)
	if e, _ = e.Until(e.Now.Add(96 * time.Minute)); e.Phase != standin.Warm {
		t.Errorf("after the pause it ends as %s", e.Phase)
	}
}

// A short cut is bridged, a long one loses the cycle.
func TestPowerCuts(t *testing.T) {
	for minutes, phase := range map[int]standin.Phase{3: standin.Running, 10: standin.Running, 11: standin.Idle} {
		e := set(standin.New(demo.Galley(), noon), "basic", measure.LoafPounds(3, 2), 0)
		e, _ = e.Until(noon.Add(time.Hour))
		e, _ = e.Power(false)
		e, _ = e.Until(e.Now.Add(time.Duration(minutes) * time.Minute))
		e, _ = e.Power(true)
		if e.Phase != phase || phase == standin.Running && e.Into != time.Hour {
			t.Errorf("after %d minutes without power it is %s, %s into it; want %s", minutes, e.Phase, e.Into, phase)
		}
	}
}

// Whatever is pressed, whenever: it never panics, and never comes to what no machine is.
func FuzzPresses(f *testing.F) {
	f.Add([]byte{0, 1, 2, 3, 4, 5, 6, 7, 8, 9})
	f.Add([]byte{4, 4, 4, 40, 41, 4, 200, 4, 250})
	f.Fuzz(func(t *testing.T, script []byte) {
		m := demo.Galley()
		if len(script) > 0 && script[0]%2 == 1 {
			m = demo.Boatyard()
		}
		p := m.Full()
		buttons := []string{p.Menu.Button, p.Size.Button, p.Crust.Button, p.Later, p.Start, p.Sooner, p.Lock, "none"}
		e := standin.New(m, noon)
		for _, b := range script[:min(len(script), 400)] {
			before := e
			switch {
			case b < 160:
				e, _ = e.Press(buttons[int(b)%len(buttons)], b%16 > 12)
			case b < 240:
				e, _ = e.Until(e.Now.Add(time.Duration(b-159) * 5 * time.Minute))
			default:
				e, _ = e.Power(b%2 == 0)
			}
			c := m.Showing(e.Display)
			total := time.Duration(e.Programme().Total) * time.Minute
			switch {
			case e.Now.Before(before.Now), e.Into < 0, e.Into > total, e.Wait < 0, e.Left() < 0:
				t.Fatalf("time runs wrong: %+v", e)
			case c.ID == "", !slices.Contains(standin.Phases, e.Phase):
				t.Fatalf("no such state: %+v", e)
			case e.Phase == standin.Idle && e.Display.Running, (e.Phase == standin.Running ||
				e.Phase == standin.Waiting) && !e.Display.Running:
				t.Fatalf("%s, and the display says running %v", e.Phase, e.Display.Running)
			case e.Phase == standin.Waiting && e.Wait == 0, e.Phase == standin.Paused && !c.Restart:
				t.Fatalf("%s without reason: %+v", e.Phase, e)
			}
		}
	})
}
