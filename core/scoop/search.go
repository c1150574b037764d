package scoop

import "math"

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
	best  []found   // at each handling; of those that no choice makes, d is infinite
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
		if e < math.MaxFloat64 && !f.beaten(handling+more, d+e) {
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
	for len(f.best) <= x.handling {
		f.best = append(f.best, found{d: math.Inf(1)})
	}
	for n := x.handling; n < len(f.bound); n++ {
		f.bound[n] = min(f.bound[n], x.d)
	}
	f.best[x.handling] = x
}

// bins divide the range of flour; in each, one lower bound holds for all its combinations.
const bins = 8

// search goes through the combinations of flours: first a few good ones, then bin by bin, those about the
// exact total first. Where none is without a miss, it tries those with the fewest.
func (p *problem) search() []found {
	f := &front{key: math.MaxInt}
	if len(p.flours) == 0 {
		ratio := 1.0
		if p.flour > 0 {
			ratio = p.flourFixed / p.flour
		}
		p.beside(ratio, ratio)
		p.try(ranked{ratio: ratio, d: square((ratio - 1) / flourTolerance)}, f)
		return f.points()
	}
	p.beside(1-flourTolerance, 1+flourTolerance)
	p.flourRoom = newFlourRoom(len(p.flours))
	p.flourRoom.tried = p.seeds()
	for _, c := range p.flourRoom.tried {
		if len(f.best) == 0 || p.work.left > 0 {
			p.try(c, f)
		}
	}
	const width = 2 * (flourTolerance + 1e-8) / bins
	for n := range bins {
		from := 1 + width*float64((n+1)/2)*float64(1-n%2*2)
		p.bin(from, from+width, f)
	}
	if len(f.best) > 0 {
		return f.points()
	}
	combos := p.fewestMisses()
	least, most := math.Inf(1), math.Inf(-1)
	for _, c := range combos {
		least, most = min(least, c.ratio), max(most, c.ratio)
	}
	p.beside(least, most)
	for n, c := range combos {
		if n == 0 || p.work.spend(8) {
			p.try(c, f)
		}
	}
	return f.points()
}

// points lists what no other point beats, least handling first.
func (f *front) points() []found {
	var out []found
	least := math.Inf(1)
	for _, x := range f.best {
		if x.d < least-1e-12 {
			least = x.d
			out = append(out, x)
		}
	}
	return out
}

// others is the best that all lines but flour can do anywhere in a bin: how much they miss at least, and
// for each handling the least D, hydration left out. It is good until it is asked for again.
func (p *problem) others(low, high float64) (key int, best fold) {
	best = fold{0}
	room := 0
	for _, lines := range [][]wanted{p.dry, p.wet} {
		for n := range lines {
			k, options := lines[n].options(low, high)
			p.work.spend(len(lines[n].candidates))
			key += k
			room = 1 - room
			p.bounded[room] = best.with(options, &p.work, p.bounded[room])
			best = p.bounded[room]
		}
	}
	return key, best
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
	var few [24]float64 // the least D of the line for each handling
	line := few[:]
	for _, o := range options {
		if o.handling >= len(line) {
			line = make([]float64, o.handling+1, 2*o.handling+1)
			break
		}
	}
	for n := range line {
		line[n] = math.Inf(1)
	}
	for _, o := range options {
		for o.handling >= len(line) {
			line = append(line, math.Inf(1))
		}
		if o.d < line[o.handling] {
			line[o.handling] = o.d
		}
	}
	line = line[:fold(line).thin()]
	out := room[:0]
	if need := len(f) + len(line) - 1; cap(out) < need {
		out = make(fold, need, 2*need)
	} else {
		out = out[:need]
	}
	for n := range out {
		out[n] = math.Inf(1)
	}
	for handling, d := range line {
		if math.IsInf(d, 1) {
			continue
		}
		w.spend(len(f) / 4)
		from := out[handling:]
		for before, e := range f {
			if e+d < from[before] {
				from[before] = e + d
			}
		}
	}
	return out[:out.thin()]
}

// thin takes out what less handling does as well, and tells up to where anything is left.
func (f fold) thin() (end int) {
	least := math.Inf(1)
	for n, d := range f {
		if d < least {
			least, end = d, n+1
		} else {
			f[n] = math.Inf(1)
		}
	}
	return end
}
