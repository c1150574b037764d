package main

import (
	"context"
	"database/sql"
	"fmt"
	"os"
	"path/filepath"
	"runtime"
	"time"

	"github.com/go-sql-driver/mysql"

	"risepan/store"
)

// carry writes a kitchen with a hundred thousand bakes into its file and restores it into another database, and prints
// how long that takes and how much memory is held at the most.
func carry(ctx context.Context, temp string) error {
	b, shut, err := open(ctx, temp)
	if err != nil {
		return err
	}
	defer shut()
	g, err := b.asBake(ctx)
	if err != nil {
		return err
	}
	if err := b.copyBakes(ctx, g.ID); err != nil {
		return err
	}
	file, err := os.Create(filepath.Join(temp, "kitchen.json"))
	if err != nil {
		return err
	}
	defer file.Close()
	var count store.Count
	wrote, held, err := watched(func() (err error) {
		count, err = b.store.WriteKitchen(ctx, b.kitchen, file, time.Now())
		return err
	})
	if err != nil {
		return err
	}
	size, err := file.Seek(0, 2)
	if err != nil {
		return err
	}
	fmt.Printf("a kitchen with %d bakes: a file of %d MB, written in %.1f s, at the most %d MB held\n", count["bakes"],
		size>>20, wrote.Seconds(), held>>20)
	other, err := another(ctx, b.db, b.dsn)
	if err != nil {
		return err
	}
	defer other.Close()
	read, held, err := watched(func() error { _, _, err := other.ReadKitchen(ctx, file); return err })
	if err != nil {
		return err
	}
	fmt.Printf("restored in %.1f s, at the most %d MB held: %.1f times as long as writing (at most 3 wanted, and "+
		"under 50 MB)\n", read.Seconds(), held>>20, read.Seconds()/wrote.Seconds())
	return nil
}

// another is a store on an empty database of the same server.
func another(ctx context.Context, db *sql.DB, dsn string) (*store.Store, error) {
	c, err := mysql.ParseDSN(dsn)
	if err != nil {
		return nil, err
	}
	c.DBName += "_other"
	if _, err := db.ExecContext(ctx, "CREATE DATABASE "+c.DBName); err != nil {
		return nil, err
	}
	return store.Open(ctx, c.FormatDSN())
}

// watched runs f and tells how long it took, and the most memory of the heap that was in use, looked at every 20 ms.
func watched(f func() error) (took time.Duration, held uint64, err error) {
	runtime.GC()
	done := make(chan error)
	began := time.Now()
	go func() { done <- f() }()
	for {
		select {
		case err := <-done:
			return time.Since(began), held, err
		case <-time.After(20 * time.Millisecond):
			var m runtime.MemStats
			runtime.ReadMemStats(&m)
			held = max(held, m.HeapInuse)
		}
	}
}
