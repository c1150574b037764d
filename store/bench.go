package store

import (
	"context"
	"time"

	"risepan/core/bench"
)

// Bench is a loaf being measured: the wish as it was planned, as the API writes it.
type Bench struct {
	ID        string
	RecipeID  string
	MachineID string
	Wish      string // JSON
	CreatedAt time.Time
}

// AddBench stores a new bench.
func (q Queries) AddBench(ctx context.Context, kitchenID string, b Bench) (string, error) {
	id := NewID()
	_, err := q.q.ExecContext(ctx, `INSERT INTO benches (id, kitchen_id, recipe_id, machine_id, wish, created_at) VALUES (?, ?, ?, ?, ?, ?)`,
		id, kitchenID, b.RecipeID, b.MachineID, b.Wish, b.CreatedAt.UTC())
	return id, err
}

// Bench finds one bench of a kitchen.
func (q Queries) Bench(ctx context.Context, kitchenID, id string) (Bench, error) {
	var b Bench
	err := q.q.QueryRowContext(ctx, `SELECT id, recipe_id, machine_id, wish, created_at FROM benches WHERE kitchen_id = ? AND id = ?`, kitchenID, id).
		Scan(&b.ID, &b.RecipeID, &b.MachineID, &b.Wish, &b.CreatedAt)
	return b, found(err)
}

// OpenBench is the newest bench that is neither started nor cleared, made after since; ErrNotFound
// without one.
func (q Queries) OpenBench(ctx context.Context, kitchenID string, since time.Time) (id, recipe string, err error) {
	err = q.q.QueryRowContext(ctx, `SELECT b.id, r.name FROM benches b JOIN recipes r ON r.id = b.recipe_id
		WHERE b.kitchen_id = ? AND NOT b.is_over AND b.created_at > ? ORDER BY b.created_at DESC LIMIT 1`, kitchenID, since.UTC()).Scan(&id, &recipe)
	return id, recipe, found(err)
}

// HoldBench keeps others from adding to a bench until the transaction ends.
func (q Queries) HoldBench(ctx context.Context, kitchenID, id string) error {
	var one string
	return found(q.q.QueryRowContext(ctx, `SELECT id FROM benches WHERE kitchen_id = ? AND id = ? FOR UPDATE`, kitchenID, id).Scan(&one))
}

// BenchHappenings lists what happened at a bench, in order.
func (q Queries) BenchHappenings(ctx context.Context, kitchenID, id string) ([]bench.Happening, error) {
	rows, err := q.q.QueryContext(ctx, `SELECT doc FROM bench_happenings WHERE kitchen_id = ? AND bench_id = ? ORDER BY seq`, kitchenID, id)
	return list(rows, err, func(scan func(...any) error) (h bench.Happening, err error) {
		var doc string
		if err := scan(&doc); err != nil {
			return h, err
		}
		return h, decode(doc, &h)
	})
}

// AddBenchHappening appends to a bench and notes whether it is then over. The happening's Seq must be
// the next; another one of the same number is refused by the table.
func (q Queries) AddBenchHappening(ctx context.Context, kitchenID, id string, h bench.Happening, over bool) error {
	doc, err := encode(h)
	if err != nil {
		return err
	}
	_, err = q.q.ExecContext(ctx, `INSERT INTO bench_happenings (id, kitchen_id, bench_id, seq, doc, created_at) VALUES (?, ?, ?, ?, ?, ?)`,
		NewID(), kitchenID, id, h.Seq, doc, h.At.UTC())
	if err != nil {
		return err
	}
	_, err = q.q.ExecContext(ctx, `UPDATE benches SET is_over = ? WHERE kitchen_id = ? AND id = ?`, over, kitchenID, id)
	return err
}
