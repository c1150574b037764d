package store

import (
	"context"
	"database/sql"
	"errors"
	"time"

	"risepan/core/day"
	"risepan/core/kitchen"
)

// DayBook finds the book of a date, and its version; of a date that has none yet, an empty one at version 0.
func (q Queries) DayBook(ctx context.Context, kitchenID string, date kitchen.Date) (b day.Book, version int,
	err error) {
	id, err := q.dayID(ctx, kitchenID, date)
	if id == "" || err != nil {
		return day.Book{Loaves: []day.Loaf{}, Hands: 1}, 0, err
	}
	return dayHistory.at(ctx, q, kitchenID, id, 0)
}

// dayID finds the row of a date; empty: there is none.
func (q Queries) dayID(ctx context.Context, kitchenID string, date kitchen.Date) (id string, err error) {
	err = q.q.QueryRowContext(ctx, `SELECT id FROM days WHERE kitchen_id = ? AND on_day = ?`, kitchenID,
		date.String()).Scan(&id)
	if errors.Is(err, sql.ErrNoRows) {
		return "", nil
	}
	return id, err
}

// KeepDay keeps the book of a date that is still at a version. It returns the new version, or ErrStale.
func (q Queries) KeepDay(ctx context.Context, kitchenID string, date kitchen.Date, version int, b day.Book,
	at time.Time) (int, error) {
	id, err := q.dayID(ctx, kitchenID, date)
	switch {
	case err != nil:
		return 0, err
	case id == "" && version > 0:
		return 0, ErrStale
	case id == "":
		id = NewID()
		if _, err := q.q.ExecContext(ctx,
			`INSERT INTO days (id, kitchen_id, on_day, head, loaves, created_at) VALUES (?, ?, ?, 0, 0, ?)`, id,
			kitchenID, date.String(), at.UTC()); duplicate(err) {
			return 0, ErrStale
		} else if err != nil {
			return 0, err
		}
	}
	version, err = dayHistory.change(ctx, q, kitchenID, id, version, b, at)
	if err != nil {
		return version, err
	}
	_, err = q.q.ExecContext(ctx, `UPDATE days SET loaves = ? WHERE kitchen_id = ? AND id = ?`, len(b.Loaves),
		kitchenID, id)
	return version, err
}

// DayBefore is the book of a date as it was before its newest version; an empty one before the first.
func (q Queries) DayBefore(ctx context.Context, kitchenID string, date kitchen.Date, version int) (day.Book, error) {
	none := day.Book{Loaves: []day.Loaf{}, Hands: 1}
	id, err := q.dayID(ctx, kitchenID, date)
	if id == "" || err != nil || version < 2 {
		return none, err
	}
	b, _, err := dayHistory.at(ctx, q, kitchenID, id, version-1)
	return b, err
}

// DaysBooked is how many loaves stand in the books of some dates, both ends included.
func (q Queries) DaysBooked(ctx context.Context, kitchenID string, from, to kitchen.Date) (map[kitchen.Date]int,
	error) {
	type row struct {
		date   kitchen.Date
		loaves int
	}
	rows, err := q.q.QueryContext(ctx,
		`SELECT on_day, loaves FROM days WHERE kitchen_id = ? AND on_day BETWEEN ? AND ?`, kitchenID, from.String(),
		to.String())
	all, err := list(rows, err, func(scan func(...any) error) (r row, err error) {
		var day string
		if err := scan(&day, &r.loaves); err != nil {
			return r, err
		}
		r.date, err = kitchen.ParseDate(day)
		return r, err
	})
	out := map[kitchen.Date]int{}
	for _, r := range all {
		out[r.date] = r.loaves
	}
	return out, err
}
