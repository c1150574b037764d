package scoop

import (
	"cmp"
	"math"
	"slices"
	"sort"
)

// wetSearch goes through the wet lines: the minor ones one after another, then the main liquid, for
// which the hydration leaves an interval.
type wetSearch struct {
	*problem
	flours  ranked
	front   *front
	key     int
	want    float64 // points of hydration per gram of water; without flour there is none to keep
	exact   float64 // hydration of the exact amounts
	dry     fold
	options [][]option // of the minor lines the closest first, of the main liquid by weight
	rest    []fold     // what the dry lines and the wet ones from n on can do, hydration left out
	base    int        // the least handling of flours and dry lines
	floor   float64
	missing bool // the hydration cannot be kept
	forced  bool // the budget is used up and nothing is found yet: take the first
	found   bool
	picks   []int
}

// wetRoom is what one search through the wet lines after another is done in.
type wetRoom struct {
	picks   []int
	options [][]option
	rest    []fold
	folds   []fold
}

// searchWet goes through the wet lines beside a combination of flours and puts what is found into the front
// at once, so that it prunes what comes after. key is what flours and dry lines miss.
func (p *problem) searchWet(c ranked, key int, dry fold, f *front) {
	room := &p.wetRoom
	if room.picks == nil {
		*room = wetRoom{make([]int, len(p.wet)), make([][]option, len(p.wet)), make([]fold, len(p.wet)+1),
			make([]fold, len(p.wet))}
	}
	s := wetSearch{problem: p, flours: c, front: f, key: key, dry: dry, picks: room.picks, options: room.options,
		rest: room.rest}
	if p.flour > 0 {
		s.want = 100 / p.flour
	}
	s.exact = p.water * s.want
	s.rest[len(p.wet)] = dry
	for n := len(p.wet) - 1; n >= 0; n-- {
		k, o := p.wet[n].options(c.ratio, c.ratio)
		p.work.spend(len(p.wet[n].candidates))
		if n < len(p.wet)-1 {
			slices.SortFunc(o, func(a, b option) int { return cmp.Compare(a.d, b.d) })
		}
		s.key, s.options[n] = s.key+k, o
		room.folds[n] = s.rest[n+1].with(o, &p.work, room.folds[n])
		s.rest[n] = room.folds[n]
	}
	if s.key > f.key {
		return
	}
	s.base, s.floor = c.handling, c.d+slices.Min(dry)
	for math.IsInf(dry[s.base-c.handling], 1) {
		s.base++
	}
	before := f.key
	s.choose(0, 0, 0, p.waterFixed)
	if !s.found && s.key < before { // nothing was left out, so nothing keeps the hydration
		s.missing = true
		s.key += missKey
		if s.key <= f.key {
			s.forced = p.work.left <= 0
			s.choose(0, 0, 0, p.waterFixed)
		}
	}
}

// over reports that the search has to end where it is.
func (s *wetSearch) over(n int) bool {
	if s.forced {
		return s.found
	}
	return !s.work.spend(2 + len(s.rest[n])/2)
}

func (s *wetSearch) choose(n, handling int, d, water float64) {
	if n == len(s.wet) {
		s.leaf(handling, d, water)
		return
	}
	if s.over(n) || s.key == s.front.key && s.front.beatenBy(s.rest[n], s.flours.handling+handling, s.flours.d+d) {
		return
	}
	from, to := s.interval(n, water)
	for m := from; m < to; m++ {
		o := s.options[n][m]
		s.picks[n] = o.pick
		s.choose(n+1, handling+o.handling, d+o.d, water+o.grams*s.wet[n].water)
	}
}

// interval is which options of a wet line are looked at: all, but of the main liquid only those that
// keep the hydration.
func (s *wetSearch) interval(n int, water float64) (from, to int) {
	to = len(s.options[n])
	if n < len(s.wet)-1 || s.want == 0 || s.missing {
		return 0, to
	}
	low := ((s.exact-hydrationTolerance)*s.flours.ratio/s.want - water) / s.wet[n].water
	high := ((s.exact+hydrationTolerance)*s.flours.ratio/s.want - water) / s.wet[n].water
	from = sort.Search(to, func(m int) bool { return s.options[n][m].grams >= low-1e-6 })
	to = sort.Search(to, func(m int) bool { return s.options[n][m].grams > high+1e-6 })
	return from, to
}

func (s *wetSearch) leaf(handling int, d, water float64) {
	if s.key == s.front.key && s.front.beaten(s.base+handling, s.floor+d) {
		return
	}
	off := water*s.want/s.flours.ratio - s.exact
	if math.Abs(off) <= hydrationTolerance+1e-9 == s.missing {
		return
	}
	s.found = true
	if s.key < s.front.key {
		*s.front = front{key: s.key, best: s.front.best[:0]}
	}
	d += s.flours.d + square(off/hydrationTolerance)
	var picks []int // kept once for all points of this choice
	for dry, e := range s.dry {
		all, sum := s.flours.handling+handling+dry, d+e
		if math.IsInf(sum, 1) || s.front.beaten(all, sum) {
			continue
		}
		if picks == nil {
			picks = slices.Clone(s.picks)
		}
		s.front.add(found{s.flours, all, sum, picks, dry})
	}
}
