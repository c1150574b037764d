package store

import (
	"context"
	"time"

	"risepan/core/bag"
)

// Bags are some home-made bags of one making.
type Bags struct {
	Pins
	ID     string
	Made   int // how many there were
	Left   int // and are on the shelf
	MadeAt time.Time
	Batch  bag.Batch
}

// AddBags stores bags that were made.
func (q Queries) AddBags(ctx context.Context, kitchenID string, b Bags) (string, error) {
	doc, err := encode(b.Batch)
	if err != nil {
		return "", err
	}
	id := NewID()
	_, err = q.q.ExecContext(ctx, `INSERT INTO bags (id, kitchen_id, recipe_id, recipe_version, machine_id,
		machine_version, kitchen_version, made_at, made, bags_left, shape, doc)
		VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
		id, kitchenID, b.RecipeID, b.Revision, b.MachineID, b.Machine, b.Kitchen, b.MadeAt.UTC(), b.Made, b.Made,
		bags.shape, doc)
	return id, err
}

const selectBags = `SELECT id, recipe_id, recipe_version, machine_id, machine_version, kitchen_version, made_at, made,
	bags_left, shape, doc FROM bags WHERE kitchen_id = ? `

func scanBags(scan func(...any) error) (b Bags, err error) {
	var shape int
	var doc string
	if err := scan(&b.ID, &b.RecipeID, &b.Revision, &b.MachineID, &b.Machine, &b.Kitchen, &b.MadeAt, &b.Made, &b.Left,
		&shape, &doc); err != nil {
		return b, err
	}
	return b, bags.decode(b.ID, shape, doc, &b.Batch)
}

// mostBags is how many makings of bags are listed.
const mostBags = 100

// BagsOnShelf lists the bags that are left, oldest first.
func (q Queries) BagsOnShelf(ctx context.Context, kitchenID string) ([]Bags, error) {
	rows, err := q.q.QueryContext(ctx, selectBags+`AND bags_left > 0 ORDER BY made_at, id LIMIT ?`, kitchenID, mostBags)
	return list(rows, err, scanBags)
}

// BagsOf finds the bags of one making.
func (q Queries) BagsOf(ctx context.Context, kitchenID, id string) (Bags, error) {
	b, err := scanBags(q.q.QueryRowContext(ctx, selectBags+`AND id = ?`, kitchenID, id).Scan)
	return b, found(err)
}

// LeaveBags says how many bags of a making are left.
func (q Queries) LeaveBags(ctx context.Context, kitchenID, id string, left int) error {
	_, err := q.q.ExecContext(ctx, `UPDATE bags SET bags_left = ? WHERE kitchen_id = ? AND id = ?`, left, kitchenID, id)
	return err
}

// TakeBag takes one bag off the shelf; ErrStale where none is left.
func (q Queries) TakeBag(ctx context.Context, kitchenID, id string) error {
	r, err := q.q.ExecContext(ctx,
		`UPDATE bags SET bags_left = bags_left - 1 WHERE kitchen_id = ? AND id = ? AND bags_left > 0`, kitchenID, id)
	if err != nil {
		return err
	}
	if n, err := r.RowsAffected(); err != nil || n == 0 {
		return ErrStale
	}
	return nil
}
