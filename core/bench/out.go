package bench

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"risepan/core/kitchen"
	"risepan/core/measure"
	"risepan/core/pan"
	"risepan/core/plan"
	"risepan/core/scoop"
	"risepan/core/vocab"
)

// Exit is a way out of a slip.
type Exit string

const (
	Lift  Exit = "lift"  // what is too much comes out again
	ToFit Exit = "fit"   // the rest is measured around it
	ToBe  Exit = "grow"  // the loaf grows to it
	Again Exit = "again" // the pan is emptied
)

var Exits = []Exit{Lift, ToFit, ToBe, Again}

func (e Exit) Words() []string                  { return vocab.List(Exits) }
func (e *Exit) UnmarshalText(text []byte) error { return vocab.Read(e, text, "way out", Exits) }

// Out is a way out of a slip with what it would make of the dough.
type Out struct {
	Exit  Exit   `json:"exit"`
	Say   string `json:"say"`
	Worry string `json:"worry,omitzero"` // what the plan would then ask or warn of
	Bad   bool   `json:"bad,omitzero"`   // the plan would not let the bake start so
}

// Slipped is a slip before it is answered, with what each answer would make of the plan; a plan of nil: it
// cannot be answered so.
type Slipped struct {
	Before plan.Plan
	Stands Session
	Line   string
	Went   measure.Grams // in all
	Fit    *plan.Plan
	Grow   *plan.Plan
}

// Outs lists the ways out of a slip, the easiest first.
func Outs(k kitchen.Kitchen, s Slipped) []Out {
	var out []Out
	n := slices.IndexFunc(s.Before.Lines, func(l plan.Line) bool { return l.ID == s.Line })
	if n < 0 {
		return []Out{}
	}
	line := s.Before.Lines[n]
	wants := line.Measured.Grams
	if wants == 0 {
		wants = line.Exact
	}
	over := s.Went - wants
	if over > 0 && s.liftable() {
		i, _ := k.Ingredient(line.Ingredient)
		much := k.Weight(over, over < 20)
		if a, ok := scoop.NewSet(k.Measures, k.Standard).WithJug(k.Jug).Nearest(i, over); ok && !k.Scale {
			much = a.String()
		}
		out = append(out, Out{Exit: Lift, Say: fmt.Sprintf("It lies dry. Lift about %s off again with a spoon, and "+
			"go on as planned.", much)})
	}
	if s.Fit != nil {
		worry, bad := worries(*s.Fit)
		out = append(out, Out{ToFit, s.fits(k), worry, bad})
	}
	if s.Grow != nil && over > 0 {
		worry, bad := worries(*s.Grow)
		out = append(out, Out{ToBe, s.grows(k), worry, bad})
	}
	return append(out, Out{Exit: Again, Say: "Empty the pan, and measure everything again as planned."})
}

// liftable reports whether what went in lies dry and uncovered, so that some of it can be taken off again.
func (s Slipped) liftable() bool {
	layers := s.Before.Pan.Layers
	at := slices.IndexFunc(layers, func(l pan.Layer) bool { return slices.Contains(l.Lines, s.Line) })
	if at < 0 {
		// in its own bowl
		return slices.Contains(s.Before.Pan.Aside, s.Line) || slices.Contains(s.Before.Pan.Knead, s.Line)
	}
	here := layers[at]
	wet := func(l pan.Layer) bool { return l.Stuff == pan.Liquid || l.Stuff == pan.Fat }
	if wet(here) || here.Place == pan.Stirred || here.Place == pan.Mixed || at > 0 && wet(layers[at-1]) &&
		here.Stuff != pan.Flour {
		return false
	}
	in := func(id string) bool { return slices.Contains(s.Stands.Filled, id) }
	for _, above := range layers[at+1:] {
		if above.Place != pan.OwnBox && slices.ContainsFunc(above.Lines, in) {
			return false
		}
	}
	last := here.Lines[len(here.Lines)-1]
	return s.Line == last || !in(last)
}

// figures of a formula that a slip is told by.
var figures = []struct {
	name string
	of   func(plan.Formula) float64
}{
	{"water", func(f plan.Formula) float64 { return f.Hydration }},
	{"salt", func(f plan.Formula) float64 { return f.Salt }},
	{"yeast", func(f plan.Formula) float64 { return f.Yeast }},
	{"sugar", func(f plan.Formula) float64 { return f.Sugar }}, {"fat", func(f plan.Formula) float64 { return f.Fat }},
}

// worth is by how much a figure moves before it is told, as a share of itself.
const worth = 0.03

// fits says what is left to measure, and what the dough then holds.
func (s Slipped) fits(k kitchen.Kitchen) string {
	left := 0
	for _, l := range s.Before.Pan.Layers {
		for _, id := range l.Lines {
			if !slices.Contains(s.Stands.Filled, id) && id != s.Line {
				left++
			}
		}
	}
	say := "Fit the rest to it. "
	if left == 0 {
		say = "Leave as it is: everything is in already. "
	}
	var moved []string
	for _, f := range figures {
		if was, is := f.of(s.Before.Formula), f.of(s.Fit.Formula); math.Abs(is-was) > max(0.05, worth*was) {
			moved = append(moved, fmt.Sprintf("%s %s in place of %s", f.name, k.Decimal.Figure(is, 1),
				k.Decimal.Figure(was, 1)))
		}
	}
	if len(moved) == 0 {
		return say + "The dough stays as it is meant."
	}
	return say + vocab.Upper(strings.Join(moved, ", ")) + " per 100 of flour."
}

// grows says how much the rest grows, and how full the pan is then.
func (s Slipped) grows(k kitchen.Kitchen) string {
	by := 100 * (float64(s.Grow.Formula.Flour/s.Before.Formula.Flour) - 1)
	return fmt.Sprintf("Let the loaf grow to it: everything else by %.0f %%, %s of flour in all. It is likely to "+
		"fill %s.",
		by, k.Weight(s.Grow.Formula.Flour, false), s.Grow.Pan.Fill)
}

// worries is what a plan asks or warns of, of what a slip can bring about, and whether it forbids the bake.
func worries(p plan.Plan) (say string, bad bool) {
	var all []string
	for _, c := range p.Cautions {
		switch {
		case c.Level == plan.Ask && c.About == plan.Implausible:
			say, _, _ := strings.Cut(c.Say, " Is the ")
			all, bad = append(all, say), true
		case c.Level == plan.Care && (c.About == plan.Measures || c.About == plan.Overflow ||
			c.About == plan.NoSetting), c.About == plan.OutOfBand:
			all = append(all, c.Say)
		}
	}
	return strings.Join(all, " "), bad
}
