package bake

import (
	"risepan/core/fault"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/vocab"
)

// Verdict is what is told of a finished loaf. All but the mark may be left out.
type Verdict struct {
	Mark     int           `json:"mark,omitzero"` // 1 to 5
	Note     string        `json:"note,omitzero"`
	Signs    []Sign        `json:"signs,omitzero"`    // what is seen, felt and tasted
	CutAfter int           `json:"cutAfter,omitzero"` // minutes after it was out
	Weight   measure.Grams `json:"weight,omitzero"`   // of the loaf
	Helped   Helped        `json:"helped,omitzero"`   // whether what was tried did
	// mm by which its middle stands above the rim; below 0 under it
	Centre  *int                `json:"centre,omitzero"`
	Sides   *int                `json:"sides,omitzero"`  // and its edges
	Crust   machine.Crust       `json:"crust,omitzero"`  // as it came out
	Room    measure.Temperature `json:"room,omitzero"`   // of the kitchen that day
	Damp    bool                `json:"damp,omitzero"`   // the day was damp
	Core    measure.Temperature `json:"core,omitzero"`   // of the loaf's middle as it ended
	Liquid  measure.Temperature `json:"liquid,omitzero"` // of the liquid as it went in
	Mishaps []Mishap            `json:"mishaps,omitzero"`
}

// Mishap is something that went otherwise than planned and that only the baker knows.
type Mishap string

const (
	LidOpened    Mishap = "the lid was opened while it rose or baked"
	LeftOut      Mishap = "something was left out"
	PutTwice     Mishap = "something went in twice, or too much"
	PaddleOff    Mishap = "the paddle or the pan was not in place"
	FlourAdded   Mishap = "flour was added while it kneaded"
	LiquidAdded  Mishap = "liquid was added while it kneaded"
	YeastWetted  Mishap = "the yeast got wet before the kneading"
	TwoYeasts    Mishap = "yeast went in beside that of the mix"
	WeakStarter  Mishap = "the starter was young, cold or hungry"
	AddedLate    Mishap = "the add-ins went in after the kneading"
	PressedDown  Mishap = "the dough was pressed down or pricked"
	LidTouched   Mishap = "the lid or the flap touched the dough"
	StopPressed  Mishap = "Stop was pressed, or the cycle began again"
	OtherSize    Mishap = "another size was set on the machine"
	PulledOut    Mishap = "it was pulled or twisted out"
	CameOutEarly Mishap = "it was turned out at once"
	CooledShut   Mishap = "it cooled in a bag or under cover"
	KeptDamp     Mishap = "it was kept in a closed bag or in the damp"
	MixedLonger  Mishap = "it was mixed longer than its cycle"
	Spilt        Mishap = "something fell or ran beside the pan"
	StoodWarm    Mishap = "milk, egg or meat stood in the warm for hours"
	JudgedWarm   Mishap = "it was looked at while it was still warm"
	BoiledOn     Mishap = "it was boiled longer than its cycle"
	OldCulture   Mishap = "the culture was old"
	HotForIt     Mishap = "the culture went into hot milk"
	WetFilling   Mishap = "the filling was wet"
	LooseSeam    Mishap = "the seam was loose or on top"
	AddedEarly   Mishap = "the add-ins went in with everything else"
	ShortProof   Mishap = "its last rise, after shaping, was short"
	LongProof    Mishap = "its last rise, after shaping, was long"
	OvenOff      Mishap = "the oven was hotter or cooler than meant, or not heated first"
)

var Mishaps = []Mishap{LidOpened, LeftOut, PutTwice, PaddleOff, FlourAdded, LiquidAdded, YeastWetted, TwoYeasts,
	WeakStarter, AddedLate, PressedDown, LidTouched, StopPressed, OtherSize, PulledOut, CameOutEarly, CooledShut, KeptDamp,
	MixedLonger, Spilt, StoodWarm, JudgedWarm, BoiledOn, OldCulture, HotForIt, WetFilling, LooseSeam,
	AddedEarly, ShortProof, LongProof, OvenOff}

func (m Mishap) Words() []string                  { return vocab.List(Mishaps) }
func (m *Mishap) UnmarshalText(text []byte) error { return vocab.Read(m, text, "mishap", Mishaps) }

// The bounds of what is told: hours until a loaf is cut, what one weighs, g, how far it stands from the rim, mm, and
// how warm a kitchen is, °C.
const (
	mostHours  = 72
	mostWeight = 3000
	mostAbove  = 120
	mostUnder  = 180
	coldest    = 0
	hottest    = 45
	boiling    = 105
)

// checkVerdict reports why a loaf cannot be judged so.
func checkVerdict(s State, v Verdict) error {
	switch room := v.Room.Celsius(); {
	case v.Mark < 1 || v.Mark > 5:
		return fault.At("/mark", "a mark is 1 to 5, not %d", v.Mark)
	case len(v.Signs) > len(Signs):
		return fault.At("/signs", "you have already chosen that sign")
	case len(v.Mishaps) > len(Mishaps):
		return fault.At("/mishaps", "a mishap is told once")
	case v.CutAfter < 0 || v.CutAfter > mostHours*60:
		return fault.At("/cutAfter", "it was cut 1 minute to %d hours after it was out", mostHours)
	case v.Weight < 0 || v.Weight > mostWeight:
		return fault.At("/weight", "a loaf weighs up to %d g, not %.0f", mostWeight, float64(v.Weight))
	case beyond(v.Centre):
		return fault.At("/centre", "the middle stands from %d mm under the rim to %d above it", mostUnder, mostAbove)
	case beyond(v.Sides):
		return fault.At("/sides", "the edges stand from %d mm under the rim to %d above it", mostUnder, mostAbove)
	case !v.Room.IsZero() && (room < coldest || room > hottest):
		return fault.At("/room", "a kitchen is between %d and %d °C, not %s", coldest, hottest, v.Room)
	case !v.Core.IsZero() && (v.Core.Celsius() < coldest || v.Core.Celsius() > boiling):
		return fault.At("/core", "a loaf's middle is between %d and %d °C, not %s", coldest, boiling, v.Core)
	case !v.Liquid.IsZero() && (v.Liquid.Celsius() < coldest || v.Liquid.Celsius() > boiling):
		return fault.At("/liquid", "a liquid is between %d and %d °C, not %s", coldest, boiling, v.Liquid)
	case !s.Over():
		return fault.At("/what", "judge the loaf when it is out of the pan")
	}
	return nil
}

func beyond(height *int) bool { return height != nil && (*height < -mostUnder || *height > mostAbove) }
