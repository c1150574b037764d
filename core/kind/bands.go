package kind

import "risepan/core/vocab"

// SaltSchool is how much salt a kitchen likes in its bread.
type SaltSchool string

const (
	Booklet SaltSchool = "booklet" // holds the yeast back and guards against overflow
	Reduced SaltSchool = "reduced" // rises faster: cut the yeast or watch it
)

var SaltSchools = []SaltSchool{Booklet, Reduced}

func (s SaltSchool) Words() []string { return vocab.List(SaltSchools) }
func (s *SaltSchool) UnmarshalText(text []byte) error {
	return vocab.Read(s, text, "school of salt", SaltSchools)
}

// reducedSalt is the band of the reduced school, for every kind of bread.
var reducedSalt = Band{0.5, 1.4}

// Band is a usual range, per 100 of flour. Bands are guides: plenty of loved loaves lie outside.
type Band struct {
	Low  float64 `json:"low"`
	High float64 `json:"high"`
}

// Verdict is how a figure, or a range of it, lies to its band.
type Verdict string

const (
	NoBand Verdict = "no usual range"
	Below  Verdict = "below it"
	Above  Verdict = "above it"
	MayBe  Verdict = "may be inside" // part of the range is
	Inside Verdict = "inside"
	hair           = 0.05 // per 100 of flour: what is shown as the edge itself lies inside
)

var Verdicts = []Verdict{NoBand, Below, Above, MayBe, Inside}

func (v Verdict) Words() []string                  { return vocab.List(Verdicts) }
func (v *Verdict) UnmarshalText(text []byte) error { return vocab.Read(v, text, "verdict", Verdicts) }

// Outside reports whether the figure is surely not in its band.
func (v Verdict) Outside() bool { return v == Below || v == Above }

// Judge says how a figure between low and high lies to the band. What is held at an edge lies inside.
func (b Band) Judge(low, high float64) Verdict {
	switch {
	case b.IsZero():
		return NoBand
	case high < b.Low-hair:
		return Below
	case low > b.High+hair:
		return Above
	case low < b.Low-hair || high > b.High+hair:
		return MayBe
	}
	return Inside
}

// Nearest is the figure that lies inside the band nearest to v; v itself where there is no band.
func (b Band) Nearest(v float64) float64 {
	if b.IsZero() {
		return v
	}
	return min(max(v, b.Low), b.High)
}

// With widens the band to include v.
func (b Band) With(v float64) Band { return Band{min(b.Low, v), max(b.High, v)} }

// IsZero reports whether there is no usual range.
func (b Band) IsZero() bool { return b == Band{} }

// Bands are the usual ranges of one style of bread. A zero Band is none.
type Bands struct {
	Hydration Band `json:"hydration"`
	Salt      Band `json:"salt"` // the booklet school's
	Yeast     Band `json:"yeast"`
	Sugar     Band `json:"sugar"`
	Fat       Band `json:"fat"`
	Powder    Band `json:"powder"` // baking powder
}

// For each 1 % of the flour that is wholemeal, rye or oats, the hydration band rises by this much.
const (
	grainLow  = 0.12
	grainHigh = 0.15
)

// In gives the bands of the salt school.
func (b Bands) In(s SaltSchool) Bands {
	if s == Reduced && !b.Salt.IsZero() {
		b.Salt = reducedSalt
	}
	return b
}

// sodaPowder is the upper edge of leavening where soda works on fruit, buttermilk or honey, and makes up
// for their sourness.
const sodaPowder = 8

// Soured gives the bands for a batter in which there is soda.
func (b Bands) Soured(soda float64) Bands {
	if soda > 0 && !b.Powder.IsZero() {
		b.Powder.High = max(b.Powder.High, sodaPowder)
	}
	return b
}

// Fibre drinks more than twice its weight: the hydration band of a dough that is mostly fibre and gluten ends so many
// points above what little fibre holds, for each per cent of fibre.
const (
	little   = 95
	perFibre = 2.2
)

// Holding gives the bands for a share of fibre (g per 100 of flour) in a dough that fibre makes.
func (b Bands) Holding(fibre float64) Bands {
	b.Hydration.High = little + perFibre*fibre
	return b
}

// On gives the bands for a share (0 to 100) of thirsty grain in the flour.
func (b Bands) On(grain float64) Bands {
	if !b.Hydration.IsZero() {
		b.Hydration.Low += grainLow * grain
		b.Hydration.High += grainHigh * grain
	}
	return b
}
