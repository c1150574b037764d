package verdict_test

import (
	"math"
	"strings"
	"testing"
	"time"

	"risepan/core/bake"
	"risepan/core/dough"
	"risepan/core/formula"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/verdict"
	"risepan/demo"
)

var firstDay = time.Date(2026, 9, 1, 8, 0, 0, 0, time.UTC)

func amount(t *testing.T, text string) measure.Amount {
	t.Helper()
	a, err := measure.Parse(text, measure.US)
	if err != nil {
		t.Fatal(err)
	}
	return a
}

// kneaded is a past loaf of the demo's everyday white, in its first machine, with so much put into its ball: "1 tbsp
// water", "2 tsp flour"; "ok" for a smooth one, "" for one that nobody looked at.
func kneaded(t *testing.T, day int, put string) verdict.Past {
	t.Helper()
	p := verdict.Past{At: firstDay.AddDate(0, 0, day), RecipeID: "white", Recipe: "Towpath white", MachineID: "galley",
		Liquid: amount(t, "1 cup"), Flour: "bread-flour",
		Formula: plan.Formula{Formula: formula.Formula{Flour: 375, Hydration: 64}, Sure: plan.UnknownCup},
		Crust:   machine.Medium}
	switch put {
	case "":
	case "ok":
		p.Ball = dough.Smooth
	default:
		p.Ball = dough.Torn
		words := strings.Fields(put)
		of := map[string]dough.Stuff{"water": dough.Water, "flour": dough.FlourDose}[words[len(words)-1]]
		p.Doses = []dough.Dose{{Of: of, Amount: amount(t, strings.Join(words[:len(words)-1], " "))}}
	}
	return p
}

func TestRepeatedDosesBecomeTheRecipesLiquid(t *testing.T) {
	white := demo.Recipes()[0]
	for _, c := range []struct {
		name string
		puts []string // newest first
		to   string   // empty: no lesson
	}{
		{"one loaf teaches nothing", []string{"1 tbsp water"}, ""},
		{"two that wanted the same do", []string{"1 tbsp water", "1 tbsp water"}, "1 cup + 1 tbsp"},
		{"two that wanted nothing", []string{"ok", "ok"}, ""},
		{"one that did and one that did not", []string{"1 tbsp water", "ok"}, ""},
		{"the newest was right as it is", []string{"ok", "1 tbsp water", "1 tbsp water"}, ""},
		{"nobody looked at the last one", []string{"", "1 tbsp water", "1 tbsp water"}, "1 cup + 1 tbsp"},
		{"one up, one down", []string{"1 tbsp water", "1 tbsp flour"}, ""},
		{"two that were too wet", []string{"2 tbsp flour", "2 tbsp flour"}, "3/4 cup + 3 tbsp + 1 tsp"},
		{"a teaspoon is worth keeping", []string{"1 tsp water", "1 tsp water"}, "1 cup + 1 tsp"},
		{"as much as the middle one", []string{"1 tbsp water", "2 tbsp water", "1 tbsp water"}, "1 cup + 1 tbsp"},
		{"too often right to be changed", []string{"1 tbsp water", "1 tbsp water", "ok", "ok"}, ""},
	} {
		t.Run(c.name, func(t *testing.T) {
			var past []verdict.Past
			for n, put := range c.puts {
				past = append(past, kneaded(t, 30-n, put))
			}
			got := ""
			lesson := verdict.LiquidLesson("white", white, larder.Get, past)
			if lesson != nil {
				got = lesson.Change.To.String()
			}
			if got != c.to {
				t.Errorf("the liquid becomes %q, want %q", got, c.to)
			}
			if lesson != nil && (lesson.Rests < 2 || len(lesson.Evidence) < 2 || !strings.HasPrefix(lesson.Evidence[0],
				"1 Oct: ") && c.puts[0] != "") {
				t.Errorf("it rests on %d bakes: %q", lesson.Rests, lesson.Evidence)
			}
		})
	}
	t.Run("bakes with another liquid tell nothing of this one", func(t *testing.T) {
		old := kneaded(t, 1, "1 tbsp water")
		old.Liquid = amount(t, "7/8 cup")
		if l := verdict.LiquidLesson("white", white, larder.Get, []verdict.Past{kneaded(t, 9, "1 tbsp water"),
			old}); l != nil {
			t.Errorf("it says %q", l.Say)
		}
	})
}

func TestWhatAMachineDoesIsLearned(t *testing.T) {
	m := demo.Galley()
	crusts := func(pairs ...string) (past []verdict.Past) {
		for n, p := range pairs {
			set, got, _ := strings.Cut(p, " ")
			b := kneaded(t, 40-n, "")
			b.Crust, b.Verdict = machine.Crust(set), bake.Verdict{Mark: 4, Crust: machine.Crust(got)}
			past = append(past, b)
		}
		return past
	}
	for _, c := range []struct {
		name string
		past []verdict.Past
		want int // 9: no lesson
	}{
		{"two dark ones are chance", crusts("medium dark", "medium dark"), 9},
		{"three are a habit", crusts("medium dark", "light medium", "medium dark"), 1},
		{"as they are set", crusts("medium medium", "dark dark", "light light"), 9},
		{"now dark, now pale", crusts("medium dark", "medium light", "medium dark"), 9},
		{"pale ones", crusts("dark medium", "medium light", "dark medium", "medium medium", "dark medium"), -1},
	} {
		t.Run(c.name, func(t *testing.T) {
			got := 9
			if l := verdict.CrustLesson("galley", m, c.past); l != nil {
				got = *l.Browns
			}
			if got != c.want {
				t.Errorf("its crusts are off by %d, want %d", got, c.want)
			}
		})
	}
	dark := m
	dark.Browns = 1
	if l := verdict.CrustLesson("galley", dark, crusts("medium dark", "medium dark", "medium dark")); l != nil {
		t.Errorf("what is known already is taught again: %q", l.Say)
	}
	if l := verdict.CrustLesson("galley", dark, crusts("medium medium", "medium medium", "dark dark")); l == nil ||
		*l.Browns != 0 {
		t.Errorf("a machine that was mended is not believed: %+v", l)
	}

	tall := func(mms ...int) (past []verdict.Past) {
		for n, mm := range mms {
			b := kneaded(t, 50-n, "")
			usual := m.Vessel.FillOf("white", 375, 660)
			b.Verdict, b.Fill = bake.Verdict{Mark: 4, Centre: &mm}, usual
			past = append(past, b)
		}
		return past
	}
	usual := tall(0)[0].Fill
	rim := float64(m.Vessel.Depth)
	expected := int(rim*float64(usual.Low+usual.High)/2/float64(usual.Pan) - rim) // mm over the rim of a usual loaf
	if l := verdict.FillLesson("galley", m, kitchen.Kitchen{}, tall(expected, expected+2, expected-3,
		expected)); l != nil {
		t.Errorf("usual loaves teach %q", l.Say)
	}
	low := expected - int(rim)/5
	if l := verdict.FillLesson("galley", m, kitchen.Kitchen{}, tall(low, low, low)); l != nil {
		t.Errorf("three loaves teach %q", l.Say)
	}
	if l := verdict.FillLesson("galley", m, kitchen.Kitchen{}, tall(low, low+2, low-2, low)); l == nil ||
		l.Fills >= 0.95 || l.Fills < 0.7 || math.Abs(20*l.Fills-math.Round(20*l.Fills)) > 1e-9 {
		t.Errorf("four low ones teach %+v", l)
	}

	probed := func(offs ...measure.Celsius) (past []verdict.Past) {
		for n, off := range offs {
			b := kneaded(t, 60-n, "")
			b.Off = &off
			past = append(past, b)
		}
		return past
	}
	if l := verdict.KneadLesson("galley", m, kitchen.Kitchen{}, probed(2, 2.4, 1.9)); l == nil || l.KneadRise != 5 {
		t.Errorf("three doughs 2 °C too warm teach %+v", l)
	}
	if l := verdict.KneadLesson("galley", m, kitchen.Kitchen{Degrees: measure.InFahrenheit},
		probed(1, 1, 1)); l == nil || l.KneadRise != 4 || !strings.Contains(l.Say, "7 °F, not 5 °F") {
		t.Errorf("three doughs 1 °C too warm teach %+v", l)
	}
	for _, none := range [][]measure.Celsius{{2, 2}, {0.4, 0.2, -0.3}, {3, -3, 3, -3}} {
		if l := verdict.KneadLesson("galley", m, kitchen.Kitchen{}, probed(none...)); l != nil {
			t.Errorf("%v teach %q", none, l.Say)
		}
	}
}

func TestTheKitchensCupIsLearnedFromItsDoughs(t *testing.T) {
	past := func(puts ...string) (out []verdict.Past) {
		for n, put := range puts {
			p := kneaded(t, 40-n, put)
			if n%2 == 1 {
				p.RecipeID, p.Recipe = "oat", "Oat and honey loaf"
			}
			out = append(out, p)
		}
		return out
	}
	dry := []string{"1 tbsp water", "2 tsp water", "1 tbsp water", "1 tbsp water", "2 tsp water"}
	l := verdict.CupLesson(kitchen.New("Test", "UTC"), past(dry...))
	if l == nil || l.Flour != "bread-flour" || l.PerCup <= 125 || l.PerCup > 140 || l.Rests != 5 {
		t.Fatalf("five dry doughs of two recipes teach %+v", l)
	}
	if l := verdict.CupLesson(kitchen.New("Test", "UTC"), past(dry[:4]...)); l != nil {
		t.Errorf("four teach %q", l.Say)
	}
	if l := verdict.CupLesson(kitchen.New("Test", "UTC"), past("1 tbsp water", "ok", "1 tbsp flour", "ok",
		"1 tbsp water", "ok")); l != nil {
		t.Errorf("mixed ones teach %q", l.Say)
	}
	one := past(dry...)
	for n := range one {
		one[n].RecipeID = "white"
	}
	if l := verdict.CupLesson(kitchen.New("Test", "UTC"), one); l != nil {
		t.Errorf("one recipe alone, which may be dry itself, teaches %q", l.Say)
	}
	mended := past(dry...)
	mended[0].Mended = true
	if l := verdict.CupLesson(kitchen.New("Test", "UTC"), mended); l != nil {
		t.Errorf("doughs whose recipe was mended since teach %q", l.Say)
	}
	known := past(dry...)
	for n := range known {
		known[n].Formula.Sure = plan.OwnCup
	}
	if l := verdict.CupLesson(kitchen.New("Test", "UTC"), known); l != nil {
		t.Errorf("a cup that was weighed is taught %q", l.Say)
	}
}

// What is learned of a machine changes its plans: the crust that is suggested, and how far the loaf fills the pan.
func TestLessonsChangeTheNextPlan(t *testing.T) {
	planned := func(change func(*machine.Machine)) plan.Plan {
		m := demo.Galley()
		change(&m)
		p, err := plan.Make(plan.Place{Kitchen: kitchen.New("Test", "UTC"), Zone: time.UTC, Recipe: demo.Recipes()[0],
			Machine: m, Now: firstDay}, plan.Wish{LoafWish: plan.LoafWish{Size: measure.LoafPounds(3, 2)}})
		if err != nil {
			t.Fatal(err)
		}
		return p
	}
	usual := planned(func(*machine.Machine) {})
	for browns, want := range map[int]machine.Crust{1: machine.Light, 0: machine.Medium, -1: machine.Dark} {
		if got := planned(func(m *machine.Machine) { m.Browns = browns }).Setting.Crust; got != want {
			t.Errorf("on a machine %d shades dark it is set to %s, want %s", browns, got, want)
		}
	}
	low := planned(func(m *machine.Machine) { m.Fills = 0.8 })
	if low.Pan.Fill.High >= usual.Pan.Fill.High*0.81 || low.Pan.Fill.Pan != usual.Pan.Fill.Pan {
		t.Errorf("where loaves reach four fifths, %v becomes %v", usual.Pan.Fill, low.Pan.Fill)
	}
}
