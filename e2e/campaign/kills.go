package main

import (
	"bytes"
	"context"
	"encoding/json"
	"errors"
	"fmt"
	"io"
	"math/rand/v2"
	"net"
	"net/http"
	"os"
	"path/filepath"
	"strconv"
	"strings"
	"sync"
	"syscall"
	"time"

	"risepan/e2e/drive"
)

// writers write at once, each one thing after another.
const writers = 4

// writer keeps adding recipes and happenings at a bench of its own, and sends each until it is answered.
type writer struct {
	n        int
	servers  []string // asked in turn, where one does not answer
	kitchen  string   // its path below each
	cookie   string   // that its device holds
	from     net.Addr // its own address; nil: whichever
	bench    string
	recipes  []string // names that were acknowledged
	happened int      // happenings that were acknowledged
}

// kills ends the server, or its database, n times while writers write.
func kills(temp string, n int, random *rand.Rand) error {
	program, err := drive.Build(temp)
	if err != nil {
		return err
	}
	s, err := drive.Serve(context.Background(), program, filepath.Join(temp, "data"))
	if err != nil {
		return err
	}
	defer s.Stop()
	address, err := s.Kitchen()
	if err != nil {
		return err
	}
	kitchen := strings.TrimPrefix(address, s.URL)
	began := time.Now()
	stop := make(chan struct{})
	var all sync.WaitGroup
	hands := make([]*writer, writers)
	faults := make([]error, writers)
	for k := range hands {
		hands[k] = &writer{n: k, servers: []string{s.URL}, kitchen: kitchen}
		all.Go(func() { faults[k] = hands[k].write(stop) })
	}
	server, database := 0, 0
	for range n {
		time.Sleep(time.Duration(200+random.IntN(900)) * time.Millisecond)
		if random.IntN(2) == 0 {
			server++
			s.Kill()
			if err := s.Start(context.Background()); err != nil {
				return err
			}
			continue
		}
		database++
		if err := killDatabase(s.Data); err != nil {
			return err
		}
	}
	close(stop)
	all.Wait()
	if err := errors.Join(faults...); err != nil {
		return err
	}
	recipes, happened := 0, 0
	for _, w := range hands {
		if err := w.count(); err != nil {
			return err
		}
		recipes, happened = recipes+len(w.recipes), happened+w.happened
	}
	fmt.Printf("%d kills of the server and %d of the database in %.0f s, under %d writers: %d recipes and %d "+
		"happenings were acknowledged, each is there once.\n",
		server, database, time.Since(began).Seconds(), writers, recipes, happened)
	return nil
}

func killDatabase(data string) error {
	for range 200 {
		b, err := os.ReadFile(filepath.Join(data, "mariadb.pid"))
		if pid, e := strconv.Atoi(strings.TrimSpace(string(b))); err == nil && e == nil &&
			syscall.Kill(pid, syscall.SIGKILL) == nil {
			return nil
		}
		time.Sleep(50 * time.Millisecond) // it is just coming up
	}
	return errors.New("there is no database to kill")
}

func (w *writer) write(stop <-chan struct{}) error {
	shelf := struct{ Machines, Recipes []struct{ ID string } }{}
	if err := w.ask("GET", "", nil, "", &shelf); err != nil {
		return err
	}
	wish := map[string]any{"recipe": shelf.Recipes[0].ID, "machine": shelf.Machines[0].ID,
		"loaf": map[string]any{"size": "1 lb"}}
	var bench struct {
		ID    string
		Steps []struct{ ID string }
	}
	if err := w.ask("POST", "/benches", wish, fmt.Sprint("bench ", w.n), &bench); err != nil {
		return err
	}
	w.bench = bench.ID
	for k := 0; ; k++ {
		select {
		case <-stop:
			return nil
		default:
		}
		name := fmt.Sprintf("Loaf %d of writer %d", k, w.n)
		recipe := map[string]any{"name": name, "kind": "white", "standard": "us",
			"text": "1 cup water\n3 cups bread flour\n1 1/2 tsp salt\n2 tsp instant yeast"}
		if err := w.ask("POST", "/recipes", recipe, name, nil); err != nil {
			return err
		}
		w.recipes = append(w.recipes, name)
		step := map[string]any{"do": []string{"done", "undone"}[k%2], "step": bench.Steps[0].ID}
		if err := w.ask("POST", "/benches/"+w.bench+"/happenings", step, "step of "+name, nil); err != nil {
			return err
		}
		w.happened++
	}
}

// ask sends a request until it is answered, as the screen does; a key makes it count once.
func (w *writer) ask(method, path string, body any, key string, v any) error {
	text, err := json.Marshal(body)
	if err != nil {
		return err
	}
	client := http.Client{Timeout: 20 * time.Second}
	if w.from != nil {
		client.Transport = &http.Transport{DialContext: (&net.Dialer{LocalAddr: w.from}).DialContext,
			DisableKeepAlives: true}
	}
	for n := range 600 {
		at := w.kitchen + path
		if strings.HasPrefix(path, "/api/") {
			at = path
		}
		r, err := http.NewRequest(method, w.servers[(w.n+n)%len(w.servers)]+at, bytes.NewReader(text))
		if err != nil {
			return err
		}
		r.Header.Set("Idempotency-Key", strings.ReplaceAll(key, " ", "-"))
		if w.cookie != "" {
			r.Header.Set("Cookie", w.cookie)
		}
		answer, err := client.Do(r)
		if err == nil {
			b, err := io.ReadAll(answer.Body)
			answer.Body.Close()
			for _, c := range answer.Cookies() {
				w.cookie = c.Name + "=" + c.Value
			}
			switch {
			case err == nil && answer.StatusCode < 300:
				if v == nil {
					return nil
				}
				return json.Unmarshal(b, v)
			case err == nil && answer.StatusCode < 500:
				return fmt.Errorf("%s %s: %d %s", method, path, answer.StatusCode, b)
			}
		}
		time.Sleep(100 * time.Millisecond)
	}
	return fmt.Errorf("%s %s is never answered", method, path)
}

// shelf counts the recipes of each name.
func (w *writer) shelf() (map[string]int, error) {
	names := map[string]int{}
	for after := ""; ; {
		var page struct {
			Recipes []struct{ ID, Name string }
			More    bool
		}
		if err := w.ask("GET", "/recipes?after="+after, nil, "", &page); err != nil {
			return nil, err
		}
		for _, r := range page.Recipes {
			names[r.Name]++
			after = r.ID
		}
		if !page.More {
			return names, nil
		}
	}
}

// count reports what of the acknowledged is missing, or there twice.
func (w *writer) count() error {
	names, err := w.shelf()
	if err != nil {
		return err
	}
	for _, name := range w.recipes {
		if names[name] != 1 {
			return fmt.Errorf("%s was acknowledged once and is there %d times", name, names[name])
		}
	}
	var bench struct{ Session struct{ Last int } }
	if err := w.ask("GET", "/benches/"+w.bench, nil, "", &bench); err != nil {
		return err
	}
	if bench.Session.Last != w.happened { // they are numbered from 1, without a gap
		return fmt.Errorf("writer %d was told of %d happenings, and %d are there", w.n, w.happened, bench.Session.Last)
	}
	return nil
}
