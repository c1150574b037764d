package api_test

import (
	"bytes"
	"net/http/httptest"
	"strings"
	"testing"

	"github.com/emersion/go-ical"
	"github.com/go-json-experiment/json"
)

// file asks for a file and gives its body and its headers.
func (h *house) file(method, path string, body any) (int, string, *httptest.ResponseRecorder) {
	h.t.Helper()
	text, err := json.Marshal(body)
	if err != nil {
		h.t.Fatal(err)
	}
	w := httptest.NewRecorder()
	h.handler.ServeHTTP(w, httptest.NewRequest(method, "http://127.0.0.1/api/v1/kitchens/"+h.kitchen()+path,
		bytes.NewReader(text)))
	recorded(method, "/api/v1/kitchens/"+h.kitchen()+path, body, w)
	return w.Code, w.Body.String(), w
}

func TestALoafIsCarriedAway(t *testing.T) {
	h := open(t)
	id := h.recipeOf("Mooring raisin loaf")
	for as, want := range map[string]string{"text": "2/3 cup raisins", "markdown": "- 2/3 cup raisins",
		"json": `"2/3 cup raisins"`} {
		status, body, w := h.file("GET", "/recipes/"+id+"/paper?as="+as, nil)
		if status != 200 || !strings.Contains(body, want) || !strings.Contains(w.Header().Get("Content-Disposition"),
			`filename="Mooring raisin loaf.`) {
			t.Errorf("as %s: %d, %q, %s", as, status, w.Header().Get("Content-Disposition"), body)
		}
	}
	wish := h.wish("Mooring raisin loaf")
	for what, want := range map[string]string{"what=recipe&as=markdown": "## Ingredients",
		"what=shopping&as=markdown": "- [ ] bread flour", "what=shopping&as=text": "bread flour, ",
		"what=timetable": "BEGIN:VTIMEZONE"} {
		if status, body, _ := h.file("POST", "/plan/paper?"+what, wish); status != 200 || !strings.Contains(body,
			want) {
			t.Errorf("%s: %d, %s", what, status, body)
		}
	}
	b := h.start("Mooring raisin loaf", "one")
	_, body, w := h.file("GET", "/bakes/"+b.ID+"/timetable", nil)
	cal, err := ical.NewDecoder(strings.NewReader(body)).Decode()
	if err != nil || len(cal.Events()) != 3 || !strings.HasPrefix(w.Header().Get("Content-Type"), "text/calendar") {
		t.Errorf("%v, %s", err, body)
	}
	for _, bad := range []struct {
		method, path string
		body         any
		status       int
	}{{"GET", "/recipes/" + id + "/paper?as=pdf", nil, 422}, {"POST", "/plan/paper?what=tea", wish, 422},
		{"GET", "/bakes/" + id + "/timetable", nil, 404}, {"GET", "/recipes/1/paper?as=text", nil, 404}} {
		if status, _, _ := h.file(bad.method, bad.path, bad.body); status != bad.status {
			t.Errorf("%s is answered %d, want %d", bad.path, status, bad.status)
		}
	}
}
