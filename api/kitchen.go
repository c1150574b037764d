package api

import (
	"time"

	"risepan/core/fault"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/word"
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
	out := Facts{Name: name, Sure: f.Sure, Ingredient: *i, HoldsGluten: i.HoldsGluten(), Grade: f.Grade, State: f.State, Warmth: f.Warmth, Remark: f.Remark}
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

// answerOf keeps for the kitchen what the baker says of a name. Sent again it changes nothing more.
func (s *server) answerOf(c *call) (any, error) {
	var in AnswerOf
	if err := c.read(&in); err != nil {
		return nil, err
	}
	k, _, err := c.settings()
	if err != nil {
		return nil, err
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
		return nil, err
	}
	if _, err := c.setKitchen(k.Version, next); err != nil {
		return nil, err
	}
	return factsOf(next, in.Name), nil
}

func (s *server) larder(c *call) (any, error) {
	k, _, err := c.settings()
	if err != nil {
		return nil, err
	}
	if name := c.gin.Query("name"); name != "" {
		return factsOf(k.Kitchen, name), nil
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

// changeKitchen replaces the settings; what was made from an older version is refused.
func (s *server) changeKitchen(c *call) (any, error) {
	version, err := c.version()
	if err != nil {
		return nil, err
	}
	var k kitchen.Kitchen
	if err := c.read(&k); err != nil {
		return nil, err
	}
	k = k.Filled()
	if err := k.Check(); err != nil {
		return nil, err
	}
	if _, err := time.LoadLocation(k.Zone); err != nil || k.Zone == "" || k.Zone == "Local" {
		return nil, fault.At("/zone", "%q is no time zone: use one such as Europe/London", word.Clip(k.Zone))
	}
	return c.setKitchen(version, k)
}

// undoKitchen brings the settings before the last change back, as a change of its own.
func (s *server) undoKitchen(c *call) (any, error) {
	version, err := c.version()
	if err != nil {
		return nil, err
	}
	before, err := c.Kitchen(c.ctx, c.kitchen, max(version-1, 1))
	if err != nil {
		return nil, err
	}
	return c.setKitchen(version, before.Kitchen)
}

func (c *call) setKitchen(version int, k kitchen.Kitchen) (any, error) {
	version, err := c.ChangeKitchen(c.ctx, c.kitchen, version, k, c.now)
	if err != nil {
		return nil, err
	}
	zone, err := time.LoadLocation(k.Zone)
	return settingsOf(k, version, kitchen.DateOf(c.now, zone)), err
}
