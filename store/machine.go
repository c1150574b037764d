package store

import (
	"context"
	"database/sql"
	"errors"
	"time"

	"risepan/core/machine"
)

// Machine is a stored machine.
type Machine struct {
	ID      string          `json:"id"`
	Version int             `json:"version"`
	Machine machine.Machine `json:"machine"`
}

// AddMachine stores a new machine of a kitchen.
func (q Queries) AddMachine(ctx context.Context, kitchenID string, m machine.Machine, at time.Time) (string, error) {
	doc, err := encode(m)
	if err != nil {
		return "", err
	}
	id := NewID()
	_, err = q.q.ExecContext(ctx, `INSERT INTO machines (id, kitchen_id, name, doc, version, created_at) VALUES (?, ?, ?, ?, 1, ?)`,
		id, kitchenID, m.Name, doc, at.UTC())
	return id, err
}

// ChangeMachine replaces a machine where it is still at the version; the earlier description is kept.
// Bakes hold plans of their own, so none of them changes. It returns the new version, or ErrStale.
func (q Queries) ChangeMachine(ctx context.Context, kitchenID, id string, version int, m machine.Machine, at time.Time) (int, error) {
	doc, err := encode(m)
	if err != nil {
		return 0, err
	}
	var now int
	var before string
	if err := q.q.QueryRowContext(ctx, `SELECT version, doc FROM machines WHERE kitchen_id = ? AND id = ? FOR UPDATE`, kitchenID, id).Scan(&now, &before); err != nil {
		return 0, found(err)
	}
	if now != version {
		return 0, ErrStale
	}
	_, err = q.q.ExecContext(ctx, `INSERT INTO machine_versions (id, kitchen_id, machine_id, version, doc, created_at) VALUES (?, ?, ?, ?, ?, ?)`,
		NewID(), kitchenID, id, now, before, at.UTC())
	if err != nil {
		return 0, err
	}
	_, err = q.q.ExecContext(ctx, `UPDATE machines SET doc = ?, name = ?, version = ? WHERE id = ?`, doc, m.Name, now+1, id)
	return now + 1, err
}

// MachineBefore is a machine as it was described at an earlier version.
func (q Queries) MachineBefore(ctx context.Context, kitchenID, id string, version int) (m machine.Machine, err error) {
	var doc string
	err = q.q.QueryRowContext(ctx, `SELECT doc FROM machine_versions WHERE kitchen_id = ? AND machine_id = ? AND version = ?`, kitchenID, id, version).Scan(&doc)
	if err != nil {
		return m, found(err)
	}
	return m, decode(doc, &m)
}

func scanMachine(scan func(...any) error) (Machine, error) {
	var m Machine
	var doc string
	if err := scan(&m.ID, &m.Version, &doc); err != nil {
		return m, err
	}
	return m, decode(doc, &m.Machine)
}

// Machines lists a kitchen's machines, oldest first.
func (q Queries) Machines(ctx context.Context, kitchenID string) ([]Machine, error) {
	rows, err := q.q.QueryContext(ctx, `SELECT id, version, doc FROM machines WHERE kitchen_id = ? ORDER BY id`, kitchenID)
	return list(rows, err, scanMachine)
}

// Machine finds one machine of a kitchen.
func (q Queries) Machine(ctx context.Context, kitchenID, id string) (Machine, error) {
	m, err := scanMachine(q.q.QueryRowContext(ctx, `SELECT id, version, doc FROM machines WHERE kitchen_id = ? AND id = ?`, kitchenID, id).Scan)
	return m, found(err)
}

// Habit is the cycle and crust that a baker chose for a recipe on a machine; empty: as suggested.
type Habit struct {
	Cycle string        `json:"cycle,omitzero"`
	Crust machine.Crust `json:"crust,omitzero"`
}

// Habit finds the baker's own choice for a recipe on a machine; without one it is empty.
func (q Queries) Habit(ctx context.Context, kitchenID, recipeID, machineID string) (h Habit, err error) {
	err = q.q.QueryRowContext(ctx, `SELECT cycle, crust FROM habits WHERE kitchen_id = ? AND recipe_id = ? AND machine_id = ?`, kitchenID, recipeID, machineID).Scan(&h.Cycle, &h.Crust)
	if errors.Is(err, sql.ErrNoRows) {
		return Habit{}, nil
	}
	return h, err
}

// SetHabit remembers the baker's own choice for a recipe on a machine.
func (q Queries) SetHabit(ctx context.Context, kitchenID, recipeID, machineID string, h Habit) error {
	_, err := q.q.ExecContext(ctx, `INSERT INTO habits (id, kitchen_id, recipe_id, machine_id, cycle, crust) VALUES (?, ?, ?, ?, ?, ?)
		ON DUPLICATE KEY UPDATE cycle = VALUES(cycle), crust = VALUES(crust)`, NewID(), kitchenID, recipeID, machineID, h.Cycle, h.Crust)
	return err
}
