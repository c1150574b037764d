package dough

import (
	"cmp"
	"fmt"
	"math"
	"slices"

	"risepan/core/advice"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/vocab"
)

// Seen is what a baker sees of the dough while it kneads.
type Seen string

const (
	Pours   Seen = "pours"   // no ball: it coats the floor and the walls
	Smears  Seen = "smears"  // a ball that leaves dough on the floor
	Smooth  Seen = "smooth"  // one ball, slightly tacky
	Torn    Seen = "torn"    // a ragged, torn surface
	Knocks  Seen = "knocks"  // hard, or bits that stay apart; the machine knocks
	Corners Seen = "corners" // dry flour in the corners
	Lumps   Seen = "lumps"   // firm, and lumps of cold butter show
)

// Looks are all that can be seen, from the wettest to the driest.
var Looks = []Seen{Pours, Smears, Smooth, Torn, Knocks, Corners, Lumps}

func (s Seen) Words() []string { return vocab.List(Looks) }
func (s *Seen) UnmarshalText(text []byte) error {
	return vocab.Read(s, text, "look of a dough", Looks)
}

// By how many points of hydration a dough may be off and still be one smooth ball, from where it pours or knocks,
// and from where a plan says so beforehand: at the first look some of the water is not drunk yet.
const (
	Smeared = 4.0
	poured  = 8.0
	Tells   = 3.0
)

// LookAt is how a ball looks that is so many points of hydration wetter than it should be; below 0 drier.
func LookAt(off float64) Seen {
	switch {
	case off > poured:
		return Pours
	case off > Smeared:
		return Smears
	case off < -poured:
		return Knocks
	case off < -Smeared:
		return Torn
	}
	return Smooth
}

// Stuff is what a dose is of.
type Stuff string

const (
	Water     Stuff = "water"
	FlourDose Stuff = "flour"
)

// Stuffs are what a dough is mended with.
var Stuffs = []Stuff{Water, FlourDose}

func (s Stuff) Words() []string { return vocab.List(Stuffs) }
func (s *Stuff) UnmarshalText(text []byte) error {
	return vocab.Read(s, text, "stuff of a dose", Stuffs)
}

// Dose is a spoonful that mends a dough.
type Dose struct {
	Of     Stuff          `json:"of"`
	Amount measure.Amount `json:"amount"`
}

// largestDose is the most that goes in at once, ml: more is another recipe.
const largestDose = 120

// Check reports a dose that nobody would put in.
func (d Dose) Check() error {
	if ml := d.Amount.Millilitres(); d.Amount.Unit.Facts().Dimension != measure.Volume || ml <= 0 ||
		ml > largestDose || d.Amount.UpTo.Sign() != 0 {
		return fmt.Errorf("a dose is a volume of at most half a cup, such as 1 tsp or 1 1/2 tbsp")
	}
	return nil
}

// Grams is what a dose weighs: of flour, as bread flour does.
func (d Dose) Grams() measure.Grams {
	id := larder.ID("water")
	if d.Of == FlourDose {
		id = "bread-flour"
	}
	i, _ := larder.Get(id)
	return i.GramsPerMl() * measure.Grams(d.Amount.Millilitres())
}

// Points is what a dose does to a dough's hydration, in points.
func (d Dose) Points(b Ball) float64 {
	if b.Flour <= 0 {
		return 0
	}
	if d.Of == Water {
		return 100 * float64(d.Grams()/b.Flour)
	}
	return b.Hydration*float64(b.Flour/(b.Flour+d.Grams())) - b.Hydration
}

// FirstLook is a school of when to look at the ball for the first time.
type FirstLook string

const (
	UsualLook FirstLook = ""      // 5 to 10 minutes into kneading
	EarlyLook FirstLook = "early" // after 2 or 3 minutes
	LateLook  FirstLook = "late"  // in the second knead, when all has been drunk
	NoLook    FirstLook = "never"
)

var FirstLooks = []FirstLook{UsualLook, EarlyLook, LateLook, NoLook}

func (l FirstLook) Words() []string { return vocab.List(FirstLooks) }
func (l *FirstLook) UnmarshalText(text []byte) error {
	return vocab.Read(l, text, "first look at the dough (leave it empty, or)", FirstLooks)
}

// Spoons are what doses are given by, in measures that the kitchen has. They go by the flour: 1 tsp of water is
// about 2 points of hydration in 250 g of it, 1 in 500 g.
type Spoons struct {
	Least     measure.Amount `json:"least"` // of water, after a dose that went the other way
	Water     measure.Amount `json:"water"`
	MuchWater measure.Amount `json:"muchWater"` // for a dough that is hard
	Flour     measure.Amount `json:"flour"`
}

// bold is from how much flour on liquid is given by the tablespoon, g: that of a loaf of 2 lb. Below small, that of one
// of 1 lb, doses are halved; from large on, that of 2 1/2 lb, flour is given by one and a half.
const (
	large = 560
	bold  = 435
	small = 310
)

// UsualSpoons are the doses for so much flour in a kitchen that has teaspoon and tablespoon. Where fibre drinks, as in
// a low-carb dough, less does not show.
func UsualSpoons(flour measure.Grams, fibrous bool) Spoons {
	tsp, tbsp := measure.Of(1, 1, measure.Tsp), measure.Of(1, 1, measure.Tbsp)
	switch half := measure.Of(1, 2, measure.Tsp); {
	case flour >= large:
		return Spoons{tsp, tbsp, tbsp, measure.Of(3, 2, measure.Tbsp)}
	case flour >= bold || fibrous:
		return Spoons{tsp, tbsp, tbsp, tbsp}
	case flour > 0 && flour < small:
		return Spoons{half, half, tsp, measure.Of(3, 2, measure.Tsp)}
	}
	return Spoons{tsp, tsp, measure.Of(2, 1, measure.Tsp), tbsp}
}

// mostFillings is how many fillings of one spoon a dose takes.
const mostFillings = 2

// With are the doses as some measures make them: each in one or two fillings of one measure, the nearest that there is.
func (s Spoons) With(measures []measure.Measure) Spoons {
	for _, dose := range []*measure.Amount{&s.Least, &s.Water, &s.MuchWater, &s.Flour} {
		*dose = nearest(*dose, measures)
	}
	return s
}

// nearest is what one or two fillings of one measure make that comes nearest to a dose, as a ratio.
func nearest(dose measure.Amount, measures []measure.Measure) measure.Amount {
	best, off := dose, math.Inf(1)
	for _, m := range measures {
		for n := int64(1); n <= mostFillings; n++ {
			a := measure.Amount{Quantity: m.Amount.Quantity.Times(measure.Whole(n)), Unit: m.Amount.Unit}
			if o := math.Abs(math.Log(float64(a.Millilitres() / dose.Millilitres()))); o < off-1e-9 {
				best, off = a, o
			}
		}
	}
	return best
}

// Ball is a dough in its kneading. Times are minutes.
type Ball struct {
	Batter    bool   // it makes no ball
	Poured    bool   // and it is thin by nature: a batter without yeast, a starter
	Slow      bool   // much whole grain or fibre, which drinks slowly
	Gives     bool   // a purée of grain, which gives its water off slowly
	Soft      bool   // by nature: a ball that smears a little is as it should be
	Resting   int    // minutes until the paddle turns again; 0: it turns
	Mend      string // the flour that it is mended with; empty: flour
	Spoons    Spoons // that doses are given by
	Flour     measure.Grams
	Hydration float64 // with the doses so far
	Into      int     // of kneading since it began; rests do not count
	Left      int     // of kneading until its last ends
	Doses     []Dose  // so far
	Since     int     // of kneading since the last of them
}

// Advice is what to do about a dough ball.
type Advice struct {
	Say    string     `json:"say"`
	Act    advice.Act `json:"act"`
	Add    *Dose      `json:"add,omitzero"`
	Points float64    `json:"points,omitzero"` // what that does to the hydration
	Again  int        `json:"again,omitzero"`  // minutes until to look again; 0: no more
}

// Minutes of the dough ball (docs/dough.md): a dough needs some until it is one, a dose some until it is worked
// in, and what goes in near the end stays a lump.
const (
	together  = 5  // until a dough has come together
	workedIn  = 2  // from dose to dose
	settling  = 3  // where the last dose went the other way
	drinking  = 9  // until whole grain, fibre or purée has drunk
	onceMore  = 10 // after which a good ball is looked at again
	mendUntil = 5  // before kneading ends
	tooMany   = 4  // doses one way: something was mismeasured
)

const (
	slackSays = "It is too wet: sprinkle %s of %s over the middle."
	stiffSays = "It is %s: %s of liquid, onto the ball."
)

// Advise is what to do about a dough ball that looks so.
func Advise(b Ball, seen Seen) Advice {
	a := b.advise(seen)
	a.Act = cmp.Or(a.Act, advice.Leave)
	return a
}

// doses are the acts of each stuff.
var doses = map[Stuff]advice.Act{Water: advice.Liquid, FlourDose: advice.Flour}

// batterDose is the liquid that loosens a batter that is too stiff to mix.
var batterDose = measure.Of(1, 1, measure.Tbsp)

func (b Ball) advise(seen Seen) Advice {
	slack := seen == Smears || seen == Pours
	strong := seen == Pours || seen == Knocks
	switch {
	case b.Poured && seen != Corners:
		return Advice{Say: "Leave it: it is thin by nature."}
	case b.Batter && seen == Knocks && b.Left >= mendUntil:
		d := Dose{Water, batterDose}
		return Advice{Say: fmt.Sprintf("It is too stiff to mix: scrape it towards the paddle, and add %s of liquid.",
			d.Amount.Spoken()), Act: advice.Liquid, Add: &d, Points: d.Points(b), Again: b.again(workedIn)}
	case b.Batter:
		return Advice{Say: "This is a batter and makes no ball. Scrape its sides down once, and no more.",
			Act: advice.Scrape}
	case b.Left <= 0:
		return Advice{Say: "Too late: kneading is over. Leave the lid shut, and note how the dough looked."}
	case seen == Corners:
		return Advice{Say: "Scrape the corners down with a plastic spatula, clear of the paddle.", Act: advice.Scrape,
			Again: b.again(workedIn)}
	case seen == Lumps:
		return Advice{Say: "Leave it: cold butter works in and softens it. Add no liquid yet.", Again: b.again(onceMore)}
	case seen == Smooth:
		if b.Left > onceMore+mendUntil {
			return Advice{Say: "Leave it: that is the ball you want. Look once more in ten minutes.", Again: onceMore}
		}
		return Advice{Say: "Leave it: that is the ball you want."}
	case b.Left < mendUntil:
		return Advice{Say: fmt.Sprintf("Too late to mend: in the %d minutes that are left nothing is worked in. "+
			"Leave it, and note how it looked.", b.Left)}
	case b.Into < together:
		return Advice{Say: "It is still coming together. Touch nothing yet.", Act: advice.Wait, Again: together - b.Into}
	case len(b.Doses) > 0 && b.Since < workedIn:
		return Advice{Say: "The last spoon is not worked in yet.", Act: advice.Wait, Again: workedIn - b.Since}
	case b.Resting > 0:
		return Advice{Say: fmt.Sprintf("The paddle rests: wait %d minutes until it kneads again, and look then.", b.Resting),
			Act: advice.Wait, Again: workedIn}
	case b.Soft && seen == Smears && !b.floured(): // one that poured is too wet even for its nature
		return Advice{Say: "Leave it: this dough is soft by nature, as long as the paddle turns it as one lump.",
			Again: b.again(onceMore)}
	case (b.Slow && slack || b.Gives) && len(b.Doses) == 0 && b.Into < drinking && b.Left-(drinking-b.Into) >= mendUntil:
		return Advice{Say: "It drinks slowly. Wait: it changes by itself.", Act: advice.Wait, Again: drinking - b.Into}
	}
	want := Water
	if slack {
		want = FlourDose
	}
	other := slices.ContainsFunc(b.Doses, func(d Dose) bool { return d.Of != want })
	if other && !strong {
		return Advice{Say: "Leave it: a spoon went the other way before, and adding more now would swing it back.",
			Again: b.again(settling)}
	}
	d := b.dose(want, strong, other)
	a := Advice{Act: doses[d.Of], Add: &d, Points: d.Points(b), Again: b.again(workedIn)}
	switch amount := d.Amount.Spoken(); {
	case slack:
		a.Say = fmt.Sprintf(slackSays, amount, cmp.Or(b.Mend, "flour"))
	case seen == Knocks:
		a.Say = fmt.Sprintf(stiffSays, "hard", amount)
	default:
		a.Say = fmt.Sprintf(stiffSays, "torn", amount)
	}
	if len(b.Doses) >= tooMany && !other {
		a.Say += " That is a lot: something was probably mis-measured."
	}
	return a
}

// AfterDose is in how many minutes to look again at a dough that got a dose so many minutes before its kneading
// ends; 0 where nothing could be mended then.
func AfterDose(left int) int { return Ball{Left: left}.again(workedIn) }

// floured reports whether it got flour already.
func (b Ball) floured() bool {
	return slices.ContainsFunc(b.Doses, func(d Dose) bool { return d.Of == FlourDose })
}

// again is in how many minutes to look again; 0 where nothing could be mended then.
func (b Ball) again(in int) int {
	if b.Left-in < mendUntil {
		return 0
	}
	return in
}

// dose is one spoonful: small steps, a bigger one where much is wrong, and the smallest where the last went the
// other way.
func (b Ball) dose(of Stuff, strong, small bool) Dose {
	s := b.Spoons
	if s == (Spoons{}) {
		s = UsualSpoons(b.Flour, false)
	}
	switch {
	case of == FlourDose:
		return Dose{of, s.Flour}
	case small:
		return Dose{of, s.Least}
	case strong:
		return Dose{of, s.MuchWater}
	}
	return Dose{of, s.Water}
}
