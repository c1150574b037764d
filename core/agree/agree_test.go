package agree

import (
	"context"
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"
	"time"

	"risepan/core/bake"
	"risepan/core/day"
	"risepan/core/dough"
	"risepan/core/journal"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/readtest"
	"risepan/core/recipe"
	"risepan/core/timetable"
	"risepan/core/verdict"
)

// statements are what holds of every loaf. Each returns a complaint, or nothing.
var statements = []struct {
	name  string
	holds func(drawn) string
}{
	{"the size that is planned is the size that was wished", sizeIsOne},
	{"baked again, the loaf has the same amounts", againTheSame},
	{"sizes stand in their order", sizesInOrder},
	{"advice names only what the machine has", onlyWhatIsThere},
	{"grams stand for the measures beside them", gramsAgree},
	{"a recipe at its own size is measured as it is written", asWritten},
	{"each step of rounding shows the amounts that it says", stepsAsSaid},
	{"what is too hot for the yeast is said", heatIsSaid},
	{"one figure of the formula stands in every sentence", oneFigure},
	{"height before the bake is held against the plan", heightAsPlanned},
	{"nothing speaks of what is over", nothingOfBefore},
	{"a bake's moments stand where its stages are", momentsInStages},
	{"the first look comes before the add-ins", lookFirst},
	{"a day holds the loaf on any machine", dayHoldsIt},
	{"the verdict blames no figure that the plan found usual", blamesOnlySaid},
	{"a loaf is blamed only for what it can have", blamesOnlyPossible},
	{"what a caution says that the panel is set to is set", setAsSaid},
	{"the bench measures each line once, as planned", benchAsPlanned},
	{"the clock stands for the minutes beside it", clockAgrees},
	{"totals are the sums of their parts", totalsAgree},
}

func TestWhatIsSaidOfALoafAgrees(t *testing.T) {
	all := readtest.Draws(300, 2000)
	var c tallied
	draws(t, all, 1, func(_ int, d drawn) {
		for _, s := range statements {
			c.of(s.name, d, s.holds(d))
		}
	})
	c.report(t, all)
}

func sizeIsOne(d drawn) string {
	if d.p.Size != d.Wish.Size {
		return fmt.Sprintf("wished %s, planned %s", d.Wish.Size, d.p.Size)
	}
	return ""
}

func againTheSame(d drawn) string {
	w := d.Wish
	w.Size = d.p.Size
	p, err := plan.Make(d.Place, w)
	if err != nil {
		return err.Error()
	}
	for n, l := range p.Lines {
		if was := d.p.Lines[n]; l.Exact != was.Exact {
			return fmt.Sprintf("%s was %g g and is %g g", l.Name, was.Exact, l.Exact)
		}
	}
	return ""
}

func sizesInOrder(d drawn) string {
	if !slices.IsSortedFunc(d.p.Sizes, func(a, b plan.SizeOffer) int { return a.Size.Pounds().Cmp(b.Size.Pounds()) }) {
		return fmt.Sprint(d.p.Sizes)
	}
	return ""
}

// said is every sentence of a plan.
func said(p plan.Plan) []string {
	var out []string
	for _, c := range p.Cautions {
		out = append(out, c.Say)
		for _, w := range c.Ways {
			out = append(out, w.Say)
		}
	}
	for _, m := range p.Moments {
		out = append(append(out, m.Say), m.Steps...)
	}
	return append(out, p.Ending.Out...)
}

func onlyWhatIsThere(d drawn) string { return absent(d, append(said(d.p), verdicts(d)...)) }

// absent is the first sentence that names what the machine does not have.
func absent(d drawn, sentences []string) string {
	has := func(c machine.Character) bool {
		return slices.ContainsFunc(d.Machine.Cycles, func(o machine.Cycle) bool { return o.Character == c })
	}
	for _, s := range sentences {
		switch low := strings.ToLower(s); {
		case strings.Contains(low, "bake-only") && !has(machine.BakeOnly),
			strings.Contains(low, "dispenser") && d.Machine.Dispenser == 0 && !d.Machine.YeastBox &&
				!strings.Contains(low, "no dispenser"),
			strings.Contains(s, "Press Start") && !strings.Contains(s, "Press "+d.Machine.Full().Start),
			strings.Contains(low, "lighter") && strings.Contains(low, "crust") && !d.p.Setting.HasCrust,
			strings.Contains(low, "smaller size") && d.p.Size == smallestOf(d.Machine.Sizes):
			return s
		}
	}
	return ""
}

func smallestOf(sizes []measure.LoafSize) measure.LoafSize {
	return slices.MinFunc(sizes, func(a, b measure.LoafSize) int { return a.Pounds().Cmp(b.Pounds()) })
}

func gramsAgree(d drawn) string {
	for _, l := range d.p.Lines {
		i, _ := d.Kitchen.Ingredient(l.Ingredient)
		if l.Fixed || len(l.Measured.Scoops) == 0 || l.Unknown {
			continue
		}
		var ml measure.Millilitres
		for _, s := range l.Measured.Scoops {
			ml += s.Measure.Amount.Millilitres() * measure.Millilitres(s.Count)
		}
		g := i.Shaped(l.Note).GramsPerMl() * measure.Grams(ml)
		if off := float64(g/l.Measured.Grams) - 1; math.Abs(off) > 0.02 {
			return fmt.Sprintf("%s: %s hold %.1f g, and %.1f g stand beside them", l.Name, l.Measured, g,
				l.Measured.Grams)
		}
		if w := d.Kitchen.Weight(l.Measured.Grams, i.Fine()); w != l.Weight {
			return fmt.Sprintf("%s: %s beside %s", l.Name, l.Weight, w)
		}
	}
	return ""
}

// asWritten: at its own size, what the drawer makes of a line as it is written is what is shown.
func asWritten(d drawn) string {
	if d.Wish.Size != d.Recipe.Size || d.Kitchen.Scale || len(d.Swaps) > 0 {
		return ""
	}
	for _, l := range d.p.Lines {
		at := slices.IndexFunc(d.Recipe.Lines, func(o recipe.Line) bool { return o.ID == l.ID })
		if at < 0 || l.Fixed || l.Miss != "" || l.Part != recipe.InDough {
			continue
		}
		a := d.Recipe.Lines[at].Amount
		if a.Unit.Facts().Dimension != measure.Volume || a.UpTo.Sign() != 0 {
			continue
		}
		i, _ := d.Kitchen.Ingredient(l.Ingredient)
		g, err := i.Weigh(a)
		if err != nil || math.Abs(float64(g-l.Exact)) > 1e-6 || !makes(d.Kitchen.Measures, i, a) {
			continue // an egg, a school of salt or of cups moved it, or the drawer lacks the measures
		}
		if off := float64(l.Measured.Volume)/float64(a.Millilitres()) - 1; math.Abs(off) > 2e-3 {
			return fmt.Sprintf("%s is written %s and measured %s", l.Name, a, l.Measured)
		}
	}
	return ""
}

// makes reports whether an amount as it is written is a sum of some measures: cups of its whole part, and one more.
func makes(measures []measure.Measure, i *larder.Ingredient, a measure.Amount) bool {
	left := float64(a.Millilitres())
	for scoops := 0; scoops < 9; scoops++ {
		if left < 0.05 {
			return true
		}
		took := false
		for _, m := range measures {
			v := float64(m.Amount.Millilitres())
			if v <= left+0.05 && (i.Kind != larder.Flour || v > 14) && (i.Kind != larder.Liquid || v > 2.3) {
				left, took = left-v, true
				break
			}
		}
		if !took {
			return false
		}
	}
	return false
}

func stepsAsSaid(d drawn) string {
	w := d.Wish
	if len(d.p.Lines)%3 == 0 { // with a line held at a little more than it wants
		for _, l := range d.p.Lines {
			if i, _ := d.Kitchen.Ingredient(l.Ingredient); i.Kind == larder.Sugar && l.Part == recipe.InDough &&
				l.Exact > 0 {
				w.Locks = []plan.Lock{{Line: l.ID, Amount: measure.Of(int64(float64(i.Volume(l.Exact))*1100), 1000,
					measure.Millilitre)}}
			}
		}
	} else if len(d.p.Lines)%3 == 1 {
		w.NotToHand = []string{"1 cup"}
	}
	first, err := plan.Make(d.Place, w)
	if err != nil {
		return err.Error()
	}
	for n, c := range first.Rounding.Choices {
		w.Closer = n - first.Rounding.First
		p, err := plan.Make(d.Place, w)
		if err != nil {
			return err.Error()
		}
		handling := 0.0
		for _, l := range p.Lines {
			if l.Fixed || l.Part != recipe.InDough {
				continue
			}
			kinds := 0
			for _, s := range l.Measured.Scoops {
				handling += float64(s.Count)
				if kinds++; s.Jug && kinds > 1 {
					kinds--
				}
			}
			handling += float64(max(0, kinds-1)) / 2
		}
		if p.Formula.Flour > 0 && (math.Abs(handling-c.Handling) > 1e-6 ||
			math.Abs(p.Rounding.Shift.Handling-c.Handling) > 1e-6) {
			return fmt.Sprintf("step %d is said to take %g, and takes %g (%g)", w.Closer, c.Handling, handling,
				p.Rounding.Shift.Handling)
		}
		if n > 0 && c.D > first.Rounding.Choices[n-1].D {
			return fmt.Sprintf("step %d is farther away than the one before", w.Closer)
		}
	}
	return ""
}

// heatIsSaid: a liquid above what its yeast bears has a caution.
func heatIsSaid(d drawn) string {
	h := d.p.Heat
	if h.Line == "" || h.Cool || d.p.Formula.Yeast == 0 || h.Liquid < 45 {
		return ""
	}
	fast := slices.ContainsFunc(d.p.Lines, func(l plan.Line) bool {
		i,
			_ := d.Kitchen.Ingredient(l.Ingredient)
		return i.Rapid
	})
	rapid := false
	for _, c := range d.Machine.Cycles {
		rapid = rapid || c.ID == d.p.Setting.Cycle.ID && c.Character == machine.Rapid
	}
	if fast && rapid && h.Liquid < 54 || d.p.Pan.Order == "yeast bloomed" && h.Liquid < 55 {
		return ""
	}
	if !slices.ContainsFunc(d.p.Cautions, func(c plan.Caution) bool { return c.About == "heat" }) {
		return fmt.Sprintf("the %s is to have %s, and nothing is said", h.Name, h.At)
	}
	return ""
}

// oneFigure: what a note says of hydration is the formula's own figure.
func oneFigure(d drawn) string {
	want := "hydration " + d.Kitchen.Decimal.Figure(d.p.Formula.Hydration, 1)
	for _, c := range d.p.Cautions {
		if c.About == plan.OutOfBand && strings.Contains(c.Say, "hydration ") && !strings.Contains(c.Say, want) {
			return fmt.Sprintf("the formula says %s, the note “%s”", want, c.Say)
		}
	}
	return ""
}

// stands are how high a dough is told to stand, as shares of the pan.
var stands = []struct {
	is        dough.Stands
	low, high float64
}{{dough.Third, 0.25, 0.39}, {dough.Half, 0.44, 0.57}, {dough.TwoThirds, 0.6, 0.72},
	{dough.FourFifths, 0.75, 0.84}, {dough.Below, 0.86, 0.94}, {dough.Level, 0.96, 1.05}}

// heightAsPlanned: a dough that stands, just before its bake, as high as its loaf was planned to, is not called low.
func heightAsPlanned(d drawn) string {
	bakes := slices.IndexFunc(d.p.Stages, func(s machine.Span) bool { return s.Kind == machine.Bake })
	f := d.p.Pan.Fill
	if bakes < 1 || f.Low <= 0 || d.p.Stages[bakes-1].Kind != machine.Rise {
		return ""
	}
	middle := float64(f.Low+f.High) / 2 / float64(f.Pan) * 0.9
	for _, s := range stands {
		if middle < s.low || middle > s.high {
			continue
		}
		at := d.p.Timer.Begin.Add(time.Duration(d.p.Stages[bakes].From-1) * time.Minute)
		b := bake.At(d.p, []bake.Happening{{Stamp: journal.Stamp{Seq: 1, At: at}, What: bake.Stood, Stands: s.is}}, at)
		if say := bake.Rise(d.p, b, nil).Said(); strings.Contains(say, "It is low") {
			return fmt.Sprintf("planned to fill %s, at %s: “%s”", f, s.is, say)
		}
	}
	return ""
}

// everyEvent is a bake at each of its moments, a minute after, and after its end.
func everyEvent(d drawn) []time.Time {
	var out []time.Time
	for _, m := range d.p.Moments {
		at := m.At(d.p.Timer.Begin)
		out = append(out, at, at.Add(time.Minute))
	}
	return append(out, d.p.Timer.Ready.Add(10*time.Minute), d.p.Timer.Ready.Add(3*time.Hour))
}

func nothingOfBefore(d drawn) string {
	for _, at := range everyEvent(d) {
		s := bake.At(d.p, nil, at)
		if s.Due != nil && s.Paused == "" && !at.Before(s.Ready) {
			return fmt.Sprintf("%s after its end: “%s”", at.Sub(s.Ready), s.Due.Say)
		}
		if s.Due != nil && d.p.AddIns != nil {
			for _, id := range s.Due.Lines {
				if d.p.AddIns.Of(id) == plan.InBox {
					return "what the dispenser drops is asked for by hand: " + s.Due.Say
				}
			}
		}
		if s.Next >= 0 && !s.Moments[s.Next].At.After(at) {
			return "the next moment is past"
		}
	}
	return ""
}

func momentsInStages(d drawn) string {
	if !slices.IsSortedFunc(d.p.Moments, func(a, b timetable.Moment) int { return int(a.After - b.After) }) {
		return "moments are out of order"
	}
	last := d.p.Stages[len(d.p.Stages)-1].To
	if d.p.Timer.Ready != d.p.Timer.Begin.Add(time.Duration(last)*time.Minute) {
		return fmt.Sprintf("ready %s after it begins, its stages take %d minutes",
			d.p.Timer.Ready.Sub(d.p.Timer.Begin), last)
	}
	return ""
}

func lookFirst(d drawn) string {
	var look, adds *timetable.Moment
	for n := range d.p.Moments {
		switch m := &d.p.Moments[n]; m.Kind {
		case timetable.Look:
			look = m
		case timetable.AddIns:
			adds = m
		}
	}
	if look == nil || adds == nil || adds.After > look.After {
		return ""
	}
	kneads := slices.IndexFunc(d.p.Stages, func(s machine.Span) bool { return s.Kind == machine.Knead })
	if adds.After < d.p.Stages[kneads].From-d.p.Stages[0].Slack+4 {
		return "" // the cycle does not allow it
	}
	return fmt.Sprintf("look at %d, add-ins at %d", look.After, adds.After)
}

func dayHoldsIt(d drawn) (complaint string) {
	defer func() {
		if r := recover(); r != nil {
			complaint = fmt.Sprint(r)
		}
	}()
	date := kitchen.DateOf(now, time.UTC).AddDays(1)
	by, _ := timetable.ParseWall("2026-05-03T16:00")
	w := d.Wish
	w.RecipeID, w.MachineID, w.Timing = "r", "m", plan.Timing{}
	p := day.Place{Kitchen: d.Kitchen, Zone: time.UTC, Now: now, Date: date,
		Recipes: map[string]recipe.Recipe{"r": d.Recipe}, Machines: []day.OwnedMachine{{ID: "m", Machine: d.Machine}},
		Choice: func(string, string) (string, machine.Crust) { return "", "" }}
	if _, err := day.Make(context.Background(), p, day.Book{Hands: 1, Loaves: []day.Loaf{{ID: "1", Wish: w, When: day.By,
		By: by}}}); err != nil {
		return err.Error()
	}
	return ""
}

// judgedWith is the loaf taken out as planned, with signs.
func judgedWith(d drawn, signs ...bake.Sign) verdict.Baked {
	out := d.p.Timer.Ready.Add(2 * time.Minute)
	happened := []bake.Happening{
		{Stamp: journal.Stamp{Seq: 1, At: out}, What: bake.TakenOut},
		{Stamp: journal.Stamp{Seq: 2, At: out.Add(time.Hour)}, What: bake.Judged, Verdict: bake.Verdict{Mark: 2,
			Signs: signs}},
	}
	return verdict.Baked{Plan: d.p, State: bake.At(d.p, happened, out.Add(2*time.Hour)), Happened: happened,
		Kitchen: d.Kitchen}
}

var signsTried = [][]bake.Sign{{bake.Collapsed}, {bake.Dense}, {bake.Overflowed}, {bake.Gummy}, {bake.Burnt},
	{bake.Torn}, {bake.Pale}, {bake.NotRisen}, {bake.Coarse}}

func verdicts(d drawn) []string {
	var out []string
	for _, signs := range signsTried {
		for _, c := range judgedWith(d, signs...).Causes() {
			out = append(out, c.Change, c.Tell)
		}
	}
	return out
}

// figuresOfFacts are the facts that rest on a figure of the formula or of heat.
var figuresOfFacts = []verdict.Fact{verdict.WetFormula, verdict.DryFormula, verdict.YeastHigh, verdict.YeastLow,
	verdict.SaltHigh, verdict.SaltLow, verdict.SugarHigh}

func blamesOnlySaid(d drawn) string {
	facts := judgedWith(d, bake.Dense).Evidence()
	about := func(a plan.About) bool {
		return slices.ContainsFunc(d.p.Cautions, func(c plan.Caution) bool { return c.About == a })
	}
	for _, f := range figuresOfFacts {
		if slices.Contains(facts, f) && !about(plan.OutOfBand) && !about(plan.Implausible) {
			return string(f)
		}
	}
	if slices.Contains(facts, verdict.VeryHotLiquid) && !about("heat") {
		return string(verdict.VeryHotLiquid) + " (" + d.p.Heat.At + ")"
	}
	return ""
}

func blamesOnlyPossible(d drawn) string {
	yeast := d.p.Formula.Yeast > 0
	kneads := slices.ContainsFunc(d.p.Stages, func(s machine.Span) bool { return s.Kind == machine.Knead })
	for _, signs := range signsTried {
		for _, c := range judgedWith(d, signs...).Causes() {
			low := strings.ToLower(string(c.Cause) + " " + c.Change + " " + c.Tell)
			switch {
			case !yeast && strings.Contains(low, "yeast"), !kneads && (strings.Contains(low, "ball") ||
				strings.Contains(low, "knead")),
				d.p.AddIns == nil && strings.Contains(low, "add-in"):
				return low
			}
		}
	}
	return ""
}
