package recipe

import (
	"regexp"
	"strings"

	"risepan/core/larder"
	"risepan/core/measure"
)

// docRow is a row of a pasted document: what is read, and the number of the row that it stood on, from 1.
type docRow struct {
	n    int
	text string
	to   int  // the last of the rows that were joined to it
	note bool // a footnote
	over bool // it is no part of a recipe: a menu, an advertisement, a comment
}

var (
	tags     = regexp.MustCompile(`</?[a-zA-Z][^<>]{0,200}>`)
	newRow   = regexp.MustCompile(`(?i)<(?:br|/p|/li|/h\d|/div|/tr)\b[^<>]{0,200}>`)
	entities = strings.NewReplacer("&nbsp;", " ", "&amp;", "&", "&frac12;", "½", "&frac14;", "¼", "&frac34;", "¾",
		"&frac13;", "⅓", "&frac23;", "⅔", "&frac18;", "⅛", "&deg;", "°", "&eacute;", "é", "&egrave;", "è", "&ndash;", "–",
		"&mdash;", "—", "&#39;", "'", "&rsquo;", "’", "&lsquo;", "‘", "&quot;", `"`, "&lt;", "<", "&gt;", ">", "&times;", "×",
		"&#188;", "¼", "&#189;", "½", "&#190;", "¾", "\u00a0", " ", "\u202f", " ", "\u2009", " ", "\ufe0f", "", "\u200b", "")
	tight   = regexp.MustCompile(`(^|[^\d])(\d)([1-7])[⁄∕]([2348])`)
	slashOf = regexp.MustCompile(`(\d)[⁄∕](\d)`)
	pounds  = regexp.MustCompile(`(\d|[½¼¾])\s?#(\s|$)`)
	quoted  = regexp.MustCompile(`^\s*(?:>\s?)+`)
)

// documentRows cuts a pasted text into rows: page source without its tags, mail without the signs of a quotation, rows
// that were broken joined, and what belongs to no recipe marked.
func (r reading) documentRows(text string) []docRow {
	text = entities.Replace(strings.ReplaceAll(text, "\r", ""))
	var rows []docRow
	for n, row := range strings.Split(text, "\n") {
		row = quoted.ReplaceAllString(row, "")
		if strings.ContainsAny(row, "⁄∕#") {
			row = slashOf.ReplaceAllString(tight.ReplaceAllString(row, "$1$2 $3/$4"), "$1/$2")
			row = pounds.ReplaceAllString(row, "$1 lb$2")
		}
		if strings.Contains(row, "<") {
			for _, piece := range strings.Split(newRow.ReplaceAllString(row, "\n"), "\n") {
				rows = append(rows, docRow{n: n + 1, text: strings.TrimSpace(tags.ReplaceAllString(piece, " "))})
			}
			continue
		}
		rows = append(rows, docRow{n: n + 1, text: row})
	}
	rows = r.joined(rows)
	var apart []docRow
	for _, row := range rows {
		for _, text := range strings.Split(numbered.ReplaceAllString(row.text, "$1\n$2"), "\n") {
			apart = append(apart, docRow{n: row.n, to: row.to, text: text})
		}
	}
	rows = apart
	footnotes(rows)
	comments, tools := false, false
	for n := range rows {
		row := strings.TrimSpace(rows[n].text)
		comments = comments || commentHead.MatchString(row)
		if heads := listHead.MatchString(row) || methodHead.MatchString(row); heads {
			tools = false
		}
		tools = tools && row != "" || toolHead.MatchString(row)
		rows[n].over = comments || tools || noise.MatchString(row)
	}
	return rows
}

// commentHead begins what readers of a page wrote below its recipe.
var commentHead = regexp.MustCompile(
	`(?i)^(?:\d+ (?:comments|replies|reviews|responses)|comments(?: \(\d+\))?:?|reviews(?: \(\d+\))?|` +
		`leave a (?:comment|reply)|` +
		`(?:you (?:may|might) also (?:like|enjoy)|related (?:recipes|posts)|more recipes|read next).*)$`)

// toolHead begins a list of what is needed beside ingredients.
var toolHead = regexp.MustCompile(`(?i)^(?:equipment|tools|special equipment|you will also need)\s*:?$`)

// noise is a row of a page that is no part of its recipe.
var noise = regexp.MustCompile(`(?i)^(?:` + strings.Join([]string{
	`[^\pL\pN]*`, // stars, rules, an emoji by itself
	`.{0,40}[»›].{0,40}[»›].*`,
	`home\s*[/|>].*`,
	`(?:★|☆|⭐|\*){3,}.*`,
	`\d(?:[.,]\d+)?\s*(?:★|☆|⭐|stars?\b|\(\d+ (?:ratings|reviews|votes)).*`, `\d[.,]\d\s*/ ?5\b.*`,
	`.*\b(?:jump to recipe|print recipe|pin (?:it|recipe)|skip to content|accept all|cookie (?:policy|settings|` +
		`preferences)|` +
		`we value your privacy|subscribe|newsletter|sign (?:in|up)|log ?in|advertisement|sponsored|all rights reserved|` +
		`did you make this|tag us|share this|follow us|rate this recipe|save this recipe|add to favou?rites|` +
		`text me this)\b.*`,
	`(?:menu|search|print|pin|save|share|rate|email|tweet|reply|like|close|ad|scale|us customary|metric|home)(?:[\s|` +
		`•·◦☰🔍/-]+` +
		`(?:menu|search|print|pin|save|share|rate|email|tweet|reply|like|recipes|about|contact|us customary|metric|` +
		`ad))*[\s☰🔍]*`,
	`[½¼]?\d?x?(?:[\s|/·]+(?:[½¼]|\d)x)+`,
	`(?:[½¼]|\d)x(?:[\s|/·]+(?:[½¼]|\d)x)*`,
	`(?:prep|cook|bake|rise|total|active|rest)(?:aration|ing)?(?: time)?:? \d.*(?:min|hr|hour|h|m)\w*\.?(?:\s*[|,·•].*)?`,
	`(?:nutrition|calories|carbohydrates|kcal)\b.*`,
	`(?:course|cuisine|category|categories|keywords?|tags?|filed under|posted (?:in|on|by)|author|by|published|` +
		`updated|yum)\s*:.*`,
	`(?:©|\(c\) \d{4}).*`,
	`page \d+(?: of \d+)?`,
	`(?:from|to|sent|date|subj(?:ect)?|cc)\s*:.*`, `(?:re|fwd?)\s*:.*(?:@|\d{4}|\d:\d\d).*`,
	`ratings?:? \d.*`, `#?\d+\s+posted:? .*\d.*`, `.{1,40} wrote:`, `posts: [\d,]+`, `".{1,60}" posts:.*`,
	`(?:\d+\s+)?posted:? .*\d.*`,
	`sent from my .*`,
	`total\b.*%.*`,
}, "|") + `)$`)

// noted are the marks of a footnote.
var (
	noted    = regexp.MustCompile(`^\s*(\*{1,3}|†|‡|¹|²|³|⁽\d⁾|\[\d\]|\(\d\))\s*(\pL.*)$`)
	footmark = regexp.MustCompile(`(?:\s*(?:\*{1,3}|†|‡|¹|²|³|\[\d\]|\(\d\)))+\s*$`)
	// numbered are several footnotes on one row: "(1) Store in a bag. (2) Freezes well."
	numbered = regexp.MustCompile(`([.!?]) (\(\d\) \pL)`)
	atBeep   = regexp.MustCompile(`(?i)\b(?:beeps?|signals?|bleeps?|dispenser|add-in)\b`)
)

// footnotes says on the rows that bear a mark what its footnote says: that they go in at the beep.
func footnotes(rows []docRow) {
	for n := range rows {
		m := noted.FindStringSubmatch(rows[n].text)
		if m == nil || strings.HasSuffix(m[2], m[1]) || digits.MatchString(m[2]) && strings.HasPrefix(m[1], "*") {
			continue
		}
		marked := strings.HasPrefix(m[1], "[")
		for k := range rows {
			marks := footmark.FindString(rows[k].text)
			if k == n || !strings.Contains(marks, m[1]) {
				continue
			}
			marked = true
			if rows[k].text = strings.TrimSuffix(rows[k].text, marks); atBeep.MatchString(m[2]) && len(m[2]) <= 120 {
				rows[k].text += " (at the beep)"
			}
		}
		if marked {
			rows[n].note, rows[n].text = true, m[2]
		}
	}
}

var (
	onlyAmount = regexp.MustCompile(`^[^\pL\pN½⅓⅔¼¾⅛]*(?:\d[\d/. ½⅓⅔¼¾⅛-]*|[½⅓⅔¼¾⅛])\s*(?:[a-zA-Z]{1,11}\.?)?$`)
	goesOn     = regexp.MustCompile(`(?i)(?:\b(?:into|and|or|with|of|the|a|in|to|at|start with)|,)$`)
	carriesOn  = regexp.MustCompile(`^\s*(?:\(|\p{Ll})`)
	hyphened   = regexp.MustCompile(`\pL-$`)
)

// joined joins rows of ingredients that were broken where the page ended.
func (r reading) joined(rows []docRow) []docRow {
	var out []docRow
	for _, row := range rows {
		text := strings.TrimSpace(row.text)
		last := len(out) - 1
		if last >= 0 && text != "" && r.continues(strings.TrimSpace(out[last].text), text) {
			before := strings.TrimSpace(out[last].text)
			if hyphened.MatchString(before) {
				out[last].text = strings.TrimSuffix(before, "-") + text
			} else {
				out[last].text = before + " " + text
			}
			out[last].to = row.n
			continue
		}
		out = append(out, row)
	}
	return out
}

// continues reports whether a row goes on with what the one before it began.
func (r reading) continues(before, text string) bool {
	if before == "" || len(before)+len(text) > longRow || strings.HasSuffix(before, ":") {
		return false
	}
	lead, amount := measure.ReadLead(unticked(before), r.standard)
	_, next := measure.ReadLead(unticked(text), r.standard)
	switch {
	case !amount || next && !onlyAmount.MatchString(before):
		return false
	case onlyAmount.MatchString(before):
		unit, _, _ := strings.Cut(text, " ")
		_, err := measure.Parse("1 "+unit, r.standard)
		return carriesOn.MatchString(text) && (lead.Amount.Unit != measure.Piece || err == nil ||
			r.name(firstName(text)).Sure == larder.Plainly)
	case !carriesOn.MatchString(text) || len(strings.Fields(text)) > 8:
		return false
	case hyphened.MatchString(before), strings.HasPrefix(text, "("), goesOn.MatchString(before):
		return true
	}
	if _, heading := placeOf(text); heading {
		return false
	}
	name, whole := firstName(lead.Rest), firstName(lead.Rest+" "+text)
	one, both := r.name(name), r.name(whole)
	another := one.Sure != larder.Plainly || len(strings.Fields(text)) == 1 && one.Ingredient.ID != both.Ingredient.ID
	return name != whole && both.Sure == larder.Plainly && another // "3 cups bread", "flour"
}

// heads are the rows that may name the sizes of a table: those that name no food.
func (r reading) heads(rows []string) []string {
	var out []string
	for _, row := range rows {
		in := cells(row)
		if len(in) > 2 && found(r.name(firstName(in[0])).Sure) {
			row = ""
		}
		out = append(out, row)
	}
	return out
}
