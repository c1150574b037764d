package usecase

import (
	"errors"

	"risepan/auth"
	"risepan/core/bake"
	"risepan/core/fault"
	"risepan/core/kitchen"
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

// share makes a secret address for a thing, in the place of the one before, or takes it back.
func (c *Scope) share(in Shared, what, thing, under string) (SecretAddress, error) {
	if !in.On {
		err := c.q.EndAddress(c.ctx, c.kitchen, what, thing)
		if errors.Is(err, store.ErrNotFound) {
			err = nil // it is gone already
		}
		c.audit("address taken back", "what", what, "thing", thing)
		return SecretAddress{}, err
	}
	secret := auth.NewSecret()
	out := SecretAddress{Path: under + secret}
	if what == store.CalendarAddress {
		out.Path += ".ics"
	}
	for _, w := range c.House.Where {
		out.Whole = append(out.Whole, w+out.Path)
	}
	c.audit("address made", "what", what, "thing", thing)
	return out, c.q.AddAddress(c.ctx, c.kitchen, what, thing, auth.HashOf(secret), c.now)
}

// ShareCalendar makes the address by which a calendar reads this kitchen's moments, or takes it back.
func (c *Scope) ShareCalendar(in Shared) (SecretAddress, error) {
	return c.share(in, store.CalendarAddress, c.kitchen, "/api/v1/calendar/")
}

// ShareRecipe makes the link by which another kitchen here copies a recipe, or takes it back.
func (c *Scope) ShareRecipe(id string, in Shared) (SecretAddress, error) {
	if _, err := c.q.OnShelf(c.ctx, c.kitchen, id); err != nil {
		return SecretAddress{}, err
	}
	return c.share(in, store.RecipeAddress, id, "/copy#")
}

var errNoAddress = refuse(NotFound, "", "there is nothing at this address, or not any more")

// Feed gives the moments of all bakes that have not ended, as they now stand, and of the loaves of the coming days,
// as a calendar, to whoever knows the address.
func (c *Scope) Feed(secret string) (string, error) {
	if err := c.try(readingFeeds, c.visitor.Address); err != nil {
		return "", err
	}
	a, err := c.q.Addressed(c.ctx, store.CalendarAddress, auth.HashOf(secret))
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
	running, err := c.q.Running(c.ctx, c.kitchen)
	if err != nil {
		return "", err
	}
	var loaves []formats.Entry
	for _, g := range running {
		_, moments := bake.Follow(g.Clock, g.Moments, c.now)
		loaves = append(loaves, formats.LoafOfBake(g.ID, g.Recipe, g.Recipe+", "+g.Size.String()+", "+g.Machine,
			moments))
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

// TryLink counts that somebody follows a link. It is for before the transaction that copies the recipe.
func (c *Scope) TryLink() error { return c.try(linkingFrom, c.visitor.Address) }

// linked finds the recipe of a link, for somebody who is in a kitchen here.
func (c *Scope) linked(in Link) (store.Address, store.Recipe, error) {
	a, err := c.q.Addressed(c.ctx, store.RecipeAddress, auth.HashOf(in.Secret))
	if errors.Is(err, store.ErrNotFound) {
		return a, store.Recipe{}, fault.At("/secret", "there is no recipe behind this link, or not any more")
	}
	if err != nil {
		return a, store.Recipe{}, err
	}
	r, err := c.q.Recipe(c.ctx, a.KitchenID, a.Thing, 0)
	return a, r, err
}

// ShowLinked shows the recipe behind a link.
func (c *Scope) ShowLinked(in Link) (Linked, error) {
	if err := c.TryLink(); err != nil {
		return Linked{}, err
	}
	a, r, err := c.linked(in)
	if err != nil {
		return Linked{}, err
	}
	k, err := c.q.KitchenNamed(c.ctx, a.KitchenID)
	t := RecipeText{Name: r.Recipe.Name, Kind: r.Recipe.Kind, Size: r.Recipe.Size, Standard: r.Recipe.Standard,
		Text: r.Recipe.Text(), Note: r.Recipe.Note}
	return Linked{k.Name, t}, err
}

// CopyLinked copies the recipe of a link into this kitchen.
func (c *Scope) CopyLinked(in Link) (string, error) {
	a, _, err := c.linked(in)
	if err != nil {
		return "", err
	}
	r, err := c.copyRecipe(a.KitchenID, a.Thing, c.kitchen)
	return revisionRef(r), err
}

// ResetDemo puts a demo kitchen as new in the place of this one, which is put away and can be brought back.
func (c *Scope) ResetDemo() (string, error) {
	k, err := c.q.KitchenNamed(c.ctx, c.kitchen)
	if err != nil {
		return "", err
	}
	if !k.Demo || c.MoorDemo == nil {
		return "", refuse(Conflict, "", "only the demo kitchen is made as new")
	}
	id, err := c.MoorDemo(c.ctx, c.q, c.now)
	if err != nil {
		return "", err
	}
	return id, c.q.Replace(c.ctx, c.kitchen, id)
}

// DemoReset answers with the demo kitchen that took this one's place.
func (c *Scope) DemoReset(id string) (Restored, error) {
	k, err := c.q.KitchenNamed(c.ctx, id)
	return Restored{id, k.Name, map[string]int{}}, err
}
