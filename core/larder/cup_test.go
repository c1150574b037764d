package larder

import (
	"math"
	"strings"
	"testing"

	"risepan/core/measure"
)

func cup(weighings ...measure.Grams) Cup {
	return Cup{Flour: "bread-flour", Measure: measure.Of(1, 1, measure.Cup), Weighings: weighings}
}

// 128, 131, 125 and 132 g: mean 129, deviations −1, 2, −4, 3, squares 30, so a spread of √10 = 3.162.
func TestWeighingOnesOwnCup(t *testing.T) {
	k, err := cup(128, 131, 125, 132).Calibrate()
	if err != nil || !k.Enough || k.Mean != 129 || math.Abs(float64(k.Spread)-3.1623) > 1e-4 || len(k.Outliers) != 0 {
		t.Fatalf("%+v %v", k, err)
	}
	// Three cups: 3.1623 × √(3 + 9/4) = 7.2457 g.
	if d := k.Doubt(3); math.Abs(float64(d)-7.2457) > 1e-3 {
		t.Errorf("three cups deviate by %.4f g, want 7.2457", float64(d))
	}
	bread, _ := Get("bread-flour")
	if got := cup(128, 131, 125, 132).In(bread).PerCup; got != 129 {
		t.Errorf("a cup is reckoned at %v g, want 129", got)
	}
	metric := cup(140, 136, 138)
	metric.Measure = measure.Of(1, 1, measure.MetricCup)
	if got := float64(metric.In(bread).PerCup); math.Abs(got-138*236.588/250) > 1e-9 {
		t.Errorf("a metric cup of 138 g is %.2f g to the US cup", got)
	}
	half := cup(64, 66, 65)
	half.Measure = measure.Of(1, 2, measure.Cup)
	if got := float64(half.In(bread).PerCup); math.Abs(got-130) > 1e-9 {
		t.Errorf("half a cup of 65 g is %.2f g to the cup", got)
	}
}

func TestTwoWeighingsAreTooFewAndTheWayOfFillingCounts(t *testing.T) {
	bread, _ := Get("bread-flour")
	for _, c := range []struct {
		filling Filling
		want    measure.Grams
	}{{"", 125}, {Sifted, 110}, {Sprinkled, 118}, {Spooned, 125}, {Heaped, 135}, {Scooped, 145}} {
		own := cup(160, 161)
		own.Filling = c.filling
		if got := own.In(bread).PerCup; math.Abs(float64(got-c.want)) > 1e-9 {
			t.Errorf("%q: reckoned at %v g, want %v", c.filling, got, c.want)
		}
		if k, _ := own.Calibrate(); k.Enough || k.StillNeed != 1 {
			t.Errorf("two weighings: %+v", k)
		}
	}
}

func TestTheOddWeighingIsPointedOut(t *testing.T) {
	for _, c := range []struct {
		grams []measure.Grams
		odd   int // -1: none
	}{
		{[]measure.Grams{125, 127, 160}, 2}, {[]measure.Grams{98, 125, 127, 126}, 0}, {[]measure.Grams{120, 125, 130},
			-1},
		{[]measure.Grams{125, 125, 125}, -1}, {[]measure.Grams{125, 126, 124, 128}, -1},
	} {
		k, err := cup(c.grams...).Calibrate()
		if err != nil || (c.odd < 0) != (len(k.Outliers) == 0) || (c.odd >= 0 && k.Outliers[0] != c.odd) {
			t.Errorf("%v: odd ones %v (%v), want %d", c.grams, k.Outliers, err, c.odd)
		}
	}
}

func TestWeighingsThatCannotBeAreRefused(t *testing.T) {
	tall := cup(100)
	tall.Measure = measure.Of(9, 1, measure.Cup)
	for says, c := range map[string]Cup{
		"cannot be of the same cup": cup(90, 130, 280), "cannot be: it holds about": cup(2000),
		"weigh a measure of": tall,
		"are plenty":         cup(make([]measure.Grams, 13)...),
	} {
		if _, err := c.Calibrate(); err == nil || !strings.Contains(err.Error(), says) {
			t.Errorf("%v: %v, want it to say %q", c.Weighings, err, says)
		}
	}
}
