package formats

import (
	"context"
	"errors"
	"fmt"
	"io"
	"regexp"
	"slices"
	"strings"
	"time"

	"github.com/emersion/go-ical"

	"risepan/core/kitchen"
)

// IsCalendar reports whether a text is iCalendar.
func IsCalendar(text string) bool {
	return strings.HasPrefix(strings.ToUpper(strings.TrimSpace(text[:min(len(text), 200)])), "BEGIN:VCALENDAR")
}

// How far ahead absences are read, and how many at the most.
const (
	ahead    = 60 * 24 * time.Hour
	mostBusy = 300
	longBusy = 60 // letters of a name
)

var errNoCalendar = errors.New("this calendar is not whole, or damaged")

// ErrLongCalendar is returned for a calendar that takes too long to work out.
var ErrLongCalendar = errors.New("this calendar takes too long to work out: bring one with fewer events that recur")

// ReadBusy reads the hours that a calendar shows as taken, from now on for sixty days, with what recurs worked out.
// Days without hours are whole days on the clock of the zone. What is cancelled or shown as free is left out; an
// event that cannot be read is told. It stops when ctx ends, with ErrLongCalendar.
func ReadBusy(ctx context.Context, text string, zone *time.Location, now time.Time) (out []kitchen.Absence,
	faults []string, err error) {
	if !strings.Contains(strings.ToUpper(text), "END:VCALENDAR") {
		return nil, nil, errNoCalendar
	}
	d := ical.NewDecoder(strings.NewReader(text))
	for {
		cal, err := decode(d)
		if errors.Is(err, io.EOF) {
			break
		}
		if err != nil {
			return nil, nil, errNoCalendar
		}
		for _, e := range cal.Events() {
			if ctx.Err() != nil {
				return nil, nil, ErrLongCalendar
			}
			some, err := busy(e, zone, now)
			if err != nil {
				faults = append(faults, fmt.Sprintf("%s: %v", nameOfEvent(e), err))
			}
			if out = append(out, some...); len(out) > mostBusy {
				return nil, nil, fmt.Errorf("these are too many hours at once: up to %d within sixty days", mostBusy)
			}
		}
	}
	slices.SortFunc(out, func(a, b kitchen.Absence) int { return a.From.Compare(b.From) })
	return out, faults, nil
}

// decode reads the next calendar. The library panics at lines that break off in a parameter.
func decode(d *ical.Decoder) (cal *ical.Calendar, err error) {
	defer func() {
		if recover() != nil {
			cal, err = nil, errNoCalendar
		}
	}()
	return d.Decode()
}

func nameOfEvent(e ical.Event) string {
	name, _ := e.Props.Text(ical.PropSummary)
	return clip(strings.Join(strings.Fields(name), " "), longBusy)
}

func busy(e ical.Event, zone *time.Location, now time.Time) (out []kitchen.Absence, err error) {
	defer func() { // rules that no calendar would write are beyond the reader of rules
		if recover() != nil {
			out, err = nil, errors.New("its rule cannot be read")
		}
	}()
	word := func(name string) string {
		if p := e.Props.Get(name); p != nil {
			return strings.ToUpper(p.Value)
		}
		return ""
	}
	if word(ical.PropTransparency) == "TRANSPARENT" || word(ical.PropStatus) == "CANCELLED" {
		return nil, nil
	}
	from, err := e.DateTimeStart(zone)
	if err != nil || from.IsZero() {
		return nil, errors.New("its beginning cannot be read")
	}
	to, err := e.DateTimeEnd(zone)
	if err != nil || !to.After(from) {
		return nil, errors.New("its end cannot be read")
	}
	begins, err := begins(e, from, to.Sub(from), zone, now)
	if err != nil {
		return nil, err
	}
	for _, at := range begins {
		end := at.Add(to.Sub(from))
		if days := int(to.Sub(from).Round(time.Hour) / (24 * time.Hour)); from.In(zone).Format("150405") == "000000" &&
			to.In(zone).Format("150405") == "000000" {
			end = at.In(zone).AddDate(0, 0, days) // whole days, also where clocks change
		}
		if end.After(now) && at.Before(now.Add(ahead)) {
			out = append(out, kitchen.Absence{From: at.UTC().Truncate(time.Second),
				To: end.UTC().Truncate(time.Second), Name: nameOfEvent(e)})
		}
	}
	return out, nil
}

// often finds the rules of what recurs within a day.
var often = regexp.MustCompile(`(?i)FREQ=(?:SECONDLY|MINUTELY|HOURLY)`)

// begins are when an event that lasts so long begins, of what is not past: once, or as its rule says.
func begins(e ical.Event, from time.Time, lasts time.Duration, zone *time.Location, now time.Time) ([]time.Time,
	error) {
	if p := e.Props.Get(ical.PropRecurrenceRule); p != nil && often.MatchString(p.Value) {
		return nil, errors.New("it recurs more than once a day, as no hours away do")
	}
	set, err := e.RecurrenceSet(zone)
	switch {
	case err != nil:
		return nil, errors.New("its rule cannot be read")
	case set == nil:
		return []time.Time{from}, nil
	}
	var out []time.Time
	next := set.Iterator()
	for n := 0; n < 50_000 && len(out) <= mostBusy; n++ { // of which all but some are long past
		at, ok := next()
		if !ok || at.After(now.Add(ahead)) {
			break
		}
		if at.After(now.Add(-lasts)) {
			out = append(out, at)
		}
	}
	return out, nil
}
