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

// What a kitchen knows of the whole larder with its own cups, stock, packs and prices, and of its hours.
func TestWhatAKitchenKnows(t *testing.T) {
	day := func(s string) kitchen.Date {
		d, err := kitchen.ParseDate(s)
		if err != nil {
			t.Fatal(err)
		}
		return d
	}
	k := kitchen.New("Test", "Europe/London")
	k.Stock = []kitchen.Stocked{{Ingredient: "bread-flour", Grams: 900}, {Ingredient: "salt", Grams: 0}, {Ingredient: "active-dry-yeast", Grams: 4}}
	k.Prices = []kitchen.Price{{Ingredient: "bread-flour", Grams: 1500, Cost: 1.8}, {Ingredient: "egg", Grams: 600, Cost: 3.1}}
	k.Packs = []kitchen.Pack{{Ingredient: "active-dry-yeast", Opened: day("2026-01-02")}, {Ingredient: "milk", BestBefore: day("2026-05-01"), Name: "blue jug"}, {Ingredient: "instant-yeast", BestBefore: day("2026-05-10"), Opened: day("2026-04-30")}}
	k.Prefer = []kitchen.Preference{{Ingredient: "bread-flour", Measure: k.Measures[1]}}
	k.EggSize = kitchen.ExtraLarge
	var all []readtest.Said
	var known []any
	for _, i := range larder.All() {
		here, ok := k.Ingredient(i.ID)
		has, counted := k.Has(i.ID)
		price, priced := k.Price(i.ID)
		known = append(known, here, ok, has, counted, k.HasSome(i.ID), price, priced, k.Preferred(i.ID))
		if len(known) > 200 {
			all = append(all, readtest.Said{Name: "the larder to " + string(i.ID), Value: known})
			known = nil
		}
	}
	var worries []any
	for n := range 24 {
		today := day("2026-04-25").AddDays(n * 3)
		for _, p := range k.Packs {
			i, _ := k.Ingredient(p.Ingredient)
			worries = append(worries, k.WorryOf(p, today), k.Worry(i, today))
		}
		worries = append(worries, today.InWords(), today.Since(day("2026-01-02")), kitchen.WeekdayOf(today), k.WeekOf(today), today.AddMonths(n).String())
	}
	all = append(all, readtest.Said{Name: "packs and days", Value: worries})
	var hours []any
	for _, q := range []kitchen.Quiet{{From: 22 * 60, To: 6*60 + 30}, {From: 60, To: 300}, {}} {
		for minute := 0; minute < 24*60; minute += 29 {
			hours = append(hours, q.Holds(minute), q.Until(minute), kitchen.Of12.Text(kitchen.Clock(minute)))
		}
	}
	all = append(all, readtest.Said{Name: "hours", Value: hours})
	at := time.Date(2026, 5, 2, 9, 0, 0, 0, time.UTC)
	away := kitchen.Absence{Name: "Market", From: at, To: at.Add(3 * time.Hour)}
	absent := []any{}
	with := k.WithAbsences([]kitchen.Absence{away}, at.Add(-time.Hour))
	for n := range 12 {
		a, ok := with.Absent(at.Add(time.Duration(n-4) * time.Hour))
		absent = append(absent, a, ok)
	}
	absent = append(absent, with.WithoutAbsences([]kitchen.Absence{away}).Absences, k.WithAbsences([]kitchen.Absence{away}, at.Add(24*time.Hour)).Absences)
	all = append(all, readtest.Said{Name: "absences", Value: absent})
	var written []any
	for _, lengths := range measure.AllLengths {
		for _, sign := range measure.DecimalSigns {
			k.Lengths, k.Decimal = lengths, sign
			written = append(written, k.Length(0), k.Length(12), k.Length(-31), k.Length(190), k.Weight(7.46, true), k.Weight(1234.6, false), fmt.Sprint(k.Check()))
		}
	}
	all = append(all, readtest.Said{Name: "written", Value: written})
	readtest.Hold(t, all)
}
