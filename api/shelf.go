package api

import (
	"net/http"
	"time"

	"github.com/gin-gonic/gin"

	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/recipe"
	"risepan/store"
)

// Shelf is what a kitchen has to bake with: its settings, machines and recipes.
type Shelf struct {
	KitchenSettings
	Machines []MachineOnShelf `json:"machines"`
	Recipes  []RecipeOnShelf  `json:"recipes"`
	Bench    *OpenBench       `json:"bench,omitzero"` // a loaf that is being measured
	Now      time.Time        `json:"now"`
}

// MachineOnShelf is a machine to choose.
type MachineOnShelf struct {
	ID    string             `json:"id"`
	Name  string             `json:"name"`
	Sizes []measure.LoafSize `json:"sizes"`
	Delay machine.Delay      `json:"delay"`
}

// RecipeOnShelf is a recipe to choose.
type RecipeOnShelf struct {
	ID       string           `json:"id"`
	Revision int              `json:"revision"`
	Name     string           `json:"name"`
	Kind     recipe.Kind      `json:"kind"`
	Size     measure.LoafSize `json:"size"`
	Note     string           `json:"note"`
}

func onShelf(r store.Recipe) RecipeOnShelf {
	return RecipeOnShelf{r.ID, r.Revision, r.Recipe.Name, r.Recipe.Kind, r.Recipe.Size, r.Recipe.Note}
}

func (s *server) shelf(c *gin.Context) (any, error) {
	ctx := c.Request.Context()
	k, err := s.kitchen(ctx, s.store.Queries)
	if err != nil {
		return nil, err
	}
	machines, err := s.store.Machines(ctx, k.ID)
	if err != nil {
		return nil, err
	}
	recipes, err := s.store.Recipes(ctx, k.ID)
	if err != nil {
		return nil, err
	}
	out := Shelf{KitchenSettings: settings(k.Kitchen.Kitchen, k.Version, kitchen.DateOf(k.now, k.zone)), Now: k.now}
	if out.Bench, err = s.openBench(ctx, k); err != nil {
		return nil, err
	}
	for _, m := range machines {
		out.Machines = append(out.Machines, MachineOnShelf{m.ID, m.Machine.Name, m.Machine.Sizes, m.Machine.Delay})
	}
	for _, r := range recipes {
		out.Recipes = append(out.Recipes, onShelf(r))
	}
	return out, nil
}

// Loaded says what the demo brought.
type Loaded struct {
	Machines int `json:"machines"`
	Recipes  int `json:"recipes"`
}

// loadDemo furnishes a kitchen that is still empty.
func (s *server) loadDemo(c *gin.Context, q store.Queries, k kitchenNow, _ []byte) (any, error) {
	ctx := c.Request.Context()
	machines, err := q.Machines(ctx, k.ID)
	if err != nil {
		return nil, err
	}
	recipes, err := q.Recipes(ctx, k.ID)
	if err != nil {
		return nil, err
	}
	if len(machines)+len(recipes) > 0 {
		return nil, problem(http.StatusConflict, "", "this kitchen has machines or recipes already; the demo is for an empty one")
	}
	if err := s.FillDemo(ctx, q, k.Kitchen, k.zone, k.now); err != nil {
		return nil, err
	}
	machines, err = q.Machines(ctx, k.ID)
	if err != nil {
		return nil, err
	}
	recipes, err = q.Recipes(ctx, k.ID)
	return Loaded{len(machines), len(recipes)}, err
}

// Health says that the server and its database answer.
type Health struct {
	OK bool `json:"ok"`
}

func (s *server) health(c *gin.Context) (any, error) {
	return Health{true}, s.store.Ping(c.Request.Context())
}
