package api_test

import (
	"fmt"
	"testing"
	"time"

	"risepan/usecase"
)

func TestALoafIsMeasuredAtTheBenchAndStarted(t *testing.T) {
	h := open(t)
	w := h.wish("Towpath white")
	var b usecase.BenchView
	h.must(201, "POST", "~/benches", w, &b, "Idempotency-Key", "bench")
	path := "~/benches/" + b.ID
	if s := h.shelf().Bench; s == nil || s.ID != b.ID || s.Recipe != "Towpath white" {
		t.Fatalf("the shelf offers the bench %+v", s)
	}
	n := 0
	tell := func(what map[string]any) usecase.BenchTold {
		n++
		var v usecase.BenchTold
		h.must(201, "POST", path+"/happenings", what, &v, "Idempotency-Key", fmt.Sprint("tell", n))
		return v
	}
	h.must(304, "GET", path+"?after=0", nil, nil)
	tell(map[string]any{"do": "done", "step": "tools"})
	h.must(200, "GET", path+"?after=0", nil, &b) // the other device
	if len(b.Session.Done) != 1 || b.Session.Last != 1 {
		t.Errorf("the other device sees %+v", b.Session)
	}
	tell(map[string]any{"do": "done", "step": "measure l2"})
	for n, c := range []struct {
		body    map[string]any
		pointer string
	}{
		{map[string]any{"do": "slip", "line": "l1", "amount": "lots", "way": "fit"}, "/amount"},
		{map[string]any{"do": "slip", "line": "l1", "amount": "90 cups", "way": "fit"}, "/amount"},
		{map[string]any{"do": "slip", "line": "l1", "amount": "9 cups", "way": "grow"}, "/amount"},
		{map[string]any{"do": "slip", "line": "l1", "amount": "1 cup", "way": "pray"}, "/way"},
		{map[string]any{"do": "slip", "line": "gone", "amount": "1 cup", "way": "fit"}, "/line"},
		{map[string]any{"do": "done", "step": "dance"}, "/step"},
		{map[string]any{"do": "mended"}, "/do"},
	} {
		if status, p := h.ask("POST", path+"/happenings", c.body, nil, "Idempotency-Key",
			fmt.Sprint("bad", n)); status < 400 || status > 422 || p.Pointer != c.pointer {
			t.Errorf("%v: %d at %q (%s), want a fault at %s", c.body, status, p.Pointer, p.Detail, c.pointer)
		}
	}
	told := tell(map[string]any{"do": "slip", "line": "l1", "amount": "1 1/4 cups", "way": "grow"})
	if told.Bench == nil {
		t.Fatal("a slip changes what is measured, and the answer does not say how")
	}
	v := told.Bench
	if v.Wish.Have == nil || v.Plan.Lines[5].Exact <= b.Plan.Lines[5].Exact || v.Session.Slips != 1 {
		t.Errorf("the loaf did not grow: %+v", v.Wish.Have)
	}
	v = tell(map[string]any{"do": "mended"}).Bench
	if v.Wish.Have != nil || v.Plan.Lines[5].Exact != b.Plan.Lines[5].Exact {
		t.Error("taken back, the loaf is still grown")
	}
	var bake usecase.BakeView
	h.must(201, "POST", "~/bakes", map[string]any{"wish": v.Wish, "digest": v.Digest, "bench": v.ID}, &bake,
		"Idempotency-Key", "start")
	if h.shelf().Bench != nil {
		t.Error("a bench whose loaf was started is still offered")
	}
	if status, p := h.ask("POST", path+"/happenings", map[string]any{"do": "done", "step": "wipe"}, nil,
		"Idempotency-Key", "after"); status != 422 || p.Pointer != "/do" {
		t.Errorf("a cleared bench takes a step: %d %s", status, p.Detail)
	}
}

func TestABenchWhoseReadyTimeHasPassedGoesOnForNow(t *testing.T) {
	h := open(t)
	w := h.wish("Towpath white")
	put(w, "time/ready", "2026-03-11T07:00")
	var b usecase.BenchView
	h.must(201, "POST", "~/benches", w, &b, "Idempotency-Key", "bench")
	if b.Plan.Timer.Setting == 0 || b.Passed {
		t.Fatalf("timer %v", b.Plan.Timer.Setting)
	}
	h.later(12 * time.Hour)
	var later usecase.BenchView
	h.must(200, "GET", "~/benches/"+b.ID, nil, &later)
	if later.Plan.Timer.Setting != 0 || !later.Passed || !later.Wish.Ready.IsZero() {
		t.Errorf("at eight in the morning the timer is to show %v (passed: %v, wished %s)", later.Plan.Timer.Setting,
			later.Passed, later.Wish.Ready)
	}
	var none usecase.BenchView
	egg := h.wish("Sluice-gate egg loaf")
	put(egg, "time/ready", "2026-03-12T07:00")
	if status, _ := h.ask("POST", "~/benches", egg, &none, "Idempotency-Key", "egg"); status != 422 {
		t.Errorf("a refused delay comes to the bench: %d", status)
	}
}
