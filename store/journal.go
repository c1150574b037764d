package store

import (
	"context"
	"time"

	"risepan/core/bake"
	"risepan/core/bench"
	"risepan/core/journal"
)

// addJournal begins the journal of a new bench or bake and returns their common id.
func (q Queries) addJournal(ctx context.Context, kitchenID string) (string, error) {
	id := NewID()
	_, err := q.q.ExecContext(ctx, `INSERT INTO journals (id, kitchen_id) VALUES (?, ?)`, id, kitchenID)
	return id, err
}

// Newest is the number of the newest happening in a journal.
func (q Queries) Newest(ctx context.Context, kitchenID, id string) (n int, err error) {
	err = q.q.QueryRowContext(ctx, `SELECT newest FROM journals WHERE kitchen_id = ? AND id = ?`, kitchenID,
		id).Scan(&n)
	return n, found(err)
}

// Hold keeps others from adding to a journal until the transaction ends, and stamps what is added next.
func (q Queries) Hold(ctx context.Context, kitchenID, id string, now time.Time) (journal.Stamp, error) {
	var n int
	err := q.q.QueryRowContext(ctx, `SELECT newest FROM journals WHERE kitchen_id = ? AND id = ? FOR UPDATE`,
		kitchenID, id).Scan(&n)
	return journal.Stamp{Seq: n + 1, At: now.UTC()}, found(err)
}

// happened lists what a journal holds after a number, in order.
func happened[H any](ctx context.Context, q Queries, d document, kitchenID, id string, after int) ([]H, error) {
	rows, err := q.q.QueryContext(ctx,
		`SELECT shape, doc FROM happenings WHERE kitchen_id = ? AND journal_id = ? AND seq > ? ORDER BY seq`,
		kitchenID, id, after)
	return list(rows, err, func(scan func(...any) error) (h H, err error) {
		var shape int
		var doc string
		if err := scan(&shape, &doc); err != nil {
			return h, err
		}
		return h, d.decode(id, shape, doc, &h)
	})
}

// append adds a happening to a journal that is held. Its number must be the next; another one of the
// same number is refused by the table.
func (q Queries) append(ctx context.Context, d document, kitchenID, id string, s journal.Stamp, h any) error {
	doc, err := encode(h)
	if err != nil {
		return err
	}
	_, err = q.q.ExecContext(ctx,
		`INSERT INTO happenings (id, kitchen_id, journal_id, seq, shape, doc, created_at) VALUES (?, ?, ?, ?, ?, ?, ?)`,
		NewID(), kitchenID, id, s.Seq, d.shape, doc, s.At.UTC())
	if err != nil {
		return err
	}
	_, err = q.q.ExecContext(ctx, `UPDATE journals SET newest = ? WHERE kitchen_id = ? AND id = ?`, s.Seq, kitchenID,
		id)
	return err
}

// BenchHappenings lists what happened at a bench, in order.
func (q Queries) BenchHappenings(ctx context.Context, kitchenID, id string) ([]bench.Happening, error) {
	return happened[bench.Happening](ctx, q, benchHappened, kitchenID, id, 0)
}

// BakeHappenings lists what happened in a bake, in order.
func (q Queries) BakeHappenings(ctx context.Context, kitchenID, id string) ([]bake.Happening, error) {
	return happened[bake.Happening](ctx, q, bakeHappened, kitchenID, id, 0)
}

// AddAtBench appends to a bench that is held.
func (q Queries) AddAtBench(ctx context.Context, kitchenID, id string, h bench.Happening) error {
	return q.append(ctx, benchHappened, kitchenID, id, h.Stamp, h)
}

// AddInBake appends to a bake that is held, and notes how it then stands.
func (q Queries) AddInBake(ctx context.Context, kitchenID, id string, h bake.Happening, s bake.State) error {
	if err := q.append(ctx, bakeHappened, kitchenID, id, h.Stamp, h); err != nil {
		return err
	}
	return q.noteState(ctx, kitchenID, id, s)
}
