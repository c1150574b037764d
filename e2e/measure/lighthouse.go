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
	fmt.Printf("%-10s %-8s %12s %14s %15s %6s   medians of %d\n", "page", "on a", "performance", "accessibility", "best practices", "SEO", looks)
	for _, path := range []string{"/", "/log", "/recipes"} {
		for _, on := range []string{"desk", "phone"} {
			var all [4][]float64
			for range looks {
				var one [4]float64
				var err error
				for range tries {
					if one, err = look(ctx, s.URL+path, on, filepath.Join(temp, "report.json")); err == nil {
						break
					}
				}
				if err != nil {
					return err
				}
				for n, score := range one {
					all[n] = append(all[n], score)
				}
			}
			for n := range all {
				slices.Sort(all[n])
			}
			fmt.Printf("%-10s %-8s %12.0f %14.0f %15.0f %6.0f\n", path, on, all[0][looks/2], all[1][looks/2], all[2][looks/2], all[3][looks/2])
		}
	}
	return nil
}

// look runs Lighthouse once: performance, accessibility, best practices and SEO, each of 100.
func look(ctx context.Context, url, on, report string) (scores [4]float64, err error) {
	args := []string{"--yes", lighthouse, url, "--quiet", "--output=json", "--output-path=" + report, "--chrome-flags=--headless --no-sandbox --disable-gpu"}
	if on == "desk" {
		args = append(args, "--preset=desktop")
	}
	cmd := exec.CommandContext(ctx, "npx", args...)
	cmd.Env = append(os.Environ(), "CHROME_PATH=/usr/bin/chromium")
	if out, err := cmd.CombinedOutput(); err != nil {
		return scores, fmt.Errorf("lighthouse: %w: %.2000s", err, out)
	}
	b, err := os.ReadFile(report)
	if err != nil {
		return scores, err
	}
	var said struct {
		Categories map[string]struct{ Score float64 }
		Audits     map[string]struct {
			Title string
			Score *float64
		}
	}
	if err := json.Unmarshal(b, &said); err != nil {
		return scores, err
	}
	for n, name := range []string{"performance", "accessibility", "best-practices", "seo"} {
		scores[n] = 100 * said.Categories[name].Score
	}
	return scores, nil
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
		wish := map[string]any{"recipe": shelf.Recipes[n%3].ID, "machine": shelf.Machines[0].ID, "loaf": map[string]any{"size": "1 1/2 lb"}, "time": map[string]any{"atPanel": true}}
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
