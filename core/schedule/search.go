package schedule

import (
	"container/heap"
	"context"
	"math"
	"slices"
)

// budget is how much one search may do: places tried, each in every set of loaves that it may be the last of; and so
// much for each day that is worked out.
const (
	budget = 300_000_000
	perDay = 100_000
)

// Make plans a day: the best plan there is; or, after a budget, the best that was found, and what any plan costs at the
// least. docs/day.md says how, and why it is the best. It stops soon after ctx ends, with ctx's error.
func Make(ctx context.Context, w Wanted) (Plan, error) {
	if err := w.Check(); err != nil {
		return Plan{}, err
	}
	if w.Grid == 0 {
		w.Grid = usualGrid
	}
	s := newSearch(w)
	s.ended = ctx.Done()
	p := s.run()
	return p, ctx.Err()
}

// unpriced is after how many days that were worked out hands are given prices: most searches are over by then. Of many
// loaves each day takes long, and prices are sought at once.
const unpriced, many = 16, 8

func newSearch(w Wanted) *search {
	if w.Now > 0 {
		w.Away = append(slices.Clone(w.Away), Span{0, w.Now})
	}
	s := &search{hours: hoursOf(w), left: budget / max(w.Hurry, 1), scratch: make([]row, len(w.Machines)),
		patience: unpriced}
	if len(w.Loaves) >= many {
		s.patience = 0
	}
	return s
}

// search looks for the cheapest day in which hands are never wanted twice: the cheapest in which that may happen is
// taken first, and where it does, the two days are looked at in which one or the other loaf leaves that minute
// alone.
type search struct {
	hours
	ended    <-chan struct{} // closed when nobody waits for the day any more
	left     int             // of the budget
	patience int             // how many days are worked out until hands are given prices
	best     []*place        // the best day that was found, of each loaf; nil: none
	cost     int             // of it
	root     *oneDay
	rest     []int // of each loaf: what all the others cost at the least
	scratch  []row // of machines' days that are not kept

	charged int    // all prices of hands together, by which days in which they are wanted twice are dear
	dear    []*row // of the day on which nothing is barred, by those prices
	dearer  []int  // of each loaf: what all the others cost at the least by them
}

// oneDay is the cheapest day under what is barred to its loaves.
type oneDay struct {
	barred []bars         // of each loaf
	from   *oneDay        // of which it is a part; nil: the day on which nothing is barred
	places [2][][][]place // of each machine and loaf, without and with prices; nil: not worked out
	rows   []*row         // of the day on which nothing is barred only
	placed []*place       // of each loaf; nil: none
	depth  int            // forks that led here
	cost   int            // of it; while it is not worked out, of a day that is no dearer
}

// days are the days that are still to be looked at, the cheapest first.
type days []*oneDay

func (d days) Len() int { return len(d) }
func (d days) Less(a, b int) bool {
	if d[a].cost != d[b].cost {
		return d[a].cost < d[b].cost
	}
	return d[a].depth > d[b].depth
}
func (d days) Swap(a, b int) { d[a], d[b] = d[b], d[a] }
func (d *days) Push(x any)   { *d = append(*d, x.(*oneDay)) }
func (d *days) Pop() any {
	old := *d
	x := old[len(old)-1]
	*d = old[:len(old)-1]
	return x
}

func (s *search) run() Plan {
	s.root = &oneDay{barred: make([]bars, len(s.Loaves))}
	s.guess()
	s.narrow()
	s.mend(s.root.placed)
	open := days{s.root}
	for solved := 0; len(open) > 0 && s.left > 0 && open[0].cost < s.cost; {
		if solved >= s.patience && s.prices == nil {
			s.charge()
			s.narrow()
			s.dive()
			s.narrow()
			s.patience = math.MaxInt
		}
		d := heap.Pop(&open).(*oneDay)
		if d.placed == nil {
			solved++
			s.left -= perDay
			s.solve(d)
			if d.cost < s.cost {
				if s.mend(d.placed) {
					s.narrow()
				}
				heap.Push(&open, d)
			}
			continue
		}
		a, b, minute, twice := s.twice(d.placed)
		if !twice {
			s.found(d.placed, d.cost)
			break
		}
		with, without := d.fork(a, b, minute)
		heap.Push(&open, with)
		heap.Push(&open, without)
	}
	least := s.cost
	if len(open) > 0 {
		least = min(least, open[0].cost)
	}
	return s.plan(least)
}

func (s *search) plan(least int) Plan {
	out := Plan{Cost: costOf(s.cost), Least: costOf(least), Proven: least == s.cost}
	for _, p := range s.best {
		if p == nil {
			out.Loaves = append(out.Loaves, Placed{None: true})
		} else {
			out.Loaves = append(out.Loaves, p.Placed)
		}
	}
	return out
}

// found keeps a day if it is the best so far.
func (s *search) found(placed []*place, cost int) (better bool) {
	if better = s.best == nil || cost < s.cost; better {
		s.best, s.cost = placed, cost
	}
	return better
}

// fork parts a day, still to be worked out, in two: one in which a loaf has the hands in a minute, and all others
// leave it alone; and one in which it leaves the minute alone.
func (d *oneDay) fork(a, b, minute int) (with, without *oneDay) {
	m := Span{minute, minute + 1}
	with, without = &oneDay{barred: slices.Clone(d.barred), cost: d.cost, depth: d.depth + 1, from: d},
		&oneDay{barred: slices.Clone(d.barred), cost: d.cost, depth: d.depth + 1, from: d}
	for n := range d.barred {
		if n != a {
			with.barred[n].none = append(slices.Clone(d.barred[n].none), m)
		}
	}
	with.barred[a].must = append(slices.Clone(d.barred[a].must), m)
	without.barred[a].none = append(slices.Clone(d.barred[a].none), m)
	return with, without
}

// under is what a loaf's place may cost at the most, if a day with it is to be better than the best so far.
func (s *search) under(loaf int) int { return s.cost - s.rest[loaf] }

// narrow leaves out of the day on which nothing is barred all places with which no day is better than the best so far.
func (s *search) narrow() {
	for m, r := range s.root.rows {
		var can [][]place
		if s.dear != nil {
			can = s.dear[m].each
		}
		s.root.rows[m] = rowOf(s.narrowed(r.each, can), nil, &row{})
	}
	cost, placed, whole := s.share(s.root.rows, true)
	s.root.cost, s.root.placed, s.rest = max(s.root.cost, cost), placed, others(whole, len(s.Loaves))
	if s.prices == nil {
		return
	}
	s.dear = make([]*row, len(s.Machines))
	for m, r := range s.root.rows {
		s.dear[m] = rowOf(s.priced(r.each, s.prices), s.prices, &row{})
	}
	cost, _, whole = s.share(s.dear, true)
	s.root.cost, s.dearer = max(s.root.cost, cost-s.charged), others(whole, len(s.Loaves))
}

// others is, of each loaf, what all the others cost.
func others(whole []int, loaves int) []int {
	out := make([]int, loaves)
	for loaf := range out {
		out[loaf] = whole[(1<<loaves-1)&^(1<<loaf)]
	}
	return out
}

// narrowed are the places on a machine that can be part of a better day. By prices a begin of a cycle is left out
// where none of its places can.
func (s *search) narrowed(each, priced [][]place) [][]place {
	out := make([][]place, len(each))
	for loaf, places := range each {
		can := map[[2]int]bool{}
		if priced != nil {
			for n := range priced[loaf] {
				p := &priced[loaf][n]
				if p.cost+s.prices.of(p)+s.dearer[loaf]-s.charged < s.cost {
					can[[2]int{p.Way, p.Begin}] = true
				}
			}
		}
		for n := range places {
			p := &places[n]
			if p.cost < s.under(loaf) && (priced == nil || can[[2]int{p.Way, p.Begin}]) {
				out[loaf] = append(out[loaf], *p)
			}
		}
		s.left -= (len(out[loaf]) + 1) << max(len(s.Loaves)-2, 0)
	}
	return out
}

// solve works out the cheapest day, from the one on which nothing is barred: the machines are gone through anew on
// which what is barred takes a place away. By the prices of hands it is seen first whether it can be better than the
// best.
func (s *search) solve(d *oneDay) {
	rows := func(priced int, root []*row, h hours) []*row {
		out := slices.Clone(root)
		d.places[priced] = make([][][]place, len(root))
		for m, r := range root {
			each := r.each
			if d.from != nil && d.from.places[priced] != nil {
				each = d.from.places[priced][m]
			}
			each = slices.Clone(each)
			asRoot := true
			for n, l := range s.Loaves {
				if d.barred[n].any() {
					each[n] = h.barring(each[n], l, d.barred[n], s.under(n))
				}
				asRoot = asRoot && same(each[n], r.each[n])
			}
			if d.places[priced][m] = each; asRoot {
				continue
			}
			for n := range each {
				s.left -= (len(each[n]) + 1) << max(len(s.Loaves)-2, 0)
			}
			s.scratch[m] = *rowOf(each, h.prices, &s.scratch[m])
			out[m] = &s.scratch[m]
		}
		return out
	}
	if s.prices != nil {
		cost, _, _ := s.share(rows(1, s.dear, s.hours), false)
		if d.cost = max(d.cost, cost-s.charged); d.cost >= s.cost {
			return
		}
	}
	plain := s.hours
	plain.prices = nil
	cost, placed, _ := s.share(rows(0, s.root.rows, plain), false)
	d.cost, d.placed = max(d.cost, cost), placed
}

// same reports whether two lists are one.
func same(a, b []place) bool { return len(a) == len(b) && (len(a) == 0 || &a[0] == &b[0]) }

// share deals the loaves out among the machines at the least cost. Whole is what every set of loaves costs at the
// least, where that is asked for. It is the part that all of the search goes through over and over: nothing is left of
// the budget from here on when nobody waits any more.
func (s *search) share(rows []*row, all bool) (cost int, placed []*place, whole []int) {
	select {
	case <-s.ended:
		s.left = 0
	default:
	}
	sets := 1 << len(s.Loaves)
	// best[m][set] is what a set costs at the least on the machines up to the m-th; part is the m-th machine's share.
	best, part := make([][]int, len(rows)+1), make([][]int, len(rows))
	best[0] = make([]int, sets)
	for set := range sets {
		for loaf := range s.Loaves {
			best[0][set] += (set >> loaf & 1) * perWithout
		}
	}
	for m, r := range rows {
		best[m+1], part[m] = make([]int, sets), make([]int, sets)
		for set := range sets {
			if m == len(rows)-1 && !all && set != sets-1 {
				continue // of the last machine only the whole day matters
			}
			least, share := best[m][set], 0
			for t := set; t > 0; t = (t - 1) & set {
				if c := r.cost[t] + best[m][set&^t]; r.cost[t] < none && c < least {
					least, share = c, t
				}
			}
			best[m+1][set], part[m][set] = least, share
		}
	}
	whole, placed = best[len(rows)], make([]*place, len(s.Loaves))
	for m, set := len(rows)-1, sets-1; m >= 0; m-- {
		share := part[m][set]
		rows[m].lay(share, placed)
		set &^= share
	}
	return whole[sets-1], placed, whole
}

// bars reports whether a loaf at one place leaves another none at its own.
func (s *search) bars(a, b *place) bool {
	if a.machine == b.machine && a.out() > b.before && b.out() > a.before {
		return true
	}
	_, both := a.meets(b)
	return both && s.Pairs == 1
}

// twice finds a minute in which two loaves want hands, where there is one pair of them.
func (s *search) twice(placed []*place) (a, b, minute int, twice bool) {
	if s.Pairs > 1 {
		return 0, 0, 0, false
	}
	for a, p := range placed {
		for b := a + 1; b < len(placed) && p != nil; b++ {
			if q := placed[b]; q != nil {
				if minute, twice = p.meets(q); twice {
					return a, b, minute, true
				}
			}
		}
	}
	return 0, 0, 0, false
}
