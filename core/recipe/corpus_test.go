package recipe

import (
	_ "embed"
	"fmt"
	"math"
	"os"
	"slices"
	"strconv"
	"strings"
	"testing"

	"risepan/core/larder"
	"risepan/core/measure"
)

var (
	//go:embed testdata/lines.txt
	lineCorpus string
	//go:embed testdata/cards.txt
	cardCorpus string
	//go:embed testdata/groups.txt
	groupCorpus string
)

// family are the foods that the corpus of names puts together under a name.
var family = func() map[string]string {
	out := map[string]string{}
	for _, row := range strings.Split(groupCorpus, "\n") {
		of, names, _ := strings.Cut(row, ": ")
		for _, name := range strings.Split(names, "; ") {
			out[strings.Join(larder.Words(name), " ")] = of
		}
	}
	return out
}()

// wrong says what of an understood line is not what the corpus wants; nothing where all is.
func wrong(u Understood, want string) string {
	fields := strings.Split(want, " | ")
	if fields[0] == "?" {
		if !u.Asks() {
			return fmt.Sprintf("read as %s of %s, and must be asked about", u.Line.Amount, u.Line.Ingredient)
		}
		return ""
	}
	i, _ := larder.Know(u.Line.Ingredient)
	if u.Sure != larder.Plainly && u.Sure != larder.Remarked {
		return fmt.Sprintf("%q is %s", u.Name, u.Sure)
	}
	is := slices.Equal(larder.Words(i.Name), larder.Words(fields[1]))
	for _, name := range append([]string{i.Name}, i.Names...) {
		is = is || family[strings.Join(larder.Words(name), " ")] == fields[1]
	}
	if !is {
		return fmt.Sprintf("%q is read as %s, not %s", u.Name, i.Name, fields[1])
	}
	if fields[0] == "-" {
		if !u.Loose {
			return "it is for no loaf, or without an amount"
		}
	} else if !same(u.Line.Amount, fields[0]) {
		return fmt.Sprintf("the amount is %q, not %s", u.Line.Amount, fields[0])
	}
	doubt := false
	if len(fields) > 2 {
		for _, f := range strings.Split(fields[2], "; ") {
			key, value, _ := strings.Cut(f, "=")
			doubt = doubt || key == "doubt"
			if problem := field(u, i, key, value); problem != "" {
				return problem
			}
		}
	}
	if u.Doubt != "" && !doubt {
		return "a needless question: " + u.Doubt
	}
	return ""
}

func same(a measure.Amount, want string) bool {
	w, err := measure.Parse(want, measure.US)
	if err != nil {
		return false
	}
	if n, err := strconv.ParseFloat(strings.TrimSuffix(want, " cup"), 64); err == nil && a.Millilitres() > 0 &&
		strings.HasSuffix(want, " cup") {
		return math.Abs(float64(a.Millilitres())-n*236.588) < 1.5
	}
	return a.Unit.Facts().Dimension == w.Unit.Facts().Dimension &&
		math.Abs(a.Middle().Float()*a.Unit.Facts().Size-w.Middle().Float()*w.Unit.Facts().Size) < 1e-6*w.Middle().Float()*w.Unit.Facts().Size+1e-9 &&
		(a.UpTo.Sign() == 0) == (w.UpTo.Sign() == 0)
}

func field(u Understood, i *larder.Ingredient, key, value string) string {
	a := u.Line.Aside()
	a.State += " " + u.State + " " + i.Name
	a.Grade += " " + u.Grade
	got := ""
	switch key {
	case "also":
		if !same(u.Line.Also, value) {
			got = u.Line.Also.String()
		}
	case "at":
		got = a.Warmth
	case "state":
		for _, w := range strings.Split(value, ", ") {
			if !strings.Contains(a.State, w) {
				got = a.State + " (state)"
			}
		}
	case "grade":
		for _, w := range strings.Fields(value) {
			if !strings.Contains(a.Grade, w) {
				got = a.Grade + " (grade)"
			}
		}
	case "note":
		if !strings.Contains(u.Line.Note, value) {
			got = u.Line.Note + " (note)"
		}
	case "or":
		var all []string
		for _, c := range u.Line.Or {
			o, _ := larder.Get(c.Ingredient)
			text := o.Name
			if c.Amount.Quantity.Sign() > 0 {
				text = c.Amount.String() + " " + text
			}
			all = append(all, text)
		}
		got = strings.Join(all, ", ")
	case "opt":
		if !u.Line.Optional {
			got = "not optional"
		}
	case "when":
		got = string(u.Line.When)
	case "part":
		got = string(u.Line.Part)
	case "slip":
		if !u.Slip {
			got = "no slip seen"
		}
	case "doubt":
		if u.Doubt == "" {
			got = "no doubt"
		}
	}
	if got != "" && got != value {
		return fmt.Sprintf("%s is %q, not %q", key, got, value)
	}
	if (key == "at" || key == "or" || key == "when" || key == "part") && got != value {
		return fmt.Sprintf("%s is %q, not %q", key, got, value)
	}
	return ""
}

func tally(t *testing.T, what string, right, all int, missed []string) {
	t.Helper()
	t.Logf("%d of %d %s right", right, all, what)
	for _, m := range missed {
		t.Log("missed: " + m)
	}
	if float64(right) < 0.98*float64(all) {
		t.Errorf("%d of %d %s are right, fewer than 98 in 100", right, all, what)
	}
}

// Lines of recipes in many hands are read as a baker reads them.
func TestLinesAsCardsHaveThem(t *testing.T) {
	right, all := 0, 0
	var missed []string
	for _, row := range strings.Split(lineCorpus, "\n") {
		if !strings.Contains(row, " => ") || strings.HasPrefix(row, "#") {
			continue
		}
		all++
		if problem := wrongRow(row); problem != "" {
			missed = append(missed, row+": "+problem)
		} else {
			right++
		}
	}
	tally(t, "lines", right, all, missed)
}

// Every example of the written grammar is read as the page says.
func TestTheGrammarsExamples(t *testing.T) {
	page, err := os.ReadFile("../../docs/recipe-text.md")
	if err != nil {
		t.Fatal(err)
	}
	examples := 0
	for _, block := range strings.Split(string(page), "```examples\n")[1:] {
		block, _, _ = strings.Cut(block, "```")
		for _, row := range strings.Split(strings.TrimSpace(block), "\n") {
			examples++
			if p := wrongRow(row); p != "" {
				t.Errorf("%s: %s", row, p)
			}
		}
	}
	if examples < 20 {
		t.Errorf("only %d examples were found", examples)
	}
}

// wrongRow says what of a row of the corpus is read otherwise than it wants.
func wrongRow(row string) string {
	text, wants, _ := strings.Cut(row, " => ")
	got := reading{measure.US, larder.Find}.rows(text)
	want := strings.Split(wants, " && ")
	if len(got) != len(want) {
		return fmt.Sprintf("%d foods, not %d", len(got), len(want))
	}
	for n := range got {
		if p := wrong(got[n], want[n]); p != "" {
			return p
		}
	}
	return ""
}

// Whole cards, each judged whole: its lines, sizes, settings and what it says beside them.
func TestCardsAsPeopleHaveThem(t *testing.T) {
	right, all := 0, 0
	var missed []string
	for _, text := range strings.Split(cardCorpus, "=====\n")[1:] {
		card, want, _ := strings.Cut(text, "---\n")
		all++
		got, err := ReadCard(card, measure.US, larder.Find)
		if err != nil {
			t.Fatal(err)
		}
		if p := wrongCard(got, want); p != "" {
			title, _, _ := strings.Cut(strings.TrimSpace(card), "\n")
			missed = append(missed, fmt.Sprintf("%q: %s", title, p))
		} else {
			right++
		}
	}
	tally(t, "cards", right, all, missed)
}

func wrongCard(c Card, want string) string {
	sizes := []string{}
	for _, s := range c.Sizes {
		sizes = append(sizes, s.String())
	}
	said := map[string]string{"name": c.Name, "kind": string(c.Kind), "size": c.Size.String(), "sizes": strings.Join(sizes, "; "), "cycle": c.Settings.Cycle,
		"crust": c.Settings.Crust, "delay": c.Settings.Delay}
	asks := 0
	for _, u := range c.Lines {
		if u.Asks() {
			asks++
		}
	}
	n, wantAsks := 0, 0
	for _, row := range strings.Split(strings.TrimSpace(want), "\n") {
		key, value, meta := strings.Cut(row, ": ")
		if meta && !strings.Contains(key, " | ") {
			switch key {
			case "makes":
				if !strings.HasPrefix(c.Makes, value) {
					return fmt.Sprintf("it makes %q, not %s", c.Makes, value)
				}
			case "method":
				if m, _ := strconv.Atoi(value); len(c.Method) < m {
					return fmt.Sprintf("%d sentences of method, not %s: %q", len(c.Method), value, c.Method)
				}
			case "ask":
				wantAsks, _ = strconv.Atoi(value)
			default:
				if said[key] != value {
					return fmt.Sprintf("%s is %q, not %q", key, said[key], value)
				}
			}
			continue
		}
		if n >= len(c.Lines) {
			return fmt.Sprintf("only %d lines; %q is missing", len(c.Lines), row)
		}
		u := c.Lines[n]
		if wantAsks > 0 {
			u.Doubt = strings.TrimSpace(map[bool]string{true: u.Doubt}[row == "?"])
		}
		if p := wrong(u, row); p != "" {
			return fmt.Sprintf("line %d, %q: %s", n+1, u.Written, p)
		}
		n++
	}
	switch {
	case n < len(c.Lines):
		return fmt.Sprintf("%d lines, not %d: %q is too many", len(c.Lines), n, c.Lines[n].Written)
	case asks != wantAsks:
		return fmt.Sprintf("%d questions, not %d", asks, wantAsks)
	}
	return ""
}

// What is kept of a card is written so that it is read back as the same: lines, other sizes, settings, what
// it makes, its method and what is not understood yet.
func TestAKeptCardIsReadBackAsItWas(t *testing.T) {
	for _, text := range strings.Split(cardCorpus, "=====\n")[1:] {
		text, _, _ = strings.Cut(text, "---\n")
		card, err := ReadCard(text, measure.US, larder.Find)
		if err != nil {
			t.Fatal(err)
		}
		r := card.Recipe()
		again, err := ReadCard(r.Text(), measure.US, larder.Find)
		if err != nil {
			t.Fatal(err)
		}
		back := again.At(r.Size).Recipe()
		for what, pair := range map[string][2]any{
			"lines": {r.Lines, back.Lines}, "columns": {r.Columns, back.Columns}, "settings": {r.Settings, back.Settings},
			"makes": {r.Makes, back.Makes}, "method": {r.Method, back.Method}, "open rows": {r.Open, back.Open},
		} {
			if fmt.Sprint(pair[0]) != fmt.Sprint(pair[1]) {
				t.Errorf("%s: %s come back as\n%v, and were\n%v\n%s", r.Name, what, pair[1], pair[0], r.Text())
			}
		}
	}
}
