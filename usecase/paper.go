package usecase

import (
	"maps"
	"slices"
	"strings"
	"time"

	"risepan/core/bake"
	"risepan/core/fault"
	"risepan/core/plan"
	"risepan/formats"
)

// Paper is something to be carried away: a file with a name.
type Paper struct {
	Name, Ending string
	Kind         string // its media type
	Body         []byte
}

// sheets are the ways in which a recipe is carried away, by their names.
var sheets = map[string]func(formats.Sheet) (Paper, error){
	"text": func(s formats.Sheet) (Paper, error) { return Paper{s.Name, "txt", "text/plain", []byte(s.Text())}, nil },
	"markdown": func(s formats.Sheet) (Paper, error) {
		return Paper{s.Name, "md", "text/markdown", []byte(s.Markdown())}, nil
	},
	"json": func(s formats.Sheet) (Paper, error) {
		b, err := s.JSONLD()
		return Paper{s.Name, "jsonld", "application/ld+json", b}, err
	},
}

// Sheets names the ways in which a recipe is carried away.
var Sheets = strings.Join(slices.Sorted(maps.Keys(sheets)), ", ")

func sheet(s formats.Sheet, as string) (Paper, error) {
	write, ok := sheets[as]
	if !ok {
		return Paper{}, fault.At("/as", "choose one of %s", Sheets)
	}
	return write(s)
}

// CarryRecipe gives a recipe as it is written.
func (c *Scope) CarryRecipe(id, as string) (Paper, error) {
	r, err := c.q.Recipe(c.ctx, c.kitchen, id, 0)
	if err != nil {
		return Paper{}, err
	}
	return sheet(formats.Written(r.Recipe), as)
}

// CarryPlan gives a planned loaf: its recipe at that size, its timetable or its shopping list.
func (c *Scope) CarryPlan(w plan.Wish, what, as string) (Paper, error) {
	m, err := c.fulfil(w, nil)
	if err != nil {
		return Paper{}, err
	}
	r, err := c.q.Recipe(c.ctx, c.kitchen, m.pins.RecipeID, m.pins.Revision)
	if err != nil {
		return Paper{}, err
	}
	switch what {
	case "recipe":
		return sheet(formats.Planned(m.Plan, r.Recipe), as)
	case "shopping":
		k, _, err := c.settings()
		out := Paper{m.Plan.Recipe + " shopping", "txt", "text/plain", nil}
		if as == "markdown" {
			out.Ending, out.Kind = "md", "text/markdown"
		}
		out.Body = []byte(formats.Shopping(m.Plan, m.Plan.Shop(k.Kitchen), as == "markdown"))
		return out, err
	case "timetable":
		return c.calendar(formats.LoafOf(m.Plan, m.Digest), m.Plan.Timer.Press)
	}
	return Paper{}, fault.At("/what", "carry away the recipe, the timetable or the shopping")
}

// CarryBake gives the hours of a started bake.
func (c *Scope) CarryBake(id string) (Paper, error) {
	b, err := c.q.Bake(c.ctx, c.kitchen, id)
	if err != nil {
		return Paper{}, err
	}
	happened, err := c.q.BakeHappenings(c.ctx, c.kitchen, id)
	if err != nil {
		return Paper{}, err
	}
	p := b.Plan
	l := formats.LoafOfBake(id, p.Recipe, p.Recipe+", "+p.Size.String()+", "+p.Machine,
		bake.At(p, happened, c.now).Moments)
	return c.calendar(l, p.Timer.Press)
}

// calendar is the hours of one loaf, of the day on which Start is pressed.
func (c *Scope) calendar(l formats.Entry, press time.Time) (Paper, error) {
	_, zone, err := c.settings()
	if err != nil {
		return Paper{}, err
	}
	day := press.In(zone).Format(time.DateOnly)
	return Paper{l.Name + " " + day, "ics", "text/calendar", []byte(formats.Timetable(l.Name, []formats.Entry{l}, zone,
		c.now))}, nil
}
