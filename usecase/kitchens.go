package usecase

import (
	"errors"
	"time"

	"risepan/auth"
	"risepan/core/fault"
	"risepan/core/kitchen"
	"risepan/core/recipe"
	"risepan/core/validate"
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

// ListKitchens tells a device where it may go: the kitchen that it is signed in to, and on this computer alone those
// that have no household.
func (c *Scope) ListKitchens() (Kitchens, error) {
	out := Kitchens{Kitchens: []store.KitchenName{}, House: c.House.Open}
	session, err := c.session()
	switch {
	case err == nil:
		own, err := c.q.KitchenNamed(c.ctx, session.KitchenID)
		if err != nil {
			return Kitchens{}, err
		}
		out.Kitchens, out.Me = append(out.Kitchens, own), &session.Person
	case !errors.Is(err, store.ErrNotFound):
		return Kitchens{}, err
	}
	if !c.House.Open {
		open, err := c.q.OpenKitchens(c.ctx)
		if err != nil {
			return Kitchens{}, err
		}
		out.Kitchens = append(out.Kitchens, open...)
	}
	for _, k := range out.Kitchens {
		away, err := c.q.Beside(c.ctx, k.ID)
		if err != nil {
			return Kitchens{}, err
		}
		out.Away = append(out.Away, away...)
	}
	n, err := c.q.Households(c.ctx)
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
	err := validate.First(validate.Name("/name", "the kitchen", n.Name, longestName), validate.Name("/person", "you",
		n.Person, longestName),
		auth.CheckPassphrase(n.Passphrase, n.Name, n.Person))
	if _, bad := time.LoadLocation(n.Zone); err == nil && (bad != nil || n.Zone == "Local") {
		err = fault.At("/zone", "this is no time zone: use one such as Europe/London")
	}
	return err
}

// MakeKitchen makes a kitchen with its household. Sent again under the same key it opens the same kitchen, under a new
// code for recovery, since the first may not have been seen.
func (c *Scope) MakeKitchen(in NewKitchen) (Opened, error) {
	if err := in.check(); err != nil { // what is typed wrongly is no try
		return Opened{}, err
	}
	if err := c.try(makingFrom, c.visitor.Address); err != nil {
		return Opened{}, err
	}
	return c.found(in, func(now *Scope) (string, error) {
		if in.Zone == "" {
			in.Zone = "UTC"
		}
		id, err := now.q.AddKitchen(c.ctx, kitchen.New(in.Name, in.Zone), c.now)
		if err != nil || in.Recipes == "" {
			return id, err
		}
		return id, now.copyRecipes(in.Recipes, id)
	})
}

// ClaimKitchen gives the kitchen that the path names, which is open, its household. It keeps all that is in it.
func (c *Scope) ClaimKitchen(in NewKitchen) (Opened, error) {
	if c.access.Household != "" {
		return Opened{}, refuse(Conflict, "", "this kitchen has its household already")
	}
	if err := in.check(); err != nil {
		return Opened{}, err
	}
	return c.found(in, func(*Scope) (string, error) { return c.kitchen, nil })
}

// found founds a household in the kitchen that place gives.
func (c *Scope) found(new NewKitchen, place func(*Scope) (string, error)) (Opened, error) {
	locked, err := auth.Locked(new.Passphrase)
	if err != nil {
		return Opened{}, err
	}
	before, err := c.q.HouseholdNamed(c.ctx, new.Name)
	if err != nil && !errors.Is(err, store.ErrNotFound) {
		return Opened{}, err
	}
	if err == nil && before.MadeKey == c.visitor.Key && c.now.Sub(before.CreatedAt) < store.KeysKeep &&
		auth.Opens(new.Passphrase, before.Passphrase) {
		return c.letIn(before, &recovery{auth.NewRecovery(), ""})
	}
	code := auth.NewRecovery()
	out := Opened{Name: new.Name, Recovery: code, Me: store.Person{Name: new.Person, Role: store.Owner}}
	err = c.do(func(in *Scope) (err error) {
		if out.Kitchen, err = place(in); err != nil {
			return err
		}
		household, person, err := in.q.AddHousehold(c.ctx, store.Household{KitchenID: out.Kitchen, Name: new.Name,
			Passphrase: locked,
			Recovery:   auth.HashOf(auth.Typed(code)), MadeKey: c.visitor.Key, CreatedAt: c.now}, new.Person)
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
func (c *Scope) copyRecipes(from, to string) error {
	access, err := c.q.Access(c.ctx, from, auth.HashOf(c.visitor.Token))
	closed := access.Household != "" || c.House.Open
	if errors.Is(err, store.ErrNotFound) || err == nil && closed && !access.SignedIn(c.now) {
		return fault.At("/recipes", "this kitchen's recipes cannot be had")
	}
	if err != nil {
		return err
	}
	all, err := c.q.Shelf(c.ctx, from, store.Search{Most: mostCopied})
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
func (c *Scope) copyRecipe(from, id, to string) (store.Recipe, error) {
	r, err := c.q.Recipe(c.ctx, from, id, 0)
	if err != nil {
		return r, err
	}
	k, err := c.q.Kitchen(c.ctx, to, 0)
	if err != nil {
		return r, err
	}
	next := recipe.New(r.Recipe)
	next.Because = recipe.Because{}
	return c.q.AddRecipe(c.ctx, to, next, next.Yeasted(k.Kitchen.Ingredient), c.now)
}
