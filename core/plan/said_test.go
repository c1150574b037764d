package plan_test

import (
	"fmt"
	"strings"
	"testing"
	"time"

	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/readtest"
	"risepan/core/scale"
	"risepan/core/swap"
	"risepan/demo"
)

// Whole plans, with all that they say: of every demo recipe and of the corpus, resized and not, at once and delayed, in
// kitchens of several habits, with locks, swaps and things left out.
func TestWhatPlansSay(t *testing.T) {
	kitchens := map[string]func(*kitchen.Kitchen){
		"as it comes": func(*kitchen.Kitchen) {},
		"of habits": func(k *kitchen.Kitchen) {
			k.Salt, k.Eggs, k.EggSize, k.Yeast = "reduced", scale.Part, kitchen.ExtraLarge, scale.Straight
			k.Degrees, k.Decimal, k.Weights, k.Liquid, k.Grease = measure.InFahrenheit, measure.Comma,
				measure.InOunces, "room temperature", true
			k.Measures = k.Measures[2:]
		},
		"with a scale": func(k *kitchen.Kitchen) { k.Scale, k.Liquid = true, "hot with rapid yeast" },
	}
	wishes := []func(*plan.Wish){
		func(w *plan.Wish) {},
		func(w *plan.Wish) { w.AtPanel = true },
		func(w *plan.Wish) { w.Ready = wall(t, "2026-03-11T07:00") },
		func(w *plan.Wish) { w.Ready, w.Away = wall(t, "2026-03-11T02:30"), true },
		func(w *plan.Wish) { w.Within, w.AddIns = 120, plan.WithHands },
		func(w *plan.Wish) { w.Closer, w.Warmth.Cold = 1, []string{"l1", "l2"} },
	}
	var all []readtest.Said
	for turn, habits := range []string{"as it comes", "of habits", "with a scale"} {
		k := heron()
		kitchens[habits](&k)
		for on, m := range []machine.Machine{demo.Galley(), demo.Boatyard()} {
			for n, r := range demo.Recipes() {
				if (n+turn+on)%3 > 0 {
					continue
				}
				w := plan.Wish{LoafWish: plan.LoafWish{Size: []measure.LoafSize{oneHalf, one, two}[(n+turn)%3]}}
				wishes[n%len(wishes)](&w)
				place := plan.Place{Kitchen: k, Recipe: r, Machine: m, Zone: time.UTC, Now: evening}
				p, err := plan.Make(place, w)
				block := planned(t, p, err)
				if err == nil {
					beside(t, block, place, w, p, n)
				}
				all = append(all, readtest.Said{Name: r.Name + " on the " + m.Name + ", in a kitchen " + habits,
					Value: block})
			}
		}
	}
	var judgements readtest.Rows
	for _, f := range judgedCases() {
		p, err := judged(f[1], f[2], machinesOfCases[f[3]], f[4], f[5])
		said := []any{p.Setting.Cycle.Name, p.Setting.Crust, p.Size, err}
		for _, c := range p.Cautions {
			said = append(said, fmt.Sprintf("%s/%s: %s", c.Level, c.About, c.Say))
		}
		judgements.Each(t, f[0], said...)
	}
	readtest.Hold(t, append(all, readtest.Said{Name: "judged", Value: &judgements}))
}

// planned is a plan as it is read on its page.
func planned(t *testing.T, p plan.Plan, err error) *readtest.Rows {
	var out readtest.Rows
	if err != nil {
		out.Each(t, "error", err)
		return &out
	}
	out.Each(t, "loaf", p.Size, p.Formula, p.Slice, p.Allergens, p.Deviations, p.LeftOut, p.Swaps)
	out.Each(t, "cycle", p.Setting.Cycle, p.Setting.Why, p.Setting.Total, p.Setting.Slack)
	out.Each(t, "crust", p.Setting.Crust, p.Setting.CrustWhy)
	out.Each(t, "press", p.Setting.Label, p.Setting.Shows)
	out.Each(t, "timer", p.Timer, p.Later, p.AddIns)
	for _, l := range p.Lines {
		out.Each(t, l.Name, l.Exact, l.Spoken, l.Weight, l.Percent, l.Running, l.Miss, strings.Join(l.Tips, " "))
	}
	for _, l := range p.Pan.Layers {
		out.Each(t, "layer of "+string(l.Stuff), l)
	}
	out.Each(t, "fill", p.Pan.Fill)
	out.Each(t, "rounding", p.Rounding.Choices, p.Rounding.Chosen, p.Rounding.First, p.Rounding.Shift, p.Rounding.Alone)
	out.Each(t, "heat", p.Heat)
	for _, a := range p.Ahead {
		out.Each(t, "ahead", a)
	}
	for _, m := range p.Moments {
		out.Each(t, m.At(p.Timer.Begin).Format("Mon 15:04"), m.ID, m.Say)
	}
	out.Each(t, "ends", p.Usual, p.Ending)
	for _, c := range p.Cautions {
		out.Each(t, c.Level, c.About, c.Say, c.Ways)
	}
	return &out
}

// beside adds what follows from a plan, and what becomes of it where one thing is changed.
func beside(t *testing.T, out *readtest.Rows, place plan.Place, w plan.Wish, p plan.Plan, turn int) {
	t.Helper()
	out.Each(t, "to buy", p.Shop(place.Kitchen))
	oven, err := plan.ByOven(place.Kitchen, p)
	out.Each(t, "by the oven", strings.Join(oven, " "), err)
	offers := plan.Offers(place, w, "")
	changed := func(what string, change func(*plan.Wish)) {
		other := w
		change(&other)
		made, err := plan.Make(place, other)
		var amounts []string
		for _, l := range made.Lines {
			amounts = append(amounts, fmt.Sprintf("%s %.4g g", l.Spoken, float64(l.Exact)))
		}
		out.Each(t, what, strings.Join(amounts, ", "), err)
	}
	changed("with the first line held", func(w *plan.Wish) {
		w.Locks = []plan.Lock{{Line: p.Lines[0].ID, Amount: measure.Of(3, 4, measure.Cup)}}
	})
	changed("as much as the last line gives", func(w *plan.Wish) {
		w.Have = &plan.Have{Line: p.Lines[len(p.Lines)-1].ID, Amount: measure.Of(8, 1, measure.Gram)}
	})
	if len(offers) > 0 {
		o := offers[turn%len(offers)]
		changed("with "+string(o.Pick.Swap), func(w *plan.Wish) { w.Swaps = []swap.Pick{o.Pick} })
	}
}
