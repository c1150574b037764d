package timetable

import (
	"math/rand/v2"
	"strings"
	"testing"
	"time"
	_ "time/tzdata"

	"risepan/core/dough"
	"risepan/core/machine"
	"risepan/core/measure"
)

func zone(t testing.TB, name string) *time.Location {
	t.Helper()
	z, err := time.LoadLocation(name)
	if err != nil {
		t.Fatal(err)
	}
	return z
}

func wall(t testing.TB, s string) Wall {
	t.Helper()
	w, err := ParseWall(s)
	if err != nil {
		t.Fatal(err)
	}
	return w
}

// By hand: Start at 22:40, bread at 07:00 is 8 h 20 min ahead; the cycle takes 3 h 20 min.
// A finish-based timer in steps of 10 shows 8:20. A start-based one waits 5 h: it shows 5:00, and in
// steps of 30 with a cycle of 3 h 10 min it would wait 5 h 10 min, so it shows 5:00 and the bread is
// ready 10 minutes early.
func TestBothKindsOfTimerByHand(t *testing.T) {
	z := zone(t, "Europe/London")
	press := time.Date(2026, 1, 10, 22, 40, 0, 0, z)
	ready := time.Date(2026, 1, 11, 7, 0, 0, 0, z)
	for _, c := range []struct {
		name    string
		delay   machine.Delay
		total   machine.Minutes
		setting machine.Minutes
		early   machine.Minutes
		begin   string
	}{
		{"finish-based", machine.Delay{Rule: machine.FinishBased, Step: 10, Largest: 780}, 200, 500, 0, "03:40"},
		{"finish-based, step 15", machine.Delay{Rule: machine.FinishBased, Step: 15, Largest: 780}, 200, 495, 5,
			"03:35"},
		{"start-based", machine.Delay{Rule: machine.StartBased, Step: 30, Largest: 720}, 200, 300, 0, "03:40"},
		{"start-based, rounded", machine.Delay{Rule: machine.StartBased, Step: 30, Largest: 720}, 190, 300, 10,
			"03:40"},
	} {
		got := Set(c.delay, true, c.total, press, Wish{At: ready})
		if got.Fit != Delayed || got.Setting != c.setting || got.Early != c.early ||
			got.Begin.In(z).Format("15:04") != c.begin {
			t.Errorf("%s: set %v, begins %s, %d min early (%s); want %v, %s, %d", c.name, got.Setting,
				got.Begin.In(z).Format("15:04"), got.Early, got.Fit, c.setting, c.begin, c.early)
		}
	}
}

func TestWishesThatTheTimerCannotGrant(t *testing.T) {
	press := time.Date(2026, 1, 10, 12, 0, 0, 0, time.UTC)
	d := machine.Delay{Rule: machine.FinishBased, Step: 10, Largest: 600}
	soon := Set(d, true, 200, press, Wish{At: press.Add(2 * time.Hour)})
	if soon.Fit != TooSoon || soon.Late != 80 || soon.Setting != 0 {
		t.Errorf("two hours ahead for 3 h 20 min: %+v", soon)
	}
	far := Set(d, true, 200, press, Wish{At: press.Add(14 * time.Hour)})
	if far.Fit != TooFar || far.Setting != 600 || !far.Press.Equal(press.Add(4*time.Hour)) || far.Early != 0 {
		t.Errorf("14 h ahead with a timer of 10 h: %+v", far)
	}
	hand := Set(d, false, 200, press, Wish{At: press.Add(8 * time.Hour)})
	if hand.Fit != ByHand || hand.Setting != 0 || !hand.Ready.Equal(press.Add(8*time.Hour)) {
		t.Errorf("a cycle without delay: %+v", hand)
	}
	least := Set(d, true, 200, press, Wish{At: press.Add(205 * time.Minute)})
	if least.Fit != AtOnce || least.Setting != 0 || least.Early != 5 {
		t.Errorf("less than a step to wait: %+v", least)
	}
}

// countdown runs a machine's own timer minute by minute from the press of Start, and returns when
// the bread is done. It shares nothing with Set.
func countdown(rule machine.DelayRule, setting, total machine.Minutes, press time.Time) time.Time {
	now, left, delayed := press, total, setting > 0
	wait := setting
	for left > 0 {
		switch {
		case delayed && rule == machine.FinishBased && wait > total, delayed && rule == machine.StartBased && wait > 0:
			wait--
		default:
			left--
		}
		now = now.Add(time.Minute)
	}
	return now
}

// For random machines, zones and wishes over two years the machine's own countdown ends at the
// stated ready time, never late, and never a step early unless that is said.
func TestTheMachinesOwnCountdownEndsWhenThePlanSays(t *testing.T) {
	random := rand.New(rand.NewPCG(11, 5))
	zones := []*time.Location{zone(t, "Europe/London"), zone(t, "America/New_York"), zone(t, "Australia/Lord_Howe"),
		zone(t, "Asia/Kathmandu")}
	steps := []machine.Minutes{5, 10, 15, 30, 60}
	start := time.Date(2026, 1, 1, 0, 0, 0, 0, time.UTC)
	for range 4000 {
		z := zones[random.IntN(len(zones))]
		d := machine.Delay{Rule: machine.DelayRules[random.IntN(2)], Step: steps[random.IntN(len(steps))],
			Largest: machine.Minutes(300 + random.IntN(700)),
			First:   machine.FirstPresses[random.IntN(2)]}
		total := machine.Minutes(60 + random.IntN(300))
		press := start.Add(time.Duration(random.IntN(2*365*24*60)) * time.Minute)
		wish := WallOf(press.Add(time.Duration(random.IntN(24*60))*time.Minute), z)
		ready, _ := wish.Resolve(z)
		notYet := random.IntN(3) == 0
		got := Set(d, random.IntN(8) > 0, total, press, Wish{At: ready, NotYet: notYet})
		if got.Press.Before(press) {
			t.Fatalf("Start would have to be pressed before %v: %+v", press, got)
		}
		if done := countdown(d.Rule, got.Setting, total, got.Press); !done.Equal(got.Ready) {
			t.Fatalf("%+v total %d: the machine ends at %v, the plan says %v", d, total, done, got.Ready)
		}
		late := got.Ready.Sub(ready)
		if got.Fit == TooSoon {
			if late != time.Duration(got.Late)*time.Minute || late <= 0 {
				t.Fatalf("too soon, but late by %v and said %d", late, got.Late)
			}
			continue
		}
		if notYet {
			late = -late // at home then: never early, and at most a step late
		}
		if late > 0 || -late >= time.Duration(d.Step)*time.Minute {
			t.Fatalf("%+v: ready %v against a wish for %v", got, got.Ready, ready)
		}
		if n := d.Presses(total, got.Setting); got.Setting > d.Largest || got.Setting > 0 && d.Least(total)+
			machine.Minutes(n-1)*d.Step != got.Setting {
			t.Fatalf("%v cannot be set on %+v for a cycle of %v", got.Setting, d, total)
		}
	}
}

// A stage that waits for warmth counts at its longest: the machine's own countdown with any shorter
// warming up ends at the stated time or sooner, never later, and by no more than the slack.
func TestAVariablePreheatIsNeverLate(t *testing.T) {
	random := rand.New(rand.NewPCG(7, 7))
	press := time.Date(2026, 5, 1, 20, 0, 0, 0, time.UTC)
	for range 1000 {
		most := machine.Minutes(10 + random.IntN(30))
		c := machine.Cycle{Stages: []machine.Stage{{Kind: machine.Rest, Minutes: most, Least: 1 +
			machine.Minutes(random.IntN(int(most)))},
			{Kind: machine.Knead, Minutes: 20}, {Kind: machine.Rise, Minutes: 60}, {Kind: machine.Bake, Minutes: 50}}}
		size := measure.LoafPounds(3, 2)
		total := c.Total(size, machine.Medium)
		d := machine.Delay{Rule: machine.StartBased, Step: 10, Largest: 780}
		ready := press.Add(time.Duration(200+random.IntN(500)) * time.Minute)
		got := Set(d, true, total, press, Wish{At: ready})
		for _, actual := range []machine.Minutes{c.Stages[0].Least, c.Stages[0].Least + (most-c.Stages[0].Least)/2,
			most} {
			done := countdown(d.Rule, got.Setting, total-most+actual, got.Press)
			if early := got.Ready.Sub(done); early < 0 ||
				early > time.Duration(c.Programme(size, machine.Medium).Slack())*time.Minute || done.After(ready) {
				t.Fatalf("warmed up in %d of %d minutes it is ready at %v, stated %v", actual, most, done, got.Ready)
			}
		}
	}
}

// London, 29 March 2026: 01:00 GMT becomes 02:00 BST, so 01:30 never occurs. 25 October 2026: 02:00
// BST becomes 01:00 GMT, so 01:30 occurs twice.
func TestWallTimesOnTheNightsWhenTheClocksChange(t *testing.T) {
	z := zone(t, "Europe/London")
	for _, c := range []struct {
		wall, utc string
		doubt     Doubt
	}{
		{"2026-03-29T01:30", "2026-03-29T01:30", Never}, // shown as 02:30 BST
		{"2026-03-29T07:00", "2026-03-29T06:00", Sure},
		{"2026-10-25T01:30", "2026-10-25T00:30", Twice},
		{"2026-10-25T07:00", "2026-10-25T07:00", Sure},
		{"2026-10-25T02:30", "2026-10-25T02:30", Sure},
	} {
		got, doubt := wall(t, c.wall).Resolve(z)
		if got.UTC().Format(wallLayout) != c.utc || doubt != c.doubt {
			t.Errorf("%s in London is %s UTC (%q), want %s (%q)", c.wall, got.UTC().Format(wallLayout), doubt, c.utc,
				c.doubt)
		}
	}
}

// Bread for 07:00 after the spring night: from 23:00 it is 7 hours, not 8.
func TestADelayAcrossTheSpringNightIsAnHourShorter(t *testing.T) {
	z := zone(t, "Europe/London")
	press := time.Date(2026, 3, 28, 23, 0, 0, 0, z)
	ready, _ := wall(t, "2026-03-29T07:00").Resolve(z)
	got := Set(machine.Delay{Rule: machine.FinishBased, Step: 10, Largest: 780}, true, 200, press, Wish{At: ready})
	if got.Setting != 420 || got.Early != 0 {
		t.Errorf("set %v, want 7:00", got.Setting)
	}
	autumn := time.Date(2026, 10, 24, 23, 0, 0, 0, z)
	ready, _ = wall(t, "2026-10-25T07:00").Resolve(z)
	if got := Set(machine.Delay{Rule: machine.FinishBased, Step: 10, Largest: 780}, true, 200, autumn,
		Wish{At: ready}); got.Setting != 540 {
		t.Errorf("in autumn set %v, want 9:00", got.Setting)
	}
}

func TestMomentsInOrderWithTheBeepOnlyForAddIns(t *testing.T) {
	c := machine.Cycle{KeepsWarm: true, Beeps: []machine.Beep{{For: machine.ForAddIns, By: machine.BeforeKneadEnd,
		Minutes: 6}}, Stages: []machine.Stage{{Kind: machine.Knead, Minutes: 9}, {Kind: machine.Rest, Minutes: 6},
		{Kind: machine.Knead, Minutes: 19}, {Kind: machine.Rise, Minutes: 35}, {Kind: machine.Rise, Minutes: 48},
		{Kind: machine.Bake, Minutes: 53}}}
	size := measure.LoafPounds(3, 2)
	got := Moments(c.Programme(size, machine.Medium), 60, Needs{AddIns: true})
	want := []struct {
		kind  MomentKind
		after machine.Minutes
	}{{Begins, 0}, {Look, 7}, {AddIns, 28}, {LastRise, 69}, {Bakes, 117}, {Ready, 170}, {WarmEnds, 230}}
	if len(got) != len(want) {
		t.Fatalf("got %v", got)
	}
	for n, w := range want {
		if got[n].Kind != w.kind || got[n].After != w.after {
			t.Errorf("moment %d is %s at %d, want %s at %d", n, got[n].Kind, got[n].After, w.kind, w.after)
		}
	}
	for _, m := range Moments(c.Programme(size, machine.Medium), 0, Needs{}) {
		if m.Kind == AddIns {
			t.Error("a loaf without add-ins has an add-in moment")
		}
	}
}

func TestACycleThatOnlyBakesHasNoDoughToLookAt(t *testing.T) {
	c := machine.Cycle{Stages: []machine.Stage{{Kind: machine.Bake, Minutes: 40}}}
	for _, m := range Moments(c.Programme(measure.LoafPounds(1, 1), machine.Medium), 0,
		Needs{AddIns: true, Held: true}) {
		if m.Person && m.Kind != Ready {
			t.Errorf("someone is called for %+v", m)
		}
	}
}

func TestAPauseThatWaitsForStartIsAMomentForHands(t *testing.T) {
	c := machine.Cycle{Restart: true, Beeps: []machine.Beep{{For: machine.PaddleOut, By: machine.BeforeLastRise}},
		Stages: []machine.Stage{{Kind: machine.Knead, Minutes: 20}, {Kind: machine.Rise, Minutes: 60}}}
	for _, m := range Moments(c.Programme(measure.LoafPounds(1, 1), machine.Medium), 0, Needs{}) {
		if m.Kind == Paddle && (!m.Waits || !m.Person || !strings.Contains(m.Say, "Start again") || m.After != 20) {
			t.Errorf("the pause is %+v", m)
		}
	}
}

func FuzzReadingAWallTime(f *testing.F) {
	for _, s := range []string{"2026-03-29T01:30", "", "20226-01-01T00:00", "2026-02-30T07:00"} {
		f.Add(s)
	}
	f.Fuzz(func(t *testing.T, s string) {
		w, err := ParseWall(s)
		if err == nil && w.String() != s {
			t.Errorf("%q reads as %s", s, w)
		}
	})
}

// Kneading from 0 to 9 and from 15 to 34: when each school looks at the ball for the first time, and when after
// something that was held back at minute 3.
func TestTheFirstLookAtTheDough(t *testing.T) {
	p := machine.Programme{Total: 180, Stages: []machine.Span{{ID: "knead 1", Kind: machine.Knead, From: 0, To: 9},
		{ID: "rest 1", Kind: machine.Rest, From: 9, To: 15},
		{ID: "knead 2", Kind: machine.Knead, From: 15, To: 34}, {ID: "rise 1", Kind: machine.Rise, From: 34, To: 130},
		{ID: "bake 1", Kind: machine.Bake, From: 130, To: 180}}}
	for _, c := range []struct {
		school dough.FirstLook
		held   bool
		want   machine.Minutes // -1: never
	}{
		{dough.UsualLook, false, 7}, {dough.EarlyLook, false, 3}, {dough.LateLook, false, 22}, {dough.NoLook, false,
			-1},
		{dough.UsualLook, true, 13}, {dough.EarlyLook, true, 13}, {dough.LateLook, true, 22}, {dough.NoLook, true, -1},
	} {
		got := machine.Minutes(-1)
		for _, m := range Moments(p, 0, Needs{Look: c.school, Held: c.held}) {
			if m.Kind == Look {
				got = m.After
			}
		}
		if got != c.want {
			t.Errorf("school %q, held back %v: looked at %d, want %d", c.school, c.held, got, c.want)
		}
	}
}
