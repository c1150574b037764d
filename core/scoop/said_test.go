package scoop

import (
	"fmt"
	"testing"

	"risepan/core/measure"
	"risepan/core/readtest"
)

// Amounts of resized doughs with several drawers, and the work that it took to find them.
func TestWhatDoughsMeasure(t *testing.T) {
	drawers := map[string][]measure.Measure{
		"a full one": eleven(t), "b without a tablespoon": owned(t, "1 cup", "1/2 cup", "1/3 cup", "1/4 cup", "1 tsp",
			"1/2 tsp", "1/4 tsp"),
		"c metric": owned(t, "1 metric cup", "1/2 metric cup", "1 metric tbsp", "1 metric tsp", "1/2 metric tsp"),
		"d bare":   owned(t, "1/2 cup", "1 tsp"),
	}
	var all []readtest.Said
	for _, name := range []string{"a full one", "b without a tablespoon", "c metric", "d bare"} {
		for size := range 5 {
			lines := fourteen(t)
			lines = append(lines[:0:0], lines[size%3:len(lines)-size%4]...)
			for n := range lines {
				lines[n].Exact *= measure.Grams(0.6 + 0.23*float64(size))
				if size%4 == 2 {
					lines[n].Prefer = drawers[name][(n+size)%len(drawers[name])]
				}
			}
			set := NewSet(drawers[name], measure.US)
			if size%3 == 1 {
				set = set.WithJug(measure.Jug{Step: measure.Of(50, 1, measure.Millilitre), Holds: measure.Of(1000, 1,
					measure.Millilitre)})
			}
			front := set.Joint(lines)
			var said readtest.Rows
			said.Add(t, "proven, work left", front.Proven, front.problem.work.left)
			for n, p := range front.Points {
				said.Add(t, fmt.Sprintf("point %d", n), p)
			}
			chosen := front.At(0).Amounts
			for n, l := range lines {
				a, ok := set.Nearest(l.Ingredient, l.Exact)
				said.Each(t, fmt.Sprintf("%s, %.4g g", l.Ingredient.Name, float64(l.Exact)), a, ok, a.Spoken(),
					chosen[min(n, len(chosen)-1)])
			}
			all = append(all, readtest.Said{Name: fmt.Sprintf("%s, size %d", name, size), Value: &said})
		}
	}
	readtest.Hold(t, all)
}
