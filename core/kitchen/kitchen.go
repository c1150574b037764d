// Package kitchen is what a household owns and prefers: its cups and spoons, its schools, its own
// facts of ingredients.
package kitchen

import (
	"strings"

	"risepan/core/fault"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/scale"
)

// Kitchen is one household's settings.
type Kitchen struct {
	Name     string              `json:"name"`
	Zone     string              `json:"zone"` // of its clock, such as Europe/London
	Standard measure.Standard    `json:"standard"`
	Measures []measure.Measure   `json:"measures"`
	Scale    bool                `json:"scale"` // owns a kitchen scale and weighs flour
	Yeast    scale.YeastSchool   `json:"yeast"`
	Lead     machine.Minutes     `json:"lead"`           // to load the pan and press Start
	Facts    []larder.Ingredient `json:"facts,omitzero"` // its own rows, in place of the table's
}

// DefaultLead is how long loading usually takes.
const DefaultLead machine.Minutes = 15

// New is a kitchen with the default measures.
func New(name, zone string) Kitchen {
	return Kitchen{Name: name, Zone: zone, Standard: measure.US, Measures: measure.DefaultMeasures(measure.US),
		Yeast: scale.Eased, Lead: DefaultLead}
}

// Ingredient finds what an ingredient is in this kitchen.
func (k Kitchen) Ingredient(id larder.ID) (larder.Ingredient, bool) {
	for _, i := range k.Facts {
		if i.ID == id {
			return i, true
		}
	}
	return larder.Get(id)
}

// Check reports the first thing about the kitchen that cannot be, as a *fault.Fault.
func (k Kitchen) Check() error {
	switch {
	case strings.TrimSpace(k.Name) == "":
		return fault.At("/name", "give the kitchen a name")
	case k.Lead < 0 || k.Lead > 240:
		return fault.At("/lead", "the time to load and press Start is 0 to 240 minutes")
	}
	for _, m := range k.Measures {
		if m.Amount.Millilitres() <= 0 {
			return fault.At("/measures", "a measure holds a volume above 0, and %q holds none", m)
		}
	}
	return nil
}
