package e2e

import (
	"bytes"
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"strings"
	"testing"
	"time"

	"github.com/chromedp/chromedp/kb"

	"risepan/e2e/drive"
)

// put keeps something at an address, in the place of a version.
func put(t *testing.T, url string, body any, version int) map[string]any {
	t.Helper()
	text, err := json.Marshal(body)
	if err != nil {
		t.Fatal(err)
	}
	r, err := http.NewRequest("PUT", url, bytes.NewReader(text))
	if err != nil {
		t.Fatal(err)
	}
	r.Header.Set("If-Match", fmt.Sprint(version))
	response, err := http.DefaultClient.Do(r)
	if err != nil {
		t.Fatal(err)
	}
	defer response.Body.Close()
	var answer map[string]any
	if err := json.NewDecoder(response.Body).Decode(&answer); err != nil || response.StatusCode != 200 {
		t.Fatalf("PUT %s: %d %v %v", url, response.StatusCode, err, answer)
	}
	return answer
}

// dayAfterTomorrow is a date on which nothing has been begun, in the demo's zone.
func dayAfterTomorrow(t *testing.T) time.Time {
	t.Helper()
	zone, err := time.LoadLocation("Europe/London")
	if err != nil {
		t.Fatal(err)
	}
	now := time.Now().In(zone)
	return time.Date(now.Year(), now.Month(), now.Day()+2, 0, 0, 0, 0, zone)
}

// bookOf is a day of loaves, each "recipe by time", on the galley machine's size of 1 1/2 lb.
func bookOf(t *testing.T, at string, date time.Time, loaves ...string) map[string]any {
	t.Helper()
	shelf := get(t, at)
	var list []any
	for n, l := range loaves {
		name, by, _ := strings.Cut(l, " by ")
		for _, r := range shelf["recipes"].([]any) {
			r := r.(map[string]any)
			if r["name"] == name {
				list = append(list, map[string]any{"id": fmt.Sprintf("loaf-%d", n), "when": "by",
					"by": date.Format(time.DateOnly) + "T" + by,
					"wish": map[string]any{"recipe": r["id"],
						"machine": shelf["machines"].([]any)[0].(map[string]any)["id"],
						"loaf":    map[string]any{"size": "1 1/2 lb"}}})
			}
		}
	}
	return map[string]any{"hands": 1, "loaves": list}
}

// row is what the day says of a loaf.
func row(p *drive.Page, loaf string) string {
	return drive.Value[string](p, "document.querySelector('[data-row="+loaf+"]')?.innerText ?? ''")
}

// A Saturday of five loaves: put together on the page, dragged, undone, printed, exported, followed, and planned
// anew after a late start.
func TestASaturdayOfFiveLoaves(t *testing.T) {
	s := serve(t)
	at, date := kitchenOf(t, s), dayAfterTomorrow(t)
	day := s.URL + "/day/" + date.Format(time.DateOnly)
	p := open(t, day)
	p.Sees("No loaves planned for this day yet")
	axe(t, p, "An empty day")
	p.Click("Put a loaf on the day")
	p.Sees("Fresh by")
	axe(t, p, "A loaf for a day")
	p.Type("Fresh by, a time", "7:30")
	p.Click("Put it on the day")
	p.Sees("by 07:30")
	p.Sees("Take the loaf out")
	view := get(t, at+"/days/"+date.Format(time.DateOnly))
	book := view["book"].(map[string]any)
	more := bookOf(t, at, date, "Mooring raisin loaf by 13:00", "Oat and honey loaf by 13:00",
		"Swing-bridge rolls by 19:00", "Lock-keeper's wholemeal by 18:00")
	book["loaves"] = append(book["loaves"].([]any), more["loaves"].([]any)...)
	put(t, at+"/days/"+date.Format(time.DateOnly), book, 1)
	p.Sees("Swing-bridge rolls") // what another device does is seen here
	p.Until("five loaves in the ribbons", "document.querySelectorAll('button[data-loaf]').length === 5")
	axe(t, p, "A day of five loaves")

	was := row(p, "loaf-0")
	p.Drag("button[data-loaf=loaf-0]", -90, 0)
	p.Sees("Unpin Mooring raisin loaf")
	p.Until("the loaf elsewhere", "document.querySelector('[data-row=loaf-0]').innerText !== "+fmt.Sprintf("%q", was))
	p.Click("Undo")
	p.Until("the loaf where it was", "!document.body.innerText.includes('Unpin')")
	if now := row(p, "loaf-0"); strings.Contains(now, "pin") {
		t.Errorf("undone, the loaf says %q", now)
	}
	Focus(p, "button[data-loaf=loaf-2]")
	p.Keys(kb.ArrowLeft + kb.ArrowLeft)
	p.Sees("done 18:")
	p.Keys(kb.Enter)
	p.Sees("Unpin Swing-bridge rolls")
	p.Click("Unpin Swing-bridge rolls")
	p.Until("no pin", "!document.body.innerText.includes('Unpin')")

	p.Click("Change Oat and honey loaf")
	p.Sees("Fix the finish near")
	axe(t, p, "A loaf of a day")
	p.Type("Pinned time", "11:30")
	p.Click("Save changes")
	p.Sees("Unpin Oat and honey loaf")
	p.Until("the loaf where it was pinned", "/out of the machine "+
		"11:(2[5-9]|3[0-5])/.test(document.querySelector('[data-row=loaf-1]').innerText)")
	p.Click("Undo")
	p.Until("no pin", "!document.body.innerText.includes('Unpin')")

	p.Click("Hours and hands")
	p.Type("Away from", "10:00")
	p.Type("Nobody is there until", "12:30")
	p.Type("Why", "Market")
	p.Click("Add absence")
	p.Sees("10:00 to 12:30")
	axe(t, p, "Hours and hands")
	p.Click("Done")
	p.Click("Shopping")
	p.Sees("once for all")
	axe(t, p, "What a day wants")
	p.Click("Back to the day")

	response, err := http.Get(at + "/days/" + date.Format(time.DateOnly) + "/calendar")
	if err != nil {
		t.Fatal(err)
	}
	calendar, err := io.ReadAll(response.Body)
	response.Body.Close()
	hands := get(t, at+"/days/"+date.Format(time.DateOnly))["day"].(map[string]any)["hands"].([]any)
	if n := strings.Count(string(calendar), "BEGIN:VALARM"); err != nil || n != len(hands) || n < 12 {
		t.Errorf("the calendar has %d alarms for %d moments (%v)", n, len(hands), err)
	}
	p.Click("Print")
	p.Sees("The day on paper")
	p.Sees("Weigh out for the whole day")
	axe(t, p, "A day on paper")
	whole(t, "day", printed(t, p, "day"), "Towpath white", "Mooring raisin loaf", "Oat and honey loaf",
		"Swing-bridge rolls", "Lock-keeper's wholemeal", "07:30", "Load the pan", "bread flour")

	phone := device(t, day, 390, 844)
	phone.Sees("What your hands do")
	phone.Settled()
	if wide := drive.Value[int](phone, "document.querySelector('main').scrollWidth - "+
		"document.querySelector('main').clientWidth"); wide > 0 {
		t.Errorf("on a phone the day is %d px too wide", wide)
	}

	// The morning of the day, later than the first start: what was not started is planned anew.
	late := date.Add(9*time.Hour + 40*time.Minute)
	later(t, s, fmt.Sprintf("%dm", int(time.Until(late).Minutes())))
	p.Go(day)
	p.Sees("Towpath white")
	p.Until("what was not started, planned anew",
		"document.querySelector('[data-row=loaf-0]')?.innerText.includes('(was ')")
	if first := row(p, "loaf-0"); !strings.Contains(first, "Late by") {
		t.Errorf("not started in time, the raisin loaf says %q", first)
	}
	p.Click("What would help? For Mooring raisin loaf")
	p.Sees("Then:")
	axe(t, p, "What would help")
	p.Click("Leave as it is")
	startedAs(t, s, "Oat and honey loaf", "now")
	p.Until("the started loaf", "document.querySelector('[data-row=loaf-1]')?.innerText.includes('Watch')")
	p.Click("Watch: Oat and honey loaf")
	p.Sees("The whole day")
	axe(t, p, "Watch with a day's next moment")
}

// A ribbon's names are written by how wide it is, also in the first moment: by a guess, a phone's page would be too
// wide until it was measured.
func TestARibbonIsMeasuredBeforeItIsSeen(t *testing.T) {
	s := serve(t)
	at, date := kitchenOf(t, s), dayAfterTomorrow(t)
	put(t, at+"/days/"+date.Format(time.DateOnly), bookOf(t, at, date, "Towpath white by 08:00",
		"Oat and honey loaf by 20:00"), 0)
	phone := device(t, s.URL+"/log", 390, 844)
	phone.Sees("Towpath white")
	drive.Value[bool](phone, `(() => {
		window.wide = []
		new MutationObserver((_, itself) => {
			const day = document.querySelector("[aria-label='The day on one clock']")
			if (!day) return
			itself.disconnect()
			new ResizeObserver(() => { // once a frame is laid out and the page has seen it, before anybody has
				const main = document.querySelector("main")
				window.wide.push(main.scrollWidth - main.clientWidth)
			}).observe(day)
		}).observe(document.body, { childList: true, subtree: true })
		history.pushState(null, "", "/day/`+date.Format(time.DateOnly)+`")
		dispatchEvent(new PopStateEvent("popstate"))
		return true
	})()`)
	phone.Sees("What your hands do")
	phone.Until("the loaf on its ribbon", "document.querySelector('[data-loaf]') && window.wide.length > 0")
	if wide := drive.Value[int](phone, "Math.max(...window.wide)"); wide > 0 {
		t.Errorf("before its ribbon was measured the day was %d px too wide", wide)
	}
}

// An answer that was asked for before a press and comes after it does not take the press back: the next press would be
// refused as one on an old day.
func TestAnAnswerOnItsWayTakesNoPressBack(t *testing.T) {
	s := serve(t)
	at, date := kitchenOf(t, s), dayAfterTomorrow(t)
	here := at + "/days/" + date.Format(time.DateOnly)
	put(t, here, bookOf(t, at, date, "Towpath white by 12:00"), 0)
	p := open(t, s.URL+"/day/"+date.Format(time.DateOnly))
	p.Sees("by 12:00")
	drive.Value[bool](p, `(() => {
		const real = window.fetch
		window.fetch = async (...asked) => {
			const url = String(asked[0])
			if (window.letGo && url.includes("/changes")) await window.over // nothing else asks for the day anew
			const answer = await real(...asked)
			if (!window.letGo && !asked[1]?.body && url.endsWith("/days/`+date.Format(time.DateOnly)+`")) {
				const day = await answer.json()
				await new Promise((go) => { window.letGo = go })
				answer.json = async () => (setTimeout(() => { window.taken = true }, 100), day)
			}
			return answer
		}
		window.over = new Promise((over) => { window.end = over })
		return true
	})()`)
	shelf := get(t, at)
	kitchen := shelf["kitchen"].(map[string]any)
	kitchen["room"] = "19"
	put(t, at, kitchen, int(shelf["version"].(float64))) // on another device, so that the day is asked for anew
	p.Until("the day's answer on its way", "window.letGo")

	Focus(p, "button[data-loaf=loaf-0]")
	p.Keys(kb.ArrowLeft + kb.Enter)
	p.Sees("Unpin Towpath white")
	drive.Value[bool](p, "(window.letGo(), true)")
	p.Until("the answer taken in", "window.taken")
	if now := row(p, "loaf-0"); !strings.Contains(now, "Unpin") {
		t.Errorf("the older answer took the press back: %q", now)
	}
	drive.Value[bool](p, "(window.end(), true)")
	p.Click("Unpin Towpath white")
	p.Until("no pin", "!document.body.innerText.includes('Unpin')")
	if drive.Value[bool](p, "document.body.innerText.includes('changed elsewhere')") {
		t.Error("a press on what the page showed was refused as one on an old day")
	}
}

// A loaf of every week comes by itself, and tells how long the flour lasts.
func TestALoafOfEveryWeek(t *testing.T) {
	s := serve(t)
	at, date := kitchenOf(t, s), dayAfterTomorrow(t)
	put(t, at+"/days/"+date.Format(time.DateOnly), bookOf(t, at, date, "Towpath white by 12:00"), 0)
	p := open(t, s.URL+"/day/"+date.Format(time.DateOnly))
	p.Sees("Towpath white")
	p.Click("Every " + date.Weekday().String())
	p.Sees("Flour and yeast for them")
	axe(t, p, "Every week")
	p.Click("Back to the day")
	next := date.AddDate(0, 0, 7)
	p.Go(s.URL + "/day/" + next.Format(time.DateOnly))
	p.Sees("Towpath white")
	p.Sees("by 12:00")
	p.Until("its dot in the week", "document.querySelector('nav[aria-label=Days] "+
		"[aria-current=date]').innerText.includes('●')")
}
