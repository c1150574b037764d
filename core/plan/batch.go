package plan

import (
	"fmt"
	"slices"

	"risepan/core/kind"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/pan"
	"risepan/core/recipe"
	"risepan/core/scale"
)

// batches are what is offered of a recipe that loaf sizes say nothing of: a jam, a packet, a starter.
var batches = []batch{
	{measure.NewRatio(1, 2), "half", "half a packet"}, {measure.Whole(1), "as written", "a packet"},
	{measure.NewRatio(3, 2), "1 1/2 times", "1 1/2 packets"}, {measure.Whole(2), "twice", "2 packets"},
}

type batch struct {
	times       measure.Ratio
	name, packs string
}

// batch reports whether the recipe is made by the batch.
func (p Place) batch() bool {
	of := make([]larder.ID, len(p.Recipe.Lines))
	for n, l := range p.Recipe.Lines {
		of[n] = l.Ingredient
	}
	return kind.ByBatch(p.Recipe.Kind, of)
}

// batches lists what can be made of the recipe at once, and why not what cannot; the chosen size among it.
func (p Place) batches(written []recipe.Weighed, chosen measure.LoafSize) []SizeOffer {
	var out []SizeOffer
	packet := slices.ContainsFunc(written, func(l recipe.Weighed) bool { return l.Ingredient.Packet })
	all := slices.Clone(batches)
	if times := chosen.Over(p.Recipe.Size); !slices.ContainsFunc(all, func(b batch) bool { return b.times == times }) {
		all = append(all, batch{times, fmt.Sprintf("%s times", p.Kitchen.Decimal.UpTo(times.Float(), 2)),
			fmt.Sprintf("%s packets", p.Kitchen.Decimal.UpTo(times.Float(), 2))})
		slices.SortFunc(all, func(a, b batch) int { return a.times.Cmp(b.times) })
	}
	for _, b := range all {
		size, ok := p.Recipe.Size.Times(b.times)
		if !ok {
			continue
		}
		o := SizeOffer{Size: size, Written: b.times == measure.Whole(1), Slices: p.slices(size), Batch: b.name}
		if b.times == chosen.Over(p.Recipe.Size) {
			o.Size = chosen // as it was wished: 680 g of a recipe for 1 1/2 lb stays that
		}
		if packet {
			o.Batch = b.packs
		}
		var all, fruit measure.Grams
		var volume, crushed measure.Millilitres
		for _, l := range written {
			g := l.Grams * measure.Grams(b.times.Float())
			if l.Line.Part != recipe.InDough {
				continue
			}
			all, volume = all+g, volume+l.Ingredient.Volume(g)
			if l.Ingredient.Kind == larder.Extra || l.Ingredient.Kind == larder.Puree {
				fruit, crushed = fruit+g, crushed+l.Ingredient.Volume(g)
			}
		}
		row := kind.Of(p.Recipe.Kind)
		switch {
		case row.Most > 0 && crushed > row.Most && !o.Written:
			o.WhyNot = tooMuchFruit(p.Kitchen, row, crushed)
		case row.Headspace > 0 && volume > p.Machine.Vessel.Below(row.Headspace) && !o.Written:
			o.WhyNot = fmt.Sprintf("It would stand higher than %s below the rim.",
				p.Kitchen.Length(float64(row.Headspace)))
		case p.fillOf(written, b.times.Float()).Overflows() && !o.Written:
			o.WhyNot = "More than the pan of " + p.Machine.Name + " holds."
		}
		if packet {
			o.Yields = fmt.Sprintf("about %s baked", p.Kitchen.Weight(scale.Baked(all), false))
		}
		out = append(out, o)
	}
	return out
}

// fillOf is how far so many times the recipe is likely to fill the pan.
func (p Place) fillOf(written []recipe.Weighed, times float64) pan.Fill {
	var all measure.Grams
	for _, l := range written {
		if l.Line.Part == recipe.InDough {
			all += l.Grams
		}
	}
	f := measure.Grams(times)
	return p.Machine.Vessel.FillOf(p.Recipe.Kind, flourOf(written)*f, all*f).Times(p.Machine.Fills)
}

func flourOf(lines []recipe.Weighed) measure.Grams {
	var flour measure.Grams
	for _, l := range lines {
		if l.Line.Part == recipe.InDough {
			flour += l.Grams * measure.Grams(l.Ingredient.FlourPart)
		}
	}
	return flour
}

func tooMuchFruit(k kitchen.Kitchen, row kind.Row, crushed measure.Millilitres) string {
	const cup = 236.588
	return fmt.Sprintf("%s cups of crushed fruit: at most about %.0f boil in a bread machine's pan without running "+
		"over.", k.Decimal.Figure(float64(crushed)/cup, 1), float64(row.Most)/cup)
}

// slices is about how many slices a loaf of the size gives; of what is not sliced none.
func (p Place) slices(s measure.LoafSize) int {
	if e := kind.Of(p.Recipe.Kind).Ending; e.Slice == 0 {
		return 0
	}
	return scale.Slices(s)
}
