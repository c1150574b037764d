package schedule_test

import (
	"math/rand/v2"
	"slices"
	"testing"

	"risepan/core/schedule"
)

// later is a day as it is asked for when some time has passed: the present has moved, and a machine may be free later.
func later(r *rand.Rand, w schedule.Wanted, by int) schedule.Wanted {
	w.Now += by
	w.Machines = slices.Clone(w.Machines)
	if r.IntN(3) == 0 {
		w.Machines[0].Free += by
	}
	return w
}

// A day that is remembered is as good as one that is planned anew, and can still be had; it is answered until its first
// loaf is to be loaded, and no longer.
func TestARememberedDayIsAsGood(t *testing.T) {
	r := rand.New(rand.NewPCG(26, 11))
	recalled, planned := 0, 0
	for n := range 400 {
		w, m := random(r), &schedule.Memory{}
		if _, err := m.Make(t.Context(), w); err != nil {
			t.Fatal(err)
		}
		w = later(r, w, 10*r.IntN(12))
		if m.Recalls(w) {
			recalled++
		} else {
			planned++
		}
		got, err := m.Make(t.Context(), w)
		if err != nil {
			t.Fatal(err)
		}
		anew, err := schedule.Make(t.Context(), w)
		if err != nil || got.Cost != anew.Cost || !got.Proven || !anew.Proven {
			t.Fatalf("day %d: %+v from memory, %+v planned anew (%v)\n%+v", n, got.Cost, anew.Cost, err, w)
		}
		if fault := lies(w, got); fault != "" {
			t.Fatalf("day %d: %s\n%+v", n, fault, got.Loaves)
		}
		if !m.Recalls(w) {
			t.Fatalf("day %d is planned anew when it is asked for twice", n)
		}
	}
	if recalled < 100 || planned < 100 {
		t.Errorf("%d recalled and %d planned anew prove little", recalled, planned)
	}
}

// A loaf stands where it was put, or where the baker kept it; whatever else changes has the day planned anew.
func TestWhatHasADayPlannedAnew(t *testing.T) {
	w := two(usual(hours(14, 0)), usual(hours(18, 0)))
	m := &schedule.Memory{}
	p, err := m.Make(t.Context(), w)
	if err != nil {
		t.Fatal(err)
	}
	p.Loaves[0].Press = -1 // whoever has a plan may write into it
	again, _ := m.Make(t.Context(), w)
	first := again.Loaves[0]
	load := first.Press - w.Loaves[0].Ways[first.Way].Load
	kept := func(w *schedule.Wanted) {
		for _, l := range again.Loaves {
			w.Was = append(w.Was, schedule.Placed{Way: l.Way, Press: l.Press, Begin: l.Begin, Done: l.Done})
		}
	}
	free := func(minute int) func(w *schedule.Wanted) {
		return func(w *schedule.Wanted) {
			w.Machines = slices.Clone(w.Machines)
			w.Machines[w.Loaves[0].Ways[first.Way].Machine].Free = minute
		}
	}
	for name, c := range map[string]struct {
		change func(w *schedule.Wanted)
		holds  bool
	}{
		"nothing":                             {func(w *schedule.Wanted) {}, true},
		"the minute in which loading begins":  {func(w *schedule.Wanted) { w.Now = load }, true},
		"one after it":                        {func(w *schedule.Wanted) { w.Now = load + 1 }, false},
		"the machine is free as it is loaded": {free(first.Press), true},
		"free a minute later":                 {free(first.Press + 1), false},
		"free before what was asked":          {func(w *schedule.Wanted) { free(-1)(w) }, false},
		"kept where it was put":               {kept, true},
		"kept a grid before":                  {func(w *schedule.Wanted) { kept(w); w.Was[0].Press -= 5 }, false},
		"one of them kept nowhere":            {func(w *schedule.Wanted) { kept(w); w.Was[1].None = true }, false},
		"wanted a minute later": {func(w *schedule.Wanted) {
			w.Loaves = slices.Clone(
				w.Loaves)
			w.Loaves[1].By++
		}, false},
		"somebody is away": {func(w *schedule.Wanted) { w.Away = span(3, 0, 3, 5) }, false},
		"a loaf less":      {func(w *schedule.Wanted) { w.Loaves = w.Loaves[:1] }, false},
		"a machine more": {func(w *schedule.Wanted) {
			w.Machines = append(slices.Clone(w.Machines),
				schedule.Resource{})
		}, false},
		"planned in a hurry": {func(w *schedule.Wanted) { w.Hurry = 16 }, false},
	} {
		asked := with(w, c.change)
		if got := m.Recalls(asked); got != c.holds {
			t.Errorf("%s: remembered is %v", name, got)
		}
	}
}
