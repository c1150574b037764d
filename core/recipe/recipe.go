package recipe

import (
	"fmt"
	"slices"
	"strings"

	"risepan/core/fault"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/validate"
	"risepan/core/vocab"
)

// Kind is what a recipe makes; it decides the bands, the loading, the moments, the ending and the cautions.
type Kind string

const (
	White      Kind = "white"
	Wholemeal  Kind = "wholemeal"
	Crusty     Kind = "crusty"
	Sweet      Kind = "sweet"
	GlutenFree Kind = "gluten-free"
	LowCarb    Kind = "low-carb"
	QuickBread Kind = "quick bread" // and cake
	Dough      Kind = "dough"       // shaped by hand, baked in the oven

	Rapid    Kind = "rapid"
	Rye      Kind = "rye"
	Sprouted Kind = "sprouted grain" // a purée of it, with some flour held back
	Packet   Kind = "packet mix"     // somebody else's flour, salt and mostly yeast, in a packet
	Filled   Kind = "filled"         // out of the pan before the last rise, filled, rolled and put back
	Starter  Kind = "starter"
	Pasta    Kind = "pasta dough"
	Preserve Kind = "preserve"
	Yoghurt  Kind = "yoghurt"
	BakeOnly Kind = "bake only" // mixed outside
)

var Kinds = []Kind{White, Wholemeal, Crusty, Sweet, Rapid, GlutenFree, LowCarb, Rye, Sprouted, QuickBread, Packet,
	Dough, Filled, Starter, Pasta, Preserve, Yoghurt, BakeOnly}

func (k Kind) Words() []string                  { return vocab.List(Kinds) }
func (k *Kind) UnmarshalText(text []byte) error { return vocab.Read(k, text, "kind of recipe", Kinds) }

// When is the moment at which a line goes in.
type When string

const (
	InPan   When = ""             // with everything else, before the start
	AtBeep  When = "beep"         // at the add-in beep, or from the dispenser
	AtKnead When = "first knead"  // held back until the first kneading runs
	Warmed  When = "warmed first" // together on the stove, and cooled before the yeast goes in
)

var Whens = []When{InPan, AtBeep, AtKnead, Warmed}

func (w When) Words() []string { return vocab.List(Whens) }
func (w *When) UnmarshalText(text []byte) error {
	return vocab.Read(w, text, "moment for an ingredient (leave it empty, or)", Whens)
}

// Part is a part of a recipe. Only the dough goes into the pan and enters the formula.
type Part string

const (
	InDough Part = ""
	Filling Part = "filling"
	Glaze   Part = "glaze"
	Topping Part = "topping"
)

var Parts = []Part{InDough, Filling, Glaze, Topping}

func (p Part) Words() []string { return vocab.List(Parts) }
func (p *Part) UnmarshalText(text []byte) error {
	return vocab.Read(p, text, "part of a recipe (leave it empty for the dough, or)", Parts)
}

// Line is one ingredient of a recipe, as written. An ingredient that goes in at several moments has
// a line for each; they are scaled alike, so they always add up to the whole.
type Line struct {
	ID         string         `json:"id"` // the same through all revisions of the recipe
	Ingredient larder.ID      `json:"ingredient"`
	Amount     measure.Amount `json:"amount"`
	Also       measure.Amount `json:"also,omitzero"` // a second measure of the same: "3 cups (375 g)"
	When       When           `json:"when,omitzero"`
	Part       Part           `json:"part,omitzero"`
	Optional   bool           `json:"optional,omitzero"` // the loaf can do without
	Or         []Choice       `json:"or,omitzero"`       // what can stand in its place
	Note       string         `json:"note,omitzero"`
}

// Shape is the number of a recipe's JSON shape.
const Shape = 3

// Recipe is one revision of a recipe: a value that never changes.
type Recipe struct {
	Name     string           `json:"name"`
	Kind     Kind             `json:"kind"`
	Size     measure.LoafSize `json:"size"` // the loaf size it is written for
	Standard measure.Standard `json:"standard"`
	Lines    []Line           `json:"lines"`
	Drawn    int              `json:"drawn,omitzero"` // ids that its lines ever had, so that none is used twice
	Note     string           `json:"note,omitzero"`
	Columns  []Column         `json:"columns,omitzero"` // the amounts that the card has for other sizes
	Settings Settings         `json:"settings,omitzero"`
	Makes    string           `json:"makes,omitzero"`  // "12 rolls"
	Method   []string         `json:"method,omitzero"` // its sentences
	Open     []string         `json:"open,omitzero"`   // rows that are not understood yet
	// figures of its formula that are meant, though no loaf holds them
	Meant   []string `json:"meant,omitzero"`
	Because Because  `json:"because,omitzero"` // why this revision was made
	Finish  Finish   `json:"finish,omitzero"`  // of a dough, by hand and oven; zero: as is usual for its kind
}

// Because is why a revision was made: what a loaf taught, or a note where none did.
type Because struct {
	Cause string   `json:"cause,omitzero"` // of how that loaf came out, in the verdict's words
	Signs []string `json:"signs,omitzero"` // that it showed
	Note  string   `json:"note,omitzero"`
}

// Equal reports whether two reasons are the same.
func (b Because) Equal(other Because) bool {
	return b.Cause == other.Cause && slices.Equal(b.Signs, other.Signs) && b.Note == other.Note
}

// String is the reason in words; empty where there is none.
func (b Because) String() string {
	switch {
	case b.Cause == "":
		return b.Note
	case len(b.Signs) == 0:
		return b.Cause
	}
	return b.Cause + ": " + strings.Join(b.Signs, ", ")
}

func (b Because) check() error {
	err := validate.First(validate.Short("/cause", "the cause", b.Cause, longLineNote), validate.Short("/note",
		"the reason", b.Note, longLineNote))
	for _, s := range b.Signs {
		err = validate.First(err, validate.Short("/signs", "a sign", s, longLineNote))
	}
	return err
}

// Finish is what a dough still wants when it is out of the machine, in minutes.
type Finish struct {
	Shape int `json:"shape"`
	Rise  int `json:"rise"` // the last one
	Oven  int `json:"oven"`
}

// Total is all of it.
func (f Finish) Total() int { return f.Shape + f.Rise + f.Oven }

// longestFinish is the most minutes of one part of a dough's finish: a last rise may take a night.
const longestFinish = 24 * 60

func (f Finish) check() error {
	for _, part := range []struct {
		at, name string
		minutes  int
	}{{"shape", "shaping", f.Shape}, {"rise", "the last rise", f.Rise}, {"oven", "the oven", f.Oven}} {
		if part.minutes < 0 || part.minutes > longestFinish {
			return fault.At("/finish/"+part.at, "%s takes 0 to %d minutes, not %d", part.name, longestFinish,
				part.minutes)
		}
	}
	return nil
}

// Lookup finds an ingredient's facts; a kitchen's own facts come before the table's.
type Lookup func(larder.ID) (*larder.Ingredient, bool)

const (
	mostLines    = 40
	mostOthers   = 6 // of a line's choice
	mostDrawn    = 1_000_000
	longName     = 120
	longNote     = 4000
	longLineNote = 150
	longID       = 80
	mostEggs     = 12
	mostGrams    = 3000 // of one ingredient, in a home machine's largest pan
)

// Weighed is a line with what it is and what it weighs.
type Weighed struct {
	Line       Line
	Ingredient *larder.Ingredient
	Grams      measure.Grams
}

// Weigh gives every line of the recipe in grams. The first line that is wrong is a *fault.Fault
// that points at it.
func (r Recipe) Weigh(facts Lookup) ([]Weighed, error) {
	out := make([]Weighed, 0, len(r.Lines))
	seen := make(map[string]bool, len(r.Lines))
	for n, l := range r.Lines {
		w, err := l.weigh(facts)
		if l.ID == "" || seen[l.ID] {
			err = fault.At("/id", "every line needs an id of its own, and %q is empty or used twice", l.ID)
		}
		if err != nil {
			return nil, fault.Under(fmt.Sprintf("/lines/%d", n), err)
		}
		seen[l.ID] = true
		out = append(out, w)
	}
	return out, nil
}

// weigh gives one line in grams. A *fault.Fault points into the line.
func (l Line) weigh(facts Lookup) (Weighed, error) {
	for m, other := range l.Or {
		i, ok := facts(other.Ingredient)
		if !ok {
			return Weighed{}, fault.At(fmt.Sprintf("/or/%d", m), "%q is not in the larder",
				vocab.Clip(string(other.Ingredient)))
		}
		if _, err := i.Weigh(other.Amount); other.Amount != (measure.Amount{}) && err != nil {
			return Weighed{}, fault.At(fmt.Sprintf("/or/%d", m), "%v", err)
		}
	}
	i, ok := facts(l.Ingredient)
	if !ok {
		return Weighed{}, fault.At("/ingredient", "%q is not in the larder", vocab.Clip(string(l.Ingredient)))
	}
	i = i.Shaped(l.Note)
	g, err := i.Weigh(l.Amount)
	switch {
	case err != nil:
		return Weighed{}, fault.At("/amount", "%v", err)
	case g <= 0:
		return Weighed{}, fault.At("/amount", "the amount of %s must be more than nothing", i.Name)
	case i.Counted() && l.Amount.Unit == measure.Piece && l.Amount.Middle().Cmp(measure.Whole(mostEggs)) > 0:
		return Weighed{}, fault.At("/amount", "%s of %s are more than any loaf takes: at most %d", l.Amount, i.Name,
			mostEggs)
	case g > mostGrams:
		return Weighed{}, fault.At("/amount", "%s of %s is %.0f g, more than any bread machine holds", l.Amount,
			i.Name, float64(g))
	}
	return Weighed{l, i, g}, nil
}

// Check reports the first thing about the recipe that cannot be, beside its lines' weights, as a
// *fault.Fault at its field.
func (r Recipe) Check() error {
	if err := validate.First(validate.Name("/name", "the recipe", r.Name, longName), validate.Short("/note",
		"the note", r.Note, longNote), validate.Check(r)); err != nil {
		return err
	}
	if err := r.Because.check(); err != nil {
		return fault.Under("/because", err)
	}
	switch {
	case len(r.Lines) == 0:
		return fault.At("/lines", "a recipe needs at least one ingredient")
	case len(r.Lines) > mostLines:
		return fault.At("/lines", "%d ingredients are too many: at most %d", len(r.Lines), mostLines)
	case r.Drawn < 0 || r.Drawn > mostDrawn:
		return fault.At("/drawn", "a recipe's lines had 0 to %d ids, not %d", mostDrawn, r.Drawn)
	}
	if err := validate.First(r.checkCard(), r.Finish.check()); err != nil {
		return err
	}
	for n, l := range r.Lines {
		at := fmt.Sprintf("/lines/%d", n)
		if err := validate.First(validate.Short(at+"/id", "the line's id", l.ID, longID), validate.Short(at+"/note",
			"the line's note", l.Note, longLineNote)); err != nil {
			return err
		}
		switch {
		case len(l.Or) > mostOthers:
			return fault.At(at+"/or", "%d other ingredients are too many: at most %d", len(l.Or), mostOthers)
		case strings.Contains(l.Note, "\n"):
			return fault.At(at+"/note", "a line's note is one line")
		}
	}
	return nil
}

// ByWeight is the recipe for a kitchen that weighs: where a line gives a weight beside its cups, the
// weight counts.
func (r Recipe) ByWeight() Recipe {
	lines := slices.Clone(r.Lines)
	for n, l := range lines {
		if l.Also.Grams() > 0 && l.Amount.Grams() == 0 {
			lines[n].Amount, lines[n].Also = l.Also, l.Amount
		}
	}
	r.Lines = lines
	return r
}

// Choose leaves out optional lines and puts others in the place of lines that offer a choice. A line
// that is not optional, or a choice that is not offered, is a *fault.Fault.
func (r Recipe) Choose(without []string, instead map[string]larder.ID) (Recipe, error) {
	if len(without) == 0 && len(instead) == 0 {
		return r, nil
	}
	lines := make([]Line, 0, len(r.Lines))
	for _, l := range r.Lines {
		if slices.Contains(without, l.ID) {
			if !l.Optional {
				return r, fault.At("/without", "the loaf needs its %s", l.Ingredient)
			}
			continue
		}
		if other, ok := instead[l.ID]; ok && other != l.Ingredient {
			n := slices.IndexFunc(l.Or, func(c Choice) bool { return c.Ingredient == other })
			if n < 0 {
				return r, fault.At("/instead/"+l.ID, "the recipe does not offer %q in place of %s",
					vocab.Clip(string(other)), l.Ingredient)
			}
			l.Ingredient, l.Also = other, measure.Amount{}
			if own := l.Or[n].Amount; own != (measure.Amount{}) {
				l.Amount = own
			}
		}
		lines = append(lines, l)
	}
	r.Lines = lines
	return r, nil
}

// Yeasted reports whether yeast is among the recipe's lines.
func (r Recipe) Yeasted(facts Lookup) bool {
	return slices.ContainsFunc(r.Lines, func(l Line) bool {
		i, _ := facts(l.Ingredient)
		return i.Kind == larder.Yeast
	})
}

// Holds names what is in the recipe, for whoever looks for one by an ingredient: "water, bread flour, salt".
func (r Recipe) Holds() string {
	var out []string
	for _, l := range r.Lines {
		if name := l.Ingredient.Plain(); !slices.Contains(out, name) {
			out = append(out, name)
		}
	}
	return strings.Join(out, ", ")
}

// Held are the ingredients that Holds names.
func Held(names string) []larder.ID {
	var out []larder.ID
	for _, name := range strings.Split(names, ", ") {
		out = append(out, larder.ID(strings.ReplaceAll(name, " ", "-")))
	}
	return out
}

// Allows reports whether the recipe is yeast-free and the cupboard holds all that it needs.
func (r Recipe) Allows(facts Lookup, has func(larder.ID) bool) bool {
	return !r.Yeasted(facts) && !slices.ContainsFunc(r.Lines, func(l Line) bool {
		return !l.Optional &&
			!has(l.Ingredient)
	})
}
