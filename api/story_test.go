package api_test

import (
	"fmt"
	"slices"
	"strings"
	"testing"
	"time"

	"risepan/usecase"
)

// recipeOf is the id of a recipe on the shelf.
func (h *house) recipeOf(name string) string {
	h.t.Helper()
	for _, r := range h.shelf().Recipes {
		if r.Name == name {
			return r.ID
		}
	}
	h.t.Fatalf("no %s on the shelf", name)
	return ""
}

// The demo's loaf that kept collapsing, until it was put right: its revisions with their reasons, its bakes with what
// changed between them, the difference of the first and the last, and a way back.
func TestTheStoryOfALoaf(t *testing.T) {
	h := open(t)
	id := h.recipeOf("Oat and honey loaf")
	var story usecase.Story
	h.must(200, "GET", "~/recipes/"+id+"/story", nil, &story)
	if story.Revision != 3 || len(story.Revisions) != 3 || len(story.Bakes) != 4 || story.Older {
		t.Fatalf("revision %d, %d revisions, %d bakes", story.Revision, len(story.Revisions), len(story.Bakes))
	}
	if r := story.Revisions[1]; r.Because != "too much yeast: sunken top, coarse, holey" || len(r.Changed) != 1 ||
		r.Changed[0].From != "2 1/2 tsp" || r.Changed[0].To != "1 3/4 tsp" {
		t.Errorf("the second revision: %+v", r)
	}
	if first := story.Revisions[2]; first.Because != "" || len(first.Changed) != 0 {
		t.Errorf("the first revision: %+v", first)
	}
	marks := []int{}
	for _, b := range story.Bakes {
		marks = append(marks, b.Mark)
	}
	if !slices.Equal(marks, []int{5, 3, 1, 2}) || len(story.Bakes[2].Changed) != 0 ||
		!slices.Equal(story.Bakes[1].Changed, []string{"active dry yeast from 2 1/2 tsp to 1 3/4 tsp"}) {
		t.Errorf("marks %v, and between the second and the third bake changed %q", marks, story.Bakes[1].Changed)
	}
	if *story.Bakes[3].Centre != -24 || story.Bakes[0].Helped != "yes" {
		t.Errorf("the first stood at %d, the last helped: %q", *story.Bakes[3].Centre, story.Bakes[0].Helped)
	}
	var d usecase.Difference
	h.must(200, "GET", "~/recipes/"+id+"/difference?from=1&to=3", nil, &d)
	if len(d.Changed) != 2 || len(d.Figures) != 5 || d.Figures[0].Of != "hydration" ||
		d.Figures[0].From <= d.Figures[0].To || d.Figures[2].From <= d.Figures[2].To {
		t.Errorf("the first and the third differ in %+v, %+v", d.Changed, d.Figures)
	}
	for _, bad := range []string{"from=0&to=3", "from=1", "from=one&to=2"} {
		h.must(422, "GET", "~/recipes/"+id+"/difference?"+bad, nil, nil)
	}
	h.must(404, "GET", "~/recipes/"+id+"/difference?from=1&to=9", nil, nil)

	h.must(422, "POST", "~/recipes/"+id+"/back", map[string]any{"revision": 3, "to": 3}, nil, "Idempotency-Key", "b0")
	h.must(412, "POST", "~/recipes/"+id+"/back", map[string]any{"revision": 2, "to": 1}, nil, "Idempotency-Key", "b1")
	var kept usecase.RecipeKept
	h.must(201, "POST", "~/recipes/"+id+"/back", map[string]any{"revision": 3, "to": 1}, &kept, "Idempotency-Key", "b2")
	story = usecase.Story{}
	h.must(200, "GET", "~/recipes/"+id+"/story", nil, &story)
	if kept.Revision != 4 || story.Revisions[0].Because != "back to version 1" ||
		len(story.Revisions[0].Changed) != 2 {
		t.Errorf("gone back: %+v", story.Revisions[0])
	}
	h.must(404, "GET", "~/recipes/"+strings.Repeat("0", 8)+"-0000-7000-8000-000000000000/story", nil, nil)
}

// Two doughs that needed the same are a lesson: seen with its evidence, declined, offered again, taken, undone.
func TestALessonOfTheLog(t *testing.T) {
	h := open(t)
	id := h.recipeOf("Towpath white")
	for n := range 2 {
		b := h.start("Towpath white", fmt.Sprint("s", n))
		tell := func(key string, what map[string]any) {
			h.must(201, "POST", "~/bakes/"+b.ID+"/happenings", what, nil, "Idempotency-Key", fmt.Sprint(key, n))
		}
		h.later(9 * time.Minute)
		tell("saw", map[string]any{"what": "saw", "seen": "torn"})
		tell("put", map[string]any{"what": "put in", "dose": map[string]any{"of": "water", "amount": "1 tbsp"}})
		h.later(4 * time.Hour)
		tell("out", map[string]any{"what": "taken out"})
		tell("judged", map[string]any{"what": "judged", "mark": 4})
	}
	var all usecase.Lessons
	h.must(200, "GET", "~/lessons", nil, &all)
	if len(all.Lessons) != 1 || all.Lessons[0].ID != "liquid "+id ||
		all.Lessons[0].Change.To.String() != "1 cup + 1 tbsp" || all.Lessons[0].Rests != 2 ||
		len(all.Lessons[0].Evidence) != 2 {
		t.Fatalf("the log teaches %+v", all.Lessons)
	}
	h.must(200, "PUT", "~/lessons", map[string]any{"id": "liquid " + id, "on": true}, &all)
	if len(all.Lessons) != 0 || len(all.Declined) != 1 {
		t.Errorf("declined, and still taught: %+v", all)
	}
	h.must(422, "POST", "~/lessons", map[string]any{"id": "liquid " + id}, nil, "Idempotency-Key", "t0")
	all = usecase.Lessons{}
	h.must(200, "PUT", "~/lessons", map[string]any{"id": "liquid " + id, "on": false}, &all)
	if len(all.Lessons) != 1 || len(all.Declined) != 0 {
		t.Errorf("offered again: %+v", all)
	}
	for range 2 { // an answer that was lost, and pressed again
		all = usecase.Lessons{}
		h.must(201, "POST", "~/lessons", map[string]any{"id": "liquid " + id}, &all, "Idempotency-Key", "t1")
	}
	var story usecase.Story
	h.must(200, "GET", "~/recipes/"+id+"/story", nil, &story)
	if len(all.Lessons) != 0 || story.Revision != 2 || story.Revisions[0].Changed[0].To != "1 cup + 1 tbsp" ||
		!strings.Contains(story.Revisions[0].Because, "needed more liquid") {
		t.Errorf("taken: %+v, and lessons %+v", story.Revisions[0], all.Lessons)
	}
	h.must(201, "POST", "~/recipes/"+id+"/undo", map[string]any{"id": id, "revision": 2}, nil, "Idempotency-Key", "t2")
	h.must(200, "GET", "~/lessons", nil, &all)
	if len(all.Lessons) != 1 {
		t.Errorf("undone, and not taught again: %+v", all.Lessons)
	}
}

func TestAMachineIsLearned(t *testing.T) {
	h := open(t)
	for n := range 3 {
		b := h.start("Towpath white", fmt.Sprint("s", n))
		h.later(4 * time.Hour)
		h.must(201, "POST", "~/bakes/"+b.ID+"/happenings", map[string]any{"what": "taken out"}, nil, "Idempotency-Key",
			fmt.Sprint("o", n))
		h.must(201, "POST", "~/bakes/"+b.ID+"/happenings", map[string]any{"what": "judged", "mark": 4,
			"crust": "dark"}, nil, "Idempotency-Key", fmt.Sprint("j", n))
	}
	var all usecase.Lessons
	h.must(200, "GET", "~/lessons", nil, &all)
	if len(all.Lessons) != 1 || all.Lessons[0].Browns == nil || *all.Lessons[0].Browns != 1 {
		t.Fatalf("the log teaches %+v", all.Lessons)
	}
	plan := func() (p usecase.PlanAnswer) { h.must(200, "POST", "~/plan", h.wish("Towpath white"), &p); return p }
	before := plan()
	h.must(201, "POST", "~/lessons", map[string]any{"id": all.Lessons[0].ID}, nil, "Idempotency-Key", "take")
	if after := plan(); before.Plan.Setting.Crust != "medium" || after.Plan.Setting.Crust != "light" ||
		!strings.Contains(after.Plan.Setting.CrustWhy, "come out dark") {
		t.Errorf("the crust was %s and is %s: %s", before.Plan.Setting.Crust, after.Plan.Setting.Crust,
			after.Plan.Setting.CrustWhy)
	}
}

func TestTheYear(t *testing.T) {
	h := open(t)
	var y usecase.Year
	h.must(200, "GET", "~/year", nil, &y)
	if y.Year != 2026 || y.Loaves != 8 || y.Judged != 8 || y.Flour < 2500 || y.Loved[0].Mark != 5 ||
		!slices.Equal(y.Years, []int{2026}) || len(y.Unpriced) == 0 {
		t.Errorf("the year: %+v", y)
	}
	h.must(200, "GET", "~/year?year=2025", nil, &y)
	h.must(422, "GET", "~/year?year=next", nil, nil)
}
