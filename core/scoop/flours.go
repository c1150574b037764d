package scoop

import (
	"cmp"
	"math"
	"slices"
)

// ranked is one combination of flours.
type ranked struct {
	pick     int // where the candidate of each flour line begins in the problem's digits
	ratio    float64
	handling int
	key      int // misses and strangers
	d        float64
}

// picks spells out a combination's candidates.
func (p *problem) picks(c ranked) []int {
	out := make([]int, len(p.flours))
	for n := range p.flours {
		out[n] = int(p.digits[c.pick+n])
	}
	return out
}

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
	e := enumeration{problem: p, fewest: math.MaxInt, grams: make([]float64, len(p.flours)), digits: make([]uint16, len(p.flours)),
		rest: make([]float64, len(p.flours)+1), order: make([][]int, len(p.flours)), reserve: p.work.left / 2}
	for n := len(p.flours) - 1; n >= 0; n-- {
		w := &p.flours[n]
		e.rest[n] = e.rest[n+1] + w.candidates[len(w.candidates)-1].grams
		e.order[n] = w.closestFirst()
	}
	e.choose(0, p.flourFixed, 0, 0)
	if e.fewest > 0 {
		closest := math.Inf(1)
		for _, c := range e.out {
			closest = min(closest, math.Abs(c.ratio-1))
		}
		e.out = slices.DeleteFunc(e.out, func(c ranked) bool { return math.Abs(c.ratio-1) > closest+1e-9 })
	}
	return e.out
}

// closestFirst orders a line's candidates by how near they are to the exact amount.
func (w *wanted) closestFirst() []int {
	order := make([]int, len(w.candidates))
	for n := range order {
		order[n] = n
	}
	slices.SortStableFunc(order, func(a, b int) int {
		return cmp.Compare(math.Abs(w.candidates[a].grams-w.exact), math.Abs(w.candidates[b].grams-w.exact))
	})
	return order
}

// enumeration goes through the combinations of flours, each line's closest amounts first.
type enumeration struct {
	*problem
	out     []ranked
	fewest  int // misses
	grams   []float64
	digits  []uint16
	rest    []float64 // the most that the lines from n on can bring
	order   [][]int
	reserve int // work to leave for the other lines
}

func (e *enumeration) choose(n int, sum float64, handling, key int) {
	if e.fewest == 0 && (sum > e.flour*(1+flourTolerance)+1e-9 || sum+e.rest[n] < e.flour*(1-flourTolerance)-1e-9) {
		return
	}
	if n == len(e.flours) {
		e.leaf(sum, handling, key)
		return
	}
	for _, c := range e.order[n] {
		if len(e.out) > 0 && e.work.left <= e.reserve {
			e.work.brokenOff = true
			return
		}
		e.work.spend(1)
		x := e.flours[n].candidates[c]
		e.grams[n], e.digits[n] = x.grams, uint16(c)
		e.choose(n+1, sum+x.grams, handling+x.handling, key+x.strangers)
	}
}

// leaf keeps a combination that misses no more than those before it.
func (e *enumeration) leaf(sum float64, handling, key int) {
	e.work.spend(len(e.flours))
	ratio := sum / e.flour
	misses, d := 0, square((ratio-1)/flourTolerance)
	if math.Abs(ratio-1) > flourTolerance+1e-9 {
		misses++
	}
	for m := range e.flours {
		w := &e.flours[m]
		off := e.grams[m]/w.exact/ratio - 1
		if math.Abs(off) > w.tolerance+1e-9 {
			misses++
		}
		d += square(off / w.tolerance)
	}
	if misses < e.fewest {
		e.fewest, e.out = misses, e.out[:0]
	}
	if misses == e.fewest {
		e.out = append(e.out, ranked{len(e.problem.digits), ratio, handling, misses*missKey + key, d})
		e.problem.digits = append(e.problem.digits, e.digits...)
	}
}

func square(x float64) float64 { return x * x }
