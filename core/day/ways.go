package day

import (
	"slices"
	"time"

	"risepan/core/bake"
	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/core/schedule"
	"risepan/core/timetable"
)

// Place is where a day is planned: the kitchen, what its loaves' ids stand for, what the machines are at, and the
// present.
type Place struct {
	Kitchen  kitchen.Kitchen
	Zone     *time.Location
	Now      time.Time
	Date     kitchen.Date
	Machines []OwnedMachine
	LeftOut  []string // machines that there are beside them, by name
	Recipes  map[string]recipe.Recipe
	Bags     map[string]*plan.Bag
	Choice   func(recipe, machine string) (cycle string, crust machine.Crust) // the baker's own; empty: as suggested
	// that run, and those of the day that have ended
	Bakes  []Bake
	Beside []Beside         // loaves that are planned for the days before and after
	Memory *schedule.Memory // of days that were planned; nil: none
}

// Beside is a loaf of another day's book, where it was planned last.
type Beside struct {
	Name  string
	Date  kitchen.Date
	Stood Stood
}

// OwnedMachine is a machine of the kitchen.
type OwnedMachine struct {
	ID string
	machine.Machine
}

// Bake is a loaf that was started.
type Bake struct {
	ID      string
	Recipe  string // its id
	Name    string
	Machine string // its id
	Size    measure.LoafSize
	Started time.Time
	Begin   time.Time
	Ready   time.Time
	Ended   time.Time // zero while it has not
	Hands   []Moment  // that are still to come
}

// brief is how long hands are wanted at a moment of a bake for which nothing else is said, minutes.
const brief = 3

// patience is how long a moment of a running bake still asks for hands after its time.
const patience = 2 * time.Hour

// Asks is what a running bake still asks of the hands, of its moments as they now stand; on is its machine's name.
func (b Bake) Asks(moments []bake.Moment, on string, now time.Time) (out []Moment) {
	for _, m := range moments {
		if !m.Person || m.Kind == timetable.Look || m.Done || m.Skipped || !m.At.After(now.Add(-patience)) {
			continue
		}
		takes, does := max(int(m.Hands), brief), Helps
		switch {
		case m.Kind == timetable.Ready:
			takes, does = schedule.TakeOut, Takes
		case m.At.After(b.Ready):
			does = Follows
		}
		out = append(out, Moment{At: m.At, To: m.At.Add(time.Duration(takes) * time.Minute), Bake: b.ID, Name: b.Name,
			On: on, Does: does, Say: m.Say})
	}
	return out
}

// way is a way to make a loaf with the plan's values that it comes from.
type way struct {
	schedule.Option
	wish      plan.Wish
	dough     plan.Dough
	programme plan.Programme
	machine   OwnedMachine
	lent      bool
}

// option asks for a way that the day does not take by itself.
type option struct {
	cycle  string
	addIns plan.AddInWay
	bagged bool // the dry lines are measured already
}

// wayOf is the way to make a loaf on a machine.
func (p Place) wayOf(l Loaf, nth int, m OwnedMachine, o option) (way, error) {
	y := way{wish: l.Wish, machine: m}
	y.wish.MachineID = m.ID
	if o.cycle != "" {
		y.wish.Cycle = o.cycle
	}
	if o.addIns != "" {
		y.wish.AddIns = o.addIns
	}
	if cycle, crust := p.Choice(l.Wish.RecipeID, m.ID); y.wish.Cycle == "" || y.wish.Crust == "" {
		if _, has := m.Cycle(cycle); has && y.wish.Cycle == "" {
			y.wish.Cycle = cycle
		}
		if slices.Contains(m.Crusts, crust) && y.wish.Crust == "" {
			y.wish.Crust = crust
		}
	}
	at := p.place(l, m, p.Now)
	var err error
	if y.dough, err = plan.MakeDough(at, y.wish); err != nil {
		return y, err
	}
	if y.programme, err = plan.MakeProgramme(at, y.wish, y.dough); err != nil {
		return y, err
	}
	y.Option = p.asTheDayHas(y, nth)
	if o.bagged {
		y.Load = min(y.Load, loadBag)
	}
	return y, nil
}

// loadBag is how long it takes to load a pan out of a bag, minutes.
const loadBag = 5

// place is where a loaf of the day is planned on a machine.
func (p Place) place(l Loaf, m OwnedMachine, now time.Time) plan.Place {
	return plan.Place{Kitchen: p.Kitchen, Zone: p.Zone, Recipe: p.Recipes[l.Wish.RecipeID], Machine: m.Machine,
		Bag: p.Bags[l.Wish.BagID], Now: now}
}

// asTheDayHas is a way in the figures that the search knows.
func (p Place) asTheDayHas(y way, nth int) schedule.Option {
	g, d := y.programme, y.machine.Delay
	out := schedule.Option{Machine: nth, Run: int(g.Setting.Total), Load: max(1, int(p.Kitchen.Lead))}
	for _, m := range g.Moments {
		if m.Kind == timetable.Ready {
			out.Run = int(m.After)
		}
	}
	cycle, _ := y.machine.Cycle(g.Setting.Cycle.ID)
	if most, can := d.Most(g.Setting.Total); can && cycle.Delay && d.Step > 0 && len(g.Spoiling(y.dough)) == 0 {
		base := machine.Minutes(0)
		if d.Rule == machine.FinishBased {
			base = g.Setting.Total
		}
		out.First, out.Step, out.Longest = int(d.Least(g.Setting.Total)-base), int(d.Step), int(most-base)
	}
	for _, m := range g.Moments {
		at, to := int(m.After), int(max(m.After, m.UpTo))
		takes := max(int(m.Hands), brief)
		switch m.Kind {
		case timetable.Look, timetable.Ready, timetable.Begins, timetable.WarmEnds:
			continue // a look is good to have; the others are the search's own
		case timetable.AddIns, timetable.Scrape, timetable.Paddle:
			out.Beeps = append(out.Beeps, at)
			if to > at {
				out.Beeps = append(out.Beeps, to)
			}
		}
		switch {
		case !m.Person:
		case at < out.Run:
			// at its end it is one with taking it out
			out.Hands = append(out.Hands, schedule.Span{From: at, To: min(to+takes, out.Run)})
		default: // after the machine
			out.After = append(out.After, schedule.Span{From: at - out.Run, To: at - out.Run + takes})
		}
	}
	if shape := g.Finish.Shape; shape > 0 {
		out.After = append(out.After, schedule.Span{From: 0, To: shape})
	}
	out.Finish = g.Finish.Total()
	return out
}

// waysOf are the ways to make a loaf on the machines that it may be made on; where there is none, why not.
func (p Place) waysOf(b Book, l Loaf) (out []way, none error) {
	if _, ok := p.Recipes[l.Wish.RecipeID]; !ok {
		return nil, errGone
	}
	if l.Wish.BagID != "" && p.Bags[l.Wish.BagID] == nil {
		return nil, errNoBag
	}
	for n, m := range p.machines(b) {
		if l.Only && m.ID != l.Wish.MachineID {
			continue
		}
		y, err := p.wayOf(l, n, m, option{})
		if err != nil {
			if none == nil || m.ID == l.Wish.MachineID {
				none = err
			}
			continue
		}
		y.lent = n >= len(p.Machines)
		out = append(out, y)
	}
	if len(out) == 0 && none == nil {
		none = errNoMachine
	}
	return out, none
}

// machines are those of the kitchen, and the one that friends lend.
func (p Place) machines(b Book) []OwnedMachine {
	for _, m := range p.Machines {
		if m.ID == b.Lent {
			lent := m
			lent.Name = "A friend's " + m.Name
			return append(slices.Clone(p.Machines), lent)
		}
	}
	return p.Machines
}
