package dough

import (
	"fmt"
	"math"

	"risepan/core/vocab"
)

// Stands is how high a dough stands in its pan, as it is told at a look.
type Stands string

const (
	Third Stands = "a third of the pan"
	Half  Stands = "half the pan"
	Below Stands = "a finger below the rim"
	Level Stands = "at the rim"
	Above Stands = "a finger above the rim"
	Lid   Stands = "touches the lid"
)

// shares are the heights as shares of the pan, its rim being 1.
var shares = map[Stands]float64{Third: 0.33, Half: 0.5, Below: 0.88, Level: 1, Above: 1.12, Lid: 1.2}

// standing is the height that is nearest to a share of the pan.
func standing(share float64) Stands {
	best := Third
	for _, s := range AllStands {
		if math.Abs(shares[s]-share) < math.Abs(shares[best]-share) {
			best = s
		}
	}
	return best
}

// AllStands lists them, lowest first.
var AllStands = []Stands{Third, Half, Below, Level, Above, Lid}

func (s Stands) Words() []string { return vocab.List(AllStands) }
func (s *Stands) UnmarshalText(text []byte) error {
	return vocab.Read(s, text, "height in the pan", AllStands)
}

// high is its place from the lowest.
func (s Stands) high() int {
	for n, o := range AllStands {
		if o == s {
			return n
		}
	}
	return -1
}

// Spring is how much higher than it went in a loaf comes out of its baking.
const Spring = 1.12

// Doing is what the machine does when a height is looked at.
type Doing int

const (
	Kneads Doing = iota
	Rests
	Rises
	Bakes
)

// Earlier is how an earlier loaf of the same recipe stood in the same machine at about this minute, and its mark,
// 1 to 5; 0 where it has none.
type Earlier struct {
	Stands Stands `json:"stands"`
	Mark   int    `json:"mark,omitzero"`
}

// Rise is a look at how high a dough stands.
type Rise struct {
	Doing  Doing
	Last   bool // it is the last rise
	ToBake int  // minutes until the baking begins
	Stands Stands
	Before []Earlier // newest first
	// Low and High are how much of its pan the loaf was planned to fill when it is baked; 0 where nobody knows.
	Low, High float64
	BakeOnly  string // how the machine's cycle that only bakes is called; empty: it has none
}

// planned are the heights between which the dough was planned to stand as its baking begins.
func (r Rise) planned() (low, high Stands) {
	if r.High <= 0 {
		return Below, Level
	}
	return standing(r.Low / Spring), standing(r.High / Spring)
}

// Minutes of the last rise (docs/dough.md).
const (
	soon  = 10 // the baking begins
	early = 35 // to stand so high
)

// Marks of a loaf that came out well, and of one that did not.
const (
	well = 4
	poor = 2
)

// Judge says what to do about it. Earlier loaves are asked first: many a loaf that looked too high was not, and
// patting it down spoiled it.
func (r Rise) Judge() string {
	switch {
	case r.Doing == Bakes:
		return "It bakes: it springs for the first 5 to 10 minutes, and then it stays as it is. Keep the lid shut."
	case r.Doing == Kneads:
		return "It is still kneaded: its height says nothing yet."
	case r.Doing == Rests:
		return "It rests: its height says nothing yet."
	case !r.Last:
		return "Leave it: it is knocked back before its last rise, and begins again."
	}
	if say := r.beside(); say != "" {
		return say
	}
	low, high := r.planned()
	switch is := r.Stands.high(); {
	case r.Stands == Lid:
		return "It touches the lid. Prick it three or four times with a thin skewer, near the sides: it sinks a " +
			"little and goes on. Its top will be uneven. Do not pat it down."
	case r.Stands == Above && r.ToBake > soon:
		return fmt.Sprintf("It stands high, with %d minutes to go. Look again in ten minutes; if it comes near the "+
			"lid, prick it with a skewer, as a last resort.", r.ToBake)
	case r.Stands == Above:
		return "Leave it: the baking begins soon, and sets it. It still springs a little."
	case is > high.high() && r.ToBake > soon:
		return fmt.Sprintf("It stands higher than this loaf was planned to, with %d minutes to go: a warm kitchen, "+
			"or much yeast. There is room above it: look again in fifteen minutes.", r.ToBake)
	case is >= low.high() && r.ToBake > early:
		return fmt.Sprintf("It is early for it to stand so high, with %d minutes to go: a warm kitchen, or much "+
			"yeast. Look again in fifteen minutes.", r.ToBake)
	case is >= low.high() && r.ToBake <= soon:
		return "Leave it: it stands as it should, for this loaf in this pan. It springs a little more in the heat."
	case is >= low.high():
		return fmt.Sprintf("Leave it: it stands as it should, and there are %d minutes still.", r.ToBake)
	case r.ToBake > soon:
		return fmt.Sprintf("There is time: %d minutes to the baking. A cold kitchen is slow. Keep the lid shut, for "+
			"the warmth.", r.ToBake)
	}
	say := fmt.Sprintf("It is low: planned was %s. The machine goes by its clock. ", at(low))
	if r.BakeOnly == "" {
		return say + "Let it go on: it will be close, and good to eat."
	}
	return say + fmt.Sprintf("Where it lets you, stop it as the rise ends, leave the pan in until the dough stands "+
		"there, and then bake it with %s. Else let it go on: it will be close, and good to eat.", r.BakeOnly)
}

// beside holds it against the newest earlier loaf; empty where that tells nothing.
func (r Rise) beside() string {
	if len(r.Before) == 0 {
		return ""
	}
	was := r.Before[0]
	here, there := r.Stands.high(), was.Stands.high()
	switch {
	case was.Mark > 0 && was.Mark <= poor && here == there && here >= Level.high():
		say := "It stood like this on a loaf that came out poor."
		if r.Stands == Lid || r.Stands == Above {
			say += " Prick it with a skewer, near the sides, and take less yeast next time."
		}
		return say
	case was.Mark < well:
		return ""
	case here <= there && here >= Level.high():
		return fmt.Sprintf("Leave it: an earlier loaf stood as high at this minute (%s), and came out well.",
			was.Stands)
	case here == there && here < Below.high():
		return "Leave it: an earlier loaf stood as low at this minute, and came out well."
	case here > there && here >= Above.high():
		return fmt.Sprintf("It stands higher than an earlier loaf that came out well, which stood %s. Look again in "+
			"ten minutes; near the lid prick it with a skewer.", at(was.Stands))
	case here < there && here < Below.high():
		return fmt.Sprintf("It stands lower than an earlier loaf that came out well, which stood %s: a cold "+
			"kitchen, or older yeast. With %d minutes to go, wait; the machine goes by its clock.", at(was.Stands),
			r.ToBake)
	}
	return ""
}

// at is a height for a sentence.
func at(s Stands) string {
	if s == Lid {
		return "at the lid"
	}
	if s.high() < Below.high() {
		return "at " + string(s)
	}
	return string(s)
}
