package formula

import (
	"math"
	"testing"

	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/recipe"
)

func portion(t *testing.T, id larder.ID, grams measure.Grams) Portion {
	t.Helper()
	i, ok := larder.Get(id)
	if !ok {
		t.Fatalf("no %s in the larder", id)
	}
	return Portion{Ingredient: i, Grams: grams}
}

// By hand, on 400 g of flour: 200 g milk brings 176 g water, 6.6 g fat, 0.2 g salt and milk sugar,
// which does not count; 50 g egg 38 g water, 4.75 g fat, 0.175 g salt, 0.2 g sugar; 40 g salted
// butter 6.4 g water, 32.4 g fat, 0.68 g salt. With 40 g sugar and 6 g salt: water 220.4 = 55.1 %,
// fat 43.75 = 10.9375 %, salt 7.055 = 1.76375 %, sugar 40.2 = 10.05 %. 4 g instant yeast is 5 g of
// active dry: 1.25 %, with 0.2 g water more: hydration 220.6 ÷ 4 = 55.15.
func TestBakersPercentagesCountHiddenWaterFatAndSalt(t *testing.T) {
	raisins := portion(t, "raisins", 100)
	f := Of([]Portion{
		portion(t, "bread-flour", 300), portion(t, "wholemeal-flour", 100), portion(t, "milk", 200), portion(t, "egg", 50),
		portion(t, "salted-butter", 40), portion(t, "sugar", 40), portion(t, "salt", 6), portion(t, "instant-yeast", 4), raisins,
	})
	for _, c := range []struct {
		what      string
		got, want float64
	}{
		{"flour", float64(f.Flour), 400}, {"hydration", f.Hydration, 55.15}, {"salt", f.Salt, 1.76375}, {"yeast", f.Yeast, 1.25},
		{"sugar", f.Sugar, 10.05}, {"fat", f.Fat, 10.9375}, {"grain", f.Grain, 25},
	} {
		if math.Abs(c.got-c.want) > 1e-9 {
			t.Errorf("%s is %v, want %v", c.what, c.got, c.want)
		}
	}
}

func TestWithoutFlourThereIsNoFormula(t *testing.T) {
	if f := Of([]Portion{portion(t, "water", 200)}); f != (Formula{}) {
		t.Errorf("water alone has the formula %+v", f)
	}
}

func TestThirstyGrainRaisesTheHydrationBand(t *testing.T) {
	b, ok := BandsOf(recipe.Wholemeal, 50)
	if !ok || math.Abs(b.Hydration.Low-63) > 1e-9 || math.Abs(b.Hydration.High-79.5) > 1e-9 {
		t.Errorf("half wholemeal: %v, want 63–79.5", b.Hydration)
	}
	if _, ok := BandsOf(recipe.QuickBread, 0); ok {
		t.Error("a quick bread has bands of a yeast dough")
	}
}

// 63 parts of water to a cup reckoned at 125 g: scooped at 150 g it is 63 × 125/150 = 52.5, sifted at
// 110 g it is 63 × 125/110 = 71.59.
func TestHydrationByAnUnweighedCupIsARange(t *testing.T) {
	low, high := HydrationByCup(Formula{Hydration: 63}, 125, 1)
	if math.Abs(low-52.5) > 1e-9 || math.Abs(high-71.5909) > 1e-4 {
		t.Errorf("from %.3f to %.3f, want 52.5 to 71.591", low, high)
	}
	if low, high := HydrationByCup(Formula{Hydration: 63}, 125, 0); low != 63 || high != 63 {
		t.Errorf("weighed flour has no range, got %v–%v", low, high)
	}
}
