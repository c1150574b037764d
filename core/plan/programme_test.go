package plan_test

import (
	"errors"
	"slices"
	"strings"
	"testing"
	"time"

	"risepan/core/fault"
	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/pan"
	"risepan/core/plan"
	"risepan/core/plan/plantest"
	"risepan/core/recipe"
	"risepan/core/recipe/recipetest"
	"risepan/core/timetable"
	"risepan/demo"
)

func caution(p plan.Plan, a plan.About) (plan.Caution, bool) {
	n := slices.IndexFunc(p.Cautions, func(c plan.Caution) bool { return c.About == a })
	if n < 0 {
		return plan.Caution{}, false
	}
	return p.Cautions[n], true
}

// The galley machine's sweet cycle takes 3:17 for a small loaf and beeps 30 minutes in; its timer goes in
// steps of 10. Planned at 20:00, Start is pressed at 20:15. For bread at 07:00 the timer shows 10:40 and
// the bread is ready at 06:55; the cycle begins at 03:38 and the beep comes at 04:08.
func TestABeepInTheQuietHoursHasWaysOut(t *testing.T) {
	k := heron()
	from, _ := kitchen.ParseClock("22:30")
	to, _ := kitchen.ParseClock("06:30")
	k.Quiet = kitchen.Quiet{From: from, To: to}
	w := wish(t, "Mooring raisin loaf", demo.Galley(), one, "2026-03-11T07:00")
	w.AddIns = plan.WithHands // else the dispenser would
	p, err := plantest.Make(k, w, evening)
	if err != nil {
		t.Fatal(err)
	}
	c, ok := caution(p, plan.Quiet)
	if !ok || !strings.Contains(c.Say, "04:08") || len(c.Ways) != 3 || p.Timer.Setting != 640 {
		t.Fatalf("timer %v: %+v", p.Timer.Setting, c)
	}
	for n, want := range []plan.AddInWay{plan.InBox, plan.AtStart} {
		w.AddIns = c.Ways[n].AddIns
		p, err := plantest.Make(k, w, evening)
		if err != nil || p.AddIns.Way != want {
			t.Fatalf("%s: %+v (%v)", want, p.AddIns, err)
		}
		if _, still := caution(p, plan.Quiet); still {
			t.Errorf("%s: it still wakes somebody", want)
		}
		if (len(p.Pan.Aside) == 0) != (want == plan.AtStart) {
			t.Errorf("%s: set aside %v", want, p.Pan.Aside)
		}
	}
	w.AddIns, w.Ready = plan.WithHands, c.Ways[2].Ready
	if p, err := plantest.Make(k, w, evening); err != nil {
		t.Error(err)
	} else if c, still := caution(p, plan.Quiet); still {
		t.Errorf("another ready time, %s, still wakes somebody: %s", w.Ready, c.Say)
	}
}

func TestAddInsGoWhereTheyCan(t *testing.T) {
	cheese := named(t, "Mooring raisin loaf")
	cheese.Lines = slices.Clone(cheese.Lines)
	cheese.Lines[8].Ingredient = "hard-cheese"
	heap := named(t, "Mooring raisin loaf")
	heap.Lines = slices.Clone(heap.Lines)
	heap.Lines[8].Amount = heap.Lines[5].Amount // three cups of raisins
	for _, c := range []struct {
		why    string
		change func(*plantest.Ask)
		want   plan.AddInWay
		about  plan.About // a caution that must be there
	}{
		{"somebody is there", func(*plantest.Ask) {}, plan.WithHands, ""},
		{"nobody is: 2/3 and 1/3 cup, 237 ml, do not fit the dispenser of 200 ml",
			func(w *plantest.Ask) { w.Away = true }, plan.AtStart, ""},
		{"nobody is: a small loaf's do", func(w *plantest.Ask) { w.Away, w.Size = true, one }, plan.InBox, ""},
		{"cheese never goes in it, and the nuts do", func(w *plantest.Ask) {
			w.Away, w.Size, w.Recipe = true, one,
				cheese
		}, plan.InBox, ""},
		{"somebody is there for the cheese", func(w *plantest.Ask) { w.Size, w.Recipe = one, cheese }, plan.WithHands,
			""},
		{"a machine without one", func(w *plantest.Ask) { w.Away, w.Machine = true, demo.Boatyard() }, plan.AtStart,
			""},
		{"three cups of raisins are too many", func(w *plantest.Ask) { w.Recipe = heap }, plan.WithHands, plan.TooMany},
	} {
		w := wish(t, "Mooring raisin loaf", demo.Galley(), oneHalf, "")
		c.change(&w)
		p := mustMake(t, w)
		if p.AddIns.Way != c.want || p.AddIns.Why == "" {
			t.Errorf("%s: %+v", c.why, p.AddIns)
		}
		if _, ok := caution(p, c.about); c.about != "" && !ok {
			t.Errorf("%s: nothing is said: %+v", c.why, p.Cautions)
		}
	}
	w := wish(t, "Mooring raisin loaf", demo.Galley(), oneHalf, "")
	w.AddIns = plan.InBox
	var f *fault.Fault
	if _, err := plantest.Make(heron(), w, evening); !errors.As(err, &f) || f.Pointer != "/time/addIns" {
		t.Errorf("a dispenser that is too small is filled: %v", err)
	}
	// Cheese that is put in by hand waits in the fridge: the delay is not refused for it.
	w = wish(t, "Mooring raisin loaf", demo.Galley(), oneHalf, "2026-03-11T07:00")
	w.Recipe = cheese
	if c, refused := mustMake(t, w).Refusal(); refused {
		t.Errorf("cheese in the fridge refuses a delay: %s", c.Say)
	}
	w.AddIns = plan.AtStart
	if _, refused := mustMake(t, w).Refusal(); !refused {
		t.Error("cheese in the pan does not refuse a delay")
	}
}

func TestTimesThatAreWished(t *testing.T) {
	home := wish(t, "Towpath white", demo.Galley(), oneHalf, "2026-03-11T07:03")
	home.NotYet = true
	by := home
	by.NotYet = false
	h, b := mustMake(t, home).Timer, mustMake(t, by).Timer
	if h.Early != 0 || h.Late >= 10 || b.Late != 0 || b.Early >= 10 || !h.Ready.After(b.Ready) {
		t.Errorf("home at 07:03 it is ready %v, by 07:03 %v", h.Ready, b.Ready)
	}
	// 20:00, so Start at 20:15: bread by 22:30 leaves 2 h 15, and only the rapid cycle is done by then.
	soon := wish(t, "Towpath white", demo.Galley(), oneHalf, "2026-03-10T22:30")
	p := mustMake(t, soon)
	c, ok := caution(p, plan.Timed)
	if p.Timer.Fit != timetable.TooSoon || !ok || len(c.Ways) != 2 || c.Ways[0].Cycle != "rapid" || !c.Ways[1].Now {
		t.Errorf("too soon: %+v", c)
	}
	soon.Cycle = c.Ways[0].Cycle
	if p := mustMake(t, soon); p.Timer.Fit == timetable.TooSoon {
		t.Errorf("the faster cycle is too slow: %+v", p.Timer)
	}
	soon.Cycle, soon.Within = "", 60
	if p := mustMake(t, soon); !slices.ContainsFunc(p.Cautions, func(c plan.Caution) bool {
		return strings.HasPrefix(c.Say, "No cycle that suits this dough is done in 1 h")
	}) {
		t.Errorf("an hour for a loaf: %+v", p.Cautions)
	}
	soon.Cycle, soon.Ready = "crusty", timetable.Wall{}
	if c, ok := caution(mustMake(t, soon), plan.Timed); !ok || !strings.Contains(c.Say, "your own choice") {
		t.Errorf("one's own choice takes longer than there is, and nothing is said: %+v", c)
	}
}

func TestThePlanSaysWhatToPressAndWhatTheDisplayThenShows(t *testing.T) {
	p := mustMake(t, wish(t, "Sluice-gate egg loaf", demo.Galley(), two, ""))
	if p.Setting.Label != "Menu 3×, Size 1×, Crust 2×, Start" || p.Setting.Shows != "4 Sweet · 2 lb · light · 3 h 26" {
		t.Errorf("press %s; then it shows %s", p.Setting.Label, p.Setting.Shows)
	}
	p = mustMake(t, wish(t, "Towpath white", demo.Boatyard(), oneHalf, "2026-03-11T07:00"))
	if p.Setting.Slack != 5 || !strings.HasPrefix(p.Setting.Label, "Delay ") || !strings.HasSuffix(p.Setting.Label,
		"Start/Stop") {
		t.Errorf("slack %d, press %s", p.Setting.Slack, p.Setting.Label)
	}
	// Its white cycle waits 12 to 17 minutes for warmth, so the beep is a window of 5 minutes.
	beep := mustMake(t, wish(t, "Mooring raisin loaf", withCycle(demo.Boatyard(), "basic"), oneHalf, "")).Moments
	for _, m := range beep {
		if m.Kind == timetable.AddIns && (m.After != 31 || m.UpTo != 36) {
			t.Errorf("the beep comes from minute %d to %d, want 31 to 36", m.After, m.UpTo)
		}
	}
}

// withCycle is a machine with one of its cycles alone.
func withCycle(m machine.Machine, id string) machine.Machine {
	c, _ := m.Cycle(id)
	m.Cycles = []machine.Cycle{c}
	return m
}

func TestNoDelayWetsTheYeast(t *testing.T) {
	for _, c := range []struct {
		why     string
		loading pan.Manner
		ready   string
		refused bool
		order   pan.Order
		salt    pan.SaltPlace
	}{
		{"bloomed yeast works at once", pan.Manner{Order: pan.Bloomed}, "", false, pan.Bloomed, pan.SaltLow},
		{"and never waits through a delay", pan.Manner{Order: pan.Bloomed}, "2026-03-11T07:00", true, pan.Bloomed,
			pan.SaltLow},
		{"as the recipe lists it the yeast lies on the flour", pan.Manner{Order: pan.AsListed}, "2026-03-11T07:00",
			false, pan.AsListed, pan.SaltLow},
		{"salt above the flour is well without a delay", pan.Manner{Salt: pan.SaltHigh}, "", false, pan.WetFirst,
			pan.SaltHigh},
		{"and goes under it for one", pan.Manner{Salt: pan.SaltHigh}, "2026-03-11T07:00", false, pan.WetFirst,
			pan.SaltLow},
	} {
		w := wish(t, "Winding-hole crusty", demo.Galley(), oneHalf, c.ready)
		w.Loading = c.loading
		p := mustMake(t, w)
		caution, refused := p.Refusal()
		if refused != c.refused || p.Pan.Order != c.order || p.Pan.Manner.Salt != c.salt || p.Pan.Why == "" {
			t.Errorf("%s: refused %v, %+v (%s)", c.why, refused, p.Pan.Manner, caution.Say)
		}
		if refused && (len(caution.Ways) == 0 || caution.Ways[0].Order != pan.WetFirst) {
			t.Errorf("%s: no way out: %+v", c.why, caution)
		}
	}
	w := wish(t, "Winding-hole crusty", demo.Galley(), oneHalf, "2026-03-11T07:00")
	w.Loading.Order = pan.AsListed
	w.Recipe.Lines = slices.Clone(w.Recipe.Lines)
	salt := slices.IndexFunc(w.Recipe.Lines, func(l recipe.Line) bool { return l.Ingredient == "salt" })
	// after the yeast
	w.Recipe.Lines = append(slices.Delete(slices.Clone(w.Recipe.Lines), salt, salt+1), w.Recipe.Lines[salt])
	if p := mustMake(t, w); strings.Contains(p.Pan.Why, "under the flour") {
		t.Errorf("salt listed beside the yeast stays there, yet: %s", p.Pan.Why)
	} else if _, refused := p.Refusal(); !refused {
		t.Error("salt listed beside the yeast is let stand through a delay")
	}
	w = wish(t, "Winding-hole crusty", demo.Galley(), oneHalf, "")
	w.Loading.Order = pan.Bloomed
	if h := mustMake(t, w).Heat; h.Liquid < 38 || h.Liquid > 43 {
		t.Errorf("yeast is bloomed at %v °C, want 38 to 43", h.Liquid)
	}
}

// A temperature on a card's own line wins over the kitchen's habit; with a delay the liquid is cool all the
// same.
func TestTheRecipesOwnTemperatureWins(t *testing.T) {
	for _, c := range []struct{ note, at, why string }{
		{"at 38 °C", "38 °C", "As the recipe has it"}, {"110 °F", "43 °C", "As the recipe has it"},
		{"at 55 °C", "55 °C", "The balance would ask for 24 °C"}, {"filtered", "", ""},
	} {
		r := recipe.Recipe{Name: "n", Kind: recipe.White, Size: measure.LoafPounds(3, 2), Standard: measure.US,
			Lines: recipetest.Lines(t, "1 cup water; 2 tbsp oil; 1 1/2 tsp salt; 3 cups bread flour; 2 tsp active "+
				"dry yeast")}
		r.Lines[0].Note = c.note
		p, err := plan.Make(plan.Place{Kitchen: kitchen.New("n", "UTC"), Zone: time.UTC, Recipe: r,
			Machine: demo.Galley(), Now: time.Date(2026, 5, 2, 9, 0, 0, 0, time.UTC)},
			plan.Wish{LoafWish: plan.LoafWish{Size: r.Size}})
		if err != nil {
			t.Fatal(err)
		}
		if c.at != "" && (p.Heat.At != c.at || !strings.Contains(p.Heat.Why, c.why)) || c.at == "" &&
			strings.Contains(p.Heat.Why, "recipe") {
			t.Errorf("water %q goes in at %s (%s), want %s", c.note, p.Heat.At, p.Heat.Why, c.at)
		}
	}
}

func TestAPlanWaitsForTheMachineThatBakes(t *testing.T) {
	cool := time.Duration(demo.Galley().CoolDown) * time.Minute
	lead := time.Duration(heron().Lead) * time.Minute
	for _, c := range []struct {
		why     string
		bake    plan.Occupied
		atPanel bool
		level   plan.Level // empty: nothing is said
		press   time.Time
		later   bool
	}{
		{"it bakes for three hours more", plan.Occupied{Until: evening.Add(3 * time.Hour), Running: true}, false,
			plan.Care, evening.Add(3*time.Hour + cool), true},
		{"at the panel that forbids the start", plan.Occupied{Until: evening.Add(3 * time.Hour), Running: true}, true,
			plan.Stop, evening, false},
		{"nobody has said that it is out", plan.Occupied{Until: evening.Add(-time.Hour), Running: true}, false,
			plan.Care, evening.Add(cool), true},
		{"out long since", plan.Occupied{Until: evening.Add(-2 * cool)}, false, "", evening.Add(lead), false},
		{"still warm: it may start all the same", plan.Occupied{Until: evening}, true, plan.Care, evening, false},
	} {
		w := wish(t, "Towpath white", demo.Galley(), oneHalf, "")
		c.bake.Recipe = "Mooring raisin loaf"
		w.Occupied, w.AtPanel = &c.bake, c.atPanel
		p := mustMake(t, w)
		said, _ := caution(p, plan.Busy)
		if said.Level != c.level || !p.Timer.Press.Equal(c.press) || p.Later != c.later {
			t.Errorf("%s: %q %s; start at %v, later %v", c.why, said.Level, said.Say, p.Timer.Press, p.Later)
		}
	}
	w := wish(t, "Towpath white", demo.Galley(), oneHalf, "2026-03-11T07:00")
	w.Occupied = &plan.Occupied{Recipe: "Mooring raisin loaf", Until: evening.Add(3 * time.Hour), Running: true}
	p := mustMake(t, w)
	done := p.Timer.Press.Add(time.Duration(p.Timer.Setting) * time.Minute)
	ready, _ := w.Ready.Resolve(w.Zone)
	if early := ready.Sub(done); !p.Timer.Press.Equal(evening.Add(3*time.Hour+cool)) || early < 0 ||
		early >= 10*time.Minute {
		t.Errorf("a delay counts from the start that is possible: pressed at %v for %d min, done %v early",
			p.Timer.Press, p.Timer.Setting, early)
	}
}
