package usecase

import (
	"fmt"
	"slices"
	"strconv"
	"strings"

	"risepan/core/bake"
	"risepan/core/fault"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/core/swap"
	"risepan/core/verdict"
	"risepan/store"
)

// ShowRecipe is a recipe at its newest revision.
func (c *Scope) ShowRecipe(id string) (RecipeRead, error) {
	return c.showRevision(id, 0)
}

func (c *Scope) showRevision(id string, revision int) (RecipeRead, error) {
	k, _, err := c.settings()
	if err != nil {
		return RecipeRead{}, err
	}
	r, err := c.q.Recipe(c.ctx, c.kitchen, id, revision)
	if err != nil {
		return RecipeRead{}, err
	}
	row, err := c.q.OnShelf(c.ctx, c.kitchen, id)
	if err != nil {
		return RecipeRead{}, err
	}
	t := RecipeText{Name: r.Recipe.Name, Kind: r.Recipe.Kind, Size: r.Recipe.Size, Standard: r.Recipe.Standard,
		Text: r.Recipe.Text(), Note: r.Recipe.Note}
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

// RecipeMade answers with a recipe as it was kept.
func (c *Scope) RecipeMade(ref string) (RecipeRead, error) {
	id, revision := readRef(ref)
	return c.showRevision(id, revision)
}

// RecipeKept says which revision was stored.
type RecipeKept struct {
	ID       string `json:"id"`
	Revision int    `json:"revision"`
}

// RecipeKept answers with the revision that was stored.
func (c *Scope) RecipeKept(ref string) (RecipeKept, error) {
	id, revision := readRef(ref)
	return RecipeKept{id, revision}, nil
}

// AddRecipe keeps a text as a new recipe.
func (c *Scope) AddRecipe(t RecipeText) (string, error) {
	r, err := c.toKeep(t)
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
	stored, err := c.q.AddRecipe(c.ctx, c.kitchen, r, r.Yeasted(k.Kitchen.Ingredient), c.now)
	return revisionRef(stored), err
}

// ReviseRecipe keeps a text as the next revision of a recipe, whose lines keep their ids. What was made
// from an older revision is refused.
func (c *Scope) ReviseRecipe(id string, seen int, t RecipeText) (string, error) {
	r, err := c.toKeep(t)
	if err != nil {
		return "", err
	}
	before, err := c.head(id, seen)
	if err != nil {
		return "", err
	}
	next := r.Revise(before.Recipe)
	if err := next.Check(); err != nil {
		return "", err
	}
	return c.keep(before, next)
}

// head is the newest revision of a recipe, which must be the one that the baker saw.
func (c *Scope) head(id string, seen int) (store.Recipe, error) {
	r, err := c.q.Recipe(c.ctx, c.kitchen, id, 0)
	if err == nil && r.Revision != seen {
		return r, store.ErrStale
	}
	return r, err
}

func (c *Scope) keep(before store.Recipe, next recipe.Recipe) (string, error) {
	k, _, err := c.settings()
	if err != nil {
		return "", err
	}
	stored, err := c.q.ReviseRecipe(c.ctx, c.kitchen, before.ID, before.Revision, next,
		next.Yeasted(k.Kitchen.Ingredient), c.now)
	return revisionRef(stored), err
}

// Taught is one amount of a recipe that a loaf has taught, as its next revision.
type Taught struct {
	Line   string         `json:"line"`
	Amount measure.Amount `json:"amount"`
	Cause  verdict.Cause  `json:"cause"`          // of how the loaf came out
	Signs  []bake.Sign    `json:"signs,omitzero"` // that it showed
}

// because is why that amount is kept.
func (t Taught) because() recipe.Because {
	out := recipe.Because{Cause: string(t.Cause)}
	for _, s := range t.Signs {
		out.Signs = append(out.Signs, string(s))
	}
	return out
}

// Teach keeps one changed amount as the next revision of a recipe, with its reason.
func (c *Scope) Teach(id string, seen int, in Taught) (string, error) {
	before, err := c.head(id, seen)
	if err != nil {
		return "", err
	}
	next, err := c.taught(before.Recipe, in.Line, in.Amount, in.because())
	if err != nil {
		return "", err
	}
	return c.keep(before, next)
}

// taught is a recipe with the one amount that was taught.
func (c *Scope) taught(r recipe.Recipe, line string, amount measure.Amount, because recipe.Because) (recipe.Recipe,
	error) {
	k, _, err := c.settings()
	if err != nil {
		return r, err
	}
	r.Lines = slices.Clone(r.Lines)
	n := slices.IndexFunc(r.Lines, func(l recipe.Line) bool { return l.ID == line })
	if n < 0 {
		return r, fault.At("/line", "the recipe has no such line by now: look at it again")
	}
	r.Lines[n].Amount, r.Lines[n].Also, r.Because = amount.In(k.Kitchen.Standard), measure.Amount{}, because
	if _, err := r.Weigh(k.Kitchen.Ingredient); err != nil {
		return r, err
	}
	return r, r.Check()
}

// SwapsKept are swaps to keep as a recipe's next revision.
type SwapsKept struct {
	Revision int         `json:"revision"` // that they were tried on
	Swaps    []swap.Pick `json:"swaps"`
}

// KeepSwaps makes swaps in a recipe for good, as its next revision.
func (c *Scope) KeepSwaps(id string, in SwapsKept) (string, error) {
	k, _, err := c.settings()
	if err != nil {
		return "", err
	}
	r, err := c.head(id, in.Revision)
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

// MeanIt keeps an answer for the recipe, as its next revision. Said again it keeps nothing more.
func (c *Scope) MeanIt(id string, in MeantOf) (string, error) {
	r, err := c.head(id, in.Revision)
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

// UndoRecipe brings the revision before the newest back, as a revision of its own.
func (c *Scope) UndoRecipe(id string, in RecipeKept) (string, error) {
	r, err := c.head(id, in.Revision)
	if err != nil {
		return "", err
	}
	if r.Revision == 1 {
		return "", fault.At("/revision", "this is the recipe as it was first written: there is nothing to undo")
	}
	before, err := c.q.Recipe(c.ctx, c.kitchen, r.ID, r.Revision-1)
	if err != nil {
		return "", err
	}
	return c.keepOld(r, before.Recipe)
}

// keepOld keeps an older revision of a recipe as its newest; ids that were drawn since are not drawn again.
func (c *Scope) keepOld(head store.Recipe, old recipe.Recipe) (string, error) {
	old.Drawn = max(old.Drawn, head.Recipe.Drawn)
	return c.keep(head, old)
}
