package e2e

import (
	"bytes"
	"compress/gzip"
	"io"
	"net/http"
	"os"
	"path/filepath"
	"regexp"
	"slices"
	"strings"
	"testing"

	"risepan/e2e/drive"
)

// One press on a size shows new amounts within 100 ms, which is six frames of a screen at its usual
// 60 a second. Frames are what is asserted, for on a busy machine they grow longer together with the
// work; the milliseconds, by the browser's own clock, are printed. The neighbouring sizes are fetched
// ahead, so a press never waits for the server.
func TestOnePressOnASizeShowsNewAmountsAtOnce(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL)
	p.Sees("In the pan")
	p.Until("the neighbouring sizes to be fetched ahead", "performance.getEntriesByType('resource').filter(e => "+
		"e.name.endsWith('/plan')).length >= 3")
	took := drive.Value[[][]float64](p, `(async () => {
		const frame = () => new Promise((done) => requestAnimationFrame(done));
		const flour = () => document.querySelector("[data-grams=bread-flour]").innerText;
		const out = [];
		for (let n = 0; n < 12; n++) {
			const sizes = document.querySelectorAll("label:has(> input[type=radio])");
			const before = flour();
			await frame();
			const began = performance.now();
			sizes[n % 3].click();
			let frames = 0;
			do { await frame(); frames++; } while (flour() === before && frames < 300);
			out.push([frames, performance.now() - began]);
			for (let rest = 0; rest < 3; rest++) await frame();
		}
		return out;
	})()`)
	median := func(column int) float64 {
		var all []float64
		for _, row := range took {
			all = append(all, row[column])
		}
		slices.Sort(all)
		return all[len(all)/2]
	}
	t.Logf("press on a size to new amounts, median of %d: %.0f frames, %.0f ms", len(took), median(0), median(1))
	if median(0) > 6 {
		t.Errorf("a press on a size takes %.0f frames to show, want at most 6", median(0))
	}
}

// Script that the first load of Plan needs, gzipped: what index.html names and that imports.
func TestTheFirstLoadOfPlanIsSmall(t *testing.T) {
	dist := filepath.Join(drive.Root(), "ui/dist")
	index, err := os.ReadFile(filepath.Join(dist, "index.html"))
	if err != nil {
		t.Fatal(err)
	}
	if regexp.MustCompile(`<script[^>]*>[^<]`).Match(index) || bytes.Contains(index, []byte("<style")) {
		t.Error("the page has an inline script or style, which its policy forbids")
	}
	static := regexp.MustCompile(`(?:from|import)"\./([^"]+\.js)"`)
	need := map[string]bool{}
	var visit func(name string)
	total := 0
	visit = func(name string) {
		if need[name] {
			return
		}
		need[name] = true
		b, err := os.ReadFile(filepath.Join(dist, name))
		if err != nil {
			t.Fatal(err)
		}
		var zipped bytes.Buffer
		w := gzip.NewWriter(&zipped)
		w.Write(b)
		w.Close()
		total += zipped.Len()
		for _, m := range static.FindAllSubmatch(b, -1) {
			visit("assets/" + string(m[1]))
		}
	}
	for _, m := range regexp.MustCompile(`(?:src|href)="/([^"]+\.js)"`).FindAllSubmatch(index, -1) {
		visit(string(m[1]))
	}
	t.Logf("Plan's first load: %d bytes of script, gzipped, in %d files", total, len(need))
	if total > 130_000 || total == 0 {
		t.Errorf("Plan's first load is %d bytes of script, want at most 130 kB", total)
	}
	files, _ := filepath.Glob(filepath.Join(dist, "assets", "*.js"))
	if len(files) <= len(need) {
		t.Error("no screen is loaded on demand")
	}
}

// Every letter and figure on the screens is set in a font that ships with the application.
func TestNoFontOfTheComputerIsUsed(t *testing.T) {
	s := serve(t)
	for _, path := range []string{"/", "/log"} {
		p := open(t, s.URL+path)
		p.Until("the page, with all its parts", "document.querySelector('[data-amount], [data-bake]') && "+
			"(location.pathname !== '/' || document.querySelector('input[aria-label=Recipe]'))")
		p.Settled()
		for _, f := range p.PlatformFonts() {
			if !f.Custom {
				t.Errorf("%s uses %s of this computer for %v letters", path, f.Name, f.Glyphs)
			}
		}
	}
}

// The page works with nothing but this server: every request goes to it.
func TestNothingIsFetchedFromElsewhere(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL)
	p.Sees("In the pan")
	for _, name := range drive.Value[[]string](p, "performance.getEntriesByType('resource').map(e => e.name)") {
		if !strings.HasPrefix(name, s.URL) {
			t.Errorf("the page fetched %s", name)
		}
	}
	r, err := http.Get(s.URL)
	if err != nil {
		t.Fatal(err)
	}
	defer r.Body.Close()
	b, _ := io.ReadAll(r.Body)
	if bytes.Contains(b, []byte("//")) && regexp.MustCompile(`(src|href)="(https?:)?//`).Match(b) {
		t.Errorf("the page names another server: %s", b)
	}
}

// The phone's width holds every screen without scrolling sideways.
func TestNoScreenScrollsSidewaysOnAPhone(t *testing.T) {
	s := serve(t)
	for _, path := range []string{"/", "/log", "/watch", "/recipes", "/kitchen", "/kitchen?drawer=Flour",
		"/kitchen?drawer=Cupboard", "/kitchen?drawer=Units", "/kitchen?drawer=Habits", "/kitchen?drawer=Hours",
		"/machines", "/machines/new", "/bench", "/day"} {
		p := tab(t, s.URL+path, 390, 844)
		p.Until("the page", "document.querySelector('h1')")
		p.Settled()
		if wide := drive.Value[float64](p, "document.documentElement.scrollWidth"); wide > 390 {
			t.Errorf("%s is %.0f px wide on a phone of 390", path, wide)
		}
		axe(t, p, path+" on a phone")
		p.Close()
	}
}

func TestTheSheetFitsWithoutScrolling(t *testing.T) {
	s := serve(t)
	p := open(t, s.URL)
	p.Sees("In the pan")
	for _, recipe := range []string{"Mooring raisin loaf", "Tiller gluten-free loaf", "Towpath white",
		"Sluice-gate egg loaf"} {
		choose(p, recipe)
		if recipe == "Sluice-gate egg loaf" {
			p.Click("Ready by")
			p.Sees("use the timer with")
		}
		p.Settled()
		if over := drive.Value[float64](p, "document.querySelector('main').scrollHeight - "+
			"document.querySelector('main').clientHeight"); over > 0 {
			t.Errorf("%s: the plan is %.0f px too tall for 1280 × 800", recipe, over)
		}
	}
}
