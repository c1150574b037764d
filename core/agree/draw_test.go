// Package agree holds that whatever is said of one loaf agrees: plan, bench, watch, verdict, log, day and
// stand-in are driven over random loaves, machines and kitchens, and held against each other.
package agree

import (
	"fmt"
	"math/rand/v2"
	"os"
	"slices"
	"strings"
	"testing"
	"time"
	_ "time/tzdata"

	"risepan/core/dough"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/pan"
	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/core/recipe/recipetest"
	"risepan/core/scale"
	"risepan/core/timetable"
	"risepan/demo"
)

var (
	now     = time.Date(2026, 5, 2, 17, 0, 0, 0, time.UTC)
	oneLb   = measure.LoafPounds(1, 1)
	oneHalf = measure.LoafPounds(3, 2)
	twoLb   = measure.LoafPounds(2, 1)
)

// drawn is one loaf in a kitchen on a machine, with its plan.
type drawn struct {
	plan.Place
	plan.Wish
	p plan.Plan
}

func (d drawn) String() string {
	return fmt.Sprintf("%s (%s, %s) on %s at %s, %s", d.Recipe.Name, d.Recipe.Kind, d.Recipe.Size, d.Machine.Name,
		d.Size, d.Setting())
}

// Setting is what of the panel the plan chose, in short.
func (d drawn) Setting() string { return d.p.Setting.Cycle.String() }

// texts reads recipes, one a row, as "name | kind | lines" with the columns in some order.
func texts(t testing.TB, file string, name, kind, lines int) []recipe.Recipe {
	t.Helper()
	b, err := os.ReadFile(file)
	if err != nil {
		t.Fatal(err)
	}
	var out []recipe.Recipe
	for row := range strings.Lines(string(b)) {
		if row = strings.TrimSpace(row); row == "" || strings.HasPrefix(row, "#") {
			continue
		}
		f := strings.Split(row, " | ")
		k := recipe.Kind(strings.TrimSpace(f[kind]))
		if !slices.Contains(recipe.Kinds, k) {
			k = recipe.White
			for _, o := range recipe.Kinds {
				if strings.HasPrefix(string(o), f[kind]) || strings.HasPrefix(f[kind], string(o)) {
					k = o
				}
			}
		}
		out = append(out, recipe.New(recipe.Recipe{Name: f[name], Kind: k, Size: oneHalf, Standard: measure.US,
			Lines: recipetest.Lines(t, f[lines])}))
	}
	return out
}

// cards reads the cards of the recipe reader's own tests that are understood whole.
func cards(t testing.TB) []recipe.Recipe {
	t.Helper()
	b, err := os.ReadFile("../recipe/testdata/cards.txt")
	if err != nil {
		t.Fatal(err)
	}
	var out []recipe.Recipe
	for _, text := range strings.Split(string(b), "=====\n")[1:] {
		card, _, _ := strings.Cut(text, "---\n")
		c, err := recipe.ReadCard(card, measure.US, larder.Find)
		if err != nil || slices.ContainsFunc(c.Lines, func(u recipe.Understood) bool { return u.Open() }) {
			continue
		}
		if r := c.Recipe(); r.Check() == nil {
			out = append(out, r)
		}
	}
	return out
}

// shelf is every recipe that the draws begin from.
func shelf(t testing.TB) []recipe.Recipe {
	t.Helper()
	out := slices.Concat(demo.Recipes(), texts(t, "../plan/testdata/ordinary.txt", 0, 1, 2),
		texts(t, "../plan/testdata/kinds.txt", 0, 0, 1), cards(t))
	for n := range out {
		if out[n].Size.IsZero() {
			out[n].Size = inferred(out[n])
		}
	}
	return out
}

// inferred is the size of a recipe that says none.
func inferred(r recipe.Recipe) measure.LoafSize {
	var flour, all measure.Grams
	for _, l := range r.Lines {
		i, ok := larder.Know(l.Ingredient)
		if g, err := i.Weigh(l.Amount); ok && err == nil && l.Part == recipe.InDough {
			flour, all = flour+g*measure.Grams(i.FlourPart), all+g
		}
	}
	return scale.Infer(r.Kind, flour, all)
}

// resized is a recipe written for another size: its amounts as a cook would write them there.
func resized(r *rand.Rand, of recipe.Recipe) recipe.Recipe {
	size := []measure.LoafSize{oneLb, oneHalf, twoLb, measure.LoafPounds(5, 2), measure.LoafPounds(3, 1)}[r.IntN(5)]
	f := size.Over(of.Size)
	out := of
	out.Size, out.Lines, out.Columns = size, slices.Clone(of.Lines), nil
	for n := range out.Lines {
		l := &out.Lines[n]
		i, _ := larder.Know(l.Ingredient)
		g, err := i.Weigh(l.Amount)
		if err != nil {
			continue
		}
		switch weigh := r.IntN(4) == 0; {
		case i.Counted() && l.Amount.Unit == measure.Piece:
			l.Amount = measure.Amount{Quantity: measure.Whole(max(1, l.Amount.Middle().Times(f).HalfUp()))}
		case weigh && g > 0:
			l.Amount = measure.Of(int64(float64(g)*f.Float()*10+0.5), 10, measure.Gram)
		default:
			l.Amount = l.Amount.Times(f)
		}
	}
	return out
}

// slipped is a recipe with one figure far from the usual.
func slipped(r *rand.Rand, of recipe.Recipe) recipe.Recipe {
	out := of
	out.Lines = slices.Clone(of.Lines)
	kinds := []larder.Kind{larder.Yeast, larder.Salt, larder.Liquid, larder.Sugar, larder.Fat}
	kind := kinds[r.IntN(len(kinds))]
	f := []measure.Ratio{measure.NewRatio(1, 2), measure.NewRatio(3, 4), measure.NewRatio(5, 4),
		measure.NewRatio(3, 2), measure.Whole(2)}[r.IntN(5)]
	for n := range out.Lines {
		if i, _ := larder.Know(out.Lines[n].Ingredient); i.Kind == kind && !i.Counted() {
			out.Lines[n].Amount = out.Lines[n].Amount.Times(f)
		}
	}
	return out
}

// heated writes a temperature of its own beside the recipe's water.
func heated(r *rand.Rand, of recipe.Recipe) recipe.Recipe {
	out := of
	out.Lines = slices.Clone(of.Lines)
	for n := range out.Lines {
		if i, _ := larder.Know(out.Lines[n].Ingredient); i.Kind == larder.Liquid {
			out.Lines[n].Note = fmt.Sprintf("%d °C", 21+r.IntN(51))
			break
		}
	}
	return out
}

func machines(r *rand.Rand) machine.Machine {
	all := append(machine.Profiles(), demo.Galley(), demo.Boatyard())
	m := all[r.IntN(len(all))]
	m.Cycles = slices.Clone(m.Cycles)
	for n := range m.Cycles {
		c := &m.Cycles[n]
		if r.IntN(6) == 0 {
			c.Beeps = nil
		}
		if r.IntN(8) == 0 {
			c.HasCrust = false
		}
		if r.IntN(8) == 0 {
			c.NoSize = true
		}
		if r.IntN(8) == 0 && c.Stages[0].Kind != machine.Rest {
			c.Stages = append([]machine.Stage{{Kind: machine.Rest, Minutes: 28, Least: 18}}, c.Stages...)
		}
	}
	switch r.IntN(6) {
	case 0:
		m.Delay = machine.Delay{Rule: machine.NoTimer}
	case 1:
		m.Dispenser = 0
	case 2:
		m.Sizes = []measure.LoafSize{oneHalf, twoLb}
	case 3:
		m.Cycles = slices.DeleteFunc(m.Cycles, func(c machine.Cycle) bool { return c.Character == machine.BakeOnly })
	case 4:
		m.Panel.Start = "Go"
	case 5:
		m.Paddles.Count = 3 - m.Paddles.Count
		m.YeastBox = m.Loading == pan.DryFirst
	}
	if len(m.Cycles) == 0 || m.Check() != nil {
		return demo.Galley()
	}
	return m
}

func kitchens(r *rand.Rand) kitchen.Kitchen {
	k := kitchen.New("Drawn", "UTC")
	switch r.IntN(7) {
	case 0:
		k.Scale = true
	case 1:
		k.Measures = k.Measures[:5] // cups and a tablespoon
		k.Measures = append(k.Measures, measure.Measure{Amount: measure.Of(1, 4, measure.Tsp)})
	case 2:
		k.Degrees, k.Weights, k.Decimal = measure.InFahrenheit, measure.InOunces, measure.Comma
	case 3:
		k.Liquid = dough.Hot
	case 4:
		k.Cups = []larder.Cup{{Flour: "bread-flour", Filling: larder.Scooped, Measure: measure.Of(1, 1, measure.Cup),
			Weighings: []measure.Grams{140, 143, 141}}}
	case 5:
		k.Measures = append(k.Measures, measure.Measure{Amount: measure.Of(3, 4, measure.Cup)},
			measure.Measure{Amount: measure.Of(1, 2, measure.Tbsp)})
	}
	return k
}

// draws calls a function for so many random loaves that can be planned.
func draws(t *testing.T, n int, seed uint64, each func(n int, d drawn)) {
	t.Helper()
	r := rand.New(rand.NewPCG(seed, 29))
	recipes := shelf(t)
	for made := 0; made < n; {
		of := recipes[r.IntN(len(recipes))]
		if r.IntN(3) == 0 {
			of = resized(r, of)
		}
		if r.IntN(4) == 0 {
			of = slipped(r, of)
		}
		if r.IntN(6) == 0 {
			of = heated(r, of)
		}
		if of.Check() != nil {
			continue
		}
		d := drawn{Place: plan.Place{Kitchen: kitchens(r), Zone: time.UTC, Recipe: of, Machine: machines(r), Now: now}}
		d.Wish.Size = of.Size
		if r.IntN(3) == 0 {
			d.Wish.Size = []measure.LoafSize{oneLb, oneHalf, twoLb}[r.IntN(3)]
		}
		if r.IntN(5) == 0 {
			d.Ready = timetable.WallOf(now.Add(time.Duration(5+r.IntN(9))*time.Hour), time.UTC)
		}
		if r.IntN(8) == 0 {
			d.Loading = pan.Manner{Order: pan.Bloomed}
		}
		if r.IntN(6) == 0 {
			d.AddIns = plan.WithHands
		}
		p, err := plan.Make(d.Place, d.Wish)
		if err != nil {
			continue
		}
		d.p = p
		each(made, d)
		made++
	}
}

// tallied counts how many draws a statement fails, with the first of them.
type tallied struct {
	failed map[string]int
	first  map[string]string
}

func (c *tallied) of(statement string, d drawn, complaint string) {
	if complaint == "" {
		return
	}
	if c.failed == nil {
		c.failed, c.first = map[string]int{}, map[string]string{}
	}
	if c.failed[statement]++; c.failed[statement] <= c.show() {
		c.first[statement] += "\n\t" + d.String() + ": " + complaint
	}
}

func (c tallied) report(t *testing.T, all int) {
	t.Helper()
	names := []string{}
	for name := range c.failed {
		names = append(names, name)
	}
	slices.Sort(names)
	for _, name := range names {
		t.Errorf("%s: %d of %d loaves fail, the first: %s", name, c.failed[name], all, c.first[name])
	}
}

// show is how many failing loaves of a statement are told; RISEPAN_AGREE=1 tells all of them.
func (c *tallied) show() int {
	if os.Getenv("RISEPAN_AGREE") == "1" {
		return 1 << 30
	}
	return 1
}
