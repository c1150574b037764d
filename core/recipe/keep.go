package recipe

import (
	"fmt"
	"slices"
	"strings"

	"risepan/core/fault"
	"risepan/core/measure"
	"risepan/core/validate"
)

// Column is what a card has for another loaf size: an amount for each line, in the order of the lines;
// none where the card has none.
type Column struct {
	Size    measure.LoafSize `json:"size"`
	Amounts []measure.Amount `json:"amounts"`
}

const (
	longCard     = 20_000 // bytes
	mostRows     = 400
	mostMethod   = 80
	longSentence = 600
	mostColumns  = 5
	longMakes    = 60
	mostMeant    = 10
)

// checkCard looks at what a recipe keeps of its card beside the lines.
func (r Recipe) checkCard() error {
	switch {
	case len(r.Method) > mostMethod:
		return fault.At("/method", "a method of %d sentences is too long: at most %d", len(r.Method), mostMethod)
	case len(r.Open) > mostLines:
		return fault.At("/open", "%d rows that are not understood are too many: at most %d", len(r.Open), mostLines)
	case len(r.Meant) > mostMeant:
		return fault.At("/meant", "%d figures are more than a formula has", len(r.Meant))
	case len(r.Columns) > mostColumns:
		return fault.At("/columns", "%d other sizes are too many: at most %d", len(r.Columns), mostColumns)
	case r.Settings.Cycle != "" && cycles[r.Settings.Cycle] != r.Settings.Cycle:
		return fault.At("/settings/cycle", "%q is no character of a cycle", r.Settings.Cycle)
	case r.Settings.Crust != "" && !slices.Contains([]string{"light", "medium", "dark"}, r.Settings.Crust):
		return fault.At("/settings/crust", "a crust is light, medium or dark")
	case r.Settings.Delay != "" && r.Settings.Delay != "yes" && r.Settings.Delay != "no":
		return fault.At("/settings/delay", "whether it may wait is yes or no")
	}
	if err := validate.Short("/makes", "what it makes", r.Makes, longMakes); err != nil {
		return err
	}
	for _, list := range []struct {
		field, what string
		texts       []string
	}{{"/method", "a sentence of the card", r.Method}, {"/open", "a row of the card", r.Open},
		{"/meant", "a figure that is meant", r.Meant}} {
		for n, s := range list.texts {
			at := fmt.Sprintf("%s/%d", list.field, n)
			if err := validate.Short(at, list.what, s, longSentence); err != nil {
				return err
			}
			if strings.Contains(s, "\n") || strings.TrimSpace(s) == "" {
				return fault.At(at, "%s is one line", list.what)
			}
		}
	}
	for n, c := range r.Columns {
		at := fmt.Sprintf("/columns/%d", n)
		if c.Size.IsZero() || len(c.Amounts) > len(r.Lines) {
			return fault.At(at, "the amounts for another size are one for each line, under its size")
		}
	}
	return nil
}

// clip keeps a sentence of a card within bounds.
func clip(s string) string {
	return first(longSentence, s)
}

// first is as much of a text as fits into so many letters.
func first(letters int, s string) string {
	if r := []rune(s); len(r) > letters {
		return strings.TrimSpace(string(r[:letters]))
	}
	return s
}

// At is the card with its lines at another of its sizes; the card itself where it has no such column.
func (c Card) At(size measure.LoafSize) Card {
	n := slices.IndexFunc(c.Columns, func(o Column) bool { return o.Size == size })
	if n < 0 || size.IsZero() {
		return c
	}
	here := Column{c.Size, nil}
	c.Lines = slices.Clone(c.Lines)
	for m := range c.Lines {
		here.Amounts = append(here.Amounts, c.Lines[m].Line.Amount)
		if other := c.Columns[n].Amounts[m]; other.Quantity.Sign() > 0 {
			c.Lines[m].Line.Amount, c.Lines[m].Line.Also = other, measure.Amount{}
		}
	}
	c.Columns = slices.Clone(c.Columns)
	c.Columns[n], c.Size = here, size
	return c
}

// Recipe is what of the card can be kept as a recipe: its lines, the rows that are not understood yet, and
// what it says beside them. What goes in to taste is a sentence of the method.
func (c Card) Recipe() Recipe {
	r := Recipe{Name: c.Name, Kind: c.Kind, Size: c.Size, Settings: c.Settings, Makes: c.Makes}
	var kept []int
	for n, u := range c.Lines {
		switch {
		case u.Loose:
			r.Method = append(r.Method, clip(u.Written))
		case u.Open():
			r.Open = append(r.Open, clip(u.Written))
		default:
			r.Lines = append(r.Lines, u.Line)
			kept = append(kept, n)
		}
	}
	for _, s := range append(slices.Clone(c.Method), c.Remarks...) {
		if len(r.Method) < mostMethod && !slices.Contains(r.Method, s) {
			r.Method = append(r.Method, s)
		}
	}
	for _, o := range c.Columns {
		column := Column{Size: o.Size}
		for _, n := range kept {
			column.Amounts = append(column.Amounts, o.Amounts[n])
		}
		r.Columns = append(r.Columns, column)
	}
	return r
}
