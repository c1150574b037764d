package formats_test

import (
	"context"
	"errors"
	"slices"
	"strings"
	"testing"
	"time"

	"risepan/core/kitchen"
	"risepan/core/readtest"
	"risepan/formats"
)

func calendarOf(events ...string) string {
	var b strings.Builder
	b.WriteString("BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//x//EN\r\n")
	for n, e := range events {
		b.WriteString("BEGIN:VEVENT\r\nUID:" + string(rune('a'+n)) + "\r\nDTSTAMP:20260101T000000Z\r\n" +
			strings.ReplaceAll(e, "\n", "\r\n") + "\r\nEND:VEVENT\r\n")
	}
	return b.String() + "END:VCALENDAR\r\n"
}

func TestBusyHoursAreRead(t *testing.T) {
	london, err := time.LoadLocation("Europe/London")
	if err != nil {
		t.Fatal(err)
	}
	now := time.Date(2026, 10, 20, 8, 0, 0, 0, time.UTC)
	for _, c := range []struct {
		name, event string
		want        []string // on London's clock
	}{
		{"one that is an instant", "SUMMARY:Market\nDTSTART:20261021T090000Z\nDTEND:20261021T110000Z",
			[]string{"21 10:00-12:00 Market"}},
		{"on another clock", "SUMMARY:Call\nDTSTART;TZID=America/New_York:20261021T090000\nDURATION:PT1H30M",
			[]string{"21 14:00-15:30 Call"}},
		{"on no clock: the kitchen's", "SUMMARY:Lock duty\nDTSTART:20261022T070000\nDTEND:20261022T093000",
			[]string{"22 07:00-09:30 Lock duty"}},
		{"a whole day, on which clocks change", "SUMMARY:Away\nDTSTART;VALUE=DATE:20261025\nDTEND;VALUE=DATE:20261026",
			[]string{"25 00:00-26 00:00 Away"}},
		{"every weekday across the change",
			"SUMMARY:Work\nDTSTART;TZID=Europe/London:20261023T090000\nDTEND;TZID=Europe/London:20261023T170000\nRRULE:FREQ=WEEKLY;BYDAY=MO,FR;COUNT=3",
			[]string{"23 09:00-17:00 Work", "26 09:00-17:00 Work", "30 09:00-17:00 Work"}},
		{"for years, since long ago",
			"SUMMARY:Choir\nDTSTART;TZID=Europe/London:20100105T190000\nDURATION:PT2H\nRRULE:FREQ=WEEKLY;UNTIL=20261103T230000Z", []string{"20 19:00-21:00 Choir", "27 19:00-21:00 Choir", "3 19:00-21:00 Choir"}},
		{"but one of them", "SUMMARY:Swim\nDTSTART:20261021T100000Z\nDURATION:PT1H\nRRULE:FREQ=DAILY;COUNT=3\nEXDATE:20261022T100000Z", []string{"21 11:00-12:00 Swim", "23 11:00-12:00 Swim"}},
		{"what runs now", "SUMMARY:Now\nDTSTART:20261020T070000Z\nDTEND:20261020T090000Z",
			[]string{"20 08:00-10:00 Now"}},
		{"what is past", "DTSTART:20261019T070000Z\nDTEND:20261019T090000Z", nil},
		{"what is far off", "DTSTART:20270401T070000Z\nDTEND:20270401T090000Z", nil},
		{"what is cancelled", "STATUS:CANCELLED\nDTSTART:20261021T090000Z\nDTEND:20261021T110000Z", nil},
		{"what leaves one free", "TRANSP:TRANSPARENT\nDTSTART:20261021T090000Z\nDTEND:20261021T110000Z", nil},
	} {
		t.Run(c.name, func(t *testing.T) {
			got, faults, err := formats.ReadBusy(t.Context(), calendarOf(c.event), london, now)
			if err != nil || len(faults) > 0 {
				t.Fatal(err, faults)
			}
			var said []string
			for _, a := range got {
				from, to := a.From.In(london), a.To.In(london)
				end := to.Format("15:04")
				if to.Day() != from.Day() {
					end = to.Format("2 15:04")
				}
				said = append(said, strings.TrimSpace(from.Format("2 15:04")+"-"+end+" "+a.Name))
			}
			if !slices.Equal(said, c.want) {
				t.Errorf("taken are %q, want %q", said, c.want)
			}
		})
	}
	good := "SUMMARY:Good\nDTSTART:20261021T090000Z\nDTEND:20261021T110000Z"
	for name, bad := range map[string]string{"no end": "SUMMARY:X\nDTSTART:20261021T090000Z\nDTEND:20261021T080000Z",
		"no beginning":       "SUMMARY:X\nDTEND:20261021T080000Z",
		"an unknown clock":   "SUMMARY:X\nDTSTART;TZID=Nowhere:20261021T090000\nDURATION:PT1H",
		"a rule of nonsense": "SUMMARY:X\nDTSTART:20261021T090000Z\nDURATION:PT1H\nRRULE:FREQ=SOMETIMES"} {
		got, faults, err := formats.ReadBusy(t.Context(), calendarOf(bad, good), london, now)
		if err != nil || len(got) != 1 || len(faults) != 1 {
			t.Errorf("%s: %v, %q, %v", name, got, faults, err)
		}
	}
	if _, _, err := formats.ReadBusy(t.Context(), "BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\n", london, now); err == nil {
		t.Error("half a calendar is taken")
	}
	for _, often := range []string{"MINUTELY", "secondly", "HOURLY"} {
		many := slices.Repeat([]string{"DTSTART:20261020T000000Z\nDURATION:PT1M\nRRULE:FREQ=" + often}, 2000)
		got, faults, err := formats.ReadBusy(t.Context(), calendarOf(many...), london, now)
		if len(got) > 0 || len(faults) != 2000 || err != nil || !strings.Contains(faults[0], "more than once a day") {
			t.Errorf("%s: %d taken, %d faults, %v", often, len(got), len(faults), err)
		}
	}
}

// Rules that are slow to work out, and of which there are many, are given up when nobody waits any more.
func TestACalendarIsGivenUpInTime(t *testing.T) {
	never := slices.Repeat([]string{"DTSTART:20200101T000000Z\nDURATION:PT1H\nRRULE:FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30"},
		3000)
	ctx, cancel := context.WithTimeout(t.Context(), 100*time.Millisecond)
	defer cancel()
	_, _, err := formats.ReadBusy(ctx, calendarOf(never...), time.UTC, time.Date(2026, 10, 20, 8, 0, 0, 0, time.UTC))
	if !errors.Is(err, formats.ErrLongCalendar) {
		t.Errorf("three thousand rules of 30 February: %v", err)
	}
}

func FuzzReadBusy(f *testing.F) {
	f.Add(calendarOf("SUMMARY:Work\nDTSTART;TZID=Europe/London:20261023T090000\nDURATION:PT8H\nRRULE:FREQ=WEEKLY;BYDAY=MO,FR;COUNT=3"))
	f.Add(calendarOf("DTSTART;VALUE=DATE:20261025"))
	now := time.Date(2026, 10, 20, 8, 0, 0, 0, time.UTC)
	f.Fuzz(func(t *testing.T, text string) {
		ctx, cancel := context.WithTimeout(t.Context(), time.Second)
		defer cancel()
		var got []kitchen.Absence
		var err error
		readtest.Within(t, 1<<20+len(text), func() { got, _, err = formats.ReadBusy(ctx, text, time.UTC, now) })
		if err != nil {
			return
		}
		for _, a := range got {
			if !a.To.After(a.From) || !a.To.After(now) {
				t.Errorf("%+v is no time to come", a)
			}
		}
	})
}
