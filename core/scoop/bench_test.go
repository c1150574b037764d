package scoop

import (
	"fmt"
	"testing"

	"risepan/core/larder"
	"risepan/core/measure"
)

// fourteen is a sweet loaf of fourteen lines with three flours, resized from 1 1/2 to 2 lb.
func fourteen(t testing.TB) []Item {
	var out []Item
	for _, l := range []struct {
		id    string
		grams measure.Grams
	}{
		{"bread-flour", 250}, {"wholemeal-flour", 157.3}, {"rye-flour", 69.3}, {"water", 157.7}, {"milk", 162.7},
		{"butter", 37.8},
		{"honey", 42.5}, {"sugar", 16.7}, {"salt", 10}, {"dry-milk", 11.3}, {"gluten", 12}, {"ground-spice", 4.7},
		{"active-dry-yeast", 7.36}, {"raisins", 133.3},
	} {
		out = append(out, Item{Ingredient: ingredient(t, larder.ID(l.id)), Exact: l.grams})
	}
	return out
}

func eleven(t testing.TB) []measure.Measure {
	return owned(t, "1 cup", "3/4 cup", "1/2 cup", "1/3 cup", "1/4 cup", "1 tbsp", "1/2 tbsp", "1 tsp", "1/2 tsp",
		"1/4 tsp", "1/8 tsp")
}

func BenchmarkJointRoundingOfFourteenLines(b *testing.B) {
	lines, measures := fourteen(b), eleven(b)
	for b.Loop() {
		if front := NewSet(measures, measure.US).Joint(lines); len(front.Points) == 0 {
			b.Fatal("no solution")
		}
	}
}

// nasty are the hardest things that a request within the limits can ask for: forty lines, forty
// measures. Each was the slowest of its sort in a search over counts, sizes and measures.
func nasty(t testing.TB) map[string]struct {
	lines    []Item
	measures []measure.Measure
} {
	odd := make([]measure.Measure, 40) // from 1 ml up, none a multiple of another
	for n := range odd {
		odd[n] = measure.Measure{Amount: measure.Of(int64(101+53*n), 100, measure.Millilitre)}
	}
	many := func(id larder.ID, n int, grams, step measure.Grams) []Item {
		var out []Item
		for m := range n {
			out = append(out, Item{Ingredient: ingredient(t, id), Exact: grams + step*measure.Grams(m)})
		}
		return out
	}
	loaf := append(many("bread-flour", 1, 375, 0), many("salt", 1, 9, 0)...)
	type hard = struct {
		lines    []Item
		measures []measure.Measure
	}
	return map[string]hard{
		"36 lines of 1/8 cup of flour":    {many("bread-flour", 36, 15.625, 0), eleven(t)},
		"40 lines of flour, no two alike": {many("bread-flour", 40, 11, 0.7), odd},
		"38 lines of water beside flour":  {append(many("water", 38, 6, 0.3), loaf...), odd},
		"38 lines of milk beside flour":   {append(many("milk", 38, 6, 0.3), loaf...), eleven(t)},
		"38 lines of spice beside flour":  {append(many("ground-spice", 38, 2, 0.3), loaf...), odd},
		"20 flours and 20 liquids": {append(many("bread-flour", 20, 20, 1.1), many("water", 20, 12,
			0.9)...), odd},
		"fourteen lines, forty odd measures": {fourteen(t), odd},
		"liquids and spices without any flour": {append(many("water", 20, 11, 0.7), many("ground-spice", 20, 2,
			0.3)...), odd},
		"the largest pan: 3 kg of each of forty": {many("bread-flour", 40, 3000, 0), odd},
	}
}

func BenchmarkWorstRequest(b *testing.B) {
	for name, hard := range nasty(b) {
		b.Run(name, func(b *testing.B) {
			for b.Loop() {
				if front := NewSet(hard.measures, measure.US).Joint(hard.lines); len(front.Points) == 0 {
					b.Fatal("no solution")
				}
			}
		})
	}
}

func TestTheHardestRequestIsAnsweredWithinItsBudget(t *testing.T) {
	brokenOff := 0
	for name, hard := range nasty(t) {
		front := NewSet(hard.measures, measure.US).Joint(hard.lines)
		if len(front.Points) == 0 {
			t.Errorf("%s: no answer", name)
			continue
		}
		for n, a := range front.At(0).Amounts {
			if a.Grams <= 0 {
				t.Errorf("%s: line %d gets nothing", name, n)
			}
		}
		if !front.Proven {
			brokenOff++
		}
	}
	if brokenOff == 0 {
		t.Error("none of the hardest requests was broken off: the budget is not tried")
	}
}

func TestNobodyWaitsNothingIsWorkedOut(t *testing.T) {
	gone := make(chan struct{})
	close(gone)
	hard := nasty(t)["20 flours and 20 liquids"]
	set := NewSet(hard.measures, measure.US)
	set.Stop = gone
	if front := set.Joint(hard.lines); front.Proven || len(front.Points) == 0 {
		t.Errorf("with nobody waiting the search went on to its end (%v)", front.Proven)
	}
}

// The sorts of dough in which the search has most to go through.
func BenchmarkHardDoughs(b *testing.B) {
	many := func(ids []larder.ID, base ...Item) []Item {
		out := base
		for n, id := range ids {
			out = append(out, Item{Ingredient: ingredient(b, id), Exact: 31.7 + 9.3*measure.Grams(n)})
		}
		return out
	}
	flour := Item{Ingredient: ingredient(b, "bread-flour"), Exact: 401}
	salt := Item{Ingredient: ingredient(b, "salt"), Exact: 7.7}
	wet := []larder.ID{"water", "milk", "butter", "honey", "yoghurt", "oil", "buttermilk", "maple-syrup"}
	flours := []larder.ID{"bread-flour", "wholemeal-flour", "rye-flour", "spelt-flour", "oats", "cornmeal", "semolina",
		"barley-flour"}
	for name, lines := range map[string][]Item{
		"8 wet lines": many(wet, flour, salt), "5 flours": many(flours[:5], salt,
			Item{Ingredient: ingredient(b, "water"), Exact: 171}),
		"8 flours": many(flours, salt, Item{Ingredient: ingredient(b, "water"), Exact: 251}),
	} {
		b.Run(name, func(b *testing.B) {
			b.ReportAllocs()
			proven := true
			for b.Loop() {
				proven = NewSet(eleven(b), measure.US).Joint(lines).Proven
			}
			if !proven {
				b.ReportMetric(1, "unproven")
			}
		})
	}
}

// How the time grows with the lines of a dough: beside one flour, water and salt as many spices, sugars and
// liquids as make up so many lines.
func BenchmarkDoughOfSoManyLines(b *testing.B) {
	others := []larder.ID{"ground-spice", "sugar", "butter", "dry-milk", "milk", "gluten", "honey", "cocoa"}
	for _, n := range []int{6, 12, 18, 24} {
		lines := []Item{{Ingredient: ingredient(b, "bread-flour"), Exact: 401}, {Ingredient: ingredient(b, "water"),
			Exact: 251}, {Ingredient: ingredient(b, "salt"), Exact: 7.7}}
		for m := len(lines); m < n; m++ {
			id := others[m%len(others)]
			if m >= 12 && (id == "milk" || id == "butter" || id == "honey") {
				id = "ground-spice" // no dough has a dozen liquids
			}
			lines = append(lines, Item{Ingredient: ingredient(b, id), Exact: 6.3 + 1.7*measure.Grams(m)})
		}
		b.Run(fmt.Sprintf("%d lines", n), func(b *testing.B) {
			for b.Loop() {
				if front := NewSet(eleven(b), measure.US).Joint(lines); !front.Proven {
					b.ReportMetric(1, "unproven")
				}
			}
		})
	}
}
