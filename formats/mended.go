package formats

import (
	"html"
	"regexp"
	"strings"
)

// wrappings are what pages put round a script of data so that old readers skip it.
var wrappings = regexp.MustCompile(`(?s)/\*\s*<!\[CDATA\[\s*\*/|/\*\s*\]\]>\s*\*/|//\s*<!\[CDATA\[|//\s*\]\]>|<!\[CDATA\[|\]\]>|` +
	`^\s*<!--|-->\s*$`)

// mends are what makes JSON of what a page has for it, each for one fault that a machine can tell, mildest first.
var mends = []func(string) string{
	flat,
	func(s string) string { return wrappings.ReplaceAllString(s, "") },
	uncommented,
	untrailed,
	func(s string) string {
		if strings.Contains(s, "&quot;") && !strings.Contains(s, `":`) {
			return html.UnescapeString(s)
		}
		return s
	},
	escaped,
}

// flat has a space for each line end, which no text of JSON may hold.
func flat(s string) string {
	return strings.Map(func(r rune) rune {
		if r < ' ' {
			return ' '
		}
		return r
	}, s)
}

// outside goes through a text and rewrites what stands outside its quoted strings.
func outside(s string, rewrite func(string) string) string {
	var out strings.Builder
	from, quoted := 0, false
	for n := 0; n < len(s); n++ {
		switch {
		case quoted && s[n] == '\\':
			n++
		case s[n] == '"':
			piece := s[from:n]
			if !quoted {
				piece = rewrite(piece)
			}
			out.WriteString(piece)
			out.WriteByte('"')
			from, quoted = n+1, !quoted
		}
	}
	if rest := s[min(from, len(s)):]; quoted {
		out.WriteString(rest)
	} else {
		out.WriteString(rewrite(rest))
	}
	return out.String()
}

var (
	comment  = regexp.MustCompile(`(?s)/\*.*?\*/`)
	trailing = regexp.MustCompile(`,(\s*[}\]])`)
	lastOne  = regexp.MustCompile(`,\s*$`)
)

// uncommented is a text without the comments between its values.
func uncommented(s string) string {
	return outside(s, func(piece string) string { return comment.ReplaceAllString(piece, " ") })
}

// untrailed is a text without commas that nothing follows.
func untrailed(s string) string {
	s = outside(s, func(piece string) string { return trailing.ReplaceAllString(piece, "$1") })
	return lastOne.ReplaceAllString(s, "")
}

// escaped is a text whose bare quotation marks are escaped: a string ends at a mark before a comma, a colon or a bracket.
func escaped(s string) string {
	var out strings.Builder
	quoted := false
	for n := 0; n < len(s); n++ {
		switch {
		case quoted && s[n] == '\\' && n+1 < len(s):
			out.WriteString(s[n : n+2])
			n++
			continue
		case s[n] == '"' && quoted && !ends(s[n+1:]):
			out.WriteByte('\\')
		case s[n] == '"':
			quoted = !quoted
		}
		out.WriteByte(s[n])
	}
	return out.String()
}

// ends reports whether what follows a quotation mark is what follows the end of a string.
func ends(rest string) bool {
	rest = strings.TrimLeft(rest, " \t")
	return rest == "" || strings.ContainsRune(":}]", rune(rest[0])) ||
		rest[0] == ',' && startsValue(strings.TrimLeft(rest[1:], " \t"))
}

// startsValue reports whether a text begins as a value of JSON, or the name of one, does.
func startsValue(rest string) bool {
	return rest == "" || value.MatchString(rest)
}

var value = regexp.MustCompile(`^(?:["{\[]|-?\d[\d.eE+-]*\s*[,}\]]|(?:true|false|null)\b)`)

// vocabulary is what stands before a word of schema.org where it is written out.
var vocabulary = regexp.MustCompile(`^(?:https?://(?:www\.)?schema\.org/|schema:)`)

// plainly is a value of JSON-LD in its short form: names without their vocabulary, values without their wrapping, things
// that are named elsewhere by their @id in their place.
func plainly(v any) any {
	things := map[string]map[string]any{}
	collect(v, things, 0)
	return shortened(v, things, 0)
}

func collect(v any, things map[string]map[string]any, depth int) {
	if depth > deepest {
		return
	}
	switch v := v.(type) {
	case []any:
		for _, one := range v {
			collect(one, things, depth+1)
		}
	case map[string]any:
		if id, ok := v["@id"].(string); ok && len(v) > 1 && things[id] == nil {
			things[id] = v
		}
		for _, one := range v {
			collect(one, things, depth+1)
		}
	}
}

// deepestThings is how far things are followed by their names.
const deepestThings = 12

func shortened(v any, things map[string]map[string]any, depth int) any {
	switch v := v.(type) {
	case []any:
		out := make([]any, len(v))
		for n, one := range v {
			out[n] = shortened(one, things, depth+1)
		}
		return out
	case map[string]any:
		if value, ok := v["@value"]; ok {
			return value
		}
		if id, ok := v["@id"].(string); ok && len(v) == 1 && things[id] != nil && depth < deepestThings {
			return shortened(things[id], things, depth+1)
		}
		out := make(map[string]any, len(v))
		for key, one := range v {
			out[vocabulary.ReplaceAllString(key, "")] = shortened(one, things, depth+1)
		}
		return out
	}
	return v
}
