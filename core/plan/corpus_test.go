package plan_test

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"testing"
	"time"

	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/recipe"
	"risepan/core/scale"
	"risepan/core/scoop"
)

// corpus is a shelf of recipes made for the tests: all kinds, 4 to 16 lines, US and metric.
var corpus = []struct {
	name string
	kind recipe.Kind
	size string
	std  measure.Standard
	text string
}{
	{"four lines", recipe.Crusty, "1 1/2 lb", measure.US, "1 cup water; 1 1/2 tsp salt; 3 cups bread flour; 1 1/4 " +
		"tsp active dry yeast"},
	{"plain", recipe.White, "1 1/2 lb", measure.US, "1 cup water; 2 tbsp oil; 1 tbsp sugar; 1 1/2 tsp salt; 3 cups " +
		"bread flour; 1 3/4 tsp active dry yeast"},
	{"milk loaf", recipe.White, "2 lb", measure.US, "1 1/3 cups milk; 2 tbsp butter; 2 tbsp sugar; 2 tsp salt; 4 " +
		"cups bread flour; 2 1/4 tsp active dry yeast"},
	{"small white", recipe.White, "1 lb", measure.US, "2/3 cup water; 1 tbsp butter; 2 tsp sugar; 1 tsp salt; 1 " +
		"tbsp dry milk; 2 cups bread flour; 1 1/4 tsp instant yeast"},
	{"potato water", recipe.White, "2 lb", measure.US, "1 1/4 cups plus 1 tbsp water; 1 1/2 tbsp butter; 4 tsp " +
		"sugar; 2 1/4 tsp salt; 4 cups bread flour; 2 tsp active dry yeast"},
	{"packet loaf", recipe.White, "1 1/2 lb", measure.US, "1 cup plus 1 tbsp water; 1 tbsp honey; 2 tbsp butter; 1 " +
		"1/2 tsp salt; 3 1/4 cups bread flour; 1 packet active dry yeast"},
	{"buttermilk", recipe.White, "1 1/2 lb", measure.US, "1 cup buttermilk; 2 tbsp water; 1 tbsp butter; 1 tbsp " +
		"honey; 1 1/2 tsp salt; 3 cups bread flour; 2 tsp active dry yeast"},
	{"yoghurt", recipe.White, "1 1/2 lb", measure.US, "1/2 cup plain yoghurt; 2/3 cup water; 1 tbsp oil; 1 tbsp " +
		"sugar; 1 1/2 tsp salt; 3 cups bread flour; 1 3/4 tsp active dry yeast"},
	{"potted herb", recipe.White, "2 lb", measure.US, "1 1/3 cups water; 2 tbsp olive oil; 1 tbsp sugar; 2 tsp " +
		"salt; 1 tbsp dried herbs; 4 cups bread flour; 2 1/4 tsp active dry yeast"},
	{"semolina", recipe.Crusty, "1 1/2 lb", measure.US, "1 cup plus 2 tbsp water; 1 tbsp olive oil; 1 tsp sugar; 1 " +
		"1/2 tsp salt; 2 1/2 cups bread flour; 1/2 cup semolina; 1 1/4 tsp instant yeast"},
	{"lean two pound", recipe.Crusty, "2 lb", measure.US, "1 1/3 cups water; 2 tsp salt; 4 cups bread flour; 1 1/2 " +
		"tsp active dry yeast"},
	{"garlic loaf", recipe.Crusty, "1 1/2 lb", measure.US, "1 cup water; 1 tbsp olive oil; 1 tsp sugar; 1 tsp salt; " +
		"1/2 tsp garlic salt; 3 cups bread flour; 1 1/2 tsp active dry yeast"},
	{"half wholemeal", recipe.Wholemeal, "1 1/2 lb", measure.US,
		"1 cup plus 1 tbsp water; 2 tbsp honey; 1 1/2 tbsp oil; 1 1/2 tsp salt; 1 1/2 cups wholemeal flour; 1 1/2 " +
			"cups bread flour; 2 tsp active dry yeast"},
	{"all wholemeal", recipe.Wholemeal, "2 lb", measure.US, "1 1/2 cups plus 1 tbsp water; 2 tbsp molasses; 2 tbsp " +
		"oil; 2 tsp salt; 4 cups wholemeal flour; 1 1/2 tbsp gluten; 2 1/4 tsp active dry yeast"},
	{"three grain", recipe.Wholemeal, "1 1/2 lb", measure.US,
		"1 cup plus 3 tbsp water; 1 tbsp honey; 1 tbsp butter; 1 1/2 tsp salt; 1 1/2 cups wholemeal flour; 1 cup " +
			"bread flour; 1/2 cup oats; 1 tbsp gluten; 2 tsp active dry yeast"},
	{"light rye", recipe.White, "1 1/2 lb", measure.US, "1 cup water; 1 tbsp molasses; 1 tbsp oil; 1 1/2 tsp salt; " +
		"2 1/4 cups bread flour; 3/4 cup rye flour; 2 tsp ground spice; 1 3/4 tsp active dry yeast"},
	{"spelt", recipe.Wholemeal, "1 1/2 lb", measure.US, "1 cup water; 1 tbsp honey; 2 tbsp oil; 1 1/2 tsp salt; 2 " +
		"cups spelt flour; 1 1/4 cups bread flour; 2 tsp instant yeast"},
	{"seeded", recipe.White, "2 lb", measure.US, "1 1/3 cups plus 1 tbsp water; 2 tbsp oil; 2 tbsp honey; 2 tsp " +
		"salt; 3 cups bread flour; 1 cup wholemeal flour; 2 1/4 tsp active dry yeast; +1/3 cup sunflower seed"},
	{"cornmeal", recipe.White, "1 1/2 lb", measure.US, "1 cup milk; 2 tbsp butter; 2 tbsp sugar; 1 1/2 tsp salt; 2 " +
		"1/2 cups bread flour; 1/3 cup cornmeal; 2 tsp active dry yeast"},
	{"oat crumb", recipe.White, "1 lb", measure.US, "3/4 cup water; 1 tbsp honey; 1 tbsp oil; 1 tsp salt; 1 2/3 " +
		"cups bread flour; 1/2 cup oats; 1 1/4 tsp active dry yeast"},
	{"sweet egg", recipe.Sweet, "1 1/2 lb", measure.US, "3/4 cup milk; 1 egg; 3 tbsp butter; 1/4 cup sugar; 1 1/4 " +
		"tsp salt; 3 cups bread flour; 2 tsp active dry yeast"},
	{"two eggs", recipe.Sweet, "2 lb", measure.US, "3/4 cup milk; 2 eggs; 1/3 cup butter; 1/3 cup sugar; 1 1/2 tsp " +
		"salt; 4 cups bread flour; 2 1/2 tsp active dry yeast"},
	{"fruited", recipe.Sweet, "1 1/2 lb", measure.US, "1 cup water; 2 tbsp butter; 3 tbsp brown sugar; 1 1/4 tsp " +
		"salt; 1 1/2 tbsp dry milk; 3 cups bread flour; 1 1/2 tsp ground spice; 2 tsp active dry yeast; +2/3 cup " +
		"raisins; +1/3 cup chopped walnuts"},
	{"orange", recipe.Sweet, "1 1/2 lb", measure.US, "1/2 cup orange juice; 1/3 cup water; 1 egg; 2 tbsp butter; " +
		"1/4 cup sugar; 1 tsp grated citrus zest; 1 1/4 tsp salt; 3 cups bread flour; 2 tsp active dry yeast"},
	{"chocolate", recipe.Sweet, "1 1/2 lb", measure.US, "1 cup milk; 1 egg; 3 tbsp butter; 1/3 cup sugar; 1 1/4 tsp " +
		"salt; 3 cups bread flour; 1/4 cup cocoa powder; 1 tsp vanilla; 2 1/4 tsp active dry yeast"},
	{"maple", recipe.Sweet, "2 lb", measure.US, "1 cup water; 1/3 cup maple syrup; 3 tbsp butter; 1 3/4 tsp salt; 3 " +
		"tbsp dry milk; 4 cups bread flour; 2 1/4 tsp active dry yeast; +1/2 cup chopped walnuts"},
	{"cottage", recipe.White, "1 1/2 lb", measure.US, "1/2 cup cottage cheese; 1/2 cup water; 1 egg; 1 tbsp butter; " +
		"1 tbsp sugar; 1 1/4 tsp salt; 3 cups bread flour; 2 tsp active dry yeast"},
	{"sixteen lines", recipe.Sweet, "2 lb", measure.US, "1/2 cup milk; 1/2 cup water; 1 egg; 1 tsp vanilla; 3 tbsp " +
		"butter; 2 tbsp honey; 1/4 cup brown sugar; 1 3/4 tsp salt; 2 tbsp dry milk; 3 cups bread flour; 1/2 cup " +
		"wholemeal flour; 1/3 cup oats; 1 tbsp gluten; 2 tsp ground spice; 2 1/2 tsp active dry yeast; +1/2 cup raisins"},
	{"cheese", recipe.White, "1 1/2 lb", measure.US, "1 cup water; 1 tbsp butter; 1 tbsp sugar; 1 tsp salt; 3 cups " +
		"bread flour; 1 3/4 tsp active dry yeast; +3/4 cup grated hard cheese"},
	{"olive", recipe.Crusty, "1 1/2 lb", measure.US, "1 cup less 1 tbsp water; 1 tbsp olive oil; 1 tsp sugar; 1 1/4 " +
		"tsp salt; 3 cups bread flour; 1 1/2 tsp active dry yeast; +1/2 cup olives"},
	{"gluten-free", recipe.GlutenFree, "1 1/2 lb", measure.US,
		"1 1/4 cups water; 2 eggs; 3 tbsp oil; 1 tsp vinegar; 2 tbsp sugar; 1 1/4 tsp salt; 2 1/2 cups gluten-free " +
			"blend; 2 tsp xanthan gum; 2 tsp active dry yeast"},
	{"gluten-free two", recipe.GlutenFree, "2 lb", measure.US,
		"1 1/2 cups milk; 3 eggs; 1/4 cup oil; 3 tbsp honey; 1 1/2 tsp salt; 3 cups gluten-free blend; 1/3 cup oat " +
			"flour; 1 tbsp xanthan gum; 2 1/4 tsp instant yeast"},
	{"low-carb", recipe.LowCarb, "1 lb", measure.US, "1 cup water; 2 eggs; 2 tbsp olive oil; 1 tsp salt; 1 cup " +
		"vital wheat gluten; 1/2 cup lupin flour; 1/2 cup oat fibre; 1/2 cup wheat protein isolate; 2 tsp instant " +
		"yeast; 1 tsp baking powder"},
	{"banana", recipe.QuickBread, "1 1/2 lb", measure.US, "1 cup mashed banana; 2 eggs; 1/3 cup oil; 1/4 cup milk; " +
		"2/3 cup sugar; 1/2 tsp salt; 2 cups plain flour; 2 tsp baking powder; 1/2 tsp baking soda; 1/2 cup chopped " +
		"walnuts"},
	{"pumpkin", recipe.QuickBread, "1 1/2 lb", measure.US, "1 cup pumpkin purée; 2 eggs; 1/2 cup oil; 3/4 cup brown " +
		"sugar; 1/2 tsp salt; 2 cups plain flour; 2 tsp ground spice; 2 1/2 tsp baking powder"},
	{"roll dough", recipe.Dough, "1 1/2 lb", measure.US, "3/4 cup milk; 1/4 cup water; 1 egg; 1/4 cup butter; 3 " +
		"tbsp sugar; 1 1/4 tsp salt; 3 1/4 cups bread flour; 2 tsp active dry yeast"},
	{"flat dough", recipe.Dough, "1 1/2 lb", measure.US, "1 cup water; 2 tbsp olive oil; 1 tsp sugar; 1 1/2 tsp " +
		"salt; 2 3/4 cups bread flour; 1/4 cup semolina; 1 1/2 tsp instant yeast"},
	{"metric plain", recipe.White, "1 1/2 lb", measure.Metric,
		"1 cup water; 1 1/2 tbsp oil; 1 tbsp sugar; 1 1/2 tsp salt; 3 cups bread flour; 1 3/4 tsp active dry yeast"},
	{"metric brown", recipe.Wholemeal, "750 g", measure.Metric,
		"1 1/4 cups water; 1 tbsp honey; 2 tbsp oil; 1 3/4 tsp salt; 2 cups wholemeal flour; 1 1/2 cups bread " +
			"flour; 1 tbsp gluten; 2 tsp instant yeast"},
	{"metric by weight", recipe.White, "750 g", measure.Metric,
		"270 ml water; 20 g butter; 15 g sugar; 9 g salt; 420 g bread flour; 6 g active dry yeast"},
	{"metric sweet", recipe.Sweet, "750 g", measure.Metric, "180 ml milk; 1 egg; 50 g butter; 60 g sugar; 7 g salt; " +
		"400 g bread flour; 7 g active dry yeast; +100 g raisins"},
	{"metric thousand", recipe.White, "1000 g", measure.Metric,
		"340 ml water; 30 g oil; 20 g honey; 11 g salt; 400 g bread flour; 130 g wholemeal flour; 2 tsp instant yeast"},
	{"australian", recipe.White, "1 1/2 lb", measure.Australian,
		"1 cup water; 1 tbsp oil; 1 tbsp honey; 1 1/2 tsp salt; 3 cups bread flour; 1 tbsp dry milk; 2 tsp instant " +
			"yeast"},
}

// read makes a recipe of a corpus entry; a line that begins with + goes in at the beep.
func readCorpus(t testing.TB, n int) recipe.Recipe {
	t.Helper()
	c := corpus[n]
	size, err := measure.ParseLoafSize(c.size)
	if err != nil {
		t.Fatalf("%s: %v", c.name, err)
	}
	r := recipe.Recipe{Name: c.name, Kind: c.kind, Size: size, Standard: c.std}
	for m, line := range strings.Split(c.text, "; ") {
		rest, beep := strings.CutPrefix(line, "+")
		a, name, ok := measure.ParsePrefix(rest, c.std)
		i, known := larder.Is(name)
		if !ok || !known {
			t.Fatalf("%s: cannot read %q", c.name, line)
		}
		l := recipe.Line{ID: fmt.Sprint(m), Ingredient: i.ID, Amount: a}
		if beep {
			l.When = recipe.AtBeep
		}
		r.Lines = append(r.Lines, l)
	}
	return r
}

// tally sums up a corpus rounded with one set of measures.
type tally struct {
	loaves, lines, missed int
	joint, alone          int     // scoops
	water, waterAlone     float64 // sums of absolute deviations, points
	yeast, yeastAlone     float64 // sums of absolute deviations, %
	yeasts                int
	slowest               time.Duration
	slowestName           string
	unconfirmed           []string
}

// withScoops is the amount nearest to g that at most most scoops make: what a baker does who rounds
// the line alone and wants no more to do.
func withScoops(measures []measure.Measure, i *larder.Ingredient, g float64, most int) float64 {
	perMl := float64(i.GramsPerMl())
	best := math.Inf(1)
	var add func(from, left int, grams float64)
	add = func(from, left int, grams float64) {
		if grams > 0 && math.Abs(grams-g) < math.Abs(best-g) {
			best = grams
		}
		if left == 0 || grams > g {
			return
		}
		for m := from; m < len(measures); m++ {
			if v := measures[m].Amount.Millilitres(); v >= scoop.Smallest(i, measure.Grams(g)) {
				add(m, left-1, grams+float64(v)*perMl)
			}
		}
	}
	add(0, most, 0)
	return best
}

// sums lists, by counting measures, every weight of an ingredient from low to high that they make.
func sums(measures []measure.Measure, i *larder.Ingredient, low, high float64) []float64 {
	var out []float64
	perMl := float64(i.GramsPerMl())
	var try func(m int, grams float64)
	try = func(m int, grams float64) {
		if m == len(measures) {
			if grams >= low-1e-9 && grams <= high+1e-9 {
				out = append(out, grams)
			}
			return
		}
		v := measures[m].Amount.Millilitres()
		for n := 0; ; n++ {
			next := grams + float64(n)*float64(v)*perMl
			if next > high+1e-9 || (n > 0 && v < scoop.Smallest(i, measure.Grams(high))) {
				return
			}
			try(m+1, next)
		}
	}
	try(0, 0)
	slices.Sort(out)
	return slices.CompactFunc(out, func(a, b float64) bool { return math.Abs(a-b) < 1e-6 })
}

// reachable reports whether some amount of a line would lie within its tolerance beside some flour,
// of all flours that the measures make within theirs. It shares nothing with the solver.
func reachable(measures []measure.Measure, lines []scoop.Item, l scoop.Item, tolerance float64) bool {
	ratios := []float64{0}
	total := 0.0
	for _, f := range lines {
		if f.Ingredient.Kind == larder.Flour {
			total += float64(f.Exact)
		}
	}
	for _, f := range lines {
		if f.Ingredient.Kind != larder.Flour {
			continue
		}
		e := float64(f.Exact)
		var next []float64
		for _, g := range sums(measures, f.Ingredient, 0.8*e, 1.2*e) {
			for _, r := range ratios {
				next = append(next, r+g/total)
			}
		}
		ratios = next
	}
	e := float64(l.Exact)
	for _, g := range sums(measures, l.Ingredient, e*(1-tolerance)*0.96, e*(1+tolerance)*1.04) {
		for _, r := range ratios {
			if math.Abs(r-1) <= 0.04 && math.Abs(g/e/r-1) <= tolerance {
				return true
			}
		}
	}
	return false
}

// holds checks that a solution's scoops really hold the grams that it states, and that every line is
// within its tolerance beside the measured flour or is flagged.
func holds(t testing.TB, name string, in []scoop.Item, x scoop.Solution) {
	t.Helper()
	var exact, measured float64
	flagged := map[int]bool{}
	for _, m := range x.Misses {
		flagged[m.Line] = true
	}
	for n, l := range in {
		a := x.Amounts[n]
		if !l.Fixed {
			var ml float64
			for _, s := range a.Scoops {
				ml += float64(s.Count) * float64(s.Measure.Amount.Millilitres())
			}
			if g := ml * float64(l.Ingredient.GramsPerMl()); math.Abs(g-float64(a.Grams)) > 0.001*g {
				t.Errorf("%s: %s of %s is %.3f g, stated as %.3f", name, a, l.Ingredient.Name, g, float64(a.Grams))
			}
		}
		if l.Ingredient.Kind == larder.Flour {
			exact, measured = exact+float64(l.Exact), measured+float64(a.Grams)
		}
	}
	for n, l := range in {
		off := float64(x.Amounts[n].Grams)/float64(l.Exact)/(measured/exact) - 1
		if !l.Fixed && !flagged[n] && math.Abs(off) > toleranceOf(l, exact)+1e-9 {
			t.Errorf("%s: %s is off by %+.3f and not flagged", name, l.Ingredient.Name, off)
		}
	}
}

// toleranceOf is a line's tolerance beside so much flour in all.
func toleranceOf(l scoop.Item, flour float64) float64 {
	switch l.Ingredient.Kind {
	case larder.Flour:
		return 0.02 * flour / float64(l.Exact)
	case larder.Salt, larder.Yeast:
		return 0.07
	case larder.Sugar, larder.Syrup, larder.Fat:
		return 0.10
	}
	eighth := float64(measure.Of(1, 8, measure.Tsp).Millilitres()) * float64(l.Ingredient.GramsPerMl())
	return max(0.15, eighth/float64(l.Exact))
}

func flourOf(in []scoop.Item) (g float64) {
	for _, l := range in {
		if l.Ingredient.Kind == larder.Flour {
			g += float64(l.Exact)
		}
	}
	return g
}

func roundCorpus(t testing.TB, eighth bool) tally {
	var sum tally
	for n := range corpus {
		r := readCorpus(t, n)
		measures := measure.DefaultMeasures(r.Standard)
		if !eighth {
			measures = measures[:len(measures)-1]
		}
		written, err := r.Weigh(larder.Get)
		if err != nil {
			t.Fatalf("%s: %v", r.Name, err)
		}
		sizes := []measure.LoafSize{one, oneHalf, two}
		if !slices.Contains(sizes, r.Size) {
			sizes = append(sizes, r.Size)
		}
		for _, size := range sizes {
			lines, _ := scale.To(written, r.Kind, size.Over(r.Size), scale.Schools{Yeast: scale.Eased})
			sum.add(t, fmt.Sprintf("%s at %v", r.Name, size), measures, r.Standard, lines)
		}
	}
	return sum
}

func (s *tally) add(t testing.TB, name string, measures []measure.Measure, std measure.Standard, lines []scale.Scaled) {
	in := make([]scoop.Item, len(lines))
	for n, l := range lines {
		in[n] = scoop.Item{Ingredient: l.Ingredient, Exact: l.Grams}
		if l.Pieces > 0 {
			in[n].Fixed, in[n].Actual = true, l.Grams
		}
	}
	began := time.Now()
	set := scoop.NewSet(measures, std)
	front := set.Clean(in)
	if !front.Proven {
		t.Errorf("%s: an ordinary loaf used up the solver's budget", name)
	}
	if took := time.Since(began); took > s.slowest {
		s.slowest, s.slowestName = took, name
	}
	if len(front.Points) == 0 {
		t.Fatalf("%s: no way to measure it", name)
	}
	best := front.At(0)
	s.loaves++
	s.lines += len(in)
	for _, m := range best.Misses {
		s.missed++
		if m.Line < 0 {
			s.unconfirmed = append(s.unconfirmed, fmt.Sprintf("%s: the whole dough, %+.3f", name, m.Deviation))
			continue
		}
		l := in[m.Line]
		if reachable(measures, in, l, toleranceOf(l, flourOf(in))) {
			s.unconfirmed = append(s.unconfirmed, fmt.Sprintf("%s: %s, %+.3f", name, l.Ingredient.Name, m.Deviation))
		}
	}
	for n := range front.Points {
		holds(t, name, in, front.At(n))
	}
	s.joint += best.Scoops
	s.alone += set.Alone(in).Scoops
	joint, alone := make([]float64, len(in)), make([]float64, len(in))
	var exact, with, without float64
	for n, l := range in {
		joint[n], alone[n] = float64(best.Amounts[n].Grams), float64(best.Amounts[n].Grams)
		if !l.Fixed && best.Amounts[n].Count() > 0 {
			alone[n] = withScoops(measures, l.Ingredient, float64(l.Exact), best.Amounts[n].Count())
		}
		if l.Ingredient.Kind == larder.Yeast {
			exact, with, without = exact+float64(l.Exact), with+joint[n], without+alone[n]
		}
	}
	flour, water := scoop.Shift(in, joint)
	flourAlone, waterAlone := scoop.Shift(in, alone)
	s.water += math.Abs(water)
	s.waterAlone += math.Abs(waterAlone)
	if exact > 0 {
		s.yeasts++
		s.yeast += 100 * math.Abs(with/exact/(1+flour)-1)
		s.yeastAlone += 100 * math.Abs(without/exact/(1+flourAlone)-1)
	}
}

// What joint rounding is worth, over the whole corpus at every size. The table is printed.
func TestJointRoundingOverTheCorpus(t *testing.T) {
	if len(corpus) < 40 {
		t.Fatalf("the corpus has %d recipes", len(corpus))
	}
	t.Logf("%-12s %7s %6s %7s %7s %7s %9s %9s %9s %9s", "measures", "loaves", "lines", "missed", "scoops", "alone",
		"water", "alone", "yeast", "alone")
	for _, c := range []struct {
		name   string
		eighth bool
		fewer  float64
	}{{"with 1/8 tsp", true, 0.18}, {"without", false, 0.10}} {
		s := roundCorpus(t, c.eighth)
		n, y := float64(s.loaves), float64(s.yeasts)
		t.Logf("%-12s %7d %6d %7d %7d %7d %6.2f pt %6.2f pt %7.2f %% %7.2f %%", c.name, s.loaves, s.lines, s.missed,
			s.joint, s.alone,
			s.water/n, s.waterAlone/n, s.yeast/y, s.yeastAlone/y)
		t.Logf("%-12s slowest %.1f ms: %s", "", float64(s.slowest.Microseconds())/1000, s.slowestName)
		if share := float64(s.missed) / float64(s.lines); c.eighth && share > 0.02 {
			t.Errorf("%s: %.1f %% of the lines miss their tolerance", c.name, 100*share)
		}
		for _, u := range s.unconfirmed {
			t.Errorf("%s: a tolerance is missed that some amount would meet: %s", c.name, u)
		}
		if got := 1 - float64(s.joint)/float64(s.alone); got < c.fewer {
			t.Errorf("%s: %.1f %% fewer scoops than each line alone, want %.0f %%", c.name, 100*got, 100*c.fewer)
		}
		if s.water > 0.6*s.waterAlone {
			t.Errorf("%s: hydration is off by %.2f points, alone with as many scoops by %.2f", c.name, s.water/n,
				s.waterAlone/n)
		}
		if s.yeast > s.yeastAlone {
			t.Errorf("%s: yeast is off by %.2f %%, alone with as many scoops by %.2f %%", c.name, s.yeast/y,
				s.yeastAlone/y)
		}
	}
}

// Three cups stay three cups: what one kind of measure makes exactly is shown so at every size, unless another
// line would then miss its tolerance; each such line is listed.
func TestCleanAmountsStayClean(t *testing.T) {
	clean := 0
	for n := range corpus {
		r := readCorpus(t, n)
		written, err := r.Weigh(larder.Get)
		if err != nil {
			t.Fatal(err)
		}
		measures := measure.DefaultMeasures(r.Standard)
		for _, size := range []measure.LoafSize{one, oneHalf, two} {
			lines, _ := scale.To(written, r.Kind, size.Over(r.Size), scale.Schools{Yeast: scale.Eased})
			in := make([]scoop.Item, len(lines))
			for m, l := range lines {
				in[m] = scoop.Item{Ingredient: l.Ingredient, Exact: l.Grams, Fixed: l.Pieces > 0, Actual: l.Grams}
			}
			set := scoop.NewSet(measures, r.Standard)
			shown := set.Clean(in).At(0)
			for m, l := range in {
				// so many of one measure, a few at most
				exact := slices.ContainsFunc(measures, func(x measure.Measure) bool {
					count := float64(l.Exact) / float64(l.Ingredient.GramsPerMl()) / float64(x.Amount.Millilitres())
					return math.Abs(count-math.Round(count)) < 1e-3*count && count < 4.5 &&
						x.Amount.Millilitres() >= scoop.Smallest(l.Ingredient, l.Exact)
				})
				a, ok := set.Nearest(l.Ingredient, l.Exact)
				if l.Fixed || !exact || !ok || len(a.Scoops) != 1 {
					continue
				}
				if clean++; math.Abs(float64(shown.Amounts[m].Grams/l.Exact)-1) < 1e-3 {
					continue
				}
				held := slices.Clone(in)
				held[m].Fixed, held[m].Actual = true, l.Exact
				if least := set.Joint(held).At(0); len(least.Misses) > len(shown.Misses) {
					t.Logf("%s at %v: %s of %s is shown as %s, for %v would be missed", r.Name, size, a,
						l.Ingredient.Name, shown.Amounts[m], least.Misses)
				} else {
					t.Errorf("%s at %v: %s of %s is shown as %s, and nothing forces it", r.Name, size, a,
						l.Ingredient.Name, shown.Amounts[m])
				}
			}
		}
	}
	t.Logf("%d clean amounts", clean)
	if clean < 100 {
		t.Errorf("only %d clean amounts: the corpus does not try this", clean)
	}
}

// BenchmarkJointRoundingOverTheCorpus reports the median and the worst loaf, each loaf by the median of its
// times.
func BenchmarkJointRoundingOverTheCorpus(b *testing.B) {
	times := map[string][]time.Duration{}
	for b.Loop() {
		for n := range corpus {
			r := readCorpus(b, n)
			written, err := r.Weigh(larder.Get)
			if err != nil {
				b.Fatal(err)
			}
			for _, size := range []measure.LoafSize{one, oneHalf, two} {
				lines, _ := scale.To(written, r.Kind, size.Over(r.Size), scale.Schools{})
				in := make([]scoop.Item, len(lines))
				for m, l := range lines {
					in[m] = scoop.Item{Ingredient: l.Ingredient, Exact: l.Grams, Fixed: l.Pieces > 0, Actual: l.Grams}
				}
				began := time.Now()
				scoop.NewSet(measure.DefaultMeasures(r.Standard), r.Standard).Clean(in)
				loaf := r.Name + " " + size.String()
				times[loaf] = append(times[loaf], time.Since(began))
			}
		}
	}
	var took []time.Duration
	for _, t := range times {
		slices.Sort(t)
		took = append(took, t[len(t)/2])
	}
	slices.Sort(took)
	ms := func(d time.Duration) float64 { return float64(d.Microseconds()) / 1000 }
	b.ReportMetric(ms(took[len(took)/2]), "ms-median")
	b.ReportMetric(ms(took[len(took)-1]), "ms-worst")
}
