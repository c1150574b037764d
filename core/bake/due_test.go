package bake_test

import (
	"strings"
	"testing"
	"time"

	"risepan/core/bake"
	"risepan/core/journal"
	"risepan/core/kitchen"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/plan/plantest"
	"risepan/core/timetable"
	"risepan/demo"
)

// loaf is a demo recipe on the galley machine, started at 9:00, its add-ins put in by hand.
func loaf(t *testing.T, name string) plan.Plan {
	t.Helper()
	for _, r := range demo.Recipes() {
		if r.Name == name {
			w := plantest.Ask{Place: plan.Place{Recipe: r, Machine: demo.Galley(), Zone: time.UTC},
				Wish: plan.Wish{LoafWish: plan.LoafWish{Size: r.Size}, Timing: plan.Timing{AtPanel: true,
					AddIns: plan.WithHands}}}
			p, err := plantest.Make(kitchen.New("Test", "UTC"), w, press)
			if err != nil {
				t.Fatal(err)
			}
			return p
		}
	}
	t.Fatalf("the demo has no %s", name)
	return plan.Plan{}
}

// A beep that nobody answered stays first, and what it means changes as the dough does.
func TestAMissedBeepStaysFirst(t *testing.T) {
	p := loaf(t, "Mooring raisin loaf")
	var beep timetable.Moment
	for _, m := range p.Moments {
		if m.Kind == timetable.AddIns {
			beep = m
		}
	}
	if !beep.Person {
		t.Fatalf("the raisins do not wait for a hand: %+v", beep)
	}
	var kneads, bakes time.Time
	for _, s := range p.Stages {
		switch s.Kind {
		case "knead":
			kneads = press.Add(time.Duration(s.To) * time.Minute)
		case "bake":
			bakes = press.Add(time.Duration(s.From) * time.Minute)
		}
	}
	at := beep.At(p.Timer.Begin)
	for _, c := range []struct {
		when time.Time
		says string // empty: nothing is due
	}{
		{at.Add(-time.Minute), ""}, {at, "put them in now"}, {kneads.Add(-time.Minute), "put them in now"},
		{kneads, "fold them in by hand"}, {bakes.Add(-time.Minute), "fold them in by hand"},
		{bakes, "It bakes: leave them out"},
		{p.Timer.Ready.Add(-time.Minute), "It bakes: leave them out"}, {p.Timer.Ready, ""},
		{p.Timer.Ready.Add(time.Hour), ""},
	} {
		s := bake.At(p, nil, c.when)
		switch {
		case c.says == "" && s.Due != nil:
			t.Errorf("%v: due before its time: %+v", c.when, s.Due)
		case c.says != "" && (s.Due == nil || !strings.Contains(s.Due.Now, c.says)):
			t.Errorf("%v: %+v, want %q", c.when, s.Due, c.says)
		case s.Due != nil && (len(s.Due.Lines) == 0 || s.Due.At != at):
			t.Errorf("%v: what goes in is not named, or at the wrong time: %+v", c.when, s.Due)
		}
	}
	for _, what := range []bake.What{bake.Done, bake.Skipped} {
		answered := []bake.Happening{{Stamp: journal.Stamp{Seq: 1, At: at}, What: what, Moment: beep.ID}}
		s := bake.At(p, answered, at.Add(time.Minute))
		if s.Due != nil {
			t.Errorf("%s, and still due: %+v", what, s.Due)
		}
		for _, m := range s.Moments {
			if m.ID == beep.ID && (m.Done != (what == bake.Done) || m.Skipped != (what == bake.Skipped)) {
				t.Errorf("%s is kept as %+v", what, m)
			}
		}
		back := append(answered, bake.Happening{Stamp: journal.Stamp{Seq: 2, At: at}, What: bake.Undone, Of: 1})
		if s := bake.At(p, back, at.Add(time.Minute)); s.Due == nil {
			t.Errorf("%s was taken back, and nothing is due", what)
		}
	}
	over := []bake.Happening{{Stamp: journal.Stamp{Seq: 1, At: at}, What: bake.Abandoned}}
	if s := bake.At(p, over, at.Add(time.Minute)); s.Due != nil {
		t.Error("a bake that is over still calls")
	}
	if err := bake.Check(bake.At(p, nil, at), nil, bake.Happening{What: bake.Skipped, Moment: "supper"}); err == nil {
		t.Error("a moment that the bake does not have can be skipped")
	}
}

// A batter's sides are called for too; a loaf without anything to do calls for nobody.
func TestWhatCallsAndWhatDoesNot(t *testing.T) {
	count := func(name string) (due int) {
		p := loaf(t, name)
		for minute := 0; minute < int(p.Setting.Total); minute++ {
			if s := bake.At(p, nil, press.Add(time.Duration(minute)*time.Minute)); s.Due != nil {
				due++
			}
		}
		return due
	}
	if count("Boatyard banana bread") == 0 {
		t.Error("nobody is called to scrape the batter")
	}
	if n := count("Towpath white"); n != 0 {
		t.Errorf("a plain white loaf calls for %d minutes", n)
	}
	if p := loaf(t, "Towpath white"); p.Size != measure.LoafPounds(3, 2) {
		t.Errorf("%v", p.Size)
	}
}
