package bake_test

import (
	"fmt"
	"slices"
	"strings"
	"testing"
	"time"

	"risepan/core/bake"
	"risepan/core/dough"
	"risepan/core/journal"
	"risepan/core/measure"
	"risepan/core/readtest"
)

// A filled loaf, looked at every ten minutes until it is cold, undisturbed and after each thing that can happen to it.
func TestWhatABakeSays(t *testing.T) {
	const pause = "paddle out 1"
	happens := func(when string, h bake.Happening) bake.Happening {
		h.Stamp = journal.Stamp{At: clock(when), Seq: 1}
		return h
	}
	var all []readtest.Said
	for _, c := range []struct {
		name string
		h    []bake.Happening
	}{
		{"as planned", nil},
		{"pressed", []bake.Happening{happens("10:25", bake.Happening{What: bake.Resumed, Moment: pause})}},
		{"stage over", []bake.Happening{happens("09:50", bake.Happening{What: bake.StageOver})}},
		{"refused", []bake.Happening{happens("09:01", bake.Happening{What: bake.Refused, Refusal: bake.TooHot})}},
		{"a cut", []bake.Happening{happens("09:59", bake.Happening{What: bake.PowerCut,
			Cut: &bake.Cut{From: clock("09:45"), To: clock("09:57"), Resumed: true}})}},
		{"a longer cut", []bake.Happening{happens("11:40", bake.Happening{What: bake.PowerCut,
			Cut: &bake.Cut{From: clock("10:45"), To: clock("11:35")}})}},
		{"given up", []bake.Happening{happens("10:00", bake.Happening{What: bake.Abandoned})}},
	} {
		p := swirl(t, "")
		var said readtest.Rows
		for now := clock("09:00"); now.Before(clock("16:00")); now = now.Add(20 * time.Minute) {
			told := c.h
			if len(told) > 0 && told[0].At.After(now) {
				told = nil
			}
			said.Add(t, now.Format("15:04"), stands(bake.At(p, told, now)))
		}
		all = append(all, readtest.Said{Name: fmt.Sprintf("a filled loaf, %s", c.name), Value: &said})
	}
	var cuts readtest.Rows
	for from := clock("08:50"); from.Before(clock("14:00")); from = from.Add(30 * time.Minute) {
		for _, long := range []time.Duration{4 * time.Minute, 25 * time.Minute, 130 * time.Minute} {
			to := from.Add(long)
			h := bake.Happening{Stamp: journal.Stamp{At: to, Seq: 2}, What: bake.PowerCut, Cut: &bake.Cut{From: from,
				To: to}}
			on := happens("10:28", bake.Happening{What: bake.Resumed, Moment: pause})
			for n, told := range [][]bake.Happening{{h}, {on, h}} {
				asked := fmt.Sprintf("at %s for %s, %d told before", from.Format("15:04"), long, n)
				cuts.Add(t, asked, bake.At(swirl(t, ""), told, to.Add(time.Minute)).Outage)
			}
		}
	}
	all = append(all, readtest.Said{Name: "the power goes", Value: &cuts})
	for _, c := range []struct {
		name, at string
		h        []bake.Happening
	}{
		{"in the first knead", "09:20", nil}, {"rising", "10:40", nil}, {"ready", "13:30", nil}, {"cold", "15:30", nil},
		{"out", "15:30", []bake.Happening{happens("13:20", bake.Happening{What: bake.TakenOut})}},
		{"given up", "10:40", []bake.Happening{happens("10:00", bake.Happening{What: bake.Abandoned})}},
	} {
		state := bake.At(swirl(t, ""), c.h, clock(c.at))
		var taken readtest.Rows
		for _, told := range tellings(state) {
			told.h.At = clock(c.at)
			taken.Add(t, told.what, bake.Check(state, c.h, told.h))
		}
		all = append(all, readtest.Said{Name: "a filled loaf " + c.name + ": what can be told of it", Value: &taken})
	}
	readtest.Hold(t, all)
}

// telling is a thing that may be told, in words.
type telling struct {
	what string
	h    bake.Happening
}

// stands is how a bake stands, with its moments by their names.
func stands(s bake.State) []any {
	var moments []string
	for _, m := range s.Moments {
		as := ""
		if m.Done {
			as = " done"
		}
		if m.Stays {
			as += " stays"
		}
		moments = append(moments, m.ID+m.At.Format(" 15:04")+as)
	}
	s.Moments, s.Stages = nil, nil
	return []any{s, strings.Join(moments, ", ")}
}

// tellings are things that may be told of a bake, up to their bounds and just beyond.
func tellings(s bake.State) (out []telling) {
	for _, what := range bake.What("").Words() {
		out = append(out, telling{"only " + what, bake.Happening{What: bake.What(what)}})
	}
	for _, m := range append(s.Moments, bake.Moment{}) {
		for _, what := range []bake.What{bake.Done, bake.Skipped, bake.Resumed} {
			for _, ago := range []int{0, 1, 600} {
				out = append(out, telling{fmt.Sprintf("%s %s %d ago", what, m.ID, ago), bake.Happening{What: what,
					Moment: m.ID, Minutes: ago}})
			}
		}
	}
	for _, d := range []int{-241, -240, -61, -60, -1, 0, 1, 60, 61, 240, 241} {
		out = append(out, telling{fmt.Sprintf("moved %d", d), bake.Happening{What: bake.Moved, Minutes: d}})
	}
	for c := -1; c <= 70; c++ {
		out = append(out, telling{fmt.Sprintf("probed %d", c), bake.Happening{What: bake.Probed,
			Warm: measure.Reading(measure.Celsius(c))}})
		out = append(out, telling{fmt.Sprintf("a room of %d", c), bake.Happening{What: bake.Judged,
			Verdict: bake.Verdict{Mark: 3, Room: measure.Reading(measure.Celsius(c))}}})
	}
	for mark := -1; mark <= 7; mark++ {
		out = append(out, telling{fmt.Sprintf("mark %d", mark), bake.Happening{What: bake.Judged,
			Verdict: bake.Verdict{Mark: mark}}})
	}
	for _, mm := range []int{-121, -120, -119, -101, -100, 0, 99, 100, 101, 119, 120, 121, 149, 150, 151} {
		out = append(out, telling{fmt.Sprintf("a middle at %d", mm), bake.Happening{What: bake.Judged,
			Verdict: bake.Verdict{Mark: 3, Centre: &mm}}})
		out = append(out, telling{fmt.Sprintf("edges at %d", mm), bake.Happening{What: bake.Judged,
			Verdict: bake.Verdict{Mark: 3, Sides: &mm}}})
	}
	for _, n := range []int{-1, 0, 1, 2999, 3000, 3001, 2000, 2001, 4999, 5000, 5001} {
		out = append(out, telling{fmt.Sprintf("%d g", n), bake.Happening{What: bake.Judged,
			Verdict: bake.Verdict{Mark: 3, Weight: measure.Grams(n)}}})
	}
	for hours := -1; hours <= 100; hours++ {
		out = append(out, telling{fmt.Sprintf("cut after %d h", hours), bake.Happening{What: bake.Judged,
			Verdict: bake.Verdict{Mark: 3, CutAfter: 60 * hours}}})
	}
	for n := range bake.Signs {
		out = append(out, telling{fmt.Sprintf("%d signs", n+1), bake.Happening{What: bake.Judged,
			Verdict: bake.Verdict{Mark: 3, Signs: append(slices.Clone(bake.Signs[:n+1]), bake.Signs[0])}}})
	}
	for n := range bake.Mishaps {
		out = append(out, telling{fmt.Sprintf("%d mishaps", n+1), bake.Happening{What: bake.Judged,
			Verdict: bake.Verdict{Mark: 3, Mishaps: append(slices.Clone(bake.Mishaps[:n+1]), bake.Mishaps[0])}}})
	}
	for _, dose := range []dough.Dose{{Of: dough.Water}, {Of: dough.Water, Amount: measure.Of(1, 1, measure.Tsp)},
		{Of: dough.FlourDose, Amount: measure.Of(1, 1, measure.Cup)}, {Of: dough.FlourDose, Amount: measure.Of(30, 1,
			measure.Gram)}} {
		out = append(out, telling{fmt.Sprintf("put in %s of %s", dose.Amount, dose.Of),
			bake.Happening{What: bake.PutIn, Dose: &dose}})
	}
	for _, seen := range dough.Seen("").Words() {
		out = append(out, telling{"saw it " + seen, bake.Happening{What: bake.Saw, Seen: dough.Seen(seen)}})
	}
	for _, stands := range dough.Stands("").Words() {
		out = append(out, telling{"it stands " + stands, bake.Happening{What: bake.Stood,
			Stands: dough.Stands(stands)}})
	}
	for _, cut := range []bake.Cut{{}, {From: clock("09:10"), To: clock("09:15")}, {From: clock("09:15"),
		To: clock("09:10")}, {From: clock("08:00"), To: clock("09:15")}, {From: clock("10:00"), To: clock("10:20"),
		Resumed: true}, {From: clock("13:00"), To: clock("17:00")}} {
		out = append(out, telling{fmt.Sprintf("a cut from %s to %s", cut.From.Format("15:04"), cut.To.Format("15:04")),
			bake.Happening{What: bake.PowerCut, Cut: &cut}})
	}
	for _, p := range []bake.Photo{{}, {ID: "a", Width: 1}, {ID: "a", Height: 1}, {Width: 1, Height: 1},
		{ID: "a", Width: 1, Height: 1}} {
		out = append(out, telling{fmt.Sprintf("a photo %q of %d × %d", p.ID, p.Width, p.Height),
			bake.Happening{What: bake.Photographed, Photo: &p}})
	}
	return out
}
