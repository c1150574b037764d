package bake

import (
	"fmt"
	"slices"
	"time"

	"risepan/core/machine"
	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/core/timetable"
)

// Due is a moment that has come and that nobody has answered yet.
type Due struct {
	Moment string    `json:"moment"` // its id
	At     time.Time `json:"at"`
	Say    string    `json:"say"`
	Now    string    `json:"now"`            // what can be done about it by now
	Lines  []string  `json:"lines,omitzero"` // what goes in then, by line
	Steps  []string  `json:"steps,omitzero"` // what the hands do
	Waits  bool      `json:"waits,omitzero"` // the machine stands still until Start is pressed again
}

// waits are the moments that stay first until they are answered, with what each means while the dough is still
// kneaded, while it rises, and once it bakes.
var waits = map[timetable.MomentKind][3]string{
	timetable.AddIns: {"It still kneads: put them in now, a handful at a time.",
		"Kneading is over: fold them in by hand while it rises, gently, or leave them out.",
		"It bakes: leave them out, and the lid shut."},
	timetable.Held: {"It still kneads: put it in now, a spoonful at a time.",
		"Kneading is over: leave it out, and note that the dough was softer.",
		"It bakes: leave it out, and the lid shut."},
	timetable.Scrape: {"Scrape the sides now with plastic, clear of the paddle.",
		"Mixing is over: smooth the edges with a wet spatula, or leave them.", "It bakes: leave it, and the lid shut."},
	timetable.Filling: {"It still kneads: there is time.", "Get it ready now.", "It bakes: it is too late for it."},
	timetable.Brush:   {"Not yet: let the kneading end.", "Now, gently.", "It bakes: quickly now, or leave it."},
	timetable.Refused: {},
	timetable.Paddle: {"Not yet: let the kneading end.",
		"Now, with wet fingers, and spread the dough to fill the pan.",
		"It bakes: the paddle comes out with the loaf."},
}

// stays reports whether a moment stays first until it is answered.
func stays(m timetable.Moment) bool {
	_, waits := waits[m.Kind]
	return waits && (m.Person || m.Optional)
}

// due is the first moment that has come and was not answered.
func due(p plan.Plan, s State, now time.Time) *Due {
	n := slices.IndexFunc(s.Moments, func(m Moment) bool {
		if s.Paused != "" { // comes before all else: the whole bake waits
			return m.ID == s.Paused
		}
		over := s.Ready
		if _, bakes := ends(s); m.Optional && !bakes.IsZero() { // what can be left is left, once it bakes
			over = bakes
		}
		return m.Stays && !m.Done && !m.Skipped && !m.At.After(now) && now.Before(over)
	})
	if n < 0 {
		return nil
	}
	m := s.Moments[n]
	kneads, bakes := ends(s)
	says := waits[m.Kind]
	d := &Due{Moment: m.ID, At: m.At, Say: m.Say}
	switch {
	case now.Before(kneads):
		d.Now = says[0]
	case bakes.IsZero() || now.Before(bakes):
		d.Now = says[1]
	default:
		d.Now = says[2]
	}
	switch {
	case m.Kind == timetable.AddIns: // what the dispenser drops is in already
		for _, line := range p.Pan.Aside {
			if p.AddIns.Of(line) != plan.InBox {
				d.Lines = append(d.Lines, line)
			}
		}
	case m.Kind == timetable.Held:
		d.Lines = p.Pan.Knead
	case m.Kind == timetable.Filling:
		d.Lines = partLines(p, recipe.Filling)
	case m.Kind == timetable.Brush:
		d.Lines = partLines(p, recipe.Glaze, recipe.Topping)
	case m.Kind == timetable.Refused:
		d.Steps = m.Steps
	case m.Hands > 0:
		d.Steps, d.Lines = m.Steps, partLines(p, recipe.Filling)
	}
	if m.Waits {
		start := p.Setting.Fittings.StartButton()
		d.Waits, d.Now = true, fmt.Sprintf("The machine stands still until you press %s again. What comes after "+
			"moves with it.", start)
		if m.Kind == timetable.Refused {
			d.Now = fmt.Sprintf("Nothing runs until %s is taken. What comes after moves with it.", start)
		}
	}
	return d
}

// partLines are the lines of parts of the recipe.
func partLines(p plan.Plan, parts ...recipe.Part) []string {
	var out []string
	for _, l := range p.Lines {
		if slices.Contains(parts, l.Part) {
			out = append(out, l.ID)
		}
	}
	return out
}

// ends are when kneading ends for the last time and when baking begins; zero where there is none.
func ends(s State) (kneads, bakes time.Time) {
	at := func(m machine.Minutes) time.Time { return s.Begin.Add(time.Duration(m) * time.Minute) }
	for _, st := range s.Stages {
		switch {
		case st.Kind == machine.Knead:
			kneads = at(st.To)
		case st.Kind == machine.Bake && bakes.IsZero():
			bakes = at(st.From)
		}
	}
	return kneads, bakes
}
