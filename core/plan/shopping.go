package plan

import (
	"fmt"
	"math"
	"slices"

	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/measure"
)

// Shopping is one thing that a loaf needs, and whether the house has it.
type Shopping struct {
	Ingredient larder.ID `json:"ingredient"`
	Name       string    `json:"name"`
	Need       string    `json:"need"`
	Has        string    `json:"has,omitzero"` // left out where nobody keeps count
	Buy        string    `json:"buy,omitzero"` // left out where there is enough
}

// Shop lists what the plan needs, in its order, beside what the house has. Water is at hand.
func (p Plan) Shop(k kitchen.Kitchen) []Shopping { return Shop(k, p) }

// Shop lists what some loaves need together, in their order, beside what the house has.
func Shop(k kitchen.Kitchen, plans ...Plan) []Shopping {
	out := []Shopping{}
	order, needs := Needs(plans...)
	for _, id := range order {
		need := needs[id]
		i, _ := k.Ingredient(id)
		if i.ID == larder.Water().ID {
			continue
		}
		s := Shopping{Ingredient: i.ID, Name: i.Name, Need: k.Weight(need, i.Fine())}
		if i.Counted() {
			s.Need = fmt.Sprintf("%.0f", math.Ceil(float64(need/i.Each)-0.01))
		}
		if has, known := k.Has(i.ID); known {
			s.Has = k.Weight(has, i.Fine())
			if has < need {
				s.Buy = k.Weight(need-has, i.Fine())
			}
		}
		out = append(out, s)
	}
	return out
}

// Needs is how much of each ingredient some loaves hold, and the ingredients in the order in which they come.
func Needs(plans ...Plan) (order []larder.ID, needs map[larder.ID]measure.Grams) {
	needs = map[larder.ID]measure.Grams{}
	for _, p := range plans {
		for _, l := range p.Lines {
			if _, there := needs[l.Ingredient]; !there {
				order = append(order, l.Ingredient)
			}
			needs[l.Ingredient] += l.Exact
		}
	}
	return order, needs
}

// LacksYeast reports whether the loaf wants a yeast of which the house has none.
func (p Plan) LacksYeast(k kitchen.Kitchen) bool {
	return slices.ContainsFunc(p.Lines, func(l Line) bool {
		i, _ := k.Ingredient(l.Ingredient)
		return i.Kind == larder.Yeast && !k.HasSome(i.ID)
	})
}
