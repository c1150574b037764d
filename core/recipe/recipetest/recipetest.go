// Package recipetest writes recipes for the tests of other rooms.
package recipetest

import (
	"strings"
	"testing"

	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/recipe"
)

// Lines reads lines parted by semicolons, each of which must be understood.
func Lines(t testing.TB, text string) []recipe.Line {
	t.Helper()
	c, err := recipe.ReadCard(strings.ReplaceAll(text, "; ", "\n"), measure.US, larder.Find)
	if err != nil {
		t.Fatal(err)
	}
	for _, u := range c.Lines {
		if u.Open() || u.Loose || u.Sure == larder.NearMiss {
			t.Fatalf("%q is not understood: %s", u.Written, u.Doubt)
		}
	}
	return c.Recipe().Lines
}
