package api

import (
	"bytes"
	"cmp"
	"context"
	"errors"
	"fmt"
	"io"
	"net/http"
	"os"
	"strings"
	"time"

	"github.com/gin-gonic/gin"

	"risepan/core/vocab"
	"risepan/formats"
	"risepan/gate"
	"risepan/photo"
)

// limit is what one call of a kind may take of the server. It is kept by one piece of middleware, before any work and
// before any connection of the database is taken. docs/limits.md is made of the table.
type limit struct {
	name     string
	what     string        // calls of this kind, in words
	bytes    int64         // that a request may send
	patience time.Duration // that its work may take, once all of it has come

	running, waiting, each int  // of its gate: at a time, beside those, and of one kitchen or address; 0: no gate
	first                  bool // the gate stands before what is sent, for it is too large to be laid aside
}

// The kinds of calls.
const (
	ordinary = iota
	passphrases
	days
	help
	searches
	photos
	files
	archives
	restores
	kindsOfCalls
)

// limits is the table, by the kinds.
var limits = [kindsOfCalls]limit{
	ordinary: {name: "ordinary", what: "everything else", bytes: 256 << 10, patience: 15 * time.Second},
	passphrases: {name: "passphrase", what: "signing in, making a kitchen, changing its passphrase: each hashes one",
		bytes: 256 << 10, patience: 15 * time.Second, running: 2, waiting: 30, each: 8},
	days: {name: "day", what: "a baking day and all that is told of it: the best plan is searched for",
		bytes: 256 << 10, patience: 15 * time.Second, running: 1, waiting: 30, each: 4},
	help: {name: "help", what: "ways to help a loaf of a day: some twenty days are planned",
		bytes: 256 << 10, patience: 10 * time.Second, running: 1, waiting: 4, each: 2},
	searches: {name: "search", what: "the log looked through, as a table, by its year, or for what it teaches: they " +
		"grow with the log",
		bytes: 256 << 10, patience: 15 * time.Second, running: 1, waiting: 12, each: 3},
	photos: {name: "photo", what: "a photo is unpacked, turned and written anew",
		bytes: photo.Largest, patience: 15 * time.Second, running: 1, waiting: 8, each: 3},
	files: {name: "file", what: "a file or a text is understood, or what was understood is kept",
		bytes: formats.Largest + 256<<10, patience: 10 * time.Second, running: 1, waiting: 6, each: 2},
	archives: {name: "archive", what: "all of a kitchen as one file", bytes: 256 << 10, patience: time.Hour,
		running: 2, waiting: 4, each: 1},
	restores: {name: "restore", what: "a kitchen is restored from its file", bytes: 2 << 30, patience: time.Hour,
		running: 4, waiting: 0, each: 1, first: true},
}

// Whoever sends or reads more slowly than this is cut off, however much there is: a request has a moment to begin, and
// then so many bytes come each second; of an answer a piece is taken within some seconds.
const (
	beginWithin = 10 * time.Second
	slowest     = 16 << 10 // bytes a second
	piece       = 32 << 10 // bytes
	pieceWithin = 20 * time.Second
)

const (
	heldInMemory  = 1 << 20 // bytes of a request; what is larger lies in a file until it is worked on
	longestQuery  = 2000    // bytes
	longestAnswer = 200     // letters of one value in a query
)

// spent is what keeps the limits of one kind.
type spent struct {
	limit
	gate *gate.Gate
}

func newSpent(l limit) *spent {
	s := &spent{limit: l}
	if l.running > 0 {
		s.gate = gate.New(l.running, l.waiting, l.each)
	}
	return s
}

// limited keeps a call within the limits of its kind. Who may not come in, by the right that is asked for before, is
// refused before anything that was sent is looked at.
func (s *server) limited(kind int, right gin.HandlerFunc) gin.HandlerFunc {
	of := s.spent[kind]
	return func(c *gin.Context) {
		c.Header("Cache-Control", "no-store")
		whole := c.Request.Context()
		within := func(patience time.Duration) context.CancelFunc {
			ctx, cancel := context.WithTimeout(whole, patience)
			c.Request = c.Request.WithContext(ctx)
			return cancel
		}
		defer within(of.patience)()
		if err := shortQuery(c.Request); err != nil {
			s.refuse(c, err)
			return
		}
		c.Request.Body = &steady{ReadCloser: http.MaxBytesReader(c.Writer, c.Request.Body, of.bytes),
			conn: http.NewResponseController(c.Writer), began: time.Now()}
		if right(c); c.IsAborted() {
			return
		}
		if of.gate == nil {
			c.Next()
			return
		}
		if !of.first {
			aside, err := layAside(c.Request.Body)
			if err != nil {
				s.refuse(c, err)
				return
			}
			defer aside.Close()
			c.Request.Body = aside
		}
		defer within(of.patience)()
		leave, err := of.gate.Enter(c.Request.Context(), visitorOf(c))
		if err != nil {
			s.refuse(c, err)
			return
		}
		defer leave()
		s.callOf(c).again()
		c.Next()
	}
}

// visitorOf is whose places at a gate a call takes: a kitchen's, or an address's.
func visitorOf(c *gin.Context) string {
	return cmp.Or(c.Param("kitchen"), address(c))
}

// shortQuery refuses a query that no page and no client of ours would send.
func shortQuery(r *http.Request) error {
	if len(r.URL.RawQuery) > longestQuery {
		return problem(http.StatusRequestURITooLong, "", "this address is too long: at most %d letters follow its ?",
			longestQuery)
	}
	for name, values := range r.URL.Query() {
		for _, v := range values {
			if n := len([]rune(v)); n > longestAnswer {
				return problem(http.StatusUnprocessableEntity, "/"+strings.ToLower(vocab.Clip(name)),
					"this is too long: %d letters, and at most %d are looked at", n, longestAnswer)
			}
		}
	}
	return nil
}

// steady reads what is sent as long as it comes steadily.
type steady struct {
	io.ReadCloser
	conn  *http.ResponseController
	began time.Time
	n     int64
}

func (r *steady) Read(p []byte) (int, error) {
	wait := beginWithin + time.Duration(r.n)*time.Second/slowest
	_ = r.conn.SetReadDeadline(r.began.Add(wait)) // what has no connection, as in tests, never waits
	n, err := r.ReadCloser.Read(p)
	r.n += int64(n)
	if errors.Is(err, os.ErrDeadlineExceeded) {
		err = errSlow
	}
	return n, err
}

var errSlow = problem(http.StatusRequestTimeout, "", "what was sent came too slowly, and nothing was stored: try "+
	"again where the connection is better")

// aside is what was sent, whole, in memory or in a file.
type aside struct {
	io.Reader
	file *os.File
}

func (a *aside) Close() error {
	if a.file == nil {
		return nil
	}
	return errors.Join(a.file.Close(), os.Remove(a.file.Name()))
}

// layAside takes in all that is sent before any place at a gate is taken, so that whoever sends slowly keeps none from
// others.
func layAside(body io.Reader) (*aside, error) {
	var head bytes.Buffer
	n, err := io.Copy(&head, io.LimitReader(body, heldInMemory))
	if err != nil || n < heldInMemory {
		return &aside{Reader: &head}, err
	}
	file, err := os.CreateTemp("", "rise-pan-sent-*")
	if err != nil {
		return nil, err
	}
	out := &aside{file, file}
	_, err = io.Copy(file, io.MultiReader(&head, body))
	if err == nil {
		_, err = file.Seek(0, io.SeekStart)
	}
	if err != nil {
		out.Close()
	}
	return out, err
}

// paced writes an answer piece by piece, each within its time: whoever does not read is cut off, and holds no memory.
type paced struct {
	gin.ResponseWriter
	conn *http.ResponseController
}

func (s *server) paced(c *gin.Context) {
	c.Writer = &paced{c.Writer, http.NewResponseController(c.Writer)}
}

func (w *paced) Write(b []byte) (n int, err error) {
	for first := true; first || len(b) > 0; first = false {
		_ = w.conn.SetWriteDeadline(time.Now().Add(pieceWithin))
		m, err := w.ResponseWriter.Write(b[:min(len(b), piece)])
		n, b = n+m, b[m:]
		if err != nil {
			return n, err
		}
	}
	return n, nil
}

func (w *paced) WriteString(text string) (int, error) { return w.Write([]byte(text)) }

func (w *paced) Unwrap() http.ResponseWriter { return w.ResponseWriter }

// Limits is the page that tells the limits of every call.
func Limits() []byte {
	var out strings.Builder
	out.WriteString(`# What one request may take

Every request is held to the limits of its kind before any work is done and before a connection of the database is
taken. What is refused says why, and when to try again. This page is made from the table in api/limits.go by
` + "`RISEPAN_GOLDEN=docs go test ./api`" + `, which also fails where it is stale.

| kind | what | sends at most | works at most | at a time | waiting beside | of one kitchen or address |
|---|---|---|---|---|---|---|
`)
	number := func(n int) string {
		if n == 0 {
			return "–"
		}
		return fmt.Sprint(n)
	}
	for _, l := range limits {
		fmt.Fprintf(&out, "| %s | %s | %s | %s | %s | %s | %s |\n", l.name, l.what, size(l.bytes),
			l.patience, number(l.running), number(l.waiting), number(l.each))
	}
	fmt.Fprintf(&out, `
- A query has at most %d bytes, and one value in it %d letters. A header has at most 32 kB.
- What is sent begins within %s and comes at %d kB a second or faster; an answer is taken at %d kB in %s or faster.
  There is no bound on how long either takes in all.
- Whoever finds no place waiting is answered 503 with Retry-After at once.
- Tries to guess a passphrase, a code or an address are counted apart from this: docs/security.md tells how many are
  let through.

## The calls of each kind

`, longestQuery, longestAnswer, beginWithin, slowest>>10, piece>>10, pieceWithin)
	for kind, l := range limits[1:] {
		fmt.Fprintf(&out, "- %s:", l.name)
		for _, r := range all() {
			if r.limit == kind+1 {
				fmt.Fprintf(&out, " `%s`", strings.Replace(r.key, kitchenPath, "", 1))
			}
		}
		out.WriteString("\n")
	}
	return []byte(out.String())
}

func size(bytes int64) string {
	switch {
	case bytes >= 1<<30:
		return fmt.Sprintf("%d GB", bytes>>30)
	case bytes >= 1<<20:
		return fmt.Sprintf("%.1f MB", float64(bytes)/(1<<20))
	}
	return fmt.Sprintf("%d kB", bytes>>10)
}
