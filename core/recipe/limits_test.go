package recipe

import (
	"slices"
	"testing"

	"risepan/core/measure"
	"risepan/core/readtest"
)

func TestEachPartOfARecipeIsFilledToItsLimit(t *testing.T) {
	with := func(field string, most int, fill func(r *Recipe, n int)) readtest.Limit {
		return readtest.Limit{Field: field, Most: most, Check: func(n int) error {
			r := Recipe{Name: "White", Kind: White, Size: measure.LoafPounds(1, 1), Standard: measure.US,
				Lines: make([]Line, 1)}
			fill(&r, n)
			return r.Check()
		}}
	}
	readtest.Limits(t, []readtest.Limit{
		with("/lines", 40, func(r *Recipe, n int) { r.Lines = make([]Line, n) }),
		with("/drawn", 1_000_000, func(r *Recipe, n int) { r.Drawn = n }),
		with("/lines/0/or", 6, func(r *Recipe, n int) {
			r.Lines[0].Or = slices.Repeat([]Choice{{Ingredient: "honey"}}, n)
		}),
		with("/method", 80, func(r *Recipe, n int) { r.Method = make([]string, n) }),
		with("/open", 40, func(r *Recipe, n int) { r.Open = make([]string, n) }),
		with("/meant", 10, func(r *Recipe, n int) { r.Meant = make([]string, n) }),
		with("/columns", 5, func(r *Recipe, n int) { r.Columns = slices.Repeat([]Column{{Size: r.Size}}, n) }),
	})
}
