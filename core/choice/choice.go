// Package choice picks the cycle and the crust on the baker's own machine, with the reason and
// the runners-up.
package choice

import (
	"cmp"
	"fmt"
	"slices"

	"risepan/core/formula"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/recipe"
)

// Needs are what the choice follows from.
type Needs struct {
	Kind    recipe.Kind
	Formula formula.Formula
	Lines   []recipe.Weighed
	Size    measure.LoafSize
	Delayed bool // a delay timer is wanted
}

// Option is one cycle of the machine, with how well it suits and why.
type Option struct {
	Cycle  string `json:"cycle"`
	Score  int    `json:"score"` // higher suits better; below 0 does not suit
	Reason string `json:"reason"`
}

// preferences lists, for each need of the dough, the characters of cycle that answer it, best
// first. The first row whose test holds decides.
var preferences = []struct {
	holds  func(Needs) (why string, ok bool)
	prefer []machine.Character
}{
	{func(n Needs) (string, bool) {
		return "No yeast: a quick bread is mixed and baked at once.", n.Formula.Yeast == 0
	}, []machine.Character{machine.QuickBread}},
	{func(n Needs) (string, bool) {
		return "To be shaped by hand: the machine kneads and raises the dough only.", n.Kind == recipe.Dough
	}, []machine.Character{machine.Dough}},
	{func(n Needs) (string, bool) {
		return "Gluten-free flour makes a batter, which needs mixing but no knock-back.", n.Kind == recipe.GlutenFree
	}, []machine.Character{machine.GlutenFree, machine.Rapid, machine.Basic}},
	{func(n Needs) (string, bool) {
		return "Low-carb flours dislike more than one knock-back.", n.Kind == recipe.LowCarb
	}, []machine.Character{machine.LowCarb, machine.Rapid, machine.Basic}},
	{func(n Needs) (string, bool) {
		return fmt.Sprintf("%.0f %% of the flour is whole grain, which drinks slowly and rises long.", n.Formula.Grain), n.Formula.Grain >= 50
	}, []machine.Character{machine.Wholemeal, machine.Basic}},
	{func(n Needs) (string, bool) {
		return fmt.Sprintf("Sugar is %.0f %% of the flour, which browns fast and rises slowly.", n.Formula.Sugar), n.Formula.Sugar >= 8
	}, []machine.Character{machine.Sweet, machine.Basic}},
	{func(n Needs) (string, bool) {
		return "Eggs and fat make a rich dough, which rises slowly and browns fast.", n.has(larder.Egg) && n.Formula.Fat >= 5
	}, []machine.Character{machine.Sweet, machine.Basic}},
	{func(n Needs) (string, bool) {
		return "Hardly any sugar or fat: a long rise and a hot bake give the crust.", n.Formula.Sugar <= 3 && n.Formula.Fat <= 3
	}, []machine.Character{machine.CrustyLoaf, machine.Basic}},
	{func(n Needs) (string, bool) { return "An everyday dough: the basic cycle suits it.", true },
		[]machine.Character{machine.Basic, machine.CrustyLoaf, machine.Rapid}},
}

func (n Needs) has(k larder.Kind) bool {
	return slices.ContainsFunc(n.Lines, func(l recipe.Weighed) bool { return l.Ingredient.Kind == k })
}

func (n Needs) addIns() bool {
	return slices.ContainsFunc(n.Lines, func(l recipe.Weighed) bool { return l.Line.When == recipe.AtBeep })
}

// Cycles ranks the machine's cycles for a dough, best first. The first has a score of at least 0
// where any cycle suits.
func Cycles(m machine.Machine, n Needs) []Option {
	var why string
	var prefer []machine.Character
	for _, p := range preferences {
		if w, ok := p.holds(n); ok {
			why, prefer = w, p.prefer
			break
		}
	}
	out := make([]Option, 0, len(m.Cycles))
	for _, c := range m.Cycles {
		out = append(out, judge(c, n, why, prefer))
	}
	slices.SortStableFunc(out, func(a, b Option) int { return cmp.Compare(b.Score, a.Score) })
	return out
}

func judge(c machine.Cycle, n Needs, why string, prefer []machine.Character) Option {
	rank := slices.Index(prefer, c.Character)
	if rank < 0 {
		return Option{c.ID, -10, fmt.Sprintf("A %s cycle is made for another kind of dough.", c.Character)}
	}
	o := Option{c.ID, 10 - 3*rank, why}
	if rank > 0 {
		o.Reason = fmt.Sprintf("Would do: its stages come nearest after the %s cycle's.", prefer[0])
	}
	if n.Delayed && !c.Delay {
		return Option{c.ID, -1, "Would suit, but the delay timer does not work with it."}
	}
	if _, beeps := c.Beep(n.Size, machine.Medium); n.addIns() {
		if beeps {
			o.Score++
		} else {
			o.Reason += " It has no add-in beep, so watch the clock."
		}
	}
	return o
}

// Crust picks the crust: medium, one lighter for what browns fast and for the smallest loaf of a
// bigger machine, never beyond the ends of the machine's range. Its reason is one line.
func Crust(m machine.Machine, c machine.Cycle, n Needs) (machine.Crust, string) {
	if len(m.Crusts) == 0 {
		return machine.Medium, "This machine has one crust."
	}
	if !c.HasCrust {
		return machine.Medium, "This cycle has no choice of crust."
	}
	want, why := machine.Medium, "A plain dough browns as the booklet expects."
	switch {
	case n.Formula.Sugar >= 8:
		want, why = machine.Light, "One lighter: this much sugar browns fast."
	case n.has(larder.Egg) && n.Formula.Sugar >= 4:
		want, why = machine.Light, "One lighter: egg and sugar brown fast."
	case n.Formula.Grain >= 50:
		why = "Whole grain is dark to look at before it is done: medium, and judge by the tap."
	case n.Formula.Sugar < 1 && n.Formula.Fat < 2:
		want, why = machine.Dark, "One darker: a lean white loaf stays pale."
	}
	if !slices.Contains(m.Crusts, want) {
		return m.Crusts[0], "The nearest crust that this machine has."
	}
	return want, why
}
