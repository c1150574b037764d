package scoop

import (
	"cmp"
	"math"
	"slices"
	"sort"

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
)

// Line is one ingredient to measure beside others.
type Line struct {
	Ingredient larder.Ingredient
	Exact      measure.Grams // what the resized recipe asks for, more than 0
	// Fixed lines cost no scoop and are taken as Actual: whole eggs, weighed and locked lines.
	Fixed  bool
	Actual measure.Grams
	// Prefer is the measure that the kitchen likes for this ingredient; its volume is 0 without one.
	Prefer measure.Measure
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
	D       float64 // sum of squared deviations, each in units of its tolerance
	Misses  []Miss
	// Water and Flour are how far hydration (points) and all flour (relative) are off.
	Water, Flour float64
}

// candidate is an amount that the measures can make for one line.
type candidate struct {
	steps     int
	grams     float64
	scoops    int
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
	lines  []Line
	flours []wanted
	dry    []wanted // all that neither is flour nor brings water
	wet    []wanted // the main liquid last

	combos []ranked // of the flours

	flour      float64 // exact, g
	flourFixed float64 // actual, of fixed flour lines
	water      float64 // exact, g
	waterFixed float64 // actual, of fixed lines, with the exact water of dry ones
}

// wetKinds bring water that rounding can move. The little water in dry things, such as yeast or dry
// milk, is taken at its exact amount.
var wetKinds = []larder.Kind{larder.Liquid, larder.Egg, larder.Syrup, larder.Puree, larder.Fat}

func toleranceOf(i larder.Ingredient, exact measure.Grams) float64 {
	switch i.Kind {
	case larder.Salt, larder.Yeast:
		return saltTolerance
	case larder.Sugar, larder.Syrup, larder.Fat:
		return sugarTolerance
	}
	return max(otherTolerance, float64(i.GramsPerMl()*measure.Grams(eighth)/exact))
}

// Joint measures all lines together. It returns the exact trade-off between fewer scoops and a
// smaller D: every solution that no other beats in both, fewest scoops first, among those that miss
// as few tolerances as can be. A line without any measure that suits it gets an amount without
// scoops at its exact weight. docs/rounding.md states the objective.
func (s *Set) Joint(lines []Line) []Solution {
	p := s.problem(lines)
	front := p.search()
	out := make([]Solution, 0, len(front))
	for _, f := range front {
		out = append(out, p.solution(f))
	}
	return out
}

func (s *Set) problem(lines []Line) *problem {
	p := &problem{set: s, lines: lines}
	for n, l := range lines {
		if l.Ingredient.Kind != larder.Flour {
			continue
		}
		w := wanted{index: n, exact: float64(l.Exact), tolerance: toleranceOf(l.Ingredient, l.Exact)}
		p.flour += w.exact
		switch {
		case l.Fixed:
			p.flourFixed += float64(l.Actual)
		case s.candidates(&w, l, 1-flourTolerance, 1+flourTolerance):
			p.flours = append(p.flours, w)
		default: // no measure suits it: it is weighed
			p.flourFixed += w.exact
		}
	}
	p.combos = p.flourCombos()
	least, most := math.Inf(1), math.Inf(-1)
	for _, c := range p.combos {
		least, most = min(least, c.ratio), max(most, c.ratio)
	}
	for n, l := range lines {
		if l.Ingredient.Kind != larder.Flour {
			p.other(n, l, least, most)
		}
	}
	slices.SortStableFunc(p.wet, func(a, b wanted) int { return cmp.Compare(a.exact*a.water, b.exact*b.water) })
	return p
}

// other takes in a line that is no flour, beside so much flour as a share of the exact.
func (p *problem) other(n int, l Line, least, most float64) {
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
	switch fixed := l.Fixed || !p.set.candidates(&w, l, least, most); {
	case wet && !fixed:
		w.water = share
		p.wet = append(p.wet, w)
	case wet:
		p.waterFixed += actual * share
	default:
		p.waterFixed += w.exact * share
		if !fixed {
			p.dry = append(p.dry, w)
		}
	}
}

// candidates lists the amounts near the exact one that the measures can make: all within the
// tolerance beside flour of least to most of its exact weight, and the next one below and above.
func (s *Set) candidates(w *wanted, l Line, least, most float64) bool {
	perStep := float64(l.Ingredient.GramsPerMl()) * s.step
	if perStep <= 0 {
		return false
	}
	low := w.exact * (1 - w.tolerance) * least / perStep
	high := w.exact * (1 + w.tolerance) * most / perStep
	t, ok := s.table(Smallest(l.Ingredient.Kind), int(high)+1, l.Prefer)
	if !ok {
		return false
	}
	w.table = t
	add := func(v int) {
		w.candidates = append(w.candidates, candidate{v, float64(v) * perStep, t.scoops(v), t.strangers(v)})
	}
	first := max(int(math.Ceil(low-1e-9)), 1)
	for v := min(first, len(t.fewest)) - 1; v > 0; v-- {
		if t.fewest[v] >= 0 {
			add(v)
			break
		}
	}
	for v := first; v < len(t.fewest); v++ {
		if t.fewest[v] >= 0 {
			add(v)
			if float64(v) > high {
				break
			}
		}
	}
	return len(w.candidates) > 0
}

// ranked is one combination of flours.
type ranked struct {
	pick   int // the candidate of each flour line, as the digits of one number
	ratio  float64
	scoops int
	key    int // misses and strangers
	d      float64
}

// picks spells out a combination's candidates.
func (p *problem) picks(c ranked) []int {
	out := make([]int, len(p.flours))
	for n, w := range p.flours {
		out[n] = c.pick % len(w.candidates)
		c.pick /= len(w.candidates)
	}
	return out
}

// found is one point of the front: a combination of flours with its wet and dry choices.
type found struct {
	combo     ranked
	scoops    int
	d         float64
	wet       []int // candidates chosen
	dryScoops int
}

const missKey = 1000 // one tolerance missed outranks any number of strangers

// front keeps the best points so far, by number of scoops.
type front struct {
	key   int
	best  map[int]found
	bound []float64 // the least D with at most so many scoops
}

// beaten reports whether the front is at least as good with at most so many scoops.
func (f *front) beaten(scoops int, d float64) bool {
	if len(f.bound) == 0 {
		return false
	}
	return f.bound[min(scoops, len(f.bound)-1)] <= d+1e-12
}

// beatenBy reports whether the front is at least as good as all that a fold can add to so many scoops
// and so much D.
func (f *front) beatenBy(rest fold, scoops int, d float64) bool {
	for more, e := range rest {
		if !math.IsInf(e, 1) && !f.beaten(scoops+more, d+e) {
			return false
		}
	}
	return true
}

func (f *front) add(x found) {
	for len(f.bound) <= x.scoops {
		last := math.Inf(1)
		if len(f.bound) > 0 {
			last = f.bound[len(f.bound)-1]
		}
		f.bound = append(f.bound, last)
	}
	for n := x.scoops; n < len(f.bound); n++ {
		f.bound[n] = min(f.bound[n], x.d)
	}
	f.best[x.scoops] = x
}

// bins divide the range of flour; in each, one lower bound holds for all its combinations.
const bins = 48

// search goes through the combinations of flours. The best of each number of scoops come first,
// so that the front is soon good; of the rest most are left out, because even the lower bound of
// their bin is beaten.
func (p *problem) search() []found {
	f := &front{key: math.MaxInt, best: map[int]found{}}
	low, high, most := math.Inf(1), math.Inf(-1), 0
	for _, c := range p.combos {
		low, high, most = min(low, c.ratio), max(high, c.ratio), max(most, c.scoops)
	}
	first := make([]int, most+1) // the best combination of each number of scoops
	for n := range first {
		first[n] = -1
	}
	for n, c := range p.combos {
		if b := first[c.scoops]; b < 0 || c.d < p.combos[b].d {
			first[c.scoops] = n
		}
	}
	width := max((high-low)/bins, 1e-9)
	var bounds [bins + 1]*bound
	for _, n := range first {
		if n >= 0 {
			p.try(p.combos[n], f)
		}
	}
	for n, c := range p.combos {
		if first[c.scoops] == n {
			continue
		}
		bin := int((c.ratio - low) / width)
		if bounds[bin] == nil {
			bounds[bin] = p.bound(low+float64(bin)*width, low+float64(bin+1)*width)
		}
		if !bounds[bin].beats(f, c) {
			p.try(c, f)
		}
	}
	return f.points()
}

// points lists what no other point beats, fewest scoops first.
func (f *front) points() []found {
	out := make([]found, 0, len(f.best))
	for _, x := range f.best {
		out = append(out, x)
	}
	slices.SortFunc(out, func(a, b found) int { return cmp.Compare(a.scoops, b.scoops) })
	least := math.Inf(1)
	return slices.DeleteFunc(out, func(x found) bool {
		if x.d >= least-1e-12 {
			return true
		}
		least = x.d
		return false
	})
}

// bound is the best that all lines but flour can do anywhere in a bin: for each number of scoops
// the least D, hydration left out.
type bound struct {
	key  int
	fold fold
}

func (p *problem) bound(low, high float64) *bound {
	b := &bound{fold: fold{0}}
	for _, lines := range [][]wanted{p.dry, p.wet} {
		for n := range lines {
			key, options := lines[n].options(low, high)
			b.key += key
			b.fold = b.fold.with(options)
		}
	}
	return b
}

// beats reports whether the front is at least as good as all that this combination can lead to.
func (b *bound) beats(f *front, c ranked) bool {
	switch key := c.key + b.key; {
	case key < f.key:
		return false
	case key > f.key:
		return true
	}
	return f.beatenBy(b.fold, c.scoops, c.d)
}

// try works one combination of flours out. Beside a given weight of flour the dry lines are
// independent of one another and of the wet ones, so each side folds into the least D for each
// number of scoops, and the two are then added.
func (p *problem) try(c ranked, f *front) {
	key, dry := c.key, fold{0}
	for n := range p.dry {
		k, options := p.dry[n].options(c.ratio, c.ratio)
		key += k
		dry = dry.with(options)
	}
	if key > f.key {
		return
	}
	key, wet := p.foldWet(c, key, dry, f)
	if len(wet) == 0 || key > f.key {
		return
	}
	if key < f.key {
		*f = front{key: key, best: map[int]found{}}
	}
	for _, w := range wet {
		for scoops, d := range dry {
			all, sum := c.scoops+w.scoops+scoops, c.d+w.d+d
			if !math.IsInf(sum, 1) && !f.beaten(all, sum) {
				f.add(found{c, all, sum, w.picks, scoops})
			}
		}
	}
}

// fold holds the least D for each number of scoops; infinity where no choice has that number.
type fold []float64

// with adds one line's options, of which only those matter that no other beats in scoops and D.
func (f fold) with(options []option) fold {
	most := 0
	for _, o := range options {
		most = max(most, o.scoops)
	}
	var few [24]float64 // the least D of the line for each number of scoops
	line := few[:]
	if most >= len(few) {
		line = make([]float64, most+1)
	}
	line = line[:most+1]
	for n := range line {
		line[n] = math.Inf(1)
	}
	for _, o := range options {
		line[o.scoops] = min(line[o.scoops], o.d)
	}
	out := make(fold, len(f)+most)
	for n := range out {
		out[n] = math.Inf(1)
	}
	least := math.Inf(1)
	for scoops, d := range line {
		if d >= least {
			continue
		}
		least = d
		for before, e := range f {
			out[before+scoops] = min(out[before+scoops], e+d)
		}
	}
	return out
}

func square(x float64) float64 { return x * x }

// flourCombos lists the combinations of flours. Flour comes first: where any combination has all
// flour and every share of it within tolerance only such are kept; else, among those with the
// fewest misses, the ones whose flour in all is closest.
func (p *problem) flourCombos() []ranked {
	if len(p.flours) == 0 {
		ratio := 1.0
		if p.flour > 0 {
			ratio = p.flourFixed / p.flour
		}
		return []ranked{{ratio: ratio, d: square((ratio - 1) / flourTolerance)}}
	}
	var out []ranked
	fewestMisses := math.MaxInt
	grams := make([]float64, len(p.flours))
	rest := make([]float64, len(p.flours)+1) // the most that the lines from n on can bring
	for n := len(p.flours) - 1; n >= 0; n-- {
		w := p.flours[n]
		rest[n] = rest[n+1] + w.candidates[len(w.candidates)-1].grams
	}
	leastFlour, mostFlour := p.flour*(1-flourTolerance)-1e-9, p.flour*(1+flourTolerance)+1e-9
	var choose func(n int, sum float64, scoops, key, pick, place int)
	choose = func(n int, sum float64, scoops, key, pick, place int) {
		if fewestMisses == 0 && (sum > mostFlour || sum+rest[n] < leastFlour) {
			return
		}
		if n < len(p.flours) {
			for c, x := range p.flours[n].candidates {
				grams[n] = x.grams
				choose(n+1, sum+x.grams, scoops+x.scoops, key+x.strangers, pick+c*place, place*len(p.flours[n].candidates))
			}
			return
		}
		ratio := sum / p.flour
		misses, d := 0, square((ratio-1)/flourTolerance)
		if math.Abs(ratio-1) > flourTolerance+1e-9 {
			misses++
		}
		for m := range p.flours {
			w := &p.flours[m]
			off := grams[m]/w.exact/ratio - 1
			if math.Abs(off) > w.tolerance+1e-9 {
				misses++
			}
			d += square(off / w.tolerance)
		}
		if misses < fewestMisses {
			fewestMisses, out = misses, out[:0]
		}
		if misses == fewestMisses {
			out = append(out, ranked{pick, ratio, scoops, misses*missKey + key, d})
		}
	}
	choose(0, p.flourFixed, 0, 0, 0, 1)
	if fewestMisses > 0 {
		closest := math.Inf(1)
		for _, c := range out {
			closest = min(closest, math.Abs(c.ratio-1))
		}
		out = slices.DeleteFunc(out, func(c ranked) bool { return math.Abs(c.ratio-1) > closest+1e-9 })
	}
	return out
}

// option is a candidate that a line may take.
type option struct {
	pick, scoops int
	d, grams     float64
}

// options lists what a line may take beside flour of low to high times its exact weight: what is
// within the tolerance, of that what has the fewest strangers; else the closest alone, which is a
// miss. In a range (low < high) it lists what may be allowed anywhere in it, each with the least D
// that it has there. The list is good until the line is asked again.
func (w *wanted) options(low, high float64) (key int, out []option) {
	out = w.room[:0]
	least := math.MaxInt
	closest := option{d: math.Inf(1), scoops: math.MaxInt}
	strangers := 0
	for n, c := range w.candidates {
		off := c.grams/w.exact/high - 1
		if off < 0 { // the nearest to 0 in the range
			off = min(c.grams/w.exact/low-1, 0)
		}
		o := option{n, c.scoops, square(off / w.tolerance), c.grams}
		if o.d < closest.d-1e-12 {
			if low < high {
				o.scoops = min(o.scoops, closest.scoops)
			}
			closest, strangers = o, c.strangers
		} else if low < high {
			closest.scoops = min(closest.scoops, c.scoops)
		}
		o.scoops = c.scoops
		if math.Abs(off) > w.tolerance+1e-9 {
			continue
		}
		if c.strangers < least {
			least = c.strangers
			if low == high {
				out = out[:0]
			}
		}
		if c.strangers == least || low < high {
			out = append(out, o)
		}
	}
	switch {
	case len(out) > 0:
		key = least
	case low < high:
		key, out = missKey, append(out, closest)
	default:
		key, out = missKey+strangers, append(out, closest)
	}
	w.room = out
	return key, out
}

// cost is a choice of wet lines.
type cost struct {
	scoops int
	d      float64
	picks  []int
}

// foldWet searches the wet lines: the minor ones one after another, then the main liquid, for which
// the hydration leaves an interval. It returns the best choice for each useful number of scoops.
// What the front already beats, together with the flours and the dry lines, is left out.
func (p *problem) foldWet(c ranked, key int, dry fold, f *front) (int, []cost) {
	want := 0.0 // points of hydration per gram of water; without flour there is none to keep
	if p.flour > 0 {
		want = 100 / p.flour
	}
	options := make([][]option, len(p.wet))
	rest := make([]fold, len(p.wet)+1) // what the dry lines and the wet ones from n on can do, hydration left out
	rest[len(p.wet)] = dry
	for n := len(p.wet) - 1; n >= 0; n-- {
		k, o := p.wet[n].options(c.ratio, c.ratio)
		key, options[n] = key+k, o
		rest[n] = rest[n+1].with(o)
	}
	if key > f.key {
		return key, nil
	}

	missing := false // the hydration cannot be kept
	exact := p.water * want
	var out []cost
	picks := make([]int, len(p.wet))
	keep := func(scoops int, d float64) {
		for n := range out {
			if out[n].scoops == scoops {
				if d < out[n].d {
					out[n].d = d
					copy(out[n].picks, picks)
				}
				return
			}
		}
		out = append(out, cost{scoops, d, slices.Clone(picks)})
	}
	base, floor := c.scoops, c.d+slices.Min(dry)
	for math.IsInf(dry[base-c.scoops], 1) {
		base++
	}
	var choose func(n, scoops int, d, water float64)
	choose = func(n, scoops int, d, water float64) {
		if n == len(p.wet) {
			if key == f.key && f.beaten(base+scoops, floor+d) {
				return
			}
			off := water*want/c.ratio - exact
			if math.Abs(off) <= hydrationTolerance+1e-9 == !missing {
				keep(scoops, d+square(off/hydrationTolerance))
			}
			return
		}
		if key == f.key && f.beatenBy(rest[n], c.scoops+scoops, c.d+d) {
			return
		}
		from, to := 0, len(options[n])
		if n == len(p.wet)-1 && want > 0 && !missing { // the main liquid: only what keeps the hydration
			low := ((exact-hydrationTolerance)*c.ratio/want - water) / p.wet[n].water
			high := ((exact+hydrationTolerance)*c.ratio/want - water) / p.wet[n].water
			from = sort.Search(to, func(m int) bool { return options[n][m].grams >= low-1e-6 })
			to = sort.Search(to, func(m int) bool { return options[n][m].grams > high+1e-6 })
		}
		for m := from; m < to; m++ {
			o := options[n][m]
			picks[n] = o.pick
			choose(n+1, scoops+o.scoops, d+o.d, water+o.grams*p.wet[n].water)
		}
	}
	before := key
	choose(0, 0, 0, p.waterFixed)
	if len(out) == 0 && before < f.key { // nothing was left out, so nothing keeps the hydration
		missing = true
		key += missKey
		if key <= f.key {
			choose(0, 0, 0, p.waterFixed)
		}
	}
	return key, out
}

// dryPicks finds the dry lines' choices behind a number of scoops.
func (p *problem) dryPicks(ratio float64, scoops int) []int {
	folds := []fold{{0}}
	options := make([][]option, len(p.dry))
	for n := range p.dry {
		_, options[n] = p.dry[n].options(ratio, ratio)
		folds = append(folds, folds[n].with(options[n]))
	}
	out := make([]int, len(p.dry))
	for n := len(p.dry) - 1; n >= 0; n-- {
		for _, o := range options[n] {
			left := scoops - o.scoops
			if left >= 0 && left < len(folds[n]) && math.Abs(folds[n][left]+o.d-folds[n+1][scoops]) < 1e-12 {
				out[n], scoops = o.pick, left
				break
			}
		}
	}
	return out
}

// solution turns a point of the front into amounts.
func (p *problem) solution(x found) Solution {
	s := Solution{Amounts: make([]Amount, len(p.lines)), Scoops: x.scoops, D: x.d}
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
			water += c.grams * w.water
			if off := c.grams/w.exact/ratio - 1; math.Abs(off) > w.tolerance+1e-9 {
				s.Misses = append(s.Misses, Miss{w.index, off})
			}
		}
	}
	measured(p.flours, p.picks(x.combo))
	measured(p.dry, p.dryPicks(ratio, x.dryScoops))
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
