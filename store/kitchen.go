package store

import (
	"context"
	"errors"
	"time"

	"risepan/core/kitchen"
	"risepan/core/recipe"
)

// Kitchen is a stored kitchen.
type Kitchen struct {
	ID      string          `json:"id"`
	Version int             `json:"version"`
	Kitchen kitchen.Kitchen `json:"kitchen"`
}

// AddKitchen stores a new kitchen.
func (q Queries) AddKitchen(ctx context.Context, k kitchen.Kitchen, at time.Time) (string, error) {
	doc, err := encode(k)
	if err != nil {
		return "", err
	}
	id := NewID()
	_, err = q.q.ExecContext(ctx, `INSERT INTO kitchens (id, name, doc, version, created_at) VALUES (?, ?, ?, 1, ?)`, id, k.Name, doc, at.UTC())
	return id, err
}

// FirstKitchen is the kitchen that was made first: the only one, until people sign in.
func (q Queries) FirstKitchen(ctx context.Context) (Kitchen, error) {
	var k Kitchen
	var doc string
	err := q.q.QueryRowContext(ctx, `SELECT id, version, doc FROM kitchens ORDER BY id LIMIT 1`).Scan(&k.ID, &k.Version, &doc)
	if err != nil {
		return k, found(err)
	}
	err = decode(doc, &k.Kitchen)
	k.Kitchen = k.Kitchen.Filled()
	return k, err
}

// ErrStale is returned when a thing was changed since it was read.
var ErrStale = errors.New("changed meanwhile")

// ChangeKitchen replaces a kitchen's settings where they are still at the version; the earlier ones
// are kept. It returns the new version, or ErrStale.
func (q Queries) ChangeKitchen(ctx context.Context, id string, version int, k kitchen.Kitchen, at time.Time) (int, error) {
	doc, err := encode(k)
	if err != nil {
		return 0, err
	}
	var now int
	var before string
	if err := q.q.QueryRowContext(ctx, `SELECT version, doc FROM kitchens WHERE id = ? FOR UPDATE`, id).Scan(&now, &before); err != nil {
		return 0, found(err)
	}
	if now != version {
		return 0, ErrStale
	}
	_, err = q.q.ExecContext(ctx, `INSERT INTO kitchen_versions (id, kitchen_id, version, doc, created_at) VALUES (?, ?, ?, ?, ?)`, NewID(), id, now, before, at.UTC())
	if err != nil {
		return 0, err
	}
	_, err = q.q.ExecContext(ctx, `UPDATE kitchens SET doc = ?, name = ?, version = ? WHERE id = ?`, doc, k.Name, now+1, id)
	return now + 1, err
}

// KitchenBefore is a kitchen's settings at an earlier version.
func (q Queries) KitchenBefore(ctx context.Context, id string, version int) (k kitchen.Kitchen, err error) {
	var doc string
	err = q.q.QueryRowContext(ctx, `SELECT doc FROM kitchen_versions WHERE kitchen_id = ? AND version = ?`, id, version).Scan(&doc)
	if err != nil {
		return k, found(err)
	}
	err = decode(doc, &k)
	return k.Filled(), err
}

// Recipe is a stored recipe at one of its revisions.
type Recipe struct {
	ID         string        `json:"id"`
	RevisionID string        `json:"revisionId"`
	Revision   int           `json:"revision"` // from 1
	Recipe     recipe.Recipe `json:"recipe"`
}

// RecipeShape is the number of a recipe's JSON shape.
const RecipeShape = 1

// AddRecipe stores a new recipe with its first revision.
func (q Queries) AddRecipe(ctx context.Context, kitchenID string, r recipe.Recipe, at time.Time) (Recipe, error) {
	id := NewID()
	_, err := q.q.ExecContext(ctx, `INSERT INTO recipes (id, kitchen_id, name, head, created_at) VALUES (?, ?, ?, 0, ?)`, id, kitchenID, r.Name, at.UTC())
	if err != nil {
		return Recipe{}, err
	}
	return q.AddRevision(ctx, kitchenID, id, r, at)
}

// AddRevision stores the next revision of a recipe and makes it the newest; earlier ones stay.
func (q Queries) AddRevision(ctx context.Context, kitchenID, id string, r recipe.Recipe, at time.Time) (Recipe, error) {
	doc, err := encode(r)
	if err != nil {
		return Recipe{}, err
	}
	out := Recipe{ID: id, RevisionID: NewID(), Recipe: r}
	err = q.q.QueryRowContext(ctx, `SELECT head + 1 FROM recipes WHERE kitchen_id = ? AND id = ? FOR UPDATE`, kitchenID, id).Scan(&out.Revision)
	if err != nil {
		return Recipe{}, found(err)
	}
	_, err = q.q.ExecContext(ctx, `INSERT INTO recipe_revisions (id, kitchen_id, recipe_id, number, shape, doc, created_at) VALUES (?, ?, ?, ?, ?, ?, ?)`,
		out.RevisionID, kitchenID, id, out.Revision, RecipeShape, doc, at.UTC())
	if err != nil {
		return Recipe{}, err
	}
	_, err = q.q.ExecContext(ctx, `UPDATE recipes SET head = ?, name = ? WHERE id = ?`, out.Revision, r.Name, id)
	return out, err
}

const selectRecipe = `SELECT r.id, v.id, v.number, v.doc FROM recipes r JOIN recipe_revisions v ON v.recipe_id = r.id `

func scanRecipe(scan func(...any) error) (Recipe, error) {
	var r Recipe
	var doc string
	if err := scan(&r.ID, &r.RevisionID, &r.Revision, &doc); err != nil {
		return r, err
	}
	return r, decode(doc, &r.Recipe)
}

// Recipes lists a kitchen's recipes at their newest revisions, oldest recipe first.
func (q Queries) Recipes(ctx context.Context, kitchenID string) ([]Recipe, error) {
	rows, err := q.q.QueryContext(ctx, selectRecipe+`WHERE r.kitchen_id = ? AND v.number = r.head ORDER BY r.id`, kitchenID)
	return list(rows, err, scanRecipe)
}

// Recipe finds one recipe of a kitchen at its newest revision.
func (q Queries) Recipe(ctx context.Context, kitchenID, id string) (Recipe, error) {
	r, err := scanRecipe(q.q.QueryRowContext(ctx, selectRecipe+`WHERE r.kitchen_id = ? AND r.id = ? AND v.number = r.head`, kitchenID, id).Scan)
	return r, found(err)
}

// RecipeAt finds one recipe of a kitchen at one of its revisions.
func (q Queries) RecipeAt(ctx context.Context, kitchenID, id string, revision int) (Recipe, error) {
	r, err := scanRecipe(q.q.QueryRowContext(ctx, selectRecipe+`WHERE r.kitchen_id = ? AND r.id = ? AND v.number = ?`, kitchenID, id, revision).Scan)
	return r, found(err)
}
