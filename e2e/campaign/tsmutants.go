package main

import (
	"os"
	"path/filepath"
	"regexp"
	"strconv"
	"strings"

	"risepan/ui/modules"
)

// In TypeScript: operators with what each may be turned into, by kind. Only those with a space on each side are
// operators for certain.
var typeScriptTurns = []struct{ kind, was, now string }{
	{"boundary", " < ", " <= "}, {"boundary", " <= ", " < "}, {"boundary", " > ", " >= "}, {"boundary", " >= ", " > "},
	{"opposite", " === ", " !== "}, {"opposite", " !== ", " === "}, {"opposite", " && ", " || "},
	{"opposite", " || ", " && "},
	{"opposite", " + ", " - "}, {"opposite", " - ", " + "}, {"opposite", " * ", " / "}, {"opposite", " / ", " * "},
	{"opposite", " % ", " * "}, {"opposite", " ?? ", " && "}, {"opposite", " < ", " > "}, {"opposite", " > ", " < "},
}

var (
	typeScriptNumber = regexp.MustCompile(`(?:^|[^\w."#])(\d[\d_]*(?:\.\d+)?)(?:[^\w"]|$)`)
	typeScriptIf     = regexp.MustCompile(`\bif \(`)
	typeScriptString = regexp.MustCompile(`(?:return|\?|:|===|=) "([^"\n]+)"`)
	typeScriptCall   = regexp.MustCompile(`\b\w+\((\w+), (\w+)\)`)
	quoted           = regexp.MustCompile("(?s)//[^\n]*|/\\*.*?\\*/|`[^`]*`|\"[^\"\n]*\"|import [^;]+;")
)

// typeScriptMutants lists the mutants of the modules that hold logic.
func typeScriptMutants(root string) (out []mutation, err error) {
	for _, name := range modules.Names {
		file := filepath.Join("ui/src", name+".ts")
		b, err := os.ReadFile(filepath.Join(root, file))
		if err != nil {
			return nil, err
		}
		out = append(out, typeScriptOf(file, string(b))...)
	}
	return out, nil
}

func typeScriptOf(file, text string) (out []mutation) {
	code := quoted.ReplaceAllStringFunc(text, func(s string) string { return strings.Repeat(" ", len(s)) })
	add := func(at int, kind, was, now string) {
		out = append(out, mutation{file, at, strings.Count(text[:at], "\n") + 1, kind, was, now})
	}
	for _, turn := range typeScriptTurns {
		for from := strings.Index(code, turn.was); from >= 0; {
			add(from, turn.kind, turn.was, turn.now)
			next := strings.Index(code[from+len(turn.was):], turn.was)
			if next < 0 {
				break
			}
			from += len(turn.was) + next
		}
	}
	for _, m := range typeScriptNumber.FindAllStringSubmatchIndex(code, -1) {
		was := code[m[2]:m[3]]
		if f, err := strconv.ParseFloat(strings.ReplaceAll(was, "_", ""), 64); err == nil {
			add(m[2], "constant", was, strconv.FormatFloat(f+1, 'f', -1, 64))
		}
	}
	for _, m := range typeScriptString.FindAllStringSubmatchIndex(text, -1) {
		if strings.TrimSpace(code[m[0]:m[2]]) != "" {
			add(m[2], "constant", text[m[2]:m[3]], "other")
		}
	}
	for _, m := range typeScriptIf.FindAllStringIndex(code, -1) {
		if end := closing(code, m[1]); end > 0 {
			add(m[1], "condition", text[m[1]:end], "true")
			add(m[1], "condition", text[m[1]:end], "false")
		}
	}
	for _, m := range typeScriptCall.FindAllStringSubmatchIndex(code, -1) {
		a, b := code[m[2]:m[3]], code[m[4]:m[5]]
		add(m[2], "swapped", a+", "+b, b+", "+a)
	}
	return out
}

// closing is where a bracket that was opened before a place closes.
func closing(code string, from int) int {
	depth := 1
	for n := from; n < len(code); n++ {
		switch code[n] {
		case '(':
			depth++
		case ')':
			if depth--; depth == 0 {
				return n
			}
		}
	}
	return -1
}
