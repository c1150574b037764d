package timetable

import (
	"fmt"
	"time"

	"risepan/core/vocab"
)

// Wall is a time as a kitchen's clock shows it, without a zone. The zero value is no time.
type Wall struct{ naive time.Time }

const wallLayout = "2006-01-02T15:04"

// ParseWall reads a wall time such as 2026-03-28T07:00.
func ParseWall(s string) (Wall, error) {
	t, err := time.Parse(wallLayout, s)
	if err != nil || t.Format(wallLayout) != s || t.Year() < 2000 || t.Year() > 2200 { // Parse takes a short hour
		return Wall{}, fmt.Errorf("%q is no time: use one such as 2026-03-28T07:00", vocab.Clip(s))
	}
	return Wall{t}, nil
}

// WallOf is what a clock in the zone shows at t, to the minute.
func WallOf(t time.Time, zone *time.Location) Wall {
	t = t.In(zone)
	return Wall{time.Date(t.Year(), t.Month(), t.Day(), t.Hour(), t.Minute(), 0, 0, time.UTC)}
}

func (w Wall) IsZero() bool { return w.naive.IsZero() }

// String writes the wall time as ParseWall reads it; no time is the empty text.
func (w Wall) String() string {
	if w.IsZero() {
		return ""
	}
	return w.naive.Format(wallLayout)
}

// OfDay is the time of day in minutes from midnight.
func (w Wall) OfDay() int { return w.naive.Hour()*60 + w.naive.Minute() }

func (w Wall) MarshalText() ([]byte, error) { return []byte(w.String()), nil }

func (w *Wall) UnmarshalText(text []byte) error {
	if len(text) == 0 {
		*w = Wall{}
		return nil
	}
	v, err := ParseWall(string(text))
	if err == nil {
		*w = v
	}
	return err
}

// Doubt says why a wall time does not name exactly one instant.
type Doubt string

const (
	Sure  Doubt = ""
	Never Doubt = "never" // the clocks go forward over it
	Twice Doubt = "twice" // the clocks go back over it
)

// Resolve finds the instant that the wall time names in a zone. A time that occurs twice is taken
// at its first, so that bread is not late; one that never occurs moves on by the hour skipped.
func (w Wall) Resolve(zone *time.Location) (time.Time, Doubt) {
	offset := func(t time.Time) time.Duration {
		_, s := t.In(zone).Zone()
		return time.Duration(s) * time.Second
	}
	before, after := offset(w.naive.Add(-24*time.Hour)), offset(w.naive.Add(24*time.Hour))
	early, late := w.naive.Add(-max(before, after)), w.naive.Add(-min(before, after))
	switch a, b := WallOf(early, zone) == w, WallOf(late, zone) == w; {
	case a && b && !early.Equal(late):
		return early, Twice
	case a:
		return early, Sure
	case b:
		return late, Sure
	}
	return w.naive.Add(-before), Never
}
