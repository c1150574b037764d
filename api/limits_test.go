package api_test

import (
	"encoding/json"
	"fmt"
	"maps"
	"net"
	"net/http"
	"net/http/httptest"
	"slices"
	"strings"
	"sync"
	"testing"
	"time"

	"risepan/api"
	"risepan/auth"
	"risepan/core/machine"
	"risepan/store/storetest"
	"risepan/usecase"
)

// Whatever is sent in the place of a value, the answer is for a baker: no word of the program's own, and a pointer to
// the field that is wrong.
func TestWhatIsOfAnotherKindIsRefusedInPlainWords(t *testing.T) {
	h := open(t)
	wish := h.wish("Towpath white")
	for _, path := range []string{"recipe", "machine", "bag", "cycle", "loaf/size", "loaf/crust", "loaf/eaters",
		"loaf/without", "loaf/swaps", "time/ready", "time/addIns", "time/within", "time/atPanel", "hands/closer",
		"hands/locks", "hands/warmth", "hands/warmth/room"} {
		for _, v := range []any{1.5, -1, true, "", "x", []any{}, []any{1}, map[string]any{}, map[string]any{"a": 1}, 1e300,
			strings.Repeat("9", 300), "2026-13-45T99:99", "\u200b"} {
			w := copied(wish)
			put(w, path, v)
			status, p := h.ask("POST", "~/plan", w, nil)
			plainly(t, fmt.Sprintf("%s: %v", path, v), status, p)
		}
	}
	machine := h.shelf().Machines[0].ID
	for path, bodies := range map[string][]string{
		"~/recipes": {`{"text": 5}`, `{"kind": "x"}`, `{"lines": [1]}`, `{"size": 3}`,
			`{"size": [1]}`},
		"~/machines/estimate":                {`{"total": "x"}`, `{"total": 1.5}`, `{"character": 4}`},
		"~/benches":                          {`{"wish": 1}`, `{"wish": {"recipe": 1.5}}`},
		"~/larder":                           {`{"name": 5}`, `{"is": {}}`},
		"~/machines/" + machine + "/compare": {`{"cycles": 1.5}`, `{"size": 1.5}`},
	} {
		for _, body := range bodies {
			status, p := h.ask("POST", path, body, nil, "Idempotency-Key", "k"+fmt.Sprint(len(body)))
			plainly(t, path+" "+body, status, p)
		}
	}
	for _, path := range []string{"~/days/x", "~/days/2026-02-30", "~/year?year=x", "~/bakes?from=yesterday",
		"~/bakes?kind=x", "~/bakes?sign=9", "~/recipes?kind=9", "~/days?of=x", "~/bakes/running?after=x",
		"~/changes?after=-1", "~/recipes/x/difference?from=x"} {
		status, p := h.ask("GET", path, nil, nil)
		plainly(t, path, status, p)
	}
}

func copied(w map[string]any) map[string]any {
	b, _ := json.Marshal(w)
	var out map[string]any
	_ = json.Unmarshal(b, &out)
	return out
}

// plainly wants a refusal to be one of the sender's mistake, in words that no program speaks.
func plainly(t *testing.T, what string, status int, p api.Problem) {
	t.Helper()
	if status < 300 || status == http.StatusNotFound || status == http.StatusNotModified {
		return
	}
	if status >= 500 || p.Detail == "" {
		t.Errorf("%s: %d %q", what, status, p.Detail)
	}
	for _, word := range []string{"json", "Go ", "unmarshal", "float64", "int64", "2006", "15:04", "parsing", "strconv",
		"measure.", "invalid character", "0x", "%!", "<nil>"} {
		if strings.Contains(p.Detail, word) && !strings.Contains(p.Detail, "whole JSON") {
			t.Errorf("%s: %d at %s: %q", what, status, p.Pointer, p.Detail)
		}
	}
	if i := strings.Index(p.Detail, "/"); i >= 0 && strings.Contains(p.Detail[i:], ":") && i < 3 {
		t.Errorf("%s: a pointer stands in the text %q", what, p.Detail)
	}
}

// A machine without a delay timer: a day with a loaf on it is planned, told and carried away like any other, and the
// secret address goes on telling what runs.
func TestADayOnAMachineWithoutATimer(t *testing.T) {
	_, ours, _, _ := openHouse(t)
	ours.must(201, "POST", "~/demo", map[string]any{}, nil, "Idempotency-Key", "demo")
	var profiles usecase.Profiles
	ours.must(200, "GET", "~/machines/profiles", nil, &profiles)
	n := slices.IndexFunc(profiles.Profiles, func(m machine.Machine) bool { return m.Delay.Largest == 0 })
	if n < 0 {
		t.Fatal("no profile is without a timer")
	}
	var made usecase.MachineRead
	ours.must(201, "POST", "~/machines", profiles.Profiles[n], &made, "Idempotency-Key", "m")
	var shelf usecase.Shelf
	ours.must(200, "GET", "~", nil, &shelf)
	date := ours.tomorrow()
	size := shelf.Recipes[0].Size
	if !made.Machine.Bakes(size) {
		size = made.Machine.Sizes[0]
	}
	var address usecase.SecretAddress
	ours.must(200, "PUT", "~/calendar", map[string]any{"on": true}, &address)
	ours.must(200, "PUT", "~/days/"+date, map[string]any{"hands": 1, "loaves": []any{map[string]any{"id": "a",
		"when": "by", "only": true, "by": date + "T12:00", "wish": map[string]any{"recipe": shelf.Recipes[0].ID, "machine": made.ID,
			"loaf": map[string]any{"size": size}}}}}, nil, "If-Match", "0")
	for _, path := range []string{"", "/needs", "/mends?loaf=a", "/calendar"} {
		ours.must(200, "GET", "~/days/"+date+path, nil, nil)
	}
	ours.must(200, "GET", "~/days/next", nil, nil)
	(&device{house: ours.house}).must(200, "GET", address.Path, nil, nil)
}

// A name of any length is refused before it is looked up, and so is a query that no page sends.
func TestALongNameIsRefused(t *testing.T) {
	h := open(t)
	for n, want := range map[int]int{40: 200, 200: 200, 201: 422, 1900: 422, 5000: 414, 100_000: 414} {
		status, p := h.ask("GET", "~/larder?name="+strings.Repeat("a", n), nil, nil)
		if status != want || want == 422 && p.Pointer != "/name" {
			t.Errorf("a name of %d letters: %d at %q, %s", n, status, p.Pointer, p.Detail)
		}
	}
}

// While two and thirty try at once what opens a kitchen, nobody waits for them: none of their calls holds a connection
// while it waits for another.
func TestManyTriesHoldNobody(t *testing.T) {
	_, ours, theirs, _ := openHouse(t)
	var all sync.WaitGroup
	statuses := make([]int, 64)
	for n := range statuses {
		all.Go(func() {
			d := &device{house: ours.house, from: ours.from, kitchen: ours.kitchen, cookie: ours.cookie}
			if n%2 == 0 {
				statuses[n], _ = d.ask("POST", "~/recipes/linked", map[string]any{"link": "x"}, nil, "Idempotency-Key",
					fmt.Sprint(n))
			} else {
				statuses[n], _ = d.ask("PUT", "~/household/passphrase", map[string]any{"before": wrong, "passphrase": right},
					nil)
			}
		})
	}
	for range 5 {
		theirs.must(200, "GET", "~", nil, nil)
	}
	all.Wait()
	slices.Sort(statuses)
	if last := statuses[len(statuses)-1]; last >= 500 && last != 503 || statuses[0] < 400 {
		t.Errorf("they are answered %v", statuses)
	}
}

// However a kitchen's name is spelled that opens it, one pause counts for all spellings, from wherever they come.
func TestSpellingsOfANameAreOneTry(t *testing.T) {
	h, _, _, _ := openHouse(t)
	for _, names := range [][]string{
		{"Wharf House", "wharf house", "WHARF HOUSE", "Whárf House", "Wharf Hoüse", "ｗｈａｒｆ House",
			" Wharf House "},
		{"Nobody's", "nobody's", "NOBODY'S", "Nóbody's"}, // nor does a kitchen that is not there tell it by this
	} {
		refused := 0
		for n := range 40 {
			d := &device{house: h, from: fmt.Sprintf("198.51.100.%d", n)}
			status, _ := d.ask("POST", "/api/v1/session", map[string]any{"name": names[n%len(names)], "passphrase": wrong},
				nil)
			if status == 429 {
				refused++
			} else if status != 401 {
				t.Fatalf("a wrong passphrase is answered %d", status)
			}
		}
		if refused != 40-auth.SigningTries {
			t.Errorf("%q: %d of 40 tries are refused, want %d", names, refused, 40-auth.SigningTries)
		}
	}
}

// A restore and a new demo, whose answers were lost, are answered again as they were; another call under that key is
// refused, and without one the kitchen is gone.
func TestAReplacedKitchenAnswersAgain(t *testing.T) {
	_, ours, theirs, _ := openHouse(t)
	var file string
	ours.must(200, "GET", "~/file", nil, &file)
	var first, again usecase.Restored
	ours.must(201, "POST", "~/restore", file, &first, "Idempotency-Key", "restore")
	ours.must(201, "POST", "~/restore", file, &again, "Idempotency-Key", "restore")
	if first.Kitchen == "" || first.Kitchen != again.Kitchen || first.Name != again.Name ||
		!maps.Equal(first.Holds, again.Holds) || first.Holds["kitchens"] != 1 {
		t.Errorf("sent again it answers %+v, after %+v", again, first)
	}
	ours.must(422, "POST", "~/restore", file+" ", nil, "Idempotency-Key", "restore")
	ours.must(404, "POST", "~/restore", file, nil, "Idempotency-Key", "another")
	ours.must(404, "POST", "~/recipes", map[string]any{}, nil, "Idempotency-Key", "restore")
	theirs.kitchen = ours.kitchen
	theirs.must(404, "POST", "~/restore", file, nil, "Idempotency-Key", "restore")

	h := open(t)
	demo := &device{house: h, kitchen: h.kitchen()}
	demo.must(201, "POST", "~/reset", map[string]any{}, &first, "Idempotency-Key", "r")
	demo.must(201, "POST", "~/reset", map[string]any{}, &again, "Idempotency-Key", "r")
	if first.Kitchen != again.Kitchen {
		t.Errorf("made as new again: %+v, after %+v", again, first)
	}
}

// Sixty at once who sign in: some are let in, the others are told at once when to try again.
func TestACrowdAtTheDoorIsToldToWait(t *testing.T) {
	h, _, _, _ := openHouse(t)
	var all sync.WaitGroup
	var mu sync.Mutex
	got := map[int]int{}
	for n := range 60 {
		all.Go(func() {
			r := httptest.NewRequest("POST", "http://127.0.0.1/api/v1/session",
				strings.NewReader(fmt.Sprintf(`{"name": "k%d", "passphrase": "x"}`, n)))
			r.RemoteAddr = fmt.Sprintf("198.51.100.%d:1", n)
			w := httptest.NewRecorder()
			h.handler.ServeHTTP(w, r)
			mu.Lock()
			defer mu.Unlock()
			if got[w.Code]++; w.Code == 503 && w.Header().Get("Retry-After") != "5" {
				t.Errorf("who is turned away is told to come again after %q", w.Header().Get("Retry-After"))
			}
		})
	}
	all.Wait()
	if got[401] < 32 || got[401]+got[503] != 60 {
		t.Errorf("sixty are answered %v", got)
	}
}

// Photos that come slowly keep no place: another's is taken meanwhile.
func TestSlowPhotosKeepNobodyOut(t *testing.T) {
	h := open(t)
	b := h.start("Towpath white", "one")
	server := httptest.NewServer(h.handler)
	defer server.Close()
	photo := pictureOf(400, 300)
	for n := range 12 {
		slow, err := net.Dial("tcp", server.Listener.Addr().String())
		if err != nil {
			t.Fatal(err)
		}
		defer slow.Close()
		fmt.Fprintf(slow, "POST /api/v1/kitchens/%s/bakes/%s/photos HTTP/1.1\r\nHost: 127.0.0.1\r\nIdempotency-Key: s%d\r\n"+
			"Content-Length: %d\r\n\r\n%s", h.kitchen(), b.ID, n, len(photo), photo[:100])
	}
	if status := h.send("/bakes/"+b.ID+"/photos", "quick", photo, nil); status != 201 {
		t.Errorf("a photo beside slow ones is answered %d", status)
	}
}

// A database that is there and does not answer is told of in time.
func TestReadinessIsToldWhileTheDatabaseHangs(t *testing.T) {
	h := open(t)
	h.must(200, "GET", "/readyz", nil, nil)
	wake := storetest.Freeze(t)
	began := time.Now()
	status, _ := h.ask("GET", "/readyz", nil, nil)
	took := time.Since(began)
	wake()
	if status != 503 {
		t.Errorf("a frozen database is ready: %d after %s", status, took)
	}
	h.must(200, "GET", "/readyz", nil, nil)
}

// What is not this kitchen's own is refused where it comes in, and does no harm where an older program let it in. A
// recipe's id is no machine's, whatever was read before.
func TestForeignIdsAreRefused(t *testing.T) {
	h, ours, theirs, _ := openHouse(t)
	for _, d := range []*device{ours, theirs} {
		d.must(201, "POST", "~/demo", map[string]any{}, nil, "Idempotency-Key", "demo")
	}
	var mine, other usecase.Shelf
	ours.must(200, "GET", "~", nil, &mine)
	theirs.must(200, "GET", "~", nil, &other)
	date := ours.tomorrow()
	wish := func(recipe, machine, bag string) map[string]any {
		out := map[string]any{"recipe": recipe, "machine": machine, "loaf": map[string]any{"size": "1 lb"}}
		if bag != "" {
			put(out, "loaf/bag", bag)
		}
		return out
	}
	loaf := func(w map[string]any) map[string]any {
		return map[string]any{"hands": 1, "loaves": []any{map[string]any{"id": "a", "when": "by", "by": date + "T12:00",
			"wish": w}}}
	}
	recipe, machine := mine.Recipes[0].ID, mine.Machines[0].ID
	for field, w := range map[string]map[string]any{"recipe": wish(other.Recipes[0].ID, machine, ""),
		"machine": wish(recipe, other.Machines[0].ID, ""), "loaf/bag": wish(recipe, machine, other.Recipes[0].ID)} {
		status, p := ours.ask("PUT", "~/days/"+date, loaf(w), nil, "If-Match", "0")
		if status != 422 || p.Pointer != "/loaves/0/wish/"+field {
			t.Errorf("another kitchen's %s is answered %d at %s", field, status, p.Pointer)
		}
	}
	ours.must(200, "PUT", "~/days/"+date, loaf(wish(recipe, machine, "")), nil, "If-Match", "0")
	storetest.Run(t, h.store, `UPDATE day_versions SET doc = REPLACE(doc, ?, ?)`, recipe, other.Recipes[0].ID)
	h.store = storetest.Again(t, h.store) // which has read nothing of it yet
	h.serve(usecase.House{Open: true})
	for _, path := range []string{"", "/mends?loaf=a", "/needs", "/calendar"} {
		ours.must(200, "GET", "~/days/"+date+path, nil, nil)
	}

	ours.must(200, "GET", "~/recipes/"+recipe, nil, nil)
	ours.must(404, "POST", "~/machines/"+recipe+"/undo", map[string]any{}, nil, "If-Match", `"1"`)
	ours.must(404, "GET", "~/machines/"+recipe, nil, nil)
	ours.must(404, "GET", "~/recipes/"+machine, nil, nil)
	if strings.Contains(h.log.String(), "panic") {
		t.Error(h.log.String())
	}
}

// A header of anybody's sends nobody elsewhere, and somebody else who signs in on a device finds nothing of its last
// user's there.
func TestNothingIsLeftForTheNext(t *testing.T) {
	h, ours, theirs, _ := openHouse(t)
	for _, path := range []string{"/api/v1/kitchens/", "/healthz/", "//healthz", "/api/v1//kitchens"} {
		r := httptest.NewRequest("GET", "http://127.0.0.1"+path, nil)
		r.Header.Set("X-Forwarded-Prefix", "/elsewhere")
		w := httptest.NewRecorder()
		h.handler.ServeHTTP(w, r)
		if to := w.Header().Get("Location"); to != "" {
			t.Errorf("%s leads to %s", path, to)
		}
	}
	signIn := func(d *device, name string) string {
		r := httptest.NewRequest("POST", "http://127.0.0.1/api/v1/session",
			strings.NewReader(fmt.Sprintf(`{"name": %q, "passphrase": %q}`, name, right)))
		r.Header.Set("Cookie", d.cookie)
		r.RemoteAddr = d.from + ":1"
		w := httptest.NewRecorder()
		h.handler.ServeHTTP(w, r)
		if w.Code != 200 {
			t.Fatalf("signing in to %s: %d", name, w.Code)
		}
		return w.Header().Get("Clear-Site-Data")
	}
	if got := signIn(&device{from: "198.51.100.1"}, "Mill Cottage"); got != "" {
		t.Errorf("a fresh device is cleared: %s", got)
	}
	if got := signIn(ours, "Wharf House"); got != "" {
		t.Errorf("one's own device is cleared: %s", got)
	}
	if got := signIn(theirs, "Wharf House"); !strings.Contains(got, "storage") {
		t.Errorf("another's device is left as it is: %q", got)
	}
}

// A request that is refused by the limits costs next to nothing: no right is asked for, no database.
func BenchmarkARefusedRequest(b *testing.B) {
	h := open(b)
	path := "http://127.0.0.1/api/v1/kitchens/" + h.kitchen() + "/larder?name=" + strings.Repeat("a", 5000)
	r := httptest.NewRequest("GET", path, nil)
	for b.Loop() {
		w := httptest.NewRecorder()
		if h.handler.ServeHTTP(w, r); w.Code != http.StatusRequestURITooLong {
			b.Fatalf("it is answered %d", w.Code)
		}
	}
}
