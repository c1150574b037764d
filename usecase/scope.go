// Package usecase is what a request does to a kitchen: it fulfils a wish, opens a bench, starts a bake, plans a day,
// draws lessons, brings recipes in, lets people into a household.
//
// Each use case is a method of [Scope]. It takes plain values and returns plain values: the decoded body of a request
// and the body of the answer, whose types stand beside the method that makes them. It reads and writes through package
// store, and asks the rooms of core for every rule of bread. It knows nothing of HTTP; package api decodes a request,
// calls one use case and encodes what comes back.
//
// A mistake of the sender's is a *fault.Fault with the JSON pointer of the field, or a [Refusal] where no field is to
// blame. [store.ErrNotFound], [store.ErrStale] and [store.ErrKeyReused] are passed on as they are; every other error is
// the server's own trouble.
//
// A use case that changes something runs in a transaction that [Scope.Change] or [Scope.Once] opens around it. The few
// that open transactions of their own say so.
package usecase

import (
	"context"
	"log/slog"
	"sync"
	"time"

	"risepan/core/journal"
	"risepan/core/schedule"
	"risepan/store"
)

// Base is what all requests of a process share.
type Base struct {
	Store *store.Store
	Log   *slog.Logger
	House House
	// the days that were planned last
	Days *schedule.Memory
	// loads the demo into an empty kitchen
	FillDemo func(context.Context, store.Queries, store.Kitchen, *time.Location, time.Time) error
	// the demo's machines and recipes by their names, with their revisions: so they are told from a kitchen's own
	Samples map[string]int
	// makes another demo kitchen
	MoorDemo func(ctx context.Context, q store.Queries, now time.Time) (kitchenID string, err error)
}

// House is how a server stands to the network of the house. Its zero value serves this computer alone.
type House struct {
	Open      bool     // devices of the house may come in; kitchens without a household are then closed
	Secure    bool     // browsers reach it over TLS
	Authority bool     // it has a certificate authority of its own, which phones may trust
	Where     []string // addresses under which devices reach it, such as https://192.0.2.7:8443
}

// Visitor is who sends a request, as far as the connection tells.
type Visitor struct {
	Token   string // the secret that the device holds; empty: none
	Address string // where the request comes from, as far as tries are counted
	Device  string // phone, tablet, computer
	Key     string // the Idempotency-Key
	Call    string // its method and route, for what is noted
}

// Scope is where one request works: a kitchen, who asks, the present, and the transaction or the plain connection that
// it reads and writes by.
type Scope struct {
	*Base
	q       store.Queries
	ctx     context.Context
	kitchen string // its id; empty outside all kitchens
	access  store.Access
	visitor Visitor
	secret  string
	others  bool // this device was somebody else's until now
	now     time.Time
}

// Outside is the scope of a request outside all kitchens.
func (b *Base) Outside(ctx context.Context, v Visitor, now time.Time) *Scope {
	return &Scope{Base: b, q: b.Store.Queries, ctx: ctx, visitor: v, now: now}
}

// Within is the same scope for as long as another context lasts.
func (c *Scope) Within(ctx context.Context) *Scope {
	in := *c
	in.ctx = ctx
	return &in
}

// Now is the present of the request.
func (c *Scope) Now() time.Time { return c.now }

// Secret is what the device shall hold from now on; empty where nothing changed.
func (c *Scope) Secret() string { return c.secret }

// Others reports whether this device was somebody else's until now, whose things may still lie on it.
func (c *Scope) Others() bool { return c.others }

// Change runs a use case in one transaction and notes that a topic of the kitchen changed, for the other devices to
// see. Where it fails nothing is stored.
func (c *Scope) Change(topic string, f func(*Scope) error) error {
	return c.do(func(in *Scope) error {
		if err := f(in); err != nil {
			return err
		}
		return in.changed(topic)
	})
}

// Once runs a use case that adds something, in one transaction, under the visitor's key. What was made is kept with the
// key: the same request sent again is answered with it and makes nothing more. Another request under the same key is
// [store.ErrKeyReused].
func (c *Scope) Once(request []byte, topic string, f func(*Scope) (ref string, err error)) (store.Made, error) {
	return c.Store.Once(c.ctx, c.kitchen, c.visitor.Key, request, c.now, func(q store.Queries) (store.Made, error) {
		in := c.by(q)
		ref, err := f(in)
		if err == nil {
			err = in.changed(topic)
		}
		return store.Made{Status: created, Ref: ref}, err
	})
}

const created = 201 // the status under which what a key has made is kept

// do runs f in one transaction.
func (c *Scope) do(f func(*Scope) error) error {
	return c.Store.Do(c.ctx, func(q store.Queries) error {
		in := c.by(q)
		err := f(in)
		c.secret, c.others = in.secret, in.others
		return err
	})
}

// by is the same scope, reading and writing by other queries.
func (c *Scope) by(q store.Queries) *Scope {
	in := *c
	in.q = q
	return &in
}

// settings are the kitchen's newest, with its zone.
func (c *Scope) settings() (store.Kitchen, *time.Location, error) {
	k, err := c.q.Kitchen(c.ctx, c.kitchen, 0)
	if err != nil {
		return k, nil, err
	}
	zone, err := zoneOf(k)
	return k, zone, err
}

// unreadable notes what is kept and cannot be read: it costs itself alone.
func (c *Scope) unreadable(faults ...error) {
	for _, f := range faults {
		c.Log.Error("unreadable", "error", f)
	}
}

var zones sync.Map // by name: reading one takes longer than most requests

// zoneOf is the zone of a kitchen's clock.
func zoneOf(k store.Kitchen) (*time.Location, error) {
	name := k.Kitchen.Zone
	if z, ok := zones.Load(name); ok {
		return z.(*time.Location), nil
	}
	z, err := time.LoadLocation(name)
	if err != nil {
		return nil, &store.Unreadable{What: "kitchen", ID: k.ID, Err: err}
	}
	zones.Store(name, z)
	return z, nil
}

// hold keeps others from adding to a journal until this transaction ends, and stamps what is added next.
func (c *Scope) hold(id string) (journal.Stamp, error) {
	stamp, err := c.q.Hold(c.ctx, c.kitchen, id, c.now)
	stamp.By = c.access.Person.Name
	return stamp, err
}

// Unseen reports whether anything happened in a journal after the happening of a number; it asks the newest number
// alone.
func (c *Scope) Unseen(id string, after int) (bool, error) {
	newest, err := c.q.Newest(c.ctx, c.kitchen, id)
	return newest != after, err
}
