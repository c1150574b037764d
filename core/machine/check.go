package machine

import (
	"fmt"
	"slices"

	"risepan/core/fault"
	"risepan/core/pan"
	"risepan/core/validate"
)

// What a home machine can be, at the most.
const (
	longestStage  Minutes = 24 * 60
	longestDelay  Minutes = 24 * 60
	longestWarm   Minutes = 12 * 60
	longestCool   Minutes = 3 * 60
	longestSide           = 500 // mm
	mostCycles            = 40
	mostStages            = 20
	mostBeeps             = 6
	mostMemory            = 20
	mostPaddles           = 2
	mostSizes             = 6
	mostVaried            = 24 // lengths of one stage
	mostPips              = 30
	longName              = 60
	longPanel             = 24   // what the panel shows of a cycle
	largestHopper         = 1000 // ml
)

// LeastFill and MostFill bound how much of the usual volume a machine's loaves reach.
const (
	LeastFill = 0.7
	MostFill  = 1.3
)

// Check reports the first thing about the machine that cannot be, as a *fault.Fault at its field.
func (m Machine) Check() error {
	if err := validate.First(validate.Name("/name", "the machine", m.Name, longName), validate.Check(m)); err != nil {
		return err
	}
	switch {
	case len(m.Sizes) == 0:
		return fault.At("/sizes", "a machine bakes at least one loaf size")
	case !apart(m.Sizes):
		return fault.At("/sizes", "a size stands there twice")
	case !apart(m.Crusts):
		return fault.At("/crusts", "a crust stands there twice")
	case len(m.Sizes) > mostSizes:
		return fault.At("/sizes", "%d sizes are too many: at most %d", len(m.Sizes), mostSizes)
	case m.Loading == pan.Batter:
		return fault.At("/loading", "say in which order the booklet loads the pan: wet first or dry first")
	case m.Paddles.Count < 0 || m.Paddles.Count > mostPaddles:
		return fault.At("/paddles/count", "a pan has one paddle or two, not %d", m.Paddles.Count)
	case !(m.Dispenser >= 0 && m.Dispenser <= largestHopper):
		return fault.At("/dispenser", "a dispenser holds 0 to %d ml, not %g", largestHopper, float64(m.Dispenser))
	case m.KeepWarm < 0 || m.KeepWarm > longestWarm:
		return fault.At("/keepWarm", "keep warm lasts 0 to %d minutes, not %d", longestWarm, m.KeepWarm)
	case m.CoolDown < 0 || m.CoolDown > longestCool:
		return fault.At("/coolDown", "a machine cools down in 0 to %d minutes, not %d", longestCool, m.CoolDown)
	case !(m.KneadRise >= 0 && m.KneadRise <= 15):
		return fault.At("/kneadRise", "kneading warms the dough by 0 to 15 °C, not %g", float64(m.KneadRise))
	case m.Browns < -1 || m.Browns > 1:
		return fault.At("/browns", "a crust comes out one shade darker, one paler, or as it is set: 1, -1 or 0")
	case m.Fills != 0 && !(m.Fills >= LeastFill && m.Fills <= MostFill):
		return fault.At("/fills", "loaves reach %g to %g of the usual volume, not %g", LeastFill, MostFill, m.Fills)
	case m.Memory < 0 || m.Memory > mostMemory:
		return fault.At("/memory", "a machine stores 0 to %d cycles of your own, not %d", mostMemory, m.Memory)
	case len(m.Cycles) == 0:
		return fault.At("/cycles", "a machine has at least one cycle")
	case len(m.Cycles) > mostCycles:
		return fault.At("/cycles", "%d cycles are too many: at most %d", len(m.Cycles), mostCycles)
	}
	for _, side := range []struct {
		name string
		mm   int
	}{{"length", m.Vessel.Length}, {"width", m.Vessel.Width}, {"depth", m.Vessel.Depth}} {
		if side.mm <= 0 || side.mm > longestSide {
			return fault.At("/vessel/"+side.name, "the pan's %s is 1 to %d mm, not %d", side.name, longestSide, side.mm)
		}
	}
	if err := m.Delay.check(); err != nil {
		return err
	}
	own := 0
	for n, c := range m.Cycles {
		at := fmt.Sprintf("/cycles/%d", n)
		if slices.ContainsFunc(m.Cycles[:n], func(o Cycle) bool { return o.ID == c.ID }) || c.ID == "" {
			return fault.At(at+"/id", "every cycle needs an id of its own, and %q is empty or used twice", c.ID)
		}
		if err := m.checkCycle(at, c); err != nil {
			return err
		}
		if c.Own {
			own++
		}
	}
	if own > m.Memory {
		return fault.At("/memory", "%d cycles of your own do not fit: this machine stores %d", own, m.Memory)
	}
	return m.checkPanel()
}

func apart[T comparable](s []T) bool {
	for n := range s {
		if slices.Contains(s[:n], s[n]) {
			return false
		}
	}
	return true
}

func (d Delay) check() error {
	switch timer := d.Rule != NoTimer; {
	case !timer && d.Step != 0:
		return fault.At("/delay/rule", "say what the timer counts: hours until done, or until it begins")
	case timer && (d.Step <= 0 || d.Step > 120):
		return fault.At("/delay/step", "a timer goes in steps of 1 to 120 minutes, not %d", d.Step)
	case timer && (d.Largest < d.Step || d.Largest > longestDelay):
		return fault.At("/delay/largest", "a timer's largest value is one step to %s, not %s", longestDelay, d.Largest)
	}
	return nil
}

func (m Machine) checkCycle(at string, c Cycle) error {
	if err := validate.First(validate.Name(at+"/name", "the cycle", c.Name, longName), validate.Short(at+"/panel",
		"what the panel shows", c.Panel, longPanel),
		validate.Short(at+"/id", "the cycle's id", c.ID, longName), validate.Short(at+"/onCrust",
			"the crust button's value", c.OnCrust, longPanel)); err != nil {
		return err
	}
	if c.With != "" || c.OnCrust != "" {
		base, ok := m.Cycle(c.With)
		switch {
		case !ok || base.ID == c.ID || base.With != "":
			return fault.At(at+"/with", "say with which cycle %s shares its place on the menu", c.Name)
		case c.OnCrust == "" || slices.Contains(m.Crusts, Crust(c.OnCrust)):
			return fault.At(at+"/onCrust", "say which value of the crust button chooses %s: it is none of the crusts",
				c.Name)
		case slices.ContainsFunc(m.Cycles, func(o Cycle) bool {
			return o.ID != c.ID && o.With == c.With &&
				o.OnCrust == c.OnCrust
		}):
			return fault.At(at+"/onCrust", "another cycle is chosen by %q there", c.OnCrust)
		}
	}
	switch {
	case len(c.Stages) == 0:
		return fault.At(at+"/stages", "%s has no stages", c.Name)
	case len(c.Stages) > mostStages:
		return fault.At(at+"/stages", "%d stages are too many: at most %d", len(c.Stages), mostStages)
	case len(c.Beeps) > mostBeeps:
		return fault.At(at+"/beeps", "%d beeps are too many: at most %d", len(c.Beeps), mostBeeps)
	}
	for n, s := range c.Stages {
		stage := fmt.Sprintf("%s/stages/%d", at, n)
		if len(s.Vary) > mostVaried {
			return fault.At(stage+"/vary", "%d lengths are too many: at most %d", len(s.Vary), mostVaried)
		}
		for _, length := range append([]Variation{{Minutes: s.Minutes}}, s.Vary...) {
			if length.Minutes < 0 || length.Minutes > longestStage {
				return fault.At(stage+"/minutes", "a stage lasts from 0 to %d minutes, not %d", longestStage,
					length.Minutes)
			}
		}
		if s.Least < 0 || s.Least > s.Minutes {
			return fault.At(stage+"/least", "the least is 0 to %d minutes, not %d", s.Minutes, s.Least)
		}
	}
	return m.checkBeeps(at, c)
}

// checkBeeps wants every beep of a cycle inside it, at each size and crust.
func (m Machine) checkBeeps(at string, c Cycle) error {
	crusts := m.Crusts
	if len(crusts) == 0 {
		crusts = []Crust{Medium}
	}
	for _, size := range m.Sizes {
		for _, crust := range crusts {
			p := c.Programme(size, crust)
			if p.Total <= 0 {
				return fault.At(at+"/stages", "%s takes no time at all", c.Name)
			}
			for n, b := range c.Beeps {
				beep := fmt.Sprintf("%s/beeps/%d", at, n)
				w, ok := p.window(b)
				switch {
				case !ok && b.By == BeforeLastRise:
					return fault.At(beep+"/by", "%s has no rise for this beep to come before", c.Name)
				case !ok:
					return fault.At(beep+"/by", "%s has no knead for this beep to come in", c.Name)
				case b.Pips < 0 || b.Pips > mostPips:
					return fault.At(beep+"/pips", "a beep has up to %d pips, not %d", mostPips, b.Pips)
				case b.Minutes < 0 || w.From < 0 || w.To > p.Total || b.UpTo != 0 && b.UpTo < b.Minutes:
					return fault.At(beep+"/minutes", "this beep of %s would fall outside its %d minutes", c.Name,
						p.Total)
				}
			}
		}
	}
	return nil
}
