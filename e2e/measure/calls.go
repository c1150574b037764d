package main

import (
	"bytes"
	"context"
	"fmt"
	"io"
	"log/slog"
	"net/http"
	"net/http/httptest"
	"slices"
	"sync"
	"sync/atomic"
	"testing/fstest"
	"time"

	"encoding/json"

	"risepan/api"
	"risepan/core/bake"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/demo"
	"risepan/store"
	"risepan/usecase"
)

const (
	clients = 4
	lasting = time.Second // of one reading
	rounds  = 9           // of two readings by turns
)

func (b *bench) config() api.Config {
	base := usecase.Base{Store: b.store, Log: slog.New(slog.DiscardHandler), FillDemo: demo.Furnish, Samples: demo.Samples()}
	return api.Config{Base: base, Pages: fstest.MapFS{}, Now: time.Now}
}

func (b *bench) wish() plan.Wish {
	return plan.Wish{RecipeID: b.recipe.ID, MachineID: b.machine, LoafWish: plan.LoafWish{Size: measure.LoafPounds(2, 1)}}
}

// call is a request to measure.
type call struct {
	method, url string
	body        []byte
	header      http.Header
}

func (c call) send(client *http.Client) (status int, answer []byte, err error) {
	r, err := http.NewRequest(c.method, c.url, bytes.NewReader(c.body))
	if err != nil {
		return 0, nil, err
	}
	if c.header != nil {
		r.Header = c.header.Clone()
	}
	r.Header.Set("Accept-Encoding", "gzip") // so that the client leaves it packed
	w, err := client.Do(r)
	if err != nil {
		return 0, nil, err
	}
	defer w.Body.Close()
	answer, err = io.ReadAll(w.Body)
	return w.StatusCode, answer, err
}

// perSecond sends a call over and over by several clients at once.
func perSecond(c call, want int) (float64, error) {
	client := &http.Client{Transport: &http.Transport{MaxIdleConnsPerHost: clients, DisableCompression: true}}
	var n atomic.Int64
	var wg sync.WaitGroup
	errs := make([]error, clients)
	began := time.Now()
	for k := range clients {
		wg.Go(func() {
			for time.Since(began) < lasting {
				status, answer, err := c.send(client)
				if err != nil || status != want {
					errs[k] = fmt.Errorf("%s %s: %d %.200s (%v)", c.method, c.url, status, answer, err)
					return
				}
				n.Add(1)
			}
		})
	}
	wg.Wait()
	for _, err := range errs {
		if err != nil {
			return 0, err
		}
	}
	return float64(n.Load()) / time.Since(began).Seconds(), nil
}

// against measures two calls by turns, and prints the medians of each and of the turns' ratios: what presses on the
// machine presses on both of a turn.
func against(what string, a, b call, wantA, wantB int, bound string) error {
	var as, bs, ratios []float64
	for range rounds {
		x, err := perSecond(a, wantA)
		if err != nil {
			return err
		}
		y, err := perSecond(b, wantB)
		if err != nil {
			return err
		}
		as, bs, ratios = append(as, x), append(bs, y), append(ratios, x/y)
	}
	for _, all := range [][]float64{as, bs, ratios} {
		slices.Sort(all)
	}
	middle := rounds / 2
	row(what, fmt.Sprintf("%.0f /s", as[middle]), fmt.Sprintf("%.0f /s", bs[middle]), ratios[middle],
		fmt.Sprintf("%s; its %d turns %.2f to %.2f", bound, rounds, ratios[0], ratios[rounds-1]))
	return nil
}

// plans measures POST plan against a bare handler of the same bytes with the same middleware.
func plans(_ context.Context, b *bench) error {
	real := httptest.NewServer(api.New(b.config()))
	defer real.Close()
	body, err := json.Marshal(b.wish())
	if err != nil {
		return err
	}
	c := call{"POST", real.URL + "/api/v1/kitchens/" + b.kitchen + "/plan", body, nil}
	r, err := http.Post(c.url, "application/json", bytes.NewReader(body))
	if err != nil {
		return err
	}
	answer, err := io.ReadAll(r.Body)
	r.Body.Close()
	if err != nil || r.StatusCode != 200 {
		return fmt.Errorf("a plan: %d %s (%v)", r.StatusCode, answer, err)
	}
	bare := httptest.NewServer(api.NewBare(b.config(), answer))
	defer bare.Close()
	fmt.Printf("%-58s %14s %14s %8s\n", "what", "A", "B", "A / B")
	return against(fmt.Sprintf("POST plan (%d bytes) / a bare handler, 4 clients", len(answer)),
		c, call{"POST", bare.URL + "/plan", body, nil}, 200, 200, "at least 0.35, 0.5 aimed at")
}

// polls measures the 304 of a watch poll against a bare handler that returns the whole view.
func polls(ctx context.Context, b *bench) error {
	real := httptest.NewServer(api.New(b.config()))
	defer real.Close()
	glances, err := b.store.Glances(ctx, b.kitchen, store.Page{Most: 1})
	if err != nil {
		return err
	}
	url := real.URL + "/api/v1/kitchens/" + b.kitchen + "/bakes/" + glances[0].ID
	r, err := http.Get(url)
	if err != nil {
		return err
	}
	view, err := io.ReadAll(r.Body)
	r.Body.Close()
	if err != nil {
		return err
	}
	newest, err := b.store.Newest(ctx, b.kitchen, glances[0].ID)
	if err != nil {
		return err
	}
	bare := httptest.NewServer(api.NewBare(b.config(), view))
	defer bare.Close()
	return against(fmt.Sprintf("304 of a watch poll / a bare handler of the view (%d bytes)", len(view)),
		call{"GET", fmt.Sprintf("%s?after=%d", url, newest), nil, nil}, call{"GET", bare.URL + "/bake", nil, nil}, 304,
		200, "at least 1.5")
}

// taps counts the statements and bytes of one tap at the bench, one plan and one page of the log.
func taps(ctx context.Context, b *bench) error {
	real := httptest.NewServer(api.New(b.config()))
	defer real.Close()
	at := real.URL + "/api/v1/kitchens/" + b.kitchen
	wish, err := json.Marshal(b.wish())
	if err != nil {
		return err
	}
	keyed := func(key string) http.Header { return http.Header{"Idempotency-Key": {key}} }
	client := http.DefaultClient
	_, made, err := call{"POST", at + "/benches", wish,
		keyed("bench")}.send(&http.Client{Transport: &http.Transport{DisableCompression: true}})
	if err != nil {
		return err
	}
	made = unpack(made)
	var view struct{ ID string }
	if err := json.Unmarshal(made, &view); err != nil {
		return err
	}
	fmt.Printf("\n%-44s %12s %12s\n", "one call", "statements", "bytes")
	for _, one := range []struct {
		name string
		call call
	}{
		{"a plan", call{"POST", at + "/plan", wish, nil}},
		// nothing has happened there yet
		{"a poll that tells nothing new", call{"GET", at + "/benches/" + view.ID + "?after=0", nil, nil}},
		{"a tap at the bench", call{"POST", at + "/benches/" + view.ID + "/happenings",
			[]byte(`{"do":"done","step":"tools"}`), keyed("tap")}},
		{"a page of the log", call{"GET", at + "/bakes", nil, nil}},
	} {
		before, err := b.statements(ctx)
		if err != nil {
			return err
		}
		_, answer, err := one.call.send(client)
		if err != nil {
			return err
		}
		after, err := b.statements(ctx)
		if err != nil {
			return err
		}
		fmt.Printf("%-44s %12d %12d\n", one.name, after-before-1, len(unpack(answer)))
	}
	return nil
}

// statements is how many the database has answered so far.
func (b *bench) statements(ctx context.Context) (n int, err error) {
	var name string
	err = b.db.QueryRowContext(ctx, `SHOW GLOBAL STATUS LIKE 'Questions'`).Scan(&name, &n)
	return n, err
}

// median is the middle of the times that f takes.
func median(n int, f func() error) (time.Duration, error) { return quantile(n, 0.5, f) }

// quantile is how long the given share of n runs takes at the most.
func quantile(n int, share float64, f func() error) (time.Duration, error) {
	var took []time.Duration
	for range n {
		began := time.Now()
		if err := f(); err != nil {
			return 0, err
		}
		took = append(took, time.Since(began))
	}
	slices.Sort(took)
	return took[int(share*float64(n))], nil
}

// asBake is where a bake that is copied comes from.
func (b *bench) asBake(ctx context.Context) (store.Glance, error) {
	g, err := b.store.Glances(ctx, b.kitchen, store.Page{Most: 1})
	if err != nil {
		return store.Glance{}, err
	}
	if g[0].Clock.Phase(time.Now()) != bake.Out {
		return g[0], fmt.Errorf("the bake to copy has not ended")
	}
	return g[0], nil
}
