// Package api is the HTTP side: it decodes what a client sends, calls one use case and encodes what comes back.
//
// The table of routes (routes.go) holds each call with its path, its words for the document,
// what it takes and gives, and how it is done: one that shows, one that alters what is there, one that makes something
// under an Idempotency-Key. The router, the OpenAPI document and the front end's types are made of that table. Errors
// are problem details of RFC 9457 with the JSON pointer of the field.
//
// It holds no rule of bread, no use case and no state.
package api

import (
	"bytes"
	stdgzip "compress/gzip"
	"errors"
	"io"
	"io/fs"
	"log/slog"
	"mime"
	"net/http"
	"path"
	"slices"
	"strings"
	"sync"
	"time"

	"github.com/gin-contrib/gzip"
	"github.com/gin-gonic/gin"

	"risepan/core/schedule"
	"risepan/usecase"
)

// Config is what a server needs.
type Config struct {
	usecase.Base
	Pages fs.FS            // the built front end
	Now   func() time.Time // the clock
	Net   Net
	Seen  func(call string, status int, took time.Duration) // is told of every call; nil: nobody
}

type server struct {
	Config
	base     *usecase.Base
	log      *slog.Logger
	tight    *sync.Map // the front end's files, packed, by name
	spent    [kindsOfCalls]*spent
	document func() []byte // the OpenAPI document, made once
}

func newServer(cfg Config) *server {
	if cfg.Days == nil {
		cfg.Days = &schedule.Memory{}
	}
	cfg.House.Authority = len(cfg.Net.Authority) > 0
	s := &server{Config: cfg, log: cfg.Log, tight: &sync.Map{}}
	s.base, s.document = &s.Config.Base, sync.OnceValue(OpenAPI)
	for kind, l := range limits {
		s.spent[kind] = newSpent(l)
	}
	return s
}

// New builds the whole site: the API under /api/v1 and the pages everywhere else.
func New(cfg Config) http.Handler {
	return http.NewCrossOriginProtection().Handler(engine(cfg))
}

// engine is the router with all calls.
func engine(cfg Config) *gin.Engine {
	s := newServer(cfg)
	r := s.router()
	for _, route := range outside() {
		s.add(r, route, func(*gin.Context) {})
	}
	for _, route := range inside() {
		s.add(r, route.below(kitchenPath), s.inKitchen(route.deed))
	}
	r.NoMethod(func(c *gin.Context) {
		s.refuse(c, problem(http.StatusMethodNotAllowed, "", "%s does not work here", c.Request.Method))
	})
	r.NoRoute(s.page)
	return r
}

// add has the router know a call.
func (s *server) add(r *gin.Engine, route route, right gin.HandlerFunc) {
	method, path, _ := strings.Cut(route.key, " ")
	handlers := []gin.HandlerFunc{s.limited(route.limit, right), route.handle(s)}
	if !route.loose {
		handlers = append([]gin.HandlerFunc{packed}, handlers...)
	}
	r.Handle(method, path, handlers...)
}

// router is a router with what stands before every handler.
func (s *server) router() *gin.Engine {
	gin.SetMode(gin.ReleaseMode)
	r := gin.New()
	r.HandleMethodNotAllowed = true
	r.RedirectTrailingSlash = false // the redirect would go where a header of anybody's says
	r.RemoteIPHeaders = []string{"X-Forwarded-For"}
	proxies := make([]string, len(s.Net.Proxies))
	for n, p := range s.Net.Proxies {
		proxies[n] = p.String()
	}
	if err := r.SetTrustedProxies(proxies); err != nil {
		panic(err) // a prefix that was parsed is one
	}
	r.Use(s.seen, s.paced, s.recover, s.ownHost, s.secure)
	return r
}

// packed answers in fewer bytes; what is written once is packed lightly.
var packed = gzip.Gzip(gzip.BestSpeed)

// NewBare answers every request with the same bytes, behind all that stands before the real handlers: what
// the real ones are measured against.
func NewBare(cfg Config, answer []byte) http.Handler {
	s := newServer(cfg)
	r := s.router()
	r.Group("", packed, s.limited(ordinary, func(*gin.Context) {})).Any("/*path", func(c *gin.Context) {
		if _, err := io.Copy(io.Discard, c.Request.Body); err != nil {
			s.refuse(c, err)
			return
		}
		c.Data(http.StatusOK, "application/json", answer)
	})
	return http.NewCrossOriginProtection().Handler(r)
}

// seen tells of every call how it ended and how long it took. What is no call counts together, so that nobody can
// make up names.
func (s *server) seen(c *gin.Context) {
	if s.Seen == nil {
		return
	}
	began := time.Now()
	c.Next()
	call := c.FullPath()
	if call == "" {
		call = "page"
	}
	s.Seen(c.Request.Method+" "+call, c.Writer.Status(), time.Since(began))
}

// recover keeps a panic from ending the server, logs it and answers 500.
func (s *server) recover(c *gin.Context) {
	defer func() {
		if p := recover(); p == http.ErrAbortHandler {
			panic(p) // an answer that is broken off on purpose
		} else if p != nil {
			s.log.Error("panic", "path", c.Request.URL.Path, "panic", p)
			s.refuse(c, errors.New("panic"))
		}
	}()
	c.Next()
}

const policy = "default-src 'none'; script-src 'self'; style-src 'self'; font-src 'self'; img-src 'self' data:; " +
	"connect-src 'self'; manifest-src 'self'; worker-src 'self'; base-uri 'none'; form-action 'none'; " +
	"frame-ancestors 'none'"

func (s *server) secure(c *gin.Context) {
	h := c.Writer.Header()
	if s.House.Secure {
		h.Set("Strict-Transport-Security", "max-age=31536000")
	}
	h.Set("Content-Security-Policy", policy)
	h.Set("X-Content-Type-Options", "nosniff")
	h.Set("X-Frame-Options", "DENY") // for browsers that do not know frame-ancestors
	h.Set("Referrer-Policy", "no-referrer")
	h.Set("Cross-Origin-Opener-Policy", "same-origin")
	h.Set("Cross-Origin-Resource-Policy", "same-origin")
}

// kinds are media types that a system's own list may lack.
var kinds = map[string]string{".webmanifest": "application/manifest+json", ".woff2": "font/woff2"}

// page serves the built front end; any path that is no file is a screen of it.
func (s *server) page(c *gin.Context) {
	name := strings.TrimPrefix(path.Clean(c.Request.URL.Path), "/")
	if strings.HasPrefix(name, "api/") {
		s.refuse(c, problem(http.StatusNotFound, "", "there is nothing at %s", c.Request.URL.Path))
		return
	}
	if info, err := fs.Stat(s.Pages, name); err != nil || info.IsDir() {
		if strings.HasPrefix(name, "assets/") {
			s.refuse(c, problem(http.StatusNotFound, "", "there is no such file"))
			return
		}
		name = "index.html"
	}
	b, err := fs.ReadFile(s.Pages, name)
	if err != nil {
		s.refuse(c, problem(http.StatusNotFound, "", "the front end is not built: run ./start"))
		return
	}
	if kind, ok := kinds[path.Ext(name)]; ok {
		c.Header("Content-Type", kind)
	}
	cache := "no-cache"
	if strings.HasPrefix(name, "assets/") {
		cache = "public, max-age=31536000, immutable"
	}
	c.Header("Cache-Control", cache)
	if slices.Contains([]string{".js", ".css", ".svg", ".html"}, path.Ext(name)) {
		c.Header("Vary", "Accept-Encoding")
		takes := c.GetHeader("Accept-Encoding")
		if br, err := fs.ReadFile(s.Pages, name+".br"); err == nil && strings.Contains(takes, "br") {
			c.Header("Content-Encoding", "br")
			c.Header("Content-Type", mime.TypeByExtension(path.Ext(name)))
			b = br
		} else if strings.Contains(takes, "gzip") {
			c.Header("Content-Encoding", "gzip")
			c.Header("Content-Type", mime.TypeByExtension(path.Ext(name)))
			b = s.best(name, b)
		}
	}
	http.ServeContent(c.Writer, c.Request, name, time.Time{}, bytes.NewReader(b))
}

// best is a file of the front end packed as tightly as can be, once for as long as the server runs.
func (s *server) best(name string, b []byte) []byte {
	if tight, ok := s.tight.Load(name); ok {
		return tight.([]byte)
	}
	var out bytes.Buffer
	w, _ := stdgzip.NewWriterLevel(&out, stdgzip.BestCompression)
	w.Write(b)
	w.Close()
	s.tight.Store(name, out.Bytes())
	return out.Bytes()
}
