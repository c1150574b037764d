package api_test

import (
	"net/http/httptest"
	"strconv"
	"testing"

	"risepan/auth"
	"risepan/usecase"
)

// Only what passes by itself says when to try again: a database that is away, and tries that were too many.
func TestOnlyWhatPassesSaysWhenToTryAgain(t *testing.T) {
	h := openTo(t, usecase.House{Open: true})
	ask := func(path string) *httptest.ResponseRecorder {
		r := httptest.NewRequest("GET", "http://localhost"+path, nil)
		w := httptest.NewRecorder()
		h.handler.ServeHTTP(w, r)
		return w
	}
	feed := "/api/v1/calendar/nothing"
	for n := range auth.FeedEach {
		if w := ask(feed); w.Code != 404 || w.Header().Get("Retry-After") != "" {
			t.Fatalf("try %d is answered %d, with Retry-After %q", n+1, w.Code, w.Header().Get("Retry-After"))
		}
	}
	w := ask(feed)
	wait, err := strconv.Atoi(w.Header().Get("Retry-After"))
	if w.Code != 429 || err != nil || wait < 1 || wait > int(auth.PairingPause.Seconds()) {
		t.Errorf("a try too many is answered %d, with Retry-After %q", w.Code, w.Header().Get("Retry-After"))
	}
	if w := ask("/api/v1/nothing"); w.Code != 404 || w.Header().Get("Retry-After") != "" {
		t.Errorf("what is not there is answered %d, with Retry-After %q", w.Code, w.Header().Get("Retry-After"))
	}
}
