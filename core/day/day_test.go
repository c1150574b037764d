package day_test

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"
	"time"

	"risepan/core/bake"
	"risepan/core/day"
	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/core/standin"
	"risepan/core/timetable"
	"risepan/demo"
)

var zone, _ = time.LoadLocation("Europe/London")

// friday is the evening before the Saturday that is planned.
var friday = time.Date(2026, 11, 27, 16, 0, 0, 0, zone)

func heron() day.Place {
	p := day.Place{Kitchen: kitchen.New("Heron Lock", "Europe/London"), Zone: zone, Now: friday,
		Date: kitchen.DateOf(friday.AddDate(0, 0, 1), zone),
		Machines: []day.OwnedMachine{{ID: "galley", Machine: demo.Galley()},
			{ID: "boatyard", Machine: demo.Boatyard()}},
		Recipes: map[string]recipe.Recipe{}, Choice: func(string, string) (string, machine.Crust) { return "", "" }}
	for _, r := range demo.Recipes() {
		p.Recipes[r.Name] = r
	}
	return p
}

// at is a time of that Saturday; hours below 0 are of the evening before.
func at(hour, minute int) timetable.Wall {
	return timetable.WallOf(time.Date(2026, 11, 28, hour, minute, 0, 0, zone), zone)
}

func loaf(id, name string, pounds int64, by timetable.Wall) day.Loaf {
	return day.Loaf{ID: id, When: day.By, By: by, Wish: plan.Wish{RecipeID: name, MachineID: "galley",
		LoafWish: plan.LoafWish{Size: measure.LoafPounds(pounds, 2)}}}
}

func book(loaves ...day.Loaf) day.Book { return day.Book{Loaves: loaves, Hands: 1} }

func planned(t *testing.T, p day.Place, b day.Book) day.Day {
	t.Helper()
	d, err := day.Make(t.Context(), p, b)
	if err != nil {
		t.Fatal(err)
	}
	return d
}

// follow drives the stand-in machines by a day's presses, on one clock, and tells what did not come out as it was
// planned.
func follow(p day.Place, d day.Day) (wrong []string) {
	for _, lane := range p.Machines {
		e := standin.New(lane.Machine, d.From.Add(-time.Hour))
		loaves := slices.Clone(d.Loaves)
		slices.SortFunc(loaves, func(a, b day.Planned) int { return a.Press.Compare(b.Press) })
		for _, l := range loaves {
			if l.Standing != day.ToCome || l.Machine != lane.ID {
				continue
			}
			var events []standin.Event
			e, _ = e.Until(l.Press)
			e, _ = e.Power(false)
			e, _ = e.Power(true)
			for _, press := range l.Presses {
				for range press.Times {
					var heard []standin.Event
					e, heard = e.Press(press.Button, false)
					for _, h := range heard {
						if h.Sound == standin.TooHot {
							wrong = append(wrong, fmt.Sprintf("%s is too hot for %s", lane.Name, l.Name))
						}
					}
				}
			}
			var ready time.Time
			for ready.IsZero() && e.Now.Before(l.Taken.Add(time.Hour)) {
				e, events = e.Until(e.Now.Add(time.Minute))
				for _, ev := range events {
					if ev.Sound == standin.Done {
						ready = ev.At
					}
				}
				if e.Phase == standin.Paused && e.Stood >= pause(d, l, e.Now.Add(-e.Stood)) {
					e, _ = e.Press(lane.Full().Start, false)
				}
			}
			if !ready.Equal(l.Ready) {
				wrong = append(wrong, fmt.Sprintf("%s in %s, started at %s with the timer at %s, is ready at %s and "+
					"not at %s", l.Name, lane.Name,
					l.Press.Format("Mon 15:04"), l.Timer, ready.In(zone).Format("Mon 15:04"),
					l.Ready.In(zone).Format("Mon 15:04")))
			}
			e, _ = e.Until(l.Taken)
			if e.Phase == standin.Warm {
				e, _ = e.Press(lane.Full().Start, true)
			}
		}
	}
	return wrong
}

// pause is how long hands are at a dough while its machine waits.
func pause(d day.Day, l day.Planned, since time.Time) time.Duration {
	for _, m := range d.Hands {
		if m.Loaf == l.ID && m.Does == day.Helps && m.At.Equal(since) {
			return m.To.Sub(m.At)
		}
	}
	return 0
}

// The machines, driven by the plan's presses alone, have every loaf ready when the plan says, over random days.
func TestTheMachinesFollowThePlan(t *testing.T) {
	p := heron()
	names := []string{}
	for name := range p.Recipes {
		names = append(names, name)
	}
	slices.Sort(names)
	r := rand.New(rand.NewPCG(18, 1))
	loaves, placed, delayed := 0, 0, 0
	for n := range 60 {
		b := day.Book{Hands: 1 + r.IntN(2), Nights: r.IntN(4) == 0}
		for k := range 2 + r.IntN(4) {
			l := loaf(fmt.Sprint(k), names[r.IntN(len(names))], 2+r.Int64N(3), at(6+r.IntN(16), 5*r.IntN(12)))
			l.Wish.MachineID, l.Only = p.Machines[r.IntN(2)].ID, r.IntN(3) == 0
			if r.IntN(4) == 0 {
				l.When = day.Whenever
			}
			b.Loaves = append(b.Loaves, l)
		}
		if r.IntN(2) == 0 {
			from := 9 + r.IntN(6)
			b.Away = []day.Hours{{From: at(from, 0), To: at(from+1+r.IntN(4), 30), Name: "Market"}}
		}
		d := planned(t, p, b)
		for _, wrong := range follow(p, d) {
			t.Errorf("day %d: %s", n, wrong)
		}
		for _, l := range d.Loaves {
			loaves++
			if l.Standing == day.ToCome {
				placed++
			}
			if l.Timer > 0 {
				delayed++
			}
		}
	}
	t.Logf("%d loaves, %d with a place, %d by the timer", loaves, placed, delayed)
	if placed < loaves/2 || delayed < 20 {
		t.Errorf("of %d loaves only %d have a place and %d a delay", loaves, placed, delayed)
	}
}

// On the nights on which clocks change the machines still have every loaf ready when the plan says.
func TestADayOnWhichTheClocksChange(t *testing.T) {
	for _, date := range []string{"2027-03-28", "2027-10-31"} {
		p := heron()
		p.Date, _ = kitchen.ParseDate(date)
		p.Now = p.Date.Begins(zone).Add(-8 * time.Hour)
		seven, _ := timetable.ParseWall(date + "T07:00")
		noon, _ := timetable.ParseWall(date + "T12:00")
		d := planned(t, p, book(loaf("a", "Towpath white", 3, seven), loaf("b", "Oat and honey loaf", 3, noon)))
		for _, wrong := range follow(p, d) {
			t.Errorf("%s: %s", date, wrong)
		}
		if got := d.Loaves[0].Done.In(zone).Format("15:04"); got != "07:00" {
			t.Errorf("%s: wanted at seven, done at %s", date, got)
		}
	}
}

// A loaf that is not as it is wanted says why, and what would help does help.
func TestWhatStandsInTheWayAndWhatWouldHelp(t *testing.T) {
	away := func(from, to int) func(*day.Book) {
		return func(b *day.Book) { b.Away = []day.Hours{{From: at(from, 0), To: at(to, 0), Name: "Market"}} }
	}
	for name, c := range map[string]struct {
		loaves []day.Loaf
		change func(*day.Book)
		of     string // the loaf that is asked about
		why    string
		mends  []string // among them
	}{
		"fresh eggs, and nobody home": {[]day.Loaf{loaf("a", "Sluice-gate egg loaf", 3, at(18, 0))}, away(8, 17), "a",
			"nobody is free", []string{"stays in during Market", "timer-safe"}},
		"two at noon on one machine": {[]day.Loaf{only(loaf("a", "Towpath white", 3, at(12, 0))),
			only(loaf("b", "Oat and honey loaf", 3, at(12, 0)))}, nil, "", "leave room",
			[]string{"on any machine", "Borrow a second machine", "Rapid"}},
		"too soon in the morning": {[]day.Loaf{loaf("a", "Mooring raisin loaf", 3, at(7, 0))}, nil, "a", "quiet hours",
			[]string{"at the start"}},
		"pinned too late": {[]day.Loaf{pinnedAt(loaf("a", "Towpath white", 3, at(12, 0)), at(13, 0))}, nil, "a",
			"pinned", []string{"Unpin it", "Allow until"}},
	} {
		t.Run(name, func(t *testing.T) {
			p, b := heron(), book(c.loaves...)
			if c.change != nil {
				c.change(&b)
			}
			d := planned(t, p, b)
			of := c.of
			for _, l := range d.Loaves {
				if of == "" && l.Say != "" {
					of = l.ID
				}
			}
			n := slices.IndexFunc(d.Loaves, func(l day.Planned) bool { return l.ID == of })
			if n < 0 || !strings.Contains(d.Loaves[n].Say, c.why) {
				t.Fatalf("the loaf says %q, want %q in it: %+v", d.Loaves[max(n, 0)].Say, c.why, d.Loaves)
			}
			mends, err := day.Mends(t.Context(), p, b, of)
			if err != nil {
				t.Fatal(err)
			}
			all := ""
			for _, m := range mends {
				all += m.Say + "\n"
				if m.Book == nil {
					continue
				}
				then := planned(t, p, *m.Book)
				if m.Cost.Less(then.Cost) || !then.Cost.Less(d.Cost) {
					t.Errorf("%q promises %q and gives %q, after %q", m.Say, m.Then, then.Say, d.Say)
				}
			}
			for _, want := range c.mends {
				if !strings.Contains(all, want) {
					t.Errorf("nobody says %q among\n%s", want, all)
				}
			}
		})
	}
}

func only(l day.Loaf) day.Loaf { l.Only = true; return l }

func pinnedAt(l day.Loaf, at timetable.Wall) day.Loaf { l.Pin = at; return l }

// A bake of the loaf's recipe that was started for the day stands in its place, and what is to come gives way to it.
func TestWhatRunsStandsInItsPlace(t *testing.T) {
	p := heron()
	p.Now = time.Date(2026, 11, 28, 9, 0, 0, 0, zone)
	p.Bakes = []day.Bake{{ID: "x", Recipe: "Towpath white", Name: "Towpath white", Machine: "galley", Started: p.Now,
		Begin: p.Now, Ready: p.Now.Add(196 * time.Minute)}}
	d := planned(t, p, book(loaf("a", "Towpath white", 3, at(12, 0)),
		only(loaf("b", "Oat and honey loaf", 3, at(13, 0)))))
	a, b := d.Loaves[0], d.Loaves[1]
	if a.Standing != day.Running || a.Bake != "x" || b.Standing != day.ToCome ||
		b.Press.Before(a.Ready.Add(30*time.Minute)) || b.Late == 0 || !strings.Contains(b.Say, "machine is not free") {
		t.Errorf("the one that runs: %+v\nthe other: %+v", a, b)
	}
	p.Bakes[0].Ended = p.Now.Add(time.Hour) // it was stopped
	p.Now = p.Now.Add(2 * time.Hour)
	if d = planned(t, p, book(loaf("a", "Towpath white", 3, at(12, 0)))); d.Loaves[0].Standing != day.Finished {
		t.Errorf("a bake that has ended is %s", d.Loaves[0].Standing)
	}
}

// A loaf of the next day's book that is loaded this evening has its machine and its hands.
func TestTheNextDaysLoafHasItsMachine(t *testing.T) {
	p := heron()
	b := book(only(loaf("a", "Towpath white", 3, at(23, 0))))
	free := planned(t, p, b)
	p.Beside = []day.Beside{{Name: "Oat and honey loaf", Date: p.Date.AddDays(1), Stood: day.Stood{Machine: "galley",
		Press: at(20, 0), Begin: at(27, 0), Done: at(30, 20)}}}
	d := planned(t, p, b)
	if was, now := free.Loaves[0], d.Loaves[0]; was.Done.Equal(now.Done) || now.Taken.After(time.Date(2026, 11, 28, 19,
		30, 0, 0, zone)) {
		t.Errorf("out at %s, with the machine taken from 20:00 on out at %s", was.Taken, now.Taken)
	}
	if runs := d.Machines[0].Runs; len(runs) != 1 || runs[0].Date != p.Date.AddDays(1) {
		t.Errorf("on the machine's ribbon stand %+v", runs)
	}
}

func TestADayThatIsOverIsNotPlanned(t *testing.T) {
	p := heron()
	p.Now = friday.AddDate(0, 0, 3)
	d := planned(t, p, book(loaf("a", "Towpath white", 3, at(12, 0))))
	if l := d.Loaves[0]; l.Standing != day.NoPlace || l.Say != "It was not baked that day." ||
		d.Say != "This day is over." || len(d.Hands) != 0 {
		t.Errorf("two days after: %q, %+v", d.Say, l)
	}
}

// A loaf out of a bag that is gone is not planned as if it were measured whole.
func TestALoafWhoseBagIsGoneHasNoPlace(t *testing.T) {
	l := loaf("a", "Towpath white", 3, at(12, 0))
	l.Wish.BagID = "gone"
	if d := planned(t, heron(), book(l)); d.Loaves[0].Standing != day.NoPlace ||
		d.Loaves[0].Say != "Its bag is not on the shelf any more." {
		t.Errorf("its bag is gone, and it stands so: %+v", d.Loaves[0])
	}
}

// A loaf that fits none of its machines says what stands against it on the machine that it was asked of, not that
// there is none.
func TestALoafThatFitsNoMachineSaysWhy(t *testing.T) {
	l := only(loaf("a", "Towpath white", 3, at(12, 0)))
	l.Wish.Size = measure.LoafPounds(3, 1)
	d := planned(t, heron(), book(l))
	if got := d.Loaves[0]; got.Standing != day.NoPlace || !strings.Contains(got.Say, "3 lb") {
		t.Errorf("a loaf of 3 lb stands so: %+v", got)
	}
	l.Wish.Size, l.Wish.MachineID = measure.LoafPounds(1, 1), "gone"
	if got := planned(t, heron(), book(l)).Loaves[0]; got.Say != "Its machine is not on the shelf any more." {
		t.Errorf("its machine is gone, and it says %q", got.Say)
	}
}

// Of a running bake the hands are asked for what was not done, is no mere look, and is not long past.
func TestWhatARunningBakeAsks(t *testing.T) {
	at := func(clock string) time.Time {
		when, err := time.Parse("2006-01-02 15:04", "2026-05-03 "+clock)
		if err != nil {
			t.Fatal(err)
		}
		return when
	}
	b := day.Bake{ID: "b", Name: "Towpath white", Ready: at("12:00")}
	moment := func(clock string, kind timetable.MomentKind, hands machine.Minutes) bake.Moment {
		return bake.Moment{Moment: timetable.Moment{Kind: kind, Person: true, Hands: hands, Say: string(kind) + " " +
			clock}, At: at(clock)}
	}
	done, skipped, alone := moment("11:00", timetable.AddIns, 2), moment("11:10", timetable.AddIns, 2),
		moment("11:20", timetable.Bakes, 2)
	done.Done, skipped.Skipped, alone.Person = true, true, false
	asks := b.Asks([]bake.Moment{
		moment("08:59", timetable.AddIns, 2), moment("09:00", timetable.AddIns, 2), moment("09:01", timetable.AddIns,
			2), moment("10:00", timetable.Look, 2),
		done, skipped, alone, moment("11:30", timetable.AddIns, 10), moment("12:00", timetable.Ready, 9),
		moment("12:40", timetable.Eaten, 0),
	}, "Galley machine", at("11:00"))
	var got []string
	for _, m := range asks {
		got = append(got, fmt.Sprintf("%s-%s %s %s on the %s", m.At.Format("15:04"), m.To.Format("15:04"), m.Does,
			m.Say, m.On))
	}
	want := []string{
		"09:01-09:04 help add-ins 09:01 on the Galley machine", "11:30-11:40 help add-ins 11:30 on the Galley machine",
		"12:00-12:05 take out ready 12:00 on the Galley machine", "12:40-12:43 after eaten 12:40 on the Galley machine",
	}
	if !slices.Equal(got, want) {
		t.Errorf("it asks\n%s\nwant\n%s", strings.Join(got, "\n"), strings.Join(want, "\n"))
	}
}
