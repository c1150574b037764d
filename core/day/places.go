package day

import "slices"

// place is one way in time to make a loaf.
type place struct {
	Placed
	cost  int
	hands []Span // in which hands are wanted
}

// out is when the loaf is out and the pan is free.
func (p *place) out() int { return p.Taken + TakeOut }

// places are the places of a loaf on a machine, one for each begin of its cycle: with the shortest delay that lets it be
// loaded, which holds the machine the least, and taken out as soon as somebody can, which costs the least. Barred are
// minutes in which this loaf may not want hands.
func (w Wanted) places(l Loaf, machine int, barred []int) []place {
	var out []place
	for n, y := range l.Ways {
		if y.Machine != machine {
			continue
		}
		for begin := w.up(w.Machines[machine].Free); begin+y.Run <= w.Ends; begin += w.Grid {
			if p, ok := w.at(l, n, begin, barred); ok {
				out = append(out, p)
			}
		}
	}
	return out
}

// open reports whether hands may be wanted in a span.
func (w Wanted) open(s Span, barred []int) bool {
	return free(w.Away, s) && !slices.ContainsFunc(barred, func(m int) bool { return s.From <= m && m < s.To })
}

// at is the best place of a loaf whose cycle begins at a minute.
func (w Wanted) at(l Loaf, n, begin int, barred []int) (p place, ok bool) {
	y, m := l.Ways[n], w.Machines[l.Ways[n].Machine]
	ready := begin + y.Run
	if sounds(w.Quiet, ready) || slices.ContainsFunc(y.Beeps, func(b int) bool { return sounds(w.Quiet, begin+b) }) {
		return p, false
	}
	for _, h := range y.Hands {
		s := Span{begin + h.From, begin + h.To}
		if !w.open(s, barred) {
			return p, false
		}
		p.hands = append(p.hands, s)
	}
	press, found := begin, false
	for delay := 0; delay <= y.Longest && !found; delay += y.Step {
		press = begin - delay
		if press < m.Free || press < y.Load {
			break
		}
		found = press%w.Grid == 0 && w.open(Span{press - y.Load, press}, barred)
		if y.Step == 0 {
			break
		}
	}
	taken := w.up(ready)
	for taken+TakeOut <= w.Ends && !w.open(Span{taken, taken + TakeOut}, barred) {
		taken += w.Grid
	}
	if !found || taken+TakeOut > w.Ends {
		return p, false
	}
	p.Placed = Placed{Way: n, Press: press, Begin: begin, Ready: ready, Taken: taken}
	p.hands = append(p.hands, Span{press - y.Load, press}, Span{taken, taken + TakeOut})
	p.Late, p.Waits = l.late(p.Placed), l.waits(p.Placed)
	c := Cost{Minutes: p.Late, Waits: p.Waits}
	if p.Late > 0 {
		c.Late = 1
	}
	p.cost = c.sum()
	return p, true
}

// late is by how many minutes a loaf is out too late.
func (l Loaf) late(p Placed) int {
	if l.Whenever {
		return 0
	}
	return max(0, p.Taken-l.By)
}

// waits is for how many minutes a loaf is kept warm, or is out before it is wanted.
func (l Loaf) waits(p Placed) int {
	warm := p.Taken - p.Ready
	if l.Whenever {
		return warm
	}
	return warm + max(0, l.From-p.Taken)
}
