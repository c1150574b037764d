package plan_test

import (
	"errors"
	"math"
	"strings"
	"testing"

	"risepan/core/dough"
	"risepan/core/fault"
	"risepan/core/kind"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/plan/plantest"
	"risepan/core/recipe"
	"risepan/core/recipe/recipetest"
	"risepan/core/scale"
	"risepan/core/swap"
	"risepan/demo"
)

func reading(t testing.TB, s string) measure.Temperature {
	t.Helper()
	r, err := measure.ParseTemperature(s)
	if err != nil {
		t.Fatal(err)
	}
	return r
}

// Towpath white: water 236.6 × 4.18 = 989.0; the rest, flour 637.5, butter 42.6, sugar 15.6, dry milk
// 12.3, yeast 8.9, salt 8.1, is 725.0: at 21 °C (23 × 1714.0 − 21 × 725.0) ÷ 989.0 = 24.5, at 16 °C 28.1.
func TestAColdKitchenWantsWarmerWater(t *testing.T) {
	w := wish(t, "Towpath white", demo.Galley(), oneHalf, "")
	p := mustMake(t, w)
	shares := map[string]float64{}
	for _, part := range p.Heat.Parts {
		shares[part.Name] += part.Share
	}
	// Of 989.0 + 725.0 in all: water 57.7 per cent, flour 37.2.
	if math.Abs(shares["water"]-57.7) > 0.1 || math.Abs(shares["bread flour"]-37.2) > 0.1 {
		t.Errorf("of the heat that the dough holds, the water is said to have %.1f and the flour %.1f per cent",
			shares["water"], shares["bread flour"])
	}
	if h := p.Heat; math.Abs(float64(h.Liquid)-24.47) > 0.05 || h.At != "24 °C" || h.Leaves != "26 °C" ||
		h.Name != "water" || h.Kettle == "" {
		t.Errorf("in a kitchen of 21 °C: %+v", h)
	}
	w.Warmth.Room = reading(t, "16 °C")
	if h := mustMake(t, w).Heat; math.Abs(float64(h.Liquid)-28.13) > 0.05 {
		t.Errorf("in a kitchen of 16 °C: %v", h.Liquid)
	}
	w.Warmth.Room = reading(t, "60.8 °F")
	k := heron()
	k.Degrees = measure.InFahrenheit
	p, err := plantest.Make(k, w, evening)
	if err != nil || p.Heat.At != "83 °F" {
		t.Errorf("in Fahrenheit: %s (%v), want 83 °F", p.Heat.At, err)
	}
	w.Warmth.Room = reading(t, "60 °C")
	var f *fault.Fault
	if _, err := plantest.Make(heron(), w, evening); !errors.As(err, &f) || f.Pointer != "/hands/warmth/room" {
		t.Errorf("a kitchen of 60 °C: %v", err)
	}
}

func TestSchoolsOfTemperingAndTheDelay(t *testing.T) {
	quick := named(t, "Towpath white")
	quick.Lines[6].Ingredient = "instant-yeast"
	for _, c := range []struct {
		why    string
		school dough.School
		cycle  string
		ready  string
		at     string
		says   string
	}{
		{"room temperature is as the kitchen is", dough.AtRoom, "", "", "21 °C", "room temperature"},
		{"hot with rapid yeast on a rapid cycle is fixed and says so", dough.Hot, "rapid", "", "49 °C",
			"temperature is fixed"},
		{"hot on another cycle falls back to the balance", dough.Hot, "basic", "", "24 °C", "rapid cycle only"},
		{"in a delay the liquid is cool", dough.Tepid, "", "2026-03-11T07:00", "cool", "delay"},
	} {
		k := heron()
		k.Liquid = c.school
		w := wish(t, "Towpath white", demo.Galley(), oneHalf, c.ready)
		w.Recipe, w.Cycle = quick, c.cycle
		p, err := plantest.Make(k, w, evening)
		if err != nil || p.Heat.At != c.at || !strings.Contains(p.Heat.Why, c.says) {
			t.Errorf("%s: %q, %q (%v)", c.why, p.Heat.At, p.Heat.Why, err)
		}
	}
	if h := mustMake(t, wish(t, "Boatyard banana bread", demo.Galley(), oneHalf, "")).Heat; h.Line != "" {
		t.Errorf("a bread without yeast wants its liquid at %s", h.At)
	}
}

func TestHydrationIsARangeUntilTheCupIsKnown(t *testing.T) {
	w := wish(t, "Towpath white", demo.Galley(), oneHalf, "")
	width := func(k kitchen.Kitchen, w plantest.Ask) float64 {
		p, err := plantest.Make(k, w, evening)
		if err != nil {
			t.Fatal(err)
		}
		if f := p.Formula; f.Hydration < f.Low-1e-9 || f.Hydration > f.High+1e-9 {
			t.Errorf("%.1f lies outside %.1f to %.1f", f.Hydration, f.Low, f.High)
		}
		return p.Formula.High - p.Formula.Low
	}
	k := heron()
	unknown := width(k, w)
	k.Cups = []larder.Cup{{Flour: "bread-flour", Measure: measure.Of(1, 1, measure.Cup),
		Weighings: []measure.Grams{128, 131, 125, 132}}}
	known := width(k, w)
	w.Weigh = []string{"l6"}
	weighed := width(k, w)
	if !(unknown > 15 && known < unknown/2 && known > 2 && weighed == 0) {
		t.Errorf("the range is %.1f points by an unknown cup, %.1f by one's own, %.1f weighed", unknown, known, weighed)
	}
}

func TestReducedSaltIsHeldAndSaid(t *testing.T) {
	k := heron()
	k.Salt = kind.Reduced
	p, err := plantest.Make(k, wish(t, "Towpath white", demo.Galley(), oneHalf, ""), evening)
	if err != nil {
		t.Fatal(err)
	}
	found := false
	for _, d := range p.Deviations {
		found = found || d.Rule == scale.ReducedSalt && d.Grams < d.Straight && strings.Contains(d.Reason,
			"rises faster")
	}
	if !found || math.Abs(p.Formula.Salt-1.4) > 0.01 {
		t.Errorf("salt is %.2f per 100 flour: %+v", p.Formula.Salt, p.Deviations)
	}
	for _, r := range demo.Recipes() {
		w := wish(t, r.Name, demo.Galley(), oneHalf, "")
		p, err := plantest.Make(k, w, evening)
		if err != nil {
			t.Fatal(err)
		}
		if c, ok := caution(p, plan.OutOfBand); ok && strings.HasPrefix(c.Say, "Salt") && p.Formula.Salt > 1.3 {
			t.Errorf("%s: salt held at the edge is called unusual: %s", r.Name, c.Say)
		}
	}
}

func TestOnlyWhatIsShortIsSpokenOf(t *testing.T) {
	for grams, said := range map[measure.Grams]string{
		3: "You have only 3 g of honey", 0: "You are out of honey", 900: "",
	} {
		k := heron()
		k.Stock = []kitchen.Stocked{{Ingredient: "honey", Grams: grams}}
		p := plantest.Must(t, k, wish(t, "Oat and honey loaf", demo.Galley(), oneHalf, ""), evening)
		var found []string
		for _, c := range p.Cautions {
			if c.About == plan.Cupboard {
				found = append(found, c.Say)
			}
		}
		if said == "" && found != nil || said != "" && (len(found) != 1 || !strings.HasPrefix(found[0], said)) {
			t.Errorf("with %v of honey the plan says %q", grams, found)
		}
	}
}

func TestNotesOnFlourYeastAndCupboard(t *testing.T) {
	text := func(lines string, kind recipe.Kind) recipe.Recipe {
		l := recipetest.Lines(t, lines)
		return recipe.Recipe{Name: "test", Kind: kind, Size: oneHalf, Standard: measure.US, Lines: l}
	}
	old, _ := kitchen.ParseDate("2025-01-01")
	for _, c := range []struct {
		why    string
		recipe recipe.Recipe
		change func(*kitchen.Kitchen)
		level  plan.Level
		about  plan.About
		ways   int
	}{
		{"plain flour in a yeast loaf is noted", text("1 cup water; 1 1/2 tsp salt; 3 cups plain flour; 2 tsp "+
			"active dry yeast", recipe.White), nil, plan.Note, plan.WrongFlour, 0},
		{"self-raising flour in a yeast loaf is warned of", text("1 cup water; 1 1/2 tsp salt; 3 cups self-raising "+
			"flour; 2 tsp active dry yeast", recipe.White), nil, plan.Care, plan.WrongFlour, 0},
		{"cake flour too", text("1 cup water; 1 1/2 tsp salt; 3 cups cake flour; 2 tsp active dry yeast",
			recipe.White), nil, plan.Care, plan.WrongFlour, 0},
		{"a quick bread wants plain flour", text("1 cup milk; 1/2 tsp salt; 2 cups bread flour; 2 tsp baking powder",
			recipe.QuickBread), nil, plan.Note, plan.WrongFlour, 0},
		{"much sugar slows yeast", text("3/4 cup water; 1/2 cup sugar; 1 1/4 tsp salt; 3 cups bread flour; 2 tsp "+
			"active dry yeast", recipe.Sweet), nil, plan.Note, plan.OutOfBand, 0},
		{"wholemeal without gluten is offered some", text("1 1/4 cups water; 1 1/2 tsp salt; 3 cups wholemeal "+
			"flour; 2 tsp active dry yeast", recipe.Wholemeal), nil, plan.Note, plan.Grain, 1},
		{"an old jar is warned of before measuring", named(t, "Towpath white"), func(k *kitchen.Kitchen) {
			k.Packs = []kitchen.Pack{{Ingredient: "active-dry-yeast", BestBefore: old}}
		}, plan.Care, plan.Dates, 0},
		{"no honey in the house: sugar, molasses or maple syrup", named(t, "Oat and honey loaf"),
			func(k *kitchen.Kitchen) {
				k.Stock = []kitchen.Stocked{{Ingredient: "honey"}}
			}, plan.Care, plan.Cupboard, 3},
		{"nor is what is out offered in its place", named(t, "Oat and honey loaf"), func(k *kitchen.Kitchen) {
			k.Stock = []kitchen.Stocked{{Ingredient: "honey", Grams: 3}, {Ingredient: "sugar"},
				{Ingredient: "molasses"}}
		}, plan.Care, plan.Cupboard, 1},
	} {
		k := heron()
		if c.change != nil {
			c.change(&k)
		}
		w := wish(t, "Towpath white", demo.Galley(), oneHalf, "")
		w.Recipe = c.recipe
		p, err := plantest.Make(k, w, evening)
		if err != nil {
			t.Errorf("%s: %v", c.why, err)
			continue
		}
		found := false
		for _, n := range p.Cautions {
			found = found || n.Level == c.level && n.About == c.about && len(n.Ways) == c.ways
		}
		if !found {
			t.Errorf("%s: %+v", c.why, p.Cautions)
		}
	}
}

func TestADelayIsMadeSafeBySwaps(t *testing.T) {
	w := wish(t, "Sluice-gate egg loaf", demo.Galley(), oneHalf, "2026-03-11T07:00")
	p := mustMake(t, w)
	c, refused := p.Refusal()
	if !refused || len(c.Ways) != 2 || len(c.Ways[0].Swaps) != 2 {
		t.Fatalf("a delay with milk and egg: %+v", c)
	}
	w.Swaps = c.Ways[0].Swaps
	safe := mustMake(t, w)
	if c, refused := safe.Refusal(); refused {
		t.Errorf("swapped, it is still refused: %s", c.Say)
	}
	if len(safe.Swaps) != 2 || safe.Formula.Written == nil ||
		math.Abs(safe.Formula.Hydration-safe.Formula.Written.Hydration) > 0.3 {
		t.Errorf("swaps %+v move hydration from %+v to %.1f", safe.Swaps, safe.Formula.Written, safe.Formula.Hydration)
	}
	stands := 0
	for _, l := range safe.Lines {
		want := ""
		for _, o := range w.Recipe.Lines {
			if o.ID == l.ID && o.Ingredient == l.Ingredient {
				want = o.Amount.String()
			}
		}
		if l.Written != "" && l.Written != want {
			t.Errorf("%s is said to be written %q; the recipe says %q", l.Name, l.Written, want)
		}
		if l.Written != "" {
			stands++
		}
	}
	if stands == 0 || stands == len(safe.Lines) {
		t.Errorf("%d of %d lines stand in the recipe as they are", stands, len(safe.Lines))
	}
	w.Swaps = append(w.Swaps, swap.Pick{Line: "l1", Swap: "sugar>honey"})
	var f *fault.Fault
	if _, err := plantest.Make(heron(), w, evening); !errors.As(err, &f) || f.Pointer != "/loaf/swaps/2/line" {
		t.Errorf("a swap that does not fit its line: %v", err)
	}
}

func TestAShoppingListFollowsFromThePlanAndTheStock(t *testing.T) {
	k := heron()
	k.Stock = []kitchen.Stocked{{Ingredient: "bread-flour", Grams: 100}, {Ingredient: "sugar", Grams: 500}}
	p, err := plantest.Make(k, wish(t, "Towpath white", demo.Galley(), oneHalf, ""), evening)
	if err != nil {
		t.Fatal(err)
	}
	buy := map[larder.ID]string{}
	for _, s := range p.Shop(k) {
		buy[s.Ingredient] = s.Buy
		if s.Ingredient == "butter" && s.Has != "" {
			t.Error("nobody keeps count of the butter, yet the list knows")
		}
	}
	if _, water := buy["water"]; water || buy["bread-flour"] != "275 g" || buy["sugar"] != "" || len(buy) != 6 {
		t.Errorf("to buy: %v", buy)
	}
}

func TestTheSizeFollowsTheEaters(t *testing.T) {
	w := wish(t, "Towpath white", demo.Galley(), oneHalf, "")
	for _, c := range []struct {
		eaters, slices int
		want           measure.LoafSize
	}{{4, 2, one}, {4, 3, oneHalf}, {5, 3, two}, {0, 10, oneHalf}} {
		w.Eaters, w.Slices = c.eaters, c.slices
		if p := mustMake(t, w); p.Size != c.want {
			t.Errorf("%d eaters of %d slices: %v, want %v", c.eaters, c.slices, p.Size, c.want)
		}
	}
}

// What a change does not touch stays as it was: another salt, a spoon in the wash, an amount that is held.
func TestAChangeOfOneLineLeavesTheOthersAsTheyWere(t *testing.T) {
	kept := 0
	for _, c := range []struct {
		why    string
		recipe string
		change func(*plantest.Ask)
		line   string // that may change
	}{
		{"butter for oil", "Towpath white",
			func(w *plantest.Ask) { w.Swaps = []swap.Pick{{Line: "l2", Swap: "butter>margarine"}} }, "l2"},
		{"the half teaspoon is in the wash", "Towpath white",
			func(w *plantest.Ask) { w.NotToHand = []string{"1/2 tsp"} }, "l2 l4 l7"},
		{"a little less sugar", "Towpath white",
			func(w *plantest.Ask) { w.Locks = []plan.Lock{{Line: "l3", Amount: measure.Of(2, 1, measure.Tsp)}} }, "l3"},
		{"coarse salt", "Lock-keeper's wholemeal",
			func(w *plantest.Ask) { w.Swaps = []swap.Pick{{Line: "l4", Swap: "salt>coarse-salt"}} }, "l4"},
		{"a third cup less to hand", "Mooring raisin loaf",
			func(w *plantest.Ask) { w.NotToHand = []string{"1/3 cup"} }, "l9 l10"},
	} {
		for _, size := range []measure.LoafSize{one, oneHalf, two} {
			w := wish(t, c.recipe, demo.Galley(), size, "")
			before := mustMake(t, w)
			c.change(&w)
			after := mustMake(t, w)
			for n, l := range after.Lines {
				if now, was := l.Measured.String(), before.Lines[n].Measured.String(); now != was &&
					!strings.Contains(c.line, l.ID) && after.Rounding.Steady {
					t.Errorf("%s, %v: %s goes from %s to %s", c.why, size, l.Name, was, now)
				}
			}
			if after.Rounding.Steady {
				kept++
			}
		}
	}
	if kept < 12 {
		t.Errorf("of 15 changes only %d left the other lines alone", kept)
	}
}
