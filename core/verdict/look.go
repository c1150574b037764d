package verdict

import (
	"math"
	"slices"

	"risepan/core/kind"
)

// look is one thing to look at, measure or note at the next loaf, and what it can show.
type look struct {
	name  string
	can   func(has) bool
	shows []Fact
	say   func(has) string
}

// saying is the same sentence for every loaf.
func saying(text string) func(has) string { return func(has) string { return text } }

// looks are those that a baker can take, where they tell alike the easier one first.
var looks = []look{
	{"dough ball", has.ball, []Fact{BallWet, BallDry, BallGood},
		saying("Look at the dough ball some minutes into the kneading: is it slack, smooth or stiff?")},
	{"height before baking", has.rises, []Fact{RoseHigh, RoseLow},
		saying("Note how high it stands as the baking begins.")},
	{"core", has.measured, []Fact{CoreLow, CoreDone, CoreHigh}, saying("Measure its middle as it ends.")},
	{"flour weight", has.cupped, []Fact{HeavyLoaf, WeightAsMeant},
		saying("Weigh a cup of your flour, filled as you fill it.")},
	{"yeast date", has.bakersYeast, []Fact{OldYeast, FreshYeast},
		saying("Look at the yeast's date, or test it: it should froth within ten minutes.")},
	{"temperature", has.yeast, []Fact{HotKitchen, ColdKitchen, RoomMild},
		saying("Note how warm the kitchen and the liquid are.")},
	{"leavening test", has.powder, []Fact{OldLeaven},
		saying("Put a little of the baking powder in hot water: it should froth at once.")},
	{"fruit weight", has.jam, []Fact{MuchCrushed, SetsPoorly}, saying("Weigh the crushed fruit before it goes in.")},
	{"temperature", has.yoghurt, []Fact{ToldScalded, ColdKitchen},
		saying("Measure how warm the milk is as the culture goes in.")},
	{"when cut", has.cut, []Fact{CutEarly, CutCold}, saying("Note when it was cut.")},
}

func (h has) measured() bool { return h.baked() && kind.Of(h.Plan.Kind).Ending.Core.High > 0 }

// cupped reports whether its flour was measured by a cup whose weight is not known.
func (h has) cupped() bool { return slices.Contains(h.Evidence(), UnsureCup) }

// usually is how often a look shows a thing where nothing makes it likelier.
const usually = 0.15

// lookFor is the look that tells most of some causes, by their shares: which is expected to leave the least doubt. Nil
// where none tells more than is known.
func (h has) lookFor(all []Weighed, known []Fact) *look {
	var best *look
	most := 0.01 // bits: less is not worth a baker's while
	for n := range looks {
		l := &looks[n]
		if !l.can(h) || slices.ContainsFunc(l.shows, func(f Fact) bool { return slices.Contains(known, f) }) {
			continue
		}
		if bits := l.tells(all); bits > most+1e-9 {
			best, most = l, bits
		}
	}
	return best
}

// tells is how many bits of doubt between some causes a look is expected to take away.
func (l look) tells(all []Weighed) (bits float64) {
	total := 0.0
	for _, w := range all {
		total += w.Share
	}
	outcomes := make([]float64, len(l.shows)+1) // each thing that it shows, and none of them
	under := make([][]float64, len(all))
	for n, w := range all {
		under[n] = l.under(causes[w.Cause])
		for k, p := range under[n] {
			outcomes[k] += p * w.Share / total
		}
	}
	for n, w := range all {
		for k, p := range under[n] {
			if p > 0 {
				bits += w.Share / total * p * math.Log2(p/outcomes[k])
			}
		}
	}
	return bits
}

// under is how likely each thing that a look shows is under a cause; the last is that it shows none of them.
func (l look) under(r row) []float64 {
	out, sum := make([]float64, len(l.shows)+1), 0.0
	for k, f := range l.shows {
		ratio, said := r.facts[f]
		if !said {
			ratio = 1
		}
		out[k] = usually * ratio
		sum += out[k]
	}
	const most = 0.9
	if sum > most {
		for k := range out {
			out[k] *= most / sum
		}
		sum = most
	}
	out[len(l.shows)] = 1 - sum
	return out
}
