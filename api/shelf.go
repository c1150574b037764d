package api

import (
	"context"
	"errors"
	"net/http"
	"time"

	"risepan/core/fault"
	"risepan/core/kept"
	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/store"
)

// Shelf is what a kitchen has to bake with: its settings, its machines and the first of its recipes.
type Shelf struct {
	KitchenSettings
	Machines   []MachineOnShelf      `json:"machines"`
	Recipes    []store.RecipeOnShelf `json:"recipes"` // the first of them
	More       bool                  `json:"more"`    // there are others
	Unreadable []string              `json:"unreadable,omitzero"`
	Bench      *OpenBench            `json:"bench,omitzero"` // a loaf that is being measured
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

func (s *server) shelf(c *call) (any, error) {
	k, zone, err := c.settings()
	if err != nil {
		return nil, err
	}
	out := Shelf{KitchenSettings: settingsOf(k.Kitchen, k.Version, kitchen.DateOf(c.now, zone)), Now: c.now}
	if out.Machines, out.Unreadable, err = c.machines(false); err != nil {
		return nil, err
	}
	if out.Recipes, out.More, err = c.recipes(store.Search{}); err != nil {
		return nil, err
	}
	out.Bench, err = c.openBench()
	return out, err
}

// machines lists the machines on the shelf or away from it. One that cannot be read costs itself alone:
// it is logged, and said.
func (c *call) machines(away bool) (out []MachineOnShelf, unreadable []string, err error) {
	machines, faults, err := c.Machines(c.ctx, c.kitchen, away)
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
func (c *call) recipes(search store.Search) ([]store.RecipeOnShelf, bool, error) {
	search.Most = window + 1
	out, err := c.Shelf(c.ctx, c.kitchen, search)
	return out[:min(len(out), window)], len(out) > window, err
}

// Recipes are a window of a kitchen's recipes.
type Recipes struct {
	Recipes []store.RecipeOnShelf `json:"recipes"`
	More    bool                  `json:"more"`
}

// longestSearch is the most letters that can be searched for.
const longestSearch = 120

func (s *server) listRecipes(c *call) (any, error) {
	q := c.gin.Query
	search := store.Search{Words: q("find"), Away: q("away") == "true", After: q("after")}
	if err := kept.Short("/find", "what is looked for", search.Words, longestSearch); err != nil {
		return nil, err
	}
	if kind := q("kind"); kind != "" {
		if err := search.Kind.UnmarshalText([]byte(kind)); err != nil {
			return nil, fault.At("/kind", "%v", err)
		}
	}
	if search.After != "" && !store.ValidID(search.After) {
		return nil, fault.At("/after", "after wants the id of the last recipe seen")
	}
	recipes, more, err := c.recipes(search)
	return Recipes{recipes, more}, err
}

// PutAway says whether a thing shall be away from the shelf.
type PutAway struct {
	Away bool `json:"away"`
}

// putAway takes a thing off the shelf or brings it back.
func (s *server) putAway(put func(store.Queries, context.Context, string, string, bool) error) func(*call) (any, error) {
	return func(c *call) (any, error) {
		var in PutAway
		if err := c.read(&in); err != nil {
			return nil, err
		}
		id, err := c.id()
		if err != nil {
			return nil, err
		}
		return in, put(c.Queries, c.ctx, c.kitchen, id, in.Away)
	}
}

// Loaded says what the demo brought.
type Loaded struct {
	Machines int `json:"machines"`
	Recipes  int `json:"recipes"`
}

// loadDemo furnishes a kitchen that is still empty.
func (s *server) loadDemo(c *call) (string, error) {
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
			return "", problem(http.StatusConflict, "", "this kitchen has machines or recipes already; the demo is for an empty one")
		}
	}
	return c.kitchen, s.FillDemo(c.ctx, c.Queries, k, zone, c.now)
}

func (s *server) loadedDemo(c *call, _ string) (any, error) {
	machines, _, err := c.machines(false)
	if err != nil {
		return nil, err
	}
	recipes, _, err := c.recipes(store.Search{})
	return Loaded{len(machines), len(recipes)}, err
}

// Health says that the server and its database answer.
type Health struct {
	OK bool `json:"ok"`
}

func (s *server) health(c *call) (any, error) {
	return Health{true}, s.store.Ping(c.ctx)
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
