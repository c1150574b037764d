package usecase

import (
	"cmp"
	"math"
	"slices"
	"strings"

	"risepan/core/fault"
	"risepan/core/formula"
	"risepan/core/kind"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/core/scale"
	"risepan/core/vocab"
	"risepan/formats"
)

// RecipeText is a recipe as its baker writes it: a card, with what the baker says beside it.
type RecipeText struct {
	Name     string           `json:"name,omitzero"` // left out: as the card has it
	Kind     recipe.Kind      `json:"kind,omitzero"` // left out: guessed by what is in it
	Size     measure.LoafSize `json:"size,omitzero"` // left out: as the card says, or inferred from the flour
	Standard measure.Standard `json:"standard"`
	Text     string           `json:"text"`
	Lines    []LineText       `json:"lines,omitzero"` // in place of those in the text, edited line by line
	Note     string           `json:"note,omitzero"`
	Finish   recipe.Finish    `json:"finish,omitzero"` // of a dough
}

// LineText is one line as the baker edits it, each part of it as it is written.
type LineText struct {
	Amount   string      `json:"amount"`
	Name     string      `json:"name"`
	Or       []string    `json:"or,omitzero"`
	Optional bool        `json:"optional,omitzero"`
	Note     string      `json:"note,omitzero"`
	Part     recipe.Part `json:"part,omitzero"`
	When     recipe.When `json:"when,omitzero"`
	From     int         `json:"from,omitzero"` // which line of the text it was, from 1; left out: a new one
}

// edited is the line as it stands on a card.
func (l LineText) edited() recipe.Edited {
	text := strings.TrimSpace(l.Name)
	for _, o := range l.Or {
		text += ", or " + o
	}
	if l.Optional {
		text += " (optional)"
	}
	if l.Note != "" {
		text += ", " + l.Note
	}
	return recipe.Edited{Row: recipe.Row{Part: l.Part, When: l.When, Text: text}, Amount: strings.TrimSpace(l.Amount),
		From: l.From}
}

// written is the text with the lines that were edited in place of its own.
func (t RecipeText) written(k kitchen.Kitchen) (string, error) {
	if t.Lines == nil && formats.IsPage(t.Text) {
		cards, err := formats.Cards(t.Text)
		if err != nil || len(cards) == 0 {
			return t.Text, nil // it may show a recipe all the same
		}
		texts := make([]string, len(cards))
		for n, c := range cards {
			texts[n] = c.Text
		}
		return strings.Join(texts, "\n\n"), nil
	}
	if t.Lines == nil {
		return t.Text, nil
	}
	card, err := recipe.ReadCard(t.Text, t.Standard, k.Find)
	if err != nil {
		return "", err
	}
	var lines []recipe.Edited
	for _, l := range t.Lines {
		lines = append(lines, l.edited())
	}
	return card.At(t.Size).With(lines), nil
}

// RecipeCard is a recipe as it stands, with its card's text.
type RecipeCard struct {
	Name     string           `json:"name"`
	Kind     recipe.Kind      `json:"kind"`
	Size     measure.LoafSize `json:"size"`
	Standard measure.Standard `json:"standard"`
	Text     string           `json:"text"`
	Note     string           `json:"note,omitzero"`
	Finish   recipe.Finish    `json:"finish,omitzero"`
}

// RecipeRead is what was understood of a recipe's text.
type RecipeRead struct {
	ID       string             `json:"id,omitzero"` // of a stored recipe
	Revision int                `json:"revision,omitzero"`
	PutAway  bool               `json:"putAway,omitzero"`
	Recipe   RecipeCard         `json:"recipe"`
	Inferred bool               `json:"inferred"`         // the size was left out
	Guessed  bool               `json:"guessed,omitzero"` // and the kind
	Lines    []ReadLine         `json:"lines"`
	Sizes    []measure.LoafSize `json:"sizes,omitzero"`   // that the card has columns for, smallest first
	Columns  []ReadColumn       `json:"columns,omitzero"` // for the sizes other than the recipe's own
	Settings recipe.Settings    `json:"settings,omitzero"`
	Makes    string             `json:"makes,omitzero"`
	Method   []string           `json:"method,omitzero"`
	Remarks  []string           `json:"remarks,omitzero"`
	Several  []recipe.Pasted    `json:"several,omitzero"` // the recipes of a paste that holds more than one
	Unused   []string           `json:"unused,omitzero"`  // rows of the paste that are no part of the recipe
	Rows     []recipe.RowRead   `json:"rows,omitzero"`    // what became of each row of the text
	Asks     int                `json:"asks"`             // lines that something is asked about
	Formula  formula.Formula    `json:"formula"`
	// the size that the flour is for, where it contradicts the stated one
	Question *measure.LoafSize `json:"question,omitzero"`
	Heat     string            `json:"heat,omitzero"`    // what of its own temperatures is more than its yeast stands
	Problem  string            `json:"problem,omitzero"` // why it cannot be kept yet
}

// ReadLine is one line as it was understood.
type ReadLine struct {
	ID         string            `json:"id,omitzero"` // of a line that is kept
	Row        int               `json:"row"`         // of the card, from 1
	Written    string            `json:"written"`     // as it stands there
	Amount     string            `json:"amount"`      // empty: none, or not understood
	Also       string            `json:"also,omitzero"`
	Ingredient larder.ID         `json:"ingredient"`
	Named      string            `json:"named"` // as the card has it
	Name       string            `json:"name"`
	Grams      measure.Grams     `json:"grams"`         // 0: not known
	Fine       bool              `json:"fine,omitzero"` // it is weighed to a tenth of a scale's usual step
	Sure       larder.Sure       `json:"sure"`
	Near       []plan.Named      `json:"near,omitzero"` // what may be meant
	Like       string            `json:"like,omitzero"` // this kitchen said that it is like
	Grade      string            `json:"grade,omitzero"`
	State      string            `json:"state,omitzero"`
	Warmth     string            `json:"warmth,omitzero"`
	Remark     string            `json:"remark,omitzero"`
	Doubt      string            `json:"doubt,omitzero"` // a question that stands beside it
	Slip       bool              `json:"slip,omitzero"`  // of scanning or typing, read as what was meant
	Loose      bool              `json:"loose,omitzero"` // to taste, for dusting: no line of the loaf
	Asks       bool              `json:"asks,omitzero"`
	Optional   bool              `json:"optional,omitzero"`
	Note       string            `json:"note,omitzero"` // grade, state, warmth and remark as they are kept
	Or         []string          `json:"or,omitzero"`
	Part       recipe.Part       `json:"part,omitzero"`
	When       recipe.When       `json:"when,omitzero"`
	Spoils     bool              `json:"spoils,omitzero"`
	Allergens  []larder.Allergen `json:"allergens,omitzero"`
}

// ReadColumn is what a card has for another size, beside what scaling makes of it.
type ReadColumn struct {
	Size  measure.LoafSize `json:"size"`
	Lines []ReadBeside     `json:"lines"`
}

// ReadBeside is one line of another size.
type ReadBeside struct {
	Line    string `json:"line"`    // its id
	Card    string `json:"card"`    // as the card has it
	Scaled  string `json:"scaled"`  // as scaling makes it
	Differs bool   `json:"differs"` // by more than a tenth
}

// understood is a recipe's text, read.
type understood struct {
	text   string // as it is being written
	recipe recipe.Recipe
	card   recipe.Card
	read   RecipeRead
}

// understand reads a text as this kitchen does. A *fault.Fault is for a text that is no card at all;
// what cannot be kept yet is said in the answer.
func (t RecipeText) understand(k kitchen.Kitchen) (u understood, err error) {
	if u.text, err = t.written(k); err != nil {
		return u, err
	}
	if u.card, err = recipe.ReadCard(u.text, t.Standard, k.Find); err != nil {
		return u, err
	}
	if len(u.card.Lines) == 0 {
		return u, fault.At("/text", "write one ingredient a line, such as: 3 cups bread flour")
	}
	u.read.Several = recipe.Apart(u.text, t.Standard, k.Find)
	u.card = u.card.At(t.Size)
	u.recipe = u.card.Recipe()
	u.read.Guessed, u.read.Inferred = t.Kind == "", t.Size.IsZero()
	r := &u.recipe
	r.Standard, r.Note, r.Finish = t.Standard, t.Note, t.Finish
	r.Name, r.Kind, r.Size = cmp.Or(t.Name, u.card.Name), cmp.Or(t.Kind, u.card.Kind), cmp.Or(t.Size, u.card.Size)
	u.look(k)
	return u, nil
}

// look fills in what is understood of the recipe.
func (u *understood) look(k kitchen.Kitchen) {
	r, out := &u.recipe, &u.read
	weighed, err := r.Weigh(k.Ingredient)
	if err != nil {
		out.Problem = fault.Says(err)
	}
	out.Formula = formula.FromRecipe(weighed)
	var everything measure.Grams
	grams := map[string]measure.Grams{}
	for _, w := range weighed {
		everything += w.Grams
		grams[w.Line.ID] = w.Grams
	}
	switch likely, ask := scale.Questions(r.Kind, r.Size, out.Formula.Flour); {
	case r.Size.IsZero() && out.Formula.Flour > 0:
		r.Size = scale.Infer(r.Kind, out.Formula.Flour, everything)
	case r.Size.IsZero():
		r.Size = measure.LoafPounds(3, 2)
	default:
		if ask && out.Formula.Flour > 0 {
			out.Question = &likely
		}
	}
	out.Heat = plan.HeatOfCard(k, *r)
	if say := kind.Of(r.Kind).Missing(out.Formula.Flour); say != "" && out.Problem == "" {
		out.Problem = vocab.Upper(say) + "."
	}
	for _, l := range u.card.Lines {
		out.Lines = append(out.Lines, readLine(k, l, grams[l.Line.ID]))
		if l.Asks() {
			out.Asks++
		}
	}
	for _, c := range r.Columns {
		out.Columns = append(out.Columns, beside(k, *r, weighed, c))
	}
	out.Sizes = slices.SortedFunc(slices.Values(u.card.Sizes),
		func(a, b measure.LoafSize) int { return a.Pounds().Cmp(b.Pounds()) })
	out.Settings, out.Makes, out.Method = r.Settings, r.Makes, r.Method
	out.Remarks, out.Unused, out.Rows = u.card.Remarks, u.card.Unused, u.card.Rows
	out.Recipe = RecipeCard{r.Name, r.Kind, r.Size, r.Standard, r.Text(), r.Note, r.Finish}
}

func readLine(k kitchen.Kitchen, u recipe.Understood, grams measure.Grams) ReadLine {
	i, _ := k.Ingredient(u.Line.Ingredient)
	a := u.Line.Aside()
	l := ReadLine{ID: u.Line.ID, Row: u.Row, Written: u.Written, Amount: amountText(u.Line.Amount),
		Also: amountText(u.Line.Also), Ingredient: i.ID, Named: u.Name, Name: i.Name,
		Grams: grams, Fine: i.Fine(), Sure: u.Sure, Like: i.Like, Grade: cmp.Or(u.Grade, a.Grade),
		State: cmp.Or(a.State, u.State), Warmth: a.Warmth, Doubt: u.Doubt, Slip: u.Slip, Loose: u.Loose, Asks: u.Asks(),
		Optional: u.Line.Optional, Note: u.Line.Note, Part: u.Line.Part, When: u.Line.When, Spoils: i.Spoils,
		Allergens: i.Allergens}
	l.Remark = strings.TrimSpace(strings.Join([]string{a.Remark, u.Remark}, " "))
	if i.Unknown {
		l.Grams = 0
	}
	for _, n := range u.Near {
		l.Near = append(l.Near, plan.Named{ID: n.ID, Name: n.Name})
	}
	for _, c := range u.Line.Or {
		o, _ := k.Ingredient(c.Ingredient)
		l.Or = append(l.Or, strings.TrimSpace(amountText(c.Amount)+" "+o.Name))
	}
	return l
}

func amountText(a measure.Amount) string {
	if a.Quantity.Sign() <= 0 {
		return ""
	}
	return a.String()
}

// differs is how far a card's own amount for another size may lie from the scaled one, as a share.
const differs = 0.10

// beside puts a card's column for another size beside what scaling makes of the lines.
func beside(k kitchen.Kitchen, r recipe.Recipe, weighed []recipe.Weighed, c recipe.Column) ReadColumn {
	out := ReadColumn{Size: c.Size, Lines: []ReadBeside{}}
	if len(weighed) != len(r.Lines) {
		return out
	}
	scaled, _ := scale.To(weighed, r.Kind, c.Size.Over(r.Size), k.Schools())
	for n, l := range r.Lines {
		if n >= len(c.Amounts) || c.Amounts[n].Quantity.Sign() <= 0 {
			continue
		}
		card, err := weighed[n].Ingredient.Weigh(c.Amounts[n])
		at := slices.IndexFunc(scaled, func(s scale.Scaled) bool { return s.Line.ID == l.ID })
		if err != nil || at < 0 {
			continue
		}
		// as cards have it, whatever this kitchen's schools
		straight := weighed[n].Grams * measure.Grams(c.Size.Over(r.Size).Float())
		off := min(math.Abs(float64(card/scaled[at].Grams)-1), math.Abs(float64(card/straight)-1))
		text := k.Weight(scaled[at].Grams, weighed[n].Ingredient.Fine())
		if math.Abs(float64(scaled[at].Grams-straight)) < 0.01 {
			text = l.Amount.Times(c.Size.Over(r.Size)).String()
		}
		out.Lines = append(out.Lines, ReadBeside{l.ID, c.Amounts[n].String(), text, off > differs})
	}
	return out
}

// ReadRecipe is what this kitchen understands of a recipe's text. It stores nothing.
func (c *Scope) ReadRecipe(t RecipeText) (RecipeRead, error) {
	k, _, err := c.settings()
	if err != nil {
		return RecipeRead{}, err
	}
	u, err := t.understand(k.Kitchen)
	if err != nil {
		return RecipeRead{}, err
	}
	u.read.Recipe.Text = u.text
	if u.read.Problem == "" {
		named := u.recipe
		named.Name = cmp.Or(named.Name, "a recipe") // a name may still come
		u.read.Problem = fault.Says(recipe.New(named).Check())
	}
	return u.read, nil
}

// toKeep is a recipe as it is read, which must be one that can be kept.
func (c *Scope) toKeep(t RecipeText) (recipe.Recipe, error) {
	k, _, err := c.settings()
	if err != nil {
		return recipe.Recipe{}, err
	}
	u, err := t.understand(k.Kitchen)
	switch {
	case err != nil:
		return u.recipe, err
	case u.read.Problem != "":
		return u.recipe, fault.At("/text", "%s", u.read.Problem)
	}
	return u.recipe, nil
}
