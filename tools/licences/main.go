// Licences writes THIRD-PARTY.md: the licences of all that ships with Rise Pan, which are the Go modules that are built
// into the program and the npm packages that are built into its pages, fonts among them.
//
//	go run ./tools/licences           writes the file
//	go run ./tools/licences -check    fails where the file does not list what ships
package main

import (
	"bytes"
	"encoding/json"
	"flag"
	"fmt"
	"io"
	"log"
	"maps"
	"os"
	"os/exec"
	"path/filepath"
	"regexp"
	"slices"
	"strings"
)

const page = "THIRD-PARTY.md"

// part is something that ships, with the text of its licence.
type part struct{ name, version, text string }

func main() {
	log.SetFlags(0)
	check := flag.Bool("check", false, "only compare")
	flag.Parse()
	text, err := write()
	if err != nil {
		log.Fatal(err)
	}
	if !*check {
		if err := os.WriteFile(page, text, 0o644); err != nil {
			log.Fatal(err)
		}
		return
	}
	if is, err := os.ReadFile(page); err != nil || !bytes.Equal(is, text) {
		log.Fatalf("%s does not list what ships: go run ./tools/licences writes it", page)
	}
}

func write() ([]byte, error) {
	modules, err := goModules()
	if err != nil {
		return nil, err
	}
	packages, err := npmPackages()
	if err != nil {
		return nil, err
	}
	out := []byte("# What ships with Rise Pan\n\nMade by `go run ./tools/licences`.\n")
	for _, list := range []struct {
		title string
		parts []part
	}{{"Go modules, in the program", modules}, {"npm packages, in the pages", packages}} {
		out = fmt.Appendf(out, "\n## %s\n\n", list.title)
		for _, p := range list.parts {
			out = fmt.Appendf(out, "- %s %s\n", p.name, p.version)
		}
		for _, p := range list.parts {
			out = fmt.Appendf(out, "\n### %s\n\n```\n%s\n```\n", p.name, strings.TrimSpace(p.text))
		}
	}
	return out, nil
}

// goModules are the modules of the packages that are built into the program, and Go's own library.
func goModules() ([]part, error) {
	b, err := exec.Command("go", "list", "-deps", "-json=Module", "./cmd/rise-pan").Output()
	if err != nil {
		return nil, fmt.Errorf("go list: %w", err)
	}
	found := map[string]part{}
	for d := json.NewDecoder(bytes.NewReader(b)); ; {
		var p struct {
			Module *struct {
				Path, Version, Dir string
				Main               bool
			}
		}
		if err := d.Decode(&p); err == io.EOF {
			break
		} else if err != nil {
			return nil, err
		}
		if m := p.Module; m != nil && !m.Main && found[m.Path].name == "" {
			text, err := licenceIn(m.Dir)
			if err != nil {
				return nil, fmt.Errorf("%s: %w", m.Path, err)
			}
			found[m.Path] = part{m.Path, m.Version, text}
		}
	}
	return sorted(found), nil
}

// npmPackages are the packages that the pages are built of: those that the front end depends on, and theirs.
func npmPackages() ([]part, error) {
	b, err := os.ReadFile("ui/package-lock.json")
	if err != nil {
		return nil, err
	}
	var lock struct {
		Packages map[string]struct {
			Version                    string
			Dev, Peer, Optional        bool
			Dependencies, Engines, Bin map[string]string
		}
	}
	if err := json.Unmarshal(b, &lock); err != nil {
		return nil, err
	}
	found := map[string]part{}
	for path, p := range lock.Packages {
		if path == "" || p.Dev || p.Optional {
			continue
		}
		text, err := licenceIn(filepath.Join("ui", path))
		if err != nil {
			return nil, fmt.Errorf("%s: %w", path, err)
		}
		name := path[strings.LastIndex(path, "node_modules/")+len("node_modules/"):]
		found[name] = part{name, p.Version, text}
	}
	return sorted(found), nil
}

func sorted(found map[string]part) (out []part) {
	for _, name := range slices.Sorted(maps.Keys(found)) {
		out = append(out, found[name])
	}
	return out
}

var licenceFile = regexp.MustCompile(`(?i)^(licen[cs]e|copying|unlicense)([.-].*)?$`)

// licenceIn is the text of the licence in a folder; where a package names its licence alone, that name.
func licenceIn(dir string) (string, error) {
	all, err := os.ReadDir(dir)
	if err != nil {
		return "", err
	}
	for _, e := range all {
		if !e.IsDir() && licenceFile.MatchString(e.Name()) {
			b, err := os.ReadFile(filepath.Join(dir, e.Name()))
			return string(b), err
		}
	}
	var named struct{ License string }
	if b, err := os.ReadFile(filepath.Join(dir, "package.json")); err == nil && json.Unmarshal(b, &named) == nil &&
		named.License != "" {
		return "Licence: " + named.License, nil
	}
	return "", fmt.Errorf("no licence in it")
}
