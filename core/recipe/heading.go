package recipe

import (
	"regexp"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/vocab"
	"strings"
)

// headed reports whether a row begins with the heading of a part.
func (c *sheet) headed(text string) bool {
	head, _, ok := strings.Cut(text, ":")
	_, place := placeOf(unticked(head))
	return ok && place
}

var (
	methodHead = regexp.MustCompile(
		`(?i)^(?:method|directions?|instructions?|preparation|procedure|to make(?: the bread)?|what to do|steps|` +
			`how to make(?: it)?)\s*:?$`)
	listHead = regexp.MustCompile(
		`(?i)^(?:(?:the )?ingredients?(?: list)?|you(?:'ll| will) need|what you need|ingredients? for .*)\s*:?$`)
	noteHead = regexp.MustCompile(
		`(?i)^(?:notes?|tips?|hints?|allerg\w*|variations?|source|prep(?:aration)? time|cook(?:ing)? time|total time|` +
			`calories|nutrition.*|per slice|from|kcal|level|difficulty|equipment|author|recipe by|category|cuisine)\s*:\s*(.*)$`)
	makesRow = regexp.MustCompile(
		`(?i)^\(?(?:serves|servings?|yields?|makes|for)\s*:?\s+(?:about )?((?:\d+|one|two|three|four|six|eight|twelve|` +
			`a)\b[^.]*?)\)?\.?$`)
	sizeHead = regexp.MustCompile(
		`(?i)^(?:for (?:an? |the )?)?(?:(?:small|medium|regular|large|extra[ -]large)\s*)?\(?\s*` + sizeWords +
			`\s*\)?\s*(?:loa(?:f|ves)|bread|size|recipe)?(?: use)?\s*:?$`)
	sizeSaid  = regexp.MustCompile(`(?i)^(?:loaf(?: size| weight)?|size|weight|for)\s*[:=]?\s*` + sizeWords + `\.?$`)
	titleWord = regexp.MustCompile(`(?i)^(?:title|name|recipe(?: name)?)\s*:\s*`)
	sizeLead  = regexp.MustCompile(`(?i)^(?:(?:small|medium|regular|large|extra[ -]large)\s*)?\(?\s*` + sizeWords +
		`\s*\)?(?:\s*loaf)?\s*:\s*(\S.*)$`)
)

const sizeWords = `((?:\d+(?:\s*|-)?(?:[½¼¾]|\d/\d)|\d+(?:\.\d+)?|[½¼¾])\s*-?\s*(?:lbs?\b\.?|pounds?\b)|\d{3,4}\s*g\b)`

// titled takes the size off the heading of a list: "Ingredients for a large loaf (2 lb)".
func (c *sheet) titled(row string) {
	if s, ok := sizeIn(row); ok && c.card.Size.IsZero() {
		c.card.Size = s
	}
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
	"poolish": {}, "sponge": {}, "soaker": {}, "levain": {}, "levain build": {}, "biga": {}, "preferment": {},
	"final": {}, "final dough": {}, "main dough": {}, "then add": {}, "then": {}, "sour dough": {}, "tangzhong": {},
	"sauce": {Topping, InPan}, "on top": {Topping, InPan}, "for brushing": {Glaze, InPan},
	"hold back": {InDough, AtKnead}, "held back": {InDough, AtKnead}, "warm first": {InDough, Warmed},
}

// beepHead is a heading of what goes in at the beep, in other words.
var beepHead = regexp.MustCompile(`(?i)^(?:(?:add|mix)[ -]?ins?|extras?|.*\bdispenser\b.*|add when .*|` +
	`.*\b(?:beeps?|signal|bleep)|for the beep|(?:(?:in|into|for) )?(?:the )?(?:fruit|nut|raisin|fruit and nut) box)$`)

// topHead is a heading of what goes on the loaf.
var topHead = regexp.MustCompile(`^(?:on (?:the )?(?:crust|top|rolls?|loaf)|sprinkle(?: on)?|to sprinkle)\b[\pL ]*$`)

func placeOf(text string) (place, bool) {
	text = paren.ReplaceAllString(text, "")
	text = strings.ToLower(strings.TrimSpace(strings.TrimRight(strings.TrimSpace(text), ":-–—")))
	for _, lead := range []string{"for the ", "for ", "the "} {
		text = strings.TrimPrefix(text, lead)
	}
	if p, ok := headings[text]; ok {
		return p, true
	}
	if p, ok := headWords[text]; ok {
		return p, true
	}
	if len(strings.Fields(text)) <= 6 && beepHead.MatchString(text) && !strings.ContainsAny(text, ".,") &&
		!digits.MatchString(text) {
		return place{InDough, AtBeep}, true
	}
	if len(strings.Fields(text)) <= 8 && topHead.MatchString(text) {
		return place{Topping, InPan}, true
	}
	return place{}, false
}

// heading reads "Glaze:" and "FOR THE FILLING", and "Wet: 1 cup water; 2 tbsp oil".
func (c *sheet) heading(n int, row string) bool {
	if p, ok := placeOf(row); ok && (c.card.Name != "" || len(c.lines()) > 0 || strings.HasSuffix(row, ":")) {
		c.here, c.section = p, list
		return true
	}
	head, rest, ok := strings.Cut(row, ":")
	if p, known := placeOf(unticked(head)); ok && known {
		if _, amount := measure.ReadLead(strings.TrimSpace(rest), c.standard); amount {
			before := c.here
			c.here, c.section = p, list
			c.add(n, strings.TrimSpace(rest))
			c.here = before
			return true
		}
	}
	return false
}

// title takes the card's first words that are no ingredient as its name.
func (c *sheet) title(row string) bool {
	if len(c.lines()) > 0 || len(row) > 100 || c.ingredients(row) && !c.nameless(row) {
		return false
	}
	if c.card.Name != "" {
		if !wordy(c.card.Name) || wordy(row) || settingWords.MatchString(row) {
			return false
		}
		c.say(c.card.Name) // what stood before was a story
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

// sizedTail is a row that ends in a loaf size: a title, or what to set.
var sizedTail = regexp.MustCompile(`(?i)^(.*\pL.*?)[\s,;:–—(/-]+` + sizeWords + `\)?\W*$`)

// settingsSaid are words that only a setting has.
var settingsSaid = regexp.MustCompile(`(?i)\b(?:programme?s?|prog|cycle|settings?|mode)\b`)

// settingIn is a bracket that says what to set.
var settingIn = regexp.MustCompile(`(?i)\([^()]*\b(?:programme?s?|prog|cycle|settings?|mode)\b[^()]*\)`)

// sayings are words of a row that tells what to set.
var sayings = regexp.MustCompile(`(?i)\b(?:programme?s?|prog|cycle|setting|settings|mode|loaf|machine|bakes?|` +
	`baked|` + cycleWords + `)\b`)

// titleSized reads a row that names no amount but ends in a size: before any ingredient it is the title, after them it
// is what to set.
func (c *sheet) titleSized(row string) bool {
	bare := strings.Join(strings.Fields(settingIn.ReplaceAllString(row, " ")), " ")
	bare = strings.ReplaceAll(bare, " ,", ",")
	m := sizedTail.FindStringSubmatch(bare)
	if m == nil || c.section == method || c.begins(unticked(row)) || strings.Contains(bare, "(") ||
		len(sizesIn(row)) > 1 || leaders.MatchString(row) {
		return false
	}
	s, ok := readSize(m[2])
	if !ok {
		return false
	}
	first := c.card.Name == "" && len(c.lines()) == 0
	food := c.name(firstName(strings.TrimRight(m[1], " -–—:"))).Sure != larder.Nowhere
	inGrams := strings.HasSuffix(strings.ToLower(strings.TrimSpace(m[2])), "g")
	if food && (!first || inGrams) && !settingsSaid.MatchString(m[1]) || !first && !sayings.MatchString(m[1]) {
		return false
	}
	if c.card.Size.IsZero() && len(c.sizes) == 0 {
		c.card.Size = s
	}
	if first && !settingWords.MatchString(row) {
		for _, in := range settingIn.FindAllString(row, -1) {
			c.say(strings.Trim(in, "()"))
		}
		return c.title(m[1])
	}
	c.say(row)
	return true
}

// wordy reports whether a row is rather a sentence than a title.
func wordy(row string) bool {
	return len(strings.Fields(row)) > 9 || strings.Contains(row, ". ") || strings.HasSuffix(row, ",") ||
		len(strings.Fields(row)) > 4 && strings.HasSuffix(row, ".")
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
