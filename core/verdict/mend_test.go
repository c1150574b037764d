package verdict_test

import (
	"slices"
	"testing"
	"time"

	"risepan/core/bake"
	"risepan/core/kind"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/plan/plantest"
	"risepan/core/recipe"
	"risepan/core/standin"
	"risepan/core/verdict"
	"risepan/demo"
)

// weighing is a kitchen with a scale.
var weighing = func() kitchen.Kitchen {
	k := kitchen.New("Test", "UTC")
	k.Scale = true
	return k
}()

// baked is what a baker sees of a recipe's loaf from the stand-in, and its plan.
func baked(t *testing.T, r recipe.Recipe) (plan.Plan, []bake.Sign) {
	t.Helper()
	p, err := plantest.Make(weighing, plantest.Ask{Place: plan.Place{Recipe: r, Machine: demo.Galley(),
		Zone: time.UTC}, Wish: plan.Wish{LoafWish: plan.LoafWish{Size: r.Size}}}, time.Date(2026, 5, 2, 9, 0, 0, 0,
		time.UTC))
	if err != nil {
		t.Fatal(err)
	}
	cycle, _ := demo.Galley().Cycle(p.Setting.Cycle.ID)
	course := cycle.Programme(p.Setting.Size.LoafSize, p.Setting.Crust)
	d := standin.Put(standin.In{Kind: kind.Of(p.Kind), Bands: p.Usual.Bands, Meant: p.Formula.Formula,
		Fills: (p.Pan.Fill.Low + p.Pan.Fill.High) / 2,
		Room:  21, Liquid: p.Heat.Yeast, Meets: p.Heat.Meets}).Through(course, course.Total)
	loaf := d.Shape(demo.Galley().Vessel.Volume())
	var signs []bake.Sign
	add := func(is bool, s bake.Sign) {
		if is && !slices.Contains(signs, s) {
			signs = append(signs, s)
		}
	}
	add(loaf.Fell, bake.Collapsed)
	add(loaf.Flat, bake.NotRisen)
	add(loaf.Dense && !loaf.Flat || loaf.Height < 0.4 && !loaf.Fell && !loaf.Flat, bake.Dense)
	add(loaf.Coarse, bake.Coarse)
	add(loaf.Gummy, bake.Gummy)
	add(d.Off() < -6, bake.Lumpy)
	add(p.Formula.Salt < 0.6, bake.Bland)
	add(p.Formula.Salt > 3.5, bake.Salty)
	return p, signs
}

// From any single amount that is off, the proposed changes bring the loaf into band within three bakes.
func TestTheChangesMendARecipe(t *testing.T) {
	for _, c := range []struct {
		name, line string
		amount     measure.Amount
	}{
		{"5 tbsp too much water", "water", measure.Of(21, 16, measure.Cup)}, {"4 tbsp too little", "water",
			measure.Of(3, 4, measure.Cup)},
		{"twice the yeast", "active-dry-yeast", measure.Of(7, 2, measure.Tsp)}, {"a third of the yeast",
			"active-dry-yeast", measure.Of(5, 8, measure.Tsp)},
		{"twice the salt", "salt", measure.Of(3, 1, measure.Tsp)}, {"a pinch of salt", "salt",
			measure.Of(1, 4, measure.Tsp)},
	} {
		r := demo.Recipes()[0]
		r.Lines = slices.Clone(r.Lines)
		for n := range r.Lines {
			if r.Lines[n].Ingredient == larder.ID(c.line) {
				r.Lines[n].Amount = c.amount
			}
		}
		bakes := 0
		var said []string
		for ; ; bakes++ {
			p, signs := baked(t, r)
			if len(signs) == 0 {
				break
			}
			if bakes == 3 {
				t.Errorf("%s: after three changes (%q) it still is %q", c.name, said, signs)
				break
			}
			seen := verdict.Seen{Signs: signs, All: true, Facts: verdict.Baked{Plan: p, Kitchen: kitchen.New("Test",
				"UTC")}.Evidence()}
			ranked := verdict.Weigh(seen)
			change := verdict.Propose(weighing, p, r, ranked[0].Cause)
			if change == nil {
				t.Errorf("%s: %q is put down to %s, and no amount answers that", c.name, signs, ranked[0].Cause)
				break
			}
			said = append(said, change.Say())
			for n := range r.Lines {
				if r.Lines[n].ID == change.Line {
					r.Lines[n].Amount = change.To
				}
			}
		}
		t.Logf("%-24s mended in %d: %q", c.name, bakes, said)
		if bakes == 0 {
			t.Errorf("%s: the loaf is good as it is, and tries nothing", c.name)
		}
	}
}

// A good loaf is left alone: with the usual noise of a kitchen nothing is said of at least 95 in a hundred.
func TestGoodLoavesAreLeftAlone(t *testing.T) {
	left := 0
	for seed := range uint64(200) {
		seen := loafOf(fault{"nothing", "", func(*trial) {}}, seed+1)
		seen.Mark = 5 // it is a good loaf: whoever ate it says so
		if len(verdict.Weigh(seen)) == 0 {
			left++
		}
	}
	t.Logf("of 200 good loaves %d are left alone", left)
	if left < 190 {
		t.Errorf("%d of 200 good loaves are left alone, want 190", left)
	}
}
