package daybook

import (
	"fmt"
	"slices"
	"time"

	"risepan/core/day"
	"risepan/core/fault"
	"risepan/core/plan"
	"risepan/core/swap"
	"risepan/core/timetable"
)

// Mend is something that would have a loaf done nearer to its time.
type Mend struct {
	Say  string `json:"say"`
	Then string `json:"then"`          // how the day comes out
	Book *Book  `json:"book,omitzero"` // with it; nil where the baker has to do something first
}

// Mends are what would have a loaf nearer to its time, the best first: another cycle, the dispenser, what does not spoil, a
// bag made the evening before, a friend's machine, somebody at home, more time. What does not help is not named.
func Mends(p Place, b Book, id string) ([]Mend, error) {
	n := slices.IndexFunc(b.Loaves, func(l Loaf) bool { return l.ID == id })
	if n < 0 {
		return nil, fault.At("/loaf", "this day has no such loaf")
	}
	now, err := Make(p, b)
	if err != nil {
		return nil, err
	}
	m := mending{p, b, n, now, []tried{}}
	m.cycles()
	m.addIns()
	m.safe()
	m.unpinned()
	m.bagged()
	m.lent()
	m.hours()
	m.later()
	slices.SortStableFunc(m.found, func(a, b tried) int { return lessCost(a.cost, b.cost) })
	out := []Mend{}
	for _, t := range m.found {
		out = append(out, t.Mend)
	}
	return out, nil
}

func lessCost(a, b day.Cost) int {
	switch {
	case a.Less(b):
		return -1
	case b.Less(a):
		return 1
	}
	return 0
}

// mending looks for what would mend one loaf of a day.
type mending struct {
	Place
	book  Book
	nth   int
	now   Day
	found []tried
}

type tried struct {
	Mend
	cost day.Cost
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
	d, err := Make(m.Place, b)
	m.keep(d, err, b, say, own)
}

// keep keeps a change that helps.
func (m *mending) keep(d Day, err error, b Book, say string, own bool) {
	if err != nil || !d.Cost.Less(m.now.Cost) || !better(d.Loaves[m.nth], m.now.Loaves[m.nth]) {
		return
	}
	t := tried{Mend{Say: say, Then: d.Say}, d.Cost}
	if own {
		t.Book = &b
	}
	m.found = append(m.found, t)
}

// better reports whether a loaf fares better.
func better(l, was Planned) bool {
	switch {
	case was.Standing == NoPlace || l.Standing == NoPlace:
		return l.Standing != NoPlace
	case l.Late != was.Late:
		return l.Late < was.Late
	}
	return l.Early+l.Warm < was.Early+was.Warm
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
	}{{plan.InBox, "Let the dispenser drop the add-ins: nobody has to be there"}, {plan.AtStart, "Put the add-ins in at the start: nobody has to be there, and they are kneaded smaller"}} {
		m.try(m.with(func(l *Loaf) { l.Wish.AddIns = way.way }), way.say, true)
	}
}

// safe tries the loaf with nothing in it that spoils, so that the timer can wait.
func (m *mending) safe() {
	l := m.book.Loaves[m.nth]
	r := m.Recipes[l.Wish.RecipeID]
	picks, rest := swap.DelaySafe(r, m.Kitchen.Ingredient)
	if len(picks) > 0 && len(rest) == 0 && len(l.Wish.Swaps) == 0 {
		m.try(m.with(func(l *Loaf) { l.Wish.Swaps = picks }), "Make it delay-safe, so that the timer can wait: with dried milk or the like in place of what spoils", true)
	}
}

// unpinned tries the loaf wherever it fits best.
func (m *mending) unpinned() {
	if l := m.book.Loaves[m.nth]; !l.Pin.IsZero() {
		m.try(m.with(func(l *Loaf) { l.Pin = timetable.Wall{} }), "Take the pin out, and let it stand where it fits", true)
	}
	if l := m.book.Loaves[m.nth]; l.Only {
		m.try(m.with(func(l *Loaf) { l.Only = false }), "Let it bake on any machine", true)
	}
}

// bagged tries a bag of dry things, measured the evening before.
func (m *mending) bagged() {
	d, err := m.draft(m.book)
	if err != nil || m.book.Loaves[m.nth].Wish.BagID != "" {
		return
	}
	k := slices.Index(d.nth, m.nth)
	if k < 0 {
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
	m.keep(d.tell(made), nil, m.book, "Make up a bag the evening before: loading then takes 5 minutes", false)
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
		m.try(b, fmt.Sprintf("Have somebody there in spite of %s", name), true)
	}
	if len(m.Kitchen.Absences) > 0 {
		p := m.Place
		p.Kitchen.Absences = nil
		d, err := Make(p, m.book)
		m.keep(d, err, m.book, "Have somebody at home when it wants hands", false)
	}
	if !m.book.Nights {
		b := m.book
		b.Nights = true
		m.try(b, "Have somebody get up in the quiet hours; nothing sounds in them", true)
	}
	if m.book.Hands == 1 {
		b := m.book
		b.Hands = 2
		m.try(b, "Have a second pair of hands", true)
	}
}

// later is more time for it: as much as it is late.
func (m *mending) later() {
	l := m.now.Loaves[m.nth]
	if l.Late == 0 || l.Standing != ToCome {
		return
	}
	by := timetable.WallOf(l.Done.Add(time.Duration(4)*time.Minute).Truncate(5*time.Minute), m.Zone)
	d := draft{Place: m.Place}
	m.try(m.with(func(l *Loaf) { l.By = by }), "Give it until "+d.wall(l.Done), true)
}
