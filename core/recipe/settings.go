package recipe

import (
	"regexp"
	"strings"
)

// Settings are what a card says of the machine, in the words of cycles and crusts.
type Settings struct {
	Cycle string `json:"cycle,omitzero"` // basic, wholemeal, crusty, sweet, rapid …
	Crust string `json:"crust,omitzero"` // light, medium or dark
	Delay string `json:"delay,omitzero"` // yes or no: whether it may wait for its timer
}

// cycles are the words that cards have for a cycle, and the character that they mean.
var cycles = map[string]string{
	"basic": "basic", "white": "basic", "white bread": "basic", "normal": "basic", "regular": "basic",
	"standard": "basic", "basic bread": "basic", "basic white": "basic", "bread": "basic", "white basic": "basic",
	"wholemeal": "wholemeal", "whole wheat": "wholemeal", "wholewheat": "wholemeal", "whole-wheat": "wholemeal",
	"whole grain": "wholemeal", "wholegrain": "wholemeal", "brown": "wholemeal", "whole wheat bread": "wholemeal",
	"multigrain": "wholemeal",
	"crusty":     "crusty", "french": "crusty", "french bread": "crusty", "european": "crusty", "italian": "crusty",
	"artisan": "crusty",
	"sweet":   "sweet", "sweet bread": "sweet", "enriched": "sweet", "fruit": "sweet", "brioche": "sweet",
	"fruit bread": "sweet",
	"rapid":       "rapid", "quick": "rapid", "turbo": "rapid", "express": "rapid", "fast": "rapid",
	"rapid bake": "rapid", "rapid white": "rapid", "quick bake": "rapid",
	"gluten-free": "gluten-free", "gluten free": "gluten-free", "low-carb": "low-carb", "low carb": "low-carb",
	"quick bread": "quick bread", "cake": "quick bread", "batter": "quick bread", "batter bread": "quick bread",
	"quick bread or cake": "quick bread", "cake or quick bread": "quick bread", "quick/cake": "quick bread",
	"dough": "dough", "dough only": "dough", "pizza dough": "dough", "basic dough": "dough", "manual": "dough",
	"bread dough": "dough", "pizza": "dough", "raise dough": "dough",
	"pasta dough": "pasta dough", "pasta": "pasta dough", "jam": "jam", "preserve": "jam", "bake only": "bake only",
	"bake": "bake only", "starter": "starter", "sourdough": "starter", "yoghurt": "yoghurt", "yogurt": "yoghurt",
	"jam or preserve": "jam", "conserve": "jam", "marmalade": "jam",
}

const cycleWords = `basic white|white basic|basic bread|basic dough|basic|white bread|white|normal|regular|` +
	`standard|whole[ -]?wheat bread|whole[ -]?wheat|wholemeal|whole[ -]?grain|brown|multigrain|french bread|french|` +
	`crusty|european|italian|artisan|sweet bread|sweet|enriched|brioche|fruit bread|rapid bake|rapid white|rapid|` +
	`turbo|express|fast|quick bread or cake|cake or quick bread|quick bread|quick bake|quick|gluten[ -]free|` +
	`low[ -]carb|cake|batter bread|batter|pizza dough|pasta dough|dough only|bread dough|dough|pasta|jam|preserve|` +
	`bake only|manual|pizza|starter|yog(?:h)?urt|marmalade`

var (
	cycleNamed = regexp.MustCompile(`(?i)\b(` + cycleWords +
		`)\b[\s*_'"”]*(?:bread )?(?:cycle|setting|programme|program|course|mode|button)`)
	cycleAsked = regexp.MustCompile(
		`(?i)\b(?:select|choose|use|set to|set on|bake on|bake|press|programme?:|cycle:|setting:|setting is|` +
			`on)\s+(?:the |a )?['"“*_]*(` + cycleWords + `)\b`)
	cycleShort = regexp.MustCompile(`(?i)^\W*(` + cycleWords + `)(?:$|[\s,;.:!])`)
	crustNamed = regexp.MustCompile(
		`(?i)\b(light|medium|dark)\b[ -]*(?:crust|colou?r)|(?:crust|colou?r)(?: setting)?\s*[:=]?\s*(?:to |is |` +
			`on )?(light|medium|dark)\b`)
	crustShort = regexp.MustCompile(`(?i)(?:^|[,;]\s*)(light|medium|dark)\W*$`)
	delayNo    = regexp.MustCompile(
		`(?i)(?:do not|don't|never|not suitable|not recommended|cannot|can't|not)\b[^.]*\b(?:delay|timer)`)
	delayYes = regexp.MustCompile(
		`(?i)(?:may|can|suitable|good|ok|okay|safe|works?)\b[^.]*\b(?:delay|timer|overnight)|^safe overnight`)
)

// read takes from a sentence what it says of the machine. What was said before stays.
func (s *Settings) read(text string) {
	set := func(to *string, m []string) {
		for _, word := range m[min(len(m), 1):] {
			if word != "" && *to == "" {
				*to = strings.ToLower(word)
			}
		}
	}
	cycle := ""
	short := len(strings.Fields(text)) <= 6 && len(text) < 50
	set(&cycle, cycleNamed.FindStringSubmatch(text))
	set(&cycle, cycleAsked.FindStringSubmatch(text))
	if short {
		for _, part := range strings.FieldsFunc(text, func(r rune) bool { return strings.ContainsRune(",;.", r) }) {
			set(&cycle, cycleShort.FindStringSubmatch(part))
		}
	}
	if s.Cycle == "" && cycle != "" {
		s.Cycle = cycles[strings.Join(strings.Fields(strings.ReplaceAll(cycle, "whole-wheat", "whole wheat")), " ")]
	}
	set(&s.Crust, crustNamed.FindStringSubmatch(text))
	if short && s.Cycle != "" {
		set(&s.Crust, crustShort.FindStringSubmatch(text))
	}
	switch {
	case s.Delay != "":
	case delayNo.MatchString(text):
		s.Delay = "no"
	case delayYes.MatchString(text):
		s.Delay = "yes"
	}
}
