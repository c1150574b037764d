package plan_test

import (
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
			k.Degrees, k.Decimal, k.Weights, k.Liquid, k.Grease = measure.InFahrenheit, measure.Comma, measure.InOunces, "room temperature", true
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
	say := func(place plan.Place, wish plan.Wish, turn int) []any {
		p, err := plan.Make(place, wish)
		if err != nil {
			return []any{err.Error()}
		}
		oven, err := plan.ByOven(place.Kitchen, p)
		offers := plan.Offers(place, wish, "")
		said := []any{p, p.Digest(), p.Shop(place.Kitchen), oven, err, offers}
		held, swapped := wish, wish
		held.Locks = []plan.Lock{{Line: p.Lines[0].ID, Amount: measure.Of(3, 4, measure.Cup)}}
		if len(offers) > 0 {
			swapped.Swaps = []swap.Pick{offers[turn%len(offers)].Pick}
		}
		follows := wish
		follows.Have = &plan.Have{Line: p.Lines[len(p.Lines)-1].ID, Amount: measure.Of(8, 1, measure.Gram)}
		whole := wish
		whole.Have = &plan.Have{Line: p.Lines[0].ID, Amount: measure.Of(7, 8, measure.Cup)}
		for _, changed := range []plan.Wish{held, swapped, follows, whole} {
			p, err := plan.Make(place, changed)
			said = append(said, p, err)
		}
		return said
	}
	for _, habits := range []string{"as it comes", "of habits", "with a scale"} {
		k := heron()
		kitchens[habits](&k)
		for _, m := range []machine.Machine{demo.Galley(), demo.Boatyard()} {
			for n, r := range demo.Recipes() {
				var said []any
				for at, size := range []measure.LoafSize{one, oneHalf, two} {
					w := plan.Wish{Loaf: plan.Loaf{Size: size}}
					wishes[(n+at)%len(wishes)](&w)
					said = append(said, say(plan.Place{Kitchen: k, Recipe: r, Machine: m, Zone: time.UTC, Now: evening}, w, n+at)...)
				}
				all = append(all, readtest.Said{Name: r.Name + " on the " + m.Name + ", in a kitchen " + habits, Value: said})
			}
		}
	}
	for _, f := range judgedCases() {
		p, err := judged(f[1], f[2], machinesOfCases[f[3]], f[4], f[5])
		all = append(all, readtest.Said{Name: "judged: " + f[0], Value: []any{p, err}})
	}
	readtest.Hold(t, all)
}
