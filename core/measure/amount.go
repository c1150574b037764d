package measure

import (
	"fmt"
	"math"
	"slices"
	"strconv"

	"risepan/core/vocab"
)

// Amount is a quantity of one unit, or a range of it ("2-3 tbsp"). The zero value is no amount.
// Amounts are exact: two thirds of a cup three times is two cups.
type Amount struct {
	Quantity Ratio
	UpTo     Ratio // the upper end of a range; 0 when there is none
	Unit     Unit
}

// Of returns the amount of num/den units.
func Of(num, den int64, u Unit) Amount { return Amount{Quantity: NewRatio(num, den), Unit: u} }

// Times multiplies the amount exactly.
func (a Amount) Times(f Ratio) Amount {
	return Amount{a.Quantity.Times(f), a.UpTo.Times(f), a.Unit}
}

// In is the amount with plain cups and spoons taken to be those of a standard.
func (a Amount) In(s Standard) Amount {
	a.Unit = s.In(a.Unit)
	return a
}

// Middle is the quantity to work with: the middle of a range, else the quantity.
func (a Amount) Middle() Ratio {
	if a.UpTo.Sign() == 0 {
		return a.Quantity
	}
	return a.Quantity.Plus(a.UpTo).Times(NewRatio(1, 2))
}

// Millilitres is the volume of the amount; 0 unless its unit is a volume.
func (a Amount) Millilitres() Millilitres { return Millilitres(a.in(Volume)) }

// Grams is the weight of the amount; 0 unless its unit is a weight.
func (a Amount) Grams() Grams { return Grams(a.in(Weight)) }

func (a Amount) in(d Dimension) float64 {
	f := a.Unit.Facts()
	if f.Dimension != d {
		return 0
	}
	return a.Middle().Float() * f.Size
}

// String writes the amount so that Parse reads it back: "1 1/2 cups", "2-3 tbsp", "2", and what no cook
// would write as one fraction as a sum: "1 1/2 cups + 1 tbsp".
func (a Amount) String() string {
	if whole, rest, ok := a.parted(); ok {
		return whole.String() + " + " + rest.String()
	}
	f := a.Unit.Facts()
	number := Ratio.String
	if f.Decimal {
		number = Ratio.Decimal
	}
	s, top := number(a.Quantity), a.Quantity
	if a.UpTo.Sign() != 0 {
		s, top = s+"-"+number(a.UpTo), a.UpTo
	}
	switch {
	case a.Unit == Piece:
		return s
	case top.Cmp(Whole(1)) > 0:
		return s + " " + f.Many
	}
	return s + " " + f.One
}

// spoons are the tablespoon and teaspoon that go with a cup.
var spoons = map[Unit][2]Unit{Cup: {Tbsp, Tsp}, MetricCup: {MetricTbsp, MetricTsp}}

// teaspoon is the one that goes three times into a tablespoon.
var teaspoon = map[Unit]Unit{Tbsp: Tsp, MetricTbsp: MetricTsp}

// parted is the amount as cups and spoons, where it is a fraction of a cup that no cup measure holds.
func (a Amount) parted() (whole, rest Amount, ok bool) {
	smaller, cups := spoons[a.Unit]
	if tsp, ok := teaspoon[a.Unit]; ok && parts(a.Quantity) == 3 && a.UpTo.Sign() == 0 && a.Quantity.Cmp(Whole(1)) > 0 {
		n := Whole(int64(a.Quantity.Float()))
		return Amount{Quantity: n, Unit: a.Unit},
			Amount{Quantity: a.Quantity.Plus(n.Times(Whole(-1))).Times(exactly(a.Unit, tsp)), Unit: tsp}, true
	}
	if !cups || a.UpTo.Sign() != 0 || slices.Contains([]int64{1, 2, 3, 4, 8}, parts(a.Quantity)) {
		return a, a, false
	}
	fewest := Whole(5) // of the spoons beside the cups
	for _, part := range []Ratio{{}, NewRatio(3, 4), NewRatio(2, 3), NewRatio(1, 2), NewRatio(1, 3), NewRatio(1, 4)} {
		left := a.Quantity.Plus(part.Times(Whole(-1)))
		n := Whole(int64(left.Float()))
		if left.Sign() <= 0 || n.Plus(part).Sign() == 0 {
			continue
		}
		for _, u := range smaller {
			spoonfuls := left.Plus(n.Times(Whole(-1))).Times(exactly(a.Unit, u))
			if _, thirds := teaspoon[u]; thirds && parts(spoonfuls) == 3 && spoonfuls.Cmp(Whole(1)) < 0 {
				continue // a third of a tablespoon is a teaspoon
			}
			if spoonfuls.Sign() > 0 && parts(spoonfuls) <= 4 && spoonfuls.Cmp(fewest) < 0 {
				whole, rest, ok, fewest = Amount{Quantity: n.Plus(part), Unit: a.Unit}, Amount{Quantity: spoonfuls,
					Unit: u}, true, spoonfuls
			}
		}
	}
	return whole, rest, ok
}

// Tidy is the amount in the unit that a cook would write it in: three sixteenths of a cup are 3 tbsp.
func (a Amount) Tidy() Amount {
	smaller, cups := spoons[a.Unit]
	if _, _, parted := a.parted(); parted || !cups || a.UpTo.Sign() != 0 || slices.Contains([]int64{1, 2, 3, 4, 8},
		parts(a.Quantity)) {
		return a
	}
	for _, u := range smaller {
		if q := a.Quantity.Times(exactly(a.Unit, u)); parts(q) <= 4 {
			return Amount{Quantity: q, Unit: u}
		}
	}
	return a
}

// parts is into how many a number parts its whole: the lower term of the fraction.
func parts(r Ratio) int64 {
	_, d := r.Terms()
	return d
}

// Plus is the amount and so many times another volume, in its own unit; ok is false where one of them is none, or
// nothing would be left.
func (a Amount) Plus(times int64, b Amount) (sum Amount, ok bool) {
	if a.Unit.Facts().Dimension != Volume || b.Unit.Facts().Dimension != Volume || a.UpTo.Sign() != 0 {
		return a, false
	}
	sum = Amount{Quantity: a.Quantity.Plus(b.Quantity.Times(exactly(b.Unit, a.Unit)).Times(Whole(times))), Unit: a.Unit}
	return sum, sum.Quantity.Sign() > 0
}

func (a Amount) MarshalText() ([]byte, error) { return []byte(a.String()), nil }

func (a *Amount) UnmarshalText(text []byte) error {
	v, err := Parse(string(text), US)
	if err == nil {
		*a = v
	}
	return err
}

// LoafSize is a nominal loaf weight, such as 1 1/2 lb or 750 g. Sizes are in proportion as exact
// ratios of pounds; a size named in grams is grams ÷ 453.592.
type LoafSize struct{ weight Amount }

// LoafPounds returns the size of num/den pounds.
func LoafPounds(num, den int64) LoafSize { return LoafSize{Of(num, den, Pound)} }

// ParseLoafSize reads "1 lb", "1 1/2 lb", "1½ lb" or "750 g", from 1/4 lb to 5 lb.
func ParseLoafSize(s string) (LoafSize, error) {
	a, err := Parse(s, US)
	if err != nil || (a.Unit != Pound && a.Unit != Gram) || a.UpTo.Sign() != 0 ||
		a.Grams() < pound/4 || a.Grams() > 5*pound {
		return LoafSize{}, fmt.Errorf("%q is no loaf size: use one such as 1 lb, 1 1/2 lb or 750 g", vocab.Clip(s))
	}
	return LoafSize{a}, nil
}

// Pounds is the nominal weight, exactly.
func (s LoafSize) Pounds() Ratio {
	if s.weight.Unit == Gram {
		return s.weight.Quantity.Over(NewRatio(453592, 1000))
	}
	return s.weight.Quantity
}

// InGrams reports whether the size is named in grams.
func (s LoafSize) InGrams() bool { return s.weight.Unit == Gram }

// Grams is the nominal weight of a size that is named in grams; 0 of one in pounds.
func (s LoafSize) Grams() Ratio {
	if !s.InGrams() {
		return Ratio{}
	}
	return s.weight.Quantity
}

// Over is the factor from the size t to s: 1 1/2 lb → 1 lb is 2/3.
func (s LoafSize) Over(t LoafSize) Ratio { return s.Pounds().Over(t.Pounds()) }

// Times is the size so many times over, in pounds; ok is false where that is no loaf size.
func (s LoafSize) Times(f Ratio) (LoafSize, bool) {
	num, den := s.Pounds().Times(f).Terms()
	t := LoafPounds(num, den)
	if s.weight.Unit == Gram {
		t = LoafSize{Amount{Quantity: s.weight.Quantity.Times(f), Unit: Gram}}
	}
	return t, t.weight.Grams() >= pound/4 && t.weight.Grams() <= 5*pound
}

func (s LoafSize) IsZero() bool                 { return s == LoafSize{} }
func (s LoafSize) String() string               { return s.weight.String() }
func (s LoafSize) MarshalText() ([]byte, error) { return []byte(s.String()), nil }

func (s *LoafSize) UnmarshalText(text []byte) error {
	v, err := ParseLoafSize(string(text))
	if err == nil {
		*s = v
	}
	return err
}

// Measure is one cup or spoon that a kitchen owns: "1/3 cup", "1 tbsp", or an odd one with a name
// ("blue mug", 180 ml). Its amount is always a volume.
type Measure struct {
	Amount Amount `json:"amount"`
	Name   string `json:"name,omitzero"`
}

// String is the measure's name, or its amount where it has none.
func (m Measure) String() string {
	if m.Name != "" {
		return m.Name
	}
	return m.Amount.String()
}

// Jug is a measuring jug off whose marks liquids are read: one step to a mark, and what it holds. The zero Jug is
// none.
type Jug struct {
	Step  Amount `json:"step"`
	Holds Amount `json:"holds"`
}

// IsZero reports whether there is no jug.
func (j Jug) IsZero() bool { return j.Holds.Quantity.Sign() == 0 }

// Marks is how many steps the jug has.
func (j Jug) Marks() int {
	if j.Step.Millilitres() <= 0 {
		return 0
	}
	return int(float64(j.Holds.Millilitres())/float64(j.Step.Millilitres()) + 1e-6)
}

// DefaultMeasures are the cups and spoons of a usual kitchen: 1, 1/2, 1/3, 1/4 cup; 1 tbsp;
// 1, 1/2, 1/4, 1/8 tsp, largest first.
func DefaultMeasures(s Standard) []Measure {
	var out []Measure
	for _, a := range []Amount{
		Of(1, 1, Cup), Of(1, 2, Cup), Of(1, 3, Cup), Of(1, 4, Cup), Of(1, 1, Tbsp),
		Of(1, 1, Tsp), Of(1, 2, Tsp), Of(1, 4, Tsp), Of(1, 8, Tsp),
	} {
		a.Unit = s.In(a.Unit)
		out = append(out, Measure{Amount: a})
	}
	return out
}

func thousandths(f float64) ([]byte, error) {
	if math.IsNaN(f) || math.IsInf(f, 0) {
		return nil, fmt.Errorf("measure: %v is no amount", f)
	}
	return strconv.AppendFloat(make([]byte, 0, 16), math.Round(f*1000)/1000, 'f', -1, 64), nil
}

// Weights is how a kitchen's scale shows weights.
type Weights string

const (
	InGrams  Weights = "grams"
	InOunces Weights = "ounces"
)

var AllWeights = []Weights{InGrams, InOunces}

func (w Weights) Words() []string { return vocab.List(AllWeights) }
func (w *Weights) UnmarshalText(text []byte) error {
	return vocab.Read(w, text, "way of showing weights", AllWeights)
}

// step is the smallest difference that the scale is read to: 1 g or 0.05 oz, finely 0.1 g or
// 0.005 oz.
func (w Weights) step(finely bool) (step, unit float64) {
	step, unit = 1, 1
	if w == InOunces {
		step, unit = 0.05, ounce
	}
	if finely {
		step /= 10
	}
	return step, unit
}

// Read is the weight as it is read off the scale.
func (w Weights) Read(g Grams, finely bool) Grams {
	step, unit := w.step(finely)
	return Grams(math.Round(float64(g)/unit/step) * step * unit)
}

// Text writes a weight as the scale shows it: "237 g", "6.2 g", "8.35 oz".
func (w Weights) Text(g Grams, finely bool) string {
	_, unit := w.step(finely)
	decimals, name := 0, "g"
	if w == InOunces {
		decimals, name = 2, "oz"
	}
	if finely {
		decimals++
	}
	return strconv.FormatFloat(float64(w.Read(g, finely))/unit, 'f', decimals, 64) + " " + name
}

// Simple is a volume as a cook would write it in one unit, a spoon or a part of a cup, where it is
// one to within a thousandth.
func Simple(ml Millilitres, s Standard) (Amount, bool) {
	for _, u := range []struct {
		unit  Unit
		parts []int64
		least float64 // of the unit, that cooks write in it
		most  float64
	}{{Cup, []int64{1, 2, 3, 4, 8, 16}, 0.25, 12}, {Tbsp, []int64{1, 2, 4}, 1, 6}, {Tsp, []int64{1, 2, 4, 8}, 0.125,
		3}} {
		unit := s.In(u.unit)
		quantity := float64(ml) / unit.Facts().Size
		for _, d := range u.parts {
			n := math.Round(quantity * float64(d))
			if quantity >= u.least-1e-3 && quantity <= u.most && n > 0 && math.Abs(quantity*float64(d)/n-1) < 1e-3 {
				return Of(int64(n), d, unit), true
			}
		}
	}
	return Amount{}, false
}
