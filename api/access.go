package api

import (
	"errors"
	"fmt"
	"net"
	"net/http"
	"net/netip"
	"slices"
	"strings"
	"time"

	"github.com/gin-gonic/gin"

	"risepan/door"
	"risepan/store"
)

// House is how a server stands to the network of the house. Its zero value serves this computer alone.
type House struct {
	Open      bool           // devices of the house may come in; kitchens without a household are then closed
	Secure    bool           // browsers reach it over TLS
	Hosts     []string       // names by which it may be called, beside this computer's own
	Proxies   []netip.Prefix // whose word about a client's address is taken
	Authority []byte         // the certificate of the authority that devices may trust, as PEM; none where another vouches for this server
	Where     []string       // addresses under which devices reach it, such as https://192.0.2.7:8443
}

// ownersOnly are the calls that only the owner of a kitchen may make. A member may make all others; a kitchen without a
// household is its visitor's own.
var ownersOnly = map[string]bool{
	"GET /api/v1/kitchens/:kitchen/file":                 true,
	"POST /api/v1/kitchens/:kitchen/restore":             true,
	"POST /api/v1/kitchens/:kitchen/swap":                true,
	"POST /api/v1/kitchens/:kitchen/household/people":    true,
	"POST /api/v1/kitchens/:kitchen/household/gone":      true,
	"PUT /api/v1/kitchens/:kitchen/household/passphrase": true,
	"POST /api/v1/kitchens/:kitchen/household/recovery":  true,
	"PUT /api/v1/kitchens/:kitchen/calendar":             true,
	"PUT /api/v1/kitchens/:kitchen/recipes/:id/link":     true,
	"POST /api/v1/kitchens/:kitchen/household/others":    true,
}

// OwnersOnly reports whether a call, such as "GET /path", is the owner's alone.
func OwnersOnly(key string) bool { return ownersOnly[key] }

const callKey = "call"

// noted is how often it is noted that a device was used.
const noted = time.Hour

// inKitchen finds the kitchen that the path names and checks the right to it. Somebody who is not signed in learns no more
// than that; somebody of another kitchen does not learn that this one is there.
func (s *server) inKitchen(c *gin.Context) {
	call, err := s.enter(c)
	if err != nil {
		s.refuse(c, err)
		return
	}
	c.Set(callKey, call)
}

// closed is the type of problems that a page meets whose kitchen is closed to it: it goes to the door.
const closed = "urn:rise-pan:closed"

var (
	errNobody    = &Problem{Type: closed, Title: http.StatusText(http.StatusUnauthorized), Status: http.StatusUnauthorized, Detail: "sign in to this kitchen first"}
	errNoKitchen = &Problem{Type: closed, Title: http.StatusText(http.StatusNotFound), Status: http.StatusNotFound, Detail: "there is no such kitchen"}
)

func (s *server) enter(c *gin.Context) (*call, error) {
	out := s.outside(c)
	id, token := c.Param("kitchen"), s.token(c)
	access, err := store.Access{}, store.ErrNotFound
	if store.ValidID(id) {
		access, err = s.store.Access(out.ctx, id, door.HashOf(token))
	}
	missing := errors.Is(err, store.ErrNotFound)
	switch {
	case err != nil && !missing:
		return nil, err
	case !missing && access.Household == "" && !s.House.Open:
		access.Person.Role = store.Owner
	case !missing && access.SignedIn(out.now):
		if out.now.Sub(access.UsedAt) > noted {
			if err := s.store.Used(out.ctx, access.Household, access.Session, out.now, out.now.Add(door.SessionLives)); err != nil {
				return nil, err
			}
			s.setCookie(c, token)
		}
	case missing && !s.House.Open:
		return nil, errNoKitchen
	default:
		_, err := out.session()
		switch {
		case err == nil:
			return nil, errNoKitchen
		case errors.Is(err, store.ErrNotFound):
			return nil, errNobody
		}
		return nil, err // nobody can tell just now
	}
	if key := c.Request.Method + " " + c.FullPath(); ownersOnly[key] && access.Person.Role != store.Owner {
		out.audit("refused", "call", key, "kitchen", id, "person", access.Person.ID)
		return nil, problem(http.StatusForbidden, "", "only the owner of this kitchen may do that")
	}
	out.kitchen, out.access = id, access
	return out, nil
}

// outside is a call outside all kitchens.
func (s *server) outside(c *gin.Context) *call {
	return &call{Queries: s.store.Queries, server: s, gin: c, ctx: c.Request.Context(), now: s.Now(), body: c.Request.Body}
}

// session is the session of this device in whichever kitchen; ErrNotFound without one.
func (c *call) session() (store.Session, error) {
	token := c.server.token(c.gin)
	if token == "" {
		return store.Session{}, store.ErrNotFound
	}
	s, err := c.SessionOf(c.ctx, door.HashOf(token))
	if err == nil && !c.now.Before(s.EndsAt) {
		err = store.ErrNotFound
	}
	return s, err
}

// cookie is the name of what a device holds. Over TLS browsers keep one of this prefix from every other site.
func (s *server) cookie() string {
	if s.House.Secure {
		return "__Host-rise-pan"
	}
	return "rise-pan"
}

func (s *server) token(c *gin.Context) string {
	token, err := c.Request.Cookie(s.cookie())
	if err != nil {
		return ""
	}
	return token.Value
}

// setCookie gives a device its secret; an empty one takes it away.
func (s *server) setCookie(c *gin.Context, token string) {
	age := int(door.SessionLives / time.Second)
	if token == "" {
		age = -1
	}
	http.SetCookie(c.Writer, &http.Cookie{Name: s.cookie(), Value: token, Path: "/", MaxAge: age, HttpOnly: true, SameSite: http.SameSiteLaxMode, Secure: s.House.Secure})
}

// signIn makes this device one of a person's, under a secret that only it holds. What it held before ends.
func (c *call) signIn(household, person string) error {
	if before, err := c.session(); err == nil {
		if err := c.EndSession(c.ctx, before.Household, before.ID); err != nil && !errors.Is(err, store.ErrNotFound) {
			return err
		}
	}
	c.secret = door.NewSecret()
	return c.SignIn(c.ctx, household, person, door.HashOf(c.secret), deviceOf(c.gin.GetHeader("User-Agent")), c.now, c.now.Add(door.SessionLives))
}

// deviceOf is what a device is, as far as its browser says.
func deviceOf(agent string) string {
	switch {
	case strings.Contains(agent, "Tablet"):
		return "tablet"
	case strings.Contains(agent, "Mobile"):
		return "phone"
	case agent == "":
		return "device"
	}
	return "computer"
}

// address is where a request comes from. Of an IPv6 address its network counts, for a household has all of it.
func (c *call) address() string {
	text := c.gin.ClientIP()
	if a, err := netip.ParseAddr(text); err == nil && a.Is6() && !a.Is4In6() {
		if net, err := a.Prefix(64); err == nil {
			return net.String()
		}
	}
	return text
}

// allowance is how many tries are let through in a window of time.
type allowance struct {
	what  string // that is counted
	most  int
	pause time.Duration
}

var (
	signingFrom  = allowance{"signing in from ", door.SigningEach, door.SigningPause}
	signingTo    = allowance{"signing in to ", door.SigningTries, door.SigningAll}
	pairingFrom  = allowance{"pairing from ", door.PairingEach, door.PairingPause}
	pairingAll   = allowance{"pairing", door.PairingTries, door.PairingPause}
	makingFrom   = allowance{"making a kitchen from ", door.MakingEach, door.MakingPause}
	linkingFrom  = allowance{"following a link from ", door.LinkingEach, door.PairingPause}
	readingFeeds = allowance{"reading a calendar from ", door.FeedEach, door.PairingPause}
)

func (a allowance) scope(of string) [32]byte { return door.HashOf(a.what + strings.ToLower(of)) }

// try counts one try, and refuses it where there were too many.
func (c *call) try(a allowance, of string) error {
	n, ends, err := c.server.store.Try(c.ctx, a.scope(of), c.now, a.pause)
	if err != nil || n <= a.most {
		return err
	}
	c.audit("too many tries", "of", a.what, "address", c.address())
	wait := max(int(ends.Sub(c.now)/time.Second), 1)
	c.gin.Header("Retry-After", fmt.Sprint(wait))
	return problem(http.StatusTooManyRequests, "", "that was tried too often: try again in %s", spoken(wait))
}

func spoken(seconds int) string {
	if seconds < 90 {
		return fmt.Sprintf("%d seconds", seconds)
	}
	return fmt.Sprintf("%d minutes", (seconds+59)/60)
}

// audit notes what concerns who may come in, and what leaves the house. No secret stands in it.
func (c *call) audit(what string, more ...any) {
	c.server.log.Info("audit", append([]any{"what", what, "from", c.address()}, more...)...)
}

// ownHost answers only to this server's own names, so that no other site's name can be pointed at it. In an open house it
// is called by any address of its own as well: an address is no name that could be pointed elsewhere.
func (s *server) ownHost(c *gin.Context) {
	host := c.Request.Host
	if h, _, err := net.SplitHostPort(host); err == nil {
		host = h
	}
	host = strings.ToLower(strings.Trim(host, "[]"))
	if slices.Contains([]string{"127.0.0.1", "localhost", "::1"}, host) {
		return
	}
	if s.House.Open {
		if _, err := netip.ParseAddr(host); err == nil || slices.Contains(s.House.Hosts, host) {
			return
		}
		s.refuse(c, problem(http.StatusMisdirectedRequest, "", "Rise Pan does not answer to this name: start it with --host %.60s to let it", host))
		return
	}
	s.refuse(c, problem(http.StatusMisdirectedRequest, "", "Rise Pan answers to 127.0.0.1 and localhost only"))
}

// authority gives the certificate of the house's authority, for a phone to trust.
func (s *server) authority(c *gin.Context) {
	if len(s.House.Authority) == 0 {
		s.refuse(c, problem(http.StatusNotFound, "", "this server has no certificate authority of its own"))
		return
	}
	c.Header("Content-Disposition", `attachment; filename="rise-pan-house.crt"`)
	c.Data(http.StatusOK, "application/x-x509-ca-cert", s.House.Authority)
}

// ready says whether the server can be sent requests: its database answers.
func (s *server) ready(c *gin.Context) {
	if err := s.store.Ping(c.Request.Context()); err != nil {
		c.String(http.StatusServiceUnavailable, "the database does not answer\n")
		return
	}
	c.String(http.StatusOK, "ready\n")
}
