package larder_test

import (
	"testing"

	"risepan/core/larder"
	"risepan/core/readtest"
)

// Whatever a name is, it is looked up in time, and what it is taken for is in the larder.
func FuzzFindingAName(f *testing.F) {
	for _, name := range []string{"unsalted butter, softened", "strong wite flour", "raisens", "½ lemon (juice of)", "%",
		"aaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaa"} {
		f.Add(name)
	}
	f.Fuzz(func(t *testing.T, name string) {
		var found larder.Found
		readtest.Within(t, len(name), func() { found = larder.Find(name) })
		if _, known := larder.Get(found.Ingredient.ID); found.Sure == larder.Plainly && !known {
			t.Errorf("%q is taken for %q, which is not in the larder", name, found.Ingredient.ID)
		}
		if len(found.Near) > 3 {
			t.Errorf("%q is near %d rows", name, len(found.Near))
		}
	})
}
