package api_test

import (
	"bytes"
	"net/http/httptest"
	"os"
	"regexp"
	"slices"
	"strings"
	"sync"
	"testing"

	stdjson "encoding/json"

	"github.com/santhosh-tekuri/jsonschema/v6"

	"risepan/api"
)

var recordings struct {
	sync.Mutex
	of map[string]api.Example
}

// recorded keeps the first call of each kind that went well, as the document's example.
func recorded(method, path string, body any, w *httptest.ResponseRecorder) {
	if os.Getenv("RISEPAN_GOLDEN") != "1" || w.Code >= 300 {
		return
	}
	path, query, _ := strings.Cut(path, "?")
	if strings.HasPrefix(query, "only=") { // a part of the shape alone
		return
	}
	key := routeOf(method, path)
	takes, gives, err := api.Documented(key)
	if err != nil {
		return
	}
	recordings.Lock()
	defer recordings.Unlock()
	if _, had := recordings.of[key]; had {
		return
	}
	var e api.Example
	if takes != "" {
		if text, ok := body.(string); ok {
			e.Request = stdjson.RawMessage(text)
		} else {
			e.Request, _ = stdjson.Marshal(body)
		}
		e.Request = shortened(e.Request)
	}
	if gives != "" {
		e.Response = shortened(w.Body.Bytes())
	}
	if recordings.of == nil {
		recordings.of = map[string]api.Example{}
	}
	recordings.of[key] = e
}

// writeExamples writes the document's examples anew from the calls that all tests made, where that is asked for.
func writeExamples() {
	if os.Getenv("RISEPAN_GOLDEN") != "1" {
		return
	}
	b, err := stdjson.MarshalIndent(recordings.of, "", " ")
	if err == nil {
		err = os.WriteFile("examples.json", append(b, '\n'), 0o644)
	}
	if err != nil {
		panic(err)
	}
}

var segment = regexp.MustCompile(`:\w+`)

// routeOf is the call that a path belongs to.
func routeOf(method, path string) string {
	best := ""
	for _, key := range api.DocumentedRoutes() {
		of, pattern, _ := strings.Cut(key, " ")
		if of != method {
			continue
		}
		if pattern == path {
			return key
		}
		if ok, _ := regexp.MatchString("^"+segment.ReplaceAllString(regexp.QuoteMeta(pattern),
			`([0-9a-f-]{36}|[0-9-]{10})`)+"$", path); ok {
			best = key
		}
	}
	return best
}

// shortened is JSON with two of each list at the most: an example shows the shape.
func shortened(b []byte) stdjson.RawMessage {
	var v any
	if stdjson.Unmarshal(b, &v) != nil {
		return nil
	}
	var cut func(v any) any
	cut = func(v any) any {
		switch v := v.(type) {
		case []any:
			if len(v) > 2 {
				v = v[:2]
			}
			for n := range v {
				v[n] = cut(v[n])
			}
			return v
		case map[string]any:
			for k := range v {
				v[k] = cut(v[k])
			}
		}
		return v
	}
	out, _ := stdjson.Marshal(cut(v))
	return out
}

// The document lists every call of the router and no other, and docs/openapi.json is what the program serves.
func TestEveryCallIsDocumented(t *testing.T) {
	var known []string
	for _, r := range api.Routes() {
		known = append(known, r.Method+" "+r.Path)
	}
	slices.Sort(known)
	if documented := api.DocumentedRoutes(); !slices.Equal(known, documented) {
		for _, k := range known {
			if !slices.Contains(documented, k) {
				t.Errorf("%s is not documented", k)
			}
		}
		for _, d := range documented {
			if !slices.Contains(known, d) {
				t.Errorf("%s is documented and is no call", d)
			}
		}
	}
	kept, err := os.ReadFile("../docs/openapi.json")
	if os.Getenv("RISEPAN_GOLDEN") == "docs" {
		err = os.WriteFile("../docs/openapi.json", api.OpenAPI(), 0o644)
		kept = api.OpenAPI()
	}
	if err != nil || !bytes.Equal(kept, api.OpenAPI()) {
		t.Errorf("docs/openapi.json is stale (%v): RISEPAN_GOLDEN=1 go test ./api writes the examples, and "+
			"RISEPAN_GOLDEN=docs the document", err)
	}
}

// docs/limits.md is the table of limits as it is.
func TestTheLimitsAreWrittenDown(t *testing.T) {
	if os.Getenv("RISEPAN_GOLDEN") == "docs" {
		if err := os.WriteFile("../docs/limits.md", api.Limits(), 0o644); err != nil {
			t.Fatal(err)
		}
	}
	kept, err := os.ReadFile("../docs/limits.md")
	if err != nil || !bytes.Equal(kept, api.Limits()) {
		t.Errorf("docs/limits.md is stale (%v): RISEPAN_GOLDEN=docs go test ./api writes it", err)
	}
}

// Every call that sends or gives JSON has an example from a test, which fits the shapes of the document.
func TestExamplesFitTheDocument(t *testing.T) {
	var examples map[string]api.Example
	b, err := os.ReadFile("examples.json")
	if err == nil {
		err = stdjson.Unmarshal(b, &examples)
	}
	if err != nil {
		t.Fatal(err)
	}
	doc, err := jsonschema.UnmarshalJSON(bytes.NewReader(api.Schema()))
	if err != nil {
		t.Fatal(err)
	}
	c := jsonschema.NewCompiler()
	if err := c.AddResource("api.json", doc); err != nil {
		t.Fatal(err)
	}
	for _, key := range api.DocumentedRoutes() {
		takes, gives, _ := api.Documented(key)
		for _, half := range []struct {
			shape, what string
			example     stdjson.RawMessage
		}{{takes, "request", examples[key].Request}, {gives, "response", examples[key].Response}} {
			if half.shape == "" {
				continue
			}
			if half.example == nil {
				t.Errorf("%s has no example of its %s", key, half.what)
				continue
			}
			s, err := c.Compile("api.json#/$defs/" + half.shape)
			if err != nil {
				t.Fatal(err)
			}
			v, err := jsonschema.UnmarshalJSON(bytes.NewReader(half.example))
			if err == nil {
				err = s.Validate(v)
			}
			if err != nil {
				t.Errorf("the %s of %s is no %s: %v", half.what, key, half.shape, err)
			}
		}
	}
}
