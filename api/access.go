package api

import (
	"context"
	"net"
	"net/http"
	"net/netip"
	"slices"
	"strings"
	"time"

	"github.com/gin-gonic/gin"

	"risepan/auth"
	"risepan/usecase"
)

// Net is what of the house's network the HTTP side alone has to know.
type Net struct {
	Hosts   []string       // names by which the server may be called, beside this computer's own
	Proxies []netip.Prefix // whose word about a client's address is taken
	// the certificate of the authority that devices may trust, as PEM; none where another vouches for this server
	Authority []byte
}

// OwnersOnly reports whether a call, such as "GET /path", is the owner's alone.
func OwnersOnly(key string) bool {
	return slices.ContainsFunc(inside(), func(r route) bool { return r.owners && r.below(kitchenPath).key == key })
}

// inKitchen finds the kitchen that the path names and checks the right to it, or refuses.
func (s *server) inKitchen(d deed) gin.HandlerFunc {
	return func(c *gin.Context) {
		v := s.visitor(c)
		enter := s.base.Enter
		if d.replaces {
			enter = s.base.EnterReplaced
		}
		in, renewed, err := enter(c.Request.Context(), c.Param("kitchen"), v, s.Now(), d.owners)
		if err != nil {
			s.refuse(c, err)
			return
		}
		if renewed {
			s.setCookie(c, v.Token)
		}
		c.Set(callKey, &call{scope: in, server: s, gin: c, body: c.Request.Body})
	}
}

// visitor is who sends a request.
func (s *server) visitor(c *gin.Context) usecase.Visitor {
	return usecase.Visitor{Token: s.token(c), Address: address(c), Device: deviceOf(c.GetHeader("User-Agent")),
		Key: c.GetHeader("Idempotency-Key"), Call: c.Request.Method + " " + c.FullPath()}
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
	age := int(auth.SessionLives / time.Second)
	if token == "" {
		age = -1
	}
	http.SetCookie(c.Writer, &http.Cookie{Name: s.cookie(), Value: token, Path: "/", MaxAge: age, HttpOnly: true,
		SameSite: http.SameSiteLaxMode, Secure: s.House.Secure})
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
func address(c *gin.Context) string {
	text := c.ClientIP()
	if a, err := netip.ParseAddr(text); err == nil && a.Is6() && !a.Is4In6() {
		if net, err := a.Prefix(64); err == nil {
			return net.String()
		}
	}
	return text
}

// ownHost answers only to this server's own names, so that no other site's name can be pointed at it. In an open
// house it is called by any address of its own as well: an address is no name that could be pointed elsewhere.
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
		if _, err := netip.ParseAddr(host); err == nil || slices.Contains(s.Net.Hosts, host) {
			return
		}
		s.refuse(c, problem(http.StatusMisdirectedRequest, "", "Rise Pan does not answer to this name: start it "+
			"with --host %.60s to let it", host))
		return
	}
	s.refuse(c, problem(http.StatusMisdirectedRequest, "", "Rise Pan answers to 127.0.0.1 and localhost only"))
}

// authority gives the certificate of the house's authority, for a phone to trust.
func (s *server) authority(c *gin.Context) {
	if len(s.Net.Authority) == 0 {
		s.refuse(c, problem(http.StatusNotFound, "", "this server has no certificate authority of its own"))
		return
	}
	c.Header("Content-Disposition", `attachment; filename="rise-pan-house.crt"`)
	c.Data(http.StatusOK, "application/x-x509-ca-cert", s.Net.Authority)
}

// ready says whether the server can be sent requests: its database answers.
func (s *server) ready(c *gin.Context) {
	if err := s.ping(c.Request.Context()); err != nil {
		c.String(http.StatusServiceUnavailable, "the database does not answer\n")
		return
	}
	c.String(http.StatusOK, "ready\n")
}

// pingWithin is how long the database may take to say that it is there.
const pingWithin = 2 * time.Second

var errNoPing = problem(http.StatusServiceUnavailable, "", "the database is not responding")

// ping asks the database whether it is there. One that hangs is not waited for, whatever its driver does.
func (s *server) ping(ctx context.Context) error {
	ctx, cancel := context.WithTimeout(ctx, pingWithin)
	said := make(chan error, 1)
	go func() {
		defer cancel()
		said <- s.base.Store.Ping(ctx)
	}()
	select {
	case err := <-said:
		return err
	case <-time.After(pingWithin):
		return errNoPing
	}
}

// Health says that the server and its database answer.
type Health struct {
	OK bool `json:"ok"`
}

func health(c *call) (Health, error) { return Health{true}, c.server.ping(c.gin.Request.Context()) }
