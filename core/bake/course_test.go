package bake_test

import (
	"errors"
	"slices"
	"strings"
	"testing"
	"time"

	"risepan/core/advice"
	"risepan/core/bake"
	"risepan/core/fault"
	"risepan/core/journal"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/plan/plantest"
	"risepan/core/recipe"
	"risepan/core/timetable"
	"risepan/demo"
)

// swirl is a filled loaf on the galley machine, started at 9:00: kneads 10, rests 5, kneads 22, rises 40, a
// knock-back, ten minutes on the board from 10:18, rises 46, bakes 50: 12:04.
func swirl(t *testing.T, more string) plan.Plan {
	t.Helper()
	card, err := recipe.ReadCard("Swirl\n"+more+"1 cup water\n3 tbsp sugar\n1 1/4 tsp salt\n3 cups bread flour\n2 "+
		"tsp active dry yeast\nFilling\n1/3 cup brown sugar\n1 tbsp cinnamon\nSweet cycle. Roll up and put back "+
		"into the pan.", measure.US, larder.Find)
	if err != nil {
		t.Fatal(err)
	}
	r := recipe.New(card.Recipe())
	r.Size = measure.LoafPounds(3, 2)
	if r.Kind != recipe.Filled {
		t.Fatalf("read as %s", r.Kind)
	}
	p, err := plantest.Make(kitchen.New("Test", "UTC"),
		plantest.Ask{Place: plan.Place{Recipe: r, Machine: demo.Galley(), Zone: time.UTC},
			Wish: plan.Wish{LoafWish: plan.LoafWish{Size: r.Size}, Timing: plan.Timing{AtPanel: true}}}, press)
	if err != nil {
		t.Fatal(err)
	}
	return p
}

// clock is a time of day after the press of 9:00.
func clock(text string) time.Time {
	t, err := time.Parse("15:04", text)
	if err != nil {
		panic(err)
	}
	return time.Date(press.Year(), press.Month(), press.Day(), t.Hour(), t.Minute(), 0, 0, time.UTC)
}

// What happens to a bake moves its clock: a pause that lasts, a stage that is ended, minutes added, a power cut.
func TestTheClockFollowsTheBake(t *testing.T) {
	const pause = "paddle out 1"
	at := func(when string, h bake.Happening) bake.Happening {
		h.Stamp = journal.Stamp{At: clock(when)}
		return h
	}
	cut := func(from, to string, resumed bool) *bake.Cut {
		return &bake.Cut{From: clock(from), To: clock(to), Resumed: resumed}
	}
	for _, c := range []struct {
		name     string
		now      string
		happened []bake.Happening
		ready    string
		paused   bool
		stage    string
	}{
		{"as planned", "09:05", nil, "12:04", false, "knead"},
		{"the pause begins", "10:18", nil, "12:04", true, ""},
		{"the hands are in time", "10:27", nil, "12:04", true, ""},
		{"nobody has pressed Start", "10:50", nil, "12:26", true, ""},
		{"pressed early", "10:40", []bake.Happening{at("10:25", bake.Happening{What: bake.Resumed, Moment: pause})},
			"12:01", false, "rise"},
		{"pressed late", "10:45", []bake.Happening{at("10:40", bake.Happening{What: bake.Resumed, Moment: pause})},
			"12:16", false, "rise"},
		{"pressed late and said later still", "10:50",
			[]bake.Happening{at("10:50", bake.Happening{What: bake.Resumed, Moment: pause, Minutes: 5})}, "12:21",
			false, "rise"},
		{"pressed and taken back", "10:50",
			[]bake.Happening{at("10:25", bake.Happening{What: bake.Resumed, Moment: pause}),
				at("10:26", bake.Happening{What: bake.Undone, Of: 1})}, "12:26", true, ""},
		{"the rise ended at minute 50", "09:51", []bake.Happening{at("09:50", bake.Happening{What: bake.StageOver})},
			"11:37", true, ""},
		{"a quarter of an hour added to the baking", "11:40",
			[]bake.Happening{at("10:28", bake.Happening{What: bake.Resumed, Moment: pause}),
				at("11:30", bake.Happening{What: bake.Moved, Minutes: 15})}, "12:19", false, "bake"},
		{"ended ten minutes sooner", "11:40",
			[]bake.Happening{at("10:28", bake.Happening{What: bake.Resumed, Moment: pause}),
				at("11:30", bake.Happening{What: bake.Moved, Minutes: -10})}, "11:54", false, "bake"},
		{"a cut of twelve minutes that the machine bridged", "10:00",
			[]bake.Happening{at("09:59", bake.Happening{What: bake.PowerCut, Cut: cut("09:45", "09:57", true)})},
			"12:16", false, "rise"},
		{"it refuses, being hot", "09:05",
			[]bake.Happening{at("09:01", bake.Happening{What: bake.Refused, Refusal: bake.TooHot})}, "12:30", true, ""},
		{"it refuses, and nobody has tried again", "09:40",
			[]bake.Happening{at("09:01", bake.Happening{What: bake.Refused, Refusal: bake.TooHot})}, "12:44", true, ""},
		{"it refuses, being cold", "09:05",
			[]bake.Happening{at("09:01", bake.Happening{What: bake.Refused, Refusal: bake.TooCold})}, "12:20", true,
			""},
		{"it refused, and has started", "09:35",
			[]bake.Happening{at("09:01", bake.Happening{What: bake.Refused, Refusal: bake.TooHot}),
				at("09:33", bake.Happening{What: bake.Resumed, Moment: "refused", Minutes: 3})}, "12:34", false,
			"knead"},
		{"it refused, which is taken back", "09:05",
			[]bake.Happening{at("09:01", bake.Happening{What: bake.Refused, Refusal: bake.TooHot}),
				at("09:02", bake.Happening{What: bake.Undone, Of: 1})}, "12:04", false, "knead"},
		{"a cut before the pause, then the pause", "10:30",
			[]bake.Happening{at("09:59", bake.Happening{What: bake.PowerCut, Cut: cut("09:45", "09:57", true)})},
			"12:16", true, ""},
	} {
		t.Run(c.name, func(t *testing.T) {
			p := swirl(t, "")
			for n := range c.happened {
				c.happened[n].Seq = n + 1
				if err := bake.Check(bake.At(p, c.happened[:n], c.happened[n].At), c.happened[:n],
					c.happened[n]); err != nil {
					t.Fatal(err)
				}
			}
			s := bake.At(p, c.happened, clock(c.now))
			if got := s.Ready.Format("15:04"); got != c.ready || (s.Paused != "") != c.paused ||
				string(s.Stage) != c.stage {
				t.Errorf("ready %s, paused %q, stage %q; want %s, %v, %q", got, s.Paused, s.Stage, c.ready, c.paused,
					c.stage)
			}
			if c.paused && (s.Due == nil || !s.Due.Waits || s.Due.Moment != s.Paused || len(s.Due.Steps) < 3) {
				t.Errorf("what it waits for does not stay first with its steps: %+v", s.Due)
			}
			if s.Paused == pause && len(s.Due.Lines) != 2 {
				t.Errorf("the pause does not name its filling: %+v", s.Due)
			}
			for n, o := range s.Stages {
				if o.To < o.From || n > 0 && o.From < s.Stages[n-1].To {
					t.Errorf("stages overlap: %+v", s.Stages)
				}
			}
		})
	}
}

// A cut that the machine did not bridge: what is left to do, by the stage in which it fell.
func TestAfterAPowerCut(t *testing.T) {
	for _, c := range []struct {
		name, from, to, says string
		spoils, throw        bool
	}{
		{"hardly begun", "09:10", "09:40", "Start the same cycle again", false, false},
		{"while it kneads", "09:34", "09:50", "Start the same cycle again", false, false},
		{"while it rises", "09:50", "10:20", "Keep the lid shut for about", false, false},
		{"while it bakes", "11:30", "11:50", "it is baked to its end", false, false},
		{"milk for three hours", "09:34", "12:40", "Throw it away", true, true},
		{"milk for an hour", "09:34", "10:40", "Start the same cycle again", true, false},
		{"milk, while it bakes, for three hours", "11:30", "14:40", "Throw it away", true, true},
		{"after its end", "12:30", "13:00", "Take it out", false, false},
	} {
		t.Run(c.name, func(t *testing.T) {
			more := ""
			if c.spoils {
				more = "1 egg\n"
			}
			p := swirl(t, more)
			happened := []bake.Happening{{Stamp: journal.Stamp{Seq: 1, At: clock("10:28")}, What: bake.Resumed,
				Moment: "paddle out 1"},
				{Stamp: journal.Stamp{Seq: 2, At: clock(c.to)}, What: bake.PowerCut,
					Cut: &bake.Cut{From: clock(c.from), To: clock(c.to)}}}
			o := bake.At(p, happened, clock(c.to)).Outage
			if o == nil || !strings.Contains(o.Said(), c.says) || o.Has(advice.Discard) != c.throw {
				t.Errorf("%+v, want %q, thrown away %v", o, c.says, c.throw)
			}
		})
	}
	// Before it is pressed on after the pause, the dough is neither done nor lost.
	p := swirl(t, "")
	waits := []bake.Happening{{Stamp: journal.Stamp{Seq: 1, At: clock("10:40")}, What: bake.PowerCut,
		Cut: &bake.Cut{From: clock("10:20"), To: clock("10:40")}}}
	if o := bake.At(p, waits, clock("10:41")).Outage; o == nil || !o.Has(advice.Wait) ||
		!o.Has(advice.BakeOn) {
		t.Errorf("a cut while it waits for Start: %+v", o)
	}
	for pointer, h := range map[string]bake.Happening{
		"/cut":      {What: bake.PowerCut, Cut: &bake.Cut{From: clock("10:00"), To: clock("09:00")}},
		"/cut/to":   {What: bake.PowerCut, Cut: &bake.Cut{From: clock("09:10"), To: clock("19:00")}},
		"/cut/from": {What: bake.PowerCut, Cut: &bake.Cut{From: clock("08:59"), To: clock("09:10")}},
		"/minutes":  {What: bake.Moved, Minutes: 1000}, "/moment": {What: bake.Resumed, Moment: "look"},
	} {
		h.Stamp = journal.Stamp{Seq: 1, At: clock("09:20")}
		var f *fault.Fault
		if err := bake.Check(bake.At(p, nil, clock("09:20")), nil, h); !errors.As(err, &f) || f.Pointer != pointer {
			t.Errorf("%+v: %v, want a fault at %s", h, err, pointer)
		}
	}
}

// Out of the pan a loaf has a clock of its own; a stopped one has none.
func TestALoafCools(t *testing.T) {
	p := swirl(t, "")
	out := bake.At(p, []bake.Happening{{Stamp: journal.Stamp{Seq: 1, At: clock("12:10")}, What: bake.TakenOut}},
		clock("12:11"))
	if out.Cool == nil || out.Cool.Slice != clock("12:30") || out.Cool.Clean != clock("13:10") {
		t.Errorf("cools %+v", out.Cool)
	}
	if s := bake.At(p, []bake.Happening{{Stamp: journal.Stamp{Seq: 1, At: clock("10:10")}, What: bake.Abandoned}},
		clock("12:11")); s.Cool != nil {
		t.Errorf("a loaf that was given up cools: %+v", s.Cool)
	}
}

// When a hot machine is tried again stands on the clock as a moment of its own, where it is called for: it does
// not move while nobody tries.
func TestARefusalIsTriedAgainAtItsTime(t *testing.T) {
	p := swirl(t, "")
	refused := []bake.Happening{{Stamp: journal.Stamp{Seq: 1, At: clock("09:01").Add(20 * time.Second)},
		What: bake.Refused, Refusal: bake.TooHot}}
	for _, now := range []time.Duration{0, time.Minute, 30*time.Minute + 7*time.Second, 55 * time.Minute} {
		s := bake.At(p, refused, refused[0].At.Add(now))
		if try := s.Moments[1]; try.Say != "Try Start again." || !try.Person ||
			!try.At.Equal(refused[0].At.Add(25*time.Minute)) {
			t.Errorf("%s after the refusal: %+v", now, try)
		}
		if s.Begin.Before(refused[0].At.Add(now)) {
			t.Errorf("%s after the refusal it has begun at %s", now, s.Begin)
		}
	}
	if err := bake.Check(bake.At(p, refused, clock("09:03")), refused, refused[0]); err == nil ||
		!strings.Contains(err.Error(), "said already") {
		t.Errorf("refused once more: %v", err)
	}
	if err := bake.Check(bake.At(p, nil, clock("09:15")), nil, bake.Happening{Stamp: journal.Stamp{At: clock("09:15")},
		What: bake.Refused, Refusal: bake.TooCold}); err == nil {
		t.Error("a machine that has kneaded for a quarter of an hour refused to start")
	}
}

// A list that was kept when something last happened says the same as the whole bake does later, though Start was
// not pressed where the machine waits for it.
func TestAListFollowsAWaitThatNobodyAnswers(t *testing.T) {
	p := swirl(t, "")
	refused := []bake.Happening{{Stamp: journal.Stamp{Seq: 1, At: clock("09:01")}, What: bake.Refused,
		Refusal: bake.TooHot}}
	for _, c := range []struct {
		happened  []bake.Happening
		kept, now string
	}{
		{nil, "09:00", "10:17"}, {nil, "09:00", "10:25"}, {nil, "09:00", "10:50"}, {nil, "09:00", "13:00"},
		{refused, "09:01", "09:20"}, {refused, "09:01", "09:26"}, {refused, "09:01", "10:40"},
	} {
		kept, now := bake.At(p, c.happened, clock(c.kept)), bake.At(p, c.happened, clock(c.now))
		times, moments := bake.Follow(bake.ClockOf(p, kept), kept.Moments, clock(c.now))
		if want := bake.ClockOf(p, now); times != want {
			t.Errorf("kept at %s, at %s: %+v, want %+v", c.kept, c.now, times, want)
		}
		for n, m := range moments {
			if !m.At.Equal(now.Moments[n].At) {
				t.Errorf("kept at %s, at %s: %s at %s, want %s", c.kept, c.now, m.ID, m.At, now.Moments[n].At)
			}
		}
	}
}

// A cycle that is started again runs from its beginning: its stages and moments are to come anew, what was done in it is
// not done any more, and taken back it is as before.
func TestACycleIsStartedAgain(t *testing.T) {
	p := swirl(t, "")
	look := p.Moments[slices.IndexFunc(p.Moments, func(m timetable.Moment) bool { return m.Kind == timetable.Look })]
	happened := []bake.Happening{
		{Stamp: journal.Stamp{Seq: 1, At: clock("09:20")}, What: bake.Done, Moment: look.ID},
		{Stamp: journal.Stamp{Seq: 2, At: clock("09:31")}, What: bake.Restarted, Minutes: 1}}
	before, after := bake.At(p, happened[:1], clock("09:31")), bake.At(p, happened, clock("09:31"))
	if !after.Begin.Equal(clock("09:30")) || after.Ready.Sub(before.Ready) != after.Begin.Sub(before.Begin) {
		t.Errorf("begun again at %s it is ready at %s, before at %s", after.Begin, after.Ready, before.Ready)
	}
	n := slices.IndexFunc(after.Moments, func(m bake.Moment) bool { return m.ID == look.ID })
	if after.Moments[n].Done || after.Ball == nil || after.Ball.Look == nil {
		t.Errorf("the look is %+v", after.Moments[n])
	}
	undone := append(slices.Clone(happened), bake.Happening{Stamp: journal.Stamp{Seq: 3, At: clock("09:32")},
		What: bake.Undone, Of: 2})
	if back := bake.At(p, undone, clock("09:32")); !back.Ready.Equal(before.Ready) {
		t.Errorf("taken back it is ready at %s, want %s", back.Ready, before.Ready)
	}
	var f *fault.Fault
	for pointer, h := range map[string]bake.Happening{"/minutes": {What: bake.Restarted, Minutes: 999},
		"/what": {What: bake.Restarted}} {
		h.At = clock("09:20")
		if pointer == "/what" {
			h.At = clock("08:50")
		}
		if err := bake.Check(bake.At(p, nil, h.At), nil, h); !errors.As(err, &f) || f.Pointer != pointer {
			t.Errorf("%+v: %v, want a fault at %s", h, err, pointer)
		}
	}
}
