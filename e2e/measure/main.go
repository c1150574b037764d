// Measure prints how fast Rise Pan is, always beside something that is measured in the same run, so that
// a slow machine changes both: go run ./e2e/measure
package main

import (
	"context"
	"database/sql"
	"flag"
	"fmt"
	"log"
	"log/slog"
	"os"
	"path/filepath"
	"time"

	"risepan/demo"
	"risepan/mariadb"
	"risepan/store"
)

func main() {
	log.SetFlags(0)
	quick := flag.Bool("quick", false, "only the calls: without a hundred thousand bakes, twenty thousand recipes "+
		"and the browser")
	eyes := flag.Bool("eye", false, "only what the eye waits for: the first load, and a press on a size")
	lights := flag.Bool("lighthouse", false, "only Lighthouse's scores of Plan, the log and the recipes (npm "+
		"fetches it)")
	watches := flag.Duration("watch", 0, "only what 200 kitchens that watch a bake cost the server, for so long, "+
		"such as 10m")
	carries := flag.Bool("carry", false, "only a kitchen with a hundred thousand bakes into its file and back")
	flag.Parse()
	temp, err := os.MkdirTemp("", "rise-pan-measure")
	if err == nil {
		switch {
		case *watches > 0:
			err = watch(context.Background(), temp, *watches)
		case *carries:
			err = carry(context.Background(), temp)
		case *eyes:
			err = eye(context.Background(), temp)
		case *lights:
			err = scores(context.Background(), temp)
		default:
			err = run(temp, *quick)
		}
		os.RemoveAll(temp)
	}
	if err != nil {
		log.Fatal(err)
	}
}

// bench is a demo kitchen to measure in.
type bench struct {
	db      *sql.DB
	store   *store.Store
	kitchen string // its id
	recipe  store.RecipeOnShelf
	dsn     string // of its database
	machine string // an id
}

// open fills a database of its own with the demo kitchen. What it returns shuts it.
func open(ctx context.Context, temp string) (b *bench, shut func(), err error) {
	server, err := mariadb.Start(ctx, filepath.Join(temp, "data"), slog.New(slog.DiscardHandler))
	if err != nil {
		return nil, nil, err
	}
	b = &bench{dsn: server.DSN()}
	shut = func() {
		if b.db != nil {
			b.db.Close()
		}
		if b.store != nil {
			b.store.Close()
		}
		server.Stop()
	}
	if b.store, err = store.Open(ctx, b.dsn); err == nil {
		b.db, err = sql.Open("mysql", b.dsn)
	}
	if err == nil {
		err = demo.Fill(ctx, b.store, time.Now())
	}
	if err == nil {
		err = b.find(ctx)
	}
	if err != nil {
		shut()
	}
	return b, shut, err
}

func run(temp string, quick bool) error {
	ctx := context.Background()
	b, shut, err := open(ctx, temp)
	if err != nil {
		return err
	}
	defer shut()
	steps := []func(context.Context, *bench) error{plans, polls, manyBakes, logPages, taps}
	if quick {
		steps = []func(context.Context, *bench) error{plans, polls, taps}
	}
	for _, step := range steps {
		if err := step(ctx, b); err != nil {
			return err
		}
	}
	if quick {
		return nil
	}
	return shelves(ctx, temp)
}

func (b *bench) find(ctx context.Context) error {
	all, err := b.store.Kitchens(ctx)
	if err != nil {
		return err
	}
	b.kitchen = all[0].ID
	recipes, err := b.store.Shelf(ctx, b.kitchen, store.Search{Most: 9})
	if err != nil {
		return err
	}
	b.recipe = recipes[4] // a sweet loaf of ten lines
	machines, _, err := b.store.Machines(ctx, b.kitchen, false)
	b.machine = machines[0].ID
	return err
}

// row prints one comparison.
func row(what, a, b string, ratio float64, bound string) {
	fmt.Printf("%-58s %14s %14s %8.2f   %s\n", what, a, b, ratio, bound)
}

func ms(d time.Duration) string { return fmt.Sprintf("%.2f ms", float64(d.Microseconds())/1000) }
