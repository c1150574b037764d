package usecase

import (
	"cmp"
	"fmt"
	"slices"
	"time"

	"risepan/core/bake"
	"risepan/core/fault"
	"risepan/core/journal"
	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/store"
)

// Bringing is what is kept of what was understood.
type Bringing struct {
	Cards    []CardKept        `json:"cards,omitzero"`
	Log      string            `json:"log,omitzero"`      // the table itself
	Absences []kitchen.Absence `json:"absences,omitzero"` // in which nobody is home
}

// CardKept is one recipe, kept as a new one or as the next revision of one that there is.
type CardKept struct {
	Recipe RecipeText `json:"recipe"`
	Of     string     `json:"of,omitzero"`       // a recipe's id, of which it is the next revision
	Seen   int        `json:"revision,omitzero"` // of that recipe, as the baker saw it
}

// BringDone is what an import made.
type BringDone struct {
	ID      string             `json:"id"`
	Recipes []store.RecipeMade `json:"recipes"`
	Bakes   int                `json:"bakes"`
	Hours   int                `json:"hours,omitzero"` // absences
	Undone  bool               `json:"undone,omitzero"`
}

// KeepBrought keeps what was brought in, whole or not at all.
func (c *Scope) KeepBrought(in Bringing) (string, error) {
	if len(in.Cards) == 0 && in.Log == "" && len(in.Absences) == 0 {
		return "", fault.At("/cards", "choose what to keep")
	}
	k, zone, err := c.settings()
	if err != nil {
		return "", err
	}
	made := store.Imported{Recipes: []store.RecipeMade{}, Bakes: []string{}}
	for n, card := range in.Cards {
		one, err := c.keepCard(card, k.Kitchen)
		if err != nil {
			return "", under(fmt.Sprintf("/cards/%d", n), err)
		}
		made.Recipes = append(made.Recipes, one)
	}
	if in.Log != "" {
		_, then, _, err := c.readLog(in.Log, zone)
		if err != nil {
			return "", err
		}
		for _, b := range then {
			id, err := c.keepThen(b, k, zone)
			if err != nil {
				return "", fmt.Errorf("the bake of %s: %w", b.Started.Format(time.DateTime), err)
			}
			made.Bakes = append(made.Bakes, id)
		}
	}
	if len(in.Absences) > 0 {
		made.Absences = in.Absences
		if err := c.keepSettings(k, k.Kitchen.WithAbsences(in.Absences, c.now)); err != nil {
			return "", err
		}
	}
	return c.q.AddImport(c.ctx, c.kitchen, made, c.now)
}

func (c *Scope) keepCard(card CardKept, k kitchen.Kitchen) (store.RecipeMade, error) {
	t := card.Recipe
	before := store.Recipe{}
	if card.Of != "" {
		var err error
		if before, err = named(card.Of, "/of", "recipe", func(id string) (store.Recipe,
			error) {
			return c.q.Recipe(c.ctx, c.kitchen, id, 0)
		}); err != nil {
			return store.RecipeMade{}, err
		}
		if before.Revision != card.Seen {
			return store.RecipeMade{}, store.ErrStale
		}
		t.Note, t.Kind = cmp.Or(t.Note, before.Recipe.Note), cmp.Or(t.Kind, before.Recipe.Kind)
	}
	u, err := t.understand(k)
	switch {
	case err != nil:
		return store.RecipeMade{}, under("/recipe", err)
	case u.read.Problem != "":
		return store.RecipeMade{}, fault.At("/recipe", "%s", u.read.Problem)
	}
	r := u.recipe
	if card.Of == "" {
		r = recipe.New(r)
		if err := r.Check(); err != nil {
			return store.RecipeMade{}, under("/recipe", err)
		}
		stored, err := c.q.AddRecipe(c.ctx, c.kitchen, r, r.Yeasted(k.Ingredient), c.now)
		return store.RecipeMade{ID: stored.ID, Name: r.Name, Revision: stored.Revision}, err
	}
	r = r.Revise(before.Recipe)
	if err := r.Check(); err != nil {
		return store.RecipeMade{}, under("/recipe", err)
	}
	stored, err := c.q.ReviseRecipe(c.ctx, c.kitchen, before.ID, before.Revision, r, r.Yeasted(k.Ingredient), c.now)
	return store.RecipeMade{ID: stored.ID, Name: r.Name, Revision: stored.Revision}, err
}

// keepThen keeps a bake of a table, planned with what the kitchen has now.
func (c *Scope) keepThen(b startedThen, k store.Kitchen, zone *time.Location) (string, error) {
	r, err := c.q.Recipe(c.ctx, c.kitchen, b.recipe, 0)
	if err != nil {
		return "", err
	}
	m := b.machine.Machine
	w := plan.Wish{RecipeID: r.ID, MachineID: b.machine.ID, LoafWish: plan.LoafWish{Size: b.Size},
		Timing: plan.Timing{AtPanel: true}}
	if n := slices.IndexFunc(m.Cycles, func(cy machine.Cycle) bool {
		return cy.Panel == b.Panel &&
			(b.Cycle == "" || cy.Name == b.Cycle)
	}); n >= 0 {
		w.Cycle = m.Cycles[n].ID
	}
	p, err := plan.Make(plan.Place{Kitchen: k.Kitchen, Zone: zone, Recipe: r.Recipe, Machine: m, Now: b.Started}, w)
	if err != nil {
		return "", err
	}
	pins := store.Pins{RecipeID: r.ID, Revision: r.Revision, MachineID: b.machine.ID, Machine: b.machine.Version,
		Kitchen: k.Version}
	id, err := c.q.StartBake(c.ctx, c.kitchen, store.Bake{Pins: pins, Plan: p, StartedAt: b.Started,
		Rehearsed: b.Rehearsed}, store.Wished{Zone: k.Kitchen.Zone})
	if err != nil {
		return "", err
	}
	end := p.Timer.Ready
	if b.Ended != nil {
		end = *b.Ended
	}
	what := map[bool]bake.What{true: bake.Abandoned, false: bake.TakenOut}[b.Phase == bake.GivenUp]
	happened := []bake.Happening{{Stamp: journal.Stamp{Seq: 1, At: end.UTC()}, What: what}}
	if b.Verdict.Mark > 0 {
		happened = append(happened, bake.Happening{Stamp: journal.Stamp{Seq: 2, At: end.UTC()}, What: bake.Judged,
			Verdict: b.Verdict})
	}
	for n, h := range happened {
		if err := bake.Check(bake.At(p, happened[:n], c.now), happened[:n], h); err != nil {
			return "", err
		}
		if err := c.q.AddInBake(c.ctx, c.kitchen, id, h, bake.At(p, happened[:n+1], c.now)); err != nil {
			return "", err
		}
	}
	return id, nil
}

// BroughtIn answers with what an import made.
func (c *Scope) BroughtIn(id string) (BringDone, error) {
	i, err := c.q.Import(c.ctx, c.kitchen, id)
	return doneOf(i), err
}

func doneOf(i store.Import) BringDone {
	return BringDone{i.ID, i.Made.Recipes, len(i.Made.Bakes), len(i.Made.Absences), i.Undone}
}

// UndoBrought takes all of one import back: its new recipes and bakes are put away, its revisions undone. A recipe that
// was changed since keeps its change.
func (c *Scope) UndoBrought(id string) (BringDone, error) {
	i, err := c.q.Import(c.ctx, c.kitchen, id)
	if err != nil || i.Undone {
		return doneOf(i), err
	}
	for _, r := range i.Made.Recipes {
		if err := c.takeBack(r); err != nil {
			return BringDone{}, err
		}
	}
	for _, b := range i.Made.Bakes {
		if err := c.q.PutBakeAway(c.ctx, c.kitchen, b, true); err != nil {
			return BringDone{}, err
		}
	}
	if len(i.Made.Absences) > 0 {
		k, _, err := c.settings()
		if err != nil {
			return BringDone{}, err
		}
		if err := c.keepSettings(k, k.Kitchen.WithoutAbsences(i.Made.Absences)); err != nil {
			return BringDone{}, err
		}
	}
	i.Undone = true
	return doneOf(i), c.q.UndoneImport(c.ctx, c.kitchen, id)
}

func (c *Scope) takeBack(made store.RecipeMade) error {
	if made.Revision == 1 {
		return c.q.PutRecipeAway(c.ctx, c.kitchen, made.ID, true)
	}
	head, err := c.q.Recipe(c.ctx, c.kitchen, made.ID, 0)
	if err != nil || head.Revision != made.Revision {
		return err
	}
	before, err := c.q.Recipe(c.ctx, c.kitchen, made.ID, made.Revision-1)
	if err != nil {
		return err
	}
	_, err = c.keepOld(head, before.Recipe)
	return err
}
