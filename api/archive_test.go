package api_test

import (
	"net/http/httptest"
	"strings"
	"testing"

	"github.com/go-json-experiment/json"

	"risepan/api"
	"risepan/usecase"
)

// restore sends a kitchen's file in the place of this house's kitchen.
func (h *house) restore(file, key string) (int, usecase.Restored, api.Problem) {
	h.t.Helper()
	r := httptest.NewRequest("POST", "http://127.0.0.1/api/v1/kitchens/"+h.kitchen()+"/restore",
		strings.NewReader(file))
	r.Header.Set("Idempotency-Key", key)
	w := httptest.NewRecorder()
	h.handler.ServeHTTP(w, r)
	recorded("POST", "/api/v1/kitchens/:kitchen/restore", nil, w)
	var done usecase.Restored
	var p api.Problem
	if w.Code < 400 {
		json.Unmarshal(w.Body.Bytes(), &done)
	} else {
		json.Unmarshal(w.Body.Bytes(), &p)
	}
	return w.Code, done, p
}

// A kitchen is carried away, spoilt, and restored in its own place; the restoring is undone. A file that is not whole
// leaves everything as it was.
func TestAKitchenIsRestored(t *testing.T) {
	h := open(t)
	first := h.kitchen()
	status, file, w := h.file("GET", "/file", nil)
	if status != 200 || !strings.Contains(w.Header().Get("Content-Disposition"),
		"Heron Lock 2026-03-10.rise-pan.json") {
		t.Fatalf("%d %s", status, w.Header().Get("Content-Disposition"))
	}
	for _, r := range h.shelf().Recipes {
		h.must(200, "PUT", "~/recipes/"+r.ID+"/shelf", map[string]any{"away": true}, nil)
	}
	if status, _, p := h.restore(file[:len(file)/2], "half"); status != 422 || !strings.Contains(p.Detail,
		"nothing of it was kept") || h.kitchen() != first {
		t.Errorf("half a file: %d %q", status, p.Detail)
	}
	if status, _, p := h.restore(`{"@type":"Recipe"}`, "other"); status != 422 || !strings.Contains(p.Detail,
		"no kitchen's file") {
		t.Errorf("another file: %d %q", status, p.Detail)
	}
	was := h.kitchen()
	status, done, _ := h.restore(file, "whole")
	if status != 201 || done.Name != "Heron Lock" || done.Holds["recipes"] != 21 || h.kitchen() == was {
		t.Fatalf("%d %+v", status, done)
	}
	if n := len(h.shelf().Recipes); n != 21 {
		t.Errorf("%d recipes are restored", n)
	}
	var all usecase.Kitchens
	h.must(200, "GET", "/api/v1/kitchens", nil, &all)
	if len(all.Kitchens) != 1 || len(all.Away) != 1 || all.Away[0].ID != first {
		t.Errorf("the house has %+v", all)
	}
	h.must(422, "POST", "~/swap", map[string]any{"with": done.Kitchen}, nil)
	h.must(200, "POST", "~/swap", map[string]any{"with": first}, nil)
	if n := len(h.shelf().Recipes); h.kitchen() != first || n != 0 {
		t.Errorf("undone, the kitchen has %d recipes on its shelf", n)
	}
}
