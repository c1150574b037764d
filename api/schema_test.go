package api_test

import (
	"bytes"
	"os"
	"os/exec"
	"path/filepath"
	"strings"
	"testing"

	stdjson "encoding/json"

	"github.com/santhosh-tekuri/jsonschema/v6"

	"risepan/api"
)

// The front end's types are those that the Go shapes give today; ./tools/types writes them anew.
func TestTheFrontEndsTypesAreCurrent(t *testing.T) {
	dir := t.TempDir()
	schema, out := filepath.Join(dir, "schema.json"), filepath.Join(dir, "types.gen.ts")
	if err := os.WriteFile(schema, api.Schema(), 0o600); err != nil {
		t.Fatal(err)
	}
	cmd := exec.Command("node", "node_modules/json-schema-to-typescript/dist/src/cli.js", "-i", schema, "-o", out,
		"--additionalProperties=false")
	cmd.Dir = "../ui"
	if text, err := cmd.CombinedOutput(); err != nil {
		t.Fatalf("json2ts: %v: %s", err, text)
	}
	want, err := os.ReadFile(out)
	if err != nil {
		t.Fatal(err)
	}
	got, err := os.ReadFile("../ui/src/client/types.gen.ts")
	if err != nil || !bytes.Equal(got, want) {
		t.Errorf("ui/src/client/types.gen.ts is stale (%v): run ./tools/types", err)
	}
	squeeze := func(b []byte) string { // prettier breaks lines
		return strings.ReplaceAll(strings.Join(strings.Fields(string(b)), ""), ",]", "]")
	}
	words, err := os.ReadFile("../ui/src/client/words.gen.ts")
	if err != nil || squeeze(words) != squeeze(api.Words()) {
		t.Errorf("ui/src/client/words.gen.ts is stale (%v): run ./tools/types", err)
	}
}

// Real answers of every endpoint fit the schema that the types are made from.
func TestRealAnswersFitTheSchema(t *testing.T) {
	c := jsonschema.NewCompiler()
	doc, err := jsonschema.UnmarshalJSON(bytes.NewReader(api.Schema()))
	if err != nil {
		t.Fatal(err)
	}
	if err := c.AddResource("api.json", doc); err != nil {
		t.Fatal(err)
	}
	h := open(t)
	bake := h.start("Mooring raisin loaf", "k")
	w := h.wish("Sluice-gate egg loaf")
	put(w, "time/ready", "2026-03-11T07:00")
	put(w, "loaf/size", "2 lb")
	for _, a := range []struct {
		shape, method, path string
		body                any
		header              []string
	}{
		{"Shelf", "GET", "~", nil, nil},
		{"PlanAnswer", "POST", "~/plan", w, nil},
		{"Profiles", "GET", "~/machines/profiles", nil, nil},
		{"MachineRead", "GET", "~/machines/" + w["machine"].(string), nil, nil},
		{"Compared", "POST", "~/machines/" + w["machine"].(string) + "/compare",
			map[string]any{"cycles": []string{"basic", "rapid"}, "size": "1 lb", "crust": "dark"}, nil},
		{"Larder", "GET", "~/larder", nil, nil},
		{"Kitchens", "GET", "/api/v1/kitchens", nil, nil}, {"Recipes", "GET", "~/recipes?find=egg", nil, nil},
		{"MachinesAway", "GET", "~/machines/away", nil, nil},
		{"Offers", "POST", "~/plan/offers", map[string]any{"wish": w}, nil}, {"Log", "GET", "~/bakes/running", nil,
			nil},
		{"RecipeKept", "POST", "~/recipes/" + w["recipe"].(string) + "/swaps",
			map[string]any{"revision": 1, "swaps": []any{map[string]any{"line": "l1", "swap": "milk>dry-milk"}}},
			[]string{"Idempotency-Key", "y"}},
		{"Log", "GET", "~/bakes", nil, nil},
		{"BakeView", "GET", "~/bakes/" + bake.ID, nil, nil},
		{"BakeTold", "POST", "~/bakes/" + bake.ID + "/happenings", map[string]any{"what": "taken out"},
			[]string{"Idempotency-Key", "x"}},
	} {
		s, err := c.Compile("api.json#/$defs/" + a.shape)
		if err != nil {
			t.Fatal(err)
		}
		var raw stdjson.RawMessage
		h.must(map[bool]int{true: 201, false: 200}[len(a.header) > 0], a.method, a.path, a.body, (*rawText)(&raw),
			a.header...)
		v, err := jsonschema.UnmarshalJSON(bytes.NewReader(raw))
		if err != nil {
			t.Fatal(err)
		}
		if err := s.Validate(v); err != nil {
			t.Errorf("%s %s is no %s: %v", a.method, a.path, a.shape, err)
		}
	}
}

// rawText keeps an answer as it came.
type rawText stdjson.RawMessage

func (r *rawText) UnmarshalJSON(b []byte) error { *r = append((*r)[:0], b...); return nil }
