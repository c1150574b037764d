package bag

import (
	"slices"

	"risepan/core/fault"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/pan"
	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/core/validate"
)

// Shape is the number of a batch's JSON shape.
const Shape = 1

// Most is how many bags are made at once at the most.
const Most = 24

// How long a bag keeps in the fridge, months.
const (
	keeps      = 3
	keepsWhole = 1 // with whole grain, whose oil turns
)

// Batch is what is in each of some bags, and what its label says.
type Batch struct {
	Recipe    string            `json:"recipe"`
	Kind      recipe.Kind       `json:"kind"`
	Size      measure.LoafSize  `json:"size"`
	Machine   string            `json:"machine"`
	Cycle     plan.CycleName    `json:"cycle"`
	Crust     machine.Crust     `json:"crust"`
	Made      kitchen.Date      `json:"made"`
	Before    kitchen.Date      `json:"before"` // best before
	Holds     []Part            `json:"holds"`
	Add       []Part            `json:"add"` // on the day, in order, the bag itself among it
	Allergens []larder.Allergen `json:"allergens"`
}

// Part is one thing in the bag, or beside it.
type Part struct {
	Line   string        `json:"line,omitzero"` // empty: the bag itself
	Name   string        `json:"name"`
	Amount string        `json:"amount,omitzero"` // as it is measured
	Grams  measure.Grams `json:"grams,omitzero"`
}

// Pack is what goes into each bag of a planned loaf. A *fault.Fault where nothing dry could go into one.
func Pack(p plan.Plan, today kitchen.Date) (Batch, error) {
	dry, whole := p.Dry()
	if len(dry) < 2 {
		return Batch{}, fault.At("/wish/recipe", "%s has too little that is dry to be kept in a bag", p.Recipe)
	}
	months := keeps
	if whole {
		months = keepsWhole
	}
	b := Batch{Recipe: p.Recipe, Kind: p.Kind, Size: p.Size, Machine: p.Machine, Cycle: p.Setting.Cycle,
		Crust: p.Setting.Crust,
		Made:  today, Before: today.AddMonths(months), Allergens: p.Allergens}
	for _, l := range p.Lines {
		if slices.Contains(dry, l.ID) {
			b.Holds = append(b.Holds, part(l))
		}
	}
	bagged := false
	add := func(lines []string) {
		for _, id := range lines {
			switch n := slices.IndexFunc(p.Lines, func(l plan.Line) bool { return l.ID == id }); {
			case !slices.Contains(dry, id):
				b.Add = append(b.Add, part(p.Lines[n]))
			case !bagged && p.Lines[n].Stuff == pan.Flour:
				b.Add, bagged = append(b.Add, Part{Name: "the bag"}), true
			}
		}
	}
	for _, layer := range p.Pan.Layers {
		add(layer.Lines)
	}
	add(p.Pan.Knead)
	add(p.Pan.Aside)
	for _, l := range p.Lines {
		if l.Part != recipe.InDough {
			b.Add = append(b.Add, part(l))
		}
	}
	return b, nil
}

// part is a line as it is measured here.
func part(l plan.Line) Part {
	out := Part{Line: l.ID, Name: l.Name, Amount: l.Weight, Grams: l.Exact}
	switch {
	case l.Pieces > 0:
		out.Amount = l.Counted()
	case len(l.Measured.Scoops) > 0 && !l.Fixed:
		out.Amount, out.Grams = l.Spoken, l.Measured.Grams
	}
	return out
}

// InAll is what each thing in the bags weighs in so many of them, as the kitchen's scale shows it.
func (b Batch) InAll(bags int, k kitchen.Kitchen) []string {
	out := make([]string, len(b.Holds))
	for n, h := range b.Holds {
		out[n] = k.Weight(h.Grams*measure.Grams(bags), false)
	}
	return out
}

// Contents is what a plan of a loaf out of such a bag goes by.
func (b Batch) Contents() *plan.Bag {
	out := plan.Bag{Size: b.Size, Holds: map[string]measure.Grams{}}
	for _, h := range b.Holds {
		out.Holds[h.Line] = h.Grams
	}
	return &out
}

// Check reports what about a batch cannot be, as a *fault.Fault at its field.
func (b Batch) Check() error {
	if err := validate.First(validate.Name("/recipe", "the recipe", b.Recipe, longName),
		validate.Check(b)); err != nil {
		return err
	}
	if len(b.Holds) == 0 || b.Made.IsZero() || b.Before.IsZero() {
		return fault.At("/holds", "a bag holds something, and has its dates")
	}
	return nil
}

const longName = 120
