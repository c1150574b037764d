package larder

import (
	"fmt"
	"math"
	"slices"

	"risepan/core/measure"
	"risepan/core/vocab"
)

// Filling is how a household fills its cup with flour.
type Filling string

const (
	Sifted    Filling = "sifted"    // into the cup through a sieve
	Sprinkled Filling = "sprinkled" // fluffed up, then sprinkled in
	Spooned   Filling = "spooned"   // spooned in and levelled: how the table's cups are filled
	Heaped    Filling = "heaped"    // heaped up and levelled
	Scooped   Filling = "scooped"   // dipped into the flour and levelled
)

var Fillings = []Filling{Sifted, Sprinkled, Spooned, Heaped, Scooped}

func (f Filling) Words() []string { return vocab.List(Fillings) }
func (f *Filling) UnmarshalText(text []byte) error {
	return vocab.Read(f, text, "way of filling a cup", Fillings)
}

// A cup of bread flour holds 110 g sifted, 125 g spooned, 140 to 150 g scooped; other flours in
// proportion to their row of the table.
const (
	lightest  = 110.0 / 125
	heaviest  = 150.0 / 125
	leastCups = 3 // weighings, before a kitchen's own cup counts
	mostCups  = 12
	scaleStep = 1.0 // g that a kitchen scale reads to: no spread is known finer
)

var filled = map[Filling]float64{Sifted: lightest, Sprinkled: 118.0 / 125, Spooned: 1, Heaped: 135.0 / 125,
	Scooped: 145.0 / 125}

// Cup is a kitchen's own cup of one flour: how it is filled, and what it weighed.
type Cup struct {
	Flour     ID              `json:"flour"`
	Filling   Filling         `json:"filling"`
	Measure   measure.Amount  `json:"measure"` // what was weighed full, such as 1 cup
	Weighings []measure.Grams `json:"weighings,omitzero"`
}

// Known is how well a kitchen's own cup of a flour is known.
type Known struct {
	Weighed   int           `json:"weighed"`
	Mean      measure.Grams `json:"mean"`
	Spread    measure.Grams `json:"spread"` // standard deviation of one cup
	Outliers  []int         `json:"outliers,omitzero"`
	Enough    bool          `json:"enough"`    // weighed often enough to count
	StillNeed int           `json:"stillNeed"` // weighings, until it does
}

// Calibrate is what the weighings say. Weighings that cannot be of one cup are an error.
func (c Cup) Calibrate() (Known, error) {
	n := len(c.Weighings)
	if n > mostCups {
		return Known{}, fmt.Errorf("%d weighings are plenty: keep at most %d", n, mostCups)
	}
	ml := float64(c.Measure.Millilitres())
	if ml < 25 || ml > 1000 {
		return Known{}, fmt.Errorf("weigh a measure of 25 to 1000 ml, not %s", c.Measure)
	}
	for _, g := range c.Weighings {
		if perMl := float64(g) / ml; !(perMl >= 0.2 && perMl <= 1.3) {
			return Known{}, fmt.Errorf("%g g of flour in %s cannot be: it holds about %.0f g", float64(g), c.Measure,
				ml*125/236.588)
		}
	}
	if n == 0 {
		return Known{StillNeed: leastCups}, nil
	}
	least, most := slices.Min(c.Weighings), slices.Max(c.Weighings)
	if most > 1.8*least {
		return Known{}, fmt.Errorf("%g g and %g g cannot be of the same cup filled in one way: weigh again",
			float64(least), float64(most))
	}
	k := Known{Weighed: n, Enough: n >= leastCups, StillNeed: max(0, leastCups-n)}
	for _, g := range c.Weighings {
		k.Mean += g / measure.Grams(n)
	}
	for _, g := range c.Weighings {
		k.Spread += (g - k.Mean) * (g - k.Mean)
	}
	if n > 1 {
		k.Spread = measure.Grams(math.Sqrt(float64(k.Spread) / float64(n-1)))
	}
	if k.Enough {
		k.Outliers = outliers(c.Weighings)
	}
	return k, nil
}

// outliers are the weighings that lie further from the middle one than three times the usual
// distance, and more than 6 % of it.
func outliers(g []measure.Grams) []int {
	middle := median(g)
	distance := make([]measure.Grams, len(g))
	for n := range g {
		distance[n] = max(g[n]-middle, middle-g[n])
	}
	const toDeviation = 1.4826 // of a median distance, for a bell-shaped spread
	usual := measure.Grams(toDeviation) * median(distance)
	var out []int
	for n := range g {
		if distance[n] > max(3*usual, 0.06*middle) {
			out = append(out, n)
		}
	}
	return out
}

func median(g []measure.Grams) measure.Grams {
	s := slices.Sorted(slices.Values(g))
	return (s[(len(s)-1)/2] + s[len(s)/2]) / 2
}

// Doubt is the standard deviation of the weight of so many cups: each differs from the next by the
// spread, and all differ from the truth by what the mean is off: s·√(k + k²/n).
func (k Known) Doubt(cups float64) measure.Grams {
	s := max(float64(k.Spread), scaleStep)
	return measure.Grams(s * math.Sqrt(cups+cups*cups/float64(k.Weighed)))
}

// In is the flour as this cup holds it: its mean once it was weighed often enough, else what its
// way of filling usually holds.
func (c Cup) In(i *Ingredient) *Ingredient {
	own := *i
	k, err := c.Calibrate()
	switch {
	case err == nil && k.Enough:
		own.PerCup = k.Mean * usCup / measure.Grams(c.Measure.Millilitres())
	case c.Filling != "":
		own.PerCup *= measure.Grams(filled[c.Filling])
	}
	return &own
}

// Range is what an unweighed US cup of a flour of the table may hold, from sifted to scooped.
func Range(usual measure.Grams) (low, high measure.Grams) {
	return usual * lightest, usual * heaviest
}
