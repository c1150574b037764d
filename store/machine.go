package store

import (
	"context"
	"time"

	"risepan/core/machine"
)

// Machine is a stored machine at one of its versions.
type Machine struct {
	ID      string
	Version int
	Machine machine.Machine
}

// AddMachine stores a new machine of a kitchen.
func (q Queries) AddMachine(ctx context.Context, kitchenID string, m machine.Machine, at time.Time) (string, error) {
	id := NewID()
	_, err := q.q.ExecContext(ctx,
		`INSERT INTO machines (id, kitchen_id, name, head, created_at) VALUES (?, ?, ?, 1, ?)`, id, kitchenID, m.Name,
		at.UTC())
	if err != nil {
		return "", err
	}
	return id, machineHistory.add(ctx, q, kitchenID, id, 1, m, at)
}

// ChangeMachine replaces a machine where it is still at the version. Benches and bakes name the version
// that they were made with, so none of them changes. It returns the new version, or ErrStale.
func (q Queries) ChangeMachine(ctx context.Context, kitchenID, id string, version int, m machine.Machine,
	at time.Time) (int, error) {
	version, err := machineHistory.change(ctx, q, kitchenID, id, version, m, at)
	if err != nil {
		return version, err
	}
	_, err = q.q.ExecContext(ctx, `UPDATE machines SET name = ? WHERE kitchen_id = ? AND id = ?`, m.Name, kitchenID, id)
	return version, err
}

// Machine finds one machine of a kitchen at a version; 0 is the newest.
func (q Queries) Machine(ctx context.Context, kitchenID, id string, version int) (m Machine, err error) {
	m.ID = id
	m.Machine, m.Version, err = machineHistory.at(ctx, q, kitchenID, id, version)
	return m, err
}

// Machines lists a kitchen's machines, oldest first: those on the shelf, or those put away. One whose
// description cannot be read is left out and reported beside the others.
func (q Queries) Machines(ctx context.Context, kitchenID string, away bool) (out []Machine, unreadable []error,
	err error) {
	rows, err := q.q.QueryContext(ctx, `SELECT m.id, v.number, v.shape, v.doc FROM machines m JOIN machine_versions v
		ON v.owner_id = m.id AND v.number = m.head
		WHERE m.kitchen_id = ? AND m.put_away = ? ORDER BY m.id`, kitchenID, away)
	out, err = list(rows, err, func(scan func(...any) error) (m Machine, err error) {
		var shape int
		var doc string
		if err := scan(&m.ID, &m.Version, &shape, &doc); err != nil {
			return m, err
		}
		if err := machines.decode(m.ID, shape, doc, &m.Machine); err != nil {
			unreadable = append(unreadable, err)
			m.ID = ""
		}
		return m, nil
	})
	read := out[:0]
	for _, m := range out {
		if m.ID != "" {
			read = append(read, m)
		}
	}
	return read, unreadable, err
}

// HabitShape is the number of a habit's JSON shape.
const HabitShape = 1

// Habit is the cycle and crust that a baker chose for a recipe on a machine; empty: as suggested.
type Habit struct {
	Cycle string        `json:"cycle,omitzero"`
	Crust machine.Crust `json:"crust,omitzero"`
}

// Habits are the baker's own choices in a kitchen, by recipe and machine. One that cannot be read is told of and left
// out.
func (q Queries) Habits(ctx context.Context, kitchenID string) (out map[[2]string]Habit, unreadable []error,
	err error) {
	rows, err := q.q.QueryContext(ctx, `SELECT recipe_id, machine_id, shape, doc FROM habits WHERE kitchen_id = ?`,
		kitchenID)
	if err != nil {
		return nil, nil, err
	}
	defer rows.Close()
	out = map[[2]string]Habit{}
	for rows.Next() {
		var recipe, machine, doc string
		var shape int
		if err := rows.Scan(&recipe, &machine, &shape, &doc); err != nil {
			return nil, nil, err
		}
		var h Habit
		if err := habits.decode(recipe, shape, doc, &h); err != nil {
			unreadable = append(unreadable, err)
			continue
		}
		out[[2]string{recipe, machine}] = h
	}
	return out, unreadable, rows.Err()
}

// SetHabit remembers the baker's own choice for a recipe on a machine.
func (q Queries) SetHabit(ctx context.Context, kitchenID, recipeID, machineID string, h Habit) error {
	doc, err := encode(h)
	if err != nil {
		return err
	}
	_, err = q.q.ExecContext(ctx, `INSERT INTO habits (id, kitchen_id, recipe_id, machine_id, shape, doc) VALUES (?,
		?, ?, ?, ?, ?)
		ON DUPLICATE KEY UPDATE shape = VALUES(shape), doc =
			VALUES(doc)`, NewID(), kitchenID, recipeID, machineID, habits.shape, doc)
	return err
}
