package api_test

import (
	"archive/zip"
	"bytes"
	"net/http/httptest"
	"slices"
	"strings"
	"testing"
	"time"

	"github.com/go-json-experiment/json"

	"risepan/api"
	"risepan/usecase"
)

// bring sends a file to be understood.
func (h *house) bring(file string) (status int, b usecase.Brought, p api.Problem) {
	h.t.Helper()
	w := httptest.NewRecorder()
	h.handler.ServeHTTP(w, httptest.NewRequest("POST", "http://127.0.0.1/api/v1/kitchens/"+h.kitchen()+"/bring",
		strings.NewReader(file)))
	recorded("POST", "/api/v1/kitchens/:kitchen/bring", nil, w)
	if w.Code == 200 {
		if err := json.Unmarshal(w.Body.Bytes(), &b); err != nil {
			h.t.Fatal(err)
		}
	} else {
		json.Unmarshal(w.Body.Bytes(), &p)
	}
	return w.Code, b, p
}

// Two recipes are understood, one is kept as new and one as a revision of its twin, and all of it is undone at once.
func TestRecipesAreBroughtIn(t *testing.T) {
	h := open(t)
	file := `{"@context":"https://schema.org","@graph":[
		{"@type":"Recipe","name":"Towpath white","recipeIngredient":["1 cup water","1 1/2 tbsp butter","1 tbsp sugar","1 1/4 tsp salt","2 tbsp dry milk powder","3 cups bread flour","1 3/4 tsp active dry yeast"],"image":"x.jpg"},
		{"@type":"Recipe","name":"Farm loaf","recipeIngredient":["750 g bread flour","480 ml water","15 g salt","10 g instant yeast"],"recipeInstructions":[{"@type":"HowToStep","text":"Knead for 10 minutes on a floured board."},{"@type":"HowToStep","text":"Leave until doubled in size."},{"@type":"HowToStep","text":"Bake at 220 °C."}]}]}`
	status, b, _ := h.bring(file)
	if status != 200 || len(b.Cards) != 2 {
		t.Fatalf("%d: %d cards", status, len(b.Cards))
	}
	white, farm := b.Cards[0], b.Cards[1]
	if white.Twin == nil || white.Same || !slices.Equal(white.Lost, []string{"its picture"}) || len(white.Oven) != 0 {
		t.Errorf("the white loaf: twin %+v, same %v, lost %q, oven %+v", white.Twin, white.Same, white.Lost, white.Oven)
	}
	if farm.Twin != nil || len(farm.Oven) != 4 || !strings.Contains(farm.Oven[0].So, "2 lb") || farm.Read.Asks != 0 {
		t.Errorf("the farm loaf: %+v", farm.Oven)
	}
	card := func(c usecase.BroughtCard) map[string]any {
		return map[string]any{"standard": "us", "text": c.Read.Recipe.Text, "name": c.Read.Recipe.Name}
	}
	body := map[string]any{"cards": []any{
		map[string]any{"recipe": card(white), "of": white.Twin.ID, "revision": 1},
		map[string]any{"recipe": card(farm)},
	}}
	var done usecase.BringDone
	for range 2 { // the answer was lost
		h.must(201, "POST", "~/imports", body, &done, "Idempotency-Key", "one")
	}
	if len(done.Recipes) != 2 || done.Recipes[0].Revision != 2 || done.Recipes[1].Revision != 1 {
		t.Fatalf("kept: %+v", done.Recipes)
	}
	if n := len(h.shelf().Recipes); n != 22 {
		t.Errorf("%d recipes on the shelf", n)
	}
	if _, b, _ := h.bring(file); b.Cards[0].Twin == nil || !b.Cards[0].Same || b.Cards[1].Twin == nil ||
		!b.Cards[1].Same {
		t.Error("brought in again, they are not known")
	}
	h.must(412, "POST", "~/imports", body, nil, "Idempotency-Key", "stale")
	if n := len(h.shelf().Recipes); n != 22 {
		t.Errorf("half of a refused import was stored: %d recipes", n)
	}
	done = usecase.BringDone{}
	h.must(200, "POST", "~/imports/"+doneID(t, h, body)+"/undo", map[string]any{}, &done)
	if n := len(h.shelf().Recipes); n != 21 || !done.Undone {
		t.Errorf("undone: %d recipes, %+v", n, done)
	}
	var story usecase.Story
	h.must(200, "GET", "~/recipes/"+white.Twin.ID+"/story", nil, &story)
	if story.Revision != 3 || len(story.Revisions[0].Changed) != 1 {
		t.Errorf("the revision is undone as %+v", story.Revisions[0])
	}
}

// doneID is the id of the import that a body made.
func doneID(t *testing.T, h *house, body any) string {
	t.Helper()
	var done usecase.BringDone
	h.must(201, "POST", "~/imports", body, &done, "Idempotency-Key", "one")
	return done.ID
}

// The log goes out as a table and comes back: what is there already is left alone, the rest is baked anew as it was.
func TestTheLogIsBroughtBack(t *testing.T) {
	h := open(t)
	w := httptest.NewRecorder()
	h.handler.ServeHTTP(w, httptest.NewRequest("GET", "http://127.0.0.1/api/v1/kitchens/"+h.kitchen()+"/bakes.csv",
		nil))
	table := w.Body.String()
	_, b, _ := h.bring(table)
	if b.Log == nil || len(b.Log.Bakes) != 9 || len(b.Log.Faults) != 0 {
		t.Fatalf("the log: %+v", b.Log)
	}
	for _, row := range b.Log.Bakes {
		if row.Skip != "it is in the log already" {
			t.Errorf("%s of %s: %q", row.Recipe, row.Started, row.Skip)
		}
	}
	var before usecase.Log
	h.must(200, "GET", "~/bakes", nil, &before)
	for _, b := range before.Bakes {
		h.must(200, "PUT", "~/bakes/"+b.ID+"/shelf", map[string]any{"away": true}, nil)
	}
	began := time.Now()
	var done usecase.BringDone
	h.must(201, "POST", "~/imports", map[string]any{"log": table}, &done, "Idempotency-Key", "log")
	var after usecase.Log
	h.must(200, "GET", "~/bakes", nil, &after)
	t.Logf("%d bakes in %s", done.Bakes, time.Since(began).Round(time.Millisecond))
	if done.Bakes != 9 || len(after.Bakes) != len(before.Bakes) {
		t.Fatalf("%d bakes, %d in the log", done.Bakes, len(after.Bakes))
	}
	for n, was := range before.Bakes {
		is := after.Bakes[n]
		if is.Recipe != was.Recipe || is.Mark != was.Mark || is.Note != was.Note || is.Cycle != was.Cycle ||
			is.Size != was.Size || !slices.Equal(is.Signs, was.Signs) ||
			!is.StartedAt.Equal(was.StartedAt.Truncate(time.Minute)) || is.Phase != was.Phase {
			t.Errorf("it was %+v and came back as %+v", was, is)
		}
	}
	other := strings.Replace(table, "Towpath white", "Unheard of", 1)
	if _, b, _ := h.bring(other); !slices.ContainsFunc(b.Log.Bakes,
		func(r usecase.LogRow) bool { return strings.Contains(r.Skip, "no recipe of this name") }) {
		t.Error("a recipe that nobody has is taken")
	}
	h.must(200, "POST", "~/imports/"+done.ID+"/undo", map[string]any{}, nil)
	after = usecase.Log{}
	h.must(200, "GET", "~/bakes", nil, &after)
	if len(after.Bakes) != 0 {
		t.Errorf("undone, and %d are in the log", len(after.Bakes))
	}
}

func TestWhatIsNoRecipeIsRefusedAndNothingIsStored(t *testing.T) {
	h := open(t)
	for name, c := range map[string]struct {
		file   string
		status int
		say    string
	}{
		"an archive": {"PK\x03\x04x", 422, "ZIP"}, "fifty megabytes": {strings.Repeat("x", 50<<20), 413, "too long"},
		"nested":         {strings.Repeat("[", 100_000), 422, "nested"},
		"a page of news": {"<!doctype html><p>Rain.", 422, "no recipe"},
		"a broken table": {"started,recipe,machine\n1,2,3", 422, "size"},
	} {
		began := time.Now()
		status, _, p := h.bring(c.file)
		if took := time.Since(began); status != c.status || !strings.Contains(p.Detail, c.say) || took > 2*time.Second {
			t.Errorf("%s: %d %q after %s", name, status, p.Detail, took)
		}
	}
	if status, b, _ := h.bring(strings.Repeat("1 cup water\n", 10_000)); status != 200 || b.Cards[0].Problem == "" {
		t.Errorf("ten thousand lines: %d, %+v", status, b)
	}
	h.must(422, "POST", "~/imports", map[string]any{}, nil, "Idempotency-Key", "e1")
	h.must(422, "POST", "~/imports",
		map[string]any{"cards": []any{map[string]any{"recipe": map[string]any{"standard": "us", "text": "nothing"}}}},
		nil, "Idempotency-Key", "e2")
	h.must(404, "POST", "~/imports/"+h.kitchen()+"/undo", map[string]any{}, nil)
}

// The hours that a calendar shows as taken are kept, warn on the plan of what falls into them, and are undone.
func TestBusyHoursAreBroughtIn(t *testing.T) {
	h := open(t)
	_, b, _ := h.bring("BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//x//EN\r\nBEGIN:VEVENT\r\nUID:a\r\nDTSTAMP:20260101T000000Z\r\nSUMMARY:Market\r\nDTSTART:20260310T220000Z\r\nDTEND:20260311T060000Z\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n")
	if b.Calendar == nil || len(b.Calendar.Absences) != 1 || b.Calendar.Absences[0].Name != "Market" {
		t.Fatalf("the calendar is %+v", b.Calendar)
	}
	said := func() string {
		var p usecase.PlanAnswer
		h.must(200, "POST", "~/plan", h.wish("Towpath white"), &p)
		for _, c := range p.Plan.Cautions {
			if c.About == "nobody home" {
				if len(c.Ways) == 0 || c.Ways[0].Say != "Ready at 06:00 instead" {
					t.Errorf("its ways out are %+v", c.Ways)
				}
				return c.Say
			}
		}
		return ""
	}
	if s := said(); s != "" {
		t.Errorf("before, the plan says %q", s)
	}
	var done usecase.BringDone
	h.must(201, "POST", "~/imports", map[string]any{"absences": b.Calendar.Absences}, &done, "Idempotency-Key", "c")
	if s := said(); !strings.Contains(s, "(Market, until 06:00") {
		t.Errorf("the plan says %q", s)
	}
	h.must(200, "POST", "~/imports/"+done.ID+"/undo", map[string]any{}, nil)
	if s := said(); s != "" || done.Hours != 1 {
		t.Errorf("undone, the plan says %q", s)
	}
	h.must(422, "POST", "~/imports", map[string]any{"absences": []any{map[string]any{"from": "2026-03-11T06:00:00Z",
		"to": "2026-03-11T05:00:00Z"}}}, nil, "Idempotency-Key", "d")
}

// Two recipes of one plain text come as two cards; a ZIP archive comes as its files, to be read one by one.
func TestSeveralRecipesAreBroughtIn(t *testing.T) {
	h := open(t)
	const winter = "Winter rolls\n320 ml water\n500 g strong white flour\n1 1/2 tsp salt\n1 1/2 tsp instant yeast"
	status, b, p := h.bring(winter + "\n\nSummer rolls\n340 ml water\n500 g wholemeal flour\n1 tsp salt\n1 tsp instant yeast")
	if status != 200 || len(b.Cards) != 2 || b.Cards[1].Name != "Summer rolls" || len(b.Cards[0].Read.Lines) != 4 {
		t.Errorf("%d: %+v %+v", status, b, p)
	}
	var packed bytes.Buffer
	w := zip.NewWriter(&packed)
	if f, err := w.Create("winter.txt"); err != nil {
		t.Fatal(err)
	} else if _, err := f.Write([]byte(winter)); err != nil {
		t.Fatal(err)
	}
	if err := w.Close(); err != nil {
		t.Fatal(err)
	}
	status, b, p = h.bring(packed.String())
	if status != 200 || len(b.Files) != 1 || b.Files[0].Text != winter || b.Cards != nil {
		t.Errorf("%d: %+v %+v", status, b, p)
	}
	if status, _, p := h.bring(packed.String()[:40]); status != 400 && status != 422 || p.Pointer != "/file" {
		t.Errorf("half an archive: %d %+v", status, p)
	}
}
