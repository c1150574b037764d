// Package demo is the demo kitchen: Heron Lock, an invented narrowboat household that bakes aboard.
package demo

import (
	"context"
	"time"

	"risepan/core/bag"
	"risepan/core/bake"
	"risepan/core/journal"
	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/core/verdict"
	"risepan/store"
)

// Zone is where the boat is moored.
const Zone = "Europe/London"

// pastBake is one logged bake of the demo.
type pastBake struct {
	daysAgo int
	hour    int // when Start was pressed
	recipe  store.Recipe
	machine store.Machine
	size    measure.LoafSize
	verdict bake.Verdict  // no mark: it was stopped
	lateOut time.Duration // how long the loaf stood after it was ready
}

// Empty makes a kitchen with nothing on its shelf.
func Empty(ctx context.Context, s *store.Store, zone string, now time.Time) error {
	_, err := s.AddKitchen(ctx, kitchen.New("My kitchen", zone), now)
	return err
}

// Fill loads the demo kitchen, whole or not at all. It is as if used up to now.
func Fill(ctx context.Context, s *store.Store, now time.Time) error {
	return s.Do(ctx, func(q store.Queries) error {
		_, err := Moor(ctx, q, now)
		return err
	})
}

// Moor makes a demo kitchen and returns its id.
func Moor(ctx context.Context, q store.Queries, now time.Time) (string, error) {
	zone, err := time.LoadLocation(Zone)
	if err != nil {
		return "", err
	}
	k := kitchen.New("Heron Lock", Zone)
	k.Prices, k.Money = prices(), "£"
	id, err := q.AddKitchen(ctx, k, now)
	if err != nil {
		return "", err
	}
	if err := q.ForLookingRound(ctx, id); err != nil {
		return "", err
	}
	return id, Furnish(ctx, q, store.Kitchen{ID: id, Version: 1, Kitchen: k}, zone, now)
}

// Samples are the names of the demo's machines and recipes, with the revision of each.
func Samples() map[string]int {
	out := map[string]int{Galley().Name: 1, Boatyard().Name: 1, oatLoaf("1 cup", "2 tsp").Name: 3}
	for _, r := range Recipes() {
		out[r.Name] = max(1, out[r.Name])
	}
	return out
}

// Furnish loads the demo's machines, recipes and bakes into a kitchen that has none.
func Furnish(ctx context.Context, q store.Queries, k store.Kitchen, zone *time.Location, now time.Time) error {
	long := now.AddDate(0, 0, -40)
	var machines []store.Machine
	for _, m := range []machine.Machine{Galley(), Boatyard()} {
		id, err := q.AddMachine(ctx, k.ID, m, long)
		if err != nil {
			return err
		}
		machines = append(machines, store.Machine{ID: id, Version: 1, Machine: m})
	}
	add := func(r recipe.Recipe) (store.Recipe, error) {
		return q.AddRecipe(ctx, k.ID, r, r.Yeasted(k.Kitchen.Ingredient), long)
	}
	white, err := add(towpathWhite())
	if err != nil {
		return err
	}
	oats1, err := add(oatLoaf("1 cup plus 2 tbsp", "2 1/2 tsp"))
	if err != nil {
		return err
	}
	revise := func(before store.Recipe, water, yeast string, cause verdict.Cause, signs []string,
		daysAgo int) (store.Recipe, error) {
		next := oatLoaf(water, yeast).Revise(before.Recipe)
		next.Because = recipe.Because{Cause: string(cause), Signs: signs}
		return q.ReviseRecipe(ctx, k.ID, before.ID, before.Revision, next, true, now.AddDate(0, 0, -daysAgo))
	}
	oats2, err := revise(oats1, "1 cup plus 2 tbsp", "1 3/4 tsp", verdict.MuchYeast,
		[]string{"sunken top", "coarse, holey"}, 17)
	if err != nil {
		return err
	}
	oats3, err := revise(oats2, "1 cup plus 1 tbsp", "1 3/4 tsp", verdict.TooWet, []string{"coarse, holey"}, 10)
	if err != nil {
		return err
	}
	var others []store.Recipe
	for _, r := range otherRecipes() {
		o, err := add(r)
		if err != nil {
			return err
		}
		others = append(others, o)
	}
	wholemeal, egg, raisin := others[0], others[1], others[2]
	galley, boatyard := machines[0], machines[1]
	for _, b := range []pastBake{
		{27, 8, oats1, galley, middle, bake.Verdict{Mark: 2, Note: "Rose to the lid, then sank in the middle. " +
			"Coarse crumb.",
			Signs: []bake.Sign{bake.Collapsed, bake.Coarse}, Centre: new(-24), Sides: new(5), CutAfter: 75,
			Weight: 741}, 4 * time.Minute},
		{24, 7, white, galley, middle, bake.Verdict{Mark: 5, Note: "As it should be. Gone by supper.",
			Signs: []bake.Sign{bake.Domed, bake.FineCrumb}, Centre: new(8), Sides: new(-6), CutAfter: 90},
			2 * time.Minute},
		{21, 8, oats1, galley, middle, bake.Verdict{Mark: 1, Note: "Collapsed again. Try less yeast, and only that.",
			Signs: []bake.Sign{bake.Collapsed, bake.Coarse}, Centre: new(-31), Sides: new(9), CutAfter: 60},
			3 * time.Minute},
		{16, 8, oats2, galley, middle, bake.Verdict{Mark: 3, Note: "Top flat but no crater. Dough coated the floor " +
			"of the pan, so less water next.",
			Signs: []bake.Sign{bake.Coarse}, Helped: bake.Yes, Centre: new(-9), Sides: new(-4), CutAfter: 60},
			5 * time.Minute},
		{12, 14, wholemeal, boatyard, small, bake.Verdict{Mark: 4, Note: "Good taste, a little short.",
			Signs: []bake.Sign{bake.Hollow}, CutAfter: 120}, 6 * time.Minute},
		{9, 8, oats3, galley, middle, bake.Verdict{Mark: 5, Note: "Domed and even at last: 1 3/4 tsp yeast, a " +
			"tablespoon less water.",
			Signs: []bake.Sign{bake.Domed, bake.FineCrumb}, Helped: bake.Yes, Centre: new(10), Sides: new(-5),
			CutAfter: 70, Weight: 728}, 2 * time.Minute},
		{6, 15, egg, boatyard, middle, bake.Verdict{Mark: 4, Note: "Soft. The crust was a shade dark.",
			Signs: []bake.Sign{bake.Burnt, bake.FineCrumb}, Crust: machine.Dark}, 9 * time.Minute},
		{4, 9, raisin, galley, middle, bake.Verdict{}, 0},
		{2, 9, raisin, galley, large, bake.Verdict{Mark: 5, Note: "Raisins whole and well spread.",
			Signs: []bake.Sign{bake.Domed}, CutAfter: 90}, 3 * time.Minute},
	} {
		if err := addPast(ctx, q, k, zone, now, b); err != nil {
			return err
		}
	}
	for _, b := range []bags{{12, 3, 2, white, galley, middle}, {50, 2, 1, wholemeal, galley, middle}} {
		if err := addBags(ctx, q, k, zone, now, b); err != nil {
			return err
		}
	}
	return nil
}

// prices are what the chandler asks for packs.
func prices() []kitchen.Price {
	return []kitchen.Price{{Ingredient: "bread-flour", Grams: 1500, Cost: 1.9}, {Ingredient: "wholemeal-flour",
		Grams: 1500, Cost: 2.1}, {Ingredient: "oats", Grams: 1000, Cost: 1.35},
		{Ingredient: "milk", Grams: 1130, Cost: 1.2}, {Ingredient: "butter", Grams: 250, Cost: 2.2},
		{Ingredient: "honey", Grams: 340, Cost: 3.4}, {Ingredient: "raisins", Grams: 500, Cost: 2.25},
		{Ingredient: "sugar", Grams: 1000, Cost: 1.1}, {Ingredient: "salt", Grams: 750, Cost: 0.7},
		{Ingredient: "active-dry-yeast", Grams: 125, Cost: 1.4}}
}

// bags are some that were filled on one afternoon.
type bags struct {
	daysAgo    int
	made, left int
	recipe     store.Recipe
	machine    store.Machine
	size       measure.LoafSize
}

func addBags(ctx context.Context, q store.Queries, k store.Kitchen, zone *time.Location, now time.Time, b bags) error {
	at := now.AddDate(0, 0, -b.daysAgo)
	p, err := plan.Make(plan.Place{Kitchen: k.Kitchen, Zone: zone, Recipe: b.recipe.Recipe, Machine: b.machine.Machine,
		Now: at}, plan.Wish{LoafWish: plan.LoafWish{Size: b.size}})
	if err != nil {
		return err
	}
	batch, err := bag.Pack(p, kitchen.DateOf(at, zone))
	if err != nil {
		return err
	}
	pins := store.Pins{RecipeID: b.recipe.ID, Revision: b.recipe.Revision, MachineID: b.machine.ID,
		Machine: b.machine.Version, Kitchen: k.Version}
	id, err := q.AddBags(ctx, k.ID, store.Bags{Pins: pins, Made: b.made, MadeAt: at, Batch: batch})
	if err == nil {
		err = q.LeaveBags(ctx, k.ID, id, b.left)
	}
	return err
}

func addPast(ctx context.Context, q store.Queries, k store.Kitchen, zone *time.Location, now time.Time,
	b pastBake) error {
	day := now.In(zone).AddDate(0, 0, -b.daysAgo)
	start := time.Date(day.Year(), day.Month(), day.Day(), b.hour, 10+b.daysAgo, 0, 0, zone).UTC()
	p, err := plan.Make(plan.Place{Kitchen: k.Kitchen, Zone: zone, Recipe: b.recipe.Recipe, Machine: b.machine.Machine,
		Now: start},
		plan.Wish{RecipeID: b.recipe.ID, MachineID: b.machine.ID, LoafWish: plan.LoafWish{Size: b.size},
			Timing: plan.Timing{AtPanel: true}})
	if err != nil {
		return err
	}
	pins := store.Pins{RecipeID: b.recipe.ID, Revision: b.recipe.Revision, MachineID: b.machine.ID,
		Machine: b.machine.Version, Kitchen: k.Version}
	id, err := q.StartBake(ctx, k.ID, store.Bake{Pins: pins, Plan: p, StartedAt: start},
		store.Wished{Zone: k.Kitchen.Zone})
	if err != nil {
		return err
	}
	happened := []bake.Happening{
		{Stamp: journal.Stamp{Seq: 1, At: p.Timer.Ready.Add(b.lateOut)}, What: bake.TakenOut},
		{Stamp: journal.Stamp{Seq: 2, At: p.Timer.Ready.Add(b.lateOut + time.Hour)}, What: bake.Judged,
			Verdict: b.verdict},
	}
	if b.verdict.Mark == 0 { // the lock gates would not wait
		happened = []bake.Happening{{Stamp: journal.Stamp{Seq: 1, At: start.Add(12 * time.Minute)},
			What: bake.Abandoned}}
	}
	for n, h := range happened {
		if err := q.AddInBake(ctx, k.ID, id, h, bake.At(p, happened[:n+1], now)); err != nil {
			return err
		}
	}
	return nil
}
