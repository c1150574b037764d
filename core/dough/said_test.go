package dough_test

import (
	"fmt"
	"testing"

	"risepan/core/dough"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/readtest"
)

// What is said of a dough ball at every look, of how high a dough stands, and of warmth.
func TestWhatIsSaidOfADough(t *testing.T) {
	var all []readtest.Said
	dose := func(of dough.Stuff, amount string) dough.Dose {
		a, err := measure.Parse(amount, measure.US)
		if err != nil {
			t.Fatal(err)
		}
		return dough.Dose{Of: of, Amount: a}
	}
	some := [][]dough.Dose{nil, {dose(dough.Water, "1 tsp")}, {dose(dough.FlourDose, "1 tbsp")}, {dose(dough.FlourDose, "1 tbsp"), dose(dough.Water, "2 tsp")},
		{dose(dough.Water, "1 tbsp"), dose(dough.Water, "1 tbsp"), dose(dough.Water, "1 tbsp"), dose(dough.Water, "1 tbsp")}}
	for _, seen := range dough.Looks {
		for kind, b := range []dough.Ball{{}, {Batter: true}, {Slow: true}, {Sticky: true}, {Spoons: dough.UsualSpoons(500)}} {
			var said []any
			for _, into := range []int{0, 2, 4, 5, 6, 9, 10, 14, 15, 16, 24} {
				for _, left := range []int{0, 1, 4, 5, 6, 12} {
					for _, doses := range some {
						for _, since := range []int{0, 1, 2, 3} {
							b.Flour, b.Hydration, b.Into, b.Left, b.Doses, b.Since = 375, 63, into, left, doses, since
							said = append(said, dough.Advise(b, seen), dough.AfterDose(left))
							for _, d := range doses {
								said = append(said, d.Points(b), d.Grams())
							}
						}
					}
				}
			}
			all = append(all, readtest.Said{Name: fmt.Sprintf("%s, ball %d", seen, kind), Value: said})
		}
	}
	var doses []any
	for _, amount := range []string{"0 tsp", "1/2 cup", "2/3 cup", "1 tsp", "1-2 tsp", "20 g", "1"} {
		a, _ := measure.Parse(amount, measure.US)
		doses = append(doses, fmt.Sprint(dough.Dose{Of: dough.Water, Amount: a}.Check()))
	}
	all = append(all, readtest.Said{Name: "doses", Value: doses})
	for _, stands := range dough.AllStands {
		var said []any
		for doing := dough.Kneads; doing <= dough.Bakes; doing++ {
			for _, toBake := range []int{0, 9, 10, 11, 20, 34, 35, 36, 60} {
				for _, last := range []bool{false, true} {
					for _, before := range [][]dough.Earlier{nil, {{stands, 5}}, {{stands, 3}}, {{stands, 1}}, {{dough.AllStands[0], 4}}, {{dough.AllStands[len(dough.AllStands)-1], 2}, {stands, 4}}} {
						said = append(said, dough.Rise{Doing: doing, Last: last, ToBake: toBake, Stands: stands, Before: before}.Judge())
					}
				}
			}
		}
		all = append(all, readtest.Said{Name: "stands " + string(stands), Value: said})
	}
	var warmth []any
	for at := measure.Celsius(-5); at < 105; at += 2.5 {
		kettle, ok := dough.FromKettle(250, at)
		r := measure.Reading(at)
		warmth = append(warmth, dough.Touch(at), kettle, ok, dough.ForDelay(at), fmt.Sprint(dough.CheckRoom(r)))
		for _, m := range []dough.Meeting{dough.Layered, dough.Dissolved, dough.Mixed} {
			warmth = append(warmth, dough.LimitsFor(m).Within(at))
		}
	}
	for _, id := range []larder.ID{"water", "bread-flour", "butter", "egg", "sugar", "honey", "salt", "milk", "raisins"} {
		i, _ := larder.Get(id)
		warmth = append(warmth, dough.SpecificHeat(i))
	}
	all = append(all, readtest.Said{Name: "warmth", Value: warmth})
	readtest.Hold(t, all)
}
