package plan

import (
	"math"
	"slices"

	"risepan/core/fault"
	"risepan/core/formula"
	"risepan/core/kind"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/recipe"
	"risepan/core/scale"
	"risepan/core/swap"
)

// Dough is the first of a plan's three values: the recipe as chosen and swapped, at its size, with its
// formula. Nothing in it depends on the clock, and of the machine it knows the sizes and the pan alone.
type Dough struct {
	Recipe     string            `json:"recipe"`
	Kind       recipe.Kind       `json:"kind"`
	Machine    string            `json:"machine"`
	Size       measure.LoafSize  `json:"size"` // of the loaf; the panel's setting is the programme's
	Sizes      []SizeOffer       `json:"sizes"`
	Batch      measure.LoafSize  `json:"batch,omitzero"` // the offer that is made, of what loaf sizes say nothing of
	LeftOut    []LeftOut         `json:"leftOut"`        // optional lines that this loaf does without
	Swaps      []Swapped         `json:"swaps"`          // made for this loaf
	Deviations []scale.Deviation `json:"deviations"`
	Formula    Formula           `json:"formula"`
	Slice      formula.Slice     `json:"slice"` // an estimate of what one holds
	Allergens  []larder.Allergen `json:"allergens"`
	Spoils     bool              `json:"spoils,omitzero"` // something in it does, at room temperature
	// something in it may hold others, for nobody has said what it is
	Unknown bool `json:"unknown,omitzero"`

	swapped recipe.Recipe    // what is baked, as it would be written
	written []recipe.Weighed // its lines at the written size
	lines   []scale.Scaled   // and at this one
	factor  measure.Ratio
	setting machine.SizeSetting // on which it is baked
	enough  bool                // the size gives as many slices as are wanted
}

// Packet reports whether a packet is in it, of which only the maker knows what is in it.
func (d Dough) packet() bool {
	return slices.ContainsFunc(d.lines, func(l scale.Scaled) bool { return l.Ingredient.Packet })
}

// whole is the weight of all that goes into the pan.
func (d Dough) whole() measure.Grams {
	var g measure.Grams
	for _, l := range d.lines {
		if l.Line.Part == recipe.InDough {
			g += l.Grams
		}
	}
	return g
}

// per100 is what the percentages of its lines are shares of: its flour, without flour all of it.
func (d Dough) per100() measure.Grams {
	if d.Formula.Flour > 0 {
		return d.Formula.Flour
	}
	return max(d.whole(), 1)
}

// LeftOut is an optional line that the baker leaves out.
type LeftOut struct {
	Line string `json:"line"`
	Name string `json:"name"`
}

// Swapped is a swap made for this loaf.
type Swapped struct {
	swap.Pick
	Says string `json:"says"` // "whole milk → water and dry milk"
}

// MakeDough works out the dough of a wish.
func MakeDough(p Place, w Wish) (Dough, error) {
	d := Dough{Recipe: p.Recipe.Name, Kind: p.Recipe.Kind, Machine: p.Machine.Name}
	batch := p.batch()
	w.LoafWish, d.enough = p.sized(w.LoafWish, batch)
	if err := p.fits(w, batch); err != nil {
		return d, err
	}
	if p.Kitchen.Scale {
		p.Recipe = p.Recipe.ByWeight()
	}
	chosen, err := p.Recipe.Choose(w.Without, w.Instead)
	if err != nil {
		return d, fault.Under("/loaf", err)
	}
	if d.swapped, d.Swaps, err = w.swapped(p.Kitchen, chosen); err != nil {
		return d, err
	}
	if d.written, err = d.swapped.Weigh(p.Kitchen.Ingredient); err != nil {
		return d, err
	}
	if d.factor, err = w.factor(d.swapped, d.written); err != nil {
		return d, err
	}
	if d.Size = w.Size; w.Have != nil {
		d.Size = weighs(p.Recipe.Size, d.factor)
	}
	d.setting, _ = p.Machine.SettingFor(d.pounds(p.Recipe))
	if d.Sizes = p.offers(d.Size); batch {
		d.Batch, d.Sizes = w.Size, p.batches(d.written, w.Size)
	}
	d.LeftOut = leftOut(p.Kitchen, p.Recipe, w.Without)
	if p.Bag != nil {
		d.Sizes = slices.DeleteFunc(d.Sizes, func(o SizeOffer) bool { return o.Size != w.Size })
	}
	d.lines, d.Deviations = scale.To(d.written, p.Recipe.Kind, d.factor, p.Kitchen.Schools())
	w.LoafWish.follow(d.lines)
	d.Formula = formulate(p.Kitchen, w.Handling, d.lines)
	if say := kind.Of(d.Kind).Missing(d.Formula.Flour); say != "" {
		return d, fault.At("/lines", "%s", say)
	}
	if len(w.Swaps) > 0 {
		before, err := chosen.Weigh(p.Kitchen.Ingredient)
		if err != nil {
			return d, err
		}
		f := formula.FromRecipe(before)
		d.Formula.Written = &f
	}
	d.Slice = perSlice(d.lines, p.slices(d.Size))
	d.Allergens, d.Unknown = allergens(d.lines)
	d.Spoils = slices.ContainsFunc(d.lines, func(l scale.Scaled) bool {
		return l.Ingredient.Spoils &&
			l.Line.Part == recipe.InDough
	})
	return d, nil
}

// allergens are what the loaf with its glaze and fillings holds, in the order of food labels, and whether
// something in it is not known.
func allergens(lines []scale.Scaled) (held []larder.Allergen, unknown bool) {
	var in []larder.Allergen
	for n := range lines {
		i := lines[n].Ingredient
		in, unknown = append(in, i.Allergens...), unknown || i.Unknown
	}
	held = []larder.Allergen{}
	for _, a := range larder.Allergens {
		if slices.Contains(in, a) {
			held = append(held, a)
		}
	}
	return held, unknown
}

// perSlice is what a slice of the whole holds, its glaze and add-ins too.
func perSlice(lines []scale.Scaled, slices int) formula.Slice {
	eaten := make([]formula.Portion, 0, len(lines))
	for n := range lines {
		eaten = append(eaten, formula.Portion{Ingredient: lines[n].Ingredient, Grams: lines[n].Grams})
	}
	return formula.PerSlice(eaten, slices)
}

func leftOut(k kitchen.Kitchen, r recipe.Recipe, without []string) []LeftOut {
	out := []LeftOut{}
	for _, l := range r.Lines {
		if slices.Contains(without, l.ID) {
			i, _ := k.Ingredient(l.Ingredient)
			out = append(out, LeftOut{l.ID, i.Name})
		}
	}
	return out
}

// The smallest and largest factor to which a loaf can follow what there is.
const (
	leastFactor = 0.3
	mostFactor  = 2.5
)

// factor is how the recipe is scaled: to the size, or to what the baker has.
func (l LoafWish) factor(r recipe.Recipe, written []recipe.Weighed) (measure.Ratio, error) {
	if l.Have == nil {
		return l.Size.Over(r.Size), nil
	}
	n := slices.IndexFunc(written, func(o recipe.Weighed) bool { return o.Line.ID == l.Have.Line })
	if n < 0 {
		return measure.Ratio{}, fault.At("/loaf/have/line", "the recipe has no line %q", l.Have.Line)
	}
	line := written[n]
	g, err := line.Ingredient.Weigh(l.Have.Amount)
	if err != nil {
		return measure.Ratio{}, fault.At("/loaf/have/amount", "%v", err)
	}
	if f := float64(g / line.Grams); !(f >= leastFactor && f <= mostFactor) {
		return measure.Ratio{}, fault.At("/loaf/have/amount",
			"%s of %s makes %.2f times the recipe: want %.1f to %.1f times",
			l.Have.Amount, line.Ingredient.Name, f, leastFactor, mostFactor)
	}
	if a, b := l.Have.Amount, line.Line.Amount; a.Unit == b.Unit {
		return a.Middle().Over(b.Middle()), nil
	}
	return measure.NewRatio(int64(math.Round(float64(g)*100)), int64(math.Round(float64(line.Grams)*100))), nil
}

// follow keeps the line that a loaf follows at what there is of it: whole eggs or eased yeast move it no further.
func (l LoafWish) follow(lines []scale.Scaled) {
	if l.Have == nil {
		return
	}
	for n := range lines {
		if g, err := lines[n].Ingredient.Weigh(l.Have.Amount); err == nil && lines[n].Line.ID == l.Have.Line {
			lines[n].Grams, lines[n].Exact = g, l.Have.Amount
		}
	}
}

// Offers lists the swaps that a line of the wish's recipe could have beside those it has; of every line
// where none is named.
func Offers(p Place, w Wish, line string) []swap.Offer {
	r, err := p.Recipe.Choose(w.Without, w.Instead)
	if err == nil {
		r, _, err = w.swapped(p.Kitchen, r)
	}
	if err != nil {
		return []swap.Offer{}
	}
	return swap.Offers(r, p.Kitchen.Ingredient, line)
}

// volumeOf is what the dough's flour fills.
func volumeOf(lines []scale.Scaled, k larder.Kind) measure.Millilitres {
	var v measure.Millilitres
	for _, l := range lines {
		if l.Ingredient.Kind == k {
			v += l.Ingredient.Volume(l.Grams)
		}
	}
	return v
}
