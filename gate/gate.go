// Package gate lets only so many pieces of costly work run at a time. A few more may wait, each as long as its context
// lasts; whoever comes beyond that is turned away at once, so that a crowd costs nothing but its refusals. One visitor,
// such as a kitchen, has only so many places, so that others find some free.
//
// Passphrases, photos, files that are brought in and the search for the best day pass through gates; package api says
// in its table of limits which call passes through which.
package gate

import (
	"context"
	"errors"
	"sync"
)

// ErrBusy is returned to who is turned away.
var ErrBusy = errors.New("too much of this is being worked on just now")

// Gate is one gate. Make one by New.
type Gate struct {
	running chan struct{} // a place for each piece that runs
	most    int           // pieces that run or wait
	each    int           // of them one visitor's

	mu     sync.Mutex
	inside int
	of     map[string]int // visitor
}

// New is a gate for so many pieces of work that run, with so many more that wait; each visitor has so many of all these
// places.
func New(running, waiting, each int) *Gate {
	return &Gate{running: make(chan struct{}, running), most: running + waiting, each: each, of: map[string]int{}}
}

// Enter waits until a visitor's work may run. Leave is to be called when it is done. The error is ErrBusy, or that of a
// context that ended meanwhile.
func (g *Gate) Enter(ctx context.Context, visitor string) (leave func(), err error) {
	if !g.take(visitor) {
		return nil, ErrBusy
	}
	select {
	case g.running <- struct{}{}:
		return func() { <-g.running; g.free(visitor) }, nil
	case <-ctx.Done():
		g.free(visitor)
		return nil, ctx.Err()
	}
}

func (g *Gate) take(visitor string) bool {
	g.mu.Lock()
	defer g.mu.Unlock()
	if g.inside >= g.most || g.of[visitor] >= g.each {
		return false
	}
	g.inside++
	g.of[visitor]++
	return true
}

func (g *Gate) free(visitor string) {
	g.mu.Lock()
	defer g.mu.Unlock()
	g.inside--
	if g.of[visitor]--; g.of[visitor] == 0 {
		delete(g.of, visitor)
	}
}
