// Package readtest holds what a room says to what it said before.
//
// A page testdata/said.txt has a block of text for each answer: a heading, and the answer as it is sent, written to
// be read. Where a rule changes, the page changes with it, and the difference of the page is what there is to
// review. Other tests look at single figures and words; these hold the rest.
package readtest

import (
	"bytes"
	"encoding/json"
	"fmt"
	"os"
	"strconv"
	"strings"
	"testing"
)

// Said is one answer.
type Said struct {
	Name  string
	Value any // as it is sent; a string stands as it is
}

const page = "testdata/said.txt"

// Hold compares answers, in their order, with those on the page testdata/said.txt. Where they differ on purpose,
// RISEPAN_GOLDEN=1 go test writes the page anew.
func Hold(t *testing.T, all []Said) {
	t.Helper()
	blocks := make([]string, len(all))
	for n, s := range all {
		blocks[n] = "# " + s.Name + "\n" + Text(t, s.Value)
	}
	if os.Getenv("RISEPAN_GOLDEN") == "1" {
		if err := os.WriteFile(page, []byte(strings.Join(blocks, "\n\n")+"\n"), 0o644); err != nil {
			t.Fatal(err)
		}
	}
	b, err := os.ReadFile(page)
	if err != nil {
		t.Fatal(err)
	}
	before := strings.Split(strings.TrimSuffix(string(b), "\n"), "\n\n")
	if len(before) != len(blocks) {
		t.Fatalf("%d answers, and %d on %s", len(blocks), len(before), page)
	}
	differ := 0
	for n, is := range blocks {
		if is == before[n] {
			continue
		}
		if differ++; differ <= 5 {
			t.Errorf("%s:\n%s", all[n].Name, difference(before[n], is))
		}
	}
	if differ > 5 {
		t.Errorf("and %d more answers differ", differ-5)
	}
}

// difference is the first line in which two blocks differ.
func difference(was, is string) string {
	a, b := strings.Split(was, "\n"), strings.Split(is, "\n")
	for n := range max(len(a), len(b)) {
		at := func(lines []string) string {
			if n < len(lines) {
				return lines[n]
			}
			return "nothing more"
		}
		if at(a) != at(b) {
			return fmt.Sprintf("was  %s\nis   %s", at(a), at(b))
		}
	}
	return ""
}

// wide is how many letters a line of a page has at the most, where what it says can be broken.
const wide = 116

// Text is a value as it is sent, to be read: a field or an item a line, where it does not fit on one; numbers to six
// figures; what is empty left out.
func Text(t *testing.T, v any) string {
	t.Helper()
	switch v := v.(type) {
	case string:
		return strings.ReplaceAll(strings.TrimSpace(v), "\n\n", "\n")
	case *Rows:
		return v.String()
	}
	b, err := json.Marshal(v)
	if err != nil {
		t.Fatal(err)
	}
	d := json.NewDecoder(bytes.NewReader(b))
	d.UseNumber()
	sent, err := read(d)
	if err != nil {
		t.Fatal(err)
	}
	return strings.Join(sent.lines(), "\n")
}

// node is a value as it was read: a text, or named or unnamed items.
type node struct {
	text  string
	names []string // of an object's items
	items []node
	list  bool
}

func read(d *json.Decoder) (node, error) {
	t, err := d.Token()
	if err != nil {
		return node{}, err
	}
	switch t := t.(type) {
	case json.Delim:
		out := node{list: t == '['}
		for d.More() {
			name := ""
			if !out.list {
				key, err := d.Token()
				if err != nil {
					return out, err
				}
				name = fmt.Sprint(key)
			}
			item, err := read(d)
			if err != nil {
				return out, err
			}
			if !out.list && item.empty() {
				continue
			}
			out.names, out.items = append(out.names, name), append(out.items, item)
		}
		_, err := d.Token()
		return out, err
	case json.Number:
		f, err := t.Float64()
		return node{text: strconv.FormatFloat(f, 'g', 6, 64)}, err
	case nil:
		return node{text: "-"}, nil
	}
	return node{text: strings.ReplaceAll(fmt.Sprint(t), "\n", " / ")}, nil
}

func (n node) empty() bool {
	return len(n.items) == 0 && (n.text == "" || n.text == "0" || n.text == "false" || n.text == "-")
}

// line is a value on one line.
func (n node) line() string {
	if n.items == nil {
		return n.text
	}
	parts := make([]string, len(n.items))
	for i, item := range n.items {
		parts[i] = strings.TrimSpace(n.names[i] + " " + item.line())
		if n.names[i] == "" && item.items != nil && !item.list {
			parts[i] = "(" + parts[i] + ")"
		}
	}
	if n.list {
		return "[" + strings.Join(parts, "; ") + "]"
	}
	return strings.Join(parts, ", ")
}

func (n node) lines() (out []string) {
	if whole := n.line(); n.items == nil || len(whole) <= wide {
		return []string{whole}
	}
	for i, item := range n.items {
		name := n.names[i]
		if name == "" {
			name = "-"
		}
		inner := item.lines()
		if len(inner) == 1 {
			out = append(out, name+" "+inner[0])
			continue
		}
		out = append(out, name)
		for _, l := range inner {
			out = append(out, "  "+l)
		}
	}
	return out
}

// Rows are answers to one question asked over and over with something changed: a row each, those that follow one
// another with the same answer in one.
type Rows struct {
	rows []row
}

type row struct{ from, to, says string }

// Add adds the answers to what was asked.
func (r *Rows) Add(t *testing.T, asked any, answers ...any) {
	t.Helper()
	last := len(r.rows) - 1
	r.Each(t, asked, answers...)
	if last >= 0 && r.rows[last].says == r.rows[last+1].says {
		r.rows[last].to = r.rows[last+1].from
		r.rows = r.rows[:last+1]
	}
}

// Each is Add that gives every answer a row of its own.
func (r *Rows) Each(t *testing.T, asked any, answers ...any) {
	t.Helper()
	parts := make([]string, 0, len(answers))
	for _, a := range answers {
		if err, ok := a.(error); ok {
			a = "! " + err.Error()
		}
		if text := strings.ReplaceAll(Text(t, a), "\n", " | "); text != "-" && text != "" {
			parts = append(parts, text)
		}
	}
	at := fmt.Sprint(asked)
	r.rows = append(r.rows, row{at, at, strings.Join(parts, " · ")})
}

func (r *Rows) String() string {
	if len(r.rows) == 0 {
		return "nothing"
	}
	lines := make([]string, len(r.rows))
	for n, row := range r.rows {
		at := row.from
		if row.to != row.from {
			at += " … " + row.to
		}
		lines[n] = strings.TrimSpace(at + ": " + row.says)
	}
	return strings.Join(lines, "\n")
}

// Draws is how many random draws a test makes: few of them, so that all tests stay quick; many where RISEPAN_LONG=1
// asks for a search.
func Draws(few, many int) int {
	if os.Getenv("RISEPAN_LONG") == "1" {
		return many
	}
	return few
}
