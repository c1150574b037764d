package dough_test

import (
	"fmt"
	"testing"

	"risepan/core/dough"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/readtest"
)

func dose(t *testing.T, of dough.Stuff, amount string) dough.Dose {
	t.Helper()
	a, err := measure.Parse(amount, measure.US)
	if err != nil {
		t.Fatal(err)
	}
	return dough.Dose{Of: of, Amount: a}
}

// What is said of a dough ball at every look, with one thing about it changed at a time.
func TestWhatIsSaidOfADough(t *testing.T) {
	var all []readtest.Said
	water, flour := dose(t, dough.Water, "1 tbsp"), dose(t, dough.FlourDose, "1 tbsp")
	some := [][]dough.Dose{nil, {dose(t, dough.Water, "1 tsp")}, {flour}, {flour, dose(t, dough.Water, "2 tsp")},
		{water, water, water, water}}
	kinds := map[string]dough.Ball{"a usual one": {}, "a batter": {Batter: true}, "a slow one": {Slow: true},
		"a sticky one": {Soft: true},
		"a large one":  {Spoons: dough.UsualSpoons(500, false)}}
	for _, seen := range dough.Looks {
		var said readtest.Rows
		for _, name := range []string{"a usual one", "a batter", "a slow one", "a sticky one", "a large one"} {
			b := kinds[name]
			b.Flour, b.Hydration, b.Into, b.Left, b.Since = 375, 63, 10, 12, 3
			for _, into := range []int{0, 2, 4, 5, 6, 9, 10, 14, 15, 16, 24} {
				c := b
				c.Into = into
				said.Add(t, fmt.Sprintf("%s, %d min into kneading", name, into), dough.Advise(c, seen))
			}
			for _, left := range []int{0, 1, 4, 5, 6} {
				c := b
				c.Left = left
				said.Add(t, fmt.Sprintf("%s, %d min left", name, left), dough.Advise(c, seen))
			}
			for n, doses := range some {
				for _, since := range []int{0, 1, 2, 3} {
					c := b
					c.Doses, c.Since = doses, since
					said.Add(t, fmt.Sprintf("%s, doses %d, the last %d min ago", name, n, since), dough.Advise(c, seen))
				}
			}
		}
		all = append(all, readtest.Said{Name: string(seen), Value: &said})
	}
	var doses readtest.Rows
	for _, amount := range []string{"0 tsp", "1/2 cup", "2/3 cup", "1 tsp", "1-2 tsp", "20 g", "1"} {
		a, _ := measure.Parse(amount, measure.US)
		for _, of := range []dough.Stuff{dough.Water, dough.FlourDose} {
			d := dough.Dose{Of: of, Amount: a}
			doses.Add(t, fmt.Sprintf("%s of %s", amount, of), d.Grams(),
				d.Points(dough.Ball{Flour: 375, Hydration: 63}), d.Check())
		}
	}
	for left := range 8 {
		doses.Add(t, fmt.Sprintf("after a dose, %d min left", left), dough.AfterDose(left))
	}
	readtest.Hold(t, append(all, readtest.Said{Name: "doses", Value: &doses}, standing(t), warmth(t)))
}

// standing is what is said of how high a dough stands.
func standing(t *testing.T) readtest.Said {
	var said readtest.Rows
	for _, stands := range dough.AllStands {
		for doing := dough.Kneads; doing <= dough.Bakes; doing++ {
			for _, toBake := range []int{0, 9, 10, 11, 20, 34, 35, 36, 60} {
				said.Add(t, fmt.Sprintf("%s, doing %v, bakes in %d min", stands, doing, toBake),
					dough.Rise{Doing: doing, Last: true, ToBake: toBake, Stands: stands}.Judge())
			}
			earlier := [][]dough.Earlier{{{stands, 5}}, {{stands, 3}}, {{stands, 1}}, {{dough.AllStands[0], 4}},
				{{dough.AllStands[len(dough.AllStands)-1], 2}, {stands, 4}}}
			for _, before := range earlier {
				said.Add(t, fmt.Sprintf("%s, doing %v, before %v", stands, doing, before),
					dough.Rise{Doing: doing, ToBake: 20, Stands: stands, Before: before}.Judge())
			}
		}
	}
	return readtest.Said{Name: "standing", Value: &said}
}

// warmth is what is said of how warm things are.
func warmth(t *testing.T) readtest.Said {
	var said readtest.Rows
	for at := measure.Celsius(-5); at < 105; at += 2.5 {
		said.Add(t, fmt.Sprintf("a hand in %v", at), dough.Touch(at), dough.ForDelay(at))
	}
	for at := measure.Celsius(-5); at < 105; at += 2.5 {
		for _, m := range []dough.Meeting{dough.Layered, dough.Dissolved, dough.Mixed} {
			said.Add(t, fmt.Sprintf("%v, yeast %v", at, m), dough.LimitsFor(m).Within(at))
		}
	}
	for at := measure.Celsius(-5); at < 105; at += 5 {
		kettle, ok := dough.FromKettle(250, at)
		said.Add(t, fmt.Sprintf("250 ml of %v", at), kettle, ok, dough.CheckRoom(measure.Reading(at)))
	}
	for _, id := range []larder.ID{"water", "bread-flour", "butter", "egg", "sugar", "honey", "salt", "milk",
		"raisins"} {
		i, _ := larder.Get(id)
		said.Add(t, id, dough.SpecificHeat(i))
	}
	return readtest.Said{Name: "warmth", Value: &said}
}
