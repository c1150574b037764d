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
}

// AddKitchen stores a new kitchen.
func (q Queries) AddKitchen(ctx context.Context, k kitchen.Kitchen, at time.Time) (string, error) {
	id := NewID()
	_, err := q.q.ExecContext(ctx, `INSERT INTO kitchens (id, name, head, created_at) VALUES (?, ?, 1, ?)`, id, k.Name, at.UTC())
	if err != nil {
		return "", err
	}
	return id, kitchenHistory.add(ctx, q, id, id, 1, k, at)
}

// Kitchens lists the kitchens, the first made first.
func (q Queries) Kitchens(ctx context.Context) ([]KitchenName, error) {
	rows, err := q.q.QueryContext(ctx, `SELECT id, name FROM kitchens WHERE NOT put_away ORDER BY id`)
	return list(rows, err, func(scan func(...any) error) (k KitchenName, err error) {
		return k, scan(&k.ID, &k.Name)
	})
}

// Kitchen finds a kitchen at a version; 0 is the newest.
func (q Queries) Kitchen(ctx context.Context, id string, version int) (k Kitchen, err error) {
	k.ID = id
	k.Kitchen, k.Version, err = kitchenHistory.at(ctx, q, id, id, version)
	return k, err
}

// ChangeKitchen replaces a kitchen's settings where they are still at the version. It returns the new
// version, or ErrStale.
func (q Queries) ChangeKitchen(ctx context.Context, id string, version int, k kitchen.Kitchen, at time.Time) (int, error) {
	version, err := kitchenHistory.change(ctx, q, id, id, version, k, at)
	if err != nil {
		return version, err
	}
	_, err = q.q.ExecContext(ctx, `UPDATE kitchens SET name = ? WHERE id = ?`, k.Name, id)
	return version, err
}

// KitchensAway lists the kitchens that were put away, the newest first.
func (q Queries) KitchensAway(ctx context.Context) ([]KitchenName, error) {
	rows, err := q.q.QueryContext(ctx, `SELECT id, name FROM kitchens WHERE put_away ORDER BY id DESC`)
	return list(rows, err, func(scan func(...any) error) (k KitchenName, err error) {
		return k, scan(&k.ID, &k.Name)
	})
}

// Replace puts one kitchen away and another in its place, or the other way round.
func (q Queries) Replace(ctx context.Context, away, shown string) error {
	for _, k := range []struct {
		id   string
		away bool
	}{{away, true}, {shown, false}} {
		if _, err := q.q.ExecContext(ctx, `UPDATE kitchens SET put_away = ? WHERE id = ?`, k.away, k.id); err != nil {
			return err
		}
	}
	return nil
}
