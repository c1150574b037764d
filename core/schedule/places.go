package schedule

import "slices"

// minutes are some minutes of a day, as how many of them there are before each.
type minutes []int32

// minutesOf are those of some spans, on a day that ends at a minute.
func minutesOf(ends int, spans []Span) minutes {
	in := make([]bool, ends+1)
	for _, s := range spans {
		for at := max(s.From, 0); at < min(s.To, len(in)); at++ {
			in[at] = true
		}
	}
	out := make(minutes, len(in)+1)
	for at, is := range in {
		out[at+1] = out[at]
		if is {
			out[at+1]++
		}
	}
	return out
}

// meets reports whether some of them lie in a span.
func (m minutes) meets(s Span) bool {
	last := len(m) - 1
	return m[min(max(s.From, 0), last)] != m[min(max(s.To, 0), last)]
}

// hours are a day's hours as the search asks for them.
type hours struct {
	Wanted
	away, quiet, odd minutes
	prices           prices // of hands; nil: none
}

func hoursOf(w Wanted) hours {
	return hours{w, minutesOf(w.Ends, w.Away), minutesOf(w.Ends, w.Quiet), minutesOf(w.Ends, w.Odd), nil}
}

// pays is what hands cost in one span: 1 where they would rather not be wanted, and their price.
func (w hours) pays(h Span) int {
	if w.odd.meets(h) {
		return 1 + w.prices.in(h)
	}
	return w.prices.in(h)
}

// place is one way in time to make a loaf.
type place struct {
	Placed
	machine int
	cost    int
	before  int    // by when the machine must be out of its last loaf
	hands   []Span // in which hands are wanted
}

// out is when the loaf is out and the pan is free.
func (p *place) out() int { return p.Taken + TakeOut }

// places are the places of a loaf on a machine that no other of them is as good as, those of a begin of its cycle
// together.
func (w hours) places(l Job, machine int) []place {
	var out []place
	for n, y := range l.Ways {
		if y.Machine != machine {
			continue
		}
		for begin := w.Machines[machine].Free; begin+y.Run <= w.Ends; begin++ {
			out = w.begun(out, l, n, begin, bars{}, none)
		}
	}
	return out
}

// bars are minutes in which a loaf may not want hands, and minutes in which it must.
type bars struct {
	none []Span
	must []Span
}

func (b bars) any() bool { return len(b.none)+len(b.must) > 0 }

// touch reports whether a place is not to be had as it is.
func (b bars) touch(p *place) bool { return slices.ContainsFunc(b.none, p.wants) || !b.met(p) }

// met reports whether a place wants hands in each minute in which it must.
func (b bars) met(p *place) bool {
	return !slices.ContainsFunc(b.must, func(m Span) bool { return !p.wants(m) })
}

// barring are places of a loaf on a machine under bars, of those that cost less than a limit: where one of the
// places for a begin of its cycle is not to be had, those that then are the best for it. Without bars, where one
// pays a price.
func (w hours) barring(places []place, l Job, b bars, limit int) []place {
	touched := b.touch
	if !b.any() {
		touched = func(p *place) bool { return w.prices.of(p) > 0 }
	}
	first := 0
	for first < len(places) && !touched(&places[first]) {
		first++
	}
	if first == len(places) {
		return places
	}
	w.away = minutesOf(w.Ends, slices.Concat(w.Away, b.none))
	out := make([]place, 0, len(places))
	for from := 0; from < len(places); {
		to, changes := from, false
		for ; to < len(places) && places[to].Way == places[from].Way && places[to].Begin == places[from].Begin; to++ {
			changes = changes || to >= first && touched(&places[to])
		}
		if changes {
			out = w.begun(out, l, places[from].Way, places[from].Begin, b, limit)
		} else {
			out = append(out, places[from:to]...)
		}
		from = to
	}
	return out
}

// begun adds the places of a loaf whose cycle begins at a minute, which cost less than a limit: with the shortest
// delay that lets it be loaded, which holds the machine the least, and with longer ones for which hands cost less;
// taken out as soon as somebody can, and later where that costs less; beside them those in which it wants hands when
// it must.
func (w hours) begun(out []place, l Job, n, begin int, b bars, limit int) []place {
	y := l.Ways[n]
	if slices.ContainsFunc(b.must, func(m Span) bool { return !y.reaches(begin, m.From) }) {
		return out
	}
	presses := w.presses(y, begin, b.must)
	if len(presses) == 0 || !w.within(y, begin) {
		return out
	}
	for _, at := range w.takes(l, y, begin, limit, b.must) {
		for _, press := range presses {
			if p := w.placed(l, n, press, begin, at); p.cost < limit && b.met(&p) && !w.taken(&p) {
				out = append(out, p)
			}
		}
	}
	return out
}

// reaches reports whether hands can be wanted in a minute by a loaf whose cycle begins at another.
func (y Option) reaches(begin, minute int) bool {
	switch since := minute - begin; {
	case since < 0: // while it is loaded
		return since >= -y.Longest-y.Load
	case since < y.Run:
		return holds(y.Hands, since)
	}
	return true // when it is taken out, or after that
}

// presses are when Start is pressed for a cycle that is to begin at a minute: with the shortest delay, and with
// longer ones for which the hands cost less; beside them all by which hands are wanted when they must be.
func (w hours) presses(y Option, begin int, must []Span) []int {
	var out []int
	least := none // that the hands cost
	for delay := 0; delay <= y.Longest || delay == 0; {
		press := begin - delay
		if press < w.Machines[y.Machine].Free || press < y.Load || least == 0 && len(must) == 0 {
			break
		}
		if press%w.Grid == 0 {
			load := Span{press - y.Load, press}
			if pays := w.pays(load); (pays < least || !free(must, load)) && !w.away.meets(load) {
				out, least = append(out, press), min(least, pays)
			}
		}
		switch {
		case y.Step == 0:
			return out
		case delay == 0:
			delay = y.First
		default:
			delay += y.Step
		}
	}
	return out
}

// again is the place in which a loaf stood, if it can still stand there.
func (w hours) again(l Job, was Placed) *place {
	y := l.Ways[was.Way]
	p := w.placed(l, was.Way, was.Press, was.Begin, was.Done-y.Finish)
	if !y.shows(was.Begin-was.Press) || was.Press%w.Grid != 0 || was.Press < max(w.Machines[y.Machine].Free, y.Load) ||
		w.taken(&p) || p.Taken < p.Ready || p.Taken+max(TakeOut, y.Finish) > w.Ends || !w.within(y, was.Begin) ||
		slices.ContainsFunc(p.hands, w.away.meets) ||
		l.Pin != (Span{}) && (p.Done < l.Pin.From || p.Done >= l.Pin.To) {
		return nil
	}
	return &p
}

// taken reports whether a machine is at a loaf that is not planned, when another would be in it.
func (w hours) taken(p *place) bool {
	return slices.ContainsFunc(w.Machines[p.machine].Taken, func(s Span) bool {
		return p.out() > s.From &&
			s.To > p.before
	})
}

// shows reports whether the timer has a delay.
func (y Option) shows(delay int) bool {
	return delay == 0 || y.Step > 0 && delay >= y.First && delay <= y.Longest && (delay-y.First)%y.Step == 0
}

// within reports whether what happens within a cycle can happen when it begins at a minute.
func (w hours) within(y Option, begin int) bool {
	return !w.quiet.meets(Span{begin + y.Run, begin + y.Run + 1}) &&
		!slices.ContainsFunc(y.Beeps, func(b int) bool { return w.quiet.meets(Span{begin + b, begin + b + 1}) }) &&
		!slices.ContainsFunc(y.Hands, func(h Span) bool { return w.away.meets(h.plus(begin)) })
}

// takes are when a loaf whose cycle begins at a minute can be taken out: as soon as somebody can, and later where
// that and the hands cost less together; and whenever hands are then wanted when they must be.
func (w hours) takes(l Job, y Option, begin, limit int, must []Span) []int {
	var out []int
	var spans []Span
	least := none // that a time and its hands cost
	ready := begin + y.Run
	for at := ready; at+max(TakeOut, y.Finish) <= w.Ends; at = w.up(at + 1) {
		done := at + y.Finish
		late := l.late(done)
		cost := Cost{Late: min(late, 1), Minutes: late, Waits: at - ready + l.early(done)}.sum()
		if cost >= limit || cost >= least && len(must) == 0 {
			break // later is dearer
		}
		if l.Pin != (Span{}) && (done < l.Pin.From || done >= l.Pin.To) {
			continue
		}
		spans = append(spans[:0], Span{at, at + TakeOut})
		for _, h := range y.After {
			spans = append(spans, h.plus(at))
		}
		open, meets := true, false
		for _, h := range spans {
			open, meets = open && !w.away.meets(h), meets || !free(must, h)
			if w.odd.meets(h) {
				cost++
			}
		}
		cost += w.prices.union(spans)
		if open && (cost < least || meets) {
			out, least = append(out, at), min(least, cost)
		}
	}
	return out
}

// late is by how many minutes a loaf is done too late, and early by how many too early.
func (l Job) late(done int) int {
	if l.Whenever {
		return 0
	}
	return max(0, done-l.By)
}

func (l Job) early(done int) int {
	if l.Whenever {
		return 0
	}
	return max(0, l.From-done)
}

// placed is a place, whether or not it can be.
func (w hours) placed(l Job, n, press, begin, taken int) place {
	y := l.Ways[n]
	p := place{machine: y.Machine, Placed: Placed{Way: n, Press: press, Begin: begin, Ready: begin + y.Run,
		Taken: taken, Done: taken + y.Finish}}
	p.before = press - max(w.Machines[y.Machine].Cool, y.Load)
	p.hands = append(make([]Span, 0, 2+len(y.Hands)+len(y.After)), Span{press - y.Load, press},
		Span{taken, taken + TakeOut})
	for _, h := range y.Hands {
		p.hands = append(p.hands, h.plus(begin))
	}
	for _, h := range y.After {
		p.hands = append(p.hands, h.plus(taken))
	}
	p.Late, p.Waits = l.late(p.Done), taken-p.Ready+l.early(p.Done)
	c := Cost{Late: min(p.Late, 1), Minutes: p.Late, Waits: p.Waits}
	for _, h := range p.hands {
		if w.odd.meets(h) {
			c.Odd++
		}
	}
	p.cost = c.sum()
	return p
}

// meets reports whether two loaves want the same hands.
func (p *place) meets(o *place) (minute int, both bool) {
	for _, h := range p.hands {
		for _, g := range o.hands {
			if h.meets(g) {
				return max(h.From, g.From), true
			}
		}
	}
	return 0, false
}

// wants reports whether a loaf wants hands in a span.
func (p *place) wants(s Span) bool { return !free(p.hands, s) }
