package tally_test

import (
	"math"
	"slices"
	"testing"

	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/tally"
)

func TestAYearOfLoaves(t *testing.T) {
	k := kitchen.New("Test", "UTC")
	k.Prices = []kitchen.Price{{Ingredient: "bread-flour", Grams: 1500, Cost: 1.8}, {Ingredient: "salt", Grams: 750,
		Cost: 0.75}}
	white := []tally.Used{{"bread-flour", 375}, {"water", 240}, {"salt", 8}, {"active-dry-yeast", 5}}
	loaves := []tally.BakedLoaf{
		{"w", "Towpath white", 5, white}, {"w", "Towpath white", 4, white}, {"w", "Towpath white", 0, white},
		{"o", "Oat loaf", 2, []tally.Used{{"bread-flour", 300}, {"water", 230}, {"unknown thing", 40}}},
	}
	got := tally.Of(loaves, k)
	if got.Loaves != 4 || got.Judged != 3 || math.Abs(got.Mark-11.0/3) > 1e-9 {
		t.Errorf("%d loaves, %d judged, mark %g", got.Loaves, got.Judged, got.Mark)
	}
	if got.Flour != 3*375+300 {
		t.Errorf("%g g of flour", float64(got.Flour))
	}
	if len(got.Loved) != 2 || got.Loved[0].Recipe != "Towpath white" || got.Loved[0].Mark != 4.5 ||
		got.Loved[0].Loaves != 3 {
		t.Errorf("most loved: %+v", got.Loved)
	}
	want := 1425*1.8/1500 + 24*0.75/750
	if math.Abs(got.Cost.Sum-want) > 1e-9 || math.Abs(got.Cost.PerLoaf-want/4) > 1e-9 {
		t.Errorf("it cost %g, want %g", got.Cost.Sum, want)
	}
	if !slices.Equal(got.Cost.Unpriced, []larder.ID{"unknown thing", "active-dry-yeast"}) {
		t.Errorf("without a price: %v", got.Cost.Unpriced)
	}
	if share := float64(1425+24) / (1425 + 24 + 15 + 40); math.Abs(got.Cost.Priced-share) > 1e-9 {
		t.Errorf("%g of it has a price, want %g", got.Cost.Priced, share)
	}
	if none := tally.Of(nil, k); none.Loaves != 0 || none.Cost.Sum != 0 || len(none.Loved) != 0 {
		t.Errorf("nothing baked comes to %+v", none)
	}
}

func TestTheMainFlourIsTheOneOfWhichMostWasUsed(t *testing.T) {
	k := kitchen.New("Test", "UTC")
	for _, c := range []struct {
		used []tally.Used
		want larder.ID
	}{
		{[]tally.Used{{"water", 400}, {"bread-flour", 200}, {"wholemeal-flour", 201}}, "wholemeal-flour"},
		{[]tally.Used{{"bread-flour", 201}, {"wholemeal-flour", 200}, {"sugar", 300}}, "bread-flour"},
		{[]tally.Used{{"water", 400}, {"unknown thing", 500}}, ""},
	} {
		if got := tally.MainFlour(c.used, k); got != c.want {
			t.Errorf("%v: %q, want %q", c.used, got, c.want)
		}
	}
	if g := tally.Grams([]tally.Used{{"water", 400}, {"salt", 8}}); g != 408 {
		t.Errorf("400 g and 8 g come to %v", g)
	}
}
