package api

import (
	"slices"
	"time"

	"risepan/core/day"
	"risepan/core/daybook"
	"risepan/core/fault"
	"risepan/core/kitchen"
	"risepan/core/measure"
	"risepan/formats"
)

// DayView is a baking day: its book, and the best plan of it as things now stand.
type DayView struct {
	Date    kitchen.Date       `json:"date"`
	Weekday kitchen.Weekday    `json:"weekday"`
	Version int                `json:"version"` // 0: nothing was put on it yet
	Book    daybook.Book       `json:"book"`
	Day     daybook.Day        `json:"day"`
	Usual   []daybook.Loaf     `json:"usual,omitzero"`   // baked on that day of every week, and not in the book
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
	Mends []daybook.Mend `json:"mends"`
}

// date is the one that the path names.
func (c *call) date() (kitchen.Date, error) {
	d, err := kitchen.ParseDate(c.gin.Param("date"))
	if err != nil {
		return d, fault.At("/date", "%v", err)
	}
	return d, nil
}

// viewDay plans a book and tells how the day comes out.
func (c *call) viewDay(date kitchen.Date, b daybook.Book, version int) (DayView, daybook.Place, error) {
	p, err := c.dayPlace(date, b.Loaves)
	if err != nil {
		return DayView{}, p, err
	}
	usual := p.Usual(b)
	if version == 0 && len(b.Loaves) == 0 { // an untouched day begins with what is baked on it every week
		b.Loaves, usual = usual, nil
	}
	made, err := daybook.Make(p, b)
	if err != nil {
		return DayView{}, p, err
	}
	out := DayView{LeftOut: p.LeftOut, Date: date, Weekday: kitchen.WeekdayOf(date), Version: version, Book: b, Day: made, Usual: usual, Names: map[string]string{},
		Most: day.MostLoaves, Zone: p.Zone.String(), Now: c.now}
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

// dayNow is the day that the path names, as it now stands.
func (c *call) dayNow() (DayView, daybook.Place, error) {
	date, err := c.date()
	if err != nil {
		return DayView{}, daybook.Place{}, err
	}
	return c.dayOf(date)
}

// dayOf is a date's day as it now stands.
func (c *call) dayOf(date kitchen.Date) (DayView, daybook.Place, error) {
	b, version, err := c.DayBook(c.ctx, c.kitchen, date)
	if err != nil {
		return DayView{}, daybook.Place{}, err
	}
	return c.viewDay(date, b, version)
}

func (s *server) showDay(c *call) (any, error) {
	v, _, err := c.dayNow()
	return v, err
}

// keepDay keeps the book of a date. What is told is how the day moved by it.
func (s *server) keepDay(c *call) (any, error) {
	var b daybook.Book
	if err := c.read(&b); err != nil {
		return nil, err
	}
	version, err := c.version()
	if err != nil {
		return nil, err
	}
	date, err := c.date()
	if err != nil {
		return nil, err
	}
	before, _, err := c.DayBook(c.ctx, c.kitchen, date)
	if err != nil {
		return nil, err
	}
	b.Was = before.Was
	return c.setDay(date, version, b)
}

func (c *call) setDay(date kitchen.Date, version int, b daybook.Book) (any, error) {
	if err := b.Check(); err != nil {
		return nil, err
	}
	// The view is of the day as it will be: planned from version 1 on, so that an emptied day stays empty.
	v, p, err := c.viewDay(date, b, max(version, 1))
	if err != nil {
		return nil, err
	}
	kept := p.Keep(b, v.Day)
	if v.Version, err = c.KeepDay(c.ctx, c.kitchen, date, version, kept, c.now); err != nil {
		return nil, err
	}
	v.Book = kept
	return v, nil
}

// undoDay brings the book of a date back as it was before its newest change.
func (s *server) undoDay(c *call) (any, error) {
	version, err := c.version()
	if err != nil {
		return nil, err
	}
	date, err := c.date()
	if err != nil {
		return nil, err
	}
	b, err := c.DayBefore(c.ctx, c.kitchen, date, version)
	if err != nil {
		return nil, err
	}
	return c.setDay(date, version, b)
}

// mendDay tells what would have a loaf of a day nearer to its time.
func (s *server) mendDay(c *call) (any, error) {
	v, p, err := c.dayNow()
	if err != nil {
		return nil, err
	}
	mends, err := daybook.Mends(p, v.Book, c.gin.Query("loaf"))
	return Mends{mends}, err
}

// needsOfDay is what a date's loaves want in all.
func (s *server) needsOfDay(c *call) (any, error) {
	v, p, err := c.dayNow()
	if err != nil {
		return nil, err
	}
	plans, err := p.Plans(v.Book, v.Day)
	return daybook.Together(p.Kitchen, plans), err
}

// carryDay gives a date's hours as a calendar with alarms.
func (s *server) carryDay(c *call) (paper, error) {
	v, p, err := c.dayNow()
	if err != nil {
		return paper{}, err
	}
	name := "Baking on " + v.Date.String()
	return paper{name, "text/calendar", "ics", []byte(formats.Timetable(name, formats.DayLoaves(v.Date, v.Day), p.Zone, c.now))}, nil
}

// week tells how much is baked on the days of a date's week.
func (s *server) week(c *call) (any, error) {
	k, zone, err := c.settings()
	if err != nil {
		return nil, err
	}
	out := Week{Today: kitchen.DateOf(c.now, zone)}
	of := out.Today
	if text := c.gin.Query("of"); text != "" {
		if of, err = kitchen.ParseDate(text); err != nil {
			return nil, fault.At("/of", "%v", err)
		}
	}
	first := k.Kitchen.WeekOf(of)
	booked, err := c.DaysBooked(c.ctx, c.kitchen, first, first.AddDays(6))
	if err != nil {
		return nil, err
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

// regulars tells what the loaves that are baked every week want.
func (s *server) regulars(c *call) (any, error) {
	today, err := c.today()
	if err != nil {
		return nil, err
	}
	p, err := c.dayPlace(today, nil)
	if err != nil {
		return nil, err
	}
	return p.Regulars()
}

// NextOfDays is the next thing for hands of the loaves that are planned for today and tomorrow and do not run yet.
type NextOfDays struct {
	Date   kitchen.Date    `json:"date,omitzero"`
	Moment *daybook.Moment `json:"moment,omitzero"` // left out where nothing is planned
	Now    time.Time       `json:"now"`
}

func (s *server) nextOfDays(c *call) (any, error) {
	today, err := c.today()
	if err != nil {
		return nil, err
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
func (c *call) viewDays(from, to kitchen.Date) ([]DayView, error) {
	booked, err := c.DaysBooked(c.ctx, c.kitchen, from, to)
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
func (c *call) plannedLoaves(today kitchen.Date) ([]formats.Loaf, error) {
	views, err := c.viewDays(today, today.AddDays(daysInFeed))
	var out []formats.Loaf
	for _, v := range views {
		v.Day.Hands = slices.DeleteFunc(v.Day.Hands, func(m daybook.Moment) bool { return m.Loaf == "" })
		out = append(out, formats.DayLoaves(v.Date, v.Day)...)
	}
	return out, err
}
