package api_test

import (
	"testing"

	"risepan/usecase"
)

// What the demo brought goes with one call and comes back with another; what was changed or is a kitchen's own stays.
func TestTheSamplesGoAndComeBack(t *testing.T) {
	h := open(t)
	var own struct {
		ID string `json:"id"`
	}
	h.must(201, "POST", "~/recipes", map[string]any{"standard": "us", "text": "Bridge loaf\n3 cups bread flour\n1 cup water\n2 tsp yeast\n" +
		"1 1/2 tsp salt"}, &own, "Idempotency-Key", "own")
	before := h.shelf()
	if before.Samples < 10 {
		t.Fatalf("%d samples on the shelf", before.Samples)
	}
	var gone usecase.Loaded
	h.must(200, "PUT", "~/samples", map[string]any{"away": true}, &gone)
	after := h.shelf()
	if gone.Machines != 2 || gone.Machines+gone.Recipes != before.Samples || after.Samples != 0 {
		t.Errorf("%+v went of %d; %d are left", gone, before.Samples, after.Samples)
	}
	if len(after.Recipes) != 1 || after.Recipes[0].ID != own.ID {
		t.Errorf("the shelf now holds %+v", after.Recipes)
	}
	h.must(200, "PUT", "~/samples", map[string]any{"away": false}, &gone)
	if again := h.shelf(); again.Samples != before.Samples || len(again.Recipes) != len(before.Recipes) {
		t.Errorf("%d samples came back, want %d", again.Samples, before.Samples)
	}
}
