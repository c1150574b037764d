package kitchen

import (
	"cmp"
	"fmt"
	"slices"

	"risepan/core/dough"
	"risepan/core/fault"
	"risepan/core/kind"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/pan"
	"risepan/core/scale"
	"risepan/core/validate"
	"risepan/core/vocab"
)

// Shape is the number of a kitchen's JSON shape.
const Shape = 2

// Kitchen is one household's settings.
type Kitchen struct {
	Name     string              `json:"name"`
	Zone     string              `json:"zone"` // of its clock, such as Europe/London
	Standard measure.Standard    `json:"standard"`
	Measures []measure.Measure   `json:"measures"`
	Jug      measure.Jug         `json:"jug,omitzero"` // off whose marks liquids are read
	Scale    bool                `json:"scale"`        // weighs everything on a kitchen scale
	Weights  measure.Weights     `json:"weights"`      // how its scale shows them
	Yeast    scale.YeastSchool   `json:"yeast"`
	Eggs     scale.EggSchool     `json:"eggs"`
	EggSize  EggSize             `json:"eggSize"`
	Salt     kind.SaltSchool     `json:"salt"`
	Degrees  measure.Degrees     `json:"degrees"`
	English  English             `json:"english,omitzero"`  // whose names of foods it uses; empty: British
	Lengths  measure.Lengths     `json:"lengths,omitzero"`  // how it measures and is told them; empty: centimetres
	Decimal  measure.DecimalSign `json:"decimal,omitzero"`  // in its numbers; empty: a point
	Face     Face                `json:"face,omitzero"`     // of its clock; empty: 24 hours
	Week     Weekday             `json:"week,omitzero"`     // with which its weeks begin; empty: Monday
	Room     measure.Temperature `json:"room"`              // as the kitchen usually is
	Liquid   dough.School        `json:"liquid"`            // how it is tempered
	Look     dough.FirstLook     `json:"look,omitzero"`     // when the dough ball is looked at first
	Lead     machine.Minutes     `json:"lead"`              // to load the pan and press Start
	Loading  pan.Manner          `json:"loading"`           // as it likes to load a pan; empty: as the booklet has it
	Grease   bool                `json:"grease,omitzero"`   // the pan lightly, where loaves stick; else it stays bare
	Quiet    Quiet               `json:"quiet"`             // hours in which nobody should be woken
	Prefer   []Preference        `json:"prefer"`            // measures liked for an ingredient
	Facts    []larder.Ingredient `json:"facts,omitzero"`    // its own rows, in place of the table's
	Readings []Reading           `json:"readings,omitzero"` // names that it means otherwise than the table
	Cups     []larder.Cup        `json:"cups,omitzero"`     // its own cups of flour
	Packs    []Pack              `json:"packs,omitzero"`    // jars and bags with their dates
	Stock    []Stocked           `json:"stock,omitzero"`    // what is kept count of
	Prices   []Price             `json:"prices,omitzero"`   // of packs
	Money    string              `json:"money,omitzero"`    // the sign of its currency
	Absences []Absence           `json:"absences,omitzero"` // when nobody is home
	Regulars []Regular           `json:"regulars,omitzero"` // loaves that are baked every week
	Declined []string            `json:"declined,omitzero"` // lessons of the log that it does not want, by their ids
}

// Weight writes a weight as this kitchen's scale shows it, finely to a tenth of its usual step.
func (k Kitchen) Weight(g measure.Grams, finely bool) string {
	return k.Decimal.In(k.Weights.Text(g, finely))
}

// Length writes a length that is given in millimetres as this kitchen's ruler shows it.
func (k Kitchen) Length(mm float64) string { return k.Lengths.Text(mm, k.Decimal) }

// Preference is the measure that a kitchen likes for an ingredient, such as flour by the half cup.
type Preference struct {
	Ingredient larder.ID       `json:"ingredient"`
	Measure    measure.Measure `json:"measure"`
}

// EggSize is the size of a kitchen's whole eggs.
type EggSize string

const (
	Medium     EggSize = "medium"
	Large      EggSize = "large"
	ExtraLarge EggSize = "extra large"
)

var EggSizes = []EggSize{Medium, Large, ExtraLarge}

func (e EggSize) Words() []string { return vocab.List(EggSizes) }
func (e *EggSize) UnmarshalText(text []byte) error {
	return vocab.Read(e, text, "size of egg", EggSizes)
}

// eggRows are the larder's rows for eggs in their shell, by size.
var eggRows = map[EggSize]larder.ID{Medium: "egg-medium", Large: "egg", ExtraLarge: "egg-extra-large"}

// DefaultLead is how long loading usually takes.
const DefaultLead machine.Minutes = 15

// New is a kitchen with the default measures and schools.
func New(name, zone string) Kitchen {
	return Kitchen{Name: name, Zone: zone, Standard: measure.US, Measures: measure.DefaultMeasures(measure.US),
		Yeast: scale.Eased, Eggs: scale.Whole, EggSize: Large, Salt: kind.Booklet, Weights: measure.InGrams,
		Lead:  DefaultLead,
		Quiet: Quiet{From: 22 * 60, To: 6*60 + 30}}.Filled()
}

// Filled is the kitchen with the usual answer to what it was never asked.
func (k Kitchen) Filled() Kitchen {
	k.Degrees = cmp.Or(k.Degrees, measure.InCelsius)
	k.Liquid = cmp.Or(k.Liquid, dough.Tepid)
	k.Room = cmp.Or(k.Room, measure.Reading(dough.Room))
	return k
}

// Schools are this kitchen's ways of resizing.
func (k Kitchen) Schools() scale.Schools {
	s := scale.Schools{Yeast: k.Yeast, Eggs: k.Eggs, Salt: k.Salt, Decimal: k.Decimal, Weights: k.Weights}
	if egg, ok := k.Ingredient(eggRows[k.EggSize]); ok {
		s.Egg = egg.Each
	}
	return s
}

// Preferred is the measure that the kitchen likes for an ingredient, where it owns it.
func (k Kitchen) Preferred(id larder.ID) measure.Measure {
	for _, p := range k.Prefer {
		if p.Ingredient == id && slices.Contains(k.Measures, p.Measure) {
			return p.Measure
		}
	}
	return measure.Measure{}
}

// Ingredient finds what an ingredient is in this kitchen: by its own facts or the larder's, and for a name
// that the larder lacks by what the kitchen corrected it to.
func (k Kitchen) Ingredient(id larder.ID) (*larder.Ingredient, bool) {
	i, ok := k.row(id)
	if i.Unknown {
		if n := slices.IndexFunc(k.Readings, func(r Reading) bool { return r.Spelling == spelling(i.Name) }); n >= 0 {
			i, ok = k.row(k.Readings[n].Ingredient)
		}
	}
	if c, own := k.Cup(i.ID); own {
		return c.In(i), ok
	}
	return i, ok
}

func (k Kitchen) row(id larder.ID) (*larder.Ingredient, bool) {
	if n := slices.IndexFunc(k.Facts, func(own larder.Ingredient) bool { return own.ID == id }); n >= 0 {
		return &k.Facts[n], true
	}
	i, ok := larder.Know(id)
	if k.English == American {
		i = larder.InAmerican(i)
	}
	return i, ok
}

// Cup is the kitchen's own cup of a flour.
func (k Kitchen) Cup(flour larder.ID) (larder.Cup, bool) {
	n := slices.IndexFunc(k.Cups, func(c larder.Cup) bool { return c.Flour == flour })
	if n < 0 {
		return larder.Cup{}, false
	}
	return k.Cups[n], true
}

const (
	mostMeasures = 40
	mostFacts    = 500
	longName     = 60
	smallest     = 0.2  // ml, of a measure
	largest      = 2000 // ml
)

// TheJug is how the jug is called among what is not to hand.
const TheJug = "the jug"

const (
	mostMarks  = 80
	largestJug = 3000 // ml
)

func (k Kitchen) checkJug() error {
	j := k.Jug
	switch volume := j.Step.Unit.Facts().Dimension == measure.Volume &&
		j.Holds.Unit.Facts().Dimension == measure.Volume; {
	case j.IsZero() && j.Step.Quantity.Sign() == 0:
		return nil
	case !volume || j.Step.Millilitres() < smallest || j.Step.UpTo.Sign() != 0:
		return fault.At("/jug/step", "say from mark to mark a volume, such as 1/8 cup or 25 ml")
	case j.Holds.Millilitres() > largestJug || j.Holds.UpTo.Sign() != 0:
		return fault.At("/jug/holds", "a jug holds at most %d ml", largestJug)
	case j.Marks() < 1 || j.Marks() > mostMarks:
		return fault.At("/jug/holds", "a jug has 1 to %d marks, not %d", mostMarks, j.Marks())
	}
	return nil
}

// Check reports the first thing about the kitchen that cannot be, as a *fault.Fault.
func (k Kitchen) Check() error {
	if err := validate.First(validate.Name("/name", "the kitchen", k.Name, longName), validate.Check(k)); err != nil {
		return err
	}
	switch {
	case len(k.Facts) > mostFacts || len(k.Prefer) > mostFacts:
		return fault.At("/facts", "these lists are too long: at most %d of own facts, and of measures liked", mostFacts)
	case k.Lead < 0 || k.Lead > 240:
		return fault.At("/lead", "the time to load and press Start is 0 to 240 minutes")
	case len(k.Measures) > mostMeasures:
		return fault.At("/measures", "%d measures are too many: at most %d", len(k.Measures), mostMeasures)
	}
	if err := validate.First(k.checkJug(), k.checkCupboard(), k.checkRegulars()); err != nil {
		return err
	}
	if err := dough.CheckRoom(k.Room); err != nil {
		return fault.At("/room", "%v", err)
	}
	for n, m := range k.Measures {
		at := fmt.Sprintf("/measures/%d", n)
		if v := m.Amount.Millilitres(); v < smallest || v > largest || m.Amount.UpTo.Sign() != 0 {
			return fault.At(at+"/amount", "a measure holds a volume of %.1f ml to %.0f ml, not %s", smallest,
				float64(largest), m.Amount)
		}
		if err := validate.Short(at+"/name", "the measure's name", m.Name, longName); err != nil {
			return err
		}
		if slices.Contains(k.Measures[:n], m) {
			return fault.At(at, "%s is in the list twice", m)
		}
	}
	for n, p := range k.Prefer {
		at := fmt.Sprintf("/prefer/%d", n)
		if _, ok := k.Ingredient(p.Ingredient); !ok {
			return fault.At(at+"/ingredient", "%q is not in the larder", vocab.Clip(string(p.Ingredient)))
		}
		if !slices.Contains(k.Measures, p.Measure) {
			return fault.At(at+"/measure", "%s is not among this kitchen's measures", p.Measure)
		}
	}
	if err := k.checkReadings(); err != nil {
		return err
	}
	for n, i := range k.Facts {
		at := fmt.Sprintf("/facts/%d", n)
		if _, ok := larder.Know(i.ID); !ok {
			return fault.At(at+"/id", "%q is not in the larder", vocab.Clip(string(i.ID)))
		}
		if err := i.Check(); err != nil {
			return fault.Under(at, err)
		}
	}
	return nil
}
