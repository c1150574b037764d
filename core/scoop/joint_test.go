package scoop

import (
	"fmt"
	"math"
	"math/rand/v2"
	"slices"
	"sort"
	"testing"

	"risepan/core/larder"
	"risepan/core/measure"
)

// outcome is one point of a front as the brute force finds it.
type outcome struct {
	handling int // in halves
	d        float64
}

// brute finds the whole front by trying everything. It shares nothing with the solver but the
// larder: sums are made by counting measures, not by tables, and every deviation is worked out from
// docs/rounding.md afresh.
func brute(measures []measure.Measure, jug measure.Jug, lines []Item) (misses int, front []outcome) {
	type pick struct {
		grams    float64
		handling int
	}
	eighth := 236.588 / 48 / 8
	flourTotal, water := 0.0, 0.0
	options := make([][]pick, len(lines))
	share := func(i *larder.Ingredient) float64 {
		if i.Kind == larder.Flour || i.Kind == larder.Extra {
			return 0
		}
		return i.Shares.Water / 100
	}
	wet := func(i *larder.Ingredient) bool {
		switch i.Kind {
		case larder.Liquid, larder.Egg, larder.Syrup, larder.Puree, larder.Fat:
			return i.Shares.Water > 0
		}
		return false
	}
	for _, l := range lines {
		if l.Ingredient.Kind == larder.Flour {
			flourTotal += float64(l.Exact)
		}
	}
	tolerance := func(l Item) float64 {
		switch l.Ingredient.Kind {
		case larder.Flour:
			return 0.02 * flourTotal / float64(l.Exact)
		case larder.Salt, larder.Yeast:
			return 0.07
		case larder.Sugar, larder.Syrup, larder.Fat:
			return 0.10
		}
		return math.Max(0.15, eighth*float64(l.Ingredient.PerCup)/236.588/float64(l.Exact))
	}
	for n, l := range lines {
		e := float64(l.Exact)
		water += e * share(l.Ingredient)
		if l.Fixed {
			options[n] = []pick{{float64(l.Actual), 0}}
			continue
		}
		least := 0.0
		switch l.Ingredient.Kind {
		case larder.Flour:
			least = 14.5
		case larder.Liquid, larder.Puree:
			if e/float64(l.Ingredient.PerCup)*236.588 >= 30 {
				least = 2.4
			}
		}
		perMl := float64(l.Ingredient.PerCup) / 236.588
		byVolume := map[int64]int{}
		var sum func(m int, ml float64, scoops, kinds int)
		sum = func(m int, ml float64, scoops, kinds int) {
			if ml*perMl > 1.6*e+30 {
				return
			}
			if m == len(measures) {
				if ml > 0 {
					key := int64(math.Round(ml * 1e9))
					if old, ok := byVolume[key]; !ok || 2*scoops+kinds-1 < old {
						byVolume[key] = 2*scoops + kinds - 1
					}
				}
				return
			}
			size := float64(measures[m].Amount.Millilitres())
			for count := 0; ; count++ {
				if count > 0 && (size < least || (ml+float64(count)*size)*perMl > 1.6*e+30) {
					return
				}
				sum(m+1, ml+float64(count)*size, scoops+count, kinds+min(count, 1))
			}
		}
		sum(0, 0, 0, 0)
		if marks := jug.Marks(); marks > 0 && l.Ingredient.Kind == larder.Liquid &&
			e/float64(l.Ingredient.PerCup)*236.588 >= 30 {
			step := float64(jug.Step.Millilitres())
			for k := 1; float64(k)*step*perMl <= 1.6*e+30; k++ {
				sum(0, float64(k)*step, (k+marks-1)/marks, 1)
			}
		}
		for key, handling := range byVolume {
			options[n] = append(options[n], pick{float64(key) / 1e9 * perMl, handling})
		}
		sort.Slice(options[n], func(a, b int) bool { return options[n][a].grams < options[n][b].grams })
		if l.Ingredient.Kind == larder.Flour { // within tolerance beside flour within its own, and the next ones
			low, high := e*(1-tolerance(l))*0.96-1e-9, e*(1+tolerance(l))*1.04+1e-9
			from, to := 0, len(options[n])-1
			for from+1 <= to && options[n][from+1].grams < low {
				from++
			}
			for to-1 >= from && options[n][to-1].grams > high {
				to--
			}
			options[n] = options[n][from : to+1]
		}
	}

	type state struct {
		misses int
		outcome
	}
	var all []state
	chosen := make([]pick, len(lines))
	flourMissesLeast, closest := math.MaxInt, math.Inf(1)
	each := func(yield func(ratio float64, misses int)) {
		var flours func(n int)
		flours = func(n int) {
			if n == len(lines) {
				ratio := 1.0
				if flourTotal > 0 {
					sum := 0.0
					for m, l := range lines {
						if l.Ingredient.Kind == larder.Flour {
							sum += chosen[m].grams
						}
					}
					ratio = sum / flourTotal
				}
				missed, free := 0, false
				for m, l := range lines {
					if l.Ingredient.Kind == larder.Flour && !l.Fixed {
						free = true
						if math.Abs(chosen[m].grams/float64(l.Exact)/ratio-1) > tolerance(l)+1e-9 {
							missed++
						}
					}
				}
				if free && math.Abs(ratio-1) > 0.04+1e-9 {
					missed++
				}
				yield(ratio, missed)
				return
			}
			if lines[n].Ingredient.Kind != larder.Flour {
				flours(n + 1)
				return
			}
			for _, o := range options[n] {
				chosen[n] = o
				flours(n + 1)
			}
		}
		flours(0)
	}
	each(func(_ float64, missed int) { flourMissesLeast = min(flourMissesLeast, missed) })
	each(func(ratio float64, missed int) {
		if missed == flourMissesLeast {
			closest = min(closest, math.Abs(ratio-1))
		}
	})
	each(func(ratio float64, missed int) {
		if missed > flourMissesLeast || (missed > 0 && math.Abs(ratio-1) > closest+1e-9) {
			return
		}
		var others func(n int, misses, handling int, d float64)
		others = func(n int, misses, handling int, d float64) {
			if n == len(lines) {
				w := 0.0
				for m, l := range lines {
					if wet(l.Ingredient) {
						w += chosen[m].grams * share(l.Ingredient)
					} else {
						w += float64(l.Exact) * share(l.Ingredient)
					}
				}
				d += math.Pow((ratio-1)/0.04, 2)
				if flourTotal > 0 {
					off := 100*w/(flourTotal*ratio) - 100*water/flourTotal
					d += off * off
					if math.Abs(off) > 1+1e-9 {
						misses++
					}
				}
				all = append(all, state{misses, outcome{handling, d}})
				return
			}
			l := lines[n]
			off := func(p pick) float64 { return p.grams/float64(l.Exact)/ratio - 1 }
			if l.Ingredient.Kind == larder.Flour {
				add := 0.0
				if !l.Fixed {
					add = math.Pow(off(chosen[n])/tolerance(l), 2)
				}
				others(n+1, misses, handling+chosen[n].handling, d+add)
				return
			}
			if l.Fixed {
				chosen[n] = options[n][0]
				others(n+1, misses, handling, d)
				return
			}
			var inside []pick
			nearest := options[n][0]
			for _, o := range options[n] {
				if math.Abs(off(o)) <= tolerance(l)+1e-9 {
					inside = append(inside, o)
				}
				if d := math.Abs(off(o)) - math.Abs(off(nearest)); d < -1e-12 || d < 1e-12 &&
					o.handling < nearest.handling {
					nearest = o
				}
			}
			missedHere := 0
			if len(inside) == 0 {
				inside, missedHere = []pick{nearest}, 1
			}
			for _, o := range inside {
				chosen[n] = o
				others(n+1, misses+missedHere, handling+o.handling, d+math.Pow(off(o)/tolerance(l), 2))
			}
		}
		others(0, missed, 0, 0)
	})
	misses = math.MaxInt
	for _, s := range all {
		misses = min(misses, s.misses)
	}
	best := map[int]float64{}
	for _, s := range all {
		if s.misses == misses {
			if old, ok := best[s.handling]; !ok || s.d < old {
				best[s.handling] = s.d
			}
		}
	}
	for s, d := range best {
		front = append(front, outcome{s, d})
	}
	sort.Slice(front, func(a, b int) bool { return front[a].handling < front[b].handling })
	least := math.Inf(1)
	front = slices.DeleteFunc(front, func(o outcome) bool {
		if o.d >= least-1e-9 {
			return true
		}
		least = o.d
		return false
	})
	return misses, front
}

func ingredient(t testing.TB, id larder.ID) *larder.Ingredient {
	t.Helper()
	i, ok := larder.Get(id)
	if !ok {
		t.Fatalf("no %s in the larder", id)
	}
	return i
}

func owned(t testing.TB, texts ...string) []measure.Measure {
	t.Helper()
	var out []measure.Measure
	for _, s := range texts {
		a, err := measure.Parse(s, measure.US)
		if err != nil {
			t.Fatal(err)
		}
		out = append(out, measure.Measure{Amount: a})
	}
	return out
}

// The whole front equals that of brute force over random small recipes and sets of measures.
func TestTheFrontIsTheTrueOptimum(t *testing.T) {
	random := rand.New(rand.NewPCG(5, 8))
	sets := [][]measure.Measure{
		owned(t, "1 cup", "1/2 cup", "1/3 cup", "1/4 cup", "1 tbsp", "1 tsp"),
		owned(t, "1 cup", "1/4 cup", "1 tbsp", "1 tsp", "1/2 tsp"),
		owned(t, "1/2 cup", "1/3 cup", "1 tbsp", "1 tsp", "1/4 tsp"),
		owned(t, "1/3 cup", "1/4 cup", "1 tbsp", "1/2 tsp"),
		owned(t, "1/4 cup", "1 tbsp", "1/2 tsp", "1/4 tsp"),
	}
	kinds := []struct {
		id       larder.ID
		low, top float64 // grams
	}{
		{"bread-flour", 90, 320}, {"water", 60, 200}, {"salt", 2, 8}, {"wholemeal-flour", 40, 150}, {"butter", 8, 40},
		{"sugar", 4, 40}, {"active-dry-yeast", 2, 7}, {"milk", 30, 120}, {"honey", 8, 40}, {"oil", 6, 30},
		{"raisins", 30, 90},
	}
	cases, missed, longest := 0, 0, 0
	for cases < 600 {
		set := sets[random.IntN(len(sets))]
		n := 2 + random.IntN(3)
		var lines []Item
		for _, k := range random.Perm(len(kinds))[:n] {
			c := kinds[k]
			g := measure.Grams(c.low + random.Float64()*(c.top-c.low))
			l := Item{Ingredient: ingredient(t, c.id), Exact: g}
			if random.IntN(9) == 0 {
				l.Fixed, l.Actual = true, g*measure.Grams(0.9+0.2*random.Float64())
			}
			lines = append(lines, l)
		}
		if random.IntN(4) == 0 {
			lines = append(lines, Item{Ingredient: ingredient(t, "egg"), Exact: 50, Fixed: true, Actual: 50})
		}
		cases++
		var jug measure.Jug
		if random.IntN(3) == 0 {
			jug = measure.Jug{Step: measure.Of(1, int64(4*(1+random.IntN(2))), measure.Cup), Holds: measure.Of(1, 2,
				measure.Cup)}
		}
		misses, want := brute(set, jug, lines)
		front := NewSet(set, measure.US).WithJug(jug).Joint(lines)
		var got []Solution
		for n := range front.Points {
			got = append(got, front.At(n))
		}
		describe := func() string {
			s := ""
			for _, l := range lines {
				s += fmt.Sprintf("%.2f g %s (fixed %v %.2f); ", float64(l.Exact), l.Ingredient.Name, l.Fixed,
					float64(l.Actual))
			}
			return s + fmt.Sprint(set, jug)
		}
		if len(got) != len(want) {
			t.Fatalf("%s\nthe front has %d points, brute force finds %d:\n%v\n%v", describe(), len(got), len(want),
				points(got), want)
		}
		for n, w := range want {
			g := got[n]
			if g.Handling != float64(w.handling)/2 || math.Abs(g.D-w.d) > 1e-6 || len(g.Misses) != misses {
				t.Fatalf("%s\npoint %d is handling %.1f, D %.9f, misses %v; brute force says %d halves, %.9f, %d misses", describe(), n, g.Handling, g.D, g.Misses, w.handling, w.d, misses)
			}
			if j := Judge(lines, g.Amounts); len(j.Misses) != misses || j.Handling != g.Handling ||
				math.Abs(j.D-g.D) > 1e-6 {
				t.Fatalf("%s\npoint %d judged by itself is handling %.1f, D %.9f, misses %v; found %.1f, %.9f, %v",
					describe(), n, j.Handling, j.D, j.Misses, g.Handling, g.D, g.Misses)
			}
			count := 0
			for _, a := range g.Amounts {
				count += a.Count()
			}
			if count != g.Scoops {
				t.Fatalf("%s\npoint %d shows %d scoops and counts %d", describe(), n, count, g.Scoops)
			}
		}
		if misses > 0 {
			missed++
		}
		longest = max(longest, len(want))
	}
	t.Logf("%d recipes, %d of which miss a tolerance; the longest front has %d points", cases, missed, longest)
}

func points(s []Solution) []outcome {
	var out []outcome
	for _, x := range s {
		out = append(out, outcome{int(2 * x.Handling), x.D})
	}
	return out
}
