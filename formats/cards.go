package formats

import (
	"errors"
	"regexp"
	"strings"

	"risepan/core/recipe"
)

// Card is one recipe of a file, written as a card that recipe.ReadCard reads.
type Card struct {
	Name string
	Text string      // name, yield, ingredients, method
	Note string      // what it says of itself
	Kind recipe.Kind // where it says one that this kitchen knows; empty: not said
	Lost []string    // what of it no card holds: "image", "nutrition"
}

// mostCards is the most recipes that one file may hold.
const mostCards = 500

// longestNote is the most letters of what a recipe says of itself.
const longestNote = 400

// Cards are the recipes of a text: a page that was saved, JSON-LD, Markdown, or plain text with several cards one after
// another.
func Cards(text string) ([]Card, error) {
	var cards []Card
	var err error
	switch start := strings.TrimSpace(text); {
	case strings.HasPrefix(start, "{"), strings.HasPrefix(start, "["):
		cards, err = jsonCards(start)
	case isArchive(start):
		cards, err = pageCards(archivedPage(start))
	case isPage(start):
		cards, err = pageCards(start)
	default:
		cards = plainCards(text)
	}
	switch {
	case err != nil:
		return nil, err
	case len(cards) == 0:
		return nil, errors.New("no recipe was found in it")
	case len(cards) > mostCards:
		return nil, errors.New("these are too many recipes at once: up to 500 in one file")
	}
	return cards, nil
}

// IsPage reports whether a text is the source of a page, or the data of one, rather than what a page shows.
func IsPage(text string) bool {
	start := strings.TrimSpace(text)
	data := strings.HasPrefix(start, "{") || strings.HasPrefix(start, "[{") || strings.HasPrefix(start, "[\n")
	return data && strings.Contains(start, "Recipe") || isArchive(start) || isPage(start)
}

var pageSigns = regexp.MustCompile(
	`(?is)^(?:\s|<!--.*?-->|<\?xml[^>]*>)*<(?:!doctype|html|head|body|main|article|section|div|script|meta|link|h1|ul|table|p)\b`)

func isPage(text string) bool { return pageSigns.MatchString(text[:min(len(text), 4096)]) }

var (
	parting = regexp.MustCompile(`(?m)^[ \t]*(?:-{3,}|={3,}|\*{3,}|_{3,})[ \t]*$|\f`)
	heading = regexp.MustCompile(`(?m)^#[ \t]+\S`)
	listed  = regexp.MustCompile(`(?m)^[ \t]*(?:[-*•][ \t]+)?(?:\d|[½⅓⅔¼¾⅛])`)
	link    = regexp.MustCompile(`!?\[([^\]]*)\]\([^)]*\)`)
	strong  = regexp.MustCompile(`(\*\*|__)(\S(?:.*?\S)?)(\*\*|__)`)
	front   = regexp.MustCompile(`(?s)\A---\n(.*?)\n---\n`)
	noted   = regexp.MustCompile(`(?m)^Note:[ \t]*(.+)$`)
	titled  = regexp.MustCompile(`(?mi)^title:[ \t]*["']?(.*?)["']?[ \t]*$`)
)

// plainCards cuts a text into its cards: at Markdown's first headings, or at lines of dashes, where each piece lists
// amounts.
func plainCards(text string) []Card {
	text = strings.ReplaceAll(strings.ReplaceAll(text, "\r\n", "\n"), "\r", "\n")
	title := ""
	if m := front.FindStringSubmatch(text); m != nil {
		if t := titled.FindStringSubmatch(m[1]); t != nil {
			title = t[1] + "\n"
		}
		text = title + text[len(m[0]):]
	}
	pieces := []string{text}
	if at := heading.FindAllStringIndex(text, -1); len(at) > 1 {
		pieces = cut(text, at, 0)
	} else if at := parting.FindAllStringIndex(text, -1); len(at) > 0 {
		pieces = cut(text, at, 1)
	}
	for _, p := range pieces[1:] {
		if !listed.MatchString(p) || !listed.MatchString(pieces[0]) {
			pieces = []string{parting.ReplaceAllString(text, "")} // it was one card all the same
			break
		}
	}
	var out []Card
	for _, p := range pieces {
		p = strong.ReplaceAllString(link.ReplaceAllString(p, "$1"), "$2")
		c := Card{}
		if m := noted.FindStringSubmatchIndex(p); m != nil {
			c.Note = clip(strings.TrimSpace(p[m[2]:m[3]]), longestNote)
			p = p[:m[0]] + p[m[1]:]
		}
		if c.Text = strings.TrimSpace(p); c.Text != "" {
			out = append(out, c)
		}
	}
	return out
}

// cut parts a text at places, before them (0) or behind them (1).
func cut(text string, at [][]int, side int) []string {
	var out []string
	from := 0
	for _, a := range at {
		if piece := text[from:a[0]]; strings.TrimSpace(piece) != "" {
			out = append(out, piece)
		}
		from = a[side]
	}
	return append(out, text[from:])
}

// written is a card from its parts.
func written(name, yield string, ingredients, steps []string) string {
	rows := []string{}
	for _, row := range []string{name, yield} {
		if row != "" {
			rows = append(rows, row)
		}
	}
	rows = append(append(rows, "Ingredients:"), ingredients...)
	if len(steps) > 0 {
		rows = append(append(rows, "Method:"), steps...)
	}
	return strings.Join(rows, "\n")
}
