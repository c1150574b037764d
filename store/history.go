package store

import (
	"context"
	"errors"
	"fmt"
	"sync"
	"time"

	"risepan/core/day"
	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/recipe"
)

// ErrStale is returned when a thing was changed since it was read.
var ErrStale = errors.New("changed meanwhile")

// history is a kind of thing of which every version is kept: its newest is the head.
type history[T any] struct {
	document
	things   string // the table of the things
	versions string // and of their versions
}

var (
	kitchenHistory = history[kitchen.Kitchen]{kitchens, "kitchens", "kitchen_versions"}
	machineHistory = history[machine.Machine]{machines, "machines", "machine_versions"}
	recipeHistory  = history[recipe.Recipe]{recipes, "recipes", "recipe_versions"}
	dayHistory     = history[day.Book]{books, "days", "day_versions"}
)

// add keeps a version of a thing.
func (h history[T]) add(ctx context.Context, q Queries, kitchenID, id string, number int, v T, at time.Time) error {
	doc, err := encode(v)
	if err != nil {
		return err
	}
	_, err = q.q.ExecContext(ctx, `INSERT INTO `+h.versions+
		` (id, kitchen_id, owner_id, number, shape, doc, created_at) VALUES (?, ?, ?, ?, ?, ?, ?)`,
		NewID(), kitchenID, id, number, h.shape, doc, at.UTC())
	return err
}

// owner is the column by which a thing belongs to a kitchen; a kitchen is its own.
func (h history[T]) owner() string {
	if h.things == "kitchens" {
		return "id"
	}
	return "kitchen_id"
}

// change keeps the next version of a thing that is still at a version, or returns ErrStale. The columns
// of the thing itself are its caller's to set.
func (h history[T]) change(ctx context.Context, q Queries, kitchenID, id string, version int, v T, at time.Time) (int,
	error) {
	var now int
	if err := q.q.QueryRowContext(ctx, `SELECT head FROM `+h.things+` WHERE `+h.owner()+` = ? AND id = ? FOR UPDATE`,
		kitchenID, id).Scan(&now); err != nil {
		return 0, found(err)
	}
	if now != version {
		return now, ErrStale
	}
	if err := h.add(ctx, q, kitchenID, id, now+1, v, at); err != nil {
		return 0, err
	}
	_, err := q.q.ExecContext(ctx, `UPDATE `+h.things+` SET head = ? WHERE `+h.owner()+` = ? AND id = ?`, now+1,
		kitchenID, id)
	return now + 1, err
}

// at reads a thing at one of its versions; version 0 is the newest.
func (h history[T]) at(ctx context.Context, q Queries, kitchenID, id string, version int) (v T, number int, err error) {
	if version == 0 {
		err := q.q.QueryRowContext(ctx, `SELECT head FROM `+h.things+` WHERE `+h.owner()+` = ? AND id = ?`, kitchenID,
			id).Scan(&version)
		if err != nil {
			return v, 0, found(err)
		}
	}
	key := versionKey{h.versions, kitchenID, id, version}
	if v, ok := q.read.get(key); ok {
		return v.(T), version, nil
	}
	var shape int
	var doc string
	err = q.q.QueryRowContext(ctx, `SELECT shape, doc FROM `+h.versions+
		` WHERE kitchen_id = ? AND owner_id = ? AND number = ?`, kitchenID, id, version).Scan(&shape, &doc)
	if err != nil {
		return v, 0, found(err)
	}
	if err := h.decode(fmt.Sprintf("%s, version %d,", id, version), shape, doc, &v); err != nil {
		return v, version, err
	}
	if !q.inTransaction { // what a transaction reads may never come to be
		q.read.put(key, v, len(doc))
	}
	return v, version, nil
}

// versionKey names one version of one thing: an id alone does not, for a caller may take a recipe's for a machine's.
type versionKey struct {
	of, kitchen, id string // the table of the versions first
	number          int
}

// readVersions are versions that were read and decoded before. A version never changes, so one that was
// committed can be given again.
type readVersions struct {
	mu    sync.Mutex
	seen  map[versionKey]any
	bytes int // of their documents
}

// mostRead is how many bytes of documents are remembered; decoded they take some times as much.
const mostRead = 3 << 20

func (r *readVersions) get(k versionKey) (any, bool) {
	r.mu.Lock()
	defer r.mu.Unlock()
	v, ok := r.seen[k]
	return v, ok
}

func (r *readVersions) put(k versionKey, v any, bytes int) {
	r.mu.Lock()
	defer r.mu.Unlock()
	if r.seen == nil || r.bytes+bytes > mostRead {
		r.seen, r.bytes = map[versionKey]any{}, 0
	}
	if _, there := r.seen[k]; !there {
		r.bytes += bytes
	}
	r.seen[k] = v
}

// putAway puts a thing on the shelf or away from it.
func (q Queries) putAway(ctx context.Context, table, kitchenID, id string, away bool) error {
	var one string
	if err := q.q.QueryRowContext(ctx, `SELECT id FROM `+table+` WHERE kitchen_id = ? AND id = ? FOR UPDATE`,
		kitchenID, id).Scan(&one); err != nil {
		return found(err)
	}
	_, err := q.q.ExecContext(ctx, `UPDATE `+table+` SET put_away = ? WHERE kitchen_id = ? AND id = ?`, away,
		kitchenID, id)
	return err
}

// has reports whether a kitchen has a thing, on the shelf or put away.
func (q Queries) has(ctx context.Context, table, kitchenID, id string) (has bool, err error) {
	err = q.q.QueryRowContext(ctx, `SELECT EXISTS (SELECT 1 FROM `+table+` WHERE kitchen_id = ? AND id = ?)`, kitchenID,
		id).Scan(&has)
	return has, err
}

// HasRecipe reports whether a kitchen has a recipe, on the shelf or put away.
func (q Queries) HasRecipe(ctx context.Context, kitchenID, id string) (bool, error) {
	return q.has(ctx, "recipes", kitchenID, id)
}

// HasMachine reports whether a kitchen has a machine, on the shelf or put away.
func (q Queries) HasMachine(ctx context.Context, kitchenID, id string) (bool, error) {
	return q.has(ctx, "machines", kitchenID, id)
}

// HasBag reports whether a kitchen has bags of an id, also where none is left.
func (q Queries) HasBag(ctx context.Context, kitchenID, id string) (bool, error) {
	return q.has(ctx, "bags", kitchenID, id)
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
