package scoop

import (
	"math"

	"risepan/core/larder"
	"risepan/core/measure"
)

// dryPicks finds the dry lines' choices behind their handling.
func (p *problem) dryPicks(ratio float64, handling int) []int {
	folds := []fold{{0}}
	options := make([][]option, len(p.dry))
	for n := range p.dry {
		_, options[n] = p.dry[n].options(ratio, ratio)
		folds = append(folds, folds[n].with(options[n], &p.work, nil))
	}
	out := make([]int, len(p.dry))
	for n := len(p.dry) - 1; n >= 0; n-- {
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
	measured(p.dry, p.dryPicks(ratio, x.dryHandling))
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

// Alone measures each line on its own, by its nearest amount: what a baker does without help. It
// is there to be compared with.
func (s *Set) Alone(lines []Line) Solution {
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
func Shift(lines []Line, grams []float64) (flour, water float64) {
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
