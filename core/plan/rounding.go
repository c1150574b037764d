package plan

import (
	"fmt"
	"math"
	"slices"

	"risepan/core/fault"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/pan"
	"risepan/core/recipe"
	"risepan/core/scale"
	"risepan/core/scoop"
)

// Lock holds one line at an amount that the baker wants; the rest is measured around it.
type Lock struct {
	Line   string         `json:"line"`
	Amount measure.Amount `json:"amount"`
}

// Rounding is how the exact amounts became measurable ones.
type Rounding struct {
	Choices []RoundingChoice `json:"choices"` // from fewest scoops to closest
	Chosen  int              `json:"chosen"`
	First   int              `json:"first"` // where the plan begins: as written, or fewest scoops
	Shift   RoundingShift    `json:"shift"`
	Alone   RoundingShift    `json:"alone"` // what rounding each line alone would have done
}

// RoundingChoice is one way to measure, on the exact trade-off.
type RoundingChoice struct {
	Scoops int     `json:"scoops"`
	D      float64 `json:"d"` // sum of squared deviations in units of their tolerances
}

// RoundingShift is how far measuring moves the dough.
type RoundingShift struct {
	Scoops int     `json:"scoops"`
	Flour  float64 `json:"flour"` // per cent
	Water  float64 `json:"water"` // points of hydration
	Yeast  float64 `json:"yeast"` // per cent of the yeast, beside the flour
}

// measure turns every line into what to pick up.
func (p *Plan) measure(k kitchen.Kitchen, w Wish, lines []scale.Line) error {
	in, err := w.scoopLines(k, lines)
	if err != nil {
		return err
	}
	set := scoop.NewSet(slices.DeleteFunc(slices.Clone(k.Measures), func(m measure.Measure) bool {
		return slices.Contains(w.NotToHand, m.String())
	}), k.Standard)
	var dough []scoop.Line // its lines are measured together; a glaze or filling on its own
	var place []int        // of each in the recipe
	for n, l := range lines {
		if l.Line.Part == recipe.InDough {
			dough, place = append(dough, in[n]), append(place, n)
		} else if a, ok := set.Nearest(in[n].Ingredient, in[n].Exact); ok && !in[n].Fixed {
			p.Lines[n].Measured = a
		}
		p.Lines[n].Fixed = in[n].Fixed
	}
	front := set.Joint(dough)
	p.Rounding = rounding(front, w)
	chosen := front[p.Rounding.Chosen]
	grams := make([]float64, len(dough))
	for m, a := range chosen.Amounts {
		grams[m] = float64(a.Grams)
		p.Lines[place[m]].Measured = a
	}
	p.Rounding.Shift = shift(dough, grams, chosen.Scoops)
	alone := set.Alone(dough)
	for m, a := range alone.Amounts {
		grams[m] = float64(a.Grams)
	}
	p.Rounding.Alone = shift(dough, grams, alone.Scoops)
	for _, m := range chosen.Misses {
		if m.Line >= 0 {
			p.Lines[place[m.Line]].Miss = fmt.Sprintf("%.0f %% %s: the closest that your measures make", math.Abs(100*m.Deviation), moreOrLess(m.Deviation))
		}
	}
	p.warnOfMisses(w, lines, chosen)
	return nil
}

func moreOrLess(off float64) string {
	if off < 0 {
		return "less"
	}
	return "more"
}

// scoopLines says which lines are measured and which are fixed: eggs, locked lines, and what this
// kitchen weighs.
func (w Wish) scoopLines(k kitchen.Kitchen, lines []scale.Line) ([]scoop.Line, error) {
	for n, lock := range w.Locks {
		if !slices.ContainsFunc(lines, func(l scale.Line) bool { return l.Line.ID == lock.Line }) {
			return nil, fault.At(fmt.Sprintf("/locks/%d/line", n), "the recipe has no line %q", lock.Line)
		}
	}
	out := make([]scoop.Line, len(lines))
	for n, l := range lines {
		s := scoop.Line{Ingredient: l.Ingredient, Exact: l.Grams, Prefer: k.Preferred(l.Ingredient.ID)}
		if l.Pieces > 0 || k.Scale || slices.Contains(w.Weigh, l.Line.ID) {
			s.Fixed, s.Actual = true, l.Grams
		}
		for m, lock := range w.Locks {
			if lock.Line != l.Line.ID {
				continue
			}
			g, err := l.Ingredient.Weigh(lock.Amount)
			if err != nil {
				return nil, fault.At(fmt.Sprintf("/locks/%d/amount", m), "%v", err)
			}
			if g <= 0 || g > 10*l.Grams {
				return nil, fault.At(fmt.Sprintf("/locks/%d/amount", m), "%s of %s is not near the %.0f g that this loaf wants", lock.Amount, l.Ingredient.Name, float64(l.Grams))
			}
			s.Fixed, s.Actual = true, g
		}
		out[n] = s
	}
	return out, nil
}

// rounding begins at the recipe as written where the measures make it, else at the fewest scoops;
// the baker's steps go on from there.
func rounding(front []scoop.Solution, w Wish) Rounding {
	var r Rounding
	for n, s := range front {
		r.Choices = append(r.Choices, RoundingChoice{s.Scoops, round(s.D, 4)})
		if s.D < 1e-9 && w.Size == w.Recipe.Size {
			r.First = n
		}
	}
	r.Chosen = min(max(r.First+w.Closer, 0), len(front)-1)
	return r
}

func shift(lines []scoop.Line, grams []float64, scoops int) RoundingShift {
	flour, water := scoop.Shift(lines, grams)
	var exact, yeast float64
	for n, l := range lines {
		if l.Ingredient.Kind == larder.Yeast {
			exact += float64(l.Exact)
			yeast += grams[n]
		}
	}
	s := RoundingShift{Scoops: scoops, Flour: round(100*flour, 1), Water: round(water, 1)}
	if exact > 0 {
		s.Yeast = round(100*(yeast/exact/(1+flour)-1), 1)
	}
	return s
}

// warnOfMisses says what could not be kept; a locked line that spoils the dough tells how big a loaf
// it is enough for.
func (p *Plan) warnOfMisses(w Wish, lines []scale.Line, s scoop.Solution) {
	for _, m := range s.Misses {
		switch {
		case m.Line == scoop.AllFlour:
			p.warn(Care, Measures, nil, "Your measures do not make this flour: %.0f %% %s goes in, and the rest follows it.", math.Abs(100*m.Deviation), moreOrLess(m.Deviation))
		case m.Line == scoop.Hydration:
			wetter := "wetter"
			if m.Deviation < 0 {
				wetter = "drier"
			}
			p.warn(Care, Measures, nil, "The dough is %.1f points %s than the recipe's.%s", math.Abs(m.Deviation), wetter, w.enoughFor(lines))
		}
	}
}

// enoughFor says for how big a loaf the scarcest locked line is enough.
func (w Wish) enoughFor(lines []scale.Line) string {
	least, name := 1.0, ""
	for _, lock := range w.Locks {
		for _, l := range lines {
			if l.Line.ID != lock.Line {
				continue
			}
			if g, err := l.Ingredient.Weigh(lock.Amount); err == nil && float64(g/l.Grams) < least {
				least, name = float64(g/l.Grams), l.Ingredient.Name
			}
		}
	}
	if name == "" {
		return ""
	}
	return fmt.Sprintf(" This much %s is enough for %.0f %% of this loaf: scale the loaf to it.", name, math.Floor(100*least))
}

// running adds up what a scale under the pan shows, line after line in loading order. Each line is
// added as it is read off, so that the sums are those on the display.
func (p *Plan) running(k kitchen.Kitchen) {
	sum := measure.Grams(0)
	for _, layer := range p.Pan.Layers {
		if layer.Place == pan.OwnBox {
			continue // it is not in the pan
		}
		for _, id := range layer.Lines {
			for n := range p.Lines {
				if l := &p.Lines[n]; l.ID == id {
					i, _ := k.Ingredient(l.Ingredient)
					sum += k.Weights.Read(l.Exact, finely(i))
					l.Running = k.Weights.Text(sum, false)
				}
			}
		}
	}
}

// finely tells what is weighed to a tenth of a gram: yeast and salt.
func finely(i larder.Ingredient) bool { return i.Kind == larder.Yeast || i.Kind == larder.Salt }

// Have is an amount of one ingredient that the baker has: the whole loaf follows it.
type Have struct {
	Line   string         `json:"line"`
	Amount measure.Amount `json:"amount"`
}

// The smallest and largest factor to which a loaf can follow what there is.
const (
	leastFactor = 0.3
	mostFactor  = 2.5
)

// factor is how the recipe is scaled: to the size, or to what the baker has.
func (w Wish) factor(written []recipe.Weighed) (measure.Ratio, error) {
	if w.Have == nil {
		return w.Size.Over(w.Recipe.Size), nil
	}
	for _, l := range written {
		if l.Line.ID != w.Have.Line {
			continue
		}
		g, err := l.Ingredient.Weigh(w.Have.Amount)
		if err != nil {
			return measure.Ratio{}, fault.At("/have/amount", "%v", err)
		}
		if f := float64(g / l.Grams); !(f >= leastFactor && f <= mostFactor) {
			return measure.Ratio{}, fault.At("/have/amount", "%s of %s makes %.2f times the recipe: want %.1f to %.1f times",
				w.Have.Amount, l.Ingredient.Name, f, leastFactor, mostFactor)
		}
		if a, b := w.Have.Amount, l.Line.Amount; a.Unit == b.Unit {
			return a.Middle().Over(b.Middle()), nil
		}
		return measure.NewRatio(int64(math.Round(float64(g)*100)), int64(math.Round(float64(l.Grams)*100))), nil
	}
	return measure.Ratio{}, fault.At("/have/line", "the recipe has no line %q", w.Have.Line)
}

// settingFor is the size to set on the machine: the wished one, or for a loaf that follows what
// there is the smallest that holds it.
func (w Wish) settingFor(factor measure.Ratio) measure.LoafSize {
	if w.Have == nil {
		return w.Size
	}
	pounds := factor.Times(w.Recipe.Size.Pounds())
	best := w.Machine.Sizes[0]
	for _, s := range w.Machine.Sizes {
		fits, bestFits := s.Pounds().Cmp(pounds) >= 0, best.Pounds().Cmp(pounds) >= 0
		if fits && (!bestFits || s.Pounds().Cmp(best.Pounds()) < 0) || !fits && !bestFits && s.Pounds().Cmp(best.Pounds()) > 0 {
			best = s
		}
	}
	return best
}

// questionSize says when a loaf has no matching setting, and when a recipe's flour contradicts the
// size that it is called.
func (p *Plan) questionSize(w Wish, factor measure.Ratio, flour measure.Grams) {
	pounds := factor.Times(w.Recipe.Size.Pounds()).Float()
	switch set := w.Size.Pounds().Float(); {
	case w.Have == nil:
	case pounds > set*1.05:
		p.warn(Care, NoSetting, nil, "This makes a loaf of about %.1f lb, more than %s bakes. Take less, or watch for an overflow.", pounds, w.Machine.Name)
	case pounds < set*0.9:
		p.warn(Care, NoSetting, nil, "This makes a loaf of about %.1f lb and there is no setting for it. Set %s and a lighter crust, and look early.", pounds, w.Size)
	}
	if likely, ask := scale.Questions(w.Recipe.Size, flour); ask && w.Recipe.Kind != recipe.QuickBread {
		p.warn(Note, NoSetting, nil, "The recipe is called %s but has flour for %s. Check which is right.", w.Recipe.Size, likely)
	}
}
