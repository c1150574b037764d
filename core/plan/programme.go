package plan

import (
	"cmp"
	"fmt"
	"slices"
	"strings"
	"time"

	"risepan/core/choice"
	"risepan/core/fault"
	"risepan/core/kind"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/recipe"
	"risepan/core/scale"
	"risepan/core/timetable"
	"risepan/core/vocab"
)

// Programme is the second of a plan's three values: what the machine does with a dough, on the clock,
// and what is to be set for it.
type Programme struct {
	Setting Setting            `json:"setting"`
	AddIns  *AddIns            `json:"addIns,omitzero"`
	Timer   timetable.Timer    `json:"timer"`
	Later   bool               `json:"later,omitzero"` // Start is to be pressed later than everything is measured
	Stages  []machine.Span     `json:"stages"`
	Moments []timetable.Moment `json:"moments"`
	Usual   Usual              `json:"usual"`           // on this cycle
	Finish  recipe.Finish      `json:"finish,omitzero"` // by hand and oven, of a dough that leaves the machine unbaked
	Eaten   time.Time          `json:"eaten,omitzero"`  // when that is done; zero where the machine bakes

	Ending Ending `json:"ending,omitzero"` // what follows when the machine is done

	cycle machine.Cycle
	doubt timetable.Doubt
	pause machine.Minutes // in which the machine waits for hands
}

// Ending is how a loaf comes out of the machine, cools and keeps.
type Ending struct {
	Out   []string        `json:"out"`
	On    string          `json:"on,omitzero"`    // what it cools on
	Slice machine.Minutes `json:"slice,omitzero"` // until it may be cut at all
	Clean machine.Minutes `json:"clean,omitzero"` // until it cuts clean
	Core  string          `json:"core,omitzero"`  // its middle when it is done, in the kitchen's degrees
	Tap   bool            `json:"tap,omitzero"`   // done, it sounds hollow
	Keeps string          `json:"keeps"`
}

// Setting is what to choose on the machine's panel.
type Setting struct {
	Cycle   CycleName     `json:"cycle"`
	Why     string        `json:"why"`
	Options []CycleOption `json:"options"` // best first
	Crust   machine.Crust `json:"crust"`
	// what the size button is set to: the loaf's own size, or the next larger
	Size      machine.SizeSetting `json:"size,omitzero"`
	HasCrust  bool                `json:"hasCrust"`
	HasSize   bool                `json:"hasSize"`
	Crusts    []machine.Crust     `json:"crusts"`
	CrustWhy  string              `json:"crustWhy"`
	Suggested machine.Crust       `json:"suggested,omitzero"` // where the baker chose another
	Total     machine.Minutes     `json:"total"`              // where a stage waits for warmth, the longest
	Slack     machine.Minutes     `json:"slack"`              // by how much it may be shorter
	KeepWarm  machine.Minutes     `json:"keepWarm"`
	CoolDown  machine.Minutes     `json:"coolDown,omitzero"` // before it starts again; 0: not said
	Presses   []machine.Presses   `json:"presses"`           // from when the machine is plugged in
	Label     string              `json:"label"`             // the same, short enough for a label
	Shows     string              `json:"shows"`             // what the display then says
	Lock      string              `json:"lock,omitzero"`
	Hold      bool                `json:"hold,omitzero"`
	Fittings  Fittings            `json:"fittings,omitzero"`
}

// Fittings are what a machine has beside its sizes and crusts: advice names only what is there.
type Fittings struct {
	Start     string     `json:"start,omitzero"`     // how its start button is called
	BakeOnly  *CycleName `json:"bakeOnly,omitzero"`  // its cycle that only bakes; nil: it has none
	Dispenser bool       `json:"dispenser,omitzero"` // for fruit and nuts
}

// StartButton is how the start button is called.
func (f Fittings) StartButton() string { return cmp.Or(f.Start, "Start") }

func fittings(m machine.Machine) Fittings {
	out := Fittings{Start: m.Full().Start, Dispenser: m.Dispenser > 0}
	if c, ok := m.CycleOf(machine.BakeOnly); ok {
		name := nameOf(c)
		out.BakeOnly = &name
	}
	return out
}

// CycleName is a cycle as the panel shows it.
type CycleName struct {
	ID    string `json:"id"`
	Panel string `json:"panel"`
	Name  string `json:"name"`
}

// String is the name with what the panel shows before it.
func (c CycleName) String() string { return machine.Cycle{Panel: c.Panel, Name: c.Name}.Title() }

// CycleOption is a cycle of the machine and how it suits this dough and these wishes.
type CycleOption struct {
	CycleName
	Suits  bool            `json:"suits"`
	Grants bool            `json:"grants"` // every wish
	Reason string          `json:"reason"`
	Total  machine.Minutes `json:"total"`
}

// MakeProgramme chooses how the machine bakes a dough and lays it on the clock.
func MakeProgramme(p Place, w Wish, d Dough) (Programme, error) {
	var g Programme
	var err error
	if g.AddIns, err = placeAddIns(p.Machine, w.Timing, d.lines); err != nil {
		return g, err
	}
	needs := needsOf(p, d)
	needs.Delayed, needs.Within, needs.Away, needs.Box = !w.Ready.IsZero(), w.Within, w.Away, g.AddIns != nil &&
		g.AddIns.NoBox == ""
	if g.cycle, g.Setting, err = choose(p.Machine, w.Timing, needs); err != nil {
		return g, err
	}
	if g.AddIns != nil {
		g.AddIns.Silent = !g.cycle.Calls(machine.ForAddIns)
	}
	g.Setting.CoolDown = p.Machine.CoolDown
	g.Setting.Size, g.Setting.Fittings = d.setting, fittings(p.Machine)
	g.Setting.Why += g.whyNoBeep(p.Machine)
	course := g.cycle.Programme(d.setting.LoafSize, g.Setting.Crust)
	g.Setting.Total, g.Setting.Slack, g.Stages = course.Total, course.Slack(), course.Stages
	if g.cycle.KeepsWarm {
		g.Setting.KeepWarm = p.Machine.KeepWarm
	}
	needed := asks(d, g.AddIns)
	needed.Look, needed.Start = p.Kitchen.Look, g.Setting.Fittings.Start
	if needed.Shaped = len(course.Of(machine.Bake)) == 0 && !needed.Still; needed.Shaped {
		g.Finish = finish(d)
		needed.Finish, needed.Ends = g.Finish, d.ends(needed.Shaped).Ready
	}
	if calls := course.Calls(machine.PaddleOut); needed.Handwork > 0 && len(calls) > 0 && calls[0].Waits {
		g.pause = needed.Handwork
		course = course.Pause(calls[0].ID, g.pause)
		g.Stages = course.Stages
	}
	g.Moments = timetable.Moments(course, g.Setting.KeepWarm, needed)
	for n := range g.Moments {
		m := &g.Moments[n]
		m.Say = p.Machine.Paddles.Say(m.Say)
	}
	g.Timer, g.doubt = setTimer(p, w.Timing, g)
	g.Timer.Ready = g.Timer.Ready.Add(time.Duration(g.pause) * time.Minute)
	g.Ending = ending(p, d, needed.Shaped)
	if needed.Shaped {
		g.Eaten = g.Timer.Ready.Add(time.Duration(g.Finish.Total()) * time.Minute)
	}
	g.Later = g.Timer.Press.After(p.earliest(w.AtPanel))
	g.Usual = usual(p, d, g.cycle)
	g.Setting = pressed(p.Machine, g)
	return g, nil
}

// needsOf are what the choice of the cycle goes by, the baker's wishes left out.
func needsOf(p Place, d Dough) choice.Needs {
	return choice.Needs{
		Kind: d.Kind, Formula: d.Formula.Formula, Lines: d.written,
		Size: d.setting, Small: d.small(p.Recipe), Decimal: p.Kitchen.Decimal,
	}
}

// choose picks the cycle and crust; the baker's own choice wins.
func choose(m machine.Machine, t Timing, needs choice.Needs) (machine.Cycle, Setting, error) {
	options := choice.Cycles(m, needs)
	id := options[0].Cycle
	if t.Cycle != "" {
		id = t.Cycle
	}
	cycle, ok := m.Cycle(id)
	if !ok {
		return cycle, Setting{}, fault.At("/time/cycle", "%s has no cycle %q", m.Name, vocab.Clip(id))
	}
	crust, why := choice.Crust(m, cycle, needs)
	var suggested machine.Crust
	if t.Crust != "" && cycle.HasCrust {
		if !slices.Contains(m.Crusts, t.Crust) {
			return cycle, Setting{}, fault.At("/time/crust", "%s has no %s crust", m.Name, t.Crust)
		}
		if t.Crust != crust {
			why = "Your own choice. Suggested: " + string(crust) + ". " + why
			suggested = crust
		}
		crust = t.Crust
	}
	s := Setting{Cycle: nameOf(cycle), Crust: crust, HasCrust: cycle.HasCrust, HasSize: !cycle.NoSize,
		Crusts: m.Crusts, CrustWhy: why, Suggested: suggested,
		Options: make([]CycleOption, 0, len(options))}
	for _, o := range options {
		c, _ := m.Cycle(o.Cycle)
		s.Options = append(s.Options, CycleOption{nameOf(c), o.Suits, o.Grants, o.Reason, c.Total(needs.Size.LoafSize,
			crust)})
		if o.Cycle == id {
			s.Why = o.Reason
		}
	}
	if best := s.Options[0]; t.Cycle != "" && id != best.ID {
		s.Why = "Your own choice. Suggested: " + best.CycleName.String() + ". " + best.Reason
	}
	return cycle, s, nil
}

func nameOf(c machine.Cycle) CycleName { return CycleName{c.ID, c.Panel, c.Name} }

// asks is what a bake of the dough asks of the person beside it.
func asks(d Dough, a *AddIns) timetable.Needs {
	row := kind.Of(d.Kind)
	needs := timetable.Needs{Batter: row.Batter, Still: row.Still, Ends: row.Ending.Ready, Heats: row.Ending.Heats,
		Handwork: machine.Minutes(row.Handwork), Before: machine.Minutes(row.Before),
		LookAfter: machine.Minutes(row.Look)}
	for _, l := range d.lines {
		needs.Held = needs.Held || l.Line.When == recipe.AtKnead
	}
	needs.Filling = inWords(d.named(recipe.Filling))
	var brushed []string
	for _, part := range []recipe.Part{recipe.Glaze, recipe.Topping} {
		if !d.icing(part) {
			brushed = append(brushed, d.named(part)...)
		}
	}
	needs.Brushed = inWords(brushed)
	if a != nil {
		byHand := a.named(WithHands)
		needs.Box = len(a.named(InBox)) > 0
		needs.AddIns, needs.ByHand = needs.Box || len(byHand) > 0, inWords(byHand)
	}
	return needs
}

// named are the ingredients of a part, by name.
func (d Dough) named(part recipe.Part) []string {
	var out []string
	for _, l := range d.lines {
		if l.Line.Part == part {
			out = append(out, l.Ingredient.Name)
		}
	}
	return out
}

// icing reports whether a part is sweet and goes on when the loaf has cooled: in the heat it would run and burn.
func (d Dough) icing(part recipe.Part) bool {
	return slices.ContainsFunc(d.lines, func(l scale.Scaled) bool {
		return l.Line.Part == part && (l.Ingredient.Kind == larder.Sugar || l.Ingredient.Kind == larder.Syrup)
	})
}

// ends is how what leaves the machine comes out: a loaf that a cycle only kneads and raises comes out as a dough.
func (d Dough) ends(shaped bool) kind.Ending {
	row := kind.Of(d.Kind)
	if shaped && !row.Shaped {
		row = kind.Of(recipe.Dough)
	}
	return row.Ending
}

// ending is how this kitchen is told what follows when the machine is done.
func ending(p Place, d Dough, shaped bool) Ending {
	e := d.ends(shaped)
	said := make([]string, len(e.Out))
	for n, say := range e.Out {
		said[n] = p.Machine.Paddles.Say(p.Kitchen.Degrees.Say(say))
	}
	out := Ending{Out: said, On: string(e.On), Slice: machine.Minutes(e.Slice), Clean: machine.Minutes(e.Clean),
		Tap: e.Tap, Keeps: e.Keeps}
	for _, part := range []recipe.Part{recipe.Glaze, recipe.Topping} {
		if names := d.named(part); len(names) > 0 && d.icing(part) {
			out.Out = append(out.Out, fmt.Sprintf("Put on the %s when it has cooled: %s.", part, inWords(names)))
		}
	}
	if !e.Core.IsZero() {
		out.Core = fmt.Sprintf("%s to %s", p.Kitchen.Degrees.Text(measure.Celsius(e.Core.Low)),
			p.Kitchen.Degrees.Text(measure.Celsius(e.Core.High)))
	}
	return out
}

// finish is what a dough wants when it leaves the machine unbaked: as its recipe has it, else as is usual.
func finish(d Dough) recipe.Finish {
	for _, f := range []recipe.Finish{d.swapped.Finish, kind.Of(d.Kind).Finish} {
		if f != (recipe.Finish{}) {
			return f
		}
	}
	return kind.Of(recipe.Dough).Finish
}

// wholeMinute is the minute at which Start can be pressed: at the panel the present one, else the
// next, so that a plan counts from a minute still to come.
func wholeMinute(now time.Time, atPanel bool) time.Time {
	t := now.UTC().Truncate(time.Minute)
	if !atPanel && t.Before(now) {
		t = t.Add(time.Minute)
	}
	return t
}

// earliest is when Start could be pressed if the machine stood free: now at the panel, else when everything
// is measured.
func (p Place) earliest(atPanel bool) time.Time {
	press := wholeMinute(p.Now, atPanel)
	if !atPanel {
		press = press.Add(time.Duration(p.Kitchen.Lead) * time.Minute)
	}
	return press
}

// free is when the machine has cooled down from its last bake; the zero time where it had none of late. Of a
// bake that nobody has said is out, it is counted from now.
func (p Place) free() time.Time {
	o := p.Occupied
	if o == nil {
		return time.Time{}
	}
	out := o.Until
	if o.Running && p.Now.After(out) {
		out = p.Now
	}
	return wholeMinute(out.Add(time.Duration(p.Machine.CoolDown)*time.Minute), false)
}

// setTimer works out the delay for the wished time. A plan waits until a bake that is running makes room.
func setTimer(p Place, t Timing, g Programme) (timetable.Timer, timetable.Doubt) {
	press := p.earliest(t.AtPanel)
	if free := p.free(); !t.AtPanel && p.Occupied != nil && p.Occupied.Running && free.After(press) {
		press = free
	}
	if t.Ready.IsZero() {
		timer := timetable.StartAt(press, g.Setting.Total)
		timer.Rule = p.Machine.Delay.Rule
		return timer, timetable.Sure
	}
	ready, doubt := t.Ready.Resolve(p.Zone)
	ready = ready.Add(-time.Duration(g.Finish.Total())*time.Minute - time.Duration(g.pause)*time.Minute)
	return timetable.Set(p.Machine.Delay, g.cycle.Delay, g.Setting.Total, press, timetable.Wish{At: ready,
		NotYet: t.NotYet}), doubt
}

// pressed is the setting with the presses on the panel that lead to it.
func pressed(m machine.Machine, g Programme) Setting {
	s := g.Setting
	wanted := machine.Wanted{
		Cycle: s.Cycle.ID, Crust: s.Crust, Size: s.Size.LoafSize,
		Timer: g.Timer.Setting, AddIns: g.AddIns != nil && g.AddIns.asks(),
	}
	presses, shows := m.Set(wanted)
	s.Presses, s.Label, s.Lock, s.Hold = presses, machine.Label(presses), m.Panel.Lock, m.Panel.Hold
	says := []string{s.Cycle.String()}
	for _, word := range []string{shows.Size, shows.Crust} {
		if word != "" {
			says = append(says, word)
		}
	}
	if shows.AddIns != "" {
		says = append(says, "add-ins "+shows.AddIns)
	}
	time := shows.Timer
	if time == 0 && m.Delay.Rule == machine.FinishBased {
		time = s.Total
	}
	if time > 0 {
		says = append(says, time.String())
	}
	s.Shows = strings.Join(says, " · ")
	return s
}
