package plan

import (
	"fmt"
	"slices"

	"risepan/core/fault"
	"risepan/core/kitchen"
	"risepan/core/recipe"
	"risepan/core/scale"
	"risepan/core/swap"
)

// Swapped is a swap made for this loaf.
type Swapped struct {
	swap.Pick
	Says string `json:"says"` // "whole milk → water and dry milk"
}

// swapped is the recipe with the wished swaps made, one after another.
func (w Wish) swapped(k kitchen.Kitchen, r recipe.Recipe) (recipe.Recipe, []Swapped, error) {
	done := []Swapped{}
	if len(w.Swaps) > mostSwaps {
		return r, nil, fault.At("/swaps", "%d swaps are too many: at most %d", len(w.Swaps), mostSwaps)
	}
	for n, p := range w.Swaps {
		next, err := swap.Apply(r, k.Ingredient, p)
		if f, ok := err.(*fault.Fault); ok {
			return r, nil, fault.At(fmt.Sprintf("/swaps/%d%s", n, f.Pointer), "%s", f.Detail)
		} else if err != nil {
			return r, nil, err
		}
		r, done = next, append(done, Swapped{p, p.Said(k.Ingredient)})
	}
	return r, done, nil
}

const mostSwaps = 20

// Offers lists the swaps that the wish's recipe could have beside those it has.
func Offers(k kitchen.Kitchen, w Wish) []swap.Offer {
	r, err := w.Recipe.Choose(w.Without, w.Instead)
	if err == nil {
		r, _, err = w.swapped(k, r)
	}
	if err != nil {
		return []swap.Offer{}
	}
	return swap.Offers(r, k.Ingredient)
}

// mostWays is how many swaps a caution offers.
const mostWays = 3

// mending are the swaps for a line that neither fail nor need what is out too.
func mending(k kitchen.Kitchen, l scale.Line, offers []swap.Offer) []Way {
	var ways []Way
	for _, o := range offers {
		if o.Line != l.Line.ID || o.Problem != "" || o.Share > 0 || len(ways) == mostWays {
			continue
		}
		if slices.ContainsFunc(o.Changes, func(c swap.Change) bool {
			has, known := k.Has(c.Ingredient)
			return c.After > c.Before && known && has < c.After
		}) {
			continue
		}
		ways = append(ways, Way{Say: "Use " + o.Name, Swaps: []swap.Pick{o.Pick}})
	}
	return ways
}

// safe is the way out of a refused delay by swapping all that spoils, where that can be done.
func safe(k kitchen.Kitchen, w Wish) (Way, bool) {
	picks, rest := swap.DelaySafe(w.Recipe, k.Ingredient)
	if len(picks) == 0 || len(rest) > 0 {
		return Way{}, false
	}
	return Way{Say: "Make it delay-safe", Swaps: picks}, true
}
