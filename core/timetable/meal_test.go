package timetable_test

import (
	"testing"
	"time"

	"risepan/core/timetable"
)

func TestAFirstWishIsForTheNextMealFiveHoursAhead(t *testing.T) {
	london, err := time.LoadLocation("Europe/London")
	if err != nil {
		t.Skip("no zones here")
	}
	for _, c := range []struct{ now, want string }{
		{"2026-03-10T02:00", "2026-03-10T07:00"}, {"2026-03-10T02:01", "2026-03-10T12:00"},
		{"2026-03-10T07:00", "2026-03-10T12:00"},
		{"2026-03-10T13:00", "2026-03-10T18:00"}, {"2026-03-10T13:01", "2026-03-11T07:00"},
		{"2026-03-10T20:00", "2026-03-11T07:00"},
		// the clocks go forward that night
		{"2026-12-31T23:30", "2027-01-01T07:00"}, {"2026-03-28T22:00", "2026-03-29T07:00"},
	} {
		now, err := time.ParseInLocation("2006-01-02T15:04", c.now, london)
		if err != nil {
			t.Fatal(err)
		}
		if got := timetable.NextMeal(now, london).String(); got != c.want {
			t.Errorf("at %s the next meal is %s, want %s", c.now, got, c.want)
		}
	}
}
