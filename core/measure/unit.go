package measure

import (
	"fmt"
	"strings"

	"risepan/core/vocab"
)

// Grams is a weight. It leaves the program rounded to a thousandth.
type Grams float64

// Millilitres is a volume. It leaves the program rounded to a thousandth.
type Millilitres float64

func (g Grams) MarshalJSON() ([]byte, error)       { return thousandths(float64(g)) }
func (v Millilitres) MarshalJSON() ([]byte, error) { return thousandths(float64(v)) }

// Dimension tells what a unit measures.
type Dimension uint8

const (
	Count Dimension = iota // pieces: eggs, zests of one orange
	Volume
	Weight
)

// Unit is a unit of a recipe's amounts. The zero value counts pieces.
type Unit uint8

const (
	Piece Unit = iota
	Cup
	Tbsp
	Tsp
	MetricCup
	MetricTbsp
	MetricTsp
	AustralianTbsp
	FluidOunce
	ImperialFluidOunce
	ImperialPint
	Pint
	Millilitre
	Decilitre
	Litre
	Pinch
	Dash
	Stick
	Gram
	Kilogram
	Ounce
	Pound
	Packet
	Centilitre
)

// UnitFacts is what one unit is.
type UnitFacts struct {
	One, Many string // the canonical words, for one and for several
	Dimension Dimension
	Size      float64 // ml for volumes, g for weights, 1 for pieces
	Decimal   bool    // written "12.5", not "12 1/2"
	words     []string
}

// Kitchen volumes: the US cup is 236.588 ml = 16 tbsp = 48 tsp; the metric cup 250 ml with spoons
// of 15 and 5 ml; the imperial pint 568.26 ml. A stick of butter is half a US cup, a packet of dry
// yeast 7 g, a pinch 1/16 and a dash 1/8 of a teaspoon.
const (
	usCup = 236.588
	pound = 453.592
	ounce = 28.3495
)

var units = [...]UnitFacts{
	Piece: {"", "", Count, 1, false, nil},
	Cup: {"cup", "cups", Volume, usCup, false, []string{"c", "C", "cupful", "cupfuls", "cupsful",
		"us cup", "us cups"}},
	Tbsp: {"tbsp", "tbsp", Volume, usCup / 16, false, []string{"T", "Tb", "Tbs", "tb", "tbs", "tbsps",
		"tblsp", "tblsps", "tbl", "tbls", "tbspn", "tabsp", "tblspn", "tablesp", "tablespoon", "tablespoons",
		"tablespoonful", "tablespoonfuls", "tablespoonsful", "el", "essl", "msk", "spsk", "rkl", "cs", "ss", "cucchiaio",
		"cucchiai", "us tbsp", "us tablespoon", "us tablespoons"}},
	Tsp: {"tsp", "tsp", Volume, usCup / 48, false, []string{"t", "ts", "tsps", "tspn", "teasp",
		"teaspoon", "teaspoons", "teaspoonful", "teaspoonfuls", "teaspoonsful", "tl", "tsk", "kl", "cucchiaino", "cucchiaini",
		"us tsp", "us teaspoon", "us teaspoons"}},
	MetricCup:      {"metric cup", "metric cups", Volume, 250, false, nil},
	MetricTbsp:     {"metric tbsp", "metric tbsp", Volume, 15, false, nil},
	MetricTsp:      {"metric tsp", "metric tsp", Volume, 5, false, nil},
	AustralianTbsp: {"australian tbsp", "australian tbsp", Volume, 20, false, nil},
	FluidOunce: {"fl oz", "fl oz", Volume, 29.574, false, []string{"floz", "fl. oz", "fl oz", "fl ozs",
		"fluid ounce", "fluid ounces", "fluid oz"}},
	ImperialFluidOunce: {"imperial fl oz", "imperial fl oz", Volume, 28.413, false, nil},
	ImperialPint:       {"imperial pint", "imperial pints", Volume, 568.26, false, nil},
	Pint:               {"pint", "pints", Volume, 2 * usCup, false, []string{"pt", "pts"}},
	Millilitre: {"ml", "ml", Volume, 1, true, []string{"mL", "mls", "cc", "krm", "millilitre", "millilitres",
		"milliliter", "milliliters"}},
	Decilitre: {"dl", "dl", Volume, 100, true, []string{"dL", "decilitre", "decilitres"}},
	Litre:     {"l", "l", Volume, 1000, true, []string{"L", "litre", "litres", "liter", "liters"}},
	Pinch:     {"pinch", "pinches", Volume, usCup / 48 / 16, false, []string{"pn"}},
	Dash:      {"dash", "dashes", Volume, usCup / 48 / 8, false, []string{"splash", "drop", "drops"}},
	Stick:     {"stick", "sticks", Volume, usCup / 2, false, nil},
	Gram: {"g", "g", Weight, 1, true, []string{"G", "gr", "gm", "gms", "grs", "grm", "grms", "gram", "grams", "gramme",
		"grammes"}},
	Kilogram: {"kg", "kg", Weight, 1000, true, []string{"kgs", "kilogram", "kilograms", "kilo", "kilos"}},
	Ounce:    {"oz", "oz", Weight, ounce, false, []string{"ozs", "ounce", "ounces"}},
	Pound:    {"lb", "lb", Weight, pound, false, []string{"lbs", "pound", "pounds"}},
	Packet: {"packet", "packets", Weight, 7, false, []string{"sachet", "sachets", "envelope", "envelopes", "pkt",
		"pkts", "pkg", "pkgs", "pckt", "package", "packages", "pack", "packs", "env", "envs"}},
	Centilitre: {"cl", "cl", Volume, 10, true, []string{"cL", "centilitre", "centilitres"}},
}

// Facts gives what the unit is.
func (u Unit) Facts() UnitFacts { return units[u] }

func (u Unit) String() string {
	if u == Piece {
		return "piece"
	}
	return units[u].One
}

// Standard is the set of cups and spoons that a plain "cup", "tbsp" or "pint" means.
type Standard string

const (
	US         Standard = "us"
	Metric     Standard = "metric"
	Australian Standard = "australian" // metric cup and teaspoon, tablespoon of 20 ml
	Imperial   Standard = "imperial"   // metric spoons and cup, imperial pint and fluid ounce
)

// Standards lists them all.
var Standards = []Standard{US, Metric, Australian, Imperial}

func (s Standard) Words() []string { return vocab.List(Standards) }

func (s *Standard) UnmarshalText(text []byte) error {
	return vocab.Read(s, text, "standard of cups", Standards)
}

// In gives the unit that a plain word means under the standard.
func (s Standard) In(u Unit) Unit {
	if s == US || s == "" {
		return u
	}
	switch {
	case u == Cup:
		return MetricCup
	case u == Tsp:
		return MetricTsp
	case u == Tbsp && s == Australian:
		return AustralianTbsp
	case u == Tbsp:
		return MetricTbsp
	case u == Pint && s == Imperial:
		return ImperialPint
	case u == FluidOunce && s == Imperial:
		return ImperialFluidOunce
	}
	return u
}

var unitWords = func() map[string]Unit {
	m := map[string]Unit{}
	for u, f := range units {
		for _, w := range append([]string{f.One, f.Many}, f.words...) {
			if w != "" {
				m[w] = Unit(u)
			}
		}
	}
	return m
}()

// lookUnit finds a unit by its word. Capitals matter only for a lone T, which is a tablespoon.
func lookUnit(w string) (Unit, bool) {
	if u, ok := unitWords[w]; ok {
		return u, true
	}
	if len(w) > 1 {
		u, ok := unitWords[strings.ToLower(w)]
		return u, ok
	}
	return 0, false
}

func (u Unit) MarshalText() ([]byte, error) { return []byte(u.String()), nil }

func (u *Unit) UnmarshalText(text []byte) error {
	w := string(text)
	if w == "piece" {
		*u = Piece
		return nil
	}
	v, ok := lookUnit(w)
	if !ok {
		return fmt.Errorf("%q is no unit: use cup, tbsp, tsp, ml, g, oz, lb or piece", vocab.Clip(w))
	}
	*u = v
	return nil
}
