package larder

import (
	"math"
	"strings"
	"testing"
)

// A cup of a food holds what its cut lets it hold.
func TestShapes(t *testing.T) {
	for _, of := range []struct {
		id   ID
		said string
		cup  float64
	}{
		{"almonds", "whole, blanched", 143}, {"almonds", "flaked almonds", 92}, {"almonds", "slivers", 108},
		{"almonds", "", 115}, {"spinach", "cooked, squeezed", 180}, {"spinach", "baby spinach leaves", 30},
		{"spring-onion", "sliced", 100}, {"cranberries", "fresh", 100}, {"cheddar", "cubes", 132},
		{"water", "chopped", 236.6},
	} {
		i, ok := Get(of.id)
		if got := i.Shaped(of.said).PerCup; !ok || float64(got) != of.cup {
			t.Errorf("a cup of %s, %q, is %v g, not %v", of.id, of.said, got, of.cup)
		}
	}
}

// A row of the shapes says something that the food's own row does not, within what any food can weigh.
func TestShapesSaySomething(t *testing.T) {
	all, err := readShapes(shapesSheet)
	if err != nil {
		t.Fatal(err)
	}
	seen := 0
	for id, cuts := range all {
		i, _ := Get(id)
		words := map[string]bool{}
		differs := false
		for _, s := range cuts {
			seen++
			differs = differs || math.Abs(float64(s.cup/i.PerCup)-1) > 0.1
			for _, w := range s.words {
				if words[w] {
					t.Errorf("%s: %q stands in two rows", id, w)
				}
				if words[w] = true; strings.Join(Words(w), " ") != w {
					t.Errorf("%s: %q is not a word in the singular", id, w)
				}
			}
			if s.cup < 5 || s.cup > 260 {
				t.Errorf("%s, %v: a cup of %v g", id, s.words, s.cup)
			}
		}
		if !differs {
			t.Errorf("%s: no shape differs from its own row", id)
		}
	}
	if seen < 50 {
		t.Errorf("only %d rows", seen)
	}
	for _, bad := range []string{"food,shape,cup\nwater,cut,none", "food,shape,cup\nnothing,cut,5", "food,shape,cup\n\"a"} {
		if _, err := readShapes(bad); err == nil {
			t.Errorf("%q is read", bad)
		}
	}
}
