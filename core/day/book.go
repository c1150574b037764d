package day

import (
	"fmt"
	"time"

	"risepan/core/fault"
	"risepan/core/kitchen"
	"risepan/core/plan"
	"risepan/core/schedule"
	"risepan/core/timetable"
	"risepan/core/validate"
	"risepan/core/vocab"
)

// Shape is the number of a book's JSON shape.
const Shape = 1

// Book is one day's baking. The day begins the evening before, for bread that bakes overnight.
type Book struct {
	Loaves []Loaf  `json:"loaves"`
	Away   []Hours `json:"away,omitzero"` // of this day: nobody's hands are to be had
	Hands  int     `json:"hands"`         // pairs of them; with one, no two moments fall together
	// somebody gets up in the quiet hours; nothing sounds in them all the same
	Nights bool             `json:"nights,omitzero"`
	Lent   string           `json:"lent,omitzero"` // the machine that friends have too, and lend for the day, by its id
	Was    map[string]Stood `json:"was,omitzero"`  // by loaf: where it was when the baker changed the day last
}

// Loaf is one loaf of the day.
type Loaf struct {
	ID   string         `json:"id"`
	Wish plan.Wish      `json:"wish"`          // without a time; its machine is the one that it was chosen for
	Only bool           `json:"only,omitzero"` // on that machine and no other
	When When           `json:"when"`
	From timetable.Wall `json:"from,omitzero"` // not before
	By   timetable.Wall `json:"by,omitzero"`   // not after
	Pin  timetable.Wall `json:"pin,omitzero"`  // done about then, whatever that costs
}

// When is how a loaf is wanted.
type When string

const (
	By       When = "by"       // fresh by a time; of a dough, to be eaten then
	Between  When = "between"  // two times
	Whenever When = "whenever" // on that day
)

// Whens are the ways in which a loaf can be wanted.
var Whens = []When{By, Between, Whenever}

func (w When) Words() []string                  { return vocab.List(Whens) }
func (w *When) UnmarshalText(text []byte) error { return vocab.Read(w, text, "wish for a time", Whens) }

// Hours are some of the day, by the kitchen's clock.
type Hours struct {
	From timetable.Wall `json:"from"`
	To   timetable.Wall `json:"to"`
	Name string         `json:"name,omitzero"` // such as "Market"
}

// Stood is where a loaf stood in a plan.
type Stood struct {
	Machine string         `json:"machine"`
	Press   timetable.Wall `json:"press"`
	Begin   timetable.Wall `json:"begin"`
	Done    timetable.Wall `json:"done"`
}

// What a book may hold at the most.
const (
	mostHours = 20
	mostHands = 4
	longID    = 80
	longName  = 80
)

// Check refuses what cannot be kept, at the field that is wrong.
func (b Book) Check() error {
	if err := validate.Check(b); err != nil {
		return err
	}
	switch {
	case len(b.Loaves) > schedule.MostLoaves:
		return fault.At("/loaves", "a day has at most %d loaves, not %d", schedule.MostLoaves, len(b.Loaves))
	case len(b.Away) > mostHours:
		return fault.At("/away", "%d absences are too many for a day: at most %d", len(b.Away), mostHours)
	case b.Hands < 1 || b.Hands > mostHands:
		return fault.At("/hands", "there are 1 to %d pairs of hands, not %d", mostHands, b.Hands)
	case len(b.Was) > schedule.MostLoaves:
		return fault.At("/was", "a day has at most %d loaves, not %d", schedule.MostLoaves, len(b.Was))
	}
	for n, h := range b.Away {
		at := fmt.Sprintf("/away/%d", n)
		if h.From.IsZero() || h.To.IsZero() || h.To.String() <= h.From.String() {
			return fault.At(at+"/to", "hours end after they have begun")
		}
		if err := validate.Short(at+"/name", "what the absence is", h.Name, longName); err != nil {
			return err
		}
	}
	seen := map[string]bool{}
	for n, l := range b.Loaves {
		at := fmt.Sprintf("/loaves/%d", n)
		if l.ID == "" || seen[l.ID] {
			return fault.At(at+"/id", "each loaf has an id of its own")
		}
		seen[l.ID] = true
		if err := validate.Short(at+"/id", "a loaf's id", l.ID, longID); err != nil {
			return err
		}
		if err := l.check(at); err != nil {
			return err
		}
	}
	return nil
}

func (l Loaf) check(at string) error {
	if err := l.Wish.Check(); err != nil {
		return fault.Under(at+"/wish", err)
	}
	switch {
	case !l.Wish.Ready.IsZero():
		return fault.At(at+"/wish/time/ready", "when a loaf of a day is wanted stands beside its wish")
	case l.When != Whenever && l.By.IsZero():
		return fault.At(at+"/by", "say by when it is wanted")
	case l.When == Between && l.From.IsZero():
		return fault.At(at+"/from", "say from when on it is wanted")
	case l.When == Between && l.From.String() > l.By.String():
		return fault.At(at+"/by", "a loaf is wanted between two times, the first of them first")
	}
	return nil
}

// Hours before and after a date that belong to its day: bread for its morning is loaded the evening before, and what is
// late is done after midnight.
const (
	eve   = 7 * time.Hour
	after = 6 * time.Hour
)

// Window is the time in which a date's loaves are made.
func Window(date kitchen.Date, zone *time.Location) (from, to time.Time) {
	return date.Begins(zone).Add(-eve), date.AddDays(1).Begins(zone).Add(after)
}
