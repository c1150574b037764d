package measure

import "risepan/core/vocab"

// Lengths is what a kitchen's ruler counts in. Empty is centimetres.
type Lengths string

const (
	InCentimetres Lengths = "centimetres"
	InInches      Lengths = "inches"
)

var AllLengths = []Lengths{InCentimetres, InInches}

func (l Lengths) Words() []string { return vocab.List(AllLengths) }
func (l *Lengths) UnmarshalText(text []byte) error {
	return vocab.Read(l, text, "way of showing lengths", AllLengths)
}

const inch = 25.4 // mm

// Text writes a length that is given in millimetres: "12 mm", "0.5 in".
func (l Lengths) Text(mm float64, sign DecimalSign) string {
	if l == InInches {
		return sign.UpTo(mm/inch, 1) + " in"
	}
	return sign.UpTo(mm, 0) + " mm"
}
