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
	b := breaker{name: name, text: string(text), files: files}
	ast.Inspect(f, func(n ast.Node) bool {
		switch n := n.(type) {
		case *ast.BinaryExpr:
			b.operator(n)
		case *ast.IfStmt:
			b.condition(n.Cond)
		case *ast.BasicLit:
			if now, ok := more(n); ok {
				b.add(n.Pos(), "constant", n.Value, now)
			}
		case *ast.CallExpr:
			b.arguments(n)
		case *ast.GenDecl:
			return n.Tok != token.IMPORT
		}
		return true
	})
	return b.out, err
}

// breaker collects the mutants of one file.
type breaker struct {
	name, text string
	files      *token.FileSet
	out        []mutation
}

func (b *breaker) source(from, to token.Pos) string {
	return b.text[b.files.Position(from).Offset:b.files.Position(to).Offset]
}

func (b *breaker) add(pos token.Pos, kind, was, now string) {
	at := b.files.Position(pos)
	b.out = append(b.out, mutation{b.name, at.Offset, at.Line, kind, was, now})
}

// operator turns an operator round, moves a boundary, and drops one side of a condition.
func (b *breaker) operator(n *ast.BinaryExpr) {
	if to, ok := opposites[n.Op]; ok {
		b.add(n.OpPos, "opposite", n.Op.String(), to.String())
	}
	if to, ok := boundaries[n.Op]; ok {
		b.add(n.OpPos, "boundary", n.Op.String(), to.String())
	}
	if n.Op == token.LAND || n.Op == token.LOR {
		whole := b.source(n.Pos(), n.End())
		b.add(n.Pos(), "condition", whole, b.source(n.X.Pos(), n.X.End()))
		b.add(n.Pos(), "condition", whole, b.source(n.Y.Pos(), n.Y.End()))
	}
}

// condition makes a condition always true, and always false.
func (b *breaker) condition(cond ast.Expr) {
	if isError(cond) {
		return
	}
	was := b.source(cond.Pos(), cond.End())
	for _, now := range []string{"true", "false"} {
		b.add(cond.Pos(), "condition", was, fmt.Sprintf("(%s || true) == %s", was, now))
	}
}

// arguments swaps two arguments that follow one another, but for those whose order does not matter.
func (b *breaker) arguments(n *ast.CallExpr) {
	if f, ok := n.Fun.(*ast.Ident); ok && (f.Name == "min" || f.Name == "max") {
		return
	}
	for i := 0; i+1 < len(n.Args); i++ {
		first, second := b.source(n.Args[i].Pos(), n.Args[i].End()), b.source(n.Args[i+1].Pos(), n.Args[i+1].End())
		if first != second && !strings.HasPrefix(first, `"`) {
			b.add(n.Args[i].Pos(), "swapped", b.source(n.Args[i].Pos(), n.Args[i+1].End()), second+", "+first)
		}
	}
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
