package usecase

import (
	"cmp"
	"slices"
	"time"

	"risepan/core/fault"
	"risepan/core/kind"
	"risepan/core/kitchen"
	"risepan/core/plan"
	"risepan/core/swap"
	"risepan/store"
)

// PlanAnswer is a plan with what identifies it.
type PlanAnswer struct {
	Plan     plan.Plan `json:"plan"`
	Digest   string    `json:"digest"`
	Revision int       `json:"revision"` // of the recipe
	Zone     string    `json:"zone"`     // of the kitchen's clock
	Now      time.Time `json:"now"`

	Shopping []plan.Shopping       `json:"shopping"`         // what the loaf needs beside what the house has
	Habit    store.Habit           `json:"habit"`            // the baker's own choice for this recipe and machine
	Refusal  *plan.Caution         `json:"refusal,omitzero"` // what keeps the loaf from bench and panel
	NoYeast  []store.RecipeOnShelf `json:"noYeast,omitzero"` // loaves without yeast, where the house has none
}

// made is a plan with the stored things that it was made from.
type made struct {
	PlanAnswer
	pins    store.Pins
	kitchen kitchen.Kitchen // that it was made in
}

// MakePlan is the plan of a wish. It stores nothing.
func (c *Scope) MakePlan(w plan.Wish) (PlanAnswer, error) {
	made, err := c.fulfil(w, nil)
	return made.PlanAnswer, err
}

// OffersFor asks for the swaps that a line of a wished loaf could have; of every line where none is
// named.
type OffersFor struct {
	Wish plan.Wish `json:"wish"`
	Line string    `json:"line,omitzero"`
}

// Offers are swaps that lines could have.
type Offers struct {
	Offers []swap.Offer `json:"offers"`
}

// OfferSwaps lists what can stand in an ingredient's place.
func (c *Scope) OfferSwaps(in OffersFor) (Offers, error) {
	if err := in.Wish.Check(); err != nil {
		return Offers{}, under("/wish", err)
	}
	p, _, _, err := c.place(in.Wish, nil)
	if err != nil {
		return Offers{}, under("/wish", err)
	}
	return Offers{plan.Offers(p, in.Wish, in.Line)}, nil
}

// ByOven is a wished loaf made with mixer and oven.
type ByOven struct {
	Steps []string `json:"steps"`
}

// ByOven is a wished loaf made with mixer and oven.
func (c *Scope) ByOven(w plan.Wish) (ByOven, error) {
	made, err := c.fulfil(w, nil)
	if err != nil {
		return ByOven{}, err
	}
	steps, err := plan.ByOven(made.kitchen, made.Plan)
	return ByOven{steps}, err
}

// place is where a wish is granted, with the newest of everything or as it was pinned, and the baker's own
// choice of cycle and crust there.
func (c *Scope) place(w plan.Wish, pins *store.Pins) (plan.Place, store.Pins, store.Habit, error) {
	at := store.Pins{RecipeID: w.RecipeID, MachineID: w.MachineID}
	held, revision, err := c.bagged(w)
	if err != nil {
		return plan.Place{}, at, store.Habit{}, err
	}
	if pins != nil {
		at = *pins
	}
	var p plan.Place
	for _, named := range []struct{ id, pointer, what string }{{at.RecipeID, "/recipe", "recipe"},
		{at.MachineID, "/machine", "machine"}} {
		if !store.ValidID(named.id) {
			return p, at, store.Habit{}, fault.At(named.pointer, "say which %s, by its id", named.what)
		}
	}
	around, err := c.q.Around(c.ctx, c.kitchen, at.RecipeID, at.MachineID, c.now)
	habit := around.Habit
	switch {
	case err != nil:
		return p, at, habit, err
	case around.Revision == 0:
		return p, at, habit, fault.At("/recipe", "this kitchen has no such recipe")
	case around.Machine == 0:
		return p, at, habit, fault.At("/machine", "this kitchen has no such machine")
	}
	if pins == nil {
		at = around.Pins
		at.Revision = cmp.Or(revision, at.Revision)
	}
	k, err := c.q.Kitchen(c.ctx, c.kitchen, at.Kitchen)
	if err != nil {
		return p, at, habit, err
	}
	r, err := c.q.Recipe(c.ctx, c.kitchen, at.RecipeID, at.Revision)
	if err != nil {
		return p, at, habit, err
	}
	m, err := c.q.Machine(c.ctx, c.kitchen, at.MachineID, at.Machine)
	if err != nil {
		return p, at, habit, err
	}
	zone, err := zoneOf(k)
	return plan.Place{Kitchen: k.Kitchen, Zone: zone, Recipe: r.Recipe, Machine: m.Machine, Bag: held,
		Liked: around.Liked, Occupied: around.Occupied,
		Now: c.now, Stop: c.ctx.Done()}, at, habit, err
}

// fulfil makes the plan of a wish, with the newest of everything or as it was pinned.
func (c *Scope) fulfil(w plan.Wish, pins *store.Pins) (made, error) {
	p, at, habit, err := c.place(w, pins)
	if err != nil {
		return made{}, err
	}
	w = w.In(p.Kitchen.Standard)
	if cycle, ok := p.Machine.Cycle(habit.Cycle); ok && w.Cycle == "" {
		w.Cycle = cycle.ID
	}
	if w.Crust == "" && slices.Contains(p.Machine.Crusts, habit.Crust) {
		w.Crust = habit.Crust
	}
	made := made{pins: at, kitchen: p.Kitchen}
	made.Plan, err = plan.Make(p, w)
	if err != nil {
		return made, err
	}
	made.PlanAnswer = PlanAnswer{Plan: made.Plan, Digest: made.Plan.Digest(), Revision: at.Revision,
		Zone: p.Zone.String(), Now: c.now,
		Shopping: made.Plan.Shop(p.Kitchen), Habit: habit}
	if refusal, refused := made.Plan.Refusal(); refused {
		made.Refusal = &refusal
	}
	if made.Plan.LacksYeast(p.Kitchen) {
		made.NoYeast, err = c.withoutYeast(p)
	}
	return made, err
}

// mostNoYeast is how many loaves without yeast are looked through.
const mostNoYeast = 20

// withoutYeast lists recipes on the shelf that need none, and for which the house has the rest.
func (c *Scope) withoutYeast(p plan.Place) ([]store.RecipeOnShelf, error) {
	rows, err := c.q.WithoutYeast(c.ctx, c.kitchen, mostNoYeast)
	if err != nil {
		return nil, err
	}
	var out []store.RecipeOnShelf
	for _, row := range rows {
		r, err := c.q.Recipe(c.ctx, c.kitchen, row.ID, 0)
		if err != nil {
			c.unreadable(err)
			continue
		}
		if kind.Of(r.Recipe.Kind).Loaf() && r.Recipe.Allows(p.Kitchen.Ingredient, p.Kitchen.HasSome) {
			out = append(out, row)
		}
	}
	return out, nil
}
