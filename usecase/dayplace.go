package usecase

import (
	"errors"
	"slices"
	"time"

	"risepan/core/bake"
	"risepan/core/day"
	"risepan/core/fault"
	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/core/schedule"
	"risepan/store"
)

// mostMachines are planned for: one more may be lent.
const mostMachines = schedule.MostMachines - 1

// dayPlace is where a date's loaves are planned, and those of every week.
func (c *Scope) dayPlace(date kitchen.Date, loaves []day.Loaf) (p day.Place, err error) {
	k, zone, err := c.settings()
	if err != nil {
		return p, err
	}
	p = day.Place{Kitchen: k.Kitchen, Zone: zone, Now: c.now, Date: date, Recipes: map[string]recipe.Recipe{},
		Bags: map[string]*plan.Bag{}, Memory: c.Days}
	machines, unreadable, err := c.q.Machines(c.ctx, c.kitchen, false)
	if err != nil {
		return p, err
	}
	c.unreadable(unreadable...)
	for n, m := range machines {
		if n >= mostMachines {
			p.LeftOut = append(p.LeftOut, m.Machine.Name)
			continue
		}
		p.Machines = append(p.Machines, day.OwnedMachine{ID: m.ID, Machine: m.Machine})
	}
	var ids []string
	for _, l := range loaves {
		ids = append(ids, l.Wish.RecipeID)
		held, _, err := c.bagged(l.Wish)
		if gone := (*fault.Fault)(nil); err != nil && !errors.As(err, &gone) {
			return p, err
		}
		if held != nil {
			p.Bags[l.Wish.BagID] = held
		}
	}
	for _, r := range k.Kitchen.Regulars {
		ids = append(ids, r.Recipe)
	}
	for _, id := range ids {
		if err := c.shelve(p, id); err != nil {
			return p, err
		}
	}
	habits, unreadable, err := c.q.Habits(c.ctx, c.kitchen)
	if err != nil {
		return p, err
	}
	c.unreadable(unreadable...)
	p.Choice = func(recipe, on string) (string, machine.Crust) {
		h := habits[[2]string{recipe, on}]
		return h.Cycle, h.Crust
	}
	if p.Bakes, err = c.dayBakes(date, zone); err != nil {
		return p, err
	}
	p.Beside, err = c.beside(date)
	return p, err
}

// shelve lays a recipe out for a day. One that is gone is left out.
func (c *Scope) shelve(p day.Place, id string) error {
	if _, there := p.Recipes[id]; there || !store.ValidID(id) {
		return nil
	}
	r, err := c.q.Recipe(c.ctx, c.kitchen, id, 0)
	if err == store.ErrNotFound {
		return nil
	}
	if err == nil {
		p.Recipes[id] = r.Recipe
	}
	return err
}

// beside are the loaves of the days before and after a date, where they were planned last.
func (c *Scope) beside(date kitchen.Date) (out []day.Beside, err error) {
	for _, other := range []kitchen.Date{date.AddDays(-1), date.AddDays(1)} {
		b, _, err := c.q.DayBook(c.ctx, c.kitchen, other)
		if err != nil {
			return nil, err
		}
		for _, l := range b.Loaves {
			stood, ok := b.Was[l.ID]
			if !ok || !store.ValidID(l.Wish.RecipeID) {
				continue
			}
			r, err := c.q.Recipe(c.ctx, c.kitchen, l.Wish.RecipeID, 0)
			if err == store.ErrNotFound {
				continue
			}
			if err != nil {
				return nil, err
			}
			out = append(out, day.Beside{Name: r.Recipe.Name, Date: other, Stood: stood})
		}
	}
	return out, nil
}

// mostDayBakes is how many bakes of one day are looked at.
const mostDayBakes = 60

// dayBakes are the bakes that run, and those of a day that have ended.
func (c *Scope) dayBakes(date kitchen.Date, zone *time.Location) ([]day.Bake, error) {
	from, to := day.Window(date, zone)
	ended, err := c.q.Glances(c.ctx, c.kitchen, store.Page{From: from.Add(-12 * time.Hour), To: to, Most: mostDayBakes})
	if err != nil {
		return nil, err
	}
	running, err := c.q.Running(c.ctx, c.kitchen)
	if err != nil {
		return nil, err
	}
	var out []day.Bake
	for _, g := range append(running, ended...) {
		if g.Rehearsed || g.Clock.GaveUp || slices.ContainsFunc(out, func(b day.Bake) bool { return b.ID == g.ID }) {
			continue
		}
		clock, moments := bake.Follow(g.Clock, g.Moments, c.now)
		b := day.Bake{ID: g.ID, Recipe: g.RecipeID, Name: g.Recipe, Machine: g.MachineID, Size: g.Size,
			Started: g.StartedAt, Begin: clock.Begin, Ready: clock.Ready}
		if clock.End != nil {
			b.Ended = *clock.End
		} else {
			b.Hands = b.Asks(moments, g.Machine, c.now)
		}
		out = append(out, b)
	}
	return out, nil
}
