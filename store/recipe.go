package store

import (
	"context"
	"strings"
	"time"

	"risepan/core/kind"
	"risepan/core/measure"
	"risepan/core/recipe"
)

// Recipe is a stored recipe at one of its revisions.
type Recipe struct {
	ID       string
	Revision int // from 1
	Recipe   recipe.Recipe
}

// RecipeOnShelf is a recipe to choose.
type RecipeOnShelf struct {
	ID       string           `json:"id"`
	Revision int              `json:"revision"`
	Name     string           `json:"name"`
	Kind     recipe.Kind      `json:"kind"`
	Size     measure.LoafSize `json:"size"`
	Note     string           `json:"note"`
	PutAway  bool             `json:"putAway,omitzero"`
	Batch    bool             `json:"batch,omitzero"` // made by the batch: loaf sizes say nothing of it
}

// AddRecipe stores a new recipe with its first revision. It holds yeast, or not.
func (q Queries) AddRecipe(ctx context.Context, kitchenID string, r recipe.Recipe, yeasted bool, at time.Time) (Recipe,
	error) {
	id := NewID()
	_, err := q.q.ExecContext(ctx,
		`INSERT INTO recipes (id, kitchen_id, name, kind, size, note, holds, yeasted, head, created_at) VALUES (?, ?,
			?, ?, ?, ?, ?, ?, 1, ?)`,
		id, kitchenID, r.Name, string(r.Kind), r.Size.String(), r.Note, r.Holds(), yeasted, at.UTC())
	if err != nil {
		return Recipe{}, err
	}
	return Recipe{id, 1, r}, recipeHistory.add(ctx, q, kitchenID, id, 1, r, at)
}

// ReviseRecipe stores the next revision of a recipe that is still at a revision, or returns ErrStale.
func (q Queries) ReviseRecipe(ctx context.Context, kitchenID, id string, revision int, r recipe.Recipe, yeasted bool,
	at time.Time) (Recipe, error) {
	revision, err := recipeHistory.change(ctx, q, kitchenID, id, revision, r, at)
	if err != nil {
		return Recipe{}, err
	}
	_, err = q.q.ExecContext(ctx,
		`UPDATE recipes SET name = ?, kind = ?, size = ?, note = ?, holds = ?, yeasted = ? WHERE kitchen_id = ? AND
			id = ?`,
		r.Name, string(r.Kind), r.Size.String(), r.Note, r.Holds(), yeasted, kitchenID, id)
	return Recipe{id, revision, r}, err
}

// Recipe finds one recipe of a kitchen at a revision; 0 is the newest.
func (q Queries) Recipe(ctx context.Context, kitchenID, id string, revision int) (r Recipe, err error) {
	r.ID = id
	r.Recipe, r.Revision, err = recipeHistory.at(ctx, q, kitchenID, id, revision)
	return r, err
}

// Search says which recipes of a kitchen are looked for.
type Search struct {
	Words string      // each a part of the name or of an ingredient; empty: any
	Kind  recipe.Kind // empty: any
	Away  bool        // those that were put away
	After string      // the id of the last one that was seen; empty: from the beginning
	Most  int
}

const selectShelf = `SELECT id, head, name, kind, size, note, put_away, holds FROM recipes WHERE kitchen_id = ? `

func scanShelf(scan func(...any) error) (r RecipeOnShelf, err error) {
	var size, holds string
	if err := scan(&r.ID, &r.Revision, &r.Name, &r.Kind, &size, &r.Note, &r.PutAway, &holds); err != nil {
		return r, err
	}
	r.Batch = kind.ByBatch(r.Kind, recipe.Held(holds))
	if r.Size, err = measure.ParseLoafSize(size); err != nil {
		err = &Unreadable{"recipe", r.ID, err}
	}
	return r, err
}

// Shelf lists the recipes that are looked for, in the order of their making.
func (q Queries) Shelf(ctx context.Context, kitchenID string, s Search) ([]RecipeOnShelf, error) {
	query, args := selectShelf+`AND put_away = ? `, []any{kitchenID, s.Away}
	if s.After != "" {
		query, args = query+`AND id > ? `, append(args, s.After)
	}
	if s.Kind != "" {
		query, args = query+`AND kind = ? `, append(args, string(s.Kind))
	}
	for _, word := range strings.Fields(s.Words) {
		part := "%" + likeEscape.Replace(word) + "%"
		query, args = query+`AND (name LIKE ? OR holds LIKE ?) `, append(args, part, part)
	}
	rows, err := q.q.QueryContext(ctx, query+`ORDER BY id LIMIT ?`, append(args, s.Most)...)
	return list(rows, err, scanShelf)
}

var likeEscape = strings.NewReplacer(`\`, `\\`, `%`, `\%`, `_`, `\_`)

// OnShelf finds one recipe of a kitchen as it stands on the shelf, or away from it.
func (q Queries) OnShelf(ctx context.Context, kitchenID, id string) (RecipeOnShelf, error) {
	r, err := scanShelf(q.q.QueryRowContext(ctx, selectShelf+`AND id = ?`, kitchenID, id).Scan)
	return r, found(err)
}

// WithoutYeast lists the newest recipes on the shelf that need no yeast, at most most of them.
func (q Queries) WithoutYeast(ctx context.Context, kitchenID string, most int) ([]RecipeOnShelf, error) {
	rows, err := q.q.QueryContext(ctx, selectShelf+`AND NOT put_away AND NOT yeasted ORDER BY id DESC LIMIT ?`,
		kitchenID, most)
	return list(rows, err, scanShelf)
}

// Revision is a recipe as it stood from a time on.
type Revision struct {
	Number int
	At     time.Time
	Recipe recipe.Recipe
}

// Revisions lists the newest revisions of a recipe, newest first.
func (q Queries) Revisions(ctx context.Context, kitchenID, id string, most int) ([]Revision, error) {
	rows, err := q.q.QueryContext(ctx,
		`SELECT number, created_at, shape, doc FROM recipe_versions WHERE kitchen_id = ? AND owner_id = ? ORDER BY
			number DESC LIMIT ?`, kitchenID, id, most)
	out, err := list(rows, err, func(scan func(...any) error) (r Revision, err error) {
		var shape int
		var doc string
		if err := scan(&r.Number, &r.At, &shape, &doc); err != nil {
			return r, err
		}
		return r, recipes.decode(id, shape, doc, &r.Recipe)
	})
	if err == nil && len(out) == 0 {
		err = ErrNotFound
	}
	return out, err
}
