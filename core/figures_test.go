package core_test

import (
	"bytes"
	"fmt"
	"go/ast"
	"go/parser"
	"go/printer"
	"go/token"
	"io/fs"
	"os"
	"path/filepath"
	"strings"
	"testing"
)

const page = "../docs/figures.md"

const head = `# The figures that the core reckons with

Every figure that stands at the head of a rule: constants with their units and what they stand for, and tables as they
are written. A figure and this page change together: ` + "`RISEPAN_GOLDEN=1 go test ./core -run Figures`" + ` writes the page, and the
same test without it fails while the two differ. The larder's own table is [larder.csv](../core/larder/larder.csv).
`

// A figure is not changed by a slip of the hand: whoever changes one changes the page that tells of it.
func TestFiguresAreThoseOnTheirPage(t *testing.T) {
	var out strings.Builder
	out.WriteString(head)
	files := token.NewFileSet()
	room := ""
	err := filepath.WalkDir(".", func(path string, d fs.DirEntry, err error) error {
		if err != nil || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") || strings.Contains(path, "test/") {
			return err
		}
		f, err := parser.ParseFile(files, path, nil, parser.ParseComments)
		if err != nil {
			return err
		}
		for _, d := range f.Decls {
			told := figures(files, d)
			if told == "" {
				continue
			}
			if at := filepath.ToSlash(filepath.Dir(path)); at != room {
				room = at
				fmt.Fprintf(&out, "\n## %s\n", room)
			}
			fmt.Fprintf(&out, "\n```go\n%s\n```\n", told)
		}
		return nil
	})
	if err != nil {
		t.Fatal(err)
	}
	if os.Getenv("RISEPAN_GOLDEN") == "1" {
		if err := os.WriteFile(page, []byte(out.String()), 0o644); err != nil {
			t.Fatal(err)
		}
	}
	kept, err := os.ReadFile(page)
	if err != nil {
		t.Fatal(err)
	}
	is, was := strings.Split(out.String(), "\n"), strings.Split(string(kept), "\n")
	for n := range is {
		if n >= len(was) || is[n] != was[n] {
			t.Fatalf("docs/figures.md differs at line %d: the core has %q. Where that is meant, RISEPAN_GOLDEN=1 go test ./core -run Figures writes the page", n+1, is[n])
		}
	}
	if len(is) != len(was) {
		t.Fatal("docs/figures.md tells of figures that the core has no more")
	}
}

var asWritten = printer.Config{Mode: printer.UseSpaces | printer.TabIndent, Tabwidth: 8}

// figures is a declaration of constants or of a table as it is written, where there is a figure in it.
func figures(files *token.FileSet, d ast.Decl) string {
	gen, ok := d.(*ast.GenDecl)
	if !ok || gen.Tok != token.CONST && gen.Tok != token.VAR {
		return ""
	}
	found, rules := false, false // what holds functions is rules, which have tests of their own
	ast.Inspect(gen, func(n ast.Node) bool {
		switch n := n.(type) {
		case *ast.FuncLit:
			rules = true
		case *ast.BasicLit:
			found = found || n.Kind == token.INT || n.Kind == token.FLOAT
		}
		return true
	})
	if !found || rules {
		return ""
	}
	var out bytes.Buffer
	if err := asWritten.Fprint(&out, files, gen); err != nil {
		return err.Error()
	}
	return out.String()
}
