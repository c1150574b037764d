package api_test

import (
	"testing"

	"risepan/usecase"
)

// Bags are made, found, baked from and leave the shelf; a bag that is not there cannot be baked from.
func TestBagsAreMadeUsedAndLeaveTheShelf(t *testing.T) {
	h := open(t)
	w := h.wish("Towpath white")
	var preview, made usecase.Bags
	h.must(200, "POST", "~/bags/preview", map[string]any{"wish": w, "count": 2}, &preview)
	h.must(201, "POST", "~/bags", map[string]any{"wish": w, "count": 2}, &made, "Idempotency-Key", "two")
	var again usecase.Bags
	h.must(201, "POST", "~/bags", map[string]any{"wish": w, "count": 2}, &again, "Idempotency-Key", "two")
	if again.ID != made.ID || made.Left != 2 || len(made.Batch.Holds) != len(preview.Batch.Holds) || preview.ID != "" {
		t.Errorf("made %+v, pressed again %+v", made, again)
	}
	w["loaf"].(map[string]any)["bag"] = made.ID
	var p usecase.PlanAnswer
	h.must(200, "POST", "~/plan", w, &p)
	in := 0
	for _, l := range p.Plan.Lines {
		if l.InBag {
			in++
		}
	}
	if in != len(made.Batch.Holds) {
		t.Errorf("%d lines are in the bag, want %d", in, len(made.Batch.Holds))
	}
	w["time"] = map[string]any{"atPanel": true}
	h.must(200, "POST", "~/plan", w, &p)
	start := map[string]any{"wish": w, "digest": p.Digest}
	h.must(201, "POST", "~/bakes", start, nil, "Idempotency-Key", "bake")
	var shelf usecase.BagShelf
	left := func() int {
		h.must(200, "GET", "~/bags", nil, &shelf)
		for _, b := range shelf.Bags {
			if b.ID == made.ID {
				return b.Left
			}
		}
		return 0
	}
	if left() != 1 {
		t.Errorf("after one bake the shelf holds %+v", shelf.Bags)
	}
	h.must(200, "PUT", "~/bags/"+made.ID, map[string]any{"left": 0}, &made)
	if left() != 0 {
		t.Errorf("the last bag is used, and the shelf holds %+v", shelf.Bags)
	}
	h.must(422, "PUT", "~/bags/"+made.ID, map[string]any{"left": made.Made + 1}, nil)
	h.must(422, "PUT", "~/bags/"+made.ID, map[string]any{"left": -1}, nil)
	h.must(200, "PUT", "~/bags/"+made.ID, map[string]any{"left": made.Made}, &made)
	if left() != made.Made {
		t.Errorf("all bags are found again, and the shelf holds %+v", shelf.Bags)
	}
	for path, body := range map[string]any{
		"/count":       map[string]any{"wish": h.wish("Towpath white"), "count": 99},
		"/wish/recipe": map[string]any{"wish": h.wish("Hedgerow jam"), "count": 1},
	} {
		if status, problem := h.ask("POST", "~/bags/preview", body, nil); status != 422 || problem.Pointer != path {
			t.Errorf("%v: %d at %q, want 422 at %s", body, status, problem.Pointer, path)
		}
	}
	other := h.wish("Winding-hole crusty")
	other["loaf"].(map[string]any)["bag"] = made.ID
	if status, problem := h.ask("POST", "~/plan", other, nil); status != 422 || problem.Pointer != "/loaf/bag" {
		t.Errorf("a bag of another recipe: %d at %q", status, problem.Pointer)
	}
}
