package plan

import (
	"fmt"
	"math"
	"time"

	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/recipe"
	"risepan/core/scale"
	"risepan/core/swap"
)

// mind says what about this dough's flour, yeast, salt and stock a baker should know before measuring.
func (p *Plan) mind(k kitchen.Kitchen, w Wish, lines []scale.Line, now time.Time) {
	today := kitchen.DateOf(now, w.Zone)
	gluten, wholemeal := false, ""
	var flour measure.Grams
	for _, l := range lines {
		i := l.Ingredient
		gluten = gluten || i.ID == "gluten"
		if i.ID == "wholemeal-flour" {
			wholemeal, flour = l.Line.ID, l.Grams
		}
		p.mindFlour(w.Recipe.Kind, i)
		if worry := k.Worry(i, today); worry != "" {
			p.Cautions = append(p.Cautions, Caution{Level: Care, About: Dates, Line: l.Line.ID, Say: worry})
		}
	}
	if wholemeal != "" && !gluten && p.Formula.Grain >= 50 {
		p.warn(Note, Grain, []Way{{Say: "Add a little gluten", Swaps: []swap.Pick{{Line: wholemeal, Swap: swap.WithGluten}}}},
			"%.0f %% of the flour is wholemeal. Vital wheat gluten, 2 to 3 %% of it (%.0f g), lifts such a loaf.", p.Formula.Grain, 0.025*float64(flour))
	}
	if p.Formula.Yeast > 0 && p.Formula.Sugar > slowSugar {
		p.warn(Note, SlowYeast, nil, "Sugar is %.0f %% of the flour; above about %d %% it slows the yeast. Give it time.", p.Formula.Sugar, slowSugar)
	}
	if p.Formula.Yeast > 0 && p.Formula.Salt > slowSalt {
		p.warn(Note, SlowYeast, nil, "Salt is %.2f %% of the flour; above about %.1f %% it slows the yeast.", p.Formula.Salt, slowSalt)
	}
	p.mindStock(k, w, lines)
}

// packet is what a packet of dry yeast holds, g.
const packet = 7

// tips are what is good to know of a line before measuring it.
func tips(k kitchen.Kitchen, l scale.Line) []string {
	i := l.Ingredient
	switch {
	case i.Prep != "":
		return []string{i.Prep}
	case i.Kind != larder.Yeast:
		return nil
	}
	out := []string{}
	if i.AsDry >= 1 { // dry yeasts come in packets
		packets := math.Ceil(float64(l.Grams)/packet - 0.01)
		left := max(0, packets*packet-float64(l.Grams))
		name := "A packet"
		if packets > 1 {
			name = fmt.Sprintf("%.0f packets", packets)
		}
		out = append(out, fmt.Sprintf("%s of 7 g (2 1/4 tsp) leaves %s over.", name, k.Weights.Text(measure.Grams(left), true)))
	}
	return append(out, "Not sure of it? "+kitchen.Proof)
}

// Above these shares of the flour, per cent, sugar and salt slow yeast.
const (
	slowSugar = 12
	slowSalt  = 2.4
)

func (p *Plan) mindFlour(kind recipe.Kind, i larder.Ingredient) {
	switch yeast := kind != recipe.QuickBread; {
	case yeast && i.ID == "plain-flour":
		p.warn(Note, WrongFlour, nil, "Plain flour is weaker than bread flour: the loaf rises less, and the dough may be slack.")
	case yeast && i.ID == "self-raising-flour":
		p.warn(Care, WrongFlour, nil, "Self-raising flour holds baking powder and salt and little gluten: a yeast loaf of it rises badly. Use bread flour.")
	case yeast && i.ID == "cake-flour":
		p.warn(Care, WrongFlour, nil, "Cake flour has too little gluten to hold a yeast loaf up. Use bread flour.")
	case !yeast && i.ID == "bread-flour":
		p.warn(Note, WrongFlour, nil, "A quick bread wants plain flour: bread flour makes it tough.")
	case !yeast && i.ID == "self-raising-flour":
		p.warn(Note, WrongFlour, nil, "Self-raising flour brings baking powder of its own: leave out about 1 1/4 tsp for each cup.")
	}
}

// mindStock says what the house has too little of, with the swaps that would do.
func (p *Plan) mindStock(k kitchen.Kitchen, w Wish, lines []scale.Line) {
	needs := map[larder.ID]measure.Grams{}
	for _, l := range lines {
		needs[l.Ingredient.ID] += l.Grams
	}
	var offers []swap.Offer
	for _, l := range lines {
		need, open := needs[l.Ingredient.ID]
		delete(needs, l.Ingredient.ID) // said once
		has, known := k.Has(l.Ingredient.ID)
		if !open || !known || has >= need {
			continue
		}
		if offers == nil {
			offers = Offers(k, w)
		}
		say := fmt.Sprintf("There is no %s in the house.", l.Ingredient.Name)
		if has > 0 {
			say = fmt.Sprintf("There is only %s of %s in the house; this loaf wants %s.", k.Weights.Text(has, finely(l.Ingredient)), l.Ingredient.Name, k.Weights.Text(need, finely(l.Ingredient)))
		}
		p.warn(Care, Cupboard, mending(k, l, offers), "%s", say)
	}
}
