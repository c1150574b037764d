// Package scoop turns weights into amounts that a kitchen's own cups and spoons can measure: sums
// of level measures.
package scoop

import (
	"math"
	"slices"
	"strings"

	"risepan/core/larder"
	"risepan/core/measure"
)

// Scoops is so many fillings of one measure.
type Scoops struct {
	Measure measure.Measure `json:"measure"`
	Count   int             `json:"count"`
}

// Amount is what to pick up for one ingredient, largest measure first.
type Amount struct {
	Scoops []Scoops            `json:"scoops"`
	Volume measure.Millilitres `json:"volume"`
	Grams  measure.Grams       `json:"grams"`
}

// Count is the number of fillings.
func (a Amount) Count() int {
	n := 0
	for _, s := range a.Scoops {
		n += s.Count
	}
	return n
}

// String says the amount as a cook would: "1 cup + 1/3 cup + 2 × 1 tbsp".
func (a Amount) String() string {
	var parts []string
	for _, s := range a.Scoops {
		text := s.Measure.String()
		if s.Count > 1 {
			text = measure.Whole(int64(s.Count)).String() + " × " + text
		}
		parts = append(parts, text)
	}
	return strings.Join(parts, " + ")
}

// Smallest is the smallest measure that an ingredient of this kind is measured with: flour none
// below 1 tbsp, a liquid or syrup none below 1/2 tsp, anything else whatever there is.
func Smallest(k larder.Kind) measure.Millilitres {
	switch k {
	case larder.Flour:
		return measure.Of(1, 1, measure.MetricTbsp).Millilitres() - slack
	case larder.Liquid, larder.Puree:
		return measure.Of(1, 2, measure.Tsp).Millilitres() - slack
	}
	return 0
}

// slack lets a US spoon of 14.8 ml pass for one of 15 ml, ml.
const slack = 0.3

// Set is a kitchen's measures, made ready to find sums in.
type Set struct {
	measures []measure.Measure // largest first
	volumes  []int             // of each, in steps
	step     float64           // ml
	tables   map[measure.Millilitres]*table
}

// stepsPerTeaspoon divides a teaspoon so that halves, thirds, quarters and eighths of spoons and
// cups are whole numbers of steps. Odd measures are taken to the nearest step, 0.2 ml.
const stepsPerTeaspoon = 24

// NewSet prepares measures of the given standard.
func NewSet(measures []measure.Measure, s measure.Standard) *Set {
	set := &Set{
		measures: slices.Clone(measures),
		step:     measure.Of(1, 1, s.In(measure.Tsp)).Unit.Facts().Size / stepsPerTeaspoon,
		tables:   map[measure.Millilitres]*table{},
	}
	slices.SortStableFunc(set.measures, func(a, b measure.Measure) int {
		return int(math.Copysign(1, float64(b.Amount.Millilitres()-a.Amount.Millilitres())))
	})
	for _, m := range set.measures {
		set.volumes = append(set.volumes, max(1, int(math.Round(float64(m.Amount.Millilitres())/set.step))))
	}
	return set
}

// table holds, for every volume in steps, the fewest scoops that make it and the last one used.
type table struct {
	fewest []int32 // -1 where no sum makes the volume
	last   []int16
}

// Nearest is the measurable amount closest to g of the ingredient, with the fewest scoops that
// make it. ok is false when the set has no measure that suits the ingredient.
func (s *Set) Nearest(i larder.Ingredient, g measure.Grams) (a Amount, ok bool) {
	want := float64(i.Volume(g)) / s.step
	t, ok := s.table(Smallest(i.Kind), int(want)+1)
	if !ok {
		return Amount{}, false
	}
	best := -1
	for v := 1; v < len(t.fewest); v++ {
		if t.fewest[v] < 0 {
			continue
		}
		if best < 0 || math.Abs(float64(v)-want) < math.Abs(float64(best)-want) {
			best = v
		}
		if float64(v) > want {
			break
		}
	}
	count := make([]int, len(s.measures))
	for v := best; v > 0; v -= s.volumes[t.last[v]] {
		count[t.last[v]]++
	}
	for n, c := range count {
		if c > 0 {
			a.Scoops = append(a.Scoops, Scoops{s.measures[n], c})
			a.Volume += s.measures[n].Amount.Millilitres() * measure.Millilitres(c)
		}
	}
	a.Grams = g
	if v := i.Volume(1); v > 0 {
		a.Grams = measure.Grams(a.Volume / v)
	}
	return a, true
}

// table finds the fewest scoops for volumes up to one measure past the wanted one.
func (s *Set) table(least measure.Millilitres, want int) (*table, bool) {
	first := -1
	for n, m := range s.measures {
		if m.Amount.Millilitres() >= least {
			first = n
		}
	}
	if first < 0 {
		return nil, false
	}
	usable := s.volumes[:first+1]
	size := want + usable[0] + 1
	if t := s.tables[least]; t != nil && len(t.fewest) >= size {
		return t, true
	}
	t := &table{make([]int32, size), make([]int16, size)}
	for v := 1; v < size; v++ {
		t.fewest[v] = -1
		for n, u := range usable {
			if u <= v && t.fewest[v-u] >= 0 && (t.fewest[v] < 0 || t.fewest[v-u]+1 < t.fewest[v]) {
				t.fewest[v], t.last[v] = t.fewest[v-u]+1, int16(n)
			}
		}
	}
	s.tables[least] = t
	return t, true
}
