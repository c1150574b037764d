package bake_test

import (
	"errors"
	"slices"
	"strings"
	"testing"
	"time"

	"risepan/core/bake"
	"risepan/core/fault"
	"risepan/core/journal"
	"risepan/core/kitchen"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/plan/plantest"
	"risepan/core/timetable"
	"risepan/demo"
)

var press = time.Date(2026, 5, 2, 9, 0, 0, 0, time.UTC)

// started is a 1 1/2 lb white loaf on the galley machine's Basic, 3 h 16 min with an hour of keep warm.
func started(t *testing.T, ready string) plan.Plan {
	t.Helper()
	w := plantest.Ask{Place: plan.Place{Recipe: demo.Recipes()[0], Machine: demo.Galley(), Zone: time.UTC},
		Wish: plan.Wish{LoafWish: plan.LoafWish{Size: measure.LoafPounds(3, 2)}, Timing: plan.Timing{AtPanel: true}}}
	if ready != "" {
		var err error
		if w.Ready, err = timetable.ParseWall(ready); err != nil {
			t.Fatal(err)
		}
	}
	p, err := plantest.Make(kitchen.New("Test", "UTC"), w, press)
	if err != nil {
		t.Fatal(err)
	}
	return p
}

func TestABakeRunsByTheClockAlone(t *testing.T) {
	p := started(t, "2026-05-02T18:00") // set 9:00, begins 14:44
	for _, c := range []struct {
		at    string
		phase bake.Phase
		stage string
		next  timetable.MomentKind
	}{
		{"09:00", bake.Waiting, "", timetable.Begins}, {"14:43", bake.Waiting, "", timetable.Begins},
		{"14:44", bake.Running, "knead", timetable.Look},
		{"14:55", bake.Running, "rest", timetable.LastRise}, {"17:59", bake.Running, "bake", timetable.Ready},
		{"18:00", bake.Warm, "", timetable.WarmEnds}, {"19:00", bake.Cold, "", ""},
	} {
		now, _ := time.Parse("2006-01-02 15:04", "2026-05-02 "+c.at)
		s := bake.At(p, nil, now)
		next := timetable.MomentKind("")
		if s.Next >= 0 {
			next = s.Moments[s.Next].Kind
		}
		if s.Phase != c.phase || string(s.Stage) != c.stage || next != c.next {
			t.Errorf("at %s: %s %s, next %q; want %s %s, next %q", c.at, s.Phase, s.Stage, next, c.phase, c.stage,
				c.next)
		}
		if lid := s.Lid; (lid == "") != (s.Phase != bake.Waiting && s.Phase != bake.Running) || strings.Contains(lid,
			"stays shut") != (s.Stage == "bake") {
			t.Errorf("at %s, %s %s: of lid and buttons it says %q", c.at, s.Phase, s.Stage, lid)
		}
		if s.Changes != nil && !s.Changes.After(now) {
			t.Errorf("at %s the next change is said to be at %v", c.at, s.Changes)
		}
	}
}

func TestHappeningsAreFoldedAndCanBeTakenBack(t *testing.T) {
	p := started(t, "")
	out := press.Add(200 * time.Minute)
	happened := []bake.Happening{
		{Stamp: journal.Stamp{Seq: 1, At: press.Add(8 * time.Minute)}, What: bake.Done, Moment: string(timetable.Look)},
		{Stamp: journal.Stamp{Seq: 2, At: press.Add(9 * time.Minute)}, What: bake.Abandoned},
		{Stamp: journal.Stamp{Seq: 3, At: press.Add(10 * time.Minute)}, What: bake.Undone, Of: 2},
		{Stamp: journal.Stamp{Seq: 4, At: out}, What: bake.TakenOut},
		{Stamp: journal.Stamp{Seq: 5, At: out}, What: bake.Judged, Verdict: bake.Verdict{Mark: 3, Note: "pale"}},
		{Stamp: journal.Stamp{Seq: 6, At: out}, What: bake.Judged, Verdict: bake.Verdict{Mark: 4,
			Note: "not so pale when cool"}},
	}
	s := bake.At(p, happened, out.Add(time.Hour))
	if s.Phase != bake.Out || !s.End.Equal(out) || s.Mark != 4 || s.Note != "not so pale when cool" || s.Last != 6 {
		t.Errorf("folded to %+v", s)
	}
	if s := bake.At(p, happened[:2], out); s.Phase != bake.GivenUp {
		t.Errorf("abandoned, but %s", s.Phase)
	}
	if s := bake.At(p, happened[:3], press.Add(11*time.Minute)); s.Phase != bake.Running || !s.Moments[1].Done {
		t.Errorf("taken back, but %s, dough looked at %v", s.Phase, s.Moments[1].Done)
	}
	back := append(slices.Clone(happened), bake.Happening{Stamp: journal.Stamp{Seq: 7}, What: bake.Undone, Of: 6},
		bake.Happening{Stamp: journal.Stamp{Seq: 8}, What: bake.Undone, Of: 7})
	if s := bake.At(p, back, out); s.Mark != 4 {
		t.Errorf("the undoing of a mark of 4 was taken back, and the mark is %d", s.Mark)
	}
	if s := bake.At(p, append(happened, bake.Happening{Stamp: journal.Stamp{Seq: 7}, What: bake.Undone, Of: 6}),
		out); s.Mark != 3 {
		t.Errorf("the second verdict was taken back, the mark is %d", s.Mark)
	}
}

func TestWhatCannotHappenIsRefusedAtTheField(t *testing.T) {
	p := started(t, "")
	running := bake.At(p, nil, press.Add(time.Minute))
	gone := []bake.Happening{{Stamp: journal.Stamp{Seq: 1, At: press}, What: bake.TakenOut}}
	over := bake.At(p, gone, press.Add(time.Hour))
	for _, c := range []struct {
		state   bake.State
		h       bake.Happening
		pointer string
	}{
		{running, bake.Happening{What: bake.Judged, Verdict: bake.Verdict{Mark: 3}}, "/what"},
		{over, bake.Happening{What: bake.Judged, Verdict: bake.Verdict{Mark: 6}}, "/mark"},
		{over, bake.Happening{What: bake.Judged, Verdict: bake.Verdict{Mark: 0}}, "/mark"},
		{over, bake.Happening{What: bake.Judged, Verdict: bake.Verdict{Mark: 3, Note: strings.Repeat("x", 5000)}},
			"/note"},
		{running, bake.Happening{What: bake.Done, Moment: string(timetable.AddIns)}, "/moment"},
		{over, bake.Happening{What: bake.TakenOut}, "/what"},
		{running, bake.Happening{What: bake.Undone, Of: 9}, "/of"}, {running, bake.Happening{}, "/what"},
	} {
		var f *fault.Fault
		if err := bake.Check(c.state, gone, c.h); !errors.As(err, &f) || f.Pointer != c.pointer {
			t.Errorf("%+v: want a fault at %s, got %v", c.h, c.pointer, err)
		}
	}
	if err := bake.Check(over, gone, bake.Happening{What: bake.Judged, Verdict: bake.Verdict{Mark: 5}}); err != nil {
		t.Errorf("a good verdict is refused: %v", err)
	}
}
