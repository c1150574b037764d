package recipe

import (
	"math"
	"regexp"
	"slices"
	"strings"

	"risepan/core/measure"
)

var (
	anySize  = regexp.MustCompile(`(?i)(?:^|[\s(|/,])` + sizeWords)
	gramSize = regexp.MustCompile(`(?i)^(450|500|600|650|680|700|750|900|1000|1250|1350) ?g$`)
)

// readSize reads a loaf size as cards write it: "1½-pound", "1.5 lb", "750g".
func readSize(text string) (measure.LoafSize, bool) {
	text = strings.ToLower(strings.TrimSpace(text))
	text = strings.NewReplacer("pounds", "lb", "pound", "lb", "lbs", "lb", "-", " ", ".5", " 1/2").Replace(text)
	text = strings.TrimRight(strings.Join(strings.Fields(text), " "), ".")
	s, err := measure.ParseLoafSize(text)
	return s, err == nil
}

// sizeIn finds the one loaf size that a row names.
func sizeIn(row string) (measure.LoafSize, bool) {
	all := sizesIn(row)
	if len(all) != 1 {
		return measure.LoafSize{}, false
	}
	return all[0], true
}

func sizesIn(row string) []measure.LoafSize {
	var out []measure.LoafSize
	for rest := row; ; {
		m := anySize.FindStringSubmatchIndex(rest)
		if m == nil {
			return out
		}
		text := rest[m[2]:m[3]]
		if strings.HasSuffix(strings.ToLower(text), "g") && !gramSize.MatchString(text) {
			return out // grams of something
		}
		if s, ok := readSize(text); ok && !slices.Contains(out, s) {
			out = append(out, s)
		}
		rest = rest[m[3]:]
	}
}

var wideGap = regexp.MustCompile(`\s*\|\s*|\t+|\s{2,}`)

func cells(row string) []string {
	return wideGap.Split(strings.Trim(strings.TrimSpace(row), "|"), -1)
}

// sizesOnly is a row that names sizes between strokes and nothing else.
var sizesOnly = regexp.MustCompile(`(?i)^\W*(?:loaf )?(?:sizes?|makes|for)?\s*:?\s*` + sizeWords +
	`(?:\s*(?:/|,|or|and)\s*` + sizeWords + `)+\s*(?:loa(?:f|ves))?\W*$`)

// slashSizes are sizes between strokes with their unit behind the last: "1 / 1½ / 2 lb".
var slashSizes = regexp.MustCompile(
	`(?i)((?:(?:\d+(?:[½¼¾]| \d/\d|\.\d)?|[½¼¾])\s+/\s+){1,4}(?:\d+(?:[½¼¾]| \d/\d|\.\d)?|[½¼¾]))\s*-?(lbs?\b|` +
		`pounds?\b|g\b)`)

var strokeSplit = regexp.MustCompile(`\s*/\s*`)

// slashed are the sizes that a row names so; empty where it names fewer than two.
func slashed(row string) (sizes []measure.LoafSize) {
	m := slashSizes.FindStringSubmatch(row)
	if m == nil {
		return nil
	}
	for _, number := range strokeSplit.Split(m[1], -1) {
		s, ok := readSize(number + " " + m[2])
		if !ok {
			return nil
		}
		sizes = append(sizes, s)
	}
	return sizes
}

// sizeOf is the loaf size that a cell above a column names: "1½ lb", "large", "XL".
func sizeOf(cell string) (measure.LoafSize, bool) {
	cell = strings.TrimSpace(cell)
	if s, ok := named[strings.ToLower(cell)]; ok {
		return s, true
	}
	s, ok := sizeIn(cell)
	return s, ok && len(cell) < 20
}

// columnSizes finds the row that names the sizes of a table: two or more, each in a cell of its own.
func columnSizes(rows []string) []measure.LoafSize {
	for _, row := range rows {
		var sizes []measure.LoafSize
		for _, cell := range cells(row) {
			if s, ok := sizeOf(cell); ok {
				sizes = append(sizes, s)
			}
		}
		if many := slashed(row); len(sizes) < 2 && len(many) > 1 {
			sizes = many
		}
		if said := sizesIn(strings.ReplaceAll(row, "/", " / ")); len(sizes) < 2 && sizesOnly.MatchString(row) {
			sizes = said // "Size: 1.5 lb / 2 lb"
		}
		if len(sizes) > 1 && len(sizes) <= mostColumns+1 {
			return sizes
		}
	}
	return nil
}

// table reads a row of a table of sizes: a name and an amount for each size, in either order.
func (c *sheet) table(n int, row string) bool {
	if len(c.sizes) == 0 {
		return false
	}
	in := cells(row)
	if sizesOnly.MatchString(row) {
		return true
	}
	if many := slashed(row); len(many) == len(c.sizes) && len(c.lines()) == 0 && len(c.lists) == 0 {
		c.title(strings.TrimRight(slashSizes.ReplaceAllString(row, ""), " ,;:–—-("))
		return true
	}
	heads := 0
	for _, cell := range in {
		if _, ok := sizeOf(cell); ok {
			heads++
		}
	}
	if (heads == len(c.sizes) || len(sizesIn(row)) == len(c.sizes)) && len(in) >= len(c.sizes) {
		if head := in[0]; c.card.Name == "" && len(in) > len(c.sizes) && !listHead.MatchString(head) {
			if _, ok := sizeOf(head); !ok {
				c.title(head)
			}
		}
		return true
	}
	if len(in) != len(c.sizes)+1 {
		if in = c.strokes(row); in == nil {
			return false
		}
	}
	name, amounts := in[0], in[1:]
	if _, ok := measure.ReadLead(name, c.standard); ok && name != "" || slices.Contains(blanks, name) {
		name, amounts = in[len(in)-1], in[:len(in)-1]
	}
	if !slices.ContainsFunc(amounts, func(a string) bool { _, ok := measure.ReadLead(a, c.standard); return ok }) {
		return strings.HasPrefix(strings.ToLower(name), "ingredient") || strings.HasPrefix(strings.ToLower(amounts[0]),
			"amount")
	}
	for col, amount := range amounts {
		if slices.Contains(blanks, amount) {
			continue
		}
		for _, u := range c.rows(amount + " " + name) {
			u.Row, u.Written = n, strings.TrimSpace(row)
			c.keep(c.sizes[col], u)
		}
	}
	return true
}

// blanks stand in a cell of a table where a size has no amount.
var blanks = []string{none, "", "-", "—", "x", "n/a"}

// strokes reads a row whose amounts stand between strokes as the cells of a table: "Water: 1 cup / 1 1/3
// cups", "3/4 cup / 1 cup water". It is nil for any other row.
func (c *sheet) strokes(row string) []string {
	in := strings.Split(row, " / ")
	if head, rest, ok := strings.Cut(in[0], ": "); ok && len(in) == len(c.sizes) { // "Salt: 1 / 1½ / 2 tsp"
		in[0] = rest
		if whole := c.strokes(strings.Join(in, " / ") + " " + head); whole != nil {
			return whole
		}
		in[0] = head + ": " + rest
	}
	if len(in) != len(c.sizes) {
		return nil
	}
	name := ""
	if lead, ok := c.behind(in[0]); ok {
		name, in[0] = lead.Rest, lead.Amount.String()
	} else if lead, ok := measure.ReadLead(in[len(in)-1], c.standard); ok && lead.Rest != "" {
		name, in[len(in)-1] = lead.Rest, lead.Amount.String()
	}
	if last := in[len(in)-1]; name != "" { // the unit stands once, behind the last
		if a, ok := measure.Exactly(last, c.standard); ok {
			for n, cell := range in[:len(in)-1] {
				if alone, err := measure.Parse(strings.TrimSpace(cell), c.standard); err == nil && alone.Unit == measure.Piece {
					alone.Unit = a.Unit
					in[n] = alone.String()
				}
			}
		}
	}
	for _, cell := range in {
		if _, ok := measure.Exactly(cell, c.standard); !ok || name == "" {
			return nil
		}
	}
	return append([]string{name}, in...)
}

// named are the loaf sizes that machines call small, medium and large.
var named = map[string]measure.LoafSize{
	"small": measure.LoafPounds(1, 1), "medium": measure.LoafPounds(3, 2), "regular": measure.LoafPounds(3, 2),
	"large": measure.LoafPounds(2, 1), "extra large": measure.LoafPounds(5, 2),
	"s": measure.LoafPounds(1, 1), "m": measure.LoafPounds(3, 2), "l": measure.LoafPounds(2, 1),
	"xl": measure.LoafPounds(5, 2),
}

var namedHead = regexp.MustCompile(
	`(?i)^(?:for (?:an? |the )?)?(small|medium|regular|large|extra large)(?: loaf| bread| size)?\s*:?$`)

// namedSizes reports whether a card has lists under two or more names of sizes.
func namedSizes(rows []string) bool {
	n := 0
	for _, row := range rows {
		if namedHead.MatchString(strings.Trim(strings.TrimSpace(row), "*_# ")) {
			n++
		}
	}
	return n > 1
}

// usual is the loaf size that a card with several is read at: the one nearest to it.
var usual = measure.LoafPounds(3, 2)

// settle chooses the column that the lines stand for, and puts the others beside it.
func (c *sheet) settle() {
	sizes := c.sizes
	if len(sizes) == 0 {
		for _, u := range c.order() {
			if !u.IsZero() {
				sizes = append(sizes, u)
			}
		}
	}
	if len(sizes) == 0 {
		c.card.Lines = c.lists[measure.LoafSize{}]
		c.finish()
		return
	}
	off := func(s measure.LoafSize) float64 { return math.Abs(s.Over(usual).Float() - 1) }
	best := slices.MinFunc(sizes, func(a, b measure.LoafSize) int {
		if off(a) < off(b)-1e-9 {
			return -1
		}
		if off(a) > off(b)+1e-9 {
			return 1
		}
		return 0
	})
	c.card.Size, c.card.Lines = best, append(c.lists[best], c.lists[measure.LoafSize{}]...)
	if len(sizes) > 1 {
		c.card.Sizes = sizes
		for _, s := range sizes {
			if s != best {
				c.card.Columns = append(c.card.Columns, Column{s, beside(c.card.Lines, c.lists[s])})
			}
		}
	}
	c.finish()
}

// order lists the sizes that lists were read for, smallest first.
func (c *sheet) order() []measure.LoafSize {
	var out []measure.LoafSize
	for s := range c.lists {
		out = append(out, s)
	}
	slices.SortFunc(out, func(a, b measure.LoafSize) int {
		if a.IsZero() || b.IsZero() {
			return 0
		}
		return a.Pounds().Cmp(b.Pounds())
	})
	return out
}

// beside gives the amounts of another size in the order of the lines: of the same ingredient in the
// same place, the first that is not taken yet.
func beside(lines, others []Understood) []measure.Amount {
	out := make([]measure.Amount, len(lines))
	taken := make([]bool, len(others))
	for n, l := range lines {
		for m, o := range others {
			if !taken[m] && alike(l.Line, o.Line) {
				out[n], taken[m] = o.Line.Amount, true
				break
			}
		}
	}
	return out
}

// finish gives the lines their ids and looks at the card as a whole.
func (c *sheet) finish() {
	c.card.share(c.reading)
	c.card.number()
	c.card.timed()
	c.card.Kind = c.card.kind()
	c.card.compare(c.reading)
	c.card.question()
}
