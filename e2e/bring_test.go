package e2e

import (
	"archive/zip"
	"bytes"
	"net/http"
	"os"
	"path/filepath"
	"strings"
	"testing"
	"time"

	"risepan/e2e/drive"
)

const savedPage = `<!doctype html><html><head><title>Farm bread</title><script type="application/ld+json">
{"@context":"https://schema.org","@graph":[{"@type":"WebSite","name":"Pages"},{"@type":"Recipe","name":"Farm bread","image":"farm.jpg","recipeYield":"1 loaf",
"recipeIngredient":["500 g bread flour","320 ml water","10 g salt","1 tbsp zorblat","7 g instant yeast"],
"recipeInstructions":[{"@type":"HowToStep","text":"Knead for 10 minutes on a floured board."},{"@type":"HowToStep","text":"Bake at 220 °C for 35 minutes."}]}]}
</script></head><body><h1>Farm bread</h1></body></html>`

// Several files at once, one of them a ZIP archive, are read one after another; what cannot be read is told by its name.
func TestSeveralFilesAreBroughtIn(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL+"/bring")
	dir := t.TempDir()
	archive := filepath.Join(dir, "cards.zip")
	var packed bytes.Buffer
	w := zip.NewWriter(&packed)
	for name, text := range map[string]string{"winter.txt": "Winter rolls\n320 ml water\n500 g strong white flour\n" +
		"1 1/2 tsp salt\n1 1/2 tsp instant yeast", "sunset.png": "\x89PNG"} {
		if f, err := w.Create(name); err != nil {
			t.Fatal(err)
		} else if _, err := f.Write([]byte(text)); err != nil {
			t.Fatal(err)
		}
	}
	if err := w.Close(); err != nil {
		t.Fatal(err)
	}
	alone := filepath.Join(dir, "summer.txt")
	for file, content := range map[string][]byte{archive: packed.Bytes(), alone: []byte("Summer rolls\n340 ml water\n" +
		"500 g wholemeal flour\n1 1/2 tsp salt\n1 1/2 tsp instant yeast")} {
		if err := os.WriteFile(file, content, 0o600); err != nil {
			t.Fatal(err)
		}
	}
	p.File("Choose files", archive, alone)
	p.Sees("Winter rolls")
	p.Sees("Summer rolls")
	p.Sees("sunset.png: this is a picture")
	axe(t, p, "Several files")
	p.Click("Save 2 recipes")
	p.Sees("2 recipes are on the shelf.")
}

// A saved page is dropped on the page, understood, corrected, kept and baked; then all of it is undone.
func TestASavedPageIsBroughtIn(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL+"/recipes")
	p.Sees("Import")
	drive.Value[bool](p, `(() => { const t = new DataTransfer(); t.items.add(new File([`+"`"+savedPage+"`"+`],
		"farm.html", {type: "text/html"}));
		window.dispatchEvent(new DragEvent("dragover", {dataTransfer: t, bubbles: true, cancelable: true}));
		return true })()`)
	p.Sees("Drop the file")
	drive.Value[bool](p, `(() => { const t = new DataTransfer(); t.items.add(new File([`+"`"+savedPage+"`"+`],
		"farm.html", {type: "text/html"}));
		window.dispatchEvent(new DragEvent("drop", {dataTransfer: t, bubbles: true, cancelable: true}));
			return true })()`)
	p.Sees("This is an oven recipe")
	p.Sees("The machine kneads it.")
	p.Sees("Not taken over: its picture.")
	p.Sees("1 to be asked about")
	axe(t, p, "What was brought in")
	p.Click("Edit: Farm bread")
	p.Until("its text", `field("As it is read")`)
	drive.Value[bool](p, `(() => { const f = field("As it is read");
		Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, "value").set.call(f, f.value.replace("zorblat",
		"honey"));
		f.dispatchEvent(new Event("input", {bubbles: true})); return true })()`)
	p.Until("the line to be understood",
		`!document.querySelector("[data-card]").innerText.includes("to be asked about")`)
	p.Click("Save 1 recipe")
	p.Sees("One recipe is on the shelf.")
	p.Click("Plan Farm bread")
	p.Until("its plan", `document.querySelector("h1").innerText.includes("Farm bread") && document.querySelector("[data-amount]")`)
	p.Go(s.URL + "/recipes")
	p.Click("Edit: Farm bread")
	p.File("Add a photo of the recipe card", loafPhoto(t))
	p.Until("the photo of its card", "document.querySelector('[data-photo] img')?.naturalWidth === 320")
	p.Click("Remove photo")
	p.Click("Restore")
	p.Until("the photo again", "document.querySelector('[data-photo] img')?.naturalWidth === 320")
	axe(t, p, "A card with its photo")
	p.Go(s.URL + "/bring")
	p.Type("Paste it here", "Farm bread\n500 g bread flour\n320 ml water\n12 g salt\n1 tbsp honey\n7 g instant yeast")
	p.Click("Check what was pasted")
	p.Sees("As a new version of your recipe")
	p.Click("Save 1 recipe")
	p.Sees("version 2")
	p.Click("Undo import")
	p.Sees("The import is undone")
	p.Go(s.URL + "/recipes")
	p.Type("Find", "farm")
	p.Sees("version 3")
	p.Go(s.URL + "/bring")
	p.Type("Paste it here", "PK is no archive, and no recipe either")
	p.Click("Check what was pasted")
	p.Sees("write one ingredient a line")
}

// saved is what an address gives, in a file of its own.
func saved(t *testing.T, url, name string) string {
	t.Helper()
	w, err := http.Get(url)
	if err != nil {
		t.Fatal(err)
	}
	defer w.Body.Close()
	file := filepath.Join(t.TempDir(), name)
	out, err := os.Create(file)
	if err == nil {
		_, err = out.ReadFrom(w.Body)
		out.Close()
	}
	if err != nil {
		t.Fatal(err)
	}
	return file
}

// The log as a table is brought back after its bakes were put away.
func TestALogIsBroughtBack(t *testing.T) {
	s := serve(t)
	at := kitchenOf(t, s)
	file := saved(t, at+"/bakes.csv", "bakes.csv")
	p := open(t, s.URL+"/bring")
	p.File("Choose files", file)
	p.Sees("Nothing new to import.")
	bake := get(t, at+"/bakes?kind=wholemeal")["bakes"].([]any)[0].(map[string]any)["id"].(string)
	r, _ := http.NewRequest("PUT", at+"/bakes/"+bake+"/shelf", strings.NewReader(`{"away":true}`))
	if w, err := http.DefaultClient.Do(r); err != nil || w.StatusCode != 200 {
		t.Fatal(err)
	}
	p.File("Choose files", file)
	p.Sees("Import 1 bake")
	axe(t, p, "A log brought in")
	p.Click("Import 1 bake")
	p.Sees("One bake is in the log.")
	p.Go(s.URL + "/log")
	p.Sees("Lock-keeper's wholemeal")
}

// A whole kitchen is saved, wiped, and restored from its file; then the wiped one is brought back.
func TestAKitchenIsCarriedAwayAndRestored(t *testing.T) {
	s := serve(t)
	at := kitchenOf(t, s)
	file := saved(t, at+"/file", "heron.json")
	for _, r := range get(t, at)["recipes"].([]any) {
		req, _ := http.NewRequest("PUT", at+"/recipes/"+r.(map[string]any)["id"].(string)+"/shelf",
			strings.NewReader(`{"away":true}`))
		if w, err := http.DefaultClient.Do(req); err != nil || w.StatusCode != 200 {
			t.Fatal(err)
		}
	}
	p := open(t, s.URL+"/recipes")
	p.Sees("No recipe yet")
	p.Go(s.URL + "/kitchen?drawer=Carry away")
	p.Sees("Save the whole kitchen")
	axe(t, p, "Carry away")
	half := filepath.Join(t.TempDir(), "half.json")
	whole, _ := os.ReadFile(file)
	if err := os.WriteFile(half, whole[:len(whole)/2], 0o600); err != nil {
		t.Fatal(err)
	}
	p.File("Restore from a file", half)
	p.Sees("Restore half.json?")
	p.Click("Restore this backup")
	p.Sees("nothing of it was kept")
	p.Click("No change")
	p.File("Restore from a file", file)
	axe(t, p, "Before a restore")
	p.Click("Restore this backup")
	p.Until("the old kitchen to be aside", "document.querySelectorAll('[data-away]').length === 1")
	p.Go(s.URL + "/recipes")
	p.Sees("Oat and honey loaf")
	p.Go(s.URL + "/log")
	p.Sees("Domed and even at last")
	p.Go(s.URL + "/kitchen?drawer=Carry away")
	p.Until("the old kitchen to be aside", "document.querySelectorAll('[data-away]').length === 1")
	aside := drive.Value[string](p, "document.querySelector('[data-away]').dataset.away")
	p.Click("Replace this kitchen")
	p.Until("the other one to be aside", "(document.querySelector('[data-away]')?.dataset.away ?? `"+aside+"`) !== `"+
		aside+"`")
	p.Go(s.URL + "/recipes")
	p.Sees("No recipe yet")
}

// Busy hours are read from a calendar: chosen, kept, said on the plan, forgotten on the Kitchen screen.
func TestBusyHoursAreReadFromACalendar(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL+"/bring")
	at := func(in time.Duration) string { return time.Now().UTC().Add(in).Format("20060102T150405Z") }
	file := filepath.Join(t.TempDir(), "hours.ics")
	text := "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//x//EN\r\n" +
		"BEGIN:VEVENT\r\nUID:a\r\nDTSTAMP:20260101T000000Z\r\nSUMMARY:Market day\r\nDTSTART:" + at(-time.Hour) +
		"\r\nDTEND:" + at(12*time.Hour) + "\r\nEND:VEVENT\r\n" +
		"BEGIN:VEVENT\r\nUID:b\r\nDTSTAMP:20260101T000000Z\r\nSUMMARY:Choir\r\nDTSTART:" + at(30*time.Hour) +
		"\r\nDTEND:" + at(32*time.Hour) + "\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n"
	if err := os.WriteFile(file, []byte(text), 0o600); err != nil {
		t.Fatal(err)
	}
	p.File("Choose files", file)
	p.Sees("In these hours nobody is home.")
	axe(t, p, "A calendar brought in")
	drive.Value[bool](p, `([...document.querySelectorAll("main label")].find((l) => l.innerText.includes("Choir")).click(), true)`)
	p.Click("Save 1 absence")
	p.Sees("One absence is noted.")
	p.Go(s.URL)
	choose(p, "Towpath white")
	p.Sees("You are away then")
	p.Go(s.URL + "/kitchen?drawer=Hours")
	p.Sees("When nobody is home")
	axe(t, p, "Hours with an absence")
	drive.Value[bool](p, `(document.querySelector("[aria-label^='Forget Market day']").click(), true)`)
	p.Sees("No hours are noted.")
}
