package ui_test

import (
	"fmt"
	"net/http"
	"sync"
	"testing"

	"risepan/e2e/drive"
)

const pressing = `m.outbox.press("/bakes/b/happenings", %q).then((a) => window.answer = a,
	(e) => window.trouble = e.message)`

// nothingLeft is true where the browser keeps no press that has yet to be told.
const nothingLeft = `Object.keys(localStorage).every((k) => !k.startsWith("outbox") || localStorage[k] === "[]")`

func press(p *drive.Page, what string) {
	drive.Value[bool](p, fmt.Sprintf("(%s, true)", fmt.Sprintf(pressing, what)))
}

// Two tabs on one device, the server away: both are pressed in, one is closed. When the server is back, both presses
// are told.
func TestAPressInEachOfTwoTabsIsToldThoughOneIsClosed(t *testing.T) {
	for _, closed := range []string{"the first", "the second"} {
		t.Run(closed+" is closed", func(t *testing.T) {
			s, d := serve(t), device(t)
			s.answers(refusing(http.StatusServiceUnavailable, "away"))
			first, second := tab(t, d, s.URL), tab(t, d, s.URL)
			press(first, "one")
			press(second, "two")
			left, gone := second, first
			if closed == "the second" {
				left, gone = first, second
			}
			gone.Go("about:blank")
			var told sync.Map
			s.answers(func(w http.ResponseWriter, in sent) {
				told.Store(in.Body, true)
				reply(w, http.StatusOK, in.Body)
			})
			left.Until("its own press to be answered", "window.answer")
			left.Until("an empty outbox", nothingLeft)
			for _, what := range []string{"one", "two"} {
				if _, ok := told.Load(what); !ok {
					t.Errorf("the server was never told of press %s", what)
				}
			}
		})
	}
}

func TestPressesAreToldInTheOrderInWhichTheyWereMade(t *testing.T) {
	t.Parallel()
	s, d := serve(t), device(t)
	p := tab(t, d, s.URL)
	for _, what := range []string{"one", "two", "three", "four"} {
		press(p, what)
	}
	p.Until("all to be answered", "window.answer?.['you sent'] === 'four'")
	if got := fmt.Sprint(s.bodies()); got != "[one two three four]" {
		t.Errorf("the server was told %s", got)
	}
	works(t, p, [][2]string{{nothingLeft, "true"}})
}

// A press that was refused is forgotten, and what refused it is said; the next one is told.
func TestARefusedPressIsForgottenAndDoesNotHoldUpTheNext(t *testing.T) {
	t.Parallel()
	s, d := serve(t), device(t)
	p := tab(t, d, s.URL)
	s.answers(func(w http.ResponseWriter, in sent) {
		if in.Body == "bad" {
			refusing(http.StatusUnprocessableEntity, "no such moment")(w, in)
			return
		}
		reply(w, http.StatusOK, in.Body)
	})
	press(p, "bad")
	press(p, "good")
	p.Until("the good one to be answered", "window.answer === 'good'")
	works(t, p, [][2]string{{"window.trouble", `"no such moment"`}, {nothingLeft, "true"}})
}

// A press whose page may not come into its kitchen any more stays until the device is let in again.
func TestAPressStaysWhileTheKitchenIsClosed(t *testing.T) {
	t.Parallel()
	s, d := serve(t), device(t)
	p := tab(t, d, s.URL)
	s.answers(func(w http.ResponseWriter, in sent) {
		reply(w, http.StatusUnauthorized, map[string]any{"type": "urn:rise-pan:closed", "title": "t", "status": 401,
			"detail": "sign in"})
	})
	press(p, "one")
	p.Until("the refusal", "window.trouble === 'sign in'")
	s.answers(func(w http.ResponseWriter, in sent) { reply(w, http.StatusOK, in.Body) })
	works(t, p, [][2]string{{nothingLeft, "false"}})
	p.Reload()
	drive.Value[bool](p, "(m.outbox.sendLeft(() => (window.then = true)), true)")
	p.Until("what was left to be told", "window.then")
	works(t, p, [][2]string{{nothingLeft, "true"}})
}

func TestAPressIsToldThoughTheBrowsersStorageIsFull(t *testing.T) {
	t.Parallel()
	s, d := serve(t), device(t)
	p := tab(t, d, s.URL)
	drive.Value[bool](p, `(() => { for (let size = 5e6; size > 0; size = Math.floor(size / 2)) for (let n = 0; ; n++)
		try { localStorage.setItem("fill " + size + " " + n, "x".repeat(size)); } catch { break; } return true; })()`)
	press(p, "one")
	p.Until("its answer", "window.answer?.['you sent'] === 'one'")
}

// One press of a tab that stays away counts: the other tab sends it when it has waited long enough, and its key is the
// same.
func TestThePressOfATabThatWasClosedIsSentByAnotherThatPressesNothing(t *testing.T) {
	t.Parallel()
	s, d := serve(t), device(t)
	s.answers(refusing(http.StatusServiceUnavailable, "away"))
	first, second := tab(t, d, s.URL), tab(t, d, s.URL)
	press(first, "one")
	second.Until("the press to be seen by the other tab", "Object.keys(localStorage).some((k) => "+
		"k.startsWith('outbox '))")
	first.Go("about:blank")
	s.answers(func(w http.ResponseWriter, in sent) { reply(w, http.StatusOK, in.Body) })
	second.Until("an empty outbox", nothingLeft)
	if got := fmt.Sprint(s.bodies()); got != "[one]" {
		t.Errorf("the server was told %s by keys, want one press", got)
	}
}

// What a program before this one has kept in one list is told.
func TestTheOldListOfPressesIsTold(t *testing.T) {
	t.Parallel()
	s, d := serve(t), device(t)
	p := tab(t, d, s.URL)
	drive.Value[bool](p, `(localStorage.setItem("outbox", JSON.stringify([{key: "k1", kitchen: "", path: "/bakes",
		body: "one"}, {key: "k2", kitchen: "", path: "/bakes", body: "two"}])), true)`)
	p.Reload()
	drive.Value[bool](p, "(m.outbox.sendLeft(() => (window.then = true)), true)")
	p.Until("what was left to be told", "window.then")
	if got := fmt.Sprint(s.bodies()); got != "[one two]" {
		t.Errorf("the server was told %s", got)
	}
}
