package store

import (
	"bytes"
	"context"
	"crypto/sha256"
	"errors"
	"time"
)

// ErrKeyReused is returned when an Idempotency-Key comes again with another body.
var ErrKeyReused = errors.New("this Idempotency-Key was used with another body")

// Made is what a creating call has made: the answer's status, and a reference from which the answer can
// be made again. Answers themselves are not kept, so one that is given again carries no old time.
type Made struct {
	Status int
	Ref    string
}

// Once runs f in one transaction and keeps what it made under the key, so that the same call sent again
// does nothing and is answered of the same. The same key with another body is ErrKeyReused.
func (s *Store) Once(ctx context.Context, kitchenID, key string, body []byte, at time.Time, f func(Queries) (Made,
	error)) (Made, error) {
	hash := sha256.Sum256(body)
	var out Made
	run := func(q Queries) error {
		before, err := q.made(ctx, kitchenID, key, hash[:])
		if !errors.Is(err, ErrNotFound) {
			out = before
			return err
		}
		if out, err = f(q); err != nil {
			return err
		}
		_, err = q.q.ExecContext(ctx,
			`INSERT INTO idempotency (id, kitchen_id, name, body_hash, status, ref, created_at) VALUES (?, ?, ?, ?, ?,
				?, ?)`,
			NewID(), kitchenID, key, hash[:], out.Status, out.Ref, at.UTC())
		return err
	}
	err := s.Do(ctx, run)
	if duplicate(err) { // the same call, sent twice at once: the other one was first
		err = s.Do(ctx, run)
	}
	return out, err
}

func (q Queries) made(ctx context.Context, kitchenID, key string, hash []byte) (m Made, err error) {
	var before []byte
	err = q.q.QueryRowContext(ctx, `SELECT body_hash, status, ref FROM idempotency WHERE kitchen_id = ? AND name = ?`,
		kitchenID, key).
		Scan(&before, &m.Status, &m.Ref)
	if err != nil {
		return m, found(err)
	}
	if !bytes.Equal(before, hash) {
		return Made{}, ErrKeyReused
	}
	return m, nil
}

// WasMade reports whether a call under a key has made something in a kitchen.
func (q Queries) WasMade(ctx context.Context, kitchenID, key string) (was bool, err error) {
	err = q.q.QueryRowContext(ctx, `SELECT EXISTS (SELECT 1 FROM idempotency WHERE kitchen_id = ? AND name = ?)`,
		kitchenID, key).Scan(&was)
	return was, err
}

// KeysKeep is how long a call can be sent again and is still told from a new one.
const KeysKeep = 48 * time.Hour

// Prune forgets what has served its time: keys of calls, sessions that ended, codes, and tries. It goes by a
// thousand rows so that nobody waits for it.
func (q Queries) Prune(ctx context.Context, now time.Time) error {
	for _, old := range []struct {
		query  string
		before time.Time
	}{
		{`DELETE FROM idempotency WHERE created_at < ? ORDER BY created_at LIMIT 1000`, now.Add(-KeysKeep)},
		{`DELETE FROM sessions WHERE ends_at < ? ORDER BY ends_at LIMIT 1000`, now},
		{`DELETE FROM pairings WHERE ends_at < ? LIMIT 1000`, now},
		{`DELETE FROM tries WHERE began < ? ORDER BY began LIMIT 1000`, now.Add(-24 * time.Hour)},
	} {
		for {
			r, err := q.q.ExecContext(ctx, old.query, old.before.UTC())
			if err != nil {
				return err
			}
			if n, err := r.RowsAffected(); err != nil || n < 1000 {
				if err != nil {
					return err
				}
				break
			}
		}
	}
	return nil
}
