package rehearse

import (
	"fmt"
	"slices"
	"time"

	"risepan/core/machine"
	"risepan/core/standin"
)

// shows is a display in words.
func shows(e standin.Engine) string {
	c := e.Machine.Showing(e.Display)
	out := c.Title()
	for _, word := range []string{e.Display.Size, e.Display.Crust} {
		if word != "" {
			out += " · " + word
		}
	}
	switch {
	case e.Phase == standin.Dark:
		return ""
	case e.Phase != standin.Idle:
		return out + " · " + machine.Minutes((e.Left()+time.Minute-1)/time.Minute).String()
	case e.Display.Timer > 0:
		return out + " · " + e.Display.Timer.String()
	}
	return out
}

// differs is what the panel shows otherwise than planned, without pressing anything.
func (a *run) differs() []string {
	_, want := a.r.Machine.Set(machine.Wanted{Cycle: a.r.Plan.Setting.Cycle.ID, Crust: a.r.Plan.Setting.Crust,
		Size: a.r.Plan.Setting.Size.LoafSize, Timer: a.r.Plan.Timer.Setting,
		AddIns: slices.ContainsFunc(a.r.Plan.Setting.Presses,
			func(p machine.Presses) bool { return p.Button == a.r.Machine.Panel.AddIns.Button && p.Button != "" })})
	is := a.engine.Display
	var out []string
	say := func(name, is, want string) {
		if is != want {
			out = append(out, fmt.Sprintf("%s shows %s; planned is %s.", name, orNothing(is), orNothing(want)))
		}
	}
	name := func(id string) string { c, _ := a.r.Machine.Cycle(id); return c.Title() }
	say("The menu", name(is.Cycle), name(want.Cycle))
	say("The size", is.Size, want.Size)
	say("The crust", is.Crust, want.Crust)
	say("The add-in button", is.AddIns, want.AddIns)
	timer := func(m machine.Minutes) string {
		if m == 0 {
			return ""
		}
		return m.String()
	}
	say("The timer", timer(is.Timer), timer(want.Timer))
	return out
}

func orNothing(s string) string {
	if s == "" {
		return "nothing"
	}
	return s
}
