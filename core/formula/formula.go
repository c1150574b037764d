package formula

import (
	"math"
	"slices"

	"risepan/core/kind"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/recipe"
)

// Formula is a dough per 100 of its flour. Add-ins are left out, for olives and raisins would
// distort it.
type Formula struct {
	Flour     measure.Grams `json:"flour"`     // all that counts as flour
	Hydration float64       `json:"hydration"` // all water but that inside the flour
	Salt      float64       `json:"salt"`      // with the salt hidden in butter, milk and cheese
	Hidden    float64       `json:"hidden"`    // the part of that salt that is in other things
	Yeast     float64       `json:"yeast"`     // as active dry yeast
	Sugar     float64       `json:"sugar"`     // without milk sugar
	Fat       float64       `json:"fat"`       // without the flour's own
	Grain     float64       `json:"grain"`     // wholemeal, rye and oats
	Powder    float64       `json:"powder"`    // all leavening, as baking powder
	Soda      float64       `json:"soda"`      // the part of it that is soda
}

// Portion is a weight of an ingredient in the dough.
type Portion struct {
	Ingredient *larder.Ingredient
	Grams      measure.Grams
}

// Up to this share of the flour gluten is an addition to it; beyond, as in low-carb bread, it is a
// flour itself.
const glutenIsFlour = 0.10

// glutenAsFlour reports whether there is so much gluten that it is a flour.
func glutenAsFlour(portions []Portion) bool {
	var flour, gluten measure.Grams
	for _, p := range portions {
		flour += p.Grams * measure.Grams(p.Ingredient.FlourPart)
		if p.Ingredient.Gluten {
			gluten += p.Grams
		}
	}
	return gluten > flour*glutenIsFlour
}

// yeastBeside reports whether yeast stands beside a packet, which then has none inside.
func yeastBeside(portions []Portion) bool {
	return slices.ContainsFunc(portions, func(p Portion) bool { return p.Ingredient.Kind == larder.Yeast })
}

// InFlour is the water inside flour, g in 100 g: it does not count towards hydration, in a starter or a purée
// of grain no more than in the bag.
const InFlour = 12

// Of works out the formula of what goes into the pan. Without flour all shares are 0.
func Of(portions []Portion) Formula {
	var f Formula
	var water, salt, hidden, yeast, sugar, fat, grain, powder, soda float64
	gluten, theirs := glutenAsFlour(portions), yeastBeside(portions)
	for _, p := range portions {
		if p.Ingredient.Kind == larder.Extra {
			continue
		}
		g, s := float64(p.Grams), p.Ingredient.Shares
		is, part, dry := p.Ingredient.Kind, p.Ingredient.FlourPart, p.Ingredient.AsDry
		if gluten && p.Ingredient.Gluten {
			is, part = larder.Flour, 1
		}
		if theirs && p.Ingredient.Packet {
			dry = 0
		}
		flour := g * part
		f.Flour += measure.Grams(flour)
		if p.Ingredient.Whole {
			grain += flour
		}
		yeast += g * dry
		salt += g * s.Salt / 100
		if is != larder.Salt {
			hidden += g * s.Salt / 100
		}
		powder += g * p.Ingredient.Raising
		if p.Ingredient.Raising > 1 {
			soda += g * p.Ingredient.Raising
		}
		if is != larder.Flour {
			water += g*s.Water/100 - flour*InFlour/100
			fat += g * s.Fat / 100
			if !p.Ingredient.Milky {
				sugar += g * s.Sugar / 100
			}
		}
	}
	if f.Flour <= 0 {
		return Formula{}
	}
	per := 100 / float64(f.Flour)
	f.Hydration, f.Salt, f.Yeast = water*per, salt*per, yeast*per
	f.Sugar, f.Fat, f.Grain = sugar*per, fat*per, grain*per
	f.Hidden, f.Powder, f.Soda = hidden*per, powder*per, soda*per
	return f
}

// FromRecipe is the formula of a recipe's dough. Flour that is held back counts like any other.
func FromRecipe(lines []recipe.Weighed) Formula {
	p := make([]Portion, 0, len(lines))
	for n := range lines {
		if l := &lines[n]; l.Line.Part == recipe.InDough {
			p = append(p, Portion{l.Ingredient, l.Grams})
		}
	}
	return Of(p)
}

// Cupped is a flour that is measured by the cup.
type Cupped struct {
	Grams measure.Grams // as it is reckoned
	Cup   measure.Grams // one cup of it, as reckoned
	Known larder.Known  // what weighings tell of that cup
	Low   measure.Grams // what a cup may hold where it was not weighed often enough, from
	High  measure.Grams // to
}

// sure is how many standard deviations a range goes to either side: 19 loaves in 20 lie inside.
const sure = 2

// Range is what hydration may be when these flours are measured by the cup and all else by weight.
// Cups that were weighed doubt on their own, so their deviations add up by squares; what an
// unweighed cup may hold adds up whole.
func (f Formula) Range(flours []Cupped) (low, high float64) {
	var less, more, squares float64
	for _, c := range flours {
		if c.Grams <= 0 || c.Cup <= 0 {
			continue
		}
		if cups := float64(c.Grams / c.Cup); c.Known.Enough {
			d := float64(c.Known.Doubt(cups))
			squares += d * d
		} else {
			less += float64(c.Cup-min(c.Low, c.Cup)) * cups
			more += float64(max(c.High, c.Cup)-c.Cup) * cups
		}
	}
	d := sure * math.Sqrt(squares)
	flour := float64(f.Flour)
	if flour <= less+d {
		return f.Hydration, f.Hydration
	}
	return f.Hydration * flour / (flour + more + d), f.Hydration * flour / (flour - less - d)
}

// Liking widens bands to include the formulas of loaves that were liked.
func Liking(b kind.Bands, loaves []Formula) kind.Bands {
	for _, f := range loaves {
		for _, w := range []struct {
			band *kind.Band
			v    float64
		}{{&b.Hydration, f.Hydration}, {&b.Salt, f.Salt}, {&b.Yeast, f.Yeast}, {&b.Sugar, f.Sugar}, {&b.Fat, f.Fat},
			{&b.Powder, f.Powder}} {
			if !w.band.IsZero() {
				*w.band = w.band.With(w.v)
			}
		}
	}
	return b
}

// Slice is an estimate of what one slice holds, g. Raising and baking change it a little.
type Slice struct {
	NetCarbohydrate measure.Grams `json:"netCarbohydrate"` // starch and sugars
	Protein         measure.Grams `json:"protein"`
	Fat             measure.Grams `json:"fat"`
	Fibre           measure.Grams `json:"fibre"`
	Salt            measure.Grams `json:"salt"`
}

// PerSlice shares out everything that goes into a loaf, add-ins and glaze too.
func PerSlice(portions []Portion, slices int) Slice {
	var s Slice
	if slices <= 0 {
		return s
	}
	for _, p := range portions {
		g := p.Grams / 100 / measure.Grams(slices)
		is := p.Ingredient.Shares
		s.NetCarbohydrate += g * measure.Grams(is.Starch+is.Sugar)
		s.Protein += g * measure.Grams(is.Protein)
		s.Fat += g * measure.Grams(is.Fat)
		s.Fibre += g * measure.Grams(is.Fibre)
		s.Salt += g * measure.Grams(is.Salt)
	}
	return s
}
