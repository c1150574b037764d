package api

import (
	"fmt"
	"net/http"
	"strconv"
	"strings"

	"risepan/core/fault"
	"risepan/core/formula"
	"risepan/core/kind"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/recipe"
	"risepan/core/scale"
	"risepan/core/swap"
	"risepan/store"
)

// RecipeText is a recipe as its baker writes it.
type RecipeText struct {
	Name     string           `json:"name"`
	Kind     recipe.Kind      `json:"kind"`
	Size     measure.LoafSize `json:"size,omitzero"` // left out: inferred from the flour
	Standard measure.Standard `json:"standard"`
	Text     string           `json:"text"` // one ingredient a line
	Note     string           `json:"note,omitzero"`
}

// RecipeRead is what was understood of a recipe's text.
type RecipeRead struct {
	ID       string            `json:"id,omitzero"` // of a stored recipe
	Revision int               `json:"revision,omitzero"`
	PutAway  bool              `json:"putAway,omitzero"`
	Recipe   RecipeText        `json:"recipe"`
	Inferred bool              `json:"inferred"` // the size was left out
	Lines    []ReadLine        `json:"lines"`
	Formula  formula.Formula   `json:"formula"`
	Question *measure.LoafSize `json:"question,omitzero"` // the size that the flour is for, where it contradicts the stated one
}

// ReadLine is one line as it was understood.
type ReadLine struct {
	Amount   string        `json:"amount"`
	Name     string        `json:"name"`
	Grams    measure.Grams `json:"grams"`
	Like     string        `json:"like,omitzero"` // guessed after this
	Optional bool          `json:"optional,omitzero"`
	Or       []string      `json:"or,omitzero"`
	Part     recipe.Part   `json:"part,omitzero"`
	AtBeep   bool          `json:"atBeep,omitzero"`
}

// written is the recipe that a text says, before it is looked through.
func (t RecipeText) written() (recipe.Recipe, error) {
	lines, err := recipe.ReadLines(t.Text, t.Standard)
	r := recipe.Recipe{Name: t.Name, Kind: t.Kind, Size: t.Size, Standard: t.Standard, Lines: lines, Note: t.Note}
	if r.Size.IsZero() {
		r.Size = measure.LoafPounds(3, 2) // until its flour is known
	}
	return r, err
}

// understand looks a recipe through and says what is understood of it. Where its size was left out, it
// is inferred.
func understand(r recipe.Recipe, inferred bool, k kitchen.Kitchen) (recipe.Recipe, RecipeRead, error) {
	out := RecipeRead{Inferred: inferred}
	if err := r.Check(); err != nil {
		return r, out, err
	}
	weighed, err := r.Weigh(k.Ingredient)
	if err != nil {
		return r, out, err
	}
	out.Formula = formula.FromRecipe(weighed)
	var everything measure.Grams
	for _, w := range weighed {
		l := ReadLine{Amount: w.Line.Amount.String(), Name: w.Ingredient.Name, Grams: w.Grams, Like: w.Ingredient.Like,
			Optional: w.Line.Optional, Part: w.Line.Part, AtBeep: w.Line.When == recipe.AtBeep}
		for _, id := range w.Line.Or {
			i, _ := larder.Know(id)
			l.Or = append(l.Or, i.Name)
		}
		out.Lines = append(out.Lines, l)
		everything += w.Grams
	}
	if out.Formula.Flour == 0 {
		return r, out, problem(http.StatusUnprocessableEntity, "/text", "bread needs flour: add a line with flour")
	}
	if inferred {
		r.Size = scale.Infer(out.Formula.Flour, everything)
	} else if likely, ask := scale.Questions(r.Size, out.Formula.Flour); ask && kind.Of(r.Kind).BySize() {
		out.Question = &likely
	}
	out.Recipe = RecipeText{r.Name, r.Kind, r.Size, r.Standard, r.Text(), r.Note}
	return r, out, nil
}

func (s *server) readRecipe(c *call) (any, error) {
	_, _, out, err := c.text()
	return out, err
}

// text reads the recipe that a call sends, and what is understood of it.
func (c *call) text() (t RecipeText, r recipe.Recipe, out RecipeRead, err error) {
	if err = c.read(&t); err != nil {
		return
	}
	k, _, err := c.settings()
	if err != nil {
		return
	}
	if r, err = t.written(); err != nil {
		return
	}
	r, out, err = understand(recipe.New(r), t.Size.IsZero(), k.Kitchen)
	if err == nil {
		out.Recipe.Text = t.Text // as it is being written
	}
	return
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
	_, out, err := understand(r.Recipe, false, k.Kitchen)
	out.ID, out.Revision, out.PutAway = r.ID, r.Revision, row.PutAway
	return out, err
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
	_, r, _, err := c.text()
	if err != nil {
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
	_, r, _, err := c.text()
	if err != nil {
		return "", err
	}
	before, err := c.head(seen)
	if err != nil {
		return "", err
	}
	return c.keep(before, r.Revise(before.Recipe))
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
