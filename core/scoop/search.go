package scoop

import (
	"cmp"
	"math"
	"slices"
)

// found is one point of the front: a combination of flours with its wet and dry choices.
type found struct {
	combo       ranked
	handling    int
	d           float64
	wet         []int // candidates chosen
	dryHandling int
}

const missKey = 1000 // one tolerance missed outranks any number of strangers

// front keeps the best points so far, by handling.
type front struct {
	key   int
	best  map[int]found
	bound []float64 // the least D with at most so much handling
}

// beaten reports whether the front is at least as good with at most so much handling.
func (f *front) beaten(handling int, d float64) bool {
	if len(f.bound) == 0 {
		return false
	}
	return f.bound[min(handling, len(f.bound)-1)] <= d+1e-12
}

// beatenBy reports whether the front is at least as good as all that a fold can add to so much handling
// and so much D.
func (f *front) beatenBy(rest fold, handling int, d float64) bool {
	for more, e := range rest {
		if !math.IsInf(e, 1) && !f.beaten(handling+more, d+e) {
			return false
		}
	}
	return true
}

func (f *front) add(x found) {
	for len(f.bound) <= x.handling {
		last := math.Inf(1)
		if len(f.bound) > 0 {
			last = f.bound[len(f.bound)-1]
		}
		f.bound = append(f.bound, last)
	}
	for n := x.handling; n < len(f.bound); n++ {
		f.bound[n] = min(f.bound[n], x.d)
	}
	f.best[x.handling] = x
}

// bins divide the range of flour; in each, one lower bound holds for all its combinations.
const bins = 16

// search goes through the combinations of flours. The best of each handling come first,
// so that the front is soon good; of the rest most are left out, because even the lower bound of
// their bin is beaten.
func (p *problem) search() []found {
	f := &front{key: math.MaxInt, best: map[int]found{}}
	low, high, most := math.Inf(1), math.Inf(-1), 0
	for _, c := range p.combos {
		low, high, most = min(low, c.ratio), max(high, c.ratio), max(most, c.handling)
	}
	first := make([]int, most+1) // the best combination of each handling
	for n := range first {
		first[n] = -1
	}
	for n, c := range p.combos {
		if b := first[c.handling]; b < 0 || c.d < p.combos[b].d {
			first[c.handling] = n
		}
	}
	width := max((high-low)/bins, 1e-9)
	var bounds [bins + 1]*bound
	for _, n := range first {
		if n >= 0 && (len(f.best) == 0 || p.work.left > 0) {
			p.try(p.combos[n], f)
		}
	}
	for n, c := range p.combos {
		if first[c.handling] == n {
			continue
		}
		if !p.work.spend(8) {
			break
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

// points lists what no other point beats, least handling first.
func (f *front) points() []found {
	out := make([]found, 0, len(f.best))
	for _, x := range f.best {
		out = append(out, x)
	}
	slices.SortFunc(out, func(a, b found) int { return cmp.Compare(a.handling, b.handling) })
	least := math.Inf(1)
	return slices.DeleteFunc(out, func(x found) bool {
		if x.d >= least-1e-12 {
			return true
		}
		least = x.d
		return false
	})
}

// bound is the best that all lines but flour can do anywhere in a bin: for each handling
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
			p.work.spend(len(lines[n].candidates))
			b.key += key
			b.fold = b.fold.with(options, &p.work, nil)
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
	return f.beatenBy(b.fold, c.handling, c.d)
}

// try works one combination of flours out. Beside a given weight of flour the dry lines are
// independent of one another and of the wet ones, so they fold into the least D for each handling, to which
// each choice of the wet ones is added.
func (p *problem) try(c ranked, f *front) {
	key, dry := c.key, fold{0}
	for n := range p.dry {
		k, options := p.dry[n].options(c.ratio, c.ratio)
		p.work.spend(len(p.dry[n].candidates))
		key += k
		if key > f.key {
			return
		}
		p.folded[n%2] = dry.with(options, &p.work, p.folded[n%2])
		dry = p.folded[n%2]
	}
	if key > f.key || key == f.key && f.beatenBy(dry, c.handling, c.d) {
		return
	}
	p.searchWet(c, key, dry, f)
}

// fold holds the least D for each handling; infinity where no choice has that number.
type fold []float64

// with adds one line's options, of which only those matter that no other beats in handling and D. What it
// returns may lie in room.
func (f fold) with(options []option, w *work, room fold) fold {
	most := 0
	for _, o := range options {
		most = max(most, o.handling)
	}
	var few [24]float64 // the least D of the line for each handling
	line := few[:]
	if most >= len(few) {
		line = make([]float64, most+1)
	}
	line = line[:most+1]
	for n := range line {
		line[n] = math.Inf(1)
	}
	for _, o := range options {
		line[o.handling] = min(line[o.handling], o.d)
	}
	out := room[:0]
	if need := len(f) + most; cap(out) < need {
		out = make(fold, need, 2*need)
	} else {
		out = out[:need]
	}
	for n := range out {
		out[n] = math.Inf(1)
	}
	least := math.Inf(1)
	for handling, d := range line {
		if d >= least {
			continue
		}
		least = d
		w.spend(len(f) / 4)
		for before, e := range f {
			out[before+handling] = min(out[before+handling], e+d)
		}
	}
	return out
}
