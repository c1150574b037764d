package bench_test

import (
	"slices"
	"testing"
	"time"

	"risepan/core/bench"
	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/plan/plantest"
	"risepan/core/readtest"
	"risepan/demo"
)

// Every demo loaf at the bench: its steps, and the ways out of a slip of each line, too much and too little, before and after
// what lies above it.
func TestWhatTheBenchSays(t *testing.T) {
	ounces := heron()
	ounces.Weights, ounces.Decimal, ounces.Degrees = measure.InOunces, measure.Comma, measure.InFahrenheit
	scale := heron()
	scale.Scale = true
	var all []readtest.Said
	two := demo.Boatyard()
	two.Name, two.Paddles = "Two paddles", machine.Paddles{Count: 2}
	folding := demo.Galley()
	folding.Name, folding.Paddles = "Two that fold", machine.Paddles{Count: 2, Folding: true}
	one := demo.Galley()
	one.Name, one.Paddles = "One that folds", machine.Paddles{Count: 1, Folding: true}
	for kind, k := range []kitchen.Kitchen{heron(), ounces, scale} {
		for _, m := range [][]machine.Machine{{demo.Galley(), demo.Boatyard(), folding}, {demo.Galley(), two}, {demo.Boatyard(), one}}[kind] {
			for n, r := range demo.Recipes() {
				w := plantest.Ask{Place: plan.Place{Recipe: r, Machine: m, Zone: time.UTC}, Wish: plan.Wish{Loaf: plan.Loaf{Size: oneHalf}, Timing: plan.Timing{AtPanel: true}}}
				p, err := plantest.Make(k, w, evening)
				if err != nil {
					all = append(all, readtest.Said{Name: r.Name + ": " + m.Name, Value: err.Error()})
					continue
				}
				steps := bench.Steps(k, p, nil)
				said := []any{steps}
				for at, l := range p.Lines {
					s := bench.At(nil)
					for _, other := range p.Lines[:(at+n)%(len(p.Lines)+1)] {
						s.Done = append(s.Done, "measure "+other.ID)
					}
					for _, share := range []float64{0.7, 1.05, 1.6} {
						a := measure.Of(int64(share*float64(l.Exact)*10), 10, measure.Gram)
						h := bench.Happening{Do: bench.Slip, Line: l.ID, Amount: a, Way: bench.Fit}
						if err := bench.CheckSlip(p, h); err != nil {
							said = append(said, err.Error())
							continue
						}
						g, err := s.Weigh(k, p, l.ID, a)
						in := bench.Slipped{Before: p, Stands: s, Line: l.ID, Went: g}
						for _, way := range bench.Ways {
							h.Way, h.In = way, slices.DeleteFunc(s.Measured(p), func(o plan.Lock) bool { return o.Line == l.ID })
							again := w
							stands := bench.At([]bench.Happening{h})
							again.Wish = stands.Wish(w.Wish)
							made, err := plantest.Make(k, again, evening)
							if err == nil {
								said = append(said, stands, stands.InPan(k, made))
							}
							switch {
							case err != nil:
								said = append(said, err.Error())
							case way == bench.Fit:
								in.Fit = &made
							default:
								in.Grow = &made
							}
						}
						said = append(said, err, bench.Outs(k, in))
					}
				}
				all = append(all, readtest.Said{Name: r.Name + ": " + m.Name, Value: said})
			}
		}
	}
	readtest.Hold(t, all)
}
