package api

import (
	"context"
	"errors"
	"slices"
	"time"

	"github.com/gin-gonic/gin"

	"risepan/core/fault"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/pan"
	"risepan/core/plan"
	"risepan/core/swap"
	"risepan/core/timetable"
	"risepan/store"
)

// Wish is what the baker wants, by the names of what the kitchen has.
type Wish struct {
	Recipe  string           `json:"recipe"`
	Machine string           `json:"machine"`
	Size    measure.LoafSize `json:"size"`
	Cycle   string           `json:"cycle,omitzero"`
	Crust   machine.Crust    `json:"crust,omitzero"`
	Ready   timetable.Wall   `json:"ready,omitzero"`   // on the kitchen's clock; left out: start at once
	NotYet  bool             `json:"notYet,omitzero"`  // ready not before that time, for somebody who comes home then
	AtPanel bool             `json:"atPanel,omitzero"` // the pan is loaded and the baker stands at the machine

	Within machine.Minutes `json:"within,omitzero"` // the time that there is, in minutes
	Away   bool            `json:"away,omitzero"`   // nobody is there for the beep
	AddIns plan.AddInWay   `json:"addIns,omitzero"`

	Loading pan.Manner `json:"loading,omitzero"` // the baker's own way for this loaf

	Slices    int         `json:"slices,omitzero"`    // in place of a size: the smallest that gives so many
	Eaters    int         `json:"eaters,omitzero"`    // so many slices for each
	Closer    int         `json:"closer,omitzero"`    // steps along the trade-off, above 0 closer
	NotToHand []string    `json:"notToHand,omitzero"` // measures in use or missing just now
	Locks     []plan.Lock `json:"locks,omitzero"`
	Weigh     []string    `json:"weigh,omitzero"` // lines to weigh
	Have      *plan.Have  `json:"have,omitzero"`

	Swaps  []swap.Pick `json:"swaps,omitzero"` // for this loaf, one after another
	Warmth plan.Warmth `json:"warmth,omitzero"`

	Without []string             `json:"without,omitzero"` // optional lines to leave out
	Instead map[string]larder.ID `json:"instead,omitzero"` // for lines that offer a choice
}

// PlanAnswer is a plan with what identifies it.
type PlanAnswer struct {
	Plan     plan.Plan `json:"plan"`
	Digest   string    `json:"digest"`
	Revision int       `json:"revision"` // of the recipe
	Zone     string    `json:"zone"`     // of the kitchen's clock
	Now      time.Time `json:"now"`

	Offers   []swap.Offer    `json:"offers"`           // swaps that the lines could have
	Shopping []plan.Shopping `json:"shopping"`         // what the loaf needs beside what the house has
	Habit    store.Habit     `json:"habit"`            // the baker's own choice for this recipe and machine
	NoYeast  []RecipeOnShelf `json:"noYeast,omitzero"` // loaves without yeast, where the house has none
}

func (s *server) makePlan(c *gin.Context) (any, error) {
	var w Wish
	if err := read(c.Request.Body, &w); err != nil {
		return nil, err
	}
	ctx := c.Request.Context()
	k, err := s.kitchen(ctx, s.store.Queries)
	if err != nil {
		return nil, err
	}
	made, err := s.fulfil(ctx, s.store.Queries, k, w)
	return made.PlanAnswer, err
}

// in takes the plain cups and spoons of what a baker said to be those of the kitchen.
func (w Wish) in(s measure.Standard) Wish {
	w.Locks = slices.Clone(w.Locks)
	for n := range w.Locks {
		w.Locks[n].Amount = w.Locks[n].Amount.In(s)
	}
	if w.Have != nil {
		w.Have = &plan.Have{Line: w.Have.Line, Amount: w.Have.Amount.In(s)}
	}
	return w
}

// made is a plan with the stored things that it was made from.
type made struct {
	PlanAnswer
	recipe  store.Recipe
	machine store.Machine
}

// fulfil finds what a wish names and makes its plan.
func (s *server) fulfil(ctx context.Context, q store.Queries, k kitchenNow, w Wish) (made, error) {
	r, err := named(w.Recipe, "/recipe", "recipe", func(id string) (store.Recipe, error) { return q.Recipe(ctx, k.ID, id) })
	if err != nil {
		return made{}, err
	}
	m, err := named(w.Machine, "/machine", "machine", func(id string) (store.Machine, error) { return q.Machine(ctx, k.ID, id) })
	if err != nil {
		return made{}, err
	}
	w = w.in(k.Kitchen.Kitchen.Standard)
	liked, err := q.LikedDoughs(ctx, k.ID, r.Recipe.Kind)
	if err != nil {
		return made{}, err
	}
	habit, err := q.Habit(ctx, k.ID, r.ID, m.ID)
	if err != nil {
		return made{}, err
	}
	if c, ok := m.Machine.Cycle(habit.Cycle); ok && w.Cycle == "" {
		w.Cycle = c.ID
	}
	if w.Crust == "" && slices.Contains(m.Machine.Crusts, habit.Crust) {
		w.Crust = habit.Crust
	}
	wish := plan.Wish{
		Liked:  liked,
		Recipe: r.Recipe, Machine: m.Machine, Size: w.Size, Cycle: w.Cycle, Crust: w.Crust,
		Ready: w.Ready, NotYet: w.NotYet, AtPanel: w.AtPanel, Zone: k.zone, Within: w.Within, Away: w.Away, AddIns: w.AddIns, Loading: w.Loading,
		Slices: w.Slices, Eaters: w.Eaters, Swaps: w.Swaps, Warmth: w.Warmth, Closer: w.Closer, NotToHand: w.NotToHand, Locks: w.Locks, Weigh: w.Weigh, Have: w.Have, Without: w.Without, Instead: w.Instead,
	}
	p, err := plan.Make(k.Kitchen.Kitchen, wish, k.now)
	if err != nil {
		return made{}, err
	}
	answer := PlanAnswer{Plan: p, Digest: p.Digest(), Revision: r.Revision, Zone: k.zone.String(), Now: k.now,
		Offers: plan.Offers(k.Kitchen.Kitchen, wish), Shopping: p.Shop(k.Kitchen.Kitchen), Habit: habit}
	if p.LacksYeast(k.Kitchen.Kitchen) {
		answer.NoYeast, err = s.withoutYeast(ctx, q, k)
	}
	return made{answer, r, m}, err
}

// withoutYeast lists the recipes on the shelf that need none.
func (s *server) withoutYeast(ctx context.Context, q store.Queries, k kitchenNow) ([]RecipeOnShelf, error) {
	recipes, err := q.Recipes(ctx, k.ID)
	var out []RecipeOnShelf
	for _, r := range recipes {
		if r.Recipe.Allows(k.Kitchen.Kitchen.Ingredient, k.Kitchen.Kitchen.HasSome) {
			out = append(out, onShelf(r))
		}
	}
	return out, err
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
