package choice

import (
	"cmp"
	"fmt"
	"slices"
	"strings"

	"risepan/core/formula"
	"risepan/core/kind"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/recipe"
)

// Needs are what the choice follows from: the dough, and what the baker wishes.
type Needs struct {
	Kind    recipe.Kind
	Formula formula.Formula
	Lines   []recipe.Weighed
	Size    machine.SizeSetting
	Small   bool            // the loaf is smaller than its setting is for
	Delayed bool            // a delay timer is wanted
	Within  machine.Minutes // the time that there is; 0: any
	Away    bool            // nobody is there for the beep
	Box     bool            // the dispenser holds the add-ins
	Decimal measure.DecimalSign
}

// Option is one cycle of the machine, with how well it suits and why.
type Option struct {
	Cycle  string `json:"cycle"`
	Score  int    `json:"score"`  // higher suits better
	Suits  bool   `json:"suits"`  // the dough
	Grants bool   `json:"grants"` // every wish: the delay, the time that there is
	Reason string `json:"reason"`
}

// preferences lists, for each need of the dough, the characters of cycle that answer it, best
// first. The first row whose test holds decides.
var preferences = []preference{
	only(recipe.Preserve, "Fruit and sugar are stirred and boiled: the jam cycle does just that.", machine.Jam),
	only(recipe.Yoghurt, "A culture wants an even warmth for hours.", machine.Yoghurt, machine.Starter),
	only(recipe.Starter, "A starter wants an even warmth for hours, and no kneading.", machine.Starter,
		machine.Yoghurt),
	only(recipe.BakeOnly, "It is mixed outside: the machine only bakes it.", machine.BakeOnly),
	only(recipe.Pasta, "Pasta dough is kneaded for some minutes, and neither raised nor baked.", machine.PastaDough,
		machine.Dough),
	{func(n Needs) (string, bool) {
		return "A packet of whole grain, which drinks slowly and rises long.",
			n.packet(func(i *larder.Ingredient) bool { return i.Whole })
	}, []machine.Character{machine.Wholemeal, machine.PacketMix, machine.Basic}},
	{func(n Needs) (string, bool) {
		return "A packet that bakes by its baking powder is mixed and baked at once.",
			n.packet(func(i *larder.Ingredient) bool { return i.Raising > 0 })
	}, []machine.Character{machine.QuickBread}},
	{func(n Needs) (string, bool) {
		return "A packet without gluten makes a batter, which needs mixing but no knock-back.",
			n.packet(func(i *larder.Ingredient) bool { return !i.HoldsGluten() })
	}, []machine.Character{machine.GlutenFree, machine.Rapid, machine.Basic}},
	{func(n Needs) (string, bool) {
		return "A packet of bread mix: its own cycle, or basic.", n.Kind == recipe.Packet
	}, []machine.Character{machine.PacketMix, machine.Basic, machine.Rapid}},
	{func(n Needs) (string, bool) {
		return "No yeast: a quick bread is mixed and baked at once.", n.Formula.Yeast == 0 &&
			(n.row().Bands.Yeast.IsZero() || n.Formula.Powder > 0)
	}, []machine.Character{machine.QuickBread, machine.BakeOnly}},
	only(recipe.Rapid, "Meant to be done soon: the rapid cycle.", machine.Rapid, machine.Basic),
	{func(n Needs) (string, bool) {
		return "It is filled and rolled before its last rise: a cycle for sweet dough gives it time.",
			n.row().Handwork > 0
	}, []machine.Character{machine.Sweet, machine.Dough, machine.Basic}},
	{func(n Needs) (string, bool) {
		return "To be shaped by hand: the machine kneads and raises the dough only.", n.row().Shaped
	}, []machine.Character{machine.Dough}},
	{func(n Needs) (string, bool) {
		return "Gluten-free flour makes a batter, which needs mixing but no knock-back.", n.row().Batter &&
			!n.row().Loose
	}, []machine.Character{machine.GlutenFree, machine.Rapid, machine.Basic}},
	{func(n Needs) (string, bool) {
		return "Low-carb flours dislike more than one knock-back.", n.row().FewKnock
	}, []machine.Character{machine.LowCarb, machine.Rapid, machine.Basic}},
	{func(n Needs) (string, bool) {
		return fmt.Sprintf("A sweet loaf: sugar is %.0f %% of the flour, which browns fast and rises slowly.",
			n.Formula.Sugar), n.row().Rich
	}, []machine.Character{machine.Sweet, machine.Basic, machine.Rapid}},
	{func(n Needs) (string, bool) {
		if n.Formula.Sugar <= 3 && n.Formula.Fat <= 3 {
			return "A crusty loaf, with hardly any sugar or fat: a long rise and a hot bake give the crust.",
				n.row().Lean
		}
		return "A crusty loaf: a long rise and a hot bake give the crust.", n.row().Lean
	}, []machine.Character{machine.CrustyLoaf, machine.Basic, machine.Rapid}},
	{func(n Needs) (string, bool) {
		if n.row().Sticky {
			return "Much rye, which drinks slowly and rises long.", n.Formula.Grain >= muchRye
		}
		if n.row().Whole && n.Formula.Grain < 50 {
			return "A wholemeal loaf: grain drinks slowly and rises long.", true
		}
		return fmt.Sprintf("%.0f %% of the flour is whole grain, which drinks slowly and rises long.",
			n.Formula.Grain), n.row().Whole || n.Formula.Grain >= 50
	}, []machine.Character{machine.Wholemeal, machine.Basic, machine.Rapid}},
	{func(n Needs) (string, bool) {
		return fmt.Sprintf("A white loaf: the basic cycle suits it. With sugar at %.0f per 100 of flour the sweet "+
			"cycle would do too.", n.Formula.Sugar), n.Formula.Sugar >= 8
	}, []machine.Character{machine.Basic, machine.Sweet, machine.Rapid}},
	{func(n Needs) (string, bool) { return "An everyday dough: the basic cycle suits it.", true },
		[]machine.Character{machine.Basic, machine.CrustyLoaf, machine.Rapid}},
}

// preference is what a dough wants of a cycle.
type preference struct {
	holds  func(Needs) (why string, ok bool)
	prefer []machine.Character
}

// only is the preference of one kind, by its name.
func only(k recipe.Kind, why string, prefer ...machine.Character) preference {
	return preference{func(n Needs) (string, bool) { return why, n.Kind == k }, prefer}
}

func (n Needs) row() kind.Row { return kind.Of(n.Kind) }

// packet reports whether the dough is of a packet that is so.
func (n Needs) packet(is func(*larder.Ingredient) bool) bool {
	return slices.ContainsFunc(n.Lines, func(l recipe.Weighed) bool { return l.Ingredient.Packet && is(l.Ingredient) })
}

func (n Needs) has(k larder.Kind) bool {
	return slices.ContainsFunc(n.Lines, func(l recipe.Weighed) bool { return l.Ingredient.Kind == k })
}

func (n Needs) addIns() bool {
	return slices.ContainsFunc(n.Lines, func(l recipe.Weighed) bool { return l.Line.When == recipe.AtBeep })
}

func (n Needs) instant() bool {
	return slices.ContainsFunc(n.Lines, func(l recipe.Weighed) bool { return l.Ingredient.Rapid })
}

// Points for how well a cycle suits. One step down the list of characters outweighs all else.
const (
	best       = 100
	stepDown   = 25
	forBeep    = 6
	forRest    = 4
	forRise    = 5
	forKnock   = -8
	forYeast   = -6
	forPause   = 30 // outweighs a step down: without a pause there is no time to fill
	noPause    = -60
	longRest   = 15 // minutes, in which grain drinks
	longRise   = 100
	thirsty    = 20 // per cent of the flour
	muchRye    = 40 // per cent of the flour
	ungranted  = -1000
	otherDough = -10000
)

// rules say what else about a cycle counts for or against it.
var rules = []func(c machine.Cycle, t machine.Totals, n Needs) (points int, say string){
	func(c machine.Cycle, _ machine.Totals, n Needs) (int, string) {
		beeps := c.Calls(machine.ForAddIns)
		switch {
		case !n.addIns():
			return 0, ""
		case n.Away && n.Box:
			return 0, "The dispenser stands in for you at the beep."
		case n.Away:
			return 0, "Nobody is there for the beep, so the add-ins go in at the start."
		case beeps:
			return forBeep, "It beeps for the add-ins."
		}
		return -forBeep, "It has no add-in beep, so watch the clock."
	},
	func(c machine.Cycle, _ machine.Totals, n Needs) (int, string) {
		if n.Formula.Grain >= thirsty && c.Stages[0].Kind == machine.Rest && c.Stages[0].Minutes >= longRest {
			return forRest, "It begins with a soak, which suits whole grain."
		}
		return 0, ""
	},
	func(c machine.Cycle, t machine.Totals, n Needs) (int, string) {
		if n.Formula.Grain >= 50 && !n.row().Still && c.Character != machine.Wholemeal && t.Rise >= longRise {
			return forRise, fmt.Sprintf("It rises %d minutes in all, which is long enough for whole grain.", t.Rise)
		}
		return 0, ""
	},
	func(_ machine.Cycle, t machine.Totals, n Needs) (int, string) {
		if extra := t.KnockBacks - kind.MostKnocks; extra > 0 && n.row().FewKnock {
			return forKnock * extra,
				fmt.Sprintf("It knocks the dough back %d times: skip one if you can.", t.KnockBacks)
		}
		return 0, ""
	},
	func(c machine.Cycle, _ machine.Totals, n Needs) (int, string) {
		switch {
		case n.row().Handwork > 0 && c.Restart && c.Calls(machine.PaddleOut):
			return forPause, "It pauses before the last rise, and waits for Start while you fill and roll."
		case n.row().Handwork > 0 && c.Character == machine.Dough:
			return 0, "It ends before the last rise: you fill and roll, and the loaf rises and bakes by your clock."
		case n.row().Handwork > 0 && !c.Calls(machine.PaddleOut):
			return noPause, "It gives you no time to fill and roll."
		}
		if c.Restart && c.Calls(machine.PaddleOut) {
			return -forPause, "It stops before the last rise until Start is pressed again."
		}
		return 0, ""
	},
	func(c machine.Cycle, _ machine.Totals, n Needs) (int, string) {
		if c.Character == machine.Rapid && n.Formula.Yeast > 0 && !n.instant() &&
			!n.packet(func(*larder.Ingredient) bool { return true }) {
			return forYeast, "A rapid cycle wants instant yeast: swap it."
		}
		return 0, ""
	},
}

// hours is a length of time to the half hour.
func (n Needs) hours(m machine.Minutes) string {
	return n.Decimal.Figure(float64((m+15)/30)/2, -1)
}

// Cycles ranks the machine's cycles for a dough and the baker's wishes, best first. Those that grant
// every wish come before those that do not, and those made for another dough come last.
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
		return Option{Cycle: c.ID, Score: otherDough, Grants: true,
			Reason: fmt.Sprintf("A %s cycle is made for a different kind of dough.", c.Character)}
	}
	o := Option{c.ID, best - stepDown*rank, true, true, why}
	if rank > 0 {
		o.Reason = fmt.Sprintf("Would also work: closest to the %s cycle.", prefer[0])
	}
	t := c.Totals(n.Size.LoafSize, machine.Medium)
	for _, rule := range rules {
		points, say := rule(c, t, n)
		o.Score += points
		if say != "" {
			o.Reason += " " + say
		}
	}
	refuse := func(say string) {
		o.Grants, o.Score, o.Reason = false, o.Score+ungranted, say
	}
	if n.Delayed && !c.Delay {
		refuse("Would suit, but the delay timer does not work with it.")
	}
	if n.Within > 0 && t.All > n.Within {
		refuse(fmt.Sprintf("Would suit, but it takes %s and there are %s.", t.All, n.Within))
	}
	return o
}

// From sweet, per 100 of flour, sugar browns a sweet loaf too fast for a medium crust; another loaf only where
// it is more by what a cup of flour is uncertain by.
const (
	sweet = 8
	doubt = 1.2
)

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
	case n.packet(func(*larder.Ingredient) bool { return true }):
		why = "What sugar is in the packet only its maker knows: medium, or as its print says."
	case n.row().Dense:
		want, why = machine.Dark, "One darker: a dense, moist loaf wants longer until its middle is done."
	case n.row().Batter:
		why = "Medium, though it browns early: a moist loaf wants its time until the middle is done."
	case n.Formula.Grain >= 50:
		why = "Whole grain is dark to look at before it is done: medium, and judge by the tap."
	case n.row().Rich && n.Formula.Sugar >= sweet, n.Formula.Sugar >= sweet*doubt:
		want, why = machine.Light, "One lighter: this much sugar browns fast."
	case n.has(larder.Egg) && n.Formula.Sugar >= sweet/2:
		want, why = machine.Light, "One lighter: egg and sugar brown fast."
	case n.Formula.Sugar < 1 && n.Formula.Fat < 2:
		want, why = machine.Dark, "One darker: a lean white loaf stays pale."
	case sameForAll(m, c) && n.Size.LoafSize == smallest(m.Sizes) && len(m.Sizes) > 1:
		want, why = machine.Light, "One lighter: this cycle bakes a small loaf as long as a big one."
	}
	if at := slices.Index(machine.Crusts, want); n.Small && at > 0 {
		want = machine.Crusts[at-1]
		why = strings.TrimSuffix(why, ".") + "; and one lighter, for a loaf that is small for its setting is done " +
			"early."
	}
	if n := slices.Index(machine.Crusts, want) - m.Browns; m.Browns != 0 && n >= 0 && n < len(machine.Crusts) {
		want = machine.Crusts[n]
		why = strings.TrimSuffix(why, ".") + map[bool]string{true: "; and one lighter again: this machine's crusts " +
			"come out dark.", false: "; and one darker again: this machine's crusts come out pale."}[m.Browns > 0]
	}
	if !slices.Contains(m.Crusts, want) {
		return nearest(m.Crusts, want), "The nearest crust that this machine has."
	}
	return want, why
}

// nearest is the crust of a machine that is nearest to the wanted one; of two, the lighter, which can
// still be baked on.
func nearest(crusts []machine.Crust, want machine.Crust) machine.Crust {
	shade := func(c machine.Crust) int { return slices.Index(machine.Crusts, c) }
	off := func(c machine.Crust) int { return max(shade(c)-shade(want), shade(want)-shade(c)) }
	return slices.MinFunc(crusts, func(a, b machine.Crust) int {
		return cmp.Or(cmp.Compare(off(a), off(b)), cmp.Compare(shade(a), shade(b)))
	})
}

func smallest(sizes []measure.LoafSize) measure.LoafSize {
	return slices.MinFunc(sizes, func(a, b measure.LoafSize) int { return a.Pounds().Cmp(b.Pounds()) })
}

// sameForAll reports whether a cycle takes the same time for every size.
func sameForAll(m machine.Machine, c machine.Cycle) bool {
	return !slices.ContainsFunc(m.Sizes, func(s measure.LoafSize) bool {
		return c.Total(s, machine.Medium) != c.Total(m.Sizes[0], machine.Medium)
	})
}
