package agree

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"
	"time"

	"risepan/core/bake"
	"risepan/core/bench"
	"risepan/core/dough"
	"risepan/core/journal"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/pan"
	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/core/recipe/recipetest"
	"risepan/core/timetable"
	"risepan/core/verdict"
	"risepan/demo"
)

// small is a loaf of 2 cups of flour, written for 1 lb.
const small = "3/4 cup water; 1 tbsp oil; 1 tbsp sugar; 1 tsp salt; 2 cups bread flour; 1 packet active dry yeast"

// usual is a loaf of 3 cups.
const usual = "1 cup water; 1 tbsp oil; 1 tbsp sugar; 1 1/2 tsp salt; 3 cups bread flour; 1 3/4 tsp active dry yeast"

// banana is a quick bread of 2 cups of flour.
const banana = "2 eggs; 1 cup mashed banana; 1/3 cup oil; 1/4 cup milk; 3/4 cup sugar; 1/2 tsp salt; 2 cups " +
	"all-purpose flour; 2 tsp baking powder"

func loaf(t *testing.T, k recipe.Kind, size measure.LoafSize, lines string) recipe.Recipe {
	t.Helper()
	return recipe.New(recipe.Recipe{Name: "Weir loaf", Kind: k, Size: size, Standard: measure.US,
		Lines: recipetest.Lines(t, lines)})
}

// at is a recipe planned in a plain kitchen with cups and spoons.
func at(t *testing.T, r recipe.Recipe, m machine.Machine, w plan.Wish) drawn {
	t.Helper()
	d := drawn{Place: plan.Place{Kitchen: kitchen.New("Weir", "UTC"), Zone: time.UTC, Recipe: r, Machine: m, Now: now},
		Wish: w}
	var err error
	if d.p, err = plan.Make(d.Place, w); err != nil {
		t.Fatalf("%s on %s: %v", r.Name, m.Name, err)
	}
	return d
}

// twoSizes is a machine without a setting for 1 lb.
func twoSizes() machine.Machine {
	m := demo.Galley()
	m.Sizes = []measure.LoafSize{oneHalf, twoLb}
	return m
}

func says(p plan.Plan, about plan.About) string {
	for _, c := range p.Cautions {
		if c.About == about {
			return c.Say
		}
	}
	return ""
}

func line(p plan.Plan, id larder.ID) plan.Line {
	n := slices.IndexFunc(p.Lines, func(l plan.Line) bool { return l.Ingredient == id })
	if n < 0 {
		return plan.Line{}
	}
	return p.Lines[n]
}

// A loaf of 1 lb on a machine of 1 1/2 and 2 lb is a loaf of 1 lb, baked on the setting for 1 1/2: its amounts,
// slices and size are the loaf's, the panel's are the setting's, and what the caution says to set is set.
func TestALoafAndItsSettingAreTwoFacts(t *testing.T) {
	d := at(t, loaf(t, recipe.White, oneLb, small), twoSizes(), plan.Wish{})
	p := d.p
	if p.Size != oneLb || p.Setting.Size.LoafSize != oneHalf || line(p, "bread-flour").Exact != 250 {
		t.Errorf("planned %s of %v g flour on %s, want 1 lb of 250 g on 1 1/2 lb", p.Size,
			line(p, "bread-flour").Exact, p.Setting.Size)
	}
	for _, o := range p.Sizes {
		if o.Size == oneLb && (o.Slices != 8 || !o.Written || o.WhyNot != "") {
			t.Errorf("1 lb is offered as %+v", o)
		}
	}
	again := at(t, d.Recipe, d.Machine, plan.Wish{LoafWish: plan.LoafWish{Size: p.Size}})
	if line(again.p, "bread-flour").Exact != 250 {
		t.Errorf("baked again it has %v g of flour", line(again.p, "bread-flour").Exact)
	}
	say := says(p, plan.NoSetting)
	want := fmt.Sprintf("The panel is set to %s and a %s crust.", p.Setting.Size, p.Setting.Crust)
	if p.Setting.Crust != machine.Light || !strings.Contains(say, want) {
		t.Errorf("the panel is at a %s crust, the caution says %q", p.Setting.Crust, say)
	}
}

// A batter is made as it is written wherever it fits the pan, and what does not fit is said.
func TestABatterIsMadeAsWritten(t *testing.T) {
	r := loaf(t, recipe.QuickBread, twoLb, banana)
	for _, noSize := range []bool{false, true} {
		m := demo.Galley()
		m.Sizes = []measure.LoafSize{twoLb}
		m.Panel.Size.Default = ""
		for n := range m.Cycles {
			m.Cycles[n].NoSize = noSize
		}
		p := at(t, r, m, plan.Wish{}).p
		if eggs := p.Lines[slices.IndexFunc(p.Lines,
			func(l plan.Line) bool { return l.Pieces > 0 })]; eggs.Pieces != 2 {
			t.Errorf("%d eggs of the card's 2 (sizes on the cycle: %v)", eggs.Pieces, !noSize)
		}
		if says(p, plan.Overflow) != "" {
			t.Errorf("at %s of the pan: %s", p.Pan.Fill, says(p, plan.Overflow))
		}
	}
	size, _ := r.Size.Times(measure.NewRatio(9, 4))
	if p := at(t, r, demo.Galley(), plan.Wish{LoafWish: plan.LoafWish{Size: size}}).p; says(p, plan.Overflow) == "" {
		t.Errorf("2 1/4 times a quick bread fills %s, and nothing is said", p.Pan.Fill)
	}
}

// A wish in grams is met to the gram, or refused; never rounded in silence.
func TestAWishInGramsIsMetOrRefused(t *testing.T) {
	size, err := measure.ParseLoafSize("1000 g")
	if err != nil {
		t.Fatal(err)
	}
	r := loaf(t, recipe.White, oneHalf, usual)
	p, err := plan.Make(plan.Place{Kitchen: kitchen.New("Weir", "UTC"), Zone: time.UTC, Recipe: r,
		Machine: demo.Boatyard(), Now: now},
		plan.Wish{LoafWish: plan.LoafWish{Size: size}})
	if err == nil && p.Size != size {
		t.Errorf("1000 g became %s", p.Size)
	}
}

// What the card says and the drawer holds is measured so.
func TestTheCardsOwnMeasuresComeFirst(t *testing.T) {
	r := loaf(t, recipe.White, twoLb, "1 1/4 cups plus 1 tbsp water; 1 tbsp oil; 1 tbsp sugar; 2 tsp salt; 3 3/4 "+
		"cups bread flour; 1 packet active dry yeast")
	p := at(t, r, demo.Galley(), plan.Wish{}).p
	for id, want := range map[larder.ID]string{
		"water":       "1 cup, a quarter of a cup and 1 tablespoon",
		"bread-flour": "3 cups, half a cup and a quarter of a cup", "active-dry-yeast": "1 packet",
	} {
		if got := line(p, id).Spoken; got != want {
			t.Errorf("%s is measured as %q, want %q", id, got, want)
		}
	}
}

// Recipes' own water from 21 to 71 °C: every one that its yeast does not stand is said, stopped where it kills, and
// told on the bench by the same word as on the plan.
func TestOneLimitOfHeatForAllWhoSpeakOfIt(t *testing.T) {
	for _, yeast := range []string{"active dry yeast", "instant yeast"} {
		for c := 21; c <= 71; c += 5 {
			r := loaf(t, recipe.White, oneHalf, strings.Replace(usual, "active dry yeast", yeast, 1))
			r.Lines[0].Note = fmt.Sprintf("%d °C", c)
			d := at(t, r, demo.Galley(), plan.Wish{})
			n := slices.IndexFunc(d.p.Cautions, func(c plan.Caution) bool { return c.About == plan.Heated })
			card := plan.HeatOfCard(d.Kitchen, r)
			if card != "" && n < 0 || c >= int(dough.Deadly) && !strings.Contains(card, "no yeast survives") {
				t.Errorf("%s at %d °C: of the card %q is said", yeast, c, card)
			}
			switch {
			case c <= int(dough.LimitsFor(dough.Layered).High) && n >= 0:
				t.Errorf("%s at %d °C: %s", yeast, c, d.p.Cautions[n].Say)
			case c > int(dough.LimitsFor(dough.Layered).High) && n < 0:
				t.Errorf("%s at %d °C: nothing is said", yeast, c)
			case n >= 0 && (d.p.Cautions[n].Level == plan.Stop) != (c >= int(dough.Deadly)):
				t.Errorf("%s at %d °C: %s, %s", yeast, c, d.p.Cautions[n].Level, d.p.Cautions[n].Say)
			}
			for _, s := range bench.Steps(d.Kitchen, d.p, nil) {
				if s.Kind == bench.Temper && !strings.Contains(s.Say, d.p.Heat.Touch) {
					t.Errorf("at %d °C the bench says %q, the plan %q", c, s.Say, d.p.Heat.Touch)
				}
			}
		}
	}
}

// The same shown temperature is told by the same words.
func TestOneTouchForOneTemperature(t *testing.T) {
	words := map[string]string{}
	draws(t, 300, 24, func(_ int, d drawn) {
		h := d.p.Heat
		if h.Line == "" || h.Cool {
			return
		}
		if was, ok := words[h.At]; ok && was != h.Touch {
			t.Errorf("%s is %q, and %q", h.At, was, h.Touch)
		}
		words[h.At] = h.Touch
	})
}

// bloomed is a loaf whose yeast is woken in water, cream and honey.
func bloomed(t *testing.T) drawn {
	r := loaf(t, recipe.White, oneHalf, "3/4 cup water; 1/4 cup cream; 2 tbsp honey; 1 tbsp oil; 1 1/2 tsp salt; 3 "+
		"cups bread flour; 1 3/4 tsp active dry yeast")
	return at(t, r, demo.Galley(), plan.Wish{Handling: plan.Handling{Loading: pan.Manner{Order: pan.Bloomed}}})
}

// A bloom is waited for: nothing that goes on it, and no Start, comes before it froths; and it can fail.
func TestABloomIsWaitedFor(t *testing.T) {
	d := bloomed(t)
	if meets := d.p.Heat.Yeast; meets < dough.LimitsFor(dough.Dissolved).Low ||
		meets > dough.LimitsFor(dough.Dissolved).High {
		t.Errorf("in the cup the yeast meets %.0f °C", float64(meets))
	}
	steps := bench.Steps(d.Kitchen, d.p, nil)
	froth := slices.IndexFunc(steps, func(s bench.Step) bool { return s.Holds })
	if froth < 0 || steps[froth].Fails == "" || steps[froth].Wait == 0 {
		t.Fatalf("no step waits for the froth, with a way out")
	}
	flour := slices.IndexFunc(steps, func(s bench.Step) bool {
		return s.Line != "" &&
			s.Line == line(d.p, "bread-flour").ID
	})
	if flour < froth {
		t.Error("the flour goes in before the yeast froths")
	}
	waits := bench.Session{Begun: map[string]time.Time{steps[froth].ID: now}}
	if err := bench.Check(waits, bench.IDs(steps), bench.Happening{Do: bench.Done, Step: steps[flour].ID}); err == nil {
		t.Error("the flour can be ticked off while the yeast has not frothed")
	}
	if err := (bench.Session{Done: []string{steps[0].ID}}).Ready(bench.IDs(steps)); err == nil {
		t.Error("the loaf can be started while its yeast has not frothed")
	}
}

// What is told to be taken out of the fridge is what may stand in the warm, and what yeast is to raise.
func TestTheFridgeListHoldsWhatMayStandInTheWarm(t *testing.T) {
	for _, c := range []struct {
		kind  recipe.Kind
		lines string
	}{
		{recipe.BakeOnly, "500 g minced turkey; 1 egg; 1/2 cup breadcrumbs; 1 tsp salt"},
		{recipe.Preserve, "600 g plums; 300 g sugar; 1 tbsp lemon juice"},
	} {
		r := loaf(t, c.kind, oneHalf, c.lines)
		d := at(t, r, demo.Galley(), plan.Wish{})
		for _, s := range bench.Steps(d.Kitchen, d.p, nil) {
			if strings.Contains(s.Say, "out of the fridge") {
				t.Errorf("%s: %s %v", c.kind, s.Say, s.List)
			}
		}
	}
}

// A dose is judged by minutes of kneading: while the paddle rests, no second look is asked for.
func TestWaitingCountsMinutesOfKneading(t *testing.T) {
	d := at(t, loaf(t, recipe.White, oneHalf, usual), demo.Galley(), plan.Wish{})
	begin := d.p.Timer.Begin
	rest := d.p.Stages[1]
	if rest.Kind != machine.Rest {
		t.Fatalf("the second stage is %s", rest.Kind)
	}
	dosed := begin.Add(time.Duration(rest.From-1) * time.Minute)
	s := bake.At(d.p, []bake.Happening{
		{Stamp: journal.Stamp{Seq: 1, At: dosed}, What: bake.Saw, Seen: dough.Smears},
		{Stamp: journal.Stamp{Seq: 2, At: dosed}, What: bake.PutIn, Dose: &dough.Dose{Of: dough.FlourDose,
			Amount: d.p.Doses.Flour}},
	}, dosed)
	if s.Ball == nil || s.Ball.Look == nil || s.Ball.Look.Before(begin.Add(time.Duration(rest.To+1)*time.Minute)) {
		t.Errorf("a dose put in at %s is looked at again at %v, within the rest to minute %d", dosed.Format("15:04"),
			s.Ball.Look, rest.To)
	}
}

// A paddle that is out is told of no more at the end; till its bake begins the moment for it stays.
func TestAPaddleThatIsOutIsNotLookedFor(t *testing.T) {
	m := demo.Galley()
	for n := range m.Cycles {
		m.Cycles[n].Beeps = []machine.Beep{{For: machine.PaddleOut, By: machine.BeforeLastRise}}
	}
	for _, count := range []int{1, 2} {
		m.Paddles.Count = count
		d := at(t, loaf(t, recipe.White, oneHalf, usual), m, plan.Wish{})
		n := slices.IndexFunc(d.p.Moments, func(m timetable.Moment) bool { return m.Optional })
		if n < 0 {
			t.Fatal("no moment for the paddle")
		}
		paddle := d.p.Moments[n]
		late := paddle.At(d.p.Timer.Begin).Add(20 * time.Minute)
		before := bake.At(d.p, nil, late)
		if !slices.ContainsFunc(before.Moments, func(m bake.Moment) bool { return m.ID == paddle.ID && !m.Done }) {
			t.Error("the moment for the paddle is gone")
		}
		done := bake.Happening{Stamp: journal.Stamp{Seq: 1, At: late}, What: bake.Done, Moment: paddle.ID}
		after := bake.At(d.p, []bake.Happening{done}, late)
		word := map[int]string{1: "the paddle", 2: "the paddles"}[count]
		if out := strings.Join(before.Out, " "); !strings.Contains(out, word+" in the loaf") {
			t.Errorf("with %d in the pan the end says %q", count, out)
		}
		if out := strings.Join(after.Out, " "); strings.Contains(out, "look for the paddle") {
			t.Errorf("with the paddle out the end says %q", out)
		}
	}
}

// A loaf's words name its machine's own parts.
func TestTheStartButtonHasItsName(t *testing.T) {
	m := demo.Galley()
	m.Panel.Start = "Go"
	d := at(t, loaf(t, recipe.White, oneHalf, usual), m, plan.Wish{})
	for _, s := range bench.Steps(d.Kitchen, d.p, nil) {
		if strings.Contains(s.Say+s.Why, "Start") {
			t.Errorf("the button is called Go: %s %s", s.Say, s.Why)
		}
	}
}

// The editor has no doubts about its own estimates, and asks nothing that the kind of cycle does not have.
func TestTheEstimatorsOwnStagesAreUsual(t *testing.T) {
	totals := map[machine.Character]machine.Minutes{machine.Yoghurt: 480, machine.Jam: 65, machine.Starter: 1440}
	for c, total := range totals {
		m := demo.Galley()
		m.Cycles = []machine.Cycle{{ID: "c", Panel: "1", Name: string(c), Character: c, Stages: machine.Estimate(c,
			total)}}
		for _, q := range m.Doubts() {
			t.Errorf("%s: %s", c, q)
		}
	}
}

// A loaf that grows around what went in has that much of it, to the gram, on the bench and in the bake.
func TestAGrownLoafKeepsWhatWentIn(t *testing.T) {
	r := loaf(t, recipe.White, oneHalf, usual)
	for _, grams := range []int64{107, 200, 251, 263} {
		have := &plan.Have{Line: r.Lines[0].ID, Amount: measure.Of(grams, 1, measure.Gram)}
		p := at(t, r, demo.Galley(), plan.Wish{LoafWish: plan.LoafWish{Have: have}}).p
		if l := line(p, "water"); math.Abs(float64(l.Exact)-float64(grams)) > 0.5 {
			t.Errorf("%d g of water went in, the loaf has %.1f g", grams, float64(l.Exact))
		}
	}
}

// Where yeast has a drawer of its own, nothing is told to cover it in the pan.
func TestYeastInItsDrawerIsNotCovered(t *testing.T) {
	m := demo.Boatyard()
	m.Loading, m.YeastBox = pan.DryFirst, true
	d := at(t, loaf(t, recipe.White, oneHalf, usual), m, plan.Wish{})
	for _, s := range bench.Steps(d.Kitchen, d.p, nil) {
		if strings.Contains(s.Say+s.Why, "over the yeast") {
			t.Errorf("the yeast is in its drawer, and the bench says %q", s.Why)
		}
	}
	for _, l := range d.p.Pan.Layers {
		if strings.Contains(l.Reason, "over the yeast") {
			t.Errorf("the yeast is in its drawer, and the list says %q", l.Reason)
		}
	}
}

// A dispenser takes what is dry, and what was drained; why it takes nothing else is said of that alone.
func TestWhatTheDispenserTakes(t *testing.T) {
	for lines, want := range map[string]string{
		"1/2 cup grated parmesan, at the beep":          "too soft in the warmth",
		"1/2 cup feta, drained, at the beep":            "",
		"1/2 cup olives, patted dry, at the beep":       "",
		"1/3 cup maple syrup, at the beep":              "too sticky",
		"1/2 cup olives, at the beep":                   "too wet",
		"1/2 cup fresh blueberries, at the beep":        "too wet",
		"1/2 cup chopped walnuts, toasted, at the beep": "",
	} {
		d := at(t, loaf(t, recipe.White, oneHalf, usual+"; "+lines), demo.Galley(), plan.Wish{})
		if d.p.AddIns == nil {
			t.Errorf("%s: no add-in", lines)
			continue
		}
		if got := d.p.AddIns.NoBox; !strings.Contains(got, want) || want == "" && got != "" {
			t.Errorf("%s: %q", lines, got)
		}
	}
}

// When the stage with the add-in window is told to be over, the window is over too.
func TestAStageThatIsOverShutsItsWindow(t *testing.T) {
	m := demo.Galley()
	for n := range m.Cycles {
		m.Cycles[n].Beeps = []machine.Beep{{For: machine.ForAddIns, By: machine.AfterStart, Minutes: 20, UpTo: 30}}
	}
	d := at(t, loaf(t, recipe.White, oneHalf, usual+"; 1/2 cup raisins, at the beep"), m,
		plan.Wish{Timing: plan.Timing{AddIns: plan.WithHands}})
	over := d.p.Timer.Begin.Add(22 * time.Minute)
	s := bake.At(d.p, []bake.Happening{{Stamp: journal.Stamp{Seq: 1, At: over}, What: bake.StageOver}},
		over.Add(time.Minute))
	for _, m := range s.Moments {
		if m.Kind == timetable.AddIns && m.UpTo > 0 &&
			d.p.Timer.Begin.Add(time.Duration(m.UpTo)*time.Minute).After(over) {
			t.Errorf("kneading is over at %s, and the window is open up to minute %d", over.Format("15:04"), m.UpTo)
		}
	}
}

// Any dough on a cycle that does not bake ends as a dough: shaped, proved, baked in the oven, and not as a loaf.
func TestAnyDoughOnADoughCycleEndsAsADough(t *testing.T) {
	m := demo.Galley()
	n := slices.IndexFunc(m.Cycles, func(c machine.Cycle) bool { return c.Character == machine.Dough })
	d := at(t, loaf(t, recipe.White, oneHalf, usual), m, plan.Wish{Timing: plan.Timing{Cycle: m.Cycles[n].ID}})
	if d.p.Finish.Total() == 0 || d.p.Eaten.IsZero() {
		t.Fatal("no finish, and nothing is eaten")
	}
	for _, m := range d.p.Moments {
		if strings.Contains(m.Say, "take the loaf out") {
			t.Errorf("a dough ends with %q", m.Say)
		}
	}
	for _, say := range d.p.Ending.Out {
		if strings.Contains(say, "hot") || strings.Contains(say, "loaf") {
			t.Errorf("a dough comes out with %q", say)
		}
	}
}

// A cycle whose number is its name is said once.
func TestACycleIsNamedOnce(t *testing.T) {
	m := demo.Galley()
	for n := range m.Cycles {
		m.Cycles[n].Panel = m.Cycles[n].Name
	}
	d := at(t, loaf(t, recipe.White, oneHalf, usual), m, plan.Wish{})
	name := d.p.Setting.Cycle.Name
	texts := []string{d.p.Setting.Cycle.String(), d.p.Setting.Why, d.p.Setting.Label}
	for _, s := range bench.Steps(d.Kitchen, d.p, nil) {
		texts = append(texts, s.Say, strings.Join(s.List, " "))
	}
	for _, text := range texts {
		if strings.Contains(text, name+" "+name) {
			t.Errorf("%q", text)
		}
	}
}

// What a bake cannot have is not said of it.
func TestAQuickBreadIsNotBlamedForYeastOrItsBall(t *testing.T) {
	d := at(t, loaf(t, recipe.QuickBread, twoLb, banana), demo.Galley(), plan.Wish{})
	if got := blamesOnlyPossible(d); got != "" {
		t.Error(got)
	}
	if signs := verdict.SignsOf(d.p); slices.Contains(signs, bake.Mashed) || slices.Contains(signs, bake.Sunken) {
		t.Errorf("without add-ins it is asked for %v", signs)
	}
	for _, c := range judgedWith(d, bake.Gummy).Causes() {
		clean := plan.InHours(machine.Minutes(max(d.p.Ending.Clean, d.p.Ending.Slice)))
		if say := c.Change + c.Tell; strings.Contains(say, "hour") && !strings.Contains(say, clean) {
			t.Errorf("it cuts clean after %d minutes, and the verdict says %q", d.p.Ending.Clean, c.Change)
		}
	}
}

// Where add-ins go in by hand and the cycle does not beep for them, both the caution and the reason for the cycle
// name the cycles whose beep could be borrowed, with the same costs.
func TestTheBeepThatCouldBeBorrowedIsNamed(t *testing.T) {
	m := demo.Galley()
	n := slices.IndexFunc(m.Cycles, func(c machine.Cycle) bool { return c.Character == machine.CrustyLoaf })
	raisins := loaf(t, recipe.White, oneHalf, usual+"; 1/2 cup raisins, at the beep")
	for _, c := range []struct {
		plan.Timing
		named bool
	}{
		{plan.Timing{Cycle: m.Cycles[n].ID, AddIns: plan.WithHands}, true},
		{plan.Timing{AddIns: plan.WithHands}, false},
		{plan.Timing{Cycle: m.Cycles[n].ID, Away: true}, false},
	} {
		p := at(t, raisins, m, plan.Wish{Timing: c.Timing}).p
		named := 0
		for _, caution := range p.Cautions {
			for _, w := range caution.Ways {
				name, costs, ok := strings.Cut(strings.TrimPrefix(w.Say, "Use "), " for its beep: it ")
				if !ok {
					continue
				}
				named++
				if !strings.Contains(p.Setting.Why, name+" would beep for the add-ins: it "+costs+".") {
					t.Errorf("the caution offers %q, the reason says %q", w.Say, p.Setting.Why)
				}
			}
		}
		if (named > 0) != c.named || strings.Contains(p.Setting.Why, "would beep") != c.named {
			t.Errorf("%+v: %d cycles are offered for their beep, and the reason says %q", c.Timing, named,
				p.Setting.Why)
		}
	}
}
