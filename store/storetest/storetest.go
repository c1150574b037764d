// Package storetest gives tests a throw-away MariaDB.
package storetest

import (
	"context"
	"database/sql"
	"fmt"
	"log/slog"
	"os"
	"sync/atomic"
	"testing"

	"github.com/go-sql-driver/mysql"

	"risepan/mariadb"
	"risepan/store"
)

var server *mariadb.Server

// Main runs a package's tests against a MariaDB of their own.
func Main(m *testing.M) {
	os.Exit(run(m))
}

func run(m *testing.M) int {
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
	s, err := store.Open(context.Background(), NewDSN(t))
	if err != nil {
		t.Fatal(err)
	}
	t.Cleanup(func() { s.Close() })
	return s
}
