package tally

import (
	"cmp"
	"slices"

	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/scale"
)

// BakedLoaf is one bake that was finished.
type BakedLoaf struct {
	RecipeID string
	Recipe   string
	Mark     int // 1 to 5; 0: not judged
	Used     []Used
}

// Used is so much of an ingredient, as it was planned.
type Used struct {
	Ingredient larder.ID
	Grams      measure.Grams
}

// Grams is the weight of what was used, all in all.
func Grams(used []Used) (sum measure.Grams) {
	for _, u := range used {
		sum += u.Grams
	}
	return sum
}

// MainFlour is the flour that was used most of; empty where none was.
func MainFlour(used []Used, k kitchen.Kitchen) (flour larder.ID) {
	most := measure.Grams(0)
	for _, u := range used {
		if i, ok := k.Ingredient(u.Ingredient); ok && i.Kind == larder.Flour && u.Grams > most {
			flour, most = u.Ingredient, u.Grams
		}
	}
	return flour
}

// Tally is what loaves come to.
type Tally struct {
	Loaves int           `json:"loaves"`
	Judged int           `json:"judged"`
	Mark   float64       `json:"mark,omitzero"` // the mean of those that were judged
	Flour  measure.Grams `json:"flour"`
	Bread  measure.Grams `json:"bread"` // what they weigh, baked, about
	Loved  []Loved       `json:"loved"` // best first
	Cost   Cost          `json:"cost"`
}

// Loved is a recipe with how often it was baked and its mean mark.
type Loved struct {
	RecipeID string  `json:"recipeId"`
	Recipe   string  `json:"recipe"`
	Loaves   int     `json:"loaves"`
	Mark     float64 `json:"mark,omitzero"` // 0: never judged
}

// Cost is what was used, by the prices of the cupboard. Water costs nothing.
type Cost struct {
	Sum      float64     `json:"sum"`
	PerLoaf  float64     `json:"perLoaf,omitzero"`
	Priced   float64     `json:"priced"`            // how much of all grams has a price, 0 to 1
	Unpriced []larder.ID `json:"unpriced,omitzero"` // what has none, the most first
}

// mostLoved is how many recipes are listed.
const mostLoved = 5

// Of counts loaves, by the facts and prices of a kitchen.
func Of(loaves []BakedLoaf, k kitchen.Kitchen) Tally {
	t := Tally{Loaves: len(loaves), Loved: []Loved{}}
	marks := 0
	by := map[string]*Loved{}
	judged := map[string]int{}
	used := map[larder.ID]measure.Grams{}
	for _, l := range loaves {
		r, ok := by[l.RecipeID]
		if !ok {
			r = &Loved{RecipeID: l.RecipeID}
			by[l.RecipeID] = r
		}
		r.Recipe, r.Loaves = l.Recipe, r.Loaves+1
		if l.Mark > 0 {
			t.Judged, marks = t.Judged+1, marks+l.Mark
			judged[l.RecipeID]++
			r.Mark += float64(l.Mark)
		}
		all := measure.Grams(0)
		for _, u := range l.Used {
			used[u.Ingredient] += u.Grams
			all += u.Grams
		}
		t.Bread += scale.Baked(all)
	}
	if t.Judged > 0 {
		t.Mark = float64(marks) / float64(t.Judged)
	}
	for id, r := range by {
		if n := judged[id]; n > 0 {
			r.Mark /= float64(n)
		}
		t.Loved = append(t.Loved, *r)
	}
	slices.SortFunc(t.Loved, func(a, b Loved) int {
		return cmp.Or(cmp.Compare(b.Mark, a.Mark), cmp.Compare(b.Loaves, a.Loaves), cmp.Compare(a.Recipe, b.Recipe),
			cmp.Compare(a.RecipeID, b.RecipeID))
	})
	t.Loved = t.Loved[:min(len(t.Loved), mostLoved)]
	t.Cost = cost(used, k)
	if t.Loaves > 0 {
		t.Cost.PerLoaf = t.Cost.Sum / float64(t.Loaves)
	}
	for id, g := range used {
		if i, ok := k.Ingredient(id); ok {
			t.Flour += g * measure.Grams(i.FlourPart)
		}
	}
	return t
}

func cost(used map[larder.ID]measure.Grams, k kitchen.Kitchen) Cost {
	var c Cost
	all, priced := measure.Grams(0), measure.Grams(0)
	for id, g := range used {
		if i, ok := k.Ingredient(id); ok && i.Kind == larder.Liquid && i.Shares.Water == 100 {
			continue
		}
		all += g
		if each, ok := k.Price(id); ok {
			c.Sum, priced = c.Sum+each*float64(g), priced+g
		} else {
			c.Unpriced = append(c.Unpriced, id)
		}
	}
	slices.SortFunc(c.Unpriced, func(a, b larder.ID) int {
		return cmp.Or(cmp.Compare(used[b], used[a]),
			cmp.Compare(a, b))
	})
	if all > 0 {
		c.Priced = float64(priced / all)
	}
	return c
}
