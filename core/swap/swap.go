package swap

import (
	"math"
	"slices"

	"risepan/core/fault"
	"risepan/core/formula"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/recipe"
	"risepan/core/vocab"
)

// Pick is a swap that the baker chose for a line of a recipe.
type Pick struct {
	Line  string `json:"line"`
	Swap  ID     `json:"swap"`
	Share int    `json:"share,omitzero"` // of the line, per cent; 0 is all of it
}

// Working figures: points of hydration for each tenth of the flour that becomes wholemeal, and the
// gluten that helps it, as a share of that flour.
const (
	pointsPerTenth = 1.3
	glutenShare    = 0.025
)

// Kept within these, per 100 of flour, nothing is made up; a swap keeps water within 0.3, and fat,
// sugar and salt within 0.2.
var slack = components{0.1, 0.05, 0.05, 0.05}

// component is what a swap keeps.
type component int

const (
	water component = iota
	fat
	sugar
	salt
	all
)

type components [all]float64

// held is what one gram of an ingredient brings to the formula.
func held(i *larder.Ingredient) components {
	s := i.Shares
	c := components{s.Water / 100, s.Fat / 100, s.Sugar / 100, s.Salt / 100}
	switch {
	case i.Kind == larder.Extra:
		return components{}
	case i.Kind == larder.Flour:
		c[water], c[fat], c[sugar] = 0, 0, 0
	case i.Milky:
		c[sugar] = 0
	}
	return c
}

// find is a swap by its id.
func find(id ID) (row, bool) {
	r, ok := byID[id]
	return r, ok
}

var byID = func() map[ID]row {
	out := map[ID]row{}
	for _, r := range table {
		if _, twice := out[r.id()]; !twice {
			out[r.id()] = r
		}
	}
	return out
}()

// Apply makes the swap in a recipe at its written size. A pick that does not fit the recipe, or one
// that needs more of something than there is, is a *fault.Fault.
func Apply(r recipe.Recipe, facts recipe.Lookup, p Pick) (recipe.Recipe, error) {
	how, ok := find(p.Swap)
	if !ok {
		return r, fault.At("/swap", "there is no swap %q", vocab.Clip(string(p.Swap)))
	}
	lines, err := r.Weigh(facts)
	if err != nil {
		return r, err
	}
	n := slices.IndexFunc(lines, func(l recipe.Weighed) bool { return l.Line.ID == p.Line })
	switch {
	case n < 0:
		return r, fault.At("/line", "the recipe has no line %q", vocab.Clip(p.Line))
	case lines[n].Line.Ingredient != how.from:
		return r, fault.At("/line", "this line is %s: the swap is for another ingredient", lines[n].Ingredient.Name)
	case p.Share < 0 || p.Share > 100:
		return r, fault.At("/share", "a share is 1 to 100 %%, not %d", p.Share)
	}
	b := bench{recipe: r, facts: facts, flour: float64(formula.FromRecipe(lines).Flour)}
	for _, l := range lines {
		b.lines = append(b.lines, moved{Weighed: l, grams: float64(l.Grams)})
	}
	if err := b.make(how, n, p.Share); err != nil {
		return r, err
	}
	return b.written(), nil
}

// moved is a line on its way to a new weight.
type moved struct {
	recipe.Weighed
	grams float64
	anew  bool   // another ingredient than was written
	by    string // of a new line, the line that it came in for
}

// bench is a recipe while a swap is made in it.
type bench struct {
	recipe recipe.Recipe
	facts  recipe.Lookup
	flour  float64 // g
	lines  []moved
	target components // what the dough must hold
}

func (b *bench) sum() components {
	var out components
	for _, l := range b.lines {
		if l.Line.Part != recipe.InDough {
			continue
		}
		h := held(l.Ingredient)
		for c := range h {
			out[c] += l.grams * h[c]
		}
	}
	return out
}

func (b *bench) make(how row, n, share int) error {
	b.target = b.sum()
	part := b.lines[n].grams
	if share > 0 {
		part *= float64(share) / 100
	}
	source := b.lines[n].Ingredient
	if how.to == "" {
		b.lines[n].grams -= part
		return nil // what is left out is an add-in, which the formula leaves out too
	}
	to, ok := b.facts(how.to)
	if !ok {
		return fault.At("/swap", "%q is not in the larder", how.to)
	}
	grams := part * how.by(source) / how.by(to)
	if part < b.lines[n].grams {
		b.lines[n].grams -= part
		b.insert(n+1, to, grams, b.lines[n].Line)
	} else {
		l := &b.lines[n]
		l.Line.Ingredient, l.Ingredient, l.Line.Or, l.grams, l.anew = to.ID, to, nil, grams, true
	}
	flour := part * how.by(source)
	b.target[water] += flour * pointsPerTenth / 10 * float64(how.drinks)
	if how.gluten {
		if how.drinks < 0 {
			flour = -flour
		}
		if err := b.addGluten(flour*glutenShare, b.lines[n].Line.ID); err != nil {
			return err
		}
	}
	return b.makeUp(source, n)
}

// addGluten puts so much more gluten in, or takes it out, on its own line or a new one.
func (b *bench) addGluten(grams float64, flour string) error {
	n := slices.IndexFunc(b.lines, func(l moved) bool { return l.Ingredient.Gluten && l.Line.Part == recipe.InDough })
	if n < 0 && grams > 0 {
		i, _ := b.facts(pureGluten)
		n = b.insert(len(b.lines), i, 0, recipe.Line{ID: flour})
	}
	if n < 0 || b.lines[n].grams+grams < -0.02 {
		return fault.At("/swap", "there is no gluten to take out")
	}
	b.lines[n].grams += grams
	return nil
}

// insert adds a line of an ingredient, in the part and at the moment of the line beside it.
func (b *bench) insert(at int, i *larder.Ingredient, grams float64, beside recipe.Line) int {
	id := beside.ID + "-" + string(i.ID)
	for slices.ContainsFunc(b.lines, func(l moved) bool { return l.Line.ID == id }) {
		id += "'"
	}
	line := recipe.Line{ID: id, Ingredient: i.ID, When: beside.When, Part: beside.Part}
	b.lines = slices.Insert(b.lines, at, moved{recipe.Weighed{Line: line, Ingredient: i}, grams, true, beside.ID})
	return at
}

// open lists the components that are to be made up, and by how much each is off: those beyond their
// slack, and those that a line makes up for already.
func (b *bench) open(with [all]int) (open []component, off components) {
	off = b.target
	for c, held := range b.sum() {
		off[c] -= held
		if with[c] >= 0 || math.Abs(off[c])*100/b.flour > slack[c] {
			open = append(open, component(c))
		}
	}
	if len(open) > 0 && !slices.Contains(open, water) {
		open = append(open, water) // everything else brings a little of it
	}
	return open, off
}

// makeUp brings the dough back to its target with the recipe's own liquid, fat, sugar and salt, or
// new lines of them.
func (b *bench) makeUp(source *larder.Ingredient, swapped int) error {
	var with [all]int
	for c := range with {
		with[c] = -1
	}
	for range all {
		open, off := b.open(with)
		if len(open) == 0 || !slices.ContainsFunc(open, func(c component) bool { return math.Abs(off[c]) > 1e-9 }) {
			break
		}
		matrix := make([][]float64, len(open))
		for _, c := range open {
			if with[c] < 0 {
				with[c] = b.maker(c, source, swapped)
			}
		}
		for m, c := range open {
			for _, other := range open {
				matrix[m] = append(matrix[m], held(b.lines[with[other]].Ingredient)[c])
			}
			matrix[m] = append(matrix[m], off[c])
		}
		change, ok := solve(matrix)
		if !ok {
			return fault.At("/swap", "the recipe's other lines cannot make up for this swap")
		}
		for m, c := range open {
			b.lines[with[c]].grams += change[m]
		}
	}
	for _, n := range with {
		if n >= 0 && b.lines[n].grams < -0.02 {
			l := b.lines[n]
			return fault.At("/swap", "this takes more %s out than the recipe has", l.Ingredient.Name)
		}
	}
	return nil
}

// leastMain is the least weight of a liquid that can make up for others, g.
const leastMain = 20

// maker is the line that makes up for a component, made new where the recipe has none.
func (b *bench) maker(c component, source *larder.Ingredient, swapped int) int {
	best, most := -1, -1.0
	when := recipe.InPan
	if c == water && b.lines[swapped].Line.When == recipe.Warmed {
		when = recipe.Warmed // what was warmed needs a liquid to be warmed in
	}
	for n, l := range b.lines {
		if n == swapped || l.Line.Part != recipe.InDough || l.Line.When != when {
			continue
		}
		fits, weight := false, l.grams
		plain := l.Line.Ingredient == fresh[water]
		switch c {
		case water:
			fits = l.Ingredient.Kind == larder.Liquid && l.grams >= leastMain || plain
			if plain {
				weight = math.MaxFloat64 // before any other liquid
			}
		case fat:
			fits = l.Ingredient.Kind == larder.Fat && l.Ingredient.Shares.Fat > 60
		case sugar:
			fits = l.Ingredient.Kind == larder.Sugar
		case salt:
			fits = l.Ingredient.Kind == larder.Salt && l.Ingredient.Shares.Salt > 90
		}
		if fits && weight > most {
			best, most = n, weight
		}
	}
	if best >= 0 {
		return best
	}
	id := fresh[c]
	if c == fat && source.Milky {
		id = milkFat
	}
	i, _ := b.facts(id)
	return b.insert(len(b.lines), i, 0, recipe.Line{ID: b.lines[swapped].Line.ID, When: when})
}

// pureGluten and the rest are what the recipe's dough is made up with where it has none of its own.
const pureGluten larder.ID = "gluten"

var fresh = map[component]larder.ID{water: "water", fat: "oil", sugar: "sugar", salt: "salt"}

// milkFat makes up for fat that came with milk.
const milkFat larder.ID = "butter"

// solve is the solution of linear equations given as rows with their right sides last.
func solve(m [][]float64) ([]float64, bool) {
	n := len(m)
	for c := range n {
		pivot := c
		for r := c; r < n; r++ {
			if math.Abs(m[r][c]) > math.Abs(m[pivot][c]) {
				pivot = r
			}
		}
		if math.Abs(m[pivot][c]) < 1e-9 {
			return nil, false
		}
		m[c], m[pivot] = m[pivot], m[c]
		for r := range n {
			if r == c {
				continue
			}
			f := m[r][c] / m[c][c]
			for k := c; k <= n; k++ {
				m[r][k] -= f * m[c][k]
			}
		}
	}
	out := make([]float64, n)
	for c := range n {
		out[c] = m[c][n] / m[c][c]
	}
	return out, true
}

// nothing is a weight too small to measure, g.
const nothing = 0.05

// written is the recipe with its new weights. Lines that did not move stay as they were written.
func (b *bench) written() recipe.Recipe {
	r := b.recipe
	r.Lines = nil
	for _, l := range b.inOrder() {
		if l.grams < nothing {
			continue
		}
		if l.anew || math.Abs(l.grams-float64(l.Grams)) > 1e-6 {
			l.Line.Amount = b.amount(l)
		}
		r.Lines = append(r.Lines, l.Line)
	}
	return r
}

// inOrder gives the lines with new liquids before the line that they came in for, and other new lines
// after it.
func (b *bench) inOrder() []moved {
	var out []moved
	wet := func(l moved) bool { return l.Ingredient.Kind == larder.Liquid }
	beside := func(id string, before bool) {
		for _, l := range b.lines {
			if l.by == id && wet(l) == before {
				out = append(out, l)
			}
		}
	}
	for _, l := range b.lines {
		if l.by == "" {
			beside(l.Line.ID, true)
			out = append(out, l)
			beside(l.Line.ID, false)
		}
	}
	return out
}

// amount writes a weight as the recipe's kitchen would where some simple measure is that weight,
// else in grams.
func (b *bench) amount(l moved) measure.Amount {
	if each := float64(l.Ingredient.Each); l.Ingredient.Counted() && each > 0 {
		if n := math.Round(l.grams / each); n >= 1 && math.Abs(l.grams/each-n) < 0.002 {
			return measure.Of(int64(n), 1, measure.Piece)
		}
	}
	byVolume := slices.ContainsFunc(b.recipe.Lines,
		func(o recipe.Line) bool { return o.Amount.Unit.Facts().Dimension == measure.Volume })
	if d := float64(l.Ingredient.GramsPerMl()); byVolume && d > 0 {
		if a, ok := measure.Simple(measure.Millilitres(l.grams/d), b.recipe.Standard); ok {
			return a
		}
	}
	return measure.Of(int64(math.Round(l.grams*100)), 100, measure.Gram)
}
