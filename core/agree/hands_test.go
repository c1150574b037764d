package agree

import (
	"slices"
	"strings"
	"testing"

	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/core/scoop"
	"risepan/demo"
)

// Raw meat is weighed at every size, and fillings and toppings take no spoon that no hand has.
func TestRawMeatIsWeighedAndFillingsAreHandy(t *testing.T) {
	for _, r := range demo.Recipes() {
		for _, size := range []measure.LoafSize{oneLb, oneHalf, twoLb} {
			p, err := plan.Make(at(t, r, demo.Galley(), plan.Wish{}).Place,
				plan.Wish{LoafWish: plan.LoafWish{Size: size}})
			if err != nil {
				continue // a size of which its machine says why not
			}
			for _, l := range p.Lines {
				i, _ := larder.Know(l.Ingredient)
				if i != nil && i.Raw && len(l.Measured.Scoops) > 0 {
					t.Errorf("%s at %s: %s is measured as %q", r.Name, size, l.Name, l.Spoken)
				}
				eighths := slices.ContainsFunc(l.Measured.Scoops,
					func(s scoop.Scoops) bool { return strings.HasPrefix(s.Measure.Amount.String(), "1/8 tsp") })
				if l.Part != recipe.InDough && l.Exact > 8 && eighths {
					t.Errorf("%s at %s: the %s has %s as %q", r.Name, size, l.Part, l.Name, l.Spoken)
				}
			}
		}
	}
}
