package measure

import (
	"cmp"
	"math"
	"math/big"
	"strconv"
)

// Ratio is an exact rational number, such as the 2/3 of "2/3 cup". The zero value is 0.
// Ratios are always in lowest terms with a positive denominator, so == compares them.
type Ratio struct {
	num, den int64 // den is 0 when num is 0
}

// NewRatio returns num/den in lowest terms. It panics when den is 0.
func NewRatio(num, den int64) Ratio {
	if den == 0 {
		panic("measure: ratio with denominator 0")
	}
	if small(num) && small(den) {
		return lowest(num, den)
	}
	return fromRat(big.NewRat(num, den))
}

// small reports whether products of two such terms fit in 64 bits, as all do that a kitchen writes.
func small(n int64) bool { return n < 1<<30 && n > -1<<30 }

// lowest is num/den in lowest terms, for a den that is not 0.
func lowest(num, den int64) Ratio {
	if num == 0 {
		return Ratio{}
	}
	a, b := num, den
	for b != 0 {
		a, b = b, a%b
	}
	num, den = num/a, den/a
	if den < 0 {
		num, den = -num, -den
	}
	return Ratio{num, den}
}

// both gives the terms of two ratios that are small enough to reckon with in 64 bits.
func both(r, s Ratio) (a, b, c, d int64, ok bool) {
	a, b = r.Terms()
	c, d = s.Terms()
	return a, b, c, d, small(a) && small(b) && small(c) && small(d)
}

// Whole returns n as a ratio.
func Whole(n int64) Ratio { return NewRatio(n, 1) }

func (r Ratio) rat() *big.Rat {
	if r.den == 0 {
		return new(big.Rat)
	}
	return big.NewRat(r.num, r.den)
}

// fromRat keeps r exactly while it fits in 64-bit terms, which all amounts of a kitchen do, and
// else returns the nearest ratio with a denominator of a million.
func fromRat(r *big.Rat) Ratio {
	if r.Sign() == 0 {
		return Ratio{}
	}
	if r.Num().IsInt64() && r.Denom().IsInt64() {
		return Ratio{r.Num().Int64(), r.Denom().Int64()}
	}
	f, _ := r.Float64()
	const million = 1_000_000
	if math.Abs(f) > math.MaxInt64/(2*million) {
		f = math.Copysign(math.MaxInt64/(2*million), f)
	}
	return fromRat(big.NewRat(int64(math.Round(f*million)), million))
}

// Plus returns r + s.
func (r Ratio) Plus(s Ratio) Ratio {
	if a, b, c, d, ok := both(r, s); ok {
		return lowest(a*d+c*b, b*d)
	}
	return fromRat(new(big.Rat).Add(r.rat(), s.rat()))
}

// Minus returns r - s.
func (r Ratio) Minus(s Ratio) Ratio { return r.Plus(Ratio{-s.num, s.den}) }

// Times returns r times s.
func (r Ratio) Times(s Ratio) Ratio {
	if a, b, c, d, ok := both(r, s); ok {
		return lowest(a*c, b*d)
	}
	return fromRat(new(big.Rat).Mul(r.rat(), s.rat()))
}

// Over returns r/s. It panics when s is 0.
func (r Ratio) Over(s Ratio) Ratio {
	if a, b, c, d, ok := both(r, s); ok && c != 0 {
		return lowest(a*d, b*c)
	}
	return fromRat(new(big.Rat).Quo(r.rat(), s.rat()))
}

// Cmp is -1, 0 or 1 as r is less than, equal to or more than s.
func (r Ratio) Cmp(s Ratio) int {
	if a, b, c, d, ok := both(r, s); ok {
		return cmp.Compare(a*d, c*b)
	}
	return r.rat().Cmp(s.rat())
}

// Sign is -1, 0 or 1.
func (r Ratio) Sign() int { return cmp.Compare(r.num, 0) }

// IsWhole reports whether r is a whole number.
func (r Ratio) IsWhole() bool { return r.den <= 1 }

// Floor is the largest whole number not above r.
func (r Ratio) Floor() int64 {
	if r.den <= 1 {
		return r.num
	}
	q := r.num / r.den
	if r.num < 0 {
		q--
	}
	return q
}

// HalfUp is the nearest whole number; a half rounds up.
func (r Ratio) HalfUp() int64 { return r.Plus(NewRatio(1, 2)).Floor() }

// Float is the nearest float64.
func (r Ratio) Float() float64 {
	if n, d := r.Terms(); small(n) && small(d) {
		return float64(n) / float64(d)
	}
	f, _ := r.rat().Float64()
	return f
}

// Terms are the numerator and the denominator, in lowest terms.
func (r Ratio) Terms() (num, den int64) {
	if r.den == 0 {
		return 0, 1
	}
	return r.num, r.den
}

// String writes a mixed number as cooks do: "0", "3", "2/3", "1 1/2".
func (r Ratio) String() string {
	n, d := r.Terms()
	if d == 1 {
		return strconv.FormatInt(n, 10)
	}
	sign := ""
	if n < 0 {
		sign, n = "-", -n
	}
	part := strconv.FormatInt(n%d, 10) + "/" + strconv.FormatInt(d, 10)
	if n < d {
		return sign + part
	}
	return sign + strconv.FormatInt(n/d, 10) + " " + part
}

// Decimal writes the number with at most four decimals where it is exactly that, "12.5", else as a
// mixed number.
func (r Ratio) Decimal() string {
	n, d := r.Terms()
	if 10_000%d != 0 {
		return r.String()
	}
	return strconv.FormatFloat(float64(n)/float64(d), 'f', -1, 64)
}

func (r Ratio) MarshalText() ([]byte, error) { return []byte(r.String()), nil }

func (r *Ratio) UnmarshalText(text []byte) error {
	v, err := ParseRatio(string(text))
	if err == nil {
		*r = v
	}
	return err
}

// ParseRatio reads a number as cooks write it: "2", "1.5", "2/3", "1 1/2", "1-1/2", "1½".
func ParseRatio(s string) (Ratio, error) {
	p := reader{text: s}
	p.space()
	v, ok := p.number()
	p.space()
	if p.err != nil {
		return Ratio{}, p.err
	}
	if !ok || !p.done() {
		return Ratio{}, p.fail("want a number such as 2, 1.5, 2/3 or 1 1/2")
	}
	return v, nil
}

// vulgar holds the fractions that have a sign of their own.
var vulgar = map[rune]Ratio{
	'½': {1, 2}, '⅓': {1, 3}, '⅔': {2, 3}, '¼': {1, 4}, '¾': {3, 4},
	'⅛': {1, 8}, '⅜': {3, 8}, '⅝': {5, 8}, '⅞': {7, 8}, '⅙': {1, 6}, '⅚': {5, 6}, '⅕': {1, 5},
	'⅖': {2, 5}, '⅗': {3, 5}, '⅘': {4, 5},
}
