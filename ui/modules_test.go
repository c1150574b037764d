package ui_test

import (
	"context"
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"net/http/httptest"
	"os"
	"slices"
	"strings"
	"sync"
	"testing"

	"github.com/evanw/esbuild/pkg/api"

	"risepan/e2e/drive"
	"risepan/ui/modules"
)

// The modules of the front end that hold logic run here in pages without any screen: one bundle, one browser, a server
// that a test plays itself.

var browser context.Context

func TestMain(m *testing.M) { os.Exit(runAll(m)) }

func runAll(m *testing.M) int {
	ctx, cancel, err := drive.Browser(context.Background())
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer cancel()
	browser = ctx
	return m.Run()
}

// stage is what a test has beside the modules: use shows what a hook gives, in a part without any looks, and how it
// can be called again with something else.
const stage = `
import { act, createElement } from "react";
import { createRoot } from "react-dom/client";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { MemoryRouter, useLocation } from "react-router";
export { QueryClient };
export function use(hook, { at = "/", client = new QueryClient({ defaultOptions: { queries: { retry: false } } }) }
	= {}) {
  const used = { seen: [], client };
  const root = createRoot(document.body.appendChild(document.createElement("div")));
  const Part = ({ give }) => {
    used.now = hook(give);
    used.seen.push(used.now);
    used.where = useLocation();
    return null;
  };
  used.give = (give) =>
    root.render(createElement(QueryClientProvider, { client }, createElement(MemoryRouter, { initialEntries: [at] },
	createElement(Part, { give }))));
  used.end = () => root.unmount();
  used.give(undefined);
  return used;
}
export const later = (ms = 0) => new Promise((done) => setTimeout(done, ms));
export async function until(what) {
  for (let n = 0; n < 500; n++, await later(10)) if (what()) return true;
  throw new Error("waited in vain for " + what);
}
`

// bundle is the modules as one script.
var bundle = sync.OnceValues(func() ([]byte, error) {
	entry := stage
	for _, name := range modules.Names {
		entry += fmt.Sprintf("export * as %s from './src/%s';\n", name[strings.Index(name, "/")+1:], name)
	}
	built := api.Build(api.BuildOptions{
		Stdin:      &api.StdinOptions{Contents: entry, ResolveDir: ".", Loader: api.LoaderTS},
		Bundle:     true,
		GlobalName: "m",
		Format:     api.FormatIIFE,
		JSX:        api.JSXAutomatic,
		Define:     map[string]string{"process.env.NODE_ENV": `"production"`},
		LogLevel:   api.LogLevelSilent,
	})
	if len(built.Errors) > 0 {
		e := built.Errors[0]
		return nil, fmt.Errorf("bundling the modules: %s at %v", e.Text, e.Location)
	}
	return built.OutputFiles[0].Contents, nil
})

// page is one tab on the device of the tests that keep nothing: whatever they ask is answered by one server.
var page struct {
	sync.Mutex
	tab *drive.Page
}

// plain evaluates expressions in the one page that tests without a device of their own share.
func plain(t *testing.T, cases [][2]string) {
	t.Helper()
	page.Lock()
	defer page.Unlock()
	if page.tab == nil {
		script, err := bundle()
		if err != nil {
			t.Fatal(err)
		}
		server := httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
			if r.URL.Path == "/modules.js" {
				w.Header().Set("Content-Type", "text/javascript")
				w.Write(script)
				return
			}
			fmt.Fprint(w, blank)
		}))
		page.tab = drive.Open(browser, t, server.URL, 400, 300) // both live as long as the browser
	}
	works(t, page.tab, cases)
}

const blank = `<!doctype html><meta charset="utf-8"><title>modules</title><body><script src="/modules.js"></script>`

// sent is a request that a page made.
type sent struct {
	Method, Path, Key string
	Body              any
}

// side is the server's side of a test: it notes what is sent and answers as the test says.
type side struct {
	*httptest.Server
	mu     sync.Mutex
	got    []sent
	answer func(w http.ResponseWriter, s sent)
}

// serve plays a server; until told otherwise it answers every request with what was sent.
func serve(t *testing.T) *side {
	t.Helper()
	script, err := bundle()
	if err != nil {
		t.Fatal(err)
	}
	s := &side{answer: func(w http.ResponseWriter, s sent) {
		reply(w, http.StatusOK,
			map[string]any{"you sent": s.Body})
	}}
	s.Server = httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		switch r.URL.Path {
		case "/":
			fmt.Fprint(w, blank)
			return
		case "/modules.js":
			w.Header().Set("Content-Type", "text/javascript")
			w.Write(script)
			return
		case "/favicon.ico":
			return
		}
		b, _ := io.ReadAll(r.Body)
		in := sent{Method: r.Method, Path: r.URL.RequestURI(), Key: r.Header.Get("Idempotency-Key")}
		_ = json.Unmarshal(b, &in.Body)
		s.mu.Lock()
		s.got = append(s.got, in)
		answer := s.answer
		s.mu.Unlock()
		answer(w, in)
	}))
	t.Cleanup(s.Close)
	return s
}

// reply writes a value as JSON.
func reply(w http.ResponseWriter, status int, v any) {
	w.Header().Set("Content-Type", "application/json")
	w.WriteHeader(status)
	_ = json.NewEncoder(w).Encode(v)
}

// refusing answers every request with a problem.
func refusing(status int, detail string) func(http.ResponseWriter, sent) {
	return func(w http.ResponseWriter, _ sent) {
		reply(w, status, map[string]any{"type": "about:blank", "title": "t", "status": status, "detail": detail})
	}
}

// answers has the server answer so from now on.
func (s *side) answers(as func(http.ResponseWriter, sent)) {
	s.mu.Lock()
	defer s.mu.Unlock()
	s.answer = as
}

// bodies are the different requests by their keys, in the order in which each came first.
func (s *side) bodies() (out []any) {
	s.mu.Lock()
	defer s.mu.Unlock()
	var seen []string
	for _, r := range s.got {
		if !slices.Contains(seen, r.Key) {
			seen = append(seen, r.Key)
			out = append(out, r.Body)
		}
	}
	return out
}

// device is a browser of its own: what its tabs keep they share with nobody else.
func device(t *testing.T) context.Context {
	t.Helper()
	d, forget := drive.Device(browser, t)
	t.Cleanup(forget)
	return d
}

// tab opens the modules in a tab on a device.
func tab(t *testing.T, device context.Context, url string) *drive.Page {
	t.Helper()
	p := drive.Open(device, t, url, 400, 300)
	t.Cleanup(p.Close)
	return p
}

// works evaluates expressions of plain functions in a page and holds each against what it should be, as JSON.
func works(t *testing.T, p *drive.Page, cases [][2]string) {
	t.Helper()
	for _, c := range cases {
		got := drive.Value[string](p, "(async () => JSON.stringify(await ("+c[0]+")) ?? 'undefined')()")
		if got != c[1] {
			t.Errorf("%s is %s, want %s", c[0], got, c[1])
		}
	}
}
