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

// bundle is the modules as one script.
var bundle = sync.OnceValues(func() ([]byte, error) {
	entry := "export * as React from 'react'; export * as ReactDOM from 'react-dom/client';"
	entry += "export * as Query from '@tanstack/react-query'; export * as Router from 'react-router';"
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
		External:   []string{"virtual:pwa-register"},
		LogLevel:   api.LogLevelSilent,
	})
	if len(built.Errors) > 0 {
		e := built.Errors[0]
		return nil, fmt.Errorf("bundling the modules: %s at %v", e.Text, e.Location)
	}
	return built.OutputFiles[0].Contents, nil
})

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
	s := &side{answer: func(w http.ResponseWriter, s sent) { reply(w, http.StatusOK, map[string]any{"you sent": s.Body}) }}
	s.Server = httptest.NewServer(http.HandlerFunc(func(w http.ResponseWriter, r *http.Request) {
		switch r.URL.Path {
		case "/":
			fmt.Fprint(w, `<!doctype html><meta charset="utf-8"><title>modules</title><body><script src="/modules.js"></script>`)
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
