package api

import (
	"bytes"
	"fmt"
	"net/http"
	"strconv"
	"strings"
	"time"

	"github.com/gin-gonic/gin"

	"risepan/core/fault"
	"risepan/core/kitchen"
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

// looked is what of the log is looked for.
func (c *call) looked(zone *time.Location) (store.Page, error) {
	page := store.Page{Words: c.gin.Query("find")}
	if k := c.gin.Query("kind"); k != "" {
		if err := page.Kind.UnmarshalText([]byte(k)); err != nil {
			return page, fault.At("/kind", "%v", err)
		}
	}
	if sign := c.gin.Query("sign"); sign != "" {
		if err := page.Sign.UnmarshalText([]byte(sign)); err != nil {
			return page, fault.At("/sign", "%v", err)
		}
	}
	for field, id := range map[string]*string{"recipe": &page.Recipe, "machine": &page.Machine} {
		if *id = c.gin.Query(field); *id != "" && !store.ValidID(*id) {
			return page, fault.At("/"+field, "this kitchen has no such %s", field)
		}
	}
	for field, at := range map[string]*time.Time{"from": &page.From, "to": &page.To} {
		if day := c.gin.Query(field); day != "" {
			t, err := time.ParseInLocation(time.DateOnly, day, zone)
			if err != nil {
				return page, fault.At("/"+field, "%s wants a day such as 2026-11-25, not %.20q", field, day)
			}
			*at = t
		}
	}
	switch c.gin.Query("mark") {
	case "":
	case "good":
		page.Least = 4
	case "poor":
		page.Worst = 2
	default:
		return page, fault.At("/mark", "look for good or poor loaves, or leave it empty")
	}
	return page, nil
}

// listBakes shows a page of the log. Pages follow one another by time and id, so that a new bake moves
// none of them.
func (s *server) listBakes(c *call) (any, error) {
	k, zone, err := c.settings()
	if err != nil {
		return nil, err
	}
	week := func(at time.Time) kitchen.Date { return k.Kitchen.WeekOf(kitchen.DateOf(at, zone)) }
	page, err := c.looked(zone)
	if err != nil {
		return nil, err
	}
	page.Most = logPage + 1
	if from := c.gin.Query("before"); from != "" {
		at, after, _ := strings.Cut(from, "~")
		if page.Before, err = time.Parse(time.RFC3339Nano, at); err != nil || !store.ValidID(after) {
			return nil, problem(http.StatusBadRequest, "/before", "before wants where a page of the log begins, as the page before it said")
		}
		page.ID = after
	}
	glances, err := c.Glances(c.ctx, c.kitchen, page)
	if err != nil {
		return nil, err
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

// logTable gives what is looked for in the log, whole, as a table for a spreadsheet. It is made before its first
// byte is sent, so that no half of it passes for the whole.
func (s *server) logTable(gc *gin.Context) {
	c := s.callOf(gc)
	table, err := c.logTable()
	if err != nil {
		s.refuse(gc, err)
		return
	}
	gc.Header("Content-Disposition", fmt.Sprintf(`attachment; filename="bakes %s.csv"`, c.now.Format(time.DateOnly)))
	gc.Data(http.StatusOK, "text/csv; charset=utf-8", table)
}

func (c *call) logTable() ([]byte, error) {
	_, zone, err := c.settings()
	if err != nil {
		return nil, err
	}
	page, err := c.looked(zone)
	if err != nil {
		return nil, err
	}
	page.Most = tablePage
	var bakes []formats.Bake
	for {
		glances, err := c.Glances(c.ctx, c.kitchen, page)
		if err != nil {
			return nil, err
		}
		for _, g := range glances {
			bakes = append(bakes, formats.Bake{Recipe: g.Recipe, Machine: g.Machine, Size: g.Size, Panel: g.Cycle.Panel, Cycle: g.Cycle.Name,
				Started: g.StartedAt, Ready: g.Clock.Ready, Ended: g.Clock.End, Phase: g.Clock.Phase(c.now), Verdict: g.Verdict, Rehearsed: g.Rehearsed})
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

func (s *server) year(c *call) (any, error) {
	k, zone, err := c.settings()
	if err != nil {
		return nil, err
	}
	out := Year{Year: c.now.In(zone).Year(), Money: k.Kitchen.Money}
	if text := c.gin.Query("year"); text != "" {
		if out.Year, err = strconv.Atoi(text); err != nil || out.Year < 1970 || out.Year > 9999 {
			return nil, fault.At("/year", "year wants one such as 2026, not %.20q", text)
		}
	}
	first, err := c.FirstBake(c.ctx, c.kitchen)
	if err != nil {
		return nil, err
	}
	if first.IsZero() {
		first = c.now
	}
	for y := c.now.In(zone).Year(); y >= first.In(zone).Year(); y-- {
		out.Years = append(out.Years, y)
	}
	from := time.Date(out.Year, 1, 1, 0, 0, 0, 0, zone)
	loaves, err := c.Baked(c.ctx, c.kitchen, from, from.AddDate(1, 0, 0))
	if err != nil {
		return nil, err
	}
	out.Tally = tally.Of(loaves, k.Kitchen)
	for _, id := range out.Cost.Unpriced[:min(len(out.Cost.Unpriced), mostUnpriced)] {
		if i, ok := k.Kitchen.Ingredient(id); ok {
			out.Unpriced = append(out.Unpriced, i.Name)
		}
	}
	return out, nil
}
