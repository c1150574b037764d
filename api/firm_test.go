package api_test

import (
	"context"
	"fmt"
	"net/http/httptest"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/go-json-experiment/json"

	"risepan/demo"
	"risepan/store"
	"risepan/store/storetest"
	"risepan/usecase"
)

// tree is a value as JSON objects, to be spoiled.
func tree(t *testing.T, v any) map[string]any {
	t.Helper()
	b, err := json.Marshal(v)
	var out map[string]any
	if err == nil {
		err = json.Unmarshal(b, &out)
	}
	if err != nil {
		t.Fatal(err)
	}
	return out
}

// A kitchen that was stored without one of its words was never opened again, and took the shelf, the log
// and the next start with it.
func TestAKitchenWithoutOneOfItsWordsIsRefusedAndStillOpens(t *testing.T) {
	h := open(t)
	s := h.shelf()
	for _, word := range []string{"weights", "standard", "yeast", "eggs", "eggSize", "salt"} {
		for how, spoil := range map[string]func(map[string]any){
			"left out": func(k map[string]any) { delete(k, word) }, "empty": func(k map[string]any) { k[word] = "" },
			"null": func(k map[string]any) { k[word] = nil },
		} {
			k := tree(t, s.Kitchen)
			spoil(k)
			status, p := h.ask("PUT", "~", k, nil, match(s.Version)...)
			if status != 422 && status != 400 || p.Pointer != "/"+word || !strings.Contains(p.Detail, "say which") {
				t.Errorf("%s %s: %d at %q: %s", word, how, status, p.Pointer, p.Detail)
			}
		}
	}
	for _, part := range []float64{0, -1, 1e308} {
		k := tree(t, s.Kitchen)
		var l usecase.Larder
		h.must(200, "GET", "~/larder", nil, &l)
		for _, i := range l.Ingredients {
			if i.ID == "bread-flour" {
				flour := tree(t, i)
				flour["flourPart"] = part
				k["facts"] = []any{flour}
			}
		}
		if status, p := h.ask("PUT", "~", k, nil, match(s.Version)...); status != 422 || !strings.HasPrefix(p.Pointer,
			"/facts/0") {
			t.Errorf("flour that counts %g times as flour: %d at %q: %s", part, status, p.Pointer, p.Detail)
		}
	}
	for _, path := range []string{"~", "~/bakes", "~/larder"} {
		h.must(200, "GET", path, nil, nil)
	}
	if h.shelf().Version != s.Version {
		t.Error("a refused change moved the version")
	}
}

func TestWhatLacksAWordIsRefusedAtItsField(t *testing.T) {
	h := open(t)
	var all usecase.Profiles
	h.must(200, "GET", "~/machines/profiles", nil, &all)
	machine := func(spoil func(map[string]any)) map[string]any {
		m := tree(t, all.Profiles[0])
		spoil(m)
		return m
	}
	recipe := func(key string, v any) map[string]any {
		r := map[string]any{"name": "n", "kind": "white", "standard": "us", "text": "1 cup water\n3 cups bread flour"}
		r[key] = v
		return r
	}
	var b usecase.BenchView
	h.must(201, "POST", "~/benches", h.wish("Towpath white"), &b, "Idempotency-Key", "bench")
	at := "~/benches/" + b.ID + "/happenings"
	for n, c := range []struct {
		path    string
		body    any
		pointer string
	}{
		{"~/recipes", recipe("standard", ""), "/standard"}, {"~/recipes", recipe("standard", nil), "/standard"},
		{"~/recipes", recipe("name", "\u200b"), "/name"}, {"~/recipes", recipe("name", "soda\u0007"), "/name"},
		{"~/recipes", recipe("name", "so\u202eda"), "/name"},
		{"~/recipes", recipe("note", "a\u0000b"), "/note"},
		{"~/machines", machine(func(m map[string]any) { m["sizes"] = []any{nil} }), "/sizes/0"},
		{"~/machines", machine(func(m map[string]any) { m["crusts"] = []any{nil, "dark"} }), "/crusts/0"},
		{"~/machines", machine(func(m map[string]any) { m["delay"] = nil }), "/delay/rule"},
		{"~/machines", machine(
			func(m map[string]any) { m["cycles"].([]any)[0].(map[string]any)["id"] = strings.Repeat("c", 100_000) }),
			"/cycles/0/id"},
		{at, "null", "/do"}, {at, "{}", "/do"}, {at, map[string]any{"do": ""}, "/do"},
		{at, map[string]any{"do": "slip"}, "/way"},
	} {
		status, p := h.ask("POST", c.path, c.body, nil, "Idempotency-Key", fmt.Sprint("lack", n))
		if status != 422 && status != 400 || p.Pointer != c.pointer {
			t.Errorf("%s %.70v: %d at %q: %s", c.path, c.body, status, p.Pointer, p.Detail)
		}
	}
	h.must(200, "GET", "~/benches/"+b.ID, nil, nil)
}

// Refusals are in a baker's words, whatever the decoder would have said.
func TestNoRefusalShowsTheDecodersOwnWords(t *testing.T) {
	h := open(t)
	for n, body := range []string{
		"", "{", `{"recipe"`, `{"recipe":}`, `{"recipe":"a","recipe":"b"}`, "[]", "7", `{"loaf":[]}`,
		`{"loaf":{"slices":1.5}}`, `{"loaf":{"slices":1e400}}`,
		`{"loaf":{"swaps":{"line":1}}}`, `{"time":{"away":"yes"}}`, `{"loaf":{"instead":{"l1":7}}}`,
		"{\"recipe\":\"\xff\"}", `{"recipe":"a"} {}`, `{"hands":{"locks":[{"amount":{}}]}}`,
		`{"time":{"within":"soon"}}`, `{"unknown":1}`, strings.Repeat("[", 20_000),
	} {
		status, p := h.ask("POST", "~/plan", body, nil)
		if status < 400 || status > 422 || p.Detail == "" {
			t.Errorf("%.40q: %d %s", body, status, p.Detail)
		}
		for _, word := range []string{"json", "Go ", "unmarshal", "invalid character", "int", "measure.", "EOF",
			"offset", "%!"} {
			if strings.Contains(strings.ReplaceAll(p.Detail, "whole JSON", ""), word) {
				t.Errorf("%d, %.40q: the refusal says %q", n, body, p.Detail)
			}
		}
	}
}

func TestAnIdempotencyKeyIsPlain(t *testing.T) {
	h := open(t)
	for _, key := range []string{"schlüssel", "two words", "tab\t", strings.Repeat("k", 101), "\u200b"} {
		if status, p := h.ask("POST", "~/benches", h.wish("Towpath white"), nil, "Idempotency-Key",
			key); status != 400 || !strings.Contains(p.Detail, "Idempotency-Key") {
			t.Errorf("%q: %d %s", key, status, p.Detail)
		}
	}
}

func TestWhatCannotBeReadIsTheStoresFaultAndCostsItselfAlone(t *testing.T) {
	h := open(t)
	b := h.start("Towpath white", "one")
	w := h.wish("Boathook rye")
	storetest.Run(t, h.store, `UPDATE recipe_versions SET doc = '{"kind":"cake"}' WHERE owner_id = ?`, w["recipe"])
	storetest.Run(t, h.store, `UPDATE machine_versions SET doc = '[]' WHERE owner_id = ?`, h.shelf().Machines[1].ID)
	storetest.Run(t, h.store, `UPDATE bakes SET plan = '{"lines":7}' WHERE id = ?`, b.ID)
	for _, ask := range []struct {
		method, path string
		body         any
	}{{"GET", "~/recipes/" + w["recipe"].(string), nil}, {"POST", "~/plan", w}, {"GET", "~/bakes/" + b.ID, nil}} {
		if status, p := h.ask(ask.method, ask.path, ask.body, nil); status != 500 || !strings.Contains(p.Detail,
			"cannot be read") {
			t.Errorf("%s %s: %d %s", ask.method, ask.path, status, p.Detail)
		}
	}
	if log := h.log.String(); !strings.Contains(log, "stored recipe") || !strings.Contains(log, "stored plan") {
		t.Errorf("the log tells nothing of it:\n%s", log)
	}
	if s := h.shelf(); len(s.Machines) != 1 || len(s.Unreadable) != 1 || len(s.Recipes) != len(demo.Recipes()) {
		t.Errorf("the shelf has %d machines and %d recipes, and says %v", len(s.Machines), len(s.Recipes), s.Unreadable)
	}
	var l usecase.Log
	h.must(200, "GET", "~/bakes", nil, &l)
	if l.Bakes[0].ID != b.ID {
		t.Error("the log does not show the bake whose plan cannot be read")
	}
	h.must(200, "POST", "~/plan", h.wish("Towpath white"), nil)
}

// With the water measured, a line is written above it in the recipe elsewhere: the bench goes on with the
// recipe as it was, keeps the water measured, and says that there is a newer one.
func TestABenchKeepsWhatItWasMadeWith(t *testing.T) {
	h := open(t)
	w := h.wish("Towpath white")
	var before usecase.RecipeRead
	h.must(200, "GET", "~/recipes/"+w["recipe"].(string), nil, &before)
	var b usecase.BenchView
	h.must(201, "POST", "~/benches", w, &b, "Idempotency-Key", "bench")
	path := "~/benches/" + b.ID
	water := b.Plan.Lines[0].ID
	h.must(201, "POST", path+"/happenings", map[string]any{"do": "done", "step": "measure " + water}, nil,
		"Idempotency-Key", "water")
	text := before.Recipe
	text.Text = "2 tbsp honey\n" + text.Text
	var after usecase.RecipeRead
	h.must(201, "POST", "~/recipes/"+before.ID+"/revisions", text, &after, "Idempotency-Key", "rev", "If-Match", `"1"`)
	h.must(412, "POST", "~/recipes/"+before.ID+"/revisions", text, nil, "Idempotency-Key", "again", "If-Match", `"1"`)
	var now usecase.BenchView
	h.must(200, "GET", path, nil, &now)
	if now.Plan.Lines[0].Name != "water" || now.Plan.Lines[0].ID != water || len(now.Changed) != 1 ||
		now.Changed[0] != "recipe" || now.Digest != b.Digest {
		t.Errorf("the bench now begins with %s (%s), and says %v has changed", now.Plan.Lines[0].Name,
			now.Plan.Lines[0].ID, now.Changed)
	}
	var p usecase.PlanAnswer
	h.must(200, "POST", "~/plan", w, &p)
	if p.Plan.Lines[0].Name != "honey" || p.Plan.Lines[1].ID != water {
		t.Errorf("a new plan has %s, and its water is line %s, was %s", p.Plan.Lines[0].Name, p.Plan.Lines[1].ID, water)
	}
	h.must(201, "POST", "~/bakes", map[string]any{"wish": now.Wish, "digest": now.Digest, "bench": b.ID}, nil,
		"Idempotency-Key", "start")
}

// An answer that was lost is given again with the present time, and nothing is made twice.
func TestAnAnswerGivenAgainIsOfNow(t *testing.T) {
	h := open(t)
	first := h.start("Towpath white", "same")
	w := h.wish("Towpath white")
	put(w, "time/atPanel", true)
	h.later(5 * time.Minute)
	var again usecase.BakeView
	h.must(201, "POST", "~/bakes", map[string]any{"wish": w, "digest": planDigest(h, w)}, &again, "Idempotency-Key",
		"same")
	if again.ID != first.ID || !again.Now.After(first.Now) || !again.StartedAt.Equal(first.StartedAt) {
		t.Errorf("given again: %s at %v, first %s at %v", again.ID, again.Now, first.ID, first.Now)
	}
	for n, path := range []string{"~/recipes", "~/machines", "~/benches", "~/recipes/" + w["recipe"].(string) +
		"/swaps"} {
		var all usecase.Profiles
		h.must(200, "GET", "~/machines/profiles", nil, &all)
		body := []any{map[string]any{"name": "n", "kind": "white", "standard": "us",
			"text": "1 cup water\n3 cups bread flour"}, all.Profiles[0], h.wish("Towpath white"),
			map[string]any{"revision": 1, "swaps": []any{map[string]any{"line": "l2", "swap": "butter>oil"}}}}[n]
		var a, b map[string]any
		h.must(201, "POST", path, body, &a, "Idempotency-Key", path)
		h.must(201, "POST", path, body, &b, "Idempotency-Key", path)
		if a["id"] != b["id"] || a["id"] == nil || a["revision"] != b["revision"] {
			t.Errorf("%s sent twice made %v and %v", path, a["id"], b["id"])
		}
	}
}

func planDigest(h *house, w map[string]any) string {
	var p usecase.PlanAnswer
	h.must(200, "POST", "~/plan", w, &p)
	return p.Digest
}

func TestThingsArePutAwayAndBroughtBack(t *testing.T) {
	h := open(t)
	b := h.start("Boathook rye", "one")
	w := h.wish("Boathook rye")
	count := func() [3]int {
		s := h.shelf()
		var l usecase.Log
		h.must(200, "GET", "~/bakes", nil, &l)
		return [3]int{len(s.Recipes), len(s.Machines), len(l.Bakes)}
	}
	before := count()
	for n, path := range []string{"~/recipes/" + w["recipe"].(string), "~/machines/" + w["machine"].(string),
		"~/bakes/" + b.ID} {
		want := before
		want[n]--
		h.must(200, "PUT", path+"/shelf", map[string]any{"away": true}, nil)
		if got := count(); got != want {
			t.Errorf("with %s put away there are %v, want %v", path, got, want)
		}
		h.must(200, "GET", path, nil, nil)
		h.must(200, "PUT", path+"/shelf", map[string]any{"away": false}, nil)
		if got := count(); got != before {
			t.Errorf("with %s brought back there are %v, want %v", path, got, before)
		}
	}
	h.must(200, "PUT", "~/recipes/"+w["recipe"].(string)+"/shelf", map[string]any{"away": true}, nil)
	var away usecase.Recipes
	h.must(200, "GET", "~/recipes?away=true", nil, &away)
	if len(away.Recipes) != 1 || away.Recipes[0].Name != "Boathook rye" || !away.Recipes[0].PutAway {
		t.Errorf("put away: %+v", away.Recipes)
	}
	h.must(200, "GET", "~/bakes/"+b.ID, nil, nil) // the bake keeps its recipe
	h.must(404, "PUT", "~/recipes/"+store.NewID()+"/shelf", map[string]any{"away": true}, nil)
}

func TestTheShelfIsSearchedOnTheServer(t *testing.T) {
	h := open(t)
	for n := range 45 {
		h.must(201, "POST", "~/recipes", map[string]any{"name": fmt.Sprintf("Loaf 100%%_%02d", n), "kind": "white",
			"standard": "us", "text": "1 cup water\n3 cups bread flour\n2 tsp instant yeast"}, nil, "Idempotency-Key",
			fmt.Sprint(n))
	}
	s := h.shelf()
	if len(s.Recipes) != 40 || !s.More {
		t.Errorf("the shelf shows %d recipes (more: %v), want a window of 40", len(s.Recipes), s.More)
	}
	var rest, found usecase.Recipes
	h.must(200, "GET", "~/recipes?after="+s.Recipes[39].ID, nil, &rest)
	if len(rest.Recipes) != 45+len(demo.Recipes())-40 || rest.More {
		t.Errorf("after them come %d", len(rest.Recipes))
	}
	for name, want := range map[string]int{"100%25_4": 5, "TOWPATH": 1, "nothing": 0, "%25": 40, "_": 40} {
		h.must(200, "GET", "~/recipes?find="+name, nil, &found)
		if len(found.Recipes) != want {
			t.Errorf("%q finds %d, want %d", name, len(found.Recipes), want)
		}
	}
}

// A recipe is found by what is in it and by its kind, also one that was written before that was noted.
func TestRecipesAreFoundByIngredientAndKind(t *testing.T) {
	h := open(t)
	for query, want := range map[string][]string{
		"find=raisins": {"Mooring raisin loaf"}, "find=honey+oat": {"Oat and honey loaf"},
		"kind=crusty":                     {"Winding-hole crusty"},
		"find=bread+flour&kind=wholemeal": {"Lock-keeper's wholemeal"}, "find=banana&kind=white": {},
		"find=unobtainium": {},
	} {
		var found usecase.Recipes
		h.must(200, "GET", "~/recipes?"+query, nil, &found)
		var names []string
		for _, r := range found.Recipes {
			names = append(names, r.Name)
		}
		if !slices.Equal(names, want) && len(names)+len(want) > 0 {
			t.Errorf("%s finds %q, want %q", query, names, want)
		}
	}
	h.must(422, "GET", "~/recipes?kind=brick", nil, nil)
}

// What the screen is sent stays small: a plan without its offers, a press without the plan.
func TestAnswersStaySmall(t *testing.T) {
	h := open(t)
	size := func(method, path string, body any, header ...string) int {
		var raw rawText
		h.must(map[bool]int{true: 201, false: 200}[len(header) > 0], method, path, body, &raw, header...)
		return len(raw)
	}
	w := h.wish("Mooring raisin loaf")
	plan := size("POST", "~/plan", w)
	var b usecase.BenchView
	h.must(201, "POST", "~/benches", w, &b, "Idempotency-Key", "bench")
	tap := size("POST", "~/benches/"+b.ID+"/happenings", map[string]any{"do": "done", "step": "tools"},
		"Idempotency-Key", "tap")
	log := size("GET", "~/bakes", nil)
	t.Logf("a plan is %d bytes, a tap at the bench %d, a log of ten bakes %d", plan, tap, log)
	if plan > 15_000 || tap > 500 || log > 6_000 {
		t.Error("an answer has grown")
	}
}

// The pages' own address is answered; a path in the API that is none is not taken for a page.
func TestAnUnknownKitchenIsNotFound(t *testing.T) {
	h := open(t)
	for _, path := range []string{"/api/v1/kitchens/1", "/api/v1/kitchens/" + store.NewID(), "/api/v1/kitchens/" +
		store.NewID() + "/bakes"} {
		w := httptest.NewRecorder()
		h.handler.ServeHTTP(w, httptest.NewRequest("GET", "http://127.0.0.1"+path, nil))
		if w.Code != 404 {
			t.Errorf("%s: %d", path, w.Code)
		}
	}
}

// A request waits on the database no longer than its context lets it, and what it was at is not half done.
func TestADatabaseThatHangsHoldsNobody(t *testing.T) {
	h := open(t)
	before, path := len(h.shelf().Recipes), "/api/v1/kitchens/"+h.kitchen()+"/recipes"
	loaf := `{"name": "Held", "kind": "white", "size": "1 lb", "standard": "us", "text": "1 cup water\n3 cups bread flour\n2 tsp instant yeast"}`
	release := storetest.Hold(t, h.store, "recipes")
	for _, ask := range []struct{ method, path, body string }{{"POST", path, loaf},
		{"GET", path + "?find=asked+by+nobody+before", ""}} {
		ctx, cancel := context.WithTimeout(t.Context(), 200*time.Millisecond)
		r := httptest.NewRequestWithContext(ctx, ask.method, "http://127.0.0.1"+ask.path, strings.NewReader(ask.body))
		r.Header.Set("Idempotency-Key", "held")
		w := httptest.NewRecorder()
		h.handler.ServeHTTP(w, r)
		cancel()
		if w.Code != 503 || !strings.Contains(w.Body.String(), "nothing was stored") {
			t.Errorf("%s with the table held: %d %s", ask.method, w.Code, w.Body)
		}
	}
	release()
	var kept, again usecase.RecipeRead
	h.must(201, "POST", "~/recipes", loaf, &kept, "Idempotency-Key", "held")
	h.must(201, "POST", "~/recipes", loaf, &again, "Idempotency-Key", "held")
	if now := len(h.shelf().Recipes); now != before+1 || again.ID != kept.ID {
		t.Errorf("%d recipes became %d", before, now)
	}
}
