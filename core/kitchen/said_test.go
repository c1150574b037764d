package kitchen_test

import (
	"fmt"
	"testing"
	"time"

	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/readtest"
)

// What a kitchen knows of its stock, packs and prices, of days, hours and absences, and how it writes figures.
func TestWhatAKitchenKnows(t *testing.T) {
	day := func(s string) kitchen.Date {
		d, err := kitchen.ParseDate(s)
		if err != nil {
			t.Fatal(err)
		}
		return d
	}
	k := kitchen.New("Test", "Europe/London")
	k.Stock = []kitchen.Stocked{{Ingredient: "bread-flour", Grams: 900}, {Ingredient: "salt", Grams: 0},
		{Ingredient: "active-dry-yeast", Grams: 4}}
	k.Prices = []kitchen.Price{{Ingredient: "bread-flour", Grams: 1500, Cost: 1.8}, {Ingredient: "egg", Grams: 600,
		Cost: 3.1}}
	k.Packs = []kitchen.Pack{{Ingredient: "active-dry-yeast", Opened: day("2026-01-02")},
		{Ingredient: "milk", BestBefore: day("2026-05-01"), Name: "blue jug"},
		{Ingredient: "instant-yeast", BestBefore: day("2026-05-10"), Opened: day("2026-04-30")}}
	k.Prefer = []kitchen.Preference{{Ingredient: "bread-flour", Measure: k.Measures[1]}}
	k.EggSize = kitchen.ExtraLarge
	var known, packs, days, hours, absent, written readtest.Rows
	for _, id := range []larder.ID{"bread-flour", "salt", "active-dry-yeast", "egg", "milk", "instant-yeast",
		"no-such"} {
		here, ok := k.Ingredient(id)
		has, counted := k.Has(id)
		price, priced := k.Price(id)
		each := measure.Grams(0)
		if ok {
			each = here.Each
		}
		known.Add(t, id, fmt.Sprintf("known %t, each %g g, has %g (%t), some %t, price %g (%t), by %v", ok,
			float64(each),
			float64(has), counted, k.HasSome(id), price, priced, k.Preferred(id)))
	}
	for _, p := range k.Packs {
		for n := range 24 {
			today := day("2026-04-25").AddDays(n * 3)
			i, _ := k.Ingredient(p.Ingredient)
			packs.Add(t, string(p.Ingredient)+" on "+today.String(), k.WorryOf(p, today), k.Worry(i, today))
		}
	}
	for n := range 12 {
		today := day("2026-04-25").AddDays(n)
		days.Add(t, today, today.InWords(), today.Since(day("2026-01-02")), kitchen.WeekdayOf(today), k.WeekOf(today),
			today.AddMonths(n).String())
	}
	for _, q := range []kitchen.Quiet{{From: 22 * 60, To: 6*60 + 30}, {From: 60, To: 300}, {}} {
		for minute := 0; minute < 24*60; minute += 29 {
			hours.Add(t, fmt.Sprintf("quiet %v, at %s", q, kitchen.Of12.Text(kitchen.Clock(minute))), q.Holds(minute))
		}
		for minute := 0; minute < 24*60; minute += 299 {
			hours.Add(t, fmt.Sprintf("quiet %v, from %d", q, minute), q.Until(minute))
		}
	}
	at := time.Date(2026, 5, 2, 9, 0, 0, 0, time.UTC)
	away := kitchen.Absence{Name: "Market", From: at, To: at.Add(3 * time.Hour)}
	with := k.WithAbsences([]kitchen.Absence{away}, at.Add(-time.Hour))
	for n := range 12 {
		a, ok := with.Absent(at.Add(time.Duration(n-4) * time.Hour))
		absent.Add(t, fmt.Sprintf("%d h after it begins", n-4), a.Name, ok)
	}
	absent.Add(t, "without it", len(with.WithoutAbsences([]kitchen.Absence{away}).Absences))
	absent.Add(t, "when it is over", len(k.WithAbsences([]kitchen.Absence{away}, at.Add(24*time.Hour)).Absences))
	for _, lengths := range measure.AllLengths {
		for _, sign := range measure.DecimalSigns {
			k.Lengths, k.Decimal = lengths, sign
			written.Add(t, fmt.Sprintf("%s, %s", lengths, sign), k.Length(0), k.Length(12), k.Length(-31),
				k.Length(190),
				k.Weight(7.46, true), k.Weight(1234.6, false), fmt.Sprint(k.Check()))
		}
	}
	readtest.Hold(t, []readtest.Said{{Name: "what it has", Value: &known}, {Name: "packs", Value: &packs},
		{Name: "days", Value: &days},
		{Name: "hours", Value: &hours}, {Name: "absences", Value: &absent}, {Name: "written", Value: &written}})
}
