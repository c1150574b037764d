package verdict

import (
	"slices"
	"strings"
	"time"

	"risepan/core/bake"
	"risepan/core/bench"
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
	coldBelow  = 17
	hotAbove   = 27
	atOnce     = 5 * time.Minute
	tooLong    = 15 * time.Minute
	hotFor     = 30
	coldAfter  = 60
	heavier    = 0.07
	asMeant    = 0.04
	soonToBake = 10
	moist      = 50 // water in 100 of an add-in
	sunkBy     = 10 // mm of the middle below the edges
	bulges     = 25 // mm of the edges above the rim
	longRises  = 120
	shortRises = 60
	veryLong   = 165 // of any dough
	hotter     = 3   // °C in the middle beyond done
)

// Baked is a bake that ended: its plan, what happened, the kitchen, and the bench where it was measured, with the ids
// of its steps; no bench: nil.
type Baked struct {
	Plan     plan.Plan
	State    bake.State
	Happened []bake.Happening
	Kitchen  kitchen.Kitchen
	Bench    *bench.Session
	Steps    []string
	Tried    Cause // for which the recipe's revision was made; empty: for none
	Well     bool  // the same revision came out well before
}

// Seen is what is known of the loaf: the signs that were told, those that follow from what was measured of it, and the
// facts.
func (b Baked) Seen() Seen {
	return Seen{Tried: b.Tried, Helped: b.State.Helped, Signs: shown(b.Plan, b.State), All: true, Mark: b.State.Mark, Facts: b.Evidence(), Cannot: b.cannot()}
}

// Evidence is what is known of a bake beside its signs: from its plan, its happenings and the kitchen.
func (b Baked) Evidence() []Fact {
	e := evidence{}
	e.formula(b.Plan, b.Kitchen)
	e.plan(b.Plan, b.Kitchen)
	e.crust(b.Plan, b.State)
	e.recipe(b.Plan, b.Kitchen)
	e.told(b.State.Verdict)
	e.day(b.State.Verdict, b.Kitchen)
	e.bench(b)
	e.watch(b.Plan, b.State, b.Happened)
	e.cycle(b.Plan, b.State)
	e.end(b.Plan, b.State, b.Kitchen)
	e.add(b.Well, WellBefore)
	signs := shown(b.Plan, b.State)
	gummy := slices.Contains(signs, bake.Gummy) || slices.Contains(signs, bake.Raw)
	e.add(gummy && slices.Contains(e.facts, CoreDone) && slices.Contains(e.facts, CutCold), GummyDone)
	e.facts = slices.DeleteFunc(e.facts, func(f Fact) bool { // what is tasted, or told, outweighs what was written
		slip := slices.Contains(e.facts, SlipTold)
		return f == SaltUsual && (slip || slices.Contains(signs, bake.Bland) || slices.Contains(signs, bake.Salty)) ||
			f == YeastUsual && slip
	})
	if slices.Contains(e.facts, BallWet) || slices.Contains(e.facts, BallDry) { // what is seen outweighs what is reckoned
		e.facts = slices.DeleteFunc(e.facts, func(f Fact) bool { return f == WaterUsual })
	}
	return e.facts
}

// shown are the signs that were told of a loaf, and those that nobody told.
func shown(p plan.Plan, s bake.State) []bake.Sign {
	return append(slices.Clone(s.Signs), implied(p, s)...)
}

// implied are signs that nobody told and that follow from what was measured: the middle below the edges, or high over
// the rim, and a crust lighter or darker than it was set.
func implied(p plan.Plan, s bake.State) []bake.Sign {
	var out []bake.Sign
	add := func(is bool, sign bake.Sign) {
		if is && !slices.Contains(s.Signs, sign) {
			out = append(out, sign)
		}
	}
	add(s.Centre != nil && s.Sides != nil && *s.Sides-*s.Centre >= sunkBy, bake.Collapsed)
	add(s.Sides != nil && *s.Sides >= bulges, bake.Overflowed)
	if s.Crust != "" && p.Setting.HasCrust {
		add(shade(s.Crust) < shade(p.Setting.Crust), bake.Pale)
		add(shade(s.Crust) > shade(p.Setting.Crust), bake.Burnt)
	}
	return out
}

func shade(c machine.Crust) int { return slices.Index(machine.Crusts, c) }

type evidence struct{ facts []Fact }

func (e *evidence) add(is bool, f Fact) {
	if is {
		e.facts = append(e.facts, f)
	}
}

// figures are what is known where a figure of the formula lies below its band, inside and above.
var figures = map[plan.Figure][3]Fact{plan.Hydration: {DryFormula, WaterUsual, WetFormula},
	plan.Yeast: {YeastLow, YeastUsual, YeastHigh}, plan.Salt: {SaltLow, SaltUsual, SaltHigh},
	plan.Sugar: {SugarLow, SugarUsual, SugarHigh}, plan.Fat: {"", "", FatHigh},
	plan.Powder: {PowderLow, PowderUsual, PowderHigh}}

func (e *evidence) formula(p plan.Plan, k kitchen.Kitchen) {
	starts := Baked{Plan: p, Kitchen: k}.has()
	rapid := starts.hurried()
	for _, a := range p.Usual.Against {
		facts, known := figures[a.Of]
		if !known || a.Of == plan.Yeast && !starts.bakersYeast() {
			continue // a starter's own yeast is not weighed
		}
		e.add(a.Verdict == kind.Below && facts[0] != "" && !(a.Of == plan.Yeast && rapid), facts[0])
		e.add(a.Verdict == kind.Below && a.Of == plan.Yeast && rapid, RapidShort)
		e.add(a.Verdict != kind.Below && a.Verdict != kind.Above && facts[1] != "" && a.Low >= a.Usual.Low &&
			a.High <= a.Usual.High, facts[1])
		e.add(a.Verdict == kind.Above, facts[2])
		e.add(a.Of == plan.Hydration && a.Verdict != kind.Above && a.Usual.High > 0 && a.Is > a.Usual.High+surely, MaybeWet)
	}
	e.add(slices.ContainsFunc(k.Cups, func(c larder.Cup) bool {
		return c.Filling == larder.Scooped && slices.ContainsFunc(p.Lines, func(l plan.Line) bool {
			return l.Ingredient == c.Flour
		})
	}), ScoopedCup)
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
		old = old || slices.ContainsFunc(p.Cautions, func(c plan.Caution) bool {
			return c.About == plan.Dates &&
				c.Line == l.ID
		})
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
	e.add(p.Heat.Bears == dough.TooHot || p.Heat.Bears == dough.Kills, VeryHotLiquid)
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

// crust is whether the crust was set otherwise than suggested: towards how it came out, or away from it.
func (e *evidence) crust(p plan.Plan, s bake.State) {
	if !p.Setting.HasCrust {
		return
	}
	signs := shown(p, s)
	pale, dark := slices.Contains(signs, bake.Pale), slices.Contains(signs, bake.Burnt)
	e.add(pale && p.Setting.Crust == machine.Dark, DarkAlready)
	e.add(dark && p.Setting.Crust == machine.Light, LightAlready)
	e.add(dark && p.Setting.Crust != machine.Light || pale && p.Setting.Crust != machine.Dark, CrustRoom)
	was := p.Setting.Suggested
	if was == "" {
		return
	}
	darker, lighter := shade(p.Setting.Crust) > shade(was), shade(p.Setting.Crust) < shade(was)
	e.add(darker && dark, CrustDarker)
	e.add(lighter && pale, CrustLighter)
	e.add(darker && pale || lighter && dark, CrustOther)
}

// day is how warm and damp the kitchen was: as told of this loaf, else as the kitchen usually is.
func (e *evidence) day(v bake.Verdict, k kitchen.Kitchen) {
	room := k.Room
	if !v.Room.IsZero() {
		room = v.Room
	}
	e.add(!v.Room.IsZero() && room.Celsius() >= coldBelow && room.Celsius() <= hotAbove, RoomMild)
	e.add(room.Celsius() < coldBelow, ColdKitchen)
	e.add(room.Celsius() > hotAbove, HotKitchen)
	e.add(v.Damp, DampDay)
}

// bench is what was not done there and what went in otherwise; so also what the baker says of it afterwards.
func (e *evidence) bench(b Baked) {
	told := func(m bake.Mishap) bool { return slices.Contains(b.State.Mishaps, m) }
	slipped, missed := told(bake.PutTwice), told(bake.LeftOut)
	if b.Bench != nil {
		slipped = slipped || b.Bench.Slips > 0
		undone := 0
		for _, id := range b.Steps {
			word, _, _ := strings.Cut(id, " ")
			if k := bench.Kind(word); (k == bench.Measure || k == bench.Paddle) && !slices.Contains(b.Bench.Done, id) {
				undone++
			}
		}
		missed = missed || undone > 0 && len(b.Bench.Done) > undone // one who ticks nothing off tells nothing by it
	}
	e.add(slipped, SlipTold)
	e.add(missed, NotTicked)
	e.add(told(bake.LidOpened), LidWasOpen)
}

// rises is how long all rises take together.
func rises(stages []machine.Span) (all machine.Minutes) {
	for _, s := range stages {
		if s.Kind == machine.Rise {
			all += s.To - s.From
		}
	}
	return all
}

// cycle is whether it rose longer than such a dough needs.
func (e *evidence) cycle(p plan.Plan, s bake.State) {
	rose := rises(s.Stages)
	quick := slices.ContainsFunc(p.Usual.Against, func(a plan.Against) bool {
		return a.Of == plan.Yeast &&
			a.Verdict == kind.Above
	})
	e.add(rose > veryLong || rose > longRises && (quick || slices.Contains(e.facts, OtherCycle)), LongCycle)
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
	e.heights(p, s)
	var kneaded time.Time
	for _, st := range s.Stages {
		if st.Kind == machine.Knead {
			kneaded = s.Begin.Add(time.Duration(st.To) * time.Minute)
		}
	}
	late, beeped := false, false
	for _, h := range happened {
		n := slices.IndexFunc(s.Moments, func(m bake.Moment) bool {
			return m.ID == h.Moment &&
				m.Kind == timetable.AddIns && m.Done
		})
		late = late || h.What == bake.Done && n >= 0 && h.At.After(kneaded)
		beeped = beeped || h.What == bake.Done && n >= 0 && !h.At.After(kneaded)
		if f, ok := events[h.Event]; ok && h.What == bake.Otherwise {
			e.add(!slices.Contains(e.facts, f), f)
		}
		e.add(h.What == bake.PowerCut && !slices.Contains(e.facts, PowerWent), PowerWent)
	}
	e.add(late, AddInsLate)
	e.add(beeped && !late, AddInsAtBeep)
}

// heights are how high it stood in its last rise.
func (e *evidence) heights(p plan.Plan, s bake.State) {
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
		low = low || !early && bake.Low(p, h.Stands)
	}
	e.add(high, RoseHigh)
	e.add(low && !high, RoseLow)
}

func (e *evidence) end(p plan.Plan, s bake.State, k kitchen.Kitchen) {
	if s.End != nil {
		stood := s.End.Sub(s.Ready)
		e.add(stood > tooLong, StoodInPan)
		e.add(stood <= atOnce, TakenAtOnce)
	}
	if core, done := s.Core, doneAt(p, k); !core.IsZero() && done.High > 0 {
		e.add(float64(core.Celsius()) < done.Low, CoreLow)
		e.add(float64(core.Celsius()) >= done.Low && float64(core.Celsius()) <= done.High+hotter, CoreDone)
		e.add(float64(core.Celsius()) > done.High+hotter, CoreHigh)
	}
	if warm := s.Liquid; !warm.IsZero() && p.Formula.Yeast > 0 {
		limits := dough.LimitsFor(Baked{Plan: p}.has().meets())
		e.add(warm.Celsius() > limits.High && !slices.Contains(e.facts, VeryHotLiquid), VeryHotLiquid)
		e.add(warm.Celsius() <= limits.High && warm.Celsius() > coldBelow, LiquidMild)
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

// meatJuicy is by how much meat may be hotter in its middle than safe before it dries out, °C.
const meatJuicy = 9

// poultryDone is how hot poultry is in its middle when it is safe, °C.
const poultryDone = 74

// doneAt is between which temperatures its middle is done: meat of poultry later than other meat.
func doneAt(p plan.Plan, k kitchen.Kitchen) kind.Band {
	done := kind.Of(p.Kind).Ending.Core
	poultry := slices.ContainsFunc(p.Lines, func(l plan.Line) bool {
		i, ok := k.Ingredient(l.Ingredient)
		return ok && i.Raw && (strings.Contains(i.Name, "turkey") || strings.Contains(i.Name, "chicken"))
	})
	if poultry && kind.Of(p.Kind).Outside {
		done.Low = poultryDone
	}
	if (Baked{Plan: p, Kitchen: k}).has().meat() {
		done.High = done.Low + meatJuicy
	}
	return done
}
