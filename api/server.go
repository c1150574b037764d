// Package api is the HTTP side: it decodes what the screen sends, calls the core or the store, and
// encodes what comes back. It holds no rule of bread and no state.
package api

import (
	"bytes"
	"context"
	"errors"
	"fmt"
	"io"
	"io/fs"
	"log/slog"
	"net"
	"net/http"
	"path"
	"slices"
	"strings"
	"time"

	"github.com/gin-contrib/gzip"
	"github.com/gin-gonic/gin"
	"github.com/go-json-experiment/json"

	"risepan/store"
)

// Config is what a server needs.
type Config struct {
	Store *store.Store
	Pages fs.FS            // the built front end
	Now   func() time.Time // the clock
	Log   *slog.Logger
	// FillDemo loads the demo's machines, recipes and bakes into an empty kitchen.
	FillDemo func(context.Context, store.Queries, store.Kitchen, *time.Location, time.Time) error
}

type server struct {
	Config
	store *store.Store
	log   *slog.Logger
}

// largestBody is the most bytes that a request may send.
const largestBody = 256 << 10

// New builds the whole site: the API under /api/v1 and the pages everywhere else.
func New(cfg Config) http.Handler {
	gin.SetMode(gin.ReleaseMode)
	s := &server{cfg, cfg.Store, cfg.Log}
	r := gin.New()
	r.HandleMethodNotAllowed = true
	r.Use(s.recover, s.ownHost, secure, gzip.Gzip(gzip.DefaultCompression))

	v1 := r.Group("/api/v1", func(c *gin.Context) {
		c.Request.Body = http.MaxBytesReader(c.Writer, c.Request.Body, largestBody)
		c.Header("Cache-Control", "no-store")
	})
	v1.GET("/shelf", s.answer(s.shelf))
	v1.POST("/recipes", s.create(s.addRecipe))
	v1.POST("/recipes/read", s.answer(s.readRecipe))
	v1.GET("/recipes/:id", s.answer(s.showRecipe))
	v1.POST("/recipes/:id/revisions", s.create(s.addRecipe))
	v1.POST("/recipes/:id/swaps", s.create(s.keepSwaps))
	v1.POST("/recipes/:id/undo", s.create(s.undoRecipe))
	v1.GET("/machines/profiles", s.answer(s.profiles))
	v1.POST("/machines", s.create(s.addMachine))
	v1.GET("/machines/:id", s.answer(s.showMachine))
	v1.PUT("/machines/:id", s.answer(s.changeMachine))
	v1.POST("/machines/:id/undo", s.answer(s.undoMachine))
	v1.POST("/machines/:id/compare", s.answer(s.compare))
	v1.PUT("/habits", s.answer(s.setHabit))
	v1.GET("/larder", s.answer(s.larder))
	v1.PUT("/kitchen", s.answer(s.changeKitchen))
	v1.POST("/kitchen/undo", s.answer(s.undoKitchen))
	v1.POST("/plan", s.answer(s.makePlan))
	v1.POST("/benches", s.create(s.addBench))
	v1.GET("/benches/:id", s.answer(s.showBench))
	v1.POST("/benches/:id/happenings", s.create(s.addAtBench))
	v1.GET("/bakes", s.answer(s.listBakes))
	v1.POST("/bakes", s.create(s.startBake))
	v1.GET("/bakes/:id", s.answer(s.showBake))
	v1.POST("/bakes/:id/happenings", s.create(s.addHappening))
	v1.POST("/demo", s.create(s.loadDemo))
	v1.GET("/health", s.answer(s.health))

	r.NoMethod(func(c *gin.Context) {
		s.refuse(c, problem(http.StatusMethodNotAllowed, "", "%s does not work here", c.Request.Method))
	})
	r.NoRoute(s.page)
	return http.NewCrossOriginProtection().Handler(r)
}

// recover keeps a panic from ending the server, logs it and answers 500.
func (s *server) recover(c *gin.Context) {
	defer func() {
		if p := recover(); p != nil {
			s.log.Error("panic", "path", c.Request.URL.Path, "panic", p)
			s.refuse(c, errors.New("panic"))
		}
	}()
	c.Next()
}

// ownHost answers only to the loopback's own names, so that no other site's name can be pointed at
// this server.
func (s *server) ownHost(c *gin.Context) {
	host := c.Request.Host
	if h, _, err := net.SplitHostPort(host); err == nil {
		host = h
	}
	if !slices.Contains([]string{"127.0.0.1", "localhost", "[::1]", "::1"}, strings.ToLower(host)) {
		s.refuse(c, problem(http.StatusMisdirectedRequest, "", "Rise Pan answers to 127.0.0.1 and localhost only"))
	}
}

const policy = "default-src 'none'; script-src 'self'; style-src 'self'; font-src 'self'; img-src 'self' data:; " +
	"connect-src 'self'; manifest-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'"

func secure(c *gin.Context) {
	h := c.Writer.Header()
	h.Set("Content-Security-Policy", policy)
	h.Set("X-Content-Type-Options", "nosniff")
	h.Set("Referrer-Policy", "no-referrer")
	h.Set("Cross-Origin-Opener-Policy", "same-origin")
	h.Set("Cross-Origin-Resource-Policy", "same-origin")
}

// notModified is returned by a handler whose client has the newest state already.
var notModified = errors.New("not modified")

// answer makes a handler that writes what f returns as JSON.
func (s *server) answer(f func(*gin.Context) (any, error)) gin.HandlerFunc {
	return func(c *gin.Context) {
		v, err := f(c)
		if errors.Is(err, notModified) {
			c.Status(http.StatusNotModified)
			return
		}
		if err == nil {
			var b []byte
			if b, err = json.Marshal(v); err == nil {
				c.Data(http.StatusOK, "application/json", b)
				return
			}
		}
		s.refuse(c, err)
	}
}

// create makes a handler for a call that stores something. It wants an Idempotency-Key; the answer
// is kept under it in the same transaction.
func (s *server) create(f func(c *gin.Context, q store.Queries, k kitchenNow, body []byte) (any, error)) gin.HandlerFunc {
	return func(c *gin.Context) {
		key := c.GetHeader("Idempotency-Key")
		if key == "" || len(key) > 100 {
			s.refuse(c, problem(http.StatusBadRequest, "", "send an Idempotency-Key of 1 to 100 letters, so that a repeated request is stored once"))
			return
		}
		body, err := io.ReadAll(c.Request.Body)
		if err != nil {
			s.refuse(c, err)
			return
		}
		ctx := c.Request.Context()
		k, err := s.kitchen(ctx, s.store.Queries)
		if err != nil {
			s.refuse(c, err)
			return
		}
		whole := append([]byte(c.Request.Method+" "+c.Request.URL.Path+"\n"), body...)
		a, err := s.store.Once(ctx, k.ID, key, whole, k.now, func(q store.Queries) (store.Answer, error) {
			v, err := f(c, q, k, body)
			if err != nil {
				return store.Answer{}, err
			}
			b, err := json.Marshal(v)
			return store.Answer{Status: http.StatusCreated, Body: string(b)}, err
		})
		if err != nil {
			s.refuse(c, err)
			return
		}
		c.Data(a.Status, "application/json", []byte(a.Body))
	}
}

// read decodes a JSON body into v; an unknown field is refused.
func read(body io.Reader, v any) error {
	return json.UnmarshalRead(body, v, json.RejectUnknownMembers(true))
}

// kitchenNow is the kitchen that a request acts on, with its clock.
type kitchenNow struct {
	store.Kitchen
	zone *time.Location
	now  time.Time
}

func (s *server) kitchen(ctx context.Context, q store.Queries) (kitchenNow, error) {
	k, err := q.FirstKitchen(ctx)
	if err != nil {
		return kitchenNow{}, err
	}
	zone, err := time.LoadLocation(k.Kitchen.Zone)
	if err != nil {
		return kitchenNow{}, fmt.Errorf("the kitchen's zone: %w", err)
	}
	return kitchenNow{k, zone, s.Now()}, nil
}

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
	cache := "no-cache"
	if strings.HasPrefix(name, "assets/") {
		cache = "public, max-age=31536000, immutable"
	}
	c.Header("Cache-Control", cache)
	http.ServeContent(c.Writer, c.Request, name, time.Time{}, bytes.NewReader(b))
}
