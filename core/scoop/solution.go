package scoop

import (
	"math"
	"slices"

	"risepan/core/larder"
	"risepan/core/measure"
)

// foldAll is the folds of lines one after the other beside so much flour, with what each may take.
func (p *problem) foldAll(lines []wanted, ratio float64) (folds []fold, options [][]option) {
	folds, options = []fold{{0}}, make([][]option, len(lines))
	for n := range lines {
		_, options[n] = lines[n].options(ratio, ratio)
		folds = append(folds, folds[n].with(options[n], &p.work, nil))
	}
	return folds, options
}

// trace finds the choices of all lines behind a handling.
func trace(folds []fold, options [][]option, handling int) []int {
	out := make([]int, len(options))
	for n := len(options) - 1; n >= 0; n-- {
		for _, o := range options[n] {
			left := handling - o.handling
			if left >= 0 && left < len(folds[n]) && math.Abs(folds[n][left]+o.d-folds[n+1][handling]) < 1e-12 {
				out[n], handling = o.pick, left
				break
			}
		}
	}
	return out
}

// solution turns a point of the front into amounts.
func (p *problem) solution(x found) Solution {
	s := Solution{Amounts: make([]Amount, len(p.lines)), Handling: float64(x.handling) / 2, D: x.d}
	for n, l := range p.lines {
		s.Amounts[n].Grams = l.Exact
		if l.Fixed {
			s.Amounts[n].Grams = l.Actual
		}
		s.Amounts[n].Volume = l.Ingredient.Volume(s.Amounts[n].Grams)
	}
	water, ratio := p.waterFixed, x.combo.ratio
	measured := func(lines []wanted, picks []int) {
		for n, w := range lines {
			c := w.candidates[picks[n]]
			s.Amounts[w.index] = p.set.amount(w.table, c.steps)
			s.Amounts[w.index].Grams = measure.Grams(c.grams)
			s.Scoops += s.Amounts[w.index].Count()
			water += c.grams * w.water
			if off := c.grams/w.exact/ratio - 1; math.Abs(off) > w.tolerance+1e-9 {
				s.Misses = append(s.Misses, Miss{w.index, off})
			}
		}
	}
	measured(p.flours, p.picks(x.combo))
	dry, options := p.foldAll(p.dry, ratio)
	measured(p.dry, trace(dry, options, x.dryHandling))
	measured(p.wet, x.wet)
	s.Flour = ratio - 1
	if math.Abs(s.Flour) > flourTolerance+1e-9 && len(p.flours) > 0 {
		s.Misses = append(s.Misses, Miss{AllFlour, s.Flour})
	}
	if p.flour > 0 {
		s.Water = 100 / p.flour * (water/ratio - p.water)
	}
	if math.Abs(s.Water) > hydrationTolerance+1e-9 {
		s.Misses = append(s.Misses, Miss{Hydration, s.Water})
	}
	return s
}

// Judge is lines at amounts that were chosen already, of fixed ones as they are: how much handling they are, and
// what of them lies beyond its tolerance.
func Judge(lines []Item, amounts []Amount) Solution {
	out := Solution{Amounts: amounts}
	grams := make([]float64, len(lines))
	all := 0.0
	for n, l := range lines {
		if grams[n] = float64(amounts[n].Grams); l.Fixed {
			grams[n] = float64(l.Actual)
		}
		if l.Ingredient.Kind == larder.Flour {
			all += float64(l.Exact)
		}
	}
	moved := slices.Clone(grams) // without the little water in dry things, which is taken at its exact amount
	for n, l := range lines {
		if l.Ingredient.Kind != larder.Flour && !slices.Contains(wetKinds, l.Ingredient.Kind) {
			moved[n] = float64(l.Exact)
		}
	}
	out.Flour, out.Water = Shift(lines, moved)
	ratio := 1 + out.Flour
	out.D = square(out.Flour/flourTolerance) + square(out.Water/hydrationTolerance)
	for n, l := range lines {
		if l.Fixed || len(amounts[n].Scoops) == 0 {
			continue
		}
		tolerance := toleranceOf(l.Ingredient, l.Exact)
		if l.Ingredient.Kind == larder.Flour {
			tolerance = shareTolerance * all / float64(l.Exact)
		}
		off := grams[n]/float64(l.Exact)/ratio - 1
		if out.D += square(off / tolerance); math.Abs(off) > tolerance+1e-9 {
			out.Misses = append(out.Misses, Miss{n, off})
		}
		out.Scoops += amounts[n].Count()
		out.Handling += amounts[n].handling()
	}
	free := slices.ContainsFunc(lines, func(l Item) bool { return l.Ingredient.Kind == larder.Flour && !l.Fixed })
	if free && math.Abs(out.Flour) > flourTolerance+1e-9 {
		out.Misses = append(out.Misses, Miss{AllFlour, out.Flour})
	}
	if math.Abs(out.Water) > hydrationTolerance+1e-9 {
		out.Misses = append(out.Misses, Miss{Hydration, out.Water})
	}
	return out
}

// handling is the amount's scoops, with a half for each further kind of measure.
func (a Amount) handling() float64 {
	kinds := len(a.Scoops)
	if len(a.Scoops) > 1 && a.Scoops[1].Jug { // full jugs and the rest
		kinds--
	}
	return float64(a.Count()) + float64(max(0, kinds-1))/2
}

// Alone measures each line on its own, by its nearest amount: what a baker does without help. It
// is there to be compared with.
func (s *Set) Alone(lines []Item) Solution {
	out := Solution{Amounts: make([]Amount, len(lines))}
	grams := make([]float64, len(lines))
	for n, l := range lines {
		out.Amounts[n].Grams = l.Exact
		if l.Fixed {
			out.Amounts[n].Grams = l.Actual
		} else if a, ok := s.Nearest(l.Ingredient, l.Exact); ok {
			out.Amounts[n] = a
			out.Scoops += a.Count()
		}
		grams[n] = float64(out.Amounts[n].Grams)
	}
	out.Flour, out.Water = Shift(lines, grams)
	return out
}

// Shift is how far measured weights move a dough: all flour (relative) and hydration (points).
func Shift(lines []Item, grams []float64) (flour, water float64) {
	var f, measured, w, wet float64
	for n, l := range lines {
		switch l.Ingredient.Kind {
		case larder.Flour:
			f += float64(l.Exact)
			measured += grams[n]
		case larder.Extra:
		default:
			w += float64(l.Exact) * l.Ingredient.Shares.Water / 100
			wet += grams[n] * l.Ingredient.Shares.Water / 100
		}
	}
	if f <= 0 || measured <= 0 {
		return 0, 0
	}
	return measured/f - 1, 100*wet/measured - 100*w/f
}
