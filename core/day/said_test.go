package day_test

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"testing"

	"risepan/core/day"
	"risepan/core/kitchen"
	"risepan/core/measure"
	"risepan/core/readtest"
)

// Days as they are told: where each loaf stands, why one has no place, and what all of them want.
func TestWhatDaysSay(t *testing.T) {
	p := heron()
	names := []string{}
	for name := range p.Recipes {
		names = append(names, name)
	}
	slices.Sort(names)
	r := rand.New(rand.NewPCG(7, 7))
	var all []readtest.Said
	for n := range 5 {
		b := day.Book{Hands: 1, Nights: n%5 == 0}
		for k := range 2 + r.IntN(3) {
			l := loaf(fmt.Sprint(k), names[r.IntN(len(names))], 2+r.Int64N(3), at(5+r.IntN(15), 5*r.IntN(12)))
			l.Wish.MachineID, l.Only = p.Machines[r.IntN(2)].ID, r.IntN(3) == 0
			b.Loaves = append(b.Loaves, l)
		}
		if n%2 == 0 {
			b.Away = []day.Hours{{From: at(10, 0), To: at(14, 30), Name: "Market"}}
		}
		d := planned(t, p, b)
		plans, err := p.Plans(b, d)
		said := []any{d, err, day.Together(p.Kitchen, plans), p.Keep(b, d), fmt.Sprint(b.Check())}
		for _, l := range d.Loaves {
			if n%4 == 0 {
				mends, err := day.Mends(t.Context(), p, b, l.ID)
				said = append(said, mends, err)
			}
		}
		all = append(all, readtest.Said{Name: fmt.Sprintf("day %d", n), Value: said})
	}
	p.Kitchen.Stock = []kitchen.Stocked{{Ingredient: "bread-flour", Grams: 4000}, {Ingredient: "active-dry-yeast",
		Grams: 20}}
	p.Kitchen.Regulars = []kitchen.Regular{
		{ID: "a", Recipe: names[0], Machine: "galley", Size: measure.LoafPounds(3, 2),
			Days: []kitchen.Weekday{"monday", "saturday"}, By: 7*60 + 30},
		{ID: "b", Recipe: names[4], Machine: "boatyard", Size: measure.LoafPounds(2, 1),
			Days: []kitchen.Weekday{"saturday"}, By: 12 * 60},
	}
	regular, err := p.Regulars()
	from, to := day.Window(p.Date, zone)
	all = append(all, readtest.Said{Name: "every week", Value: []any{regular, err, p.Usual(day.Book{Hands: 1}), from,
		to}})
	readtest.Hold(t, all)
}
