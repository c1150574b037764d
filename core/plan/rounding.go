package plan

import (
	"fmt"
	"math"
	"slices"
	"sync"

	"risepan/core/fault"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/recipe"
	"risepan/core/scale"
	"risepan/core/scoop"
)

// Rounding is how the exact amounts became measurable ones.
type Rounding struct {
	Choices []RoundingChoice `json:"choices"` // from least handling to closest
	Chosen  int              `json:"chosen"`
	First   int              `json:"first"` // where the plan begins: as written, or least handling
	Shift   RoundingShift    `json:"shift"`
	Alone   RoundingShift    `json:"alone"` // what rounding each line alone would have done
	// a swap, a lock or a missing measure left all other lines as they were
	Steady bool `json:"steady,omitzero"`
	// so many lines and measures that the search was broken off at the best found
	Unproven bool `json:"unproven,omitzero"`
}

// RoundingChoice is one way to measure, on the exact trade-off.
type RoundingChoice struct {
	Handling float64 `json:"handling"` // scoops, with a half for each further kind of measure that a line takes
	D        float64 `json:"d"`        // sum of squared deviations in units of their tolerances
}

// RoundingShift is how far measuring moves the dough.
type RoundingShift struct {
	Scoops   int     `json:"scoops"`
	Handling float64 `json:"handling"`
	Flour    float64 `json:"flour"` // per cent
	Water    float64 `json:"water"` // points of hydration
	Yeast    float64 `json:"yeast"` // per cent of the yeast, beside the flour
}

// rounded is what to pick up for every line, and how it came about.
type rounded struct {
	rounding Rounding
	amounts  []scoop.Amount // of each line
	miss     []string       // of each line: how far its closest amount is off, where it is too far
	misses   []scoop.Miss   // of the dough as a whole
}

// round turns every line into what to pick up. The dough's lines are measured together; a glaze or
// filling, and what has no flour that they could be held against, each on its own.
func round(p Place, w Wish, d Dough, in []scoop.Item) rounded {
	measures := p.Kitchen.Measures
	if len(w.NotToHand) > 0 {
		measures = slices.DeleteFunc(slices.Clone(measures),
			func(m measure.Measure) bool { return slices.Contains(w.NotToHand, m.String()) })
	}
	jug := p.Kitchen.Jug
	if slices.Contains(w.NotToHand, kitchen.TheJug) {
		jug = measure.Jug{}
	}
	set := scoop.NewSet(measures, p.Kitchen.Standard).WithJug(jug)
	out := rounded{amounts: make([]scoop.Amount, len(in)), miss: make([]string, len(in))}
	set.Stop = p.Stop
	written := d.factor == measure.Whole(1)
	dough := make([]scoop.Item, 0, len(in))
	place := make([]int, 0, len(in)) // of each in the recipe
	for n, l := range d.lines {
		if l.Line.Part == recipe.InDough && d.Formula.Flour > 0 {
			dough, place = append(dough, in[n]), append(place, n)
		} else if a, ok := set.Handy(in[n], written, scoop.Handily); ok && !in[n].Fixed {
			out.amounts[n] = a
		}
	}
	ask := asked{
		set: set, dough: dough, measures: measures, jug: jug,
		standard: p.Kitchen.Standard, written: written, closer: w.Closer,
	}
	j := ask.jointly()
	if first, ok := steady(p, w, set, dough, place, d, j.misses); ok {
		ask.first = &first
		j = ask.solve()
		j.rounding.Steady = j.rounding.Chosen == j.rounding.First
	}
	out.rounding = j.rounding
	chosen := j.chosen
	for m, a := range chosen.Amounts {
		out.amounts[place[m]] = a
	}
	for _, m := range chosen.Misses {
		if m.Line < 0 {
			out.misses = append(out.misses, m)
			continue
		}
		out.miss[place[m.Line]] = fmt.Sprintf("%.0f %% %s: the closest that your measures make",
			math.Abs(100*m.Deviation), moreOrLess(m.Deviation))
	}
	return out
}

// steady measures only what a change touches: a swap's lines, a locked one, what was to be picked up with a
// measure that is missing. The others stay as they are without the change; ok is false where nothing was
// changed, and where more would then miss its tolerance than has to.
func steady(p Place, w Wish, set *scoop.Set, dough []scoop.Item, place []int, d Dough, misses int) (scoop.Solution,
	bool) {
	if len(w.Locks) == 0 && len(w.NotToHand) == 0 && len(w.Swaps) == 0 || p.Kitchen.Scale || w.Have != nil {
		return scoop.Solution{}, false
	}
	before := w
	before.Locks, before.NotToHand, before.Swaps, before.Closer = nil, nil, nil, 0
	was, err := MakeDough(p, before)
	if err != nil {
		return scoop.Solution{}, false
	}
	lines, err := scoopLines(p.Kitchen, before.Handling, was.lines)
	if err != nil {
		return scoop.Solution{}, false
	}
	old := round(p, before, was, lines)
	kept := map[int]scoop.Amount{}
	for n, l := range dough {
		at := slices.IndexFunc(was.lines, func(o scale.Scaled) bool { return o.Line.ID == d.lines[place[n]].Line.ID })
		if at < 0 || l.Fixed || lines[at].Fixed || lines[at].Ingredient.ID != l.Ingredient.ID ||
			math.Abs(float64(lines[at].Exact/l.Exact)-1) > 1e-9 {
			continue
		}
		if a := old.amounts[at]; len(a.Scoops) > 0 && !slices.ContainsFunc(a.Scoops,
			func(s scoop.Scoops) bool { return w.missing(s) }) {
			kept[n] = a
		}
	}
	front, ok := set.Holding(dough, kept, misses)
	if !ok {
		return scoop.Solution{}, false
	}
	out := front.At(0)
	for n, a := range kept { // in the very scoops that they were in
		out.Amounts[n] = a
	}
	return out, true
}

// missing reports whether a scoop is by a measure that is not to hand.
func (h Handling) missing(s scoop.Scoops) bool {
	name := s.Measure.String()
	if s.Jug {
		name = kitchen.TheJug
	}
	return slices.Contains(h.NotToHand, name)
}

// joint is how a dough's lines are measured together: a value that nobody changes.
type joint struct {
	rounding Rounding
	chosen   scoop.Solution
	misses   int // at the least, of the tolerances
}

// asked is a dough to be measured with a kitchen's measures.
type asked struct {
	set      *scoop.Set
	dough    []scoop.Item
	measures []measure.Measure
	jug      measure.Jug
	standard measure.Standard
	written  bool            // at the recipe's own size
	closer   int             // steps from where the rounding begins
	first    *scoop.Solution // where it begins, in place of what the recipe has; nil: as the recipe has it
}

// solved remembers what was worked out, for a plan is made anew each half minute and at each change of the
// clock, and its amounts stay.
var solved struct {
	sync.Mutex
	joint map[string]joint
}

const mostSolved = 512

// jointly measures a dough's lines together, or remembers how they are.
func (a asked) jointly() joint {
	key := scoop.Key(a.dough, a.measures, a.jug, a.standard) + fmt.Sprint(a.written, a.closer)
	solved.Lock()
	j, ok := solved.joint[key]
	solved.Unlock()
	if ok {
		return j
	}
	if j = a.solve(); !j.rounding.Unproven {
		solved.Lock()
		defer solved.Unlock()
		if solved.joint == nil || len(solved.joint) >= mostSolved {
			solved.joint = map[string]joint{}
		}
		solved.joint[key] = j
	}
	return j
}

// solve measures a dough's lines together. The choices are the exact trade-off; where the rounding begins (as the
// recipe is written, with clean amounts left alone, or with what no change touches left as it was) stands among them,
// in the order of closeness, though another may beat it.
func (a asked) solve() joint {
	front := a.set.Joint(a.dough)
	first := a.begins(front)
	at := 0
	for at < len(front.Points) && front.Points[at].D > first.D+1e-9 {
		at++
	}
	points, beside := slices.Clone(front.Points), 0 // how many choices there are beside the front
	if at == len(points) || math.Abs(points[at].D-first.D) > 1e-9 || points[at].Handling != first.Handling {
		points, beside = slices.Insert(points, at, scoop.Point{Handling: first.Handling, D: first.D}), 1
	}
	r := Rounding{First: at, Chosen: min(max(at+a.closer, 0), len(points)-1), Unproven: !front.Proven}
	for _, p := range points {
		r.Choices = append(r.Choices, RoundingChoice{p.Handling, toDecimals(p.D, 4)})
	}
	j := joint{rounding: r, misses: len(front.At(0).Misses)}
	switch {
	case r.Chosen == at:
		j.chosen = first
	case r.Chosen > at:
		j.chosen = front.At(r.Chosen - beside)
	default:
		j.chosen = front.At(r.Chosen)
	}
	j.rounding.Shift = shift(a.dough, j.chosen)
	j.rounding.Alone = shift(a.dough, a.set.Alone(a.dough))
	return j
}

// begins is the solution at which the rounding begins.
func (a asked) begins(front scoop.Front) scoop.Solution {
	switch {
	case a.first != nil:
		return *a.first
	case !front.Proven:
		return front.At(0)
	case a.written:
		return a.set.AsWritten(a.dough).At(0)
	}
	return a.set.Clean(a.dough).At(0)
}

// closely is how near an amount that is told by cups and spoons lies to its weight, as a share.
const closely = 0.05

// ByMeasures is the amount nearest to a weight of an ingredient that a kitchen's cups and spoons make, as one
// amount; ok is false where none suits it.
func ByMeasures(k kitchen.Kitchen, i *larder.Ingredient, g measure.Grams) (a measure.Amount, ok bool) {
	scoops, ok := scoop.NewSet(k.Measures, k.Standard).Handy(scoop.Item{Ingredient: i, Exact: g}, false, closely)
	if !ok {
		return a, false
	}
	return scoops.Sum()
}

func moreOrLess(off float64) string {
	if off < 0 {
		return "less"
	}
	return "more"
}

// scoopLines says which lines are measured and which are fixed: eggs, locked lines, and what this
// kitchen weighs.
func scoopLines(k kitchen.Kitchen, h Handling, lines []scale.Scaled) ([]scoop.Item, error) {
	for n, lock := range h.Locks {
		if !slices.ContainsFunc(lines, func(l scale.Scaled) bool { return l.Line.ID == lock.Line }) {
			return nil, fault.At(fmt.Sprintf("/hands/locks/%d/line", n), "the recipe has no line %q", lock.Line)
		}
	}
	out := make([]scoop.Item, len(lines))
	for n, l := range lines {
		s := scoop.Item{Ingredient: l.Ingredient, Exact: l.Grams, Prefer: k.Preferred(l.Ingredient.ID)}
		_, whole := l.Whole()
		// meat has its weight on its packet
		bought := l.Ingredient.Raw && l.Line.Amount.Unit.Facts().Dimension == measure.Weight
		if whole || bought || k.Scale || l.Ingredient.Packet || slices.Contains(h.Weigh, l.Line.ID) {
			s.Fixed, s.Actual = true, l.Grams
		}
		if m := h.locked(l.Line.ID); m >= 0 {
			g, err := held(k, l, h.Locks[m])
			if err != nil {
				return nil, fault.Under(fmt.Sprintf("/hands/locks/%d/amount", m), err)
			}
			s.Fixed, s.Actual = true, g
		}
		out[n] = s
	}
	return out, nil
}

// held is what a lock makes of a line, within reason.
func held(k kitchen.Kitchen, l scale.Scaled, lock Lock) (measure.Grams, error) {
	g, err := l.Ingredient.Weigh(lock.Amount)
	if err == nil && (g <= 0 || g > 10*l.Grams) {
		err = fault.At("", "%s of %s is not near the %s that this loaf wants", lock.Amount, l.Ingredient.Name,
			k.Weight(l.Grams, l.Grams < 10))
	}
	return g, err
}

func shift(lines []scoop.Item, s scoop.Solution) RoundingShift {
	grams := make([]float64, len(lines))
	var exact, yeast float64
	for n, l := range lines {
		grams[n] = float64(s.Amounts[n].Grams)
		if l.Ingredient.Kind == larder.Yeast {
			exact += float64(l.Exact)
			yeast += grams[n]
		}
	}
	flour, water := scoop.Shift(lines, grams)
	out := RoundingShift{Scoops: s.Scoops, Handling: s.Handling, Flour: toDecimals(100*flour, 1),
		Water: toDecimals(water, 1)}
	if exact > 0 {
		out.Yeast = toDecimals(100*(yeast/exact/(1+flour)-1), 1)
	}
	return out
}

// enoughFor says for how big a loaf the scarcest locked line is enough.
func enoughFor(h Handling, lines []scale.Scaled) string {
	least, name := 1.0, ""
	for _, l := range lines {
		m := h.locked(l.Line.ID)
		if m < 0 {
			continue
		}
		if g, err := l.Ingredient.Weigh(h.Locks[m].Amount); err == nil && float64(g/l.Grams) < least {
			least, name = float64(g/l.Grams), l.Ingredient.Name
		}
	}
	if name == "" {
		return ""
	}
	return fmt.Sprintf(" This much %s is enough for %.0f %% of this loaf: scale the loaf to it.", name,
		math.Floor(100*least))
}
