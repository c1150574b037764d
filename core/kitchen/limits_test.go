package kitchen

import (
	"fmt"
	"slices"
	"testing"
	"time"

	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/readtest"
)

func TestEachListOfAKitchenIsFilledToItsLimit(t *testing.T) {
	with := func(field string, most int, fill func(k *Kitchen, n int)) readtest.Limit {
		return readtest.Limit{Field: field, Most: most, Check: func(n int) error {
			k := New("K", "UTC")
			fill(&k, n)
			return k.Check()
		}}
	}
	day := time.Date(2026, 5, 1, 0, 0, 0, 0, time.UTC)
	readtest.Limits(t, []readtest.Limit{
		with("/absences", 400, func(k *Kitchen, n int) {
			for range n {
				k.Absences = append(k.Absences, Absence{Name: "work", From: day, To: day.Add(time.Hour)})
			}
		}),
		with("/regulars", 20, func(k *Kitchen, n int) {
			for i := range n {
				k.Regulars = append(k.Regulars, Regular{ID: fmt.Sprint(i), Recipe: "r", Machine: "m",
					Days: Weekdays[:1], Size: measure.LoafPounds(1, 1)})
			}
		}),
		with("/facts", 500, func(k *Kitchen, n int) {
			water, _ := larder.Get("water")
			k.Facts = slices.Repeat([]larder.Ingredient{*water}, n)
		}),
		with("/facts", 500, func(k *Kitchen, n int) { k.Prefer = make([]Preference, n) }),
		with("/measures", 40, func(k *Kitchen, n int) {
			for len(k.Measures) < n {
				k.Measures = append(k.Measures, k.Measures[0])
			}
			k.Measures = k.Measures[:n]
		}),
		with("/packs", 60, func(k *Kitchen, n int) { k.Packs = make([]Pack, n) }),
		with("/packs", 60, func(k *Kitchen, n int) {
			k.Cups = slices.Repeat([]larder.Cup{{Filling: larder.Spooned}}, n)
		}),
		with("/packs", 200, func(k *Kitchen, n int) { k.Stock = make([]Stocked, n) }),
		with("/packs", 200, func(k *Kitchen, n int) { k.Declined = make([]string, n) }),
		with("/lead", 240, func(k *Kitchen, n int) { k.Lead = machine.Minutes(n) }),
		with("/jug/holds", 80, func(k *Kitchen, n int) {
			k.Jug = measure.Jug{Step: measure.Of(25, 1, measure.Millilitre),
				Holds: measure.Of(int64(25*n), 1, measure.Millilitre)}
		}),
	})
}

// Two absences are one where both ends and the name are; what another import brought is another's.
func TestAnAbsenceIsTakenBackWhereAllOfItIsTheSame(t *testing.T) {
	from := time.Date(2026, 5, 1, 9, 0, 0, 0, time.UTC)
	a := Absence{Name: "work", From: from, To: from.Add(time.Hour)}
	later, longer, other := a, a, a
	later.From = from.Add(time.Minute)
	longer.To = a.To.Add(time.Minute)
	other.Name = "school"
	k := Kitchen{Absences: []Absence{a, later, longer, other}}.WithoutAbsences([]Absence{a})
	if len(k.Absences) != 3 || k.Absences[0] != later || k.Absences[1] != longer || k.Absences[2] != other {
		t.Errorf("left are %v", k.Absences)
	}
}
