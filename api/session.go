package api

import (
	"errors"
	"net/http"

	"github.com/gin-gonic/gin"

	"risepan/core/fault"
	"risepan/core/kept"
	"risepan/door"
	"risepan/store"
)

// Opened is a kitchen that this device may enter from now on.
type Opened struct {
	Kitchen  string       `json:"kitchen"` // its id
	Name     string       `json:"name"`    // by which its people sign in
	Me       store.Person `json:"me"`
	Recovery string       `json:"recovery,omitzero"` // the code to print, shown this once
}

// open makes a handler that lets a device in: it answers with what opened, and gives the device its secret.
func (s *server) open(status int, f func(*call) (Opened, error)) gin.HandlerFunc {
	return func(gc *gin.Context) {
		c := s.callOf(gc)
		out, err := f(c)
		if err == nil {
			s.setCookie(gc, c.secret)
		}
		s.answer(gc, status, out, err)
	}
}

// do runs f in one transaction.
func (c *call) do(f func(*call) error) error {
	return c.server.store.Do(c.ctx, func(q store.Queries) error {
		in := *c
		in.Queries = q
		err := f(&in)
		c.secret = in.secret
		return err
	})
}

// recovery is a new code for recovery, with a new passphrase as it is kept; an empty one stays as it was.
type recovery struct{ code, locked string }

// letIn signs this device in as a household's owner; with a recovery, locks are changed and all other devices end.
func (c *call) letIn(h store.Household, r *recovery) (Opened, error) {
	out := Opened{Kitchen: h.KitchenID, Name: h.Name}
	err := c.do(func(in *call) (err error) {
		if out.Me, err = in.OwnerOf(c.ctx, h.ID); err != nil {
			return err
		}
		if r != nil {
			hash := door.HashOf(door.Typed(r.code))
			if err := errors.Join(in.Relock(c.ctx, h.ID, r.locked, &hash), in.EndOtherSessions(c.ctx, h.ID, "")); err != nil {
				return err
			}
			out.Recovery = r.code
		}
		return in.signIn(h.ID, out.Me.ID)
	})
	return out, err
}

// SigningIn is a kitchen's name and passphrase; in place of the passphrase it may give the code for recovery, with the
// passphrase that shall be from then on.
type SigningIn struct {
	Name       string `json:"name"`
	Passphrase string `json:"passphrase"`
	Code       string `json:"code,omitzero"`
}

var (
	errNoDoor = problem(http.StatusUnauthorized, "", "no kitchen here opens by this name and passphrase")
	errNoCode = problem(http.StatusUnauthorized, "", "no kitchen here opens by this name and code")
)

// trySigning counts a try to sign in, by address and by name, whether there is such a kitchen or not.
func (c *call) trySigning(name string) error {
	if err := c.try(signingFrom, c.address()); err != nil {
		return err
	}
	return c.try(signingTo, name)
}

// forgive forgets what was tried on a kitchen before the right one came. Of the address only this one try is: who has a
// kitchen of their own could wash away by it what they try on another.
func (c *call) forgive(name string) error {
	return errors.Join(c.Uncount(c.ctx, signingFrom.scope(c.address())), c.Forgive(c.ctx, signingTo.scope(name)))
}

// knocked reads who would come in, counts the try, and finds the household; an empty one where there is none.
func (c *call) knocked() (in SigningIn, h store.Household, err error) {
	if err := c.read(&in); err != nil {
		return in, h, err
	}
	if err := c.trySigning(in.Name); err != nil {
		return in, h, err
	}
	if h, err = c.HouseholdNamed(c.ctx, in.Name); errors.Is(err, store.ErrNotFound) {
		err = nil
	}
	return in, h, err
}

// enterKitchen signs this device in. Whether there is no such kitchen or another passphrase, the answer is the same and
// takes as long.
func (s *server) enterKitchen(c *call) (Opened, error) {
	in, h, err := c.knocked()
	if err != nil {
		return Opened{}, err
	}
	if !door.Opens(clip(in.Passphrase), h.Passphrase) {
		c.audit("not signed in", "household", h.ID)
		return Opened{}, errNoDoor
	}
	out, err := c.letIn(h, nil)
	if err == nil {
		c.audit("signed in", "household", h.ID, "person", out.Me.ID)
		err = c.forgive(in.Name)
	}
	return out, err
}

// clip bounds what is hashed.
func clip(passphrase string) string {
	return passphrase[:min(len(passphrase), 4*door.LongestPassphrase)]
}

// recoverKitchen gives a kitchen another passphrase by the code that was printed. The code is used up; another is shown.
func (s *server) recoverKitchen(c *call) (Opened, error) {
	in, h, err := c.knocked()
	if err != nil {
		return Opened{}, err
	}
	if h.ID == "" || door.HashOf(door.Typed(in.Code)) != h.Recovery {
		c.audit("not recovered", "household", h.ID)
		return Opened{}, errNoCode
	}
	if err := door.CheckPassphrase(in.Passphrase, h.Name); err != nil {
		return Opened{}, err
	}
	locked, err := door.Locked(in.Passphrase)
	if err != nil {
		return Opened{}, err
	}
	out, err := c.letIn(h, &recovery{door.NewRecovery(), locked})
	if err == nil {
		c.audit("recovered", "household", h.ID)
		err = c.forgive(in.Name)
	}
	return out, err
}

// SignedOut says that this device is signed out.
type SignedOut struct {
	Out bool `json:"out"`
}

// leaveKitchen signs this device out.
func (s *server) leaveKitchen(gc *gin.Context) {
	c := s.callOf(gc)
	session, err := c.session()
	if err == nil {
		c.audit("signed out", "person", session.Person.ID)
		err = c.EndSession(c.ctx, session.Household, session.ID)
	}
	if err != nil && !errors.Is(err, store.ErrNotFound) {
		s.refuse(gc, err)
		return
	}
	s.setCookie(gc, "")
	gc.Header("Clear-Site-Data", `"cache"`)
	s.answer(gc, http.StatusOK, SignedOut{true}, nil)
}

// Pairing is a code that was read from another screen; somebody new says who they are.
type Pairing struct {
	Code string `json:"code"`
	Name string `json:"name,omitzero"`
}

// pair lets a device in by a code. A code that wants a name is not used up without one.
func (s *server) pair(c *call) (Opened, error) {
	var in Pairing
	if err := c.read(&in); err != nil {
		return Opened{}, err
	}
	if err := c.try(pairingFrom, c.address()); err != nil {
		return Opened{}, err
	}
	if err := c.try(pairingAll, ""); err != nil {
		return Opened{}, err
	}
	var out Opened
	err := c.do(func(q *call) error {
		p, err := q.TakePairing(c.ctx, door.HashOf(door.Typed(in.Code)), c.now)
		if errors.Is(err, store.ErrNotFound) {
			return fault.At("/code", "this code is not good, or not any more: let the other screen show a new one")
		}
		if err != nil {
			return err
		}
		if p.Person == "" {
			if err := kept.Name("/name", "you", in.Name, longestName); err != nil {
				return err
			}
			if p.Person, err = q.AddPerson(c.ctx, p.Household, in.Name, store.Member, c.now); err != nil {
				return err
			}
		}
		if err := q.signIn(p.Household, p.Person); err != nil {
			return err
		}
		session, err := q.SessionOf(c.ctx, door.HashOf(q.secret))
		if err != nil {
			return err
		}
		own, err := q.KitchenNamed(c.ctx, session.KitchenID)
		out = Opened{Kitchen: session.KitchenID, Name: own.Name, Me: session.Person}
		return errors.Join(err, q.Changed(c.ctx, session.KitchenID, "household"))
	})
	if err == nil {
		c.audit("paired", "kitchen", out.Kitchen, "person", out.Me.ID)
		err = c.Uncount(c.ctx, pairingFrom.scope(c.address()))
	}
	return out, err
}
