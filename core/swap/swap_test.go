package swap

import (
	"errors"
	"fmt"
	"math"
	"strings"
	"testing"

	"risepan/core/fault"
	"risepan/core/formula"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/recipe"
	"risepan/core/recipe/recipetest"
)

// written reads a recipe of a 1 1/2 lb loaf, lines parted by semicolons.
func written(t testing.TB, text string) recipe.Recipe {
	t.Helper()
	lines := recipetest.Lines(t, text)
	return recipe.Recipe{Name: "test", Kind: recipe.White, Size: measure.LoafPounds(3, 2), Standard: measure.US,
		Lines: lines}
}

func weigh(t testing.TB, r recipe.Recipe) []recipe.Weighed {
	t.Helper()
	w, err := r.Weigh(larder.Know)
	if err != nil {
		t.Fatal(err)
	}
	return w
}

func grams(t testing.TB, r recipe.Recipe) map[larder.ID]float64 {
	t.Helper()
	out := map[larder.ID]float64{}
	for _, l := range weigh(t, r) {
		out[l.Line.Ingredient] += float64(l.Grams)
	}
	return out
}

// loafWith is a loaf that holds a believable amount of the ingredient, on its first line.
func loafWith(t testing.TB, id larder.ID) recipe.Recipe {
	t.Helper()
	i, ok := larder.Get(id)
	if !ok {
		t.Fatalf("no %s in the larder", id)
	}
	const rest = "; 3/4 cup water; 3 tbsp butter; 3 tbsp sugar; 1 1/4 tsp salt; 3 cups bread flour; 2 tsp active " +
		"dry yeast"
	amount := map[larder.Kind]string{
		larder.Liquid: "1/4 cup", larder.Egg: "1", larder.Fat: "2 tbsp", larder.Syrup: "2 tbsp",
		larder.Sugar: "2 tbsp", larder.Salt: "1 tsp",
		larder.DryMilk: "1 tbsp", larder.Flour: "1 1/2 cups", larder.Yeast: "2 tsp", larder.DryExtra: "2 tbsp",
		larder.Extra: "1/2 cup",
	}[i.Kind]
	return written(t, amount+" "+i.Name+rest)
}

func TestEverySwapKeepsWaterFatSugarSaltAndYeast(t *testing.T) {
	for _, how := range table {
		r := loafWith(t, how.from)
		if how.gluten && how.drinks < 0 {
			r = written(t, "3 cups wholemeal flour; 1 1/4 cups water; 2 tsp salt; 1 1/2 tbsp gluten; 2 tsp active "+
				"dry yeast")
		}
		before := formula.FromRecipe(weigh(t, r))
		swapped, err := Apply(r, larder.Know, Pick{Line: "l1", Swap: how.id()})
		if err != nil {
			t.Errorf("%s: %v", how.id(), err)
			continue
		}
		after := formula.FromRecipe(weigh(t, swapped))
		for _, c := range []struct {
			what          string
			before, after float64
			within        float64
		}{
			{"water", before.Hydration, after.Hydration, 0.3}, {"fat", before.Fat, after.Fat, 0.2},
			{"sugar", before.Sugar, after.Sugar, 0.2},
			{"salt", before.Salt, after.Salt, 0.2}, {"yeast", before.Yeast, after.Yeast, 0.01},
		} {
			if off := math.Abs(c.after - c.before); off > c.within && !(c.what == "water" && how.drinks != 0) &&
				!(c.what == "yeast" && how.except == moreYeast) {
				t.Errorf("%s moves %s from %.2f to %.2f per 100 flour", how.id(), c.what, c.before, c.after)
			}
		}
		if (how.except == moreYeast) != (after.Yeast > before.Yeast+0.1) {
			t.Errorf("%s moves yeast from %.2f to %.2f per 100 flour and says %q", how.id(), before.Yeast, after.Yeast,
				how.except)
		}
		if how.drinks != 0 && math.Abs(after.Hydration-before.Hydration) <= 0.3 {
			t.Errorf("%s says that it moves the water, and does not", how.id())
		}
		if how.to != "" && how.to != how.from && grams(t, swapped)[how.from] > grams(t, r)[how.from]-1 &&
			how.from != "butter" && how.from != "salt" {
			t.Errorf("%s leaves %s in: %v", how.id(), how.from, grams(t, swapped))
		}
	}
}

// What makes up for a swap is a line of the dough: a glaze, a filling and what is warmed keep their amounts.
func TestASwapLeavesWhatIsNotDoughAsItIs(t *testing.T) {
	for _, c := range []struct{ first, beside string }{
		{"1 cup milk", "3/4 cup water"}, {"3 tbsp honey", "1/2 cup sugar"}, {"3 tbsp honey", "3/4 cup water"},
		{"2 tbsp butter", "2 tbsp oil"},
	} {
		r := written(t, c.first+"; 1/2 cup water; 2 tbsp sugar; 1 tsp salt; 3 cups bread flour; 2 tsp active dry "+
			"yeast; "+c.beside)
		last := len(r.Lines) - 1
		r.Lines[last].Part = recipe.Glaze
		for _, how := range table {
			if how.from != r.Lines[0].Ingredient {
				continue
			}
			swapped, err := Apply(r, larder.Know, Pick{Line: r.Lines[0].ID, Swap: how.id()})
			if err != nil {
				t.Errorf("%s: %v", how.id(), err)
				continue
			}
			for _, l := range swapped.Lines {
				if l.Part == recipe.Glaze && l.Amount != r.Lines[last].Amount {
					t.Errorf("%s changes the glaze from %s to %s", how.id(), r.Lines[last].Amount, l.Amount)
				}
			}
		}
	}
}

func TestSwappingThereAndBackRestoresTheRecipe(t *testing.T) {
	pairs := 0
	for _, there := range table {
		back := ID(string(there.to) + ">" + string(there.from) + there.tag)
		if _, ok := find(back); !ok || there.from == there.to {
			continue
		}
		pairs++
		share := 0
		if len(there.shares) > 0 {
			share = 50
		}
		r := loafWith(t, there.from)
		if there.gluten && there.drinks < 0 {
			r = written(t, "3 cups wholemeal flour; 1 1/4 cups water; 2 tsp salt; 1 1/2 tbsp gluten; 2 tsp active "+
				"dry yeast")
		}
		swapped, err := Apply(r, larder.Know, Pick{Line: "l1", Swap: there.id(), Share: share})
		if err != nil {
			t.Errorf("%s: %v", there.id(), err)
			continue
		}
		line := "l1"
		for _, l := range swapped.Lines {
			if l.Ingredient == there.to && l.ID != "l1" && strings.HasPrefix(l.ID, "l1-") {
				line = l.ID // a part of the line was swapped, into a line of its own
			}
		}
		again, err := Apply(swapped, larder.Know, Pick{Line: line, Swap: back})
		if err != nil {
			t.Errorf("%s and back: %v", there.id(), err)
			continue
		}
		want, got := grams(t, r), grams(t, again)
		for id := range want {
			if math.Abs(want[id]-got[id]) > 0.1 {
				t.Errorf("%s and back: %s is %.2f g, was %.2f", there.id(), id, got[id], want[id])
			}
			delete(got, id)
		}
		if len(got) > 0 {
			t.Errorf("%s and back leaves %v behind", there.id(), got)
		}
		if share == 0 {
			for n, l := range again.Lines {
				if n < len(r.Lines) && l.Amount != r.Lines[n].Amount {
					t.Errorf("%s and back: %s is written %s, was %s", there.id(), l.Ingredient, l.Amount,
						r.Lines[n].Amount)
				}
			}
		}
	}
	if pairs < 30 {
		t.Errorf("only %d swaps have a way back", pairs)
	}
}

// By hand, for swaps whose arithmetic a baker might check on paper.
func TestSwapsWorkedByHand(t *testing.T) {
	for _, c := range []struct {
		why    string
		recipe string
		pick   Pick
		want   map[larder.ID]float64
	}{
		{
			why: "a cup of whole milk, 244 g, holds 12.2 g of milk sugar: 12.2/0.52 = 23.46 g dry milk. Its fat is " +
				"8.05 g, of which the dry milk " +
				"brings 0.23: 7.82/0.81 = 9.65 g butter, whose water is 1.54. Its water is 214.72; 0.70 and 1.54 " +
				"are there: 212.47 g of water",
			recipe: "1 cup milk; 1 1/2 tsp salt; 3 cups bread flour; 1 3/4 tsp active dry yeast",
			pick:   Pick{Line: "l1", Swap: "milk>dry-milk"},
			want:   map[larder.ID]float64{"milk": 0, "dry-milk": 23.46, "butter": 9.65, "water": 212.47},
		},
		{
			why: "28.4 g of butter (2 tbsp) hold 0.81 × 28.375 = 22.98 g of fat, so 22.98 g of oil, and 4.54 g " +
				"of water",
			recipe: "1 cup water; 2 tbsp butter; 1 1/2 tsp salt; 3 cups bread flour; 1 3/4 tsp active dry yeast",
			pick:   Pick{Line: "l2", Swap: "butter>oil"},
			want:   map[larder.ID]float64{"butter": 0, "oil": 22.98, "water": 236.6 + 4.54},
		},
		{
			why:    "25 g of sugar are 25/0.82 = 30.49 g of honey, whose 17 % are 5.18 g of water: so much less goes in",
			recipe: "1 cup water; 2 tbsp sugar; 1 1/2 tsp salt; 3 cups bread flour; 1 3/4 tsp active dry yeast",
			pick:   Pick{Line: "l2", Swap: "sugar>honey"},
			want:   map[larder.ID]float64{"sugar": 0, "honey": 30.49, "water": 236.6 - 5.18},
		},
		{
			why: "6.2 g of active dry yeast (2 tsp) are 2.5 times as much fresh, 15.5 g, which holds 10.85 g of " +
				"water where the dry held 0.31: 10.54 less",
			recipe: "1 cup water; 1 1/2 tsp salt; 3 cups bread flour; 2 tsp active dry yeast",
			pick:   Pick{Line: "l4", Swap: "active-dry-yeast>fresh-yeast"},
			want:   map[larder.ID]float64{"active-dry-yeast": 0, "fresh-yeast": 15.5, "water": 236.6 - 10.54},
		},
		{
			why: "6.2 g of active dry yeast are 0.8 times as much instant, 4.96 g; the hundredths of water that " +
				"differ are let be",
			recipe: "1 cup water; 1 1/2 tsp salt; 3 cups bread flour; 2 tsp active dry yeast",
			pick:   Pick{Line: "l4", Swap: "active-dry-yeast>instant-yeast"},
			want:   map[larder.ID]float64{"active-dry-yeast": 0, "instant-yeast": 4.96, "water": 236.6},
		},
		{
			why:    "15.5 g of fresh yeast (15.5 g) are 4.96 g of instant",
			recipe: "1 cup water; 1 1/2 tsp salt; 3 cups bread flour; 15.5 g fresh yeast",
			pick:   Pick{Line: "l4", Swap: "fresh-yeast>instant-yeast"},
			want:   map[larder.ID]float64{"fresh-yeast": 0, "instant-yeast": 4.96, "water": 236.6 + 10.602},
		},
		{
			why: "a quarter of 375 g of bread flour is 93.75 g of wholemeal: 25 % of the flour, so 3.25 points " +
				"of water, 12.19 g, and 2.34 g of gluten, whose 8 % are 0.19 g of that",
			recipe: "1 cup water; 1 1/2 tsp salt; 3 cups bread flour; 2 tsp active dry yeast",
			pick:   Pick{Line: "l3", Swap: "bread-flour>wholemeal-flour+gluten", Share: 25},
			want: map[larder.ID]float64{"bread-flour": 281.25, "wholemeal-flour": 93.75, "gluten": 2.34,
				"water": 236.6 + 12.0},
		},
		{
			why:    "an egg of 50 g holds 4.75 g of fat, as much oil; 38 g of water make up for the rest",
			recipe: "3/4 cup water; 1 egg; 2 tbsp oil; 1 1/2 tsp salt; 3 cups bread flour; 2 tsp active dry yeast",
			pick:   Pick{Line: "l2", Swap: "egg>oil"},
			want:   map[larder.ID]float64{"egg": 0, "oil": 27.25 + 4.75, "water": 177.45 + 38},
		},
	} {
		swapped, err := Apply(written(t, c.recipe), larder.Know, c.pick)
		if err != nil {
			t.Errorf("%s: %v", c.why, err)
			continue
		}
		got := grams(t, swapped)
		for id, want := range c.want {
			if math.Abs(got[id]-want) > 0.06 {
				t.Errorf("%s: %s is %.2f g, want %.2f", c.why, id, got[id], want)
			}
		}
	}
}

func TestASwapThatCannotBeMadeSaysWhy(t *testing.T) {
	dry := written(t, "1/4 cup water; 1 cup honey; 1 1/2 tsp salt; 3 cups bread flour; 1 cup dry milk; 2 tsp active "+
		"dry yeast")
	for _, c := range []struct {
		pick    Pick
		pointer string
		says    string
	}{
		{Pick{Line: "l5", Swap: "dry-milk>milk"}, "/swap", "takes more water out than the recipe has"},
		{Pick{Line: "l1", Swap: "dry-milk>milk"}, "/line", "another ingredient"},
		{Pick{Line: "l9", Swap: "dry-milk>milk"}, "/line", "no line"},
		{Pick{Line: "l5", Swap: "dry-milk>gold"}, "/swap", "no swap"},
		{Pick{Line: "l4", Swap: "bread-flour>wholemeal-flour", Share: 101}, "/share", "1 to 100"},
		{Pick{Line: "l4", Swap: "bread-flour>wholemeal-flour", Share: -1}, "/share", "1 to 100"},
	} {
		after, err := Apply(dry, larder.Know, c.pick)
		var f *fault.Fault
		if !errors.As(err, &f) || f.Pointer != c.pointer || !strings.Contains(f.Detail, c.says) {
			t.Errorf("%v: %v, want one at %s that says %q", c.pick, err, c.pointer, c.says)
		}
		if fmt.Sprint(after) != fmt.Sprint(dry) {
			t.Errorf("%v was refused and yet the recipe changed", c.pick)
		}
	}
}

func TestEveryLineIsOfferedItsSwapsWithTheFormulaBeforeAndAfter(t *testing.T) {
	offers := Offers(loafWith(t, "milk"), larder.Know, "")
	milk := 0
	for _, o := range offers {
		if o.Line == "l1" {
			milk++
			if o.Problem != "" || len(o.Changes) == 0 || math.Abs(o.Before.Hydration-o.After.Hydration) > 0.3 {
				t.Errorf("%s: %+v", o.Swap, o)
			}
			if o.Keeps != (o.Swap == "milk>dry-milk") {
				t.Errorf("%s keeps in a delay: %v", o.Swap, o.Keeps)
			}
		}
	}
	if only := Offers(loafWith(t, "milk"), larder.Know, "l1"); len(only) != milk {
		t.Errorf("asked for the milk alone, %d swaps are offered of %d", len(only), milk)
	}
	if milk != 3 {
		t.Errorf("milk is offered %d swaps, want dry milk, half cream and skimmed milk", milk)
	}
}

func TestDelaySafeRidsALoafOfAllThatSpoils(t *testing.T) {
	r := written(t, "1/2 cup milk; 1 egg; 1/4 cup cottage cheese; 2 tbsp butter; 1 tbsp sugar; 1 1/4 tsp salt; 3 "+
		"cups bread flour; 2 tsp active dry yeast; 1/2 cup grated hard cheese; 1/4 cup mashed banana")
	before := formula.FromRecipe(weigh(t, r))
	picks, rest := DelaySafe(r, larder.Know)
	for _, p := range picks {
		var err error
		if r, err = Apply(r, larder.Know, p); err != nil {
			t.Fatal(err)
		}
	}
	for _, l := range weigh(t, r) {
		if l.Ingredient.Spoils && l.Ingredient.Name != "mashed banana" {
			t.Errorf("%s is still in the pan", l.Ingredient.Name)
		}
	}
	if strings.Join(rest, ",") != "mashed banana" {
		t.Errorf("what cannot be swapped is %v, want the banana alone", rest)
	}
	after := formula.FromRecipe(weigh(t, r))
	if math.Abs(before.Hydration-after.Hydration) > 0.3 || math.Abs(before.Fat-after.Fat) > 0.2 ||
		math.Abs(before.Salt-after.Salt) > 0.2 {
		t.Errorf("the dough was %+v and is %+v", before, after)
	}
}

func TestLinearEquationsAreSolvedOrKnownToHaveNoAnswer(t *testing.T) {
	// 2y = 4 and x + y = 5; then the same line twice.
	if x, ok := solve([][]float64{{0, 2, 4}, {1, 1, 5}}); !ok || math.Abs(x[0]-3) > 1e-12 || math.Abs(x[1]-2) > 1e-12 {
		t.Errorf("solved as %v, %v", x, ok)
	}
	if x, ok := solve([][]float64{{1, 2, 4}, {2, 4, 9}}); ok {
		t.Errorf("two parallel lines meet at %v", x)
	}
}
