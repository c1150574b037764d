package pan

import (
	"slices"

	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/recipe"
	"risepan/core/vocab"
)

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

func (s Stuff) Words() []string                  { return vocab.List(Stuffs) }
func (s *Stuff) UnmarshalText(text []byte) error { return vocab.Read(s, text, "layer", Stuffs) }

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

// Place is how a layer lies.
type Place string

const (
	Spread   Place = "" // evenly
	Well     Place = "in a well"
	Middle   Place = "in the middle"
	Corners  Place = "in the corners"
	Pieces   Place = "in pieces"
	Stirred  Place = "stirred in"
	Mixed    Place = "mixed in a bowl"
	Floor    Place = "over the bottom"
	OwnBox   Place = "in its dispenser"
	Together Place = "warmed together"
	ByHand   Place = "stirred by hand"
	InABag   Place = "from the bag"
)

var Places = []Place{Spread, Well, Middle, Corners, Pieces, Stirred, Mixed, Floor, OwnBox, Together, ByHand, InABag}

func (p Place) Words() []string                  { return vocab.List(Places) }
func (p *Place) UnmarshalText(text []byte) error { return vocab.Read(p, text, "way to lie", Places) }

// step is a place in the pan for some kinds of ingredient, with the reason.
type step struct {
	stuff  Stuff
	kinds  []larder.Kind
	place  Place
	reason string
}

var (
	wet         = []larder.Kind{larder.Liquid, larder.Egg, larder.Syrup, larder.Puree}
	fats        = []larder.Kind{larder.Fat}
	sweetOrSalt = []larder.Kind{larder.Sugar, larder.Salt}
	raising     = []larder.Kind{larder.Yeast, larder.Leavening}
	yeasts      = []larder.Kind{larder.Yeast}
	leavenings  = []larder.Kind{larder.Leavening}
	flours      = []larder.Kind{larder.Flour}
	dryMilks    = []larder.Kind{larder.DryMilk}
	dryExtras   = []larder.Kind{larder.DryExtra}
	extras      = []larder.Kind{larder.Extra}
)

// fatSteps are where the fat lies, beside the liquid.
var fatSteps = map[FatPlace]step{
	FatPieces:  {Fat, fats, Pieces, "In pieces into the liquid, where it spreads evenly."},
	FatCorners: {Fat, fats, Corners, "Cut in four, a piece to each corner, so that the paddle takes it in evenly."},
	FatFloor:   {Fat, fats, Floor, "In small pieces over the bottom, under the liquid."},
	FatMelted:  {Fat, fats, Stirred, "Melted, cooled a little and stirred into the liquid."},
}

// yeastSteps are where the yeast lies, on the flour or apart.
var yeastSteps = map[YeastPlace]step{
	YeastWell: {Yeast, raising, Well, "Last, in a shallow dry well, touching neither liquid nor salt."},
	YeastTop:  {Yeast, raising, Middle, "Last, on top of the dry flour, touching neither liquid nor salt."},
	YeastBox:  {Yeast, yeasts, OwnBox, "In the machine's own yeast dispenser: nothing in the pan touches it."},
}

// steps list what goes in, from the pan's floor upwards.
func (m Manner) steps() []step {
	onFlour := []step{
		{DryExtra, dryExtras, Spread, "On the flour, where it stays dry until kneading."},
		{AddIn, extras, Spread, "On the flour with the other dry things."},
	}
	flour := step{Flour, flours, Spread, "Cover the liquid completely; push it into the corners."}
	liquid := step{Liquid, wet, Spread, "Liquids first, so that the paddle wets the flour from below."}
	saltInLiquid := step{SugarSalt, sweetOrSalt, Stirred, "Stirred into the liquid, where they dissolve."}
	leavening := step{Yeast, leavenings, Middle, "In the middle of the flour, dry until the mixing begins."}
	switch m.Order {
	case DryFirst:
		return m.dryFirst(saltInLiquid)
	case Bloomed:
		return append([]step{
			{Liquid, wet, Spread, "Warm liquid first, for the yeast to wake in."},
			{Yeast, yeasts, Stirred, "Stirred into the warm liquid and left until it froths, 5 to 10 minutes."},
			fatSteps[FatPieces],
			{DryExtra, dryMilks, Spread, "Under the flour."},
			flour,
			{SugarSalt, sweetOrSalt, Corners, "On the flour, so that the salt comes to the yeast late."},
			leavening,
		}, onFlour...)
	case Premixed:
		return append(m.wetAndFat(liquid), []step{
			{Flour, slices.Concat(flours, sweetOrSalt, dryMilks, dryExtras, leavenings), Mixed,
				"All dry things stirred together in a bowl first, so that none lies in a heap."},
			{AddIn, extras, Spread, "On the dry mix."},
			{Yeast, yeasts, Middle, "On top of the dry mix, away from the liquid."},
		}...)
	case Outside:
		return []step{{Flour, larder.Kinds, Mixed, "Mixed in a bowl, and into the greased pan: the paddle stays out."}}
	case HandStirred:
		return []step{
			{Liquid, wet, Spread, "Liquid first."},
			fatSteps[FatPieces],
			{Flour, slices.Concat(flours, sweetOrSalt, dryMilks, dryExtras), ByHand,
				"The packet over the liquid, all of it: its yeast is spread through it. Stir lightly with plastic, " +
					"so that no dry corners stay."},
			{AddIn, extras, Spread, "On top."},
			{Yeast, raising, Middle, "Its yeast beside it: last, dry on top."},
		}
	case Batter:
		return []step{
			{Liquid, []larder.Kind{larder.Liquid, larder.Syrup}, Spread, "Liquids first."},
			{Liquid, []larder.Kind{larder.Puree}, Spread, "Mashed fruit into the liquid."},
			{Fat, fats, Spread, "Fat, melted or soft."},
			{Liquid, []larder.Kind{larder.Egg}, Spread, "Eggs, lightly beaten."},
			{SugarSalt, sweetOrSalt, Spread, "Into the wet, where it dissolves."},
			{Flour, slices.Concat(flours, dryMilks, dryExtras), Spread, "Spread evenly over the wet."},
			{Yeast, raising, Middle, "The leavening in the middle of the flour, dry until the mixing begins."},
			{AddIn, extras, Spread, "Last, on top."},
		}
	}
	out := m.wetAndFat(liquid)
	switch m.Salt {
	case SaltWet:
		out = append(out, saltInLiquid, step{DryExtra, dryMilks, Spread, "Under the flour."}, flour)
	case SaltHigh:
		out = append(out, flour, step{SugarSalt, sweetOrSalt, Corners, "On the flour in opposite corners, away from " +
			"the yeast in the middle."},
			step{DryExtra, dryMilks, Spread, "On the flour with the sugar and salt."})
	default:
		out = append(out, step{SugarSalt, sweetOrSalt, Spread, "Underneath, away from the yeast."},
			step{DryExtra, dryMilks, Spread, "Under the flour with the sugar and salt."}, flour)
	}
	out = append(out, onFlour...)
	if m.Yeast == YeastBox {
		out = append(out, leavening)
	}
	return append(out, yeastSteps[m.Yeast])
}

// wetAndFat are the liquid and the fat, which may lie under it.
func (m Manner) wetAndFat(liquid step) []step {
	if m.Fat == FatFloor {
		return []step{fatSteps[FatFloor], liquid}
	}
	return []step{liquid, fatSteps[m.Fat]}
}

func (m Manner) dryFirst(saltInLiquid step) []step {
	yeast := step{Yeast, raising, Spread, "First, on the floor of the pan, so that the flour keeps it dry."}
	if m.Yeast == YeastBox {
		yeast = yeastSteps[YeastBox]
	}
	out := []step{yeast}
	if m.Yeast == YeastBox {
		out = append(out, step{Yeast, leavenings, Spread, "On the floor of the pan, dry under the flour."})
	}
	cover := "Over the yeast, as a cover."
	if m.Yeast == YeastBox {
		cover = "Over the bottom of the pan: the yeast waits in its own dispenser."
	}
	out = append(out, step{Flour, flours, Spread, cover})
	if m.Salt != SaltWet {
		out = append(out, step{SugarSalt, sweetOrSalt, Spread, "On the flour, away from the yeast."})
	}
	out = append(out,
		step{DryExtra, slices.Concat(dryMilks, dryExtras), Spread, "On the flour with the other dry things."},
		step{AddIn, extras, Spread, "On the flour with the other dry things."})
	liquid := step{Liquid, wet, Spread, "Last, poured over the top."}
	switch m.Fat {
	case FatMelted:
		out = append(out, liquid, fatSteps[FatMelted])
	case FatCorners:
		out = append(out, step{Fat, fats, Corners, "Cut in four, a piece to each corner on top of the dry layers."},
			liquid)
	default:
		out = append(out, step{Fat, fats, Pieces, "In pieces on top of the dry layers."}, liquid)
	}
	if m.Salt == SaltWet {
		out = append(out, saltInLiquid)
	}
	return out
}

// Portion is one measured ingredient on its way into the pan.
type Portion struct {
	Line   string
	Kind   larder.Kind
	Volume measure.Millilitres
	When   recipe.When
	Pours  bool // a fat that cannot be cut, such as oil
}

// Layer is one layer in the pan, from the floor upwards.
type Layer struct {
	Stuff  Stuff               `json:"stuff"`
	Lines  []string            `json:"lines"`
	Volume measure.Millilitres `json:"volume"`
	Place  Place               `json:"place,omitzero"`
	Reason string              `json:"reason"`
}

// Loaded is where everything goes: the layers from the floor of the pan upwards, what is held back
// until the first knead, and what is kept aside for the beep. Every portion is in exactly one place.
type Loaded struct {
	Layers []Layer
	Knead  []string
	Beep   []string
}

// Load puts portions where the manner has them. What was warmed together goes in with the liquid, as
// one. An empty field of the manner is as usual.
func Load(m Manner, portions []Portion) Loaded {
	m = m.Over(Usual)
	var out Loaded
	here := make([]Portion, 0, len(portions))
	warm := Layer{Stuff: Liquid, Place: Together, Reason: "Warmed together on the stove, and cooled before anything " +
		"else joins it."}
	for _, p := range portions {
		switch p.When {
		case recipe.AtBeep:
			out.Beep = append(out.Beep, p.Line)
		case recipe.AtKnead:
			out.Knead = append(out.Knead, p.Line)
		case recipe.Warmed:
			warm.Lines, warm.Volume = append(warm.Lines, p.Line), warm.Volume+p.Volume
		default:
			here = append(here, p)
		}
	}
	if m.Order == AsListed {
		out.Layers = asListed(here)
	} else {
		steps := m.steps()
		out.Layers = make([]Layer, 0, len(steps))
		for _, s := range steps {
			if layer := s.layer(here); len(layer.Lines) > 0 {
				out.Layers = append(out.Layers, layer)
			}
		}
	}
	if len(warm.Lines) > 0 {
		at := slices.IndexFunc(out.Layers, func(l Layer) bool { return l.Stuff == Liquid })
		if at < 0 && m.Order == DryFirst {
			at = len(out.Layers)
		}
		out.Layers = slices.Insert(out.Layers, max(at, 0), warm)
	}
	return out
}

// FromBag is a pan whose dry things come out of a bag, mixed: one layer where the flour would lie.
func FromBag(layers []Layer, in func(line string) bool) []Layer {
	bag := Layer{Stuff: Flour, Place: InABag, Reason: "The whole bag, over what lies there: all that is dry but the " +
		"yeast."}
	at := -1
	var out []Layer
	for _, l := range layers {
		rest := slices.DeleteFunc(slices.Clone(l.Lines), in)
		if n := len(l.Lines) - len(rest); n > 0 {
			bag.Volume += l.Volume * measure.Millilitres(n) / measure.Millilitres(len(l.Lines))
			for _, line := range l.Lines {
				if in(line) {
					bag.Lines = append(bag.Lines, line)
				}
			}
			if l.Stuff == Flour {
				at = len(out)
			}
		}
		if len(rest) > 0 {
			l.Volume = l.Volume * measure.Millilitres(len(rest)) / measure.Millilitres(len(l.Lines))
			l.Lines = rest
			out = append(out, l)
		}
	}
	if len(bag.Lines) == 0 {
		return layers
	}
	if at < 0 {
		at = len(out)
	}
	return slices.Insert(out, at, bag)
}

// layer is what of the portions belongs to a step.
func (s step) layer(portions []Portion) Layer {
	layer := Layer{Stuff: s.stuff, Place: s.place, Reason: s.reason}
	pours := true
	for _, p := range portions {
		if slices.Contains(s.kinds, p.Kind) {
			layer.Lines, layer.Volume = append(layer.Lines, p.Line), layer.Volume+p.Volume
			pours = pours && p.Pours
		}
	}
	if s.stuff == Fat && pours && s.place != Stirred && s.place != Spread {
		layer.Place, layer.Reason = Spread, "It pours, and spreads by itself."
	}
	return layer
}

// asListed makes a layer of each run of like things, in the recipe's order.
func asListed(portions []Portion) []Layer {
	var out []Layer
	for _, p := range portions {
		stuff := stuffOf[p.Kind]
		if last := len(out) - 1; last >= 0 && out[last].Stuff == stuff {
			out[last].Lines, out[last].Volume = append(out[last].Lines, p.Line), out[last].Volume+p.Volume
			continue
		}
		out = append(out, Layer{Stuff: stuff, Lines: []string{p.Line}, Volume: p.Volume,
			Reason: "In the order in which the recipe lists it."})
	}
	return out
}

// Wets names what would touch the yeast before kneading, in a pan that stands through a delay: the
// layer beside it that is wet, fat or salt, or the liquid that it is stirred into. Empty: it stays dry.
func Wets(layers []Layer) Stuff {
	for n, layer := range layers {
		if layer.Stuff != Yeast || layer.Place == OwnBox {
			continue
		}
		if layer.Place == Stirred {
			return Liquid
		}
		for _, m := range []int{n - 1, n + 1} {
			if m < 0 || m >= len(layers) {
				continue
			}
			switch beside := layers[m]; beside.Stuff {
			case Liquid, Fat, SugarSalt:
				return beside.Stuff
			}
		}
	}
	return ""
}
