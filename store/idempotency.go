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

// Answer is what a creating call answered.
type Answer struct {
	Status int
	Body   string
}

// Once runs f in one transaction and keeps its answer under the key, so that the same call sent
// again gets the same answer and does nothing. The same key with another body is ErrKeyReused.
func (s *Store) Once(ctx context.Context, kitchenID, key string, body []byte, at time.Time, f func(Queries) (Answer, error)) (Answer, error) {
	hash := sha256.Sum256(body)
	var out Answer
	run := func(q Queries) error {
		kept, err := q.answer(ctx, kitchenID, key, hash[:])
		if !errors.Is(err, ErrNotFound) {
			out = kept
			return err
		}
		if out, err = f(q); err != nil {
			return err
		}
		_, err = q.q.ExecContext(ctx, `INSERT INTO idempotency (id, kitchen_id, name, body_hash, status, response, created_at) VALUES (?, ?, ?, ?, ?, ?, ?)`,
			NewID(), kitchenID, key, hash[:], out.Status, out.Body, at.UTC())
		return err
	}
	err := s.Do(ctx, run)
	if duplicate(err) { // the same call, sent twice at once: the other one was first
		err = s.Do(ctx, run)
	}
	return out, err
}

func (q Queries) answer(ctx context.Context, kitchenID, key string, hash []byte) (a Answer, err error) {
	var before []byte
	err = q.q.QueryRowContext(ctx, `SELECT body_hash, status, response FROM idempotency WHERE kitchen_id = ? AND name = ?`, kitchenID, key).
		Scan(&before, &a.Status, &a.Body)
	if err != nil {
		return a, found(err)
	}
	if !bytes.Equal(before, hash) {
		return Answer{}, ErrKeyReused
	}
	return a, nil
}
