package dough

import (
	"fmt"

	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/vocab"
)

// Working values of a home kitchen, °C. Dough works best leaving the kneading at 25 to 28.
const (
	Target      measure.Celsius = 26 // of the dough as it leaves the kneading
	KneadRise   measure.Celsius = 3  // that kneading adds, until a machine's own is known
	Room        measure.Celsius = 21
	Fridge      measure.Celsius = 5
	ColdTap     measure.Celsius = 12
	Boiling     measure.Celsius = 100
	YeastDies   measure.Celsius = 60
	Deadly      measure.Celsius = 55 // of a liquid, from where no yeast is mixed with it
	Cooled      measure.Celsius = 40 // of what was warmed on the stove, before yeast goes in
	HotForRapid measure.Celsius = 49 // the fixed temperature of the hot school, the middle of its range
	BloomAt     measure.Celsius = 40 // of all that bloomed yeast is stirred into, the middle of its range
	hottest     measure.Celsius = 60 // that a liquid is asked to have, for what is cold beside it in a cup
	coldest     measure.Celsius = 4  // as cold as a fridge makes a liquid
)

// School is how a kitchen tempers its liquid.
type School string

const (
	AtRoom School = "room temperature" // everything as it stands in the kitchen
	Tepid  School = "tepid"            // worked out by the balance of heat
	Hot    School = "hot with rapid yeast"
)

var Schools = []School{AtRoom, Tepid, Hot}

func (s School) Words() []string { return vocab.List(Schools) }
func (s *School) UnmarshalText(text []byte) error {
	return vocab.Read(s, text, "way of tempering the liquid", Schools)
}

// Meeting is how yeast and liquid meet, which limits how warm the liquid may be.
type Meeting string

const (
	Layered   Meeting = "layered"          // dry yeast apart from the liquid until kneading
	Dissolved Meeting = "dissolved"        // yeast stirred into the liquid
	Mixed     Meeting = "mixed with flour" // rapid-rise yeast in the flour, on a rapid cycle
)

// Meetings lists them.
var Meetings = []Meeting{Layered, Dissolved, Mixed}

func (m Meeting) Words() []string { return vocab.List(Meetings) }
func (m *Meeting) UnmarshalText(text []byte) error {
	return vocab.Read(m, text, "way in which yeast meets the liquid", Meetings)
}

// Limits are the temperatures that a liquid may have where yeast meets it.
type Limits struct {
	Low  measure.Celsius `json:"low"` // 0: as cold as you like
	High measure.Celsius `json:"high"`
}

// limits are the usual figures of home baking. They are whole degrees Fahrenheit (100, 110 and 130), so that a
// limit reads the same on either thermometer. Reader, plan, bench, stand-in and verdict ask this one table.
var limits = map[Meeting]Limits{
	Layered:   {0, fahrenheit(110)},
	Dissolved: {fahrenheit(100), fahrenheit(110)},
	Mixed:     {fahrenheit(110), fahrenheit(130)},
}

func fahrenheit(f float64) measure.Celsius { return measure.Celsius((f - 32) * 5 / 9) }

// Bearing is how yeast bears the warmth of a liquid.
type Bearing string

const (
	Well    Bearing = ""         // as it likes it, or as it does no harm
	TooCool Bearing = "too cool" // bloomed yeast does not wake
	TooHot  Bearing = "too hot"  // it works less, or dies
	Kills   Bearing = "kills"    // no yeast lives through it
)

// Bearings lists them.
var Bearings = []Bearing{Well, TooCool, TooHot, Kills}

func (b Bearing) Words() []string { return vocab.List(Bearings) }
func (b *Bearing) UnmarshalText(text []byte) error {
	return vocab.Read(b, text, "answer of yeast to warmth (leave it empty, or)", Bearings)
}

// Bears is how yeast bears a liquid in a manner of meeting it. Temperatures are compared as a kitchen's degrees
// show them: what reads 43 °C is not above 43 °C.
func (m Meeting) Bears(t measure.Celsius, in measure.Degrees) Bearing {
	l, t := limits[m], in.Round(t)
	switch {
	case t >= in.Round(Deadly):
		return Kills
	case t > in.Round(l.High):
		return TooHot
	case m == Dissolved && t < in.Round(l.Low):
		return TooCool
	}
	return Well
}

// Alive is the share of yeast that lives through a liquid of a temperature, 0 to 1: all of it up to the limit,
// none from where yeast dies.
func (m Meeting) Alive(t measure.Celsius) float64 {
	high := limits[m].High
	return max(0, min(1, float64((YeastDies-t)/(YeastDies-high))))
}

// LimitsFor are the limits for a meeting of yeast and liquid, °C.
func LimitsFor(m Meeting) Limits { return limits[m] }

// Specific heats, kJ/(kg·K), of what a dough is mostly made of.
const (
	heatOfWater = 4.18
	heatOfMilk  = 3.9
	heatOfEgg   = 3.3
	heatOfFat   = 2.0
	heatOfSugar = 1.25
	heatOfSalt  = 0.9
	heatOfFlour = 1.7
	heatOfRest  = 1.5
)

// SpecificHeat is how much heat an ingredient takes up, kJ/(kg·K). What has no figure of its own is
// the sum of its shares.
func SpecificHeat(i *larder.Ingredient) float64 {
	switch s := i.Shares; {
	case i.Kind == larder.Liquid && s.Water == 100:
		return heatOfWater
	case i.Kind == larder.Liquid && i.Milky && s.Fat < 5:
		return heatOfMilk
	case i.Kind == larder.Egg:
		return heatOfEgg
	case i.Kind == larder.Fat:
		return heatOfFat
	case i.Kind == larder.Sugar:
		return heatOfSugar
	case i.Kind == larder.Flour:
		return heatOfFlour
	default:
		rest := max(0, 100-s.Water-s.Fat-s.Sugar-s.Salt)
		return (heatOfWater*s.Water + heatOfFat*s.Fat + heatOfSugar*s.Sugar + heatOfSalt*s.Salt + heatOfRest*rest) / 100
	}
}

// Part is one ingredient in the balance of heat.
type Part struct {
	Line  string          `json:"line"`
	Grams measure.Grams   `json:"grams"`
	Heat  float64         `json:"heat"` // specific heat, kJ/(kg·K)
	At    measure.Celsius `json:"at"`
}

// Capacity is the heat that the part takes up, J/K.
func (p Part) Capacity() float64 { return float64(p.Grams) * p.Heat }

// Capacity is the heat that all parts take up, J/K.
func Capacity(parts []Part) float64 {
	var sum float64
	for _, p := range parts {
		sum += p.Capacity()
	}
	return sum
}

// heat is what the parts hold above 0 °C, J.
func heat(parts []Part) float64 {
	var sum float64
	for _, p := range parts {
		sum += p.Capacity() * float64(p.At)
	}
	return sum
}

// Mix is the temperature at which parts meet: Σ m·c·T ÷ Σ m·c. It is 0 for no parts.
func Mix(parts []Part) measure.Celsius {
	if capacity := Capacity(parts); capacity > 0 {
		return measure.Celsius(heat(parts) / capacity)
	}
	return 0
}

// For is the temperature that the part of this number must have so that all parts mix to want.
func For(parts []Part, n int, want measure.Celsius) measure.Celsius {
	p := parts[n]
	others := heat(parts) - p.Capacity()*float64(p.At)
	return measure.Celsius((float64(want)*Capacity(parts) - others) / p.Capacity())
}

// ForCup is the temperature that the part of this number must have so that all that bloomed yeast is stirred into
// comes to the warmth in which it wakes; no hotter than a cup is held.
func ForCup(parts []Part, n int) measure.Celsius {
	return min(max(For(parts, n, BloomAt), limits[Dissolved].Low), hottest)
}

// ForDelay is how warm a liquid goes in before a delay: cool, about as from the tap, and no warmer than
// the room.
func ForDelay(room measure.Celsius) measure.Celsius { return min(room, ColdTap+3) }

// Within holds a temperature inside the limits, and above what a fridge can cool to.
func (l Limits) Within(t measure.Celsius) measure.Celsius {
	return min(max(t, l.Low, coldest), l.High)
}

// Kettle are the parts of boiling water and cold that make up a weight of water.
type Kettle struct {
	Boiling measure.Grams   `json:"boiling"`
	Cold    measure.Grams   `json:"cold"`
	Tap     measure.Celsius `json:"tap"` // how cold the cold is taken to be
}

// FromKettle mixes so many grams of water of a temperature out of boiling water and cold; ok is
// false when the tap is warm enough already.
func FromKettle(g measure.Grams, t measure.Celsius) (k Kettle, ok bool) {
	share := measure.Grams((t - ColdTap) / (Boiling - ColdTap))
	if share <= 0.01 {
		return Kettle{}, false
	}
	return Kettle{g * share, g * (1 - share), ColdTap}, true
}

// touches tell a temperature by the touch, for those without a thermometer: the skin of a wrist has about 33 °C.
var touches = []struct {
	upTo measure.Celsius
	say  string
}{
	{10, "cold, as from the fridge"},
	{20, "cold on the wrist"},
	{27, "cool on the wrist"},
	{32, "neither warm nor cool on the wrist"},
	{37, "just warm on the wrist"},
	{43, "as warm as a bath, but not hot"},
	{50, "hot"},
}

// Touch says how a temperature feels, to the whole degree: at the same shown temperature it always feels the same.
func Touch(t measure.Celsius) string {
	for _, row := range touches {
		if measure.InCelsius.Round(t) <= row.upTo {
			return row.say
		}
	}
	return "too hot to hold a finger in"
}

// CheckRoom says what a kitchen's temperature can be.
func CheckRoom(t measure.Temperature) error {
	if c := t.Celsius(); !t.IsZero() && (c < 0 || c > 45) {
		return fmt.Errorf("a kitchen is 0 to 45 °C (32 to 113 °F), not %s", t)
	}
	return nil
}
