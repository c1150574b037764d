package formats_test

import (
	"strings"
	"testing"
	"time"

	"github.com/emersion/go-ical"

	"risepan/core/kitchen"
	"risepan/core/plan"
	"risepan/core/timetable"
	"risepan/demo"
	"risepan/formats"
)

func planAt(t *testing.T, recipe int, zone *time.Location, now time.Time, ready string) plan.Plan {
	t.Helper()
	r := demo.Recipes()[recipe]
	w := plan.Wish{LoafWish: plan.LoafWish{Size: r.Size}}
	if ready != "" {
		wall, err := timetable.ParseWall(ready)
		if err != nil {
			t.Fatal(err)
		}
		w.Ready = wall
	}
	p, err := plan.Make(plan.Place{Kitchen: kitchen.New("Test", zone.String()), Zone: zone, Recipe: r,
		Machine: demo.Galley(), Now: now}, w)
	if err != nil {
		t.Fatal(err)
	}
	return p
}

// A timetable is read back by a second library with the same instants and alarms, on ordinary days and across both
// changes of the clocks, in zones with and without them.
func TestTheTimetableAsACalendar(t *testing.T) {
	for _, c := range []struct{ name, zone, now, ready string }{
		{"an ordinary day", "Europe/London", "2026-06-10T08:00:00Z", ""},
		{"the night on which clocks go back", "Europe/London", "2026-10-24T20:00:00Z", "2026-10-25T07:30"},
		{"within the hour that comes twice, first", "Europe/London", "2026-10-25T00:20:00Z", ""},
		{"within the hour that comes twice, then", "Europe/London", "2026-10-25T01:20:00Z", ""},
		{"the night on which they go on", "Europe/Paris", "2026-03-28T20:00:00Z", "2026-03-29T07:30"},
		{"the other side of the ocean", "America/New_York", "2026-10-31T22:00:00Z", "2026-11-01T07:30"},
		{"by half an hour", "Australia/Lord_Howe", "2026-04-04T08:00:00Z", "2026-04-05T07:30"},
		{"a zone without changes", "Asia/Kolkata", "2026-10-24T14:00:00Z", "2026-10-25T07:30"},
		{"no zone at all", "UTC", "2026-10-24T20:00:00Z", ""},
	} {
		t.Run(c.name, func(t *testing.T) {
			zone, err := time.LoadLocation(c.zone)
			if err != nil {
				t.Fatal(err)
			}
			now, _ := time.Parse(time.RFC3339, c.now)
			p := planAt(t, 4, zone, now, c.ready)
			text := formats.Timetable(p.Recipe, []formats.Entry{formats.LoafOf(p, "one")}, zone, now)
			cal, err := ical.NewDecoder(strings.NewReader(text)).Decode()
			if err != nil {
				t.Fatalf("%v in\n%s", err, text)
			}
			hands := formats.Hands(p)
			events := cal.Events()
			if len(events) != len(hands) || len(hands) < 3 {
				t.Fatalf("%d events for %d moments", len(events), len(hands))
			}
			for n, e := range events {
				at, err := e.DateTimeStart(nil)
				if err != nil || !at.Equal(hands[n].At.Truncate(time.Second)) {
					t.Errorf("%s is at %s, want %s: %v", hands[n].Say, at, hands[n].At, err)
				}
				if byZone := byVTimezone(t, cal,
					e.Props.Get("DTSTART").Value); !byZone.Equal(hands[n].At.Truncate(time.Second)) {
					t.Errorf("%s is at %s by the zone that is written out, want %s", hands[n].Say, byZone.UTC(),
						hands[n].At.UTC())
				}
				if got, _ := e.Props.Text("SUMMARY"); got != hands[n].Say {
					t.Errorf("it says %q, want %q", got, hands[n].Say)
				}
				if len(e.Children) != 1 || e.Children[0].Name != "VALARM" ||
					e.Children[0].Props.Get("TRIGGER").Value != "PT0S" {
					t.Errorf("%s has no alarm", hands[n].Say)
				}
			}
			for n, line := range strings.Split(text, "\r\n") {
				if len(line) > 75 || strings.ContainsAny(line, "\r\n") {
					t.Errorf("line %d is no line of a calendar: %q", n, line)
				}
			}
			if again := formats.Timetable(p.Recipe, []formats.Entry{formats.LoafOf(p, "one")}, zone,
				now); again != text {
				t.Error("the same loaf is written otherwise the second time")
			}
		})
	}
}

// byVTimezone is the instant of a local time by the changes that a calendar writes out, as a program would take it that
// knows no zones of its own: the last change at or before it holds.
func byVTimezone(t *testing.T, cal *ical.Calendar, wall string) time.Time {
	t.Helper()
	const layout = "20060102T150405"
	if at, err := time.Parse(layout+"Z", wall); err == nil {
		return at
	}
	at, err := time.Parse(layout, wall)
	if err != nil {
		t.Fatal(err)
	}
	var best time.Time
	offset := 0
	for _, zone := range cal.Children {
		if zone.Name != "VTIMEZONE" {
			continue
		}
		for _, change := range zone.Children {
			from, err := time.Parse(layout, change.Props.Get("DTSTART").Value)
			if err != nil {
				t.Fatal(err)
			}
			if from.After(at) || from.Before(best) {
				continue
			}
			to, err := time.Parse("-0700", change.Props.Get("TZOFFSETTO").Value)
			if err != nil {
				t.Fatal(err)
			}
			best = from
			_, offset = to.Zone()
		}
	}
	return at.Add(-time.Duration(offset) * time.Second)
}
