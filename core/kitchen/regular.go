package kitchen

import (
	"cmp"
	"fmt"
	"slices"

	"risepan/core/fault"
	"risepan/core/measure"
	"risepan/core/validate"
	"risepan/core/vocab"
)

// Weekday is a day of the week.
type Weekday string

// Weekdays are the days of the week, from Monday.
var Weekdays = []Weekday{"monday", "tuesday", "wednesday", "thursday", "friday", "saturday", "sunday"}

func (w Weekday) Words() []string                  { return vocab.List(Weekdays) }
func (w *Weekday) UnmarshalText(text []byte) error { return vocab.Read(w, text, "day", Weekdays) }

// WeekdayOf is the day of the week of a date.
func WeekdayOf(d Date) Weekday { return Weekdays[(d.Weekday()+6)%7] }

// Regular is a loaf that is baked on the same days of every week.
type Regular struct {
	ID      string           `json:"id"`
	Recipe  string           `json:"recipe"` // its id
	Machine string           `json:"machine"`
	Size    measure.LoafSize `json:"size"`
	Days    []Weekday        `json:"days"`
	By      Clock            `json:"by"` // fresh by that time
}

// mostRegulars is how many loaves are baked regularly.
const mostRegulars = 20

// On reports whether the loaf is baked on a date.
func (r Regular) On(d Date) bool { return slices.Contains(r.Days, WeekdayOf(d)) }

func (k Kitchen) checkRegulars() error {
	if len(k.Regulars) > mostRegulars {
		return fault.At("/regulars", "these are too many regular loaves: at most %d", mostRegulars)
	}
	for n, r := range k.Regulars {
		at := fmt.Sprintf("/regulars/%d", n)
		if r.ID == "" || slices.ContainsFunc(k.Regulars[:n], func(o Regular) bool { return o.ID == r.ID }) {
			return fault.At(at+"/id", "each regular loaf has an id of its own")
		}
		for field, id := range map[string]string{"/id": r.ID, "/recipe": r.Recipe, "/machine": r.Machine} {
			if err := validate.Short(at+field, "an id", id, longName); err != nil {
				return err
			}
		}
		if len(r.Days) == 0 || len(r.Days) > len(Weekdays) {
			return fault.At(at+"/days", "say on which days of the week it is baked")
		}
		if r.By < 0 || r.By >= day {
			return fault.At(at+"/by", "say by which time of the day it is wanted")
		}
	}
	return nil
}

// WeekOf is the first day of a date's week, as this kitchen counts weeks: from Monday, unless it says otherwise.
func (k Kitchen) WeekOf(d Date) Date {
	first := slices.Index(Weekdays, cmp.Or(k.Week, Weekdays[0]))
	return d.AddDays(-((slices.Index(Weekdays, WeekdayOf(d)) - first + 7) % 7))
}
