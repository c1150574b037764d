package plan

import (
	"math"
	"slices"

	"risepan/core/fault"
	"risepan/core/kind"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/recipe"
	"risepan/core/scale"
)

// SizeOffer is a loaf size, and why it is not offered where it is not.
type SizeOffer struct {
	Size    measure.LoafSize `json:"size"`
	Written bool             `json:"written"`         // the recipe is written for it
	Slices  int              `json:"slices"`          // about so many; 0 of what is not sliced
	Batch   string           `json:"batch,omitzero"`  // of what is made by the batch: "half", "1 1/2 times"
	Yields  string           `json:"yields,omitzero"` // what a batch comes to: "about 730 g baked"
	WhyNot  string           `json:"whyNot,omitzero"`
}

var usualSizes = []measure.LoafSize{measure.LoafPounds(1, 1), measure.LoafPounds(3, 2), measure.LoafPounds(2, 1)}

// smallestLoaf is the smallest loaf that is planned, lb.
var smallestLoaf = measure.NewRatio(1, 2)

// nearSize is by how much of a machine's own size a usual size may differ and still be taken for it, so that a
// machine of 500 g does not offer 1 lb beside it.
const nearSize = 0.15

// belowAll lists the usual sizes that a machine has no setting for and bakes on its smallest.
func belowAll(m machine.Machine) []measure.LoafSize {
	var out []measure.LoafSize
	for _, s := range usualSizes {
		if !slices.ContainsFunc(m.Sizes, func(o measure.LoafSize) bool { return o.Pounds().Cmp(s.Pounds()) <= 0 }) {
			out = append(out, s)
		}
	}
	return out
}

// holds reports whether a machine can bake a loaf of the size: no smaller than any loaf is, and no larger than
// its largest setting.
func holds(m machine.Machine, s measure.LoafSize) bool {
	_, ok := m.SettingFor(s.Pounds())
	return ok && s.Pounds().Cmp(smallestLoaf) >= 0
}

// sized is the loaf with its size settled: the wished one; of a loaf that is wanted by slices the smallest that
// gives so many; else as the recipe is written, or the machine's largest where that is too large for it. enough
// is false where no size gives the wanted slices.
func (p Place) sized(l LoafWish, batch bool) (out LoafWish, enough bool) {
	enough = true
	switch {
	case batch:
		l.Slices, l.Eaters = 0, 0
	case l.Slices > 0:
		l.Size, enough = scale.ForSlices(l.wanted(), append(belowAll(p.Machine), p.Machine.Sizes...))
	}
	if l.Size.IsZero() {
		l.Size = p.Recipe.Size
		if largest, _ := p.Machine.SettingFor(l.Size.Pounds()); !batch && !holds(p.Machine, l.Size) &&
			!p.fitsAsWritten(l.Size) {
			l.Size = largest.LoafSize
		}
	}
	return l, enough
}

// fitsAsWritten reports whether a size is the recipe's own and its batter fits the pan, whatever the machine's
// sizes are called: a batter's measure is its volume in the pan.
func (p Place) fitsAsWritten(s measure.LoafSize) bool {
	if s != p.Recipe.Size || !kind.Of(p.Recipe.Kind).Batter {
		return false
	}
	written, err := p.Recipe.Weigh(p.Kitchen.Ingredient)
	return err == nil && !p.fillOf(written, 1).Overflows()
}

// The least and the most of a recipe that is made by the batch.
var leastBatch, mostBatch = measure.NewRatio(1, 4), measure.Whole(4)

// checkSize reports a size that this machine cannot bake.
func (p Place) checkSize(s measure.LoafSize, batch bool) error {
	switch f := s.Over(p.Recipe.Size); {
	case batch && (f.Cmp(leastBatch) < 0 || f.Cmp(mostBatch) > 0):
		return fault.At("/loaf/size", "%s is %s times the recipe: make from %s to %s times of it", s, f.Decimal(),
			leastBatch, mostBatch)
	case !batch && !holds(p.Machine, s) && !p.fitsAsWritten(s):
		return fault.At("/loaf/size", "%s bakes %s, not %s", p.Machine.Name, p.Machine.SizesInWords(), s)
	}
	return nil
}

// offers lists the sizes that a loaf of the recipe can be made at on the machine, and the usual ones that it
// does not bake, smallest first.
func (p Place) offers(chosen measure.LoafSize) []SizeOffer {
	var out []SizeOffer
	add := func(s measure.LoafSize, whyNot string) {
		if slices.ContainsFunc(out, func(o SizeOffer) bool { return o.Size == s }) {
			return
		}
		out = append(out, SizeOffer{Size: s, Written: s == p.Recipe.Size, Slices: p.slices(s), WhyNot: whyNot})
	}
	for _, s := range p.Machine.Sizes {
		add(s, "")
	}
	add(chosen, "")
	if holds(p.Machine, p.Recipe.Size) || p.fitsAsWritten(p.Recipe.Size) {
		add(p.Recipe.Size, "")
	}
	for _, s := range usualSizes {
		like := func(o SizeOffer) bool { return math.Abs(s.Over(o.Size).Float()-1) < nearSize }
		switch {
		case slices.ContainsFunc(out, like):
		case slices.Contains(belowAll(p.Machine), s):
			add(s, "")
		default:
			add(s, p.Machine.Name+" has no setting for it: it bakes "+p.Machine.SizesInWords()+".")
		}
	}
	slices.SortStableFunc(out, func(a, b SizeOffer) int { return a.Size.Pounds().Cmp(b.Size.Pounds()) })
	return out
}

// weighs is the size of a loaf that follows what there is of one ingredient: so many times the recipe's, to an
// eighth of a pound or to ten grams.
func weighs(of measure.LoafSize, factor measure.Ratio) measure.LoafSize {
	parts := measure.Whole(8)
	if of.InGrams() {
		parts = of.Grams().Times(measure.NewRatio(1, 10))
	} else {
		parts = of.Pounds().Times(parts)
	}
	steps := measure.Whole(max(1, int64(math.Round(parts.Times(factor).Float()))))
	if s, ok := of.Times(steps.Over(parts)); ok {
		return s
	}
	return of
}

// Name is how the offer is called: by its size, or as so much of the recipe.
func (o SizeOffer) Name() string {
	if o.Batch != "" {
		return o.Batch
	}
	return o.Size.String()
}

// Smaller is the next smaller size at which the loaf can be made on its machine; ok is false where there is none.
func (d Dough) Smaller() (o SizeOffer, ok bool) {
	for _, s := range d.Sizes {
		if s.WhyNot == "" && s.Size.Pounds().Cmp(d.Size.Pounds()) < 0 {
			o, ok = s, true
		}
	}
	return o, ok
}

// matched is the least share of its setting that a loaf has without being small for it.
const matched = 0.9

// small reports whether the loaf is baked on a setting that is too large for it.
func (d Dough) small(r recipe.Recipe) bool {
	return d.Batch.IsZero() && d.pounds(r).Float() < matched*d.setting.Pounds().Float()
}

// pounds is how heavy the loaf is by name, lb: of a loaf that follows what there is, to the last gram.
func (d Dough) pounds(r recipe.Recipe) measure.Ratio { return d.factor.Times(r.Size.Pounds()) }
