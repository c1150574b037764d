package scoop

import (
	"testing"

	"risepan/core/larder"
	"risepan/core/measure"
)

// fourteen is a sweet loaf of fourteen lines with three flours, resized from 1 1/2 to 2 lb.
func fourteen(t testing.TB) []Line {
	var out []Line
	for _, l := range []struct {
		id    string
		grams measure.Grams
	}{
		{"bread-flour", 250}, {"wholemeal-flour", 157.3}, {"rye-flour", 69.3}, {"water", 157.7}, {"milk", 162.7}, {"butter", 37.8},
		{"honey", 42.5}, {"sugar", 16.7}, {"salt", 10}, {"dry-milk", 11.3}, {"gluten", 12}, {"ground-spice", 4.7}, {"active-dry-yeast", 7.36}, {"raisins", 133.3},
	} {
		out = append(out, Line{Ingredient: ingredient(t, larder.ID(l.id)), Exact: l.grams})
	}
	return out
}

func eleven(t testing.TB) []measure.Measure {
	return owned(t, "1 cup", "3/4 cup", "1/2 cup", "1/3 cup", "1/4 cup", "1 tbsp", "1/2 tbsp", "1 tsp", "1/2 tsp", "1/4 tsp", "1/8 tsp")
}

func BenchmarkJointRoundingOfFourteenLines(b *testing.B) {
	lines, measures := fourteen(b), eleven(b)
	for b.Loop() {
		if len(NewSet(measures, measure.US).Joint(lines)) == 0 {
			b.Fatal("no solution")
		}
	}
}
