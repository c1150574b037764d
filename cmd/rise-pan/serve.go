package main

import (
	"context"
	"errors"
	"fmt"
	"log/slog"
	"net"
	"net/http"
	"os"
	"strconv"
	"strings"
	"syscall"
	"time"

	"risepan/api"
	"risepan/demo"
	"risepan/mariadb"
	"risepan/store"
	"risepan/ui"
)

// house is a running database with its store.
type house struct {
	db    *mariadb.Server
	store *store.Store
}

// withStore opens the data folder's database, runs f, and shuts the database down.
func withStore(ctx context.Context, log *slog.Logger, data string, f func(house) error) error {
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
	return f(house{db, s})
}

// firstKitchen makes the first kitchen where there is none: the demo, or an empty one.
func (h house) firstKitchen(ctx context.Context, empty bool, now time.Time) error {
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
	for _, name := range []string{strings.TrimPrefix(os.Getenv("TZ"), ":"), linked, strings.TrimSpace(string(written))} {
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

func serve(ctx context.Context, log *slog.Logger, data string, port int, empty bool, now func() time.Time) error {
	began := time.Now()
	address := net.JoinHostPort("127.0.0.1", strconv.Itoa(port))
	listener, err := net.Listen("tcp", address)
	if errors.Is(err, syscall.EADDRINUSE) {
		return fmt.Errorf("port %d is in use: choose another with --port", port)
	}
	if err != nil {
		return fmt.Errorf("cannot listen on %s: %w", address, err)
	}
	defer listener.Close()
	return withStore(ctx, log, data, func(h house) error {
		if err := h.firstKitchen(ctx, empty, now()); err != nil {
			return err
		}
		server := &http.Server{
			Handler:           api.New(api.Config{Store: h.store, Pages: ui.Pages(), Now: now, Log: log, FillDemo: demo.Furnish}),
			ReadHeaderTimeout: 10 * time.Second, ReadTimeout: 30 * time.Second, IdleTimeout: 2 * time.Minute,
		}
		go prune(ctx, log, h.store)
		done := make(chan error, 1)
		go func() { done <- server.Serve(listener) }()
		fmt.Printf("Rise Pan is ready at http://%s (after %.1f s). Ctrl-C stops it.\n", listener.Addr(), time.Since(began).Seconds())
		select {
		case err := <-done:
			return err
		case <-ctx.Done():
		}
		fmt.Println("Stopping ...")
		patience, cancel := context.WithTimeout(context.Background(), 5*time.Second)
		defer cancel()
		return server.Shutdown(patience)
	})
}
