package larder

import (
	"math"
	"slices"
	"strings"
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
			for _, form := range forms(name) {
				words := strings.Join(Words(form), " ")
				if other, ok := seen[words]; ok && other != i.ID {
					t.Errorf("%q names both %s and %s", name, other, i.ID)
				}
				seen[words] = i.ID
			}
		}
		sane(t, i)
	}
}

// sane looks at a row as a cook would.
func sane(t *testing.T, i Ingredient) {
	t.Helper()
	has := func(a Allergen) bool { return slices.Contains(i.Allergens, a) }
	density := i.GramsPerMl()
	least, most := densities[i.Kind][0], densities[i.Kind][1]
	switch {
	case i.Milky && !has(Milk):
		t.Errorf("%s is of milk, without milk as allergen", i.ID)
	case i.Kind == Egg && !has(Eggs):
		t.Errorf("%s is egg, without egg as allergen", i.ID)
	case i.Kind == Egg && !i.Spoils:
		t.Errorf("%s would wait in a delay", i.ID)
	case i.Spoils && i.Kind == Liquid && i.Shares.Fat+i.Shares.Protein == 0:
		t.Errorf("%s spoils, with nothing in it to spoil", i.ID)
	case density < least || density > most:
		t.Errorf("%s: %.2f g/ml is no density for %s (%.2f to %.2f)", i.ID, density, i.Kind, least, most)
	case i.Kind == Fat && i.Shares.Fat < 20, i.Kind == Sugar && i.Shares.Sugar < 90, i.Kind == Salt &&
		i.Shares.Salt < 30, i.Kind == Liquid && i.Shares.Water < 30:
		t.Errorf("%s has too little of what makes it %s: %+v", i.ID, i.Kind, i.Shares)
	case slices.Contains([]Grain{OfWheat}, i.Grain) && !has(Wheat), i.Grain == OfRye && !has(Rye),
		i.Grain == OfBarley && !has(Barley), i.Grain == OfOats && !has(Oats):
		t.Errorf("%s is of %s, which its allergens leave out", i.ID, i.Grain)
	case i.Strength != NoStrength && i.Grain != OfWheat:
		t.Errorf("%s has the strength of a wheat flour and is none", i.ID)
	case i.Dispenser == AnyHow && i.Shares.Water > 40:
		t.Errorf("%s is too wet for a dispenser", i.ID)
	case i.Lightest > 0 && (i.PerCup < i.Lightest || i.PerCup > i.Heaviest):
		t.Errorf("%s: its cup of %.0f g lies outside its own spread", i.ID, float64(i.PerCup))
	}
}

// densities are what a household's measure of each kind can weigh, g/ml.
var densities = map[Kind][2]measure.Grams{
	Liquid: {0.55, 1.2}, Egg: {0.9, 1.15}, Fat: {0.5, 1.3}, Syrup: {1.2, 1.5}, Sugar: {0.5, 1}, Salt: {0.5, 1.3},
	DryMilk: {0.25, 0.6}, Flour: {0.2, 0.85},
	DryExtra: {0.04, 1.2}, Yeast: {0.5, 0.75}, Leavening: {0.8, 1.2}, Extra: {0.1, 1.3}, Puree: {0.5, 1.3},
}

func TestWeighingByCupSpoonAndPiece(t *testing.T) {
	for _, c := range []struct {
		name, amount string
		grams        float64
	}{
		{"bread flour", "3 cups", 375}, {"strong flour", "1 1/2 cups", 187.5}, {"salt", "1 1/2 tsp", 9},
		{"eggs", "2", 100},
		{"active dry yeast", "2 1/4 tsp", 6.975}, {"active dry yeast", "1 packet", 7}, {"honey", "1 tbsp", 21.25},
		{"butter", "1 stick", 113.5}, {"water", "250 ml", 250.0127}, {"Orange Zest", "1", 6},
	} {
		i, ok := Is(c.name)
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

// What a kitchen says of an ingredient of its own is held to what can be, field by field, at the edge.
func TestAnIngredientThatCannotBeIsRefused(t *testing.T) {
	good := Ingredient{ID: "own", Name: "own", Kind: Flour, PerCup: 120, FlourPart: 1, Lightest: 110, Heaviest: 140,
		Shares: Shares{Starch: 70, Protein: 12, Water: 14}}
	if err := good.Check(); err != nil {
		t.Fatalf("a good flour is refused: %v", err)
	}
	for name, change := range map[string]func(*Ingredient){
		"a share below nothing":             func(i *Ingredient) { i.Shares.Fat = -1 },
		"a share above all":                 func(i *Ingredient) { i.Shares = Shares{Water: 101} },
		"shares that are more than all":     func(i *Ingredient) { i.Shares.Sugar = 10 },
		"a cup below nothing":               func(i *Ingredient) { i.PerCup = -1 },
		"a cup of more than a kilo":         func(i *Ingredient) { i.PerCup = 1001 },
		"a piece of more than a kilo":       func(i *Ingredient) { i.Each = 1001 },
		"a flour that is more than itself":  func(i *Ingredient) { i.FlourPart = 1.1 },
		"a flour that does not count":       func(i *Ingredient) { i.FlourPart = 0 },
		"lightest heavier than heaviest":    func(i *Ingredient) { i.Lightest = 150 },
		"heaviest of more than a kilo":      func(i *Ingredient) { i.Heaviest = 1001 },
		"lightest below nothing":            func(i *Ingredient) { i.Lightest = -1 },
		"yeast of four times its weight":    func(i *Ingredient) { i.AsDry = 4 },
		"leavening of six times its weight": func(i *Ingredient) { i.Raising = 6 },
		"no weight at all":                  func(i *Ingredient) { i.PerCup, i.Lightest, i.Heaviest = 0, 0, 0 },
	} {
		i := good
		change(&i)
		if i.Check() == nil {
			t.Errorf("%s is taken", name)
		}
	}
}
