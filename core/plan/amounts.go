package plan

import (
	"fmt"
	"math"
	"slices"

	"risepan/core/dough"
	"risepan/core/kind"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/pan"
	"risepan/core/recipe"
	"risepan/core/scale"
	"risepan/core/scoop"
)

// Amounts is the last of a plan's three values: what the hands measure, how it lies in the pan, and
// how warm it is.
type Amounts struct {
	Lines    []Line       `json:"lines"` // in the recipe's order
	Rounding Rounding     `json:"rounding"`
	Pan      Pan          `json:"pan"`
	Ahead    []Ahead      `json:"ahead,omitzero"` // what is begun hours or days before
	Heat     Heat         `json:"heat"`
	Doses    dough.Spoons `json:"doses,omitzero"` // of what mends the dough ball, by this kitchen's spoons

	misses []scoop.Miss
}

// Line is one ingredient to measure.
type Line struct {
	ID         string        `json:"id"`
	Ingredient larder.ID     `json:"ingredient"`
	Name       string        `json:"name"`
	Stuff      pan.Stuff     `json:"stuff"`
	Written    string        `json:"written"` // as the recipe has it
	Exact      measure.Grams `json:"exact"`   // what the resized recipe asks for
	// as this kitchen's scale shows it: what its scoops hold, or the exact amount
	Weight   string       `json:"weight"`
	Wants    string       `json:"wants"`           // the exact amount as the scale shows it
	Fine     bool         `json:"fine,omitzero"`   // it is weighed to a tenth of the scale's usual step
	Pieces   int64        `json:"pieces,omitzero"` // or packets, where they go in whole
	Packets  bool         `json:"packets,omitzero"`
	Measured scoop.Amount `json:"measured"`         // by this kitchen's cups and spoons; no scoops for pieces
	Spoken   string       `json:"spoken,omitzero"`  // what to pick up, as it is said aloud
	Percent  float64      `json:"percent"`          // of the flour
	Running  string       `json:"running,omitzero"` // on a scale under the pan, without tare
	Fixed    bool         `json:"fixed,omitzero"`   // not measured by scoops: eggs, weighed and locked lines
	Locked   string       `json:"locked,omitzero"`  // the amount that the baker holds it at
	InBag    bool         `json:"inBag,omitzero"`   // measured long ago
	Miss     string       `json:"miss,omitzero"`    // how far the closest measurable amount is off
	AtBeep   bool         `json:"atBeep,omitzero"`
	Like     string       `json:"like,omitzero"`     // what this kitchen said that it is like
	Unknown  bool         `json:"unknown,omitzero"`  // nobody has said yet what it is: its weight is none
	Part     recipe.Part  `json:"part,omitzero"`     // of the recipe, other than its dough
	Optional bool         `json:"optional,omitzero"` // the loaf can do without
	Or       []Named      `json:"or,omitzero"`       // what can stand in its place
	Note     string       `json:"note,omitzero"`
	Tips     []string     `json:"tips,omitzero"` // what is good to know before measuring it
}

// Named is an ingredient with its name.
type Named struct {
	ID   larder.ID `json:"id"`
	Name string    `json:"name"`
}

// Pan is the loaded pan.
type Pan struct {
	Order   pan.Order       `json:"order"`
	Manner  pan.Manner      `json:"manner"` // in full
	Why     string          `json:"why"`    // this order
	Vessel  pan.Vessel      `json:"vessel"`
	Paddles machine.Paddles `json:"paddles,omitzero"`
	Layers  []pan.Layer     `json:"layers"`         // from the floor upwards
	Knead   []string        `json:"knead,omitzero"` // lines held back until the first knead
	Aside   []string        `json:"aside"`          // lines kept for the beep
	Fill    pan.Fill        `json:"fill"`
}

// MakeAmounts turns a dough and its programme into what the hands do.
func MakeAmounts(p Place, w Wish, d Dough, g Programme) (Amounts, error) {
	in, err := scoopLines(p.Kitchen, w.Handling, d.lines)
	if err != nil {
		return Amounts{}, err
	}
	measured := round(p, w, d, in)
	a := Amounts{Rounding: measured.rounding, misses: measured.misses, Pan: load(p, w, d, g), Ahead: ahead(p.Kitchen,
		d, g.Timer.Press)}
	weights := make([]measure.Grams, len(d.lines)) // that go into the pan
	for n, l := range d.lines {
		if weights[n] = l.Grams; in[n].Fixed {
			weights[n] = in[n].Actual
		} else if m := measured.amounts[n]; len(m.Scoops) > 0 {
			weights[n] = m.Grams
		}
	}
	a.Lines = make([]Line, 0, len(d.lines))
	running := running(p.Kitchen, a.Pan, d.lines, weights)
	for n, l := range d.lines {
		line := describe(p, d, l, g.atBeep(l.Line))
		line.Measured, line.Miss, line.Fixed = measured.amounts[n], measured.miss[n], in[n].Fixed
		line.Running = running[l.Line.ID]
		if line.Weight != "" {
			line.Weight = p.Kitchen.Weight(weights[n], l.Ingredient.Fine())
		}
		if p.Bag != nil {
			_, line.InBag = p.Bag.Holds[l.Line.ID]
		}
		if m := w.locked(l.Line.ID); m >= 0 && !line.InBag {
			line.Locked = lockedText(p.Kitchen, l.Ingredient, w.Locks[m].Amount)
		}
		line.Spoken = line.spoken()
		a.Lines = append(a.Lines, line)
	}
	a.Doses = dough.UsualSpoons(d.Formula.Flour, kind.Of(d.Kind).Fibrous).With(p.Kitchen.Measures)
	a.Heat, err = temper(p, w, d, g, a.Pan.Order, weights)
	return a, err
}

// spoken is what to pick up of a line, as it is said aloud.
func (l Line) spoken() string {
	switch {
	case l.Pieces > 0:
		return l.Counted()
	case l.Fixed || len(l.Measured.Scoops) == 0:
		return l.Weight
	}
	return l.Measured.Spoken()
}

// Counted is how many go in of what goes in whole: "2", "1 packet".
func (l Line) Counted() string {
	a := measure.Amount{Quantity: measure.Whole(l.Pieces)}
	if l.Packets {
		a.Unit = measure.Packet
	}
	return a.String()
}

// goesIn is what goes in of a line: what it is held at, or what the loaf wants.
func (h Handling) goesIn(l scale.Scaled) measure.Grams {
	if m := h.locked(l.Line.ID); m >= 0 {
		if g, err := l.Ingredient.Weigh(h.Locks[m].Amount); err == nil {
			return g
		}
	}
	return l.Grams
}

// near is how far spoons may lie from a volume that is told by them, as a share.
const near = 0.015

// lockedText is an amount that a line is held at, as a cook would say it: what was measured by spoons is told by
// them, and not in decimals of a millilitre.
func lockedText(k kitchen.Kitchen, i *larder.Ingredient, a measure.Amount) string {
	g, err := i.Weigh(a)
	if a.Unit != measure.Millilitre || a.Quantity.IsWhole() || err != nil {
		return k.Decimal.In(a.String())
	}
	if spoons, ok := scoop.NewSet(k.Measures, k.Standard).WithJug(k.Jug).Nearest(i, g); ok &&
		math.Abs(float64(spoons.Grams/g)-1) < near {
		return spoons.String()
	}
	return k.Weight(g, i.Fine())
}

// describe is a line as it is named, weighed and noted.
func describe(p Place, d Dough, l scale.Scaled, atBeep bool) Line {
	out := Line{
		ID: l.Line.ID, Ingredient: l.Ingredient.ID, Name: l.Ingredient.Name, Note: l.Line.Note,
		AtBeep: atBeep, Exact: l.Grams, Fine: l.Ingredient.Fine(),
		Wants: p.Kitchen.Weight(l.Grams, l.Ingredient.Fine()),
		Stuff: pan.StuffOf(l.Ingredient.Kind, l.Line.When == recipe.AtBeep),
		Part:  l.Line.Part, Optional: l.Line.Optional, Like: l.Ingredient.Like, Unknown: l.Ingredient.Unknown,
		Or: others(p, l), Tips: tips(p.Kitchen, l),
		Percent: toDecimals(100*float64(l.Grams/d.per100()), 2),
	}
	if whole, ok := l.Whole(); ok && !(p.Kitchen.Scale && l.Pieces == 0) {
		out.Pieces, out.Packets = whole.Quantity.Floor(), whole.Unit == measure.Packet
	}
	if l.Ingredient.Unknown && l.Line.Amount.Grams() == 0 {
		out.Wants = "" // nobody knows what a cup of it weighs
	}
	out.Weight = out.Wants
	if l.Line.ID != scale.AddedWater && written(p.Recipe, l.Line) {
		out.Written = p.Kitchen.Decimal.In(l.Line.Amount.String())
	}
	return out
}

// written reports whether a line stands in the recipe as it is: a swap may have made or changed it.
func written(r recipe.Recipe, l recipe.Line) bool {
	return slices.ContainsFunc(r.Lines, func(o recipe.Line) bool {
		return o.ID == l.ID && o.Ingredient == l.Ingredient && o.Amount == l.Amount
	})
}

// others lists what can stand in a line's place, the recipe's own first choice among it.
func others(p Place, l scale.Scaled) []Named {
	var out []Named
	for _, o := range p.Recipe.Lines {
		if o.ID != l.Line.ID || len(o.Or) == 0 {
			continue
		}
		for _, c := range append([]recipe.Choice{{Ingredient: o.Ingredient}}, o.Or...) {
			if i, ok := p.Kitchen.Ingredient(c.Ingredient); ok && i.ID != l.Ingredient.ID {
				out = append(out, Named{i.ID, i.Name})
			}
		}
	}
	return out
}

// hair is the share of a packet that nobody measures.
const hair = 0.03

// packet is what a packet of dry yeast holds, g.
const packet = 7

// tips are what is good to know of a line before measuring it.
func tips(k kitchen.Kitchen, l scale.Scaled) []string {
	i := l.Ingredient
	switch {
	case i.Packet:
		return []string{"What is in a packet only its maker knows: the figures of its formula are estimates. Its " +
			"print comes first."}
	case i.Prep != "":
		return []string{i.Prep}
	case i.Kind != larder.Yeast:
		return nil
	}
	out := []string{}
	if i.AsDry >= 1 { // dry yeasts come in packets
		packets := math.Ceil(float64(l.Grams)/packet - hair)
		left := packets*packet - float64(l.Grams)
		name, leaves := "A packet", "leaves"
		if packets > 1 {
			name, leaves = fmt.Sprintf("%.0f packets", packets), "leave"
		}
		name += " of " + k.Weight(packet, false) + " (2 1/4 tsp)"
		say := fmt.Sprintf("%s %s %s over.", name, leaves, k.Weight(measure.Grams(left), true))
		if left < packet*hair {
			say = name + ": just that."
		}
		out = append(out, say)
	}
	return append(out, "Not sure of it? "+k.Degrees.Say(kitchen.Proof))
}

// load puts the dough's lines into the pan in the manner that holds for this loaf.
func load(p Place, w Wish, d Dough, g Programme) Pan {
	var batter measure.Grams
	var portions []pan.Portion
	for _, l := range d.lines {
		if l.Line.Part != recipe.InDough {
			continue
		}
		batter += w.goesIn(l)
		when := l.Line.When
		if when == recipe.AtBeep && !g.atBeep(l.Line) {
			when = recipe.InPan
		}
		portions = append(portions, pan.Portion{Line: l.Line.ID, Kind: l.Ingredient.Kind,
			Volume: l.Ingredient.Volume(l.Grams), When: when,
			Pours: l.Ingredient.Kind == larder.Fat && l.Ingredient.State == larder.AtRoom})
	}
	booklet := p.Machine.Manner()
	if d.moistYeast() { // which sticks in a dispenser
		booklet.Yeast = ""
	}
	manner, why := pan.Decide(booklet, d.Kind, p.Kitchen.Loading, w.Loading)
	if manner.Order == pan.HandStirred && g.Timer.Setting > 0 {
		manner.Order, why = pan.WetFirst, "Not stirred: in the delay the packet lies on the liquid as it is, dry on "+
			"top."
	}
	loaded := pan.Load(manner, portions)
	if g.Timer.Setting > 0 && !kind.Of(d.Kind).Loose && pan.Wets(loaded.Layers) == pan.SugarSalt {
		low := manner
		low.Salt = pan.SaltLow
		if mended := pan.Load(low, portions); pan.Wets(mended.Layers) == "" {
			manner, loaded = low, mended
			why += " The salt goes under the flour, for the delay: yeast must not touch it."
		}
	}
	if p.Bag != nil {
		loaded.Layers = pan.FromBag(loaded.Layers, func(line string) bool { _, in := p.Bag.Holds[line]; return in })
	}
	aside := loaded.Beep
	if aside == nil {
		aside = []string{}
	}
	return Pan{manner.Order, manner, why, p.Machine.Vessel, p.Machine.Paddles, loaded.Layers, loaded.Knead, aside,
		p.Machine.Vessel.FillOf(d.Kind, d.Formula.Flour, batter).Times(p.Machine.Fills)}
}

// running adds up what a scale under the pan shows, line after line in loading order. Each line is
// added as it is read off, so that the sums are those on the display. With an unknown ingredient in the
// pan there are none.
func running(k kitchen.Kitchen, loaded Pan, lines []scale.Scaled, weights []measure.Grams) map[string]string {
	at := map[string]int{}
	for n, l := range lines {
		at[l.Line.ID] = n
	}
	out := map[string]string{}
	sum := measure.Grams(0)
	for _, layer := range loaded.Layers {
		if layer.Place == pan.OwnBox {
			continue // it is not in the pan
		}
		for _, id := range layer.Lines {
			i := lines[at[id]].Ingredient
			if i.Unknown {
				return nil
			}
			sum += k.Weights.Read(weights[at[id]], i.Fine())
			out[id] = k.Weight(sum, false)
		}
	}
	return out
}

func toDecimals(f float64, decimals int) float64 {
	p := math.Pow(10, float64(decimals))
	return math.Round(f*p) / p
}
