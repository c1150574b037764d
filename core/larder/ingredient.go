package larder

import (
	"fmt"
	"slices"

	"risepan/core/measure"
	"risepan/core/validate"
	"risepan/core/vocab"
)

// ID names an ingredient in the table, such as "bread-flour".
type ID string

// Kind is what an ingredient does in a dough.
type Kind string

const (
	Liquid    Kind = "liquid"
	Egg       Kind = "egg"
	Fat       Kind = "fat"
	Syrup     Kind = "syrup" // a liquid sugar
	Sugar     Kind = "sugar"
	Salt      Kind = "salt"
	DryMilk   Kind = "dry milk"
	Flour     Kind = "flour"
	DryExtra  Kind = "dry extra" // herbs, spices, gluten, gums
	Yeast     Kind = "yeast"
	Leavening Kind = "leavening" // baking powder and soda
	Extra     Kind = "extra"     // fruit, nuts, seeds, cheese, olives
	Puree     Kind = "puree"     // mashed fruit or sprouted grain, wet
)

// Kinds lists them in the order of the table.
var Kinds = []Kind{Liquid, Egg, Fat, Syrup, Sugar, Salt, DryMilk, Flour, DryExtra, Yeast, Leavening, Extra, Puree}

func (k Kind) Words() []string { return vocab.List(Kinds) }

func (k *Kind) UnmarshalText(text []byte) error {
	return vocab.Read(k, text, "kind of ingredient", Kinds)
}

// Allergen is one of the allergens that European food labels name; of cereals and nuts, the grain.
type Allergen string

const (
	Wheat       Allergen = "wheat"
	Rye         Allergen = "rye"
	Barley      Allergen = "barley"
	Oats        Allergen = "oats"
	Milk        Allergen = "milk"
	Eggs        Allergen = "egg"
	Nuts        Allergen = "nuts"
	Peanuts     Allergen = "peanuts"
	Soya        Allergen = "soya"
	Sesame      Allergen = "sesame"
	Lupin       Allergen = "lupin"
	Celery      Allergen = "celery"
	Mustard     Allergen = "mustard"
	Fish        Allergen = "fish"
	Crustaceans Allergen = "crustaceans"
	Molluscs    Allergen = "molluscs"
	Sulphites   Allergen = "sulphites"
)

var Allergens = []Allergen{Wheat, Rye, Barley, Oats, Milk, Eggs, Nuts, Peanuts, Soya, Sesame, Lupin, Celery, Mustard,
	Fish, Crustaceans, Molluscs, Sulphites}

func (a Allergen) Words() []string { return vocab.List(Allergens) }
func (a *Allergen) UnmarshalText(text []byte) error {
	return vocab.Read(a, text, "allergen", Allergens)
}

// State is how an ingredient goes into the pan.
type State string

const (
	AtRoom   State = "" // at room temperature
	Cold     State = "cold"
	Softened State = "softened"
	Melted   State = "melted"
	Warm     State = "warm"
)

var States = []State{AtRoom, Cold, Softened, Melted, Warm}

func (s State) Words() []string { return vocab.List(States) }
func (s *State) UnmarshalText(text []byte) error {
	return vocab.Read(s, text, "state of an ingredient (leave it empty, or)", States)
}

// Strength is how well a white wheat flour holds a yeast loaf up; empty for what is no such flour.
type Strength string

const (
	NoStrength  Strength = ""
	Strong      Strength = "strong"       // bread flour
	Plain       Strength = "plain"        // weaker: the loaf rises less
	Soft        Strength = "soft"         // cake flour: too weak for yeast
	SelfRaising Strength = "self-raising" // plain, with baking powder and salt in it
)

var Strengths = []Strength{NoStrength, Strong, Plain, Soft, SelfRaising}

func (s Strength) Words() []string { return vocab.List(Strengths) }
func (s *Strength) UnmarshalText(text []byte) error {
	return vocab.Read(s, text, "strength of flour (leave it empty, or)", Strengths)
}

// Grain is what a flour or meal was milled from; empty for what is none.
type Grain string

const (
	NoGrain     Grain = ""
	OfWheat     Grain = "wheat" // spelt, durum and khorasan too
	OfRye       Grain = "rye"
	OfBarley    Grain = "barley"
	OfOats      Grain = "oats"
	OfRice      Grain = "rice"
	OfMaize     Grain = "maize"
	OfBuckwheat Grain = "buckwheat"
	OfMillet    Grain = "millet"
	OfOther     Grain = "other"
)

var Grains = []Grain{NoGrain, OfWheat, OfRye, OfBarley, OfOats, OfRice, OfMaize, OfBuckwheat, OfMillet, OfOther}

func (g Grain) Words() []string { return vocab.List(Grains) }
func (g *Grain) UnmarshalText(text []byte) error {
	return vocab.Read(g, text, "grain (leave it empty, or)", Grains)
}

// Beforehand is what an ingredient wants hours or days before the pan is loaded.
type Beforehand string

const (
	AtOnce   Beforehand = ""
	Sprouted Beforehand = "sprouted" // grain: soaked, rinsed, dried and milled
	Ground   Beforehand = "ground"   // grain: soaked, rinsed and ground wet
	Fed      Beforehand = "fed"      // a starter
	Thawed   Beforehand = "thawed"
)

var Beforehands = []Beforehand{AtOnce, Sprouted, Ground, Fed, Thawed}

func (b Beforehand) Words() []string { return vocab.List(Beforehands) }
func (b *Beforehand) UnmarshalText(text []byte) error {
	return vocab.Read(b, text, "thing to do beforehand (leave it empty, or)", Beforehands)
}

// Hopper tells whether an ingredient may go in a fruit-and-nut dispenser.
type Hopper string

const (
	NoHopper Hopper = ""        // sticky, fine or wet: by hand
	AnyHow   Hopper = "yes"     // as it is
	Drained  Hopper = "drained" // once it is well drained and patted dry
)

var Hoppers = []Hopper{NoHopper, AnyHow, Drained}

func (h Hopper) Words() []string { return vocab.List(Hoppers) }
func (h *Hopper) UnmarshalText(text []byte) error {
	return vocab.Read(h, text, "answer for the dispenser (leave it empty, or)", Hoppers)
}

// Shares are grams per 100 g of the ingredient. Water is all water in it, also that in flour.
type Shares struct {
	Water   float64 `json:"water"`
	Fat     float64 `json:"fat"`
	Sugar   float64 `json:"sugar"`
	Salt    float64 `json:"salt"`
	Protein float64 `json:"protein"`
	Starch  float64 `json:"starch"`
	Fibre   float64 `json:"fibre"`
}

// Ingredient is one row of the larder.
type Ingredient struct {
	ID        ID            `json:"id"`
	Name      string        `json:"name"`
	Names     []string      `json:"names,omitzero"` // other names that recipes use
	Kind      Kind          `json:"kind"`
	PerCup    measure.Grams `json:"perCup,omitzero"`   // g in a US cup; 0 when it is counted only
	Lightest  measure.Grams `json:"lightest,omitzero"` // g in a cup, where bakers' books differ: from
	Heaviest  measure.Grams `json:"heaviest,omitzero"` // and to
	Each      measure.Grams `json:"each,omitzero"`     // g of one piece; 0 when it is not counted
	Shares    Shares        `json:"shares"`
	FlourPart float64       `json:"flourPart,omitzero"` // share of its weight that counts as flour, 0 to 1
	Grain     Grain         `json:"grain,omitzero"`     // that it was milled from
	Whole     bool          `json:"whole,omitzero"`     // wholemeal, rye or oats: it drinks more
	Strength  Strength      `json:"strength,omitzero"`  // of a white wheat flour
	Gluten    bool          `json:"gluten,omitzero"`    // nearly pure gluten: a flour itself where there is much of it
	AsDry     float64       `json:"asDry,omitzero"`     // g of active dry yeast that 1 g stands for
	Rapid     bool          `json:"rapid,omitzero"`     // a yeast that a rapid cycle wants
	Packet    bool          `json:"packet,omitzero"`    // a mix from a packet: what is in it is known roughly
	Ahead     Beforehand    `json:"ahead,omitzero"`     // what it wants hours or days before
	Raising   float64       `json:"raising,omitzero"`   // g of baking powder that 1 g stands for
	Shell     bool          `json:"shell,omitzero"`     // a whole egg, of which a kitchen has a size of its own
	Spoils    bool          `json:"spoils,omitzero"`    // at room temperature, during a delay
	// meat or fish that is raw, or may be: it stays cold until it goes in
	Raw       bool       `json:"raw,omitzero"`
	Milky     bool       `json:"milky,omitzero"`   // its sugar is milk sugar, which the sugar band leaves out
	Browns    bool       `json:"browns,omitzero"`  // its sugar, milk or egg darkens the crust
	Binds     bool       `json:"binds,omitzero"`   // it holds a dough together that has no gluten of wheat
	MayBind   bool       `json:"mayBind,omitzero"` // a blend that may have a binder in it
	Gels      bool       `json:"gels,omitzero"`    // pectin and the like: fruit sets with it
	Spent     bool       `json:"spent,omitzero"`   // a starter that was not fed: it raises nothing
	Shreds    bool       `json:"shreds,omitzero"`  // grated and full of water: squeezed before it is measured
	Malted    bool       `json:"malted,omitzero"`  // a flour of sprouted grain, which rises faster
	Sour      bool       `json:"sour,omitzero"`    // soda works on it
	Melts     bool       `json:"melts,omitzero"`   // in the warm dough
	Breaks    bool       `json:"breaks,omitzero"`  // up in kneading, and then counts as liquid
	Allergens []Allergen `json:"allergens,omitzero"`
	State     State      `json:"state,omitzero"`
	Dispenser Hopper     `json:"dispenser,omitzero"`
	Prep      string     `json:"prep,omitzero"`    // what an add-in wants beforehand
	Like      string     `json:"like,omitzero"`    // what a kitchen said that its own ingredient is like
	Unknown   bool       `json:"unknown,omitzero"` // nobody has said yet what it is
}

// WhyNoHopper says in one word what keeps an ingredient out of a dispenser; empty for what may go in one.
func (i *Ingredient) WhyNoHopper() string {
	const wet = 50 // g of water in 100
	switch {
	case i.Dispenser != NoHopper:
		return ""
	case i.Kind == Syrup:
		return "sticky"
	case i.Raw:
		return "raw"
	case i.Kind == DryExtra || i.Kind == Flour:
		return "fine"
	case i.Melts:
		return "soft in the warmth"
	case i.Shares.Water > wet:
		return "wet"
	}
	return "soft or fine"
}

// Weigh turns an amount of the ingredient into grams. It is an error to count what has no weight
// a piece, or to measure by volume what is only counted.
func (i *Ingredient) Weigh(a measure.Amount) (measure.Grams, error) {
	switch a.Unit.Facts().Dimension {
	case measure.Weight:
		return a.Grams(), nil
	case measure.Volume:
		if i.PerCup > 0 {
			return i.GramsPerMl() * measure.Grams(a.Millilitres()), nil
		}
		return 0, fmt.Errorf("%s cannot be measured by %s: give it in pieces or grams", i.Name, a.Unit)
	}
	if i.Each > 0 {
		return i.Each * measure.Grams(a.Middle().Float()), nil
	}
	return 0, fmt.Errorf("%s cannot be counted in pieces: give a unit such as cups, tsp or g", i.Name)
}

// The most letters of an ingredient's name, and of its other texts.
const (
	longName = 60
	longPrep = 300
)

// Check says what about a row of the larder cannot be.
func (i Ingredient) Check() error {
	if err := validate.First(validate.Name("/name", "the ingredient", i.Name, longName), validate.Short("/prep",
		"what it wants beforehand", i.Prep, longPrep), validate.Check(i)); err != nil {
		return err
	}
	s := i.Shares
	for _, share := range []float64{s.Water, s.Fat, s.Sugar, s.Salt, s.Protein, s.Starch, s.Fibre} {
		if !(share >= 0 && share <= 100) {
			return fmt.Errorf("%s: a share is 0 to 100 g per 100 g, not %g", i.Name, share)
		}
	}
	switch sum := s.Water + s.Fat + s.Sugar + s.Salt + s.Protein + s.Starch + s.Fibre; {
	case sum > 101:
		return fmt.Errorf("%s: its shares add up to %.0f g per 100 g", i.Name, sum)
	case !(i.PerCup >= 0 && i.PerCup <= 1000) || !(i.Each >= 0 && i.Each <= 1000):
		return fmt.Errorf("%s: a cup or a piece weighs up to 1000 g", i.Name)
	case !(i.FlourPart >= 0 && i.FlourPart <= 1):
		return fmt.Errorf("%s: the part of it that counts as flour is 0 to 1, not %g", i.Name, i.FlourPart)
	case i.Kind == Flour && i.FlourPart == 0:
		return fmt.Errorf("%s is a flour: say which part of it counts as flour, more than 0", i.Name)
	case !(i.AsDry >= 0 && i.AsDry <= 3) || !(i.Raising >= 0 && i.Raising <= 5):
		return fmt.Errorf("%s: 1 g of it stands for at most 3 g of dry yeast, or 5 g of baking powder", i.Name)
	case !(i.Lightest >= 0 && i.Lightest <= i.Heaviest && i.Heaviest <= 1000):
		return fmt.Errorf("%s: the weights of a lightly and a heavily filled cup are the wrong way round", i.Name)
	case i.PerCup == 0 && i.Each == 0:
		return fmt.Errorf("%s needs a weight by the cup or by the piece", i.Name)
	}
	return nil
}

// GramsPerMl is the density, g/ml; 0 for what is only counted.
func (i *Ingredient) GramsPerMl() measure.Grams {
	return i.PerCup / usCup
}

var usCup = measure.Grams(measure.Of(1, 1, measure.Cup).Millilitres()) // ml

// Volume is the space that a weight of the ingredient takes, as it is measured. What is only
// counted is taken to be as dense as water.
func (i *Ingredient) Volume(g measure.Grams) measure.Millilitres {
	if d := i.GramsPerMl(); d > 0 {
		return measure.Millilitres(g / d)
	}
	return measure.Millilitres(g)
}

// Counted reports whether cooks count the ingredient in whole pieces.
func (i *Ingredient) Counted() bool { return i.Each > 0 && i.Kind == Egg }

// Fine reports whether the ingredient is weighed to a tenth of a scale's usual step: yeast and salt.
func (i *Ingredient) Fine() bool { return i.Kind == Yeast || i.Kind == Salt }

// HoldsGluten reports whether the ingredient holds wheat, rye or barley.
func (i *Ingredient) HoldsGluten() bool {
	return slices.ContainsFunc(i.Allergens, func(a Allergen) bool { return a == Wheat || a == Rye || a == Barley })
}
