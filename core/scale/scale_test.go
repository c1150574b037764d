package scale

import (
	"fmt"
	"math"
	"math/rand/v2"
	"testing"

	"risepan/core/formula"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/recipe"
)

// dough writes a recipe for 1 1/2 lb as "amount", "ingredient", ...
func dough(t testing.TB, kind recipe.Kind, pairs ...string) []recipe.Weighed {
	t.Helper()
	r := recipe.Recipe{Name: "test", Kind: kind, Size: measure.LoafPounds(3, 2)}
	for n := 0; n < len(pairs); n += 2 {
		a, err := measure.Parse(pairs[n], measure.US)
		if err != nil {
			t.Fatal(err)
		}
		i, ok := larder.Is(pairs[n+1])
		if !ok {
			t.Fatalf("no %s in the larder", pairs[n+1])
		}
		r.Lines = append(r.Lines, recipe.Line{ID: fmt.Sprint(n), Ingredient: i.ID, Amount: a})
	}
	w, err := r.Weigh(larder.Get)
	if err != nil {
		t.Fatal(err)
	}
	return w
}

func find(t *testing.T, lines []Scaled, id larder.ID) Scaled {
	t.Helper()
	for _, l := range lines {
		if l.Ingredient.ID == id {
			return l
		}
	}
	t.Fatalf("no %s among the lines", id)
	return Scaled{}
}

var (
	toOne = measure.LoafPounds(1, 1).Over(measure.LoafPounds(3, 2))
	toTwo = measure.LoafPounds(2, 1).Over(measure.LoafPounds(3, 2))
)

func TestStraightLinesAreExactRationals(t *testing.T) {
	w := dough(t, recipe.White, "1 cup", "water", "3 cups", "bread flour", "1 1/2 tsp", "salt", "1 tbsp", "sugar")
	lines, _ := To(w, recipe.White, toOne, Schools{Yeast: Eased})
	for id, want := range map[larder.ID]measure.Amount{
		"water": measure.Of(2, 3, measure.Cup), "bread-flour": measure.Of(2, 1, measure.Cup),
		"salt": measure.Of(1, 1, measure.Tsp), "sugar": measure.Of(2, 3, measure.Tbsp),
	} {
		if got := find(t, lines, id).Exact; got != want {
			t.Errorf("from 1 1/2 to 1 lb %s is %v, want exactly %v", id, got, want)
		}
	}
}

// By hand, 1 1/2 → 2 lb, f = 4/3. One large egg would be 1 1/3: the nearest whole is 1, which is
// 1/3 egg = 16.667 g less, and 16.667 × 76 % = 12.667 g less water. Whole milk is 88 % water, so
// 12.667 ÷ 0.88 = 14.394 g more of it: 183 × 4/3 = 244 g becomes 258.394 g.
func TestEggsStayWholeAndMilkMakesUpTheWater(t *testing.T) {
	w := dough(t, recipe.Sweet, "3/4 cup", "milk", "1", "egg", "3 cups", "bread flour", "2 tsp", "yeast")
	lines, deviations := To(w, recipe.Sweet, toTwo, Schools{Yeast: Eased})
	if egg := find(t, lines, "egg"); egg.Pieces != 1 || egg.Grams != 50 {
		t.Errorf("1 1/3 eggs became %d eggs of %v g, want 1 of 50", egg.Pieces, egg.Grams)
	}
	if milk := find(t, lines, "milk"); math.Abs(float64(milk.Grams)-258.394) > 0.001 {
		t.Errorf("the milk is %.3f g, want 258.394", milk.Grams)
	}
	rules := map[Rule]bool{}
	for _, d := range deviations {
		rules[d.Rule] = true
		if d.Reason == "" || d.Grams == d.Straight {
			t.Errorf("a deviation without reason or figures: %+v", d)
		}
	}
	if !rules[WholeEggs] || !rules[LiquidForEgg] || !rules[EasedYeast] {
		t.Errorf("the plan should list egg, liquid and yeast; it lists %v", rules)
	}
}

func TestHalfAnEggRoundsUpAndOneEggStays(t *testing.T) {
	w := dough(t, recipe.Sweet, "1 cup", "water", "1", "egg", "3 cups", "bread flour")
	half := measure.NewRatio(1, 2)
	lines, _ := To(w, recipe.Sweet, half, Schools{Yeast: Eased})
	if got := find(t, lines, "egg").Pieces; got != 1 {
		t.Errorf("half an egg became %d, want 1", got)
	}
	lines, _ = To(w, recipe.Sweet, measure.NewRatio(2, 5), Schools{Yeast: Eased})
	if got := find(t, lines, "egg").Pieces; got != 1 {
		t.Errorf("a small loaf keeps its one egg, not %d", got)
	}
}

func TestWithoutLiquidWaterIsAddedOrTheEggIsParted(t *testing.T) {
	w := dough(t, recipe.Sweet, "4", "eggs", "2 cups", "bread flour", "1/2 cup", "butter")
	lines, _ := To(w, recipe.Sweet, toTwo, Schools{Yeast: Eased}) // 5 1/3 eggs → 5, 1/3 × 50 × 0.76 = 12.67 g short
	water := find(t, lines, "water")
	if water.Line.ID != AddedWater || math.Abs(float64(water.Grams)-12.667) > 0.001 {
		t.Errorf("5 1/3 eggs → 5 wants 12.667 g of water added, got %.3f", water.Grams)
	}
	lines, deviations := To(w, recipe.Sweet, toOne, Schools{Yeast: Eased}) // 2 2/3 → 3 would be too wet
	if egg := find(t, lines, "egg"); egg.Pieces != 0 || math.Abs(float64(egg.Grams)-133.333) > 0.001 {
		t.Errorf("2 2/3 eggs with no liquid to cut are parted, got %d whole, %.1f g", egg.Pieces, egg.Grams)
	}
	if len(deviations) == 0 || deviations[0].Rule != PartEgg {
		t.Errorf("the parted egg is not explained: %v", deviations)
	}
}

// By hand: 1 3/4 tsp = 5.425 g. Eased to 2 lb: × (4/3)^0.6 = 1.18840 → 6.4471 g; to 1 lb:
// × (2/3)^0.6 = 0.78405 → 4.2535 g. Both stay inside 1.0–2.2 % of the flour.
func TestYeastIsEased(t *testing.T) {
	w := dough(t, recipe.White, "1 cup", "water", "3 cups", "bread flour", "1 3/4 tsp", "yeast")
	for f, want := range map[measure.Ratio]float64{toTwo: 6.4471, toOne: 4.2535, measure.Whole(1): 5.425} {
		lines, _ := To(w, recipe.White, f, Schools{Yeast: Eased})
		if got := float64(find(t, lines, "active-dry-yeast").Grams); math.Abs(got-want) > 0.0005 {
			t.Errorf("× %v the eased yeast is %.4f g, want %.4f", f, got, want)
		}
	}
	lines, deviations := To(w, recipe.White, toTwo, Schools{Yeast: Straight})
	if got := float64(find(t, lines, "active-dry-yeast").Grams); math.Abs(got-5.425*4/3) > 1e-9 ||
		len(deviations) != 0 {
		t.Errorf("the straight school gives %.4f g and %v", got, deviations)
	}
}

func TestYeastStaysInItsBandButIsNeverMovedAtTheWrittenSize(t *testing.T) {
	// 7/8 tsp in 375 g is 0.72 %, below the band of 1.0: its own share widens the band downwards.
	low := dough(t, recipe.White, "1 cup", "water", "3 cups", "bread flour", "7/8 tsp", "yeast")
	lines, _ := To(low, recipe.White, toTwo, Schools{Yeast: Eased})
	if got := 100 * find(t, lines, "active-dry-yeast").Grams / 500; math.Abs(float64(got)-0.7233) > 0.001 {
		t.Errorf("eased below its own share the yeast is %.4f %%, want it held at 0.7233", got)
	}
	lines, deviations := To(low, recipe.White, measure.Whole(1), Schools{Yeast: Eased})
	if got := find(t, lines, "active-dry-yeast").Grams; math.Abs(float64(got)-2.7125) > 1e-9 || len(deviations) != 0 {
		t.Errorf("at the written size the yeast was moved to %.4f g: %v", got, deviations)
	}
	// 2 1/2 tsp in 375 g is 2.07 %: eased to 1 lb it would be 2.43 %, so it is held at 2.2 % of 250 g.
	high := dough(t, recipe.White, "1 cup", "water", "3 cups", "bread flour", "2 1/2 tsp", "yeast")
	lines, deviations = To(high, recipe.White, toOne, Schools{Yeast: Eased})
	if got := find(t, lines, "active-dry-yeast").Grams; math.Abs(float64(got)-5.5) > 1e-9 {
		t.Errorf("the yeast is %.4f g, want it held at 5.5 g", got)
	}
	if len(deviations) != 1 || deviations[0].Rule != YeastInBand {
		t.Errorf("holding the yeast is not said: %v", deviations)
	}
}

func TestPacketsAndPiecesBecomeSpoons(t *testing.T) {
	w := dough(t, recipe.White, "1 cup", "water", "3 cups", "bread flour", "1 packet", "yeast", "1", "zest")
	lines, deviations := To(w, recipe.White, toOne, Schools{Yeast: Straight})
	zest := find(t, lines, "citrus-zest")
	if zest.Pieces != 0 || zest.Exact.Unit != measure.Piece || zest.Exact.Quantity.Sign() != 0 ||
		math.Abs(float64(zest.Grams)-4) > 1e-9 {
		t.Errorf("2/3 of a zest should be 4 g by the spoon: %+v", zest)
	}
	if len(deviations) != 2 {
		t.Errorf("want the packet and the zest to be explained, got %v", deviations)
	}
}

// Any path of sizes gives the same amounts, for every size is worked out from the recipe as written.
func TestAnyPathOfSizesGivesTheSamePlan(t *testing.T) {
	random := rand.New(rand.NewPCG(7, 7))
	names := []string{"water", "milk", "egg", "butter", "honey", "sugar", "salt", "bread flour", "wholemeal flour",
		"yeast", "raisins"}
	for range 300 {
		var pairs []string
		for _, name := range names {
			amount := measure.NewRatio(1+random.Int64N(12), 4).String() + " cup"
			if name == "egg" {
				amount = fmt.Sprint(1 + random.IntN(4))
			}
			pairs = append(pairs, amount, name)
		}
		w := dough(t, recipe.Sweet, pairs...)
		sizes := []measure.Ratio{toOne, measure.Whole(1), toTwo, measure.NewRatio(5, 3)}
		want := make([]string, len(sizes))
		for n, f := range sizes {
			lines, _ := To(w, recipe.Sweet, f, Schools{Yeast: Eased})
			want[n] = fmt.Sprint(lines)
		}
		for range 6 {
			n := random.IntN(len(sizes))
			lines, _ := To(w, recipe.Sweet, sizes[n], Schools{Yeast: Eased})
			if got := fmt.Sprint(lines); got != want[n] {
				t.Fatalf("× %v gives another plan on the second visit:\n%s\n%s", sizes[n], got, want[n])
			}
		}
	}
}

// Whole eggs move flour by nothing and hydration by less than half an egg's water.
func TestWholeEggsKeepTheWater(t *testing.T) {
	for eggs := 1; eggs <= 5; eggs++ {
		w := dough(t, recipe.Sweet, "1 cup", "water", fmt.Sprint(eggs), "eggs", "3 cups", "bread flour")
		want := formula.FromRecipe(w).Hydration
		for _, f := range []measure.Ratio{toOne, toTwo, measure.NewRatio(5, 3)} {
			lines, _ := To(w, recipe.Sweet, f, Schools{Yeast: Eased})
			var p []formula.Portion
			for _, l := range lines {
				p = append(p, formula.Portion{Ingredient: l.Ingredient, Grams: l.Grams})
			}
			if got := formula.Of(p).Hydration; math.Abs(got-want) > 0.01 {
				t.Errorf("%d eggs × %v: hydration moves from %.2f to %.2f", eggs, f, want, got)
			}
		}
	}
}

// A kitchen with medium eggs of 44 g: one large egg of the recipe is 50 ÷ 44 = 1.14, so one goes in,
// 6 g less, and 6 × 76 % = 4.56 g more water, already at the written size.
func TestAKitchensOwnEggSizeIsMadeUp(t *testing.T) {
	w := dough(t, recipe.Sweet, "1 cup", "water", "1", "egg", "3 cups", "bread flour")
	lines, deviations := To(w, recipe.Sweet, measure.Whole(1), Schools{Egg: 44})
	if egg, water := find(t, lines, "egg"), find(t, lines, "water"); egg.Pieces != 1 || egg.Grams != 44 ||
		math.Abs(float64(water.Grams)-241.16) > 1e-9 || len(deviations) != 2 {
		t.Errorf("%d eggs of %v g, water %.2f g, %v", egg.Pieces, egg.Grams, water.Grams, deviations)
	}
}

func TestAKitchenMayPartItsEggs(t *testing.T) {
	w := dough(t, recipe.Sweet, "1 cup", "water", "1", "egg", "3 cups", "bread flour")
	lines, deviations := To(w, recipe.Sweet, toTwo, Schools{Eggs: Part, Yeast: Straight})
	if egg := find(t, lines, "egg"); egg.Pieces != 0 || math.Abs(float64(egg.Grams)-66.667) > 0.001 ||
		len(deviations) != 1 || deviations[0].Rule != PartEgg {
		t.Errorf("%d whole, %.3f g, %v; want 66.667 g of beaten egg", egg.Pieces, egg.Grams, deviations)
	}
	if water := find(t, lines, "water"); water.Exact != measure.Of(4, 3, measure.Cup) {
		t.Errorf("with a part egg the water is straight, not %v", water.Exact)
	}
}

// Flour of which some is held back for the beep, and yeast in two places: at any size the shares
// add up to the whole, exactly.
func TestTheSharesOfASplitIngredientAddUp(t *testing.T) {
	random := rand.New(rand.NewPCG(4, 2))
	for range 500 {
		whole := measure.NewRatio(16+random.Int64N(40), 16)
		part := whole.Times(measure.NewRatio(1+random.Int64N(7), 8))
		split := dough(t, recipe.White, "1 cup", "water", part.String()+" cup", "bread flour",
			whole.Minus(part).String()+" cup", "bread flour", "1 tsp", "yeast", "1/2 tsp", "yeast")
		split[2].Line.When = recipe.AtBeep
		joined := dough(t, recipe.White, "1 cup", "water", whole.String()+" cup", "bread flour", "1 1/2 tsp", "yeast")
		f := measure.NewRatio(1+random.Int64N(9), 1+random.Int64N(9))
		a, _ := To(split, recipe.White, f, Schools{Yeast: Eased})
		b, _ := To(joined, recipe.White, f, Schools{Yeast: Eased})
		if sum := a[1].Exact.Quantity.Plus(a[2].Exact.Quantity); sum != b[1].Exact.Quantity {
			t.Fatalf("× %v: %v + %v is %v, the whole is %v", f, a[1].Exact, a[2].Exact, sum, b[1].Exact)
		}
		if sum := a[3].Grams + a[4].Grams; math.Abs(float64(sum-b[2].Grams)) > 1e-9 {
			t.Fatalf("× %v: the yeast adds up to %v, the whole is %v", f, sum, b[2].Grams)
		}
	}
}

// A glaze has an egg and sugar of its own: they follow the size in proportion and leave the dough's
// water alone.
func TestPartsFollowTheirOwnRule(t *testing.T) {
	w := dough(t, recipe.Sweet, "1 cup", "water", "3 cups", "bread flour", "1", "egg", "2 tbsp", "sugar")
	w[2].Line.Part, w[3].Line.Part = recipe.Glaze, recipe.Glaze
	lines, deviations := To(w, recipe.Sweet, toTwo, Schools{Yeast: Eased})
	if find(t, lines, "water").Exact != measure.Of(4, 3, measure.Cup) || len(deviations) > 1 {
		t.Errorf("a glaze moved the dough's water: %v, %v", find(t, lines, "water").Exact, deviations)
	}
	if f := formula.FromRecipe(w); math.Abs(f.Sugar) > 0.01 {
		t.Errorf("the glaze's sugar counts in the dough: %.2f", f.Sugar)
	}
}
