package usecase

import (
	"context"
	"errors"
	"time"

	"risepan/core/fault"
	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/timetable"
	"risepan/core/validate"
	"risepan/store"
)

// Shelf is what a kitchen has to bake with: its settings, its machines and the first of its recipes.
type Shelf struct {
	KitchenSettings
	Machines   []MachineOnShelf      `json:"machines"`
	Recipes    []store.RecipeOnShelf `json:"recipes"` // the first of them
	More       bool                  `json:"more"`    // there are others
	Unreadable []string              `json:"unreadable,omitzero"`
	Samples    int                   `json:"samples,omitzero"` // of them that came with the demo, unchanged
	Bench      *OpenBench            `json:"bench,omitzero"`   // a loaf that is being measured
	Meal       timetable.Wall        `json:"meal"`             // where a first wish for a ready time starts from
	Now        time.Time             `json:"now"`
}

// MachineOnShelf is a machine to choose.
type MachineOnShelf struct {
	ID    string             `json:"id"`
	Name  string             `json:"name"`
	Sizes []measure.LoafSize `json:"sizes"`
	Delay machine.Delay      `json:"delay"`
}

// window is how many recipes are shown at once.
const window = 40

// Shelf tells what the kitchen has to bake with.
func (c *Scope) Shelf() (Shelf, error) {
	k, zone, err := c.settings()
	if err != nil {
		return Shelf{}, err
	}
	out := Shelf{KitchenSettings: settingsOf(k.Kitchen, k.Version, kitchen.DateOf(c.now, zone)),
		Meal: timetable.NextMeal(c.now, zone), Now: c.now}
	if out.Machines, out.Unreadable, err = c.machines(false); err != nil {
		return Shelf{}, err
	}
	if out.Recipes, out.More, err = c.recipes(store.Search{}); err != nil {
		return Shelf{}, err
	}
	machines, recipes := c.samples(out.Machines, out.Recipes)
	out.Samples = len(machines) + len(recipes)
	out.Bench, err = c.openBench()
	return out, err
}

// samples are the machines and recipes that came with the demo and were never changed, by their ids.
func (c *Scope) samples(machines []MachineOnShelf, recipes []store.RecipeOnShelf) (of, dishes []string) {
	for _, m := range machines {
		if c.Base.Samples[m.Name] > 0 {
			of = append(of, m.ID)
		}
	}
	for _, r := range recipes {
		if c.Base.Samples[r.Name] == r.Revision {
			dishes = append(dishes, r.ID)
		}
	}
	return of, dishes
}

// PutSamples puts what came with the demo away, or brings it back; a kitchen's own things stay, and so does the log.
func (c *Scope) PutSamples(in PutAway) (Loaded, error) {
	machines, _, err := c.machines(!in.Away)
	if err != nil {
		return Loaded{}, err
	}
	recipes, _, err := c.recipes(store.Search{Away: !in.Away})
	if err != nil {
		return Loaded{}, err
	}
	ms, rs := c.samples(machines, recipes)
	for _, id := range ms {
		if err := c.q.PutMachineAway(c.ctx, c.kitchen, id, in.Away); err != nil {
			return Loaded{}, err
		}
	}
	for _, id := range rs {
		if err := c.q.PutRecipeAway(c.ctx, c.kitchen, id, in.Away); err != nil {
			return Loaded{}, err
		}
	}
	return Loaded{len(ms), len(rs)}, nil
}

// machines lists the machines on the shelf or away from it. One that cannot be read costs itself alone:
// it is logged, and said.
func (c *Scope) machines(away bool) (out []MachineOnShelf, unreadable []string, err error) {
	machines, faults, err := c.q.Machines(c.ctx, c.kitchen, away)
	out = []MachineOnShelf{}
	for _, m := range machines {
		out = append(out, MachineOnShelf{m.ID, m.Machine.Name, m.Machine.Sizes, m.Machine.Delay})
	}
	c.unreadable(faults...)
	for range faults {
		unreadable = append(unreadable, "One machine of this kitchen cannot be read. Everything else is as it was.")
	}
	return out, unreadable, err
}

// recipes lists a window of the recipes that are looked for, and whether there are more.
func (c *Scope) recipes(search store.Search) ([]store.RecipeOnShelf, bool, error) {
	search.Most = window + 1
	out, err := c.q.Shelf(c.ctx, c.kitchen, search)
	return out[:min(len(out), window)], len(out) > window, err
}

// Recipes are a window of a kitchen's recipes.
type Recipes struct {
	Recipes []store.RecipeOnShelf `json:"recipes"`
	More    bool                  `json:"more"`
}

// longestSearch is the most letters that can be searched for.
const longestSearch = 120

// ListRecipes lists a window of the recipes that are looked for.
func (c *Scope) ListRecipes(search store.Search) (Recipes, error) {
	if err := validate.Short("/find", "what is looked for", search.Words, longestSearch); err != nil {
		return Recipes{}, err
	}
	if search.After != "" && !store.ValidID(search.After) {
		return Recipes{}, fault.At("/after", "after wants the id of the last recipe seen")
	}
	recipes, more, err := c.recipes(search)
	return Recipes{recipes, more}, err
}

// PutAway says whether a thing shall be away from the shelf.
type PutAway struct {
	Away bool `json:"away"`
}

// put takes a thing off the shelf or brings it back.
func (c *Scope) put(id string, in PutAway, put func(store.Queries, context.Context, string, string,
	bool) error) (PutAway, error) {
	return in, put(c.q, c.ctx, c.kitchen, id, in.Away)
}

// PutRecipe puts a recipe away, or brings it back.
func (c *Scope) PutRecipe(id string, in PutAway) (PutAway, error) {
	return c.put(id, in, store.Queries.PutRecipeAway)
}

// PutMachine puts a machine away, or brings it back.
func (c *Scope) PutMachine(id string, in PutAway) (PutAway, error) {
	return c.put(id, in, store.Queries.PutMachineAway)
}

// PutBake puts a bake away, or brings it back.
func (c *Scope) PutBake(id string, in PutAway) (PutAway, error) {
	return c.put(id, in, store.Queries.PutBakeAway)
}

// PutPhoto takes a photo of a card off, or brings it back.
func (c *Scope) PutPhoto(id string, in PutAway) (PutAway, error) {
	return c.put(id, in, store.Queries.PutPhotoAway)
}

// Loaded says what the demo brought.
type Loaded struct {
	Machines int `json:"machines"`
	Recipes  int `json:"recipes"`
}

// LoadDemo furnishes a kitchen that is still empty.
func (c *Scope) LoadDemo() (string, error) {
	k, zone, err := c.settings()
	if err != nil {
		return "", err
	}
	for _, away := range []bool{false, true} {
		machines, _, err := c.machines(away)
		if err != nil {
			return "", err
		}
		recipes, _, err := c.recipes(store.Search{Away: away})
		if err != nil {
			return "", err
		}
		if len(machines)+len(recipes) > 0 {
			return "", refuse(Conflict, "",
				"this kitchen has machines or recipes already; the demo is for an empty one")
		}
	}
	return c.kitchen, c.FillDemo(c.ctx, c.q, k, zone, c.now)
}

// LoadedDemo answers with what the demo brought.
func (c *Scope) LoadedDemo(string) (Loaded, error) {
	machines, _, err := c.machines(false)
	if err != nil {
		return Loaded{}, err
	}
	recipes, _, err := c.recipes(store.Search{})
	return Loaded{len(machines), len(recipes)}, err
}

// named finds what a field names; an unknown one is the field's fault.
func named[T any](id, pointer, what string, find func(string) (T, error)) (T, error) {
	var none T
	if !store.ValidID(id) {
		return none, fault.At(pointer, "say which %s, by its id", what)
	}
	v, err := find(id)
	if errors.Is(err, store.ErrNotFound) {
		return none, fault.At(pointer, "this kitchen has no such %s", what)
	}
	return v, err
}
