package recipe

import (
	"regexp"
	"strings"

	"risepan/core/larder"
	"risepan/core/measure"
)

var (
	percent  = regexp.MustCompile(`^\d+(?:[.,]\d+)? ?%$`)
	beepCell = regexp.MustCompile(`(?i)^\W*(?:at|on|with) the (?:beeps?|signals?)\W*$`)
)

// columns reads a row of a table that has the food's share of the flour before its amount, or every amount in two
// measures: "water   64 %   256 g", "strong white flour | 450 g | 1 lb".
func (c *sheet) columns(text string) (string, bool) {
	in := cells(text)
	if len(in) < 3 || len(c.sizes) > 0 || c.name(firstName(in[0])).Sure == larder.Nowhere {
		return "", false
	}
	name, amounts := in[0], ""
	for n, cell := range in[1:] {
		_, exact := measure.Exactly(cell, c.standard)
		switch {
		case percent.MatchString(cell):
		case n > 0 && beepCell.MatchString(cell):
			name += " (at the beep)"
		case exact && amounts == "":
			amounts = cell
		case exact && !strings.Contains(amounts, "("):
			amounts += " (" + cell + ")"
		default:
			return "", false
		}
	}
	return amounts + " " + name, amounts != ""
}

var (
	// partWithin is the heading of a part within a row: "2 tsp yeast - filling: 25 g butter".
	partWithin = regexp.MustCompile(`(?i)\s+[-–—;]\s+((?:for the )?(?:filling|glaze|topping|icing|dough|sauce)\s*:)`)
	// beepFirst are the words that a row on the beep begins with.
	beepFirst = regexp.MustCompile(`(?i)^(?:at|on|with) the (?:beeps?|signal),?\s+`)
)

// tellsBehind reports whether a row tells a food behind words of its own: "Soak overnight: 100 g raisins, 4 tbsp rum".
func (c *sheet) tellsBehind(text string) bool {
	head, rest, ok := strings.Cut(text, ":")
	if !ok || len(head) > 40 || c.section != list || noteHead.MatchString(text) || makesRow.MatchString(text) {
		return false
	}
	for _, p := range parts[:3] {
		if p.what.MatchString(text) {
			return false
		}
	}
	if _, part := placeOf(head); part || digits.MatchString(head) || c.name(head).Sure != larder.Nowhere {
		return false
	}
	lead, ok := measure.ReadLead(strings.TrimSpace(rest), c.standard)
	if one, _, _, several := c.cut(lead); several {
		lead = one
	}
	return ok && c.tells(strings.TrimSpace(rest)) && found(c.name(firstName(lead.Rest)).Sure)
}

// unread is an amount that a scan has spoilt: "% cup oats", "V2 tsp cinnamon".
var unread = regexp.MustCompile(`(?i)^((?:\d ?)?[^\s\d]{1,2}\d?) (?:cups?|tbsps?|tsps?|tablespoons?|teaspoons?|c|oz|` +
	`lb|g|ml)\b\.? (\pL.*)`)

var (
	// cutOff is a row whose figure is lost: "cups bread flour".
	cutOff = regexp.MustCompile(`(?i)^(?:cups?|tbsps?|tsps?|tablespoons?|teaspoons?)\b\.? (?:of )?(\pL.*)$`)
	// asNeeded is a food of which a card says what for, and not how much: "flour to make a soft dough".
	asNeeded = regexp.MustCompile(`(?i)^(\pL[\pL -]{1,30}?),? (?:(?:enough )?to (?:make|mix)\b.*|as (?:on|per) .*)$`)
	// sentenceIn is where a sentence ends and another begins.
	sentenceIn = regexp.MustCompile(`[.!?]\s+\p{Lu}\p{Ll}`)
)

// unmeasured is the name of a food whose amount is lost or left to the baker; empty for any other row.
func unmeasured(text string) string {
	for _, what := range []*regexp.Regexp{cutOff, asNeeded} {
		if m := what.FindStringSubmatch(text); m != nil {
			return firstName(m[1])
		}
	}
	return ""
}

// strewn are the foods that a row of a topping, filling or glaze names without amounts: "coarse salt, rosemary".
func (c *sheet) strewn(row string) (out []string) {
	pieces := andOr.Split(row, -1)
	if c.here.part == InDough || len(pieces) < 2 || digits.MatchString(row) {
		return nil
	}
	for _, piece := range pieces {
		if c.name(piece).Sure != larder.Plainly {
			return nil
		}
		out = append(out, piece+", to taste")
	}
	return out
}
