package larder_test

import (
	"testing"

	"risepan/core/larder"
)

// Every American name is read on a card as the very food that it names.
func TestAmericanNamesAreReadBack(t *testing.T) {
	seen := 0
	for _, i := range larder.All() {
		named := larder.InAmerican(&i)
		if named.Name == i.Name {
			continue
		}
		seen++
		if found := larder.Find(named.Name); found.Ingredient.ID != i.ID {
			t.Errorf("%s of an American kitchen is read as %q", named.Name, found.Ingredient.ID)
		}
		if named.ID != i.ID || named.GramsPerMl() != i.GramsPerMl() {
			t.Errorf("%s is another food than %s", named.Name, i.Name)
		}
	}
	if seen < 40 {
		t.Errorf("%d American names", seen)
	}
}
