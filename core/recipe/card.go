package recipe

import (
	"regexp"
	"strings"

	"risepan/core/fault"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/vocab"
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
	rows := strings.Split(strings.ReplaceAll(text, "\r", ""), "\n")
	if len(text) > longCard || len(rows) > mostRows {
		return Card{}, fault.At("/text", "this card is too long: at most %d letters in %d lines", longCard, mostRows)
	}
	c := &sheet{reading: reading{s, remembered(name)}, lists: map[measure.LoafSize][]Understood{}}
	c.sizes, c.named = columnSizes(rows), namedSizes(rows)
	for n, row := range rows {
		row = strings.TrimSpace(strings.Trim(strings.TrimSpace(row), "*_#"))
		if row != "" {
			c.row(n+1, row)
		}
	}
	c.settle()
	return c.card, nil
}

var (
	methodHead = regexp.MustCompile(
		`(?i)^(?:method|directions?|instructions?|preparation|procedure|to make(?: the bread)?|what to do|steps|how to make(?: it)?)\s*:?$`)
	listHead = regexp.MustCompile(
		`(?i)^(?:(?:the )?ingredients?(?: list)?|you(?:'ll| will) need|what you need|ingredients? for .*)\s*:?$`)
	noteHead = regexp.MustCompile(
		`(?i)^(?:notes?|tips?|hints?|allerg\w*|variations?|source|prep(?:aration)? time|cook(?:ing)? time|total time|calories|nutrition.*|per slice|from|kcal|level|difficulty|equipment|author|recipe by|category|cuisine)\s*:\s*(.*)$`)
	makesRow = regexp.MustCompile(
		`(?i)^\(?(?:serves|servings?|yields?|makes|for)\s*:?\s+(?:about )?((?:\d+|one|two|three|four|six|eight|twelve|a)\b[^.]*?)\)?\.?$`)
	sizeHead = regexp.MustCompile(
		`(?i)^(?:for (?:an? |the )?)?(?:(?:small|medium|regular|large|extra[ -]large)\s*)?\(?\s*` + sizeWords +
			`\s*\)?\s*(?:loa(?:f|ves)|bread|size|recipe)?(?: use)?\s*:?$`)
	sizeSaid  = regexp.MustCompile(`(?i)^(?:loaf(?: size| weight)?|size|weight|for)\s*[:=]?\s*` + sizeWords + `\.?$`)
	titleWord = regexp.MustCompile(`(?i)^(?:title|name|recipe(?: name)?)\s*:\s*`)
	sizeLead  = regexp.MustCompile(`(?i)^(?:(?:small|medium|regular|large|extra[ -]large)\s*)?\(?\s*` + sizeWords +
		`\s*\)?(?:\s*loaf)?\s*:\s*(\S.*)$`)
)

const sizeWords = `((?:\d+(?:\s*|-)?(?:[½¼¾]|\d/\d)|\d+(?:\.\d+)?|[½¼¾])\s*-?\s*(?:lbs?\b\.?|pounds?\b)|\d{3,4}\s*g\b)`

// row reads one row of the card where it belongs.
func (c *sheet) row(n int, row string) {
	switch {
	case listHead.MatchString(row):
		c.section = list
		c.titled(row)
		return
	case methodHead.MatchString(row):
		c.section = method
		return
	case c.remark(row), c.makes(row), c.table(n, row), c.sized(n, row), c.heading(n, row):
		return
	}
	switch {
	case c.section == method && !c.ingredients(row):
		c.say(row)
	case c.title(row):
	case c.section == list && c.ingredients(row):
		c.add(n, row)
	default:
		c.say(row)
	}
}

// titled takes the size off the heading of a list: "Ingredients for a large loaf (2 lb)".
func (c *sheet) titled(row string) {
	if s, ok := sizeIn(row); ok && c.card.Size.IsZero() {
		c.card.Size = s
	}
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

// sized reads a heading that begins the list for one size, and a list that stands behind it.
func (c *sheet) sized(n int, row string) bool {
	if m := sizeSaid.FindStringSubmatch(row); m != nil && c.card.Size.IsZero() && len(c.lines()) == 0 {
		if s, ok := readSize(m[1]); ok {
			c.card.Size = s
			return true
		}
	}
	if m := namedHead.FindStringSubmatch(row); m != nil && c.named {
		c.size, c.section, c.here = named[strings.ToLower(m[1])], list, place{}
		return true
	}
	m := sizeHead.FindStringSubmatch(row)
	rest := ""
	if m == nil {
		if m = sizeLead.FindStringSubmatch(row); m == nil {
			return false
		}
		rest = m[2]
	}
	s, ok := readSize(m[1])
	if !ok {
		return false
	}
	c.size, c.section, c.here = s, list, place{}
	if rest != "" {
		c.add(n, rest)
	}
	return true
}

// headWords are what headings of parts are written with, beside the canonical ones.
var headWords = map[string]place{
	"wet": {}, "dry": {}, "wet ingredients": {}, "dry ingredients": {}, "liquids": {}, "bread": {}, "base": {},
	"loaf": {}, "batter": {}, "bread dough": {}, "main": {}, "to settle": {},
	"add at beep": {InDough, AtBeep}, "add at the beep": {InDough, AtBeep}, "addins": {InDough, AtBeep},
	"add ins": {InDough, AtBeep}, "mix-ins": {InDough, AtBeep}, "at the signal": {InDough, AtBeep},
	"add at signal": {InDough, AtBeep}, "add at the signal": {InDough, AtBeep}, "extras": {InDough, AtBeep},
	"at beep": {InDough, AtBeep}, "fruit": {InDough, AtBeep}, "add later": {InDough, AtBeep},
	"icing": {Glaze, InPan}, "frosting": {Glaze, InPan}, "egg wash": {Glaze, InPan}, "wash": {Glaze, InPan},
	"syrup": {Glaze, InPan}, "drizzle": {Glaze, InPan}, "to glaze": {Glaze, InPan}, "glazing": {Glaze, InPan},
	"to finish": {Topping, InPan}, "to top": {Topping, InPan}, "finish": {Topping, InPan}, "crosses": {Topping, InPan},
	"streusel": {Topping, InPan}, "crumble": {Topping, InPan}, "toppings": {Topping, InPan},
	"to decorate": {Topping, InPan}, "decoration": {Topping, InPan}, "crumb topping": {Topping, InPan},
	"water bath": {Topping, InPan}, "poaching bath": {Topping, InPan}, "boiling bath": {Topping, InPan},
	"stuffing": {Filling, InPan}, "fillings": {Filling, InPan},
	"hold back": {InDough, AtKnead}, "held back": {InDough, AtKnead}, "warm first": {InDough, Warmed},
}

func placeOf(text string) (place, bool) {
	text = strings.ToLower(strings.TrimSpace(strings.TrimRight(strings.TrimSpace(text), ":-–—")))
	for _, lead := range []string{"for the ", "for ", "the "} {
		text = strings.TrimPrefix(text, lead)
	}
	if p, ok := headings[text]; ok {
		return p, true
	}
	p, ok := headWords[text]
	return p, ok
}

// heading reads "Glaze:" and "FOR THE FILLING", and "Wet: 1 cup water; 2 tbsp oil".
func (c *sheet) heading(n int, row string) bool {
	if p, ok := placeOf(row); ok && (c.card.Name != "" || len(c.lines()) > 0 || strings.HasSuffix(row, ":")) {
		c.here, c.section = p, list
		return true
	}
	head, rest, ok := strings.Cut(row, ":")
	if p, known := placeOf(head); ok && known {
		if _, amount := measure.ReadLead(strings.TrimSpace(rest), c.standard); amount {
			before := c.here
			c.here, c.section = p, list
			c.add(n, strings.TrimSpace(rest))
			if p.part != InDough {
				c.here = before
			}
			return true
		}
	}
	return false
}

// title takes the card's first words that are no ingredient as its name.
func (c *sheet) title(row string) bool {
	if c.card.Name != "" || len(c.lines()) > 0 || len(row) > 100 || c.ingredients(row) && !c.nameless(row) {
		return false
	}
	if s, ok := sizeIn(row); ok && c.card.Size.IsZero() && len(c.sizes) == 0 {
		c.card.Size = s
	}
	name := strings.TrimSpace(paren.ReplaceAllString(titleWord.ReplaceAllString(row, ""), ""))
	name = strings.TrimSpace(strings.TrimRight(name, " .:-–—"))
	if name == "" {
		return false
	}
	if strings.ToUpper(name) == name && strings.ToLower(name) != name {
		name = vocab.Upper(strings.ToLower(name))
	}
	c.card.Name = clip(name)
	for _, in := range paren.FindAllString(row, -1) {
		c.say(strings.Trim(strings.TrimSpace(in), "()"))
	}
	return true
}

// digits are what an amount is written with.
var digits = regexp.MustCompile(`[\d½⅓⅔¼¾⅛⅜⅝⅞]`)

// nameless reports whether a first row that could be read as an amount names no ingredient: "Packet loaf".
func (c *sheet) nameless(row string) bool {
	lead, ok := measure.ReadLead(row, c.standard)
	if !ok || digits.MatchString(row) {
		return false
	}
	f := c.name(lead.Rest)
	return f.Sure == larder.Nowhere || lead.Amount.Unit == measure.Packet && f.Ingredient.Kind != larder.Yeast
}

func (c *sheet) lines() []Understood { return c.lists[c.size] }

// ingredients reports whether a row lists what goes in, and is no sentence.
func (c *sheet) ingredients(row string) bool {
	if len(row) > longRow {
		return false
	}
	text, _ := measure.Mend(unticked(row))
	if fields := strings.Fields(text); len(fields) == 0 || c.section == method && len(fields) > 9 {
		return false
	}
	if lead, ok := measure.ReadLead(text, c.standard); ok && lead.Rest != "" {
		return c.section != method || lead.Amount.Unit != measure.Piece
	}
	if ofN.MatchString(text) || strings.HasPrefix(strings.ToLower(text), "optional") || taste.MatchString(text) &&
		len(strings.Fields(text)) < 6 {
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
		!strings.Contains(leaders.ReplaceAllString(text, " "), ". ") {
		f := c.name(firstName(lead.Rest))
		return f.Sure != larder.Nowhere || lead.Amount.Unit != measure.Piece
	}
	for _, p := range parts {
		if p.not && p.what.MatchString(text) && len(strings.Fields(text)) < 8 {
			return true
		}
	}
	f := c.name(text)
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
	for _, piece := range pieces {
		for _, u := range c.rows(piece) {
			u.Row, u.Written = n, row
			c.keep(c.size, u)
		}
	}
}

func (c *sheet) keep(size measure.LoafSize, u Understood) {
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
