package kind

import (
	"math"
	"testing"

	"risepan/core/recipe"
)

// A figure, or a range of it, against the usual 57 to 72.
func TestAFigureIsJudgedByItsBand(t *testing.T) {
	usual := Band{57, 72}
	edge := 57.0 / 3 * 0.1 * 30 // 57, but for the last bits of the arithmetic
	for _, c := range []struct {
		band      Band
		low, high float64
		want      Verdict
	}{
		{usual, 60, 60, Inside}, {usual, 57, 72, Inside}, {usual, edge, edge, Inside}, {usual, 72 + 1e-9, 72 + 1e-9,
			Inside},
		{usual, 56.9, 56.9, Below}, {usual, 72.1, 80, Above}, {usual, 54, 60, MayBe}, {usual, 70, 74, MayBe},
		{usual, 50, 80, MayBe},
		{Band{}, 3, 3, NoBand},
	} {
		if got := c.band.Judge(c.low, c.high); got != c.want {
			t.Errorf("%v–%v against %v is %s, want %s", c.low, c.high, c.band, got, c.want)
		}
	}
}

func TestThirstyGrainRaisesTheHydrationBand(t *testing.T) {
	b := BandsOf(recipe.Wholemeal, 50)
	if math.Abs(b.Hydration.Low-63) > 1e-9 || math.Abs(b.Hydration.High-79.5) > 1e-9 {
		t.Errorf("half wholemeal: %v, want 63–79.5", b.Hydration)
	}
	if b := BandsOf(recipe.QuickBread, 50); !b.Hydration.IsZero() || !b.Yeast.IsZero() || b.Powder != (Band{3, 5}) {
		t.Errorf("a quick bread has bands of a yeast dough: %+v", b)
	}
}

func TestEveryKindHasARow(t *testing.T) {
	for _, k := range recipe.Kinds {
		if r := Of(k); r.Low <= 0 && r.OfAll.IsZero() || r.High < r.Low || r.Loose && !r.Batter ||
			r.Ending.Ready == "" || r.Ending.Keeps == "" {
			t.Errorf("%s has the row %+v", k, r)
		}
	}
}
