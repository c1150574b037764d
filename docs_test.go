package risepan_test

import (
	"go/ast"
	"go/doc"
	"go/doc/comment"
	"go/parser"
	"go/token"
	"io/fs"
	"os"
	"path/filepath"
	"regexp"
	"strings"
	"testing"
)

// bracketed is what looks like a link to a name.
var bracketed = regexp.MustCompile(`\[\*?[A-Za-z]\w*(?:\.[A-Z]\w*)*\]`)

// Every package says what it is, and every link in what it says leads to a name that is there.
func TestPackagesAreDocumented(t *testing.T) {
	files := token.NewFileSet()
	rooms := map[string][]*ast.File{}
	err := filepath.WalkDir(".", func(path string, d fs.DirEntry, err error) error {
		switch {
		case err != nil:
			return err
		case d.IsDir() && (d.Name() == "node_modules" || d.Name() == "var" || d.Name() == "testdata"):
			return filepath.SkipDir
		case d.IsDir() || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go"):
			return nil
		}
		f, err := parser.ParseFile(files, path, nil, parser.ParseComments)
		rooms[filepath.Dir(path)] = append(rooms[filepath.Dir(path)], f)
		return err
	})
	if err != nil {
		t.Fatal(err)
	}
	for room, parsed := range rooms {
		p, err := doc.NewFromFiles(files, parsed, "risepan/"+filepath.ToSlash(room))
		if err != nil {
			t.Errorf("%s: %v", room, err)
			continue
		}
		if p.Doc == "" {
			t.Errorf("%s does not say what it is", room)
		}
		told := []string{p.Doc}
		for _, typ := range p.Types {
			told = append(told, typ.Doc)
			for _, f := range append(typ.Funcs, typ.Methods...) {
				told = append(told, f.Doc)
			}
		}
		for _, f := range p.Funcs {
			told = append(told, f.Doc)
		}
		for _, text := range told {
			for _, name := range unresolved(p.Parser().Parse(text)) {
				t.Errorf("%s links to %s, which is not there", room, name)
			}
		}
	}
}

// unresolved are what looks like links and is left as plain text.
func unresolved(d *comment.Doc) (out []string) {
	for _, block := range d.Content {
		p, ok := block.(*comment.Paragraph)
		if !ok {
			continue
		}
		for _, t := range p.Text {
			if plain, ok := t.(comment.Plain); ok {
				out = append(out, bracketed.FindAllString(string(plain), -1)...)
			}
		}
	}
	return out
}

var pageLink = regexp.MustCompile(`\]\(([^)#]+)(?:#[^)]*)?\)`)

// Every link between the pages of the documents leads to a file.
func TestLinksBetweenPagesResolve(t *testing.T) {
	pages, err := filepath.Glob("docs/*.md")
	if err != nil {
		t.Fatal(err)
	}
	top, err := filepath.Glob("*.md")
	if err != nil {
		t.Fatal(err)
	}
	for _, page := range append(pages, top...) {
		b, err := os.ReadFile(page)
		if err != nil {
			t.Fatal(err)
		}
		for _, m := range pageLink.FindAllStringSubmatch(string(b), -1) {
			if strings.Contains(m[1], "://") {
				continue
			}
			if _, err := os.Stat(filepath.Join(filepath.Dir(page), m[1])); err != nil {
				t.Errorf("%s links to %s, which is not there", page, m[1])
			}
		}
	}
}
