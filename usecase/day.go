package usecase

import (
	"cmp"
	"context"
	"errors"
	"fmt"
	"path"
	"slices"
	"time"

	"risepan/core/day"
	"risepan/core/fault"
	"risepan/core/kitchen"
	"risepan/core/measure"
	"risepan/core/schedule"
	"risepan/formats"
	"risepan/store"
)

// DayView is a baking day: its book, and the best plan of it as things now stand.
type DayView struct {
	Date    kitchen.Date       `json:"date"`
	Weekday kitchen.Weekday    `json:"weekday"`
	Version int                `json:"version"` // 0: nothing was put on it yet
	Book    day.Book           `json:"book"`
	Day     day.Day            `json:"day"`
	Usual   []day.Loaf         `json:"usual,omitzero"`   // baked on that day of every week, and not in the book
	Names   map[string]string  `json:"names"`            // of the recipes, by id
	LeftOut []string           `json:"leftOut,omitzero"` // machines beyond those that a day is planned for
	Sizes   []measure.LoafSize `json:"sizes"`            // that some machine bakes
	Most    int                `json:"most"`             // loaves of a day
	Zone    string             `json:"zone"`
	Now     time.Time          `json:"now"`
}

// Week is how much is baked on the days of a week.
type Week struct {
	Days  []DayInWeek  `json:"days"`
	Today kitchen.Date `json:"today"`
}

// DayInWeek is one of them.
type DayInWeek struct {
	Date    kitchen.Date    `json:"date"`
	Weekday kitchen.Weekday `json:"weekday"`
	Loaves  int             `json:"loaves"`
}

// Mends are what would have a loaf of a day nearer to its time.
type Mends struct {
	Mends []day.Mend `json:"mends"`
}

// viewDay plans a book and tells how the day comes out.
func (c *Scope) viewDay(date kitchen.Date, b day.Book, version int) (DayView, day.Place, error) {
	p, err := c.dayPlace(date, b.Loaves)
	if err != nil {
		return DayView{}, p, err
	}
	usual := p.Usual(b)
	if version == 0 && len(b.Loaves) == 0 { // an untouched day begins with what is baked on it every week
		b.Loaves, usual = usual, nil
	}
	made, err := day.Make(c.ctx, p, b)
	if err != nil {
		return DayView{}, p, err
	}
	out := DayView{LeftOut: p.LeftOut, Date: date, Weekday: kitchen.WeekdayOf(date), Version: version, Book: b,
		Day: made, Usual: usual, Names: map[string]string{},
		Most: schedule.MostLoaves, Zone: p.Zone.String(), Now: c.now}
	for id, r := range p.Recipes {
		out.Names[id] = r.Name
	}
	for _, m := range p.Machines {
		for _, s := range m.Sizes {
			if !slices.Contains(out.Sizes, s) {
				out.Sizes = append(out.Sizes, s)
			}
		}
	}
	return out, p, nil
}

// dayOf is a date's day as it now stands.
func (c *Scope) dayOf(date kitchen.Date) (DayView, day.Place, error) {
	b, version, err := c.q.DayBook(c.ctx, c.kitchen, date)
	if err != nil {
		return DayView{}, day.Place{}, err
	}
	return c.viewDay(date, b, version)
}

// ShowDay is a baking day and the best plan of it.
func (c *Scope) ShowDay(date kitchen.Date) (DayView, error) {
	v, _, err := c.dayOf(date)
	return v, err
}

// KeepDay keeps the book of a date. What is told is how the day moved by it.
func (c *Scope) KeepDay(date kitchen.Date, version int, b day.Book) (DayView, error) {
	before, _, err := c.q.DayBook(c.ctx, c.kitchen, date)
	if err != nil {
		return DayView{}, err
	}
	b.Was = before.Was
	return c.setDay(date, version, b)
}

// plannings is how often a day is planned anew because something changed meanwhile, before it is stored as it is.
const plannings = 3

var errMoved = errors.New("the kitchen changed while the day was planned")

// setDay plans a book and keeps it. The day is planned outside of any transaction, for that may take its time, and
// stored in one of its own if nothing of the kitchen has changed meanwhile; else it is planned again.
func (c *Scope) setDay(date kitchen.Date, version int, b day.Book) (v DayView, err error) {
	if err := errors.Join(b.Check(), c.own(b)); err != nil {
		return v, err
	}
	for n := range plannings {
		before, err := c.Changes()
		if err != nil {
			return v, err
		}
		// The view is of the day as it will be: planned from version 1 on, so that an emptied day stays empty.
		planned, p, err := c.viewDay(date, b, max(version, 1))
		if err != nil {
			return v, err
		}
		v, v.Book = planned, p.Keep(b, planned.Day)
		err = c.Change("days", func(in *Scope) error {
			now, err := in.Changes()
			if err == nil && now.Sum != before.Sum && n < plannings-1 {
				return errMoved
			}
			if err == nil {
				v.Version, err = in.q.KeepDay(in.ctx, in.kitchen, date, version, v.Book, in.now)
			}
			return err
		})
		if err != errMoved {
			return v, err
		}
	}
	return v, nil
}

// own refuses a book with a recipe, a machine or a bag that this kitchen does not have. One that was put away is still
// its own.
func (c *Scope) own(b day.Book) error {
	for n, l := range b.Loaves {
		at := fmt.Sprintf("/loaves/%d/wish/", n)
		for _, thing := range []struct {
			field, id string
			has       func(context.Context, string, string) (bool, error)
		}{{"recipe", l.Wish.RecipeID, c.q.HasRecipe}, {"machine", l.Wish.MachineID, c.q.HasMachine},
			{"loaf/bag", l.Wish.BagID, c.q.HasBag}} {
			if thing.id == "" {
				continue
			}
			has, err := store.ValidID(thing.id), error(nil)
			if has {
				has, err = thing.has(c.ctx, c.kitchen, thing.id)
			}
			if err != nil {
				return err
			}
			if !has {
				return fault.At(at+thing.field, "this kitchen has no such %s", path.Base(thing.field))
			}
		}
	}
	return nil
}

// UndoDay brings the book of a date back as it was before its newest change.
func (c *Scope) UndoDay(date kitchen.Date, version int) (DayView, error) {
	b, err := c.q.DayBefore(c.ctx, c.kitchen, date, version)
	if err != nil {
		return DayView{}, err
	}
	return c.setDay(date, version, b)
}

// MendDay tells what would have a loaf of a day nearer to its time.
func (c *Scope) MendDay(date kitchen.Date, loaf string) (Mends, error) {
	v, p, err := c.dayOf(date)
	if err != nil {
		return Mends{}, err
	}
	mends, err := day.Mends(c.ctx, p, v.Book, loaf)
	return Mends{mends}, err
}

// NeedsOfDay is what a date's loaves want in all.
func (c *Scope) NeedsOfDay(date kitchen.Date) (day.Needs, error) {
	v, p, err := c.dayOf(date)
	if err != nil {
		return day.Needs{}, err
	}
	plans, err := p.Plans(v.Book, v.Day)
	return day.Together(p.Kitchen, plans), err
}

// CarryDay gives a date's hours as a calendar with alarms.
func (c *Scope) CarryDay(date kitchen.Date) (Paper, error) {
	v, p, err := c.dayOf(date)
	if err != nil {
		return Paper{}, err
	}
	name := "Baking on " + v.Date.String()
	return Paper{name, "ics", "text/calendar", []byte(formats.Timetable(name, formats.DayLoaves(v.Date, v.Day), p.Zone,
		c.now))}, nil
}

// Week tells how much is baked on the days of a date's week; of no date, of this one.
func (c *Scope) Week(of kitchen.Date) (Week, error) {
	k, zone, err := c.settings()
	if err != nil {
		return Week{}, err
	}
	out := Week{Today: kitchen.DateOf(c.now, zone)}
	first := k.Kitchen.WeekOf(cmp.Or(of, out.Today))
	booked, err := c.q.DaysBooked(c.ctx, c.kitchen, first, first.AddDays(6))
	if err != nil {
		return Week{}, err
	}
	for n := range 7 {
		d := DayInWeek{Date: first.AddDays(n)}
		d.Weekday = kitchen.WeekdayOf(d.Date)
		loaves, touched := booked[d.Date]
		if d.Loaves = loaves; !touched {
			for _, r := range k.Kitchen.Regulars {
				if r.On(d.Date) {
					d.Loaves++
				}
			}
		}
		out.Days = append(out.Days, d)
	}
	return out, nil
}

// Regulars tells what the loaves that are baked every week want.
func (c *Scope) Regulars() (day.Regular, error) {
	today, err := c.today()
	if err != nil {
		return day.Regular{}, err
	}
	p, err := c.dayPlace(today, nil)
	if err != nil {
		return day.Regular{}, err
	}
	return p.Regulars()
}

// NextOfDays is the next thing for hands of the loaves that are planned for today and tomorrow and do not run yet.
type NextOfDays struct {
	Date   kitchen.Date `json:"date,omitzero"`
	Moment *day.Moment  `json:"moment,omitzero"` // left out where nothing is planned
	Now    time.Time    `json:"now"`
}

// NextOfDays is the next thing for hands.
func (c *Scope) NextOfDays() (NextOfDays, error) {
	today, err := c.today()
	if err != nil {
		return NextOfDays{}, err
	}
	out := NextOfDays{Now: c.now}
	views, err := c.viewDays(today, today.AddDays(1))
	for _, v := range views {
		for n, m := range v.Day.Hands {
			if m.Loaf != "" && (out.Moment == nil || m.At.Before(out.Moment.At)) {
				out.Date, out.Moment = v.Date, &v.Day.Hands[n]
			}
		}
	}
	return out, err
}

// viewDays are the days from one date to another on which loaves stand.
func (c *Scope) viewDays(from, to kitchen.Date) ([]DayView, error) {
	booked, err := c.q.DaysBooked(c.ctx, c.kitchen, from, to)
	if err != nil {
		return nil, err
	}
	var out []DayView
	for date := from; to.Since(date) >= 0; date = date.AddDays(1) {
		if booked[date] == 0 {
			continue
		}
		v, _, err := c.dayOf(date)
		if err != nil {
			return nil, err
		}
		out = append(out, v)
	}
	return out, nil
}

// daysInFeed is for how many days ahead a calendar is told what is planned.
const daysInFeed = 7

// plannedLoaves are the loaves of the coming days that do not run yet, as a calendar shows them.
func (c *Scope) plannedLoaves(today kitchen.Date) ([]formats.Entry, error) {
	views, err := c.viewDays(today, today.AddDays(daysInFeed))
	var out []formats.Entry
	for _, v := range views {
		v.Day.Hands = slices.DeleteFunc(v.Day.Hands, func(m day.Moment) bool { return m.Loaf == "" })
		out = append(out, formats.DayLoaves(v.Date, v.Day)...)
	}
	return out, err
}
