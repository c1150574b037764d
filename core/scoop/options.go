package scoop

import (
	"math"
	"sort"
)

// option is a candidate that a line may take.
type option struct {
	pick, handling int
	d, grams       float64
}

// options lists what a line may take beside flour of low to high times its exact weight: what is
// within the tolerance, of that what has the fewest strangers; else the closest alone, which is a
// miss. In a range (low < high) it lists what may be allowed anywhere in it, each with the least D
// that it has there. The list is good until the line is asked again.
func (w *wanted) options(low, high float64) (key int, out []option) {
	if w.room == nil {
		w.room = make([]option, 0, len(w.candidates))
	}
	out = w.room[:0]
	from := w.first(w.exact * low * (1 - w.tolerance - 1e-9))
	most := w.exact * high * (1 + w.tolerance + 1e-9)
	key = math.MaxInt
	for n := from; n < len(w.candidates) && w.candidates[n].grams <= most; n++ {
		c := &w.candidates[n]
		if c.strangers < key {
			if key = c.strangers; low == high {
				out = out[:0]
			}
		}
		if c.strangers == key || low < high {
			out = append(out, option{n, c.handling, w.least(c.grams, low, high), c.grams})
		}
	}
	if len(out) == 0 {
		key, out = w.closest(from, low, high, out)
	}
	w.room = out
	return key, out
}

// first is the first candidate of at least so many grams.
func (w *wanted) first(grams float64) int {
	return sort.Search(len(w.candidates), func(n int) bool { return w.candidates[n].grams >= grams })
}

// least is the least D that a weight has anywhere in a range of flour.
func (w *wanted) least(grams, low, high float64) float64 {
	off := grams/w.exact/high - 1
	if off < 0 { // the nearest to 0 in the range
		off = min(grams/w.exact/low-1, 0)
	}
	return square(off / w.tolerance)
}

// closest is the one that is taken where none is within the tolerance: the candidate before or the one after,
// of two as close the one with less handling.
func (w *wanted) closest(after int, low, high float64, out []option) (key int, one []option) {
	best := option{d: math.Inf(1)}
	for n := max(after-1, 0); n <= after && n < len(w.candidates); n++ {
		c := w.candidates[n]
		o := option{n, c.handling, w.least(c.grams, low, high), c.grams}
		handling := min(o.handling, best.handling)
		if math.IsInf(best.d, 1) || o.d < best.d-1e-12 || o.d < best.d+1e-12 && o.handling < best.handling {
			if best, key = o, missKey+c.strangers; n == max(after-1, 0) {
				continue
			}
		}
		if low < high { // either may be the closest somewhere in the range
			best.handling = handling
		}
	}
	if low < high {
		key = missKey
	}
	return key, append(out, best)
}
