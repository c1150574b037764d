package usecase

import (
	"time"

	"risepan/core/bag"
	"risepan/core/fault"
	"risepan/core/kitchen"
	"risepan/core/plan"
	"risepan/store"
)

// Bagging makes bags of a wished loaf.
type Bagging struct {
	Wish  plan.Wish `json:"wish"`
	Count int       `json:"count"`
}

// Bags are the bags of one making.
type Bags struct {
	ID      string    `json:"id,omitzero"` // empty while they are not made yet
	Recipe  string    `json:"recipeId"`
	Machine string    `json:"machineId"`
	Made    int       `json:"made"`
	Left    int       `json:"left"`
	Old     bool      `json:"old,omitzero"` // past its date
	Batch   bag.Batch `json:"batch"`
	// of each thing in the bags: its weight in all of them, before they are made
	InAll []string `json:"inAll,omitzero"`
}

// BagShelf are the bags that are left.
type BagShelf struct {
	Bags []Bags    `json:"bags"`
	Now  time.Time `json:"now"`
}

// BagsLeft says how many bags are left.
type BagsLeft struct {
	Left int `json:"left"`
}

func bagsOf(b store.Bags, today kitchen.Date) Bags {
	return Bags{b.ID, b.RecipeID, b.MachineID, b.Made, b.Left, today.Since(b.Batch.Before) > 0, b.Batch, nil}
}

// today is the day on the kitchen's clock.
func (c *Scope) today() (kitchen.Date, error) {
	_, zone, err := c.settings()
	if err != nil {
		return kitchen.Date{}, err
	}
	return kitchen.DateOf(c.now, zone), nil
}

// ListBags lists the bags on the shelf.
func (c *Scope) ListBags() (BagShelf, error) {
	today, err := c.today()
	if err != nil {
		return BagShelf{}, err
	}
	on, err := c.q.BagsOnShelf(c.ctx, c.kitchen)
	out := BagShelf{Bags: []Bags{}, Now: c.now}
	for _, b := range on {
		out.Bags = append(out.Bags, bagsOf(b, today))
	}
	return out, err
}

// bagging is what bags of a wished loaf would hold.
func (c *Scope) bagging(in Bagging) (store.Bags, error) {
	if in.Count < 1 || in.Count > bag.Most {
		return store.Bags{}, fault.At("/count", "make 1 to %d bags at once, not %d", bag.Most, in.Count)
	}
	today, err := c.today()
	if err != nil {
		return store.Bags{}, err
	}
	m, err := c.fulfil(in.Wish, nil)
	if err != nil {
		return store.Bags{}, under("/wish", err)
	}
	b := store.Bags{Pins: m.pins, Made: in.Count, Left: in.Count, MadeAt: c.now}
	b.Batch, err = bag.Pack(m.Plan, today)
	return b, err
}

// PreviewBags shows what would go into bags, and stores nothing.
func (c *Scope) PreviewBags(in Bagging) (Bags, error) {
	b, err := c.bagging(in)
	if err != nil {
		return Bags{}, err
	}
	k, _, err := c.settings()
	out := bagsOf(b, b.Batch.Made)
	out.InAll = b.Batch.InAll(in.Count, k.Kitchen)
	return out, err
}

// AddBags keeps bags that were filled.
func (c *Scope) AddBags(in Bagging) (string, error) {
	b, err := c.bagging(in)
	if err != nil {
		return "", err
	}
	if err := b.Batch.Check(); err != nil {
		return "", err
	}
	return c.q.AddBags(c.ctx, c.kitchen, b)
}

// ShowBags are some bags and their label.
func (c *Scope) ShowBags(id string) (Bags, error) {
	today, err := c.today()
	if err != nil {
		return Bags{}, err
	}
	b, err := c.q.BagsOf(c.ctx, c.kitchen, id)
	return bagsOf(b, today), err
}

// LeaveBags says how many are left: one was used elsewhere, or is found again.
func (c *Scope) LeaveBags(id string, in BagsLeft) (Bags, error) {
	b, err := c.q.BagsOf(c.ctx, c.kitchen, id)
	if err != nil {
		return Bags{}, err
	}
	if in.Left < 0 || in.Left > b.Made {
		return Bags{}, fault.At("/left", "of %d bags 0 to %d can be left, not %d", b.Made, b.Made, in.Left)
	}
	if err := c.q.LeaveBags(c.ctx, c.kitchen, id, in.Left); err != nil {
		return Bags{}, err
	}
	return c.ShowBags(id)
}

// bagged is the bag that a wish names, and the revision of its recipe by which it was made; nil and 0 where
// it names none.
func (c *Scope) bagged(w plan.Wish) (*plan.Bag, int, error) {
	if w.BagID == "" {
		return nil, 0, nil
	}
	b, err := named(w.BagID, "/loaf/bag", "bag", func(id string) (store.Bags, error) {
		return c.q.BagsOf(c.ctx,
			c.kitchen, id)
	})
	if err != nil {
		return nil, 0, err
	}
	if b.RecipeID != w.RecipeID {
		return nil, 0, fault.At("/loaf/bag", "that bag is of another recipe")
	}
	return b.Batch.Contents(), b.Revision, nil
}

// takeBag takes the bag of a loaf that is started off the shelf.
func (c *Scope) takeBag(w plan.Wish) error {
	if w.BagID == "" {
		return nil
	}
	if err := c.q.TakeBag(c.ctx, c.kitchen, w.BagID); err != nil {
		return refuse(Conflict, "/wish/loaf/bag", "no such bag is left on the shelf")
	}
	return nil
}
