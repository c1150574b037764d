package store

import (
	"context"
	"time"
)

// Photo is a picture that a kitchen keeps: two JPEGs of it, the whole one and a small one for lists.
type Photo struct {
	ID            string
	BakeID        string // that it was taken of
	Full, Small   []byte
	Width, Height int // of Full, in points
	At            time.Time
}

// AddPhoto keeps a photo of a bake under its id.
func (q Queries) AddPhoto(ctx context.Context, kitchenID string, p Photo) error {
	_, err := q.q.ExecContext(ctx, `INSERT INTO photos (id, kitchen_id, bake_id, width, height, picture, small, created_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?)`,
		p.ID, kitchenID, p.BakeID, p.Width, p.Height, p.Full, p.Small, p.At.UTC())
	return err
}

// Picture is the JPEG of a photo of a kitchen, whole or small.
func (q Queries) Picture(ctx context.Context, kitchenID, id string, small bool) (jpeg []byte, err error) {
	err = q.q.QueryRowContext(ctx, `SELECT IF(?, small, picture) FROM photos WHERE kitchen_id = ? AND id = ?`, small, kitchenID, id).Scan(&jpeg)
	return jpeg, found(err)
}
