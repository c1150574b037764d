package main

import (
	"context"
	"fmt"
	"maps"
	"math/rand/v2"
	"os"
	"os/exec"
	"path/filepath"
	"slices"
	"strings"
	"syscall"
	"time"

	"risepan/e2e/drive"
)

// mutation is one place of the source, and what it is turned into.
type mutation struct {
	file     string
	at       int // bytes into the file
	line     int
	kind     string // boundary, opposite, condition, constant, swapped
	was, now string
}

func (m mutation) String() string {
	return fmt.Sprintf("%s:%d  %s: %s -> %s", m.file, m.line, m.kind, squeezed(m.was), squeezed(m.now))
}

func squeezed(s string) string {
	if s = strings.Join(strings.Fields(s), " "); len(s) > 60 {
		return s[:60] + "…"
	}
	return s
}

// ground is a part of the program that is broken, and the tests that shall say so.
type ground struct {
	mutants func(root string) ([]mutation, error)
	builds  []string                     // what says whether a mutant is a program at all
	tests   func(file string) [][]string // packages, by turns
}

// grounds are the parts by their names. The fast tests alone are run: those that need no journey through the pages.
var grounds = map[string]ground{
	"core": {
		mutants: goMutants("core"),
		builds:  []string{"vet", "./core/..."},
		tests: func(file string) [][]string {
			return [][]string{{"./" + filepath.Dir(file)}, {"./core/..."}, {"./usecase", "./api", "./formats"}}
		},
	},
	"server": {
		mutants: goMutants("usecase", "api", "store"),
		builds:  []string{"vet", "./usecase", "./api", "./store"},
		tests: func(file string) [][]string {
			return [][]string{{"./" + filepath.Dir(file)}, {"./usecase", "./api", "./store", "./backup", "./demo"}}
		},
	},
	"screens": {
		mutants: typeScriptMutants,
		tests:   func(string) [][]string { return [][]string{{"./ui"}} },
	},
}

// mutations breaks n places of the last commit's source in each ground, drawn at random, one at a time: a boundary
// moved, an operator turned round, a condition dropped, a constant changed, two arguments swapped. A mutant dies
// when a test fails. Draws that do not compile do not count.
func mutations(temp string, n int, random *rand.Rand, where string) error {
	names := slices.Sorted(maps.Keys(grounds))
	if where != "" {
		if _, known := grounds[where]; !known {
			return fmt.Errorf("break one of %s, not %q", strings.Join(names, ", "), where)
		}
		names = []string{where}
	}
	copied, err := copyOf(temp)
	if err != nil {
		return err
	}
	for _, name := range names {
		if err := breakGround(copied, name, n, random); err != nil {
			return err
		}
	}
	return nil
}

// copyOf is a copy of the last commit with what is built of the front end.
func copyOf(temp string) (string, error) {
	copied := filepath.Join(temp, "copy")
	if out, err := exec.Command("git", "clone", "-q", drive.Root(), copied).CombinedOutput(); err != nil {
		return "", fmt.Errorf("a copy of the last commit: %w: %s", err, out)
	}
	built := filepath.Join(copied, "ui/dist")
	if err := os.RemoveAll(built); err != nil {
		return "", err
	}
	if err := os.CopyFS(built, os.DirFS(filepath.Join(drive.Root(), "ui/dist"))); err != nil {
		return "", fmt.Errorf("the built front end, which ./start builds: %w", err)
	}
	return copied, os.Symlink(filepath.Join(drive.Root(), "ui/node_modules"), filepath.Join(copied, "ui/node_modules"))
}

func breakGround(root, name string, n int, random *rand.Rand) error {
	began, g := time.Now(), grounds[name]
	all, err := g.mutants(root)
	if err != nil {
		return err
	}
	byKind := map[string][]mutation{}
	for _, m := range all {
		byKind[m.kind] = append(byKind[m.kind], m)
	}
	kinds := slices.Sorted(maps.Keys(byKind))
	if name == "core" || name == "server" { // what fails before anything is broken tells nothing
		if said, ok := passes(root, [][]string{{"./core/...", "./usecase", "./api", "./store", "./formats"}}); !ok {
			return fmt.Errorf("a test fails before anything is broken:\n%s", said)
		}
	}
	var lived []mutation
	for tried := 0; tried < n; {
		of := byKind[kinds[random.IntN(len(kinds))]]
		m := of[random.IntN(len(of))]
		died, counts, err := try(root, g, m)
		if err != nil {
			return err
		}
		if !counts {
			continue
		}
		tried++
		word := "died "
		if !died {
			word, lived = "LIVED", append(lived, m)
		}
		fmt.Printf("%s %2d  %s  %s\n", name, tried, word, m)
	}
	fmt.Printf("%s: %d of %d made a test fail, drawn of %d mutants. All took %.0f s.\n", name, n-len(lived), n,
		len(all), time.Since(began).Seconds())
	return nil
}

// try breaks one place, and mends it again.
func try(root string, g ground, m mutation) (died, counts bool, err error) {
	file := filepath.Join(root, m.file)
	whole, err := os.ReadFile(file)
	if err != nil {
		return false, false, err
	}
	defer func() { err = os.WriteFile(file, whole, 0o644) }()
	broken := string(whole[:m.at]) + m.now + string(whole[m.at+len(m.was):])
	if err := os.WriteFile(file, []byte(broken), 0o644); err != nil {
		return false, false, err
	}
	if len(g.builds) > 0 && !run(root, g.builds...) {
		return false, false, nil
	}
	_, ok := passes(root, g.tests(m.file))
	return !ok, true, nil
}

// patience is how long the tests of one turn may take: a mutant that never ends is dead.
const mutantPatience = 4 * time.Minute

// passes runs tests by turns, and tells whether all pass.
func passes(in string, turns [][]string) (said []byte, ok bool) {
	for _, packages := range turns {
		ctx, cancel := context.WithTimeout(context.Background(), mutantPatience)
		cmd := exec.CommandContext(ctx, "go", append([]string{"test", "-failfast", "-vet=off", "-timeout", "3m"},
			packages...)...)
		cmd.Dir = in
		cmd.SysProcAttr = &syscall.SysProcAttr{Setpgid: true}
		cmd.Cancel = func() error { return syscall.Kill(-cmd.Process.Pid, syscall.SIGKILL) }
		out, err := cmd.CombinedOutput()
		cancel()
		if err != nil {
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
