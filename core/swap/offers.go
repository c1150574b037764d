package swap

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"risepan/core/fault"
	"risepan/core/formula"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/recipe"
)

// Offer is a swap that a line could have, with the formula before and after.
type Offer struct {
	Pick
	Name    string          `json:"name"` // of what goes in instead
	Says    string          `json:"says"` // what it changes
	Except  string          `json:"except,omitzero"`
	Before  formula.Formula `json:"before"`
	After   formula.Formula `json:"after"`
	Changes []Change        `json:"changes"`
	Problem string          `json:"problem,omitzero"` // why it cannot be made
	Keeps   bool            `json:"keeps,omitzero"`   // what spoils gives way to what keeps
}

// Change is one line that a swap moves, at the recipe's written size.
type Change struct {
	Ingredient larder.ID     `json:"ingredient"`
	Name       string        `json:"name"`
	Before     measure.Grams `json:"before"`
	After      measure.Grams `json:"after"`
	Fine       bool          `json:"fine,omitzero"` // it is weighed to a tenth of a scale's usual step
}

// Offers lists the swaps that a line of a recipe could have; of every line, one after another, where
// none is named.
func Offers(r recipe.Recipe, facts recipe.Lookup, line string) []Offer {
	out := []Offer{}
	lines, err := r.Weigh(facts)
	if err != nil {
		return out
	}
	before := formula.FromRecipe(lines)
	for _, l := range lines {
		for _, how := range table {
			if how.from != l.Line.Ingredient || l.Line.Part != recipe.InDough || line != "" && line != l.Line.ID {
				continue
			}
			shares := how.shares
			if len(shares) == 0 {
				shares = []int{0}
			}
			for _, share := range shares {
				if share == 100 {
					share = 0
				}
				out = append(out, offer(r, facts, lines, before, l, how, share))
			}
		}
	}
	return out
}

func offer(r recipe.Recipe, facts recipe.Lookup, lines []recipe.Weighed, before formula.Formula, l recipe.Weighed,
	how row, share int) Offer {
	o := Offer{Pick: Pick{l.Line.ID, how.id(), share}, Name: how.name, Says: how.says, Except: how.except,
		Before: before, After: before, Changes: []Change{}}
	to, _ := facts(how.to)
	switch {
	case how.to == "":
		o.Name = "leave it out"
	case o.Name == "":
		o.Name = to.Name
	}
	if share > 0 {
		o.Name = fmt.Sprintf("%s for %d %% of it", o.Name, share)
	}
	o.Keeps = l.Ingredient.Spoils && !to.Spoils
	swapped, err := Apply(r, facts, o.Pick)
	if err != nil {
		o.Problem = detail(err)
		return o
	}
	after, err := swapped.Weigh(facts)
	if err != nil {
		o.Problem = detail(err)
		return o
	}
	o.After = formula.FromRecipe(after)
	o.Changes = changes(lines, after)
	return o
}

// detail is an error's word without its pointer.
func detail(err error) string {
	if f, ok := err.(*fault.Fault); ok {
		return f.Detail
	}
	return err.Error()
}

// changes lists the ingredients whose weight differs, in the order of the recipe before, then new ones.
func changes(before, after []recipe.Weighed) []Change {
	var out []Change
	at := func(i *larder.Ingredient) *Change {
		n := slices.IndexFunc(out, func(c Change) bool { return c.Ingredient == i.ID })
		if n < 0 {
			n = len(out)
			out = append(out, Change{Ingredient: i.ID, Name: i.Name, Fine: i.Fine()})
		}
		return &out[n]
	}
	for _, l := range before {
		at(l.Ingredient).Before += l.Grams
	}
	for _, l := range after {
		at(l.Ingredient).After += l.Grams
	}
	return slices.DeleteFunc(out, func(c Change) bool { return math.Abs(float64(c.After-c.Before)) < nothing })
}

// DelaySafe lists the swaps that rid a recipe of all that would spoil in a delay, made one after
// another; rest names what cannot be swapped.
func DelaySafe(r recipe.Recipe, facts recipe.Lookup) (picks []Pick, rest []string) {
	for {
		lines, err := r.Weigh(facts)
		if err != nil {
			return picks, rest
		}
		n := slices.IndexFunc(lines, func(l recipe.Weighed) bool {
			return l.Ingredient.Spoils && l.Line.Part == recipe.InDough && !slices.Contains(rest, l.Ingredient.Name)
		})
		if n < 0 {
			return picks, rest
		}
		mended := false
		for _, how := range table {
			to, _ := facts(how.to)
			if mended || how.from != lines[n].Line.Ingredient || to.Spoils {
				continue
			}
			p := Pick{Line: lines[n].Line.ID, Swap: how.id()}
			if next, err := Apply(r, facts, p); err == nil {
				r, picks, mended = next, append(picks, p), true
			}
		}
		if !mended {
			rest = append(rest, lines[n].Ingredient.Name)
		}
	}
}

// Said says what a pick does, for a plan: "whole milk → water and dry milk".
func (p Pick) Said(facts recipe.Lookup) string {
	how, ok := find(p.Swap)
	if !ok {
		return string(p.Swap)
	}
	from, _ := facts(how.from)
	name := how.name
	if to, ok := facts(how.to); ok && name == "" {
		name = to.Name
	}
	if name == "" {
		name = "left out"
	}
	share := ""
	if p.Share > 0 && p.Share < 100 {
		share = fmt.Sprintf("%d %% of ", p.Share)
	}
	return strings.TrimSpace(share + from.Name + " → " + name)
}
