package main

import (
	"context"
	"log/slog"
	"os"
	"strings"
	"time"

	"risepan/demo"
	"risepan/mariadb"
	"risepan/store"
)

// rooms are a running database with its store.
type rooms struct {
	db    *mariadb.Server
	store *store.Store
}

// withStore opens the data folder's database, runs f, and shuts the database down.
func withStore(ctx context.Context, log *slog.Logger, data string, f func(rooms) error) error {
	db, err := mariadb.Start(ctx, data, log)
	if err != nil {
		return err
	}
	defer db.Stop()
	s, err := store.Open(ctx, db.DSN())
	if err != nil {
		return err
	}
	defer s.Close()
	return f(rooms{db, s})
}

// firstKitchen makes the first kitchen where there is none: the demo, or an empty one.
func (h rooms) firstKitchen(ctx context.Context, empty bool, now time.Time) error {
	if k, err := h.store.Kitchens(ctx); err != nil || len(k) > 0 {
		return err
	}
	if empty {
		return demo.Empty(ctx, h.store, localZone(), now)
	}
	return demo.Fill(ctx, h.store, now)
}

// localZone is the name of this computer's zone: as TZ says, else as its settings do.
func localZone() string {
	link, _ := os.Readlink("/etc/localtime")
	_, linked, _ := strings.Cut(link, "/zoneinfo/")
	written, _ := os.ReadFile("/etc/timezone")
	for _, name := range []string{strings.TrimPrefix(os.Getenv("TZ"), ":"), linked,
		strings.TrimSpace(string(written))} {
		if _, err := time.LoadLocation(name); err == nil && name != "" && name != "Local" {
			return name
		}
	}
	return "UTC"
}

// prune forgets old keys of requests, now and every hour.
func prune(ctx context.Context, log *slog.Logger, s *store.Store) {
	for {
		if err := s.Prune(ctx, time.Now()); err != nil && ctx.Err() == nil {
			log.Warn("old keys are not forgotten", "error", err)
		}
		select {
		case <-ctx.Done():
			return
		case <-time.After(time.Hour):
		}
	}
}
