// Package plan joins the rooms of the job into one call: a wish in a kitchen becomes a plan, with
// everything that the baker measures, loads, sets and waits for.
package plan

import (
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"
	"slices"
	"time"

	"risepan/core/choice"
	"risepan/core/fault"
	"risepan/core/formula"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/pan"
	"risepan/core/recipe"
	"risepan/core/scale"
	"risepan/core/scoop"
	"risepan/core/swap"
	"risepan/core/timetable"
)

// Shape is the number of the plan's JSON shape; a stored plan carries the one it was written in.
// Shape 1 had no rounding and no running weights; it reads as a plan without them.
// Shape 2 had no warmth, no swaps, no slices, no presses and no way for add-ins.
const Shape = 3

// Wish is what the baker wants.
type Wish struct {
	Recipe  recipe.Recipe
	Machine machine.Machine
	Size    measure.LoafSize
	Cycle   string         // the baker's own choice; empty: chosen here
	Crust   machine.Crust  // the baker's own choice; empty: chosen here
	Ready   timetable.Wall // on the kitchen's clock; zero: start at once
	NotYet  bool           // ready not before that time, for somebody who comes home then
	AtPanel bool           // the pan is loaded and the baker stands at the machine: no lead time
	Zone    *time.Location // of the kitchen's clock

	Within  machine.Minutes // the time that there is; 0: any
	Away    bool            // nobody is there for the beep
	Loading pan.Manner      // the baker's own way for this loaf
	AddIns  AddInWay        // how add-ins go in; empty: chosen here

	Slices    int      // above 0: the smallest size that gives so many; Size is then not looked at
	Eaters    int      // above 0: so many slices for each
	Closer    int      // steps from where the rounding begins: above 0 closer, below it fewer scoops
	NotToHand []string // measures in use or missing just now, as they are called
	Locks     []Lock   // lines held at an amount
	Weigh     []string // lines to weigh
	Have      *Have    // the loaf follows what there is of one line

	Swaps  []swap.Pick // made one after another in the recipe as written
	Warmth Warmth      // of this day

	Without []string             // optional lines to leave out
	Instead map[string]larder.ID // for lines that offer a choice

	Liked []formula.Formula // of this kitchen's well-marked loaves of the kind

	whole recipe.Recipe // with what is left out or replaced
}

// Plan is everything about one loaf.
type Plan struct {
	Shape      int                `json:"shape"`
	Recipe     string             `json:"recipe"`
	Kind       recipe.Kind        `json:"kind"`
	Machine    string             `json:"machine"`
	Size       measure.LoafSize   `json:"size"`
	Sizes      []SizeOffer        `json:"sizes"`
	Lines      []Line             `json:"lines"`   // in the recipe's order
	LeftOut    []LeftOut          `json:"leftOut"` // optional lines that this loaf does without
	Swaps      []Swapped          `json:"swaps"`   // made for this loaf
	Deviations []scale.Deviation  `json:"deviations"`
	Rounding   Rounding           `json:"rounding"`
	Formula    Formula            `json:"formula"`
	Slice      formula.Slice      `json:"slice"` // an estimate of what one holds
	Heat       Heat               `json:"heat"`
	Pan        Pan                `json:"pan"`
	Setting    Setting            `json:"setting"`
	AddIns     *AddIns            `json:"addIns,omitzero"`
	Timer      timetable.Timer    `json:"timer"`
	Stages     []machine.Span     `json:"stages"`
	Moments    []timetable.Moment `json:"moments"`
	Cautions   []Caution          `json:"cautions"`
}

// SizeOffer is a loaf size, and why it is not offered where it is not.
type SizeOffer struct {
	Size    measure.LoafSize `json:"size"`
	Written bool             `json:"written"` // the recipe is written for it
	Slices  int              `json:"slices"`  // about so many
	WhyNot  string           `json:"whyNot,omitzero"`
}

// Line is one ingredient to measure.
type Line struct {
	ID         string        `json:"id"`
	Ingredient larder.ID     `json:"ingredient"`
	Name       string        `json:"name"`
	Stuff      pan.Stuff     `json:"stuff"`
	Written    string        `json:"written"` // as the recipe has it
	Exact      measure.Grams `json:"exact"`   // what the resized recipe asks for
	Weight     string        `json:"weight"`  // the same as this kitchen's scale shows it
	Pieces     int64         `json:"pieces,omitzero"`
	Measured   scoop.Amount  `json:"measured"`         // by this kitchen's cups and spoons; no scoops for pieces
	Percent    float64       `json:"percent"`          // of the flour
	Running    string        `json:"running,omitzero"` // on a scale under the pan, without tare
	Fixed      bool          `json:"fixed,omitzero"`   // not measured by scoops: eggs, weighed and locked lines
	Locked     string        `json:"locked,omitzero"`  // the amount that the baker holds it at
	Miss       string        `json:"miss,omitzero"`    // how far the closest measurable amount is off
	AtBeep     bool          `json:"atBeep,omitzero"`
	Like       string        `json:"like,omitzero"`     // the facts are guessed after this
	Part       recipe.Part   `json:"part,omitzero"`     // of the recipe, other than its dough
	Optional   bool          `json:"optional,omitzero"` // the loaf can do without
	Or         []Named       `json:"or,omitzero"`       // what can stand in its place
	Note       string        `json:"note,omitzero"`
	Tips       []string      `json:"tips,omitzero"` // what is good to know before measuring it
}

// Named is an ingredient with its name.
type Named struct {
	ID   larder.ID `json:"id"`
	Name string    `json:"name"`
}

// Pan is the loaded pan.
type Pan struct {
	Order  pan.Order   `json:"order"`
	Manner pan.Manner  `json:"manner"` // in full
	Why    string      `json:"why"`    // this order
	Vessel pan.Vessel  `json:"vessel"`
	Layers []pan.Layer `json:"layers"`         // from the floor upwards
	Knead  []string    `json:"knead,omitzero"` // lines held back until the first knead
	Aside  []string    `json:"aside"`          // lines kept for the beep
	Fill   pan.Fill    `json:"fill"`
}

// Make works out the plan for a wish, as seen at now. It returns a plan for every well-formed
// wish; what stands against it is a Caution inside. An error is a *fault.Fault for malformed input.
func Make(k kitchen.Kitchen, w Wish, now time.Time) (Plan, error) {
	enough := true
	if w.Slices > 0 {
		w.Size, enough = scale.ForSlices(w.wanted(), w.Machine.Sizes)
	}
	if err := w.check(now); err != nil {
		return Plan{}, err
	}
	w.whole = w.Recipe
	chosen, err := w.Recipe.Choose(w.Without, w.Instead)
	if err != nil {
		return Plan{}, err
	}
	var swaps []Swapped
	if w.Recipe, swaps, err = w.swapped(k, chosen); err != nil {
		return Plan{}, err
	}
	written, err := w.Recipe.Weigh(k.Ingredient)
	if err != nil {
		return Plan{}, err
	}
	p := Plan{
		Shape: Shape, Recipe: w.Recipe.Name, Kind: w.Recipe.Kind, Machine: w.Machine.Name,
		Sizes: offers(w), LeftOut: leftOut(k, w.whole, w.Without), Swaps: swaps, Cautions: []Caution{},
	}
	factor, err := w.factor(written)
	if err != nil {
		return Plan{}, err
	}
	w.Size = w.settingFor(factor)
	p.Size = w.Size
	lines, deviations := scale.To(written, w.Recipe.Kind, factor, k.Schools())
	p.Deviations = deviations
	if err := p.mix(k, w, lines, chosen); err != nil {
		return Plan{}, err
	}
	if err := p.placeAddIns(w, lines); err != nil {
		return Plan{}, err
	}
	needs := choice.Needs{Kind: w.Recipe.Kind, Formula: p.Formula.Formula, Lines: written, Size: w.Size,
		Delayed: !w.Ready.IsZero(), Within: w.Within, Away: w.Away, Box: p.AddIns != nil && p.AddIns.NoBox == ""}
	cycle, err := p.set(w, needs)
	if err != nil {
		return Plan{}, err
	}
	p.usual(k, w, cycle)
	doubt := p.time(k, w, cycle, now)
	p.list(k, w, lines)
	if err := p.measure(k, w, lines); err != nil {
		return Plan{}, err
	}
	p.load(k, w, lines)
	p.running(k)
	if err := p.temper(k, w, lines, cycle); err != nil {
		return Plan{}, err
	}
	if !enough {
		p.warn(Care, NoSetting, nil, "%d slices are more than one loaf of %s gives: about %d. Bake two.", w.wanted(), w.Machine.Name, scale.Slices(w.Size))
	}
	p.questionSize(w, factor, formula.FromRecipe(written).Flour)
	p.caution(k, w, cycle, doubt)
	p.mind(k, w, lines, now)
	p.press(w, cycle)
	return p, nil
}

// wanted is how many slices the loaf should give.
func (w Wish) wanted() int { return w.Slices * max(w.Eaters, 1) }

// mix works out the formula of the resized lines, what a slice of it holds, and what it was before
// the swaps of this loaf.
func (p *Plan) mix(k kitchen.Kitchen, w Wish, lines []scale.Line, chosen recipe.Recipe) error {
	var inDough, eaten []formula.Portion
	for _, l := range lines {
		portion := formula.Portion{Ingredient: l.Ingredient, Grams: l.Grams}
		eaten = append(eaten, portion)
		if l.Line.Part == recipe.InDough {
			inDough = append(inDough, portion)
		}
	}
	p.formulate(k, w, lines, inDough)
	if p.Formula.Flour == 0 {
		return fault.At("/lines", "bread needs flour: add a line with flour")
	}
	p.Slice = formula.PerSlice(eaten, scale.Slices(w.Size))
	if len(w.Swaps) > 0 {
		before, err := chosen.Weigh(k.Ingredient)
		if err != nil {
			return err
		}
		f := formula.FromRecipe(before)
		p.Formula.Written = &f
	}
	return nil
}

func (w Wish) check(now time.Time) error {
	if err := w.Machine.Check(); err != nil {
		return err
	}
	switch {
	case w.Eaters < 0 || w.Eaters > 50:
		return fault.At("/eaters", "ask for 1 to 50 eaters, not %d", w.Eaters)
	case w.Within < 0 || w.Within > 24*60:
		return fault.At("/within", "the time that there is: 0 to 24 hours, not %s", w.Within)
	case w.Slices < 0 || w.Slices > 200:
		return fault.At("/slices", "ask for 1 to 200 slices, not %d", w.Slices)
	}
	if w.Size.IsZero() {
		return fault.At("/size", "say which loaf size to bake: %s", w.Machine.SizesInWords())
	}
	if !w.Machine.Bakes(w.Size) {
		return fault.At("/size", "%s bakes %s, not %s", w.Machine.Name, w.Machine.SizesInWords(), w.Size)
	}
	if !w.Ready.IsZero() {
		ready, _ := w.Ready.Resolve(w.Zone)
		if ready.Before(now) {
			return fault.At("/ready", "%s has passed: it is %s now", w.Ready, timetable.WallOf(now, w.Zone))
		}
		if ready.After(now.Add(furthest)) {
			return fault.At("/ready", "%s is too far ahead: plan at most %d days ahead", w.Ready, int(furthest.Hours()/24))
		}
	}
	return nil
}

// furthest is how far ahead a loaf can be planned.
const furthest = 14 * 24 * time.Hour

// offers lists the machine's sizes and the usual ones that it does not bake.
func offers(w Wish) []SizeOffer {
	usual := []measure.LoafSize{measure.LoafPounds(1, 1), measure.LoafPounds(3, 2), measure.LoafPounds(2, 1)}
	var out []SizeOffer
	for _, s := range w.Machine.Sizes {
		out = append(out, SizeOffer{Size: s, Written: s == w.Recipe.Size, Slices: scale.Slices(s)})
	}
	for _, s := range usual {
		if !w.Machine.Bakes(s) {
			why := w.Machine.Name + " has no setting for it: it bakes " + w.Machine.SizesInWords() + "."
			out = append(out, SizeOffer{s, s == w.Recipe.Size, scale.Slices(s), why})
		}
	}
	return out
}

// wholeMinute is the minute at which Start can be pressed: at the panel the present one, else the
// next, so that a plan counts from a minute still to come.
func wholeMinute(now time.Time, atPanel bool) time.Time {
	t := now.UTC().Truncate(time.Minute)
	if !atPanel && t.Before(now) {
		t = t.Add(time.Minute)
	}
	return t
}

// list names every line and what the resized recipe asks for.
func (p *Plan) list(k kitchen.Kitchen, w Wish, lines []scale.Line) {
	for _, l := range lines {
		out := Line{
			ID: l.Line.ID, Ingredient: l.Ingredient.ID, Name: l.Ingredient.Name, Note: l.Line.Note,
			AtBeep: p.atBeep(l), Exact: l.Grams, Pieces: l.Pieces,
			Weight: k.Weights.Text(l.Grams, finely(l.Ingredient)),
			Stuff:  pan.StuffOf(l.Ingredient.Kind, l.Line.When == recipe.AtBeep),
			Part:   l.Line.Part, Optional: l.Line.Optional, Like: l.Ingredient.Like,
		}
		out.Or = others(k, w.whole, l)
		out.Tips = tips(k, l)
		if l.Line.ID != scale.AddedWater && written(w.whole, l.Line) {
			out.Written = l.Line.Amount.String()
		}
		out.Percent = round(100*float64(l.Grams/p.Formula.Flour), 2)
		for _, lock := range w.Locks {
			if lock.Line == l.Line.ID {
				out.Locked = lock.Amount.String()
			}
		}
		p.Lines = append(p.Lines, out)
	}
}

// written reports whether a line stands in the recipe as it is: a swap may have made or changed it.
func written(r recipe.Recipe, l recipe.Line) bool {
	return slices.ContainsFunc(r.Lines, func(o recipe.Line) bool {
		return o.ID == l.ID && (o.Ingredient == l.Ingredient || slices.Contains(o.Or, l.Ingredient)) && o.Amount == l.Amount
	})
}

// LeftOut is an optional line that the baker leaves out.
type LeftOut struct {
	Line string `json:"line"`
	Name string `json:"name"`
}

func leftOut(k kitchen.Kitchen, r recipe.Recipe, without []string) []LeftOut {
	out := []LeftOut{}
	for _, l := range r.Lines {
		if slices.Contains(without, l.ID) {
			i, _ := k.Ingredient(l.Ingredient)
			out = append(out, LeftOut{l.ID, i.Name})
		}
	}
	return out
}

// others lists what can stand in a line's place, the recipe's own first choice among it.
func others(k kitchen.Kitchen, whole recipe.Recipe, l scale.Line) []Named {
	var out []Named
	for _, o := range whole.Lines {
		if o.ID != l.Line.ID || len(o.Or) == 0 {
			continue
		}
		for _, id := range append([]larder.ID{o.Ingredient}, o.Or...) {
			if i, ok := k.Ingredient(id); ok && id != l.Ingredient.ID {
				out = append(out, Named{id, i.Name})
			}
		}
	}
	return out
}

func (p *Plan) load(k kitchen.Kitchen, w Wish, lines []scale.Line) {
	var batter measure.Grams
	var portions []pan.Portion
	for _, l := range lines {
		if l.Line.Part != recipe.InDough {
			continue
		}
		batter += l.Grams
		when := l.Line.When
		if when == recipe.AtBeep && !p.atBeep(l) {
			when = recipe.InPan
		}
		portions = append(portions, pan.Portion{Line: l.Line.ID, Kind: l.Ingredient.Kind, Volume: l.Ingredient.Volume(l.Grams), When: when,
			Pours: l.Ingredient.Kind == larder.Fat && l.Ingredient.State == larder.AtRoom})
	}
	manner, why := pan.Decide(w.Machine.Manner(), w.Recipe.Kind, k.Loading, w.Loading)
	loaded := pan.Load(manner, portions)
	if delayed := p.Timer.Setting > 0; delayed && w.Recipe.Kind != recipe.QuickBread {
		low := manner
		low.Salt = pan.SaltLow
		if mended := pan.Load(low, portions); loaded.Wets() == pan.SugarSalt && mended.Wets() == "" {
			manner, loaded = low, mended
			why += " The salt goes under the flour, for the delay: yeast must not touch it."
		}
		p.keepDry(w, manner, loaded)
	}
	aside := loaded.Beep
	if aside == nil {
		aside = []string{}
	}
	p.Pan = Pan{manner.Order, manner, why, w.Machine.Vessel, loaded.Layers, loaded.Knead, aside,
		w.Machine.Vessel.FillOf(w.Recipe.Kind, p.Formula.Flour, batter)}
}

// Digest identifies what the baker measures and sets. Clock times are left out: they move with the
// present, and a bake that starts a minute later is still the loaf that was shown.
func (p Plan) Digest() string {
	b, err := json.Marshal(struct {
		Shape   int
		Recipe  string
		Machine string
		Size    measure.LoafSize
		Lines   []Line
		Pan     Pan
		Cycle   CycleName
		Crust   machine.Crust
		Timer   machine.Minutes
	}{p.Shape, p.Recipe, p.Machine, p.Size, p.Lines, p.Pan, p.Setting.Cycle, p.Setting.Crust, p.Timer.Setting})
	if err != nil {
		panic("plan: a plan is always writable: " + err.Error())
	}
	sum := sha256.Sum256(b)
	return hex.EncodeToString(sum[:16])
}
