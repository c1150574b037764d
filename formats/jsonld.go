package formats

import (
	"cmp"
	"errors"
	"fmt"
	"html"
	"regexp"
	"slices"
	"strconv"
	"strings"

	"github.com/go-json-experiment/json"
	"github.com/go-json-experiment/json/jsontext"

	"risepan/core/measure"
)

// deepest is how deep a JSON text may be nested before it is no recipe.
const deepest = 60

// jsonCards reads the recipes of JSON-LD as schema.org has them, wherever in it they stand.
func jsonCards(text string) ([]Card, error) {
	v, err := readJSON(text)
	if err != nil {
		return nil, err
	}
	if m, ok := v.(map[string]any); ok && m["risePan"] == "kitchen" {
		return nil, errors.New("this is a whole kitchen: restore it on the Kitchen screen, under Carry away")
	}
	v = plainly(v)
	var out []Card
	err = find(v, 0, func(r map[string]any) { out = append(out, cardOf(r)) })
	if err == nil && len(out) == 0 {
		err = errors.New("this JSON holds no recipe of schema.org's kind (an object whose @type is Recipe)")
	}
	return out, err
}

// readJSON reads JSON, and what pages have for it: with raw line ends, comments, wrappings, commas and quotation marks
// where none belong.
func readJSON(text string) (v any, err error) {
	if err := nested(text); err != nil {
		return nil, err
	}
	loose := jsontext.AllowDuplicateNames(true)
	if err = json.Unmarshal([]byte(text), &v, loose, jsontext.AllowInvalidUTF8(true)); err == nil {
		return v, nil
	}
	mended := text
	for _, mend := range mends {
		mended = mend(mended)
		if json.Unmarshal([]byte(mended), &v, loose, jsontext.AllowInvalidUTF8(true)) == nil {
			return v, nil
		}
	}
	return nil, fmt.Errorf("this JSON is not whole: %s", strings.TrimPrefix(err.Error(), "jsontext: "))
}

// nested reports a JSON text that is nested too deep, without unpacking it.
func nested(text string) error {
	depth, quoted := 0, false
	for n := 0; n < len(text); n++ {
		switch c := text[n]; {
		case quoted && c == '\\':
			n++
		case c == '"':
			quoted = !quoted
		case quoted:
		case c == '{' || c == '[':
			if depth++; depth > deepest {
				return fmt.Errorf("this JSON is nested more than %d deep: it is no recipe", deepest)
			}
		case c == '}' || c == ']':
			depth--
		}
	}
	return nil
}

// find calls for each recipe in v.
func find(v any, depth int, found func(map[string]any)) error {
	switch v := v.(type) {
	case []any:
		for _, one := range v {
			if err := find(one, depth+1, found); err != nil {
				return err
			}
		}
	case map[string]any:
		if is(v, "Recipe") && len(ingredientsOf(v)) > 0 {
			found(v)
			return nil
		}
		for _, key := range keys(v) {
			if err := find(v[key], depth+1, found); err != nil {
				return err
			}
		}
	}
	return nil
}

func keys(m map[string]any) []string {
	out := make([]string, 0, len(m))
	for k := range m {
		out = append(out, k)
	}
	slices.Sort(out)
	return out
}

// is reports whether an object is of a type of schema.org, however that is written.
func is(v map[string]any, kind string) bool {
	for _, t := range listOf(cmpOr(v["@type"], v["type"])) {
		if s, ok := t.(string); ok && (s == kind || strings.HasSuffix(s, "/"+kind) || strings.HasSuffix(s, ":"+kind) ||
			strings.HasSuffix(s, "#"+kind)) {
			return true
		}
	}
	return false
}

func cmpOr(a, b any) any {
	if a != nil {
		return a
	}
	return b
}

func listOf(v any) []any {
	switch v := v.(type) {
	case nil:
		return nil
	case []any:
		return v
	case map[string]any:
		if items, ok := v["itemListElement"]; ok {
			return listOf(items)
		}
		if items, ok := v["@list"]; ok {
			return listOf(items)
		}
	}
	return []any{v}
}

// kept are the fields of a recipe that a card holds.
var kept = []string{"@context", "@type", "@id", "type", "name", "description", "recipeYield", "yield",
	"recipeIngredient", "ingredients", "supply", "recipeInstructions", "step", "steps", "recipeCategory", "url",
	"mainEntityOfPage", "inLanguage"}

// named are what fields that are lost are called.
var named = map[string]string{"image": "its picture", "author": "its author",
	"aggregateRating": "what others think of it", "review": "what others think of it",
	"nutrition": "its nutrition (the plan works that out)",
	"prepTime":  "its times (the cycle has its own)", "cookTime": "its times (the cycle has its own)",
	"totalTime": "its times (the cycle has its own)", "video": "its video", "keywords": "its keywords",
	"datePublished": "its dates", "dateModified": "its dates", "dateCreated": "its dates",
	"publisher": "its publisher", "recipeCuisine": "its cuisine", "suitableForDiet": "for which diets it is",
	"tool": "its tools", "cookingMethod": "its way of cooking"}

// cardOf is a recipe of schema.org as a card.
func cardOf(r map[string]any) Card {
	c := Card{Name: words(r["name"]), Note: clip(words(r["description"]), longestNote)}
	c.Text = written(c.Name, yieldOf(cmpOr(r["recipeYield"], r["yield"])), ingredientsOf(r),
		stepsOf(cmpOr(cmpOr(r["recipeInstructions"], r["step"]), r["steps"]), 0))
	if k := strings.ToLower(words(r["recipeCategory"])); k != "" && c.Kind.UnmarshalText([]byte(k)) != nil {
		c.Kind = ""
	}
	for _, key := range keys(r) {
		if slices.Contains(kept, key) || r[key] == nil || strings.HasPrefix(key, "@") {
			continue
		}
		lost, ok := named[key]
		if !ok {
			lost = key
		}
		if !slices.Contains(c.Lost, lost) {
			c.Lost = append(c.Lost, lost)
		}
	}
	return c
}

func clip(s string, most int) string {
	if r := []rune(s); len(r) > most {
		return strings.TrimSpace(string(r[:most-1])) + "…"
	}
	return s
}

var (
	tags   = regexp.MustCompile(`(?s)<[^>]*>`)
	breaks = regexp.MustCompile(`(?i)</(?:li|p|div|h\d)>|<br\s*/?>|<(?:li|p|div|h\d)(?:\s[^>]*)?>`)
	spaces = regexp.MustCompile(`[\s\x{a0}]+`)
)

// plain is a text of a page on one line: without tags, with its entities read, twice where they were written twice.
func plain(s string) string {
	s = html.UnescapeString(html.UnescapeString(tags.ReplaceAllString(s, " ")))
	return strings.TrimSpace(spaces.ReplaceAllString(tags.ReplaceAllString(s, " "), " "))
}

// rows are the lines of a text that may hold tags.
func rows(s string) []string {
	s = breaks.ReplaceAllString(html.UnescapeString(s), "\n")
	var out []string
	for _, row := range strings.FieldsFunc(s, func(r rune) bool { return r == '\n' || r == '\r' }) {
		if row = plain(row); row != "" {
			out = append(out, row)
		}
	}
	return out
}

// words is a value as one text: of an object, its name or text.
func words(v any) string {
	switch v := v.(type) {
	case string:
		return plain(v)
	case float64:
		return strconv.FormatFloat(v, 'f', -1, 64)
	case []any:
		if len(v) > 0 {
			return words(v[0])
		}
	case map[string]any:
		for _, key := range []string{"@value", "text", "name", "value"} {
			if s := words(v[key]); s != "" {
				return s
			}
		}
	}
	return ""
}

var number = regexp.MustCompile(`^\d+([.,/]\d+)?$`)

// yieldOf is what a recipe makes, as a row of a card.
func yieldOf(v any) string {
	best, size := "", ""
	for _, one := range listOf(v) {
		text := words(one)
		if _, err := measure.ParseLoafSize(text); err == nil {
			size = "Size: " + text
			continue
		}
		if m, ok := one.(map[string]any); ok && m["value"] != nil {
			text = strings.TrimSpace(words(m["value"]) + " " + words(m["unitText"]))
		}
		if len(text) > len(best) { // "1 loaf" says more than "1"
			best = text
		}
	}
	if size != "" && best != "" {
		return size + "\nMakes: " + best
	}
	switch low := strings.ToLower(best); {
	case best == "":
		return size
	case number.MatchString(best):
		return "Serves: " + best
	case strings.HasPrefix(low, "serves"), strings.HasPrefix(low, "makes"), strings.HasPrefix(low, "yield"),
		strings.HasPrefix(low, "serving"):
		return best
	}
	return "Makes: " + best
}

// deepestList is how far lists within lists are followed.
const deepestList = 8

// ingredientsOf are the lines of a recipe, one food each.
func ingredientsOf(r map[string]any) []string {
	for _, key := range []string{"recipeIngredient", "ingredients", "supply"} {
		if out := foods(r[key], 0); len(out) > 0 {
			return out
		}
	}
	return nil
}

// walk gathers the rows of a list that may hold texts, lists and things; read tells what a thing says.
func walk(v any, depth int, read func(one map[string]any, depth int) []string) (out []string) {
	if depth > deepestList {
		return nil
	}
	for _, one := range listOf(v) {
		switch one := one.(type) {
		case string:
			out = append(out, rows(one)...)
		case []any:
			out = append(out, walk(one, depth+1, read)...)
		case map[string]any:
			out = append(out, read(one, depth)...)
		}
	}
	return out
}

// foods are the lines of a list of foods, with the headings of its parts.
func foods(v any, depth int) []string { return walk(v, depth, food) }

// food is one food with its amount; or a part of the list under its heading, or a food wrapped in another thing.
func food(one map[string]any, depth int) []string {
	if items := one["itemListElement"]; items != nil {
		inner := foods(items, depth+1)
		if name := words(one["name"]); name != "" {
			inner = append([]string{strings.TrimSuffix(name, ":") + ":"}, inner...)
		}
		return inner
	}
	if item, ok := one["item"]; ok && one["name"] == nil && one["text"] == nil {
		return foods(item, depth+1)
	}
	name, amount := words(cmpOr(one["text"], one["name"])),
		amountOf(cmpOr(one["requiredQuantity"], cmpOr(one["amount"], one["quantity"])))
	if unit := words(one["unit"]); unit != "" && amount != "" {
		amount += " " + unit
	}
	if row := strings.TrimSpace(amount + " " + name); row != "" {
		return []string{row}
	}
	return nil
}

func amountOf(v any) string {
	if m, ok := v.(map[string]any); ok {
		return strings.TrimSpace(words(m["value"]) + " " + words(cmpOr(m["unitText"], m["unitCode"])))
	}
	return words(v)
}

var stepNumber = regexp.MustCompile(`^(?:step\s*)?\d+[.):]\s+`)

// stepsOf are the sentences of a method.
func stepsOf(v any, depth int) []string {
	out := walk(v, depth, sentences)
	for n := range out {
		out[n] = stepNumber.ReplaceAllString(out[n], "")
	}
	return out
}

// sentences are those of one step of a method, or of a section, whose name leads its first step.
func sentences(one map[string]any, depth int) []string {
	inner := cmpOr(one["itemListElement"], cmpOr(one["steps"], one["step"]))
	if item, ok := one["item"]; ok && inner == nil {
		inner = item
	}
	if text := words(one["text"]); text != "" || inner == nil {
		return rows(cmp.Or(text, words(one["name"])))
	}
	under := stepsOf(inner, depth+1)
	if name := strings.TrimRight(words(one["name"]), ":. "); name != "" && len(under) > 0 && is(one, "HowToSection") {
		under[0] = name + ". " + under[0]
	}
	return under
}
