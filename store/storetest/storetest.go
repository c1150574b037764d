// Package storetest gives tests a throw-away MariaDB.
package storetest

import (
	"context"
	"database/sql"
	"fmt"
	"log/slog"
	"os"
	"path/filepath"
	"strings"
	"sync"
	"sync/atomic"
	"syscall"
	"testing"
	"time"

	"github.com/go-sql-driver/mysql"

	"risepan/mariadb"
	"risepan/store"
)

var server *mariadb.Server

// Main runs a package's tests against a MariaDB of their own.
func Main(m *testing.M) { os.Exit(Tests(m)) }

// Tests does so and returns the code to exit with.
func Tests(m *testing.M) int {
	dir, err := os.MkdirTemp("", "rise-pan-test")
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer os.RemoveAll(dir)
	server, err = mariadb.Start(context.Background(), dir, slog.New(slog.DiscardHandler))
	if err != nil {
		fmt.Fprintln(os.Stderr, err)
		return 1
	}
	defer server.Stop()
	return m.Run()
}

var count atomic.Int32

// NewDSN makes an empty database and returns the way to it.
func NewDSN(t testing.TB) string {
	t.Helper()
	name := fmt.Sprintf("risepan_test_%d", count.Add(1))
	db, err := sql.Open("mysql", server.DSN())
	if err != nil {
		t.Fatal(err)
	}
	defer db.Close()
	if _, err := db.Exec("CREATE DATABASE " + name); err != nil {
		t.Fatal(err)
	}
	c, err := mysql.ParseDSN(server.DSN())
	if err != nil {
		t.Fatal(err)
	}
	c.DBName = name
	return c.FormatDSN()
}

// Open is a store on an empty database, closed when the test ends.
func Open(t testing.TB) *store.Store {
	t.Helper()
	dsn := NewDSN(t)
	s, err := store.Open(context.Background(), dsn)
	if err != nil {
		t.Fatal(err)
	}
	dsns.Store(s, dsn)
	t.Cleanup(func() { s.Close() })
	return s
}

// Again is another store on the database of one that Open made, as after a restart.
func Again(t testing.TB, s *store.Store) *store.Store {
	t.Helper()
	dsn, _ := dsns.Load(s)
	again, err := store.Open(context.Background(), dsn.(string))
	if err != nil {
		t.Fatal(err)
	}
	dsns.Store(again, dsn)
	t.Cleanup(func() { again.Close() })
	return again
}

var dsns sync.Map // of the stores that Open made

// Run runs a statement on the database of a store that Open made, as no call of the program would.
func Run(t testing.TB, s *store.Store, query string, args ...any) {
	t.Helper()
	dsn, _ := dsns.Load(s)
	RunOn(t, dsn.(string), query, args...)
}

// RunOn runs a statement on a database.
func RunOn(t testing.TB, dsn, query string, args ...any) {
	t.Helper()
	db, err := sql.Open("mysql", dsn)
	if err != nil {
		t.Fatal(err)
	}
	defer db.Close()
	if _, err := db.Exec(query, args...); err != nil {
		t.Fatal(err)
	}
}

// Hold keeps a table of a store that Open made from everybody else until release is called, as a database
// that hangs would.
func Hold(t testing.TB, s *store.Store, table string) (release func()) {
	t.Helper()
	dsn, _ := dsns.Load(s)
	db, err := sql.Open("mysql", dsn.(string))
	if err != nil {
		t.Fatal(err)
	}
	db.SetMaxOpenConns(1) // the lock goes with its connection
	t.Cleanup(func() { db.Close() })
	if _, err := db.Exec("LOCK TABLES " + table + " WRITE"); err != nil {
		t.Fatal(err)
	}
	return func() { db.Close() }
}

// Freeze has the database hang, as one whose machine is out of breath, until wake is called.
func Freeze(t testing.TB) (wake func()) {
	t.Helper()
	if err := syscall.Kill(server.Pid(), syscall.SIGSTOP); err != nil {
		t.Fatal(err)
	}
	wake = func() { _ = syscall.Kill(server.Pid(), syscall.SIGCONT) }
	t.Cleanup(wake)
	for range 5000 { // a signal takes its time: a thread that still runs would answer
		if stopped(server.Pid()) {
			return wake
		}
		time.Sleep(time.Millisecond)
	}
	t.Fatal("the database does not stop within five seconds")
	return wake
}

// stopped reports whether every thread of a process has stopped.
func stopped(pid int) bool {
	states, err := filepath.Glob(fmt.Sprintf("/proc/%d/task/*/stat", pid))
	if err != nil || len(states) == 0 {
		return false
	}
	for _, path := range states {
		stat, err := os.ReadFile(path)
		if err != nil {
			return false
		}
		_, state, _ := strings.Cut(string(stat), ") ")
		if !strings.HasPrefix(state, "T") {
			return false
		}
	}
	return true
}

// Tables lists the tables of a store that Open made.
func Tables(t testing.TB, s *store.Store) []string {
	t.Helper()
	return names(t, s, `SELECT table_name FROM information_schema.tables WHERE table_schema = DATABASE()`)
}

func names(t testing.TB, s *store.Store, query string, args ...any) []string {
	t.Helper()
	dsn, _ := dsns.Load(s)
	db, err := sql.Open("mysql", dsn.(string))
	if err != nil {
		t.Fatal(err)
	}
	defer db.Close()
	rows, err := db.Query(query, args...)
	if err != nil {
		t.Fatal(err)
	}
	defer rows.Close()
	var out []string
	for rows.Next() {
		var name string
		if err := rows.Scan(&name); err != nil {
			t.Fatal(err)
		}
		out = append(out, name)
	}
	return out
}

// TablesWith lists the tables of a store that Open made that have a column.
func TablesWith(t testing.TB, s *store.Store, column string) []string {
	t.Helper()
	return names(t, s, `SELECT table_name FROM information_schema.columns WHERE table_schema = DATABASE() AND
		column_name = ?`, column)
}
