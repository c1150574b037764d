package daybook

import (
	"cmp"
	"fmt"
	"slices"
	"time"

	"risepan/core/day"
	"risepan/core/fault"
	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/timetable"
	"risepan/core/word"
)

// Day is a day's plan by the clock.
type Day struct {
	From     time.Time `json:"from"`
	To       time.Time `json:"to"`
	Loaves   []Planned `json:"loaves"` // in the book's order
	Machines []Lane    `json:"machines"`
	Shut     []Shut    `json:"shut"`  // in which nobody is there, or nothing may sound
	Hands    []Moment  `json:"hands"` // all that is to be done, in order
	Say      string    `json:"say"`   // how the day comes out
	Off      string    `json:"off,omitzero"`
	Cost     day.Cost  `json:"cost"`
}

// Standing is how far a loaf of a day is.
type Standing string

const (
	ToCome   Standing = "to come"
	NoPlace  Standing = "no place"
	Running  Standing = "running"
	Finished Standing = "finished"
)

// Standings are how far a loaf can be.
var Standings = []Standing{ToCome, NoPlace, Running, Finished}

func (s Standing) Words() []string { return word.List(Standings) }
func (s *Standing) UnmarshalText(text []byte) error {
	return word.Read(s, text, "standing of a loaf", Standings)
}

// Planned is a loaf of the day as it is planned, or as it runs.
type Planned struct {
	ID       string           `json:"id"`
	Name     string           `json:"name"`
	Size     measure.LoafSize `json:"size,omitzero"`
	Standing Standing         `json:"standing"`
	Bake     string           `json:"bake,omitzero"` // that was started for it, by its id
	Machine  string           `json:"machine,omitzero"`
	On       string           `json:"on,omitzero"` // the machine's name
	Lent     bool             `json:"lent,omitzero"`
	Cycle    plan.CycleName   `json:"cycle,omitzero"`
	Load     time.Time        `json:"load,omitzero"`  // when loading begins
	Press    time.Time        `json:"press,omitzero"` // Start
	Begin    time.Time        `json:"begin,omitzero"` // of the cycle
	Ready    time.Time        `json:"ready,omitzero"`
	Taken    time.Time        `json:"taken,omitzero"` // out of the machine
	Done     time.Time        `json:"done,omitzero"`
	Free     time.Time        `json:"free,omitzero"`  // the machine has cooled
	Timer    machine.Minutes  `json:"timer,omitzero"` // what it shows; 0: no delay
	Panel    string           `json:"panel,omitzero"` // the presses, in short

	Presses []machine.Presses `json:"presses,omitzero"`
	Stages  []machine.Span    `json:"stages,omitzero"` // since the cycle's begin
	Late    machine.Minutes   `json:"late,omitzero"`
	Warm    machine.Minutes   `json:"warm,omitzero"`  // kept in the machine
	Early   machine.Minutes   `json:"early,omitzero"` // done before it is wanted
	Say     string            `json:"say,omitzero"`   // why it is not as it is wanted
	Was     *Stood            `json:"was,omitzero"`   // where it stood before, where that is somewhere else
	Hand    bool              `json:"hand,omitzero"`  // no delay: Start is pressed by hand at its time
	Dough   bool              `json:"dough,omitzero"` // leaves the machine unbaked
	Wish    *plan.Wish        `json:"wish,omitzero"`  // with which it is measured

	keepWarm machine.Minutes // that the machine keeps it warm
}

// Lane is a machine's day.
type Lane struct {
	ID   string    `json:"id"`
	Name string    `json:"name"`
	Lent bool      `json:"lent,omitzero"`
	Runs []Run     `json:"runs,omitzero"` // that are not of this day's loaves, or of them already
	Free time.Time `json:"free"`          // from when on it can be started
}

// Run is a bake that was started, or a loaf of another day.
type Run struct {
	Bake  string       `json:"bake,omitzero"`
	Date  kitchen.Date `json:"date,omitzero"` // of a loaf that is planned for another day
	Name  string       `json:"name"`
	Press time.Time    `json:"press"`
	Begin time.Time    `json:"begin"`
	Ready time.Time    `json:"ready"`
	Out   time.Time    `json:"out"` // as it was, or will be
	Over  bool         `json:"over,omitzero"`
}

// Shut are hours in which nobody is there, or nothing may sound.
type Shut struct {
	From  time.Time `json:"from"`
	To    time.Time `json:"to"`
	Name  string    `json:"name,omitzero"`
	Quiet bool      `json:"quiet,omitzero"`
}

// Doing is what hands do at a moment of the day.
type Doing string

const (
	Loads   Doing = "load"
	Helps   Doing = "help" // at a beep, or by the clock
	Takes   Doing = "take out"
	Follows Doing = "after" // shaping, the oven
)

// Doings are what hands do.
var Doings = []Doing{Loads, Helps, Takes, Follows}

func (d Doing) Words() []string { return word.List(Doings) }
func (d *Doing) UnmarshalText(text []byte) error {
	return word.Read(d, text, "work of hands", Doings)
}

// Moment is something for the hands.
type Moment struct {
	At   time.Time `json:"at"`
	To   time.Time `json:"to"`
	Loaf string    `json:"loaf,omitzero"` // of the day, by its id
	Bake string    `json:"bake,omitzero"` // that runs
	Name string    `json:"name"`          // of the loaf
	On   string    `json:"on,omitzero"`   // the machine's name
	Does Doing     `json:"does"`
	Say  string    `json:"say"`
}

// draft is a day on its way to be planned.
type draft struct {
	Place
	book   Book
	from   time.Time
	wanted day.Wanted
	ways   [][]way // of each loaf that is to be planned
	nth    []int   // its place in the book
	none   []error // of each loaf of the book: why it cannot be made at all
	bake   []*Bake // of each loaf of the book: that was started for it
}

// Make plans a day.
func Make(p Place, b Book) (Day, error) {
	d, err := p.draft(b)
	if err != nil {
		return Day{}, err
	}
	made, err := d.plan()
	if err != nil {
		return Day{}, err
	}
	return d.tell(made), nil
}

// draft lays a book out for the search.
func (p Place) draft(b Book) (draft, error) {
	if err := b.Check(); err != nil {
		return draft{}, err
	}
	from, to := Window(p.Date, p.Zone)
	d := draft{Place: p, book: b, from: from, none: make([]error, len(b.Loaves)), bake: make([]*Bake, len(b.Loaves))}
	d.started()
	d.wanted = day.Wanted{Pairs: b.Hands, Ends: minutes(to.Sub(from))}
	d.hours()
	for _, m := range p.machines(b) {
		d.wanted.Machines = append(d.wanted.Machines, day.Machine{Free: max(0, d.minute(d.free(m))), Cool: int(m.CoolDown)})
	}
	d.beside()
	for n, l := range b.Loaves {
		if d.bake[n] != nil {
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
			wanted.Ways = append(wanted.Ways, y.Way)
		}
		d.none[n], d.ways, d.nth = nil, append(d.ways, ways), append(d.nth, n)
		d.wanted.Loaves = append(d.wanted.Loaves, wanted)
	}
	return d, nil
}

// plan has the day planned; where none of its loaves is to be, there is nothing to do.
func (d draft) plan() (day.Plan, error) {
	if len(d.wanted.Loaves) == 0 {
		return day.Plan{Proven: true}, nil
	}
	w := d.wanted
	w.Was = d.was()
	return day.Make(w)
}

// was is where the loaves stood when the baker last changed the day.
func (d draft) was() []day.Placed {
	out := make([]day.Placed, len(d.nth))
	for n, at := range d.nth {
		out[n].None = true
		stood, ok := d.book.Was[d.book.Loaves[at].ID]
		if !ok {
			continue
		}
		for k, y := range d.ways[n] {
			if y.machine.ID == stood.Machine && !y.lent {
				out[n] = day.Placed{Way: k, Press: d.minute(d.instant(stood.Press)), Begin: d.minute(d.instant(stood.Begin)), Done: d.minute(d.instant(stood.Done))}
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
func (d draft) loaf(l Loaf) (out day.Loaf, err error) {
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
			return out, fault.At(one.at, "%s is not on this day: it goes from %s to %s", one.wall, timetable.WallOf(d.from, d.Zone), timetable.WallOf(d.clock(d.wanted.Ends), d.Zone))
		}
	}
	switch {
	case l.When == By:
		out.From = out.By
	case l.When == Whenever:
		out.From, out.By = 0, 0
	}
	if !l.Pin.IsZero() {
		out.Pin = day.Span{From: out.Pin.From - about, To: out.Pin.From + about + 1}
	}
	return out, nil
}

// about is how near to where a loaf was put it is done, minutes.
const about = 5

// hours are those in which nobody is there, and in which nothing sounds.
func (d *draft) hours() {
	w := &d.wanted
	if now := d.minute(d.Now); now > 0 {
		w.Away = append(w.Away, day.Span{From: 0, To: now})
	}
	for _, s := range d.shut() {
		span := day.Span{From: minutes(s.From.Sub(d.from)), To: d.minute(s.To)}
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
				w.Away = append(w.Away, day.Span{From: minutes(m.At.Sub(d.from)), To: d.minute(m.To)})
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
func (d draft) free(m Machine) time.Time {
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
		n := slices.IndexFunc(d.Machines, func(m Machine) bool { return m.ID == b.Stood.Machine })
		if n < 0 || press <= d.minute(d.Now) || press > d.wanted.Ends || done < 0 {
			continue
		}
		m := &d.wanted.Machines[n]
		m.Taken = append(m.Taken, day.Span{From: press - max(m.Cool, lead), To: done + day.TakeOut})
		if d.book.Hands == 1 {
			d.wanted.Away = append(d.wanted.Away, day.Span{From: press - lead, To: press}, day.Span{From: done, To: done + day.TakeOut})
		}
	}
}

// out is when a bake is out, or will be at the soonest.
func (d draft) out(b Bake) time.Time {
	switch {
	case !b.Ended.IsZero():
		return b.Ended
	case b.Ready.Before(d.Now):
		return d.Now.Add(day.TakeOut * time.Minute)
	}
	return b.Ready.Add(day.TakeOut * time.Minute)
}

// tell tells a plan by the clock.
func (d draft) tell(made day.Plan) Day {
	out := Day{From: d.from, To: d.clock(d.wanted.Ends), Loaves: make([]Planned, len(d.book.Loaves)), Shut: d.shut(), Cost: made.Cost}
	for n, l := range d.book.Loaves {
		out.Loaves[n] = Planned{ID: l.ID, Name: d.Recipes[l.Wish.RecipeID].Name, Size: l.Wish.Size, Standing: NoPlace}
		if b := d.bake[n]; b != nil {
			out.Loaves[n].runs(*b, d.out(*b), d.Place)
		} else if d.none[n] != nil {
			out.Loaves[n].Say = sentence(d.none[n].Error())
			out.Cost.Without++
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
				lane.Runs = append(lane.Runs, Run{Bake: b.ID, Name: b.Name, Press: b.Started, Begin: b.Begin, Ready: b.Ready, Out: d.out(b), Over: !b.Ended.IsZero()})
			}
		}
		for _, b := range d.Beside {
			if press := d.instant(b.Stood.Press); b.Stood.Machine == m.ID && !lane.Lent && press.After(d.Now) {
				done := d.instant(b.Stood.Done)
				lane.Runs = append(lane.Runs, Run{Name: b.Name, Date: b.Date, Press: press, Begin: d.instant(b.Stood.Begin), Ready: done, Out: done})
			}
		}
		out.Machines = append(out.Machines, lane)
	}
	out.Hands = d.moments(out)
	out.Say, out.Off = d.sum(out.Cost, made)
	return out
}

// runs tells of a loaf that was started.
func (l *Planned) runs(b Bake, out time.Time, p Place) {
	l.Bake, l.Machine, l.Standing = b.ID, b.Machine, Running
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
func (d draft) placed(l *Planned, y way, at day.Placed, asked Loaf) {
	g := y.programme
	l.Standing, l.Machine, l.On, l.Lent, l.Cycle = ToCome, y.machine.ID, y.machine.Name, y.lent, g.Setting.Cycle
	l.Load, l.Press, l.Begin, l.Ready = d.clock(at.Press-y.Load), d.clock(at.Press), d.clock(at.Begin), d.clock(at.Ready)
	l.Taken, l.Done = d.clock(at.Taken), d.clock(at.Done)
	l.Free = l.Taken.Add(time.Duration(day.TakeOut+int(y.machine.CoolDown)) * time.Minute)
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

// measured is the wish with which a loaf is measured and started at its time, and its programme then. A cycle that would
// not be chosen for a loaf with a time is named.
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
	return Stood{l.Machine, timetable.WallOf(l.Press, p.Zone), timetable.WallOf(l.Begin, p.Zone), timetable.WallOf(l.Done, p.Zone)}
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
			all = append(all, Moment{At: at, To: at.Add(time.Duration(takes) * time.Minute), Loaf: l.ID, Name: l.Name, On: l.On, Does: does, Say: say})
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
				add(l.Taken, day.TakeOut, Takes, m.Say)
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
