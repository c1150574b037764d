package bench_test

import (
	"fmt"
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

// Every demo loaf at the bench: its steps, and the ways out of a slip of each line, too much and too little, before
// and after what lies above it.
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
		for _, m := range [][]machine.Machine{{demo.Galley(), demo.Boatyard(), folding}, {demo.Galley(), two},
			{demo.Boatyard(), one}}[kind] {
			for n, r := range demo.Recipes() {
				if (n+kind)%3 > 0 {
					continue
				}
				w := plantest.Ask{Place: plan.Place{Recipe: r, Machine: m, Zone: time.UTC},
					Wish: plan.Wish{LoafWish: plan.LoafWish{Size: oneHalf}, Timing: plan.Timing{AtPanel: true}}}
				p, err := plantest.Make(k, w, evening)
				if err != nil {
					all = append(all, readtest.Said{Name: r.Name + ": " + m.Name, Value: err.Error()})
					continue
				}
				var said readtest.Rows
				for _, step := range bench.Steps(k, p, nil) {
					said.Each(t, step.ID, step)
				}
				for at, l := range p.Lines {
					if at%4 != n%4 {
						continue
					}
					for _, share := range []float64{0.7, 1.05, 1.6} {
						slip(t, &said, oneSlip{k: k, ask: w, p: p, line: at, share: share,
							above: (at + n) % (len(p.Lines) + 1), name: l.Name})
					}
				}
				all = append(all, readtest.Said{Name: r.Name + ": " + m.Name, Value: &said})
			}
		}
	}
	readtest.Hold(t, all)
}

// oneSlip is a line of a loaf of which another share went in than was meant, when the first lines were measured.
type oneSlip struct {
	k           kitchen.Kitchen
	ask         plantest.Ask
	p           plan.Plan
	line, above int
	share       float64
	name        string
}

// slip adds the ways out of a slip.
func slip(t *testing.T, said *readtest.Rows, of oneSlip) {
	t.Helper()
	k, p, l := of.k, of.p, of.p.Lines[of.line]
	var above []string
	for _, other := range p.Lines[:of.above] {
		above = append(above, other.ID)
	}
	s := measured(above...)
	a := measure.Of(int64(of.share*float64(l.Exact)*10), 10, measure.Gram)
	asked := fmt.Sprintf("%s, %g of it", of.name, of.share)
	h := bench.Happening{Do: bench.Slip, Line: l.ID, Amount: a, Way: bench.Fit}
	if err := bench.CheckSlip(p, h); err != nil {
		said.Each(t, asked, err)
		return
	}
	g, err := s.Weigh(k, p, l.ID, a)
	in := bench.Slipped{Before: p, Stands: s, Line: l.ID, Went: g}
	for _, way := range bench.Answers {
		h.Way, h.In = way, slices.DeleteFunc(s.Measured(p), func(o plan.Lock) bool { return o.Line == l.ID })
		again := of.ask
		again.Wish = bench.At([]bench.Happening{h}).Wish(of.ask.Wish)
		made, err := plantest.Make(k, again, evening)
		switch {
		case err != nil:
			said.Each(t, asked+", "+string(way), err)
		case way == bench.Fit:
			in.Fit = &made
		default:
			in.Grow = &made
		}
	}
	said.Each(t, asked, g, err, bench.Outs(k, in))
}
