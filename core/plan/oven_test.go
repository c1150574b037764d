package plan_test

import (
	"slices"
	"strings"
	"testing"
	"time"

	"risepan/core/plan"
	"risepan/core/plan/plantest"
	"risepan/core/recipe"
	"risepan/demo"
)

// The same loaf by mixer and oven: its rises are the cycle's, its heat the kind's, its end the same.
func TestALoafWithoutTheMachine(t *testing.T) {
	k := heron()
	for name, want := range map[string][]string{
		"Towpath white": {"Bring the water to 24 °C", "dough hook", "about 59 minutes at 25 °C",
			"a finger above the rim: about 48 minutes", "heat the oven to 200 °C",
			"Bake at 200 °C for about 35 minutes, until its middle is at 90 °C to 96 °C", "60 until it cuts clean"},
		"Mooring raisin loaf": {"Knead in the raisins and walnuts", "Bake at 180 °C"},
		"Boatyard banana bread": {"Heat the oven to 175 °C", "Fold the dry into the wet",
			"Bake at 175 °C for about 55 minutes, until its middle is at 94 °C to 97 °C"},
		"Tiller gluten-free loaf": {"Beat everything for 5 minutes", "about 47 minutes",
			"Bake at 190 °C for about 50 minutes"},
		"Swing-bridge rolls": {"about 58 minutes at 25 °C", "Shape it, 15 minutes of work",
			"Heat the oven to 200 °C; bake for about 20 minutes"},
		"Cinnamon coil":      {"spread the filling (butter, brown sugar and ground cinnamon)", "Bake at 180 °C"},
		"Lockside egg pasta": {"let it rest for 30 minutes"},
	} {
		n := slices.IndexFunc(demo.Recipes(), func(r recipe.Recipe) bool { return r.Name == name })
		r := demo.Recipes()[n]
		p, err := plantest.Make(k, plantest.Ask{Place: plan.Place{Recipe: r, Machine: demo.Galley(), Zone: time.UTC},
			Wish: plan.Wish{LoafWish: plan.LoafWish{Size: r.Size}}}, evening)
		if err != nil {
			t.Fatal(err)
		}
		steps, err := plan.ByOven(k, p)
		if err != nil {
			t.Errorf("%s: %v", name, err)
		}
		all := strings.Join(steps, "\n")
		for _, say := range want {
			if !strings.Contains(all, say) {
				t.Errorf("%s: nothing says %q:\n%s", name, say, all)
			}
		}
	}
	for _, name := range []string{"Hedgerow jam", "Galley yoghurt", "Cabin rye starter"} {
		n := slices.IndexFunc(demo.Recipes(), func(r recipe.Recipe) bool { return r.Name == name })
		r := demo.Recipes()[n]
		p, err := plantest.Make(k, plantest.Ask{Place: plan.Place{Recipe: r, Machine: demo.Galley(), Zone: time.UTC},
			Wish: plan.Wish{LoafWish: plan.LoafWish{Size: r.Size}}}, evening)
		if err != nil {
			t.Fatal(err)
		}
		if steps, err := plan.ByOven(k, p); err == nil {
			t.Errorf("%s by mixer and oven: %q", name, steps)
		}
	}
}
