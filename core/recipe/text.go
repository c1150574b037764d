package recipe

import (
	"slices"
	"strings"

	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/vocab"
)

// place is where and when lines go in.
type place struct {
	part Part
	when When
}

// partNames and momentNames are what headings of a recipe's text are written with; the dough at the
// beep has a name of its own.
var (
	partNames   = map[Part]string{InDough: "dough", Filling: "filling", Glaze: "glaze", Topping: "topping"}
	momentNames = map[When]string{InPan: "", AtBeep: "at the beep", AtKnead: "at the first knead",
		Warmed: "warmed first"}
)

const addIns = "add-ins"

// heading is how a place is written above its lines.
func (p place) heading() string {
	moment := momentNames[p.when]
	switch {
	case p == place{InDough, AtBeep}:
		return addIns
	case moment == "":
		return partNames[p.part]
	case p.part == InDough:
		return moment
	}
	return partNames[p.part] + ", " + moment
}

// headings finds a place by its heading in small letters.
var headings = func() map[string]place {
	out := map[string]place{"at the beep": {InDough, AtBeep}}
	for part := range partNames {
		for when := range momentNames {
			p := place{part, when}
			out[p.heading()] = p
		}
	}
	return out
}()

// Row is one line of a recipe as it is written, in its place.
type Row struct {
	Part Part
	When When
	Text string // amount, name and all beside them
}

// Write writes rows under the headings of their places.
func Write(rows []Row) string {
	var b strings.Builder
	var here place
	for _, r := range rows {
		if p := (place{r.Part, r.When}); p != here {
			b.WriteString(vocab.Upper(p.heading()) + ":\n")
			here = p
		}
		b.WriteString(r.Text + "\n")
	}
	return b.String()
}

// Edited is one line of a card as its baker has edited it.
type Edited struct {
	Row
	Amount string // as it is written; empty: none
	From   int    // which line of the card it was, from 1; 0: a new one
}

// With writes the card with edited lines in place of its own, so that ReadCard reads them back. What the
// card has for other sizes stays beside the line that it was of.
func (c Card) With(lines []Edited) string {
	r := c.Recipe()
	r.Open = nil // each is among the lines
	r.Method = slices.DeleteFunc(r.Method, func(s string) bool {
		return slices.ContainsFunc(c.Lines, func(u Understood) bool { return u.Loose && clip(u.Written) == s })
	})
	var rows []Row
	for _, l := range lines {
		row := l.Row
		if cells := c.cells(l); cells != nil {
			row.Text = strings.Join(append(cells, l.Text), " | ")
		} else {
			row.Text = strings.TrimSpace(l.Amount + " " + l.Text)
		}
		rows = append(rows, row)
	}
	return head(c.Sizes) + Write(rows) + r.Foot()
}

// head names the sizes of a table, where there are any.
func head(sizes []measure.LoafSize) string {
	var b strings.Builder
	for _, s := range sizes {
		b.WriteString(s.String() + " | ")
	}
	if b.Len() > 0 {
		b.WriteString("size\n")
	}
	return b.String()
}

// cells are the amounts of an edited line, one for each size of the card; none where there are no sizes, or
// the line has no amount.
func (c Card) cells(l Edited) []string {
	if l.Amount == "" {
		return nil
	}
	var out []string
	for _, size := range c.Sizes {
		text := none
		if at := slices.IndexFunc(c.Columns, func(o Column) bool { return o.Size == size }); at < 0 {
			text = l.Amount
		} else if l.From > 0 && l.From <= len(c.Columns[at].Amounts) {
			if a := c.Columns[at].Amounts[l.From-1]; a.Quantity.Sign() > 0 {
				text = a.String()
			}
		}
		out = append(out, text)
	}
	return out
}

// Text writes the recipe's lines, and what its card says beside them, so that ReadCard reads the same
// back. Amounts for other sizes stand beside the lines' own in a table.
func (r Recipe) Text() string {
	var rows []Row
	for n, l := range r.Lines {
		rows = append(rows, Row{l.Part, l.When, r.cells(n) + l.named()})
	}
	return head(r.sizes()) + Write(rows) + r.Foot()
}

// Foot is what stands below the lines: rows that are not understood, what it makes, the method.
func (r Recipe) Foot() string {
	var b strings.Builder
	if len(r.Open) > 0 {
		b.WriteString("To settle:\n" + strings.Join(r.Open, "\n") + "\n")
	}
	if r.Makes != "" {
		b.WriteString("Makes " + r.Makes + "\n")
	}
	if len(r.Method) > 0 {
		b.WriteString("Method:\n" + strings.Join(r.Method, "\n") + "\n")
	}
	return b.String()
}

// table is the recipe's columns with its own amounts among them, smallest size first.
func (r Recipe) table() []Column {
	own := Column{Size: r.Size}
	for _, l := range r.Lines {
		own.Amounts = append(own.Amounts, l.Amount)
	}
	all := append(slices.Clone(r.Columns), own)
	slices.SortFunc(all, func(a, b Column) int { return a.Size.Pounds().Cmp(b.Size.Pounds()) })
	return all
}

// sizes are those of the recipe's table; none where it has no other than its own.
func (r Recipe) sizes() (out []measure.LoafSize) {
	if len(r.Columns) == 0 {
		return nil
	}
	for _, c := range r.table() {
		out = append(out, c.Size)
	}
	return out
}

// cells are the amounts of a line, one for each size.
func (r Recipe) cells(n int) string {
	if len(r.Columns) == 0 {
		return r.Lines[n].amounts() + " "
	}
	var b strings.Builder
	for _, c := range r.table() {
		text := none
		if n < len(c.Amounts) && c.Amounts[n].Quantity.Sign() > 0 {
			text = c.Amounts[n].String()
		}
		b.WriteString(text + " | ")
	}
	return b.String()
}

// none stands in a table where a size has no amount.
const none = "–"

func (l Line) amounts() string {
	if l.Also.Quantity.Sign() > 0 {
		return l.Amount.String() + " (" + l.Also.String() + ")"
	}
	return l.Amount.String()
}

// named is what stands behind a line's amount.
func (l Line) named() string {
	i, _ := larder.Know(l.Ingredient)
	var b strings.Builder
	b.WriteString(i.Name)
	for _, c := range l.Or {
		i, _ := larder.Know(c.Ingredient)
		b.WriteString(", or ")
		if c.Amount.Quantity.Sign() > 0 {
			b.WriteString(c.Amount.String() + " ")
		}
		b.WriteString(i.Name)
	}
	if l.Optional {
		b.WriteString(" (optional)")
	}
	if l.Note != "" {
		b.WriteString(", " + l.Note)
	}
	return b.String()
}
