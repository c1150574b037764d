package scale

import (
	"math"

	"risepan/core/kind"
	"risepan/core/measure"
	"risepan/core/recipe"
)

// Usual figures of a normal dough: flour for each nominal pound, g; the flour at which one size
// gives way to the next, g; slices of a pound; and baked weight as a share of everything in the pan.
const (
	flourPerPound  = 250
	slicesPerPound = 8
	bakedShare     = 0.89
	questioned     = 0.20 // how far flour may be off its size before it is questioned
)

var edges = []struct {
	upTo measure.Grams
	size measure.LoafSize
}{
	{310, measure.LoafPounds(1, 1)}, {435, measure.LoafPounds(3, 2)}, {560, measure.LoafPounds(2, 1)},
	{math.MaxFloat64, measure.LoafPounds(5, 2)},
}

// bakedEdges are where one size gives way to the next by baked weight, g: halfway between the
// 400, 600, 800 and 1000 g that normal doughs bake to.
var bakedEdges = []measure.Grams{500, 700, 900, math.MaxFloat64}

// Infer is the loaf size of a recipe of a kind that does not say its own: by its flour, or, without flour and
// where that says little, by what everything in the pan is likely to bake to.
func Infer(k recipe.Kind, flour, everything measure.Grams) measure.LoafSize {
	if kind.Of(k).ByWeight && everything > 0 {
		flour = 0
	}
	for n, e := range edges {
		if flour > 0 && flour < e.upTo || flour <= 0 && everything*bakedShare < bakedEdges[n] {
			return e.size
		}
	}
	return edges[len(edges)-1].size
}

// Questions reports whether a recipe's flour contradicts the size that it is called, and which size
// the flour is for.
func Questions(k recipe.Kind, called measure.LoafSize, flour measure.Grams) (measure.LoafSize, bool) {
	usual := flourPerPound * called.Pounds().Float()
	likely := Infer(k, flour, 0)
	return likely, flour > 0 && !kind.Of(k).ByWeight && math.Abs(float64(flour)/usual-1) > questioned &&
		likely != called
}

// Baked is about what all that goes into the pan bakes to.
func Baked(everything measure.Grams) measure.Grams { return everything * bakedShare }

// Slices is about how many slices a loaf of the size gives.
func Slices(s measure.LoafSize) int { return int(math.Round(slicesPerPound * s.Pounds().Float())) }

// ForSlices is the smallest of the sizes that gives so many slices; ok is false when even the
// largest gives fewer, which is then returned.
func ForSlices(slices int, sizes []measure.LoafSize) (size measure.LoafSize, ok bool) {
	for _, s := range sizes {
		enough, bestEnough := Slices(s) >= slices, !size.IsZero() && Slices(size) >= slices
		switch {
		case size.IsZero(), enough && !bestEnough,
			enough && bestEnough && s.Pounds().Cmp(size.Pounds()) < 0,
			!enough && !bestEnough && s.Pounds().Cmp(size.Pounds()) > 0:
			size = s
		}
	}
	return size, Slices(size) >= slices
}

// Beyond is the largest of some sizes, and how much of a loaf it takes, where the loaf is larger than all of them;
// ok is false where one of them holds it.
func Beyond(loaf measure.LoafSize, sizes []measure.LoafSize) (largest measure.LoafSize, share float64, ok bool) {
	for _, s := range sizes {
		if largest.IsZero() || s.Pounds().Cmp(largest.Pounds()) > 0 {
			largest = s
		}
	}
	if largest.IsZero() || loaf.Pounds().Cmp(largest.Pounds()) <= 0 {
		return largest, 1, false
	}
	return largest, largest.Over(loaf).Float(), true
}
