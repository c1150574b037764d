package api

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"io"
	"net/http"
	"strconv"
	"strings"
	"sync"
	"time"

	"github.com/gin-gonic/gin"
	"github.com/go-json-experiment/json"

	"risepan/core/journal"
	"risepan/photo"
	"risepan/store"
)

// call is one request to a kitchen, with what it reads and writes by: a transaction where it changes
// anything.
type call struct {
	store.Queries
	server  *server
	gin     *gin.Context
	ctx     context.Context
	kitchen string // its id
	access  store.Access
	secret  string // that this device shall hold from now on
	now     time.Time
	body    io.Reader
	photo   *photo.Photo // that was sent, fit to be kept
}

// callOf is the request's call; one outside all kitchens has none to name.
func (s *server) callOf(c *gin.Context) *call {
	if v, ok := c.Get(callKey); ok {
		return v.(*call)
	}
	return s.outside(c)
}

// within is the call inside a transaction, reading the body anew.
func (c *call) within(q store.Queries, body []byte) *call {
	in := *c
	in.Queries, in.body = q, bytes.NewReader(body)
	return &in
}

// settings are the kitchen's newest, with its zone.
func (c *call) settings() (store.Kitchen, *time.Location, error) {
	k, err := c.Kitchen(c.ctx, c.kitchen, 0)
	if err != nil {
		return k, nil, err
	}
	zone, err := zoneOf(k)
	return k, zone, err
}

// unreadable notes what is kept and cannot be read: it costs itself alone.
func (c *call) unreadable(faults ...error) {
	for _, f := range faults {
		c.server.log.Error("unreadable", "error", f)
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

// id is the id that the path names.
func (c *call) id() (string, error) {
	if id := c.gin.Param("id"); store.ValidID(id) {
		return id, nil
	}
	return "", store.ErrNotFound
}

// read decodes the JSON body into v; an unknown field is refused.
func (c *call) read(v any) error {
	return json.UnmarshalRead(c.body, v, json.RejectUnknownMembers(true))
}

// hold reads what is told of the journal that the path names, and keeps others from adding to it until this is
// written.
func (c *call) hold(told any) (id string, stamp journal.Stamp, err error) {
	if err := c.read(told); err != nil {
		return "", stamp, err
	}
	if id, err = c.id(); err != nil {
		return "", stamp, err
	}
	stamp, err = c.Hold(c.ctx, c.kitchen, id, c.now)
	stamp.By = c.access.Person.Name
	return id, stamp, err
}

// version reads the version that an edit was made from.
func (c *call) version() (int, error) {
	version, err := strconv.Atoi(strings.Trim(c.gin.GetHeader("If-Match"), `"`))
	if err != nil {
		return 0, problem(http.StatusPreconditionRequired, "", "send If-Match with the version that you changed, such as \"3\"")
	}
	return version, nil
}

// errNotModified is returned by a handler whose client has the newest state already.
var errNotModified = errors.New("not modified")

// unseen is errNotModified for a client that says it has seen all that happened in a journal; it asks the
// newest number alone.
func (c *call) unseen(id string) error {
	text := c.gin.Query("after")
	if text == "" {
		return nil
	}
	after, err := strconv.Atoi(text)
	if err != nil || after < 0 {
		return problem(http.StatusBadRequest, "/after", "after wants the number of the last happening seen, not %.20q", text)
	}
	newest, err := c.Newest(c.ctx, c.kitchen, id)
	if err == nil && after == newest {
		return errNotModified
	}
	return err
}

// answer writes what a handler returned.
func (s *server) answer(c *gin.Context, status int, v any, err error) {
	if errors.Is(err, errNotModified) {
		c.Status(http.StatusNotModified)
		return
	}
	if err == nil {
		b := written.Get().(*bytes.Buffer)
		defer written.Put(b)
		b.Reset()
		if err = json.MarshalWrite(b, v); err == nil {
			c.Data(status, "application/json", b.Bytes())
			return
		}
	}
	s.refuse(c, err)
}

// written holds what answers are written into before they are sent, so that one that cannot be written is not half sent.
var written = sync.Pool{New: func() any { return new(bytes.Buffer) }}

// show makes a handler that only reads.
func (s *server) show(f func(*call) (any, error)) gin.HandlerFunc {
	return func(c *gin.Context) {
		v, err := f(s.callOf(c))
		s.answer(c, http.StatusOK, v, err)
	}
}

// change makes a handler that changes what is there, in one transaction. Sent twice it changes nothing
// more, for it names the version that it was made from or what shall be.
func (s *server) change(f func(*call) (any, error)) gin.HandlerFunc {
	return func(c *gin.Context) {
		call := s.callOf(c)
		body, err := io.ReadAll(call.body)
		if err != nil {
			s.refuse(c, err)
			return
		}
		var v any
		err = s.store.Do(call.ctx, func(q store.Queries) (err error) {
			if v, err = f(call.within(q, body)); err != nil {
				return err
			}
			return call.changed(q)
		})
		s.answer(c, http.StatusOK, v, err)
	}
}

// create makes a handler for a call that adds something. It wants an Idempotency-Key; what was made is
// kept under it in the same transaction, and the answer is made of that afterwards, whether the call
// came for the first time or again.
func (s *server) create(make func(*call) (ref string, err error), show func(*call, string) (any, error)) gin.HandlerFunc {
	return func(c *gin.Context) {
		call := s.callOf(c)
		key := c.GetHeader("Idempotency-Key")
		if !goodKey(key) {
			s.refuse(c, errKey)
			return
		}
		body, err := io.ReadAll(call.body)
		if err != nil {
			s.refuse(c, err)
			return
		}
		whole := fmt.Appendf(nil, "%s %s %s\n%s", c.Request.Method, c.Request.URL.Path, c.GetHeader("If-Match"), body)
		made, err := s.store.Once(call.ctx, call.kitchen, key, whole, call.now, func(q store.Queries) (store.Made, error) {
			ref, err := make(call.within(q, body))
			if err == nil {
				err = call.changed(q)
			}
			return store.Made{Status: http.StatusCreated, Ref: ref}, err
		})
		if err != nil {
			s.refuse(c, err)
			return
		}
		v, err := show(call, made.Ref)
		s.answer(c, made.Status, v, err)
	}
}

var errKey = problem(http.StatusBadRequest, "", "send an Idempotency-Key of 1 to 100 plain letters and digits, so that a repeated request is stored once")

// goodKey reports whether a text can be an Idempotency-Key: what can be seen of ASCII.
func goodKey(key string) bool {
	for _, r := range key {
		if r <= ' ' || r > '~' {
			return false
		}
	}
	return key != "" && len(key) <= 100
}
