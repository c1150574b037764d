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

// seeds are the combinations with which the search begins, so that the front is soon good: of each handling
// the closest, as if all flour came out exact, where no flour misses its tolerance.
func (p *problem) seeds() []ranked {
	folds, options := p.foldAll(p.flours, 1)
	all := 0
	for _, o := range options {
		all += len(o)
	}
	var out []ranked
	for handling, d := range folds[len(p.flours)] {
		if math.IsInf(d, 1) || !p.work.spend(all) {
			continue
		}
		picks := trace(folds, options, handling)
		if c, misses := p.combination(picks); misses == 0 {
			out = append(out, p.kept(c, picks))
		}
	}
	return out
}

// combination is the flours at the candidates picked, and how many of them, their sum with them, miss their
// tolerance.
func (p *problem) combination(picks []int) (c ranked, misses int) {
	sum := p.flourFixed
	for n, pick := range picks {
		sum += p.flours[n].candidates[pick].grams
	}
	c.ratio = sum / p.flour
	c.d = square((c.ratio - 1) / flourTolerance)
	if math.Abs(c.ratio-1) > flourTolerance+1e-9 {
		misses++
	}
	for n, pick := range picks {
		w := &p.flours[n]
		x := w.candidates[pick]
		off := x.grams/w.exact/c.ratio - 1
		if math.Abs(off) > w.tolerance+1e-9 {
			misses++
		}
		c.d += square(off / w.tolerance)
		c.handling += x.handling
		c.key += x.strangers
	}
	c.key += misses * missKey
	return c, misses
}

// kept is a combination whose candidates are remembered.
func (p *problem) kept(c ranked, picks []int) ranked {
	c.pick = len(p.digits)
	for _, pick := range picks {
		p.digits = append(p.digits, uint16(pick))
	}
	return c
}

// flourSearch goes through the combinations of flours whose total lies in a bin: there one lower bound over
// all that is not chosen yet holds, and is close.
type flourSearch struct {
	*problem
	front       *front
	low, high   float64    // of all flour, as a share of the exact
	options     [][]option // of each flour, the closest first
	least, most []float64  // what the flours from n on can bring, g
	rest        []fold     // what they and all other lines can do at best; made when it is first asked for
	keys        []int      // and how much they miss at least
	picks       []int
}

// flourRoom is what the search of one bin after another is done in.
type flourRoom struct {
	options     [][]option
	least, most []float64
	rest, folds []fold
	keys, picks []int
	tried       []ranked // the seeds
}

func newFlourRoom(n int) flourRoom {
	return flourRoom{make([][]option, n), make([]float64, n+1), make([]float64, n+1), make([]fold, n+1),
		make([]fold, n), make([]int, n+1), make([]int, n), nil}
}

// bin goes through one bin.
func (p *problem) bin(low, high float64, f *front) {
	room := &p.flourRoom
	s := flourSearch{problem: p, front: f, low: low, high: high, options: room.options, least: room.least,
		most: room.most, keys: room.keys, picks: room.picks}
	for n := len(p.flours) - 1; n >= 0; n-- {
		key, o := p.flours[n].options(low, high)
		if key >= missKey || !p.work.spend(2*len(p.flours[n].candidates)) {
			return
		}
		slices.SortFunc(o, func(a, b option) int { return cmp.Compare(a.d, b.d) })
		s.options[n], s.keys[n] = o, key
		least, most := math.Inf(1), 0.0
		for _, o := range o {
			least, most = min(least, o.grams), max(most, o.grams)
		}
		s.least[n], s.most[n] = s.least[n+1]+least, s.most[n+1]+most
	}
	nearest := min(max(1, low), high)
	s.choose(0, p.flourFixed, square((nearest-1)/flourTolerance), 0, 0)
}

// beaten reports whether the front is at least as good as all that can come of what is chosen before line n.
func (s *flourSearch) beaten(n, handling, strangers int, d float64) bool {
	if s.rest == nil {
		s.bound()
	}
	switch key := strangers + s.keys[n]; {
	case key < s.front.key:
		return false
	case key > s.front.key:
		return true
	}
	return s.front.beatenBy(s.rest[n], handling, d)
}

// bound works out what all lines can do at best anywhere in the bin, hydration left out.
func (s *flourSearch) bound() {
	room, all := &s.flourRoom, len(s.flours)
	s.rest = room.rest
	s.keys[all], s.rest[all] = s.others(s.low, s.high)
	for n := all - 1; n >= 0; n-- {
		s.keys[n] += s.keys[n+1]
		room.folds[n] = s.rest[n+1].with(s.options[n], &s.work, room.folds[n])
		s.rest[n] = room.folds[n]
	}
}

func (s *flourSearch) choose(n int, sum, d float64, handling, strangers int) {
	if sum+s.most[n] < s.low*s.flour || sum+s.least[n] > s.high*s.flour {
		return
	}
	if n == len(s.flours) {
		s.leaf()
		return
	}
	if !s.work.spend(2+s.price()) || len(s.options[n]) > 1 && s.beaten(n, handling, strangers, d) {
		return
	}
	for _, o := range s.options[n] {
		s.picks[n] = o.pick
		s.choose(n+1, sum+o.grams, d+o.d, handling+o.handling, strangers+s.flours[n].candidates[o.pick].strangers)
	}
}

// price is the work of one look at the bound.
func (s *flourSearch) price() int {
	if s.rest == nil {
		return 0
	}
	return len(s.rest[0]) / 2
}

func (s *flourSearch) leaf() {
	s.work.spend(len(s.flours))
	c, misses := s.combination(s.picks)
	if misses > 0 || s.seen(c) || s.rest != nil && s.beaten(len(s.flours), c.handling, c.key, c.d) {
		return
	}
	s.try(s.kept(c, s.picks), s.front)
}

// seen reports whether a combination was among the seeds.
func (s *flourSearch) seen(c ranked) bool {
	return slices.ContainsFunc(s.flourRoom.tried, func(x ranked) bool {
		return x.ratio == c.ratio && x.handling == c.handling && x.d == c.d && x.key == c.key
	})
}

// fewestMisses lists the combinations of flours with the fewest misses, of them the ones whose flour in all is
// closest: what is left where none is without.
func (p *problem) fewestMisses() []ranked {
	e := enumeration{problem: p, fewest: math.MaxInt, picks: make([]int, len(p.flours)),
		order: make([][]int, len(p.flours)), reserve: p.work.left / 2}
	for n := range p.flours {
		e.order[n] = p.flours[n].closestFirst()
	}
	e.choose(0)
	closest := math.Inf(1)
	for _, c := range e.out {
		closest = min(closest, math.Abs(c.ratio-1))
	}
	return slices.DeleteFunc(e.out, func(c ranked) bool { return math.Abs(c.ratio-1) > closest+1e-9 })
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
	picks   []int
	order   [][]int
	reserve int // work to leave for the other lines
}

func (e *enumeration) choose(n int) {
	if n == len(e.flours) {
		e.leaf()
		return
	}
	for _, c := range e.order[n] {
		if len(e.out) > 0 && e.work.left <= e.reserve {
			e.work.brokenOff = true
			return
		}
		e.work.spend(1)
		e.picks[n] = c
		e.choose(n + 1)
	}
}

// leaf keeps a combination that misses no more than those before it.
func (e *enumeration) leaf() {
	e.work.spend(len(e.flours))
	c, misses := e.combination(e.picks)
	if misses < e.fewest {
		e.fewest, e.out = misses, e.out[:0]
	}
	if misses == e.fewest {
		e.out = append(e.out, e.kept(c, e.picks))
	}
}

func square(x float64) float64 { return x * x }
