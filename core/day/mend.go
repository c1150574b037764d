package day

import (
	"context"
	"fmt"
	"slices"

	"risepan/core/fault"
	"risepan/core/plan"
	"risepan/core/schedule"
	"risepan/core/swap"
	"risepan/core/timetable"
)

// Mend is something that would have a loaf done nearer to its time.
type Mend struct {
	Say  string        `json:"say"`
	Then string        `json:"then"`          // how the day comes out, or better
	Cost schedule.Cost `json:"cost"`          // of the day then
	Book *Book         `json:"book,omitzero"` // with it; nil where the baker has to do something first
}

// Mends are what would have a loaf nearer to its time, the best first: another cycle, the dispenser, what does not
// spoil, a bag made the evening before, a friend's machine, somebody at home, more time. What does not help is not
// named. It gives up soon after ctx ends, with ctx's error.
func Mends(ctx context.Context, p Place, b Book, id string) ([]Mend, error) {
	n := slices.IndexFunc(b.Loaves, func(l Loaf) bool { return l.ID == id })
	if n < 0 {
		return nil, fault.At("/loaf", "this day has no such loaf")
	}
	if _, there := p.Recipes[b.Loaves[n].Wish.RecipeID]; !there {
		return []Mend{}, nil // nothing helps a loaf whose recipe is gone
	}
	m := mending{Place: p, ctx: ctx, book: b, nth: n}
	d, made, err := m.plan(b)
	if err != nil {
		return nil, err
	}
	m.draft, m.cost, m.fares = d, d.cost(made), d.fareOf(made, n)
	m.cycles()
	m.addIns()
	m.safe()
	m.unpinned()
	m.bagged()
	m.lent()
	m.hours()
	m.later()
	slices.SortStableFunc(m.found, func(a, b Mend) int { return lessCost(a.Cost, b.Cost) })
	return append([]Mend{}, m.found...), ctx.Err()
}

func lessCost(a, b schedule.Cost) int {
	switch {
	case a.Less(b):
		return -1
	case b.Less(a):
		return 1
	}
	return 0
}

// hurry is how much of the usual search is done for each thing that might help.
const hurry = 16

// fare is how a loaf fares.
type fare struct {
	none bool // it has no place
	schedule.Placed
}

func (f fare) betterThan(was fare) bool {
	switch {
	case f.none || was.none:
		return !f.none
	case f.Late != was.Late:
		return f.Late < was.Late
	}
	return f.Waits < was.Waits
}

// fareOf is how a loaf of the book fares by a plan.
func (d draft) fareOf(made schedule.Plan, nth int) fare {
	k := slices.Index(d.nth, nth)
	if k < 0 || made.Loaves[k].None {
		return fare{none: true}
	}
	return fare{Placed: made.Loaves[k]}
}

// mending looks for what would mend one loaf of a day.
type mending struct {
	Place
	ctx   context.Context
	book  Book
	nth   int
	draft draft // of the day as it is
	cost  schedule.Cost
	fares fare
	found []Mend
}

// plan plans a book, in a hurry.
func (m *mending) plan(b Book) (draft, schedule.Plan, error) {
	d, err := m.Place.draft(m.ctx, b)
	if err != nil {
		return d, schedule.Plan{}, err
	}
	d.wanted.Hurry = hurry
	made, err := d.plan()
	return d, made, err
}

// with is the book with the loaf changed.
func (m *mending) with(change func(l *Loaf)) Book {
	b := m.book
	b.Loaves = slices.Clone(b.Loaves)
	change(&b.Loaves[m.nth])
	return b
}

// try plans a day with a change, and keeps what helps; own tells whether the book itself is changed by it.
func (m *mending) try(b Book, say string, own bool) {
	if d, made, err := m.plan(b); err == nil {
		m.keep(d, made, b, say, own)
	}
}

// keep keeps a change that helps.
func (m *mending) keep(d draft, made schedule.Plan, b Book, say string, own bool) {
	cost := d.cost(made)
	if !cost.Less(m.cost) || !d.fareOf(made, m.nth).betterThan(m.fares) {
		return
	}
	then, _ := d.sum(cost, made)
	t := Mend{Say: say, Then: then, Cost: cost}
	if own {
		t.Book = &b
	}
	m.found = append(m.found, t)
}

// cycles tries the other cycles that suit the dough.
func (m *mending) cycles() {
	for n, one := range m.Machines {
		l := m.book.Loaves[m.nth]
		if l.Only && one.ID != l.Wish.MachineID {
			continue
		}
		y, err := m.wayOf(l, n, one, option{})
		if err != nil {
			continue
		}
		for _, o := range y.programme.Setting.Options {
			if o.Suits && o.ID != y.programme.Setting.Cycle.ID {
				m.try(m.with(func(l *Loaf) { l.Wish.Cycle, l.Wish.MachineID, l.Only = o.ID, one.ID, true }),
					fmt.Sprintf("Bake it by %s on %s: %s", o.CycleName, one.Name, o.Total), true)
			}
		}
	}
}

// addIns tries the ways in of what goes in at the beep.
func (m *mending) addIns() {
	for _, way := range []struct {
		way plan.AddInWay
		say string
	}{{plan.InBox, "Let the dispenser drop the add-ins: nobody has to be there"},
		{plan.AtStart, "Put the add-ins in at the start: nobody has to be there, and they are kneaded smaller"}} {
		m.try(m.with(func(l *Loaf) { l.Wish.AddIns = way.way }), way.say, true)
	}
}

// safe tries the loaf with nothing in it that spoils, so that the timer can wait.
func (m *mending) safe() {
	l := m.book.Loaves[m.nth]
	r := m.Recipes[l.Wish.RecipeID]
	picks, rest := swap.DelaySafe(r, m.Kitchen.Ingredient)
	if len(picks) > 0 && len(rest) == 0 && len(l.Wish.Swaps) == 0 {
		m.try(m.with(func(l *Loaf) { l.Wish.Swaps = picks }),
			"Swap to timer-safe ingredients, so that the timer can wait: with dried milk or the like in place of what spoils", true)
	}
}

// unpinned tries the loaf wherever it fits best.
func (m *mending) unpinned() {
	if l := m.book.Loaves[m.nth]; !l.Pin.IsZero() {
		m.try(m.with(func(l *Loaf) { l.Pin = timetable.Wall{} }), "Unpin it, so that it can move",
			true)
	}
	if l := m.book.Loaves[m.nth]; l.Only {
		m.try(m.with(func(l *Loaf) { l.Only = false }), "Let it bake on any machine", true)
	}
}

// bagged tries a bag of dry things, measured the evening before.
func (m *mending) bagged() {
	d := m.draft
	k := slices.Index(d.nth, m.nth)
	if k < 0 || m.book.Loaves[m.nth].Wish.BagID != "" {
		return
	}
	ways := slices.Clone(d.wanted.Loaves[k].Ways)
	for n := range ways {
		ways[n].Load = min(ways[n].Load, loadBag)
	}
	d.wanted.Loaves = slices.Clone(d.wanted.Loaves)
	d.wanted.Loaves[k].Ways = ways
	made, err := d.plan()
	if err != nil {
		return
	}
	m.keep(d, made, m.book, "Make up a bag the evening before: loading then takes 5 minutes", false)
}

// lent tries a machine that friends lend.
func (m *mending) lent() {
	if m.book.Lent != "" {
		return
	}
	for _, one := range m.Machines {
		b := m.book
		b.Lent = one.ID
		m.try(b, fmt.Sprintf("Borrow a second machine like %s for the day", one.Name), true)
	}
}

// hours tries the day with somebody there.
func (m *mending) hours() {
	for n, h := range m.book.Away {
		b := m.book
		b.Away = slices.Delete(slices.Clone(b.Away), n, n+1)
		name := h.Name
		if name == "" {
			name = "the hours in which nobody is there"
		}
		m.try(b, fmt.Sprintf("Someone stays in during %s", name), true)
	}
	if len(m.Kitchen.Absences) > 0 {
		at := *m
		at.Kitchen.Absences = nil
		at.try(m.book, "Have somebody at home when it wants hands", false)
		m.found = at.found
	}
	if !m.book.Nights {
		b := m.book
		b.Nights = true
		m.try(b, "Have somebody get up in the quiet hours; nothing sounds in them", true)
	}
	if m.book.Hands == 1 {
		b := m.book
		b.Hands = 2
		m.try(b, "Get a helper", true)
	}
}

// later is more time for it: as much as it is late.
func (m *mending) later() {
	if m.fares.none || m.fares.Late == 0 {
		return
	}
	done := m.draft.clock((m.fares.Done + 4) / 5 * 5)
	by := timetable.WallOf(done, m.Zone)
	m.try(m.with(func(l *Loaf) { l.By = by }), "Allow until "+m.draft.wall(done), true)
}
