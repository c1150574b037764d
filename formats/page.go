package formats

import (
	"cmp"
	"errors"
	"regexp"
	"slices"
	"strings"

	"golang.org/x/net/html"
	"golang.org/x/net/html/atom"
)

// pageCards reads the recipes of a saved page: as JSON-LD where it has any, else by its microdata or RDFa, else by what
// stands on it between "Ingredients" and the end of the method.
func pageCards(text string) ([]Card, error) {
	doc, err := html.ParseWithOptions(strings.NewReader(text), html.ParseOptionEnableScripting(false))
	if err != nil {
		return nil, errors.New("this page cannot be read: copy the recipe's text, and paste it")
	}
	var out []Card
	for n := range doc.Descendants() {
		if n.DataAtom == atom.Script && strings.Contains(strings.ToLower(attr(n, "type")), "ld+json") &&
			n.FirstChild != nil {
			cards, err := jsonCards(strings.TrimSpace(strings.Trim(strings.TrimSpace(n.FirstChild.Data), ";")))
			if err == nil {
				out = append(out, cards...)
			}
		}
	}
	if out = distinct(out); len(out) > 0 {
		return out, nil
	}
	for n := range doc.Descendants() {
		if marks(n, "Recipe") {
			if r := properties(n); len(ingredientsOf(r)) > 0 {
				out = append(out, cardOf(r))
			}
		}
	}
	if out = distinct(out); len(out) > 0 {
		return out, nil
	}
	if c, ok := seen(doc); ok {
		return []Card{c}, nil
	}
	return nil, errors.New("no recipe was found on this page: copy its text, and paste it")
}

// distinct leaves out a recipe that a page holds twice.
func distinct(cards []Card) []Card {
	var out []Card
	for _, c := range cards {
		if !slices.ContainsFunc(out, func(o Card) bool { return o.Text == c.Text }) {
			out = append(out, c)
		}
	}
	return out
}

func attr(n *html.Node, name string) string {
	for _, a := range n.Attr {
		if a.Key == name {
			return a.Val
		}
	}
	return ""
}

func has(n *html.Node, name string) bool {
	return slices.ContainsFunc(n.Attr, func(a html.Attribute) bool { return a.Key == name })
}

// marks reports whether an element is marked as a thing of a type, by microdata or RDFa.
func marks(n *html.Node, kind string) bool {
	for _, t := range strings.Fields(attr(n, "itemtype") + " " + attr(n, "typeof")) {
		if t == kind || strings.HasSuffix(t, "/"+kind) || strings.HasSuffix(t, ":"+kind) {
			return true
		}
	}
	return false
}

// properties are what an element that is marked as a thing says of it, in the order of the page; things inside it are
// properties of their own.
func properties(of *html.Node) map[string]any {
	out := map[string]any{"@type": thing(of)}
	var walk func(n *html.Node, depth int)
	walk = func(n *html.Node, depth int) {
		if depth > 200 {
			return
		}
		for c := range n.ChildNodes() {
			inner := has(c, "itemscope") || has(c, "typeof")
			names := strings.Fields(attr(c, "itemprop") + " " + attr(c, "property"))
			for _, name := range names {
				name = name[strings.LastIndexAny(name, ":/")+1:]
				var v any = valueOf(c)
				if inner {
					v = properties(c)
				}
				if had, ok := out[name]; ok {
					out[name] = append(listOf(had), v)
				} else {
					out[name] = v
				}
			}
			if len(names) == 0 || !inner {
				walk(c, depth+1)
			}
		}
	}
	walk(of, 0)
	return out
}

func thing(n *html.Node) string {
	t := strings.Fields(attr(n, "itemtype") + " " + attr(n, "typeof"))
	if len(t) == 0 {
		return ""
	}
	return t[0]
}

// valueOf is what an element says: by its attribute where it has one, else its text, with a line for each of its
// blocks.
func valueOf(n *html.Node) string {
	switch n.DataAtom {
	case atom.Meta:
		return attr(n, "content")
	case atom.Img, atom.Source, atom.Video, atom.Audio:
		return attr(n, "src")
	case atom.Link:
		return attr(n, "href")
	}
	if has(n, "content") {
		return attr(n, "content")
	}
	var b strings.Builder
	lines(n, &b)
	return html.EscapeString(strings.TrimSpace(b.String()))
}

// blocks are the elements that begin a line of their own.
var blocks = map[atom.Atom]bool{atom.P: true, atom.Div: true, atom.Li: true, atom.Br: true, atom.H1: true,
	atom.H2: true, atom.H3: true, atom.H4: true, atom.H5: true, atom.H6: true, atom.Tr: true,
	atom.Ul: true, atom.Ol: true, atom.Section: true, atom.Article: true, atom.Header: true, atom.Footer: true,
	atom.Table: true, atom.Dt: true, atom.Dd: true, atom.Blockquote: true, atom.Figure: true, atom.Label: true}

// unseen are elements that nobody reads as the page's text.
var unseen = map[atom.Atom]bool{atom.Script: true, atom.Style: true, atom.Noscript: true, atom.Nav: true,
	atom.Template: true, atom.Svg: true, atom.Button: true, atom.Form: true, atom.Select: true, atom.Head: true,
	atom.Iframe: true, atom.Footer: true, atom.Aside: true}

// lines writes the text of an element, a line for each block.
func lines(n *html.Node, b *strings.Builder) {
	for c := range n.ChildNodes() {
		switch {
		case c.Type == html.TextNode:
			b.WriteString(spaces.ReplaceAllString(c.Data, " "))
		case c.Type != html.ElementNode || unseen[c.DataAtom] || has(c, "hidden") || attr(c, "aria-hidden") == "true":
		case c.DataAtom == atom.Td || c.DataAtom == atom.Th:
			lines(c, b)
			b.WriteString(" \t")
		case blocks[c.DataAtom]:
			b.WriteString("\n")
			lines(c, b)
			b.WriteString("\n")
		default:
			lines(c, b)
		}
	}
}

var (
	beginsList = regexp.MustCompile(
		`(?i)^(?:the )?ingredients?\b.{0,40}$|^(?:you(?:'|’)?(?:ll| will) need|what you need)\b.{0,20}$`)
	beginsMethod = regexp.MustCompile(
		`(?i)^(?:method|directions?|instructions?|preparation|steps|how to make(?: it)?|what to do|to make)\s*:?$`)
	endsRecipe = regexp.MustCompile(
		`(?i)^(?:comments?|reviews?|\d+ comments?|leave a (?:comment|reply)|related|you may also like|more recipes|share|nutrition.*|tags?|print|newsletter|subscribe|about the author|privacy.*|copyright.*|©.*|notes?|tips?)\b.{0,40}$`)
	makesRow = regexp.MustCompile(`(?i)^(?:serves|servings?|yields?|makes)\b.{1,60}$`)
)

// textOf is the text of the first element of its kind that has any.
func textOf(doc *html.Node, kind atom.Atom) string {
	for n := range doc.Descendants() {
		if n.DataAtom == kind {
			var b strings.Builder
			lines(n, &b)
			if text := plain(b.String()); text != "" {
				return text
			}
		}
	}
	return ""
}

// seen reads a page without any marks: its heading, what stands below "Ingredients", and below "Method".
func seen(doc *html.Node) (Card, bool) {
	name := cmp.Or(textOf(doc, atom.H1), textOf(doc, atom.Title))
	var b strings.Builder
	lines(doc, &b)
	var ingredients, steps []string
	yield, part := "", 0
	for _, row := range strings.Split(b.String(), "\n") {
		row = strings.TrimSpace(row)
		switch {
		case row == "":
		case beginsList.MatchString(row) && len(ingredients) == 0:
			part = 1
		case beginsMethod.MatchString(row) && part > 0:
			part = 2
		case endsRecipe.MatchString(row) && part == 2 && len(steps) > 0:
			part = 3
		case makesRow.MatchString(row) && yield == "":
			yield = row
		case part == 1:
			ingredients = append(ingredients, row)
		case part == 2:
			steps = append(steps, stepNumber.ReplaceAllString(row, ""))
		}
	}
	if len(ingredients) < 2 {
		return Card{}, false
	}
	return Card{Name: name, Text: written(name, yield, ingredients, steps)}, true
}
