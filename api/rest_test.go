package api_test

import (
	"fmt"
	"testing"
	"time"

	"risepan/api"
	"risepan/core/machine"
	"risepan/demo"
	"risepan/usecase"
)

// A rehearsal by the API alone: begun, set by the plan's own presses, answered to its end, kept in the log, where it
// teaches and counts nothing.
func TestARehearsalIsKept(t *testing.T) {
	h := open(t)
	var v usecase.RehearsalView
	h.must(201, "POST", "~/rehearsals", map[string]any{"wish": h.wish("Towpath white")}, &v, "Idempotency-Key", "r")
	h.must(422, "POST", "~/rehearsals/"+v.ID+"/kept", map[string]any{}, nil, "Idempotency-Key", "early")
	n := 0
	do := func(what map[string]any) (r usecase.Rehearsed) {
		n++
		h.must(201, "POST", "~/rehearsals/"+v.ID+"/happenings", what, &r, "Idempotency-Key", fmt.Sprint("h", n))
		return r
	}
	do(map[string]any{"what": "paced", "pace": 600})
	for _, b := range v.Plan.Setting.Presses {
		for range b.Times {
			do(map[string]any{"what": "pressed", "button": b.Button})
		}
	}
	var at usecase.Rehearsed
	for range 200 {
		at = usecase.Rehearsed{}
		h.must(200, "GET", "~/rehearsals/"+v.ID+"?only=state", nil, &at)
		s := at.State
		switch {
		case s.Bake == nil:
			t.Fatalf("pressed as planned, and it does not run: %s", s.Shows)
		case s.Bake.Over():
		case s.Bake.Due != nil:
			do(map[string]any{"what": "told", "told": map[string]any{"what": "done", "moment": s.Bake.Due.Moment}})
			continue
		case s.Bake.Ball != nil && s.Bake.Ball.Advice != nil && s.Bake.Ball.Advice.Add != nil:
			do(map[string]any{"what": "told", "told": map[string]any{"what": "put in", "dose": s.Bake.Ball.Advice.Add}})
			continue
		case s.Inside != nil && s.Inside.Look != "" && s.Bake.Ball != nil && s.Bake.Ball.Look != nil &&
			!s.Bake.Ball.Look.After(s.Now):
			do(map[string]any{"what": "told", "told": map[string]any{"what": "saw", "seen": string(s.Inside.Look)}})
			continue
		case !s.Now.Before(s.Bake.Ready):
			do(map[string]any{"what": "told", "told": map[string]any{"what": "taken out"}})
			continue
		default:
			h.later(time.Second)
			continue
		}
		break
	}
	h.must(200, "GET", "~/rehearsals/"+v.ID, nil, &v)
	if v.State.Loaf == nil {
		t.Fatalf("it did not come to its end: %+v", at.State.Waits)
	}
	var kept usecase.BakeView
	h.must(201, "POST", "~/rehearsals/"+v.ID+"/kept", map[string]any{}, &kept, "Idempotency-Key", "keep")
	if !kept.Rehearsed || kept.State.Phase != "out" {
		t.Errorf("it is kept as %+v", kept.State.Phase)
	}
	var log usecase.Log
	h.must(200, "GET", "~/bakes", nil, &log)
	if !log.Bakes[0].Rehearsed {
		t.Errorf("the log's newest is %+v", log.Bakes[0])
	}
	var y usecase.Year
	h.must(200, "GET", "~/year", nil, &y)
	if y.Loaves != 8 {
		t.Errorf("the year counts %d loaves", y.Loaves)
	}
}

// Calls that answer questions and keep nothing.
func TestQuestionsAreAnswered(t *testing.T) {
	h := open(t)
	var health api.Health
	h.must(200, "GET", "/api/v1/health", nil, &health)
	var doubts usecase.Doubts
	odd := demo.Galley()
	odd.Cycles[0].Stages[1].Minutes = 400
	h.must(200, "POST", "~/machines/doubts", odd, &doubts)
	if len(doubts.Doubts) == 0 {
		t.Error("a rest of nearly seven hours is not doubted")
	}
	var est usecase.Estimated
	h.must(200, "POST", "~/machines/estimate", map[string]any{"character": machine.Basic, "total": 200}, &est)
	if len(est.Stages) < 3 {
		t.Errorf("a cycle of 200 minutes is taken for %+v", est.Stages)
	}
	h.must(200, "POST", "~/machines/estimate", map[string]any{"character": machine.Basic, "total": 0,
		"sizes": []string{"1 lb", "2 lb"}, "totals": []int{190, 210}}, &est)
	last := est.Stages[len(est.Stages)-1]
	if len(last.Vary) != 1 || last.Vary[0].Minutes != last.Minutes-20 {
		t.Errorf("a bake of two lengths is taken for %+v", last)
	}
	for at, body := range map[string]map[string]any{
		"/totals":   {"character": machine.Basic, "total": 0, "sizes": []string{"1 lb"}, "totals": []int{190, 210}},
		"/totals/0": {"character": machine.Basic, "total": 0, "sizes": []string{"1 lb"}, "totals": []int{2}},
	} {
		if status, p := h.ask("POST", "~/machines/estimate", body, nil); status != 400 && status != 422 || p.Pointer != at {
			t.Errorf("%v: %d at %s, want %s", body, status, p.Pointer, at)
		}
	}
	var booklet usecase.BookletRead
	h.must(200, "POST", "~/machines/booklet", map[string]any{"text": "1 Basic 3:20 3:25\nsee page 9",
		"sizes": []string{"1 lb", "2 lb"}}, &booklet)
	if len(booklet.Cycles) != 1 || booklet.Cycles[0].Name != "Basic" || len(booklet.Unread) != 1 {
		t.Errorf("a booklet of two rows is read as %+v", booklet)
	}
	var oven usecase.ByOven
	h.must(200, "POST", "~/plan/oven", h.wish("Towpath white"), &oven)
	var b usecase.BenchView
	h.must(201, "POST", "~/benches", h.wish("Towpath white"), &b, "Idempotency-Key", "b")
	var outs usecase.WaysOut
	h.must(200, "POST", "~/benches/"+b.ID+"/outs", map[string]any{"line": "l1", "amount": "1 1/4 cups"}, &outs)
	if len(outs.Ways) == 0 {
		t.Error("too much water has no way out")
	}
	id := h.recipeOf("Towpath white")
	var kept usecase.RecipeKept
	h.must(201, "POST", "~/recipes/"+id+"/taught", map[string]any{"line": "l1", "amount": "1 cup + 1 tbsp",
		"cause": "too dry", "signs": []string{"short and dense"}}, &kept, "Idempotency-Key", "t", "If-Match", `"1"`)
	if kept.Revision != 2 {
		t.Errorf("what was taught is revision %d", kept.Revision)
	}
	var shelf usecase.BagShelf
	h.must(200, "GET", "~/bags", nil, &shelf)
	h.must(200, "GET", "~/bags/"+shelf.Bags[0].ID, nil, nil)
}
