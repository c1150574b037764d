package verdict

import (
	"slices"
	"time"

	"risepan/core/bake"
	"risepan/core/dough"
	"risepan/core/kind"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/scale"
	"risepan/core/timetable"
)

// The edges of what counts as evidence: °C of a kitchen, minutes in the pan and until the cut, and how far a loaf's
// weight may lie from what is expected of it, as a share.
const (
	coldBelow   = 17
	hotAbove    = 27
	atOnce      = 5 * time.Minute
	tooLong     = 15 * time.Minute
	hotFor      = 30
	coldAfter   = 60
	heavier     = 0.07
	asMeant     = 0.04
	soonToBake  = 10
	hotForYeast = 43 // °C, for dry yeast in layers
	moist       = 50 // water in 100 of an add-in
)

// Evidence is what is known of a bake that ended: from its plan, its happenings and the kitchen.
func Evidence(p plan.Plan, s bake.State, happened []bake.Happening, k kitchen.Kitchen) []Fact {
	e := evidence{}
	e.formula(p)
	e.plan(p, k)
	e.watch(p, s, happened)
	e.end(p, s)
	return e.facts
}

type evidence struct{ facts []Fact }

func (e *evidence) add(is bool, f Fact) {
	if is {
		e.facts = append(e.facts, f)
	}
}

var figures = map[plan.Figure][2]Fact{plan.Hydration: {DryFormula, WetFormula}, plan.Yeast: {YeastLow, YeastHigh}, plan.Salt: {SaltLow, SaltHigh}, plan.Sugar: {"", SugarHigh}}

func (e *evidence) formula(p plan.Plan) {
	for _, a := range p.Usual.Against {
		pair := figures[a.Of]
		e.add(a.Verdict == kind.Below && pair[0] != "", pair[0])
		e.add(a.Verdict == kind.Above && pair[1] != "", pair[1])
	}
	e.add(p.Formula.Sure == plan.UnknownCup, UnsureCup)
	e.add(p.Formula.Sure == plan.Weighed, WeighedFlour)
}

func (e *evidence) plan(p plan.Plan, k kitchen.Kitchen) {
	about := func(a plan.About) bool {
		return slices.ContainsFunc(p.Cautions, func(c plan.Caution) bool { return c.About == a })
	}
	old, dated := false, false
	for _, l := range p.Lines {
		i, ok := k.Ingredient(l.Ingredient)
		if !ok || i.Kind != larder.Yeast {
			continue
		}
		old = old || slices.ContainsFunc(p.Cautions, func(c plan.Caution) bool { return c.About == plan.Dates && c.Line == l.ID })
		dated = dated || slices.ContainsFunc(k.Packs, func(o kitchen.Pack) bool { return o.Ingredient == i.ID })
	}
	e.add(old, OldYeast)
	e.add(dated && !old, FreshYeast)
	e.add(about(plan.SlowYeast), SlowOnRapid)
	e.add(about(plan.Overflow), FullPan)
	e.add(about(plan.WrongFlour), WeakUsed)
	for _, o := range p.Setting.Options {
		e.add(o.ID == p.Setting.Cycle.ID && !o.Suits, OtherCycle)
	}
	room := k.Room.Celsius()
	e.add(room < coldBelow, ColdKitchen)
	e.add(room > hotAbove, HotKitchen)
	e.add(p.Heat.Line != "" && !p.Heat.Cool && p.Heat.Liquid > hotForYeast, VeryHotLiquid)
	shade := func(c machine.Crust) int { return slices.Index(machine.Crusts, c) }
	if was := p.Setting.Suggested; was != "" {
		e.add(shade(p.Setting.Crust) > shade(was), CrustDarker)
		e.add(shade(p.Setting.Crust) < shade(was), CrustLighter)
	}
	if p.AddIns != nil {
		e.add(p.AddIns.Way == plan.AtStart, AddInsFirst)
		wet := slices.ContainsFunc(p.AddIns.Lines, func(id string) bool {
			n := slices.IndexFunc(p.Lines, func(l plan.Line) bool { return l.ID == id })
			i, ok := k.Ingredient(p.Lines[max(n, 0)].Ingredient)
			return n >= 0 && ok && i.Shares.Water > moist
		})
		e.add(wet, MoistAddIns)
	}
}

func (e *evidence) watch(p plan.Plan, s bake.State, happened []bake.Happening) {
	if b := s.Ball; b != nil {
		e.add(b.Seen == dough.Smears || b.Seen == dough.Pours, BallWet)
		e.add(b.Seen == dough.Torn || b.Seen == dough.Knocks, BallDry)
		e.add(b.Seen == dough.Smooth, BallGood)
		given := func(of dough.Stuff) bool {
			return slices.ContainsFunc(b.Doses, func(d bake.Dosed) bool { return d.Of == of })
		}
		e.add(given(dough.FlourDose), FlourGiven)
		e.add(given(dough.Water), LiquidGiven)
	}
	e.heights(s)
	var kneaded time.Time
	for _, st := range s.Stages {
		if st.Kind == machine.Knead {
			kneaded = s.Begin.Add(time.Duration(st.To) * time.Minute)
		}
	}
	late := false
	for _, h := range happened {
		n := slices.IndexFunc(s.Moments, func(m bake.Moment) bool { return m.ID == h.Moment && m.Kind == timetable.AddIns && m.Done })
		late = late || h.What == bake.Done && n >= 0 && h.At.After(kneaded)
		e.add(h.What == bake.PowerCut && !slices.Contains(e.facts, PowerWent), PowerWent)
	}
	e.add(late, AddInsLate)
}

// heights are how high it stood in its last rise.
func (e *evidence) heights(s bake.State) {
	var bakes, lastRise machine.Minutes
	for _, st := range s.Stages {
		if st.Kind == machine.Bake && bakes == 0 {
			bakes = st.From
		}
		if st.Kind == machine.Rise {
			lastRise = st.From
		}
	}
	high, low := false, false
	for _, h := range s.Heights {
		if h.Minute < lastRise || h.Minute >= bakes {
			continue
		}
		early := bakes-h.Minute > soonToBake
		high = high || early && (h.Stands == dough.Above || h.Stands == dough.Lid)
		low = low || !early && (h.Stands == dough.Third || h.Stands == dough.Half)
	}
	e.add(high, RoseHigh)
	e.add(low && !high, RoseLow)
}

func (e *evidence) end(p plan.Plan, s bake.State) {
	if s.End != nil {
		stood := s.End.Sub(s.Ready)
		e.add(stood > tooLong, StoodInPan)
		e.add(stood <= atOnce, TakenAtOnce)
	}
	e.add(s.CutAfter > 0 && s.CutAfter <= hotFor, CutEarly)
	e.add(s.CutAfter >= coldAfter, CutCold)
	if s.Weight > 0 {
		var all measure.Grams
		for _, l := range p.Lines {
			if l.Part == "" {
				all += l.Exact
			}
		}
		off := float64(s.Weight/scale.Baked(all)) - 1
		e.add(off > heavier, HeavyLoaf)
		e.add(off >= -asMeant && off <= asMeant, WeightAsMeant)
	}
}
