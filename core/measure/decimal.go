package measure

import (
	"math"
	"strconv"
	"strings"

	"risepan/core/vocab"
)

// DecimalSign is what a kitchen writes before the decimals of a number. Empty is a point.
type DecimalSign string

const (
	Point DecimalSign = "point"
	Comma DecimalSign = "comma"
)

// DecimalSigns are the signs there are.
var DecimalSigns = []DecimalSign{Point, Comma}

func (d DecimalSign) Words() []string { return vocab.List(DecimalSigns) }
func (d *DecimalSign) UnmarshalText(text []byte) error {
	return vocab.Read(d, text, "decimal sign", DecimalSigns)
}

// In writes a text that is made of figures and units alone, such as "12.5 g", with this sign.
func (d DecimalSign) In(figures string) string {
	if d == Comma {
		return strings.ReplaceAll(figures, ".", ",")
	}
	return figures
}

// Figure writes a number with so many decimals; below 0: with as many as it has.
func (d DecimalSign) Figure(v float64, decimals int) string {
	return d.In(strconv.FormatFloat(v, 'f', decimals, 64))
}

// UpTo writes a number with as many decimals as it has, but no more than so many.
func (d DecimalSign) UpTo(v float64, decimals int) string {
	unit := math.Pow(10, float64(decimals))
	return d.Figure(math.Round(v*unit)/unit, -1)
}
