package api_test

import (
	"bytes"
	"image"
	"image/jpeg"
	"net/http/httptest"
	"testing"

	"github.com/go-json-experiment/json"

	"risepan/usecase"
)

func pictureOf(w, h int) []byte {
	var b bytes.Buffer
	jpeg.Encode(&b, image.NewGray(image.Rect(0, 0, w, h)), nil)
	return b.Bytes()
}

// send sends a photo and gives the status and what came back.
func (h *house) send(path, key string, photo []byte, v any) int {
	h.t.Helper()
	r := httptest.NewRequest("POST", "http://127.0.0.1/api/v1/kitchens/"+h.kitchen()+path, bytes.NewReader(photo))
	r.Header.Set("Idempotency-Key", key)
	w := httptest.NewRecorder()
	h.handler.ServeHTTP(w, r)
	recorded("POST", "/api/v1/kitchens/"+h.kitchen()+path, nil, w)
	if v != nil {
		if err := json.Unmarshal(w.Body.Bytes(), v); err != nil {
			h.t.Fatal(err)
		}
	}
	return w.Code
}

// A photo is kept beside its bake, once however often it is sent; seen whole and small; taken off and brought back.
func TestAPhotoOfALoaf(t *testing.T) {
	h := open(t)
	b := h.start("Towpath white", "one")
	path, photo := "/bakes/"+b.ID+"/photos", pictureOf(2000, 1000)
	var told usecase.BakeTold
	for range 2 {
		if status := h.send(path, "p1", photo, &told); status != 201 {
			t.Fatalf("a photo is answered %d", status)
		}
	}
	if n := len(told.State.Photos); n != 1 || told.State.Photos[0].Width != 1600 ||
		told.State.Photos[0].Stage != "knead" {
		t.Fatalf("%d photos: %+v", n, told.State.Photos)
	}
	one := told.State.Photos[0]
	for query, wide := range map[string]int{"": 1600, "?small=1": 320} {
		w := httptest.NewRecorder()
		h.handler.ServeHTTP(w, httptest.NewRequest("GET", "http://127.0.0.1/api/v1/kitchens/"+h.kitchen()+"/photos/"+
			one.ID+query, nil))
		if at, err := jpeg.DecodeConfig(w.Body); err != nil || at.Width != wide ||
			w.Header().Get("Content-Type") != "image/jpeg" {
			t.Errorf("the photo%s is %d wide, %s, %v", query, at.Width, w.Header().Get("Content-Type"), err)
		}
	}
	var log usecase.Log
	h.must(200, "GET", "~/bakes", nil, &log)
	if log.Bakes[0].Photo != one.ID {
		t.Errorf("the log shows the photo %q", log.Bakes[0].Photo)
	}
	told = usecase.BakeTold{}
	h.must(201, "POST", "~/bakes/"+b.ID+"/happenings", map[string]any{"what": "undone", "of": one.Seq}, &told,
		"Idempotency-Key", "p2")
	log = usecase.Log{}
	h.must(200, "GET", "~/bakes", nil, &log)
	if len(told.State.Photos) != 0 || log.Bakes[0].Photo != "" {
		t.Errorf("taken off, the bake still shows %+v and the log %q", told.State.Photos, log.Bakes[0].Photo)
	}
	for name, c := range map[string]struct {
		photo  []byte
		status int
	}{"a text": {[]byte("no picture"), 415}, "half a picture": {photo[:len(photo)/2], 422},
		"too many bytes": {make([]byte, 11<<20), 413}, "nothing": {nil, 415}} {
		if status := h.send(path, "bad "+name, c.photo, nil); status != c.status {
			t.Errorf("%s is answered %d, want %d", name, status, c.status)
		}
	}
	h.must(422, "POST", "~/bakes/"+b.ID+"/happenings", map[string]any{"what": "photographed"}, nil, "Idempotency-Key",
		"p3")
	h.must(404, "GET", "~/photos/"+b.ID, nil, nil)
}

// The log is found through by recipe, machine, sign and days as well.
func TestTheLogByRecipeMachineSignAndDays(t *testing.T) {
	h := open(t)
	look := func(query string) []usecase.BakeSummary {
		var log usecase.Log
		h.must(200, "GET", "~/bakes?"+query, nil, &log)
		return log.Bakes
	}
	all := look("")
	oat := all[0]
	for _, b := range all {
		if b.Recipe == "Oat and honey loaf" {
			oat = b
		}
	}
	if got := look("recipe=" + oat.RecipeID); len(got) != 4 {
		t.Errorf("%d oat loaves", len(got))
	}
	if day := oat.StartedAt.Format("2006-01-02"); len(look("to="+day)) != 0 || len(look("from="+day)) != len(all) {
		t.Errorf("before the first day %d bakes, from it on %d of %d", len(look("to="+day)), len(look("from="+day)),
			len(all))
	}
	sank := look("sign=sunken+top")
	if len(sank) == 0 || len(sank) == len(all) {
		t.Errorf("%d of %d loaves sank", len(sank), len(all))
	}
	for _, m := range h.shelf().Machines {
		for _, b := range look("machine=" + m.ID) {
			if b.Machine != m.Name {
				t.Errorf("a loaf of %s among those of %s", b.Machine, m.Name)
			}
		}
	}
	for _, bad := range []string{"sign=odd", "recipe=1", "machine=x", "from=yesterday", "to=2026-13-01"} {
		h.must(422, "GET", "~/bakes?"+bad, nil, nil)
	}
}

// A photo of the card stands beside its recipe, is taken off and brought back.
func TestAPhotoOfACard(t *testing.T) {
	h := open(t)
	id := h.recipeOf("Towpath white")
	var all usecase.CardPhotos
	for range 2 {
		if status := h.send("/recipes/"+id+"/photos", "c1", pictureOf(800, 600), &all); status != 201 ||
			len(all.Photos) != 1 {
			t.Fatalf("%d: %+v", status, all)
		}
	}
	path := "~/photos/" + all.Photos[0].ID + "/shelf"
	for _, away := range []bool{true, false} {
		h.must(200, "PUT", path, map[string]any{"away": away}, nil)
		var now usecase.CardPhotos
		h.must(200, "GET", "~/recipes/"+id+"/photos", nil, &now)
		if len(now.Photos) == 1 == away {
			t.Errorf("put away: %v, and %d are shown", away, len(now.Photos))
		}
	}
	for n := range 12 {
		want := 201
		if n == 11 {
			want = 422
		}
		if status := h.send("/recipes/"+id+"/photos", string(rune('d'+n)), pictureOf(10+n, 10), nil); status != want {
			t.Errorf("photo %d is answered %d, want %d", n+2, status, want)
		}
	}
	h.must(404, "GET", "~/recipes/"+h.kitchen()+"/photos", nil, nil)
}
