package usecase

import (
	"time"

	"risepan/core/fault"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/vocab"
)

// KitchenSettings are a kitchen's settings with their version, and what follows from them.
type KitchenSettings struct {
	Kitchen kitchen.Kitchen `json:"kitchen"`
	Version int             `json:"version"`
	Cups    []CupKnown      `json:"cups"`    // for each of its own cups of flour
	Worries []string        `json:"worries"` // for each pack, what its dates say against it
}

// CupKnown is what is known of a kitchen's own cup of a flour.
type CupKnown struct {
	larder.Known
	Flour  larder.ID     `json:"flour"`
	Name   string        `json:"name"`
	PerCup measure.Grams `json:"perCup"` // a US cup of it is taken to weigh
}

func settingsOf(k kitchen.Kitchen, version int, today kitchen.Date) KitchenSettings {
	out := KitchenSettings{k, version, []CupKnown{}, []string{}}
	for _, c := range k.Cups {
		known, _ := c.Calibrate() // a stored cup was checked
		i, _ := k.Ingredient(c.Flour)
		out.Cups = append(out.Cups, CupKnown{known, c.Flour, i.Name, i.PerCup})
	}
	for _, p := range k.Packs {
		out.Worries = append(out.Worries, k.WorryOf(p, today))
	}
	return out
}

// Larder is the table of ingredients, with this kitchen's own facts in it.
type Larder struct {
	Ingredients []larder.Ingredient `json:"ingredients"`
	Likenesses  []plan.Named        `json:"likenesses"` // that an unknown ingredient may be like
	Allergens   []larder.Allergen   `json:"allergens"`
}

// Facts are what is known of an ingredient by a name.
type Facts struct {
	Name        string            `json:"name"` // as it was asked
	Sure        larder.Sure       `json:"sure"`
	Ingredient  larder.Ingredient `json:"ingredient"`
	HoldsGluten bool              `json:"holdsGluten"`
	Near        []plan.Named      `json:"near,omitzero"` // what may be meant
	Grade       string            `json:"grade,omitzero"`
	State       string            `json:"state,omitzero"`
	Warmth      string            `json:"warmth,omitzero"`
	Remark      string            `json:"remark,omitzero"`
}

func factsOf(k kitchen.Kitchen, name string) Facts {
	f := k.Find(name)
	i, ok := k.Ingredient(f.Ingredient.ID)
	if !ok {
		i = &f.Ingredient
	}
	out := Facts{Name: name, Sure: f.Sure, Ingredient: *i, HoldsGluten: i.HoldsGluten(), Grade: f.Grade,
		State: f.State, Warmth: f.Warmth, Remark: f.Remark}
	for _, n := range f.Near {
		out.Near = append(out.Near, plan.Named{ID: n.ID, Name: n.Name})
	}
	return out
}

// AnswerOf is what a baker says of a name: that it means an ingredient, or what an ingredient is that the
// larder lacks.
type AnswerOf struct {
	Name   string         `json:"name"`
	Is     larder.ID      `json:"is,omitzero"`
	Answer *larder.Answer `json:"answer,omitzero"`
}

// AnswerOf keeps for the kitchen what the baker says of a name. Sent again it changes nothing more.
func (c *Scope) AnswerOf(in AnswerOf) (Facts, error) {
	k, _, err := c.settings()
	if err != nil {
		return Facts{}, err
	}
	next := k.Kitchen
	switch {
	case in.Is != "" && in.Answer == nil:
		next, err = next.Correct(in.Name, in.Is)
	case in.Answer != nil && in.Is == "":
		next, err = next.Explain(in.Name, *in.Answer)
	default:
		err = fault.At("/is", "say either which ingredient it is, or what it is like")
	}
	if err != nil {
		return Facts{}, err
	}
	if _, err := c.setKitchen(k.Version, next); err != nil {
		return Facts{}, err
	}
	return factsOf(next, in.Name), nil
}

// Named is what this kitchen takes a name for.
func (c *Scope) Named(name string) (Facts, error) {
	k, _, err := c.settings()
	return factsOf(k.Kitchen, name), err
}

// Larder is what is known of ingredients.
func (c *Scope) Larder() (Larder, error) {
	k, _, err := c.settings()
	if err != nil {
		return Larder{}, err
	}
	out := Larder{Ingredients: larder.All(), Allergens: larder.Allergens}
	for _, i := range larder.Likenesses() {
		out.Likenesses = append(out.Likenesses, plan.Named{ID: i.ID, Name: i.Name})
	}
	for n, i := range out.Ingredients {
		own, _ := k.Kitchen.Ingredient(i.ID)
		out.Ingredients[n] = *own
	}
	return out, nil
}

// ChangeKitchen replaces the settings; what was made from an older version is refused.
func (c *Scope) ChangeKitchen(version int, k kitchen.Kitchen) (KitchenSettings, error) {
	k = k.Filled()
	if err := k.Check(); err != nil {
		return KitchenSettings{}, err
	}
	if _, err := time.LoadLocation(k.Zone); err != nil || k.Zone == "" || k.Zone == "Local" {
		return KitchenSettings{}, fault.At("/zone", "%q is no time zone: use one such as Europe/London",
			vocab.Clip(k.Zone))
	}
	return c.setKitchen(version, k)
}

// UndoKitchen brings the settings before the last change back, as a change of its own.
func (c *Scope) UndoKitchen(version int) (KitchenSettings, error) {
	before, err := c.q.Kitchen(c.ctx, c.kitchen, max(version-1, 1))
	if err != nil {
		return KitchenSettings{}, err
	}
	return c.setKitchen(version, before.Kitchen)
}

func (c *Scope) setKitchen(version int, k kitchen.Kitchen) (KitchenSettings, error) {
	version, err := c.q.ChangeKitchen(c.ctx, c.kitchen, version, k, c.now)
	if err != nil {
		return KitchenSettings{}, err
	}
	zone, err := time.LoadLocation(k.Zone)
	return settingsOf(k, version, kitchen.DateOf(c.now, zone)), err
}
