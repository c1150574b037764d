package store_test

import (
	"go/ast"
	"go/parser"
	"go/token"
	"os"
	"path/filepath"
	"regexp"
	"strconv"
	"strings"
	"testing"

	"risepan/store/storetest"
)

// ofAll are the statements that are about the whole house: each with the reason why it names no kitchen.
var ofAll = map[string]string{
	"SELECT id, name, is_demo FROM kitchens WHERE NOT put_away ORDER BY id": "the kitchens to choose from, " +
		"for commands and backups",
	"SELECT id, name, is_demo FROM kitchens WHERE put_away ORDER BY id DESC":      "the same, of those put away",
	"DELETE FROM idempotency WHERE created_at < ? ORDER BY created_at LIMIT 1000": "what has served its time",
	"SELECT k.id, k.name, k.is_demo FROM kitchens k LEFT JOIN households h ON h.kitchen_id = k.id WHERE NOT " +
		"k.put_away AND h.id IS NULL ORDER BY k.id": "kitchens without a household, for this computer alone",
}

var (
	reads = regexp.MustCompile(`(?i)\b(?:FROM|JOIN|UPDATE|INTO)\s+([a-z_]+)`)
	holds = regexp.MustCompile(`(?i)\b(?:[a-z]+\.)?kitchen_id = (?:\?|[a-z]+\.id)`)
)

// No statement can forget its kitchen: each that reads or changes a table with a kitchen in it names the kitchen, or is
// among the few that are about the house. The statements are found in the source itself.
func TestEveryStatementNamesItsKitchen(t *testing.T) {
	owned := map[string]bool{}
	for _, table := range storetest.TablesWith(t, storetest.Open(t), "kitchen_id") {
		owned[table] = true
	}
	// found by secrets and names, which is what they are for
	for _, house := range []string{"households", "addresses", "asides"} {
		delete(owned, house)
	}
	files, err := filepath.Glob("*.go")
	if err != nil {
		t.Fatal(err)
	}
	seen := 0
	for _, file := range files {
		if strings.HasSuffix(file, "_test.go") {
			continue
		}
		src, err := os.ReadFile(file)
		if err != nil {
			t.Fatal(err)
		}
		set := token.NewFileSet()
		tree, err := parser.ParseFile(set, file, src, 0)
		if err != nil {
			t.Fatal(err)
		}
		for _, s := range statements(tree) {
			seen++
			if ofAll[s.text] != "" || strings.HasPrefix(s.text, "INSERT") && strings.Contains(s.text, "kitchen_id") {
				continue
			}
			for _, m := range reads.FindAllStringSubmatch(s.text, -1) {
				if owned[m[1]] && !holds.MatchString(s.text) {
					t.Errorf("%s: %s is asked without its kitchen: %s", set.Position(s.at), m[1], s.text)
				}
			}
		}
	}
	if seen < 60 {
		t.Errorf("only %d statements were found", seen)
	}
}

type said struct {
	text string
	at   token.Pos
}

// statements are the SQL texts of a file: what stands in its literals, those that are joined taken together.
func statements(tree *ast.File) []said {
	var out []said
	var text func(e ast.Expr) string
	text = func(e ast.Expr) string {
		switch e := e.(type) {
		case *ast.BasicLit:
			s, _ := strconv.Unquote(e.Value)
			return s
		case *ast.BinaryExpr:
			return text(e.X) + text(e.Y)
		}
		return " x "
	}
	inside := map[ast.Node]bool{}
	ast.Inspect(tree, func(n ast.Node) bool {
		e, ok := n.(ast.Expr)
		if !ok || inside[n] {
			return true
		}
		if b, ok := n.(*ast.BinaryExpr); ok {
			inside[b.X], inside[b.Y] = true, true
		}
		switch e.(type) {
		case *ast.BasicLit, *ast.BinaryExpr:
			s := strings.TrimSpace(text(e))
			for _, verb := range []string{"SELECT ", "INSERT ", "UPDATE ", "DELETE "} {
				if strings.HasPrefix(s, verb) {
					out = append(out, said{s, n.Pos()})
				}
			}
		}
		return true
	})
	return out
}
