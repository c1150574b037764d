package usecase

import (
	"time"

	"risepan/core/bake"
	"risepan/core/fault"
	"risepan/core/journal"
	"risepan/core/machine"
	"risepan/core/plan"
	"risepan/core/rehearse"
	"risepan/store"
)

// Rehearse begins a rehearsal of a wished loaf.
type Rehearse struct {
	Wish plan.Wish     `json:"wish"`
	Slip rehearse.Slip `json:"slip,omitzero"`
}

// RehearsalView is a rehearsal: what is practised, on which panel, and how it stands.
type RehearsalView struct {
	ID    string         `json:"id"`
	Plan  plan.Plan      `json:"plan"`
	Slip  rehearse.Slip  `json:"slip,omitzero"`
	Panel machine.Panel  `json:"panel"`
	State rehearse.State `json:"state"`
	Zone  string         `json:"zone"`
	Now   time.Time      `json:"now"`
}

// Rehearsed is how a rehearsal stands, without what never changes in it.
type Rehearsed struct {
	State rehearse.State `json:"state"`
	Now   time.Time      `json:"now"`
}

// InRehearsal is what the baker does in a rehearsal.
type InRehearsal struct {
	What   rehearse.What `json:"what"`
	Button string        `json:"button,omitzero"`
	Held   bool          `json:"held,omitzero"`
	Pace   int           `json:"pace,omitzero"`
	Told   *Happened     `json:"told,omitzero"`
	On     bool          `json:"on,omitzero"`
}

// AddRehearsal begins to practise a wished loaf on the stand-in machine.
func (c *Scope) AddRehearsal(in Rehearse) (string, error) {
	m, err := c.fulfil(in.Wish, nil)
	if err != nil {
		return "", under("/wish", err)
	}
	if refusal, refused := m.Plan.Refusal(); refused {
		return "", fault.At("/wish", "%s", refusal.Say)
	}
	owned, err := c.q.Machine(c.ctx, c.kitchen, m.pins.MachineID, m.pins.Machine)
	if err != nil {
		return "", err
	}
	r := rehearse.Rehearsal{Plan: m.Plan, Machine: owned.Machine, Room: m.kitchen.Room.Celsius(), Slip: in.Slip,
		Began: c.now,
		Of: rehearse.Made{RecipeID: m.pins.RecipeID, Revision: m.pins.Revision, MachineID: m.pins.MachineID,
			Machine: m.pins.Machine, Kitchen: m.pins.Kitchen}}
	if err := r.Check(); err != nil {
		return "", err
	}
	return c.q.AddRehearsal(c.ctx, c.kitchen, r)
}

// ShowRehearsal is a rehearsal whole.
func (c *Scope) ShowRehearsal(id string) (RehearsalView, error) {
	_, zone, err := c.settings()
	if err != nil {
		return RehearsalView{}, err
	}
	r, did, err := c.q.Rehearsal(c.ctx, c.kitchen, id)
	if err != nil {
		return RehearsalView{}, err
	}
	return RehearsalView{id, r.Plan, r.Slip, r.Machine.Full(), rehearse.At(r, did, c.now), zone.String(), c.now}, nil
}

// Rehearsed is how a rehearsal stands.
func (c *Scope) Rehearsed(id string) (Rehearsed, error) {
	r, did, err := c.q.Rehearsal(c.ctx, c.kitchen, id)
	if err != nil {
		return Rehearsed{}, err
	}
	return Rehearsed{rehearse.At(r, did, c.now), c.now}, nil
}

// AddInRehearsal appends what the baker does in a rehearsal.
func (c *Scope) AddInRehearsal(id string, in InRehearsal) (string, error) {
	stamp, err := c.hold(id)
	if err != nil {
		return "", err
	}
	r, did, err := c.q.Rehearsal(c.ctx, c.kitchen, id)
	if err != nil {
		return "", err
	}
	h := rehearse.Happening{Stamp: stamp, What: in.What, Button: in.Button, Held: in.Held, Pace: in.Pace, On: in.On}
	if in.Told != nil {
		told := in.Told.at(journal.Stamp{})
		h.Told = &told
	}
	if err := rehearse.Check(rehearse.At(r, did, c.now), h); err != nil {
		return "", err
	}
	return id, c.q.AddInRehearsal(c.ctx, c.kitchen, id, h)
}

// KeepRehearsal writes a rehearsal that came to its end into the log, marked as what it was: it teaches nothing and is
// counted nowhere.
func (c *Scope) KeepRehearsal(id string) (string, error) {
	r, did, err := c.q.Rehearsal(c.ctx, c.kitchen, id)
	if err != nil {
		return "", err
	}
	p, happened, ok := rehearse.Past(r, did, c.now)
	if !ok {
		return "", fault.At("", "a rehearsal is kept when its loaf is out: take it out first")
	}
	pins := store.Pins{RecipeID: r.Of.RecipeID, Revision: r.Of.Revision, MachineID: r.Of.MachineID,
		Machine: r.Of.Machine, Kitchen: r.Of.Kitchen}
	kept, err := c.q.StartBake(c.ctx, c.kitchen, store.Bake{Pins: pins, Plan: p, StartedAt: p.Timer.Press,
		Rehearsed: true}, store.Wished{})
	for n, h := range happened {
		if err != nil {
			return "", err
		}
		err = c.q.AddInBake(c.ctx, c.kitchen, kept, h, bake.At(p, happened[:n+1], c.now))
	}
	return kept, err
}
