package usecase

import (
	"bytes"
	"cmp"
	"strings"
	"time"

	"risepan/core/bake"
	"risepan/core/fault"
	"risepan/core/kitchen"
	"risepan/core/recipe"
	"risepan/core/tally"
	"risepan/formats"
	"risepan/store"
)

// Log is a page of a kitchen's bakes, newest first.
type Log struct {
	Bakes []BakeSummary `json:"bakes"`
	Next  string        `json:"next,omitzero"` // where the next page begins; left out on the last
	Week  kitchen.Date  `json:"week,omitzero"` // the first day of this week
	Zone  string        `json:"zone"`
	Now   time.Time     `json:"now"`
}

// logPage is how many bakes a page of the log shows.
const logPage = 50

// Looking is what of the log is looked for; its zero value is all of it.
type Looking struct {
	Words           string
	Kind            recipe.Kind
	Sign            bake.Sign
	Recipe, Machine string       // their ids
	From, To        kitchen.Date // the first day, and the day after the last
	Mark            string       // good, poor or empty
}

// The marks, of 5, from which a loaf is good and down from which it is poor.
const (
	goodMark = 4
	poorMark = 2
)

// page is what is looked for, as the store looks for it.
func (l Looking) page(zone *time.Location) (store.Page, error) {
	page := store.Page{Words: l.Words, Kind: l.Kind, Sign: l.Sign, Recipe: l.Recipe, Machine: l.Machine}
	for field, id := range map[string]string{"recipe": l.Recipe, "machine": l.Machine} {
		if id != "" && !store.ValidID(id) {
			return page, fault.At("/"+field, "this kitchen has no such %s", field)
		}
	}
	for day, at := range map[kitchen.Date]*time.Time{l.From: &page.From, l.To: &page.To} {
		if !day.IsZero() {
			*at = day.Begins(zone)
		}
	}
	switch l.Mark {
	case "":
	case "good":
		page.Least = goodMark
	case "poor":
		page.Worst = poorMark
	default:
		return page, fault.At("/mark", "look for good or poor loaves, or leave it empty")
	}
	return page, nil
}

// ListBakes shows a page of the log. Pages follow one another by time and id, so that a new bake moves
// none of them.
func (c *Scope) ListBakes(look Looking, from string) (Log, error) {
	k, zone, err := c.settings()
	if err != nil {
		return Log{}, err
	}
	week := func(at time.Time) kitchen.Date { return k.Kitchen.WeekOf(kitchen.DateOf(at, zone)) }
	page, err := look.page(zone)
	if err != nil {
		return Log{}, err
	}
	page.Most = logPage + 1
	if from != "" {
		at, after, _ := strings.Cut(from, "~")
		if page.Before, err = time.Parse(time.RFC3339Nano, at); err != nil || !store.ValidID(after) {
			return Log{}, fault.At("/before", "before wants where a page of the log begins, as the page before it said")
		}
		page.ID = after
	}
	glances, err := c.q.Glances(c.ctx, c.kitchen, page)
	if err != nil {
		return Log{}, err
	}
	out := Log{Bakes: []BakeSummary{}, Week: week(c.now), Zone: zone.String(), Now: c.now}
	if len(glances) > logPage {
		glances = glances[:logPage]
		last := glances[logPage-1]
		out.Next = last.StartedAt.UTC().Format(time.RFC3339Nano) + "~" + last.ID
	}
	for _, g := range glances {
		b := summary(g, c.now)
		b.Week = week(g.StartedAt)
		out.Bakes = append(out.Bakes, b)
	}
	return out, nil
}

// tablePage is how many bakes are read at once for the log as a table.
const tablePage = 500

// LogTable gives what is looked for in the log, whole, as a table for a spreadsheet. It is made before its first
// byte is sent, so that no half of it passes for the whole.
func (c *Scope) LogTable(look Looking) ([]byte, error) {
	_, zone, err := c.settings()
	if err != nil {
		return nil, err
	}
	page, err := look.page(zone)
	if err != nil {
		return nil, err
	}
	page.Most = tablePage
	var bakes []formats.Bake
	for {
		glances, err := c.q.Glances(c.ctx, c.kitchen, page)
		if err != nil {
			return nil, err
		}
		for _, g := range glances {
			bakes = append(bakes, formats.Bake{Recipe: g.Recipe, Machine: g.Machine, Size: g.Size,
				Panel: g.Cycle.Panel, Cycle: g.Cycle.Name,
				Started: g.StartedAt, Ready: g.Clock.Ready, Ended: g.Clock.End, Phase: g.Clock.Phase(c.now),
				Verdict: g.Verdict, Rehearsed: g.Rehearsed})
		}
		if len(glances) < tablePage {
			break
		}
		last := glances[len(glances)-1]
		page.Before, page.ID = last.StartedAt, last.ID
	}
	var table bytes.Buffer
	err = formats.WriteLog(&table, bakes, zone)
	return table.Bytes(), err
}

// Year is what a kitchen baked in a year.
type Year struct {
	Year     int      `json:"year"`
	Years    []int    `json:"years"` // in which it baked, newest first
	Money    string   `json:"money,omitzero"`
	Unpriced []string `json:"unpriced,omitzero"` // names of what has no price
	tally.Tally
}

// mostUnpriced is how many things without a price are named.
const mostUnpriced = 6

// Year is what was baked in a year; 0 is this one.
func (c *Scope) Year(year int) (Year, error) {
	k, zone, err := c.settings()
	if err != nil {
		return Year{}, err
	}
	out := Year{Year: cmp.Or(year, c.now.In(zone).Year()), Money: k.Kitchen.Money}
	first, err := c.q.FirstBake(c.ctx, c.kitchen)
	if err != nil {
		return Year{}, err
	}
	if first.IsZero() {
		first = c.now
	}
	for y := c.now.In(zone).Year(); y >= first.In(zone).Year(); y-- {
		out.Years = append(out.Years, y)
	}
	from := time.Date(out.Year, 1, 1, 0, 0, 0, 0, zone)
	loaves, err := c.q.Baked(c.ctx, c.kitchen, from, from.AddDate(1, 0, 0))
	if err != nil {
		return Year{}, err
	}
	out.Tally = tally.Of(loaves, k.Kitchen)
	for _, id := range out.Cost.Unpriced[:min(len(out.Cost.Unpriced), mostUnpriced)] {
		if i, ok := k.Kitchen.Ingredient(id); ok {
			out.Unpriced = append(out.Unpriced, i.Name)
		}
	}
	return out, nil
}
