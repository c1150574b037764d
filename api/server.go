// Package api is the HTTP side: it decodes what the screen sends, calls the core or the store, and
// encodes what comes back. It holds no rule of bread and no state.
package api

import (
	"bytes"
	stdgzip "compress/gzip"
	"context"
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

	"risepan/core/day"
	"risepan/formats"
	"risepan/photo"
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
	MoorDemo func(context.Context, store.Queries, time.Time) (string, error) // makes another demo kitchen
	House    House
	Seen     func(call string, status int, took time.Duration) // is told of every call; nil: nobody
}

type server struct {
	Config
	store *store.Store
	log   *slog.Logger
	tight *sync.Map   // the front end's files, packed, by name
	days  *day.Memory // that were planned last
}

const (
	largestBody = 256 << 10                     // bytes that a request may send
	largestFile = formats.Largest + largestBody // that is brought in
	patience    = 15 * time.Second              // that a request has in all: a database that hangs holds nobody longer
)

// New builds the whole site: the API under /api/v1 and the pages everywhere else.
func New(cfg Config) http.Handler {
	return http.NewCrossOriginProtection().Handler(engine(cfg))
}

// engine is the router with all calls.
func engine(cfg Config) *gin.Engine {
	s := &server{cfg, cfg.Store, cfg.Log, &sync.Map{}, &day.Memory{}}
	r := s.router()
	r.GET("/healthz", func(c *gin.Context) { c.String(http.StatusOK, "running\n") })
	r.GET("/readyz", s.ready)
	r.GET("/house.crt", s.authority)
	v1 := r.Group("/api/v1", packed, limited(largestBody, patience))
	v1.GET("/health", s.show(s.health))
	v1.GET("/openapi.json", s.openAPI)
	v1.GET("/kitchens", s.show(s.listKitchens))
	v1.POST("/kitchens", s.open(http.StatusCreated, s.makeKitchen))
	v1.POST("/session", s.open(http.StatusOK, s.enterKitchen))
	v1.POST("/session/recovered", s.open(http.StatusOK, s.recoverKitchen))
	v1.POST("/session/ended", s.leaveKitchen)
	v1.POST("/session/paired", s.open(http.StatusOK, s.pair))
	v1.GET("/calendar/:token", s.feed)
	k := v1.Group("/kitchens/:kitchen", s.inKitchen)
	k.GET("", s.show(s.shelf))
	k.PUT("", s.change(s.changeKitchen))
	k.POST("/undo", s.change(s.undoKitchen))
	k.POST("/demo", s.create(s.loadDemo, s.loadedDemo))
	k.POST("/reset", s.create(s.resetDemo, s.demoReset))
	k.GET("/changes", s.show(s.changes))
	k.GET("/household", s.show(s.household))
	k.POST("/household", s.open(http.StatusCreated, s.claimKitchen))
	k.POST("/household/devices", s.change(s.pairDevice))
	k.POST("/household/ended", s.change(s.endDevice))
	k.POST("/household/others", s.change(s.endOthers))
	k.POST("/household/people", s.change(s.pairPerson))
	k.POST("/household/gone", s.change(s.endPerson))
	k.PUT("/household/passphrase", s.change(s.changePassphrase))
	k.POST("/household/recovery", s.change(s.newRecovery))
	k.PUT("/calendar", s.change(s.shareCalendar))
	k.POST("/links", s.show(s.showLinked))
	k.POST("/recipes/linked", s.create(s.copyLinked, s.recipeKept))
	k.PUT("/recipes/:id/link", s.change(s.shareRecipe))
	k.GET("/larder", s.show(s.larder))
	k.POST("/larder", s.change(s.answerOf))
	k.GET("/recipes", s.show(s.listRecipes))
	k.POST("/recipes", s.create(s.addRecipe, s.recipeMade))
	k.POST("/recipes/read", s.show(s.readRecipe))
	k.GET("/recipes/:id", s.show(s.showRecipe))
	k.POST("/recipes/:id/revisions", s.create(s.reviseRecipe, s.recipeMade))
	k.POST("/recipes/:id/swaps", s.create(s.keepSwaps, s.recipeKept))
	k.POST("/recipes/:id/taught", s.create(s.teach, s.recipeKept))
	k.POST("/recipes/:id/meant", s.create(s.meanIt, s.recipeKept))
	k.POST("/recipes/:id/undo", s.create(s.undoRecipe, s.recipeKept))
	k.GET("/recipes/:id/paper", s.hand(s.carryRecipe))
	k.GET("/recipes/:id/story", s.show(s.story))
	k.GET("/recipes/:id/difference", s.show(s.difference))
	k.POST("/recipes/:id/back", s.create(s.goBack, s.recipeKept))
	k.PUT("/recipes/:id/shelf", s.change(s.putAway(store.Queries.PutRecipeAway)))
	k.GET("/machines/profiles", s.show(s.profiles))
	k.POST("/machines/doubts", s.show(s.doubts))
	k.POST("/machines/estimate", s.show(s.estimate))
	k.GET("/machines/away", s.show(s.machinesAway))
	k.POST("/machines", s.create(s.addMachine, s.machineMade))
	k.GET("/machines/:id", s.show(s.showMachine))
	k.PUT("/machines/:id", s.change(s.changeMachine))
	k.POST("/machines/:id/undo", s.change(s.undoMachine))
	k.POST("/machines/:id/compare", s.show(s.compare))
	k.PUT("/machines/:id/shelf", s.change(s.putAway(store.Queries.PutMachineAway)))
	k.PUT("/habits", s.change(s.setHabit))
	k.POST("/plan", s.show(s.makePlan))
	k.POST("/plan/offers", s.show(s.offerSwaps))
	k.POST("/plan/paper", s.hand(s.carryPlan))
	k.POST("/plan/oven", s.show(s.byOven))
	k.GET("/lessons", s.show(s.lessons))
	k.POST("/lessons", s.create(s.takeLesson, s.lessonTaken))
	k.PUT("/lessons", s.change(s.declineLesson))
	k.GET("/days", s.show(s.week))
	k.GET("/days/next", s.show(s.nextOfDays))
	k.GET("/days/:date", s.show(s.showDay))
	k.PUT("/days/:date", s.change(s.keepDay))
	k.POST("/days/:date/undo", s.change(s.undoDay))
	k.GET("/days/:date/mends", s.show(s.mendDay))
	k.GET("/days/:date/needs", s.show(s.needsOfDay))
	k.GET("/days/:date/calendar", s.hand(s.carryDay))
	k.GET("/regulars", s.show(s.regulars))
	k.GET("/bags", s.show(s.listBags))
	k.POST("/bags", s.create(s.addBags, s.bagsMade))
	k.POST("/bags/preview", s.show(s.previewBags))
	k.GET("/bags/:id", s.show(s.showBags))
	k.PUT("/bags/:id", s.change(s.leaveBags))
	k.POST("/benches", s.create(s.addBench, s.benchMade))
	k.GET("/benches/:id", s.show(s.showBench))
	k.POST("/benches/:id/outs", s.show(s.waysOut))
	k.POST("/benches/:id/happenings", s.create(s.addAtBench, s.toldBench))
	k.POST("/rehearsals", s.create(s.addRehearsal, s.rehearsalMade))
	k.GET("/rehearsals/:id", s.show(s.showRehearsal))
	k.POST("/rehearsals/:id/happenings", s.create(s.addInRehearsal, s.rehearsedTold))
	k.POST("/rehearsals/:id/kept", s.create(s.keepRehearsal, s.bakeMade))
	k.GET("/bakes", s.show(s.listBakes))
	k.GET("/bakes.csv", s.logTable)
	k.GET("/year", s.show(s.year))
	k.GET("/bakes/running", s.show(s.runningBakes))
	k.POST("/bakes", s.create(s.startBake, s.bakeMade))
	k.GET("/bakes/:id", s.show(s.showBake))
	k.POST("/bakes/:id/happenings", s.create(s.addInBake, s.toldBake))
	k.GET("/bakes/:id/timetable", s.hand(s.carryBake))
	k.PUT("/bakes/:id/shelf", s.change(s.putAway(store.Queries.PutBakeAway)))

	files := r.Group("/api/v1/kitchens/:kitchen", packed, limited(largestFile, 8*patience), s.inKitchen)
	files.POST("/bring", s.show(s.bring))
	files.POST("/imports", s.create(s.keepBrought, s.broughtIn))
	k.POST("/imports/:id/undo", s.change(s.undoBrought))
	chest := r.Group("/api/v1/kitchens/:kitchen", limited(largestChest, chestPatience), s.inKitchen)
	chest.GET("/file", s.carryKitchen)
	chest.POST("/restore", s.restoreKitchen)
	k.POST("/swap", s.change(s.swapKitchen))
	pictures := r.Group("/api/v1/kitchens/:kitchen", limited(photo.Largest, patience), s.inKitchen)
	pictures.POST("/bakes/:id/photos", s.cleaned, s.create(s.addPhoto, s.toldBake))
	pictures.POST("/recipes/:id/photos", s.cleaned, s.create(s.addCardPhoto, s.cardPhotosNow))
	k.GET("/recipes/:id/photos", s.show(s.cardPhotos))
	k.PUT("/photos/:id/shelf", s.change(s.putAway(store.Queries.PutPhotoAway)))
	pictures.GET("/photos/:id", s.picture)

	r.NoMethod(func(c *gin.Context) {
		s.refuse(c, problem(http.StatusMethodNotAllowed, "", "%s does not work here", c.Request.Method))
	})
	r.NoRoute(s.page)
	return r
}

// router is a router with what stands before every handler.
func (s *server) router() *gin.Engine {
	gin.SetMode(gin.ReleaseMode)
	r := gin.New()
	r.HandleMethodNotAllowed = true
	r.RemoteIPHeaders = []string{"X-Forwarded-For"}
	proxies := make([]string, len(s.House.Proxies))
	for n, p := range s.House.Proxies {
		proxies[n] = p.String()
	}
	if err := r.SetTrustedProxies(proxies); err != nil {
		panic(err) // a prefix that was parsed is one
	}
	r.Use(s.seen, s.recover, s.ownHost, s.secure)
	return r
}

// packed answers in fewer bytes; what is written once is packed lightly.
var packed = gzip.Gzip(gzip.BestSpeed)

// NewBare answers every request with the same bytes, behind all that stands before the real handlers: what
// the real ones are measured against.
func NewBare(cfg Config, answer []byte) http.Handler {
	s := &server{cfg, cfg.Store, cfg.Log, &sync.Map{}, &day.Memory{}}
	r := s.router()
	r.Group("", packed, limited(largestBody, patience)).Any("/*path", func(c *gin.Context) {
		if _, err := io.Copy(io.Discard, c.Request.Body); err != nil {
			s.refuse(c, err)
			return
		}
		c.Data(http.StatusOK, "application/json", answer)
	})
	return http.NewCrossOriginProtection().Handler(r)
}

// limited bounds how many bytes a request may send and how long it may take.
func limited(most int64, patience time.Duration) gin.HandlerFunc {
	return func(c *gin.Context) {
		ctx, cancel := context.WithTimeout(c.Request.Context(), patience)
		defer cancel()
		c.Request = c.Request.WithContext(ctx)
		c.Request.Body = http.MaxBytesReader(c.Writer, c.Request.Body, most)
		c.Header("Cache-Control", "no-store")
		c.Next()
	}
}

// seen tells of every call how it ended and how long it took. What is no call counts together, so that nobody can make up
// names.
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
	"connect-src 'self'; manifest-src 'self'; worker-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'"

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
