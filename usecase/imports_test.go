package usecase_test

import (
	"go/parser"
	"go/token"
	"path/filepath"
	"slices"
	"strconv"
	"strings"
	"testing"
)

// arrows are what each room outside core may know, beside core. Nobody but the API knows HTTP, nobody but the store
// SQL.
var arrows = map[string]struct{ rooms, never []string }{
	"store":   {nil, []string{"net/http", "github.com/gin-gonic/gin"}},
	"formats": {nil, []string{"net/http", "database/sql", "github.com/gin-gonic/gin"}},
	"auth":    {nil, []string{"net/http", "database/sql", "github.com/gin-gonic/gin"}},
	"usecase": {[]string{"store", "formats", "auth", "photo"}, []string{"net/http", "database/sql",
		"github.com/gin-gonic/gin"}},
	"api": {[]string{"usecase", "store", "formats", "auth", "photo", "gate"}, []string{"database/sql"}},
}

func TestArrowsOutsideTheCore(t *testing.T) {
	files := token.NewFileSet()
	for room, may := range arrows {
		all, err := filepath.Glob("../" + room + "/*.go")
		if err != nil || len(all) == 0 {
			t.Fatalf("%s has no files (%v)", room, err)
		}
		for _, path := range all {
			if strings.HasSuffix(path, "_test.go") {
				continue
			}
			f, err := parser.ParseFile(files, path, nil, parser.ImportsOnly)
			if err != nil {
				t.Fatal(err)
			}
			for _, i := range f.Imports {
				name, _ := strconv.Unquote(i.Path.Value)
				inner, ours := strings.CutPrefix(name, "risepan/")
				switch {
				case slices.Contains(may.never, name):
					t.Errorf("%s imports %s", path, name)
				case ours && !strings.HasPrefix(inner, "core/") && !slices.Contains(may.rooms, inner):
					t.Errorf("%s: the room %s may not know %s", path, room, inner)
				}
			}
		}
	}
}
