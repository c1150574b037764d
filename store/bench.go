package store

import (
	"context"
	"time"

	"github.com/go-json-experiment/json"

	"risepan/core/plan"
)

// Pins name what a bench or a bake was made with, so that it can be worked out again.
type Pins struct {
	RecipeID  string
	Revision  int
	MachineID string
	Machine   int // its version
	Kitchen   int // its version
}

// Bench is a loaf being measured: the wish as it was planned, and the ids of its steps.
type Bench struct {
	Pins
	ID        string
	Wish      plan.Wish
	Steps     []string
	Over      bool
	CreatedAt time.Time
}

// AddBench stores a new bench.
func (q Queries) AddBench(ctx context.Context, kitchenID string, b Bench) (string, error) {
	wish, err := encode(b.Wish)
	if err != nil {
		return "", err
	}
	steps, err := encode(b.Steps)
	if err != nil {
		return "", err
	}
	id, err := q.addJournal(ctx, kitchenID)
	if err != nil {
		return "", err
	}
	_, err = q.q.ExecContext(ctx, `INSERT INTO benches (id, kitchen_id, recipe_id, recipe_version, machine_id,
		machine_version, kitchen_version, shape, wish, steps, created_at)
		VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
		id, kitchenID, b.RecipeID, b.Revision, b.MachineID, b.Machine, b.Kitchen, wishes.shape, wish, steps,
		b.CreatedAt.UTC())
	return id, err
}

// Bench finds one bench of a kitchen.
func (q Queries) Bench(ctx context.Context, kitchenID, id string) (b Bench, err error) {
	var shape int
	var wish, steps string
	err = q.q.QueryRowContext(ctx, `SELECT id, recipe_id, recipe_version, machine_id, machine_version,
		kitchen_version, shape, wish, steps, is_over, created_at
		FROM benches WHERE kitchen_id = ? AND id = ?`, kitchenID, id).
		Scan(&b.ID, &b.RecipeID, &b.Revision, &b.MachineID, &b.Machine, &b.Kitchen, &shape, &wish, &steps, &b.Over,
			&b.CreatedAt)
	if err != nil {
		return b, found(err)
	}
	if err := json.Unmarshal([]byte(steps), &b.Steps); err != nil {
		return b, &Unreadable{"bench", id, err}
	}
	return b, wishes.decode(id, shape, wish, &b.Wish)
}

// NoteBench notes what follows from what happened at a bench: its steps, and whether it is over.
func (q Queries) NoteBench(ctx context.Context, kitchenID, id string, steps []string, over bool) error {
	doc, err := encode(steps)
	if err != nil {
		return err
	}
	_, err = q.q.ExecContext(ctx, `UPDATE benches SET steps = ?, is_over = ? WHERE kitchen_id = ? AND id = ?`, doc,
		over, kitchenID, id)
	return err
}

// OpenBench is the newest bench that is neither started nor cleared, made after since; ErrNotFound
// without one.
func (q Queries) OpenBench(ctx context.Context, kitchenID string, since time.Time) (id, recipe string, err error) {
	err = q.q.QueryRowContext(ctx, `SELECT b.id, r.name FROM benches b JOIN recipes r ON r.id = b.recipe_id
		WHERE b.kitchen_id = ? AND NOT b.is_over AND b.created_at > ? ORDER BY b.created_at DESC LIMIT
			1`, kitchenID, since.UTC()).Scan(&id, &recipe)
	return id, recipe, found(err)
}

// Outdated tells which of what a bench or a bake was made with has a newer version by now.
func (q Queries) Outdated(ctx context.Context, kitchenID string, p Pins) (recipe, machine, kitchen bool, err error) {
	err = q.q.QueryRowContext(ctx, `SELECT r.head > ?, m.head > ?, k.head > ? FROM kitchens k JOIN recipes r ON
		r.kitchen_id = k.id JOIN machines m ON m.kitchen_id = k.id
		WHERE k.id = ? AND r.id = ? AND m.id =
			?`, p.Revision, p.Machine, p.Kitchen, kitchenID, p.RecipeID, p.MachineID).Scan(&recipe, &machine, &kitchen)
	return recipe, machine, kitchen, found(err)
}
