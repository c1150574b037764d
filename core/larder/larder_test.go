package larder

import (
	"math"
	"testing"

	"risepan/core/measure"
)

func TestEveryRowOfTheLarderCanBe(t *testing.T) {
	seen := map[string]ID{}
	for _, i := range All() {
		s := i.Shares
		if sum := s.Water + s.Fat + s.Sugar + s.Salt + s.Protein + s.Starch + s.Fibre; sum > 101 {
			t.Errorf("%s: its shares add up to %.1f per 100 g", i.ID, sum)
		}
		if i.PerCup <= 0 && i.Each <= 0 {
			t.Errorf("%s has no weight by the cup or the piece", i.ID)
		}
		if i.Kind == Yeast && i.AsDry <= 0 {
			t.Errorf("%s raises nothing", i.ID)
		}
		if i.Kind == Flour && i.FlourPart < 0.9 { // grain to be milled loses a little
			t.Errorf("%s is a flour that does not count as flour", i.ID)
		}
		for _, name := range append([]string{i.Name}, i.Names...) {
			if other, ok := seen[name]; ok {
				t.Errorf("%q names both %s and %s", name, other, i.ID)
			}
			seen[name] = i.ID
		}
	}
}

func TestWeighingByCupSpoonAndPiece(t *testing.T) {
	for _, c := range []struct {
		name, amount string
		grams        float64
	}{
		{"bread flour", "3 cups", 375}, {"strong flour", "1 1/2 cups", 187.5}, {"salt", "1 1/2 tsp", 9}, {"eggs", "2", 100},
		{"active dry yeast", "2 1/4 tsp", 6.975}, {"active dry yeast", "1 packet", 7}, {"honey", "1 tbsp", 21.25},
		{"butter", "1 stick", 113.5}, {"water", "250 ml", 250.0127}, {"Orange Zest", "1", 6},
	} {
		i, ok := Find(c.name)
		if !ok {
			t.Errorf("%q is not in the larder", c.name)
			continue
		}
		a, err := measure.Parse(c.amount, measure.US)
		if err != nil {
			t.Fatal(err)
		}
		g, err := i.Weigh(a)
		if err != nil || math.Abs(float64(g)-c.grams) > 0.001 {
			t.Errorf("%s of %s weighs %.3f g (%v), want %.3f", c.amount, c.name, g, err, c.grams)
		}
	}
	flour, _ := Get("bread-flour")
	if _, err := flour.Weigh(measure.Of(3, 1, measure.Piece)); err == nil {
		t.Error("three pieces of flour were weighed")
	}
}
