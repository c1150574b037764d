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
	ticks    = regexp.MustCompile(`^\s*(?:[-–—*•·▪◦●○☐☑☒✓✔□■]|\[[ xX]?\]|\d{1,2}[.)] )\s*`)
	optional = regexp.MustCompile(`(?i)[,–—-]?\s*\(?(?:\b(?:optional|if desired|if liked|if you like|if using)\b|\bopt\.)\)?:?\s*`)
	beeps    = regexp.MustCompile(`(?i)\s*[(,–—-]*\s*(?:both\s+)?(?:to be\s+)?(?:add(?:ed)?\s+|put in\s+)?(?:at|on|with|when)\s+(?:the\s+)?(?:[\pL/]+[ -]){0,3}(?:beeps?|signal|bleep)\)?\s*$`)
	parts    = []struct {
		what *regexp.Regexp
		part Part
		not  bool // not for the loaf at all
	}{
		{regexp.MustCompile(`(?i)^(?:to glaze|to brush|for (?:the )?(?:glaz(?:e|ing)|brushing)|glaze|egg wash)\s*[:–-]\s*`), Glaze, false},
		{regexp.MustCompile(`(?i)^(?:for (?:the )?top(?:ping)?|topping|to finish|to sprinkle)\s*[:–-]\s*`), Topping, false},
		{regexp.MustCompile(`(?i)^(?:for (?:the )?filling|filling)\s*[:–-]\s*`), Filling, false},
		{regexp.MustCompile(`(?i)[,(]?\s*(?:to glaze|to brush|for (?:the )?(?:glaze|glazing|brushing|egg ?wash)|as (?:a )?glaze)[^,]*$`), Glaze, false},
		{regexp.MustCompile(`(?i)[,(]?\s*(?:to sprinkle|to top|for (?:the )?(?:top|topping|sprinkling|finishing|dusting the top))\b[^,]*$`), Topping, false},
		{regexp.MustCompile(`(?i)[,(]?\s*for (?:the )?filling\b[^,]*$`), Filling, false},
		{regexp.MustCompile(`(?i)[,(]?\s*(?:plus |and )?(?:extra |more )?(?:for (?:the )?(?:dusting|greasing|kneading|rolling|shaping|pan|tin|work ?surface|bowl)|to (?:serve|dust|grease))\b[^,]*$`), InDough, true},
	}
	more   = regexp.MustCompile(`(?i)[,]?\s*\(?(?:\bplus|\band|\+) ?(?:a little |some )?(?:extra|more)\b.*$`)
	little = regexp.MustCompile(`(?i)^(?:a (?:little|few(?: drops(?: of)?)?|bit of|drizzle of|sprinkling of)|some|extra|enough)\s+`)
	taste  = regexp.MustCompile(`(?i)[,(]?\s*\(?(?:or )?(?:to taste|as needed|as required|as necessary)\)?`)
)

// rows reads one row of a card: one ingredient, or several that stand on it.
func (r reading) rows(row string) []Understood {
	text := strings.TrimSpace(row)
	if len(text) > longRow {
		return nil // no ingredient is told at such length
	}
	for ticks.MatchString(text) {
		text = strings.TrimSpace(ticks.ReplaceAllString(text, ""))
	}
	var as Understood
	lower := strings.ToLower(text)
	has := func(words ...string) bool {
		return slices.ContainsFunc(words, func(w string) bool { return strings.Contains(lower, w) })
	}
	if has("optional", "opt.", "if ") && optional.MatchString(text) {
		as.Line.Optional, text = true, strings.TrimSpace(optional.ReplaceAllString(text, " "))
	}
	if at := beeps.FindStringIndex(text); has("beep", "signal", "bleep") && at != nil {
		as.Line.When, text = AtBeep, strings.TrimSpace(text[:at[0]])
	}
	for _, p := range parts {
		if !has("for", "to ", "glaze", "wash", "top", "filling") {
			break
		}
		at := p.what.FindStringIndex(text)
		if at == nil || at[1]-at[0] == len(text) {
			continue
		}
		if p.not {
			if _, ok := measure.ReadLead(text, r.standard); ok && more.MatchString(text) {
				break
			}
			as.Loose = true
		} else {
			as.Line.Part = p.part
		}
		text = strings.TrimSpace(text[:at[0]] + text[at[1]:])
		break
	}
	if has("more", "extra") {
		text = strings.TrimSpace(more.ReplaceAllString(text, ""))
	}
	text = strings.TrimRight(text, " .,;")
	pieces := strings.Split(text, ";")
	if listed := r.listed(text); len(listed) > 1 {
		pieces = listed
	}
	var out []Understood
	for _, piece := range pieces {
		if piece = strings.TrimSpace(piece); piece == "" {
			continue
		}
		if last := len(out) - 1; last >= 0 && larder.IsBare(piece) {
			out[last].Line.Note = note([]string{strings.Trim(out[last].Line.Note, ", "), piece})
			continue
		}
		for _, u := range r.piece(piece) {
			u.Line.Optional = u.Line.Optional || as.Line.Optional
			u.Line.When, u.Line.Part = as.Line.When, as.Line.Part
			u.Loose = u.Loose || as.Loose && u.Line.Amount == (measure.Amount{})
			if as.Loose && u.Line.Amount != (measure.Amount{}) {
				u.Loose, u.Line.Amount = true, measure.Amount{}
			}
			u.Written = strings.TrimSpace(row)
			if !u.Loose && u.Line.Amount == (measure.Amount{}) && u.Line.Part != InDough && (u.Sure == larder.Plainly || u.Sure == larder.Remarked) {
				u.Loose = true // to brush or to sprinkle, as much as it takes
			}
			if u.Loose {
				u.Doubt = ""
			}
			out = append(out, u)
		}
	}
	return out
}

var (
	joins  = regexp.MustCompile(`(?i)(?:,| plus| and| \+| &)\s+`)
	makes  = regexp.MustCompile(`(?i)^(.+?),?\s+(?:plus|and|\+|with)\s+(?:enough\s+)?(.+?)\s+to (?:make|equal|measure|total|fill|give)(?: up)?(?: to)?\s+(.+)$`)
	each   = regexp.MustCompile(`(?i)^(?:each|of each)\b:?\s*(?:of\s+)?(.+)$`)
	ofN    = regexp.MustCompile(`(?i)^(?:the )?(?:finely |freshly |grated |squeezed )*(zest|juice|rind|peel|whites?|yolks?)(?:\s+(?:and|&)\s+(?:grated |finely grated )?(zest|juice|rind|peel))?\s+of\s+(.+)$`)
	twoOf  = regexp.MustCompile(`(?i)^(.+?),\s*(\d.*?)\s+each$`)
	lessOf = regexp.MustCompile(`(?i)^(.+?),? (?:minus|less) (\d.*)$`)
	andOr  = regexp.MustCompile(`(?i)\s*(?:,| and |&|, and )\s*`)
)

// piece reads what is left of a row: usually one amount of one food.
func (r reading) piece(text string) []Understood {
	if m := makes.FindStringSubmatch(text); m != nil {
		if out, ok := r.madeUp(m[1], m[2], m[3]); ok {
			return out
		}
	}
	if m := twoOf.FindStringSubmatch(text); m != nil {
		return r.piece(m[2] + " each " + m[1])
	}
	if m := ofN.FindStringSubmatch(text); m != nil {
		if lead, ok := measure.ReadLead(m[3], r.standard); ok && lead.Rest != "" {
			var out []Understood
			for _, what := range m[1:3] {
				if what != "" {
					whole := lead
					whole.Rest = r.partOf(lead.Rest, what)
					out = append(out, r.food(whole))
				}
			}
			return out
		}
	}
	if little.MatchString(text) {
		return r.bare(text)
	}
	lead, ok := measure.ReadLead(text, r.standard)
	if !ok {
		lead, ok = r.behind(text)
	}
	if !ok {
		return r.bare(text)
	}
	if m := each.FindStringSubmatch(lead.Rest); m != nil {
		var out []Understood
		names := andOr.Split(m[1], -1)
		for _, name := range names {
			if name = strings.TrimSpace(name); name != "" {
				one := lead
				one.Rest = r.shared(name, names[len(names)-1])
				out = append(out, r.food(one))
			}
		}
		return out
	}
	if m := lessOf.FindStringSubmatch(lead.Rest); m != nil {
		if less, err := measure.Parse(lead.Amount.String()+" less "+strings.TrimSuffix(m[2], "."), r.standard); err == nil {
			lead.Amount, lead.Rest = less, m[1]
		}
	}
	if one, rest, again, ok := r.cut(lead); ok {
		first := r.food(one)
		others := r.piece(rest)
		if again && len(others) == 1 && len(first.Line.Or) == 0 && others[0].Line.Ingredient == first.Line.Ingredient {
			if sum, err := measure.Parse(first.Line.Amount.String()+" + "+others[0].Line.Amount.String(), r.standard); err == nil {
				first.Line.Amount = sum
				return []Understood{first}
			}
		}
		return append([]Understood{first}, others...)
	}
	return []Understood{r.food(lead)}
}

// listed are the foods of a row that are told one after another, each with its amount behind it: "flour 3c,
// water 1c". It is empty where the row is no such list.
func (r reading) listed(text string) []string {
	if !strings.Contains(text, ",") {
		return nil
	}
	pieces := strings.Split(text, ",")
	for _, piece := range pieces {
		piece = strings.TrimSpace(piece)
		_, begins := measure.ReadLead(piece, r.standard)
		if lead, ok := r.behind(piece); begins || !ok || len(strings.Fields(lead.Rest)) > 4 {
			return nil
		}
	}
	return pieces
}

// partOf names the zest, juice, white or yolk of a fruit or an egg.
func (r reading) partOf(of, what string) string {
	what = strings.TrimSuffix(strings.ToLower(what), "s")
	name, rest, _ := strings.Cut(of, ",")
	words := larder.Words(name)
	if len(words) > 0 {
		name = words[len(words)-1]
	}
	if rest != "" {
		rest = "," + rest
	}
	return name + " " + what + rest
}

// cut finds a second amount of another food on the row: "3/4 cup water plus 1 egg". again is set where
// the two are joined by plus, and may be one food.
func (r reading) cut(lead measure.Lead) (one measure.Lead, rest string, again, ok bool) {
	for _, at := range joins.FindAllStringIndex(lead.Rest, -1) {
		before, after := lead.Rest[:at[0]], lead.Rest[at[1]:]
		if before == "" || strings.Count(before, "(") != strings.Count(before, ")") || strings.Contains(before, " or ") {
			continue
		}
		next, found := measure.ReadLead(after, r.standard)
		if !found || next.Rest == "" || strings.HasPrefix(next.Rest, "(") {
			continue
		}
		if f := r.name(firstName(next.Rest)); f.Sure == larder.Nowhere && next.Amount.Unit == measure.Piece {
			continue
		}
		one = lead
		one.Rest = before
		join := strings.ToLower(strings.TrimSpace(lead.Rest[at[0]:at[1]]))
		return one, after, join == "plus" || join == "+", true
	}
	return lead, "", false, false
}

func firstName(text string) string {
	text, _, _ = strings.Cut(text, ",")
	text, _, _ = strings.Cut(text, "(")
	return strings.TrimSpace(text)
}

// eggSpoons is how many tablespoons an egg takes in a cup, 13/4, and eggMl the same in millilitres, for
// eggs that are made up with a liquid.
var eggSpoons = measure.NewRatio(13, 4)

const eggMl = 48

// madeUp reads eggs that are made up to an amount with a liquid.
func (r reading) madeUp(eggs, liquid, total string) ([]Understood, bool) {
	first := r.piece(eggs)
	lead, ok := measure.ReadLead(total, r.standard)
	i := larder.Ingredient{}
	if len(first) == 1 {
		i, _ = larder.Know(first[0].Line.Ingredient)
	}
	if !ok || i.Kind != larder.Egg || lead.Amount.Unit.Facts().Dimension != measure.Volume {
		return nil, false
	}
	spoon := measure.Of(1, 1, r.standard.In(measure.Tbsp))
	each := eggSpoons.Times(measure.NewRatio(int64(float64(spoon.Millilitres())/lead.Amount.Unit.Facts().Size*48+0.5), 48))
	if f := lead.Amount.Unit.Facts(); f.Decimal {
		each = measure.NewRatio(eggMl, int64(f.Size))
	}
	left := lead.Amount.Quantity.Plus(first[0].Line.Amount.Quantity.Times(each).Times(measure.Whole(-1)))
	if left.Sign() <= 0 {
		return nil, false
	}
	second := r.food(measure.Lead{Amount: measure.Amount{Quantity: left, Unit: lead.Amount.Unit}, Rest: liquid})
	second.Remark = fmt.Sprintf("With the egg it makes %s.", lead.Amount)
	return []Understood{first[0], second}, true
}

// gap are where a name may end and its amount begin: "salt 1 1/2 tsp", "Butter - 30 g".
var gap = regexp.MustCompile(`(?:\s*(?:\.{2,}|[-–—:|\t])\s*|,\s*|\s+)(?:\(?(?:about )?[\d½⅓⅔¼¾⅛⅜⅝⅞.]|(?:one|two|three|half|a pinch|pinch)\b)`)

// behind reads an amount that stands behind the name.
func (r reading) behind(text string) (measure.Lead, bool) {
	for _, at := range gap.FindAllStringIndex(text, -1) {
		name := strings.TrimRight(text[:at[0]], " .,:-–—|\t")
		start := at[0] + len(text[at[0]:]) - len(strings.TrimLeft(text[at[0]:], " .,:-–—|\t"))
		if c := strings.TrimLeft(text[at[0]:], " ,:-–—|\t"); strings.HasPrefix(c, ".") && len(c) > 1 && c[1] >= '0' && c[1] <= '9' {
			start = len(text) - len(c)
		}
		lead, ok := measure.ReadLead(text[start:], r.standard)
		if !ok || name == "" || temperature.MatchString(text[start:]) && temperature.FindStringIndex(text[start:])[0] == 0 {
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
	var out []Understood
	if found := r.name(firstName(name)); found.Sure != larder.Plainly && found.Sure != larder.Remarked {
		for _, one := range andOr.Split(name, -1) {
			if f := r.name(one); f.Sure == larder.Plainly || f.Sure == larder.Remarked {
				u := r.food(measure.Lead{Rest: one})
				u.Loose = true
				out = append(out, u)
			} else {
				out = nil
				break
			}
		}
		if len(out) > 1 {
			return out
		}
	}
	u := r.food(measure.Lead{Rest: name})
	u.Loose = loose && (u.Sure == larder.Plainly || u.Sure == larder.Remarked)
	if !u.Loose {
		u.Doubt = "How much of it? Write an amount, such as 2 tbsp or 350 g."
	}
	return []Understood{u}
}

var (
	temperature = regexp.MustCompile(`(?i)(?:at |to |@ ?)?(\d{2,3})(?:\s*[-–]\s*(\d{2,3}))?\s*(?:(?:°|º|degrees?|deg\.?)?\s*(C|F|Celsius|Fahrenheit)\b|[°º]|degrees?\b)`)
	paren       = regexp.MustCompile(`\s*\(([^()]*)\)`)
	places      = regexp.MustCompile(`(?i)\s+(?:in|with|from|without|made|such as|like|for|at|soaked|cut|that|which|warmed|heated|packed)\s`)
	dash        = regexp.MustCompile(`\s+[-–—]\s+`)
)

// food reads the name behind an amount, with all that stands round it.
func (r reading) food(lead measure.Lead) Understood {
	u := Understood{Slip: lead.Slip}
	u.Line.Amount, u.Line.Also = lead.Amount, lead.Also
	text := strings.TrimSpace(strings.TrimPrefix(lead.Rest, "of "))
	var asides []string
	keep := func(aside string) {
		if aside = strings.Trim(strings.TrimSpace(aside), " ,.:-–—()"); aside != "" && aside != "about" && aside != "at" {
			asides = append(asides, aside)
		}
	}
	keep(lead.Manner)
	if m := temperature.FindStringSubmatchIndex(text); m != nil && !strings.Contains(text[:m[0]], ",") {
		keep(strings.Trim(text[m[0]:m[1]], " "))
		text = strings.TrimSpace(text[:m[0]]) + strings.TrimLeft(text[m[1]:], "/ ")
		if again := temperature.FindStringIndex(text); again != nil {
			text = strings.TrimSpace(text[:again[0]]) + text[again[1]:]
		}
		text = strings.ReplaceAll(strings.ReplaceAll(text, "( )", ""), "()", "")
	}
	text = paren.ReplaceAllStringFunc(text, func(in string) string {
		inside := strings.TrimSpace(strings.Trim(strings.TrimSpace(in), "()"))
		if a, ok := measure.Exactly(strings.TrimPrefix(inside, "about "), r.standard); ok && u.Line.Also == (measure.Amount{}) && lead.Amount != (measure.Amount{}) {
			u.Line.Also = a
			return ""
		}
		return ", " + inside
	})
	name, tail, _ := strings.Cut(text, ",")
	for larder.IsBare(name) && strings.TrimSpace(tail) != "" && r.name(name).Sure == larder.Nowhere { // "diced, drained peaches"
		var next string
		next, tail, _ = strings.Cut(tail, ",")
		name += " " + strings.TrimSpace(next)
	}
	name, tail = r.choices(&u, strings.TrimSpace(name), tail)
	name, tail = r.qualified(name, tail)
	f := r.name(name)
	if f.Sure == larder.Nowhere || f.Sure == larder.NearMiss {
		for _, cut := range []*regexp.Regexp{dash, places} {
			if at := cut.FindStringIndex(name); at != nil {
				if g := r.name(name[:at[0]]); g.Sure == larder.Plainly || g.Sure == larder.Remarked {
					keep(name[at[0]:])
					name, f = name[:at[0]], g
					break
				}
			}
		}
	}
	u.Name, u.Line.Ingredient, u.Sure, u.Near, u.Remark = name, f.Ingredient.ID, f.Sure, f.Near, f.Remark
	u.Grade, u.State, u.Warmth = f.Grade, f.State, f.Warmth
	before := []string{f.Grade, f.State, f.Warmth}
	for _, seg := range strings.Split(tail, ",") {
		keep(taste.ReplaceAllString(seg, ""))
	}
	for n, b := range before {
		if b != "" {
			asides = slices.Insert(asides, min(n, len(asides)), b)
		}
	}
	u.Line.Or = slices.DeleteFunc(u.Line.Or, func(c Choice) bool { return c.Ingredient == u.Line.Ingredient && c.Amount == measure.Amount{} })
	if also := u.Line.Also; u.Line.Amount.Unit == measure.Piece && also.Grams() > 0 && f.Ingredient.Kind != larder.Egg {
		keep(u.Line.Amount.String() + " of them")
		u.Line.Amount, u.Line.Also = also, measure.Amount{}
	}
	if len(u.Line.Or) == 0 {
		u.Line.Or = nil
	}
	u.Line.Note = note(asides)
	r.weigh(&u, f.Ingredient, lead)
	return u
}

// note joins what stands beside a line, within what a line's note may hold.
func note(asides []string) string {
	out := strings.Join(slices.Compact(asides), ", ")
	if r := []rune(out); len(r) > longLineNote/2 {
		out = strings.TrimSpace(string(r[:longLineNote/2]))
	}
	return out
}

// weigh asks about an amount that cannot be of this ingredient, and about two that contradict.
func (r reading) weigh(u *Understood, i larder.Ingredient, lead measure.Lead) {
	none := measure.Amount{}
	switch g, err := i.Weigh(u.Line.Amount); {
	case lead.Missing != "":
		u.Doubt, u.Line.Amount = fmt.Sprintf("How much is in a %s? Write its size, such as 1 can (400 g).", lead.Missing), none
	case u.Line.Amount == none:
	case i.ID == "":
		u.Doubt, u.Line.Amount = "Say what it is.", none
	case i.Unknown:
	case u.Line.Amount.Unit == measure.Packet && i.Kind != larder.Yeast:
		u.Doubt, u.Line.Amount = fmt.Sprintf("How much does a packet of %s hold? Write its weight.", i.Name), none
	case err != nil:
		u.Doubt, u.Line.Amount = fmt.Sprintf("%s of what measure? Write a unit, such as cups, tsp or g.", u.Line.Amount), none
	case g <= 0 || g > mostGrams:
		u.Doubt, u.Line.Amount = fmt.Sprintf("%s of %s cannot be meant.", u.Line.Amount, i.Name), none
	default:
		other, err := i.Weigh(u.Line.Also)
		imperial, _ := i.Weigh(u.Line.Also.In(measure.Imperial))       // a British card's pint
		australian, _ := i.Weigh(u.Line.Amount.In(measure.Australian)) // and an Australian one's tablespoon
		apart := func(a, b measure.Grams) bool { return a > b*apartMost || b > a*apartMost }
		if err == nil && u.Line.Also != none && apart(other, g) && apart(imperial, g) && apart(other, australian) {
			u.Doubt = fmt.Sprintf("%s and %s are not the same: %.0f g and %.0f g. Which is right?", u.Line.Amount, u.Line.Also, float64(g), float64(other))
		}
	}
}

// apartMost is how far two measures of one thing may lie apart before they contradict: 15 %, and what
// a cup of flour is uncertain by.
const apartMost = 1.21

func upper(s string) string { return strings.ToUpper(s[:1]) + s[1:] }

// qualified puts a qualifier behind the name before it, where the two name another row: "flour, strong
// white", "yeast (instant)".
func (r reading) qualified(name, tail string) (string, string) {
	segments := strings.Split(tail, ",")
	for n, seg := range segments {
		words := larder.Words(seg)
		if len(words) == 0 || len(words) > 4 || name == "" {
			continue
		}
		if with, ok := larder.Is(seg + " " + name); ok && with.ID != r.name(name).Ingredient.ID {
			return strings.TrimSpace(seg) + " " + name, strings.Join(slices.Delete(segments, n, n+1), ",")
		}
		if what, ok := partWords[strings.Join(words, " ")]; ok {
			return r.partOf(name, what), strings.Join(slices.Delete(segments, n, n+1), ",")
		}
	}
	return name, tail
}

// partWords say behind a fruit's name that only a part of it is meant: "1 orange, zest of".
var partWords = map[string]string{"zest": "zest", "zest of": "zest", "zested": "zest", "grated zest": "zest", "zest only": "zest", "juice": "juice", "juice of": "juice", "juiced": "juice", "juice only": "juice"}

// choices reads what can stand in the line's place: "butter or oil", "sugar, honey or maple syrup".
func (r reading) choices(u *Understood, name, tail string) (string, string) {
	known := func(n string) (larder.ID, bool) {
		f := r.name(n)
		return f.Ingredient.ID, f.Sure == larder.Plainly || f.Sure == larder.Remarked
	}
	if _, ok := known(name); ok && !strings.Contains(name, " or ") {
		// the choice may stand behind a comma or in brackets
		first, rest, _ := strings.Cut(tail, ",")
		first = strings.TrimSpace(first)
		if _, found := strings.CutPrefix(first, "or "); found {
			for {
				after, more := strings.CutPrefix(strings.TrimSpace(first), "or ")
				if !more || !r.choose(u, after) {
					return name, tail
				}
				tail = rest
				first, rest, _ = strings.Cut(tail, ",")
			}
		} else if others := strings.Split(first, " or "); len(others) > 1 {
			for _, o := range others {
				if !r.choose(u, o) {
					u.Line.Or = nil
					return name, tail
				}
			}
			return name, rest
		}
		return name, tail
	}
	all := strings.Split(stroke.ReplaceAllString(name, "$1 or $2"), " or ")
	if len(all) < 2 {
		return name, tail
	}
	first := strings.TrimSpace(all[0])
	if len(all) == 2 {
		first = r.shared(first, all[1])
	}
	for _, o := range all[1:] {
		if !r.choose(u, o) && u.Remark == "" {
			tail = "or " + strings.TrimSpace(o) + "," + tail
		}
	}
	return first, tail
}

var stroke = regexp.MustCompile(`(\pL\.?) ?/ ?(\pL)`)

// shared gives the first of two foods the words that only the second one has: "olive or vegetable oil".
func (r reading) shared(first, last string) string {
	alone, other := r.name(first), r.name(last)
	words := strings.Fields(last)
	for n := len(words) - 1; n > 0; n-- {
		long := first + " " + strings.Join(words[n:], " ")
		f := r.name(long)
		if (f.Sure == larder.Plainly || f.Sure == larder.Remarked) && (alone.Sure == larder.Nowhere || alone.Ingredient.Kind != other.Ingredient.Kind && f.Ingredient.Kind == other.Ingredient.Kind) {
			return long
		}
	}
	return first
}

// choose adds one choice to a line; false where it is no known food.
func (r reading) choose(u *Understood, text string) bool {
	c := Choice{}
	text = strings.TrimSpace(text)
	if f := r.name(text); f.Sure == larder.Plainly || f.Sure == larder.Remarked {
	} else if lead, ok := measure.ReadLead(text, r.standard); ok {
		c.Amount, text = lead.Amount, lead.Rest
		if joins.MatchString(text) {
			return false
		}
	}
	f := r.name(text)
	if f.Sure != larder.Plainly && f.Sure != larder.Remarked {
		return false
	}
	c.Ingredient = f.Ingredient.ID
	if c.Amount == u.Line.Amount {
		c.Amount = measure.Amount{}
	}
	if _, err := f.Ingredient.Weigh(c.Amount); c.Amount != (measure.Amount{}) && err != nil || len(u.Line.Or) == mostOthers {
		return false
	}
	if c.Ingredient != f.Ingredient.ID || !slices.Contains(u.Line.Or, c) {
		u.Line.Or = append(u.Line.Or, c)
	}
	return true
}

// Aside is what a line's note says of how the ingredient is taken.
type Aside struct {
	Grade  string // organic, ripe …
	State  string // softened, chopped …
	Warmth string // cold, room, warm, hot, or a temperature such as 30 °C
	Remark string // anything else
}

// Aside reads the line's note.
func (l Line) Aside() Aside {
	var a Aside
	add := func(to *string, s string) {
		if *to != "" {
			*to += ", "
		}
		*to += s
	}
	for _, seg := range strings.Split(l.Note, ",") {
		if seg = strings.TrimSpace(seg); seg == "" {
			continue
		}
		if m := temperature.FindStringSubmatch(seg); m != nil {
			a.Warmth = degrees(m)
			continue
		}
		f, bare := larder.Bare(seg)
		switch {
		case !bare:
			add(&a.Remark, seg)
		case f.Warmth != "":
			if !strings.Contains(a.Warmth, "°") {
				a.Warmth = warmths[strings.Fields(f.Warmth)[0]]
			}
			if f.State != "" {
				add(&a.State, f.State)
			}
		case f.State != "":
			add(&a.State, seg)
		default:
			add(&a.Grade, seg)
		}
	}
	return a
}

// leastFahrenheit is from which figure on a temperature without a unit can be no Celsius of a liquid.
const leastFahrenheit = 60

// Temperature is the temperature that the card asks of the line, in degrees or as cold or room; ok is false
// where it asks none, or only for something warm, which the balance of heat works out.
func (a Aside) Temperature() (t measure.Temperature, ok bool) {
	t, err := measure.ParseTemperature(a.Warmth)
	return t, err == nil
}

// waits are words of a note for what takes its time before the bake.
var waits = regexp.MustCompile(`(?i)\b(?:soak\w*|overnight|thaw\w*|steep\w*|sprout\w*|cooled? to|cooled|chill\w*|set aside)\b`)

// Waits reports whether the line's note asks for something that takes its time before the bake: "soaked
// overnight", "cooled to lukewarm".
func (l Line) Waits() bool { return waits.MatchString(l.Note) }

// degrees is a temperature as it is written, the middle of a range.
func degrees(m []string) string {
	var low, high int
	fmt.Sscan(m[1], &low)
	if high = low; m[2] != "" {
		fmt.Sscan(m[2], &high)
	}
	unit := "C"
	switch {
	case m[3] != "":
		unit = strings.ToUpper(m[3][:1])
	case low >= leastFahrenheit:
		unit = "F" // nobody warms a liquid to 60 °C
	}
	return fmt.Sprintf("%d °%s", (low+high)/2, unit)
}

// warmths say in one word what cards have many for.
var warmths = map[string]string{
	"boiling": "100 °C", "warm": "warm", "lukewarm": "warm", "tepid": "warm", "hot": "hot", "cold": "cold", "cool": "cold", "chilled": "cold", "iced": "cold", "icy": "cold",
	"ice": "cold", "room": "room",
}
