package day

import (
	"context"
	"fmt"
	"slices"
	"time"

	"risepan/core/fault"
	"risepan/core/schedule"
	"risepan/core/timetable"
)

// draft is a day on its way to be planned.
type draft struct {
	Place
	ctx    context.Context // of whoever waits for the day
	book   Book
	from   time.Time
	wanted schedule.Wanted
	ways   [][]way // of each loaf that is to be planned
	nth    []int   // its place in the book
	none   []error // of each loaf of the book: why it cannot be made at all
	bake   []*Bake // of each loaf of the book: that was started for it
}

// Make plans a day. It gives up soon after ctx ends, with ctx's error.
func Make(ctx context.Context, p Place, b Book) (Day, error) {
	d, err := p.draft(ctx, b)
	if err != nil {
		return Day{}, err
	}
	made, err := d.plan()
	if err != nil {
		return Day{}, err
	}
	out := d.tell(made)
	return out, ctx.Err()
}

// draft lays a book out for the search.
func (p Place) draft(ctx context.Context, b Book) (draft, error) {
	if err := b.Check(); err != nil {
		return draft{}, err
	}
	from, to := Window(p.Date, p.Zone)
	d := draft{Place: p, ctx: ctx, book: b, from: from, none: make([]error, len(b.Loaves)),
		bake: make([]*Bake, len(b.Loaves))}
	d.started()
	d.wanted = schedule.Wanted{Pairs: b.Hands, Ends: minutes(to.Sub(from))}
	d.hours()
	for _, m := range p.machines(b) {
		d.wanted.Machines = append(d.wanted.Machines, schedule.Resource{Free: max(0, d.minute(d.free(m))),
			Cool: int(m.CoolDown)})
	}
	d.beside()
	for n, l := range b.Loaves {
		if d.bake[n] != nil {
			continue
		}
		if p.Now.After(to) {
			d.none[n] = errOver
			continue
		}
		at := fmt.Sprintf("/loaves/%d", n)
		wanted, err := d.loaf(l)
		if err != nil {
			return d, fault.Under(at, err)
		}
		ways, none := p.waysOf(b, l)
		if d.none[n] = none; len(ways) == 0 {
			continue
		}
		for _, y := range ways {
			wanted.Ways = append(wanted.Ways, y.Option)
		}
		d.none[n], d.ways, d.nth = nil, append(d.ways, ways), append(d.nth, n)
		d.wanted.Loaves = append(d.wanted.Loaves, wanted)
	}
	return d, nil
}

// plan has the day planned; where none of its loaves is to be, there is nothing to do.
func (d draft) plan() (schedule.Plan, error) {
	if len(d.wanted.Loaves) == 0 {
		return schedule.Plan{Proven: true}, nil
	}
	w := d.wanted
	w.Was = d.was()
	return d.Memory.Make(d.ctx, w)
}

// was is where the loaves stood when the baker last changed the day.
func (d draft) was() []schedule.Placed {
	out := make([]schedule.Placed, len(d.nth))
	for n, at := range d.nth {
		out[n].None = true
		stood, ok := d.book.Was[d.book.Loaves[at].ID]
		if !ok {
			continue
		}
		for k, y := range d.ways[n] {
			if y.machine.ID == stood.Machine && !y.lent {
				out[n] = schedule.Placed{Way: k, Press: d.minute(d.instant(stood.Press)),
					Begin: d.minute(d.instant(stood.Begin)), Done: d.minute(d.instant(stood.Done))}
			}
		}
	}
	return out
}

func minutes(d time.Duration) int { return int(d / time.Minute) }

// minute is an instant as the search counts it: a whole minute that is not before it.
func (d draft) minute(t time.Time) int {
	return minutes(t.Add(time.Minute - 1).Sub(d.from).Truncate(time.Minute))
}

// clock is the instant of a minute.
func (d draft) clock(minute int) time.Time { return d.from.Add(time.Duration(minute) * time.Minute) }

func (d draft) instant(w timetable.Wall) time.Time {
	t, _ := w.Resolve(d.Zone)
	return t
}

// loaf is when a loaf is wanted.
func (d draft) loaf(l Loaf) (out schedule.Job, err error) {
	out.Whenever = l.When == Whenever
	for _, one := range []struct {
		at   string
		wall timetable.Wall
		into *int
	}{{"/from", l.From, &out.From}, {"/by", l.By, &out.By}, {"/pin", l.Pin, &out.Pin.From}} {
		if one.wall.IsZero() {
			continue
		}
		t := d.instant(one.wall)
		if *one.into = d.minute(t); *one.into <= 0 || *one.into > d.wanted.Ends {
			return out, fault.At(one.at, "%s is not on this day: it goes from %s to %s", one.wall,
				timetable.WallOf(d.from, d.Zone), timetable.WallOf(d.clock(d.wanted.Ends), d.Zone))
		}
	}
	switch {
	case l.When == By:
		out.From = out.By
	case l.When == Whenever:
		out.From, out.By = 0, 0
	}
	if !l.Pin.IsZero() {
		out.Pin = schedule.Span{From: out.Pin.From - about, To: out.Pin.From + about + 1}
	}
	return out, nil
}

// about is how near to where a loaf was put it is done, minutes.
const about = 5

// hours are those in which nobody is there, and in which nothing sounds.
func (d *draft) hours() {
	w := &d.wanted
	w.Now = max(0, d.minute(d.Now))
	for _, s := range d.shut() {
		span := schedule.Span{From: minutes(s.From.Sub(d.from)), To: d.minute(s.To)}
		switch {
		case !s.Quiet:
			w.Away = append(w.Away, span)
		case d.book.Nights:
			w.Quiet, w.Odd = append(w.Quiet, span), append(w.Odd, span)
		default:
			w.Quiet, w.Away = append(w.Quiet, span), append(w.Away, span)
		}
	}
	if d.book.Hands == 1 {
		for _, b := range d.Bakes {
			for _, m := range b.Hands {
				w.Away = append(w.Away, schedule.Span{From: minutes(m.At.Sub(d.from)), To: d.minute(m.To)})
			}
		}
	}
}

// shut are the hours of the day in which nobody is there, or nothing may sound.
func (d draft) shut() []Shut {
	end := d.clock(d.wanted.Ends)
	out := []Shut{}
	add := func(s Shut) {
		if s.From.Before(d.from) {
			s.From = d.from
		}
		if s.To.After(end) {
			s.To = end
		}
		if s.From.Before(s.To) {
			out = append(out, s)
		}
	}
	for _, a := range d.Kitchen.Absences {
		add(Shut{From: a.From, To: a.To, Name: a.Name})
	}
	for _, h := range d.book.Away {
		add(Shut{From: d.instant(h.From), To: d.instant(h.To), Name: h.Name})
	}
	if q := d.Kitchen.Quiet; !q.IsZero() {
		for n := -2; n <= 1; n++ {
			date := d.Date.AddDays(n)
			from, to := d.at(date, int(q.From)), d.at(date, int(q.To))
			if q.To < q.From {
				to = d.at(date.AddDays(1), int(q.To))
			}
			add(Shut{From: from, To: to, Quiet: true})
		}
	}
	slices.SortStableFunc(out, func(a, b Shut) int { return a.From.Compare(b.From) })
	return out
}

// at is a time of a date, in minutes from midnight by the clock.
func (d draft) at(date interface {
	Begins(*time.Location) time.Time
}, minute int) time.Time {
	t := date.Begins(d.Zone)
	return time.Date(t.Year(), t.Month(), t.Day(), minute/60, minute%60, 0, 0, d.Zone)
}

// started finds the bakes that were started for loaves of the day: those of the same recipe, the first for the first.
func (d *draft) started() {
	taken := map[string]bool{}
	bakes := slices.Clone(d.Bakes)
	slices.SortStableFunc(bakes, func(a, b Bake) int { return a.Started.Compare(b.Started) })
	for n, l := range d.book.Loaves {
		for k := range bakes {
			if b := &bakes[k]; b.Recipe == l.Wish.RecipeID && !taken[b.ID] && !b.Started.Before(d.from) {
				taken[b.ID], d.bake[n] = true, b
				break
			}
		}
	}
}

// free is when a machine can be started: its last bake is out, and it has cooled.
func (d draft) free(m OwnedMachine) time.Time {
	free := d.from
	for _, b := range d.Bakes {
		if b.Machine != m.ID {
			continue
		}
		if at := d.out(b).Add(time.Duration(m.CoolDown) * time.Minute); at.After(free) {
			free = at
		}
	}
	return free
}

// beside leaves the machines, and one pair of hands, to the loaves of the days before and after that are still to come.
func (d *draft) beside() {
	lead := max(1, int(d.Kitchen.Lead))
	for _, b := range d.Beside {
		press, done := d.minute(d.instant(b.Stood.Press)), d.minute(d.instant(b.Stood.Done))
		n := slices.IndexFunc(d.Machines, func(m OwnedMachine) bool { return m.ID == b.Stood.Machine })
		if n < 0 || press <= d.minute(d.Now) || press > d.wanted.Ends || done < 0 {
			continue
		}
		m := &d.wanted.Machines[n]
		m.Taken = append(m.Taken, schedule.Span{From: press - max(m.Cool, lead), To: done + schedule.TakeOut})
		if d.book.Hands == 1 {
			d.wanted.Away = append(d.wanted.Away, schedule.Span{From: press - lead, To: press},
				schedule.Span{From: done, To: done + schedule.TakeOut})
		}
	}
}

// out is when a bake is out, or will be at the soonest.
func (d draft) out(b Bake) time.Time {
	switch {
	case !b.Ended.IsZero():
		return b.Ended
	case b.Ready.Before(d.Now):
		return d.Now.Add(schedule.TakeOut * time.Minute)
	}
	return b.Ready.Add(schedule.TakeOut * time.Minute)
}
