package bake

import (
	"slices"

	"risepan/core/kind"
	"risepan/core/plan"
	"risepan/core/timetable"
)

// out is how a loaf comes out, in steps. A paddle that was taken out before is not looked for.
func out(p plan.Plan, moments []Moment) []string {
	took := slices.ContainsFunc(moments, func(m Moment) bool { return m.Kind == timetable.Paddle && m.Done })
	if !took {
		return p.Ending.Out
	}
	return slices.DeleteFunc(slices.Clone(p.Ending.Out), func(say string) bool {
		return slices.ContainsFunc(kind.ForPaddle, func(step string) bool {
			return say == step ||
				say == p.Pan.Paddles.Say(step)
		})
	})
}
