package store

import (
	"context"
	"time"

	"risepan/core/kitchen"
)

// Kitchen is a stored kitchen at one of its versions.
type Kitchen struct {
	ID      string
	Version int
	Kitchen kitchen.Kitchen
}

// KitchenName is a kitchen to choose.
type KitchenName struct {
	ID   string `json:"id"`
	Name string `json:"name"`
	Demo bool   `json:"demo,omitzero"` // made to be looked round in
}

// AddKitchen stores a new kitchen.
func (q Queries) AddKitchen(ctx context.Context, k kitchen.Kitchen, at time.Time) (string, error) {
	id := NewID()
	_, err := q.q.ExecContext(ctx, `INSERT INTO kitchens (id, name, head, created_at) VALUES (?, ?, 1, ?)`, id, k.Name,
		at.UTC())
	if err != nil {
		return "", err
	}
	return id, kitchenHistory.add(ctx, q, id, id, 1, k, at)
}

// Kitchens lists the kitchens, the first made first.
func (q Queries) Kitchens(ctx context.Context) ([]KitchenName, error) {
	return q.named(ctx, `SELECT id, name, is_demo FROM kitchens WHERE NOT put_away ORDER BY id`)
}

// ForLookingRound marks a kitchen as the demo.
func (q Queries) ForLookingRound(ctx context.Context, id string) error {
	_, err := q.q.ExecContext(ctx, `UPDATE kitchens SET is_demo = TRUE WHERE id = ?`, id)
	return err
}

// Kitchen finds a kitchen at a version; 0 is the newest.
func (q Queries) Kitchen(ctx context.Context, id string, version int) (k Kitchen, err error) {
	k.ID = id
	k.Kitchen, k.Version, err = kitchenHistory.at(ctx, q, id, id, version)
	return k, err
}

// ChangeKitchen replaces a kitchen's settings where they are still at the version. It returns the new
// version, or ErrStale.
func (q Queries) ChangeKitchen(ctx context.Context, id string, version int, k kitchen.Kitchen, at time.Time) (int,
	error) {
	version, err := kitchenHistory.change(ctx, q, id, id, version, k, at)
	if err != nil {
		return version, err
	}
	_, err = q.q.ExecContext(ctx, `UPDATE kitchens SET name = ? WHERE id = ?`, k.Name, id)
	return version, err
}

// OpenKitchens lists the kitchens that have no household, the first made first.
func (q Queries) OpenKitchens(ctx context.Context) ([]KitchenName, error) {
	return q.named(ctx, `SELECT k.id, k.name, k.is_demo FROM kitchens k LEFT JOIN households h ON h.kitchen_id = k.id
		WHERE NOT k.put_away AND h.id IS NULL ORDER BY k.id`)
}

// KitchenNamed is the name of one kitchen.
func (q Queries) KitchenNamed(ctx context.Context, id string) (KitchenName, error) {
	all, err := q.named(ctx, `SELECT id, name, is_demo FROM kitchens WHERE id = ?`, id)
	if err == nil && len(all) == 0 {
		err = ErrNotFound
	}
	if err != nil {
		return KitchenName{}, err
	}
	return all[0], nil
}

// KitchensAway lists all kitchens that were put away, the newest first.
func (q Queries) KitchensAway(ctx context.Context) ([]KitchenName, error) {
	return q.named(ctx, `SELECT id, name, is_demo FROM kitchens WHERE put_away ORDER BY id DESC`)
}

// Beside lists the kitchens that were put away for another to take their place, the newest first.
func (q Queries) Beside(ctx context.Context, kitchenID string) ([]KitchenName, error) {
	return q.named(ctx, `SELECT k.id, k.name, k.is_demo FROM kitchens k JOIN asides a ON a.kitchen_id = k.id WHERE
		k.put_away AND a.beside_id = ? ORDER BY k.id DESC`, kitchenID)
}

// BesideOf is the id of the kitchen that took the place of one that was put away.
func (q Queries) BesideOf(ctx context.Context, away string) (id string, err error) {
	err = q.q.QueryRowContext(ctx, `SELECT beside_id FROM asides WHERE kitchen_id = ?`, away).Scan(&id)
	return id, found(err)
}

// PutBeside notes of a kitchen that was put away which one took its place.
func (q Queries) PutBeside(ctx context.Context, away, shown string) error {
	_, err := q.q.ExecContext(ctx, `INSERT INTO asides (id, kitchen_id, beside_id) VALUES (?, ?, ?)`, NewID(), away,
		shown)
	return err
}

func (q Queries) named(ctx context.Context, query string, args ...any) ([]KitchenName, error) {
	rows, err := q.q.QueryContext(ctx, query, args...)
	return list(rows, err, func(scan func(...any) error) (k KitchenName, err error) {
		return k, scan(&k.ID, &k.Name, &k.Demo)
	})
}

// Replace puts one kitchen away and another in its place, or the other way round. Its household, its calendar's address
// and what was put away beside it go over to the other.
func (q Queries) Replace(ctx context.Context, away, shown string) error {
	for _, s := range []statement{
		{`UPDATE kitchens SET put_away = TRUE WHERE id = ?`, []any{away}},
		{`UPDATE kitchens SET put_away = FALSE WHERE id = ?`, []any{shown}},
		{`DELETE FROM asides WHERE kitchen_id = ?`, []any{shown}},
		{`UPDATE asides SET beside_id = ? WHERE beside_id = ?`, []any{shown, away}},
		{`UPDATE households SET kitchen_id = ? WHERE kitchen_id = ?`, []any{shown, away}},
		{`UPDATE addresses SET kitchen_id = ?, thing_id = ? WHERE kitchen_id = ? AND what = 'calendar'`,
			[]any{shown, shown, away}},
	} {
		if _, err := q.q.ExecContext(ctx, s.query, s.args...); err != nil {
			return err
		}
	}
	return q.PutBeside(ctx, away, shown)
}
