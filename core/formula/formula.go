// Package formula works out baker's percentages: each ingredient per 100 of the flour's weight,
// and the usual bands that a bread of its kind lies in.
package formula

import (
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
	Yeast     float64       `json:"yeast"`     // as active dry yeast
	Sugar     float64       `json:"sugar"`     // without milk sugar
	Fat       float64       `json:"fat"`       // without the flour's own
	Grain     float64       `json:"grain"`     // wholemeal, rye and oats
}

// Portion is a weight of an ingredient in the dough.
type Portion struct {
	Ingredient larder.Ingredient
	Grams      measure.Grams
}

// Of works out the formula of what goes into the pan. Without flour all shares are 0.
func Of(portions []Portion) Formula {
	var f Formula
	var water, salt, yeast, sugar, fat, grain float64
	for _, p := range portions {
		if p.Ingredient.Kind == larder.Extra {
			continue
		}
		g, s := float64(p.Grams), p.Ingredient.Shares
		flour := g * p.Ingredient.FlourPart
		f.Flour += measure.Grams(flour)
		if p.Ingredient.Grain {
			grain += flour
		}
		yeast += g * p.Ingredient.AsDry
		salt += g * s.Salt / 100
		if p.Ingredient.Kind != larder.Flour {
			water += g * s.Water / 100
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
	return f
}

// FromRecipe is the formula of a recipe's dough. Flour that is held back counts like any other.
func FromRecipe(lines []recipe.Weighed) Formula {
	var p []Portion
	for _, l := range lines {
		if l.Line.Part == recipe.InDough {
			p = append(p, Portion{l.Ingredient, l.Grams})
		}
	}
	return Of(p)
}

// A cup of flour, not yet weighed in this kitchen, holds anything from sifted to scooped.
const (
	SiftedCup  measure.Grams = 110
	ScoopedCup measure.Grams = 150
)

// HydrationByCup is the range that hydration may have when share (0 to 1) of the flour is measured
// by a cup that holds usual grams in the recipe's reckoning, but was never weighed here.
func HydrationByCup(f Formula, usual measure.Grams, share float64) (low, high float64) {
	if usual <= 0 || share <= 0 {
		return f.Hydration, f.Hydration
	}
	with := func(cup measure.Grams) float64 {
		return f.Hydration / (1 - share + share*float64(cup/usual))
	}
	return with(ScoopedCup), with(SiftedCup)
}
