package scoop

import (
	"math"
	"slices"
	"sort"
)

// cost is a choice of wet lines.
type cost struct {
	scoops int
	d      float64
	picks  []int
}

// wetSearch goes through the wet lines: the minor ones one after another, then the main liquid, for
// which the hydration leaves an interval.
type wetSearch struct {
	*problem
	flours  ranked
	front   *front
	key     int
	want    float64 // points of hydration per gram of water; without flour there is none to keep
	exact   float64 // hydration of the exact amounts
	options [][]option
	rest    []fold // what the dry lines and the wet ones from n on can do, hydration left out
	base    int    // the fewest scoops of flours and dry lines
	floor   float64
	missing bool // the hydration cannot be kept
	forced  bool // the budget is used up and nothing is found yet: take the first
	picks   []int
	out     []cost
}

// foldWet searches the wet lines and returns the best choice for each useful number of scoops. What the
// front already beats, together with the flours and the dry lines, is left out.
func (p *problem) foldWet(c ranked, key int, dry fold, f *front) (int, []cost) {
	s := wetSearch{problem: p, flours: c, front: f, key: key, picks: make([]int, len(p.wet)),
		options: make([][]option, len(p.wet)), rest: make([]fold, len(p.wet)+1)}
	if p.flour > 0 {
		s.want = 100 / p.flour
	}
	s.exact = p.water * s.want
	s.rest[len(p.wet)] = dry
	for n := len(p.wet) - 1; n >= 0; n-- {
		k, o := p.wet[n].options(c.ratio, c.ratio)
		p.work.spend(len(p.wet[n].candidates))
		s.key, s.options[n] = s.key+k, o
		s.rest[n] = s.rest[n+1].with(o, &p.work)
	}
	if s.key > f.key {
		return s.key, nil
	}
	s.base, s.floor = c.scoops, c.d+slices.Min(dry)
	for math.IsInf(dry[s.base-c.scoops], 1) {
		s.base++
	}
	before := s.key
	s.choose(0, 0, 0, p.waterFixed)
	if len(s.out) == 0 && before < f.key { // nothing was left out, so nothing keeps the hydration
		s.missing = true
		s.key += missKey
		if s.key <= f.key {
			s.forced = p.work.left <= 0
			s.choose(0, 0, 0, p.waterFixed)
		}
	}
	return s.key, s.out
}

func (s *wetSearch) keep(scoops int, d float64) {
	for n := range s.out {
		if s.out[n].scoops == scoops {
			if d < s.out[n].d {
				s.out[n].d = d
				copy(s.out[n].picks, s.picks)
			}
			return
		}
	}
	s.out = append(s.out, cost{scoops, d, slices.Clone(s.picks)})
}

// over reports that the search has to end where it is.
func (s *wetSearch) over(n int) bool {
	if s.forced {
		return len(s.out) > 0
	}
	return !s.work.spend(2 + len(s.rest[n])/2)
}

func (s *wetSearch) choose(n, scoops int, d, water float64) {
	if n == len(s.wet) {
		s.leaf(scoops, d, water)
		return
	}
	if s.over(n) || s.key == s.front.key && s.front.beatenBy(s.rest[n], s.flours.scoops+scoops, s.flours.d+d) {
		return
	}
	from, to := s.interval(n, water)
	for m := from; m < to; m++ {
		o := s.options[n][m]
		s.picks[n] = o.pick
		s.choose(n+1, scoops+o.scoops, d+o.d, water+o.grams*s.wet[n].water)
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

func (s *wetSearch) leaf(scoops int, d, water float64) {
	if s.key == s.front.key && s.front.beaten(s.base+scoops, s.floor+d) {
		return
	}
	off := water*s.want/s.flours.ratio - s.exact
	if math.Abs(off) <= hydrationTolerance+1e-9 == !s.missing {
		s.keep(scoops, d+square(off/hydrationTolerance))
	}
}
