package e2e

import (
	"context"
	"fmt"
	"net/http"
	"net/http/httptest"
	"net/http/httputil"
	"net/url"
	"strings"
	"sync/atomic"
	"testing"

	"risepan/e2e/drive"
)

// losing stands before a server and, while it is told to, lets presses through and loses their answers.
func losing(t *testing.T, s *drive.Server) (at string, lose *atomic.Bool, lost *atomic.Int32) {
	t.Helper()
	to, err := url.Parse(s.URL)
	if err != nil {
		t.Fatal(err)
	}
	lose, lost = new(atomic.Bool), new(atomic.Int32)
	proxy := httputil.NewSingleHostReverseProxy(to)
	between := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		if lose.Load() && r.Method == http.MethodPost && r.Header.Get("Idempotency-Key") != "" {
			proxy.ServeHTTP(httptest.NewRecorder(), r)
			lost.Add(1)
			panic(http.ErrAbortHandler)
		}
		proxy.ServeHTTP(w, r)
	}))
	t.Cleanup(between.Close)
	return between.URL, lose, lost
}

// A recipe is kept, and the answer is lost again and again: the page says so, asks again with the same
// key, and in the end there is one recipe.
func TestAPressWhoseAnswerIsLostCountsOnce(t *testing.T) {
	s := serve(t)
	at, lose, lost := losing(t, s)
	p := open(t, at+"/recipes/new")
	p.Type("Name", "Lost and found loaf")
	p.Until("the field for the ingredients", `document.querySelector("textarea")`)
	p.Type("Ingredients, or the whole card", "1 cup water")
	p.Keys("\r3 cups bread flour\r1 1/2 tsp salt\r2 tsp instant yeast")
	p.Until("the recipe to be understood", "shows('bread flour')")
	lose.Store(true)
	p.Click("Save recipe")
	p.Sees("does not answer; asking again")
	for lost.Load() < 2 {
		p.Until("another try", "true")
	}
	lose.Store(false)
	p.Until("the plan of the new recipe", "document.querySelector('h1').innerText.includes('Lost and found loaf')")
	found := get(t, kitchenOf(t, s)+"/recipes?find=Lost")["recipes"].([]any)
	if len(found) != 1 {
		t.Errorf("after %d lost answers there are %d recipes", lost.Load(), len(found))
	}
}

// What was pressed while the server was away is told when the page is opened again, though it was closed.
func TestWhatAClosedPageLeftIsToldLater(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL)
	p.Sees("In the pan")
	toBench(p)
	bench := drive.Value[string](p, "location.pathname")
	s.Kill()
	p.Click("Next")
	p.Sees("to be written down")
	p.Go("about:blank")
	if err := s.Start(context.Background()); err != nil {
		t.Fatal(err)
	}
	p.Go(s.URL + "/log")
	p.Until("the outbox to be empty", "!Object.keys(localStorage).some((k) => k.startsWith('outbox '))")
	view := get(t, kitchenOf(t, s)+strings.Replace(bench, "/bench/", "/benches/", 1))
	if done := view["session"].(map[string]any)["done"].([]any); len(done) != 1 {
		t.Errorf("the bench was told %v", fmt.Sprint(done))
	}
}
