package e2e

import (
	"context"
	"flag"
	"fmt"
	"os"
	"os/exec"
	"path/filepath"
	"runtime"
	"strconv"
	"sync"
	"testing"

	"risepan/e2e/drive"
)

// kitchen is one server with the demo kitchen, and one browser, for all tests of a run.
var kitchen struct {
	dir     string
	program string
	browser context.Context
}

func TestMain(m *testing.M) {
	flag.Parse()
	// a journey waits for the page a quarter of its time: one more than there are processors keeps them all busy
	if err := flag.Set("test.parallel", strconv.Itoa(runtime.GOMAXPROCS(0)+1)); err != nil {
		fmt.Fprintln(os.Stderr, err)
		os.Exit(1)
	}
	os.Exit(run(m))
}

func run(m *testing.M) int {
	dir, err := os.MkdirTemp("", "rise-pan-e2e")
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer os.RemoveAll(dir)
	kitchen.dir = dir
	if kitchen.program, err = drive.Build(dir); err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	var cancel context.CancelFunc
	if kitchen.browser, cancel, err = drive.Browser(context.Background()); err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer cancel()
	return m.Run()
}

// furnished is a data folder with the demo kitchen, made once: what a server on a copy of it starts with in a second.
var furnished = sync.OnceValues(func() (string, error) {
	data := filepath.Join(kitchen.dir, "furnished")
	s, err := drive.Serve(context.Background(), kitchen.program, data)
	if err == nil {
		err = s.Stop()
	}
	return data, err
})

var starting sync.Mutex

// alone are the tests that want the machine for themselves: they tell how long something takes, or count processes.
var alone = map[string]bool{"TestOnePressOnASizeShowsNewAmountsAtOnce": true,
	"TestASecondStartIsQuickAndKeepsTheKitchen": true, "TestStartIsNotOfferedTooEarlyNorOnABusyMachine": true}

// serve starts a server with a data folder of its own, stopped when the test ends.
func serve(t *testing.T, flags ...string) *drive.Server {
	t.Helper()
	data := filepath.Join(t.TempDir(), "data")
	if len(flags) == 0 && !alone[t.Name()] {
		t.Parallel()
	}
	starting.Lock() // a port that is free stays so until it is taken
	defer starting.Unlock()
	if len(flags) == 0 { // with flags the first start itself is tried
		from, err := furnished()
		if err == nil {
			err = exec.Command("cp", "-a", "--reflink=auto", "--sparse=always", from, data).Run()
		}
		if err != nil {
			t.Fatal(err)
		}
	}
	s, err := drive.Serve(context.Background(), kitchen.program, data, flags...)
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() {
		if err := s.Stop(); err != nil {
			t.Errorf("the server did not stop cleanly: %v\n%s", err, s.Said())
		}
	})
	return s
}

// devices are those on which tests have their tabs, by the tests' names.
var devices sync.Map

// tab opens a tab of the given size on the test's own device.
func tab(t *testing.T, url string, width, height int64) *drive.Page {
	t.Helper()
	on, there := devices.Load(t.Name())
	if !there {
		device, forget := drive.Device(kitchen.browser, t)
		on = device
		devices.Store(t.Name(), device)
		t.Cleanup(func() { devices.Delete(t.Name()); forget() })
	}
	p := drive.Open(on.(context.Context), t, url, width, height)
	t.Cleanup(p.Close)
	return p
}

// open opens a tab of a desk's size on the test's own device.
func open(t *testing.T, url string) *drive.Page {
	t.Helper()
	return tab(t, url, 1280, 800)
}

// axe fails the test for everything that axe-core finds on the screen, in both schemes and at three widths.
func axe(t *testing.T, p *drive.Page, screen string) {
	t.Helper()
	p.Settled()
	check := func(how string, rules ...string) {
		for _, v := range p.Violations(rules...) {
			t.Errorf("%s, %s: %s", screen, how, v)
		}
	}
	check("light")
	p.Dark(true)
	check("dark", "color-contrast") // no other rule looks at colours
	size := drive.Value[[]int64](p, "[innerWidth, innerHeight]")
	for _, width := range []int64{390, 768, 1280} {
		if width == size[0] {
			continue
		}
		p.Resize(width, size[1])
		check(fmt.Sprintf("at %d", width), "target-size", "scrollable-region-focusable", "heading-order", "region",
			"page-has-heading-one", "landmark-unique", "aria-hidden-focus") // none of these looks at colours
	}
	p.Dark(false)
	p.Resize(size[0], size[1])
}

// amount is what the plan shows for an ingredient, as it is read: "1 + 1/4 tsp".
// takeOut tells Watch that the loaf is out of the pan, once the page shows the bake as it is now: what was to be
// answered before is gone by then, and nothing moves under the press.
func takeOut(p *drive.Page) {
	p.Until("a loaf that is ready", "document.querySelector('[data-phase=warm], [data-phase=cold]') && "+
		"!document.querySelector('[data-due]')")
	p.Click("The loaf is out of the pan")
}

func amount(p *drive.Page, ingredient string) string {
	return drive.Value[string](p, `(() => {
		const e = document.querySelector('[data-amount="`+ingredient+`"]').cloneNode(true);
		e.querySelectorAll(".sr-only").forEach((s) => s.remove());
		return e.textContent.replace(/\s+/g, " ").trim();
	})()`)
}

func grams(p *drive.Page, ingredient string) string {
	return drive.Value[string](p, `document.querySelector('[data-grams="`+ingredient+
		`"]').textContent.replace(/^(moved|held|misses)/, "")`)
}

func choose(p *drive.Page, recipe string) {
	p.Click("All recipes")
	p.Click(recipe)
	p.Until("the plan of "+recipe, "document.querySelector('h1').innerText.includes("+fmt.Sprintf("%q", recipe)+
		") && !document.querySelector('[role=listbox]')")
}
