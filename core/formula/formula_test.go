package formula

import (
	"math"
	"testing"

	"risepan/core/kind"
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
		portion(t, "bread-flour", 300), portion(t, "wholemeal-flour", 100), portion(t, "milk", 200),
		portion(t, "egg", 50),
		portion(t, "salted-butter", 40), portion(t, "sugar", 40), portion(t, "salt", 6), portion(t, "instant-yeast",
			4), raisins,
	})
	for _, c := range []struct {
		what      string
		got, want float64
	}{
		{"flour", float64(f.Flour), 400}, {"hydration", f.Hydration, 55.15}, {"salt", f.Salt, 1.76375},
		{"yeast", f.Yeast, 1.25},
		{"sugar", f.Sugar, 10.05}, {"fat", f.Fat, 10.9375}, {"grain", f.Grain, 25}, {"hidden salt", f.Hidden, 0.26375},
	} {
		if math.Abs(c.got-c.want) > 1e-9 {
			t.Errorf("%s is %v, want %v", c.what, c.got, c.want)
		}
	}
}

// 200 g of a starter fed with as much water as flour is 100 g of each: with 400 g of flour and 250 g of water
// it is a dough of 500 and 350.
func TestAStartersFlourAndWaterCountOnce(t *testing.T) {
	for _, id := range []larder.ID{"sourdough-starter", "rye-sourdough-starter", "wholemeal-sourdough-starter"} {
		f := Of([]Portion{portion(t, "bread-flour", 400), portion(t, id, 200), portion(t, "water", 250)})
		if f.Flour != 500 || math.Abs(f.Hydration-70) > 1e-9 {
			t.Errorf("with %s: %v g of flour at %v %%, want 500 at 70", id, f.Flour, f.Hydration)
		}
	}
}

func TestWithoutFlourThereIsNoFormula(t *testing.T) {
	if f := Of([]Portion{portion(t, "water", 200)}); f != (Formula{}) {
		t.Errorf("water alone has the formula %+v", f)
	}
}

// All on 375 g of flour by three cups of 125 g, with 63 parts of water, 236.25 g.
func TestHydrationByTheCupIsARange(t *testing.T) {
	f := Formula{Flour: 375, Hydration: 63}
	known := larder.Known{Weighed: 4, Mean: 125, Spread: 3, Enough: true}
	for _, c := range []struct {
		why       string
		flours    []Cupped
		low, high float64
	}{
		{"weighed flour has no range", nil, 63, 63},
		{"an unweighed cup holds 110 g sifted to 150 g scooped: 236.25 g of water on 450 g and on 330 g",
			[]Cupped{{Grams: 375, Cup: 125, Low: 110, High: 150}}, 52.5, 71.5909},
		{"a cup weighed four times with a spread of 3 g: three cups deviate by 3·√(3 + 9/4) = 6.8739 g, so 361.25 " +
			"to 388.75 g",
			[]Cupped{{Grams: 375, Cup: 125, Known: known}}, 60.7721, 65.3977},
		{"one weighed cup and two unweighed: 3·√(1 + 1/4) = 3.3541 g, twice, and 2·15 g less or 2·25 g more: 338.29 " +
			"to 431.71 g",
			[]Cupped{{Grams: 125, Cup: 125, Known: known}, {Grams: 250, Cup: 125, Low: 110, High: 150}}, 54.7245,
			69.8360},
	} {
		low, high := f.Range(c.flours)
		if math.Abs(low-c.low) > 0.001 || math.Abs(high-c.high) > 0.001 {
			t.Errorf("%s: %.4f to %.4f, want %.4f to %.4f", c.why, low, high, c.low, c.high)
		}
	}
}

// Two slices of 100 g bread flour, 70 g water, 10 g butter: starch 69 and sugars 1 + 0.01 = 70.01 g,
// protein 12.5 + 0.09, fat 1 + 8.1, fibre 3: half of each to the slice.
func TestASliceHoldsItsShareOfTheLoaf(t *testing.T) {
	s := PerSlice([]Portion{portion(t, "bread-flour", 100), portion(t, "water", 70), portion(t, "butter", 10)}, 2)
	for _, c := range []struct {
		what      string
		got, want measure.Grams
	}{{"net carbohydrate", s.NetCarbohydrate, 35.005}, {"protein", s.Protein, 6.295}, {"fat", s.Fat, 4.55},
		{"fibre", s.Fibre, 1.5}, {"salt", s.Salt, 0}} {
		if math.Abs(float64(c.got-c.want)) > 1e-9 {
			t.Errorf("%s is %v g a slice, want %v", c.what, c.got, c.want)
		}
	}
}

func TestGlutenIsAnAdditionUntilItIsAFlour(t *testing.T) {
	little := Of([]Portion{portion(t, "wholemeal-flour", 350), portion(t, "gluten", 9), portion(t, "water", 240)})
	much := Of([]Portion{portion(t, "lupin-flour", 60), portion(t, "oat-fibre", 40), portion(t, "gluten", 140),
		portion(t, "water", 240)})
	if little.Flour != 350 || much.Flour != 240 || much.Hydration != 100 {
		t.Errorf("flour is %v g beside 9 g of gluten and %v g with 140 g of it (hydration %v)", little.Flour,
			much.Flour, much.Hydration)
	}
}

func TestLikedLoavesWidenTheBands(t *testing.T) {
	b := Liking(kind.BandsOf(recipe.QuickBread, 0), []Formula{{Hydration: 50, Powder: 6}})
	if b.Powder != (kind.Band{Low: 3, High: 6}) || !b.Hydration.IsZero() {
		t.Errorf("a liked quick bread with 6 of baking powder makes the bands %+v", b)
	}
	if b := Liking(kind.BandsOf(recipe.White, 0), []Formula{{Hydration: 74, Salt: 2, Yeast: 1.5, Sugar: 3,
		Fat: 3}}); b.Hydration != (kind.Band{Low: 57, High: 74}) || b.Salt != (kind.Band{Low: 1.6, High: 2.8}) {
		t.Errorf("a liked loaf of 74 makes the bands %+v", b)
	}
}
