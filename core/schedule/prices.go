package schedule

import "slices"

// prices are what hands cost in each minute of a day, as the sum of all minutes before. A day on which they are
// never wanted twice pays each price at most once: what it costs by them, less all of them together, is no more than
// what it costs.
type prices []int

// in is what a span costs.
func (p prices) in(h Span) int {
	if p == nil {
		return 0
	}
	return p[min(max(h.To, 0), len(p)-1)] - p[min(max(h.From, 0), len(p)-1)]
}

// of is what a place pays: each minute once, though more than one of its moments may want it.
func (p prices) of(at *place) int { return p.union(at.hands) }

// union is what some spans cost together, or less where more than two of them meet.
func (p prices) union(spans []Span) (pays int) {
	for _, h := range spans {
		pays += p.in(h)
	}
	if pays == 0 {
		return 0
	}
	for n, h := range spans {
		for _, g := range spans[:n] {
			if h.meets(g) {
				pays -= p.in(Span{max(h.From, g.From), min(h.To, g.To)})
			}
		}
	}
	return max(pays, 0)
}

// How prices are sought: so many rounds at the most, and a step that is halved whenever so many of them found no dearer
// day.
const (
	rounds  = 40
	patient = 4
	far     = 4 * 60 * perWait // a gap that is counted no further: beyond it something else than waiting is between
)

// charge seeks prices of hands by which the cheapest day is as dear as can be: minutes in which hands are wanted twice
// become dearer, those in which they are not cheaper. However they come out, what they say of the least cost is true.
func (s *search) charge() {
	_, _, _, twice := s.twice(s.root.placed)
	if s.root.cost >= s.cost || !twice {
		return
	}
	of := map[int]float64{} // by minute
	share, since, most := 1.5, 0, s.root.cost
	placed := s.root.placed
	for range rounds {
		wanted := s.crowded(placed, of)
		square := 0.0
		for _, n := range wanted {
			square += float64(n * n)
		}
		if square == 0 || s.left <= 0 || share < 0.05 {
			break
		}
		step := share * float64(min(s.cost-most, far)+perWait) / square
		for minute, n := range wanted {
			if of[minute] = max(0, of[minute]+step*float64(n)); of[minute] == 0 {
				delete(of, minute)
			}
		}
		now, charged := pricesOf(s.Ends, of)
		rows := make([]*row, len(s.Machines))
		for m, r := range s.root.rows {
			s.scratch[m] = *rowOf(s.priced(r.each, now), now, &s.scratch[m])
			rows[m] = &s.scratch[m]
		}
		var cost int
		cost, placed, _ = s.share(rows, false)
		if since++; cost-charged > most {
			most, since, s.prices, s.charged = cost-charged, 0, now, charged
			if most >= s.cost {
				return
			}
		} else if since > patient {
			share, since = share/2, 0
		}
		if s.mend(placed) {
			since = 0
		}
	}
}

// priced are the places on a machine that are the best by some prices.
func (s *search) priced(each [][]place, p prices) [][]place {
	h := s.hours
	h.prices = p
	out := make([][]place, len(each))
	for loaf, places := range each {
		out[loaf] = h.barring(places, s.Loaves[loaf], bars{}, s.under(loaf))
		s.left -= (len(out[loaf]) + 1) << max(len(s.Loaves)-2, 0)
	}
	return out
}

// crowded counts, of the minutes that have a price and of one in each span in which hands are wanted twice, by how many
// loaves too many they are wanted; -1: by none.
func (s *search) crowded(placed []*place, of map[int]float64) map[int]int {
	out := map[int]int{}
	for minute := range of {
		out[minute] = 0
	}
	for a, p := range placed {
		for _, q := range placed[a+1:] {
			if p != nil && q != nil {
				if minute, both := p.meets(q); both {
					out[minute] = 0
				}
			}
		}
	}
	for minute := range out {
		n := -1
		for _, p := range placed {
			if p != nil && p.wants(Span{minute, minute + 1}) {
				n++
			}
		}
		out[minute] = n
	}
	return out
}

// pricesOf are prices in whole units, and all of them together.
func pricesOf(ends int, of map[int]float64) (p prices, all int) {
	p = make(prices, ends+2)
	minutes := make([]int, 0, len(of))
	for minute := range of {
		minutes = append(minutes, minute)
	}
	slices.Sort(minutes)
	for _, minute := range minutes {
		price := int(of[minute])
		p[minute+1] += price
		all += price
	}
	for n := 1; n < len(p); n++ {
		p[n] += p[n-1]
	}
	return p, all
}
