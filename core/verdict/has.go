package verdict

import (
	"slices"
	"strings"

	"risepan/core/kind"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/core/timetable"
)

// has is what a loaf and its machine have: a cause that the loaf cannot have is not named, and no advice names what is
// not there.
type has struct {
	Baked
	kind kind.Row
}

func (b Baked) has() has { return has{b, kind.Of(b.Plan.Kind)} }

func (h has) yeast() bool  { return h.Plan.Formula.Yeast > 0 }
func (h has) powder() bool { return h.Plan.Formula.Powder > 0 }

// holds reports whether a line of it is of some sort.
func (h has) holds(of func(*larder.Ingredient) bool) bool {
	return slices.ContainsFunc(h.Plan.Lines, func(l plan.Line) bool {
		i, ok := h.Kitchen.Ingredient(l.Ingredient)
		return ok && of(i)
	})
}

// bakersYeast reports whether yeast goes in by itself: a loaf of a starter alone has none that could be more or less. A
// plan without its kitchen's facts has what its formula says.
func (h has) bakersYeast() bool { return h.yeast() && (!h.starter() || h.holds(isYeast)) }

func (h has) starter() bool {
	return slices.ContainsFunc(h.Plan.Lines, func(l plan.Line) bool {
		return strings.Contains(string(l.Ingredient), "starter")
	})
}

func (h has) jam() bool     { return h.kind.Most > 0 }
func (h has) yoghurt() bool { return h.kind.Still && h.kind.Flourless && !h.kind.Outside && !h.jam() }

// filling reports whether it is filled by hand, or may be: a dough that is shaped for the oven.
func (h has) filling() bool { return h.kind.Handwork > 0 || h.shaped() && h.kind.Finish.Oven > 0 }

// meat reports whether raw meat is baked in it.
func (h has) meat() bool {
	return h.kind.Outside && h.holds(func(i *larder.Ingredient) bool { return i.Raw })
}

func (h has) comesOut() bool { return h.baked() && h.paddle() }
func (h has) sized() bool    { return !h.kind.Batch && h.Plan.Setting.HasSize }
func (h has) flour() bool    { return h.Plan.Formula.Flour > 0 }
func (h has) addIns() bool   { return h.Plan.AddIns != nil }
func (h has) paddle() bool   { return !h.kind.Outside }
func (h has) ball() bool     { return h.kneads() && !h.kind.Batter && !h.kind.Still }
func (h has) crust() bool    { return h.Plan.Setting.HasCrust }
func (h has) cut() bool      { return h.Plan.Ending.Slice > 0 }

func (h has) stage(k machine.StageKind) bool {
	return slices.ContainsFunc(h.Plan.Stages, func(s machine.Span) bool { return s.Kind == k })
}

func (h has) kneads() bool { return h.stage(machine.Knead) }
func (h has) rises() bool  { return h.stage(machine.Rise) }

// hurried reports whether a dough that wants its rises has a rapid cycle's.
func (h has) hurried() bool {
	rose := rises(h.Plan.Stages)
	return rose > 0 && rose <= shortRises && h.Plan.Kind != recipe.Rapid && !h.kind.FewKnock && !h.kind.Batter
}

// misfit reports whether its cycle is not made for it, or is too quick for its yeast.
func (h has) misfit() bool {
	if h.hurried() {
		return true
	}
	slow := slices.ContainsFunc(h.Plan.Cautions, func(c plan.Caution) bool { return c.About == plan.SlowYeast })
	return slow || slices.ContainsFunc(h.Plan.Setting.Options, func(o plan.CycleOption) bool {
		return o.ID == h.Plan.Setting.Cycle.ID && !o.Suits
	})
}

// beep reports whether its cycle calls for the add-ins.
func (h has) beep() bool {
	return slices.ContainsFunc(h.Plan.Moments, func(m timetable.Moment) bool {
		return m.Kind == timetable.AddIns && strings.HasPrefix(m.ID, string(machine.ForAddIns)+" ")
	})
}

func (h has) raised() bool { return h.yeast() || h.Plan.Formula.Powder > 0 }
func (h has) baked() bool  { return h.stage(machine.Bake) }

// shaped reports whether its dough comes out to be rolled and shaped by hand.
func (h has) shaped() bool { return h.flour() && h.kneads() && !h.baked() }

// byHand reports whether its last rise is a baker's own: shaped and raised for the oven, or put back into the machine.
func (h has) byHand() bool { return h.yeast() && h.filling() }

// ovened reports whether it may be baked in the kitchen's own oven.
func (h has) ovened() bool { return h.kind.Finish.Oven > 0 || h.kind.Handwork > 0 }

// crusted reports whether it has a crust, from the machine or an oven.
func (h has) crusted() bool { return h.baked() || h.shaped() && h.ovened() }

// leavened reports whether it is raised by powder or soda, or should be.
func (h has) leavened() bool { return h.powder() || h.kind.Leavened() && !h.yeast() }
