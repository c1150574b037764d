package scale

import (
	"fmt"
	"math"

	"risepan/core/formula"
	"risepan/core/kind"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/recipe"
	"risepan/core/vocab"
)

// YeastSchool is how yeast follows the loaf size.
type YeastSchool string

const (
	Eased    YeastSchool = "eased"    // × f^0.6: a big dough stays warmer, and headroom does not grow with flour
	Straight YeastSchool = "straight" // × f
)

var YeastSchools = []YeastSchool{Eased, Straight}

func (s YeastSchool) Words() []string { return vocab.List(YeastSchools) }
func (s *YeastSchool) UnmarshalText(text []byte) error {
	return vocab.Read(s, text, "school of yeast", YeastSchools)
}

// EggSchool is how eggs follow the loaf size.
type EggSchool string

const (
	Whole EggSchool = "whole" // the nearest whole number; the liquid makes up for the rest
	Part  EggSchool = "part"  // beaten, and a part used by weight or spoon
)

var EggSchools = []EggSchool{Whole, Part}

func (s EggSchool) Words() []string { return vocab.List(EggSchools) }
func (s *EggSchool) UnmarshalText(text []byte) error {
	return vocab.Read(s, text, "school of eggs", EggSchools)
}

// Schools are a kitchen's ways of resizing.
type Schools struct {
	Yeast YeastSchool
	Eggs  EggSchool
	Salt  kind.SaltSchool
	// Egg is the weight of the kitchen's own whole eggs; 0 where they are as the recipe means.
	Egg     measure.Grams
	Decimal measure.DecimalSign // in the reasons that are given
	Weights measure.Weights     // and what they weigh in
}

// weight writes a weight as the kitchen's scale shows it.
func (s Schools) weight(g measure.Grams, finely bool) string {
	return s.Decimal.In(s.Weights.Text(g, finely))
}

// easing is the exponent of the eased school.
const easing = 0.6

// Rule names why a line departs from straight proportion.
type Rule string

const (
	WholeEggs    Rule = "whole eggs"
	PartEgg      Rule = "part egg"
	LiquidForEgg Rule = "liquid for egg"
	EasedYeast   Rule = "eased yeast"
	YeastInBand  Rule = "yeast in band"
	Spooned      Rule = "spooned"
	ReducedSalt  Rule = "reduced salt"
)

// Scaled is a recipe's line at the new size.
type Scaled struct {
	recipe.Weighed                // the line as written, and its grams there
	Exact          measure.Amount // the amount at the new size, where it is straight; else no amount
	Grams          measure.Grams  // at the new size
	Pieces         int64          // whole eggs; 0 for what is not counted
}

// Whole is the line as so many whole pieces or packets, as its recipe counts it; ok is false where it is measured.
func (l Scaled) Whole() (a measure.Amount, ok bool) {
	if l.Pieces > 0 {
		return measure.Amount{Quantity: measure.Whole(l.Pieces)}, true
	}
	counted := l.Exact.Unit == measure.Piece || l.Exact.Unit == measure.Packet
	return l.Exact, counted && l.Exact.UpTo.Sign() == 0 && l.Exact.Quantity.Sign() > 0 && l.Exact.Quantity.IsWhole()
}

// Deviation is a line that does not follow the straight proportion, with the reason.
type Deviation struct {
	Line     string        `json:"line"`
	Rule     Rule          `json:"rule"`
	Straight measure.Grams `json:"straight"` // what straight proportion gives
	Grams    measure.Grams `json:"grams"`    // what is used
	Reason   string        `json:"reason"`
}

// AddedWater is the id of the line of water that stands in for eggs rounded away where the recipe
// has no liquid to make up.
const AddedWater = "added-water"

// To resizes weighed lines of a recipe by the exact factor f. The kind of recipe gives the yeast's band.
func To(lines []recipe.Weighed, of recipe.Kind, f measure.Ratio, schools Schools) ([]Scaled, []Deviation) {
	out := make([]Scaled, len(lines))
	for n, l := range lines {
		out[n] = Scaled{Weighed: l, Exact: l.Line.Amount.Times(f), Grams: l.Grams * measure.Grams(f.Float())}
	}
	var dev []Deviation
	out, dev = wholeEggs(out, dev, schools)
	if schools.Salt == kind.Reduced {
		dev = reduceSalt(out, dev, lines, of, schools.Decimal)
	}
	if f == measure.Whole(1) {
		return out, dev
	}
	dev = easeYeast(out, dev, lines, of, f, schools)
	dev = spoonPieces(out, dev)
	return out, dev
}

// wholeEggs keeps eggs whole, a half rounding up and one egg staying one, and gives the water that
// they gain or lose back to the main liquid. Eggs that the recipe itself parts stay parted at its
// own size.
func wholeEggs(lines []Scaled, dev []Deviation, schools Schools) ([]Scaled, []Deviation) {
	main := mainLiquid(lines)
	water := 0.0 // g that the eggs bring beyond straight proportion
	first := len(dev)
	for n := range lines {
		l := &lines[n]
		if !l.Ingredient.Counted() || l.Exact.Unit != measure.Piece || l.Line.Part != recipe.InDough {
			continue
		}
		each := l.Ingredient.Each
		if schools.Egg > 0 && l.Ingredient.Shell {
			each = schools.Egg
		}
		exact := l.Exact.Middle()
		if each != l.Ingredient.Each {
			exact = measure.NewRatio(int64(math.Round(float64(l.Grams)*1000)), int64(math.Round(float64(each)*1000)))
		}
		whole := max(exact.HalfUp(), 1)
		straight, grams := l.Grams, each*measure.Grams(whole)
		if math.Abs(float64(grams-straight)) < 1e-9 {
			l.Pieces = whole
			continue
		}
		if l.Exact == l.Line.Amount && !l.Exact.Middle().IsWhole() {
			continue
		}
		extra := float64(grams-straight) * l.Ingredient.Shares.Water / 100
		if schools.Eggs == Part || !canGive(lines, main, water+extra) {
			reason := "beat it and use part, as this kitchen likes"
			if schools.Eggs != Part {
				reason = "beat it and use part, for there is too little liquid to make up a whole one"
			}
			dev = append(dev, Deviation{l.Line.ID, PartEgg, straight, straight,
				fmt.Sprintf("%s of a %s: %s.", schools.Decimal.UpTo(exact.Float(), 1), l.Ingredient.Name, reason)})
			l.Exact = measure.Amount{}
			continue
		}
		water += extra
		l.Pieces, l.Grams, l.Exact = whole, grams, measure.Amount{Quantity: measure.Whole(whole)}
		dev = append(dev, Deviation{l.Line.ID, WholeEggs, straight, grams,
			fmt.Sprintf("Straight proportion is %s of this kitchen's eggs. Eggs stay whole, so %d goes in.",
				schools.Decimal.UpTo(exact.Float(), 1), whole)})
	}
	if len(dev) == first || math.Abs(water) < 1e-9 {
		return lines, dev
	}
	if main < 0 {
		facts := larder.Water()
		g := measure.Grams(-water)
		added := Scaled{Weighed: recipe.Weighed{Line: recipe.Line{ID: AddedWater, Ingredient: facts.ID},
			Ingredient: facts}, Grams: g}
		return append([]Scaled{added}, lines...), append(dev, Deviation{AddedWater, LiquidForEgg, 0, g,
			fmt.Sprintf("Fewer eggs bring %s less water, and the recipe has no liquid, so water is added.",
				schools.weight(g, false))})
	}
	l := &lines[main]
	straight := l.Grams
	l.Grams -= measure.Grams(water * 100 / l.Ingredient.Shares.Water)
	l.Exact = measure.Amount{}
	more, less := "more", "less"
	if water < 0 {
		more, less = less, more
	}
	return lines, append(dev, Deviation{l.Line.ID, LiquidForEgg, straight, l.Grams,
		fmt.Sprintf("Whole eggs bring %s %s water, so %s %s %s goes in.",
			schools.weight(measure.Grams(math.Abs(water)), false), more,
			schools.weight(max(straight-l.Grams, l.Grams-straight), false), less, l.Ingredient.Name)})
}

// mainLiquid is the liquid line in the pan that brings the most water; -1 without one, and where mashed fruit or
// the like brings more: a little soured cream beside a cup of banana makes up for no egg.
func mainLiquid(lines []Scaled) int {
	best, most, mash := -1, 0.0, 0.0
	for n, l := range lines {
		if l.Line.When != recipe.InPan && l.Line.When != recipe.Warmed || l.Line.Part != recipe.InDough {
			continue
		}
		switch w := float64(l.Grams) * l.Ingredient.Shares.Water; {
		case l.Ingredient.Kind == larder.Puree:
			mash = max(mash, w)
		case l.Ingredient.Kind == larder.Liquid && w > most:
			best, most = n, w
		}
	}
	if mash > most {
		return -1
	}
	return best
}

// canGive reports whether the main liquid can change by so much water and still be at least a fifth
// of itself. Without a liquid, water can be added but not taken away.
func canGive(lines []Scaled, main int, water float64) bool {
	if main < 0 {
		return water <= 0
	}
	return water <= 0.8*float64(lines[main].Grams)*lines[main].Ingredient.Shares.Water/100
}

// easeYeast scales the yeast by its school, inside the band of the kind, which is widened to
// include the recipe's own share.
func easeYeast(out []Scaled, dev []Deviation, written []recipe.Weighed, of recipe.Kind, f measure.Ratio,
	schools Schools) []Deviation {
	own := formula.FromRecipe(written)
	if own.Yeast <= 0 {
		return dev
	}
	factor := f.Float()
	if schools.Yeast != Straight {
		factor = math.Pow(factor, easing)
	}
	straight := own.Yeast // per 100 of flour, the same at every size
	want := straight * factor / f.Float()
	held := want
	if y := kind.BandsOf(of, own.Grain).Yeast; !y.IsZero() {
		y = y.With(straight)
		held = min(max(want, y.Low), y.High)
	}
	for n := range out {
		l := &out[n]
		if l.Ingredient.Kind != larder.Yeast || l.Line.Part != recipe.InDough {
			continue
		}
		before := l.Grams
		l.Grams = before * measure.Grams(held/straight)
		if held != want {
			l.Exact = measure.Amount{}
			dev = append(dev, Deviation{l.Line.ID, YeastInBand, before, l.Grams, fmt.Sprintf(
				"Held at %s %% of the flour, the edge of what is usual, rather than %s %%.",
				schools.Decimal.Figure(held, 2), schools.Decimal.Figure(want, 2))})
		} else if schools.Yeast != Straight {
			l.Exact = measure.Amount{}
			why := "a bigger dough stays warmer, and the pan's headroom does not grow with the flour"
			if f.Cmp(measure.Whole(1)) < 0 {
				why = "a smaller dough cools sooner, so it needs a little more for its size"
			}
			dev = append(dev, Deviation{l.Line.ID, EasedYeast, before, l.Grams, fmt.Sprintf(
				"Eased: %s rather than %s, for %s.", schools.weight(l.Grams, true), schools.weight(before, true), why)})
		}
	}
	return dev
}

// reduceSalt holds the salt of a kitchen that likes little at the top of what it likes, salt hidden in
// other things counted. What has less already stays as it is.
func reduceSalt(out []Scaled, dev []Deviation, written []recipe.Weighed, of recipe.Kind,
	sign measure.DecimalSign) []Deviation {
	own := formula.FromRecipe(written)
	band := kind.BandsOf(of, own.Grain).In(kind.Reduced).Salt
	if band.IsZero() || own.Salt <= band.High || own.Salt <= own.Hidden {
		return dev
	}
	factor := max(0, (band.High-own.Hidden)/(own.Salt-own.Hidden))
	for n := range out {
		l := &out[n]
		if l.Ingredient.Kind != larder.Salt || l.Line.Part != recipe.InDough {
			continue
		}
		before := l.Grams
		l.Grams, l.Exact = before*measure.Grams(factor), measure.Amount{}
		dev = append(dev, Deviation{l.Line.ID, ReducedSalt, before, l.Grams, fmt.Sprintf(
			"This kitchen likes little salt: %s %% of the flour in all rather than %s %%. The dough rises faster "+
				"for it: cut the yeast a little, or watch it.",
			sign.Figure(band.High, 1), sign.Figure(own.Salt, 1))})
	}
	return dev
}

// spoonPieces turns broken pieces and packets into what spoons can measure.
func spoonPieces(lines []Scaled, dev []Deviation) []Deviation {
	for n := range lines {
		l := &lines[n]
		u := l.Exact.Unit
		if l.Ingredient.Counted() || (u != measure.Piece && u != measure.Packet) || l.Exact.Quantity.IsWhole() {
			continue
		}
		dev = append(dev, Deviation{l.Line.ID, Spooned, l.Grams, l.Grams, fmt.Sprintf(
			"%s of %s is measured by the spoon.", l.Exact.Quantity, pieceName(*l))})
		l.Exact = measure.Amount{}
	}
	return dev
}

func pieceName(l Scaled) string {
	if l.Exact.Unit == measure.Packet {
		return "a packet"
	}
	return "the " + l.Ingredient.Name
}
