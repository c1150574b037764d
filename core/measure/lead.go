package measure

import (
	"regexp"
	"strings"
)

// Lead is an amount as it stands in a line of a card, with what stands round it.
type Lead struct {
	Amount  Amount
	Also    Amount // a second measure of the same: "3 cups (375 g)"
	Manner  string // scant, heaped …
	Slip    bool   // a slip of scanning or typing was read as what was meant
	Vessel  string // the can or jar whose size the amount is
	Missing string // the can or jar of which the line does not say what it holds
	Rest    string // of the line, after the amount
}

// rule is one rule of tidying: what cooks and scanners write, and how the reader of amounts has it.
type rule struct {
	what *regexp.Regexp
	as   string
}

func rules(pairs ...string) []rule {
	var out []rule
	for n := 0; n < len(pairs); n += 2 {
		out = append(out, rule{regexp.MustCompile(pairs[n]), pairs[n+1]})
	}
	return out
}

var (
	// A letter for a figure: "1 l/2", "l cup", "5OO g"; a fraction run into its whole: "11/2", "2l/4".
	slips = rules(
		`^[lI|] ?[lI|]/(\d)`, `1 1/$1`,
		`^(\d*) ?[lI|]/(\d)`, `$1 1/$2`,
		`^[lI|] (\d/\d|[½⅓⅔¼¾⅛])`, `1 $1`,
		`^[lI|] ?((?i:cups?|tbsps?|tsps?|tb|tbs|ml|oz|lb|tablespoons?|teaspoons?|eggs?|packet|pkg|el|tl)|[cTtg])\b`, `1 $1`,
		`^[lI|],(\d)`, `1,$1`,
		`^[lI|]([½⅓⅔¼¾⅛])`, `1 $1`,
		`^[lI](\d) ?(g|ml|gr|grams?)\b`, `1$1 $2`,
		`^(\d[\d./ ½¼¾⅓⅔⅛-]*) ?tb1sp\b`, `$1 tbsp`,
		`^(\d+)[Oo][Oo] ?(g|ml|gr|grams?)\b`, `${1}00 $2`,
		`^(\d+)[Oo] ?(g|ml|gr|grams?)\b`, `${1}0 $2`,
		`^(\d)[Oo](\d) ?(g|ml|gr|grams?)\b`, `${1}0$2 $3`,
		`^([1-9]\d?)(1/[2348]|2/3|3/[48]|5/8|7/8)\b`, `$1 $2`,
		`^([1-9]) (\d)[lI|](\d)`, `$1 $2/$3`,
		`^([1-9])([1-7])[⁄∕]([2348])\b`, `$1 $2/$3`,
	)
	figures = rules(
		`(\d) ?[⁄∕] ?(\d)`, `$1/$2`,
		`^(\d+) (?:and|&) (\d/\d)`, `$1 $2`,
		`^(\d+) / (\d)\b`, `$1/$2`,
		`(\d),(\d)`, `$1.$2`,
		`(?i)^(\d[\d. /½⅓⅔¼¾⅛]*|[½⅓⅔¼¾⅛]) ?[x×] ?15 ?ml(?:[ -]spoon(?:ful)?s?)?\b`, `$1 tbsp`,
		`(?i)^(\d[\d. /½⅓⅔¼¾⅛]*|[½⅓⅔¼¾⅛]) ?[x×] ?5 ?ml(?:[ -]spoon(?:ful)?s?)?\b`, `$1 tsp`,
		`^\.(\d)`, `0.$1`,
		`\((\.\d+)`, `(0$1`,
		`^(\S+(?: \d/\d)?) or (\d[^ ]*(?: \d/\d)? (?:cups?|c|tbsp|tsp|tablespoons?|teaspoons?|T|t|g|ml|oz)\b)`, `$1-$2`,
		`^(\d[^ ]*) ?x (\d)`, `${1} x $2`,
		`(?i)\bdessert ?spoon(?:ful)?s?\b`, `dsp`,
		`(?i)\bfl\. ?oz\.?`, `fl oz`,
		`(?i)(\d)-(ounce|oz|g|gram|lb|pound|ml|inch)\b`, `$1 $2`,
	)
	french = rules(
		`(?i)^(\d[\d.]*) (?:to|à) (\d)`, `$1-$2`,
		`(?i)^(\d[\d. /½⅓⅔¼¾⅛-]*|[½⅓⅔¼¾⅛]) ?c(?:uill(?:e|è)res?)?\.? ?à ?s(?:oupe)?\.?\s+(?:de |d'|d’)?`, `$1 tbsp `,
		`(?i)^(\d[\d. /½⅓⅔¼¾⅛-]*|[½⅓⅔¼¾⅛]) ?c(?:uill(?:e|è)res?)?\.? ?à ?c(?:af[eé])?\.?\s+(?:de |d'|d’)?`, `$1 tsp `,
	)
	spoonsCT = rules(
		`(?i)^(\d[\d. /½⅓⅔¼¾⅛-]*|[½⅓⅔¼¾⅛]) ?c\.? ?(?:à |a )?th(?:é|e\b)\.? ?(?:de |d'|d’)?`, `$1 tsp `,
		`(?i)^(\d[\d. /½⅓⅔¼¾⅛-]*|[½⅓⅔¼¾⅛]) ?c\.? ?(?:à |a )?table\b\.? ?(?:de |d'|d’)?`, `$1 tbsp `,
	)
	packsOf = rules(
		`(?i)^(\d[\d. /½⅓⅔¼¾⅛]*|[½⅓⅔¼¾⅛]) ?(packs?|packets?|bags?|cans?|tins?|jars?|boxe?s?|cartons?|tubs?) of `+
			`(\d[\d.]* ?(?:g|kg|ml|l|oz|lb)) `, `$1 $3 $2 `,
	)
	knifeTips = rules(`(?i)^(\d[\d. /-]*|[½⅓⅔¼¾⅛]) ?knife[ -]?(?:tips?|points?)(?: of)? `, `$1 pinch `)
	ranges    = func() (out []rule) { // a range whose unit stands twice: "½ oz - ¾ oz"
		for _, unit := range []string{"oz", "g", "ml", "tsp", "tbsp", "cups?"} {
			out = append(out, rules(`(?i)^([\d./ ½⅓⅔¼¾⅛]+?) ?`+unit+` [-–] ([\d./ ½⅓⅔¼¾⅛]+?) ?(`+unit+`)\b`, `$1-$2 $3`)...)
		}
		return out
	}()
	halves = rules(
		`(?i)^(\d) (\pL+) and (?:a |one )?half(?: of)? `, `$1 1/2 $2 `,
	)
	spoonsCC = rules(
		`(?i)^([1-9]?(?:\.\d+)?(?: ?[½⅓⅔¼¾⅛]| ?\d/\d)?) ?cc\b`, `$1 tsp`,
	)
	eggSizes = rules(
		`(?i)^(\d[\d. /½⅓⅔¼¾⅛-]*) ?(?:l|lg|lge|xl)\.? (eggs?)\b`, `$1 large $2`,
		`(?i)^(\d[\d. /½⅓⅔¼¾⅛-]*) ?(?:m|med)\.? (eggs?)\b`, `$1 medium $2`,
		`(?i)^(\d[\d. /½⅓⅔¼¾⅛-]*) ?(?:s|sm)\.? (eggs?)\b`, `$1 small $2`,
	)
	inWords = rules(
		`(?i)^(?:an?|one) ((?:scant|heaped|heaping|rounded|level|generous|good|full|big|small) )?(\d/\d|[½⅓⅔¼¾⅛⅜⅝⅞])`, `$1$2`,
		`(?i)^an? ((?:scant|heaped|heaping|rounded|level|generous) )(\d)`, `$1$2`,
		`(?i)^(\S+ cups?) and (?:an?|one) (tablespoons?|tbsp|teaspoons?|tsp) `, `$1 1 $2 `,
		`(?i)^(\S+ cups?) and two (tablespoons?|tbsp|teaspoons?|tsp) `, `$1 2 $2 `,
		`(?i)^(\S+ cups?) and three (tablespoons?|tbsp|teaspoons?|tsp) `, `$1 3 $2 `,
		`(?i)^(?:one|an?) (cups?|tablespoons?|teaspoons?|tbsp|tsp|pints?|litres?) and (?:a |one )?half(?: of)? `, `1 1/2 $1 `,
		`(?i)^(?:one|an?) (cups?|tablespoons?|teaspoons?|tbsp|tsp|pints?) and (?:a |one )?quarter(?: of)? `, `1 1/4 $1 `,
		`(?i)^(one|two|three) and (?:a |one )?quarter `, `$1 1/4 `, `(?i)^(one|two|three) and three[ -]quarters `, `$1 3/4 `,
		`(?i)^one (cucchiaino|cucchiaio|glass|packet|sachet) and (?:a |one )?half(?: of)? `, `1 1/2 $1 `,
		`(?i)^(one|two|three|four) \(\d\) `, `$1 `,
		`(?i)^one 1/4 `, `1 1/4 `, `(?i)^two 1/4 `, `2 1/4 `, `(?i)^three 1/4 `, `3 1/4 `,
		`(?i)^one 3/4 `, `1 3/4 `, `(?i)^two 3/4 `, `2 3/4 `, `(?i)^three 3/4 `, `3 3/4 `,
		`(?i)^(?:one|an?) and (?:a |one )?half `, `1 1/2 `,
		`(?i)^two and (?:a |one )?half `, `2 1/2 `,
		`(?i)^three and (?:a |one )?half `, `3 1/2 `,
		`(?i)^(?:one[ -]|a )?half (?:of )?(?:an? )?`, `1/2 `,
		`(?i)^three[ -]quarters? (?:of )?(?:an? )?`, `3/4 `,
		`(?i)^two[ -]thirds? (?:of )?(?:an? )?`, `2/3 `,
		`(?i)^(?:one[ -]|a )?third (?:of )?(?:an? )`, `1/3 `,
		`(?i)^(?:one[ -]|a )?quarter (?:of )?(?:an? )?`, `1/4 `,
		`(?i)^un[oa']? (cucchiai[oi]n?[oi]?|tazza|pizzico) `, `1 $1 `,
		`(?i)^a dozen `, `12 `,
		`(?i)^half a dozen `, `6 `,
		`(?i)^a couple (?:of )?`, `2 `,
		`(?i)^(?:one|an?) `, `1 `, `(?i)^two `, `2 `, `(?i)^three `, `3 `, `(?i)^four `, `4 `, `(?i)^five `, `5 `,
		`(?i)^six `, `6 `,
		`(?i)^seven `, `7 `, `(?i)^eight `, `8 `, `(?i)^nine `, `9 `, `(?i)^ten `, `10 `, `(?i)^twelve `, `12 `,
		`(?i)^between (\S+) and `, `$1-`,
		`(?i)^(1|an?) (?:large|big|small|good|generous) (pinch|dash|knob|handful)`, `$1 $2`,
	)
	about = regexp.MustCompile(
		`(?i)^(?:about|approx\.?|approximately|around|roughly|circa|ca\.|~|up to|at least|just (?:over|under)|generous|` +
			`good|nearly|almost) ?`)
	manners = regexp.MustCompile(`(?i)^(scant|heaped|heaping|rounded|level|good|generous|slightly heaped) `)
	manner  = map[string]string{"scant": "scant", "heaped": "heaped", "heaping": "heaped",
		"slightly heaped": "heaped", "rounded": "rounded"}
	within = regexp.MustCompile(
		`(?i)^(\d[\d/. ½⅓⅔¼¾⅛-]*|[½⅓⅔¼¾⅛]) ?(scant|heaped|heaping|rounded|level|generous|good)(?: |$)`)
	bunches = regexp.MustCompile(
		`(?i)^(\d[\d/. -]*|[½⅓⅔¼¾⅛])? ?(threads?|strands?|cloves?|slices?|rashers?|sprigs?|stalks?|ribs?|leaves|leaf|` +
			`cubes?|pods?|heads?|ears?|strips?|whole|pieces?|pcs?|halves|rings?)(?: of)? `)
	knob     = regexp.MustCompile(`(?i)^(\d*)? ?knobs?(?: of)? `)
	handful  = regexp.MustCompile(`(?i)^(\d*)? ?(?:small |large |good )?handfuls?(?: of)? `)
	quarts   = regexp.MustCompile(`(?i)^(?:quarts?|qts?)\b\.? ?`)
	spoonful = regexp.MustCompile(`^dsp\b\.? ?`)
	vessels  = regexp.MustCompile(
		`(?i)^\(?(cans?|tins?|jars?|cartons?|tubs?|boxe?s?|bags?|bottles?|packages?|packets?|packs?|pkgs?\.?|pkts?|sachets?|` +
			`envelopes?|pots?|blocks?|bars?|containers?|pouche?s?|scoops?|bunch(?:es)?|` +
			`glass(?:es)?|tumblers?|teacups?|mugs?|bowls?|ladles?|spoons?)\)?(?:\b|$)(?: of)? ?`)
	// level is what cooks of other tongues write behind a spoon: a level one, which is what a spoon is.
	level   = regexp.MustCompile(`(?i)^(?:ras[oia]|rasée?s?|gestr(?:ichen\w*|\.)?)(?: \(?level\)?)? `)
	times   = regexp.MustCompile(`^(.*\pL)\.?,? [x×] ?([2-9])$`)
	plural  = regexp.MustCompile(`(x|ch|ss)es$|([^s])s$`)
	bracket = regexp.MustCompile(`^\(([^()]{1,40})\) ?`)
	another = regexp.MustCompile(`[\pL.] ?/ ?\d`)
	slash   = regexp.MustCompile(`^ ?/ ?`)
)

// Mend reads slips of scanning and typing at the start of a line as what was meant, where only one
// reading makes sense.
func Mend(line string) (mended string, slip bool) {
	if !strings.ContainsAny(line[:min(len(line), 10)], "lI|Oo/⁄∕") {
		return line, false
	}
	for _, r := range slips {
		if r.what.MatchString(line) {
			return strings.TrimSpace(r.what.ReplaceAllString(line, r.as)), true
		}
	}
	return line, false
}

// ReadLead reads the amount that a line of a card begins with. ok is false where it begins with none.
func ReadLead(line string, s Standard) (l Lead, ok bool) {
	if len(line) > 10*longest {
		return l, false
	}
	line, l.Slip = Mend(strings.TrimSpace(line))
	rest := about.ReplaceAllString(line, "")
	if m := manners.FindStringSubmatch(rest); m != nil {
		l.Manner, rest = manner[strings.ToLower(m[1])], rest[len(m[0]):]
	}
	rest = tidied(rest)
	rest = about.ReplaceAllString(rest, "")
	if m := manners.FindStringSubmatch(strings.TrimPrefix(rest, "1 ")); m != nil && strings.HasPrefix(rest, "1 ") {
		l.Manner, rest = manner[strings.ToLower(m[1])], "1 "+rest[2+len(m[0]):]
	}
	if m := within.FindStringSubmatch(rest); m != nil {
		l.Manner, rest = manner[strings.ToLower(m[2])], strings.TrimSpace(m[1])+" "+rest[len(m[0]):]
	}
	switch {
	case l.bunch(rest):
		return l, true
	case l.vessel(rest, s):
		return l, true
	}
	a, rest, ok := ParsePrefix(rest, s)
	if !ok || a.Quantity.Sign() == 0 && a.Unit == Piece || strings.HasPrefix(rest, "%") {
		return Lead{}, false
	}
	l.Amount = a
	switch {
	case a.Unit == Piece && quarts.MatchString(rest):
		l.Amount, rest = Amount{a.Quantity.Times(Whole(4)), a.UpTo.Times(Whole(4)), s.In(Cup)},
			quarts.ReplaceAllString(rest, "")
	case a.Unit == Piece && spoonful.MatchString(rest):
		l.Amount, rest = Amount{a.Quantity.Times(Whole(2)), a.UpTo.Times(Whole(2)), s.In(Tsp)},
			spoonful.ReplaceAllString(rest, "")
	}
	rest = strings.TrimSpace(strings.TrimPrefix(rest, "."))
	if strings.Contains(rest, " x ") || strings.Contains(rest, "×") {
		if m := times.FindStringSubmatch(rest); m != nil && a.Unit != Piece { // "1 tsp salt x 2"
			n, _ := ParseRatio(m[2])
			l.Amount, rest = l.Amount.Times(n), m[1]
		}
	}
	if strings.HasPrefix(rest, "ra") || strings.HasPrefix(rest, "ge") {
		rest = level.ReplaceAllString(rest, "")
	}
	rest = l.compound(rest, s)
	l.Rest = strings.TrimSpace(l.second(rest, s))
	if m := vessels.FindString(l.Rest); m != "" && l.Amount.Unit.Facts().Dimension == Weight {
		l.Vessel, l.Rest = strings.TrimSpace(m), l.Rest[len(m):]
	}
	l.Rest = strings.TrimSpace(strings.TrimPrefix(l.Rest, "of "))
	if m := bracket.FindStringSubmatch(l.Rest); m != nil && len(m[0]) < len(l.Rest) { // "250 g (half the packet) mix"
		l.Rest = l.Rest[len(m[0]):] + " (" + m[1] + ")"
	}
	return l, true
}

func apply(rules []rule, text string) string {
	for _, r := range rules {
		text = r.what.ReplaceAllString(text, r.as)
	}
	return text
}

func tidied(text string) string {
	if text != "" && (text[0]|' ' >= 'a' && text[0]|' ' <= 'z') {
		text = apply(inWords, text)
	}
	lower := strings.ToLower(text)
	if strings.ContainsAny(text, "⁄∕,.-x×/") || strings.Contains(text, " or ") || strings.Contains(lower, "dessert") {
		text = apply(figures, text)
	}
	for _, some := range []struct {
		sign  string
		rules []rule
	}{{"à", french}, {" th", spoonsCT}, {" table ", spoonsCT}, {" half", halves},
		{"knife", knifeTips}, {" of ", packsOf}, {" - ", ranges}, {" – ", ranges}, {"cc", spoonsCC}, {"egg", eggSizes}} {
		if strings.Contains(lower, some.sign) {
			text = apply(some.rules, text)
		}
	}
	return text
}

// bunch reads what is counted by cloves, slices and the like, and a knob or a handful.
func (l *Lead) bunch(text string) bool {
	number := func(t string) Amount {
		if a, err := Parse(strings.TrimSpace(t), US); err == nil {
			return a
		}
		return Of(1, 1, Piece)
	}
	if m := knob.FindStringSubmatch(text); m != nil {
		l.Amount, l.Rest = Amount{Quantity: number(m[1]).Quantity.Times(Whole(15)), Unit: Gram}, text[len(m[0]):]
		return true
	}
	if m := handful.FindStringSubmatch(text); m != nil {
		l.Amount, l.Manner, l.Rest = Amount{Quantity: number(m[1]).Quantity.Times(NewRatio(1, 4)), Unit: Cup},
			"a handful taken as 1/4 cup", text[len(m[0]):]
		return true
	}
	if m := bunches.FindStringSubmatch(text); m != nil && m[1] != "" {
		l.Amount, l.Rest = number(m[1]), strings.TrimSpace(text[len(m[0]):])
		return l.Amount.Unit == Piece
	}
	return false
}

// A number of cans, jars or packets of a size: "1 (400 g) can", "1 x 7g sachet", "1 15 oz
// can", "1 can (400 g)".
var (
	sizeFirst = regexp.MustCompile(
		`^(\d+(?:[/.]\d+)?(?: \d/\d)?|[½⅓⅔¼¾⅛]) (?:x |\()? ?((?:\d[\d/. ]*|[½⅓⅔¼¾⅛]) ?(?:g|gr|grams?|kg|ml|l|oz|ounces?|` +
			`lbs?|fl oz|tsp|teaspoons?)\b\.?)\)? ?(.*)$`)
	sizeLast = regexp.MustCompile(`^(\d[\d/. -]*|[½⅓⅔¼¾⅛]) ?(\pL+\.?)(?: \(([^()]+)\))? ?(.*)$`)
)

func (l *Lead) vessel(text string, s Standard) bool {
	count, size, rest, named := "", "", "", ""
	if m := sizeFirst.FindStringSubmatch(text); m != nil && vessels.MatchString(m[3]) {
		count, size, named = m[1], m[2], vessels.FindString(m[3])
		rest = m[3][len(named):]
	} else if m := sizeLast.FindStringSubmatch(text); m != nil && vessels.MatchString(m[2]+" ") &&
		len(vessels.FindString(m[2]+" ")) >= len(m[2]) {
		count, size, named, rest = m[1], m[3], m[2], m[4]
	} else {
		return false
	}
	n, err := Parse(strings.TrimSpace(count), s)
	if err != nil {
		return false
	}
	_, packet := lookUnit(strings.ToLower(strings.Trim(named, " .()")))
	each, err := Parse(strings.TrimSuffix(size, "."), s)
	switch {
	case packet && err == nil && strings.Contains(text, named+" ("):
		return false // "1 packet (7 g)" is a packet, with its weight beside it
	case err == nil:
		l.Amount = Amount{Quantity: each.Quantity.Times(n.Quantity), Unit: each.Unit}
	case packet:
		return false
	default:
		l.Amount, l.Missing = n, plural.ReplaceAllString(strings.ToLower(strings.Trim(named, " .()")), "$1$2")
	}
	l.Vessel, l.Rest = strings.TrimSpace(named), strings.TrimSpace(strings.TrimPrefix(strings.TrimSpace(rest), "of "))
	return true
}

// compound adds a smaller unit that follows without a word: "1 lb 2 oz", "1 cup 2 tbsp".
func (l *Lead) compound(rest string, s Standard) string {
	b, after, ok := ParsePrefix(rest, s)
	f, g := l.Amount.Unit.Facts(), b.Unit.Facts()
	if !ok || b.UpTo.Sign() != 0 || l.Amount.UpTo.Sign() != 0 || f.Dimension != g.Dimension || f.Dimension == Count ||
		g.Size >= f.Size || b.Unit == Packet || b.Unit == Stick || f.Decimal != g.Decimal {
		return rest
	}
	// In the smaller unit, so that a pound and two ounces are eighteen ounces.
	if l.Amount.Unit == Pound || l.Amount.Unit == Kilogram {
		l.Amount = Amount{Quantity: l.Amount.Quantity.Times(exactly(l.Amount.Unit, b.Unit)).Plus(b.Quantity),
			Unit: b.Unit}
	} else {
		l.Amount.Quantity = l.Amount.Quantity.Plus(b.Quantity.Times(exactly(b.Unit, l.Amount.Unit)))
	}
	return strings.TrimSpace(strings.TrimPrefix(after, "."))
}

// second reads a second measure of the same: in brackets, behind a stroke, or after "or".
func (l *Lead) second(rest string, s Standard) string {
	take := func(text string) bool {
		first := text
		if m := another.FindStringIndex(text); m != nil {
			first = text[:m[0]+1]
		}
		a, ok := Exactly(strings.TrimSpace(about.ReplaceAllString(tidied(first), "")), s)
		if ok && l.Also == (Amount{}) {
			l.Also = a
		}
		return ok
	}
	if m := bracket.FindStringSubmatch(rest); m != nil && take(m[1]) {
		return rest[len(m[0]):]
	}
	if m := slash.FindString(rest); m != "" {
		if a, after, ok := ParsePrefix(tidied(rest[len(m):]), s); ok && a.Unit != Piece {
			also := Lead{Amount: a}
			after = also.compound(strings.TrimSpace(strings.TrimPrefix(after, ".")), s) // "500 g/1 lb 2 oz"
			l.Also = also.Amount
			return after
		}
	}
	if a, after, ok := ParsePrefix(rest, s); ok && after != "" && a.Unit != Piece && a.UpTo.Sign() == 0 &&
		a.Unit != Packet && l.Amount.Unit != Piece && l.Also == (Amount{}) &&
		a.Unit.Facts().Decimal != l.Amount.Unit.Facts().Decimal {
		l.Also = a // "1 cup 240 ml water"
		return strings.TrimSpace(strings.TrimPrefix(after, "."))
	}
	if after, found := strings.CutPrefix(rest, "or "); found {
		if a, last, ok := ParsePrefix(after, s); ok && a.Unit.Facts().Dimension != Count &&
			a.Unit.Facts().Dimension != l.Amount.Unit.Facts().Dimension {
			l.Also = a
			return last
		}
	}
	return rest
}

// Exactly reads a text that is an amount with a unit and nothing else, two of which may stand together
// ("1 lb 2 oz").
func Exactly(text string, s Standard) (Amount, bool) {
	a, rest, ok := ParsePrefix(text, s)
	if !ok || a.Unit == Piece {
		return a, false
	}
	l := Lead{Amount: a}
	rest = l.compound(strings.TrimSpace(strings.TrimPrefix(rest, ".")), s)
	return l.Amount, rest == ""
}
