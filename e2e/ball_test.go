package e2e

import (
	"context"
	"testing"
)

// The dough ball: asked about at its minute, mended by spoons, written in the log.
func TestADoughBallIsMendedBySpoons(t *testing.T) {
	s := serve(t)
	id := startLoaf(t, s)
	p := open(t, s.URL+"/watch/"+id)
	p.Until("the question, not yet due", "document.querySelector('section[aria-label=\"The dough ball\"]') && "+
		"shows('before, every dough is ragged')")
	axe(t, p, "The dough ball")

	s.Kill() // seven minutes on, by the server's own clock
	if err := s.Start(context.Background(), "--ahead", "7m"); err != nil {
		t.Fatal(err)
	}
	p.Go(s.URL + "/watch/" + id)
	p.Sees("Look at the dough: what is it like?")
	p.Click("Ragged, torn")
	p.Sees("It is torn: 1 teaspoon of liquid, onto the ball.")
	p.Sees("+1.3 points of hydration")
	axe(t, p, "Advice on a dough ball")
	p.Click("Added")
	p.Sees("Went in: 1 teaspoon of liquid")
	p.Sees("Look again in")
	p.Until("the next look on the clock", "document.querySelector('[data-moment=look]').innerText.includes('again')")
	p.Until("and counted down to, when it has been kneaded again",
		"/^[678]:/.test(document.querySelector('[data-countdown]').innerText)")
	p.Type("Something else went in", "a bucket")
	p.Click("of flour")
	p.Sees("such as")
	p.Type("Something else went in", "1/2 tbsp")
	p.Click("of flour")
	p.Sees("half a tablespoon of flour")
	p.Reload()
	p.Sees("half a tablespoon of flour")
	q := device(t, s.URL+"/watch/"+id, 390, 844)
	q.Sees("half a tablespoon of flour") // on the phone too
	p.Click("End this bake early")
	p.Sees("What to remember")
	p.Go(s.URL + "/log/" + id)
	p.Sees("At the dough ball: 1 teaspoon of liquid")
}

// A beep that was missed stays first, on Watch and on the rail, until it is answered.
func TestAMissedBeepStaysFirstUntilItIsAnswered(t *testing.T) {
	s := serve(t)
	at := kitchenOf(t, s)
	var id string
	for _, r := range get(t, at)["recipes"].([]any) {
		if r := r.(map[string]any); r["name"] == "Mooring raisin loaf" {
			wish := map[string]any{"recipe": r["id"],
				"machine": get(t, at)["machines"].([]any)[0].(map[string]any)["id"],
				"loaf":    map[string]any{"size": "1 1/2 lb"},
				"time":    map[string]any{"atPanel": true, "addIns": "by hand"}}
			_, plan := post(t, at+"/plan", wish, "p")
			status, bake := post(t, at+"/bakes", map[string]any{"wish": wish, "digest": plan["digest"]}, "raisins")
			if status != 201 {
				t.Fatalf("the bake did not start: %d %v", status, bake)
			}
			id = bake["id"].(string)
		}
	}
	s.Kill() // an hour on: the beep is long over, and the dough rises
	if err := s.Start(context.Background(), "--ahead", "60m"); err != nil {
		t.Fatal(err)
	}
	p := open(t, s.URL+"/watch/"+id)
	p.Sees("fold them in by hand")
	p.Sees("ago")
	p.Sees("2 times a third of a cup") // as it is heard
	axe(t, p, "A missed beep")
	p.Keys("p")
	p.Until("the beep on the rail", "document.querySelector('a[data-running]')?.innerText.includes('add-ins')")
	p.Until("and in the title", "document.title.startsWith('add-ins now')")
	p.Keys("w")
	p.Sees("fold them in by hand")
	p.Click("Left out")
	p.Until("nothing due", "!document.querySelector('[data-due]')")
	p.Sees("Left out.")
	p.Until("and nothing on the rail", "!document.title.startsWith('add-ins now')")
}
