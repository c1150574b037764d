package recipe

import (
	"fmt"
	"regexp"
	"slices"
	"strings"

	"risepan/core/larder"
	"risepan/core/measure"
)

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

var (
	temperature = regexp.MustCompile(
		`(?i)(?:at |to |@ ?)?(\d{2,3})(?:\s*[-–]\s*(\d{2,3}))?\s*(?:(?:°|º|degrees?|deg\.?)?\s*(C|F|Celsius|` +
			`Fahrenheit)\b|[°º]|degrees?\b)`)
	paren  = regexp.MustCompile(`\s*\(([^()]*)\)`)
	places = regexp.MustCompile(
		`(?i)\s+(?:in|on|(?:(?:mixed|beaten|whisked|blended) )?with|from|without|made|such as|like|for|at|soaked|cut|` +
			`that|which|warmed|heated|packed)\s`)
	dash = regexp.MustCompile(`\s+[-–—]\s+`)
)

// food reads the name behind an amount, with all that stands round it.
func (r reading) food(lead measure.Lead) Understood {
	u := Understood{Slip: lead.Slip}
	u.Line.Amount, u.Line.Also = lead.Amount, lead.Also
	if whole := lead.Vessel + " " + lead.Rest; lead.Vessel != "" && r.name(lead.Rest).Sure == larder.Nowhere &&
		found(r.name(whole).Sure) { // "500 g packet mix"
		lead.Rest = whole
	}
	text, warmth := warmed(strings.TrimSpace(strings.TrimPrefix(lead.Rest, "of ")))
	text = r.unbracketed(&u, text)
	name, tail, _ := strings.Cut(text, ",")
	// "diced, drained peaches"
	for larder.IsBare(name) && strings.TrimSpace(tail) != "" && r.name(name).Sure == larder.Nowhere {
		var next string
		next, tail, _ = strings.Cut(tail, ",")
		name += " " + strings.TrimSpace(next)
	}
	tail = r.either(name, tail)
	name, tail = r.choices(&u, strings.TrimSpace(name), tail)
	name, tail = r.qualified(name, tail)
	name, behind, f := r.shortened(name)
	if is, ok := r.sprouted(f.Ingredient, behind+" "+tail); ok {
		name, f = is, r.name(is)
	}
	u.Name, u.Line.Ingredient, u.Sure, u.Near, u.Remark = name, f.Ingredient.ID, f.Sure, f.Near, f.Remark
	u.Grade, u.State, u.Warmth = f.Grade, f.State, f.Warmth
	asides := []string{f.Grade, f.State, f.Warmth, lead.Manner, warmth, behind}
	for _, seg := range strings.Split(tail, ",") {
		asides = append(asides, taste.ReplaceAllString(seg, ""))
	}
	u.Line.Or = slices.DeleteFunc(u.Line.Or, func(c Choice) bool {
		return c.Ingredient == u.Line.Ingredient &&
			c.Amount == measure.Amount{}
	})
	if len(u.Line.Or) == 0 {
		u.Line.Or = nil
	}
	if also := u.Line.Also; u.Line.Amount.Unit == measure.Piece && also.Grams() > 0 && f.Ingredient.Kind != larder.Egg {
		asides = append(asides, u.Line.Amount.String()+" of them")
		u.Line.Amount, u.Line.Also = also, measure.Amount{}
	}
	u.Line.Note = note(asides)
	if f.Ingredient.Shape(u.Line.Note) == "" { // "1/2 cup flaked almonds" is flaked still as almonds
		u.Line.Note = note([]string{f.Ingredient.Shape(name), u.Line.Note})
	}
	r.weigh(&u, f.Ingredient.Shaped(u.Line.Note), lead)
	u.partly(r.standard, behind+tail)
	return u
}

// either is a tail whose two words name one food: "yeast, bread machine or rapid rise".
func (r reading) either(name, tail string) string {
	one, other, ok := strings.Cut(tail, " or ")
	if !ok || strings.Contains(one, ",") {
		return tail
	}
	first, _ := r.qualified(strings.TrimSpace(name), one)
	second, _ := r.qualified(strings.TrimSpace(name), other)
	f, g := r.name(first), r.name(second)
	if !found(f.Sure) || f.Ingredient.ID != g.Ingredient.ID || f.Ingredient.ID == r.name(name).Ingredient.ID {
		return tail
	}
	return one
}

// milled is what is done to sprouted grain that becomes flour.
var milled = regexp.MustCompile(`(?i)\bmill(?:ed|ing)?\b`)

// sprouted is what a grain becomes that is sprouted first, by what stands behind its name: flour, where it is dried and
// milled, else a purée.
func (r reading) sprouted(grain larder.Ingredient, behind string) (name string, ok bool) {
	whole := grain.Ahead == larder.Sprouted && strings.Contains(strings.ToLower(behind), "sprout")
	if !whole && (grain.Ahead != larder.Ground || !milled.MatchString(behind)) {
		return "", false
	}
	name = "sprouted " + string(grain.Grain)
	if milled.MatchString(behind) {
		name += " flour"
	}
	return name, found(r.name(name).Sure)
}

// warmed takes the temperature off what stands before the first comma: "water at 110°F/43°C". A second one
// says the same in the other unit.
func warmed(text string) (rest, warmth string) {
	m := temperature.FindStringIndex(text)
	if m == nil || strings.Contains(text[:m[0]], ",") {
		return text, ""
	}
	warmth = text[m[0]:m[1]]
	text = strings.TrimSpace(text[:m[0]]) + strings.TrimLeft(text[m[1]:], "/ ")
	if again := temperature.FindStringIndex(text); again != nil {
		text = strings.TrimSpace(text[:again[0]]) + text[again[1]:]
	}
	return strings.ReplaceAll(strings.ReplaceAll(text, "( )", ""), "()", ""), warmth
}

// unbracketed sets what stands in brackets behind commas; an amount there is the second measure.
func (r reading) unbracketed(u *Understood, text string) string {
	none := measure.Amount{}
	return paren.ReplaceAllStringFunc(text, func(in string) string {
		inside := strings.TrimSpace(strings.Trim(strings.TrimSpace(in), "()"))
		a, ok := measure.Exactly(strings.TrimPrefix(inside, "about "), r.standard)
		if ok && u.Line.Also == none && u.Line.Amount != none {
			u.Line.Also = a
			return ""
		}
		return ", " + inside
	})
}

// shortened is the longest beginning of a name that is a food, and what stood behind it: "cheese from the
// market".
func (r reading) shortened(name string) (short, behind string, f larder.Found) {
	f = r.name(name)
	if found(f.Sure) {
		return name, "", f
	}
	for _, cut := range []*regexp.Regexp{dash, places} {
		if at := cut.FindStringIndex(name); at != nil {
			if g := r.name(name[:at[0]]); found(g.Sure) {
				return name[:at[0]], name[at[0]:], g
			}
		}
	}
	return name, "", f
}

// note joins what stands beside a line, within what a line's note may hold.
func note(asides []string) string {
	var out []string
	for _, aside := range asides {
		if aside = strings.Trim(strings.TrimSpace(aside), " ,.:-–—()"); aside != "" && aside != "about" &&
			aside != "at" {
			out = append(out, aside)
		}
	}
	return first(longLineNote, strings.Join(slices.Compact(out), ", "))
}

// household are the vessels that differ from kitchen to kitchen.
var household = map[string]bool{"glass": true, "tumbler": true, "teacup": true, "mug": true, "bowl": true, "ladle": true,
	"spoon": true}

var (
	drainedTo = regexp.MustCompile(`(?i)\bdrained weight (?:of |about )?(\d[\d.,]* ?(?:g|oz|ml))\b`)
	useHalf   = regexp.MustCompile(`(?i)\buse (?:only )?half\b`)
)

// partly is what a line says of a part of its amount: a can's drained weight is what goes in; of half a packet is asked.
func (u *Understood) partly(s measure.Standard, tail string) {
	if m := drainedTo.FindStringSubmatch(tail); m != nil {
		if a, err := measure.Parse(m[1], s); err == nil {
			u.Line.Amount, u.Line.Also = a, measure.Amount{}
		}
	}
	if useHalf.MatchString(tail) && u.Doubt == "" {
		u.Doubt = "Half of it? Write the amount that goes in."
	}
}

// weigh asks about an amount that cannot be of this ingredient, and about two that contradict.
func (r reading) weigh(u *Understood, i *larder.Ingredient, lead measure.Lead) {
	none := measure.Amount{}
	switch g, err := i.Weigh(u.Line.Amount); {
	case lead.Missing != "" && u.Line.Amount.Unit != measure.Piece: // "2 bowls flour (about 430 g)"
	case lead.Missing != "" && household[lead.Missing]:
		u.Doubt, u.Line.Amount = fmt.Sprintf("How much is in your %s? Write cups, tsp, ml or g.", lead.Missing), none
	case lead.Missing != "":
		u.Doubt, u.Line.Amount = fmt.Sprintf("How much is in a %s? Write its size, such as 1 can (400 g).",
			lead.Missing), none
	case u.Line.Amount == none:
	case i.ID == "":
		u.Doubt, u.Line.Amount = "Say what it is.", none
	case i.Unknown:
	case u.Line.Amount.Unit == measure.Packet && i.Kind != larder.Yeast && u.Line.Also.Grams() > 0:
		if i.Packet && !u.Line.Amount.Quantity.IsWhole() {
			u.Line.Note = strings.TrimPrefix(u.Line.Note+", ", ", ") + u.Line.Amount.String()
		}
		u.Line.Amount = measure.Amount{Quantity: u.Line.Also.Quantity.Times(u.Line.Amount.Quantity), Unit: u.Line.Also.Unit}
		u.Line.Also = none
	case u.Line.Amount.Unit == measure.Packet && i.Kind != larder.Yeast:
		u.Doubt, u.Line.Amount = fmt.Sprintf("How much does a packet of %s hold? Write its weight.", i.Name), none
	case err != nil:
		u.Doubt, u.Line.Amount = fmt.Sprintf("%s of what measure? Write a unit, such as cups, tsp or g.",
			u.Line.Amount), none
	case g <= 0 || g > mostGrams:
		u.Doubt, u.Line.Amount = fmt.Sprintf("%s of %s cannot be meant.", u.Line.Amount, i.Name), none
	default:
		other, err := i.Weigh(u.Line.Also)
		imperial, _ := i.Weigh(u.Line.Also.In(measure.Imperial))       // a British card's pint
		australian, _ := i.Weigh(u.Line.Amount.In(measure.Australian)) // and an Australian one's tablespoon
		apart := func(a, b measure.Grams) bool { return a > b*apartMost || b > a*apartMost }
		if err == nil && u.Line.Also != none && apart(other, g) && apart(imperial, g) && apart(other, australian) {
			u.Doubt = fmt.Sprintf("%s and %s are not the same: %.0f g and %.0f g. Which is right?", u.Line.Amount,
				u.Line.Also, float64(g), float64(other))
		}
	}
}

// apartMost is how far two measures of one thing may lie apart before they contradict: 15 %, and what
// a cup of flour is uncertain by.
const apartMost = 1.21

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
var partWords = map[string]string{"zest": "zest", "zest of": "zest", "zested": "zest", "grated zest": "zest",
	"zest only": "zest", "juice": "juice", "juice of": "juice", "juiced": "juice", "juice only": "juice"}

// choices reads what can stand in the line's place: "butter or oil", "sugar, honey or maple syrup". What is
// returned are the name and the words behind it without them.
func (r reading) choices(u *Understood, name, tail string) (string, string) {
	if found(r.name(name).Sure) && !strings.Contains(name, " or ") {
		return name, r.choicesBehind(u, tail)
	}
	if one, other, two := strings.Cut(name, " / "); two { // a name in two languages
		switch f, g := r.name(one), r.name(other); {
		case f.Sure == larder.Nowhere && found(g.Sure):
			return other, tail
		case g.Sure == larder.Nowhere && found(f.Sure):
			return one, tail
		}
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

// choicesBehind takes the choices off what stands behind a comma: "butter, or oil, melted".
func (r reading) choicesBehind(u *Understood, tail string) string {
	seg, rest, _ := strings.Cut(tail, ",")
	seg = strings.TrimSpace(seg)
	if !strings.HasPrefix(seg, "or ") {
		others := strings.Split(seg, " or ")
		for _, o := range others {
			if len(others) < 2 || !r.choose(u, o) {
				u.Line.Or = nil
				return tail
			}
		}
		return rest
	}
	for {
		seg, rest, _ = strings.Cut(tail, ",")
		after, more := strings.CutPrefix(strings.TrimSpace(seg), "or ")
		if !more || !r.choose(u, after) {
			return tail
		}
		tail = rest
	}
}

var stroke = regexp.MustCompile(`(\pL\.?) ?/ ?(\pL)`)

// shared gives the first of two foods the words that only the second one has: "olive or vegetable oil".
func (r reading) shared(first, last string) string {
	alone, other := r.name(first), r.name(last)
	words := strings.Fields(last)
	for n := len(words) - 1; n > 0; n-- {
		long := first + " " + strings.Join(words[n:], " ")
		f := r.name(long)
		if (found(f.Sure)) && (alone.Sure == larder.Nowhere || alone.Ingredient.Kind != other.Ingredient.Kind &&
			f.Ingredient.Kind == other.Ingredient.Kind) {
			return long
		}
	}
	return first
}

// choose adds one choice to a line; false where it is no known food.
func (r reading) choose(u *Understood, text string) bool {
	c := Choice{}
	text = strings.TrimSpace(text)
	if f := r.name(text); found(f.Sure) {
	} else if lead, ok := measure.ReadLead(text, r.standard); ok {
		c.Amount, text = lead.Amount, lead.Rest
		if joins.MatchString(text) {
			return false
		}
	}
	f := r.name(text)
	if !found(f.Sure) {
		return false
	}
	c.Ingredient = f.Ingredient.ID
	if c.Amount == u.Line.Amount {
		c.Amount = measure.Amount{}
	}
	if _, err := f.Ingredient.Weigh(c.Amount); c.Amount != (measure.Amount{}) && err != nil ||
		len(u.Line.Or) == mostOthers {
		return false
	}
	if c.Ingredient != f.Ingredient.ID || !slices.Contains(u.Line.Or, c) {
		u.Line.Or = append(u.Line.Or, c)
	}
	return true
}
