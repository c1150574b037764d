package main

import (
	"fmt"
	"go/ast"
	"go/parser"
	"go/token"
	"io/fs"
	"math/rand/v2"
	"os"
	"os/exec"
	"path/filepath"
	"strconv"
	"strings"
	"time"

	"risepan/e2e/drive"
)

// mutation is one operator or number of core, and what it is turned into.
type mutation struct {
	file     string
	at       int // bytes into the file
	line     int
	was, now string
}

func (m mutation) String() string {
	return fmt.Sprintf("%s:%d  %s -> %s", m.file, m.line, m.was, m.now)
}

// turned are operators and what is the opposite of each.
var turned = map[token.Token]token.Token{
	token.LSS: token.GEQ, token.GEQ: token.LSS, token.GTR: token.LEQ, token.LEQ: token.GTR, token.EQL: token.NEQ, token.NEQ: token.EQL,
	token.LAND: token.LOR, token.LOR: token.LAND, token.ADD: token.SUB, token.SUB: token.ADD, token.MUL: token.QUO, token.QUO: token.MUL,
}

// mutations breaks n rules of the last commit's core, drawn at random, one at a time: an operator turned round, a whole number
// one more, another a tenth more. One dies when a test of core, the API or the formats fails. Draws that do not compile do
// not count.
func mutations(temp string, n int, random *rand.Rand) error {
	began, copied := time.Now(), filepath.Join(temp, "copy")
	if out, err := exec.Command("git", "clone", "-q", drive.Root(), copied).CombinedOutput(); err != nil {
		return fmt.Errorf("a copy of the last commit: %w: %s", err, out)
	}
	built := filepath.Join(copied, "ui/dist")
	if err := os.RemoveAll(built); err != nil {
		return err
	}
	if err := os.CopyFS(built, os.DirFS(filepath.Join(drive.Root(), "ui/dist"))); err != nil {
		return fmt.Errorf("the built front end, which ./start builds: %w", err)
	}
	if err := os.Symlink(filepath.Join(drive.Root(), "ui/node_modules"), filepath.Join(copied, "ui/node_modules")); err != nil {
		return err
	}
	if out, ok := passes(copied); !ok {
		return fmt.Errorf("a test fails before anything is broken:\n%s", out)
	}
	all, err := rulesOf(copied)
	if err != nil {
		return err
	}
	var lived []mutation
	for tried := 0; tried < n; {
		m := all[random.IntN(len(all))]
		file := filepath.Join(copied, m.file)
		whole, err := os.ReadFile(file)
		if err != nil {
			return err
		}
		broken := string(whole[:m.at]) + m.now + string(whole[m.at+len(m.was):])
		if err := os.WriteFile(file, []byte(broken), 0o644); err != nil {
			return err
		}
		if run(copied, "vet", "./core/...") {
			tried++
			died := "died "
			if _, ok := passes(copied); ok {
				died, lived = "LIVED", append(lived, m)
			}
			fmt.Printf("%2d  %s  %s\n", tried, died, m)
		}
		if err := os.WriteFile(file, whole, 0o644); err != nil {
			return err
		}
	}
	fmt.Printf("%d of %d made a test fail, drawn of %d operators and numbers. All took %.0f s.\n", n-len(lived), n, len(all), time.Since(began).Seconds())
	return nil
}

// passes runs the tests that hold the rules, those of core first, and tells whether all pass.
func passes(in string) (said []byte, ok bool) {
	for _, of := range [][]string{{"./core/..."}, {"./api", "./formats"}} {
		cmd := exec.Command("go", append([]string{"test", "-failfast", "-timeout", "5m"}, of...)...)
		cmd.Dir = in
		if out, err := cmd.CombinedOutput(); err != nil {
			return out, false
		}
	}
	return nil, true
}

func run(in string, args ...string) bool {
	cmd := exec.Command("go", args...)
	cmd.Dir = in
	return cmd.Run() == nil
}

// rulesOf lists every operator and number of core that can be broken, tests left out.
func rulesOf(root string) (out []mutation, err error) {
	err = filepath.WalkDir(filepath.Join(root, "core"), func(path string, d fs.DirEntry, err error) error {
		if err != nil || !strings.HasSuffix(path, ".go") || strings.HasSuffix(path, "_test.go") || strings.HasSuffix(filepath.Dir(path), "test") {
			return err
		}
		files := token.NewFileSet()
		f, err := parser.ParseFile(files, path, nil, 0)
		if err != nil {
			return err
		}
		name, err := filepath.Rel(root, path)
		add := func(pos token.Pos, was, now string) {
			at := files.Position(pos)
			out = append(out, mutation{name, at.Offset, at.Line, was, now})
		}
		ast.Inspect(f, func(n ast.Node) bool {
			switch n := n.(type) {
			case *ast.BinaryExpr:
				if to, ok := turned[n.Op]; ok {
					add(n.OpPos, n.Op.String(), to.String())
				}
			case *ast.BasicLit:
				if now, ok := more(n); ok {
					add(n.Pos(), n.Value, now)
				}
			}
			return true
		})
		return err
	})
	return out, err
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
