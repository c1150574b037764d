package usecase

import (
	"math"
	"time"

	"risepan/core/advice"
	"risepan/core/bake"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/otherwise"
)

// Troubles are what can go otherwise with a bake as it now stands, each with what to do about it.
type Troubles struct {
	Troubles []Trouble `json:"troubles"`
	Now      time.Time `json:"now"`
}

// Trouble is one thing that went otherwise, with what to do.
type Trouble struct {
	Event otherwise.Event `json:"event"`
	Group otherwise.Group `json:"group"`
	Asks  bool            `json:"asks,omitzero"` // how warm its middle is would tell more
	advice.Advice
	Until    *time.Time `json:"until,omitzero"`    // when it is too late for that
	Restarts bool       `json:"restarts,omitzero"` // a running cycle is started again
}

// Troubles answers everything that can go otherwise with a bake that runs. The core is its middle as it was measured;
// none is zero.
func (c *Scope) Troubles(id string, core measure.Temperature) (Troubles, error) {
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
	stand := otherwise.At(b.Plan, s.Stages, machine.Minutes(math.Floor(c.now.Sub(s.Begin).Minutes())))
	if !core.IsZero() {
		stand.Core = float64(core.Celsius())
	}
	out := Troubles{Troubles: []Trouble{}, Now: c.now}
	for _, e := range otherwise.Events {
		t := Trouble{Event: e, Group: e.Group(), Asks: e.Asks(stand), Advice: otherwise.Answer(e, stand)}
		for n := range t.Steps {
			t.Steps[n].Say = k.Kitchen.Degrees.Say(t.Steps[n].Say)
		}
		if t.Advice.Until > 0 {
			until := s.Begin.Add(time.Duration(t.Advice.Until) * time.Minute)
			t.Until = &until
		}
		t.Restarts = t.Has(advice.Restart) && s.Phase == bake.Running && !t.Lost
		out.Troubles = append(out.Troubles, t)
	}
	return out, nil
}
