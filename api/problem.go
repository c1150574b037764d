package api

import (
	"context"
	"database/sql/driver"
	"errors"
	"fmt"
	"io"
	"net"
	"net/http"
	"reflect"
	"strconv"
	"time"

	"github.com/gin-gonic/gin"
	"github.com/go-json-experiment/json"
	"github.com/go-json-experiment/json/jsontext"
	"github.com/go-sql-driver/mysql"

	"risepan/core/fault"
	"risepan/gate"
	"risepan/store"
	"risepan/usecase"
)

// Problem is an error as RFC 9457 has it, with the field's JSON pointer. It is an error itself.
type Problem struct {
	Type    string              `json:"type"`
	Title   string              `json:"title"`
	Status  int                 `json:"status"`
	Detail  string              `json:"detail"`
	Pointer string              `json:"pointer,omitzero"` // to the field that is wrong
	Plan    *usecase.PlanAnswer `json:"plan,omitzero"`    // of a 409: the plan as it would be now

	wait time.Duration // until it may be tried again
}

func (p *Problem) Error() string { return fmt.Sprintf("%d %s: %s", p.Status, p.Title, p.Detail) }

func problem(status int, pointer, format string, args ...any) *Problem {
	return &Problem{Type: "about:blank", Title: http.StatusText(status), Status: status, Pointer: pointer,
		Detail: fmt.Sprintf(format, args...)}
}

// asProblem turns any error into the problem that the client gets.
func asProblem(err error) *Problem {
	var p *Problem
	var unreadable *store.Unreadable
	if errors.As(err, &p) {
		return p
	}
	if r := refused(err); r != nil {
		return r
	}
	if errors.As(err, &unreadable) { // whatever is inside, it is not the client's mistake
		return problem(http.StatusInternalServerError, "", "this %s cannot be read; everything else in the kitchen "+
			"is as it was", unreadable.What)
	}
	for _, as := range []func(error) *Problem{mistake, trouble} {
		if p := as(err); p != nil {
			return p
		}
	}
	if bad := (*usecase.BadFile)(nil); errors.As(err, &bad) {
		return problem(http.StatusUnprocessableEntity, "/file", "%v", bad)
	}
	return problem(http.StatusInternalServerError, "", "something went wrong here; nothing was stored")
}

// closed is the type of problems that a page meets whose kitchen is closed to it: it goes to the door.
const closed = "urn:rise-pan:closed"

// statuses are those of HTTP for what use cases refuse.
var statuses = map[usecase.Kind]int{
	usecase.Conflict: http.StatusConflict, usecase.Unauthorized: http.StatusUnauthorized,
	usecase.Forbidden: http.StatusForbidden,
	usecase.NotFound:  http.StatusNotFound, usecase.TooManyRequests: http.StatusTooManyRequests,
}

// refused is the problem of what a use case refuses; nil for another error.
func refused(err error) *Problem {
	var r *usecase.Refusal
	if !errors.As(err, &r) {
		return nil
	}
	p := problem(statuses[r.Kind], r.Pointer, "%s", r.Detail)
	p.Plan, p.wait = r.Plan, r.Wait
	if r.Closed {
		p.Type = closed
	}
	return p
}

// mistake is the problem of an error that the client can mend; nil for another error.
func mistake(err error) *Problem {
	var f *fault.Fault
	var large *http.MaxBytesError
	var syntax *jsontext.SyntacticError
	var semantic *json.SemanticError
	switch {
	case errors.As(err, &f):
		return problem(http.StatusUnprocessableEntity, f.Pointer, "%s", f.Detail)
	case errors.As(err, &large):
		return problem(http.StatusRequestEntityTooLarge, "", "this is too long: at most %d kB can be sent",
			large.Limit/1024)
	case errors.As(err, &syntax):
		if errors.Is(err, jsontext.ErrDuplicateName) {
			return problem(http.StatusBadRequest, string(syntax.JSONPointer), "this field is there twice")
		}
		return problem(http.StatusBadRequest, string(syntax.JSONPointer),
			"what was sent is not whole JSON: it goes wrong after %d bytes", syntax.ByteOffset)
	case errors.Is(err, io.EOF), errors.Is(err, io.ErrUnexpectedEOF):
		return problem(http.StatusBadRequest, "", "what was sent is not whole JSON: it ends too soon")
	case errors.As(err, &semantic):
		return problem(http.StatusBadRequest, string(semantic.JSONPointer), "%s", wrongType(semantic))
	case errors.Is(err, store.ErrNotFound):
		return problem(http.StatusNotFound, "", "this kitchen has no such thing")
	case errors.Is(err, store.ErrStale):
		return problem(http.StatusPreconditionFailed, "", "this was changed elsewhere meanwhile: look at it again, "+
			"then change it")
	case errors.Is(err, store.ErrKeyReused):
		return problem(http.StatusUnprocessableEntity, "", "this Idempotency-Key was used for another request: use "+
			"a new one")
	}
	return nil
}

// trouble is the problem of an error that passes; nil for another error.
func trouble(err error) *Problem {
	var network net.Error
	switch {
	case errors.Is(err, gate.ErrBusy):
		p := problem(http.StatusServiceUnavailable, "", "there is more to work out here than can be just now; nothing "+
			"was stored, so try again in some seconds")
		p.wait = crowded
		return p
	case errors.Is(err, context.DeadlineExceeded), errors.Is(err, context.Canceled):
		return problem(http.StatusServiceUnavailable, "", "this took too long just now; nothing was stored, so try "+
			"again in a moment")
	case errors.Is(err, mysql.ErrInvalidConn), errors.Is(err, driver.ErrBadConn), errors.As(err, &network):
		return problem(http.StatusServiceUnavailable, "", "the database is not responding. Nothing was saved; please "+
			"try again in a moment")
	}
	return nil
}

// wrongType says what a field should hold, in a baker's words: those of our own readers, or by the type
// that it has here.
func wrongType(e *json.SemanticError) string {
	var inner *json.SemanticError
	switch {
	case errors.Is(e.Err, json.ErrUnknownName):
		return "there is no such field"
	case e.Err != nil && !errors.As(e.Err, &inner) && ours(e.GoType):
		return e.Err.Error()
	case e.GoType == nil:
		return "this does not fit here"
	}
	return fmt.Sprintf("this does not fit here: want %s", kindInWords(e.GoType))
}

// ours reports whether a type is read by a reader of this program, whose errors are for bakers.
func ours(t reflect.Type) bool {
	return t != nil && reflect.PointerTo(t).Implements(textReader)
}

var textReader = reflect.TypeFor[interface{ UnmarshalText([]byte) error }]()

func kindInWords(t reflect.Type) string {
	switch {
	case ours(t):
		return "a text"
	case t.Kind() >= reflect.Int && t.Kind() <= reflect.Uint64:
		return "a whole number"
	case t.Kind() == reflect.Float64:
		return "a number"
	case t.Kind() == reflect.Bool:
		return "true or false"
	case t.Kind() == reflect.Slice:
		return "a list"
	case t.Kind() == reflect.String:
		return "a text"
	}
	return "an object"
}

// When a client may try again: while the database does not answer, and where too many wait.
const shortly, crowded = 2 * time.Second, 5 * time.Second

func (s *server) refuse(c *gin.Context, err error) {
	p := asProblem(err)
	if p.Status >= 500 {
		s.log.Error("request failed", "method", c.Request.Method, "path", c.Request.URL.Path, "status", p.Status,
			"error", err)
	}
	if p.Status == http.StatusServiceUnavailable {
		p.wait = max(p.wait, shortly)
	}
	if p.wait > 0 {
		c.Header("Retry-After", strconv.Itoa(int(p.wait/time.Second)))
	}
	b, err := json.Marshal(p)
	if err != nil {
		b = []byte(`{"type":"about:blank","title":"Internal Server Error","status":500,"detail":"something went wrong here"}`)
	}
	c.Abort()
	c.Data(p.Status, "application/problem+json", b)
}
