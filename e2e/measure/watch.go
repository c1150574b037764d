package main

import (
	"context"
	"fmt"
	"log/slog"
	"math/rand/v2"
	"net/http"
	"os"
	"path/filepath"
	"strconv"
	"strings"
	"sync"
	"sync/atomic"
	"time"

	"risepan/core/kitchen"
	"risepan/core/plan"
	"risepan/demo"
	"risepan/e2e/drive"
	"risepan/mariadb"
	"risepan/store"
)

const (
	watchers   = 200
	everyWatch = 2 * time.Second  // a bake is asked for
	everyStrip = 10 * time.Second // and what else runs
	ticks      = 100              // of the kernel's clock, in a second
)

// watch lets two hundred kitchens watch a bake each, and prints what that costs the server.
func watch(ctx context.Context, temp string, lasts time.Duration) error {
	data := filepath.Join(temp, "data")
	urls, err := kitchens(ctx, data)
	if err != nil {
		return err
	}
	program, err := drive.Build(temp)
	if err != nil {
		return err
	}
	s, err := drive.Serve(ctx, program, data)
	if err != nil {
		return err
	}
	defer s.Stop()
	pid := s.PID()
	ctx, cancel := context.WithTimeout(ctx, lasts)
	defer cancel()
	var asked, failed atomic.Int64
	var wg sync.WaitGroup
	for _, u := range urls {
		wg.Go(func() { poll(ctx, s.URL, u, &asked, &failed) })
	}
	began, used, err := time.Now(), 0.0, error(nil)
	if used, err = processor(pid); err != nil {
		return err
	}
	fmt.Printf("%d kitchens, a bake each, asked for every %s; %s in all\n", watchers, everyWatch, lasts)
	for minute := 1; ctx.Err() == nil; minute++ {
		select {
		case <-ctx.Done():
		case <-time.After(time.Minute):
		}
		now, err := processor(pid)
		if err != nil {
			return err
		}
		memory, err := resident(pid)
		if err != nil {
			return err
		}
		fmt.Printf("minute %2d: %5.1f %% of one core, %6.1f MB, %d answers, %d failed\n", minute,
			100*(now-used)/time.Since(began).Seconds(), memory, asked.Load(), failed.Load())
		began, used = time.Now(), now
	}
	wg.Wait()
	return nil
}

// kitchens makes the kitchens with a running bake each, and gives the addresses to poll, below the server's own.
func kitchens(ctx context.Context, data string) ([]string, error) {
	server, err := mariadb.Start(ctx, data, slog.New(slog.DiscardHandler))
	if err != nil {
		return nil, err
	}
	defer server.Stop()
	st, err := store.Open(ctx, server.DSN())
	if err != nil {
		return nil, err
	}
	defer st.Close()
	now := time.Now().UTC()
	var urls []string
	for n := range watchers {
		err := st.Do(ctx, func(q store.Queries) error {
			k := kitchen.New(fmt.Sprintf("Kitchen %d", n+1), "UTC")
			id, err := q.AddKitchen(ctx, k, now)
			if err != nil {
				return err
			}
			m, r := demo.Galley(), demo.Recipes()[n%8]
			machineID, err := q.AddMachine(ctx, id, m, now)
			if err != nil {
				return err
			}
			kept, err := q.AddRecipe(ctx, id, r, true, now)
			if err != nil {
				return err
			}
			p, err := plan.Make(plan.Place{Kitchen: k, Zone: time.UTC, Recipe: r, Machine: m, Now: now},
				plan.Wish{LoafWish: plan.LoafWish{Size: r.Size}, Timing: plan.Timing{AtPanel: true}})
			if err != nil {
				return err
			}
			bakeID, err := q.StartBake(ctx, id, store.Bake{Pins: store.Pins{RecipeID: kept.ID, Revision: 1,
				MachineID: machineID, Machine: 1, Kitchen: 1}, Plan: p, StartedAt: now}, store.Wished{Zone: "UTC"})
			urls = append(urls, "/api/v1/kitchens/"+id+"/bakes/"+bakeID)
			return err
		})
		if err != nil {
			return nil, err
		}
	}
	return urls, nil
}

// poll asks for one bake as a page does: whole, then whether anything happened, and for the strip of what runs.
func poll(ctx context.Context, server, bakeURL string, asked, failed *atomic.Int64) {
	client := &http.Client{}
	get := func(url string, want int) {
		r, err := http.NewRequestWithContext(ctx, "GET", server+url, nil)
		if err != nil {
			return
		}
		w, err := client.Do(r)
		if err != nil {
			if ctx.Err() == nil {
				failed.Add(1)
			}
			return
		}
		w.Body.Close()
		asked.Add(1)
		if w.StatusCode != want {
			failed.Add(1)
		}
	}
	pause(ctx, rand.N(everyWatch)) // not all in one instant
	get(bakeURL, http.StatusOK)
	strip := bakeURL[:strings.LastIndex(bakeURL, "/")] + "/running"
	for n := 1; ctx.Err() == nil; n++ {
		pause(ctx, everyWatch)
		get(bakeURL+"?after=0", http.StatusNotModified)
		if n%int(everyStrip/everyWatch) == 0 {
			get(strip, http.StatusOK)
		}
	}
}

func pause(ctx context.Context, d time.Duration) {
	select {
	case <-ctx.Done():
	case <-time.After(d):
	}
}

// processor is the processor time that a process has used, seconds.
func processor(pid int) (float64, error) {
	b, err := os.ReadFile(fmt.Sprintf("/proc/%d/stat", pid))
	if err != nil {
		return 0, err
	}
	fields := strings.Fields(string(b[strings.LastIndex(string(b), ")")+1:]))
	user, _ := strconv.ParseFloat(fields[11], 64)
	system, _ := strconv.ParseFloat(fields[12], 64)
	return (user + system) / ticks, nil
}

// resident is the memory that a process holds, MB.
func resident(pid int) (float64, error) {
	b, err := os.ReadFile(fmt.Sprintf("/proc/%d/status", pid))
	if err != nil {
		return 0, err
	}
	for _, line := range strings.Split(string(b), "\n") {
		if rest, ok := strings.CutPrefix(line, "VmRSS:"); ok {
			kb, err := strconv.ParseFloat(strings.Fields(rest)[0], 64)
			return kb / 1024, err
		}
	}
	return 0, fmt.Errorf("the kernel does not tell the memory of %d", pid)
}
