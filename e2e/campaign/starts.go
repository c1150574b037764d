package main

import (
	"context"
	"encoding/json"
	"fmt"
	"io"
	"math/rand/v2"
	"net/http"
	"os"
	"os/exec"
	"path/filepath"
	"time"

	"risepan/e2e/drive"
)

// longest is the latest moment at which a first start is killed: about when it is over.
const longest = 4 * time.Second

// starts kills n first starts, by turns as a crash and as Ctrl-C would, and then starts each folder again.
func starts(temp string, n int, random *rand.Rand) error {
	program, err := drive.Build(temp)
	if err != nil {
		return err
	}
	began, slowest := time.Now(), time.Duration(0)
	for k := range n {
		data := filepath.Join(temp, fmt.Sprint("data", k))
		at := time.Duration(random.Int64N(int64(longest)))
		signal := os.Signal(os.Kill)
		if k%2 == 1 {
			signal = os.Interrupt
		}
		cmd := exec.Command(program, "serve", "--port", "0", "--data", data)
		if err := cmd.Start(); err != nil {
			return err
		}
		time.Sleep(at)
		cmd.Process.Signal(signal)
		cmd.Wait()
		again := time.Now()
		s, err := drive.Serve(context.Background(), program, data)
		if err != nil {
			return fmt.Errorf("first start %d, ended by %v after %v: the next start fails: %w", k+1, signal, at, err)
		}
		slowest = max(slowest, time.Since(again))
		if err := furnished(s); err != nil {
			return fmt.Errorf("first start %d, ended by %v after %v: %w", k+1, signal, at, err)
		}
		if err := s.Stop(); err != nil {
			return fmt.Errorf("first start %d: the next does not stop cleanly: %w", k+1, err)
		}
		os.RemoveAll(data)
	}
	fmt.Printf("%d first starts ended at random moments of their first %v; each folder then started and was whole. "+
		"The slowest took %.1f s. All took %.0f s.\n",
		n, longest, slowest.Seconds(), time.Since(began).Seconds())
	return nil
}

// furnished reports what is missing in the demo kitchen of a server.
func furnished(s *drive.Server) error {
	at, err := s.Kitchen()
	if err != nil {
		return err
	}
	r, err := http.Get(at)
	if err != nil {
		return err
	}
	defer r.Body.Close()
	var shelf struct{ Machines, Recipes []struct{ ID string } }
	text, err := io.ReadAll(r.Body)
	if err != nil || r.StatusCode != http.StatusOK {
		return fmt.Errorf("the kitchen answers %d: %s (%v)", r.StatusCode, text, err)
	}
	if err := json.Unmarshal(text, &shelf); err != nil {
		return err
	}
	if len(shelf.Machines) != 2 || len(shelf.Recipes) < 8 {
		return fmt.Errorf("the kitchen has %d machines and %d recipes", len(shelf.Machines), len(shelf.Recipes))
	}
	return nil
}
