package recipe

import (
	"fmt"
	"risepan/core/larder"
	"risepan/core/measure"
	"strings"
)

// partsOf reads "zest and juice of 1 orange": each part of the fruit is a line.
func (r reading) partsOf(text string) []Understood {
	m := ofN.FindStringSubmatch(text)
	if m == nil {
		return nil
	}
	lead, ok := measure.ReadLead(m[3], r.standard)
	if !ok || lead.Rest == "" {
		return nil
	}
	var out []Understood
	for _, what := range m[1:3] {
		if what != "" {
			part := lead
			part.Rest = r.partOf(lead.Rest, what)
			out = append(out, r.food(part))
		}
	}
	return out
}

// each reads "1 tsp each salt and sugar": the amount is of every name.
func (r reading) each(lead measure.Lead, names []string) []Understood {
	var out []Understood
	for _, name := range names {
		if name = strings.TrimSpace(name); name != "" {
			one := lead
			one.Rest = r.shared(name, names[len(names)-1])
			out = append(out, r.food(one))
		}
	}
	return out
}

// listed are the foods of a row that are told one after another, each with its amount behind it: "flour 3c,
// water 1c". It is empty where the row is no such list.
func (r reading) listed(text string) []string {
	if !strings.Contains(text, ",") {
		return nil
	}
	pieces := strings.Split(text, ",")
	for _, piece := range pieces {
		piece = strings.TrimSpace(piece)
		_, begins := measure.ReadLead(piece, r.standard)
		if lead, ok := r.behind(piece); begins || !ok || len(strings.Fields(lead.Rest)) > 4 {
			return nil
		}
	}
	return pieces
}

// cut finds a second amount of another food on the row: "3/4 cup water plus 1 egg". again is set where
// the two are joined by plus, and may be one food.
func (r reading) cut(lead measure.Lead) (one measure.Lead, rest string, again, ok bool) {
	for _, at := range joins.FindAllStringIndex(lead.Rest, -1) {
		before, after := lead.Rest[:at[0]], lead.Rest[at[1]:]
		if before == "" || strings.Count(before, "(") != strings.Count(before, ")") || strings.Contains(before,
			" or ") {
			continue
		}
		next, found := measure.ReadLead(after, r.standard)
		if !found || next.Rest == "" || strings.HasPrefix(next.Rest, "(") {
			continue
		}
		if f := r.name(firstName(next.Rest)); f.Sure == larder.Nowhere && next.Amount.Unit == measure.Piece {
			continue
		}
		one = lead
		one.Rest = before
		join := strings.ToLower(strings.TrimSpace(lead.Rest[at[0]:at[1]]))
		return one, after, join == "plus" || join == "+", true
	}
	return lead, "", false, false
}

func firstName(text string) string {
	text, _, _ = strings.Cut(text, ",")
	text, _, _ = strings.Cut(text, "(")
	return strings.TrimSpace(text)
}

// eggSpoons is how many tablespoons an egg takes in a cup, 13/4, and eggMl the same in millilitres, for
// eggs that are made up with a liquid.
var eggSpoons = measure.NewRatio(13, 4)

const eggMl = 48

// madeUp reads eggs that are made up to an amount with a liquid.
func (r reading) madeUp(eggs, liquid, total string) ([]Understood, bool) {
	first := r.piece(eggs)
	lead, ok := measure.ReadLead(total, r.standard)
	i := &larder.Ingredient{}
	if len(first) == 1 {
		i, _ = larder.Know(first[0].Line.Ingredient)
	}
	if !ok || i.Kind != larder.Egg || lead.Amount.Unit.Facts().Dimension != measure.Volume {
		return nil, false
	}
	spoon := measure.Of(1, 1, r.standard.In(measure.Tbsp))
	each := eggSpoons.Times(measure.NewRatio(int64(float64(spoon.Millilitres())/lead.Amount.Unit.Facts().Size*48+0.5),
		48))
	if f := lead.Amount.Unit.Facts(); f.Decimal {
		each = measure.NewRatio(eggMl, int64(f.Size))
	}
	left := lead.Amount.Quantity.Plus(first[0].Line.Amount.Quantity.Times(each).Times(measure.Whole(-1)))
	if left.Sign() <= 0 {
		return nil, false
	}
	second := r.food(measure.Lead{Amount: measure.Amount{Quantity: left, Unit: lead.Amount.Unit}, Rest: liquid})
	second.Remark = fmt.Sprintf("With the egg it makes %s.", lead.Amount)
	return []Understood{first[0], second}, true
}
