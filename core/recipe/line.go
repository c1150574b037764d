package recipe

import (
	"fmt"
	"regexp"
	"slices"
	"strings"

	"risepan/core/larder"
	"risepan/core/measure"
)

// Namer finds an ingredient by the name that a card has for it: the larder's Find, behind what a
// kitchen has said itself.
type Namer func(name string) larder.Found

// Understood is one ingredient of a card, as it was understood.
type Understood struct {
	Line    Line
	Name    string // as the card has it
	Written string // the row as it stands on the card
	Row     int    // of the card, from 1
	Sure    larder.Sure
	Near    []larder.Ingredient // of a near miss: what may be meant
	Grade   string              // read off the name: organic, ripe …
	State   string              // softened, chopped …
	Warmth  string
	Remark  string
	Doubt   string // a question that stands beside the line
	Slip    bool   // a slip of scanning was read as what was meant
	Loose   bool   // no amount, or not for the loaf: to taste, for dusting
}

// Open reports whether the row must be asked about before it can be a line of a recipe.
func (u Understood) Open() bool { return u.Line.Amount == (measure.Amount{}) && !u.Loose }

// Asks reports whether something of the row is to be asked about.
func (u Understood) Asks() bool {
	return u.Doubt != "" || u.Open() || u.Sure == larder.NearMiss || u.Sure == larder.Nowhere
}

// longRow is the most bytes of a row that may be an ingredient.
const longRow = 300

// reading is what the lines of a card are read with.
type reading struct {
	standard measure.Standard
	name     Namer
}

var (
	ticks    = regexp.MustCompile(`^\s*(?:[-*+•]?\s*\[[ xX✓✔]?\]|[^\pL\pN|("'“.~<&%½⅓⅔¼¾⅛⅜⅝⅞]+|\[[ xX]?\]|\(\d{1,2}\) |\d{1,2}[.)] )\s*`)
	optional = regexp.MustCompile(
		`(?i)[,–—-]?\s*\(?(?:\b(?:optional|if desired|if liked|if you like|if using)\b|\bopt\.)\)?:?\s*`)
	beeps = regexp.MustCompile(
		`(?i)\s*[(,–—-]*\s*(?:both\s+)?(?:to be\s+)?(?:add(?:ed)?\s+|put in\s+|hold (?:back )?)?(?:give in\s+)?(?:at|on|for|until|with|when|by|` +
			`after)\s+(?:the\s+)?(?:[\pL/]+[ -]){0,3}(?:beeps?|signals?|bleep|add[ -]in)\)?\s*$`)
	helds = regexp.MustCompile(
		`(?i)\s*[(,–—-]\s*(?:to be\s+)?(?:held back|kept back|hold back|(?:added |put in )?(?:at|during|` +
			`in) the first knead(?:ing)?)\)?\s*$`)
	parts = []struct {
		what *regexp.Regexp
		part Part
		not  bool // not for the loaf at all
	}{
		{regexp.MustCompile(`(?i)^(?:to glaze|to brush|for (?:the )?(?:glaz(?:e|ing)|brushing)|glaze|` +
			`egg wash)\s*[:–-]\s*`), Glaze, false},
		{regexp.MustCompile(`(?i)^(?:for (?:the )?top(?:ping)?|topping|to finish|to sprinkle)\s*[:–-]\s*`), Topping,
			false},
		{regexp.MustCompile(`(?i)^(?:for (?:the )?filling|filling)\s*[:–-]\s*`), Filling, false},
		{regexp.MustCompile(`(?i)[,(]?\s*(?:to glaze|to brush|for (?:the )?(?:glaze|glazing|brushing|egg ?wash)|` +
			`as (?:a )?glaze)[^,]*$`), Glaze, false},
		{regexp.MustCompile(`(?i)[,(]?\s*(?:to sprinkle|to top|for (?:the )?(?:top|topping|sprinkling|finishing|` +
			`dusting the top))\b[^,]*$`), Topping, false},
		{regexp.MustCompile(`(?i)[,(]?\s*for (?:the )?filling\b[^,]*$`), Filling, false},
		{regexp.MustCompile(`(?i)[,(]?\s*(?:plus |and )?(?:extra |more )?(?:for (?:the )?(?:dusting|greasing|kneading|` +
			`rolling|shaping|pan|tin|work ?surface|board|bowl)|to (?:serve|dust|grease))\b[^,]*$`), InDough, true},
	}
	plusFor = regexp.MustCompile(
		`(?i),?\s+(?:plus|and|\+) (?:another |an extra )?[\d½⅓⅔¼¾⅛][^,;]* (?:for|to) (?:the )?(?:top\w*|brush\w*|` +
			`dust\w*|greas\w*|` +
			`sprinkl\w*|pan|finish\w*|serv\w*|glaz\w*).*$`)
	more   = regexp.MustCompile(`(?i)[,]?\s*\(?(?:\bplus|\band|\+) ?(?:a little |some )?(?:extra|more)\b.*$`)
	little = regexp.MustCompile(
		`(?i)^(?:a (?:good |generous )?(?:little|few(?: drops(?: of)?)?|(?:bit|drizzle|sprinkling|glug|splash) of)|some|` +
			`extra|enough)\s+`)
	taste = regexp.MustCompile(`(?i)[,(]?\s*\(?(?:or )?(?:to taste|as needed|as required|as necessary|\bq\. ?b\.)\)?`)
	// tasted is what goes in to taste behind an amount of another food: "1 tsp salt, pepper to taste".
	tasted = regexp.MustCompile(`(?i)^(.*(?:[\d½⅓⅔¼¾⅛]|\b(?:pinch|dash|knob)\b).*?),\s*((?:\pL+ ?){1,2}(?:(?:and |& |, )(?:\pL+ ?){1,2})?,? to taste)\.?$`)
)

// rows reads one row of a card: one ingredient, or several that stand on it.
func (r reading) rows(row string) []Understood {
	row = strings.TrimSpace(row)
	if len(row) > longRow {
		return nil // no ingredient is told at such length
	}
	text, all := r.framed(unticked(row))
	var out []Understood
	if pieces := strings.Split(unticked(row), ";"); all.Loose && len(pieces) > 1 { // each says itself what it is for
		for _, piece := range pieces {
			out = append(out, r.rows(piece)...)
		}
		return out
	}
	if m := tasted.FindStringSubmatch(text); m != nil {
		if seasoned := r.bare(m[2]); len(seasoned) > 0 && seasoned[0].Loose {
			return append(r.rows(m[1]), seasoned...)
		}
	}
	if out, ok := r.split(text); ok {
		for n := range out {
			out[n].Written = row
		}
		return out
	}
	for _, piece := range r.pieces(text) {
		if last := len(out) - 1; last >= 0 && larder.IsBare(piece) {
			out[last].Line.Note = note([]string{strings.Trim(out[last].Line.Note, ", "), piece})
			continue
		}
		for _, u := range r.piece(piece) {
			u.Written = row
			out = append(out, u.within(all))
		}
	}
	if len(out) == 1 {
		if shares, ok := r.held(out[0]); ok {
			return shares
		}
		out = append(out, r.besides(&out[0])...)
	}
	return out
}

// besideAmount is what is said before the amount of a share that is not for the dough.
var besideAmount = regexp.MustCompile(`(?i)^,?\s*(?:plus|and|\+) (?:another |an extra )?`)

// besides is the share of a line that its note measures for the top or for brushing: "plus 2 tbsp for the top".
func (r reading) besides(u *Understood) []Understood {
	at := besideAmount.FindStringIndex(u.Line.Note)
	if at == nil || !u.found() || u.Line.Part != InDough {
		return nil
	}
	lead, ok := measure.ReadLead(u.Line.Note[at[1]:], r.standard)
	to := placed(lead.Amount, lead.Rest).part
	if !ok || lead.Amount.Unit == measure.Piece || to != Glaze && to != Topping {
		return nil
	}
	share := *u
	share.Line.Part, u.Line.Note = to, ""
	share.Line.Amount, share.Line.Also, share.Line.Note, share.Doubt = lead.Amount, lead.Also, "", ""
	return []Understood{share}
}

// unticked is a row without the tick, dash or number that it begins with.
func unticked(row string) string {
	for ticks.MatchString(row) {
		row = strings.TrimSpace(ticks.ReplaceAllString(row, ""))
	}
	return row
}

// framed takes off a row what it says of all that stands on it: optional, at the beep, for the glaze.
func (r reading) framed(text string) (string, Understood) {
	var all Understood
	lower := strings.ToLower(text)
	has := func(words ...string) bool {
		return slices.ContainsFunc(words, func(w string) bool { return strings.Contains(lower, w) })
	}
	if has("optional", "opt.", "if ") && optional.MatchString(text) {
		all.Line.Optional, text = true, strings.TrimSpace(optional.ReplaceAllString(text, " "))
	}
	if has("beep", "signal", "bleep", "add in", "add-in") {
		if at := beeps.FindStringIndex(text); at != nil {
			all.Line.When, text = AtBeep, strings.TrimSpace(text[:at[0]])
		}
	}
	if has("held", "kept", "hold", "knead") {
		if at := helds.FindStringIndex(text); at != nil {
			all.Line.When, text = AtKnead, strings.TrimSpace(text[:at[0]])
		}
	}
	if has("plus ", "and ", "+ ") {
		if at := plusFor.FindStringIndex(text); at != nil {
			all.Line.Note, text = strings.TrimLeft(text[at[0]:], ", "), text[:at[0]]
		}
	}
	if has("for", "to ", "glaze", "wash", "top", "filling") {
		text = r.parted(text, &all)
	}
	if has("more", "extra") {
		text = strings.TrimSpace(more.ReplaceAllString(text, ""))
	}
	return strings.TrimRight(text, " .,;"), all
}

// parted takes off a row which part of the loaf it is for, or that it is for none.
func (r reading) parted(text string, all *Understood) string {
	for _, p := range parts {
		at := p.what.FindStringIndex(text)
		if at == nil || at[1]-at[0] == len(text) {
			continue
		}
		if _, amount := measure.ReadLead(text, r.standard); amount && more.MatchString(text) {
			return text // only what is more than the amount is for there
		}
		all.Loose, all.Line.Part = p.not, p.part
		return strings.TrimSpace(text[:at[0]] + text[at[1]:])
	}
	return text
}

// pieces are the foods of a row.
func (r reading) pieces(text string) []string {
	pieces := r.listed(text)
	if len(pieces) < 2 {
		pieces = strings.Split(text, ";")
	}
	first, then, two := text, "", false
	if strings.Contains(text, ". ") {
		first, then, two = strings.Cut(sentence.ReplaceAllString(text, "$1\n$2"), "\n")
	}
	if two && r.names(first) && found(r.name(then).Sure) { // "1 egg. Pearl sugar"
		pieces = []string{first, then}
	}
	var out []string
	for _, piece := range pieces {
		if piece = strings.TrimSpace(piece); piece != "" {
			out = append(out, piece)
		}
	}
	return out
}

// names reports whether a text is an amount of a food that the larder has.
func (r reading) names(text string) bool {
	lead, ok := measure.ReadLead(text, r.standard)
	return ok && found(r.name(firstName(lead.Rest)).Sure)
}

// within is a piece with what its whole row says.
func (u Understood) within(all Understood) Understood {
	u.Line.Optional = u.Line.Optional || all.Line.Optional
	u.Line.When, u.Line.Part = all.Line.When, all.Line.Part
	if all.Line.Note != "" {
		u.Line.Note = note([]string{u.Line.Note, all.Line.Note})
	}
	none := measure.Amount{}
	brushed := u.Line.Part != InDough && u.Line.Amount == none && u.found() // as much as it takes
	if all.Loose || brushed {
		u.Loose, u.Line.Amount = true, none
	}
	if u.Loose {
		u.Doubt = ""
	}
	return u
}

// found reports whether the name is one that the larder has.
func (u Understood) found() bool { return found(u.Sure) }

func found(s larder.Sure) bool { return s == larder.Plainly || s == larder.Remarked }

var (
	joins = regexp.MustCompile(`(?i)(?:,? (?:beaten|whisked|mixed|thinned) with|,| plus| and| \+| &|` +
		`,? (?:soaked|steeped|cooked|dissolved|stirred into) in)\s+`)
	makes = regexp.MustCompile(
		`(?i)^(.+?),?\s+(?:plus|and|\+|with)\s+(?:enough\s+)?(.+?)\s+to (?:make|equal|measure|total|fill|` +
			`give)(?: up)?(?: to)?\s+(.+)$`)
	each = regexp.MustCompile(`(?i)^(?:each|of each)\b:?\s*(?:of\s+)?(.+)$`)
	ofN  = regexp.MustCompile(
		`(?i)^(?:the )?(?:finely |freshly |grated |squeezed )*(zest|juice|rind|peel|whites?|yolks?)(?:\s+(?:and|` +
			`&)\s+(?:grated |finely grated )?(zest|juice|rind|peel))?\s+of\s+(.+)$`)
	twoOf     = regexp.MustCompile(`(?i)^(.+?),\s*(\d.*?)\s+each$`)
	lessOf    = regexp.MustCompile(`(?i)^(.+?),? (minus|less|plus|\+) (?:an? |another )?([\d½⅓⅔¼¾⅛].*)$`)
	shareHeld = regexp.MustCompile(`(?i)^(.+?),? (?:\+|plus|and) ([\d½⅓⅔¼¾⅛].*?) (?:to be )?held back$`)
	andOr     = regexp.MustCompile(`(?i)\s*(?:,| and |&|, and )\s*`)
)

// piece reads what is left of a row: usually one amount of one food.
func (r reading) piece(text string) []Understood {
	lower := strings.ToLower(text)
	if strings.Contains(lower, " to ") {
		if m := makes.FindStringSubmatch(text); m != nil {
			if out, ok := r.madeUp(m[1], m[2], m[3]); ok {
				return out
			}
		}
	}
	if strings.HasSuffix(lower, " each") {
		if m := twoOf.FindStringSubmatch(text); m != nil {
			return r.piece(m[2] + " each " + m[1])
		}
	}
	if out := r.partsOf(text); len(out) > 0 {
		return out
	}
	if strings.HasSuffix(lower, " back") {
		if out := r.heldBeside(text); out != nil {
			return out
		}
	}
	lead, ok := measure.ReadLead(text, r.standard)
	if !ok {
		lead, ok = r.behind(text)
	}
	if m := unread.FindStringSubmatch(text); m != nil && (!ok || strings.ContainsAny(m[1], "V%?")) {
		u := r.food(measure.Lead{Rest: m[2]})
		u.Doubt = fmt.Sprintf("How much is “%s”? Write the amount, such as 1/2 tsp.", m[1])
		return []Understood{u}
	}
	if name := unmeasured(text); name != "" && !ok && found(r.name(name).Sure) {
		return r.bare(name)
	}
	if !ok || little.MatchString(text) {
		return r.bare(text)
	}
	if m := each.FindStringSubmatch(lead.Rest); m != nil {
		return r.each(lead, andOr.Split(m[1], -1))
	}
	if m := lessOf.FindStringSubmatch(lead.Rest); m != nil {
		sign := map[bool]string{true: " plus ", false: " less "}[strings.ToLower(m[2]) == "plus" || m[2] == "+"]
		if both, err := measure.Parse(lead.Amount.String()+sign+strings.TrimSuffix(m[3], "."), r.standard); err == nil {
			lead.Amount, lead.Rest = both, strings.TrimRight(m[1], ", ")
		}
	}
	one, rest, again, ok := r.cut(lead)
	if !ok {
		return []Understood{r.food(lead)}
	}
	first, others := r.food(one), r.piece(rest)
	if again && len(others) == 1 && len(first.Line.Or) == 0 && others[0].Line.Ingredient == first.Line.Ingredient {
		if sum, err := measure.Parse(first.Line.Amount.String()+" + "+others[0].Line.Amount.String(),
			r.standard); err == nil {
			first.Line.Amount = sum
			return []Understood{first}
		}
	}
	return append([]Understood{first}, others...)
}

// gap are where a name may end and its amount begin: "salt 1 1/2 tsp", "Butter - 30 g".
var gap = regexp.MustCompile(`(?:\s*(?:\.{2,}|[-–—:|\t])\s*|,\s*|\s+)(?:\(?(?:about )?[\d½⅓⅔¼¾⅛⅜⅝⅞.]|(?:one|two|` +
	`three|half|a pinch|pinch)\b)`)

// behind reads an amount that stands behind the name.
func (r reading) behind(text string) (measure.Lead, bool) {
	for _, at := range gap.FindAllStringIndex(text, -1) {
		name := strings.TrimRight(text[:at[0]], " .,:-–—|\t")
		start := at[0] + len(text[at[0]:]) - len(strings.TrimLeft(text[at[0]:], " .,:-–—|\t"))
		if c := strings.TrimLeft(text[at[0]:], " ,:-–—|\t"); strings.HasPrefix(c, ".") && len(c) > 1 && c[1] >= '0' &&
			c[1] <= '9' {
			start = len(text) - len(c)
		}
		lead, ok := measure.ReadLead(text[start:], r.standard)
		if !ok || name == "" || temperature.MatchString(text[start:]) &&
			temperature.FindStringIndex(text[start:])[0] == 0 {
			continue
		}
		if larder.IsBare(lead.Rest) && !strings.HasPrefix(lead.Rest, "(") {
			lead.Rest, name = name, lead.Rest
		}
		if lead.Rest == "" || strings.ContainsAny(lead.Rest[:1], "(,") || larder.IsBare(name) {
			lead.Rest = strings.TrimSpace(name + " " + lead.Rest)
			return lead, true
		}
	}
	return measure.Lead{}, false
}

// bare reads a row without an amount: what goes in to taste, and what cannot be read.
func (r reading) bare(text string) []Understood {
	name := strings.TrimSpace(taste.ReplaceAllString(text, ""))
	loose := name != text
	if at := little.FindStringIndex(name); at != nil {
		name, loose = name[at[1]:], true
	}
	if out := r.together(name); len(out) > 1 {
		return out
	}
	u := r.food(measure.Lead{Rest: name})
	u.Loose = loose && u.found()
	if !u.Loose {
		u.Doubt = "How much of it? Write an amount, such as 2 tbsp or 350 g."
	}
	return []Understood{u}
}
