package recipe

import (
	"regexp"
	"strings"

	"risepan/core/larder"
	"risepan/core/measure"
)

// Pasted is one recipe of a paste that holds several.
type Pasted struct {
	Name string `json:"name"` // its title as it stands there
	Text string `json:"text"` // all of it, its title first
}

var (
	starred  = regexp.MustCompile(`^\s*\*{2,}\s*([^*]{2,60}?)\s*\*{2,}\s*(.*)$`)
	pageMark = regexp.MustCompile(`(?i)^(?:p(?:age|\.)?\s*\d+|[-=_*~]{4,})$`)
	version  = regexp.MustCompile(`(?i)^(?:v(?:ersion)? ?\d|recipe \d|#\d)\b`)
)

// recipesOwn is how many rows with an amount make a recipe.
const recipesOwn = 3

// Apart cuts a paste that holds several recipes into one text each; a paste of one is nil. A recipe begins with a title
// that stands alone, and has flour or fruit among its rows.
func Apart(text string, s measure.Standard, name Namer) []Pasted {
	r := reading{s, remembered(name)}
	if len(text) > longCard || strings.Count(text, "\n") >= mostRows {
		return nil
	}
	var rows []string
	for _, row := range strings.Split(strings.ReplaceAll(text, "\r", ""), "\n") {
		if m := starred.FindStringSubmatch(row); m != nil && m[2] != "" { // its list stands on the same row
			rows = append(rows, "", "** "+m[1]+" **", m[2])
			continue
		}
		rows = append(rows, row)
	}
	var begins []int
	for n := range rows {
		if r.titleAt(rows, n) {
			begins = append(begins, n)
		}
	}
	var out []Pasted
	from := 0
	for k, at := range begins {
		to := len(rows)
		if k+1 < len(begins) {
			to = begins[k+1]
		}
		if !r.whole(rows[at:to]) {
			if len(out) > 0 { // a title of a part: it goes on
				out[len(out)-1].Text += "\n" + strings.Join(rows[at:to], "\n")
			}
			continue
		}
		from = at
		out = append(out, Pasted{plainTitle(rows[at]), strings.TrimSpace(strings.Join(rows[from:to], "\n"))})
	}
	if len(out) < 2 {
		return nil
	}
	return out
}

// plainTitle is a title without what decorates it.
func plainTitle(row string) string {
	return clip(strings.TrimSpace(strings.Trim(strings.TrimSpace(row), "*#_=-: ")))
}

// titleAt reports whether a row is a title by what stands round it: alone, after an empty row, a rule or the beginning,
// with amounts soon below.
func (r reading) titleAt(rows []string, n int) bool {
	row := strings.TrimSpace(rows[n])
	if row == "" || len(row) > 70 || pageMark.MatchString(row) || r.begins(unticked(row)) || noise.MatchString(row) {
		return false
	}
	before := ""
	for k := n - 1; k >= 0 && before == ""; k-- {
		if before = strings.TrimSpace(rows[k]); before == "" {
			before = "\n"
		}
	}
	alone := n == 0 || before == "\n" || pageMark.MatchString(before) || version.MatchString(row)
	_, heading := placeOf(row)
	setting := settingWords.MatchString(row) && !strings.HasPrefix(row, "**")
	if heading || setting || !alone || wordy(row) || strings.HasSuffix(row, ":") || listHead.MatchString(row) ||
		methodHead.MatchString(row) || noteHead.MatchString(row) {
		return false
	}
	amounts := 0
	for _, below := range rows[n+1 : min(len(rows), n+1+2*recipesOwn)] {
		if r.begins(unticked(below)) {
			amounts++
		} else if _, behind := r.behind(below); behind {
			amounts++
		}
		amounts += len(r.spread(below, recipesOwn))
	}
	return amounts >= recipesOwn
}

// whole reports whether rows are a recipe of their own: some amounts, with flour or fruit among them.
func (r reading) whole(rows []string) bool {
	c := r.sheet(r.documentRows(strings.Join(rows, "\n")), false)
	base := false
	for _, u := range c.card.Lines {
		if i, ok := larder.Know(u.Line.Ingredient); ok && u.Line.Part == InDough {
			base = base || i.Kind == larder.Flour || i.FlourPart > 0 || c.card.Kind == Preserve
		}
	}
	return base && len(c.card.Lines) >= recipesOwn
}
