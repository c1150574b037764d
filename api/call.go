package api

import (
	"bytes"
	"errors"
	"io"
	"net/http"
	"strconv"
	"strings"
	"sync"

	"github.com/gin-gonic/gin"
	"github.com/go-json-experiment/json"

	"risepan/core/fault"
	"risepan/core/kitchen"
	"risepan/photo"
	"risepan/store"
	"risepan/usecase"
)

// scope is where a use case works.
type scope = usecase.Scope

// call is one request as it is decoded: its use cases, and what it sent.
type call struct {
	*scope
	server *server
	gin    *gin.Context
	body   io.Reader
	photo  photo.Photo // that was sent, fit to be kept
}

const callKey = "call"

// callOf is the request's call; one outside all kitchens is made here.
func (s *server) callOf(c *gin.Context) *call {
	if v, ok := c.Get(callKey); ok {
		return v.(*call)
	}
	out := &call{scope: s.base.Outside(c.Request.Context(), s.visitor(c), s.Now()), server: s, gin: c,
		body: c.Request.Body}
	c.Set(callKey, out)
	return out
}

// again has a call go by its request as it now is: what was sent lies aside, and its time begins anew.
func (c *call) again() {
	c.scope, c.body = c.Within(c.gin.Request.Context()), c.gin.Request.Body
}

// within is the call in a transaction's scope, reading the body anew.
func (c *call) within(in *scope, body []byte) *call {
	out := *c
	out.scope, out.body = in, bytes.NewReader(body)
	return &out
}

// id is the id that the path names.
func (c *call) id() (string, error) {
	if id := c.gin.Param("id"); store.ValidID(id) {
		return id, nil
	}
	return "", store.ErrNotFound
}

// date is the one that the path names.
func (c *call) date() (kitchen.Date, error) {
	d, err := kitchen.ParseDate(c.gin.Param("date"))
	if err != nil {
		return d, fault.At("/date", "%v", err)
	}
	return d, nil
}

// read decodes the JSON body into v; an unknown field is refused.
func (c *call) read(v any) error {
	return json.UnmarshalRead(c.body, v, json.RejectUnknownMembers(true))
}

// version reads the version that an edit was made from.
func (c *call) version() (int, error) {
	version, err := strconv.Atoi(strings.Trim(c.gin.GetHeader("If-Match"), `"`))
	if err != nil {
		return 0, problem(http.StatusPreconditionRequired, "",
			"send If-Match with the version that you changed, such as \"3\"")
	}
	return version, nil
}

// topic is what a call changes: the part of its path that follows the kitchen.
func (c *call) topic() string {
	_, below, _ := strings.Cut(c.gin.FullPath(), "/kitchens/:kitchen")
	topic, _, _ := strings.Cut(strings.TrimPrefix(below, "/"), "/")
	switch topic {
	case "", "undo", "larder", "habits":
		return "kitchen"
	}
	return topic
}

// errNotModified is returned by a handler whose client has the newest state already.
var errNotModified = errors.New("not modified")

// after is the number that a client has seen last; seen says whether it tells one.
func (c *call) after(what string) (number int, seen bool, err error) {
	text := c.gin.Query("after")
	if text == "" {
		return 0, false, nil
	}
	number, err = strconv.Atoi(text)
	if err != nil || number < 0 {
		return 0, false, problem(http.StatusBadRequest, "/after", "after wants %s, not %.20q", what, text)
	}
	return number, true, nil
}

// unseen is errNotModified for a client that says it has seen all that happened in a journal.
func (c *call) unseen(id string) error {
	after, seen, err := c.after("the number of the last happening seen")
	if err != nil || !seen {
		return err
	}
	news, err := c.Unseen(id, after)
	if err == nil && !news {
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

// written holds answers before they are sent, so that one that cannot be written is not half sent.
var written = sync.Pool{New: func() any { return new(bytes.Buffer) }}

var errKey = problem(http.StatusBadRequest, "",
	"send an Idempotency-Key of 1 to 100 plain letters and digits, so that a repeated request is stored once")

// goodKey reports whether a text can be an Idempotency-Key: what can be seen of ASCII.
func goodKey(key string) bool {
	for _, r := range key {
		if r <= ' ' || r > '~' {
			return false
		}
	}
	return key != "" && len(key) <= 100
}
