package verdict

import (
	"slices"

	"risepan/core/bake"
	"risepan/core/machine"
	"risepan/core/plan"
)

// Choice is another setting of the machine for this recipe next time: a cycle or a crust, the other left as it is.
type Choice struct {
	Cycle  string        `json:"cycle,omitzero"` // its id
	Crust  machine.Crust `json:"crust,omitzero"`
	From   string        `json:"from"`
	To     string        `json:"to"`
	Effect string        `json:"effect"`
}

// Choose is the setting that answers a cause: nil where none does.
func Choose(p plan.Plan, s bake.State, c Cause) *Choice {
	switch c {
	case CrustSet, MuchSugar:
		return otherCrust(p, s)
	case WrongCycle, LongRise:
		return otherCycle(p)
	}
	return nil
}

// otherCrust is one lighter for a loaf that came out too dark, one darker for a pale one, within what the machine has.
func otherCrust(p plan.Plan, s bake.State) *Choice {
	signs := shown(p, s)
	by, effect := 0, ""
	switch {
	case !p.Setting.HasCrust:
		return nil
	case slices.Contains(signs, bake.Burnt):
		by, effect = -1, "It browns less but is still cooked through."
	case slices.Contains(signs, bake.Pale):
		by, effect = 1, "It browns more."
	}
	n := shade(p.Setting.Crust) + by
	if by == 0 || n < 0 || n >= len(machine.Crusts) || !slices.Contains(p.Setting.Crusts, machine.Crusts[n]) {
		return nil
	}
	return &Choice{Crust: machine.Crusts[n], From: string(p.Setting.Crust) + " crust", To: string(machine.Crusts[n]) +
		" crust", Effect: effect}
}

// otherCycle is the best one that suits the dough, for a loaf that was baked on one that does not.
func otherCycle(p plan.Plan) *Choice {
	for _, o := range p.Setting.Options {
		if o.ID == p.Setting.Cycle.ID && o.Suits {
			return nil
		}
	}
	for _, o := range p.Setting.Options {
		if o.Suits && o.Grants && o.ID != p.Setting.Cycle.ID {
			return &Choice{Cycle: o.ID, From: p.Setting.Cycle.String(), To: o.CycleName.String(), Effect: o.Reason}
		}
	}
	return nil
}
