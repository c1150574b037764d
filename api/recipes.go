package api

import (
	"cmp"
	"fmt"
	"math"
	"net/http"
	"slices"
	"strconv"
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
	"risepan/core/swap"
	"risepan/store"
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
	return recipe.Edited{Row: recipe.Row{Part: l.Part, When: l.When, Text: text}, Amount: strings.TrimSpace(l.Amount), From: l.From}
}

// written is the text with the lines that were edited in place of its own.
func (t RecipeText) written(k kitchen.Kitchen) (string, error) {
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
	Asks     int                `json:"asks"` // lines that something is asked about
	Formula  formula.Formula    `json:"formula"`
	Question *measure.LoafSize  `json:"question,omitzero"` // the size that the flour is for, where it contradicts the stated one
	Problem  string             `json:"problem,omitzero"`  // why it cannot be kept yet
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
	Grams      measure.Grams     `json:"grams"` // 0: not known
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
	u.card = u.card.At(t.Size)
	u.recipe = u.card.Recipe()
	u.read.Guessed, u.read.Inferred = t.Kind == "", t.Size.IsZero()
	r := &u.recipe
	r.Standard, r.Note = t.Standard, t.Note
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
	switch likely, ask := scale.Questions(r.Size, out.Formula.Flour); {
	case r.Size.IsZero() && out.Formula.Flour > 0:
		r.Size = scale.Infer(out.Formula.Flour, everything)
	case r.Size.IsZero():
		r.Size = measure.LoafPounds(3, 2)
	default:
		if ask && kind.Of(r.Kind).BySize() && out.Formula.Flour > 0 {
			out.Question = &likely
		}
	}
	if out.Formula.Flour == 0 && out.Problem == "" {
		out.Problem = "Bread needs flour: add a line with flour."
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
	out.Sizes = slices.SortedFunc(slices.Values(u.card.Sizes), func(a, b measure.LoafSize) int { return a.Pounds().Cmp(b.Pounds()) })
	out.Settings, out.Makes, out.Method, out.Remarks = r.Settings, r.Makes, r.Method, u.card.Remarks
	out.Recipe = RecipeCard{r.Name, r.Kind, r.Size, r.Standard, r.Text(), r.Note}
}

func readLine(k kitchen.Kitchen, u recipe.Understood, grams measure.Grams) ReadLine {
	i, _ := k.Ingredient(u.Line.Ingredient)
	a := u.Line.Aside()
	l := ReadLine{ID: u.Line.ID, Row: u.Row, Written: u.Written, Amount: amountText(u.Line.Amount), Also: amountText(u.Line.Also), Ingredient: i.ID, Named: u.Name, Name: i.Name,
		Grams: grams, Sure: u.Sure, Like: i.Like, Grade: cmp.Or(u.Grade, a.Grade), State: cmp.Or(a.State, u.State), Warmth: a.Warmth, Doubt: u.Doubt, Slip: u.Slip, Loose: u.Loose, Asks: u.Asks(),
		Optional: u.Line.Optional, Note: u.Line.Note, Part: u.Line.Part, When: u.Line.When, Spoils: i.Spoils, Allergens: i.Allergens}
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
		at := slices.IndexFunc(scaled, func(s scale.Line) bool { return s.Line.ID == l.ID })
		if err != nil || at < 0 {
			continue
		}
		straight := weighed[n].Grams * measure.Grams(c.Size.Over(r.Size).Float()) // as cards have it, whatever this kitchen's schools
		off := min(math.Abs(float64(card/scaled[at].Grams)-1), math.Abs(float64(card/straight)-1))
		text := k.Weights.Text(scaled[at].Grams, scaled[at].Grams < 20)
		if math.Abs(float64(scaled[at].Grams-straight)) < 0.01 {
			text = l.Amount.Times(c.Size.Over(r.Size)).String()
		}
		out.Lines = append(out.Lines, ReadBeside{l.ID, c.Amounts[n].String(), text, off > differs})
	}
	return out
}

func (s *server) readRecipe(c *call) (any, error) {
	_, u, err := c.text()
	if err != nil {
		return nil, err
	}
	u.read.Recipe.Text = u.text
	if u.read.Problem == "" {
		named := u.recipe
		named.Name = cmp.Or(named.Name, "a recipe") // a name may still come
		u.read.Problem = fault.Says(recipe.New(named).Check())
	}
	return u.read, nil
}

// text reads the recipe that a call sends, and what is understood of it.
func (c *call) text() (t RecipeText, u understood, err error) {
	if err = c.read(&t); err != nil {
		return
	}
	k, _, err := c.settings()
	if err != nil {
		return
	}
	u, err = t.understand(k.Kitchen)
	return
}

// toKeep is the recipe that a call sends, which must be one that can be kept.
func (c *call) toKeep() (recipe.Recipe, error) {
	_, u, err := c.text()
	switch {
	case err != nil:
		return u.recipe, err
	case u.read.Problem != "":
		return u.recipe, problem(http.StatusUnprocessableEntity, "/text", "%s", u.read.Problem)
	}
	return u.recipe, nil
}

func (s *server) showRecipe(c *call) (any, error) {
	id, err := c.id()
	if err != nil {
		return nil, err
	}
	return c.showRevision(id, 0)
}

func (c *call) showRevision(id string, revision int) (RecipeRead, error) {
	k, _, err := c.settings()
	if err != nil {
		return RecipeRead{}, err
	}
	r, err := c.Recipe(c.ctx, c.kitchen, id, revision)
	if err != nil {
		return RecipeRead{}, err
	}
	row, err := c.OnShelf(c.ctx, c.kitchen, id)
	if err != nil {
		return RecipeRead{}, err
	}
	t := RecipeText{Name: r.Recipe.Name, Kind: r.Recipe.Kind, Size: r.Recipe.Size, Standard: r.Recipe.Standard, Text: r.Recipe.Text(), Note: r.Recipe.Note}
	u, err := t.understand(k.Kitchen)
	if err != nil {
		return u.read, err
	}
	out := u.read
	out.ID, out.Revision, out.PutAway, out.Settings = r.ID, r.Revision, row.PutAway, r.Recipe.Settings
	return out, nil
}

// revisionRef names a revision of a recipe for an answer to be made of.
func revisionRef(r store.Recipe) string { return fmt.Sprintf("%s %d", r.ID, r.Revision) }

func readRef(ref string) (id string, number int) {
	id, text, _ := strings.Cut(ref, " ")
	number, _ = strconv.Atoi(text)
	return id, number
}

// recipeMade answers with a recipe as it was kept.
func (s *server) recipeMade(c *call, ref string) (any, error) {
	id, revision := readRef(ref)
	return c.showRevision(id, revision)
}

// RecipeKept says which revision was stored.
type RecipeKept struct {
	ID       string `json:"id"`
	Revision int    `json:"revision"`
}

func (s *server) recipeKept(c *call, ref string) (any, error) {
	id, revision := readRef(ref)
	return RecipeKept{id, revision}, nil
}

func (s *server) addRecipe(c *call) (string, error) {
	r, err := c.toKeep()
	if err != nil {
		return "", err
	}
	r = recipe.New(r)
	if err := r.Check(); err != nil {
		return "", err
	}
	k, _, err := c.settings()
	if err != nil {
		return "", err
	}
	stored, err := c.AddRecipe(c.ctx, c.kitchen, r, r.Yeasted(k.Kitchen.Ingredient), c.now)
	return revisionRef(stored), err
}

// reviseRecipe keeps a text as the next revision of a recipe, whose lines keep their ids. What was made
// from an older revision is refused.
func (s *server) reviseRecipe(c *call) (string, error) {
	seen, err := c.version()
	if err != nil {
		return "", err
	}
	r, err := c.toKeep()
	if err != nil {
		return "", err
	}
	before, err := c.head(seen)
	if err != nil {
		return "", err
	}
	next := r.Revise(before.Recipe)
	if err := next.Check(); err != nil {
		return "", err
	}
	return c.keep(before, next)
}

// head is the newest revision of the recipe that the path names, which must be the one that the
// baker saw.
func (c *call) head(seen int) (store.Recipe, error) {
	id, err := c.id()
	if err != nil {
		return store.Recipe{}, err
	}
	r, err := c.Recipe(c.ctx, c.kitchen, id, 0)
	if err == nil && r.Revision != seen {
		return r, store.ErrStale
	}
	return r, err
}

func (c *call) keep(before store.Recipe, next recipe.Recipe) (string, error) {
	k, _, err := c.settings()
	if err != nil {
		return "", err
	}
	stored, err := c.ReviseRecipe(c.ctx, c.kitchen, before.ID, before.Revision, next, next.Yeasted(k.Kitchen.Ingredient), c.now)
	return revisionRef(stored), err
}

// SwapsKept are swaps to keep as a recipe's next revision.
type SwapsKept struct {
	Revision int         `json:"revision"` // that they were tried on
	Swaps    []swap.Pick `json:"swaps"`
}

// keepSwaps makes swaps in a recipe for good, as its next revision.
func (s *server) keepSwaps(c *call) (string, error) {
	var in SwapsKept
	if err := c.read(&in); err != nil {
		return "", err
	}
	k, _, err := c.settings()
	if err != nil {
		return "", err
	}
	r, err := c.head(in.Revision)
	if err != nil {
		return "", err
	}
	if len(in.Swaps) == 0 {
		return "", fault.At("/swaps", "say which swaps to keep")
	}
	next := r.Recipe
	for n, p := range in.Swaps {
		if next, err = swap.Apply(next, k.Kitchen.Ingredient, p); err != nil {
			return "", under(fmt.Sprintf("/swaps/%d", n), err)
		}
	}
	if err := next.Check(); err != nil {
		return "", err
	}
	return c.keep(r, next)
}

// MeantOf says that a figure of a recipe's formula is meant, though no loaf holds it.
type MeantOf struct {
	Revision int         `json:"revision"`
	Figure   plan.Figure `json:"figure"`
}

// meanIt keeps an answer for the recipe, as its next revision. Said again it keeps nothing more.
func (s *server) meanIt(c *call) (string, error) {
	var in MeantOf
	if err := c.read(&in); err != nil {
		return "", err
	}
	r, err := c.head(in.Revision)
	if err != nil {
		return "", err
	}
	next := r.Recipe
	if slices.Contains(next.Meant, string(in.Figure)) {
		return revisionRef(r), nil
	}
	next.Meant = append(slices.Clone(next.Meant), string(in.Figure))
	if err := next.Check(); err != nil {
		return "", err
	}
	return c.keep(r, next)
}

// undoRecipe brings the revision before the newest back, as a revision of its own.
func (s *server) undoRecipe(c *call) (string, error) {
	var in RecipeKept
	if err := c.read(&in); err != nil {
		return "", err
	}
	r, err := c.head(in.Revision)
	if err != nil {
		return "", err
	}
	if r.Revision == 1 {
		return "", fault.At("/revision", "this is the recipe as it was first written: there is nothing to undo")
	}
	before, err := c.Recipe(c.ctx, c.kitchen, r.ID, r.Revision-1)
	if err != nil {
		return "", err
	}
	back := before.Recipe
	back.Drawn = max(back.Drawn, r.Recipe.Drawn)
	return c.keep(r, back)
}
