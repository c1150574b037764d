package plan

import (
	"slices"

	"risepan/core/formula"
	"risepan/core/kind"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/recipe"
	"risepan/core/scale"
	"risepan/core/vocab"
)

// Formula is the dough per 100 of flour.
type Formula struct {
	formula.Formula
	Low     float64          `json:"low"`  // hydration, by how this kitchen measures flour, from
	High    float64          `json:"high"` // to
	Sure    Certainty        `json:"sure"`
	Written *formula.Formula `json:"written,omitzero"` // before the swaps of this loaf
}

// Usual is what the dough is held against on the cycle that bakes it.
type Usual struct {
	Bands   kind.Bands `json:"bands"`
	Against []Against  `json:"against"` // each figure and its band
}

// Figure is one figure of the formula that has a band.
type Figure string

const (
	Hydration Figure = "hydration"
	Salt      Figure = "salt"
	Yeast     Figure = "yeast"
	Sugar     Figure = "sugar"
	Fat       Figure = "fat"
	Powder    Figure = "baking powder"
)

var Figures = []Figure{Hydration, Salt, Yeast, Sugar, Fat, Powder}

func (f Figure) Words() []string                  { return vocab.List(Figures) }
func (f *Figure) UnmarshalText(text []byte) error { return vocab.Read(f, text, "figure", Figures) }

// Against is a figure of the formula held against its usual band.
type Against struct {
	Of      Figure       `json:"of"`
	Is      float64      `json:"is"` // as the formula has it
	Low     float64      `json:"low"`
	High    float64      `json:"high"` // the same where it is one figure
	Was     float64      `json:"was"`  // before the swaps of this loaf
	Usual   kind.Band    `json:"usual"`
	Verdict kind.Verdict `json:"verdict"`
}

// Certainty says how well the weight of the flour is known.
type Certainty string

const (
	Weighed    Certainty = "weighed" // on a scale
	OwnCup     Certainty = "own cup" // by a cup that was weighed often enough
	UnknownCup Certainty = "unknown cup"
)

var Certainties = []Certainty{Weighed, OwnCup, UnknownCup}

func (c Certainty) Words() []string { return vocab.List(Certainties) }
func (c *Certainty) UnmarshalText(text []byte) error {
	return vocab.Read(c, text, "certainty", Certainties)
}

// formulate is the formula of the resized dough, with the range that its flour's cups give it.
func formulate(k kitchen.Kitchen, h Handling, lines []scale.Scaled) Formula {
	dough := make([]formula.Portion, 0, len(lines))
	var cupped []formula.Cupped
	sure := Weighed
	for n := range lines {
		l := &lines[n]
		if l.Line.Part != recipe.InDough {
			continue
		}
		grams := l.Grams
		if m := h.locked(l.Line.ID); m >= 0 {
			if g, err := held(k, *l, h.Locks[m]); err == nil {
				grams = g // what really goes in
			}
		}
		dough = append(dough, formula.Portion{Ingredient: l.Ingredient, Grams: grams})
		if l.Ingredient.Kind != larder.Flour || h.weighs(k, l.Line.ID) {
			continue
		}
		c := cupOf(k, *l)
		cupped = append(cupped, c)
		if !c.Known.Enough {
			sure = UnknownCup
		} else if sure == Weighed {
			sure = OwnCup
		}
	}
	f := Formula{Formula: formula.Of(dough), Sure: sure}
	f.Low, f.High = f.Range(cupped)
	return f
}

// cupOf is a line of flour by the cup, with what this kitchen knows of that cup.
func cupOf(k kitchen.Kitchen, l scale.Scaled) formula.Cupped {
	c := formula.Cupped{Grams: l.Grams, Cup: l.Ingredient.PerCup}
	if own, ok := k.Cup(l.Ingredient.ID); ok {
		c.Known, _ = own.Calibrate()
		c.Known.Spread *= l.Ingredient.PerCup / max(c.Known.Mean, 1) // of a US cup, as Cup is
	}
	if usual, ok := larder.Know(l.Ingredient.ID); ok {
		c.Low, c.High = larder.Range(usual.PerCup)
	}
	return c
}

// usual are the bands that a dough is held against: those of its kind, or of a rapid cycle.
func usual(p Place, d Dough, cycle machine.Cycle) Usual {
	row := kind.Of(d.Kind)
	b := row.Bands
	if d.packet() { // what is in it is known roughly
		return Usual{kind.Bands{}, d.Formula.against(kind.Bands{})}
	}
	switch rapid := cycle.Character == machine.Rapid; {
	case rapid && row.ByRapid:
		b = kind.Rapid
	case !rapid && row.ByWhite:
		b = kind.Of(recipe.White).Bands
	}
	if row.Fibrous {
		b = b.Holding(d.fibre())
	}
	b = formula.Liking(b.On(d.Formula.Grain).Soured(d.Formula.Soda).In(p.Kitchen.Salt), counted(p.Liked))
	return Usual{b, d.Formula.against(b)}
}

// fewLiked is how many liked loaves of a kind widen what is usual for the kind.
const fewLiked = 3

// counted are the liked loaves that widen what is usual for this one: those of its own recipe, and those of
// its kind where there are a few.
func counted(liked []Liked) []formula.Formula {
	var out []formula.Formula
	for _, l := range liked {
		if l.Own || len(liked) >= fewLiked {
			out = append(out, l.Formula)
		}
	}
	return out
}

// against holds every figure against its band. What this dough has none of is left out where it is
// no part of such a dough.
func (f Formula) against(b kind.Bands) []Against {
	was := f.Formula
	if f.Written != nil {
		was = *f.Written
	}
	out := []Against{
		{Hydration, f.Hydration, f.Low, f.High, was.Hydration, b.Hydration, ""}, {Salt, f.Salt, f.Salt, f.Salt,
			was.Salt, b.Salt, ""},
		{Yeast, f.Yeast, f.Yeast, f.Yeast, was.Yeast, b.Yeast, ""}, {Sugar, f.Sugar, f.Sugar, f.Sugar, was.Sugar,
			b.Sugar, ""},
		{Fat, f.Fat, f.Fat, f.Fat, was.Fat, b.Fat, ""}, {Powder, f.Powder, f.Powder, f.Powder, was.Powder, b.Powder,
			""},
	}
	out = slices.DeleteFunc(out, func(a Against) bool {
		return a.High == 0 && a.Usual.IsZero() && (a.Of == Yeast || a.Of == Powder)
	})
	for n, a := range out {
		out[n].Verdict = a.Usual.Judge(a.Low, a.High)
	}
	return out
}
