package day

import (
	"container/heap"
)

// budget is how much one search may do: places tried, each in every set of loaves that it may be the last of.
const budget = 600_000_000

// Make plans a day: the best plan there is; or, after a budget, the best that was found, and what any plan costs at the
// least. docs/day.md says how, and why it is the best.
func Make(w Wanted) (Plan, error) {
	if err := w.Check(); err != nil {
		return Plan{}, err
	}
	if w.Grid == 0 {
		w.Grid = usualGrid
	}
	s := &search{Wanted: w, left: budget}
	return s.run(), nil
}

// search looks for the cheapest day in which hands are never wanted twice: the cheapest in which that may happen is taken
// first, and where it does, the two days are looked at in which one or the other loaf leaves that minute alone.
type search struct {
	Wanted
	left int
	days days
}

// oneDay is the cheapest day under what is barred to its loaves.
type oneDay struct {
	barred [][]int // of each loaf: minutes in which it may not want hands
	rows   []*row
	placed []*place // of each loaf; nil: none
	cost   int
}

// days are the days that are still to be looked at, the cheapest first.
type days []*oneDay

func (d days) Len() int           { return len(d) }
func (d days) Less(a, b int) bool { return d[a].cost < d[b].cost }
func (d days) Swap(a, b int)      { d[a], d[b] = d[b], d[a] }
func (d *days) Push(x any)        { *d = append(*d, x.(*oneDay)) }
func (d *days) Pop() any {
	old := *d
	x := old[len(old)-1]
	*d = old[:len(old)-1]
	return x
}

func (s *search) run() Plan {
	first := &oneDay{barred: make([][]int, len(s.Loaves)), rows: make([]*row, len(s.Machines))}
	all := make([]int, len(s.Machines))
	for m := range all {
		all[m] = m
	}
	s.solve(first, all, -1)
	found := s.dive(first)
	heap.Push(&s.days, first)
	for len(s.days) > 0 && s.left > 0 && s.days[0].cost < found.cost {
		d := heap.Pop(&s.days).(*oneDay)
		a, b, minute, twice := s.twice(d)
		if !twice {
			found = d
			break
		}
		for _, loaf := range []int{a, b} {
			heap.Push(&s.days, s.without(d, loaf, minute))
		}
	}
	least := found.cost
	if len(s.days) > 0 {
		least = min(least, s.days[0].cost)
	}
	return s.plan(found, least)
}

func (s *search) plan(d *oneDay, least int) Plan {
	out := Plan{Cost: costOf(d.cost), Least: costOf(least), Proven: least == d.cost}
	for _, p := range d.placed {
		if p == nil {
			out.Loaves = append(out.Loaves, Placed{None: true})
		} else {
			out.Loaves = append(out.Loaves, p.Placed)
		}
	}
	return out
}

// dive finds one day in which hands are never wanted twice, by the cheaper way at each fork.
func (s *search) dive(d *oneDay) *oneDay {
	for {
		a, b, minute, twice := s.twice(d)
		if !twice {
			return d
		}
		if s.left <= 0 {
			d = s.leftOut(d, b)
			continue
		}
		one, other := s.without(d, a, minute), s.without(d, b, minute)
		if d = one; other.cost < one.cost {
			d = other
		}
	}
}

// leftOut is a day without one of its loaves: what is left when there is no time to look for better.
func (s *search) leftOut(d *oneDay, loaf int) *oneDay {
	next := *d
	next.placed = append([]*place{}, d.placed...)
	next.cost += perWithout - d.placed[loaf].cost
	next.placed[loaf] = nil
	return &next
}

// without is the cheapest day in which a loaf also leaves a minute alone.
func (s *search) without(d *oneDay, loaf, minute int) *oneDay {
	next := &oneDay{barred: append([][]int{}, d.barred...), rows: append([]*row{}, d.rows...)}
	next.barred[loaf] = append(append([]int{}, d.barred[loaf]...), minute)
	var touched []int
	for m := range s.Machines {
		for _, y := range s.Loaves[loaf].Ways {
			if y.Machine == m {
				touched = append(touched, m)
				break
			}
		}
	}
	s.solve(next, touched, loaf)
	return next
}

// solve works out the cheapest day: the days of some machines anew, as far as one loaf is among theirs; -1: any.
func (s *search) solve(d *oneDay, touched []int, loaf int) {
	for _, m := range touched {
		each := make([][]place, len(s.Loaves))
		for n, l := range s.Loaves {
			if loaf >= 0 && n != loaf {
				each[n] = d.rows[m].each[n]
			} else {
				each[n] = s.places(l, m, d.barred[n])
			}
			s.left -= len(each[n]) << max(len(s.Loaves)-2, 0)
		}
		d.rows[m] = s.rowOf(m, each, d.rows[m], loaf)
	}
	sets := 1 << len(s.Loaves)
	// best[m][set] is what a set costs at the least on the machines up to the m-th; part is the m-th machine's share.
	best, part := make([][]int, len(s.Machines)+1), make([][]int, len(s.Machines))
	best[0] = make([]int, sets)
	for set := range sets {
		for loaf := range s.Loaves {
			best[0][set] += (set >> loaf & 1) * perWithout
		}
	}
	for m, r := range d.rows {
		best[m+1], part[m] = make([]int, sets), make([]int, sets)
		for set := range sets {
			least, share := best[m][set], 0
			for t := set; t > 0; t = (t - 1) & set {
				if c := r.cost[t] + best[m][set&^t]; r.cost[t] < none && c < least {
					least, share = c, t
				}
			}
			best[m+1][set], part[m][set] = least, share
		}
	}
	d.cost, d.placed = best[len(s.Machines)][sets-1], make([]*place, len(s.Loaves))
	for m, set := len(s.Machines)-1, sets-1; m >= 0; m-- {
		share := part[m][set]
		d.rows[m].lay(s.Wanted, m, share, d.placed)
		set &^= share
	}
}

// twice finds a minute in which two loaves want hands, where there is one pair of them.
func (s *search) twice(d *oneDay) (a, b, minute int, twice bool) {
	if s.Pairs > 1 {
		return 0, 0, 0, false
	}
	for a, p := range d.placed {
		for b := a + 1; b < len(d.placed) && p != nil; b++ {
			q := d.placed[b]
			if q == nil {
				continue
			}
			for _, h := range p.hands {
				for _, o := range q.hands {
					if h.meets(o) {
						return a, b, max(h.From, o.From), true
					}
				}
			}
		}
	}
	return 0, 0, 0, false
}
