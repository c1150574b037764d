package daybook_test

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"testing"
	"time"

	"risepan/core/daybook"
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

func heron() daybook.Place {
	p := daybook.Place{Kitchen: kitchen.New("Heron Lock", "Europe/London"), Zone: zone, Now: friday, Date: kitchen.DateOf(friday.AddDate(0, 0, 1), zone),
		Machines: []daybook.Machine{{ID: "galley", Machine: demo.Galley()}, {ID: "boatyard", Machine: demo.Boatyard()}},
		Recipes:  map[string]recipe.Recipe{}, Choice: func(string, string) (string, machine.Crust) { return "", "" }}
	for _, r := range demo.Recipes() {
		p.Recipes[r.Name] = r
	}
	return p
}

// at is a time of that Saturday; hours below 0 are of the evening before.
func at(hour, minute int) timetable.Wall {
	return timetable.WallOf(time.Date(2026, 11, 28, hour, minute, 0, 0, zone), zone)
}

func loaf(id, name string, pounds int64, by timetable.Wall) daybook.Loaf {
	return daybook.Loaf{ID: id, When: daybook.By, By: by, Wish: plan.Wish{RecipeID: name, MachineID: "galley", Loaf: plan.Loaf{Size: measure.LoafPounds(pounds, 2)}}}
}

func book(loaves ...daybook.Loaf) daybook.Book { return daybook.Book{Loaves: loaves, Hands: 1} }

func planned(t *testing.T, p daybook.Place, b daybook.Book) daybook.Day {
	t.Helper()
	d, err := daybook.Make(p, b)
	if err != nil {
		t.Fatal(err)
	}
	return d
}

// follow drives the stand-in machines by a day's presses, on one clock, and tells what did not come out as it was planned.
func follow(p daybook.Place, d daybook.Day) (wrong []string) {
	for _, lane := range p.Machines {
		e := standin.New(lane.Machine, d.From.Add(-time.Hour))
		loaves := slices.Clone(d.Loaves)
		slices.SortFunc(loaves, func(a, b daybook.Planned) int { return a.Press.Compare(b.Press) })
		for _, l := range loaves {
			if l.Standing != daybook.ToCome || l.Machine != lane.ID {
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
				wrong = append(wrong, fmt.Sprintf("%s in %s, started at %s with the timer at %s, is ready at %s and not at %s", l.Name, lane.Name,
					l.Press.Format("Mon 15:04"), l.Timer, ready.In(zone).Format("Mon 15:04"), l.Ready.In(zone).Format("Mon 15:04")))
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
func pause(d daybook.Day, l daybook.Planned, since time.Time) time.Duration {
	for _, m := range d.Hands {
		if m.Loaf == l.ID && m.Does == daybook.Helps && m.At.Equal(since) {
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
		b := daybook.Book{Hands: 1 + r.IntN(2), Nights: r.IntN(4) == 0}
		for k := range 2 + r.IntN(4) {
			l := loaf(fmt.Sprint(k), names[r.IntN(len(names))], 2+r.Int64N(3), at(6+r.IntN(16), 5*r.IntN(12)))
			l.Wish.MachineID, l.Only = p.Machines[r.IntN(2)].ID, r.IntN(3) == 0
			if r.IntN(4) == 0 {
				l.When = daybook.Whenever
			}
			b.Loaves = append(b.Loaves, l)
		}
		if r.IntN(2) == 0 {
			from := 9 + r.IntN(6)
			b.Away = []daybook.Hours{{From: at(from, 0), To: at(from+1+r.IntN(4), 30), Name: "Market"}}
		}
		d := planned(t, p, b)
		for _, wrong := range follow(p, d) {
			t.Errorf("day %d: %s", n, wrong)
		}
		for _, l := range d.Loaves {
			loaves++
			if l.Standing == daybook.ToCome {
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

func TestPrint(t *testing.T) {
	p := heron()
	for name := range p.Recipes {
		fmt.Println(name, p.Recipes[name].Kind)
	}
	b := book(loaf("a", "Towpath white", 3, at(8, 0)), loaf("b", "Oat and honey loaf", 3, at(13, 0)), loaf("c", "Towpath white", 3, at(13, 0)))
	b.Away = []daybook.Hours{{From: at(10, 0), To: at(16, 0)}}
	d := planned(t, p, b)
	fmt.Println(d.Say, d.Off)
	for _, l := range d.Loaves {
		fmt.Println(l.Name, l.Standing, l.On, l.Cycle, l.Press, l.Ready, l.Taken, l.Timer, l.Panel, l.Say)
	}
	for _, m := range d.Hands {
		fmt.Println(m.At, m.Name, m.Does, m.Say)
	}
	ms, err := daybook.Mends(p, b, "c")
	fmt.Println(err)
	for _, m := range ms {
		fmt.Println(m.Say, "|", m.Then, m.Book != nil)
	}
}
