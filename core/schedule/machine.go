package schedule

import (
	"math"
	"slices"
)

// none stands for what cannot be.
const none = math.MaxInt / 4

// row is one machine's day: for every set of loaves what they cost on it at the least, and how. Sets are bits.
type row struct {
	each [][]place // of each loaf
	// by which a machine may have to be out of its last loaf, in order; its last slot is the end of the day
	times []int
	ends  []int  // by the set's loaves and slot: the least cost of the set with its last loaf out by that time
	last  []last // how that was come by
	cost  []int  // of the set
}

// last is the loaf that comes out last of a set, and its place.
type last struct{ loaf, place int16 }

// move is a place as a machine's day counts it: in slots.
type move struct{ before, out, cost int }

// rowOf works out a machine's day exactly, set after set: a set's last loaf follows upon the best that the others
// can do before it is started. Hands have prices. What a row that is no longer wanted holds is used again.
func rowOf(each [][]place, p prices, old *row) *row {
	r := &row{each: each, times: old.times[:0]}
	for _, places := range each {
		for n := range places {
			if places[n].before >= 0 {
				r.times = append(r.times, places[n].before)
			}
		}
	}
	slices.Sort(r.times)
	r.times = slices.Compact(r.times)
	slots, sets := len(r.times)+1, 1<<len(each)
	r.ends, r.last, r.cost = sized(old.ends, sets*slots), sized(old.last, sets*slots), sized(old.cost, sets)
	moves := make([][]move, len(each))
	for loaf, places := range each {
		for n := range places {
			moves[loaf] = append(moves[loaf], move{r.slot(&places[n]), r.after(places[n].out()), places[n].cost +
				p.of(&places[n])})
		}
	}
	for set := 1; set < sets; set++ {
		r.fill(set, r.ends[set*slots:(set+1)*slots], r.last[set*slots:(set+1)*slots], moves)
		r.cost[set] = r.ends[(set+1)*slots-1]
	}
	return r
}

// sized is a slice of a length, of what another held where that is enough.
func sized[T any](s []T, n int) []T {
	if cap(s) < n {
		return make([]T, n, n+n/2)
	}
	return s[:n]
}

// after is the first slot whose time is not before a minute.
func (r *row) after(minute int) int {
	n, _ := slices.BinarySearch(r.times, minute)
	return n
}

// slot is the one by which the machine must be out of what went before a place; -1: nothing can go before it.
func (r *row) slot(p *place) int {
	if p.before < 0 {
		return -1
	}
	return r.after(p.before)
}

// fill works out one set.
func (r *row) fill(set int, at []int, how []last, moves [][]move) {
	for n := range at {
		at[n] = none
	}
	for loaf := range moves {
		if set&(1<<loaf) == 0 {
			continue
		}
		others := set &^ (1 << loaf)
		rest := r.ends[others*len(at) : (others+1)*len(at)]
		if others != 0 && rest[len(at)-1] >= none {
			continue
		}
		for n, m := range moves[loaf] {
			so := m.cost
			if others != 0 {
				if m.before < 0 {
					continue
				}
				so += rest[m.before]
			}
			if so < at[m.out] {
				at[m.out], how[m.out] = so, last{int16(loaf), int16(n)}
			}
		}
	}
	for n := 1; n < len(at); n++ {
		if at[n-1] <= at[n] {
			at[n], how[n] = at[n-1], how[n-1]
		}
	}
}

// lay puts a set's loaves at their places.
func (r *row) lay(set int, into []*place) {
	slots := len(r.times) + 1
	for slot := slots - 1; set != 0; {
		h := r.last[set*slots+slot]
		p := &r.each[h.loaf][h.place]
		into[h.loaf] = p
		set &^= 1 << h.loaf
		slot = max(0, r.slot(p))
	}
}
