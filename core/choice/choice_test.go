package choice_test

import (
	"testing"

	"risepan/core/choice"
	"risepan/core/formula"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/recipe"
	"risepan/demo"
)

func needs(t *testing.T, r recipe.Recipe) choice.Needs {
	t.Helper()
	w, err := r.Weigh(larder.Get)
	if err != nil {
		t.Fatal(err)
	}
	return choice.Needs{Kind: r.Kind, Formula: formula.FromRecipe(w), Lines: w, Size: r.Size}
}

// What a baker would set, reasoned by hand from each recipe's own figures.
func TestCycleAndCrustForTheDemoLoaves(t *testing.T) {
	for _, c := range []struct {
		recipe           string
		galley, boatyard string
		crust            machine.Crust
		because          string
	}{
		{"Towpath white", "basic", "basic", machine.Medium, "3 % sugar and 5 % fat: an everyday dough"},
		{"Oat and honey loaf", "basic", "basic", machine.Medium, "18 % oats are too few for the wholemeal cycle, 7 % sugar too little for sweet"},
		{"Lock-keeper's wholemeal", "wholemeal", "wholemeal", machine.Medium, "two thirds whole grain"},
		{"Sluice-gate egg loaf", "sweet", "sweet", machine.Light, "13 % sugar browns fast"},
		{"Mooring raisin loaf", "sweet", "sweet", machine.Light, "10 % sugar before the raisins"},
		{"Winding-hole crusty", "crusty", "basic", machine.Medium, "1 % sugar, 2 % fat; the boatyard machine has no crusty cycle"},
		{"Boathook rye", "basic", "basic", machine.Medium, "a fifth rye, 7 % sugar"},
		{"Tiller gluten-free loaf", "gluten-free", "quick", machine.Medium, "a batter without knock-backs"},
	} {
		for _, r := range demo.Recipes() {
			if r.Name != c.recipe {
				continue
			}
			n := needs(t, r)
			for m, want := range map[*machine.Machine]string{new(demo.Galley()): c.galley, new(demo.Boatyard()): c.boatyard} {
				got := choice.Cycles(*m, n)
				if got[0].Cycle != want || got[0].Reason == "" {
					t.Errorf("%s on %s: chose %s (%s), want %s, for %s", r.Name, m.Name, got[0].Cycle, got[0].Reason, want, c.because)
				}
				if len(got) != len(m.Cycles) {
					t.Errorf("%s: %d of %d cycles are judged", m.Name, len(got), len(m.Cycles))
				}
			}
			if r.Kind == recipe.GlutenFree {
				continue // its egg and 7 % sugar make it light on purpose
			}
			galley := demo.Galley()
			cycle, _ := galley.Cycle(c.galley)
			if got, why := choice.Crust(galley, cycle, n); got != c.crust {
				t.Errorf("%s: crust %s (%s), want %s", r.Name, got, why, c.crust)
			}
		}
	}
}

func TestADelayExcludesCyclesWithoutOne(t *testing.T) {
	for _, r := range demo.Recipes() {
		n := needs(t, r)
		n.Delayed = true
		m := demo.Boatyard()
		if best := choice.Cycles(m, n)[0]; best.Score >= 0 {
			if c, _ := m.Cycle(best.Cycle); !c.Delay {
				t.Errorf("%s with a delay: chose %s, which has none", r.Name, c.Name)
			}
		}
	}
}

func TestNoCycleForTheDoughIsSaid(t *testing.T) {
	m := demo.Boatyard()
	n := needs(t, demo.Recipes()[0])
	n.Formula = formula.Formula{Flour: 300} // no yeast: a quick bread
	n.Size = measure.LoafPounds(1, 1)
	if best := choice.Cycles(m, n)[0]; best.Score >= 0 {
		t.Errorf("a machine without a quick bread cycle suits one by %+v", best)
	}
}
