package scale

import (
	"math"
	"testing"

	"risepan/core/measure"
)

func TestALoafBeyondAllSizes(t *testing.T) {
	sizes := []measure.LoafSize{measure.LoafPounds(1, 1), measure.LoafPounds(2, 1), measure.LoafPounds(3, 2)}
	for _, c := range []struct {
		loaf   measure.LoafSize
		sizes  []measure.LoafSize
		share  float64
		beyond bool
	}{{measure.LoafPounds(5, 2), sizes, 0.8, true}, {measure.LoafPounds(2, 1), sizes, 1, false},
		{measure.LoafPounds(5, 4), sizes, 1, false}, {measure.LoafPounds(3, 1), nil, 1, false}} {
		largest, share, beyond := Beyond(c.loaf, c.sizes)
		if beyond != c.beyond || math.Abs(share-c.share) > 1e-9 || len(c.sizes) > 0 && largest != sizes[1] {
			t.Errorf("%s: %v, %g of it in %s; want %v, %g", c.loaf, beyond, share, largest, c.beyond, c.share)
		}
	}
}
