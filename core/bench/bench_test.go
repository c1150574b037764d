package bench_test

import (
	"errors"
	"math"
	"slices"
	"strings"
	"testing"
	"time"
	_ "time/tzdata"

	"risepan/core/bench"
	"risepan/core/fault"
	"risepan/core/journal"
	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/pan"
	"risepan/core/plan"
	"risepan/core/plan/plantest"
	"risepan/core/recipe"
	"risepan/demo"
)

var (
	oneHalf = measure.LoafPounds(3, 2)
	evening = time.Date(2026, 3, 10, 20, 0, 0, 0, time.UTC)
)

func heron() kitchen.Kitchen { return kitchen.New("Heron Lock", "UTC") }

func amount(t testing.TB, s string) measure.Amount {
	t.Helper()
	a, err := measure.Parse(s, measure.US)
	if err != nil {
		t.Fatal(err)
	}
	return a
}

func wishFor(t testing.TB, name string, m machine.Machine) plantest.Ask {
	t.Helper()
	for _, r := range demo.Recipes() {
		if r.Name == name {
			return plantest.Ask{Place: plan.Place{Recipe: r, Machine: m, Zone: time.UTC},
				Wish: plan.Wish{LoafWish: plan.LoafWish{Size: oneHalf}, Timing: plan.Timing{AtPanel: true}}}
		}
	}
	t.Fatalf("the demo has no %s", name)
	return plantest.Ask{}
}

func planned(t testing.TB, w plantest.Ask) plan.Plan {
	t.Helper()
	p, err := plantest.Make(heron(), w, evening)
	if err != nil {
		t.Fatal(err)
	}
	return p
}

func ids(steps []bench.Step) string {
	var out []string
	for _, s := range steps {
		out = append(out, s.ID)
	}
	return strings.Join(out, ", ")
}

// The bench goes in the order of the hands: get out, look, temper, cut, paddle, then each layer from
// the pan's floor upwards, what waits, and the machine.
func TestStepsInTheOrderOfTheHands(t *testing.T) {
	warmed := wishFor(t, "Towpath white", demo.Galley())
	warmed.Recipe.Lines = slices.Clone(warmed.Recipe.Lines)
	warmed.Recipe.Lines[1].When = recipe.Warmed // the butter, with some of the milk powder
	warmed.Recipe.Lines[4].When = recipe.AtKnead
	bloomed := wishFor(t, "Winding-hole crusty", demo.Galley())
	bloomed.Loading.Order = pan.Bloomed
	mixed := wishFor(t, "Winding-hole crusty", demo.Galley())
	mixed.Loading.Order = pan.Premixed
	for _, c := range []struct {
		why  string
		wish plantest.Ask
		want string
	}{
		{"wet first, with add-ins for the beep", wishFor(t, "Mooring raisin loaf", demo.Galley()),
			"tools, look l8, fridge, temper, cut l2, paddle, measure l1, measure l2, measure l3, measure l4, " +
				"measure l5, measure l6, measure l7, well, measure l8, measure l9, measure l10, wipe, recall, pan " +
				"in, panel, start"},
		{"dry first", wishFor(t, "Towpath white", demo.Boatyard()),
			"tools, look l7, fridge, temper, cut l2, paddle, measure l7, measure l6, measure l3, measure l4, " +
				"measure l5, measure l2, measure l1, wipe, recall, pan in, panel, start"},
		{"a quick bread has no yeast and no warm water", wishFor(t, "Boatyard banana bread", demo.Galley()),
			"tools, fridge, paddle, measure l2, measure l1, measure l4, measure l3, measure l5, measure l6, measure " +
				"l7, measure l8, measure l9, measure l10, wipe, recall, pan in, panel, start"},
		{"bloomed yeast waits in the liquid", bloomed,
			"tools, look l6, temper, paddle, measure l1, measure l6, bloom, froth, measure l2, measure l5, measure " +
				"l3, measure l4, wipe, recall, pan in, panel, start"},
		{"dry things are mixed in a bowl", mixed,
			"tools, look l6, temper, paddle, measure l1, measure l2, measure l3, measure l4, measure l5, stir, " +
				"measure l6, wipe, recall, pan in, panel, start"},
		{"what is warmed on the stove comes first and cools; what is held back comes last", warmed,
			"tools, look l7, measure l2, cool, temper, paddle, pour, measure l1, measure l3, measure l4, measure " +
				"l6, well, measure l7, measure l5, wipe, recall, pan in, panel, start"},
	} {
		p := planned(t, c.wish)
		steps := bench.Steps(heron(), p, nil)
		if got := ids(steps); got != c.want {
			t.Errorf("%s:\n got %s\nwant %s", c.why, got, c.want)
		}
		for _, l := range p.Lines {
			n := 0
			for _, s := range steps {
				if s.Kind == bench.Measure && s.Line == l.ID {
					n++
				}
			}
			if n != 1 && l.Part == recipe.InDough {
				t.Errorf("%s: %s is measured %d times", c.why, l.Name, n)
			}
		}
		for _, s := range steps {
			if s.Say == "" {
				t.Errorf("%s: the step %s says nothing", c.why, s.ID)
			}
		}
	}
}

// What the recipe itself has is asked about on the plan; the bench asks where the baker holds another amount.
func TestAnAmountOfYeastHeldByHandAsksForTheSpoonAgain(t *testing.T) {
	w := wishFor(t, "Towpath white", demo.Galley())
	asks := func() string {
		for _, s := range bench.Steps(heron(), planned(t, w), nil) {
			if s.ID == "measure l7" {
				return s.Ask
			}
		}
		return "no such step"
	}
	w.Recipe.Lines = slices.Clone(w.Recipe.Lines)
	w.Recipe.Lines[6].Amount = amount(t, "1 tbsp")
	if got := asks(); got != "" {
		t.Errorf("the recipe's own 1 tbsp for three cups of flour asks %q", got)
	}
	w.Locks = []plan.Lock{{Line: "l7", Amount: amount(t, "1 3/4 tbsp")}}
	if got := asks(); !strings.Contains(got, "tablespoon or teaspoon") {
		t.Errorf("1 3/4 tbsp of yeast asks %q", got)
	}
}

// A bag of flour that is past its date is no reason to doubt the yeast.
func TestTheDateLookedAtIsTheYeastsOwn(t *testing.T) {
	old, _ := kitchen.ParseDate("2025-01-01")
	why := func(old kitchen.Pack) string {
		k := heron()
		k.Packs = []kitchen.Pack{old}
		p, err := plantest.Make(k, wishFor(t, "Towpath white", demo.Galley()), evening)
		if err != nil {
			t.Fatal(err)
		}
		steps := bench.Steps(k, p, nil)
		return steps[slices.IndexFunc(steps, func(s bench.Step) bool { return s.Kind == bench.Look })].Why
	}
	if got := why(kitchen.Pack{Ingredient: "bread-flour", BestBefore: old}); got != "" {
		t.Errorf("with old flour, the look at the yeast says %q", got)
	}
	if got := why(kitchen.Pack{Ingredient: "active-dry-yeast", BestBefore: old}); !strings.Contains(got,
		"yeast was best before") {
		t.Errorf("with old yeast, the look at it says %q", got)
	}
}

// happens folds happenings one after another, as the record book would.
func happens(h ...bench.Happening) bench.Session {
	for n := range h {
		h[n].Seq = n + 1
	}
	return bench.At(h)
}

// measured is a bench at which some lines are measured.
func measured(lines ...string) bench.Session {
	var told []bench.Happening
	for _, id := range lines {
		told = append(told, bench.Happening{Do: bench.Done, Step: bench.StepOf(bench.Measure, id)})
	}
	return happens(told...)
}

func TestWhatIsDoneOnOneDeviceIsDone(t *testing.T) {
	at := evening
	s := happens(bench.Happening{Do: bench.Done, Step: "tools"}, bench.Happening{Do: bench.Done, Step: "paddle"},
		bench.Happening{Do: bench.Done, Step: "tools"},
		bench.Happening{Do: bench.Undone, Step: "paddle"}, bench.Happening{Do: bench.Begun, Step: "bloom",
			Stamp: journal.Stamp{At: at}}, bench.Happening{Do: bench.Begun, Step: "bloom",
			Stamp: journal.Stamp{At: at.Add(time.Hour)}})
	if !slices.Equal(s.Done, []string{"tools"}) || !s.Begun["bloom"].Equal(at) || s.Last != 6 || s.Over {
		t.Errorf("%+v", s)
	}
	if !happens(bench.Happening{Do: bench.Started}, bench.Happening{Do: bench.Reopened}).Over {
		t.Error("a bake that was started leaves the bench open")
	}
	if !happens(bench.Happening{Do: bench.Cleared}).Over || happens(bench.Happening{Do: bench.Cleared},
		bench.Happening{Do: bench.Reopened}).Over {
		t.Error("a bench is not cleared, or not taken up again")
	}
}

// Towpath white, 375 g of flour. By a slip 1 1/4 cups of water went in instead of 1. Fitted, the water is
// held and the flour goes up as far as it may; grown, everything is 5/4 of what it was, and the butter
// that was in already is topped up by a quarter of it.
func TestTooMuchWaterIsAnswered(t *testing.T) {
	w := wishFor(t, "Towpath white", demo.Galley())
	before := planned(t, w)
	measured := happens(bench.Happening{Do: bench.Done, Step: "measure l2"}).Measured(before)
	if len(measured) != 1 || measured[0].Line != "l2" ||
		math.Abs(float64(measured[0].Amount.Millilitres())-22.18) > 0.01 {
		t.Fatalf("1 1/2 tbsp of butter went in as %+v", measured)
	}
	slip := bench.Happening{Do: bench.Slip, Line: "l1", Amount: amount(t, "1 1/4 cups"), Way: bench.Fit, In: measured}

	fit := planned(t, w.With(happens(slip).Wish(w.Wish)))
	if fit.Lines[0].Locked != "1 1/4 cups" || fit.Lines[1].Locked == "" || fit.Rounding.Shift.Water <= 0 {
		t.Errorf("fitted: water %q, butter %q, hydration moved by %v", fit.Lines[0].Locked, fit.Lines[1].Locked,
			fit.Rounding.Shift.Water)
	}

	slip.Way = bench.Grow
	grown := happens(slip)
	p := planned(t, w.With(grown.Wish(w.Wish)))
	for n, l := range p.Lines {
		want := float64(before.Lines[n].Exact) * 1.25
		if l.ID == "l7" {
			want = float64(before.Lines[n].Exact) * math.Pow(1.25, 0.6) // yeast is eased
		}
		if math.Abs(float64(l.Exact)-want) > 0.01*want {
			t.Errorf("grown, %s is %.1f g, want %.1f", l.Name, float64(l.Exact), want)
		}
	}
	var ups []string
	for _, s := range bench.Steps(heron(), p, grown.InPan(heron(), p)) {
		if s.Kind == bench.TopUp {
			ups = append(ups, s.Line)
			if g := float64(s.Add.Grams); math.Abs(g-21.28/4) > 1.6 {
				t.Errorf("%s is topped up by %.1f g, want about %.1f", s.Line, g, 21.28/4)
			}
		}
	}
	if !slices.Equal(ups, []string{"l2"}) {
		t.Errorf("topped up: %v, want the butter alone", ups)
	}

	if back := happens(slip, bench.Happening{Do: bench.Mended}); back.Slips != 0 || back.Have != nil ||
		len(back.Wish(w.Wish).Locks) != 0 {
		t.Errorf("taken back, the bench still holds %+v", back)
	}
}

func TestNonsenseAtTheBenchIsRefusedAtTheField(t *testing.T) {
	p := planned(t, wishFor(t, "Towpath white", demo.Galley()))
	steps := bench.Steps(heron(), p, nil)
	open := happens()
	check := func(s bench.Session, h bench.Happening) error {
		if err := bench.Check(s, bench.IDs(steps), h); err != nil || h.Do != bench.Slip {
			return err
		}
		return bench.CheckSlip(p, h)
	}
	for _, c := range []struct {
		s       bench.Session
		h       bench.Happening
		pointer string
	}{
		{open, bench.Happening{Do: bench.Done, Step: "dance"}, "/step"},
		{open, bench.Happening{Do: bench.Mended}, "/do"},
		{open, bench.Happening{Do: bench.Slip, Line: "l9", Way: bench.Fit}, "/line"},
		{open, bench.Happening{Do: bench.Slip, Line: "l1"}, "/way"},
		{happens(bench.Happening{Do: bench.Started}), bench.Happening{Do: bench.Done, Step: "tools"}, "/do"},
		{happens(bench.Happening{Do: bench.Started}), bench.Happening{Do: bench.Reopened}, "/do"},
		{happens(bench.Happening{Do: bench.Cleared}), bench.Happening{Do: bench.Done, Step: "tools"}, "/do"},
	} {
		var f *fault.Fault
		if err := check(c.s, c.h); !errors.As(err, &f) || f.Pointer != c.pointer {
			t.Errorf("%+v: %v, want a fault at %s", c.h, err, c.pointer)
		}
	}
	if err := check(open, bench.Happening{Do: bench.Done, Step: "paddle"}); err != nil {
		t.Error(err)
	}
}
