// Package store keeps a kitchen's things in MariaDB: its machines, recipes with their revisions,
// bakes and what happened in them.
package store

import (
	"context"
	"database/sql"
	"embed"
	"errors"
	"fmt"
	"io/fs"
	"log/slog"
	"time"

	"github.com/go-sql-driver/mysql"
	"github.com/google/uuid"
	"github.com/pressly/goose/v3"
	"github.com/pressly/goose/v3/lock"
)

// ErrNotFound is returned for a thing that this kitchen does not have.
var ErrNotFound = errors.New("not found")

//go:embed migrations/*.sql
var migrations embed.FS

// Queries reads and writes, inside a transaction or outside.
type Queries struct {
	q interface {
		ExecContext(context.Context, string, ...any) (sql.Result, error)
		QueryContext(context.Context, string, ...any) (*sql.Rows, error)
		QueryRowContext(context.Context, string, ...any) *sql.Row
		PrepareContext(context.Context, string) (*sql.Stmt, error)
	}
	inTransaction bool
	read          *readVersions
}

// Store is the record book.
type Store struct {
	Queries
	db *sql.DB
}

// Open connects to the database and brings its tables up to date. Several processes may do so at
// the same moment.
func Open(ctx context.Context, dsn string) (*Store, error) {
	db, err := sql.Open("mysql", dsn)
	if err != nil {
		return nil, err
	}
	db.SetMaxOpenConns(16)
	db.SetMaxIdleConns(8)
	db.SetConnMaxLifetime(5 * time.Minute)
	if err := migrate(ctx, db); err != nil {
		db.Close()
		if errors.Is(err, ErrNewer) {
			return nil, err
		}
		return nil, fmt.Errorf("the database's tables cannot be brought up to date: %w", err)
	}
	s := &Store{Queries{q: db, read: &readVersions{}}, db}
	if err := s.knownShapes(ctx); err != nil {
		db.Close()
		return nil, err
	}
	return s, nil
}

// ErrOlder is returned for a database whose tables are older than this program's.
var ErrOlder = errors.New("the Rise Pan that is running there is older than this program: stop it, start this one, " +
	"and try again")

// Visit connects to a database that another process serves, and changes none of its tables.
func Visit(ctx context.Context, dsn string) (*Store, error) {
	db, err := sql.Open("mysql", dsn)
	if err != nil {
		return nil, err
	}
	s := &Store{Queries{q: db, read: &readVersions{}}, db}
	have, err := s.tablesVersion(ctx)
	if err == nil {
		entries, _ := fs.Glob(migrations, "migrations/*.sql")
		switch want := len(entries); {
		case have > want:
			err = fmt.Errorf("%w (its tables are at %d, and this program knows %d)", ErrNewer, have, want)
		case have < want:
			err = ErrOlder
		}
	}
	if err != nil {
		db.Close()
		return nil, err
	}
	return s, nil
}

func migrate(ctx context.Context, db *sql.DB) error {
	files, err := fs.Sub(migrations, "migrations")
	if err != nil {
		return err
	}
	quiet := slog.New(slog.DiscardHandler)
	locker, err := lock.NewMySQLTableLocker(lock.WithTableLogger(quiet),
		lock.WithTableLockTimeout(200*time.Millisecond, 300))
	if err != nil {
		return err
	}
	p, err := goose.NewProvider(goose.DialectMySQL, db, files, goose.WithLocker(locker), goose.WithSlog(quiet))
	if err != nil {
		return err
	}
	if have, want, err := p.GetVersions(ctx); err == nil && have > want {
		return fmt.Errorf("%w (its tables are at %d, and this program knows %d)", ErrNewer, have, want)
	}
	if behind, err := p.HasPending(ctx); err == nil && !behind {
		return nil
	}
	_, err = p.Up(ctx)
	return err
}

func (s *Store) Close() error { return s.db.Close() }

// DB is the connection pool, for its figures.
func (s *Store) DB() *sql.DB { return s.db }

// Ping reports whether the database answers.
func (s *Store) Ping(ctx context.Context) error { return s.db.PingContext(ctx) }

// retries is how often a transaction that lost a conflict is tried in all.
const retries = 5

// Do runs f in one transaction, whole or not at all. One that loses a deadlock, or a conflict at
// COMMIT, is run again from its beginning.
func (s *Store) Do(ctx context.Context, f func(Queries) error) error {
	var err error
	for range retries {
		if err = s.once(ctx, f); !conflict(err) {
			return err
		}
	}
	return err
}

func (s *Store) once(ctx context.Context, f func(Queries) error) error {
	tx, err := s.db.BeginTx(ctx, &sql.TxOptions{Isolation: sql.LevelReadCommitted})
	if err != nil {
		return err
	}
	defer tx.Rollback()
	if err := f(Queries{tx, true, s.read}); err != nil {
		return err
	}
	return tx.Commit()
}

const (
	errLockWait  = 1205
	errDeadlock  = 1213
	errChanged   = 1020 // record has changed since last read
	errDuplicate = 1062
)

func conflict(err error) bool {
	var e *mysql.MySQLError
	return errors.As(err, &e) && (e.Number == errDeadlock || e.Number == errLockWait || e.Number == errChanged)
}

func duplicate(err error) bool {
	var e *mysql.MySQLError
	return errors.As(err, &e) && e.Number == errDuplicate
}

// NewID makes a key: a UUIDv7, so that keys rise with time.
func NewID() string { return uuid.Must(uuid.NewV7()).String() }

// ValidID reports whether id can be a key.
func ValidID(id string) bool {
	_, err := uuid.Parse(id)
	return err == nil && len(id) == 36
}

// list reads all rows of a query, each by scan.
func list[T any](rows *sql.Rows, err error, scan func(func(...any) error) (T, error)) ([]T, error) {
	if err != nil {
		return nil, err
	}
	defer rows.Close()
	out := []T{}
	for rows.Next() {
		v, err := scan(rows.Scan)
		if err != nil {
			return nil, err
		}
		out = append(out, v)
	}
	return out, rows.Err()
}

func found(err error) error {
	if errors.Is(err, sql.ErrNoRows) {
		return ErrNotFound
	}
	return err
}
