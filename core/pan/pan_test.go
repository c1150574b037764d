package pan

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"testing"

	"risepan/core/larder"
	"risepan/core/recipe"
)

func portions(kinds ...larder.Kind) []Portion {
	var out []Portion
	for _, k := range kinds {
		out = append(out, Portion{Line: string(k), Kind: k, Volume: 10})
	}
	return out
}

func stack(layers []Layer) string {
	s := ""
	for _, l := range layers {
		s += fmt.Sprint(l.Lines)
	}
	return s
}

func TestLayersInTheMachinesOrder(t *testing.T) {
	all := portions(larder.Yeast, larder.Flour, larder.Salt, larder.Sugar, larder.Fat, larder.Liquid, larder.Egg, larder.DryMilk, larder.DryExtra)
	for order, want := range map[Order]string{
		WetFirst: "[liquid egg][fat][salt sugar][dry milk][flour][dry extra][yeast]",
		DryFirst: "[yeast][flour][salt sugar][dry milk dry extra][fat][liquid egg]",
	} {
		layers, _ := Load(order, all)
		if got := stack(layers); got != want {
			t.Errorf("%s, from the floor: %s, want %s", order, got, want)
		}
	}
}

// Whatever the recipe, every portion is in exactly one place and the yeast never lies next to a
// liquid or to salt before kneading.
func TestNothingIsForgottenAndYeastStaysDry(t *testing.T) {
	random := rand.New(rand.NewPCG(3, 1))
	for range 2000 {
		p := portions(larder.Flour, larder.Yeast, larder.Liquid)
		for range random.IntN(10) {
			k := larder.Kinds[random.IntN(len(larder.Kinds))]
			p = append(p, Portion{Line: fmt.Sprint(len(p)), Kind: k, Volume: 5, AtBeep: random.IntN(4) == 0 && k != larder.Yeast})
		}
		for _, order := range Orders {
			layers, aside := Load(order, p)
			placed := Rank(layers, aside)
			slices.Sort(placed)
			if len(slices.Compact(slices.Clone(placed))) != len(p) || len(placed) != len(p) {
				t.Fatalf("%d portions, but these are placed: %v", len(p), placed)
			}
			for n, l := range layers {
				if l.Stuff != Yeast {
					continue
				}
				for _, m := range []int{n - 1, n + 1} {
					if m >= 0 && m < len(layers) && (layers[m].Stuff == Liquid || layers[m].Stuff == SugarSalt || layers[m].Stuff == Fat) {
						t.Fatalf("%s: yeast lies next to %s: %s", order, layers[m].Stuff, stack(layers))
					}
				}
			}
		}
	}
}

// By hand: 375 g of flour × 5.5–6.0 ml/g = 2062.5–2250 ml in a pan of 19 × 13 × 14.5 cm = 3581.5 ml.
func TestFillOfThePan(t *testing.T) {
	v := Vessel{190, 130, 145}
	f := v.FillOf(recipe.White, 375, 670)
	if f.Pan != 3581.5 || f.Low != 2062.5 || f.High != 2250 || f.Overflows() {
		t.Errorf("a 1 1/2 lb white loaf: %+v", f)
	}
	if f := (Vessel{120, 110, 120}).FillOf(recipe.White, 375, 670); !f.Overflows() {
		t.Errorf("2250 ml cannot stand in a pan of %.0f ml with a dome of 15 %%", f.Pan)
	}
}
