package schedule_test

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"testing"

	"risepan/core/readtest"
	"risepan/core/schedule"
)

// timeline is the day minute by minute: what each machine, each pan and the hands are at. It is the brute force's own
// idea of a day, and knows nothing of the search's.
type timeline struct {
	w       schedule.Wanted
	machine [][]bool
	pan     [][]bool
	hands   []int
}

func newTimeline(w schedule.Wanted) *timeline {
	t := &timeline{w: w, hands: make([]int, 2*w.Ends)}
	for range w.Machines {
		t.machine, t.pan = append(t.machine, make([]bool, 3*w.Ends)), append(t.pan, make([]bool, 3*w.Ends))
	}
	return t
}

func within(spans []schedule.Span, at int) bool {
	for _, s := range spans {
		if at >= s.From && at < s.To {
			return true
		}
	}
	return false
}

// try lays a loaf on the timeline, and takes it off by what it returns; ok tells whether it could lie there, and odd
// in how many moments hands would rather not be there.
func (t *timeline) try(y schedule.Option, press, begin, taken int) (off func(), odd int, ok bool) {
	ready := begin + y.Run
	var minutes []int // in which hands are wanted
	add := func(from, to int) {
		glad := true
		for at := from; at < to; at++ {
			minutes = append(minutes, at)
			glad = glad && !within(t.w.Odd, at)
		}
		if !glad {
			odd++
		}
	}
	add(press-y.Load, press)
	for _, h := range y.Hands {
		add(begin+h.From, begin+h.To)
	}
	add(taken, taken+schedule.TakeOut)
	for _, h := range y.After {
		add(taken+h.From, taken+h.To)
	}
	for _, b := range append(append([]int{}, y.Beeps...), y.Run) {
		if within(t.w.Quiet, begin+b) {
			return nil, 0, false
		}
	}
	for _, at := range minutes {
		if at < t.w.Now || within(t.w.Away, at) || t.w.Pairs == 1 && t.hands[at] > 0 {
			return nil, 0, false
		}
	}
	m := t.w.Machines[y.Machine]
	if press < m.Free || ready > t.w.Ends || taken < ready || taken+max(schedule.TakeOut, y.Finish) > t.w.Ends {
		return nil, 0, false
	}
	for _, s := range m.Taken {
		if taken+schedule.TakeOut > s.From && s.To > press-max(m.Cool, y.Load) {
			return nil, 0, false
		}
	}
	machine, pan := t.machine[y.Machine], t.pan[y.Machine]
	for at := press; at < taken+schedule.TakeOut+m.Cool; at++ {
		if machine[at] {
			return nil, 0, false
		}
	}
	for at := press - y.Load; at < taken+schedule.TakeOut; at++ {
		if pan[at] {
			return nil, 0, false
		}
	}
	set := func(v bool, n int) {
		for at := press; at < taken+schedule.TakeOut+m.Cool; at++ {
			machine[at] = v
		}
		for at := press - y.Load; at < taken+schedule.TakeOut; at++ {
			pan[at] = v
		}
		for _, at := range minutes {
			t.hands[at] += n
		}
	}
	set(true, 1)
	return func() { set(false, -1) }, odd, true
}

// delays are what a way's timer can be set to.
func delays(y schedule.Option) []int {
	out := []int{0}
	for d := y.First; y.Step > 0 && d <= y.Longest; d += y.Step {
		out = append(out, d)
	}
	return out
}

// takeouts are when a loaf can be taken out that is ready at a minute: then, and at each time of the grid after.
func takeouts(w schedule.Wanted, ready int) []int {
	out := []int{ready}
	for at := 0; at <= w.Ends; at += w.Grid {
		if at > ready {
			out = append(out, at)
		}
	}
	return out
}

// brute tries everything.
func brute(w schedule.Wanted) (best [5]int) {
	best = [5]int{1 << 30}
	t := newTimeline(w)
	less := func(a, b [5]int) bool {
		for n := range a {
			if a[n] != b[n] {
				return a[n] < b[n]
			}
		}
		return false
	}
	var lay func(n int, cost [5]int)
	lay = func(n int, cost [5]int) {
		if !less(cost, best) {
			return
		}
		if n == len(w.Loaves) {
			best = cost
			return
		}
		l := w.Loaves[n]
		for _, y := range l.Ways {
			for press := 0; press <= w.Ends; press += w.Grid {
				for _, delay := range delays(y) {
					ready := press + delay + y.Run
					for _, taken := range takeouts(w, ready) {
						done := taken + y.Finish
						if l.Pin.To > 0 && (done < l.Pin.From || done >= l.Pin.To) {
							continue
						}
						off, odd, ok := t.try(y, press, press+delay, taken)
						if !ok {
							continue
						}
						c := cost
						c[3] += taken - ready
						if !l.Whenever {
							if late := done - l.By; late > 0 {
								c[1]++
								c[2] += late
							}
							c[3] += max(0, l.From-done)
						}
						c[4] += odd
						lay(n+1, c)
						off()
					}
				}
			}
		}
		cost[0]++
		lay(n+1, cost)
	}
	lay(0, [5]int{})
	return best
}

// random is a small day of hours: loaves of some hours on one or two machines, with somebody away and quiet hours.
func random(r *rand.Rand) schedule.Wanted {
	loaves := 1 + r.IntN(4) + r.IntN(2)
	w := schedule.Wanted{Ends: 60 * (5 + r.IntN(2)), Grid: 30, Pairs: 1 + r.IntN(2)}
	if loaves < 4 { // trying everything takes too long for more
		w.Ends += 120
	}
	for range 1 + r.IntN(2) {
		w.Machines = append(w.Machines, schedule.Resource{Free: 30 * r.IntN(3), Cool: 30 * r.IntN(2)})
	}
	span := func(longest int) schedule.Span {
		from := 30 * r.IntN(w.Ends/30)
		return schedule.Span{From: from, To: from + 30*(1+r.IntN(longest))}
	}
	if r.IntN(4) == 0 {
		w.Machines[0].Taken = []schedule.Span{span(3)}
	}
	for range r.IntN(2) {
		w.Away = append(w.Away, span(5))
	}
	for range r.IntN(2) {
		w.Quiet = append(w.Quiet, span(4))
	}
	for range r.IntN(3) {
		w.Odd = append(w.Odd, span(4))
	}
	for range loaves {
		l := schedule.Job{Whenever: r.IntN(5) == 0}
		if !l.Whenever {
			l.By = 30 * (4 + r.IntN(w.Ends/30-3))
			l.From = l.By - 30*r.IntN(4)*r.IntN(2)
		}
		if r.IntN(8) == 0 {
			l.Pin = span(3)
		}
		for m := range w.Machines {
			if m > 0 && r.IntN(4) == 0 {
				continue
			}
			y := schedule.Option{Machine: m, Run: 30*(3+r.IntN(4)) - r.IntN(2)*r.IntN(30),
				Load: []int{1, 10, 15}[r.IntN(3)]}
			if r.IntN(2) == 0 {
				y.First, y.Step, y.Longest = []int{30, 30, 18}[r.IntN(3)], 30, 30*(1+r.IntN(3))
			}
			if r.IntN(3) == 0 {
				y.Beeps = []int{30 + r.IntN(40)}
			}
			if r.IntN(4) == 0 {
				from := 20 + r.IntN(30)
				y.Hands = []schedule.Span{{From: from, To: from + 5}}
			}
			if r.IntN(6) == 0 {
				y.After, y.Finish = []schedule.Span{{From: 5 * r.IntN(2), To: 20}}, 60
			}
			l.Ways = append(l.Ways, y)
		}
		w.Loaves = append(w.Loaves, l)
	}
	if r.IntN(3) == 0 { // two that are wanted just so
		w.Loaves = append(w.Loaves[:len(w.Loaves)-1], w.Loaves[0])
	}
	return w
}

// The search finds what trying everything finds, over random days of up to five loaves on two machines, by prices of
// hands as well.
func TestThePlanIsTheBestThereIs(t *testing.T) {
	r := rand.New(rand.NewPCG(18, 21))
	sizes := map[int]int{}
	for n := range readtest.Draws(40, 300) {
		w := random(r)
		got, err := schedule.Make(t.Context(), w)
		if err != nil {
			t.Fatal(err)
		}
		want := brute(w)
		if c := got.Cost; !got.Proven || [5]int{c.Without, c.Late, c.Minutes, c.Waits, c.Odd} != want {
			t.Fatalf("day %d: %+v (proven %v), and the best is %v\n%+v\n%+v", n, got.Cost, got.Proven, want, w,
				got.Loaves)
		}
		priced, err := schedule.MakePriced(w)
		if err != nil || priced.Cost != got.Cost || !priced.Proven {
			t.Fatalf("day %d: with prices of hands %+v (proven %v, %v), without %+v", n, priced.Cost, priced.Proven,
				err, got.Cost)
		}
		if fault := lies(w, got); fault != "" {
			t.Fatalf("day %d: %s\n%+v", n, fault, got.Loaves)
		}
		sizes[len(w.Loaves)]++
	}
	t.Logf("days by their loaves: %v", sizes)
}

// lies tells what is wrong with a plan, laid on a timeline.
func lies(w schedule.Wanted, p schedule.Plan) string {
	t := newTimeline(w)
	for n, l := range p.Loaves {
		if l.None {
			continue
		}
		y := w.Loaves[n].Ways[l.Way]
		if !slices.Contains(delays(y), l.Begin-l.Press) || l.Press%w.Grid != 0 || l.Ready != l.Begin+y.Run ||
			l.Done != l.Taken+y.Finish {
			return fmt.Sprintf("loaf %d is set to what no timer has", n)
		}
		if _, _, ok := t.try(y, l.Press, l.Begin, l.Taken); !ok {
			return fmt.Sprintf("loaf %d cannot lie where it does", n)
		}
	}
	return ""
}
