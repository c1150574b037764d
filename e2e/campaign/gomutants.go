package main

import (
	"fmt"
	"go/ast"
	"go/parser"
	"go/token"
	"io/fs"
	"os"
	"path/filepath"
	"strconv"
	"strings"
)

// opposites are operators and what is the opposite of each; boundaries, those that differ by a hair.
var (
	opposites = map[token.Token]token.Token{
		token.LSS: token.GEQ, token.GEQ: token.LSS, token.GTR: token.LEQ, token.LEQ: token.GTR, token.EQL: token.NEQ,
		token.NEQ:  token.EQL,
		token.LAND: token.LOR, token.LOR: token.LAND, token.ADD: token.SUB, token.SUB: token.ADD, token.MUL: token.QUO,
		token.QUO: token.MUL,
	}
	boundaries = map[token.Token]token.Token{token.LSS: token.LEQ, token.LEQ: token.LSS, token.GTR: token.GEQ,
		token.GEQ: token.GTR}
)

// goMutants lists the mutants of some folders' Go files, tests and their helpers left out.
func goMutants(folders ...string) func(string) ([]mutation, error) {
	return func(root string) (out []mutation, err error) {
		for _, folder := range folders {
			err := filepath.WalkDir(filepath.Join(root, folder), func(path string, d fs.DirEntry, err error) error {
				helps := strings.HasSuffix(filepath.Dir(path), "test")
				if err != nil || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") || helps {
					return err
				}
				of, err := mutantsOf(root, path)
				out = append(out, of...)
				return err
			})
			if err != nil {
				return nil, err
			}
		}
		return out, nil
	}
}

func mutantsOf(root, path string) (out []mutation, err error) {
	text, err := os.ReadFile(path)
	if err != nil {
		return nil, err
	}
	files := token.NewFileSet()
	f, err := parser.ParseFile(files, path, text, 0)
	if err != nil {
		return nil, err
	}
	name, err := filepath.Rel(root, path)
	source := func(n ast.Node) string {
		return string(text[files.Position(n.Pos()).Offset:files.Position(n.End()).Offset])
	}
	add := func(pos token.Pos, kind, was, now string) {
		at := files.Position(pos)
		out = append(out, mutation{name, at.Offset, at.Line, kind, was, now})
	}
	drop := func(cond ast.Expr) {
		for _, now := range []string{"true", "false"} {
			add(cond.Pos(), "condition", source(cond), fmt.Sprintf("(%s || true) == %s", source(cond), now))
		}
	}
	ast.Inspect(f, func(n ast.Node) bool {
		switch n := n.(type) {
		case *ast.BinaryExpr:
			if to, ok := opposites[n.Op]; ok {
				add(n.OpPos, "opposite", n.Op.String(), to.String())
			}
			if to, ok := boundaries[n.Op]; ok {
				add(n.OpPos, "boundary", n.Op.String(), to.String())
			}
			if n.Op == token.LAND || n.Op == token.LOR {
				add(n.Pos(), "condition", source(n), source(n.X))
				add(n.Pos(), "condition", source(n), source(n.Y))
			}
		case *ast.IfStmt:
			if !isError(n.Cond) {
				drop(n.Cond)
			}
		case *ast.BasicLit:
			if now, ok := more(n); ok {
				add(n.Pos(), "constant", n.Value, now)
			}
		case *ast.CallExpr:
			for i := 0; i+1 < len(n.Args); i++ {
				a, b := source(n.Args[i]), source(n.Args[i+1])
				both := string(text[files.Position(n.Args[i].Pos()).Offset:files.Position(n.Args[i+1].End()).Offset])
				if a != b && !strings.HasPrefix(a, `"`) {
					add(n.Args[i].Pos(), "swapped", both, b+", "+a)
				}
			}
		case *ast.GenDecl:
			return n.Tok != token.IMPORT
		}
		return true
	})
	return out, err
}

// isError reports whether a condition asks for an error alone: an error of the disk or the database is not to be had
// in a test.
func isError(e ast.Expr) bool {
	b, ok := e.(*ast.BinaryExpr)
	if !ok {
		return false
	}
	x, named := b.X.(*ast.Ident)
	y, none := b.Y.(*ast.Ident)
	return named && none && x.Name == "err" && y.Name == "nil"
}

// more is a number, a little larger.
func more(l *ast.BasicLit) (string, bool) {
	switch l.Kind {
	case token.INT:
		n, err := strconv.Atoi(l.Value)
		return strconv.Itoa(n + 1), err == nil
	case token.FLOAT:
		f, err := strconv.ParseFloat(l.Value, 64)
		return strconv.FormatFloat(f*1.1, 'f', -1, 64), err == nil && f != 0
	}
	return "", false
}
