package measure

import (
	"fmt"
	"math"
	"regexp"
	"strconv"
	"strings"

	"risepan/core/vocab"
)

// Celsius is a temperature, or a difference of two. It leaves the program rounded to a thousandth.
type Celsius float64

func (c Celsius) MarshalJSON() ([]byte, error) { return thousandths(float64(c)) }

// Degrees is how a kitchen reads and shows temperatures.
type Degrees string

const (
	InCelsius    Degrees = "celsius"
	InFahrenheit Degrees = "fahrenheit"
)

var AllDegrees = []Degrees{InCelsius, InFahrenheit}

func (d Degrees) Words() []string { return vocab.List(AllDegrees) }
func (d *Degrees) UnmarshalText(text []byte) error {
	return vocab.Read(d, text, "way of showing temperatures", AllDegrees)
}

// of turns a temperature into these degrees.
func (d Degrees) of(c Celsius) float64 {
	if d == InFahrenheit {
		return float64(c)*9/5 + 32
	}
	return float64(c)
}

func (d Degrees) sign() string {
	if d == InFahrenheit {
		return "°F"
	}
	return "°C"
}

// Text writes a temperature to whole degrees: "27 °C", "81 °F".
func (d Degrees) Text(c Celsius) string {
	return strconv.FormatFloat(math.Round(d.of(c)), 'f', -1, 64) + " " + d.sign()
}

// Round is a temperature as Text shows it: what is compared is what is shown.
func (d Degrees) Round(c Celsius) Celsius {
	whole := math.Round(d.of(c))
	if d == InFahrenheit {
		return Celsius((whole - 32) * 5 / 9)
	}
	return Celsius(whole)
}

// celsius finds temperatures in a sentence of this program's own.
var celsius = regexp.MustCompile(`(\d+) °C`)

// Say is a sentence of this program's own, in which temperatures stand in Celsius, with those in these degrees.
func (d Degrees) Say(sentence string) string {
	if d != InFahrenheit {
		return sentence
	}
	return celsius.ReplaceAllStringFunc(sentence, func(found string) string {
		c, _ := strconv.ParseFloat(strings.TrimSuffix(found, " °C"), 64)
		return d.Text(Celsius(c))
	})
}

// Difference writes how much warmer something is, to a whole degree: "3 °C", "5 °F".
func (d Degrees) Difference(c Celsius) string {
	return strconv.FormatFloat(math.Round(d.of(c)-d.of(0)), 'f', -1, 64) + " " + d.sign()
}

// Temperature is a reading of a thermometer, in the degrees that it was read in. The zero value is
// no reading.
type Temperature struct {
	degrees float64
	in      Degrees
}

// Reading is a temperature read in Celsius.
func Reading(c Celsius) Temperature { return Temperature{float64(c), InCelsius} }

// ParseTemperature reads "21 °C", "70 °F", "21c" or "21", which is Celsius; from -50 to 300 °C.
func ParseTemperature(s string) (Temperature, error) {
	text := strings.ToLower(strings.ReplaceAll(strings.TrimSpace(s), "°", ""))
	t := Temperature{in: InCelsius}
	if cut, ok := strings.CutSuffix(text, "f"); ok {
		text, t.in = cut, InFahrenheit
	} else {
		text = strings.TrimSuffix(text, "c")
	}
	v, err := strconv.ParseFloat(strings.ReplaceAll(strings.TrimSpace(text), ",", "."), 64)
	t.degrees = math.Round(v*10) / 10
	if c := t.Celsius(); err != nil || math.IsNaN(v) || c < -50 || c > 300 {
		return Temperature{}, fmt.Errorf("%q is no temperature: use one such as 21 °C or 70 °F", vocab.Clip(s))
	}
	return t, nil
}

// Celsius is the temperature; 0 for no reading.
func (t Temperature) Celsius() Celsius {
	if t.in == InFahrenheit {
		return Celsius((t.degrees - 32) * 5 / 9)
	}
	return Celsius(t.degrees)
}

func (t Temperature) IsZero() bool { return t.in == "" }

// String writes the reading as ParseTemperature reads it; no reading is the empty text.
func (t Temperature) String() string {
	if t.IsZero() {
		return ""
	}
	return strconv.FormatFloat(t.degrees, 'f', -1, 64) + " " + t.in.sign()
}

func (t Temperature) MarshalText() ([]byte, error) { return []byte(t.String()), nil }

func (t *Temperature) UnmarshalText(text []byte) error {
	if len(text) == 0 {
		*t = Temperature{}
		return nil
	}
	v, err := ParseTemperature(string(text))
	if err == nil {
		*t = v
	}
	return err
}
