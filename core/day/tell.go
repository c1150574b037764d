package day

import (
	"cmp"
	"fmt"
	"slices"
	"time"

	"risepan/core/fault"
	"risepan/core/machine"
	"risepan/core/plan"
	"risepan/core/schedule"
	"risepan/core/timetable"
)

// tell tells a plan by the clock.
func (d draft) tell(made schedule.Plan) Day {
	out := Day{From: d.from, To: d.clock(d.wanted.Ends), Loaves: make([]Planned, len(d.book.Loaves)), Shut: d.shut(),
		Cost: d.cost(made)}
	for n, l := range d.book.Loaves {
		out.Loaves[n] = Planned{ID: l.ID, Name: d.Recipes[l.Wish.RecipeID].Name, Size: l.Wish.Size, Standing: NoPlace}
		if b := d.bake[n]; b != nil {
			out.Loaves[n].runs(*b, d.out(*b), d.Place)
		} else if d.none[n] != nil {
			out.Loaves[n].Say = sentence(fault.Says(d.none[n]))
		}
	}
	for k, placed := range made.Loaves {
		n := d.nth[k]
		if !placed.None {
			d.placed(&out.Loaves[n], d.ways[k][placed.Way], placed, d.book.Loaves[n])
		}
	}
	for k, placed := range made.Loaves {
		d.why(&out, made, k, placed)
	}
	for n, m := range d.machines(d.book) {
		lane := Lane{ID: m.ID, Name: m.Name, Lent: n >= len(d.Machines), Free: d.clock(d.wanted.Machines[n].Free)}
		for _, b := range d.Bakes {
			if b.Machine == m.ID && !lane.Lent && d.out(b).After(d.from) {
				lane.Runs = append(lane.Runs, Run{Bake: b.ID, Name: b.Name, Press: b.Started, Begin: b.Begin,
					Ready: b.Ready, Out: d.out(b), Over: !b.Ended.IsZero()})
			}
		}
		for _, b := range d.Beside {
			if press := d.instant(b.Stood.Press); b.Stood.Machine == m.ID && !lane.Lent && press.After(d.Now) {
				done := d.instant(b.Stood.Done)
				lane.Runs = append(lane.Runs, Run{Name: b.Name, Date: b.Date, Press: press,
					Begin: d.instant(b.Stood.Begin), Ready: done, Out: done})
			}
		}
		out.Machines = append(out.Machines, lane)
	}
	out.Hands = d.moments(out)
	out.Say, out.Off = d.sum(out.Cost, made)
	if d.Now.After(out.To) {
		out.Say = "This day is over."
	}
	return out
}

// cost is what a day costs, with the loaves that cannot be made at all.
func (d draft) cost(made schedule.Plan) schedule.Cost {
	c := made.Cost
	for _, none := range d.none {
		if none != nil && none != errOver {
			c.Without++
		}
	}
	return c
}

// runs tells of a loaf that was started.
func (l *Planned) runs(b Bake, out time.Time, p Place) {
	l.Bake, l.Machine, l.Size, l.Standing = b.ID, b.Machine, b.Size, Running
	l.Press, l.Begin, l.Ready, l.Taken, l.Done = b.Started, b.Begin, b.Ready, out, out
	if !b.Ended.IsZero() {
		l.Standing = Finished
	}
	for _, m := range p.Machines {
		if m.ID == b.Machine {
			l.On = m.Name
		}
	}
}

// placed tells of a loaf that has its place.
func (d draft) placed(l *Planned, y way, at schedule.Placed, asked Loaf) {
	g := y.programme
	l.Standing, l.Machine, l.On, l.Lent, l.Cycle = ToCome, y.machine.ID, y.machine.Name, y.lent, g.Setting.Cycle
	l.Size = y.dough.Size
	l.Load, l.Press, l.Begin, l.Ready = d.clock(at.Press-y.Load), d.clock(at.Press), d.clock(at.Begin),
		d.clock(at.Ready)
	l.Taken, l.Done = d.clock(at.Taken), d.clock(at.Done)
	l.Free = l.Taken.Add(time.Duration(schedule.TakeOut+int(y.machine.CoolDown)) * time.Minute)
	l.Late, l.Warm = machine.Minutes(at.Late), machine.Minutes(at.Taken-at.Ready)
	l.Early = machine.Minutes(at.Waits) - l.Warm
	l.Dough, l.Hand, l.keepWarm = y.Finish > 0, y.Step == 0, g.Setting.KeepWarm
	l.Wish, y.programme = d.measured(y, asked, *l)
	set := y.programme
	l.Timer, l.Panel, l.Presses, l.Stages = set.Timer.Setting, set.Setting.Label, set.Setting.Presses, set.Stages
	if stood, ok := d.book.Was[asked.ID]; ok && stood != d.stands(*l) {
		l.Was = &stood
	}
}

// measured is the wish with which a loaf is measured and started at its time, and its programme then. A cycle that
// would not be chosen for a loaf with a time is named.
func (d draft) measured(y way, asked Loaf, l Planned) (*plan.Wish, plan.Programme) {
	w := y.wish
	w.Ready = timetable.WallOf(l.Ready.Add(time.Duration(y.Finish)*time.Minute), d.Zone)
	at := d.place(asked, y.machine, l.Load)
	g, err := plan.MakeProgramme(at, w, y.dough)
	if err == nil && g.Setting.Cycle.ID != l.Cycle.ID {
		w.Cycle = l.Cycle.ID
		g, err = plan.MakeProgramme(at, w, y.dough)
	}
	if err != nil {
		return nil, y.programme
	}
	return &w, g
}

// stands is where a loaf that has its place stands.
func (p Place) stands(l Planned) Stood {
	return Stood{l.Machine, timetable.WallOf(l.Press, p.Zone), timetable.WallOf(l.Begin, p.Zone),
		timetable.WallOf(l.Done, p.Zone)}
}

// Keep is the book with where its loaves now stand.
func (p Place) Keep(b Book, d Day) Book {
	b.Was = map[string]Stood{}
	for _, l := range d.Loaves {
		if l.Standing == ToCome && !l.Lent {
			b.Was[l.ID] = p.stands(l)
		}
	}
	return b
}

// moments are all for which hands are wanted, in order.
func (d draft) moments(out Day) []Moment {
	all := []Moment{}
	for _, b := range d.Bakes {
		all = append(all, b.Hands...)
	}
	for k, ways := range d.ways {
		n := d.nth[k]
		l := out.Loaves[n]
		if l.Standing != ToCome {
			continue
		}
		y := ways[slices.IndexFunc(ways, func(y way) bool { return y.machine.ID == l.Machine && y.lent == l.Lent })]
		add := func(at time.Time, takes int, does Doing, say string) {
			all = append(all, Moment{At: at, To: at.Add(time.Duration(takes) * time.Minute), Loaf: l.ID, Name: l.Name,
				On: l.On, Does: does, Say: say})
		}
		start := "Load the pan, and press Start."
		if l.Timer > 0 {
			start = fmt.Sprintf("Load the pan, set the timer to %s, and press Start.", l.Timer)
		}
		add(l.Load, y.Load, Loads, start)
		for _, m := range y.programme.Moments {
			at := l.Begin.Add(time.Duration(m.After) * time.Minute)
			switch {
			case !m.Person || m.Kind == timetable.Look:
			case m.Kind == timetable.Ready:
				add(l.Taken, schedule.TakeOut, Takes, m.Say)
			case int(m.After) < y.Run:
				add(at, max(int(m.Hands), brief), Helps, m.Say)
			default:
				add(l.Taken.Add(at.Sub(l.Ready)), max(int(m.Hands), brief), Follows, m.Say)
			}
		}
	}
	slices.SortStableFunc(all, func(a, b Moment) int {
		return cmp.Or(a.At.Compare(b.At), cmp.Compare(a.Name, b.Name))
	})
	return all
}
