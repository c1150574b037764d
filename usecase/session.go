package usecase

import (
	"errors"
	"strings"

	"risepan/auth"
	"risepan/core/fault"
	"risepan/core/validate"
	"risepan/store"
)

// Opened is a kitchen that this device may enter from now on.
type Opened struct {
	Kitchen  string       `json:"kitchen"` // its id
	Name     string       `json:"name"`    // by which its people sign in
	Me       store.Person `json:"me"`
	Recovery string       `json:"recovery,omitzero"` // the code to print, shown this once
}

// recovery is a new code for recovery, with a new passphrase as it is kept; an empty one stays as it was.
type recovery struct{ code, locked string }

// letIn signs this device in as a household's owner; with a recovery, locks are changed and all other devices end.
func (c *Scope) letIn(h store.Household, r *recovery) (Opened, error) {
	out := Opened{Kitchen: h.KitchenID, Name: h.Name}
	err := c.do(func(in *Scope) (err error) {
		if out.Me, err = in.q.OwnerOf(c.ctx, h.ID); err != nil {
			return err
		}
		if r != nil {
			hash := auth.HashOf(auth.Typed(r.code))
			if err := errors.Join(in.q.Relock(c.ctx, h.ID, r.locked, &hash), in.q.EndOtherSessions(c.ctx, h.ID,
				"")); err != nil {
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
	errNoDoor = refuse(Unauthorized, "", "no kitchen here opens by this name and passphrase")
	errNoCode = refuse(Unauthorized, "", "no kitchen here opens by this name and code")
)

// trySigning counts a try to sign in, by address and by name, whether there is such a kitchen or not.
func (c *Scope) trySigning(name string) error {
	if err := c.try(signingFrom, c.visitor.Address); err != nil {
		return err
	}
	key, err := c.nameKey(name)
	if err != nil {
		return err
	}
	return c.try(signingTo, key)
}

// nameKey is one text for all spellings by which one kitchen is found, so that none of them is a further try.
func (c *Scope) nameKey(name string) (string, error) {
	return c.q.NameKey(c.ctx, clipName(name))
}

// clipName bounds a name that is looked for: no kitchen's is longer.
func clipName(name string) string {
	r := []rune(strings.TrimSpace(name[:min(len(name), 8*longestName)]))
	return string(r[:min(len(r), 2*longestName)])
}

// forgive forgets what was tried on a kitchen before the right one came. Of the address only this one try is: who has a
// kitchen of their own could wash away by it what they try on another.
func (c *Scope) forgive(name string) error {
	key, err := c.nameKey(name)
	if err != nil {
		return err
	}
	return errors.Join(c.q.Uncount(c.ctx, signingFrom.scope(c.visitor.Address)),
		c.q.Forgive(c.ctx, signingTo.scope(key)))
}

// knocked counts the try of who would come in and finds the household; an empty one where there is none.
func (c *Scope) knocked(in SigningIn) (h store.Household, err error) {
	if err := c.trySigning(in.Name); err != nil {
		return h, err
	}
	if h, err = c.q.HouseholdNamed(c.ctx, clipName(in.Name)); errors.Is(err, store.ErrNotFound) {
		err = nil
	}
	return h, err
}

// EnterKitchen signs this device in. Whether there is no such kitchen or another passphrase, the answer is the same and
// takes as long.
func (c *Scope) EnterKitchen(in SigningIn) (Opened, error) {
	h, err := c.knocked(in)
	if err != nil {
		return Opened{}, err
	}
	if !auth.Opens(clip(in.Passphrase), h.Passphrase) {
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
	return passphrase[:min(len(passphrase), 4*auth.LongestPassphrase)]
}

// RecoverKitchen gives a kitchen another passphrase by the code that was printed. The code is used up; another is
// shown.
func (c *Scope) RecoverKitchen(in SigningIn) (Opened, error) {
	h, err := c.knocked(in)
	if err != nil {
		return Opened{}, err
	}
	if h.ID == "" || auth.HashOf(auth.Typed(in.Code)) != h.Recovery {
		c.audit("not recovered", "household", h.ID)
		return Opened{}, errNoCode
	}
	if err := auth.CheckPassphrase(in.Passphrase, h.Name); err != nil {
		return Opened{}, err
	}
	locked, err := auth.Locked(in.Passphrase)
	if err != nil {
		return Opened{}, err
	}
	out, err := c.letIn(h, &recovery{auth.NewRecovery(), locked})
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

// LeaveKitchen signs this device out.
func (c *Scope) LeaveKitchen() (SignedOut, error) {
	session, err := c.session()
	if err == nil {
		c.audit("signed out", "person", session.Person.ID)
		err = c.q.EndSession(c.ctx, session.Household, session.ID)
	}
	if errors.Is(err, store.ErrNotFound) {
		err = nil // it is out already
	}
	return SignedOut{err == nil}, err
}

// Pairing is a code that was read from another screen; somebody new says who they are.
type Pairing struct {
	Code string `json:"code"`
	Name string `json:"name,omitzero"`
}

// Pair lets a device in by a code. A code that wants a name is not used up without one.
func (c *Scope) Pair(in Pairing) (Opened, error) {
	if err := c.try(pairingFrom, c.visitor.Address); err != nil {
		return Opened{}, err
	}
	if err := c.try(pairingAll, ""); err != nil {
		return Opened{}, err
	}
	var out Opened
	err := c.do(func(now *Scope) error {
		p, err := now.q.TakePairing(c.ctx, auth.HashOf(auth.Typed(in.Code)), c.now)
		if errors.Is(err, store.ErrNotFound) {
			return fault.At("/code", "this code is not good, or not any more: let the other screen show a new one")
		}
		if err != nil {
			return err
		}
		if p.Person == "" {
			if err := validate.Name("/name", "you", in.Name, longestName); err != nil {
				return err
			}
			if p.Person, err = now.q.AddPerson(c.ctx, p.Household, in.Name, store.Member, c.now); err != nil {
				return err
			}
		}
		if err := now.signIn(p.Household, p.Person); err != nil {
			return err
		}
		session, err := now.q.SessionOf(c.ctx, auth.HashOf(now.secret))
		if err != nil {
			return err
		}
		own, err := now.q.KitchenNamed(c.ctx, session.KitchenID)
		out = Opened{Kitchen: session.KitchenID, Name: own.Name, Me: session.Person}
		return errors.Join(err, now.q.Changed(c.ctx, session.KitchenID, "household"))
	})
	if err == nil {
		c.audit("paired", "kitchen", out.Kitchen, "person", out.Me.ID)
		err = c.q.Uncount(c.ctx, pairingFrom.scope(c.visitor.Address))
	}
	return out, err
}
