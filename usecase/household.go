package usecase

import (
	"errors"
	"fmt"
	"strings"
	"time"

	"rsc.io/qr"

	"risepan/auth"
	"risepan/core/fault"
	"risepan/store"
)

// Household is who may come into a kitchen, and by which devices.
type Household struct {
	Open      bool `json:"open"` // it has none: whoever sits at this computer may use it
	House     bool `json:"house"`
	Secure    bool `json:"secure"`
	Authority bool `json:"authority,omitzero"` // it has one of its own, which phones may trust
	// addresses under which other devices reach it; none while this computer is alone
	Where    []string       `json:"where"`
	Name     string         `json:"name,omitzero"`
	Me       store.Person   `json:"me"`
	People   []store.Person `json:"people"`
	Devices  []Device       `json:"devices"`
	Calendar bool           `json:"calendar"` // somebody reads its moments by a secret address
}

// Device is one that is signed in.
type Device struct {
	ID     string    `json:"id"`
	What   string    `json:"what"` // phone, tablet, computer
	Person string    `json:"person"`
	UsedAt time.Time `json:"usedAt"` // to the hour
	This   bool      `json:"this,omitzero"`
}

// Household tells who may come into the kitchen, and by which devices.
func (c *Scope) Household() (Household, error) {
	out := Household{Open: c.access.Household == "", House: c.House.Open, Secure: c.House.Secure,
		Authority: c.House.Authority, Where: append([]string{}, c.House.Where...),
		Me: c.access.Person, People: []store.Person{}, Devices: []Device{}}
	if out.Open {
		return out, nil
	}
	h, err := c.q.HouseholdOf(c.ctx, c.kitchen)
	if err != nil {
		return Household{}, err
	}
	out.Name = h.Name
	if out.People, err = c.q.People(c.ctx, h.ID); err != nil {
		return Household{}, err
	}
	sessions, err := c.q.Sessions(c.ctx, h.ID, c.now)
	if err != nil {
		return Household{}, err
	}
	for _, d := range sessions {
		out.Devices = append(out.Devices, Device{d.ID, d.Device, d.Person.Name, d.UsedAt, d.ID == c.access.Session})
	}
	_, err = c.q.AddressOf(c.ctx, c.kitchen, store.CalendarAddress, c.kitchen)
	if out.Calendar = err == nil; errors.Is(err, store.ErrNotFound) {
		err = nil
	}
	return out, err
}

// PairingCode is shown on one screen for another device to come in by.
type PairingCode struct {
	Code string `json:"code"`
	// that opens the kitchen; the code stands behind its #, which no server's log holds
	URL    string    `json:"url,omitzero"`
	QR     *QR       `json:"qr,omitzero"`
	EndsAt time.Time `json:"endsAt"`
}

// QR is a code of squares, as a path of an SVG of so many units' side.
type QR struct {
	Side int    `json:"side"`
	Path string `json:"path"`
}

// quiet is the width of the margin that a QR code wants.
const quiet = 4

// drawQR draws a text as squares.
func drawQR(text string) (*QR, error) {
	code, err := qr.Encode(text, qr.M)
	if err != nil {
		return nil, err
	}
	var path strings.Builder
	for y := range code.Size {
		for x := range code.Size {
			if code.Black(x, y) {
				fmt.Fprintf(&path, "M%d %dh1v1h-1z", x+quiet, y+quiet)
			}
		}
	}
	return &QR{code.Size + 2*quiet, path.String()}, nil
}

// pairing shows a code for a person's further device, or for somebody new.
func (c *Scope) pairing(person string) (PairingCode, error) {
	if c.access.Household == "" {
		return PairingCode{}, errAlone
	}
	code := auth.NewCode()
	p := store.Pairing{Household: c.access.Household, Person: person, EndsAt: c.now.Add(auth.CodeLives)}
	err := c.q.AddPairing(c.ctx, p, auth.HashOf(code), c.now, auth.LiveCodes)
	if errors.Is(err, store.ErrTooManyCodes) {
		return PairingCode{}, refuse(TooManyRequests, "", "%v", err)
	}
	if err != nil {
		return PairingCode{}, err
	}
	c.audit("code shown", "household", c.access.Household, "new person", person == "")
	out := PairingCode{Code: code, EndsAt: p.EndsAt}
	if where := c.House.Where; len(where) > 0 {
		out.URL = where[0] + "/pair#" + code
		out.QR, err = drawQR(out.URL)
	}
	return out, err
}

var errAlone = refuse(Conflict, "", "this kitchen has no household yet: give it a passphrase first")

// PairDevice shows a code by which a further device of this person comes in.
func (c *Scope) PairDevice() (PairingCode, error) { return c.pairing(c.access.Person.ID) }

// PairPerson shows a code by which somebody new comes in.
func (c *Scope) PairPerson() (PairingCode, error) { return c.pairing("") }

// Gone is a device, or a person, that shall not come in any more.
type Gone struct {
	ID string `json:"id"`
}

// EndDevice signs a device out: an owner any, a member one of their own.
func (c *Scope) EndDevice(in Gone) (Household, error) {
	devices, err := c.q.Sessions(c.ctx, c.access.Household, c.now)
	if err != nil {
		return Household{}, err
	}
	for _, d := range devices {
		if d.ID == in.ID && (c.access.Person.Role == store.Owner || d.Person.ID == c.access.Person.ID) {
			c.audit("device ended", "session", d.ID, "of", d.Person.ID, "by", c.access.Person.ID)
			if err := c.q.EndSession(c.ctx, c.access.Household, d.ID); err != nil {
				return Household{}, err
			}
			return c.Household()
		}
	}
	return Household{}, fault.At("/id", "there is no such device that you may end")
}

// EndOthers signs all devices out but this one.
func (c *Scope) EndOthers() (Household, error) {
	c.audit("other devices ended", "household", c.access.Household, "by", c.access.Person.ID)
	if err := c.q.EndOtherSessions(c.ctx, c.access.Household, c.access.Session); err != nil {
		return Household{}, err
	}
	return c.Household()
}

// EndPerson takes somebody out of the household, with all their devices. What they did keeps their name.
func (c *Scope) EndPerson(in Gone) (Household, error) {
	err := c.q.RemovePerson(c.ctx, c.access.Household, in.ID)
	if errors.Is(err, store.ErrNotFound) {
		return Household{}, fault.At("/id", "there is no such person, or it is the owner")
	}
	if err != nil {
		return Household{}, err
	}
	c.audit("person gone", "person", in.ID, "by", c.access.Person.ID)
	return c.Household()
}

// Relocking is another passphrase, with the one before it.
type Relocking struct {
	Before     string `json:"before"`
	Passphrase string `json:"passphrase,omitzero"`
}

// relock checks the passphrase before, counted as a try to sign in, and then what the household is.
func (c *Scope) relock(in Relocking) (h store.Household, err error) {
	if c.access.Household == "" {
		return h, errAlone
	}
	if h, err = c.q.HouseholdOf(c.ctx, c.kitchen); err != nil {
		return h, err
	}
	if err := c.trySigning(h.Name); err != nil {
		return h, err
	}
	if !auth.Opens(clip(in.Before), h.Passphrase) {
		c.audit("wrong passphrase", "household", h.ID, "person", c.access.Person.ID)
		return h, fault.At("/before", "this is not the passphrase of this kitchen")
	}
	return h, c.forgive(h.Name)
}

// ChangePassphrase gives the kitchen another passphrase and signs every other device out, in a transaction of its own:
// none waits while tries are counted and passphrases are hashed.
func (c *Scope) ChangePassphrase(in Relocking) (Household, error) {
	h, err := c.relock(in)
	if err != nil {
		return Household{}, err
	}
	if err := auth.CheckPassphrase(in.Passphrase, h.Name, c.access.Person.Name); err != nil {
		return Household{}, err
	}
	locked, err := auth.Locked(in.Passphrase)
	if err != nil {
		return Household{}, err
	}
	err = c.Change("household", func(in *Scope) error {
		return errors.Join(in.q.Relock(c.ctx, h.ID, locked, nil), in.q.EndOtherSessions(c.ctx, h.ID, c.access.Session))
	})
	if err != nil {
		return Household{}, err
	}
	c.audit("passphrase changed", "household", h.ID)
	return c.Household()
}

// Recovery is the code that opens a kitchen once if its passphrase is forgotten.
type Recovery struct {
	Code string `json:"code"`
}

// NewRecovery shows another code for recovery, in a transaction of its own; the code before is good no more.
func (c *Scope) NewRecovery(in Relocking) (Recovery, error) {
	h, err := c.relock(in)
	if err != nil {
		return Recovery{}, err
	}
	code := auth.NewRecovery()
	hash := auth.HashOf(auth.Typed(code))
	c.audit("code for recovery shown", "household", h.ID)
	err = c.Change("household", func(in *Scope) error { return in.q.Relock(c.ctx, h.ID, "", &hash) })
	return Recovery{code}, err
}
