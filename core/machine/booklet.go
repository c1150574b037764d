package machine

import (
	"fmt"
	"regexp"
	"slices"
	"strconv"
	"strings"
	"unicode"

	"risepan/core/measure"
	"risepan/core/vocab"
)

// Unread is a row of a booklet's table that could not be read as it stands.
type Unread struct {
	Row  int    `json:"row"` // from 1
	Text string `json:"text"`
	Say  string `json:"say"` // why, and what would do
}

// mostBooklet is how many rows of a booklet's table are read at the most.
const mostBooklet = 60

// ReadBooklet reads a booklet's table of programs, a row each, as it is typed or pasted from a spreadsheet:
//
//	1  Basic    3:20  3:25  3:30
//	2. French … 3 h 50
//
// A row has the program's number on the panel, its name and its total times, one for each size or one for them all. A
// row of headings may say which size each column is for. What the cycle is made for follows from its name, and its
// stages are the usual shares of its total, marked as estimated. What the table does not say is as usual for such a
// cycle. Every row that holds something is a cycle or is listed as unread.
func ReadBooklet(text string, sizes []measure.LoafSize) (cycles []Cycle, unread []Unread) {
	columns := sizes
	for n, row := range strings.Split(text, "\n") {
		row = strings.TrimSpace(spaced.ReplaceAllString(row, " "))
		if row == "" {
			continue
		}
		miss := func(format string, args ...any) {
			unread = append(unread, Unread{n + 1, vocab.Clip(row), fmt.Sprintf(format, args...)})
		}
		if n >= mostBooklet {
			miss("A table of at most %d rows is read at a time.", mostBooklet)
			break
		}
		if of := headings(row); of != nil {
			columns = of
			continue
		}
		number, name, totals, rest := program(row)
		switch {
		case len(totals) == 0:
			miss("There is no time in this row. Write it as 3:20 or 3 h 20 min.")
			continue
		case name == "":
			miss("There is no name in this row: write the cycle's name before its times.")
			continue
		case len(totals) > 1 && len(totals) != len(columns):
			miss("%d times for %d sizes. Write one time for each size, or one for all.", len(totals), len(columns))
			continue
		case slices.ContainsFunc(totals, func(m Minutes) bool { return m < 1 || m > 48*60 }):
			miss("A cycle takes between 1 minute and 48 hours.")
			continue
		}
		cycles = append(cycles, cycleOf(len(cycles)+1, number, name, columns, totals, rest))
	}
	return cycles, unread
}

var (
	spaced  = regexp.MustCompile(`[\t|·…]+|\.{2,}|\x{00a0}`)
	ordinal = regexp.MustCompile(`^(?i:(?:program(?:me)?|menu|no\.?|nr\.?|#)\s*)?(\d{1,2})\s*[.):\-–—]?\s+`)
	length  = regexp.MustCompile(`(?i)\b(?:(\d{1,2}) ?: ?([0-5]\d)(?: ?(?:hours?|hrs?|h))?|(\d{1,2}) ?(?:hours?|hrs?|h)\.?` +
		`(?: ?(?:and )?([0-5]?\d) ?(?:minutes?|mins?|m)?\b\.?)?|(\d{1,4}) ?(?:minutes?|mins?|m)\b\.?)`)
	yesNo = regexp.MustCompile(`(?i)(?:^| )(yes|no|✓|✗|x|–|—|-)(?:$| )`)
)

// program takes a row apart: the number on the panel, the name, the times, and what stands behind them.
func program(row string) (number, name string, totals []Minutes, rest string) {
	if m := ordinal.FindStringSubmatch(row); m != nil {
		number, row = m[1], row[len(m[0]):]
	}
	at := length.FindAllStringSubmatchIndex(row, -1)
	if len(at) == 0 {
		return number, row, nil, ""
	}
	for _, m := range at {
		part := func(n int) int {
			if m[2*n] < 0 {
				return 0
			}
			v, _ := strconv.Atoi(row[m[2*n]:m[2*n+1]])
			return v
		}
		totals = append(totals, Minutes(60*(part(1)+part(3))+part(2)+part(4)+part(5)))
	}
	name = strings.TrimFunc(row[:at[0][0]], func(r rune) bool { return unicode.IsSpace(r) || strings.ContainsRune("-–—:,;/", r) })
	return number, name, totals, strings.TrimSpace(row[at[len(at)-1][1]:])
}

// headings are the sizes that a row of headings gives its columns; nil: it is none.
func headings(row string) (sizes []measure.LoafSize) {
	if len(length.FindAllString(row, 1)) > 0 {
		return nil
	}
	for _, m := range sized.FindAllString(row, -1) {
		if s, err := measure.ParseLoafSize(strings.ReplaceAll(strings.ToLower(m), "lbs", "lb")); err == nil {
			sizes = append(sizes, s)
		}
	}
	return sizes
}

var sized = regexp.MustCompile(`(?i)\b(?:\d(?: ?[½¼¾]| 1/2|\.5)?|½) ?(?:lbs?|pounds?)\b|\b\d{3,4} ?g\b|\b[12]\d{3} ?g\b`)

// named tell by a word of a program's name what it is made for, the surest first.
var named = []struct {
	words *regexp.Regexp
	is    Character
}{
	{regexp.MustCompile(`(?i)gluten|\bgf\b`), GlutenFree},
	{regexp.MustCompile(`(?i)low.?carb|keto|protein`), LowCarb},
	{regexp.MustCompile(`(?i)\bcakes?\b|quick ?breads?|batter|soda bread|banana`), QuickBread},
	{regexp.MustCompile(`(?i)pasta|noodle`), PastaDough},
	{regexp.MustCompile(`(?i)\bdough\b|pizza|\brolls?\b`), Dough},
	{regexp.MustCompile(`(?i)jam|marmalade|preserve|compote`), Jam},
	{regexp.MustCompile(`(?i)yogh?urt`), Yoghurt},
	{regexp.MustCompile(`(?i)starter|leaven|sourdough|ferment`), Starter},
	{regexp.MustCompile(`(?i)^bake\b|\bbake only\b|only bake|^baking$`), BakeOnly},
	{regexp.MustCompile(`(?i)packet|bread ?mix|premix`), PacketMix},
	{regexp.MustCompile(`(?i)rapid|express|turbo|fast|quick|speed|1 hour|one hour`), Rapid},
	{regexp.MustCompile(`(?i)whole|brown|grain|rye|bran|spelt`), Wholemeal},
	{regexp.MustCompile(`(?i)french|crusty|italian|european|baguette|rustic`), CrustyLoaf},
	{regexp.MustCompile(`(?i)sweet|brioche|milk|rich`), Sweet},
	{regexp.MustCompile(`(?i)basic|white|normal|standard|regular|classic`), Basic},
}

// characterOf is what a program is made for by its name; sure is false where no word tells.
func characterOf(name string) (c Character, sure bool) {
	for _, n := range named {
		if n.words.MatchString(name) {
			return n.is, true
		}
	}
	return Basic, false
}

// bakesBread reports whether a cycle kneads, raises and bakes a loaf.
func (c Character) bakesBread() bool {
	return slices.Contains([]Character{Basic, Wholemeal, CrustyLoaf, Sweet, Rapid, GlutenFree, LowCarb, PacketMix}, c)
}

// cycleOf is a program of a booklet's table as a cycle.
func cycleOf(n int, number, name string, sizes []measure.LoafSize, totals []Minutes, rest string) Cycle {
	character, _ := characterOf(name)
	if number == "" {
		number = strconv.Itoa(n)
	}
	c := Cycle{ID: fmt.Sprintf("c%d", n), Panel: number, Name: name, Character: character, Estimated: true,
		Delay: character.bakesBread() && character != Rapid || character == Dough, KeepsWarm: character.bakesBread(),
		HasCrust: character.bakesBread() || character == QuickBread || character == BakeOnly}
	if says := yesNo.FindStringSubmatch(rest); says != nil {
		c.Delay = strings.EqualFold(says[1], "yes") || says[1] == "✓" || strings.EqualFold(says[1], "x")
	}
	c.NoSize = len(totals) == 1 && !character.bakesBread()
	c.Stages = EstimateBySize(character, sizes, totals)
	if c.takes(Knead) && character.bakesBread() {
		c.Beeps = []Beep{{For: ForAddIns, By: BeforeKneadEnd, Minutes: 6}}
	}
	return c
}

func (c Cycle) takes(k StageKind) bool {
	return slices.ContainsFunc(c.Stages, func(s Stage) bool { return s.Kind == k })
}

// EstimateBySize is how a cycle of which only the totals are known is likely to spend them: as Estimate has it for the
// middle one, and the others longer or shorter by its heat, or by its longest stage where nothing is heated. One total
// is for every size.
func EstimateBySize(of Character, sizes []measure.LoafSize, totals []Minutes) []Stage {
	middle := len(totals) / 2
	out := Estimate(of, totals[middle])
	longest := 0
	for n, s := range out {
		if s.Kind == Bake || s.Kind == Boil {
			longest = n
			break
		}
		if s.Minutes > out[longest].Minutes {
			longest = n
		}
	}
	for n, total := range totals {
		if n != middle && n < len(sizes) && total != totals[middle] {
			out[longest].Vary = append(out[longest].Vary,
				Variation{Size: sizes[n], Minutes: max(1, out[longest].Minutes+total-totals[middle])})
		}
	}
	return out
}
