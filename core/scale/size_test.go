package scale

import (
	"testing"

	"risepan/core/measure"
	"risepan/core/recipe"
)

func TestASizeIsInferredFromFlourFirstAndWeightSecond(t *testing.T) {
	for _, c := range []struct {
		kind              recipe.Kind
		flour, everything measure.Grams
		want              measure.LoafSize
	}{
		{recipe.QuickBread, 244, 855, measure.LoafPounds(2, 1)}, {recipe.LowCarb, 260, 680, measure.LoafPounds(3, 2)},
		{recipe.LowCarb, 200, 540, measure.LoafPounds(1, 1)},
		{"", 250, 430, measure.LoafPounds(1, 1)}, {"", 309, 900, measure.LoafPounds(1, 1)},
		{"", 310, 500, measure.LoafPounds(3, 2)}, {"", 375, 660, measure.LoafPounds(3, 2)},
		{"", 500, 880, measure.LoafPounds(2, 1)}, {"", 700, 1200, measure.LoafPounds(5, 2)},
		{"", 0, 674, measure.LoafPounds(3, 2)}, {"", 0, 1200, measure.LoafPounds(5, 2)},
	} {
		if got := Infer(c.kind, c.flour, c.everything); got != c.want {
			t.Errorf("%.0f g flour, %.0f g in all is taken for %v, want %v", float64(c.flour), float64(c.everything),
				got, c.want)
		}
	}
}

func TestFlourThatContradictsTheNameIsQuestioned(t *testing.T) {
	if likely, ask := Questions(recipe.White, measure.LoafPounds(2, 1), 375); !ask || likely != measure.LoafPounds(3,
		2) {
		t.Errorf("called 2 lb with flour for 1 1/2: asked %v, %v", ask, likely)
	}
	if _, ask := Questions(recipe.White, measure.LoafPounds(3, 2), 420); ask {
		t.Error("420 g is 12 % over 375 g and within what a 1 1/2 lb loaf may have")
	}
}

func TestASizeForSoManySlices(t *testing.T) {
	sizes := []measure.LoafSize{measure.LoafPounds(2, 1), measure.LoafPounds(1, 1), measure.LoafPounds(3, 2)}
	for slices, want := range map[int]measure.LoafSize{4: measure.LoafPounds(1, 1), 8: measure.LoafPounds(1, 1),
		9: measure.LoafPounds(3, 2), 12: measure.LoafPounds(3, 2), 15: measure.LoafPounds(2, 1),
		30: measure.LoafPounds(2, 1)} {
		if got, ok := ForSlices(slices, sizes); got != want || ok != (slices <= 16) {
			t.Errorf("%d slices want %v, got %v (%v)", slices, want, got, ok)
		}
	}
}
