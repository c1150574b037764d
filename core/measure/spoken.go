package measure

import (
	"fmt"
	"strings"
)

// spokenParts are the fractions that measures have, in words.
var spokenParts = map[Ratio]string{
	NewRatio(1, 2): "a half", NewRatio(1, 3): "a third", NewRatio(2, 3): "two thirds", NewRatio(1, 4): "a quarter",
	NewRatio(3, 4): "three quarters",
	NewRatio(1, 8): "an eighth", NewRatio(3, 8): "three eighths", NewRatio(5, 8): "five eighths",
	NewRatio(7, 8): "seven eighths", NewRatio(1, 16): "a sixteenth",
}

// spokenUnits are the units that are written short, in full.
var spokenUnits = map[Unit][2]string{
	Tbsp: {"tablespoon", "tablespoons"}, Tsp: {"teaspoon", "teaspoons"}, MetricCup: {"cup", "cups"},
	MetricTbsp: {"tablespoon", "tablespoons"}, MetricTsp: {"teaspoon", "teaspoons"}, AustralianTbsp: {"tablespoon",
		"tablespoons"},
	FluidOunce: {"fluid ounce", "fluid ounces"}, ImperialFluidOunce: {"fluid ounce", "fluid ounces"},
	Millilitre: {"millilitre", "millilitres"}, Decilitre: {"decilitre", "decilitres"}, Litre: {"litre", "litres"},
	Gram: {"gram", "grams"}, Kilogram: {"kilogram", "kilograms"}, Ounce: {"ounce", "ounces"},
	Pound: {"pound", "pounds"},
}

// Spoken is the amount as it is said aloud: "3 cups", "a third of a cup", "1 and a half tablespoons". What has
// no such words is said as it is written.
func (a Amount) Spoken() string {
	f := a.Unit.Facts()
	one, many := f.One, f.Many
	if words, ok := spokenUnits[a.Unit]; ok {
		one, many = words[0], words[1]
	}
	whole := Whole(a.Quantity.Floor())
	rest := a.Quantity.Minus(whole)
	part, known := spokenParts[rest]
	switch {
	case a.UpTo.Sign() != 0 || !known && rest.Sign() != 0 && !f.Decimal:
		return a.String()
	case rest.Sign() == 0 && whole == Whole(1):
		return strings.TrimSpace("1 " + one)
	case rest.Sign() == 0:
		return strings.TrimSpace(whole.String() + " " + many)
	case f.Decimal:
		return a.Quantity.Decimal() + " " + many
	case whole.Sign() == 0 && rest == NewRatio(1, 2):
		return "half a " + one
	case whole.Sign() == 0:
		return part + " of a " + one
	}
	return fmt.Sprintf("%s and %s %s", whole, part, many)
}
