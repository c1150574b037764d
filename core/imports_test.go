package core_test

import (
	"go/parser"
	"go/token"
	"io/fs"
	"os"
	"path/filepath"
	"strconv"
	"strings"
	"testing"
)

// allowed are the packages of the standard library that the rules of bread may use: no clock, disk,
// network, HTTP or SQL.
var allowed = map[string]bool{
	"cmp": true, "container/heap": true, "embed": true, "encoding/csv": true, "crypto/sha256": true, "encoding": true,
	"encoding/binary": true, "encoding/hex": true, "encoding/json": true, "errors": true, "fmt": true,
	"iter": true, "maps": true, "math": true, "math/big": true, "reflect": true, "regexp": true, "slices": true,
	"sort": true, "strconv": true,
	"strings": true, "sync": true, "time": true, "unicode": true, "unicode/utf8": true,
}

// long are the rooms whose searches stop when nobody waits for them.
var long = map[string]bool{"schedule": true, "day": true}

// forbidden are calls that reach outside the values that a rule is given.
var forbidden = []string{"time.Now(", "time.LoadLocation(", "time.Since(", "time.Local"}

// arrows lists which rooms each room may know, beside vocab and fault.
var arrows = map[string]string{
	"validate": "", "journal": "", "schedule": "", "measure": "", "larder": "validate measure",
	"recipe": "validate larder measure", "kind": "larder measure recipe",
	"formula": "kind larder measure recipe", "scale": "formula kind larder measure recipe", "scoop": "larder measure",
	"pan": "kind larder measure recipe", "machine": "validate measure pan",
	"choice":    "formula kind larder machine measure recipe",
	"timetable": "dough machine recipe", "dough": "advice larder machine measure", "swap": "formula larder measure recipe",
	"kitchen": "dough formula validate kind larder machine measure pan scale",
	"plan": "choice dough formula validate kind kitchen larder machine measure pan recipe scale scoop swap " +
		"timetable",
	"bake":      "advice journal validate kind machine otherwise plan recipe timetable dough measure",
	"bag":       "validate kitchen larder machine measure pan plan recipe",
	"standin":   "dough formula kind machine measure",
	"day":       "bake schedule validate kitchen larder machine plan recipe swap timetable vocab measure",
	"tally":     "kitchen larder measure scale",
	"verdict":   "bake bench dough kind kitchen larder machine measure otherwise pan plan recipe scale timetable",
	"rehearse":  "bake dough journal validate kind machine measure plan standin timetable",
	"advice":    "machine",
	"otherwise": "advice kind kitchen larder machine measure plan recipe",
	"bench":     "journal validate kind kitchen larder machine measure pan plan recipe scoop",
}

func TestCoreKnowsOnlyTheJob(t *testing.T) {
	files := token.NewFileSet()
	err := filepath.WalkDir(".", func(path string, d fs.DirEntry, err error) error {
		if err != nil || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") ||
			strings.Contains(path, "test/") {
			return err
		}
		room := strings.Split(filepath.ToSlash(path), "/")[0]
		f, err := parser.ParseFile(files, path, nil, 0)
		if err != nil {
			return err
		}
		for _, i := range f.Imports {
			name, _ := strconv.Unquote(i.Path.Value)
			inner, inCore := strings.CutPrefix(name, "risepan/core/")
			switch {
			case inCore && inner != "vocab" && inner != "fault":
				if may, known := arrows[room]; !known || !contains(may, inner) {
					t.Errorf("%s: the room %s may not know %s", path, room, inner)
				}
			case name == "context" && long[room]: // the searches alone take so long that nobody may wait any more
			case !inCore && !allowed[name]:
				t.Errorf("%s imports %s, which the core does without", path, name)
			}
		}
		return nil
	})
	if err != nil {
		t.Fatal(err)
	}
}

func contains(list, word string) bool {
	for _, w := range strings.Fields(list) {
		if w == word {
			return true
		}
	}
	return false
}

func TestCoreHasNoClockOfItsOwn(t *testing.T) {
	err := filepath.WalkDir(".", func(path string, d fs.DirEntry, err error) error {
		if err != nil || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") ||
			strings.Contains(path, "test/") {
			return err
		}
		text, err := readFile(path)
		for _, call := range forbidden {
			if strings.Contains(text, call) {
				t.Errorf("%s uses %s: the present comes in as an argument", path, call)
			}
		}
		return err
	})
	if err != nil {
		t.Fatal(err)
	}
}

func readFile(path string) (string, error) {
	b, err := os.ReadFile(path)
	return string(b), err
}
