package larder

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"risepan/core/measure"
	"risepan/core/readtest"
)

// What every row weighs by every measure, what weighings make of a cup, what cannot be, and how names are read that
// were mistyped.
func TestWhatTheLarderSays(t *testing.T) {
	var all []readtest.Said
	var rows readtest.Rows
	for _, i := range All() {
		var weighs []string
		for _, text := range []string{"1 cup", "2 tbsp", "3/4 tsp", "2", "100 g", "1 packet", "1 stick"} {
			a, err := measure.Parse(text, measure.US)
			if err != nil {
				t.Fatal(err)
			}
			if g, err := i.Weigh(a); err == nil {
				weighs = append(weighs, fmt.Sprintf("%s %.4g", text, float64(g)))
			}
		}
		about := fmt.Sprintf("100 g are %.4g ml", float64(i.Volume(100)))
		if i.Counted() {
			about += ", counted"
		}
		if i.HoldsGluten() {
			about += ", gluten"
		}
		if i.Kind == Flour {
			for _, f := range Fillings {
				own := Cup{Flour: i.ID, Filling: f, Measure: measure.Of(1, 1, measure.Cup)}.In(&i).PerCup
				about += fmt.Sprintf(", %s %.4g", f, float64(own))
			}
		}
		rows.Each(t, i.Name, strings.Join(weighs, ", "), about)
	}
	all = append(all, readtest.Said{Name: "rows", Value: &rows})

	var cups readtest.Rows
	weigh := func(what string, c Cup) {
		k, err := c.Calibrate()
		if k.Weighed > 0 {
			cups.Add(t, what, k, k.Doubt(1), k.Doubt(3.5), err)
			return
		}
		cups.Add(t, what, k, err)
	}
	r := rand.New(rand.NewPCG(5, 12))
	for n := range 24 {
		c := Cup{Measure: measure.Of(1, 1, measure.Cup)}
		for range n % 14 {
			c.Weighings = append(c.Weighings, measure.Grams(125+r.NormFloat64()*float64(2+n/2)))
		}
		weigh(fmt.Sprintf("%d weighings", len(c.Weighings)), c)
	}
	for _, text := range []string{"24 ml", "25 ml", "26 ml", "999 ml", "1000 ml", "1001 ml", "1/2 cup"} {
		a, err := measure.Parse(text, measure.US)
		if err != nil {
			t.Fatal(err)
		}
		ml := measure.Grams(a.Millilitres())
		for _, perMl := range []measure.Grams{0, 0.19, 0.2, 0.21, 0.5, 1.29, 1.3, 1.31} {
			weigh(fmt.Sprintf("%s of %g g a ml", text, float64(perMl)),
				Cup{Measure: a, Weighings: []measure.Grams{perMl * ml}})
		}
		for _, most := range []measure.Grams{1.79, 1.8, 1.81} {
			weigh(fmt.Sprintf("%s, one %g times the other", text, float64(most)),
				Cup{Measure: a, Weighings: []measure.Grams{0.4 * ml, 0.4 * most * ml}})
		}
	}
	all = append(all, readtest.Said{Name: "cups", Value: &cups})

	var cannot readtest.Rows
	for _, c := range []struct {
		field  string
		change func(i *Ingredient, v float64)
	}{
		{"water", func(i *Ingredient, v float64) { i.Shares.Water = v }},
		{"fibre", func(i *Ingredient, v float64) { i.Shares.Fibre = v }},
		{"a cup", func(i *Ingredient, v float64) { i.PerCup = measure.Grams(v) }},
		{"each", func(i *Ingredient, v float64) { i.Each = measure.Grams(v) }},
		{"flour part", func(i *Ingredient, v float64) { i.FlourPart = v }},
		{"as dry", func(i *Ingredient, v float64) { i.AsDry = v }},
		{"raising", func(i *Ingredient, v float64) { i.Raising = v }},
		{"heaviest", func(i *Ingredient, v float64) { i.Heaviest = measure.Grams(v) }},
		{"lightest", func(i *Ingredient, v float64) { i.Lightest, i.Heaviest = measure.Grams(v), measure.Grams(v) }},
	} {
		for _, id := range []ID{"bread-flour", "instant-yeast", "baking-powder", "egg"} {
			for _, v := range []float64{-0.01, 0, 0.01, 1, 1.01, 3, 3.01, 5, 5.01, 20, 100, 100.01, 1000, 1000.01} {
				i, _ := Get(id)
				own := *i
				c.change(&own, v)
				cannot.Add(t, fmt.Sprintf("%s of %s, %g", c.field, id, v), own.Check())
			}
		}
	}
	all = append(all, readtest.Said{Name: "what cannot be", Value: &cannot})

	var names readtest.Rows
	for _, i := range All() {
		itself, near := 0, 0
		taken := map[ID]int{}
		for at := range i.Name {
			for _, typed := range []string{i.Name[:at] + i.Name[at+1:], i.Name[:at] + "x" + i.Name[at:], i.Name[:at] +
				"e" + i.Name[at+1:]} {
				switch f := Find(typed); {
				case f.Ingredient.ID == i.ID:
					itself++
				case !f.Ingredient.Unknown:
					taken[f.Ingredient.ID]++
				case slices.ContainsFunc(f.Near, func(n Ingredient) bool { return n.ID == i.ID }):
					near++
				}
			}
		}
		names.Each(t, i.Name, fmt.Sprintf("of %d slips found %d, asked %d, taken for %v", 3*len(i.Name), itself, near,
			taken))
	}
	readtest.Hold(t, append(all, readtest.Said{Name: "names mistyped", Value: &names}))
}
