package recipe

import "regexp"

// byHand are the signs of a recipe for hands and oven, and what the machine does in its place.
var byHand = []struct {
	sign *regexp.Regexp
	say  string
}{
	{regexp.MustCompile(`(?i)\b(?:pre-?heat|oven|gas mark \d|1[4-9]0 ?°?c\b|2[0-6]0 ?°?c\b|3[2-9][05] ?°?f\b|` +
		`4[0-9][05] ?°?f\b)`), "The machine has its own heat: it bakes the loaf in its pan."},
	{regexp.MustCompile(`(?i)\bknead\w*\b.{0,60}\b(?:by hand|\d+ ?(?:-|–|to)? ?\d* ?min|floured|surface|board|` +
		`until (?:smooth|elastic))|\b(?:lightly )?floured (?:surface|board|worktop)`), "The machine kneads it."},
	{regexp.MustCompile(`(?i)\b(?:doubled?s? in (?:size|bulk|volume)|until doubled|proof|prove|` +
		`punch(?:ed)? (?:it )?down|knock(?:ed)? back)\b`), "The machine raises it and knocks it back."},
	{regexp.MustCompile(`(?i)\b(?:loaf tin|loaf pan|baking (?:tray|sheet|stone)|(?:greased|oiled) (?:bowl|tin))\b`),
		"It stays in the machine's pan throughout."},
}

// OvenStep is a sentence of a method that is for hands and oven, with what becomes of it in the machine.
type OvenStep struct {
	Says string `json:"says"`
	So   string `json:"so"`
}

// ByOven are the sentences of a card that are for hands and oven; two or more mean that the recipe is. One that names a
// cycle or a bread machine is for the machine, whatever else it says.
func (c Card) ByOven() []OvenStep {
	if c.Settings.Cycle != "" {
		return nil
	}
	var out []OvenStep
	for _, row := range c.Method {
		if machineWord.MatchString(row) {
			return nil
		}
		for _, b := range byHand {
			if b.sign.MatchString(row) {
				out = append(out, OvenStep{row, b.say})
				break
			}
		}
	}
	if len(out) < 2 {
		return nil
	}
	return out
}

var machineWord = regexp.MustCompile(`(?i)\b(?:bread ?(?:machine|maker)|baking pan of the machine|cycle|programme)\b`)
