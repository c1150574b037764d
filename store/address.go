package store

import (
	"context"
	"time"
)

// What an address with a secret in it gives.
const (
	RecipeAddress   = "recipe"
	CalendarAddress = "calendar"
)

// Address is a secret address of one thing of a kitchen.
type Address struct {
	KitchenID string
	Thing     string // the recipe's id; of a calendar the kitchen's
	CreatedAt time.Time
}

// AddAddress makes the address of a thing, in the place of the one before.
func (q Queries) AddAddress(ctx context.Context, kitchenID, what, thing string, token [32]byte, at time.Time) error {
	_, err := q.q.ExecContext(ctx, `INSERT INTO addresses (id, kitchen_id, what, thing_id, token, created_at) VALUES
		(?, ?, ?, ?, ?, ?)
		ON DUPLICATE KEY UPDATE token = VALUES(token), created_at =
			VALUES(created_at)`, NewID(), kitchenID, what, thing, token[:], at.UTC())
	return err
}

// Addressed finds what a secret address gives, while its kitchen is not put away.
func (q Queries) Addressed(ctx context.Context, what string, token [32]byte) (a Address, err error) {
	err = q.q.QueryRowContext(ctx,
		`SELECT a.kitchen_id, a.thing_id, a.created_at FROM addresses a JOIN kitchens k ON k.id = a.kitchen_id WHERE
			a.token = ? AND a.what = ? AND NOT k.put_away`, token[:], what).
		Scan(&a.KitchenID, &a.Thing, &a.CreatedAt)
	return a, found(err)
}

// AddressOf finds out whether a thing has a secret address.
func (q Queries) AddressOf(ctx context.Context, kitchenID, what, thing string) (a Address, err error) {
	err = q.q.QueryRowContext(ctx,
		`SELECT kitchen_id, thing_id, created_at FROM addresses WHERE kitchen_id = ? AND what = ? AND thing_id = ?`,
		kitchenID, what, thing).
		Scan(&a.KitchenID, &a.Thing, &a.CreatedAt)
	return a, found(err)
}

// EndAddress takes the address of a thing back.
func (q Queries) EndAddress(ctx context.Context, kitchenID, what, thing string) error {
	return one(q.q.ExecContext(ctx, `DELETE FROM addresses WHERE kitchen_id = ? AND what = ? AND thing_id = ?`,
		kitchenID, what, thing))
}
