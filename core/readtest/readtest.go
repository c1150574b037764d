// Package readtest holds what a room says to what it said before: whole answers, of which other tests look at single
// figures and words.
package readtest

import (
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"fmt"
	"math"
	"os"
	"strings"
	"testing"
)

// Said is one answer.
type Said struct {
	Name  string
	Value any
}

const page = "testdata/said.txt"

// Hold compares answers, in their order, with those on the page testdata/said.txt, where a short sum stands for each. One that
// changed on purpose is taken over by RISEPAN_GOLDEN=1 go test; what it now is, is told by go test -v.
func Hold(t *testing.T, all []Said) {
	t.Helper()
	lines := make([]string, len(all))
	for n, s := range all {
		lines[n] = sum(t, s.Value) + " " + s.Name
	}
	if os.Getenv("RISEPAN_GOLDEN") == "1" {
		if err := os.WriteFile(page, []byte(strings.Join(lines, "\n")+"\n"), 0o644); err != nil {
			t.Fatal(err)
		}
	}
	b, err := os.ReadFile(page)
	if err != nil {
		t.Fatal(err)
	}
	before := strings.Split(strings.TrimSuffix(string(b), "\n"), "\n")
	if len(before) != len(lines) {
		t.Fatalf("%d answers, and %d on %s", len(lines), len(before), page)
	}
	differ := 0
	for n, line := range lines {
		if line == before[n] {
			continue
		}
		if differ++; differ <= 5 {
			t.Errorf("%s is answered otherwise than before", all[n].Name)
			now, _ := json.MarshalIndent(all[n].Value, "", " ")
			t.Logf("%s", now)
		}
	}
	if differ > 5 {
		t.Errorf("and %d more", differ-5)
	}
}

// sum stands for a value as it is sent, its numbers to six figures.
func sum(t *testing.T, v any) string {
	t.Helper()
	b, err := json.Marshal(v)
	if err != nil {
		t.Fatal(err)
	}
	var sent any
	if err := json.Unmarshal(b, &sent); err != nil {
		t.Fatal(err)
	}
	h := sha256.New()
	fmt.Fprint(h, rounded(sent))
	return hex.EncodeToString(h.Sum(nil)[:6])
}

func rounded(v any) any {
	switch v := v.(type) {
	case float64:
		if v == 0 {
			return v
		}
		unit := math.Pow(10, math.Floor(math.Log10(math.Abs(v)))-5)
		return math.Round(v/unit) * unit
	case []any:
		for n := range v {
			v[n] = rounded(v[n])
		}
	case map[string]any: // printed in the order of its names
		for name := range v {
			v[name] = rounded(v[name])
		}
	}
	return v
}
