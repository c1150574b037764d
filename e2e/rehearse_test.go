package e2e

import (
	"strings"
	"testing"

	"risepan/e2e/drive"
)

// A rehearsed bake, delayed, from the presses on the stand-in's panel to the loaf: doses by what is seen in the
// window, a beep answered, another machine cut off from power.
func TestARehearsedBakeFromPressesToLoaf(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL)
	choose(p, "Mooring raisin loaf")
	p.Click("Practise")
	p.Sees("A whole bake without flour")
	axe(t, p, "Before a rehearsal")
	p.Click("What goes wrong: all as planned")
	p.Click("too much water")
	p.Click("Start practising")
	p.Sees("nothing is baked")
	p.Sees("The plan says:")
	axe(t, p, "A stand-in's panel")
	p.Click("Menu")
	p.Until("the display after one press", "document.querySelector('[data-display]').innerText.startsWith('2 "+
		"Wholemeal')")
	p.Sees("The menu shows 2 Wholemeal; planned is 4 Sweet.")
	p.Click("Menu")
	p.Until("the display after two", "document.querySelector('[data-display]').innerText.startsWith('3')")
	p.Click("Menu")
	p.Until("the display after three", "document.querySelector('[data-display]').innerText.startsWith('4 Sweet')")
	p.Click("Crust")
	p.Until("dark", "document.querySelector('[data-display]').innerText.includes('dark')")
	p.Click("Crust")
	p.Until("light", "document.querySelector('[data-display]').innerText.includes('light')")
	p.Until("nothing differs", "!document.querySelector('[aria-label=\"Changes during the bake\"]')")
	p.Click("×600")
	p.Click("Start")
	p.Sees("Look at the dough: what is it like?")
	seen := map[string]bool{}
	for range 60 {
		p.Until("something to answer",
			somethingToAnswer)
		switch {
		case drive.Value[bool](p,
			`[...document.querySelectorAll("button")].some((b) => b.innerText === "Take it out")`):
			p.Click("Take it out")
			p.Until("the loaf", `/^(A good loaf|The loaf:)/m.test(document.querySelector("section[aria-labelledby=window]").innerText)`)
			if !seen["dose"] || !seen["beep"] || !drive.Value[bool](p, `shows("A good loaf")`) {
				path := drive.Value[string](p, "location.pathname")
				stands := get(t, kitchenOf(t, s)+"/rehearsals/"+path[strings.LastIndex(path, "/")+
					1:])["state"].(map[string]any)
				t.Fatalf("asked for %v, and came out as %v; told of it: %v; sounds: %v", seen, stands["loaf"],
					stands["happens"], stands["sounds"])
			}
			axe(t, p, "A rehearsed loaf")
			p.Sees("A good loaf") // still, while its clock runs on
			p.Click("Add this practice run to the log")
			p.Click("Open it in the log")
			p.Sees("A practice bake: nothing was baked")
			p.Sees("At the dough ball:")
			p.Go(s.URL + "/log")
			p.Until("it is told apart from real bakes",
				`document.querySelector("[data-bake]").innerText.includes("practice")`)
			return
		case drive.Value[bool](p, `[...document.querySelectorAll("button")].some((b) => b.innerText === "Added")`):
			seen["dose"] = true
			before := drive.Value[string](p, "document.querySelector('[aria-label=\"The dough ball\"]').innerText")
			p.Click("Added")
			p.Until("the dose to be taken",
				"document.querySelector('[aria-label=\"The dough ball\"]')?.innerText !== "+quoted(before))
		case drive.Value[bool](p, `!!document.querySelector("[data-due]")`):
			seen["beep"] = true
			due := drive.Value[string](p, `document.querySelector("[data-due]").dataset.due`)
			p.Click("It’s done")
			p.Until("the moment to be answered", `document.querySelector("[data-due]")?.dataset.due !== `+quoted(due))
		default:
			seen["look"] = true
			p.Click(answerOf(p))
			p.Until("the look to be answered", `!shows("what is it like?")`)
		}
	}
	t.Error("the rehearsal did not come to its end")
}

// A filled loaf in rehearsal: the machine pauses with a beep, the loaf is taken out, rolled and put back, and only
// Start, pressed on the stand-in's own panel, lets it go on.
func TestARehearsedPause(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL)
	choose(p, "Cinnamon coil")
	p.Click("Practise")
	p.Click("Start practising")
	p.Sees("The plan says:")
	shows := func() string { return drive.Value[string](p, "document.querySelector('[data-display]').innerText") }
	differs := `document.querySelector('[aria-label="Changes during the bake"]')?.innerText ?? ""`
	for n := 0; n < 20 && drive.Value[bool](p, "("+differs+").includes('menu')"); n++ {
		before := shows()
		p.Click("Menu")
		p.Until("the menu to turn", "document.querySelector('[data-display]').innerText !== "+quoted(before))
	}
	for n := 0; n < 3 && drive.Value[bool](p, "("+differs+").includes('crust')"); n++ {
		before := shows()
		p.Click("Crust")
		p.Until("the crust to turn", "document.querySelector('[data-display]').innerText !== "+quoted(before))
	}
	p.Until("nothing differs", "("+differs+") === ''")
	p.Click("×600")
	p.Click("Start")
	paused := false
	for range 60 {
		p.Until("something to answer",
			somethingToAnswer)
		switch {
		case drive.Value[bool](p,
			`[...document.querySelectorAll("button")].some((b) => b.innerText === "Take it out")`):
			if !paused {
				t.Error("it never paused for its filling")
			}
			p.Click("Take it out")
			p.Sees("Add this practice run to the log")
			return
		case drive.Value[bool](p, `!!document.querySelector("[data-due]")`):
			due := drive.Value[string](p, `document.querySelector("[data-due]").dataset.due`)
			if drive.Value[bool](p, `document.querySelector("[data-due]").innerText.includes("on the stand-in")`) {
				paused = true
				axe(t, p, "A rehearsed pause")
				p.Click("Start")
			} else {
				p.Click("It’s done")
			}
			p.Until("the moment to be answered", `document.querySelector("[data-due]")?.dataset.due !== `+quoted(due))
		case drive.Value[bool](p, `[...document.querySelectorAll("button")].some((b) => b.innerText === "Added")`):
			before := drive.Value[string](p, "document.querySelector('[aria-label=\"The dough ball\"]').innerText")
			p.Click("Added")
			p.Until("the dose to be taken",
				"document.querySelector('[aria-label=\"The dough ball\"]')?.innerText !== "+quoted(before))
		default:
			p.Click(answerOf(p))
			p.Until("the look to be answered", `!shows("what is it like?")`)
		}
	}
	t.Error("the rehearsal did not come to its end")
}

// somethingToAnswer is true while a rehearsal waits for the baker.
const somethingToAnswer = `document.querySelector("[data-due]") || shows("what is it like?") || shows("Added") ||
	[...document.querySelectorAll("button")].some((b) => b.innerText === "Take it out")`

// answerOf is the answer that fits what the stand-in's window shows.
func answerOf(p *drive.Page) string {
	return map[string]string{"pours": "No ball, it coats the floor", "smears": "A ball that smears",
		"smooth": "One smooth ball", "torn": "Ragged, torn", "knocks": "Hard, or in bits",
		"corners": "Flour in the corners"}[drive.Value[string](p, "document.querySelector('[data-look]').dataset.look")]
}

func quoted(s string) string { return "`" + s + "`" }
