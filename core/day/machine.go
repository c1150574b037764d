package day

import "math"

// none stands for what cannot be.
const none = math.MaxInt / 4

// row is one machine's day: for every set of loaves what they cost on it at the least, and how. Sets are bits.
type row struct {
	ends []int     // by the set's loaves and slot: the least cost of the set with its last loaf out by then
	last []last    // how that was come by
	cost []int     // of the set
	step int       // minutes of a slot
	size int       // slots
	each [][]place // of each loaf
}

// last is the loaf that comes out last of a set, and its place.
type last struct{ loaf, place int16 }

// move is a place as a machine's day counts it: in slots.
type move struct{ before, out, cost int }

// rowOf works out a machine's day exactly, set after set: a set's last loaf follows upon the best that the others can do
// before it is started. Where only one loaf's places differ from those of a day that was worked out before, sets without
// it are taken from there; anew is -1 where all are worked out.
func (w Wanted) rowOf(machine int, each [][]place, before *row, anew int) *row {
	step := w.step()
	r := &row{step: step, size: w.Ends/step + 2, each: each}
	sets := 1 << len(w.Loaves)
	r.ends, r.last, r.cost = make([]int, sets*r.size), make([]last, sets*r.size), make([]int, sets)
	moves := make([][]move, len(each))
	for loaf, places := range each {
		for _, p := range places {
			free := p.Press - max(w.Machines[machine].Cool, w.Loaves[loaf].Ways[p.Way].Load)
			if free < 0 {
				free = -step // nothing can go before it
			}
			moves[loaf] = append(moves[loaf], move{free / step, r.slot(p.out()), p.cost})
		}
	}
	for set := 1; set < sets; set++ {
		at, how := r.ends[set*r.size:(set+1)*r.size], r.last[set*r.size:(set+1)*r.size]
		if anew >= 0 && set&(1<<anew) == 0 {
			copy(at, before.ends[set*r.size:])
			copy(how, before.last[set*r.size:])
		} else {
			r.fill(set, at, how, moves)
		}
		r.cost[set] = at[r.size-1]
	}
	return r
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
		rest := r.ends[others*r.size : (others+1)*r.size]
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
	for n := 1; n < r.size; n++ {
		if at[n-1] <= at[n] {
			at[n], how[n] = at[n-1], how[n-1]
		}
	}
}

// step is the longest time in which all that keeps a machine can be counted whole.
func (w Wanted) step() int {
	step := gcd(w.Grid, TakeOut)
	for _, m := range w.Machines {
		step = gcd(step, m.Cool)
	}
	for _, l := range w.Loaves {
		for _, y := range l.Ways {
			step = gcd(step, y.Load)
		}
	}
	return step
}

func gcd(a, b int) int {
	for b != 0 {
		a, b = b, a%b
	}
	return a
}

// slot is the first slot that is not before a minute.
func (r *row) slot(minute int) int { return min((minute+r.step-1)/r.step, r.size-1) }

// lay puts a set's loaves at their places.
func (r *row) lay(w Wanted, machine, set int, into []*place) {
	for slot := r.size - 1; set != 0; {
		h := r.last[set*r.size+slot]
		p := &r.each[h.loaf][h.place]
		into[h.loaf] = p
		set &^= 1 << h.loaf
		slot = max(0, p.Press-max(w.Machines[machine].Cool, w.Loaves[h.loaf].Ways[p.Way].Load)) / r.step
	}
}
