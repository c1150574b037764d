package scoop

import (
	"math"
	"slices"

	"risepan/core/measure"
)

// Clean is Joint with clean amounts left alone: a line whose exact amount one kind of measure makes (3 cups,
// 2 tsp) is shown so, where no more is missed by that than has to be.
func (s *Set) Clean(lines []Item) Front {
	f := s.Joint(lines)
	if !f.Proven || len(f.found) == 0 {
		return f
	}
	first := f.At(0)
	kept := s.exact(lines, 1)
	if same := func(n int) bool {
		return math.Abs(
			float64(first.Amounts[n].Grams/lines[n].Exact)-1) <= exactly
	}; all(kept, same) {
		return f
	}
	if held, ok := s.Holding(lines, kept, len(first.Misses)); ok {
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
		if held, ok := s.Holding(lines, some, len(first.Misses)); ok {
			best = held
		} else {
			delete(some, n)
		}
	}
	return best
}

// AsWritten is Joint with every line left alone that the measures can make exactly, by as many kinds of measure as it
// takes, whatever the others then miss: what a card says and a drawer holds is measured as it is written.
func (s *Set) AsWritten(lines []Item) Front {
	f, ok := s.Holding(lines, s.exact(lines, len(s.measures)+1), math.MaxInt)
	if !ok {
		return s.Clean(lines)
	}
	return f
}

func all(kept map[int]Amount, is func(int) bool) bool {
	for n := range kept {
		if !is(n) {
			return false
		}
	}
	return true
}

// exact are the lines whose exact amount at most so many kinds of measure make, with that amount.
func (s *Set) exact(lines []Item, kinds int) map[int]Amount {
	out := map[int]Amount{}
	for n, l := range lines {
		if a, ok := s.clean(l, kinds); ok {
			out[n] = a
		}
	}
	return out
}

// exactly is how near an amount is to be to count as exact, relative: measures are taken to the nearest step.
const exactly = 1e-3

// mostScoops is how many fillings a line takes at the most to be left as it is written.
const mostScoops = 9

// clean is a line's exact amount where at most so many kinds of measure make it.
func (s *Set) clean(l Item, kinds int) (Amount, bool) {
	if l.Fixed || l.Only > 0 || l.Prefer.Amount.Millilitres() > 0 {
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
	return a, len(a.Scoops) <= kinds && (kinds == 1 || a.Count() <= mostScoops)
}

// Holding is Joint with some lines held at an amount that the measures make; false where more than so many tolerances
// are missed by that.
func (s *Set) Holding(lines []Item, kept map[int]Amount, misses int) (Front, bool) {
	held := slices.Clone(lines)
	for n, a := range kept {
		held[n].Only = a.Volume
	}
	f := s.Joint(held)
	return f, f.Proven && len(f.found) > 0 && len(f.At(0).Misses) <= misses
}

// Handily is how near what stands by itself, such as a filling, is measured, as a share of it.
const Handily = 0.08

// smallest is the smallest measure for that where there is a teaspoon of it or more: a quarter of one, ml.
const smallest = 1.2

// Handy is what to pick up for a line that is measured by itself: as it is written where it is to stay so and the
// measures make it, else the least handling within a share of it. ok is false where no measure suits it.
func (s *Set) Handy(l Item, written bool, within float64) (Amount, bool) {
	if a, ok := s.clean(l, len(s.measures)+1); ok && (written || len(a.Scoops) == 1 && a.Count() <= 4) {
		return a, true
	}
	least := Smallest(l.Ingredient, l.Exact)
	if l.Ingredient.Volume(l.Exact) >= measure.Millilitres(measure.Of(1, 1, measure.MetricTsp).Millilitres()) {
		least = max(least, smallest)
	}
	want := float64(l.Ingredient.Volume(l.Exact)) / s.step
	t, ok := s.table(least, int(want*(1+within))+1, measure.Measure{}, s.pours(l.Ingredient, l.Exact))
	if !ok {
		return Amount{}, false
	}
	best := -1
	for v := max(1, int(math.Ceil(want*(1-within)))); v <= int(want*(1+within)) && v < len(t.price); v++ {
		if t.price[v] < 0 {
			continue
		}
		easier := best < 0 || t.price[v] < t.price[best]
		if easier || t.price[v] == t.price[best] && math.Abs(float64(v)-want) < math.Abs(float64(best)-want) {
			best = v
		}
	}
	if best < 0 {
		return s.Nearest(l.Ingredient, l.Exact)
	}
	a := s.amount(t, best)
	a.Grams = measure.Grams(float64(best) * s.step * float64(l.Ingredient.GramsPerMl()))
	if l.Ingredient.GramsPerMl() == 0 {
		a.Grams = measure.Grams(a.Volume)
	}
	return a, true
}
