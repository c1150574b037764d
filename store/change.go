package store

import (
	"context"
)

// Changed notes that something of a topic changed in a kitchen. It is told last in a transaction, for it holds the
// others that change the same.
func (q Queries) Changed(ctx context.Context, kitchenID, topic string) error {
	_, err := q.q.ExecContext(ctx,
		`INSERT INTO changes (id, kitchen_id, topic, number) VALUES (?, ?, ?, 1) ON DUPLICATE KEY UPDATE number =
			number + 1`, NewID(), kitchenID, topic)
	return err
}

// Changes is how often each topic of a kitchen changed.
func (q Queries) Changes(ctx context.Context, kitchenID string) (map[string]int, error) {
	rows, err := q.q.QueryContext(ctx, `SELECT topic, number FROM changes WHERE kitchen_id = ?`, kitchenID)
	type row struct {
		topic  string
		number int
	}
	all, err := list(rows, err, func(scan func(...any) error) (r row, err error) {
		return r,
			scan(&r.topic, &r.number)
	})
	out := map[string]int{}
	for _, r := range all {
		out[r.topic] = r.number
	}
	return out, err
}
