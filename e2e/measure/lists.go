package main

import (
	"bytes"
	"compress/gzip"
	"context"
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"net/http/httptest"
	"os"
	"path/filepath"
	"time"

	"risepan/api"
	"risepan/e2e/drive"
	"risepan/store"
)

// unpack is what was packed for the way, or what was not.
func unpack(b []byte) []byte {
	r, err := gzip.NewReader(bytes.NewReader(b))
	if err != nil {
		return b
	}
	out, err := io.ReadAll(r)
	if err != nil {
		return b
	}
	return out
}

const bakes = 100_000

// manyBakes measures a plan of a kind that was never baked with no further bakes, then with a hundred
// thousand of another kind.
func manyBakes(ctx context.Context, b *bench) error {
	real := httptest.NewServer(api.New(b.config()))
	defer real.Close()
	wish := b.wish()
	recipes, err := b.store.Shelf(ctx, b.kitchen, store.Search{Most: 9})
	if err != nil {
		return err
	}
	for _, r := range recipes {
		if r.Kind == "crusty" { // the demo has never baked it
			wish.RecipeID = r.ID
		}
	}
	body, err := json.Marshal(wish)
	if err != nil {
		return err
	}
	plan := func() error {
		r, err := http.Post(real.URL+"/api/v1/kitchens/"+b.kitchen+"/plan", "application/json", bytes.NewReader(body))
		if err != nil {
			return err
		}
		defer r.Body.Close()
		if r.StatusCode != 200 {
			return fmt.Errorf("a plan: %d", r.StatusCode)
		}
		_, err = io.Copy(io.Discard, r.Body)
		return err
	}
	few, err := median(200, plan)
	if err != nil {
		return err
	}
	g, err := b.asBake(ctx)
	if err != nil {
		return err
	}
	if err := b.copyBakes(ctx, g.ID); err != nil {
		return err
	}
	many, err := median(200, plan)
	row("a plan of a kind never baked: 100,000 bakes / ten", ms(many), ms(few), float64(many)/float64(few),
		"at most 1.3")
	return err
}

// copyBakes copies a bake a hundred thousand times, a minute apart.
func (b *bench) copyBakes(ctx context.Context, id string) error {
	conn, err := b.db.Conn(ctx)
	if err != nil {
		return err
	}
	defer conn.Close()
	columns := `recipe_id, recipe_version, machine_id, machine_version, kitchen_version, wished_wall, wished_zone,
		wished_at, put_away, recipe, machine, kind, size,
		cycle_id, cycle_panel, cycle_name, begins_at, ready_at, warm_until, ended_at, gave_up, mark, note, moments,
			hydration, salt, yeast, sugar, fat, powder, liked, crust, verdict, flour, sure, ball, doses, used, shape,
			plan`
	for _, q := range []string{
		`SET SESSION foreign_key_checks = 0`,
		fmt.Sprintf(`CREATE TEMPORARY TABLE made (id UUID NOT NULL PRIMARY KEY, n INT NOT NULL) SELECT UUID() AS id,
			seq AS n FROM seq_1_to_%d`, bakes),
		`INSERT INTO journals (id, kitchen_id, newest) SELECT id, '` + b.kitchen + `', 0 FROM made`,
		`INSERT INTO bakes (id, kitchen_id, started_at, ` + columns +
			`) SELECT made.id, kitchen_id, DATE_SUB(started_at, INTERVAL n MINUTE), ` + columns +
			` FROM made, bakes WHERE bakes.id = '` + id + `'`,
		`ANALYZE TABLE bakes`,
	} {
		if _, err := conn.ExecContext(ctx, q); err != nil {
			return fmt.Errorf("%.60s: %w", q, err)
		}
	}
	return nil
}

// logPages measures the log's first page and a deep one against the plain SQL for the same columns.
func logPages(ctx context.Context, b *bench) error {
	real := httptest.NewServer(api.New(b.config()))
	defer real.Close()
	at := real.URL + "/api/v1/kitchens/" + b.kitchen + "/bakes"
	page := func(url string) (next string, err error) {
		r, err := http.Get(url)
		if err != nil {
			return "", err
		}
		defer r.Body.Close()
		var log struct{ Next string }
		if err := json.NewDecoder(r.Body).Decode(&log); err != nil || r.StatusCode != 200 {
			return "", fmt.Errorf("a page of the log: %d (%v)", r.StatusCode, err)
		}
		return log.Next, nil
	}
	deep := ""
	for range 600 {
		next, err := page(at + "?before=" + deep)
		if err != nil {
			return err
		}
		deep = next
	}
	for _, p := range []struct{ name, url, where string }{
		{"the log's first page / plain SQL, p95", at, ""},
		{"the log's 601st page / plain SQL, p95", at + "?before=" + deep, "AND started_at < '" + deep[:19] + "'"},
	} {
		full, err := quantile(200, 0.95, func() error { _, err := page(p.url); return err })
		if err != nil {
			return err
		}
		plain, err := quantile(200, 0.95, func() error {
			rows, err := b.db.QueryContext(ctx, `SELECT id, recipe_id, recipe_version, recipe, kind, machine,
				machine_id, size, cycle_id, cycle_panel, cycle_name, crust, started_at, begins_at, ready_at,
				warm_until, ended_at, gave_up, verdict, photo, rehearsed, flour, hydration, salt, yeast, sugar, fat,
					sure, doses, moments FROM bakes FORCE INDEX (bakes_newest) WHERE kitchen_id = '`+b.kitchen+`' AND put_away = FALSE `+p.where+` ORDER BY started_at DESC, id DESC LIMIT 51`)
			if err != nil {
				return err
			}
			defer rows.Close()
			for rows.Next() {
			}
			return rows.Err()
		})
		if err != nil {
			return err
		}
		row(p.name, ms(full), ms(plain), float64(full)/float64(plain), "at most 1.5, or 5 ms more")
	}
	return nil
}

const recipes = 20_000

// shelves measures the shelf and Plan's first paint with twenty thousand recipes against nine.
func shelves(ctx context.Context, temp string) error {
	if _, err := os.Stat(filepath.Join(drive.Root(), "ui", "dist", "index.html")); err != nil {
		return fmt.Errorf("the front end is not built: run ./start once")
	}
	program, err := drive.Build(temp)
	if err != nil {
		return err
	}
	s, err := drive.Serve(ctx, program, filepath.Join(temp, "shelf"))
	if err != nil {
		return err
	}
	defer s.Stop()
	at, err := s.Kitchen()
	if err != nil {
		return err
	}
	browser, cancel, err := drive.Browser(ctx)
	if err != nil {
		return err
	}
	defer cancel()
	read := func() (shelf, paint time.Duration, err error) {
		shelf, err = median(60, func() error {
			r, err := http.Get(at)
			if err != nil {
				return err
			}
			defer r.Body.Close()
			_, err = io.Copy(io.Discard, r.Body)
			return err
		})
		if err != nil {
			return 0, 0, err
		}
		own, forget := drive.Device(browser, fatal{})
		defer forget()
		p := drive.Open(own, fatal{}, s.URL, 1280, 800)
		defer p.Close()
		paint, err = median(15, func() error {
			p.Go(s.URL)
			p.Until("the amounts", "document.querySelector('[data-amount]')")
			return nil
		})
		return shelf, paint, err
	}
	shelfFew, paintFew, err := read()
	if err != nil {
		return err
	}
	if err := copyRecipes(at); err != nil {
		return err
	}
	shelfMany, paintMany, err := read()
	row("the shelf: 20,000 recipes / nine", ms(shelfMany), ms(shelfFew), float64(shelfMany)/float64(shelfFew),
		"at most 1.5")
	row("Plan to its first amounts: 20,000 recipes / nine", ms(paintMany), ms(paintFew),
		float64(paintMany)/float64(paintFew), "at most 1.5")
	return err
}

// copyRecipes writes twenty thousand recipes as a baker would, but faster.
func copyRecipes(at string) error {
	for n := range recipes {
		body := fmt.Sprintf(`{"name":"Loaf %05d","kind":"white","standard":"us","text":"1 cup water\n3 cups bread flour\n1 1/2 tsp salt\n2 tsp instant yeast"}`, n)
		r, err := http.NewRequest("POST", at+"/recipes", bytes.NewReader([]byte(body)))
		if err != nil {
			return err
		}
		r.Header.Set("Idempotency-Key", fmt.Sprint("copy", n))
		w, err := http.DefaultClient.Do(r)
		if err != nil {
			return err
		}
		io.Copy(io.Discard, w.Body)
		w.Body.Close()
		if w.StatusCode != http.StatusCreated {
			return fmt.Errorf("recipe %d: %d", n, w.StatusCode)
		}
	}
	return nil
}

// fatal reports a failure by ending the program.
type fatal struct{}

func (fatal) Helper()                           {}
func (fatal) Fatalf(format string, args ...any) { panic(fmt.Sprintf(format, args...)) }
