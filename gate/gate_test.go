package gate

import (
	"context"
	"errors"
	"sync"
	"sync/atomic"
	"testing"
)

func TestAGateLetsSoManyIn(t *testing.T) {
	g := New(2, 3, 4)
	var inside, most atomic.Int32
	var done sync.WaitGroup
	hold := make(chan struct{})
	for n := range 5 { // two run, three wait
		done.Go(func() {
			leave, err := g.Enter(t.Context(), string(rune('a'+n%2)))
			if err != nil {
				t.Error(err)
				return
			}
			most.Store(max(most.Load(), inside.Add(1)))
			<-hold
			inside.Add(-1)
			leave()
		})
	}
	for g.count() < 5 {
	}
	if _, err := g.Enter(t.Context(), "c"); !errors.Is(err, ErrBusy) {
		t.Errorf("a sixth is let in: %v", err)
	}
	close(hold)
	done.Wait()
	if most.Load() > 2 || len(g.of) != 0 || g.count() != 0 {
		t.Errorf("%d ran at a time, %v are left", most.Load(), g.of)
	}
}

func (g *Gate) count() int {
	g.mu.Lock()
	defer g.mu.Unlock()
	return g.inside
}

func TestOneVisitorLeavesPlacesToOthers(t *testing.T) {
	g := New(1, 3, 2)
	leave, err := g.Enter(t.Context(), "a")
	if err != nil {
		t.Fatal(err)
	}
	gone, left := context.WithCancel(t.Context())
	waits := make(chan error)
	go func() { _, err := g.Enter(gone, "a"); waits <- err }()
	for g.count() < 2 {
	}
	if _, err := g.Enter(t.Context(), "a"); !errors.Is(err, ErrBusy) {
		t.Errorf("a third of one visitor is let in: %v", err)
	}
	left()
	if err := <-waits; !errors.Is(err, context.Canceled) {
		t.Errorf("whoever left is told %v", err)
	}
	leave()
	leave, err = g.Enter(t.Context(), "b")
	if err != nil || g.count() != 1 {
		t.Fatalf("another is not let in: %v", err)
	}
	leave()
}
