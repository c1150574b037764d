package api

import (
	"bytes"
	"fmt"
	"net/http"

	"github.com/gin-gonic/gin"

	"risepan/core/fault"
	"risepan/core/formula"
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

// understand reads a recipe's text and checks all of it.
func understand(t RecipeText, k kitchenNow) (recipe.Recipe, RecipeRead, error) {
	lines, err := recipe.ReadLines(t.Text, t.Standard)
	if err != nil {
		return recipe.Recipe{}, RecipeRead{}, err
	}
	r := recipe.Recipe{Name: t.Name, Kind: t.Kind, Size: t.Size, Standard: t.Standard, Lines: lines, Note: t.Note}
	out := RecipeRead{Recipe: t, Inferred: t.Size.IsZero()}
	if out.Inferred {
		r.Size = measure.LoafPounds(3, 2) // until its flour is known
	}
	weighed, err := r.Weigh(k.Kitchen.Kitchen.Ingredient)
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
	if out.Inferred {
		r.Size = scale.Infer(out.Formula.Flour, everything)
		out.Recipe.Size = r.Size
	} else if likely, ask := scale.Questions(r.Size, out.Formula.Flour); ask && r.Kind != recipe.QuickBread {
		out.Question = &likely
	}
	return r, out, nil
}

func (s *server) readRecipe(c *gin.Context) (any, error) {
	var t RecipeText
	if err := read(c.Request.Body, &t); err != nil {
		return nil, err
	}
	k, err := s.kitchen(c.Request.Context(), s.store.Queries)
	if err != nil {
		return nil, err
	}
	_, out, err := understand(t, k)
	return out, err
}

func (s *server) showRecipe(c *gin.Context) (any, error) {
	ctx := c.Request.Context()
	k, err := s.kitchen(ctx, s.store.Queries)
	if err != nil {
		return nil, err
	}
	if !store.ValidID(c.Param("id")) {
		return nil, store.ErrNotFound
	}
	r, err := s.store.Recipe(ctx, k.ID, c.Param("id"))
	if err != nil {
		return nil, err
	}
	t := RecipeText{r.Recipe.Name, r.Recipe.Kind, r.Recipe.Size, r.Recipe.Standard, r.Recipe.Text(), r.Recipe.Note}
	_, out, err := understand(t, k)
	out.ID, out.Revision = r.ID, r.Revision
	return out, err
}

// addRecipe stores a new recipe, or where the path names one its next revision.
func (s *server) addRecipe(c *gin.Context, q store.Queries, k kitchenNow, body []byte) (any, error) {
	var t RecipeText
	if err := read(bytes.NewReader(body), &t); err != nil {
		return nil, err
	}
	r, out, err := understand(t, k)
	if err != nil {
		return nil, err
	}
	ctx := c.Request.Context()
	var stored store.Recipe
	switch id := c.Param("id"); {
	case id == "":
		stored, err = q.AddRecipe(ctx, k.ID, r, k.now)
	case !store.ValidID(id):
		return nil, store.ErrNotFound
	default:
		stored, err = q.AddRevision(ctx, k.ID, id, r, k.now)
	}
	out.ID, out.Revision = stored.ID, stored.Revision
	return out, err
}

// SwapsKept are swaps to keep as a recipe's next revision.
type SwapsKept struct {
	Revision int         `json:"revision"` // that they were tried on
	Swaps    []swap.Pick `json:"swaps"`
}

// RecipeKept says which revision was stored.
type RecipeKept struct {
	ID       string `json:"id"`
	Revision int    `json:"revision"`
}

// head is the newest revision of the recipe that the path names, which must be the one that the
// baker saw.
func (s *server) head(c *gin.Context, q store.Queries, k kitchenNow, seen int) (store.Recipe, error) {
	if !store.ValidID(c.Param("id")) {
		return store.Recipe{}, store.ErrNotFound
	}
	r, err := q.Recipe(c.Request.Context(), k.ID, c.Param("id"))
	if err == nil && r.Revision != seen {
		return r, store.ErrStale
	}
	return r, err
}

func keep(c *gin.Context, q store.Queries, k kitchenNow, id string, r recipe.Recipe) (any, error) {
	stored, err := q.AddRevision(c.Request.Context(), k.ID, id, r, k.now)
	return RecipeKept{stored.ID, stored.Revision}, err
}

// keepSwaps makes swaps in a recipe for good, as its next revision.
func (s *server) keepSwaps(c *gin.Context, q store.Queries, k kitchenNow, body []byte) (any, error) {
	var in SwapsKept
	if err := read(bytes.NewReader(body), &in); err != nil {
		return nil, err
	}
	r, err := s.head(c, q, k, in.Revision)
	if err != nil {
		return nil, err
	}
	if len(in.Swaps) == 0 {
		return nil, fault.At("/swaps", "say which swaps to keep")
	}
	next := r.Recipe
	for n, p := range in.Swaps {
		if next, err = swap.Apply(next, k.Kitchen.Kitchen.Ingredient, p); err != nil {
			return nil, under(fmt.Sprintf("/swaps/%d", n), err)
		}
	}
	return keep(c, q, k, r.ID, next)
}

// undoRecipe brings the revision before the newest back, as a revision of its own.
func (s *server) undoRecipe(c *gin.Context, q store.Queries, k kitchenNow, body []byte) (any, error) {
	var in RecipeKept
	if err := read(bytes.NewReader(body), &in); err != nil {
		return nil, err
	}
	r, err := s.head(c, q, k, in.Revision)
	if err != nil {
		return nil, err
	}
	if r.Revision == 1 {
		return nil, fault.At("/revision", "this is the recipe as it was first written: there is nothing to undo")
	}
	before, err := q.RecipeAt(c.Request.Context(), k.ID, r.ID, r.Revision-1)
	if err != nil {
		return nil, err
	}
	return keep(c, q, k, r.ID, before.Recipe)
}
