package choice_test

import (
	"strings"
	"testing"

	"risepan/core/choice"
	"risepan/core/formula"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/recipe"
	"risepan/core/recipe/recipetest"
	"risepan/demo"
)

func needs(t *testing.T, r recipe.Recipe) choice.Needs {
	t.Helper()
	w, err := r.Weigh(larder.Get)
	if err != nil {
		t.Fatal(err)
	}
	return choice.Needs{Kind: r.Kind, Formula: formula.FromRecipe(w), Lines: w,
		Size: machine.SizeSetting{LoafSize: r.Size}}
}

// lock is a small machine of few cycles: no sweet, no gluten-free, a wholemeal without a rest.
func lock() machine.Machine {
	m := demo.Boatyard()
	m.Name = "Lock machine"
	stages := func(knead, rise1, rise2, bake machine.Minutes) []machine.Stage {
		return []machine.Stage{{Kind: machine.Knead, Minutes: knead}, {Kind: machine.Rise, Minutes: rise1},
			{Kind: machine.KnockBack, Minutes: 1},
			{Kind: machine.Rise, Minutes: rise2}, {Kind: machine.Bake, Minutes: bake}}
	}
	m.Cycles = []machine.Cycle{
		{ID: "basic", Panel: "1", Name: "Basic", Character: machine.Basic, Delay: true, HasCrust: true,
			Stages: stages(25, 50, 60, 55)},
		{ID: "crusty", Panel: "2", Name: "Country", Character: machine.CrustyLoaf, Delay: true, HasCrust: true,
			Stages: stages(20, 60, 70, 62)},
		{ID: "rapid", Panel: "3", Name: "Rapid", Character: machine.Rapid, HasCrust: true,
			Stages: []machine.Stage{{Kind: machine.Knead, Minutes: 18}, {Kind: machine.Rise, Minutes: 35},
				{Kind: machine.Bake, Minutes: 52}}},
		{ID: "low-carb", Panel: "4", Name: "Low", Character: machine.LowCarb, HasCrust: true,
			Stages: []machine.Stage{{Kind: machine.Knead, Minutes: 22}, {Kind: machine.Rise, Minutes: 55},
				{Kind: machine.Bake, Minutes: 60}}},
	}
	return m
}

func written(t *testing.T, kind recipe.Kind, text string) recipe.Recipe {
	t.Helper()
	lines := recipetest.Lines(t, text)
	return recipe.Recipe{Name: string(kind) + " of " + strings.SplitN(text, ";", 2)[0], Kind: kind,
		Size: measure.LoafPounds(3, 2), Standard: measure.US, Lines: lines}
}

// What a baker would set, reasoned by hand from each recipe's own figures: the cycle on three
// machines, the crust, and a word that the reason must hold.
func TestCycleAndCrustReasonedByHand(t *testing.T) {
	demos := map[string]recipe.Recipe{}
	for _, r := range demo.Recipes() {
		demos[r.Name] = r
	}
	lowCarb := written(t, recipe.LowCarb, "1 cup water; 2 eggs; 2 tbsp olive oil; 1 tsp salt; 1 cup vital wheat "+
		"gluten; 1/2 cup lupin flour; 1/2 cup oat fibre; 2 tsp instant yeast")
	rolls := written(t, recipe.Dough, "1 cup water; 2 tbsp oil; 1 tbsp sugar; 1 1/2 tsp salt; 3 cups bread flour; 2 "+
		"tsp active dry yeast")
	lean := written(t, recipe.Crusty, "1 cup water; 1 1/2 tsp salt; 3 cups bread flour; 1 1/4 tsp active dry yeast")
	pairs := 0
	for _, c := range []struct {
		recipe                 recipe.Recipe
		galley, boatyard, lock string // empty: nothing suits
		crust                  machine.Crust
		says                   string
		because                string
	}{
		{demos["Towpath white"], "basic", "basic", "basic", machine.Medium, "everyday", "3 % sugar and 5 % fat"},
		{demos["Oat and honey loaf"], "basic", "basic", "basic", machine.Medium, "everyday",
			"18 % oats are too few for the wholemeal cycle, 7 % sugar too little for sweet"},
		{demos["Lock-keeper's wholemeal"], "wholemeal", "wholemeal", "basic", machine.Medium, "whole grain",
			"two thirds whole grain; the lock machine has no such cycle, but its basic rises 110 minutes"},
		{demos["Sluice-gate egg loaf"], "sweet", "sweet", "basic", machine.Light, "sugar is 14",
			"14 % sugar browns fast"},
		{demos["Mooring raisin loaf"], "sweet", "sweet", "basic", machine.Light, "sugar is 10",
			"10 % sugar before the raisins"},
		{demos["Winding-hole crusty"], "crusty", "basic", "crusty", machine.Medium, "hardly any sugar",
			"1 % sugar, 2 % fat; the boatyard machine has no crusty cycle"},
		{demos["Boathook rye"], "basic", "basic", "basic", machine.Medium, "everyday", "a fifth rye, 7 % sugar"},
		{demos["Tiller gluten-free loaf"], "gluten-free", "quick", "rapid", machine.Medium, "no knock-back",
			"a batter: on machines without its cycle the one that never knocks back; a moist loaf wants its time, " +
				"which outweighs egg and sugar"},
		{demos["Boatyard banana bread"], "cake", "", "", machine.Medium, "No yeast",
			"only a quick bread cycle bakes what has no yeast, and its middle must be done, whatever the sugar does " +
				"to the crust"},
		{lowCarb, "rapid", "quick", "low-carb", machine.Dark, "knock-back",
			"its own cycle, else one that knocks back at most once; dense, so dark"},
		{rolls, "dough", "dough", "", machine.Medium, "shaped by hand", "the machine only kneads and raises it"},
		{lean, "crusty", "basic", "crusty", machine.Dark, "hardly any sugar", "no sugar and no fat stay pale"},
	} {
		n := needs(t, c.recipe)
		for _, m := range []struct {
			machine machine.Machine
			want    string
		}{{demo.Galley(), c.galley}, {demo.Boatyard(), c.boatyard}, {lock(), c.lock}} {
			pairs++
			got := choice.Cycles(m.machine, n)
			switch {
			case len(got) != len(m.machine.Cycles):
				t.Errorf("%s: %d of %d cycles are judged", m.machine.Name, len(got), len(m.machine.Cycles))
			case m.want == "" && got[0].Suits:
				t.Errorf("%s on %s: %s is held to suit, for %s", c.recipe.Name, m.machine.Name, got[0].Cycle, c.because)
			case m.want != "" && (got[0].Cycle != m.want || !got[0].Suits):
				t.Errorf("%s on %s: chose %s (%s), want %s, for %s", c.recipe.Name, m.machine.Name, got[0].Cycle,
					got[0].Reason, m.want, c.because)
			}
			for _, o := range got {
				if o.Reason == "" {
					t.Errorf("%s on %s: no word on %s", c.recipe.Name, m.machine.Name, o.Cycle)
				}
			}
		}
		galley := demo.Galley()
		if best := choice.Cycles(galley, n)[0]; !strings.Contains(best.Reason, c.says) && best.Cycle == c.galley &&
			!strings.Contains(best.Reason, "closest") {
			t.Errorf("%s: the reason is %q, want %q in it", c.recipe.Name, best.Reason, c.says)
		}
		cycle, _ := galley.Cycle(c.galley)
		if got, why := choice.Crust(galley, cycle, n); got != c.crust && cycle.HasCrust {
			t.Errorf("%s: crust %s (%s), want %s, for %s", c.recipe.Name, got, why, c.crust, c.because)
		}
	}
	if pairs < 30 {
		t.Errorf("only %d pairs of recipe and machine are reasoned", pairs)
	}
}

// Wishes move the choice, and none is silently dropped: what cannot be granted says so.
func TestWishesMoveTheChoice(t *testing.T) {
	quick := written(t, recipe.White, "1 cup water; 2 tbsp oil; 1 tbsp sugar; 1 1/2 tsp salt; 3 cups bread flour; 2 "+
		"1/4 tsp instant yeast")
	raisin := demo.Recipes()[4]
	for _, c := range []struct {
		why    string
		m      machine.Machine
		recipe recipe.Recipe
		change func(*choice.Needs)
		want   string
		grants bool
		says   string
	}{
		{"two and a half hours leave only the rapid cycle", demo.Galley(), quick,
			func(n *choice.Needs) { n.Within = 150 }, "rapid", true, "closest"},
		{"one hour leaves none, and that is said", demo.Galley(), quick, func(n *choice.Needs) { n.Within = 60 },
			"basic", false, "there are 1 h 00"},
		{"a delay rules the boatyard machine's sweet cycle out", demo.Boatyard(), raisin,
			func(n *choice.Needs) { n.Delayed = true }, "basic", true, "closest"},
		{"nobody at the beep: the dispenser stands in", demo.Galley(), raisin, func(n *choice.Needs) {
			n.Away,
				n.Box = true, true
		}, "sweet", true, "dispenser"},
		{"nobody at the beep and no dispenser: at the start", demo.Boatyard(), raisin,
			func(n *choice.Needs) { n.Away = true }, "sweet", true, "at the start"},
		{"somebody there: the beep counts", demo.Galley(), raisin, func(*choice.Needs) {}, "sweet", true,
			"beeps for the add-ins"},
	} {
		n := needs(t, c.recipe)
		c.change(&n)
		got := choice.Cycles(c.m, n)[0]
		if got.Cycle != c.want || got.Grants != c.grants || !strings.Contains(got.Reason, c.says) {
			t.Errorf("%s: %+v", c.why, got)
		}
	}
	wholemeal := needs(t, demo.Recipes()[2])
	for _, o := range choice.Cycles(demo.Boatyard(), wholemeal) {
		if o.Cycle == "wholemeal" && !strings.Contains(o.Reason, "suits whole grain") {
			t.Errorf("a rest of 36 minutes is not held in favour of wholemeal: %s", o.Reason)
		}
		if o.Cycle == "quick" && !strings.Contains(o.Reason, "instant yeast") {
			t.Errorf("active dry yeast on a fast cycle is let pass: %s", o.Reason)
		}
	}
}

func TestADelayExcludesCyclesWithoutOne(t *testing.T) {
	for _, r := range demo.Recipes() {
		n := needs(t, r)
		n.Delayed = true
		m := demo.Boatyard()
		if best := choice.Cycles(m, n)[0]; best.Suits && best.Grants {
			if c, _ := m.Cycle(best.Cycle); !c.Delay {
				t.Errorf("%s with a delay: chose %s, which has none", r.Name, c.Name)
			}
		}
	}
}

// Of all cycles it is the rapid one that asks for instant yeast, and only of a loaf with another.
func TestARapidCycleAsksForInstantYeast(t *testing.T) {
	for yeast, asks := range map[string]bool{"2 tsp active dry yeast": true, "2 tsp instant yeast": false,
		"2 tsp baking powder": false} {
		n := needs(t, written(t, recipe.White, "1 cup water; 1 1/2 tsp salt; 3 cups bread flour; "+yeast))
		for _, o := range choice.Cycles(lock(), n) {
			if got := strings.Contains(o.Reason, "instant yeast"); got != (asks && o.Cycle == "rapid") {
				t.Errorf("%s on %s: %q", yeast, o.Cycle, o.Reason)
			}
		}
	}
}

// A pale loaf wants a dark crust, an egg loaf a light one: a machine that lacks it gives the nearest, not
// the first in its list.
func TestTheNearestCrustOfTheMachineIsTaken(t *testing.T) {
	lean := needs(t, written(t, recipe.Crusty, "1 cup water; 1 1/2 tsp salt; 3 cups bread flour; 1 1/4 tsp active "+
		"dry yeast"))
	rich := needs(t, written(t, recipe.Sweet, "3/4 cup milk; 1 egg; 3 tbsp butter; 1/3 cup sugar; 1 1/4 tsp salt; 3 "+
		"cups bread flour; 2 tsp active dry yeast"))
	for _, c := range []struct {
		needs  choice.Needs
		crusts []machine.Crust
		want   machine.Crust
	}{
		{lean, []machine.Crust{machine.Light, machine.Medium}, machine.Medium}, {lean, []machine.Crust{machine.Light},
			machine.Light},
		{rich, []machine.Crust{machine.Dark, machine.Medium}, machine.Medium},
		{rich, []machine.Crust{machine.Dark, machine.Light}, machine.Light},
	} {
		m := lock()
		m.Crusts = c.crusts
		if got, why := choice.Crust(m, m.Cycles[0], c.needs); got != c.want {
			t.Errorf("of %v it takes %s (%s), want %s", c.crusts, got, why, c.want)
		}
	}
}

func TestNoCycleForTheDoughIsSaid(t *testing.T) {
	m := demo.Boatyard()
	n := needs(t, demo.Recipes()[0])
	n.Kind, n.Formula = recipe.QuickBread, formula.Formula{Flour: 300}
	n.Size = machine.SizeSetting{LoafSize: measure.LoafPounds(1, 1)}
	if best := choice.Cycles(m, n)[0]; best.Suits {
		t.Errorf("a machine without a quick bread cycle suits one by %+v", best)
	}
}
