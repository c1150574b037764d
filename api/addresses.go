package api

import (
	"errors"
	"net/http"
	"strings"

	"github.com/gin-gonic/gin"

	"risepan/core/bake"
	"risepan/core/fault"
	"risepan/core/kitchen"
	"risepan/door"
	"risepan/formats"
	"risepan/store"
)

// Shared says whether a thing shall have a secret address.
type Shared struct {
	On bool `json:"on"`
}

// SecretAddress is an address with a secret in it, which is shown this once; an empty one: there is none any more.
type SecretAddress struct {
	Path  string   `json:"path,omitzero"`
	Whole []string `json:"whole,omitzero"` // under each address of this server
}

// address makes a secret address for a thing, in the place of the one before, or takes it back.
func (c *call) share(what, thing, under string) (any, error) {
	var in Shared
	if err := c.read(&in); err != nil {
		return nil, err
	}
	if !in.On {
		err := c.EndAddress(c.ctx, c.kitchen, what, thing)
		if errors.Is(err, store.ErrNotFound) {
			err = nil // it is gone already
		}
		c.audit("address taken back", "what", what, "thing", thing)
		return SecretAddress{}, err
	}
	secret := door.NewSecret()
	out := SecretAddress{Path: under + secret}
	if what == store.CalendarAddress {
		out.Path += ".ics"
	}
	for _, w := range c.server.House.Where {
		out.Whole = append(out.Whole, w+out.Path)
	}
	c.audit("address made", "what", what, "thing", thing)
	return out, c.AddAddress(c.ctx, c.kitchen, what, thing, door.HashOf(secret), c.now)
}

// shareCalendar makes the address by which a calendar reads this kitchen's moments, or takes it back.
func (s *server) shareCalendar(c *call) (any, error) {
	return c.share(store.CalendarAddress, c.kitchen, "/api/v1/calendar/")
}

// shareRecipe makes the link by which another kitchen here copies a recipe, or takes it back.
func (s *server) shareRecipe(c *call) (any, error) {
	id, err := c.id()
	if err != nil {
		return nil, err
	}
	if _, err := c.OnShelf(c.ctx, c.kitchen, id); err != nil {
		return nil, err
	}
	return c.share(store.RecipeAddress, id, "/copy#")
}

// feed gives the moments of all bakes that have not ended, as they now stand, and of the loaves of the coming days, to a
// calendar that knows the address.
func (s *server) feed(gc *gin.Context) {
	c := s.callOf(gc)
	body, err := c.moments(strings.TrimSuffix(gc.Param("token"), ".ics"))
	if err != nil {
		s.refuse(gc, err)
		return
	}
	gc.Data(http.StatusOK, "text/calendar; charset=utf-8", []byte(body))
}

var errNoAddress = problem(http.StatusNotFound, "", "there is nothing at this address, or not any more")

func (c *call) moments(secret string) (string, error) {
	if err := c.try(readingFeeds, c.address()); err != nil {
		return "", err
	}
	a, err := c.Addressed(c.ctx, store.CalendarAddress, door.HashOf(secret))
	if errors.Is(err, store.ErrNotFound) {
		return "", errNoAddress
	}
	if err != nil {
		return "", err
	}
	c.kitchen = a.KitchenID
	k, zone, err := c.settings()
	if err != nil {
		return "", err
	}
	running, err := c.Running(c.ctx, c.kitchen)
	if err != nil {
		return "", err
	}
	var loaves []formats.Loaf
	for _, g := range running {
		_, moments := bake.Follow(g.Clock, g.Moments, c.now)
		loaves = append(loaves, formats.LoafOfBake(g.ID, g.Recipe, g.Recipe+", "+g.Size.String()+", "+g.Machine, moments))
	}
	planned, err := c.plannedLoaves(kitchen.DateOf(c.now, zone))
	if err != nil {
		return "", err
	}
	loaves = append(loaves, planned...)
	return formats.Timetable(k.Kitchen.Name, loaves, zone, c.now), nil
}

// Link is the secret of a recipe's link.
type Link struct {
	Secret string `json:"secret"`
}

// Linked is a recipe to which somebody made a link.
type Linked struct {
	Kitchen string     `json:"kitchen"` // its name
	Recipe  RecipeText `json:"recipe"`
}

// linked finds the recipe of a link, for somebody who is in a kitchen here.
func (c *call) linked(in Link) (store.Address, store.Recipe, error) {
	if err := c.try(linkingFrom, c.address()); err != nil {
		return store.Address{}, store.Recipe{}, err
	}
	a, err := c.Addressed(c.ctx, store.RecipeAddress, door.HashOf(in.Secret))
	if errors.Is(err, store.ErrNotFound) {
		return a, store.Recipe{}, fault.At("/secret", "there is no recipe behind this link, or not any more")
	}
	if err != nil {
		return a, store.Recipe{}, err
	}
	r, err := c.Recipe(c.ctx, a.KitchenID, a.Thing, 0)
	return a, r, err
}

func (s *server) showLinked(c *call) (any, error) {
	var in Link
	if err := c.read(&in); err != nil {
		return nil, err
	}
	a, r, err := c.linked(in)
	if err != nil {
		return nil, err
	}
	k, err := c.KitchenNamed(c.ctx, a.KitchenID)
	t := RecipeText{Name: r.Recipe.Name, Kind: r.Recipe.Kind, Size: r.Recipe.Size, Standard: r.Recipe.Standard, Text: r.Recipe.Text(), Note: r.Recipe.Note}
	return Linked{k.Name, t}, err
}

// copyLinked copies the recipe of a link into this kitchen.
func (s *server) copyLinked(c *call) (string, error) {
	var in Link
	if err := c.read(&in); err != nil {
		return "", err
	}
	a, _, err := c.linked(in)
	if err != nil {
		return "", err
	}
	r, err := c.copyRecipe(a.KitchenID, a.Thing, c.kitchen)
	return revisionRef(r), err
}

// resetDemo puts a demo kitchen as new in the place of this one, which is put away and can be brought back.
func (s *server) resetDemo(c *call) (string, error) {
	k, err := c.KitchenNamed(c.ctx, c.kitchen)
	if err != nil {
		return "", err
	}
	if !k.Demo || s.MoorDemo == nil {
		return "", problem(http.StatusConflict, "", "only the demo kitchen is made as new")
	}
	id, err := s.MoorDemo(c.ctx, c.Queries, c.now)
	if err != nil {
		return "", err
	}
	return id, c.Replace(c.ctx, c.kitchen, id)
}

func (s *server) demoReset(c *call, id string) (any, error) {
	k, err := c.KitchenNamed(c.ctx, id)
	return Restored{id, k.Name, map[string]int{}}, err
}
