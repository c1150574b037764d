package e2e

import (
	"context"
	"strings"
	"testing"

	"risepan/e2e/drive"
)

// started begins a bake of a demo recipe on the galley machine by the API, and gives its id.
func started(t *testing.T, s *drive.Server, recipe string) string {
	t.Helper()
	return startedAs(t, s, recipe, "started")
}

// startedAs begins another one, by a key of its own.
func startedAs(t *testing.T, s *drive.Server, recipe, key string) string {
	t.Helper()
	at := kitchenOf(t, s)
	shelf := get(t, at)
	for _, r := range shelf["recipes"].([]any) {
		r := r.(map[string]any)
		if r["name"] != recipe {
			continue
		}
		wish := map[string]any{"recipe": r["id"], "machine": shelf["machines"].([]any)[0].(map[string]any)["id"],
			"loaf": map[string]any{"size": r["size"]}, "time": map[string]any{"atPanel": true}}
		_, plan := post(t, at+"/plan", wish, "p")
		status, bake := post(t, at+"/bakes", map[string]any{"wish": wish, "digest": plan["digest"]}, key)
		if status != 201 {
			t.Fatalf("%s did not start: %d %v", recipe, status, bake)
		}
		return bake["id"].(string)
	}
	t.Fatalf("no %s on the shelf", recipe)
	return ""
}

// later lets the server's clock run ahead.
func later(t *testing.T, s *drive.Server, by string) {
	t.Helper()
	s.Kill()
	if err := s.Start(context.Background(), "--ahead", by); err != nil {
		t.Fatal(err)
	}
}

// A packet: planned whole, benched in three steps, watched and logged.
func TestAPacketFromPlanToLog(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL)
	choose(p, "Chandler's packet loaf")
	p.Sees("a packet")
	p.Sees("baked")
	if got := grams(p, "bread-mix"); !strings.HasPrefix(got, "500 g") {
		t.Errorf("the packet goes in as %q, want 500 g", got)
	}
	axe(t, p, "A packet's plan")
	p.Click("half a packet")
	p.Until("half of it", "document.querySelector('[data-grams=bread-mix]').innerText.includes('250 g')")
	p.Sees("shake it well")
	p.Click("a packet")
	p.Until("all of it", "document.querySelector('[data-grams=bread-mix]').innerText.includes('500 g')")
	p.Click("To the bench")
	var hands []string
	for range 20 {
		step := drive.Value[string](p, "document.querySelector('[data-step]')?.dataset.step ?? ''")
		if step == "" {
			p.Until("a step", "document.querySelector('[data-step]')")
			continue
		}
		if step == "start" {
			break
		}
		switch step {
		case "measure l1", "measure l2", "stir":
			hands = append(hands, step)
		}
		p.Keys(" ")
		p.Until("the step after "+step, "document.querySelector('[data-step]')?.dataset.step !== "+`"`+step+`"`)
	}
	if len(hands) != 3 || hands[0] != "measure l1" || hands[2] != "stir" {
		t.Errorf("a packet takes the hands %q, want its water, the packet, a stir", hands)
	}
	p.Click("I have pressed Start")
	p.Sees("until")
	p.Click("End this bake early")
	p.Sees("What to remember")
	p.Click("2: poor")
	p.Click("Save to log")
	p.Sees("bread mix")
}

// A filled loaf: its filling is called for, the pause stays first with its steps, and what comes after moves with
// the press of Start.
func TestAFilledLoafFromPromptToPutBack(t *testing.T) {
	s := serve(t)
	id := started(t, s, "Cinnamon coil")
	later(t, s, "64m") // the prompt is at 1 h 03
	p := open(t, s.URL+"/watch/"+id)
	p.Sees("Get the filling ready")
	p.Sees("brown sugar")
	p.Click("It’s done")
	p.Until("nothing due", "!document.querySelector('[data-due]')")
	later(t, s, "90m") // the pause began at 1 h 18, for ten minutes
	p.Go(s.URL + "/watch/" + id)
	p.Sees("The machine pauses: fill and roll the dough")
	p.Sees("Paused: it waits for Start")
	p.Sees("Press Start") // the ten minutes are over
	p.Sees("as wide as the pan is long")
	axe(t, p, "A pause for the hands")
	late := drive.Value[string](p, "document.querySelector('[data-moment=ready] .figures').innerText")
	other := open(t, s.URL+"/watch/"+id)
	other.Sees("Paused: it waits for Start")
	p.Click("10 min ago")
	other.Until("the other window to follow", "document.querySelector('[data-phase]').innerText.startsWith('Rising')")
	p.Until("it rises", "document.querySelector('[data-phase]').innerText.startsWith('Rising')")
	if now := drive.Value[string](p, "document.querySelector('[data-moment=ready] .figures').innerText"); now == late {
		t.Errorf("ready at %s, though Start was pressed ten minutes before it was said", now)
	}
	p.Click("The times are not right")
	axe(t, p, "Otherwise than planned")
	before := drive.Value[string](p, "document.querySelector('[data-moment=ready] .figures').innerText")
	p.Click("added")
	p.Until("ten minutes later", "document.querySelector('[data-moment=ready] .figures').innerText !== '"+before+"'")
	p.Click("Take back: minutes moved")
	p.Until("and back", "document.querySelector('[data-moment=ready] .figures').innerText === '"+before+"'")
	later(t, s, "200m")
	p.Go(s.URL + "/watch/" + id)
	p.Sees("Take it out")
	p.Sees("its middle is at 88 °C to 92 °C")
	axe(t, p, "How it comes out")
	takeOut(p)
	p.Sees("It cools on") // the verdict, and no longer Watch
	axe(t, p, "A loaf that cools")
}

// A starter and the loaf made from it; a jam that is too much for the pan; a power cut.
func TestStarterJamAndAPowerCut(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL)
	choose(p, "Cabin rye starter")
	p.Sees("24 h")
	p.Sees("as written")
	choose(p, "Cabin sour rye")
	p.Sees("Feed the rye sourdough starter")
	choose(p, "Hedgerow jam")
	p.Sees("at most about 3 boil")
	axe(t, p, "A jam's plan")
	p.Go(s.URL + "/recipes/new")
	p.Type("Ingredients", "Too much jam\r5 cups crushed strawberries\r3 cups sugar")
	p.Click("Save recipe")
	p.Sees("5.0 cups of crushed fruit")
	p.Until("no way to the bench", "[...document.querySelectorAll('button')].filter((b) => b.innerText === 'To the "+
		"bench').every((b) => b.disabled)")
	id := startLoaf(t, s)
	later(t, s, "30m")
	p.Go(s.URL + "/watch/" + id)
	p.Click("The times are not right")
	p.Click("the machine went on by itself")
	p.Click("Save")
	p.Until("what is left to do", "document.querySelector('section[aria-label=\"After the power cut\"] p')")
	p.Click("I started it again")
	p.Until("nothing left to do", "!document.querySelector('section[aria-label=\"After the power cut\"]')")
	p.Click("Take back: started again")
	axe(t, p, "After a power cut")
}
