package api

import (
	"fmt"
	"io"
	"net/http"

	"github.com/gin-gonic/gin"

	"risepan/core/kitchen"
	"risepan/usecase"
)

// route is one call of the API: where it is, what it does in words, and how it is done. The router, the document and
// the front end's types are made of the table of routes.
type route struct {
	key  string // method and path; a path below a kitchen begins behind it
	says string
	deed
}

// deed is how a call is done: what it takes and gives, what it wants beside its body, and its handler.
type deed struct {
	is        way
	takes     any // a value of what is sent; nil: nothing
	gives     any // a value of what comes back; nil: a file
	media     string
	query     []string // "name: what it says"
	versioned bool     // it wants If-Match
	owners    bool     // it is the owner's alone
	replaces  bool     // it puts another kitchen in the place of this one
	limit     int      // the kind of call, of whose limits it is
	loose     bool     // its answer is not packed
	handle    func(*server) gin.HandlerFunc
}

// way is what a call is like: what it wants beside its body, and how it may fail.
type way int

const (
	reads   way = iota // it changes nothing
	changes            // what is there; sent twice it changes nothing more
	adds               // it wants an Idempotency-Key; sent again it counts once
)

// asks names what a call takes from its query.
func (d deed) asks(query ...string) deed { d.query = query; return d }

// ownersOnly keeps a call from all but the owner of a kitchen.
func (d deed) ownersOnly() deed { d.owners = true; return d }

// sends has a call take a file of a media type.
func (d deed) sends(media string) deed { d.media = media; return d }

// within holds a call to the limits of a kind.
func (d deed) within(kind int) deed { d.limit = kind; return d }

// replacing marks a call that puts another kitchen in the place of this one.
func (d deed) replacing() deed { d.replaces = true; return d }

// loosely leaves a call's answer as it is: it is large, or packed already.
func (d deed) loosely() deed { d.loose = true; return d }

// answers names what comes back where a use case has several answers.
func (d deed) answers(v any) deed { d.gives = v; return d }

// step is a use case with how its request is decoded.
type step[Out any] struct {
	takes     any
	versioned bool
	run       func(*call) (Out, error)
}

// whole is a use case that wants nothing.
func whole[Out any](f func(*scope) (Out, error)) step[Out] {
	return step[Out]{run: func(c *call) (Out, error) { return f(c.scope) }}
}

// of is a use case on the thing that the path names.
func of[Out any](f func(*scope, string) (Out, error)) step[Out] {
	return step[Out]{run: func(c *call) (out Out, err error) {
		id, err := c.id()
		if err != nil {
			return out, err
		}
		return f(c.scope, id)
	}}
}

// on is a use case on the date that the path names.
func on[Out any](f func(*scope, kitchen.Date) (Out, error)) step[Out] {
	return step[Out]{run: func(c *call) (out Out, err error) {
		date, err := c.date()
		if err != nil {
			return out, err
		}
		return f(c.scope, date)
	}}
}

// news is of, for a client that may have seen all that happened in a journal.
func news[Out any](f func(*scope, string) (Out, error)) step[Out] {
	return step[Out]{run: func(c *call) (out Out, err error) {
		id, err := c.id()
		if err == nil {
			err = c.unseen(id)
		}
		if err != nil {
			return out, err
		}
		return f(c.scope, id)
	}}
}

// sent is a use case on what is sent.
func sent[In, Out any](f func(*scope, In) (Out, error)) step[Out] {
	return step[Out]{takes: *new(In), run: func(c *call) (out Out, err error) {
		var in In
		if err := c.read(&in); err != nil {
			return out, err
		}
		return f(c.scope, in)
	}}
}

// sentTo is a use case on the thing that the path names and on what is sent.
func sentTo[In, Out any](f func(*scope, string, In) (Out, error)) step[Out] {
	return step[Out]{takes: *new(In), run: func(c *call) (out Out, err error) {
		var in In
		if err := c.read(&in); err != nil {
			return out, err
		}
		id, err := c.id()
		if err != nil {
			return out, err
		}
		return f(c.scope, id, in)
	}}
}

// seen has a use case take the version that the sender saw.
func seen[Out any](f func(*call, int) (Out, error)) step[Out] {
	return step[Out]{versioned: true, run: func(c *call) (out Out, err error) {
		version, err := c.version()
		if err != nil {
			return out, err
		}
		return f(c, version)
	}}
}

// edited is a use case on what is sent in the place of a version that the sender saw.
func edited[In, Out any](f func(*scope, int, In) (Out, error)) step[Out] {
	out := seen(func(c *call, version int) (Out, error) {
		return sent(func(s *scope, in In) (Out, error) { return f(s, version, in) }).run(c)
	})
	out.takes = *new(In)
	return out
}

// editedAt is edited, of the thing that the path names.
func editedAt[In, Out any](f func(*scope, string, int, In) (Out, error)) step[Out] {
	out := seen(func(c *call, version int) (Out, error) {
		return sentTo(func(s *scope, id string, in In) (Out, error) { return f(s, id, version, in) }).run(c)
	})
	out.takes = *new(In)
	return out
}

// editedOn is edited, of the date that the path names.
func editedOn[In, Out any](f func(*scope, kitchen.Date, int, In) (Out, error)) step[Out] {
	out := seen(func(c *call, version int) (Out, error) {
		return on(func(s *scope, date kitchen.Date) (Out, error) {
			return sent(func(s *scope, in In) (Out, error) { return f(s, date, version, in) }).run(c)
		}).run(c)
	})
	out.takes = *new(In)
	return out
}

// undone is a use case that brings back what was before the version that the sender saw.
func undone[Out any](f func(*scope, int) (Out, error)) step[Out] {
	return seen(func(c *call, version int) (Out, error) { return f(c.scope, version) })
}

// undoneAt is undone, of the thing that the path names.
func undoneAt[Out any](f func(*scope, string, int) (Out, error)) step[Out] {
	return seen(func(c *call, version int) (Out, error) {
		return of(func(s *scope, id string) (Out, error) { return f(s, id, version) }).run(c)
	})
}

// undoneOn is undone, of the date that the path names.
func undoneOn[Out any](f func(*scope, kitchen.Date, int) (Out, error)) step[Out] {
	return seen(func(c *call, version int) (Out, error) {
		return on(func(s *scope, date kitchen.Date) (Out, error) { return f(s, date, version) }).run(c)
	})
}

// shows is a call that changes nothing.
func shows[Out any](s step[Out]) deed {
	return deed{takes: s.takes, gives: *new(Out), handle: func(srv *server) gin.HandlerFunc {
		return func(c *gin.Context) {
			v, err := s.run(srv.callOf(c))
			srv.answer(c, http.StatusOK, v, err)
		}
	}}
}

// alters is a call that changes what is there by a use case with a transaction of its own.
func alters[Out any](s step[Out]) deed {
	d := shows(s)
	d.is, d.versioned = changes, s.versioned
	return d
}

// turns is a call that changes what is there, in one transaction. Sent twice it changes nothing more, for it names the
// version that it was made from or what shall be.
func turns[Out any](s step[Out]) deed {
	d := alters(s)
	d.handle = func(srv *server) gin.HandlerFunc {
		return func(c *gin.Context) {
			call := srv.callOf(c)
			body, err := io.ReadAll(call.body)
			if err != nil {
				srv.refuse(c, err)
				return
			}
			var v Out
			err = call.Change(call.topic(), func(in *scope) (err error) {
				v, err = s.run(call.within(in, body))
				return err
			})
			srv.answer(c, http.StatusOK, v, err)
		}
	}
	return d
}

// makes is a call that adds something. It wants an Idempotency-Key; what was made is kept under it in the same
// transaction, and the answer is made of that afterwards, whether the call came for the first time or again. What
// stands before is done before the transaction.
func makes[Out any](s step[string], show func(*scope, string) (Out, error), before ...func(*call) error) deed {
	d := deed{is: adds, takes: s.takes, versioned: s.versioned, gives: *new(Out)}
	d.handle = func(srv *server) gin.HandlerFunc {
		return func(c *gin.Context) {
			call := srv.callOf(c)
			for _, f := range before {
				if err := f(call); err != nil {
					srv.refuse(c, err)
					return
				}
			}
			if !goodKey(c.GetHeader("Idempotency-Key")) {
				srv.refuse(c, errKey)
				return
			}
			body, err := io.ReadAll(call.body)
			if err != nil {
				srv.refuse(c, err)
				return
			}
			request := fmt.Appendf(nil, "%s %s %s\n%s", c.Request.Method, c.Request.URL.Path, c.GetHeader("If-Match"),
				body)
			made, err := call.Once(request, call.topic(), func(in *scope) (string, error) {
				return s.run(call.within(in, body))
			})
			if err != nil {
				srv.refuse(c, err)
				return
			}
			v, err := show(call.scope, made.Ref)
			srv.answer(c, made.Status, v, err)
		}
	}
	return d
}

// opens is a call that lets a device in: it answers with what opened, and gives the device its secret. One that adds a
// kitchen wants an Idempotency-Key.
func opens(is way, s step[usecase.Opened]) deed {
	d := alters(s)
	d.is = is
	d.handle = func(srv *server) gin.HandlerFunc {
		return func(gc *gin.Context) {
			status := http.StatusOK
			if is == adds {
				status = http.StatusCreated
			}
			if is == adds && !goodKey(gc.GetHeader("Idempotency-Key")) {
				srv.refuse(gc, errKey)
				return
			}
			c := srv.callOf(gc)
			out, err := s.run(c)
			if err == nil {
				srv.setCookie(gc, c.Secret())
				if c.Others() {
					gc.Header("Clear-Site-Data", `"cache", "storage"`)
				}
			}
			srv.answer(gc, status, out, err)
		}
	}
	return d
}

// leaves is the call that signs a device out.
func leaves() deed {
	return deed{is: changes, gives: usecase.SignedOut{}, handle: func(srv *server) gin.HandlerFunc {
		return func(gc *gin.Context) {
			out, err := srv.callOf(gc).LeaveKitchen()
			if err == nil {
				srv.setCookie(gc, "")
				gc.Header("Clear-Site-Data", `"cache"`)
			}
			srv.answer(gc, http.StatusOK, out, err)
		}
	}}
}

// hands is a call that gives a file under a name.
func hands(media string, s step[usecase.Paper]) deed {
	return deed{takes: s.takes, media: media, handle: func(srv *server) gin.HandlerFunc {
		return func(gc *gin.Context) {
			p, err := s.run(srv.callOf(gc))
			if err != nil {
				srv.refuse(gc, err)
				return
			}
			gc.Header("Content-Disposition", disposition(p.Name+"."+p.Ending))
			gc.Data(http.StatusOK, p.Kind+"; charset=utf-8", p.Body)
		}
	}}
}

// raw is a call whose handler writes its answer itself.
func raw(media string, handle func(*server, *gin.Context)) deed {
	return deed{media: media, handle: func(srv *server) gin.HandlerFunc {
		return func(c *gin.Context) { handle(srv, c) }
	}}
}
