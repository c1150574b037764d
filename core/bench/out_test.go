package bench_test

import (
	"slices"
	"strings"
	"testing"

	"risepan/core/bench"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/plan/plantest"
	"risepan/demo"
)

// slipped is a slip on a bench where some lines are measured, with both answers worked out.
func slipped(t *testing.T, name, line, went string, done ...string) []bench.Out {
	t.Helper()
	w := wishFor(t, name, demo.Galley())
	before := planned(t, w)
	s := measured(done...)
	a := amount(t, went)
	g, err := s.Weigh(heron(), before, line, a)
	if err != nil {
		t.Fatal(err)
	}
	in := bench.Slipped{Before: before, Stands: s, Line: line, Went: g}
	for _, way := range bench.Answers {
		h := bench.Happening{Do: bench.Slip, Line: line, Amount: a, Way: way, In: slices.DeleteFunc(s.Measured(before),
			func(l plan.Lock) bool { return l.Line == line })}
		again := w
		again.Wish = bench.At([]bench.Happening{h}).Wish(w.Wish)
		switch p, err := plantest.Make(heron(), again, evening); {
		case err != nil && way == bench.Grow: // out of reach
		case way == bench.Fit:
			in.Fit = &p
		default:
			in.Grow = &p
		}
	}
	return bench.Outs(heron(), in)
}

// Towpath white: l1 water, l2 butter, l3 sugar, l4 salt, l5 dry milk, l6 flour, l7 yeast, loaded wet first.
func TestTheWaysOutOfASlip(t *testing.T) {
	everything := []string{"l1", "l2", "l3", "l4", "l5", "l6", "l7"}
	for _, c := range []struct {
		why, line, went string
		done            []string
		exits           string
		says            map[bench.Exit]string
	}{
		{"yeast lies on top of the dry flour: it comes off with a spoon", "l7", "1 tbsp", everything,
			"lift fit grow again",
			map[bench.Exit]string{bench.Lift: "1 1/4 tsp", bench.ToFit: "everything is in already"}},
		{"salt on the liquid is gone: the rest would have to grow", "l4", "2 tsp", everything, "fit grow again",
			map[bench.Exit]string{bench.ToFit: "Salt", bench.ToBe: "by 3"}},
		{"flour that the yeast covers does not come off", "l6", "3 1/4 cups", everything, "fit grow again", nil},
		{"flour that nothing covers does", "l6", "3 1/4 cups", everything[:6], "lift fit grow again",
			map[bench.Exit]string{bench.Lift: "1/4 cup"}},
		{"too little is no heap to lift, and no loaf to grow to", "l7", "1 tsp", everything, "fit again", nil},
		{"water runs: the rest is measured around it", "l1", "1 1/4 cups", everything[:1], "fit grow again",
			map[bench.Exit]string{bench.ToFit: "Fit the rest"}},
	} {
		outs := slipped(t, "Towpath white", c.line, c.went, c.done...)
		var exits []string
		for _, o := range outs {
			exits = append(exits, string(o.Exit))
			if want := c.says[o.Exit]; !strings.Contains(strings.ReplaceAll(o.Say, "1 tsp + 1/4 tsp", "1 1/4 tsp"),
				want) {
				t.Errorf("%s: %s says %q, want %q in it", c.why, o.Exit, o.Say, want)
			}
		}
		if got := strings.Join(exits, " "); got != c.exits {
			t.Errorf("%s: %s, want %s", c.why, got, c.exits)
		}
	}
}

// Two tablespoons of yeast for a teaspoon or two: left so, the plan asks, and the bake is not started like that.
func TestALeftSlipThatNoLoafHoldsIsNoWayOut(t *testing.T) {
	for _, o := range slipped(t, "Towpath white", "l7", "2 tbsp", "l1", "l2", "l3", "l4", "l5", "l6", "l7") {
		if bad := o.Exit == bench.ToFit; o.Bad != bad || bad && !strings.Contains(o.Worry, "Yeast is") {
			t.Errorf("%s: bad %v, worry %q", o.Exit, o.Bad, o.Worry)
		}
	}
}

// What went in by spoons is told by spoons when it is held, and not in decimals of a millilitre.
func TestWhatWentInIsToldBySpoons(t *testing.T) {
	w := wishFor(t, "Towpath white", demo.Galley())
	s := measured("l1", "l3", "l7")
	w.Locks = s.Measured(planned(t, w))
	for _, l := range planned(t, w).Lines {
		if l.Locked != "" && (strings.Contains(l.Locked, ".") || strings.Contains(l.Locked, "ml")) {
			t.Errorf("%s is held at %q", l.Name, l.Locked)
		}
	}
}

// The pan is emptied: what lay in it is to be measured again, what was got ready stays ready.
func TestAnEmptiedPanIsMeasuredAgain(t *testing.T) {
	s := bench.At([]bench.Happening{
		{Do: bench.Done, Step: "tools"}, {Do: bench.Done, Step: "paddle"}, {Do: bench.Done, Step: "measure l1"},
		{Do: bench.Done, Step: "well"},
		{Do: bench.Slip, Line: "l1", Amount: measure.Of(2, 1, measure.Cup), Way: bench.Fit}, {Do: bench.Emptied},
	})
	if got := strings.Join(s.Done, " "); got != "tools paddle" || s.Slips != 0 || len(s.Locks) != 0 {
		t.Errorf("after emptying the pan: done %q, %d slips, held %v", got, s.Slips, s.Locks)
	}
}
