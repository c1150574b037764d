package scoop

import (
	"cmp"
	"math"
	"slices"
	"strconv"
	"strings"
	"sync"

	"risepan/core/larder"
	"risepan/core/measure"
)

// Scoops is so many fillings of one measure, or readings off a jug's marks of an amount.
type Scoops struct {
	Measure measure.Measure `json:"measure"`
	Count   int             `json:"count"`
	Jug     bool            `json:"jug,omitzero"`
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

// Sum is all scoops as one amount, in the unit of the largest; ok is false where there are none, or one of them is no
// volume.
func (a Amount) Sum() (sum measure.Amount, ok bool) {
	for n, s := range a.Scoops {
		if n == 0 {
			ok = true
			sum = s.Measure.Amount
			sum.Quantity = sum.Quantity.Times(measure.Whole(int64(s.Count)))
			continue
		}
		if sum, ok = sum.Plus(int64(s.Count), s.Measure.Amount); !ok {
			return sum, false
		}
	}
	return sum.Tidy(), len(a.Scoops) > 0
}

// String says the amount as a cook would: "1 cup + 1/3 cup + 2 × 1 tbsp".
func (a Amount) String() string {
	var parts []string
	for _, s := range a.Scoops {
		text := s.Measure.String()
		if s.Jug {
			text += " in the jug"
		}
		if s.Count > 1 {
			text = measure.Whole(int64(s.Count)).String() + " × " + text
		}
		parts = append(parts, text)
	}
	return strings.Join(parts, " + ")
}

// Smallest is the smallest measure that so much of an ingredient is measured with: flour none below 1 tbsp,
// a liquid none below 1/2 tsp, but for flavourings and the like, of which there is less than two spoonfuls;
// anything else whatever there is.
func Smallest(i *larder.Ingredient, g measure.Grams) measure.Millilitres {
	switch {
	case i.Kind == larder.Flour:
		return tablespoon - slack
	case (i.Kind == larder.Liquid || i.Kind == larder.Puree) && i.Volume(g) >= flavouring:
		return halfTeaspoon - slack
	}
	return 0
}

var (
	tablespoon   = measure.Of(1, 1, measure.MetricTbsp).Millilitres()
	halfTeaspoon = measure.Of(1, 2, measure.Tsp).Millilitres()
	flavouring   = measure.Of(2, 1, measure.MetricTbsp).Millilitres()
	eighth       = measure.Of(1, 8, measure.Tsp).Millilitres()
)

// slack lets a US spoon of 14.8 ml pass for one of 15 ml, ml.
const slack = 0.3

// Set is a kitchen's measures, made ready to find sums in. It is not safe for concurrent use.
type Set struct {
	// Stop, where it is not nil, is closed when nobody waits for the answer any more.
	Stop <-chan struct{}

	measures []measure.Measure     // largest first
	ml       []measure.Millilitres // of each
	volumes  []int                 // of each, in steps
	step     float64               // ml
	tables   map[tableKey]*table
	key      string // of its measures
	jug      measure.Jug
	mark     int // a jug's step, in steps of volume; 0 without one
	marks    int
}

// stepsPerTeaspoon divides a teaspoon so that halves, thirds, quarters and eighths of spoons and
// cups are whole numbers of steps. Odd measures are taken to the nearest step, 0.2 ml.
const stepsPerTeaspoon = 24

// NewSet prepares measures of the given standard.
func NewSet(measures []measure.Measure, s measure.Standard) *Set {
	set := &Set{
		measures: slices.Clone(measures),
		step:     s.In(measure.Tsp).Facts().Size / stepsPerTeaspoon,
		tables:   map[tableKey]*table{},
	}
	slices.SortStableFunc(set.measures, func(a, b measure.Measure) int {
		return cmp.Compare(b.Amount.Millilitres(), a.Amount.Millilitres())
	})
	for _, m := range set.measures {
		ml := m.Amount.Millilitres()
		set.ml = append(set.ml, ml)
		set.volumes = append(set.volumes, max(1, int(math.Round(float64(ml)/set.step))))
		set.key += strconv.Itoa(set.volumes[len(set.volumes)-1]) + " "
	}
	return set
}

// WithJug is the set with a jug beside its measures.
func (s *Set) WithJug(j measure.Jug) *Set {
	if marks := j.Marks(); marks > 0 {
		s.jug, s.marks, s.mark = j, marks, max(1, int(math.Round(float64(j.Step.Millilitres())/s.step)))
	}
	return s
}

// pours reports whether so much of an ingredient is read off a jug, where there is one.
func (s *Set) pours(i *larder.Ingredient, g measure.Grams) bool {
	return s.mark > 0 && i.Kind == larder.Liquid && i.Volume(g) >= flavouring
}

// made remembers tables, for those of one drawer of cups and spoons are asked for again and again. A
// table never changes once it is there; of sizes, the largest is kept.
var made struct {
	sync.Mutex
	tables map[string]*table
}

// mostMade is how many tables are remembered, of up to about 100 kB each.
const mostMade = 64

// remembered is the table of a set that was made before and is large enough.
func (s *Set) remembered(usable, liked int, pours bool, size int) *table {
	made.Lock()
	defer made.Unlock()
	if t := made.tables[s.tableName(usable, liked, pours)]; t != nil && len(t.price) >= size {
		return t
	}
	return nil
}

func (s *Set) remember(usable, liked int, pours bool, t *table) {
	made.Lock()
	defer made.Unlock()
	if len(made.tables) >= mostMade || made.tables == nil {
		made.tables = map[string]*table{}
	}
	made.tables[s.tableName(usable, liked, pours)] = t
}

// tableName tells tables apart: by the measures, how many of them may be used, which is liked, and the jug.
func (s *Set) tableName(usable, liked int, pours bool) string {
	name := s.key + strconv.Itoa(usable) + " " + strconv.Itoa(liked)
	if pours {
		name += " jug " + strconv.Itoa(s.mark) + " " + strconv.Itoa(s.marks)
	}
	return name
}

// tableStep is by how many steps of volume tables grow: about a cup and a half.
const tableStep = 2048

type tableKey struct {
	least  measure.Millilitres
	prefer measure.Measure
	pours  bool
}

// table holds, for every volume in steps, the easiest sum of measures that makes it: with the fewest
// scoops of another measure than a preferred one, then the least handling, then the fewest scoops.
type table struct {
	price []int64    // strangers, handling and scoops in one number; -1 where no sum makes the volume
	used  [][]uint16 // of each measure, in the easiest sum of it and those before it
}

// The parts of a price. Handling is counted in halves: two for each scoop, one for each kind of measure.
const (
	stranger = 1 << 40
	half     = 1 << 20
	scoop    = 2*half + 1
)

// handling is that of a volume in halves; the first kind of measure is free.
func (t *table) handling(v int) int  { return int(t.price[v]%stranger/half) - 1 }
func (t *table) strangers(v int) int { return int(t.price[v] / stranger) }

// easiest fills a table for volumes up to a size: first what a jug of so many marks reads, then measure after
// measure.
func easiest(volumes []int, price []int64, size, mark, marks int) *table {
	t := &table{price: make([]int64, size)}
	for v := 1; v < size; v++ {
		t.price[v] = -1
	}
	for k := 1; mark > 0 && k*mark < size; k++ {
		t.price[k*mark] = int64((k+marks-1)/marks)*scoop + half
	}
	with := make([]int64, size) // the easiest sums in which the measure is
	for n, u := range volumes {
		used := make([]uint16, size)
		count := make([]uint16, size)
		for v := range with {
			with[v] = -1
		}
		for v := u; v < size; v++ {
			if p := t.price[v-u]; p >= 0 && used[v-u] == 0 {
				with[v], count[v] = p+price[n]+half, 1
			}
			if p := with[v-u]; p >= 0 && (with[v] < 0 || p+price[n] < with[v]) {
				with[v], count[v] = p+price[n], count[v-u]+1
			}
		}
		for v := range with {
			if with[v] >= 0 && (t.price[v] < 0 || with[v] < t.price[v]) {
				t.price[v], used[v] = with[v], count[v]
			}
		}
		t.used = append(t.used, used)
	}
	return t
}

// Nearest is the measurable amount closest to g of the ingredient, with the least handling that
// makes it: what rounding each line alone does. ok is false when no measure suits the ingredient.
func (s *Set) Nearest(i *larder.Ingredient, g measure.Grams) (a Amount, ok bool) {
	want := float64(i.Volume(g)) / s.step
	t, ok := s.table(Smallest(i, g), int(want)+1, measure.Measure{}, s.pours(i, g))
	if !ok {
		return Amount{}, false
	}
	best := -1
	for v := 1; v < len(t.price); v++ {
		if t.price[v] < 0 {
			continue
		}
		if best < 0 || math.Abs(float64(v)-want) < math.Abs(float64(best)-want) {
			best = v
		}
		if float64(v) > want {
			break
		}
	}
	a = s.amount(t, best)
	a.Grams = measure.Grams(float64(best) * s.step * float64(i.GramsPerMl()))
	if i.GramsPerMl() == 0 {
		a.Grams = measure.Grams(a.Volume)
	}
	return a, true
}

// amount spells out the sum behind a volume.
func (s *Set) amount(t *table, steps int) Amount {
	a := Amount{Volume: measure.Millilitres(float64(steps) * s.step)}
	count := make([]int, len(s.measures))
	left := steps
	for n := len(t.used) - 1; n >= 0; n-- {
		count[n] = int(t.used[n][left])
		left -= count[n] * s.volumes[n]
	}
	if left > 0 { // what no measure was used for is read off the jug
		a.Scoops = s.readings(left / s.mark)
	}
	for n, c := range count {
		if c > 0 {
			a.Scoops = append(a.Scoops, Scoops{Measure: s.measures[n], Count: c})
		}
	}
	return a
}

// readings are so many marks of the jug: full jugs, and the rest.
func (s *Set) readings(marks int) []Scoops {
	read := func(marks, count int) Scoops {
		step := s.jug.Step
		return Scoops{measure.Measure{Amount: measure.Amount{Quantity: step.Quantity.Times(
			measure.Whole(int64(marks))), Unit: step.Unit}}, count, true}
	}
	var out []Scoops
	if full := marks / s.marks; full > 0 {
		out = append(out, read(s.marks, full))
	}
	if rest := marks % s.marks; rest > 0 {
		out = append(out, read(rest, 1))
	}
	return out
}

// table finds the cheapest sums for volumes up to one largest measure past the wanted one.
func (s *Set) table(least measure.Millilitres, want int, prefer measure.Measure, pours bool) (*table, bool) {
	usable := 0
	for usable < len(s.ml) && s.ml[usable] >= least {
		usable++
	}
	if usable == 0 {
		return nil, false
	}
	size := want + s.volumes[0] + 1
	key := tableKey{least, prefer, pours}
	if t := s.tables[key]; t != nil && len(t.price) >= size {
		return t, true
	}
	liked := -1
	if prefer.Amount.Millilitres() > 0 {
		liked = slices.Index(s.measures[:usable], prefer)
		if liked < 0 {
			liked = len(s.measures) // none of those that may be used: all are strangers
		}
	}
	if t := s.remembered(usable, liked, pours, size); t != nil {
		s.tables[key] = t
		return t, true
	}
	size = (size/tableStep + 1) * tableStep // so that growing lines do not make it anew each time
	price := make([]int64, usable)
	for n := range usable {
		price[n] = scoop
		if liked >= 0 && n != liked {
			price[n] += stranger
		}
	}
	mark := 0
	if pours {
		mark = s.mark
	}
	t := easiest(s.volumes[:usable], price, size, mark, s.marks)
	s.tables[key] = t
	s.remember(usable, liked, pours, t)
	return t, true
}
