package scoop

import (
	"math"
	"slices"

	"risepan/core/measure"
)

// Clean is Joint with clean amounts left alone: a line whose exact amount one kind of measure makes (3 cups,
// 2 tsp) is shown so, where no more is missed by that than has to be.
func (s *Set) Clean(lines []Line) Front {
	f := s.Joint(lines)
	if !f.Proven || len(f.found) == 0 {
		return f
	}
	first := f.At(0)
	kept := map[int]Amount{}
	for n, l := range lines {
		if a, ok := s.clean(l); ok && math.Abs(float64(first.Amounts[n].Grams/l.Exact)-1) > exactly {
			kept[n] = a
		}
	}
	if len(kept) == 0 {
		return f
	}
	if held, ok := s.holding(lines, kept, len(first.Misses)); ok {
		return held
	}
	some := map[int]Amount{} // not all of them can be: as many as can, in the recipe's order
	best := f
	for n := range lines {
		a, ok := kept[n]
		if !ok || len(kept) == 1 {
			continue
		}
		some[n] = a
		if held, ok := s.holding(lines, some, len(first.Misses)); ok {
			best = held
		} else {
			delete(some, n)
		}
	}
	return best
}

// exactly is how near an amount is to be to count as exact, relative: measures are taken to the nearest step.
const exactly = 1e-3

// clean is a line's exact amount where one kind of measure makes it.
func (s *Set) clean(l Line) (Amount, bool) {
	if l.Fixed || l.Prefer.Amount.Millilitres() > 0 {
		return Amount{}, false
	}
	want := float64(l.Ingredient.Volume(l.Exact)) / s.step
	v := int(math.Round(want))
	if v < 1 || math.Abs(float64(v)/want-1) > exactly {
		return Amount{}, false
	}
	t, ok := s.table(Smallest(l.Ingredient, l.Exact), v, measure.Measure{}, s.pours(l.Ingredient, l.Exact))
	if !ok || t.price[v] < 0 {
		return Amount{}, false
	}
	a := s.amount(t, v)
	a.Grams = l.Exact
	return a, len(a.Scoops) == 1
}

// holding is the front with some lines held at an amount; false where more is missed by that.
func (s *Set) holding(lines []Line, kept map[int]Amount, misses int) (Front, bool) {
	held := slices.Clone(lines)
	for n, a := range kept {
		held[n].Fixed, held[n].Actual = true, a.Grams
	}
	rest := s.Joint(held)
	if !rest.Proven {
		return rest, false
	}
	out := Front{Proven: true}
	least := math.Inf(1)
	for n := range rest.found {
		x := rest.At(n)
		for k, a := range kept {
			x.Amounts[k] = a
		}
		if x = Judge(lines, x.Amounts); len(x.Misses) <= misses && x.D < least-1e-12 {
			least = x.D
			out.Points = append(out.Points, Point{x.Handling, x.D})
			out.solved = append(out.solved, x)
		}
	}
	return out, len(out.Points) > 0
}
