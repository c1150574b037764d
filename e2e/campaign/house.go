package main

import (
	"context"
	"errors"
	"fmt"
	"math/rand/v2"
	"net/http"
	"path/filepath"
	"sync"
	"time"

	"risepan/e2e/drive"
)

// devices are those of each household.
const devices = 5

// house ends one of two servers, or their database, n times while ten devices of two households write through both.
// Nothing acknowledged is lost or there twice, and no device sees anything of the other household.
func house(temp string, n int, random *rand.Rand) error {
	program, err := drive.Build(temp)
	if err != nil {
		return err
	}
	ctx := context.Background()
	first, err := drive.Serve(ctx, program, filepath.Join(temp, "data"))
	if err != nil {
		return err
	}
	owners := []*writer{{n: 0, servers: []string{first.URL}}, {n: devices, servers: []string{first.URL}}}
	if err := owners[0].found("Wharf House"); err != nil {
		return err
	}
	if err := first.Stop(); err != nil {
		return err
	}
	if err := first.Start(ctx, "--house"); err != nil {
		return err
	}
	defer first.Stop()
	second, err := drive.Serve(ctx, program, first.Data, "--house", "--beside")
	if err != nil {
		return err
	}
	defer second.Stop()
	if err := owners[1].found("Mill Cottage"); err != nil {
		return err
	}
	hands, err := pairedTo(owners, []string{first.URL, second.URL})
	if err != nil {
		return err
	}
	began, stop := time.Now(), make(chan struct{})
	var all sync.WaitGroup
	faults := make([]error, 2*len(hands))
	for k, w := range hands {
		other := hands[(k+devices)%len(hands)]
		all.Go(func() { faults[2*k] = w.write(stop) })
		spy := &writer{n: w.n, servers: w.servers, cookie: w.cookie}
		all.Go(func() { faults[2*k+1] = spy.spy(stop, other.kitchen) })
	}
	killed, err := killing(ctx, n, random, first, second)
	if err != nil {
		return err
	}
	close(stop)
	all.Wait()
	if err := errors.Join(faults...); err != nil {
		return err
	}
	recipes, happened := 0, 0
	for k, w := range hands {
		if err := w.count(); err != nil {
			return err
		}
		if err := w.alone(k/devices*devices, k/devices*devices+devices); err != nil {
			return err
		}
		recipes, happened = recipes+len(w.recipes), happened+w.happened
	}
	fmt.Printf("%d kills of a server, %d of the one beside it and %d of the database in %.0f s, under %d devices of "+
		"two households: %d recipes and %d happenings were acknowledged, each is there once, and nobody saw "+
		"anything of the other household.\n",
		killed["first"], killed["second"], killed["database"], time.Since(began).Seconds(), len(hands), recipes,
		happened)
	return nil
}

const passphrase = "wet heron on a lock gate"

// found makes a kitchen with what the demo has in it.
func (w *writer) found(name string) error {
	var made struct{ Kitchen string }
	err := w.ask("POST", "/api/v1/kitchens", map[string]any{"name": name, "person": "Wren", "passphrase": passphrase},
		"make "+name, &made)
	if err != nil {
		return err
	}
	w.kitchen = "/api/v1/kitchens/" + made.Kitchen
	return w.ask("POST", "/demo", map[string]any{}, "demo of "+name, nil)
}

// pair lets a device in by a code that the owner's shows.
func (w *writer) pair(owner *writer) error {
	var shown struct{ Code string }
	if err := owner.ask("POST", "/household/people", map[string]any{}, "", &shown); err != nil {
		return err
	}
	err := w.ask("POST", "/api/v1/session/paired", map[string]any{"code": shown.Code, "name": fmt.Sprint("Hand ",
		w.n)}, "", nil)
	w.kitchen = owner.kitchen
	return err
}

// spy keeps asking for the other household's kitchen, which must not be there.
func (w *writer) spy(stop <-chan struct{}, kitchen string) error {
	client := http.Client{Timeout: 20 * time.Second}
	for n := 0; ; n++ {
		select {
		case <-stop:
			return nil
		case <-time.After(300 * time.Millisecond):
		}
		for _, path := range []string{"", "/recipes", "/bakes", "/file", "/household"} {
			r, err := http.NewRequest("GET", w.servers[n%len(w.servers)]+kitchen+path, nil)
			if err != nil {
				return err
			}
			r.Header.Set("Cookie", w.cookie)
			answer, err := client.Do(r)
			if err != nil {
				continue
			}
			answer.Body.Close()
			if answer.StatusCode != http.StatusNotFound && answer.StatusCode < 500 {
				return fmt.Errorf("device %d is answered %d at %s of the other household", w.n, answer.StatusCode, path)
			}
		}
	}
}

// alone reports a recipe on the shelf that was written by a device of the other household.
func (w *writer) alone(from, to int) error {
	names, err := w.shelf()
	if err != nil {
		return err
	}
	for name := range names {
		var k, by int
		if _, err := fmt.Sscanf(name, "Loaf %d of writer %d", &k, &by); err == nil && (by < from || by >= to) {
			return fmt.Errorf("device %d finds %s", w.n, name)
		}
	}
	return nil
}

// pairedTo are the owners of households, each with further devices that are paired to it; all write to some servers.
func pairedTo(owners []*writer, servers []string) (hands []*writer, err error) {
	for k, owner := range owners {
		owner.servers = servers
		hands = append(hands, owner)
		for d := 1; d < devices; d++ {
			w := &writer{n: k*devices + d, servers: servers}
			if err := w.pair(owner); err != nil {
				return nil, err
			}
			hands = append(hands, w)
		}
	}
	return hands, nil
}

// killing ends a server, the one beside it or their database n times, each started again, and counts them.
func killing(ctx context.Context, n int, random *rand.Rand, first, second *drive.Server) (map[string]int, error) {
	killed := map[string]int{}
	for range n {
		time.Sleep(time.Duration(200+random.IntN(900)) * time.Millisecond)
		var err error
		switch random.IntN(3) {
		case 0:
			killed["first"]++
			first.Kill()
			err = first.Start(ctx, "--house")
		case 1:
			killed["second"]++
			second.Kill()
			err = second.Start(ctx, "--house", "--beside")
		default:
			killed["database"]++
			err = killDatabase(first.Data)
			time.Sleep(2 * time.Second) // whoever serves beside it cannot start without one
		}
		if err != nil {
			return nil, err
		}
	}
	return killed, nil
}
