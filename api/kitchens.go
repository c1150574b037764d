package api

import (
	"errors"
	"net/http"
	"time"

	"risepan/core/fault"
	"risepan/core/kept"
	"risepan/core/kitchen"
	"risepan/core/recipe"
	"risepan/door"
	"risepan/store"
)

// longestName is the most letters of a kitchen's or a person's name.
const longestName = 60

// Kitchens are the kitchens that this device may enter.
type Kitchens struct {
	Kitchens []store.KitchenName `json:"kitchens"`
	Away     []store.KitchenName `json:"away,omitzero"` // in whose place another was restored
	Me       *store.Person       `json:"me,omitzero"`   // who this device is, where it is signed in
	House    bool                `json:"house,omitzero"`
	Doors    bool                `json:"doors,omitzero"` // some kitchen here is signed in to
}

// listKitchens tells a device where it may go: the kitchen that it is signed in to, and on this computer alone those that
// have no household.
func (s *server) listKitchens(c *call) (any, error) {
	out := Kitchens{Kitchens: []store.KitchenName{}, House: s.House.Open}
	session, err := c.session()
	switch {
	case err == nil:
		own, err := c.KitchenNamed(c.ctx, session.KitchenID)
		if err != nil {
			return nil, err
		}
		out.Kitchens, out.Me = append(out.Kitchens, own), &session.Person
	case !errors.Is(err, store.ErrNotFound):
		return nil, err
	}
	if !s.House.Open {
		open, err := c.OpenKitchens(c.ctx)
		if err != nil {
			return nil, err
		}
		out.Kitchens = append(out.Kitchens, open...)
	}
	for _, k := range out.Kitchens {
		away, err := c.Beside(c.ctx, k.ID)
		if err != nil {
			return nil, err
		}
		out.Away = append(out.Away, away...)
	}
	n, err := c.Households(c.ctx)
	out.Doors = n > 0
	return out, err
}

// NewKitchen is a kitchen to be made, with its owner.
type NewKitchen struct {
	Name       string `json:"name"`
	Person     string `json:"person"` // the owner's name
	Passphrase string `json:"passphrase"`
	Zone       string `json:"zone,omitzero"`    // of its clock; UTC where it is not said
	Recipes    string `json:"recipes,omitzero"` // the id of a kitchen whose recipes come along
}

func (n NewKitchen) check() error {
	err := kept.First(kept.Name("/name", "the kitchen", n.Name, longestName), kept.Name("/person", "you", n.Person, longestName),
		door.CheckPassphrase(n.Passphrase, n.Name, n.Person))
	if _, bad := time.LoadLocation(n.Zone); err == nil && (bad != nil || n.Zone == "Local") {
		err = fault.At("/zone", "this is no time zone: use one such as Europe/London")
	}
	return err
}

// makeKitchen makes a kitchen with its household. Sent again under the same key it opens the same kitchen, under a new
// code for recovery, since the first may not have been seen.
func (s *server) makeKitchen(c *call) (Opened, error) {
	var in NewKitchen
	if err := c.read(&in); err != nil {
		return Opened{}, err
	}
	if err := in.check(); err != nil { // what is typed wrongly is no try
		return Opened{}, err
	}
	if err := c.try(makingFrom, c.address()); err != nil {
		return Opened{}, err
	}
	return s.found(c, in, func(q *call) (string, error) {
		if in.Zone == "" {
			in.Zone = "UTC"
		}
		id, err := q.AddKitchen(c.ctx, kitchen.New(in.Name, in.Zone), c.now)
		if err != nil || in.Recipes == "" {
			return id, err
		}
		return id, q.copyRecipes(in.Recipes, id)
	})
}

// claimKitchen gives the kitchen that the path names, which is open, its household. It keeps all that is in it.
func (s *server) claimKitchen(c *call) (Opened, error) {
	var in NewKitchen
	if err := c.read(&in); err != nil {
		return Opened{}, err
	}
	if c.access.Household != "" {
		return Opened{}, problem(http.StatusConflict, "", "this kitchen has its household already")
	}
	if err := in.check(); err != nil {
		return Opened{}, err
	}
	return s.found(c, in, func(*call) (string, error) { return c.kitchen, nil })
}

// found founds a household in the kitchen that place gives.
func (s *server) found(c *call, new NewKitchen, place func(*call) (string, error)) (Opened, error) {
	key := c.gin.GetHeader("Idempotency-Key")
	if !goodKey(key) {
		return Opened{}, errKey
	}
	locked, err := door.Locked(new.Passphrase)
	if err != nil {
		return Opened{}, err
	}
	before, err := c.HouseholdNamed(c.ctx, new.Name)
	if err != nil && !errors.Is(err, store.ErrNotFound) {
		return Opened{}, err
	}
	if err == nil && before.MadeKey == key && c.now.Sub(before.CreatedAt) < store.KeysKeep && door.Opens(new.Passphrase, before.Passphrase) {
		return c.letIn(before, &recovery{door.NewRecovery(), ""})
	}
	code := door.NewRecovery()
	out := Opened{Name: new.Name, Recovery: code, Me: store.Person{Name: new.Person, Role: store.Owner}}
	err = c.do(func(in *call) (err error) {
		if out.Kitchen, err = place(in); err != nil {
			return err
		}
		household, person, err := in.AddHousehold(c.ctx, store.Household{KitchenID: out.Kitchen, Name: new.Name, Passphrase: locked,
			Recovery: door.HashOf(door.Typed(code)), MadeKey: key, CreatedAt: c.now}, new.Person)
		if errors.Is(err, store.ErrNameTaken) {
			return fault.At("/name", "%v: choose another", err)
		}
		if err != nil {
			return err
		}
		out.Me.ID = person
		return in.signIn(household, person)
	})
	if err == nil {
		c.audit("kitchen made", "kitchen", out.Kitchen, "person", out.Me.ID)
	}
	return out, err
}

// copyRecipes copies the recipes on the shelf of a kitchen that this device may enter.
func (c *call) copyRecipes(from, to string) error {
	access, err := c.Access(c.ctx, from, door.HashOf(c.server.token(c.gin)))
	closed := access.Household != "" || c.server.House.Open
	if errors.Is(err, store.ErrNotFound) || err == nil && closed && !access.SignedIn(c.now) {
		return fault.At("/recipes", "this kitchen's recipes cannot be had")
	}
	if err != nil {
		return err
	}
	all, err := c.Shelf(c.ctx, from, store.Search{Most: mostCopied})
	if err != nil {
		return err
	}
	for _, row := range all {
		if _, err := c.copyRecipe(from, row.ID, to); err != nil {
			return err
		}
	}
	return nil
}

// mostCopied is how many recipes come along into a new kitchen.
const mostCopied = 500

// copyRecipe copies the newest revision of a recipe into another kitchen, as a new recipe.
func (c *call) copyRecipe(from, id, to string) (store.Recipe, error) {
	r, err := c.Recipe(c.ctx, from, id, 0)
	if err != nil {
		return r, err
	}
	k, err := c.Kitchen(c.ctx, to, 0)
	if err != nil {
		return r, err
	}
	next := recipe.New(r.Recipe)
	next.Because = ""
	return c.AddRecipe(c.ctx, to, next, next.Yeasted(k.Kitchen.Ingredient), c.now)
}
