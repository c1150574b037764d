package store

import (
	"context"
	"time"

	"risepan/core/kitchen"
)

// Import is what was brought in at once.
type Import struct {
	ID     string
	Made   Imported
	Undone bool
	At     time.Time
}

// ImportShape is the number of an import's JSON shape.
const ImportShape = 1

// Imported are the recipes and bakes of an import.
type Imported struct {
	Recipes  []RecipeMade      `json:"recipes"`
	Bakes    []string          `json:"bakes"` // their ids
	Absences []kitchen.Absence `json:"absences,omitzero"`
}

// RecipeMade is a recipe that an import made, or the revision that it made of one.
type RecipeMade struct {
	ID       string `json:"id"`
	Name     string `json:"name"`
	Revision int    `json:"revision"` // 1: a new one
}

// AddImport keeps what was brought in.
func (q Queries) AddImport(ctx context.Context, kitchenID string, made Imported, at time.Time) (string, error) {
	doc, err := encode(made)
	if err != nil {
		return "", err
	}
	id := NewID()
	_, err = q.q.ExecContext(ctx,
		`INSERT INTO imports (id, kitchen_id, shape, made, created_at) VALUES (?, ?, ?, ?, ?)`,
		id, kitchenID, imports.shape, doc, at.UTC())
	return id, err
}

// Import finds one import of a kitchen.
func (q Queries) Import(ctx context.Context, kitchenID, id string) (i Import, err error) {
	var doc string
	var shape int
	err = q.q.QueryRowContext(ctx,
		`SELECT id, shape, made, undone, created_at FROM imports WHERE kitchen_id = ? AND id = ?`, kitchenID, id).
		Scan(&i.ID, &shape, &doc, &i.Undone, &i.At)
	if err != nil {
		return i, found(err)
	}
	return i, imports.decode(id, shape, doc, &i.Made)
}

// UndoneImport notes that an import was undone.
func (q Queries) UndoneImport(ctx context.Context, kitchenID, id string) error {
	_, err := q.q.ExecContext(ctx, `UPDATE imports SET undone = TRUE WHERE kitchen_id = ? AND id = ?`, kitchenID, id)
	return err
}

// Named finds a recipe on the shelf by its whole name, whatever its capitals; the newest of several.
func (q Queries) Named(ctx context.Context, kitchenID, name string) (RecipeOnShelf, error) {
	r, err := scanShelf(q.q.QueryRowContext(ctx, selectShelf+
		`AND put_away = FALSE AND name = ? ORDER BY id DESC LIMIT 1`, kitchenID, name).Scan)
	return r, found(err)
}

// Starts are when a kitchen's bakes of a recipe began, of those that are not put away.
func (q Queries) Starts(ctx context.Context, kitchenID, recipeID string) ([]time.Time, error) {
	rows, err := q.q.QueryContext(ctx,
		`SELECT started_at FROM bakes WHERE kitchen_id = ? AND recipe_id = ? AND put_away = FALSE`, kitchenID, recipeID)
	return list(rows, err, func(scan func(...any) error) (at time.Time, err error) { return at, scan(&at) })
}
