package api

import (
	"io"
	"strconv"

	"risepan/core/fault"
	"risepan/core/kitchen"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/store"
	"risepan/usecase"
)

// The calls that take something from their query.

func changed(c *call) (usecase.Changes, error) {
	after, seen, err := c.after("the sum seen last")
	if err != nil {
		return usecase.Changes{}, err
	}
	out, err := c.Changes()
	if err == nil && seen && after == out.Sum {
		return out, errNotModified
	}
	return out, err
}

func brought(c *call) (usecase.Brought, error) {
	b, err := io.ReadAll(c.body)
	if err != nil {
		return usecase.Brought{}, err
	}
	return c.Bring(b)
}

func larder(c *call) (any, error) {
	if name := c.gin.Query("name"); name != "" {
		return c.Named(name)
	}
	return c.Larder()
}

func listRecipes(c *call) (usecase.Recipes, error) {
	search := store.Search{Words: c.gin.Query("find"), Away: c.gin.Query("away") == "true", After: c.gin.Query("after")}
	if err := c.word("kind", &search.Kind); err != nil {
		return usecase.Recipes{}, err
	}
	return c.ListRecipes(search)
}

// word reads a word of a vocabulary out of the query; none leaves it empty.
func (c *call) word(field string, into interface{ UnmarshalText([]byte) error }) error {
	text := c.gin.Query(field)
	if text == "" {
		return nil
	}
	if err := into.UnmarshalText([]byte(text)); err != nil {
		return fault.At("/"+field, "%v", err)
	}
	return nil
}

// number reads a whole number from one to another out of the query; where it is left out it is 0.
func (c *call) number(field, what string, least, most int) (int, error) {
	text := c.gin.Query(field)
	if text == "" {
		return 0, nil
	}
	n, err := strconv.Atoi(text)
	if err != nil || n < least || n > most {
		return 0, fault.At("/"+field, "%s wants %s, not %.20q", field, what, text)
	}
	return n, nil
}

// day reads a date out of the query; where it is left out it is none.
func (c *call) day(field string) (kitchen.Date, error) {
	text := c.gin.Query(field)
	if text == "" {
		return kitchen.Date{}, nil
	}
	d, err := kitchen.ParseDate(text)
	if err != nil {
		err = fault.At("/"+field, "%s wants a day such as 2026-11-25, not %.20q", field, text)
	}
	return d, err
}

func difference(c *call) (usecase.Difference, error) {
	id, err := c.id()
	if err != nil {
		return usecase.Difference{}, err
	}
	var ends [2]int
	for n, field := range []string{"from", "to"} {
		ends[n], err = c.number(field, "the number of a revision", 1, 1<<30)
		if err == nil && ends[n] == 0 {
			err = fault.At("/"+field, "say the number of a revision")
		}
		if err != nil {
			return usecase.Difference{}, err
		}
	}
	return c.Difference(id, ends[0], ends[1])
}

func troubles(c *call) (usecase.Troubles, error) {
	id, err := c.id()
	if err != nil {
		return usecase.Troubles{}, err
	}
	var core measure.Temperature
	if err := c.word("core", &core); err != nil {
		return usecase.Troubles{}, err
	}
	return c.Troubles(id, core)
}

func carryRecipe(c *call) (usecase.Paper, error) {
	id, err := c.id()
	if err != nil {
		return usecase.Paper{}, err
	}
	return c.CarryRecipe(id, c.gin.Query("as"))
}

func carryPlan(c *call) (usecase.Paper, error) {
	var w plan.Wish
	if err := c.read(&w); err != nil {
		return usecase.Paper{}, err
	}
	return c.CarryPlan(w, c.gin.Query("what"), c.gin.Query("as"))
}

func week(c *call) (usecase.Week, error) {
	of, err := c.day("of")
	if err != nil {
		return usecase.Week{}, err
	}
	return c.Week(of)
}

func mends(c *call) (usecase.Mends, error) {
	date, err := c.date()
	if err != nil {
		return usecase.Mends{}, err
	}
	return c.MendDay(date, c.gin.Query("loaf"))
}

// showRehearsal shows a rehearsal whole, or how it stands alone.
func showRehearsal(c *call) (any, error) {
	id, err := c.id()
	if err != nil {
		return nil, err
	}
	if c.gin.Query("only") == "state" {
		return c.Rehearsed(id)
	}
	return c.ShowRehearsal(id)
}

// looking is what of the log is looked for.
func (c *call) looking() (out usecase.Looking, err error) {
	q := c.gin.Query
	out = usecase.Looking{Words: q("find"), Recipe: q("recipe"), Machine: q("machine"), Mark: q("mark")}
	if err = c.word("kind", &out.Kind); err == nil {
		err = c.word("sign", &out.Sign)
	}
	if err == nil {
		out.From, err = c.day("from")
	}
	if err == nil {
		out.To, err = c.day("to")
	}
	return out, err
}

func listBakes(c *call) (usecase.Log, error) {
	look, err := c.looking()
	if err != nil {
		return usecase.Log{}, err
	}
	if look != (usecase.Looking{}) { // what is looked for may be far back; the newest are not
		leave, err := c.server.spent[searches].gate.Enter(c.gin.Request.Context(), visitorOf(c.gin))
		if err != nil {
			return usecase.Log{}, err
		}
		defer leave()
	}
	return c.ListBakes(look, c.gin.Query("before"))
}

// The years that can be asked for.
const firstYear, lastYear = 1970, 9999

func year(c *call) (usecase.Year, error) {
	year, err := c.number("year", "one such as 2026", firstYear, lastYear)
	if err != nil {
		return usecase.Year{}, err
	}
	return c.Year(year)
}
