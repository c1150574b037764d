package verdict_test

import (
	"fmt"
	"math/rand/v2"
	"os"
	"strings"
	"testing"
	"time"

	"risepan/core/bake"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/readtest"
	"risepan/core/recipe"
	"risepan/core/scale"
	"risepan/core/verdict"
	"risepan/demo"
)

// All causes with their shares and evidence, for every row of cases.txt, by all signs and by those that were told
// alone.
func TestWhatCausesWeigh(t *testing.T) {
	text, err := os.ReadFile("testdata/cases.txt")
	if err != nil {
		t.Fatal(err)
	}
	var cases, each, lessons readtest.Rows
	for _, row := range strings.Split(strings.TrimSpace(string(text)), "\n") {
		c := strings.Split(row, "|")
		if len(c) != 4 || strings.HasPrefix(row, "#") {
			continue
		}
		seen := verdict.Seen{All: true}
		for _, s := range vocabulary(t, c[0], bake.Sign("").Words()) {
			seen.Signs = append(seen.Signs, bake.Sign(s))
		}
		for _, f := range vocabulary(t, c[1], verdict.Fact("").Words()) {
			seen.Facts = append(seen.Facts, verdict.Fact(f))
		}
		asked := strings.TrimSpace(c[0] + "|" + c[1])
		for _, w := range verdict.Told(verdict.Weigh(seen)) {
			cases.Each(t, asked, w)
		}
		cases.Each(t, asked, shares(verdict.Weigh(seen)))
		seen.All = false
		cases.Each(t, asked+", of what was told alone", shares(verdict.Weigh(seen)))
	}
	for _, s := range bake.Sign("").Words() {
		for _, f := range verdict.Fact("").Words() {
			seen := verdict.Seen{Signs: []bake.Sign{bake.Sign(s)}, Facts: []verdict.Fact{verdict.Fact(f)}, Mark: 3}
			each.Add(t, s+", "+f, shares(verdict.Weigh(seen)))
		}
	}
	puts := []string{"1 tbsp water", "2 tsp water", "1 tsp flour", "2 tbsp flour", "ok", "", "1/2 tbsp water"}
	turn := rand.New(rand.NewPCG(4, 4))
	for n := range 12 {
		var past []verdict.Past
		for m := range 2 + n%7 {
			b := kneaded(t, 60-3*m, puts[turn.IntN(2+n%6)])
			b.Crust, b.Verdict = machine.Crusts[turn.IntN(3)], bake.Verdict{Mark: 3 + m%3,
				Crust: machine.Crusts[turn.IntN(2)+n%2], Centre: new(turn.IntN(30) - 20*(n%3)),
				Sides: new(turn.IntN(12) - n)}
			b.Off, b.Fill = new(measure.Celsius(turn.Float64()*3+float64(n%3)-1)), demo.Galley().Vessel.FillOf("white",
				375, 660)
			if m%2 == n%2 {
				b.RecipeID, b.Recipe = "oat", "Oat loaf"
			}
			past = append(past, b)
		}
		k := kitchen.New("Test", "UTC")
		for _, l := range []*verdict.Lesson{
			verdict.LiquidLesson("white", demo.Recipes()[0], larder.Get, past), verdict.CrustLesson("galley",
				demo.Galley(), past),
			verdict.FillLesson("galley", demo.Galley(), k, past), verdict.KneadLesson("galley", demo.Galley(), k,
				past), verdict.CupLesson(k, past),
		} {
			lessons.Add(t, fmt.Sprintf("log %d", n), l)
		}
	}
	all := []readtest.Said{{Name: "cases", Value: &cases}, {Name: "each sign with each fact", Value: &each},
		{Name: "lessons", Value: &lessons}}
	for n, r := range demo.Recipes() {
		all = append(all, readtest.Said{Name: r.Name + ", baked", Value: outcomes(t, n, r)})
	}
	readtest.Hold(t, all)
}

// shares are causes with what each has of all.
func shares(all []verdict.Weighed) string {
	out := make([]string, len(all))
	for n, w := range all {
		out[n] = fmt.Sprintf("%s %.3f", w.Cause, w.Share)
	}
	return strings.Join(out, ", ")
}

// outcomes are what is seen in a recipe's loaves that came out in some way, and what each cause would change.
func outcomes(t *testing.T, n int, r recipe.Recipe) *readtest.Rows {
	t.Helper()
	var said readtest.Rows
	k := kitchen.New("Test", "UTC")
	k.Packs = []kitchen.Pack{{Ingredient: "active-dry-yeast", Opened: kitchen.DateOf(firstDay.AddDate(0, -n, 0),
		time.UTC)}}
	wishes := []plan.Wish{
		{LoafWish: plan.LoafWish{Size: r.Size}},
		{LoafWish: plan.LoafWish{Size: measure.LoafPounds(2, 1)}, Timing: plan.Timing{Cycle: "rapid",
			AddIns: plan.AtStart}},
		{LoafWish: plan.LoafWish{Size: measure.LoafPounds(1, 1)}, Timing: plan.Timing{Cycle: "wholemeal",
			Crust: machine.Dark}},
		{LoafWish: plan.LoafWish{Size: r.Size}, Timing: plan.Timing{Crust: machine.Light},
			Handling: plan.Handling{Warmth: plan.Warmth{Cold: []string{"l1"}}}},
	}
	p, err := plan.Make(plan.Place{Kitchen: k, Zone: time.UTC, Recipe: r, Machine: demo.Galley(), Now: firstDay},
		wishes[n%len(wishes)])
	if err != nil {
		said.Each(t, "error", err)
		return &said
	}
	var all measure.Grams
	for _, l := range p.Lines {
		if l.Part == "" {
			all += l.Exact
		}
	}
	for m, of := range []float64{0, .80, .86, .90, .97, 1.02} {
		v := bake.Verdict{Mark: m, Weight: measure.Grams(of) * scale.Baked(all),
			Room: measure.Reading(measure.Celsius(12 + 5*m)), Damp: m%2 == 0, Signs: []bake.Sign{bake.Gummy}}
		if m > 1 {
			v.Centre, v.Sides, v.Crust = new(10*m-40), new(6*m), machine.Crusts[m%3]
		}
		s := bake.At(p, nil, firstDay.Add(time.Duration(m)*time.Hour))
		s.Verdict = v
		b := verdict.Baked{Plan: p, State: s, Kitchen: k}
		said.Each(t, fmt.Sprintf("loaf %d", m), b.Seen(), shares(verdict.Weigh(b.Seen())))
		if m != 3 {
			continue
		}
		for _, c := range verdict.Causes {
			said.Add(t, c, verdict.Propose(k, p, r, c), verdict.Choose(p, s, c))
		}
	}
	return &said
}
