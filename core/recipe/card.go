package recipe

import (
	"regexp"
	"strings"

	"risepan/core/fault"
	"risepan/core/larder"
	"risepan/core/measure"
)

// Card is what was understood of a whole card.
type Card struct {
	Name     string
	Kind     Kind               // guessed by what is in it and what it says
	Size     measure.LoafSize   // that the lines' amounts are for; zero where the card names none
	Sizes    []measure.LoafSize // all that it has columns for
	Columns  []Column           // the other ones
	Lines    []Understood
	Settings Settings
	Makes    string
	Method   []string // sentences that are no ingredient
	Remarks  []string
	Unused   []string // rows that are no part of a recipe: a page's menu, its comments
	Rows     []RowRead
}

// remembered asks for each name of a card once.
func remembered(name Namer) Namer {
	seen := map[string]larder.Found{}
	return func(n string) larder.Found {
		f, ok := seen[n]
		if !ok {
			f = name(n)
			seen[n] = f
		}
		return f
	}
}

// sheet is a card while its rows are read.
type sheet struct {
	reading
	card    Card
	here    place
	section section
	size    measure.LoafSize // of the list that is being read
	lists   map[measure.LoafSize][]Understood
	sizes   []measure.LoafSize // of the columns of a table
	named   bool               // lists stand under small, medium and large
	inRows  bool               // most ingredients have a row of their own
	at      int                // the row that is being read
	became  map[int]Became
}

// section is which part of a card its rows belong to.
type section int

const (
	list section = iota
	method
	remarks
)

// ReadCard reads a card as people have it: title, sentences, headings of parts, tables of several
// sizes, lists with ticks or numbers, a method below. Nothing of it is dropped, and a row that cannot
// be read stops no other. A card that is too long is a *fault.Fault at /text.
func ReadCard(text string, s measure.Standard, name Namer) (Card, error) {
	if len(text) > longCard || strings.Count(text, "\n") >= mostRows {
		return Card{}, fault.At("/text", "this card is too long: at most %d letters in %d lines", longCard, mostRows)
	}
	r := reading{s, remembered(name)}
	rows := r.documentRows(text)
	c := r.sheet(rows, false)
	if len(c.card.Lines) < 2 { // it may be told in sentences
		if told := r.sheet(rows, true); len(told.card.Lines) > len(c.card.Lines) {
			c = told
		}
	}
	c.rowsRead(text, rows)
	c.card.odd(text)
	return c.card, nil
}

// sheet reads the rows of a card; where it is prose, every row may tell ingredients.
func (r reading) sheet(rows []docRow, prose bool) *sheet {
	c := &sheet{reading: r, lists: map[measure.LoafSize][]Understood{}, became: map[int]Became{}}
	var texts []string
	for _, row := range rows {
		texts = append(texts, row.text)
	}
	c.sizes, c.named = columnSizes(r.heads(texts)), namedSizes(texts)
	plain := 0
	for _, text := range texts {
		if c.begins(unticked(text)) {
			plain++
		}
	}
	c.inRows = plain >= plainRows
	for _, row := range rows {
		text := strings.TrimSpace(strings.Trim(strings.TrimSpace(row.text), "*_#"))
		c.at = row.n
		switch {
		case text == "":
		case row.over:
			c.is(NotUsed)
			c.card.Unused = append(c.card.Unused, clip(text))
		case row.note:
			c.say(text)
		default:
			c.told(row.n, text, prose)
		}
	}
	c.settle()
	return c
}

// plainRows is from how many rows of their own on ingredients are a list.
const plainRows = 4

// listAmounts is how many amounts on one row make it a list of its own.
const listAmounts = 3

// told reads a row, or the rows that it tells.
func (c *sheet) told(n int, text string, prose bool) {
	if parts := partWithin.ReplaceAllString(text, "\n$1"); parts != text && !prose {
		for _, part := range strings.Split(parts, "\n") {
			c.told(n, part, false)
		}
		return
	}
	if at := beepFirst.FindStringIndex(text); at != nil && c.tells(text[at[1]:]) {
		text = "At the beep: " + text[at[1]:]
	}
	if row, ok := c.columns(text); ok {
		text = row
	}
	least := listAmounts
	if prose || c.tellsBehind(text) {
		least = 1
	}
	mayList := !c.inRows || least == 1 || c.begins(unticked(text)) || c.headed(text)
	if (c.section != method || prose) && len(c.sizes) == 0 && !sizeLead.MatchString(text) && mayList &&
		!splitUp.MatchString(text) {
		if spread := c.spread(text, least); spread != nil {
			for _, row := range spread {
				_, part := placeOf(row)
				heads := part || listHead.MatchString(row) || methodHead.MatchString(row)
				if heads || c.tells(row) || c.dusts(row) || c.card.Name == "" {
					c.row(n, row)
				} else {
					c.say(row)
				}
			}
			if c.here.part == InDough && c.here.when == InPan {
				return
			}
			c.here = place{}
			return
		}
	}
	c.row(n, text)
}

// dusts reports whether a row names a food that is not for the loaf itself: "flour for the board".
func (c *sheet) dusts(row string) bool {
	name, all := c.framed(row)
	return all.Loose && found(c.name(name).Sure)
}

// row reads one row of the card where it belongs.
func (c *sheet) row(n int, row string) {
	switch {
	case listHead.MatchString(row):
		c.section = list
		c.titled(row)
		c.is(AsHeading)
		return
	case methodHead.MatchString(row):
		c.section = method
		c.is(AsHeading)
		return
	case c.remark(row):
		c.is(NotUsed)
		return
	case c.makes(row):
		c.is(AsSettings)
		return
	case c.table(n, row), c.sized(n, row), c.heading(n, row):
		c.is(AsHeading)
		return
	case c.titleSized(row):
		c.is(AsTitle)
		return
	case settings(row) && (len(c.lines()) > 0 || c.card.Name != ""), leftOut.MatchString(row):
		c.say(row)
		c.is(AsSettings)
		return
	}
	switch {
	case c.section == method && !c.ingredients(row):
		c.say(row)
	case c.title(row):
		c.is(AsTitle)
	case c.section == list && c.ingredients(row):
		c.add(n, row)
	default:
		c.say(row)
	}
}

// leftOut is a row of what the card itself leaves out: "1 packet gelatine: leave out".
var leftOut = regexp.MustCompile(`(?i)[-–—:(!,.] ?(?:no!? ?)?(?:leave(?: it| this)? out|omit(?:ted)?|do not use)\W*$`)

// settings reports whether a row says what to set, in all its words or in its first sentence: "1000 g, basic, dark.
// Nothing else needed."
func settings(row string) bool {
	first, _, more := strings.Cut(sentence.ReplaceAllString(row, "$1\n$2"), "\n")
	return settingWords.MatchString(row) || more && strings.Count(first, ",") > 1 && settingWords.MatchString(first)
}

func (c *sheet) remark(row string) bool {
	m := noteHead.FindStringSubmatch(row)
	if m == nil {
		return false
	}
	c.card.Remarks = append(c.card.Remarks, clip(row))
	return true
}

func (c *sheet) makes(row string) bool {
	m := makesRow.FindStringSubmatch(row)
	if m == nil || len(row) > 70 {
		return false
	}
	if s, ok := sizeIn(m[1]); ok && c.card.Size.IsZero() {
		c.card.Size = s
	}
	if c.card.Makes == "" {
		c.card.Makes = strings.TrimSpace(m[1])
	}
	return true
}

func (c *sheet) lines() []Understood { return c.lists[c.size] }

// ingredients reports whether a row lists what goes in, and is no sentence.
func (c *sheet) ingredients(row string) bool {
	if len(row) > longRow {
		return false
	}
	text, _ := measure.Mend(unticked(row))
	if noAmount.MatchString(text) {
		return false
	}
	if fields := strings.Fields(text); len(fields) == 0 || c.section == method && len(fields) > 9 {
		return false
	}
	if lead, ok := measure.ReadLead(text, c.standard); ok && lead.Rest != "" {
		if duration.MatchString(lead.Rest) {
			return false
		}
		return c.section != method || lead.Amount.Unit != measure.Piece
	} else if ok && c.section == list && lead.Amount.Unit == measure.Packet { // of something that it does not name
		return true
	}
	if ofN.MatchString(text) || strings.HasPrefix(strings.ToLower(text), "optional") || taste.MatchString(text) &&
		len(strings.Fields(text)) < 9 {
		return true
	}
	for _, p := range parts[:3] {
		if p.what.MatchString(text) {
			return true
		}
	}
	if c.section == method {
		return false
	}
	if len(c.listed(text)) > 1 {
		return true
	}
	if lead, ok := c.behind(text); ok && len(strings.Fields(lead.Rest)) <= 6 &&
		!sentenceIn.MatchString(leaders.ReplaceAllString(text, " ")) {
		f := c.name(firstName(lead.Rest))
		return f.Sure != larder.Nowhere || lead.Amount.Unit != measure.Piece
	}
	for _, p := range parts {
		if p.not && p.what.MatchString(text) && len(strings.Fields(text)) < 8 {
			return true
		}
	}
	if unread.MatchString(text) {
		return true
	}
	if m := unmeasured(text); m != "" && found(c.name(m).Sure) {
		return true
	}
	if c.strewn(text) != nil {
		return true
	}
	plain, _ := c.framed(text)
	f := c.name(plain)
	return (c.card.Name != "" || len(c.lines()) > 0) && len(strings.Fields(text)) <= 4 && f.Sure == larder.Plainly &&
		cycles[strings.ToLower(text)] == ""
}

// leaders are the dots between a name and its amount.
var leaders = regexp.MustCompile(`\s*\.{2,}\s*`)

var bars = regexp.MustCompile(`\s*\|\s*|\t+`)

// add reads a row of ingredients into the list that is open.
func (c *sheet) add(n int, row string) {
	pieces := []string{row}
	if cells := bars.Split(row, -1); len(cells) > 1 && len(c.sizes) == 0 {
		whole := true
		for _, cell := range cells {
			_, ok := measure.ReadLead(cell, c.standard)
			whole = whole && ok
		}
		if whole {
			pieces = cells
		}
	}
	if foods := c.strewn(row); foods != nil {
		pieces = foods
	}
	for _, piece := range pieces {
		for _, u := range c.rows(piece) {
			u.Row, u.Written = n, row
			c.keep(c.size, u)
		}
	}
}

func (c *sheet) keep(size measure.LoafSize, u Understood) {
	c.is(AsLine)
	if u.Line.Part == InDough {
		u.Line.Part = c.here.part
	}
	if u.Line.When == InPan {
		u.Line.When = c.here.when
	}
	if len(c.lists[size]) < 2*mostLines {
		c.lists[size] = append(c.lists[size], u)
	}
}

var sentence = regexp.MustCompile(`([.!?])\s+(\p{Lu})`)

// say keeps a row that is no ingredient, sentence by sentence, and reads the settings in it.
func (c *sheet) say(row string) {
	c.is(AsMethod)
	row = strings.TrimSpace(ticks.ReplaceAllString(row, ""))
	if s, ok := sizeIn(row); ok && c.card.Size.IsZero() && len(c.sizes) == 0 && len(row) < 80 {
		c.card.Size = s
	}
	if _, only := readSize(row); only || sizesOnly.MatchString(row) {
		return
	}
	for _, s := range strings.Split(sentence.ReplaceAllString(row, "$1\n$2"), "\n") {
		if s = strings.TrimSpace(s); s == "" || len(c.card.Method) == mostMethod {
			continue
		}
		if m := makesRow.FindStringSubmatch(s); m != nil && c.card.Makes == "" && len(s) < 50 {
			c.card.Makes = strings.TrimSpace(m[1])
			continue
		}
		c.card.Settings.read(s)
		c.card.Method = append(c.card.Method, clip(s))
	}
}
