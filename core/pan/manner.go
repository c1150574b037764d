package pan

import (
	"risepan/core/kind"
	"risepan/core/recipe"
	"risepan/core/vocab"
)

// Order is the order of loading.
type Order string

const (
	WetFirst    Order = "wet first"
	DryFirst    Order = "dry first"
	Bloomed     Order = "yeast bloomed"   // stirred into the warm liquid until it froths
	Premixed    Order = "dry mixed first" // in a bowl, yeast on top
	AsListed    Order = "as listed"       // by the recipe
	Batter      Order = "batter"          // a quick bread
	Outside     Order = "mixed outside"   // and put in as one
	HandStirred Order = "stirred"         // in the pan, by hand, before the machine does: a packet
)

var Orders = []Order{WetFirst, DryFirst, Bloomed, Premixed, AsListed, Batter, Outside, HandStirred}

func (o Order) Words() []string                  { return vocab.List(Orders) }
func (o *Order) UnmarshalText(text []byte) error { return vocab.Read(o, text, "loading order", Orders) }

// SaltPlace is where salt and sugar go.
type SaltPlace string

const (
	SaltLow  SaltPlace = "under the flour"
	SaltWet  SaltPlace = "in the liquid"
	SaltHigh SaltPlace = "above the flour" // in opposite corners
)

var SaltPlaces = []SaltPlace{SaltLow, SaltWet, SaltHigh}

func (p SaltPlace) Words() []string { return vocab.List(SaltPlaces) }
func (p *SaltPlace) UnmarshalText(text []byte) error {
	return vocab.Read(p, text, "place for salt", SaltPlaces)
}

// FatPlace is where the fat goes.
type FatPlace string

const (
	FatPieces  FatPlace = "in pieces"
	FatCorners FatPlace = "in four corners"
	FatFloor   FatPlace = "over the bottom"
	FatMelted  FatPlace = "melted"
)

var FatPlaces = []FatPlace{FatPieces, FatCorners, FatFloor, FatMelted}

func (p FatPlace) Words() []string { return vocab.List(FatPlaces) }
func (p *FatPlace) UnmarshalText(text []byte) error {
	return vocab.Read(p, text, "place for fat", FatPlaces)
}

// YeastPlace is where the yeast goes.
type YeastPlace string

const (
	YeastWell YeastPlace = "in a well"
	YeastTop  YeastPlace = "on top"
	YeastBox  YeastPlace = "in its dispenser"
)

var YeastPlaces = []YeastPlace{YeastWell, YeastTop, YeastBox}

func (p YeastPlace) Words() []string { return vocab.List(YeastPlaces) }
func (p *YeastPlace) UnmarshalText(text []byte) error {
	return vocab.Read(p, text, "place for yeast", YeastPlaces)
}

// Manner is a way of loading. An empty field says nothing.
type Manner struct {
	Order Order      `json:"order,omitzero"`
	Salt  SaltPlace  `json:"salt,omitzero"`
	Fat   FatPlace   `json:"fat,omitzero"`
	Yeast YeastPlace `json:"yeast,omitzero"`
}

// Usual is how a pan is loaded where nobody says anything.
var Usual = Manner{WetFirst, SaltLow, FatPieces, YeastWell}

// Over gives m with what it leaves open taken from under.
func (m Manner) Over(under Manner) Manner {
	if m.Order == "" {
		m.Order = under.Order
	}
	if m.Salt == "" {
		m.Salt = under.Salt
	}
	if m.Fat == "" {
		m.Fat = under.Fat
	}
	if m.Yeast == "" {
		m.Yeast = under.Yeast
	}
	return m
}

// Decide settles the manner: as the machine's booklet has it, then as the kind of recipe needs, then
// as the kitchen likes it, then as the baker wishes for this loaf; why says which of them decided the
// order.
func Decide(machine Manner, k recipe.Kind, school, wish Manner) (m Manner, why string) {
	why = "As the machine's booklet has it."
	m = machine.Over(Usual)
	switch row := kind.Of(k); {
	case row.Loose:
		m.Order, why = Batter, "A quick bread has no yeast to keep dry: wet, then flour, the leavening in the middle."
		school.Order, wish.Order = "", ""
	case row.Outside:
		m.Order, why = Outside, "Mixed in a bowl: the machine only bakes it."
		school.Order, wish.Order = "", ""
	case row.Listed:
		m.Order, why = AsListed, "Nothing in it has to be kept dry: in the order in which the recipe lists it."
		school.Order, wish.Order = "", ""
	case k == recipe.Packet && m.Order != DryFirst:
		m.Order, why = HandStirred, "Liquid first, the packet over it, and a stir by hand: no dry corners stay."
	}
	if school.Order != "" && school.Order != m.Order {
		why = "As this kitchen likes it; the booklet has it " + string(m.Order) + "."
	}
	m = school.Over(m)
	if wish.Order != "" && wish.Order != m.Order {
		why = "Your choice for this loaf; else it is " + string(m.Order) + "."
	}
	m = wish.Over(m)
	if machine.Yeast == YeastBox && (m.Order == Bloomed || m.Order == AsListed) {
		m.Yeast = YeastWell
	}
	return m, why
}
