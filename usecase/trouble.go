package usecase

import (
	"math"
	"slices"
	"time"

	"risepan/core/bake"
	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/otherwise"
	"risepan/core/plan"
)

// Troubles are what can go otherwise with a bake as it now stands, each with what to do about it.
type Troubles struct {
	Troubles []Trouble `json:"troubles"`
	Now      time.Time `json:"now"`
}

// Trouble is one thing that went otherwise, with what to do.
type Trouble struct {
	Event otherwise.Event `json:"event"`
	Do    string          `json:"do"`
	Until *time.Time      `json:"until,omitzero"` // when it is too late for that
	Never string          `json:"never,omitzero"`
	Costs string          `json:"costs,omitzero"`
	Why   string          `json:"why"`
}

// Troubles answers everything that can go otherwise with a bake that runs.
func (c *Scope) Troubles(id string) (Troubles, error) {
	b, err := c.q.Bake(c.ctx, c.kitchen, id)
	if err != nil {
		return Troubles{}, err
	}
	happened, err := c.q.BakeHappenings(c.ctx, c.kitchen, id)
	if err != nil {
		return Troubles{}, err
	}
	k, _, err := c.settings()
	if err != nil {
		return Troubles{}, err
	}
	s := bake.At(b.Plan, happened, c.now)
	minute := machine.Minutes(math.Floor(c.now.Sub(s.Begin).Minutes()))
	stand := otherwise.At(b.Plan, s.Stages, minute, spoils(b.Plan, k.Kitchen))
	out := Troubles{Troubles: []Trouble{}, Now: c.now}
	for _, e := range otherwise.Events {
		a := otherwise.Answer(e, stand)
		t := Trouble{Event: e, Do: k.Kitchen.Degrees.Say(a.Do), Never: a.Never, Costs: a.Costs, Why: a.Why}
		if a.Until > 0 {
			until := s.Begin.Add(time.Duration(a.Until) * time.Minute)
			t.Until = &until
		}
		out.Troubles = append(out.Troubles, t)
	}
	return out, nil
}

// spoils reports whether something in a loaf may not stand in the warm; what is not known is taken to be such.
func spoils(p plan.Plan, k kitchen.Kitchen) bool {
	return slices.ContainsFunc(p.Lines, func(l plan.Line) bool {
		i, known := k.Ingredient(l.Ingredient)
		return !known || i.Spoils
	})
}
