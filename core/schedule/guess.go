package schedule

import "slices"

// guess finds a first day by putting loaf after loaf at the cheapest place that is left, in several orders; and
// leaves out all places that cannot be part of a better one.
func (s *search) guess() {
	alone, whole := make([]int, len(s.Loaves)), 0
	each := make([][][]place, len(s.Machines))
	all := make([][]*place, len(s.Loaves)) // the places of each loaf, the cheapest first
	for n, l := range s.Loaves {
		for m := range s.Machines {
			each[m] = append(each[m], s.places(l, m))
			for p := range each[m][n] {
				all[n] = append(all[n], &each[m][n][p])
			}
		}
		slices.SortStableFunc(all[n], func(a, b *place) int { return a.cost - b.cost })
		if alone[n] = perWithout; len(all[n]) > 0 {
			alone[n] = all[n][0].cost
		}
		whole += alone[n]
	}
	if placed, cost, ok := s.stood(); ok {
		s.found(placed, cost)
	}
	for _, order := range s.orders() {
		s.found(s.greedy(order, all))
	}
	s.rest = make([]int, len(s.Loaves))
	for n := range s.Loaves {
		s.rest[n] = whole - alone[n]
	}
	for _, loaves := range each {
		s.root.rows = append(s.root.rows, &row{each: loaves})
	}
}

// stood is the day as it was planned before, if it can still be had so.
func (s *search) stood() (placed []*place, cost int, ok bool) {
	for n, was := range s.Was {
		var here *place
		if !was.None && was.Way >= 0 && was.Way < len(s.Loaves[n].Ways) {
			here = s.again(s.Loaves[n], was)
		}
		if here == nil && !was.None || here != nil && s.barred(placed, here, n) {
			return nil, 0, false
		}
		if placed = append(placed, here); here != nil {
			cost += here.cost
		} else {
			cost += perWithout
		}
	}
	return placed, cost, len(s.Was) > 0
}

// orders are some in which loaves are placed: by when they are wanted, backwards, and with each of them first.
func (s *search) orders() [][]int {
	due := make([]int, len(s.Loaves))
	for n := range due {
		due[n] = n
	}
	slices.SortStableFunc(due, func(a, b int) int { return s.Loaves[a].By - s.Loaves[b].By })
	back := slices.Clone(due)
	slices.Reverse(back)
	out := [][]int{due, back}
	for n := range s.Loaves {
		for _, order := range [][]int{due, back} {
			out = append(out, append([]int{n}, slices.DeleteFunc(slices.Clone(order),
				func(m int) bool { return m == n })...))
		}
	}
	return out
}

// greedy puts loaf after loaf at the cheapest place that those before it leave.
func (s *search) greedy(order []int, all [][]*place) ([]*place, int) {
	placed, cost := make([]*place, len(order)), 0
	for _, n := range order {
		at := slices.IndexFunc(all[n], func(p *place) bool { return !s.barred(placed, p, n) })
		if at < 0 {
			cost += perWithout
			continue
		}
		placed[n] = all[n][at]
		cost += placed[n].cost
	}
	return placed, cost
}

// dive looks for a better day by the cheaper way at each fork.
func (s *search) dive() {
	for d := s.root; d.placed != nil && d.cost < s.cost && s.left > 0; {
		a, b, minute, twice := s.twice(d.placed)
		if !twice {
			s.found(d.placed, d.cost)
			return
		}
		one, other := d.fork(a, b, minute)
		s.left -= 2 * perDay
		s.solve(one)
		s.solve(other)
		if d = one; one.placed == nil || other.placed != nil && other.cost < one.cost {
			d = other
		}
	}
}

// mend looks for a better day near one in which hands may be wanted twice: loaf after loaf that wants them when another
// does is put at the cheapest place that is left.
func (s *search) mend(placed []*place) (better bool) {
	placed = slices.Clone(placed)
	for range 2 * len(placed) {
		a, b, _, twice := s.twice(placed)
		if !twice {
			cost := 0
			for _, p := range placed {
				if cost += perWithout; p != nil {
					cost += p.cost - perWithout
				}
			}
			return s.found(placed, cost)
		}
		one, other := s.elsewhere(placed, a), s.elsewhere(placed, b)
		switch {
		case one == nil && other == nil:
			return false
		case other == nil || one != nil && one.cost-placed[a].cost <= other.cost-placed[b].cost:
			placed[a] = one
		default:
			placed[b] = other
		}
	}
	return false
}

// elsewhere is the cheapest place of a loaf that all others leave; nil: none.
func (s *search) elsewhere(placed []*place, loaf int) (best *place) {
	for _, r := range s.root.rows {
		for n := range r.each[loaf] {
			p := &r.each[loaf][n]
			if (best == nil || p.cost < best.cost) && !s.barred(placed, p, loaf) {
				best = p
			}
		}
	}
	return best
}

// barred reports whether a place of a loaf is not left to it by the others at theirs.
func (s *search) barred(placed []*place, p *place, loaf int) bool {
	for n, o := range placed {
		if n != loaf && o != nil && s.bars(o, p) {
			return true
		}
	}
	return false
}
