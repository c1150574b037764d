package pan

import (
	"fmt"

	"risepan/core/kind"
	"risepan/core/measure"
	"risepan/core/recipe"
)

// Vessel is a bread pan, inside measurements in millimetres.
type Vessel struct {
	Length int `json:"length"`
	Width  int `json:"width"`
	Depth  int `json:"depth"`
}

// Volume is what the pan holds to its rim.
func (v Vessel) Volume() measure.Millilitres {
	return measure.Millilitres(float64(v.Length) * float64(v.Width) * float64(v.Depth) / 1000)
}

// Below is what the pan holds up to so many mm below its rim.
func (v Vessel) Below(mm int) measure.Millilitres {
	return measure.Millilitres(float64(v.Length) * float64(v.Width) * float64(max(0, v.Depth-mm)) / 1000)
}

// dome is how far above its pan's volume a loaf may stand under the lid.
const dome = 0.15

// Fill is how far a loaf is likely to fill its pan.
type Fill struct {
	Pan  measure.Millilitres `json:"pan"`  // to the rim
	Room measure.Millilitres `json:"room"` // with the dome under the lid
	Low  measure.Millilitres `json:"low"`  // the loaf's likely baked volume, from
	High measure.Millilitres `json:"high"` // to
}

// Overflows reports whether even a usual loaf may outgrow the lid.
func (f Fill) Overflows() bool { return f.High > f.Room }

// Times is the fill of a loaf that reaches so much of the usual volume; 0 is the usual.
func (f Fill) Times(of float64) Fill {
	if of > 0 {
		f.Low, f.High = f.Low*measure.Millilitres(of), f.High*measure.Millilitres(of)
	}
	return f
}

// String says the fill in words.
func (f Fill) String() string {
	return fmt.Sprintf("%.0f–%.0f %% of the pan", 100*float64(f.Low/f.Pan), 100*float64(f.High/f.Pan))
}

// FillOf estimates the fill of a loaf from its flour, for a quick bread from the whole batter; what holds much
// beside its flour fills no less than its weight does.
func (v Vessel) FillOf(k recipe.Kind, flour, batter measure.Grams) Fill {
	row, of := kind.Of(k), flour
	if row.Loose {
		of = batter
	}
	return Fill{
		Pan:  v.Volume(),
		Room: v.Volume() * (1 + dome),
		Low:  measure.Millilitres(max(float64(of)*row.Low, float64(batter)*row.OfAll.Low)),
		High: measure.Millilitres(max(float64(of)*row.High, float64(batter)*row.OfAll.High)),
	}
}
