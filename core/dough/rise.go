package dough

import (
	"fmt"
	"math"

	"risepan/core/advice"
	"risepan/core/machine"
	"risepan/core/vocab"
)

// Stands is how high a dough stands in its pan, as it is told at a look.
type Stands string

const (
	Third      Stands = "a third of the pan"
	Half       Stands = "half the pan"
	TwoThirds  Stands = "two thirds of the pan"
	FourFifths Stands = "four fifths of the pan"
	Below      Stands = "a finger below the rim"
	Level      Stands = "at the rim"
	Above      Stands = "a finger above the rim"
	Lid        Stands = "touches the lid"
)

// shares are the heights as shares of the pan, its rim being 1.
var shares = map[Stands]float64{Third: 0.33, Half: 0.5, TwoThirds: 0.67, FourFifths: 0.8, Below: 0.9, Level: 1,
	Above: 1.12, Lid: 1.2}

// Standing is the height that is nearest to a share of the pan, its rim being 1.
func Standing(share float64) Stands {
	best := Third
	for _, s := range AllStands {
		if math.Abs(shares[s]-share) < math.Abs(shares[best]-share) {
			best = s
		}
	}
	return best
}

// AllStands lists them, lowest first.
var AllStands = []Stands{Third, Half, TwoThirds, FourFifths, Below, Level, Above, Lid}

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

// planned are the shares of the pan between which the dough was planned to stand as its baking begins.
func (r Rise) planned() (low, high float64) {
	if r.High <= 0 {
		return shares[Below], shares[Level]
	}
	return r.Low / Spring, r.High / Spring
}

// IsLow reports whether it stands lower than it was planned to as its baking begins.
func (r Rise) IsLow() bool {
	low, _ := r.planned()
	return shares[r.Stands] < low-as
}

// Minutes of the last rise (docs/dough.md).
const (
	soon     = 10 // the baking begins
	lastHour = 60 // in each minute of which a dough gains about a hundredth of its height
)

// as is by how much of the pan a height that is told in words may be off.
const as = 0.06

// Marks of a loaf that came out well, and of one that did not.
const (
	well = 4
	poor = 2
)

// Judge says what to do about it. Earlier loaves are asked first: many a loaf that looked too high was not, and
// patting it down spoiled it.
func (r Rise) Judge() advice.Advice {
	leave := func(say, why string) advice.Advice { return advice.To(advice.Leave, say).For(why) }
	switch {
	case r.Doing == Bakes:
		return leave("Leave it, and keep the lid shut.", "It springs for the first 5 to 10 minutes of its baking.")
	case r.Doing == Kneads:
		return leave("Leave it: its height says nothing yet.", "It is still kneaded.")
	case r.Doing == Rests:
		return leave("Leave it: its height says nothing yet.", "It rests.")
	case !r.Last:
		return leave("Leave it: it is knocked back before its last rise, and begins again.", "Only its last height counts.")
	}
	if a, ok := r.beside(); ok {
		return a
	}
	low, high := r.planned()
	is, due := shares[r.Stands], 1-float64(min(r.ToBake, lastHour))/100
	switch {
	case r.Stands == Lid:
		return r.full()
	case r.Stands.high() >= Level.high() && r.ToBake > soon:
		return advice.To(advice.Look, fmt.Sprintf("It stands high, with %d minutes to go. Look again in ten minutes.",
			r.ToBake)).Then(advice.Prick, "If it comes within a finger of the lid prick it three or four times with a "+
			"skewer, as a last resort.").Not("Do not pat it down.").For("A warm kitchen, or much yeast.")
	case is > high*due+as && r.ToBake > soon:
		return r.early(high)
	case is >= low*due-as:
		return leave("Leave it: it stands as it should, for this loaf in this pan.", "It springs a little more in the heat.").
			Not("Do not prick it, and do not pat it down.")
	case r.ToBake > soon:
		return r.slow(low)
	}
	return r.low(low)
}

// full answers a dough that has risen as far as it can.
func (r Rise) full() advice.Advice {
	a := advice.To(advice.Open, "Open the lid and loosen the dough from it with an oiled spatula.").
		Then(advice.Prick, "Prick it three or four times with a thin skewer, near the sides.")
	if r.BakeOnly == "" {
		return a.Not("Do not pat it down.").For("It sinks a little and goes on; its top will be uneven.")
	}
	return a.Then(advice.Stop, "Press Stop.").Then(advice.BakeOn, "Bake it with "+r.BakeOnly+".").
		Not("Do not pat it down, and do not press the lid shut.").For("It has risen as far as it can.")
}

// early answers a dough that stands high too soon.
func (r Rise) early(high float64) advice.Advice {
	a := advice.To(advice.Look, fmt.Sprintf("It is early for it to stand so high, with %d minutes to go: it is "+
		"higher than planned by now. Look again in ten minutes.", r.ToBake))
	if r.BakeOnly != "" {
		a = a.Then(advice.EndRise, fmt.Sprintf("When it stands %s press Stop.", at(Standing(high)))).
			Then(advice.BakeOn, "Bake it with "+r.BakeOnly+".").Moving(machine.Minutes(-r.ToBake), 0)
	}
	return a.Not("Do not pat it down.").For("A warm kitchen, or much yeast.")
}

// slow answers a dough that is low while there is time.
func (r Rise) slow(low float64) advice.Advice {
	a := advice.To(advice.Look, fmt.Sprintf("There is time. Keep the lid shut for the warmth, and look again two minutes "+
		"before the baking: in %d minutes.", r.ToBake-2))
	if r.BakeOnly != "" {
		a = a.Then(advice.Stop, fmt.Sprintf("If it is far below its planned height, %s, press Stop then.",
			at(Standing(low)))).
			Then(advice.Wait, "Let it rise on in the pan for 20 to 45 minutes.").
			Then(advice.BakeOn, "Bake it with "+r.BakeOnly+".").Moving(0, 45)
	}
	return a.For("A cold kitchen is slow.")
}

// low answers a dough that is low as its baking begins.
func (r Rise) low(low float64) advice.Advice {
	say := fmt.Sprintf("It is low: planned was %s. ", at(Standing(low)))
	if r.BakeOnly == "" {
		return advice.To(advice.Leave, say+"Let it go on: it will be close, and good to eat.").
			For("The machine goes by its clock.")
	}
	return advice.To(advice.Stop, say+"Press Stop as the rise ends.").
		Then(advice.Wait, "Leave the pan in with the lid shut for 15 to 40 minutes, until it stands there or rises no more.").
		Then(advice.BakeOn, "Bake it with "+r.BakeOnly+".").Not("Do not start the cycle again.").Moving(15, 40).
		For("The machine goes by its clock. Left to go on it will be close, and good to eat.")
}

// beside holds it against the newest earlier loaf; false where that tells nothing.
func (r Rise) beside() (advice.Advice, bool) {
	if len(r.Before) == 0 {
		return advice.Advice{}, false
	}
	was := r.Before[0]
	here, there := r.Stands.high(), was.Stands.high()
	switch {
	case was.Mark > 0 && was.Mark <= poor && here == there && here >= Level.high():
		a := advice.To(advice.Look, "It stood like this on a loaf that came out poor: look again in five minutes.")
		if r.Stands == Lid || r.Stands == Above {
			a = a.Then(advice.Prick, "Prick it with a skewer, near the sides, and take less yeast next time.")
		}
		return a.Not("Do not pat it down."), true
	case was.Mark < well:
		return advice.Advice{}, false
	case here <= there && here >= Level.high():
		return advice.To(advice.Leave, fmt.Sprintf("Leave it: an earlier loaf stood as high at this minute (%s), and came "+
			"out well.", was.Stands)), true
	case here == there && here < Below.high():
		return advice.To(advice.Leave, "Leave it: an earlier loaf stood as low at this minute, and came out well."), true
	case here > there && here >= Above.high():
		return advice.To(advice.Look, fmt.Sprintf("It stands higher than an earlier loaf that came out well, which stood "+
			"%s. Look again in ten minutes.", at(was.Stands))).
			Then(advice.Prick, "Near the lid prick it with a skewer."), true
	case here < there && here < Below.high():
		a := r.low(shares[was.Stands])
		if r.ToBake > soon {
			a = r.slow(shares[was.Stands])
		}
		a.Why = fmt.Sprintf("It stands lower than an earlier loaf that came out well, which stood %s at this minute: a "+
			"cold kitchen, or older yeast.", at(was.Stands))
		return a, true
	}
	return advice.Advice{}, false
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
