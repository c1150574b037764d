package api

import (
	"errors"
	"fmt"
	"net/http"
	"strings"
	"time"

	"github.com/skip2/go-qrcode"

	"risepan/core/fault"
	"risepan/door"
	"risepan/store"
)

// Household is who may come into a kitchen, and by which devices.
type Household struct {
	Open      bool           `json:"open"` // it has none: whoever sits at this computer may use it
	House     bool           `json:"house"`
	Secure    bool           `json:"secure"`
	Authority bool           `json:"authority,omitzero"` // it has one of its own, which phones may trust
	Where     []string       `json:"where"`              // addresses under which other devices reach it; none while this computer is alone
	Name      string         `json:"name,omitzero"`
	Me        store.Person   `json:"me"`
	People    []store.Person `json:"people"`
	Devices   []Device       `json:"devices"`
	Calendar  bool           `json:"calendar"` // somebody reads its moments by a secret address
}

// Device is one that is signed in.
type Device struct {
	ID     string    `json:"id"`
	What   string    `json:"what"` // phone, tablet, computer
	Person string    `json:"person"`
	UsedAt time.Time `json:"usedAt"` // to the hour
	This   bool      `json:"this,omitzero"`
}

func (s *server) household(c *call) (any, error) {
	out := Household{Open: c.access.Household == "", House: s.House.Open, Secure: s.House.Secure, Authority: len(s.House.Authority) > 0, Where: append([]string{}, s.House.Where...),
		Me: c.access.Person, People: []store.Person{}, Devices: []Device{}}
	if out.Open {
		return out, nil
	}
	h, err := c.HouseholdOf(c.ctx, c.kitchen)
	if err != nil {
		return nil, err
	}
	out.Name = h.Name
	if out.People, err = c.People(c.ctx, h.ID); err != nil {
		return nil, err
	}
	sessions, err := c.Sessions(c.ctx, h.ID, c.now)
	if err != nil {
		return nil, err
	}
	for _, d := range sessions {
		out.Devices = append(out.Devices, Device{d.ID, d.Device, d.Person.Name, d.UsedAt, d.ID == c.access.Session})
	}
	_, err = c.AddressOf(c.ctx, c.kitchen, store.CalendarAddress, c.kitchen)
	if out.Calendar = err == nil; errors.Is(err, store.ErrNotFound) {
		err = nil
	}
	return out, err
}

// PairingCode is shown on one screen for another device to come in by.
type PairingCode struct {
	Code   string    `json:"code"`
	URL    string    `json:"url,omitzero"` // that opens the kitchen; the code stands behind its #, which no server's log holds
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
	code, err := qrcode.New(text, qrcode.Medium)
	if err != nil {
		return nil, err
	}
	code.DisableBorder = true
	rows := code.Bitmap()
	var path strings.Builder
	for y, row := range rows {
		for x, dark := range row {
			if dark {
				square(&path, x+quiet, y+quiet)
			}
		}
	}
	return &QR{len(rows) + 2*quiet, path.String()}, nil
}

// pairing shows a code for a person's further device, or for somebody new.
func (c *call) pairing(person string) (any, error) {
	if c.access.Household == "" {
		return nil, errAlone
	}
	code := door.NewCode()
	p := store.Pairing{Household: c.access.Household, Person: person, EndsAt: c.now.Add(door.CodeLives)}
	err := c.AddPairing(c.ctx, p, door.HashOf(code), c.now, door.LiveCodes)
	if errors.Is(err, store.ErrTooManyCodes) {
		return nil, problem(http.StatusTooManyRequests, "", "%v", err)
	}
	if err != nil {
		return nil, err
	}
	c.audit("code shown", "household", c.access.Household, "new person", person == "")
	out := PairingCode{Code: code, EndsAt: p.EndsAt}
	if where := c.server.House.Where; len(where) > 0 {
		out.URL = where[0] + "/pair#" + code
		out.QR, err = drawQR(out.URL)
	}
	return out, err
}

var errAlone = problem(http.StatusConflict, "", "this kitchen has no household yet: give it a passphrase first")

func (s *server) pairDevice(c *call) (any, error) { return c.pairing(c.access.Person.ID) }
func (s *server) pairPerson(c *call) (any, error) { return c.pairing("") }

// Gone is a device, or a person, that shall not come in any more.
type Gone struct {
	ID string `json:"id"`
}

// endDevice signs a device out: an owner any, a member one of their own.
func (s *server) endDevice(c *call) (any, error) {
	var in Gone
	if err := c.read(&in); err != nil {
		return nil, err
	}
	devices, err := c.Sessions(c.ctx, c.access.Household, c.now)
	if err != nil {
		return nil, err
	}
	for _, d := range devices {
		if d.ID == in.ID && (c.access.Person.Role == store.Owner || d.Person.ID == c.access.Person.ID) {
			c.audit("device ended", "session", d.ID, "of", d.Person.ID, "by", c.access.Person.ID)
			if err := c.EndSession(c.ctx, c.access.Household, d.ID); err != nil {
				return nil, err
			}
			return s.household(c)
		}
	}
	return nil, fault.At("/id", "there is no such device that you may end")
}

// endOthers signs all devices out but this one.
func (s *server) endOthers(c *call) (any, error) {
	c.audit("other devices ended", "household", c.access.Household, "by", c.access.Person.ID)
	if err := c.EndOtherSessions(c.ctx, c.access.Household, c.access.Session); err != nil {
		return nil, err
	}
	return s.household(c)
}

// endPerson takes somebody out of the household, with all their devices. What they did keeps their name.
func (s *server) endPerson(c *call) (any, error) {
	var in Gone
	if err := c.read(&in); err != nil {
		return nil, err
	}
	err := c.RemovePerson(c.ctx, c.access.Household, in.ID)
	if errors.Is(err, store.ErrNotFound) {
		return nil, fault.At("/id", "there is no such person, or it is the owner")
	}
	if err != nil {
		return nil, err
	}
	c.audit("person gone", "person", in.ID, "by", c.access.Person.ID)
	return s.household(c)
}

// Relocking is another passphrase, with the one before it.
type Relocking struct {
	Before     string `json:"before"`
	Passphrase string `json:"passphrase,omitzero"`
}

// relock checks the passphrase before, counted as a try to sign in, and then what the household is.
func (s *server) relock(c *call, in *Relocking) (h store.Household, err error) {
	if err := c.read(in); err != nil {
		return h, err
	}
	if c.access.Household == "" {
		return h, errAlone
	}
	if h, err = c.HouseholdOf(c.ctx, c.kitchen); err != nil {
		return h, err
	}
	if err := c.trySigning(h.Name); err != nil {
		return h, err
	}
	if !door.Opens(clip(in.Before), h.Passphrase) {
		c.audit("wrong passphrase", "household", h.ID, "person", c.access.Person.ID)
		return h, fault.At("/before", "this is not the passphrase of this kitchen")
	}
	return h, c.forgive(h.Name)
}

// changePassphrase gives the kitchen another passphrase and signs every other device out.
func (s *server) changePassphrase(c *call) (any, error) {
	var in Relocking
	h, err := s.relock(c, &in)
	if err != nil {
		return nil, err
	}
	if err := door.CheckPassphrase(in.Passphrase, h.Name, c.access.Person.Name); err != nil {
		return nil, err
	}
	locked, err := door.Locked(in.Passphrase)
	if err != nil {
		return nil, err
	}
	if err := errors.Join(c.Relock(c.ctx, h.ID, locked, nil), c.EndOtherSessions(c.ctx, h.ID, c.access.Session)); err != nil {
		return nil, err
	}
	c.audit("passphrase changed", "household", h.ID)
	return s.household(c)
}

// Recovery is the code that opens a kitchen once if its passphrase is forgotten.
type Recovery struct {
	Code string `json:"code"`
}

// newRecovery shows another code for recovery; the one before is good no more.
func (s *server) newRecovery(c *call) (any, error) {
	var in Relocking
	h, err := s.relock(c, &in)
	if err != nil {
		return nil, err
	}
	code := door.NewRecovery()
	hash := door.HashOf(door.Typed(code))
	c.audit("code for recovery shown", "household", h.ID)
	return Recovery{code}, c.Relock(c.ctx, h.ID, "", &hash)
}

// square draws one unit square.
func square(path *strings.Builder, x, y int) {
	fmt.Fprintf(path, "M%d %dh1v1h-1z", x, y)
}
