package api_test

import (
	"bytes"
	"context"
	"fmt"
	"io"
	"log/slog"
	"net/http"
	"net/http/httptest"
	"os"
	"strings"
	"sync"
	"testing"
	"testing/fstest"
	"time"

	"github.com/go-json-experiment/json"

	"risepan/api"
	"risepan/demo"
	"risepan/store"
	"risepan/store/storetest"
	"risepan/usecase"
)

func TestMain(m *testing.M) {
	code := storetest.Tests(m)
	writeExamples()
	os.Exit(code)
}

// house is a served demo kitchen whose clock the test sets.
type house struct {
	t       testing.TB
	handler http.Handler
	store   *store.Store
	log     *strings.Builder
	mu      sync.Mutex
	now     time.Time
}

func open(t testing.TB) *house { return openTo(t, usecase.House{}) }

// openTo serves the demo kitchen to this computer, or to a house in which it is called by some names.
func openTo(t testing.TB, to usecase.House, called ...string) *house {
	t.Helper()
	h := &house{t: t, store: storetest.Open(t), log: &strings.Builder{}, now: time.Date(2026, 3, 10, 20, 0, 30, 0,
		time.UTC)}
	if err := demo.Fill(context.Background(), h.store, h.now); err != nil {
		t.Fatal(err)
	}
	h.serve(to, called...)
	return h
}

// serve has the house answer by a new server, which has read nothing yet.
func (h *house) serve(to usecase.House, called ...string) {
	pages := fstest.MapFS{"index.html": {Data: []byte("<title>Rise Pan</title>")}, "assets/a.js": {Data: []byte("1")}}
	base := usecase.Base{Store: h.store, Log: slog.New(slog.NewTextHandler(h.log, nil)), House: to,
		FillDemo: demo.Furnish, Samples: demo.Samples(), MoorDemo: demo.Moor}
	h.handler = api.New(api.Config{Base: base, Pages: pages, Net: api.Net{Hosts: called},
		Now: func() time.Time { h.mu.Lock(); defer h.mu.Unlock(); return h.now }})
}

// kitchen is the id of the kitchen that was made first; in a path, ~ stands for it.
func (h *house) kitchen() string {
	h.t.Helper()
	all, err := h.store.Kitchens(context.Background())
	if err != nil {
		h.t.Fatal(err)
	}
	return all[0].ID
}

// put sets a value in a wish, at a path such as time/ready.
func put(w map[string]any, path string, v any) {
	for {
		key, rest, deeper := strings.Cut(path, "/")
		if !deeper {
			w[key] = v
			return
		}
		if w[key] == nil {
			w[key] = map[string]any{}
		}
		w, path = w[key].(map[string]any), rest
	}
}

func (h *house) later(d time.Duration) { h.mu.Lock(); h.now = h.now.Add(d); h.mu.Unlock() }

// ask sends a request and decodes a good answer into v; it returns the status and the problem.
func (h *house) ask(method, path string, body, v any, header ...string) (int, api.Problem) {
	h.t.Helper()
	return (&device{house: h}).ask(method, path, body, v, header...)
}

// device is a browser somewhere in the house.
type device struct {
	*house
	cookie  string
	from    string // its address; empty: this computer
	kitchen string // for which ~ stands; empty: the first
}

func (d *device) ask(method, path string, body, v any, header ...string) (int, api.Problem) {
	d.t.Helper()
	var reader io.Reader
	switch b := body.(type) {
	case nil:
	case string:
		reader = strings.NewReader(b)
	default:
		text, err := json.Marshal(b, json.Deterministic(true))
		if err != nil {
			d.t.Fatal(err)
		}
		reader = bytes.NewReader(text)
	}
	if strings.HasPrefix(path, "~") {
		in := d.kitchen
		if in == "" {
			in = d.house.kitchen()
		}
		path = "/api/v1/kitchens/" + in + path[1:]
	}
	r := httptest.NewRequest(method, "http://127.0.0.1"+path, reader)
	for n := 0; n < len(header); n += 2 {
		if header[n] == "Host" {
			r.Host = header[n+1]
		}
		r.Header.Set(header[n], header[n+1])
	}
	if d.cookie != "" {
		r.Header.Set("Cookie", d.cookie)
	}
	if d.from != "" {
		r.RemoteAddr = d.from + ":4711"
	}
	w := httptest.NewRecorder()
	d.handler.ServeHTTP(w, r)
	recorded(method, path, body, w)
	for _, c := range w.Result().Cookies() {
		if d.cookie = c.Name + "=" + c.Value; c.MaxAge < 0 {
			d.cookie = ""
		}
	}
	var p api.Problem
	if w.Code >= 400 {
		if got := w.Header().Get("Content-Type"); strings.HasPrefix(path, "/api/") && w.Code != http.StatusForbidden &&
			got != "application/problem+json" {
			d.t.Errorf("%s %s: %d comes as %s", method, path, w.Code, got)
		}
		json.Unmarshal(w.Body.Bytes(), &p)
	} else if text, ok := v.(*string); ok {
		*text = w.Body.String()
	} else if v != nil && w.Body.Len() > 0 {
		if err := json.Unmarshal(w.Body.Bytes(), v); err != nil {
			d.t.Fatalf("%s %s: %v in %s", method, path, err, w.Body)
		}
	}
	return w.Code, p
}

func (d *device) must(status int, method, path string, body, v any, header ...string) {
	d.t.Helper()
	if got, p := d.ask(method, path, body, v, header...); got != status {
		d.t.Fatalf("%s %s: %d, want %d: %s %s", method, path, got, status, p.Pointer, p.Detail)
	}
}

func (h *house) must(status int, method, path string, body, v any, header ...string) {
	h.t.Helper()
	if got, p := h.ask(method, path, body, v, header...); got != status {
		h.t.Fatalf("%s %s: %d, want %d: %s %s", method, path, got, status, p.Pointer, p.Detail)
	}
}

func (h *house) shelf() usecase.Shelf {
	h.t.Helper()
	var s usecase.Shelf
	h.must(200, "GET", "~", nil, &s)
	return s
}

// wish is a 1 1/2 lb loaf of a demo recipe on the galley machine.
func (h *house) wish(recipe string) map[string]any {
	h.t.Helper()
	s := h.shelf()
	for _, r := range s.Recipes {
		if r.Name == recipe {
			return map[string]any{"recipe": r.ID, "machine": s.Machines[0].ID,
				"loaf": map[string]any{"size": "1 1/2 lb"}}
		}
	}
	h.t.Fatalf("no %s on the shelf", recipe)
	return nil
}

func (h *house) start(recipe, key string) usecase.BakeView {
	h.t.Helper()
	w := h.wish(recipe)
	put(w, "time/atPanel", true)
	var p usecase.PlanAnswer
	h.must(200, "POST", "~/plan", w, &p)
	var b usecase.BakeView
	h.must(201, "POST", "~/bakes", map[string]any{"wish": w, "digest": p.Digest}, &b, "Idempotency-Key", key)
	return b
}

func TestALoafFromPlanToLog(t *testing.T) {
	h := open(t)
	b := h.start("Mooring raisin loaf", "one")
	if b.State.Phase != "running" || b.Plan.Recipe != "Mooring raisin loaf" {
		t.Fatalf("started: %+v", b.State)
	}
	path := "~/bakes/" + b.ID
	h.must(304, "GET", path+"?after=0", nil, nil)
	h.must(201, "POST", path+"/happenings", map[string]any{"what": "done", "moment": "look"}, nil, "Idempotency-Key",
		"two")
	h.must(200, "GET", path+"?after=0", nil, &b)
	if b.State.Last != 1 {
		t.Errorf("one happening was told, the last is %d", b.State.Last)
	}
	if status, p := h.ask("POST", path+"/happenings", map[string]any{"what": "judged", "mark": 4}, nil,
		"Idempotency-Key", "early"); status != 422 || p.Pointer != "/what" {
		t.Errorf("a loaf in the machine was judged: %d %+v", status, p)
	}
	h.later(4 * time.Hour)
	h.must(201, "POST", path+"/happenings", map[string]any{"what": "taken out"}, nil, "Idempotency-Key", "three")
	h.must(201, "POST", path+"/happenings", map[string]any{"what": "judged", "mark": 4, "note": "Raisins whole."}, nil,
		"Idempotency-Key", "four")
	var log usecase.Log
	h.must(200, "GET", "~/bakes", nil, &log)
	if top := log.Bakes[0]; top.ID != b.ID || top.Mark != 4 || top.Note != "Raisins whole." ||
		top.Machine != "Galley machine" {
		t.Errorf("the log's newest is %+v", top)
	}
}

func TestAPressSentTwiceStartsOneBake(t *testing.T) {
	h := open(t)
	first := h.start("Towpath white", "same")
	second := h.start("Towpath white", "same")
	if first.ID != second.ID {
		t.Errorf("one press started %s and %s", first.ID, second.ID)
	}
	if status, p := h.ask("POST", "~/bakes", map[string]any{"wish": h.wish("Boathook rye"), "digest": "x"}, nil,
		"Idempotency-Key", "same"); status != 422 {
		t.Errorf("the key with another body: %d %s", status, p.Detail)
	}
	if status, _ := h.ask("POST", "~/bakes", "{}", nil); status != 400 {
		t.Errorf("a start without a key: %d", status)
	}
}

// Between the look at the plan and the press the timer's setting moved on by a step.
func TestAPlanThatHasChangedIsShownAnew(t *testing.T) {
	h := open(t)
	w := h.wish("Towpath white")
	put(w, "time/ready", "2026-03-11T07:00")
	put(w, "time/atPanel", true)
	var seen usecase.PlanAnswer
	h.must(200, "POST", "~/plan", w, &seen)
	h.later(25 * time.Minute)
	status, p := h.ask("POST", "~/bakes", map[string]any{"wish": w, "digest": seen.Digest}, nil, "Idempotency-Key",
		"late")
	if status != 409 || p.Plan == nil || p.Plan.Plan.Timer.Setting >= seen.Plan.Timer.Setting {
		t.Fatalf("25 minutes later: %d %+v", status, p)
	}
	var b usecase.BakeView
	h.must(201, "POST", "~/bakes", map[string]any{"wish": w, "digest": p.Plan.Digest}, &b, "Idempotency-Key", "later")
	if b.State.Phase != "waiting" {
		t.Errorf("the delay should run, but: %s", b.State.Phase)
	}
}

func TestARefusedDelayCannotBeStarted(t *testing.T) {
	h := open(t)
	w := h.wish("Sluice-gate egg loaf")
	put(w, "time/ready", "2026-03-11T07:00")
	put(w, "time/atPanel", true)
	var p usecase.PlanAnswer
	h.must(200, "POST", "~/plan", w, &p)
	status, problem := h.ask("POST", "~/bakes", map[string]any{"wish": w, "digest": p.Digest}, nil, "Idempotency-Key",
		"egg")
	if status != 422 || !strings.Contains(problem.Detail, "spoil") {
		t.Errorf("milk and egg in a delay: %d %s", status, problem.Detail)
	}
}

func TestNonsenseIsRefusedAtTheFieldAndNothingIsStored(t *testing.T) {
	h := open(t)
	running := h.start("Towpath white", "k")
	count := func() int {
		var l usecase.Log
		h.must(200, "GET", "~/bakes", nil, &l)
		n := len(l.Bakes)
		for _, b := range l.Bakes {
			last, err := h.store.Newest(context.Background(), h.kitchen(), b.ID)
			if err != nil {
				t.Fatal(err)
			}
			n += last
		}
		return n
	}
	before := count()
	wish := h.wish("Towpath white")
	with := func(field string, v any) map[string]any {
		w := h.wish("Towpath white")
		put(w, field, v)
		return w
	}
	happen := "~/bakes/" + running.ID + "/happenings"
	huge := strings.Repeat("x", 2<<20)
	for n, c := range []struct {
		method, path string
		body         any
		status       int
		pointer      string
	}{
		{"POST", "~/plan", with("loaf/size", 3), 400, "/loaf/size"},
		{"POST", "~/plan", with("loaf/size", "9 lb"), 400, "/loaf/size"},
		{"POST", "~/plan", with("loaf/size", "2 1/2 lb"), 422, "/loaf/size"},
		{"POST", "~/plan", with("recipe", "bread"), 422, "/recipe"},
		{"POST", "~/plan", with("recipe", store.NewID()), 422, "/recipe"},
		{"POST", "~/plan", with("machine", store.NewID()), 422, "/machine"},
		{"POST", "~/plan", with("time/ready", "2020-01-01T07:00"), 422, "/time/ready"},
		{"POST", "~/plan", with("time/ready", "soon"), 400, "/time/ready"},
		{"POST", "~/plan", with("time/crust", "burnt"), 400, "/time/crust"},
		{"POST", "~/plan", with("time/cycle", "ices"), 422, "/time/cycle"},
		{"POST", "~/plan", with("time/cycle", []string{"a"}), 400, "/time/cycle"},
		{"POST", "~/plan", with("colour", "red"), 400, "/colour"},
		{"POST", "~/plan", with("recipe", huge), 413, ""},
		{"POST", "~/plan", "{", 400, ""}, {"POST", "~/plan", "", 400, ""}, {"POST", "~/plan", "null", 422, "/recipe"},
		{"POST", "~/bakes", map[string]any{"wish": with("loaf/size", "2 1/2 lb"), "digest": "x"}, 422,
			"/wish/loaf/size"},
		{"POST", "~/bakes", map[string]any{"wish": wish, "digest": 7}, 400, "/digest"},
		{"POST", "~/bakes", map[string]any{"wish": wish, "digest": "x"}, 409, "/digest"},
		{"POST", "~/bakes", huge, 413, ""},
		{"POST", happen, map[string]any{"what": "eaten"}, 400, "/what"},
		{"POST", happen, map[string]any{"what": "done", "moment": "add-ins"}, 422, "/moment"},
		{"POST", happen, map[string]any{"what": "undone", "of": -1}, 422, "/of"},
		{"POST", happen, map[string]any{"what": "done", "moment": "look", "mark": "five"}, 400, "/mark"},
		{"POST", "~/bakes/" + store.NewID() + "/happenings", map[string]any{"what": "taken out"}, 404, ""},
		{"GET", "~/bakes/" + running.ID + "?after=x", nil, 400, "/after"},
		{"GET", "~/bakes/1", nil, 404, ""}, {"GET", "~/loaves", nil, 404, ""}, {"DELETE", "~/bakes", nil, 405, ""},
		{"POST", "~/demo", "{}", 409, ""}, {"GET", "/assets/none.js", nil, 404, ""},
	} {
		status, p := h.ask(c.method, c.path, c.body, nil, "Idempotency-Key", fmt.Sprint("nonsense", n))
		if status != c.status || p.Pointer != c.pointer || p.Detail == "" {
			t.Errorf("%s %s %.60v: %d at %q (%s), want %d at %q", c.method, c.path, c.body, status, p.Pointer,
				p.Detail, c.status, c.pointer)
		}
	}
	if after := count(); after != before {
		t.Errorf("nonsense stored something: %d things before, %d after", before, after)
	}
	if strings.Contains(h.log.String(), "panic") {
		t.Errorf("the log has a panic:\n%s", h.log)
	}
}

func TestOnlyItsOwnHostAndSiteAreAnswered(t *testing.T) {
	h := open(t)
	if status, _ := h.ask("GET", "~", nil, nil, "Host", "bread.example"); status != 421 {
		t.Errorf("a foreign host is answered with %d", status)
	}
	if status, _ := h.ask("GET", "/", nil, nil, "Host", "bread.example:8080"); status != 421 {
		t.Errorf("a foreign host gets the page: %d", status)
	}
	for _, host := range []string{"localhost:8080", "127.0.0.1:8080", "[::1]:8080", "localhost"} {
		if status, _ := h.ask("GET", "~", nil, nil, "Host", host); status != 200 {
			t.Errorf("%s is answered with %d", host, status)
		}
	}
	w := h.wish("Towpath white")
	if status, _ := h.ask("POST", "~/plan", w, nil, "Sec-Fetch-Site", "cross-site"); status != 403 {
		t.Errorf("a cross-site request is answered with %d", status)
	}
	if status, _ := h.ask("POST", "~/plan", w, nil, "Origin", "http://bread.example"); status != 403 {
		t.Errorf("a request from another origin is answered with %d", status)
	}
}

func TestPagesComeWithAStrictPolicy(t *testing.T) {
	h := open(t)
	for path, cache := range map[string]string{"/": "no-cache", "/log": "no-cache", "/assets/a.js": "immutable"} {
		r := httptest.NewRequest("GET", "http://127.0.0.1"+path, nil)
		w := httptest.NewRecorder()
		h.handler.ServeHTTP(w, r)
		policy := w.Header().Get("Content-Security-Policy")
		if w.Code != 200 || !strings.Contains(policy, "default-src 'none'") || strings.Contains(policy, "unsafe") {
			t.Errorf("%s: %d with the policy %q", path, w.Code, policy)
		}
		if got := w.Header().Get("Cache-Control"); !strings.Contains(got, cache) {
			t.Errorf("%s: Cache-Control is %q, want %s", path, got, cache)
		}
	}
}

func TestAnEmptyKitchenCanTakeTheDemo(t *testing.T) {
	h := &house{t: t, store: storetest.Open(t), log: &strings.Builder{}, now: time.Date(2026, 3, 10, 20, 0, 0, 0,
		time.UTC)}
	h.handler = api.New(api.Config{Base: usecase.Base{Store: h.store, Log: slog.New(slog.DiscardHandler),
		FillDemo: demo.Furnish, Samples: demo.Samples()},
		Pages: fstest.MapFS{}, Now: func() time.Time { return h.now }})
	if err := demo.Empty(context.Background(), h.store, "UTC", h.now); err != nil {
		t.Fatal(err)
	}
	if s := h.shelf(); len(s.Machines)+len(s.Recipes) != 0 {
		t.Fatalf("an empty kitchen has %+v", s)
	}
	var l usecase.Loaded
	h.must(201, "POST", "~/demo", "{}", &l, "Idempotency-Key", "demo")
	if l.Machines != 2 || l.Recipes != len(demo.Recipes()) {
		t.Errorf("loaded %+v", l)
	}
}

func TestTheKitchensSettingsChangeAndComeBack(t *testing.T) {
	h := open(t)
	s := h.shelf()
	k := s.Kitchen
	k.Measures = k.Measures[:3]
	match := func(v int) []string { return []string{"If-Match", fmt.Sprintf("%q", fmt.Sprint(v))} }
	var now usecase.KitchenSettings
	h.must(200, "PUT", "~", k, &now, match(s.Version)...)
	if now.Version != s.Version+1 || len(h.shelf().Kitchen.Measures) != 3 {
		t.Fatalf("changed to %+v", now)
	}
	h.must(412, "PUT", "~", k, nil, match(s.Version)...)
	h.must(428, "PUT", "~", k, nil)
	h.must(200, "POST", "~/undo", nil, &now, match(now.Version)...)
	if got := h.shelf(); len(got.Kitchen.Measures) != len(s.Kitchen.Measures) || got.Version != s.Version+2 {
		t.Errorf("undone, the kitchen has %d measures at version %d", len(got.Kitchen.Measures), got.Version)
	}
	for pointer, spoil := range map[string]func(map[string]any){
		"/zone":              func(k map[string]any) { k["zone"] = "Moon/Crater" },
		"/measures/0/amount": func(k map[string]any) { k["measures"] = []any{map[string]any{"amount": "0 ml"}} },
		"/measures/1": func(k map[string]any) {
			k["measures"] = []any{map[string]any{"amount": "1 cup"}, map[string]any{"amount": "1 cup"}}
		},
		"/prefer/0/measure": func(k map[string]any) {
			k["prefer"] = []any{map[string]any{"ingredient": "bread-flour",
				"measure": map[string]any{"amount": "9 ml"}}}
		},
		"/name": func(k map[string]any) { k["name"] = "" },
		"/lead": func(k map[string]any) { k["lead"] = -3 },
	} {
		b, _ := json.Marshal(s.Kitchen)
		var bad map[string]any
		json.Unmarshal(b, &bad)
		spoil(bad)
		if status, p := h.ask("PUT", "~", bad, nil, match(s.Version+2)...); status != 422 || p.Pointer != pointer {
			t.Errorf("want a fault at %s, got %d at %q: %s", pointer, status, p.Pointer, p.Detail)
		}
	}
	if got := h.shelf().Version; got != s.Version+2 {
		t.Errorf("a refused change moved the version to %d", got)
	}
}

func TestNonsenseForTheRoundingIsRefusedAtTheField(t *testing.T) {
	h := open(t)
	for n, c := range []struct {
		field   string
		value   any
		pointer string
	}{
		{"hands/locks", []any{map[string]any{"line": "l9", "amount": "1 cup"}}, "/hands/locks/0/line"},
		{"hands/locks", []any{map[string]any{"line": "l1", "amount": "-1 cup"}}, "/hands/locks/0/amount"},
		{"hands/locks", []any{map[string]any{"line": "l1", "amount": "lots"}}, "/hands/locks/0/amount"},
		{"hands/locks", []any{map[string]any{"line": "l1", "amount": "40 cups"}}, "/hands/locks/0/amount"},
		{"hands/locks", []any{map[string]any{"line": "l1", "amount": "3"}}, "/hands/locks/0/amount"},
		{"loaf/have", map[string]any{"line": "l6", "amount": "90 cups"}, "/loaf/have/amount"},
		{"loaf/have", map[string]any{"line": "none", "amount": "1 cup"}, "/loaf/have/line"},
		{"hands/closer", "two", "/hands/closer"},
	} {
		w := h.wish("Towpath white")
		put(w, c.field, c.value)
		if status, p := h.ask("POST", "~/plan", w, nil); status < 400 || status > 422 || p.Pointer != c.pointer {
			t.Errorf("%d %v: %d at %q (%s), want a fault at %s", n, c.value, status, p.Pointer, p.Detail, c.pointer)
		}
	}
	w := h.wish("Towpath white")
	put(w, "hands/notToHand", []string{"1 cup", "1/2 cup", "1/3 cup", "1/4 cup", "1 tbsp", "1 tsp", "1/2 tsp",
		"1/4 tsp", "1/8 tsp"})
	var p usecase.PlanAnswer
	h.must(200, "POST", "~/plan", w, &p)
	if len(p.Plan.Cautions) == 0 {
		t.Error("a kitchen without a single measure gets no word")
	}
}

func TestARecipeOfTheBakersOwn(t *testing.T) {
	h := open(t)
	mine := map[string]any{"name": "Bridge loaf", "kind": "white", "standard": "us",
		"text": "1 cup water\n2 tbsp butter or oil\n1 1/2 tsp salt\n2 3/4 cups bread flour\n1/4 cup teff flour\n2 " +
			"tsp active dry yeast\nAdd-ins:\n1/2 cup raisins (optional)"}
	var seen, kept usecase.RecipeRead
	h.must(200, "POST", "~/recipes/read", mine, &seen)
	if !seen.Inferred || seen.Recipe.Size.String() != "1 1/2 lb" || len(seen.Lines) != 7 ||
		seen.Lines[4].Name != "teff flour" || seen.Asks != 0 {
		t.Errorf("understood as %+v", seen)
	}
	before := len(h.shelf().Recipes)
	h.must(201, "POST", "~/recipes", mine, &kept, "Idempotency-Key", "r")
	if after := len(h.shelf().Recipes); after != before+1 || kept.Revision != 1 {
		t.Fatalf("%d recipes became %d, %+v", before, after, kept)
	}
	mine["name"], mine["size"] = "Bridge loaf, bigger", "2 lb"
	h.must(201, "POST", "~/recipes/"+kept.ID+"/revisions", mine, &kept, "Idempotency-Key", "r2", "If-Match", `"1"`)
	if kept.Revision != 2 || kept.Question == nil || kept.Question.String() != "1 1/2 lb" {
		t.Errorf("called 2 lb with flour for 1 1/2: %+v", kept)
	}
	w := h.wish("Bridge loaf, bigger")
	put(w, "loaf/without", []string{"l7"})
	put(w, "loaf/instead", map[string]string{"l2": "oil"})
	var p usecase.PlanAnswer
	h.must(200, "POST", "~/plan", w, &p)
	if len(p.Plan.Lines) != 6 || p.Plan.Lines[1].Ingredient != "oil" || len(p.Plan.LeftOut) != 1 {
		t.Errorf("without raisins, with oil: %+v", p.Plan.Lines)
	}
	for pointer, change := range map[string][2]any{
		"/text": {"text", "2 bags of flour"}, "/name": {"name", ""}, "/kind": {"kind", "cake"},
		"/size": {"size", "huge"},
	} {
		bad := map[string]any{}
		for k, v := range mine {
			bad[k] = v
		}
		bad[change[0].(string)] = change[1]
		if status, p := h.ask("POST", "~/recipes", bad, nil, "Idempotency-Key", pointer); (status != 422 &&
			status != 400) || p.Pointer != pointer {
			t.Errorf("%v: %d at %q: %s", change, status, p.Pointer, p.Detail)
		}
	}
	if status, p := h.ask("POST", "~/plan", func() map[string]any {
		put(w, "loaf/without",
			[]string{"l4"})
		return w
	}(), nil); status != 422 || p.Pointer != "/loaf/without" {
		t.Errorf("bread without flour: %d %q", status, p.Pointer)
	}
	if after := len(h.shelf().Recipes); after != before+1 {
		t.Errorf("refused recipes were stored: %d", after)
	}
}
