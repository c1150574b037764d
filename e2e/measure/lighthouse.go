package main

import (
	"bytes"
	"context"
	"encoding/json"
	"fmt"
	"io"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"slices"

	"risepan/e2e/drive"
)

// lighthouse is the package that looks at a page, fetched by npm when it is asked for.
const lighthouse = "lighthouse@12.8.2"

const (
	logged = 200 // bakes in the log
	looks  = 5   // of which the medians are printed
	tries  = 3   // of each: now and then no trace is recorded
)

// Lighthouse makes a phone by slowing this machine's processor down to a quarter, which holds for one that its own
// benchmark gives a quick desk's index. On a slower one that is a phone that nobody has: it is slowed down by as
// much less.
const (
	slowdown  = 4
	quickDesk = 1500
)

// scores prints what Lighthouse says of Plan, the log with 200 bakes and the recipes, on a desk and on a phone.
func scores(ctx context.Context, temp string) error {
	program, err := drive.Build(temp)
	if err != nil {
		return err
	}
	s, err := drive.Serve(ctx, program, filepath.Join(temp, "lighthouse"))
	if err != nil {
		return err
	}
	defer s.Stop()
	if err := logBakes(s); err != nil {
		return err
	}
	fmt.Printf("%-10s %-11s %12s %14s %15s %6s %16s   medians of %d\n", "page", "on a", "performance", "accessibility",
		"best practices", "SEO", "processor index", looks)
	report := filepath.Join(temp, "report.json")
	for _, path := range []string{"/", "/log", "/recipes"} {
		if _, err := medians(ctx, path, "desk", s.URL+path, report, "--preset=desktop"); err != nil {
			return err
		}
		phone, err := medians(ctx, path, "phone", s.URL+path, report)
		if err != nil {
			return err
		}
		if index := phone[len(phone)-1]; index < quickDesk {
			times := max(1, slowdown*index/quickDesk)
			if _, err := medians(ctx, path, fmt.Sprintf("phone, %.1f×", times), s.URL+path, report,
				fmt.Sprintf("--throttling.cpuSlowdownMultiplier=%.2f", times)); err != nil {
				return err
			}
		}
	}
	return nil
}

// figures are what one look gives: performance, accessibility, best practices and SEO, each of 100, and the index of
// this machine's processor.
type figures [5]float64

// medians looks at a page several times and prints the middle of each figure.
func medians(ctx context.Context, page, on, url, report string, flags ...string) (middle figures, err error) {
	var all [len(middle)][]float64
	for range looks {
		var one figures
		for range tries {
			if one, err = look(ctx, url, report, flags...); err == nil {
				break
			}
		}
		if err != nil {
			return middle, err
		}
		for n, v := range one {
			all[n] = append(all[n], v)
		}
	}
	for n := range all {
		slices.Sort(all[n])
		middle[n] = all[n][looks/2]
	}
	fmt.Printf("%-10s %-11s %12.0f %14.0f %15.0f %6.0f %16.0f\n", page, on, middle[0], middle[1], middle[2], middle[3],
		middle[4])
	return middle, nil
}

// look runs Lighthouse once.
func look(ctx context.Context, url, report string, flags ...string) (found figures, err error) {
	args := append([]string{"--yes", lighthouse, url, "--quiet", "--output=json", "--output-path=" + report,
		"--chrome-flags=--headless --no-sandbox --disable-gpu"}, flags...)
	cmd := exec.CommandContext(ctx, "npx", args...)
	cmd.Env = append(os.Environ(), "CHROME_PATH=/usr/bin/chromium")
	if out, err := cmd.CombinedOutput(); err != nil {
		return found, fmt.Errorf("lighthouse: %w: %.2000s", err, out)
	}
	b, err := os.ReadFile(report)
	if err != nil {
		return found, err
	}
	var said struct {
		Categories  map[string]struct{ Score float64 }
		Environment struct{ BenchmarkIndex float64 }
	}
	if err := json.Unmarshal(b, &said); err != nil {
		return found, err
	}
	for n, name := range []string{"performance", "accessibility", "best-practices", "seo"} {
		found[n] = 100 * said.Categories[name].Score
	}
	found[len(found)-1] = said.Environment.BenchmarkIndex
	return found, nil
}

// logBakes bakes so many loaves, each ended before the next.
func logBakes(s *drive.Server) error {
	at, err := s.Kitchen()
	if err != nil {
		return err
	}
	key := 0
	send := func(path string, body any, into any) error {
		b, err := json.Marshal(body)
		if err != nil {
			return err
		}
		r, err := http.NewRequest("POST", at+path, bytes.NewReader(b))
		if err != nil {
			return err
		}
		key++
		r.Header.Set("Idempotency-Key", fmt.Sprint("logged", key))
		w, err := http.DefaultClient.Do(r)
		if err != nil {
			return err
		}
		defer w.Body.Close()
		answer, err := io.ReadAll(w.Body)
		if err != nil || w.StatusCode >= 300 {
			return fmt.Errorf("POST %s: %d %.300s (%v)", path, w.StatusCode, answer, err)
		}
		return json.Unmarshal(answer, into)
	}
	var shelf struct{ Recipes, Machines []struct{ ID string } }
	r, err := http.Get(at)
	if err != nil {
		return err
	}
	defer r.Body.Close()
	if err := json.NewDecoder(r.Body).Decode(&shelf); err != nil {
		return err
	}
	for n := range logged {
		wish := map[string]any{"recipe": shelf.Recipes[n%3].ID, "machine": shelf.Machines[0].ID,
			"loaf": map[string]any{"size": "1 1/2 lb"}, "time": map[string]any{"atPanel": true}}
		var plan struct{ Digest string }
		if err := send("/plan", wish, &plan); err != nil {
			return err
		}
		var bake struct{ ID string }
		if err := send("/bakes", map[string]any{"wish": wish, "digest": plan.Digest}, &bake); err != nil {
			return err
		}
		var told any
		if err := send("/bakes/"+bake.ID+"/happenings", map[string]any{"what": "abandoned"}, &told); err != nil {
			return err
		}
	}
	return nil
}
