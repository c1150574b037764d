package formats

import (
	"cmp"
	"fmt"
	"slices"
	"strings"

	"github.com/go-json-experiment/json"
	"github.com/go-json-experiment/json/jsontext"

	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/core/vocab"
)

// Sheet is a recipe to be carried away: as it is written, or as it is planned for a size.
type Sheet struct {
	Name   string
	Kind   recipe.Kind
	Size   string
	Makes  string
	Note   string
	Set    string   // what to press, of a planned one
	Rows   []string // a line each, with the headings of parts and moments above them
	Method []string
}

// Written is a recipe as its baker wrote it. Columns for other sizes and the answers that the kitchen keeps with a
// recipe are in none of these formats.
func Written(r recipe.Recipe) Sheet {
	s := Sheet{Name: r.Name, Kind: r.Kind, Size: r.Size.String(), Makes: r.Makes, Note: r.Note, Method: r.Method}
	r.Columns, r.Makes, r.Method = nil, "", nil
	s.Rows = append(s.Rows, strings.Split(strings.TrimSpace(r.Text()), "\n")...)
	return s
}

// Planned is a loaf as its plan measures it, in the recipe's order, with what to set on the machine.
func Planned(p plan.Plan, r recipe.Recipe) Sheet {
	s := Sheet{Name: r.Name, Kind: r.Kind, Size: p.Size.String(), Note: r.Note, Method: r.Method,
		Set: fmt.Sprintf("%s: %s", p.Machine, p.Setting.Label)}
	var rows []recipe.Row
	for _, l := range p.Lines {
		text := amountOfLine(l) + " " + l.Name
		if l.Note != "" {
			text += ", " + l.Note
		}
		if l.Optional {
			text += " (optional)"
		}
		row := recipe.Row{Part: l.Part, Text: text}
		if l.AtBeep {
			row.When = recipe.AtBeep
		}
		rows = append(rows, row)
	}
	s.Rows = strings.Split(strings.TrimSpace(recipe.Write(rows)), "\n")
	return s
}

// amountOfLine is what is measured of a line, as one amount: "2/3 cup", "1 cup + 1 tbsp", "2", "375 g".
func amountOfLine(l plan.Line) string {
	if l.Pieces > 0 {
		return l.Counted()
	}
	scoops := l.Measured.Scoops
	if len(scoops) == 0 {
		return cmp.Or(l.Locked, l.Weight, l.Wants)
	}
	if sum, ok := l.Measured.Sum(); ok {
		return sum.String()
	}
	return l.Measured.String()
}

// Text is the sheet as a card, which is read back as it is.
func (s Sheet) Text() string {
	rows := []string{s.Name, "Size: " + s.Size}
	if s.Makes != "" {
		rows = append(rows, "Makes "+s.Makes)
	}
	if s.Note != "" {
		rows = append(rows, "Note: "+s.Note)
	}
	if s.Set != "" {
		rows = append(rows, "Note: "+s.Set)
	}
	rows = append(append(rows, "", "Ingredients:"), s.Rows...)
	if len(s.Method) > 0 {
		rows = append(append(rows, "", "Method:"), s.Method...)
	}
	return strings.Join(rows, "\n") + "\n"
}

// Markdown is the sheet for a page of notes.
func (s Sheet) Markdown() string {
	var b strings.Builder
	fmt.Fprintf(&b, "# %s\n\n*Size: %s*\n", s.Name, s.Size)
	if s.Makes != "" {
		fmt.Fprintf(&b, "\nMakes %s\n", s.Makes)
	}
	for _, say := range []string{s.Note, s.Set} {
		if say != "" {
			fmt.Fprintf(&b, "\nNote: %s\n", say)
		}
	}
	b.WriteString("\n## Ingredients\n\n")
	for n, row := range s.Rows {
		switch {
		case strings.HasSuffix(row, ":") && n > 0:
			fmt.Fprintf(&b, "\n### %s\n\n", strings.TrimSuffix(row, ":"))
		case strings.HasSuffix(row, ":"):
			fmt.Fprintf(&b, "### %s\n\n", strings.TrimSuffix(row, ":"))
		default:
			fmt.Fprintf(&b, "- %s\n", row)
		}
	}
	if len(s.Method) > 0 {
		b.WriteString("\n## Method\n\n")
		for n, step := range s.Method {
			fmt.Fprintf(&b, "%d. %s\n", n+1, step)
		}
	}
	return b.String()
}

// step is a sentence of a method as schema.org has it.
type step struct {
	Type string `json:"@type"`
	Text string `json:"text"`
}

// linked is a recipe as schema.org has it.
type linked struct {
	Context      string   `json:"@context"`
	Type         string   `json:"@type"`
	Name         string   `json:"name"`
	Description  string   `json:"description,omitzero"`
	Category     string   `json:"recipeCategory,omitzero"`
	Yield        []string `json:"recipeYield"`
	Ingredients  []string `json:"recipeIngredient"`
	Instructions []step   `json:"recipeInstructions,omitzero"`
}

// JSONLD is the sheet as schema.org's Recipe.
func (s Sheet) JSONLD() ([]byte, error) {
	l := linked{Context: "https://schema.org", Type: "Recipe", Name: s.Name, Description: s.Note,
		Category: string(s.Kind), Yield: []string{s.Size}, Ingredients: s.Rows}
	if s.Makes != "" {
		l.Yield = append(l.Yield, s.Makes)
	}
	for _, say := range slices.Concat(s.Method, setting(s)) {
		l.Instructions = append(l.Instructions, step{"HowToStep", say})
	}
	return json.Marshal(l, jsontext.WithIndent("  "))
}

// setting is what to set, as a step.
func setting(s Sheet) []string {
	if s.Set == "" {
		return nil
	}
	return []string{vocab.Upper("set the " + s.Set + ".")}
}

// Shopping is what a loaf needs as a list, and as a list to tick off in Markdown.
func Shopping(p plan.Plan, things []plan.Shopping, markdown bool) string {
	var b strings.Builder
	lead, head := "", fmt.Sprintf("%s, %s\n", p.Recipe, p.Size)
	if markdown {
		lead, head = "- [ ] ", "# "+head+"\n"
	}
	b.WriteString(head)
	for _, t := range things {
		switch {
		case t.Has != "" && t.Buy == "":
			continue // there is enough in the house
		case t.Buy != "":
			fmt.Fprintf(&b, "%s%s, %s (%s needed, %s in the house)\n", lead, t.Name, t.Buy, t.Need, t.Has)
		default:
			fmt.Fprintf(&b, "%s%s, %s\n", lead, t.Name, t.Need)
		}
	}
	return b.String()
}
