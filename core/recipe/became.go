package recipe

import (
	"cmp"
	"slices"
	"strings"
	"unicode"

	"risepan/core/vocab"
)

// Became is what a row of a card was read as.
type Became string

const (
	NotUsed    Became = "not used" // a page's menu, its comments, a note
	AsMethod   Became = "method"
	AsSettings Became = "settings" // cycle, crust, size, what it makes
	AsHeading  Became = "heading"
	AsTitle    Became = "title"
	AsLine     Became = "ingredient"
)

// Becomings are from what says least of a row to what says most: of a row that became several, the last counts.
var Becomings = []Became{NotUsed, AsMethod, AsSettings, AsHeading, AsTitle, AsLine}

func (b Became) Words() []string { return vocab.List(Becomings) }
func (b *Became) UnmarshalText(text []byte) error {
	return vocab.Read(b, text, "use of a row", Becomings)
}

// RowRead is one row of a card's text that is not empty, and what became of it.
type RowRead struct {
	Row int    `json:"row"` // from 1
	As  Became `json:"as"`
}

// is says what became of the row that is being read.
func (c *sheet) is(as Became) {
	if slices.Index(Becomings, as) >= slices.Index(Becomings, cmp.Or(c.became[c.at], NotUsed)) {
		c.became[c.at] = as
	}
}

// rowsRead lists every row of a text that is not empty. Rows that were joined are what the first of them is; one that
// nothing is known of is not used, and told among those.
func (c *sheet) rowsRead(text string, rows []docRow) {
	of := map[int]int{}
	for _, row := range rows {
		for n := row.n; n <= max(row.n, row.to); n++ {
			of[n] = row.n
		}
	}
	for n, row := range strings.Split(strings.ReplaceAll(text, "\r", ""), "\n") {
		row = strings.TrimSpace(row)
		if row == "" {
			continue
		}
		as, told := c.became[of[n+1]]
		if !told {
			as = NotUsed
			if strings.ContainsFunc(row, unicode.IsLetter) {
				c.card.Unused = append(c.card.Unused, clip(row))
			}
		}
		c.card.Rows = append(c.card.Rows, RowRead{n + 1, as})
	}
}
