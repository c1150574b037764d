package store

import (
	"context"
	"errors"
	"fmt"
	"time"
)

// ErrStale is returned when a thing was changed since it was read.
var ErrStale = errors.New("changed meanwhile")

// history is a kind of thing of which every version is kept: its newest is the head.
type history struct {
	document
	things   string // the table of the things
	versions string // and of their versions
}

var (
	kitchenHistory = history{kitchens, "kitchens", "kitchen_versions"}
	machineHistory = history{machines, "machines", "machine_versions"}
	recipeHistory  = history{recipes, "recipes", "recipe_versions"}
)

// add keeps a version of a thing.
func (h history) add(ctx context.Context, q Queries, kitchenID, id string, number int, v any, at time.Time) error {
	doc, err := encode(v)
	if err != nil {
		return err
	}
	_, err = q.q.ExecContext(ctx, `INSERT INTO `+h.versions+` (id, kitchen_id, owner_id, number, shape, doc, created_at) VALUES (?, ?, ?, ?, ?, ?, ?)`,
		NewID(), kitchenID, id, number, h.shape, doc, at.UTC())
	return err
}

// change keeps the next version of a thing that is still at a version, or returns ErrStale. The columns
// of the thing itself are its caller's to set.
func (h history) change(ctx context.Context, q Queries, kitchenID, id string, version int, v any, at time.Time) (int, error) {
	owner := "kitchen_id"
	if h.things == "kitchens" {
		owner = "id"
	}
	var now int
	if err := q.q.QueryRowContext(ctx, `SELECT head FROM `+h.things+` WHERE `+owner+` = ? AND id = ? FOR UPDATE`, kitchenID, id).Scan(&now); err != nil {
		return 0, found(err)
	}
	if now != version {
		return now, ErrStale
	}
	if err := h.add(ctx, q, kitchenID, id, now+1, v, at); err != nil {
		return 0, err
	}
	_, err := q.q.ExecContext(ctx, `UPDATE `+h.things+` SET head = ? WHERE id = ?`, now+1, id)
	return now + 1, err
}

// at reads a thing at one of its versions; version 0 is the newest.
func (h history) at(ctx context.Context, q Queries, kitchenID, id string, version int, v any) (int, error) {
	query, args := `SELECT number, shape, doc FROM `+h.versions+` WHERE kitchen_id = ? AND owner_id = ? AND number = ?`, []any{kitchenID, id, version}
	if version == 0 {
		query, args = `SELECT number, shape, doc FROM `+h.versions+` WHERE kitchen_id = ? AND owner_id = ? ORDER BY number DESC LIMIT 1`, args[:2]
	}
	var shape int
	var doc string
	if err := q.q.QueryRowContext(ctx, query, args...).Scan(&version, &shape, &doc); err != nil {
		return 0, found(err)
	}
	return version, h.decode(fmt.Sprintf("%s, version %d,", id, version), shape, doc, v)
}

// putAway puts a thing on the shelf or away from it.
func (q Queries) putAway(ctx context.Context, table, kitchenID, id string, away bool) error {
	var one string
	if err := q.q.QueryRowContext(ctx, `SELECT id FROM `+table+` WHERE kitchen_id = ? AND id = ? FOR UPDATE`, kitchenID, id).Scan(&one); err != nil {
		return found(err)
	}
	_, err := q.q.ExecContext(ctx, `UPDATE `+table+` SET put_away = ? WHERE id = ?`, away, id)
	return err
}

// PutRecipeAway takes a recipe off the shelf, or brings it back. Its bakes keep it.
func (q Queries) PutRecipeAway(ctx context.Context, kitchenID, id string, away bool) error {
	return q.putAway(ctx, "recipes", kitchenID, id, away)
}

// PutMachineAway takes a machine off the shelf, or brings it back. Its bakes keep it.
func (q Queries) PutMachineAway(ctx context.Context, kitchenID, id string, away bool) error {
	return q.putAway(ctx, "machines", kitchenID, id, away)
}

// PutBakeAway takes a bake out of the log, or brings it back.
func (q Queries) PutBakeAway(ctx context.Context, kitchenID, id string, away bool) error {
	return q.putAway(ctx, "bakes", kitchenID, id, away)
}
