package store

import (
	"context"

	"risepan/core/rehearse"
)

// AddRehearsal stores a new rehearsal.
func (q Queries) AddRehearsal(ctx context.Context, kitchenID string, r rehearse.Rehearsal) (string, error) {
	doc, err := encode(r)
	if err != nil {
		return "", err
	}
	id, err := q.addJournal(ctx, kitchenID)
	if err != nil {
		return "", err
	}
	_, err = q.q.ExecContext(ctx,
		`INSERT INTO rehearsals (id, kitchen_id, shape, doc, created_at) VALUES (?, ?, ?, ?, ?)`, id, kitchenID,
		rehearsals.shape, doc, r.Began.UTC())
	return id, err
}

// Rehearsal finds a rehearsal and what was done in it.
func (q Queries) Rehearsal(ctx context.Context, kitchenID, id string) (r rehearse.Rehearsal, did []rehearse.Happening,
	err error) {
	var shape int
	var doc string
	if err := q.q.QueryRowContext(ctx, `SELECT shape, doc FROM rehearsals WHERE kitchen_id = ? AND id = ?`, kitchenID,
		id).Scan(&shape, &doc); err != nil {
		return r, nil, found(err)
	}
	if err := rehearsals.decode(id, shape, doc, &r); err != nil {
		return r, nil, err
	}
	did, err = happened[rehearse.Happening](ctx, q, rehearsed, kitchenID, id, 0)
	return r, did, err
}

// AddInRehearsal appends to a rehearsal that is held.
func (q Queries) AddInRehearsal(ctx context.Context, kitchenID, id string, h rehearse.Happening) error {
	return q.append(ctx, rehearsed, kitchenID, id, h.Stamp, h)
}
