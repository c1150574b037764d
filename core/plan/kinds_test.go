package plan_test

import (
	"os"
	"slices"
	"strings"
	"testing"
	"time"

	"risepan/core/formula"
	"risepan/core/kind"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/pan"
	"risepan/core/plan"
	"risepan/core/plan/plantest"
	"risepan/core/recipe"
	"risepan/core/scale"
	"risepan/core/timetable"
	"risepan/demo"
)

// made is one row of the table of kinds.
type made struct {
	recipe          recipe.Recipe
	cycle           string
	layers          map[pan.Order]string
	delay           string
	moments, ending string
}

func carded(t testing.TB, text string) recipe.Recipe {
	t.Helper()
	card, err := recipe.ReadCard(text, measure.US, larder.Find)
	if err != nil {
		t.Fatal(err)
	}
	r := card.Recipe()
	if len(r.Open) > 0 {
		t.Fatalf("%s: not understood: %q", r.Name, r.Open)
	}
	if r.Size.IsZero() {
		r.Size = oneHalf
		if lines, err := r.Weigh(larder.Get); err == nil && !kind.Of(r.Kind).ByWeight {
			if f := formula.FromRecipe(lines).Flour; f > 0 {
				r.Size = scale.Infer(r.Kind, f, 0)
			}
		}
	}
	return recipe.New(r)
}

// kinds reads the table of testdata/kinds.txt.
func kinds(t testing.TB) map[recipe.Kind]made {
	t.Helper()
	text, err := os.ReadFile("testdata/kinds.txt")
	if err != nil {
		t.Fatal(err)
	}
	out := map[recipe.Kind]made{}
	for _, row := range strings.Split(strings.TrimSpace(string(text)), "\n") {
		if strings.HasPrefix(row, "#") {
			continue
		}
		c := strings.Split(row, " | ")
		if len(c) != 11 {
			t.Fatalf("%d cells: %s", len(c), row)
		}
		r := carded(t, "Something\n"+strings.ReplaceAll(c[1], "; ", "\n"))
		r.Kind = recipe.Kind(c[0])
		out[r.Kind] = made{r, c[2], map[pan.Order]string{pan.WetFirst: c[3], pan.DryFirst: c[4], pan.Bloomed: c[5],
			pan.Premixed: c[6], pan.AsListed: c[7]}, c[8], c[9], c[10]}
	}
	return out
}

// letters stand for the layers in the table.
var letters = map[pan.Stuff]string{pan.Liquid: "L", pan.Fat: "F", pan.SugarSalt: "S", pan.Flour: "M",
	pan.DryExtra: "D", pan.Yeast: "Y", pan.AddIn: "A"}

// Every kind × every order of loading × at once and delayed: layers, cycle, moments, what stands against a delay,
// and what is said at the end. No kind falls through to a loaf.
func TestEveryKindHasItsOwnWay(t *testing.T) {
	table := kinds(t)
	for _, k := range recipe.Kinds {
		m, ok := table[k]
		if !ok {
			t.Errorf("no expectations for %s", k)
			continue
		}
		for order, want := range m.layers {
			for _, ready := range []string{"", "2026-03-11T13:00"} {
				name := string(k) + ", " + string(order) + map[bool]string{true: ", delayed"}[ready != ""]
				t.Run(name, func(t *testing.T) { m.holds(t, order, want, ready) })
			}
		}
	}
}

func (m made) holds(t *testing.T, order pan.Order, want, ready string) {
	w := plan.Wish{LoafWish: plan.LoafWish{Size: m.recipe.Size},
		Handling: plan.Handling{Loading: pan.Manner{Order: order}}}
	if ready != "" {
		w.Ready = wall(t, ready)
	}
	p, err := plantest.Make(heron(), plantest.Ask{Place: plan.Place{Recipe: m.recipe, Machine: demo.Galley(),
		Zone: time.UTC}, Wish: w}, evening)
	if err != nil {
		t.Fatal(err)
	}
	layers, lines := "", 0
	for _, l := range p.Pan.Layers {
		layers += letters[l.Stuff]
		lines += len(l.Lines)
	}
	if layers != want {
		t.Errorf("layers %s, want %s", layers, want)
	}
	inDough := 0
	for _, l := range m.recipe.Lines {
		if l.Part == recipe.InDough && l.When == recipe.InPan {
			inDough++
		}
	}
	if lines != inDough {
		t.Errorf("%d lines lie in the pan, want %d", lines, inDough)
	}
	if ready == "" {
		m.atOnce(t, p)
		return
	}
	var about []string
	for _, c := range p.Cautions {
		if c.Level == plan.Stop || c.About == plan.WetYeast {
			about = append(about, string(c.About))
		}
	}
	met := m.delay
	if met == "nothing" && order == pan.Bloomed && p.Timer.Setting > 0 && strings.Contains(want, "LY") {
		met = "yeast" // it is wet already
	}
	if p.Timer.Setting == 0 { // this cycle has no timer: Start is pressed by hand later
		met = "nothing"
	}
	if !slices.Contains(about, met) && (met != "nothing" || len(about) > 0) {
		t.Errorf("a delay meets %q, want %q: %v", about, met, p.Cautions)
	}
}

func (m made) atOnce(t *testing.T, p plan.Plan) {
	var moments []string
	for _, o := range p.Moments {
		moments = append(moments, string(o.Kind))
		if o.Kind == timetable.Ready && !strings.Contains(o.Say, m.ending) {
			t.Errorf("at its end %q is said, want %q", o.Say, m.ending)
		}
	}
	if got := strings.Join(moments, ", "); got != m.moments {
		t.Errorf("moments %s, want %s", got, m.moments)
	}
	if p.Setting.Cycle.Name != m.cycle {
		t.Errorf("the cycle is %s, want %s", p.Setting.Cycle.Name, m.cycle)
	}
	if len(p.Ending.Out) == 0 || p.Ending.Keeps == "" {
		t.Errorf("nothing is said of what follows: %+v", p.Ending)
	}
	if row := kind.Of(p.Kind); row.Batch != (p.Sizes[0].Batch != "") ||
		(p.Sizes[0].Slices > 0) != (row.Ending.Slice > 0) {
		t.Errorf("sizes %+v", p.Sizes)
	}
	if c, refused := p.Refusal(); refused {
		t.Errorf("a usual %s is refused: %s", p.Kind, c.Say)
	}
}

// A machine without a cycle for it refuses what no other cycle can make, and says so of what another spoils.
func TestAMachineWithoutItsCycle(t *testing.T) {
	for k, m := range kinds(t) {
		p, err := plantest.Make(heron(), plantest.Ask{Place: plan.Place{Recipe: m.recipe, Machine: demo.Boatyard(),
			Zone: time.UTC}, Wish: plan.Wish{}}, evening)
		if err != nil {
			t.Errorf("%s: %v", k, err)
			continue
		}
		stops := slices.ContainsFunc(p.Cautions, func(c plan.Caution) bool {
			return c.Level == plan.Stop &&
				c.About == plan.Unfit
		})
		if want := kind.Of(k).Only; stops != want {
			t.Errorf("%s on a machine without its cycle: refused %v, want %v (%v)", k, stops, want, p.Cautions)
		}
	}
}

// Made by the batch: halves and doubles of what is written, and never more than the pan holds or the fruit boils.
func TestBatches(t *testing.T) {
	for _, c := range []struct {
		text    string
		kind    recipe.Kind
		offered string // refused ones in brackets
	}{
		{"Packet bread\n500 g bread mix with yeast\n320 ml water", recipe.Packet,
			"half a packet, a packet, 1 1/2 packets, (2 packets)"},
		{"Damson jam\n3 cups crushed plums\n2 cups sugar", recipe.Preserve, "half, as written, (1 1/2 times), (twice)"},
		{"Damson jam\n1 1/2 cups crushed plums\n1 cup sugar", recipe.Preserve, "half, as written, 1 1/2 times, twice"},
		{"Yoghurt\n10 cups milk\n3 tbsp yoghurt", recipe.Yoghurt, "half, as written, (1 1/2 times), (twice)"},
		{"White starter\n1 cup bread flour\n1 cup water", recipe.Starter, "half, as written, 1 1/2 times, twice"},
	} {
		r := carded(t, c.text)
		if r.Kind != c.kind {
			t.Errorf("%s is read as %s, want %s", r.Name, r.Kind, c.kind)
		}
		p, err := plantest.Make(heron(), plantest.Ask{Place: plan.Place{Recipe: r, Machine: demo.Galley(),
			Zone: time.UTC}, Wish: plan.Wish{LoafWish: plan.LoafWish{Size: r.Size}}}, evening)
		if err != nil {
			t.Error(err)
			continue
		}
		var offered []string
		for _, s := range p.Sizes {
			name := s.Batch
			if s.WhyNot != "" {
				name = "(" + name + ")"
			}
			offered = append(offered, name)
		}
		if got := strings.Join(offered, ", "); got != c.offered {
			t.Errorf("%s: offered %s, want %s", r.Name, got, c.offered)
		}
	}
}

// Fruit beyond what boils in a pan is refused, however it came to be so much.
func TestTooMuchFruitIsRefused(t *testing.T) {
	for cups, refused := range map[string]bool{"3": false, "3 1/8": false, "3 1/4": true, "4": true} {
		r := carded(t, "Jam\n"+cups+" cups crushed strawberries\n2 cups sugar")
		p, err := plantest.Make(heron(), plantest.Ask{Place: plan.Place{Recipe: r, Machine: demo.Galley(),
			Zone: time.UTC}, Wish: plan.Wish{LoafWish: plan.LoafWish{Size: r.Size}}}, evening)
		if err != nil {
			t.Fatal(err)
		}
		if c, is := p.Refusal(); is != refused || is && c.About != plan.Overflow {
			t.Errorf("%s cups of fruit: refused %v, want %v (%s)", cups, is, refused, c.Say)
		}
	}
}

// A packet goes in whole, by its weight; a part of one is weighed, with a word about its yeast.
func TestAPacketGoesInWhole(t *testing.T) {
	r := carded(t, "Packet bread\n500 g wholemeal bread mix with yeast\n350 ml water")
	for _, c := range []struct {
		size    string
		weight  string
		divided bool
	}{{"1 1/2 lb", "500 g", false}, {"3/4 lb", "250 g", true}, {"2 1/4 lb", "750 g", true}, {"1 lb", "333 g", true},
		{"", "500 g", false}} {
		var size measure.LoafSize
		if c.size != "" {
			size, _ = measure.ParseLoafSize(c.size)
		}
		p, err := plantest.Make(heron(), plantest.Ask{Place: plan.Place{Recipe: r, Machine: demo.Galley(),
			Zone: time.UTC}, Wish: plan.Wish{LoafWish: plan.LoafWish{Size: size}}}, evening)
		if err != nil {
			t.Fatal(err)
		}
		n := slices.IndexFunc(p.Lines, func(l plan.Line) bool { return l.Ingredient == "wholemeal-bread-mix" })
		divided := slices.ContainsFunc(p.Cautions, func(o plan.Caution) bool { return o.About == plan.Divided })
		if l := p.Lines[n]; l.Weight != c.weight || len(l.Measured.Scoops) > 0 || divided != c.divided {
			t.Errorf("%s: %s in %d scoops, divided %v; want %s whole, divided %v", c.size, l.Weight,
				len(l.Measured.Scoops), divided, c.weight, c.divided)
		}
		if p.Setting.Cycle.ID != "wholemeal" {
			t.Errorf("a wholemeal packet on %s", p.Setting.Cycle.Name)
		}
	}
}

// A filled loaf is on the board for ten minutes while the machine waits: what comes after comes later, the timer
// counts it in, and the display does not.
func TestAFilledLoafHasItsPause(t *testing.T) {
	m := kinds(t)[recipe.Filled]
	p, err := plantest.Make(heron(), plantest.Ask{Place: plan.Place{Recipe: m.recipe, Machine: demo.Galley(),
		Zone: time.UTC}, Wish: plan.Wish{LoafWish: plan.LoafWish{Size: oneHalf}, Timing: plan.Timing{AtPanel: true}}},
		evening)
	if err != nil {
		t.Fatal(err)
	}
	at := map[timetable.MomentKind]timetable.Moment{}
	for _, o := range p.Moments {
		at[o.Kind] = o
	}
	total := p.Setting.Total
	if pause := at[timetable.Paddle]; !pause.Waits || pause.Hands != 10 || len(pause.Steps) < 5 ||
		!strings.Contains(pause.Steps[len(pause.Steps)-1], "Start") {
		t.Errorf("the pause: %+v", pause)
	}
	if at[timetable.Filling].After != at[timetable.Paddle].After-15 ||
		at[timetable.LastRise].After != at[timetable.Paddle].After+10 || at[timetable.Ready].After != total+10 {
		t.Errorf("filling at %s, pause at %s, last rise at %s, ready at %s of %s", at[timetable.Filling].After,
			at[timetable.Paddle].After, at[timetable.LastRise].After, at[timetable.Ready].After, total)
	}
	if got := machine.Minutes(p.Timer.Ready.Sub(p.Timer.Press) / time.Minute); got != total+10 {
		t.Errorf("ready %s after Start, want %s", got, total+10)
	}
	if !strings.Contains(p.Setting.Shows, total.String()) {
		t.Errorf("the display shows %s, want %s", p.Setting.Shows, total)
	}
}
