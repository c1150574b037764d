package formats

import (
	"fmt"
	"strings"
	"time"
	"unicode/utf8"

	"github.com/emersion/go-ical"

	"risepan/core/bake"
	"risepan/core/machine"
	"risepan/core/plan"
	"risepan/core/timetable"
)

// Hand is a moment that needs a person, on the clock.
type Hand struct {
	ID    string // the same as long as the moment has the same sense
	At    time.Time
	Lasts time.Duration
	Say   string
	More  string // steps and amounts
}

// Hands are a plan's moments that need a person: what is begun ahead, Start, and what comes while it runs.
func Hands(p plan.Plan) []Hand {
	var out []Hand
	for n, a := range p.Ahead {
		out = append(out, Hand{ID: fmt.Sprintf("ahead-%d", n), At: a.At, Lasts: shortest, Say: a.Say})
	}
	out = append(out, Hand{ID: "start", At: p.Timer.Press, Lasts: shortest, Say: fmt.Sprintf("Press %s: %s",
		p.Setting.Fittings.StartButton(), p.Setting.Label), More: p.Setting.Shows})
	for _, m := range p.Moments {
		if !m.Person {
			continue
		}
		out = append(out, HandOf(m, m.At(p.Timer.Begin)))
	}
	return out
}

// HandOf is a moment at a time on the clock.
func HandOf(m timetable.Moment, at time.Time) Hand {
	return Hand{ID: m.ID, At: at, Lasts: max(shortest, minutes(m.Hands)), Say: m.Say, More: strings.Join(m.Steps, "\n")}
}

// shortest is how long a moment without a length of its own is shown.
const shortest = 5 * time.Minute

func minutes(m machine.Minutes) time.Duration { return time.Duration(m) * time.Minute }

// Entry is a loaf whose hands a calendar shows.
type Entry struct {
	ID    string // tells it from others, so that a calendar that reads it again changes its events and doubles none
	Name  string
	About string // in the description of every event
	Hands []Hand
}

// LoafOf is a planned loaf as a calendar shows it.
func LoafOf(p plan.Plan, id string) Entry {
	return Entry{id, p.Recipe, fmt.Sprintf("%s, %s, %s", p.Recipe, p.Size, p.Machine), Hands(p)}
}

// LoafOfBake is a bake as a calendar shows it: its moments as they now stand, moved by what happened, that still need a
// person.
func LoafOfBake(id, name, about string, moments []bake.Moment) Entry {
	l := Entry{ID: id, Name: name, About: about}
	for _, m := range moments {
		if m.Person && !m.Done && !m.Skipped {
			l.Hands = append(l.Hands, HandOf(m.Moment, m.At))
		}
	}
	return l
}

// Timetable writes the hands of loaves as an iCalendar file: an event for each with an alarm at its time, on the
// clock of a zone whose changes are written out.
func Timetable(name string, loaves []Entry, zone *time.Location, now time.Time) string {
	cal := ical.NewCalendar()
	cal.Props.SetText(ical.PropProductID, "-//Rise Pan//EN")
	cal.Props.SetText(ical.PropVersion, "2.0")
	cal.Props.SetText(ical.PropCalendarScale, "GREGORIAN")
	cal.Props.SetText(ical.PropName, name)
	cal.Props.SetText("X-WR-CALNAME", name)
	var hands []Hand
	for _, l := range loaves {
		hands = append(hands, l.Hands...)
	}
	cal.Children = append(cal.Children, zoneOf(zone, now, hands))
	for _, l := range loaves {
		for _, h := range l.Hands {
			cal.Children = append(cal.Children, event(l, h, zone, now))
		}
	}
	var out strings.Builder
	if err := ical.NewEncoder(&out).Encode(cal); err != nil {
		panic("formats: a calendar with a zone is always writable: " + err.Error())
	}
	return folded(out.String())
}

// longLine is how many bytes of a calendar's line readers are promised at the most.
const longLine = 75

// folded breaks lines that are too long, as the library that writes them does not: each part after the first begins
// with a space.
func folded(text string) string {
	var out strings.Builder
	for line := range strings.SplitSeq(text, "\r\n") {
		for room := longLine; len(line) > room; room = longLine - 1 {
			cut := room
			for !utf8.RuneStart(line[cut]) {
				cut--
			}
			out.WriteString(line[:cut] + "\r\n ")
			line = line[cut:]
		}
		out.WriteString(line + "\r\n")
	}
	return strings.TrimSuffix(out.String(), "\r\n")
}

func event(l Entry, h Hand, zone *time.Location, now time.Time) *ical.Component {
	e := ical.NewComponent(ical.CompEvent)
	e.Props.SetText(ical.PropUID, fmt.Sprintf("%s-%s@rise-pan", l.ID, h.ID))
	e.Props.SetDateTime(ical.PropDateTimeStamp, now.UTC())
	if twice(h.At, zone) {
		e.Props.SetDateTime(ical.PropDateTimeStart, h.At.UTC())
	} else {
		e.Props.SetDateTime(ical.PropDateTimeStart, h.At.In(zone))
	}
	lasts := ical.NewProp(ical.PropDuration)
	lasts.SetDuration(h.Lasts)
	e.Props.Set(lasts)
	e.Props.SetText(ical.PropSummary, h.Say)
	e.Props.SetText(ical.PropDescription, strings.TrimSpace(l.About+"\n"+h.More))
	alarm := ical.NewComponent(ical.CompAlarm)
	alarm.Props.SetText(ical.PropAction, "DISPLAY")
	alarm.Props.SetText(ical.PropDescription, h.Say)
	trigger := ical.NewProp(ical.PropTrigger)
	trigger.Value = "PT0S"
	alarm.Props.Set(trigger)
	e.Children = append(e.Children, alarm)
	return e
}

const wallLayout = "20060102T150405"

func local(t time.Time, zone *time.Location) string { return t.In(zone).Format(wallLayout) }

// twice reports whether the clock of a zone shows a time on two occasions, before and after it goes back: such a
// time is written as an instant, for no calendar could tell which is meant.
func twice(t time.Time, zone *time.Location) bool {
	at := t.In(zone)
	_, offset := at.Zone()
	for _, near := range []time.Duration{-3 * time.Hour, 3 * time.Hour} {
		_, other := at.Add(near).Zone()
		if shifted := at.Add(time.Duration(offset-other) * time.Second); other != offset &&
			local(shifted, zone) == local(at, zone) {
			return true
		}
	}
	return false
}

// zoneOf is a zone as a calendar wants it: how its clock stood before the first of some moments, and every change up to
// the day after the last; without any, how it stands now.
func zoneOf(zone *time.Location, now time.Time, hands []Hand) *ical.Component {
	out := ical.NewComponent(ical.CompTimezone)
	out.Props.SetText(ical.PropTimezoneID, zone.String())
	first, last := now, now
	if len(hands) > 0 {
		first, last = hands[0].At, hands[0].At
	}
	for _, h := range hands {
		if h.At.Before(first) {
			first = h.At
		}
		if h.At.After(last) {
			last = h.At
		}
	}
	at := first.In(zone)
	begins, ends := at.ZoneBounds()
	if begins.IsZero() { // a clock that never changed
		begins = time.Date(1970, 1, 1, 0, 0, 0, 0, zone)
	}
	for {
		after := begins.In(zone)
		before := begins.Add(-time.Second).In(zone)
		observe(out, before, after)
		if ends.IsZero() || ends.After(last.AddDate(0, 0, 1)) {
			return out
		}
		begins = ends
		_, ends = begins.In(zone).ZoneBounds()
	}
}

// observe writes one change of a clock.
func observe(zone *ical.Component, before, after time.Time) {
	_, from := before.Zone()
	name, to := after.Zone()
	kind := ical.CompTimezoneStandard
	if after.IsDST() {
		kind = ical.CompTimezoneDaylight
	}
	part := ical.NewComponent(kind)
	for _, p := range []struct{ name, value string }{
		// A change is written on the clock as it stood before it.
		{ical.PropDateTimeStart, after.Add(time.Duration(from-to) * time.Second).Format(wallLayout)},
		{ical.PropTimezoneOffsetFrom, offset(from)}, {ical.PropTimezoneOffsetTo, offset(to)}, {ical.PropTimezoneName,
			name},
	} {
		prop := ical.NewProp(p.name)
		prop.Value = p.value
		part.Props.Set(prop)
	}
	zone.Children = append(zone.Children, part)
}

func offset(seconds int) string {
	sign := '+'
	if seconds < 0 {
		sign, seconds = '-', -seconds
	}
	return fmt.Sprintf("%c%02d%02d", sign, seconds/3600, seconds/60%60)
}
