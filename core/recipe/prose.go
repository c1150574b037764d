package recipe

import (
	"regexp"
	"risepan/core/larder"
	"risepan/core/measure"
	"strings"
)

var (
	sentenceEnd = regexp.MustCompile(`([.!?])\s+(\p{Lu}|\d)`)
	segmentEnd  = regexp.MustCompile(`\s*(?:;\s*|,\s+|\s-\s|\s–\s)\s*(?:and |then |plus |with )?|\s+(?:and|plus|then|` +
		`with|in|\+|/)\s+`)
	amountBegin = regexp.MustCompile(`(?i)(?:^|\s)(?:\d|[½⅓⅔¼¾⅛⅜⅝⅞]|an? (?:scant|generous|heaped|rounded|level|pinch|` +
		`knob|cup|tea|table|half|good|quarter|beaten|large|medium)|` +
		`one |two |three |four |half |a dozen )`)
	leadWords = regexp.MustCompile(`(?i)^(?:(?:then|now|first|next|and|plus|also|add|adding|take|takes|use|put in|` +
		`put|in|with|you ` +
		`want|you need|you will need|i use|i add|i take|it wants|wants|needs|needs also|into the pan|in the pan|` +
		`hold back|keep back|fill with|` +
		`another|finally|after that|in goes|in go|goes in|go in|mix|stir in|pour in|measure)\b[\s:,]*)+`)
	fraction = regexp.MustCompile(`(?i)^(?:(?:an?|one) )?(?:half|quarter|third)\b(?: (?:cups?|of|tsp|tbsp|` +
		`teaspoons?|tablespoons?))?\b`)
	inFilling = regexp.MustCompile(`(?i)^(?:fill(?:ed)? with|filling)\b`)
	inGlaze   = regexp.MustCompile(`(?i)^(?:brush(?:ed)?|glaze[d]?)\b`)
	addIt     = regexp.MustCompile(`(?i),? (?:and|then|to)? ?(?:add|work|mix|use|put) (?:it|them|this|that)\b.*$`)
	heldBack  = regexp.MustCompile(`(?i)\b(?:hold back|keep back|held back|kept back|at the first knead)\b`)
)

// spread cuts a row that tells a whole list into rows of their own: "Light rye: 1 c water; 1 T oil; 2 c flour; basic,
// dark", or sentences of prose. It is nil where the row tells no list. least is how many amounts make one.
func (r reading) spread(row string, least int) []string {
	if len(row) > longCard/4 || len(amountsIn.FindAllString(row, least)) < least && least > 1 ||
		least > 1 && len(separators.FindAllString(row, least)) < least-1 {
		return nil
	}
	var out []string
	amounts := 0
	row = strings.ReplaceAll(unticked(row), " w/ ", " with ")
	for _, sentence := range strings.Split(sentenceEnd.ReplaceAllString(row, "$1\n$2"), "\n") {
		rows, n := r.sentence(strings.TrimSpace(sentence))
		out, amounts = append(out, rows...), amounts+n
	}
	if amounts < least {
		return nil
	}
	return out
}

// sentence cuts one sentence into its ingredients, with what heads them, and counts them.
func (r reading) sentence(text string) (out []string, amounts int) {
	whole := text
	head := ""
	if at := strings.Index(text, ":"); at > 0 && at < 60 && !strings.Contains(text[:at], ";") {
		if _, amount := measure.ReadLead(text[:at], r.standard); !amount {
			head, text = text[:at+1], text[at+1:]
		}
	}
	var rows []string
	for _, piece := range r.segments(text) {
		bare := leadWords.ReplaceAllString(piece, "")
		if at := amountBegin.FindStringIndex(piece); !r.tells(bare) && at != nil && introduces(piece[:at[0]]) {
			bare = strings.TrimSpace(piece[at[0]:])
		}
		if r.tells(bare) {
			amounts++
			rows = append(rows, bare)
			continue
		}
		if last := len(rows) - 1; last >= 0 && amounts > 0 && !settingWords.MatchString(piece) {
			rows[last] += ", " + piece
			continue
		}
		rows = append(rows, piece)
	}
	holds := heldBack.MatchString(whole[:min(len(whole), 20)])
	if amounts == 0 || amounts == 1 && len(strings.Fields(whole)) > 14 && head == "" && !holds {
		return []string{whole}, amounts
	}
	said := ""
	switch {
	case atBeep.MatchString(whole):
		said = " (at the beep)"
	case holds:
		said = " (held back)"
	}
	if head != "" {
		out = append(out, strings.TrimSpace(head))
	} else if inFilling.MatchString(whole) {
		out = append(out, "Filling:")
	} else if inGlaze.MatchString(whole) {
		out = append(out, "Glaze:")
	}
	for _, row := range rows {
		if said != "" {
			row = addIt.ReplaceAllString(row, "")
		}
		if r.tells(row) && said != "" && !atBeep.MatchString(row) {
			row = strings.TrimRight(row, " .") + said
		}
		out = append(out, strings.TrimRight(row, " ."))
	}
	return out, amounts
}

// amountsIn and separators are what a row of a whole list has several of.
var (
	amountsIn = regexp.MustCompile(`(?i)\d+ \d/\d|\d[\d.,/]*[½⅓⅔¼¾⅛⅜⅝⅞]?|[½⅓⅔¼¾⅛⅜⅝⅞]|\b(?:an?|one|two|three|four|` +
		`half|pinch)\b`)
	separators = regexp.MustCompile(`[;,]|\s[-–+/]\s|\b(?:and|then|with|plus)\b`)
)

// mostBefore is how many words may stand before an amount in a sentence: "scrape it into the pan with".
const mostBefore = 7

// introduces reports whether words lead up to an amount, and name no choice before it.
func introduces(words string) bool {
	return len(strings.Fields(words)) <= mostBefore && !strings.Contains(words, "(") &&
		!strings.Contains(" "+strings.ToLower(words)+" ", " or ")
}

// segments are the parts of a sentence between its commas, outside brackets.
func (r reading) segments(text string) (out []string) {
	depth, from := 0, 0
	cuts := segmentEnd.FindAllStringIndex(text, -1)
	for at, c := range text {
		switch c {
		case '(':
			depth++
		case ')':
			depth--
		}
		for len(cuts) > 0 && cuts[0][0] <= at {
			cut := cuts[0]
			cuts = cuts[1:]
			next := leadWords.ReplaceAllString(strings.TrimSpace(text[cut[1]:]), "")
			listed := strings.ContainsAny(text[cut[0]:cut[1]], ";,")
			if depth > 0 || cut[0] < from || !listed && onlyAmount.MatchString(text[from:cut[0]]) ||
				fraction.MatchString(next) || !listed && !r.begins(next) {
				continue
			}
			if piece := strings.TrimSpace(text[from:cut[0]]); piece != "" {
				out = append(out, piece)
			}
			from = cut[1]
		}
	}
	if piece := strings.TrimSpace(text[from:]); piece != "" {
		out = append(out, piece)
	}
	return out
}

// begins reports whether a text begins with an amount.
func (r reading) begins(text string) bool {
	lead, ok := measure.ReadLead(text, r.standard)
	return ok && lead.Rest != "" && !noAmount.MatchString(text) && !duration.MatchString(lead.Rest)
}

// noAmount is a row whose number is part of a word, and duration what is told of a time.
var (
	noAmount = regexp.MustCompile(`^#|^\d+-\pL`)
	duration = regexp.MustCompile(`(?i)^(?:hours?|hrs?|minutes?|mins?|days?|weeks?|seconds?|people|ratings|reviews|` +
		`comments|replies)\b`)
)

// tells reports whether a text is an amount of a food.
func (r reading) tells(text string) bool {
	if len(text) > longRow {
		return false
	}
	lead, ok := measure.ReadLead(text, r.standard)
	if !ok || !r.begins(text) || settingWords.MatchString(text) {
		return false
	}
	if lead.Amount.Unit != measure.Piece {
		return len(strings.Fields(lead.Rest)) < 16
	}
	f := r.name(firstName(lead.Rest))
	return found(f.Sure)
}

// settingWords are a row that says nothing but what to set: "basic, 1 1/2 lb, medium".
var settingWords = regexp.MustCompile(`(?i)^\W*(?:(?:` + cycleWords + `|light|medium|med\.?|dark|crust|colou?r|loaf|size|cycle|setting|` +
	`programme?|prog|program|mode|menu|course|bake on|set to|on|use|run|machine|large|lge|small|no|delay|timer|` +
	`(?:one|two) pounds?|\d(?:[.,]\d)? ?kg|` + sizeWords +
	`|\d{3,4} ?g|\d{1,2}|[½¼¾])(?:$|[\s,;./|:–—#"'-]+))+\W*$`)

// goesIn is a sentence that says what is put in at the beep.
var goesIn = regexp.MustCompile(`(?i)\b(?:add\w*|put|goes?|going|stir|tip|throw|sprinkle|into|with)\b`)

// atTheBeep is the moment in words: a short sentence with it says what goes in then.
var atTheBeep = regexp.MustCompile(`(?i)\b(?:at|on|with) the (?:beeps?|signal|bleep)\b`)

// timed joins to each add-in what the method says of its moment: "Add the raisins at the beep."
func (c *Card) timed() {
	for _, sentence := range c.Method {
		short := len(strings.Fields(sentence)) <= 12 && atTheBeep.MatchString(sentence)
		if !atBeep.MatchString(sentence) || !short && !goesIn.MatchString(sentence) {
			continue
		}
		said := strings.ToLower(sentence)
		for n := range c.Lines {
			u := &c.Lines[n]
			i, known := larder.Know(u.Line.Ingredient)
			if !known || u.Line.Part != InDough || u.Line.When != InPan || !mayWait[i.Kind] {
				continue
			}
			names := larder.Words(u.Name + " " + i.Name)
			for _, also := range i.Names {
				names = append(names, larder.Words(also)...)
			}
			for _, word := range names {
				if len(word) > 3 && strings.Contains(said, word) && !larder.IsBare(word) {
					u.Line.When = AtBeep
				}
			}
		}
	}
}

// neverWaits are the kinds of what belongs in the pan from the start: at the beep it is a slip of the card or of its
// reader.
var neverWaits = map[larder.Kind]bool{larder.Yeast: true, larder.Flour: true, larder.Liquid: true,
	larder.Leavening: true}

// shouted is a spoon that a card in capitals writes with a lone T, which may be either.
var shouted = regexp.MustCompile(`(?:^|[\d½⅓⅔¼¾⅛] ?)T\b`)

// odd asks about what a careful reader would not take as it stands: yeast at the beep, and a T that may be a teaspoon.
func (c *Card) odd(text string) {
	capitals := strings.ToUpper(text) == text
	for n := range c.Lines {
		u := &c.Lines[n]
		i, known := larder.Know(u.Line.Ingredient)
		switch {
		case !known || u.Doubt != "":
		case u.Line.When == AtBeep && u.Line.Part == InDough && neverWaits[i.Kind]:
			u.Doubt = "At the beep? It usually goes in from the start."
		case capitals && u.Line.Amount.Unit == measure.Tbsp && shouted.MatchString(u.Written) &&
			(i.Kind == larder.Yeast || i.Kind == larder.Salt || i.Kind == larder.Leavening):
			u.Doubt = "Is the T a teaspoon or a tablespoon? Write tsp or tbsp."
		}
	}
}

// mayWait are the kinds of what is put in at a beep.
var mayWait = map[larder.Kind]bool{larder.Extra: true, larder.DryExtra: true, larder.Puree: true}
