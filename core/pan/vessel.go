// Package pan is the vessel: how big it is, how full a loaf fills it, and the order in which the
// ingredients go in.
package pan

import (
	"fmt"

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

// String says the fill in words.
func (f Fill) String() string {
	return fmt.Sprintf("%.0f–%.0f %% of the pan", 100*float64(f.Low/f.Pan), 100*float64(f.High/f.Pan))
}

// rises is the baked volume in ml per g of flour; for a quick bread per g of batter.
var rises = map[recipe.Kind][2]float64{
	recipe.White: {5.5, 6.0}, recipe.Crusty: {5.5, 6.0}, recipe.Dough: {5.5, 6.0},
	recipe.Sweet: {5.0, 5.5}, recipe.Wholemeal: {4.0, 4.5},
	recipe.GlutenFree: {3.5, 3.5}, recipe.LowCarb: {3.5, 3.5}, recipe.QuickBread: {2.2, 2.2},
}

// FillOf estimates the fill of a loaf from its flour, or for a quick bread from the whole batter.
func (v Vessel) FillOf(k recipe.Kind, flour, batter measure.Grams) Fill {
	of := flour
	if k == recipe.QuickBread {
		of = batter
	}
	r := rises[k]
	return Fill{
		Pan:  v.Volume(),
		Room: v.Volume() * (1 + dome),
		Low:  measure.Millilitres(float64(of) * r[0]),
		High: measure.Millilitres(float64(of) * r[1]),
	}
}
