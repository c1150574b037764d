package recipe

import (
	"fmt"
	"strings"

	"risepan/core/fault"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/word"
)

const longText = 10_000

// headings begin a part of a recipe's text.
var headings = map[string]struct {
	part Part
	when When
}{
	"dough": {InDough, InPan}, "add-ins": {InDough, AtBeep}, "at the beep": {InDough, AtBeep},
	"at the first knead": {InDough, AtKnead}, "warmed first": {InDough, Warmed},
	"filling": {Filling, InPan}, "glaze": {Glaze, InPan}, "topping": {Topping, InPan},
}

// ReadLines reads a recipe's ingredients as people write them, one a line: "3 cups bread flour",
// "2 tbsp butter or oil", "1/2 cup raisins (optional), rinsed". A line such as "Add-ins:" or
// "Glaze:" begins a part. An ingredient that the larder lacks is guessed. The first line that cannot
// be read is a *fault.Fault at /text that says which.
func ReadLines(text string, s measure.Standard) ([]Line, error) {
	if len(text) > longText {
		return nil, fault.At("/text", "the recipe is too long: at most %d letters", longText)
	}
	var out []Line
	var part Part
	var when When
	for n, row := range strings.Split(text, "\n") {
		row = strings.TrimSpace(strings.TrimLeft(strings.TrimSpace(row), "-*•"))
		if row == "" {
			continue
		}
		if h, ok := headings[strings.ToLower(strings.TrimSpace(strings.TrimSuffix(row, ":")))]; ok && strings.HasSuffix(row, ":") {
			part, when = h.part, h.when
			continue
		}
		l, problem := readLine(row, s)
		if problem != "" {
			return nil, fault.At("/text", "line %d, %q: %s", n+1, word.Clip(row), problem)
		}
		l.ID, l.Part, l.When = fmt.Sprintf("l%d", len(out)+1), part, when
		out = append(out, l)
	}
	if len(out) == 0 {
		return nil, fault.At("/text", "write one ingredient a line, such as: 3 cups bread flour")
	}
	return out, nil
}

func readLine(row string, s measure.Standard) (l Line, problem string) {
	if len(row) > 200 {
		return l, "this line is too long"
	}
	amount, rest, ok := measure.ParsePrefix(row, s)
	if !ok {
		return l, "begin with an amount, such as 2 tbsp or 350 g"
	}
	l.Amount = amount
	if before, after, found := strings.Cut(rest, "(optional)"); found {
		l.Optional, rest = true, before+after
	}
	name, note, _ := strings.Cut(rest, ",")
	if i, ok := larder.Find(rest); ok { // names such as "olives, drained"
		name, note = i.Name, ""
	}
	l.Note = strings.TrimSpace(note)
	name = strings.TrimPrefix(strings.TrimSpace(name), "of ")
	first, others, _ := strings.Cut(name, " or ")
	if l.Ingredient, ok = know(first); !ok {
		return l, "say what it is"
	}
	if others != "" {
		for _, o := range strings.Split(others, " or ") {
			id, ok := know(o)
			if !ok {
				return l, "say what the choice is"
			}
			l.Or = append(l.Or, id)
		}
	}
	i, _ := larder.Know(l.Ingredient)
	if g, err := i.Weigh(l.Amount); err != nil {
		return l, err.Error()
	} else if g <= 0 {
		return l, "the amount must be more than nothing"
	}
	return l, ""
}

// know finds an ingredient by name, or guesses it.
func know(name string) (larder.ID, bool) {
	if i, ok := larder.Find(name); ok {
		return i.ID, true
	}
	i, ok := larder.Guess(name)
	return i.ID, ok
}

// Text writes the ingredients so that ReadLines reads them back.
func (r Recipe) Text() string {
	var b strings.Builder
	part, when := InDough, InPan
	for _, l := range r.Lines {
		if l.Part != part || l.When != when {
			for h, v := range map[string]struct {
				part Part
				when When
			}{"Dough": {InDough, InPan}, "Add-ins": {InDough, AtBeep}, "At the first knead": {InDough, AtKnead}, "Warmed first": {InDough, Warmed}, "Filling": {Filling, InPan}, "Glaze": {Glaze, InPan}, "Topping": {Topping, InPan}} {
				if v.part == l.Part && v.when == l.When {
					b.WriteString(h + ":\n")
				}
			}
			part, when = l.Part, l.When
		}
		b.WriteString(l.Amount.String())
		for n, id := range append([]larder.ID{l.Ingredient}, l.Or...) {
			i, _ := larder.Know(id)
			if n > 0 {
				b.WriteString(" or")
			}
			b.WriteString(" " + i.Name)
		}
		if l.Optional {
			b.WriteString(" (optional)")
		}
		if l.Note != "" {
			b.WriteString(", " + l.Note)
		}
		b.WriteByte('\n')
	}
	return b.String()
}
