package verdict

import (
	"cmp"
	"fmt"
	"math"
	"slices"
	"time"

	"risepan/core/bake"
	"risepan/core/dough"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/pan"
	"risepan/core/plan"
	"risepan/core/recipe"
)

// Past is what is kept of an earlier bake to learn from.
type Past struct {
	At        time.Time // on the kitchen's clock
	RecipeID  string
	Recipe    string
	MachineID string
	Liquid    measure.Amount // of the recipe as it was then
	Mended    bool           // the recipe has another by now
	Formula   plan.Formula
	Flour     larder.ID // the most of it
	Ball      dough.Seen
	Doses     []dough.Dose
	Off       *measure.Celsius // by how much the dough was warmer than was aimed at
	Crust     machine.Crust    // that was set
	Fill      pan.Fill         // as usual loaves would
	Verdict   bake.Verdict
}

// Lesson is what several bakes together teach: of a recipe, a machine or the kitchen's own cup. What to change is the
// one field that is set.
type Lesson struct {
	ID       string   `json:"id"`
	RecipeID string   `json:"recipeId,omitzero"`
	Machine  string   `json:"machine,omitzero"` // its id
	Say      string   `json:"say"`
	Take     string   `json:"take"`     // what is done when it is taken
	Rests    int      `json:"rests"`    // on so many bakes
	Evidence []string `json:"evidence"` // newest first

	Change    *Change         `json:"change,omitzero"`
	Browns    *int            `json:"browns,omitzero"`
	Fills     float64         `json:"fills,omitzero"`
	KneadRise measure.Celsius `json:"kneadRise,omitzero"`
	Flour     larder.ID       `json:"flour,omitzero"`
	PerCup    measure.Grams   `json:"perCup,omitzero"`
}

// How many bakes a lesson waits for, and how much they must show: a recipe's liquid by the book (two that needed the
// same), the others until chance is unlikely.
const (
	enoughDosed  = 2
	enoughCrusts = 3
	enoughTall   = 4
	enoughProbed = 3
	enoughCups   = 5
	freshest     = 6   // bakes of a recipe that are looked at
	worthDosing  = 0.8 // points of hydration
	worthCup     = 1.5
	worthFill    = 0.08
	worthHeat    = 1 // °C
	agreeing     = 0.8
)

// points is what was put into the dough all in all, as points of hydration.
func (p Past) points() float64 {
	b := dough.Ball{Flour: p.Formula.Flour, Hydration: p.Formula.Hydration}
	sum := 0.0
	for _, d := range p.Doses {
		step := d.Points(b)
		b.Hydration, sum = b.Hydration+step, sum+step
	}
	return sum
}

// looked reports whether anybody told of the ball or mended it.
func (p Past) looked() bool { return p.Ball != "" || len(p.Doses) > 0 }

// tellsOfCup reports whether its dough tells what an unweighed cup holds: one whose recipe was mended for it since does
// not, for it would be mended twice.
func (p Past) tellsOfCup() bool {
	return p.Formula.Sure == plan.UnknownCup && p.Formula.Hydration > 0 && p.looked() && !p.Mended
}

func (p Past) on(format string, args ...any) string {
	return p.At.Format("2 Jan") + ": " + fmt.Sprintf(format, args...)
}

// dosed is what went into a dough in words.
func (p Past) dosed() string {
	if len(p.Doses) == 0 {
		return p.on("nothing was put in")
	}
	text := ""
	for n, d := range p.Doses {
		if n > 0 {
			text += ", "
		}
		text += fmt.Sprintf("%s of %s", d.Amount, map[dough.Stuff]string{dough.Water: "liquid",
			dough.FlourDose: "flour"}[d.Of])
	}
	return p.on("%s", text)
}

// LiquidLesson is the amount of a recipe's liquid that its doughs asked for: nil until the last two that were looked at
// needed the same. Past bakes are newest first; only those with the recipe's present liquid tell.
func LiquidLesson(id string, r recipe.Recipe, facts recipe.Lookup, past []Past) *Lesson {
	l, is, _, ok := most(r, facts, isWater)
	if !ok {
		return nil
	}
	var told []Past
	for _, p := range past {
		if p.RecipeID == id && p.looked() && p.Liquid == l.Amount && len(told) < freshest {
			told = append(told, p)
		}
	}
	sign, needed := 0, []float64{}
	for n, p := range told {
		points := p.points()
		if n < enoughDosed && (math.Abs(points) < worthDosing || n > 0 && signOf(points) != sign) {
			return nil
		}
		if sign = cmp.Or(sign, signOf(points)); signOf(points) == sign && math.Abs(points) >= worthDosing {
			needed = append(needed, points)
		}
	}
	if len(needed) < enoughDosed || float64(len(needed)) < agreeing*float64(len(told)) {
		return nil
	}
	weighed, err := r.Weigh(facts)
	if err != nil {
		return nil
	}
	flour := flourOf(weighed)
	by := measure.Of(1, 1, measure.Tsp).In(r.Standard)
	step, err := is.Weigh(by)
	if err != nil || step <= 0 {
		return nil
	}
	steps := int64(math.Round(math.Abs(middle(needed)) / 100 * float64(flour/step)))
	to, ok := moved(l.Amount, by, step, steps, sign < 0)
	if !ok || steps == 0 {
		return nil
	}
	out := Lesson{ID: "liquid " + id, RecipeID: id, Rests: len(needed), Change: &Change{Line: l.ID, Name: is.Name,
		From: l.Amount, To: to, Effect: "The ball comes together without a dose."},
		Say: fmt.Sprintf("%d doughs of %s needed %s liquid than the recipe says.", len(needed), r.Name,
			map[bool]string{true: "more", false: "less"}[sign > 0]),
		Take: fmt.Sprintf("Make it %s of %s", to, is.Name)}
	for _, p := range told {
		out.Evidence = append(out.Evidence, p.dosed())
	}
	return &out
}

func flourOf(lines []recipe.Weighed) measure.Grams {
	sum := measure.Grams(0)
	for _, w := range lines {
		if w.Line.Part == recipe.InDough {
			sum += w.Grams * measure.Grams(w.Ingredient.FlourPart)
		}
	}
	return sum
}

// CrustLesson is that a machine's crusts come out darker or paler than they are set.
func CrustLesson(id string, m machine.Machine, past []Past) *Lesson {
	var off []float64
	var evidence []string
	for _, p := range past {
		if p.MachineID == id && p.Verdict.Crust != "" && p.Crust != "" {
			off = append(off, float64(shade(p.Verdict.Crust)-shade(p.Crust)))
			evidence = append(evidence, p.on("%s, set to %s", p.Verdict.Crust, p.Crust))
		}
	}
	if len(off) < enoughCrusts {
		return nil
	}
	browns := int(max(-1, min(1, middle(off))))
	if browns == m.Browns || browns != 0 && agree(off, browns) < agreeing {
		return nil
	}
	say := map[int]string{1: "come out darker than they are set", 0: "come out as they are set, after all",
		-1: "come out paler than they are set"}[browns]
	take := map[int]string{1: "Suggest a lighter crust on this machine", 0: "Suggest the usual crusts on this machine",
		-1: "Suggest one darker on it"}[browns]
	return &Lesson{ID: "crust " + id, Machine: id, Say: fmt.Sprintf("Crusts of %s %s.", m.Name, say), Take: take,
		Rests: len(off), Evidence: evidence, Browns: &browns}
}

// FillLesson is how much of the usual volume a machine's good loaves reach, by how they stand against the rim.
func FillLesson(id string, m machine.Machine, k kitchen.Kitchen, past []Past) *Lesson {
	var shares []float64
	var evidence []string
	for _, p := range past {
		v := p.Verdict
		if p.MachineID != id || v.Centre == nil || v.Mark < well-1 || slices.Contains(v.Signs, bake.Collapsed) ||
			p.Fill.Low <= 0 {
			continue
		}
		top := float64(*v.Centre)
		if v.Sides != nil {
			top = (top + float64(*v.Sides)) / 2
		}
		height := float64(m.Vessel.Depth) + top
		shares = append(shares, height/float64(m.Vessel.Depth)/(float64(p.Fill.Low+p.Fill.High)/2/float64(p.Fill.Pan)))
		evidence = append(evidence, p.on("%s stood %s", p.Recipe, overRim(k, top)))
	}
	if len(shares) < enoughTall {
		return nil
	}
	fills := max(machine.LeastFill, min(machine.MostFill, math.Round(middle(shares)*20)/20))
	if math.Abs(fills-cmp.Or(m.Fills, 1)) < worthFill {
		return nil
	}
	return &Lesson{ID: "fill " + id, Machine: id, Rests: len(shares), Evidence: evidence, Fills: fills,
		Say:  fmt.Sprintf("Loaves of %s reach %.0f %% of the volume that is usually expected.", m.Name, 100*fills),
		Take: "Expect that of its loaves"}
}

func overRim(k kitchen.Kitchen, mm float64) string {
	switch {
	case mm > 0:
		return k.Length(mm) + " over the rim"
	case mm < 0:
		return k.Length(-mm) + " under the rim"
	}
	return "at the rim"
}

// KneadLesson is how much a machine's kneading warms the dough, by what a thermometer said of those that were tempered.
func KneadLesson(id string, m machine.Machine, k kitchen.Kitchen, past []Past) *Lesson {
	var off []float64
	var evidence []string
	for _, p := range past {
		if p.MachineID == id && p.Off != nil {
			off = append(off, float64(*p.Off))
			evidence = append(evidence, p.on("%s %s than was aimed at", k.Degrees.Difference(max(*p.Off, -*p.Off)),
				map[bool]string{true: "colder", false: "warmer"}[*p.Off < 0]))
		}
	}
	if len(off) < enoughProbed {
		return nil
	}
	by := math.Round(middle(off)*2) / 2
	if math.Abs(by) < worthHeat || agree(off, signOf(by)) < agreeing {
		return nil
	}
	was := cmp.Or(m.KneadRise, dough.KneadRise)
	rise := max(0.5, min(15, was+measure.Celsius(by)))
	return &Lesson{ID: "kneading " + id, Machine: id, Rests: len(off), Evidence: evidence, KneadRise: rise,
		Say: fmt.Sprintf("The kneading of %s warms the dough by about %s, not %s.", m.Name,
			k.Degrees.Difference(rise), k.Degrees.Difference(was)),
		Take: "Adjust the liquid temperature for this"}
}

// CupLesson is what this kitchen's cup of its flour holds by how its doughs come out: only those count whose flour was
// measured by a cup that was never weighed.
func CupLesson(k kitchen.Kitchen, past []Past) *Lesson {
	count := map[larder.ID]int{}
	var flour larder.ID
	for _, p := range past {
		if p.tellsOfCup() {
			if count[p.Flour]++; count[p.Flour] > count[flour] {
				flour = p.Flour
			}
		}
	}
	is, known := k.Ingredient(flour)
	var heavier, points []float64
	var evidence []string
	recipes := map[string]bool{}
	for _, p := range past {
		if p.Flour == flour && p.tellsOfCup() {
			points = append(points, p.points())
			heavier = append(heavier, p.points()/p.Formula.Hydration)
			recipes[p.RecipeID] = true
			evidence = append(evidence, p.dosed()+" ("+p.Recipe+")")
		}
	}
	if !known || len(points) < enoughCups || len(recipes) < 2 || math.Abs(middle(points)) < worthCup ||
		agree(points, signOf(middle(points))) < agreeing {
		return nil
	}
	perCup := measure.Grams(math.Round(float64(is.PerCup) * (1 + middle(heavier))))
	return &Lesson{ID: "cup " + string(flour), Rests: len(points), Evidence: evidence, Flour: flour, PerCup: perCup,
		Say: fmt.Sprintf("Your cup of %s seems to hold about %s, not %s: %d doughs of %d recipes wanted %s liquid.",
			is.Name, k.Weight(perCup, false), k.Weight(is.PerCup, false), len(points), len(recipes),
			map[bool]string{true: "more", false: "less"}[middle(points) > 0]),
		Take: fmt.Sprintf("Count %s to a cup", k.Weight(perCup, false))}
}

func signOf(v float64) int {
	switch {
	case v > 0:
		return 1
	case v < 0:
		return -1
	}
	return 0
}

// agree is how many of some values lie on one side, as a share.
func agree(values []float64, sign int) float64 {
	n := 0
	for _, v := range values {
		if signOf(v) == sign {
			n++
		}
	}
	return float64(n) / float64(len(values))
}

// middle is the median.
func middle(values []float64) float64 {
	s := slices.Sorted(slices.Values(values))
	return (s[(len(s)-1)/2] + s[len(s)/2]) / 2
}
