package larder

import (
	"math/rand/v2"
	"testing"

	"risepan/core/measure"
	"risepan/core/readtest"
)

// What every row weighs by every measure, what weighings make of a cup, what cannot be, and how names are read that were
// mistyped.
func TestWhatTheLarderSays(t *testing.T) {
	var all []readtest.Said
	said := func(err error) string {
		if err != nil {
			return err.Error()
		}
		return ""
	}
	var out []any
	for n, i := range All() {
		for _, text := range []string{"1 cup", "2 tbsp", "3/4 tsp", "2", "100 g", "3 oz", "250 ml", "1 packet", "1 stick"} {
			a, err := measure.Parse(text, measure.US)
			if err != nil {
				t.Fatal(err)
			}
			g, err := i.Weigh(a)
			out = append(out, g, said(err))
		}
		out = append(out, i.Volume(100), i.Counted(), i.HoldsGluten())
		if i.Kind == Flour {
			for _, f := range Fillings {
				out = append(out, Cup{Flour: i.ID, Filling: f, Measure: measure.Of(1, 1, measure.Cup)}.In(&i).PerCup)
			}
		}
		if n%10 == 9 {
			all = append(all, readtest.Said{Name: "rows to " + i.Name, Value: out})
			out = nil
		}
	}
	all = append(all, readtest.Said{Name: "the other rows", Value: out})

	var cups []any
	weigh := func(c Cup) {
		k, err := c.Calibrate()
		cups = append(cups, k, said(err))
		if k.Weighed > 0 {
			cups = append(cups, k.Doubt(1), k.Doubt(3.5))
		}
	}
	r := rand.New(rand.NewPCG(5, 12))
	for n := range 60 {
		c := Cup{Measure: measure.Of(1, 1, measure.Cup)}
		for range n % 14 {
			c.Weighings = append(c.Weighings, measure.Grams(125+r.NormFloat64()*float64(2+n/2)))
		}
		weigh(c)
	}
	for _, text := range []string{"24 ml", "25 ml", "26 ml", "999 ml", "1000 ml", "1001 ml", "1/2 cup"} {
		a, err := measure.Parse(text, measure.US)
		if err != nil {
			t.Fatal(err)
		}
		ml := measure.Grams(a.Millilitres())
		for _, perMl := range []measure.Grams{0, 0.19, 0.2, 0.21, 0.5, 1.29, 1.3, 1.31} {
			weigh(Cup{Measure: a, Weighings: []measure.Grams{perMl * ml}})
		}
		for _, most := range []measure.Grams{1.79, 1.8, 1.81} {
			weigh(Cup{Measure: a, Weighings: []measure.Grams{0.4 * ml, 0.4 * most * ml}})
		}
	}
	all = append(all, readtest.Said{Name: "cups", Value: cups})

	var cannot []any
	for _, change := range []func(i *Ingredient, v float64){
		func(i *Ingredient, v float64) { i.Shares.Water = v }, func(i *Ingredient, v float64) { i.Shares.Fibre = v },
		func(i *Ingredient, v float64) { i.PerCup = measure.Grams(v) }, func(i *Ingredient, v float64) { i.Each = measure.Grams(v) },
		func(i *Ingredient, v float64) { i.FlourPart = v }, func(i *Ingredient, v float64) { i.AsDry = v }, func(i *Ingredient, v float64) { i.Raising = v },
		func(i *Ingredient, v float64) { i.Lightest, i.Heaviest = measure.Grams(v), measure.Grams(v) }, func(i *Ingredient, v float64) { i.Heaviest = measure.Grams(v) },
	} {
		for _, v := range []float64{-0.01, 0, 0.01, 1, 1.01, 3, 3.01, 5, 5.01, 20, 100, 100.01, 1000, 1000.01} {
			for _, id := range []ID{"bread-flour", "instant-yeast", "baking-powder", "egg"} {
				i, _ := Get(id)
				own := *i
				change(&own, v)
				cannot = append(cannot, said(own.Check()))
			}
		}
	}
	all = append(all, readtest.Said{Name: "what cannot be", Value: cannot})

	var names []any
	for n, i := range All() {
		for at := range i.Name {
			for _, typed := range []string{i.Name[:at] + i.Name[at+1:], i.Name[:at] + "x" + i.Name[at:], i.Name[:at] + "e" + i.Name[at+1:]} {
				f := Find(typed)
				var near []ID
				for _, other := range f.Near {
					near = append(near, other.ID)
				}
				names = append(names, f.Sure, f.Ingredient.ID, f.Grade, f.State, f.Remark, near)
			}
		}
		if n%40 == 39 {
			all = append(all, readtest.Said{Name: "names mistyped to " + i.Name, Value: names})
			names = nil
		}
	}
	all = append(all, readtest.Said{Name: "the other names, mistyped", Value: names})
	readtest.Hold(t, all)
}
