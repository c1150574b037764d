package plan

import (
	"slices"

	"risepan/core/kind"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/recipe"
	"risepan/core/scale"
	"risepan/core/swap"
)

// Bag is what lies measured in a home-made bag: the dry lines of a recipe at one size.
type Bag struct {
	Size  measure.LoafSize
	Holds map[string]measure.Grams // by line
}

// intoBags are the kinds of ingredient that go into a bag: dry, and no yeast.
var intoBags = []larder.Kind{larder.Flour, larder.Sugar, larder.Salt, larder.DryMilk, larder.DryExtra, larder.Leavening}

func intoBag(l scale.Scaled) bool {
	i := l.Ingredient
	return l.Line.Part == recipe.InDough && l.Line.When == recipe.InPan && slices.Contains(intoBags, i.Kind) &&
		!i.Spoils && !i.Packet && !i.Unknown
}

// Dry lists the lines that can be measured into a bag months before, in the recipe's order, and tells whether
// whole grain, which does not keep as long, is among them.
func (d Dough) Dry() (lines []string, whole bool) {
	if !d.Batch.IsZero() && !kind.Of(d.Kind).Loose { // a packet, a jam
		return nil, false
	}
	for _, l := range d.lines {
		if intoBag(l) {
			lines, whole = append(lines, l.Line.ID), whole || l.Ingredient.Whole
		}
	}
	return lines, whole
}

// fromBag is the wish for a loaf out of a bag: of its size, with what is in it as it is.
func (w Wish) fromBag(p Place) Wish {
	b := p.Bag
	if b == nil {
		return w
	}
	w.Size, w.Slices, w.Eaters, w.Have = b.Size, 0, 0, nil
	held := func(line string) bool { _, in := b.Holds[line]; return in }
	w.Without = slices.DeleteFunc(slices.Clone(w.Without), held)
	w.Swaps = slices.DeleteFunc(slices.Clone(w.Swaps), func(s swap.Pick) bool { return held(s.Line) })
	w.Locks = slices.DeleteFunc(slices.Clone(w.Locks), func(l Lock) bool { return held(l.Line) })
	for _, l := range p.Recipe.Lines {
		g, in := b.Holds[l.ID]
		if i, ok := p.Kitchen.Ingredient(l.Ingredient); in && ok { // by volume: it was scooped into the bag
			ml := measure.NewRatio(int64(float64(i.Shaped(l.Note).Volume(g))*1000+0.5), 1000)
			w.Locks = append(w.Locks, Lock{Line: l.ID, Amount: measure.Amount{Quantity: ml, Unit: measure.Millilitre}})
		}
	}
	return w
}
