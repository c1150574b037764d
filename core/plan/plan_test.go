package plan_test

import (
	"encoding/json"
	"errors"
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"
	"time"
	_ "time/tzdata"

	"risepan/core/fault"
	"risepan/core/formula"
	"risepan/core/kind"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/plan/plantest"
	"risepan/core/recipe"
	"risepan/core/timetable"
	"risepan/demo"
)

var (
	one, oneHalf, two = measure.LoafPounds(1, 1), measure.LoafPounds(3, 2), measure.LoafPounds(2, 1)
	evening           = time.Date(2026, 3, 10, 20, 0, 0, 0, time.UTC)
)

func heron() kitchen.Kitchen { return kitchen.New("Heron Lock", demo.Zone) }

func named(t testing.TB, name string) recipe.Recipe {
	t.Helper()
	for _, r := range demo.Recipes() {
		if r.Name == name {
			return r
		}
	}
	t.Fatalf("the demo has no %s", name)
	return recipe.Recipe{}
}

func wall(t testing.TB, s string) timetable.Wall {
	t.Helper()
	w, err := timetable.ParseWall(s)
	if err != nil {
		t.Fatal(err)
	}
	return w
}

func wish(t testing.TB, name string, m machine.Machine, size measure.LoafSize, ready string) plantest.Ask {
	t.Helper()
	zone, err := time.LoadLocation(demo.Zone)
	if err != nil {
		t.Fatal(err)
	}
	w := plantest.Ask{Place: plan.Place{Recipe: named(t, name), Machine: m, Zone: zone},
		Wish: plan.Wish{LoafWish: plan.LoafWish{Size: size}}}
	if ready != "" {
		w.Ready = wall(t, ready)
	}
	return w
}

func mustMake(t testing.TB, w plantest.Ask) plan.Plan {
	t.Helper()
	p, err := plantest.Make(heron(), w, evening)
	if err != nil {
		t.Fatal(err)
	}
	return p
}

func cautions(p plan.Plan, l plan.Level) string {
	var out []string
	for _, c := range p.Cautions {
		if c.Level == l {
			out = append(out, string(c.About))
		}
	}
	return strings.Join(out, ", ")
}

// outside lists the figures of a recipe's formula that lie outside their usual bands.
func outside(t testing.TB, r recipe.Recipe) map[string]string {
	t.Helper()
	w, err := r.Weigh(larder.Get)
	if err != nil {
		t.Fatalf("%s: %v", r.Name, err)
	}
	f := formula.FromRecipe(w)
	b := kind.BandsOf(r.Kind, f.Grain).Soured(f.Soda)
	out := map[string]string{}
	for _, c := range []struct {
		what string
		v    float64
		band kind.Band
	}{
		{"hydration", f.Hydration, b.Hydration}, {"salt", f.Salt, b.Salt}, {"yeast", f.Yeast, b.Yeast},
		{"sugar", f.Sugar, b.Sugar},
		{"fat", f.Fat, b.Fat}, {"powder", f.Powder, b.Powder},
	} {
		if c.band.Judge(c.v, c.v).Outside() {
			out[c.what] = fmt.Sprintf("%.2f, usual is %.1f to %.1f", c.v, c.band.Low, c.band.High)
		}
	}
	return out
}

func TestEveryDemoLoafIsBelievableBread(t *testing.T) {
	for _, r := range demo.Recipes() {
		for what, figure := range outside(t, r) {
			t.Errorf("%s: %s is %s", r.Name, what, figure)
		}
	}
}

func TestAMilkAndEggLoafIsRefusedADelayWithAWayOut(t *testing.T) {
	p := mustMake(t, wish(t, "Sluice-gate egg loaf", demo.Galley(), oneHalf, "2026-03-11T07:00"))
	c, refused := p.Refusal()
	if !refused || c.About != plan.Spoils {
		t.Fatalf("a delay with milk and egg is not refused: %+v", p.Cautions)
	}
	if !strings.Contains(c.Say, "whole milk and large egg") || !strings.Contains(c.Say, "spoil") || len(c.Ways) == 0 {
		t.Errorf("the refusal gives no reason or way out: %+v", c)
	}
	if !slices.ContainsFunc(c.Ways, func(w plan.Remedy) bool {
		return w.Now && strings.HasPrefix(w.Say,
			"Start now")
	}) {
		t.Errorf("no way out starts the bake now: %+v", c.Ways)
	}
	if p := mustMake(t, wish(t, "Sluice-gate egg loaf", demo.Galley(), oneHalf, "")); cautions(p, plan.Stop) != "" {
		t.Errorf("started at once it is fine, but: %v", p.Cautions)
	}
	if p := mustMake(t, wish(t, "Towpath white", demo.Galley(), oneHalf, "2026-03-11T07:00")); cautions(p,
		plan.Stop) != "" {
		t.Errorf("nothing in the white loaf spoils, but: %v", p.Cautions)
	}
}

func TestSwapsAreOfferedOfALineAndOfTheLoafAsItIsWished(t *testing.T) {
	w := wish(t, "Sluice-gate egg loaf", demo.Galley(), oneHalf, "")
	w.Kitchen = heron()
	milk := ""
	for _, l := range w.Recipe.Lines {
		if l.Ingredient == "milk" {
			milk = l.ID
		}
	}
	offers := plan.Offers(w.Place, w.Wish, milk)
	if len(offers) == 0 || len(plan.Offers(w.Place, w.Wish, "")) <= len(offers) {
		t.Errorf("for the milk it offers %+v", offers)
	}
	w.Wish.Without = []string{milk} // which the loaf needs: nothing can be offered of it
	if got := plan.Offers(w.Place, w.Wish, milk); len(got) != 0 {
		t.Errorf("of a loaf that cannot be it offers %+v", got)
	}
}

// By hand: at 20:00 with 15 min to load, Start is pressed at 20:15; 07:00 is 10 h 45 min ahead. On the
// galley machine's Basic at 1 1/2 lb, 3 h 16 min, the timer shows 10:40 and the bread is ready 06:55.
// On the boatyard machine's White, 3 h 46 min, 6 h 59 min are spare: 6:30 is set, ready 06:31.
func TestTheTimerOfBothMachines(t *testing.T) {
	for _, c := range []struct {
		m       machine.Machine
		setting machine.Minutes
		ready   string
	}{{demo.Galley(), 640, "06:55"}, {demo.Boatyard(), 390, "06:31"}} {
		p := mustMake(t, wish(t, "Towpath white", c.m, oneHalf, "2026-03-11T07:00"))
		if got := p.Timer.Ready.Format("15:04"); p.Timer.Setting != c.setting || got != c.ready {
			t.Errorf("%s: set %v, ready %s; want %v, %s", c.m.Name, p.Timer.Setting, got, c.setting, c.ready)
		}
	}
}

func TestAPlanAcrossADaylightSavingNightSaysSo(t *testing.T) {
	w := wish(t, "Towpath white", demo.Galley(), oneHalf, "2026-03-29T01:30")
	p, err := plantest.Make(heron(), w, time.Date(2026, 3, 28, 20, 0, 0, 0, time.UTC))
	if err != nil || !strings.Contains(cautions(p, plan.Care), string(plan.Clocks)) {
		t.Errorf("01:30 does not occur that night and the plan is silent: %v %v", p.Cautions, err)
	}
}

func TestMalformedWishesAreFaultsAtTheField(t *testing.T) {
	good := wish(t, "Towpath white", demo.Galley(), oneHalf, "")
	for pointer, spoil := range map[string]func(*plantest.Ask){
		"/loaf/size":  func(w *plantest.Ask) { w.Machine = demo.Boatyard(); w.Size = two },
		"/time/ready": func(w *plantest.Ask) { w.Ready = wall(t, "2026-03-10T19:00") },
		"/time/cycle": func(w *plantest.Ask) { w.Cycle = "ices" },
		"/lines":      func(w *plantest.Ask) { w.Recipe.Lines = nil },
		"/lines/0/ingredient": func(w *plantest.Ask) {
			w.Recipe.Lines = append([]recipe.Line{}, w.Recipe.Lines...)
			w.Recipe.Lines[0].Ingredient = "moon-dust"
		},
		"/lines/1/amount": func(w *plantest.Ask) {
			w.Recipe.Lines = append([]recipe.Line{}, w.Recipe.Lines...)
			w.Recipe.Lines[1].Amount = measure.Of(90, 1, measure.Cup)
		},
	} {
		w := good
		spoil(&w)
		var f *fault.Fault
		if _, err := plantest.Make(heron(), w, evening); !errors.As(err, &f) || f.Pointer != pointer {
			t.Errorf("want a fault at %s, got %v", pointer, err)
		}
	}
	far := good
	far.Ready = wall(t, "2027-03-10T19:00")
	if _, err := plantest.Make(heron(), far, evening); err == nil {
		t.Error("a loaf was planned a year ahead")
	}
}

func TestTheBakersOwnChoiceWins(t *testing.T) {
	w := wish(t, "Towpath white", demo.Galley(), oneHalf, "")
	w.Cycle, w.Crust = "rapid", machine.Dark
	p := mustMake(t, w)
	if p.Setting.Cycle.ID != "rapid" || p.Setting.Crust != machine.Dark || !strings.Contains(p.Setting.Why,
		"Suggested: 1 Basic") {
		t.Errorf("chosen rapid and dark, planned %+v", p.Setting)
	}
}

// The digest names what is measured and set, and leaves out the clock.
func TestTheDigestFollowsTheLoafAndNotTheClock(t *testing.T) {
	w := wish(t, "Towpath white", demo.Galley(), oneHalf, "")
	a := mustMake(t, w).Digest()
	later, err := plantest.Make(heron(), w, evening.Add(90*time.Minute))
	if err != nil || later.Digest() != a {
		t.Errorf("the same loaf started later has another digest (%v)", err)
	}
	shorter := w
	shorter.Machine.Cycles = slices.Clone(w.Machine.Cycles)
	shorter.Machine.Cycles[0].Stages = slices.Clone(w.Machine.Cycles[0].Stages)
	shorter.Machine.Cycles[0].Stages[7].Minutes -= 30
	if mustMake(t, shorter).Digest() == a {
		t.Error("the same loaf on a cycle that became half an hour shorter has the same digest")
	}
	w.Size = two
	if mustMake(t, w).Digest() == a {
		t.Error("a bigger loaf has the same digest")
	}
	w.Size, w.Crust = oneHalf, machine.Dark
	if mustMake(t, w).Digest() == a {
		t.Error("a darker crust has the same digest")
	}
}

// Whatever the wish, a plan can be written as JSON (so no figure is NaN), reads back as itself,
// places every line once, and keeps its stages in time order.
// yeastShifts holds the plan's word on its yeast against its own lines.
func yeastShifts(t testing.TB, p plan.Plan) {
	t.Helper()
	var exact, yeast float64
	for _, l := range p.Lines {
		if i, _ := larder.Know(l.Ingredient); i.Kind == larder.Yeast && l.Part == "" {
			exact += float64(l.Exact)
			yeast += float64(l.Measured.Grams)
		}
	}
	shift, want := p.Rounding.Shift, 0.0
	if exact > 0 {
		want = 100 * (yeast/exact/(1+shift.Flour/100) - 1)
	}
	if math.Abs(shift.Yeast-want) > 0.3 {
		t.Errorf("%s: the yeast moves %.1f %%, the plan says %.1f %%", p.Recipe, want, shift.Yeast)
	}
}

func TestEveryPlanHoldsTogether(t *testing.T) {
	random := rand.New(rand.NewPCG(2, 9))
	for _, r := range demo.Recipes() {
		for _, m := range []machine.Machine{demo.Galley(), demo.Boatyard()} {
			for _, size := range m.Sizes {
				w := wish(t, r.Name, m, size, "")
				if random.IntN(2) == 0 {
					w.Ready = timetable.WallOf(evening.Add(time.Duration(random.IntN(1200))*time.Minute), w.Zone)
				}
				p := mustMake(t, w)
				b, err := json.Marshal(p)
				if err != nil {
					t.Fatalf("%s on %s: %v", r.Name, m.Name, err)
				}
				var back plan.Plan
				if err := json.Unmarshal(b, &back); err != nil || back.Digest() != p.Digest() {
					t.Fatalf("%s on %s does not read back as itself: %v", r.Name, m.Name, err)
				}
				yeastShifts(t, p)
				placed := map[string]int{}
				for _, l := range p.Pan.Layers {
					for _, id := range l.Lines {
						placed[id]++
					}
				}
				for _, id := range slices.Concat(p.Pan.Aside, p.Pan.Knead) {
					placed[id]++
				}
				for _, l := range p.Lines {
					if l.Part == recipe.InDough && placed[l.ID] != 1 {
						t.Errorf("%s: %s is in %d places", r.Name, l.Name, placed[l.ID])
					}
				}
				pause := machine.Minutes(0)
				for _, o := range p.Moments {
					if o.Waits {
						pause += o.Hands
					}
				}
				if end := p.Stages[len(p.Stages)-1].To; end != p.Setting.Total+pause {
					t.Errorf("%s: stages end at %v of %v", r.Name, end, p.Setting.Total)
				}
			}
		}
	}
}

func TestHydrationHardlyMovesBetweenSizes(t *testing.T) {
	for _, r := range demo.Recipes() {
		want := mustMake(t, wish(t, r.Name, demo.Galley(), r.Size, "")).Formula.Hydration
		for _, size := range []measure.LoafSize{one, oneHalf, two} {
			if got := mustMake(t, wish(t, r.Name, demo.Galley(), size,
				"")).Formula.Hydration; math.Abs(got-want) > 0.1 {
				t.Errorf("%s at %v: hydration %.2f, written %.2f", r.Name, size, got, want)
			}
		}
	}
}

// twelveLines is a recipe of twelve lines for the benchmark.
func twelveLines() recipe.Recipe {
	r := recipe.Recipe{Name: "Twelve", Kind: recipe.Sweet, Size: oneHalf}
	for n, l := range []struct{ amount, name string }{
		{"3/4 cup", "milk"}, {"1", "egg"}, {"1 tsp", "vanilla"}, {"3 tbsp", "butter"}, {"1/4 cup", "sugar"},
		{"1 tbsp", "honey"},
		{"1 1/4 tsp", "salt"}, {"2 cups", "bread flour"}, {"1 cup", "wholemeal flour"}, {"1 tbsp", "gluten"},
		{"2 tsp", "active dry yeast"}, {"2/3 cup", "raisins"},
	} {
		a, err := measure.Parse(l.amount, measure.US)
		i, ok := larder.Is(l.name)
		if err != nil || !ok {
			panic(fmt.Sprint(l, err))
		}
		r.Lines = append(r.Lines, recipe.Line{ID: fmt.Sprint(n), Ingredient: i.ID, Amount: a})
	}
	return r
}

func BenchmarkPlanOfTwelveLines(b *testing.B) {
	k := heron()
	w := plantest.Ask{Place: plan.Place{Recipe: twelveLines(), Machine: demo.Galley(), Zone: time.UTC},
		Wish: plan.Wish{LoafWish: plan.LoafWish{Size: two}}}
	for b.Loop() {
		if _, err := plantest.Make(k, w, evening); err != nil {
			b.Fatal(err)
		}
	}
}
