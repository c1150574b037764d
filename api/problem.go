package api

import (
	"database/sql/driver"
	"errors"
	"fmt"
	"io"
	"net"
	"net/http"

	"github.com/gin-gonic/gin"
	"github.com/go-json-experiment/json"
	"github.com/go-json-experiment/json/jsontext"
	"github.com/go-sql-driver/mysql"

	"risepan/core/fault"
	"risepan/store"
)

// Problem is an error as RFC 9457 has it, with the field's JSON pointer. It is an error itself.
type Problem struct {
	Type    string      `json:"type"`
	Title   string      `json:"title"`
	Status  int         `json:"status"`
	Detail  string      `json:"detail"`
	Pointer string      `json:"pointer,omitzero"` // to the field that is wrong
	Plan    *PlanAnswer `json:"plan,omitzero"`    // of a 409: the plan as it would be now
}

func (p *Problem) Error() string { return fmt.Sprintf("%d %s: %s", p.Status, p.Title, p.Detail) }

func problem(status int, pointer, format string, args ...any) *Problem {
	return &Problem{Type: "about:blank", Title: http.StatusText(status), Status: status, Pointer: pointer, Detail: fmt.Sprintf(format, args...)}
}

// asProblem turns any error into the problem that the client gets.
func asProblem(err error) *Problem {
	var p *Problem
	var f *fault.Fault
	var large *http.MaxBytesError
	var syntax *jsontext.SyntacticError
	var semantic *json.SemanticError
	var network net.Error
	switch {
	case errors.As(err, &p):
		return p
	case errors.As(err, &f):
		return problem(http.StatusUnprocessableEntity, f.Pointer, "%s", f.Detail)
	case errors.As(err, &large):
		return problem(http.StatusRequestEntityTooLarge, "", "this is too long: at most %d kB can be sent", large.Limit/1024)
	case errors.Is(err, io.EOF), errors.As(err, &syntax):
		pointer := ""
		if syntax != nil {
			pointer = string(syntax.JSONPointer)
		}
		return problem(http.StatusBadRequest, pointer, "what was sent is not whole JSON: %v", err)
	case errors.As(err, &semantic):
		return problem(http.StatusBadRequest, string(semantic.JSONPointer), "%s", wrongType(semantic))
	case errors.Is(err, store.ErrNotFound):
		return problem(http.StatusNotFound, "", "this kitchen has no such thing")
	case errors.Is(err, store.ErrStale):
		return problem(http.StatusPreconditionFailed, "", "this was changed elsewhere meanwhile: look at it again, then change it")
	case errors.Is(err, store.ErrKeyReused):
		return problem(http.StatusUnprocessableEntity, "", "this Idempotency-Key was used for another request: use a new one")
	case errors.Is(err, mysql.ErrInvalidConn), errors.Is(err, driver.ErrBadConn), errors.As(err, &network):
		return problem(http.StatusServiceUnavailable, "", "the record book is not answering just now; nothing was stored, so try again in a moment")
	}
	return problem(http.StatusInternalServerError, "", "something went wrong here; nothing was stored")
}

// wrongType says what a field should hold, in words.
func wrongType(e *json.SemanticError) string {
	if e.Err != nil {
		if errors.Is(e.Err, json.ErrUnknownName) {
			return "there is no such field"
		}
		return e.Err.Error()
	}
	if e.GoType != nil {
		return fmt.Sprintf("a %s does not fit here: want %s", e.JSONKind, kindInWords(e.GoType.Kind().String()))
	}
	return e.Error()
}

func kindInWords(k string) string {
	switch k {
	case "int", "int64", "float64":
		return "a number"
	case "bool":
		return "true or false"
	case "slice":
		return "a list"
	case "string":
		return "a text"
	}
	return "an object"
}

func (s *server) refuse(c *gin.Context, err error) {
	p := asProblem(err)
	if p.Status >= 500 {
		s.log.Error("request failed", "method", c.Request.Method, "path", c.Request.URL.Path, "status", p.Status, "error", err)
	}
	if p.Status == http.StatusServiceUnavailable {
		c.Header("Retry-After", "2")
	}
	b, err := json.Marshal(p)
	if err != nil {
		b = []byte(`{"type":"about:blank","title":"Internal Server Error","status":500,"detail":"something went wrong here"}`)
	}
	c.Abort()
	c.Data(p.Status, "application/problem+json", b)
}
