package plan

import (
	"fmt"
	"slices"
	"strings"
	"time"

	"risepan/core/choice"
	"risepan/core/fault"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/recipe"
	"risepan/core/scale"
	"risepan/core/timetable"
	"risepan/core/word"
)

// Setting is what to choose on the machine's panel.
type Setting struct {
	Cycle    CycleName         `json:"cycle"`
	Why      string            `json:"why"`
	Options  []CycleOption     `json:"options"` // best first
	Crust    machine.Crust     `json:"crust"`
	HasCrust bool              `json:"hasCrust"`
	HasSize  bool              `json:"hasSize"`
	Crusts   []machine.Crust   `json:"crusts"`
	CrustWhy string            `json:"crustWhy"`
	Total    machine.Minutes   `json:"total"` // where a stage waits for warmth, the longest
	Slack    machine.Minutes   `json:"slack"` // by how much it may be shorter
	KeepWarm machine.Minutes   `json:"keepWarm"`
	Presses  []machine.Presses `json:"presses"` // from when the machine is plugged in
	Label    string            `json:"label"`   // the same, short enough for a label
	Shows    string            `json:"shows"`   // what the display then says
	Lock     string            `json:"lock,omitzero"`
	Hold     bool              `json:"hold,omitzero"`
}

// CycleName is a cycle as the panel shows it.
type CycleName struct {
	ID    string `json:"id"`
	Panel string `json:"panel"`
	Name  string `json:"name"`
}

// CycleOption is a cycle of the machine and how it suits this dough and these wishes.
type CycleOption struct {
	CycleName
	Suits  bool            `json:"suits"`
	Grants bool            `json:"grants"` // every wish
	Reason string          `json:"reason"`
	Total  machine.Minutes `json:"total"`
}

// set chooses the cycle and crust; the baker's own choice wins.
func (p *Plan) set(w Wish, needs choice.Needs) (machine.Cycle, error) {
	m := w.Machine
	options := choice.Cycles(m, needs)
	id := options[0].Cycle
	if w.Cycle != "" {
		id = w.Cycle
	}
	cycle, ok := m.Cycle(id)
	if !ok {
		return machine.Cycle{}, fault.At("/cycle", "%s has no cycle %q", m.Name, id)
	}
	crust, why := choice.Crust(m, cycle, needs)
	if w.Crust != "" && cycle.HasCrust {
		if !slices.Contains(m.Crusts, w.Crust) {
			return machine.Cycle{}, fault.At("/crust", "%s has no %s crust", m.Name, w.Crust)
		}
		if w.Crust != crust {
			why = "Your own choice. Suggested: " + string(crust) + ". " + why
		}
		crust = w.Crust
	}
	p.Setting = Setting{
		Cycle: nameOf(cycle), Crust: crust, HasCrust: cycle.HasCrust, HasSize: !cycle.NoSize, Crusts: m.Crusts, CrustWhy: why,
		Total: cycle.Total(w.Size, crust), Slack: cycle.Slack(),
	}
	if cycle.KeepsWarm {
		p.Setting.KeepWarm = m.KeepWarm
	}
	for _, o := range options {
		c, _ := m.Cycle(o.Cycle)
		p.Setting.Options = append(p.Setting.Options, CycleOption{nameOf(c), o.Suits, o.Grants, o.Reason, c.Total(w.Size, crust)})
		if o.Cycle == id {
			p.Setting.Why = o.Reason
			if w.Cycle != "" && id != options[0].Cycle {
				best, _ := m.Cycle(options[0].Cycle)
				p.Setting.Why = "Your own choice. Suggested: " + best.Panel + " " + best.Name + ". " + options[0].Reason
			}
		}
	}
	return cycle, nil
}

func nameOf(c machine.Cycle) CycleName { return CycleName{c.ID, c.Panel, c.Name} }

// time lays the bake on the clock.
func (p *Plan) time(k kitchen.Kitchen, w Wish, cycle machine.Cycle, now time.Time) timetable.Doubt {
	press := wholeMinute(now, w.AtPanel)
	if !w.AtPanel {
		press = press.Add(time.Duration(k.Lead) * time.Minute)
	}
	p.Stages = cycle.Run(w.Size, p.Setting.Crust)
	needs := timetable.Needs{Batter: w.Recipe.Kind == recipe.QuickBread || w.Recipe.Kind == recipe.GlutenFree}
	for _, l := range w.Recipe.Lines {
		needs.Held = needs.Held || l.When == recipe.AtKnead
	}
	if p.AddIns != nil {
		needs.AddIns, needs.Box = p.AddIns.Way != AtStart, p.AddIns.Way == InBox
	}
	p.Moments = timetable.Moments(w.Machine, cycle, w.Size, p.Setting.Crust, needs)
	if w.Ready.IsZero() {
		p.Timer = timetable.StartAt(press, p.Setting.Total)
		p.Timer.Rule = w.Machine.Delay.Rule
		return timetable.Sure
	}
	ready, doubt := w.Ready.Resolve(w.Zone)
	p.Timer = timetable.Set(w.Machine.Delay, cycle.Delay, p.Setting.Total, press, timetable.Wish{At: ready, NotYet: w.NotYet})
	return doubt
}

// press works out the presses on the panel.
func (p *Plan) press(w Wish, cycle machine.Cycle) {
	wanted := machine.Wanted{Cycle: cycle.ID, Crust: p.Setting.Crust, Size: w.Size, Timer: p.Timer.Setting, AddIns: p.AddIns != nil && p.AddIns.Way != AtStart}
	presses, shows := w.Machine.Set(wanted)
	panel := w.Machine.Full()
	p.Setting.Presses, p.Setting.Label, p.Setting.Lock, p.Setting.Hold = presses, machine.Label(presses), panel.Lock, panel.Hold
	says := []string{strings.TrimSpace(cycle.Panel + " " + cycle.Name)}
	for _, s := range []string{shows.Size, shows.Crust} {
		if s != "" {
			says = append(says, s)
		}
	}
	if shows.AddIns != "" {
		says = append(says, "add-ins "+shows.AddIns)
	}
	time := shows.Timer
	if time == 0 && w.Machine.Delay.Rule == machine.FinishBased {
		time = p.Setting.Total
	}
	if time > 0 {
		says = append(says, time.String())
	}
	p.Setting.Shows = strings.Join(says, " · ")
}

// AddInWay is how add-ins get into the dough.
type AddInWay string

const (
	WithHands AddInWay = "by hand"      // at the beep, or its clock time
	InBox     AddInWay = "dispenser"    // which drops them in by itself
	AtStart   AddInWay = "at the start" // with everything else
)

var AddInWays = []AddInWay{WithHands, InBox, AtStart}

func (a AddInWay) Words() []string { return word.List(AddInWays) }
func (a *AddInWay) UnmarshalText(text []byte) error {
	return word.Read(a, text, "way for add-ins", AddInWays)
}

// AddIns is how and when the add-ins of a loaf go in.
type AddIns struct {
	Way    AddInWay            `json:"way"`
	Why    string              `json:"why"`
	Volume measure.Millilitres `json:"volume"`
	Box    measure.Millilitres `json:"box"`            // what the dispenser holds; 0 without one
	NoBox  string              `json:"noBox,omitzero"` // why they cannot go in the dispenser
	Lines  []string            `json:"lines"`
}

// At most a third of a cup of add-ins to a cup of flour; in a dough they are carried, not bound.
const mostAddIns = 1.0 / 3

// placeAddIns decides how the add-ins go in: as wished, else by hand where somebody is there, else by
// the dispenser, else at the start.
func (p *Plan) placeAddIns(w Wish, lines []scale.Line) error {
	a := AddIns{Box: w.Machine.Dispenser, Lines: []string{}}
	var flour measure.Millilitres
	for _, l := range lines {
		if l.Ingredient.Kind == larder.Flour {
			flour += l.Ingredient.Volume(l.Grams)
		}
		if l.Line.When != recipe.AtBeep || l.Line.Part != recipe.InDough {
			continue
		}
		a.Lines = append(a.Lines, l.Line.ID)
		a.Volume += l.Ingredient.Volume(l.Grams)
		if !l.Ingredient.Dispenser && a.NoBox == "" {
			a.NoBox = fmt.Sprintf("%s is wet, soft or sticky, and stays in a dispenser.", upper(l.Ingredient.Name))
		}
	}
	if len(a.Lines) == 0 {
		return nil
	}
	switch {
	case a.Box == 0:
		a.NoBox = w.Machine.Name + " has no dispenser."
	case a.Volume > a.Box:
		a.NoBox = fmt.Sprintf("They fill %.0f ml, and the dispenser holds %.0f ml.", float64(a.Volume), float64(a.Box))
	}
	switch a.Way = w.AddIns; {
	case a.Way == InBox && a.NoBox != "":
		return fault.At("/addIns", "not in the dispenser: %s", a.NoBox)
	case a.Way == InBox:
		a.Why = "The dispenser drops them in near the end of the last knead."
	case a.Way == AtStart:
		a.Why = "With everything else: they get more broken, and need nobody."
	case a.Way == WithHands, !w.Away:
		a.Way, a.Why = WithHands, "Near the end of the last knead, so that they stay whole and spread."
	case a.NoBox == "":
		a.Way, a.Why = InBox, "Nobody is there for the beep, so the dispenser drops them in."
	default:
		a.Way, a.Why = AtStart, "Nobody is there for the beep, so they go in with everything else. "+a.NoBox
	}
	if most := flour * mostAddIns; a.Volume > most*1.05 {
		p.warn(Care, TooMany, nil, "These add-ins fill %.0f ml; the dough carries about %.0f ml, a third of a cup to each cup of flour. Some may stay in a heap.", float64(a.Volume), float64(most))
	}
	p.AddIns = &a
	return nil
}

// atBeep reports whether a line is kept out of the pan until its moment.
func (p *Plan) atBeep(l scale.Line) bool {
	return l.Line.When == recipe.AtBeep && (p.AddIns == nil || p.AddIns.Way != AtStart)
}

func upper(s string) string {
	if s == "" {
		return s
	}
	return strings.ToUpper(s[:1]) + s[1:]
}
