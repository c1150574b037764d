package pan

import (
	"slices"

	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/word"
)

// Order is the order of loading that a machine's booklet asks for.
type Order string

const (
	WetFirst Order = "wet first"
	DryFirst Order = "dry first"
)

var Orders = []Order{WetFirst, DryFirst}

func (o Order) Words() []string                  { return word.List(Orders) }
func (o *Order) UnmarshalText(text []byte) error { return word.Read(o, text, "loading order", Orders) }

// Stuff is what a layer in the pan is made of; each has one colour and one texture everywhere.
type Stuff string

const (
	Liquid    Stuff = "liquid"
	Fat       Stuff = "fat"
	SugarSalt Stuff = "sugar and salt"
	Flour     Stuff = "flour"
	DryExtra  Stuff = "dry extra"
	Yeast     Stuff = "yeast"
	AddIn     Stuff = "add-in"
)

var Stuffs = []Stuff{Liquid, Fat, SugarSalt, Flour, DryExtra, Yeast, AddIn}

func (s Stuff) Words() []string                  { return word.List(Stuffs) }
func (s *Stuff) UnmarshalText(text []byte) error { return word.Read(s, text, "layer", Stuffs) }

// stuffOf tells what layer each kind of ingredient belongs to.
var stuffOf = map[larder.Kind]Stuff{
	larder.Liquid: Liquid, larder.Egg: Liquid, larder.Syrup: Liquid, larder.Puree: Liquid,
	larder.Fat: Fat, larder.Sugar: SugarSalt, larder.Salt: SugarSalt,
	larder.Flour: Flour, larder.DryMilk: DryExtra, larder.DryExtra: DryExtra,
	larder.Yeast: Yeast, larder.Leavening: Yeast, larder.Extra: AddIn,
}

// StuffOf is the layer of an ingredient: add-ins by when they go in, all else by kind.
func StuffOf(k larder.Kind, atBeep bool) Stuff {
	if atBeep {
		return AddIn
	}
	return stuffOf[k]
}

// place is where in the pan some kinds of ingredient lie, and why.
type place struct {
	stuff  Stuff
	kinds  []larder.Kind
	reason string
}

// sequences list the places from the pan's floor upwards. In both orders the yeast stays dry: on
// top of the flour, or under it.
var sequences = map[Order][]place{
	WetFirst: {
		{Liquid, wet, "Liquids first, so that the paddle wets the flour from below."},
		{Fat, []larder.Kind{larder.Fat}, "In pieces into the liquid, where it spreads evenly."},
		{SugarSalt, sweetOrSalt, "Low down, away from the yeast."},
		{DryExtra, []larder.Kind{larder.DryMilk}, "Under the flour with the sugar and salt."},
		{Flour, []larder.Kind{larder.Flour}, "Over everything wet, as a lid: push it into the corners."},
		{DryExtra, []larder.Kind{larder.DryExtra}, "On the flour, where it stays dry until kneading."},
		{AddIn, []larder.Kind{larder.Extra}, "On the flour with the other dry things."},
		{Yeast, raising, "Last, in a shallow dry well, touching neither liquid nor salt."},
	},
	DryFirst: {
		{Yeast, raising, "First, on the floor of the pan, so that the flour keeps it dry."},
		{Flour, []larder.Kind{larder.Flour}, "Over the yeast, as a cover."},
		{SugarSalt, sweetOrSalt, "On the flour, away from the yeast."},
		{DryExtra, []larder.Kind{larder.DryMilk, larder.DryExtra}, "On the flour with the other dry things."},
		{AddIn, []larder.Kind{larder.Extra}, "On the flour with the other dry things."},
		{Fat, []larder.Kind{larder.Fat}, "In pieces on top of the dry layers."},
		{Liquid, wet, "Last, poured over the top."},
	},
}

var (
	wet         = []larder.Kind{larder.Liquid, larder.Egg, larder.Syrup, larder.Puree}
	sweetOrSalt = []larder.Kind{larder.Sugar, larder.Salt}
	raising     = []larder.Kind{larder.Yeast, larder.Leavening}
)

// Portion is one measured ingredient on its way into the pan.
type Portion struct {
	Line   string
	Kind   larder.Kind
	Volume measure.Millilitres
	AtBeep bool
}

// Layer is one layer in the pan, from the floor upwards.
type Layer struct {
	Stuff  Stuff               `json:"stuff"`
	Lines  []string            `json:"lines"`
	Volume measure.Millilitres `json:"volume"`
	Well   bool                `json:"well,omitzero"` // lies in a well in the layer below
	Reason string              `json:"reason"`
}

// Load puts portions into layers from the floor of the pan upwards, and keeps aside what goes in
// at the beep. Every portion is in exactly one place.
func Load(o Order, portions []Portion) (layers []Layer, aside []string) {
	for _, s := range sequences[o] {
		layer := Layer{Stuff: s.stuff, Reason: s.reason, Well: s.stuff == Yeast && o == WetFirst}
		for _, p := range portions {
			if !p.AtBeep && slices.Contains(s.kinds, p.Kind) {
				layer.Lines = append(layer.Lines, p.Line)
				layer.Volume += p.Volume
			}
		}
		if len(layer.Lines) > 0 {
			layers = append(layers, layer)
		}
	}
	for _, p := range portions {
		if p.AtBeep {
			aside = append(aside, p.Line)
		}
	}
	return layers, aside
}

// Rank orders lines as they go into the pan: portions by layer, then as written, add-ins last.
func Rank(layers []Layer, aside []string) []string {
	var out []string
	for _, l := range layers {
		out = append(out, l.Lines...)
	}
	return slices.Concat(out, aside)
}
