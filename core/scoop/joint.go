package scoop

import (
	"cmp"
	"encoding/binary"
	"math"
	"slices"

	"risepan/core/larder"
	"risepan/core/measure"
)

// Tolerances, relative to the line's share of the flour, unless said. A deviation is counted in
// units of its tolerance.
const (
	flourTolerance     = 0.04 // of all flour
	hydrationTolerance = 1.0  // points
	saltTolerance      = 0.07 // and yeast
	sugarTolerance     = 0.10 // and fat
	otherTolerance     = 0.15 // or an eighth of a teaspoon, whichever is more
	shareTolerance     = 0.02 // of each flour of a blend, as a share of all flour
)

// Item is one ingredient to measure beside others.
type Item struct {
	Ingredient *larder.Ingredient
	Exact      measure.Grams // what the resized recipe asks for, more than 0
	Fixed      bool          // it costs no scoop and is taken as Actual: whole eggs, weighed and locked lines
	Actual     measure.Grams
	Prefer     measure.Measure     // that the kitchen likes for this ingredient; its volume is 0 without one
	Only       measure.Millilitres // the one volume that is looked at, where the line is held at it; 0: any
}

// Key tells apart what Joint answers: by the lines and the measures with all of them that counts.
func Key(lines []Item, measures []measure.Measure, jug measure.Jug, s measure.Standard) string {
	b := append([]byte(s), ' ')
	number := func(v float64) { b = binary.LittleEndian.AppendUint64(b, math.Float64bits(v)) }
	number(float64(jug.Step.Millilitres()))
	number(float64(jug.Holds.Millilitres()))
	b = append(b, byte(jug.Step.Unit))
	for _, m := range measures {
		b = append(append(b, m.Name...), 0)
		number(float64(m.Amount.Millilitres()))
	}
	for _, l := range lines {
		b = append(append(append(b, 1), l.Ingredient.Kind...), 0)
		number(float64(l.Exact))
		number(float64(l.Ingredient.PerCup))
		number(l.Ingredient.Shares.Water)
		if l.Fixed {
			b = append(b, 3)
			number(float64(l.Actual))
		}
		if prefer := l.Prefer.Amount.Millilitres(); prefer > 0 {
			b = append(append(append(b, 2), l.Prefer.Name...), 0)
			number(float64(prefer))
		}
		if l.Only > 0 {
			b = append(b, 4)
			number(float64(l.Only))
		}
	}
	return string(b)
}

// Miss says what could not be brought within its tolerance.
type Miss struct {
	Line      int     // index of the line; -1 for hydration, -2 for all flour
	Deviation float64 // relative, or points of hydration
}

// In a Miss, these stand for the dough as a whole.
const (
	Hydration = -1
	AllFlour  = -2
)

// Solution is one way to measure all lines together.
type Solution struct {
	Amounts []Amount // one for each line; fixed lines have no scoops
	Scoops  int
	// Handling is the scoops of all lines, with a half for each further kind of measure that a line takes.
	Handling float64
	D        float64 // sum of squared deviations, each in units of its tolerance
	Misses   []Miss
	// Water and Flour are how far hydration (points) and all flour (relative) are off.
	Water, Flour float64
}

// candidate is an amount that the measures can make for one line.
type candidate struct {
	steps     int
	grams     float64
	handling  int // in halves
	strangers int // scoops of another measure than the preferred one
}

// wanted is a line on its way through the solver.
type wanted struct {
	index      int
	exact      float64
	tolerance  float64
	water      float64 // share of its weight that counts towards hydration here
	candidates []candidate
	table      *table
	room       []option // of the last options, used again
}

// problem is a set of lines made ready to solve.
type problem struct {
	set    *Set
	lines  []Item
	flours []wanted
	dry    []wanted // all that neither is flour nor brings water
	wet    []wanted // the main liquid last

	folded    [2]fold // room for the dry lines' folds, one after the other
	bounded   [2]fold // and for those of all lines but flour in a bin
	flourRoom flourRoom
	wetRoom   wetRoom

	digits     []uint16 // the candidates of the combinations, one flour line after another
	work       work
	flour      float64 // exact, g
	flourFixed float64 // actual, of fixed flour lines
	water      float64 // exact, g
	waterFixed float64 // actual, of fixed lines, with the exact water of dry ones
}

// wetKinds bring water that rounding can move. The little water in dry things, such as yeast or dry
// milk, is taken at its exact amount.
var wetKinds = []larder.Kind{larder.Liquid, larder.Egg, larder.Syrup, larder.Puree, larder.Fat}

func toleranceOf(i *larder.Ingredient, exact measure.Grams) float64 {
	switch i.Kind {
	case larder.Salt, larder.Yeast:
		return saltTolerance
	case larder.Sugar, larder.Syrup, larder.Fat:
		return sugarTolerance
	}
	return max(otherTolerance, float64(i.GramsPerMl()*measure.Grams(eighth)/exact))
}

// Point is one point of the trade-off between less handling and a smaller D.
type Point struct {
	Handling float64
	D        float64
}

// Front is the exact trade-off: every solution that no other beats in both, least handling first, among
// those that miss as few tolerances as can be.
type Front struct {
	Points  []Point
	Proven  bool // false where there was more to go through than the budget of work holds
	problem *problem
	found   []found
}

// At is the solution at a point.
func (f Front) At(n int) Solution { return f.problem.solution(f.found[n]) }

// Joint measures all lines together. A line without any measure that suits it gets an amount without
// scoops at its exact weight. docs/rounding.md states the objective. Where the budget of work is used up
// it returns the best that was found.
func (s *Set) Joint(lines []Item) Front {
	f := Front{problem: s.problem(lines)}
	f.found = f.problem.search()
	for _, x := range f.found {
		f.Points = append(f.Points, Point{float64(x.handling) / 2, x.d})
	}
	f.Proven = !f.problem.work.brokenOff
	return f
}

func (s *Set) problem(lines []Item) *problem {
	p := &problem{set: s, lines: lines, work: work{left: budget, stop: s.Stop}}
	all := 0.0
	for _, l := range lines {
		if l.Ingredient.Kind == larder.Flour {
			all += float64(l.Exact)
		}
	}
	for n, l := range lines {
		if l.Ingredient.Kind != larder.Flour {
			continue
		}
		w := wanted{index: n, exact: float64(l.Exact), tolerance: shareTolerance * all / float64(l.Exact)}
		p.flour += w.exact
		switch {
		case l.Fixed:
			p.flourFixed += float64(l.Actual)
		case p.candidates(&w, l, 1-flourTolerance, 1+flourTolerance):
			p.flours = append(p.flours, w)
		default: // no measure suits it: it is weighed
			p.flourFixed += w.exact
		}
	}
	return p
}

// beside takes in all lines that are no flour, beside least to most of the exact weight of that.
func (p *problem) beside(least, most float64) {
	p.water, p.waterFixed, p.dry, p.wet, p.wetRoom = 0, 0, nil, nil, wetRoom{}
	for n, l := range p.lines {
		if l.Ingredient.Kind != larder.Flour {
			p.other(n, l, least, most)
		}
	}
	slices.SortStableFunc(p.wet, func(a, b wanted) int { return cmp.Compare(a.exact*a.water, b.exact*b.water) })
}

// other takes in one of them.
func (p *problem) other(n int, l Item, least, most float64) {
	w := wanted{index: n, exact: float64(l.Exact), tolerance: toleranceOf(l.Ingredient, l.Exact)}
	share := l.Ingredient.Shares.Water / 100
	if l.Ingredient.Kind == larder.Extra {
		share = 0 // an add-in's water is its own
	}
	p.water += w.exact * share
	wet := slices.Contains(wetKinds, l.Ingredient.Kind) && share > 0
	actual := w.exact
	if l.Fixed {
		actual = float64(l.Actual)
	}
	switch fixed := l.Fixed || !p.candidates(&w, l, least, most); {
	case wet && !fixed:
		w.water = share
		p.wet = append(p.wet, w)
	case wet:
		p.waterFixed += actual * share
	default:
		p.waterFixed += w.exact * share
		if !fixed {
			w.thin(least, most)
			p.dry = append(p.dry, w)
		}
	}
}

// widest is how far about the exact amount of a line candidates are looked for, in steps: 0.4 l, more than any
// tolerance of a home kitchen's loaf.
const widest = 2000

// candidates lists the amounts near the exact one that the measures can make: all within the
// tolerance beside flour of least to most of its exact weight, and the next one below and above.
func (p *problem) candidates(w *wanted, l Item, least, most float64) bool {
	s := p.set
	perStep := float64(l.Ingredient.GramsPerMl()) * s.step
	if perStep <= 0 {
		return false
	}
	low := w.exact * (1 - w.tolerance) * least / perStep
	high := w.exact * (1 + w.tolerance) * most / perStep
	if high-low > 2*widest {
		exact := w.exact / perStep
		low, high = max(low, exact-widest), min(high, exact+widest)
		p.work.brokenOff = true
	}
	if only := float64(l.Only) / s.step; only > high {
		high = math.Ceil(only)
	}
	t, ok := s.table(Smallest(l.Ingredient, l.Exact), int(high)+1, l.Prefer, s.pours(l.Ingredient, l.Exact) &&
		l.Prefer.Amount.Millilitres() == 0)
	if !ok {
		return false
	}
	w.table = t
	w.candidates = make([]candidate, 0, 48)
	add := func(v int) {
		w.candidates = append(w.candidates, candidate{v, float64(v) * perStep, t.handling(v), t.strangers(v)})
	}
	if l.Only > 0 {
		v := int(math.Round(float64(l.Only) / s.step))
		if v >= len(t.price) || t.price[v] < 0 {
			return false
		}
		grams := float64(v) * perStep
		if math.Abs(grams/w.exact-1) <= exactly {
			grams = w.exact
		}
		w.candidates = append(w.candidates, candidate{v, grams, t.handling(v), t.strangers(v)})
		return true
	}
	first := max(int(math.Ceil(low-1e-9)), 1)
	for v := min(first, len(t.price)) - 1; v > 0; v-- {
		if t.price[v] >= 0 {
			add(v)
			break
		}
	}
	for v := first; v < len(t.price); v++ {
		if t.price[v] >= 0 {
			add(v)
			if float64(v) > high {
				break
			}
		}
	}
	return len(w.candidates) > 0
}

// thin takes out what a nearer candidate does as easily, beside any flour of least to most of its exact weight:
// a dry line moves nothing but itself.
func (w *wanted) thin(least, most float64) {
	keep := make([]bool, len(w.candidates))
	walk := func(n, step int) {
		handling, strangers := math.MaxInt, math.MaxInt
		for ; n >= 0 && n < len(w.candidates); n += step {
			c := w.candidates[n]
			keep[n] = c.handling < handling || c.strangers < strangers
			handling, strangers = min(handling, c.handling), min(strangers, c.strangers)
		}
	}
	from, to := w.first(w.exact*least), w.first(w.exact*most)
	for n := from; n < to; n++ {
		keep[n] = true
	}
	walk(from-1, -1)
	walk(to, 1)
	kept := w.candidates[:0]
	for n, c := range w.candidates {
		if keep[n] {
			kept = append(kept, c)
		}
	}
	w.candidates = kept
}
