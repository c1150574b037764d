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

// place is where and when lines go in.
type place struct {
	part Part
	when When
}

// partNames and momentNames are what headings of a recipe's text are written with; the dough at the
// beep has a name of its own.
var (
	partNames   = map[Part]string{InDough: "dough", Filling: "filling", Glaze: "glaze", Topping: "topping"}
	momentNames = map[When]string{InPan: "", AtBeep: "at the beep", AtKnead: "at the first knead", Warmed: "warmed first"}
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

// ReadLines reads a recipe's ingredients as people write them, one a line: "3 cups bread flour",
// "2 tbsp butter or oil", "1/2 cup raisins (optional), rinsed". A line such as "Add-ins:" or
// "Glaze:" begins a part. An ingredient that the larder lacks is guessed. The first line that cannot
// be read is a *fault.Fault at /text that says which.
func ReadLines(text string, s measure.Standard) ([]Line, error) {
	if len(text) > longText {
		return nil, fault.At("/text", "the recipe is too long: at most %d letters", longText)
	}
	var out []Line
	var here place
	for n, row := range strings.Split(text, "\n") {
		row = strings.TrimSpace(strings.TrimLeft(strings.TrimSpace(row), "-*•"))
		if row == "" {
			continue
		}
		if h, ok := headings[strings.ToLower(strings.TrimSpace(strings.TrimSuffix(row, ":")))]; ok && strings.HasSuffix(row, ":") {
			here = h
			continue
		}
		l, problem := readLine(row, s)
		if problem != "" {
			return nil, fault.At("/text", "line %d, %q: %s", n+1, word.Clip(row), problem)
		}
		l.ID, l.Part, l.When = fmt.Sprintf("l%d", len(out)+1), here.part, here.when
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
	name, note, _ := strings.Cut(rest, ",")
	l.Note = strings.TrimSpace(note)
	if before, after, found := strings.Cut(name, "(optional)"); found {
		l.Optional, name = true, before+after
	}
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

// Text writes the ingredients so that ReadLines reads the same lines back, their ids aside.
func (r Recipe) Text() string {
	var b strings.Builder
	var here place
	for _, l := range r.Lines {
		if p := (place{l.Part, l.When}); p != here {
			h := p.heading()
			b.WriteString(strings.ToUpper(h[:1]) + h[1:] + ":\n")
			here = p
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
