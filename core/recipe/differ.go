package recipe

import (
	"slices"
	"strings"

	"risepan/core/larder"
	"risepan/core/measure"
)

// Changed is one thing in which two revisions of a recipe differ.
type Changed struct {
	// the ingredient's name, or what of the card: name, kind, size, note, method
	Of   string        `json:"of"`
	Line string        `json:"line,omitzero"` // its id, of a line
	From string        `json:"from,omitzero"` // empty: it was not there
	To   string        `json:"to,omitzero"`   // empty: it is not there any more
	Was  measure.Grams `json:"was,omitzero"`  // of a line; 0 where it cannot be weighed
	Is   measure.Grams `json:"is,omitzero"`
	Fine bool          `json:"fine,omitzero"` // it is weighed to a tenth of a scale's usual step
}

// String is the change in words: "butter from 2 tbsp to 3 tbsp", "no raisins".
func (d Changed) String() string {
	switch {
	case d.From == "":
		return d.To + " " + d.Of
	case d.To == "":
		return "no " + d.Of
	}
	return d.Of + " from " + d.From + " to " + d.To
}

// Differ lists in what two revisions differ: lines first, in the order of the later one, then what was taken out, then
// the rest of the card.
func Differ(before, after Recipe, facts Lookup) []Changed {
	var out []Changed
	for _, l := range after.Lines {
		n := slices.IndexFunc(before.Lines, func(o Line) bool { return o.ID == l.ID })
		if n < 0 {
			c := changeOf(l, facts)
			c.To, c.Is = l.told(), gramsOf(l, facts)
			out = append(out, c)
			continue
		}
		o, c := before.Lines[n], changeOf(l, facts)
		c.From, c.To, c.Was, c.Is = o.told(), l.told(), gramsOf(o, facts), gramsOf(l, facts)
		if was := nameOf(o, facts); was != c.Of {
			c.From, c.To = c.From+" "+was, c.To+" "+c.Of
		}
		if c.From != c.To {
			out = append(out, c)
		}
	}
	for _, l := range before.Lines {
		if !slices.ContainsFunc(after.Lines, func(o Line) bool { return o.ID == l.ID }) {
			c := changeOf(l, facts)
			c.From, c.Was = l.told(), gramsOf(l, facts)
			out = append(out, c)
		}
	}
	for _, c := range []Changed{
		{Of: "name", From: before.Name, To: after.Name}, {Of: "kind", From: string(before.Kind),
			To: string(after.Kind)},
		{Of: "size", From: before.Size.String(), To: after.Size.String()}, {Of: "note", From: before.Note,
			To: after.Note},
		{Of: "method", From: strings.Join(before.Method, " "), To: strings.Join(after.Method, " ")},
	} {
		if c.From != c.To {
			out = append(out, c)
		}
	}
	return out
}

// told is a line's amount with when it goes in, for which part, and whether the loaf can do without.
func (l Line) told() string {
	words := []string{l.Amount.String()}
	for _, w := range []string{string(l.When), string(l.Part), l.Note} {
		if w != "" {
			words = append(words, w)
		}
	}
	if l.Optional {
		words = append(words, "optional")
	}
	return strings.Join(words, ", ")
}

// changeOf is a change of a line that is not told yet.
func changeOf(l Line, facts Lookup) Changed {
	i, _ := facts(l.Ingredient)
	return Changed{Of: nameOf(l, facts), Line: l.ID, Fine: i.Fine()}
}

func nameOf(l Line, facts Lookup) string {
	if i, ok := facts(l.Ingredient); ok {
		return i.Name
	}
	return string(l.Ingredient)
}

func gramsOf(l Line, facts Lookup) measure.Grams {
	i, _ := facts(l.Ingredient)
	g, err := i.Weigh(l.Amount)
	if err != nil {
		return 0
	}
	return g
}

// Liquid is the line of the dough that holds the most liquid; ok is false where there is none.
func (r Recipe) Liquid(facts Lookup) (line Line, ok bool) {
	most := measure.Grams(0)
	for _, l := range r.Lines {
		i, _ := facts(l.Ingredient)
		if g := gramsOf(l, facts); i.Kind == larder.Liquid && l.Part == InDough && g > most {
			line, ok, most = l, true, g
		}
	}
	return line, ok
}
