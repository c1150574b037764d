package plan

import (
	"fmt"
	"math"
	"slices"
	"time"

	"risepan/core/dough"
	"risepan/core/fault"
	"risepan/core/formula"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/pan"
	"risepan/core/recipe"
	"risepan/core/scale"
	"risepan/core/swap"
	"risepan/core/word"
)

// Swapped is a swap made for this loaf.
type Swapped struct {
	swap.Pick
	Says string `json:"says"` // "whole milk → water and dry milk"
}

// swapped is the recipe with the wished swaps made, one after another.
func (w Wish) swapped(k kitchen.Kitchen, r recipe.Recipe) (recipe.Recipe, []Swapped, error) {
	done := []Swapped{}
	if len(w.Swaps) > mostSwaps {
		return r, nil, fault.At("/swaps", "%d swaps are too many: at most %d", len(w.Swaps), mostSwaps)
	}
	for n, p := range w.Swaps {
		next, err := swap.Apply(r, k.Ingredient, p)
		if f, ok := err.(*fault.Fault); ok {
			return r, nil, fault.At(fmt.Sprintf("/swaps/%d%s", n, f.Pointer), "%s", f.Detail)
		} else if err != nil {
			return r, nil, err
		}
		r, done = next, append(done, Swapped{p, p.Said(k.Ingredient)})
	}
	return r, done, nil
}

const mostSwaps = 20

// Offers lists the swaps that the wish's recipe could have beside those it has.
func Offers(k kitchen.Kitchen, w Wish) []swap.Offer {
	r, err := w.Recipe.Choose(w.Without, w.Instead)
	if err == nil {
		r, _, err = w.swapped(k, r)
	}
	if err != nil {
		return []swap.Offer{}
	}
	return swap.Offers(r, k.Ingredient)
}

// Certainty says how well the weight of the flour is known.
type Certainty string

const (
	Weighed    Certainty = "weighed" // on a scale
	OwnCup     Certainty = "own cup" // by a cup that was weighed often enough
	UnknownCup Certainty = "unknown cup"
)

var Certainties = []Certainty{Weighed, OwnCup, UnknownCup}

func (c Certainty) Words() []string { return word.List(Certainties) }
func (c *Certainty) UnmarshalText(text []byte) error {
	return word.Read(c, text, "certainty", Certainties)
}

// formulate is the formula of the dough, with the range that its flour's cups give it.
func (p *Plan) formulate(k kitchen.Kitchen, w Wish, lines []scale.Line, portions []formula.Portion) {
	f := Formula{Formula: formula.Of(portions), Sure: Weighed}
	var cupped []formula.Cupped
	for _, l := range lines {
		if l.Ingredient.Kind != larder.Flour || l.Line.Part != recipe.InDough || w.weighs(k, l.Line.ID) {
			continue
		}
		c := formula.Cupped{Grams: l.Grams, Cup: l.Ingredient.PerCup}
		if own, ok := k.Cup(l.Ingredient.ID); ok {
			c.Known, _ = own.Calibrate()
			c.Known.Spread *= l.Ingredient.PerCup / max(c.Known.Mean, 1) // of a US cup, as Cup is
		}
		if usual, ok := larder.Know(l.Ingredient.ID); ok {
			c.Low, c.High = larder.Range(usual.PerCup)
		}
		cupped = append(cupped, c)
		if !c.Known.Enough {
			f.Sure = UnknownCup
		} else if f.Sure == Weighed {
			f.Sure = OwnCup
		}
	}
	f.Low, f.High = f.Range(cupped)
	p.Formula = f
}

// usual sets the bands that the dough is held against: those of its kind, or of a rapid cycle.
func (p *Plan) usual(k kitchen.Kitchen, w Wish, cycle machine.Cycle) {
	b := formula.BandsOf(w.Recipe.Kind, p.Formula.Grain)
	if cycle.Character == machine.Rapid && (w.Recipe.Kind == recipe.White || w.Recipe.Kind == recipe.Wholemeal) {
		b = formula.Rapid.On(p.Formula.Grain)
	}
	p.Formula.Bands = b.In(k.Salt).Liking(w.Liked)
	p.Formula.Against = p.Formula.against()
}

// against holds every figure against its band. What this dough has none of is left out where it is
// no part of such a dough.
func (f Formula) against() []Against {
	was := f.Formula
	if f.Written != nil {
		was = *f.Written
	}
	b := f.Bands
	out := []Against{
		{Hydration, f.Low, f.High, was.Hydration, b.Hydration, ""}, {Salt, f.Salt, f.Salt, was.Salt, b.Salt, ""}, {Yeast, f.Yeast, f.Yeast, was.Yeast, b.Yeast, ""},
		{Sugar, f.Sugar, f.Sugar, was.Sugar, b.Sugar, ""}, {Fat, f.Fat, f.Fat, was.Fat, b.Fat, ""}, {Powder, f.Powder, f.Powder, was.Powder, b.Powder, ""},
	}
	out = slices.DeleteFunc(out, func(a Against) bool {
		return a.High == 0 && a.Usual.IsZero() && (a.Of == Yeast || a.Of == Powder)
	})
	for n, a := range out {
		out[n].Verdict = a.Usual.Judge(a.Low, a.High)
	}
	return out
}

// weighs reports whether a line is weighed rather than scooped.
func (w Wish) weighs(k kitchen.Kitchen, line string) bool {
	return k.Scale || slices.Contains(w.Weigh, line) || slices.ContainsFunc(w.Locks, func(l Lock) bool {
		return l.Line == line && l.Amount.Unit.Facts().Dimension == measure.Weight
	})
}

// Warmth is what the baker says of this day's temperatures; a zero reading is the kitchen's usual.
type Warmth struct {
	Room  measure.Temperature `json:"room,omitzero"`
	Flour measure.Temperature `json:"flour,omitzero"`
	Cold  []string            `json:"cold,omitzero"` // lines straight from the fridge
}

// Heat is how warm the liquid must be, and the balance behind it.
type Heat struct {
	Line   string          `json:"line"` // the liquid; empty where none is to be tempered
	Name   string          `json:"name"`
	At     string          `json:"at"`    // in the kitchen's degrees
	Cool   bool            `json:"cool"`  // a delay: no warmer than the tap, whatever the balance
	Touch  string          `json:"touch"` // how it feels, without a thermometer
	Kettle string          `json:"kettle,omitzero"`
	Why    string          `json:"why"`
	Target string          `json:"target"`
	Leaves string          `json:"leaves"` // the dough leaves the kneading at
	Rise   string          `json:"rise"`   // that kneading adds
	Room   string          `json:"room"`
	Flour  string          `json:"flour"`
	Limit  string          `json:"limit"`
	Dies   string          `json:"dies"` // yeast, near
	Parts  []HeatPart      `json:"parts"`
	Liquid measure.Celsius `json:"liquid"`
}

// HeatPart is one ingredient in the balance.
type HeatPart struct {
	dough.Part
	Name   string  `json:"name"`
	Shown  string  `json:"shown"` // its temperature in the kitchen's degrees
	Cold   bool    `json:"cold"`  // straight from the fridge
	Sought bool    `json:"sought"`
	Share  float64 `json:"share"` // of the heat that the dough holds, per cent
}

// temper works out how warm the liquid must be.
func (p *Plan) temper(k kitchen.Kitchen, w Wish, lines []scale.Line, cycle machine.Cycle) error {
	show := k.Degrees.Text
	room, flour := k.Room, w.Warmth.Flour
	if !w.Warmth.Room.IsZero() {
		room = w.Warmth.Room
	}
	if flour.IsZero() {
		flour = room
	}
	if err := dough.CheckRoom(room); err != nil {
		return fault.At("/warmth/room", "%v", err)
	}
	if err := dough.CheckRoom(flour); err != nil {
		return fault.At("/warmth/flour", "%v", err)
	}
	rise := w.Machine.KneadRise
	if rise == 0 {
		rise = dough.KneadRise
	}
	h := Heat{Room: show(room.Celsius()), Flour: show(flour.Celsius()), Rise: k.Degrees.Difference(rise), Target: show(dough.Target), Dies: show(dough.YeastDies), Parts: []HeatPart{}}
	sought, most := -1, measure.Grams(0)
	var parts []dough.Part
	instant := false
	for _, l := range lines {
		if l.Line.Part != recipe.InDough || l.Line.When == recipe.AtBeep {
			continue
		}
		instant = instant || l.Ingredient.ID == "instant-yeast"
		part := dough.Part{Line: l.Line.ID, Grams: l.Grams, Heat: dough.SpecificHeat(l.Ingredient), At: room.Celsius()}
		cold := slices.Contains(w.Warmth.Cold, l.Line.ID)
		switch {
		case cold:
			part.At = dough.Fridge
		case l.Line.When == recipe.Warmed:
			part.At = dough.Cooled
		case l.Ingredient.Kind == larder.Flour:
			part.At = flour.Celsius()
		}
		if l.Ingredient.Kind == larder.Liquid && l.Line.When == recipe.InPan && l.Grams > most {
			sought, most = len(parts), l.Grams
			h.Line, h.Name = l.Line.ID, l.Ingredient.Name
		}
		parts = append(parts, part)
		h.Parts = append(h.Parts, HeatPart{Name: l.Ingredient.Name, Cold: cold})
	}
	if sought < 0 || p.Formula.Yeast == 0 {
		p.Heat = Heat{Room: h.Room, Flour: h.Flour, Rise: h.Rise, Target: h.Target, Parts: []HeatPart{}}
		return nil
	}
	meeting := dough.Layered
	if p.Pan.Order == pan.Bloomed {
		meeting = dough.Dissolved
	}
	balance := dough.For(parts, sought, dough.Target-rise)
	t := balance
	switch {
	case p.Timer.Setting > 0:
		t, h.Cool = min(room.Celsius(), dough.ColdTap+3), true
		h.Why = "Cool, for the delay: whatever its warmth, it stands at the kitchen's temperature by the time the kneading begins, and the yeast must stay asleep."
		for n := range parts {
			parts[n].At = room.Celsius()
		}
	case k.Liquid == dough.AtRoom && meeting != dough.Dissolved:
		t = room.Celsius()
		h.Why = "As this kitchen likes it: everything at room temperature."
	case k.Liquid == dough.Hot && instant && cycle.Character == machine.Rapid:
		t, meeting = dough.HotForRapid, dough.Mixed
		h.Why = "Hot, for rapid-rise yeast mixed with the flour on a rapid cycle. This is a fixed temperature; the balance of heat is not asked."
	default:
		t = dough.LimitsFor(meeting).Within(balance)
		h.Why = fmt.Sprintf("So that the dough leaves the kneading at %s, after the %s that kneading adds.", h.Target, h.Rise)
		if t != balance {
			h.Why = fmt.Sprintf("The balance asks for %s, which is out of reach or harms the yeast; this is as near as it goes.", show(balance))
		}
		if meeting == dough.Dissolved {
			h.Why = "Warm enough to wake the yeast that is stirred into it, and not so hot that it dies."
		}
		if k.Liquid == dough.Hot {
			h.Why += " Hot liquid is for rapid-rise yeast on a rapid cycle only."
		}
	}
	if !h.Cool {
		parts[sought].At = t
	}
	limits := dough.LimitsFor(meeting)
	h.Limit = fmt.Sprintf("at most %s with %s", show(limits.High), map[dough.Meeting]string{dough.Layered: "dry yeast kept apart from it", dough.Dissolved: "yeast stirred into it", dough.Mixed: "rapid-rise yeast in the flour"}[meeting])
	h.Liquid, h.At, h.Touch = t, show(t), dough.Touch(t)
	if h.Cool {
		h.At = "cool"
	}
	h.Leaves = show(dough.Mix(parts) + rise)
	if kettle, ok := dough.FromKettle(parts[sought].Grams, t); ok && parts[sought].Heat == dough.SpecificHeat(larder.Water()) && !h.Cool {
		spoons := measure.NewRatio(int64(math.Round(2*float64(kettle.Boiling)/gramsPerTbsp)), 2)
		h.Kettle = fmt.Sprintf("%s of boiling water (about %s tbsp), topped up with cold (%s) to %s",
			k.Weights.Text(kettle.Boiling, false), spoons, show(kettle.Tap), k.Weights.Text(parts[sought].Grams, false))
	}
	for n, part := range parts {
		h.Parts[n].Part, h.Parts[n].Shown, h.Parts[n].Sought = part, show(part.At), n == sought && !h.Cool
		h.Parts[n].Share = 100 * part.Capacity() / dough.Capacity(parts)
	}
	if s := p.Stages; len(s) > 0 && s[0].Kind == machine.Rest && s[0].To >= forgives {
		h.Why += fmt.Sprintf(" This cycle begins with %d minutes of rest, which evens out what is colder or warmer.", s[0].To)
	}
	p.Heat = h
	return nil
}

// gramsPerTbsp is what a US tablespoon of water weighs.
const gramsPerTbsp = 14.8

// forgives is how long a rest before kneading evens temperatures out, minutes.
const forgives = 10

// mind says what about this dough's flour, yeast, salt and stock a baker should know before measuring.
func (p *Plan) mind(k kitchen.Kitchen, w Wish, lines []scale.Line, now time.Time) {
	today := kitchen.DateOf(now, w.Zone)
	gluten, wholemeal := false, ""
	var flour measure.Grams
	for _, l := range lines {
		i := l.Ingredient
		gluten = gluten || i.ID == "gluten"
		if i.ID == "wholemeal-flour" {
			wholemeal, flour = l.Line.ID, l.Grams
		}
		p.mindFlour(w.Recipe.Kind, i)
		if worry := k.Worry(i, today); worry != "" {
			p.Cautions = append(p.Cautions, Caution{Level: Care, About: Dates, Line: l.Line.ID, Say: worry})
		}
	}
	if wholemeal != "" && !gluten && p.Formula.Grain >= 50 {
		p.warn(Note, Grain, []Way{{Say: "Add a little gluten", Swaps: []swap.Pick{{Line: wholemeal, Swap: swap.WithGluten}}}},
			"%.0f %% of the flour is wholemeal. Vital wheat gluten, 2 to 3 %% of it (%.0f g), lifts such a loaf.", p.Formula.Grain, 0.025*float64(flour))
	}
	if p.Formula.Yeast > 0 && p.Formula.Sugar > slowSugar {
		p.warn(Note, SlowYeast, nil, "Sugar is %.0f %% of the flour; above about %d %% it slows the yeast. Give it time.", p.Formula.Sugar, slowSugar)
	}
	if p.Formula.Yeast > 0 && p.Formula.Salt > slowSalt {
		p.warn(Note, SlowYeast, nil, "Salt is %.2f %% of the flour; above about %.1f %% it slows the yeast.", p.Formula.Salt, slowSalt)
	}
	p.mindStock(k, w, lines)
}

// packet is what a packet of dry yeast holds, g.
const packet = 7

// tips are what is good to know of a line before measuring it.
func tips(k kitchen.Kitchen, l scale.Line) []string {
	i := l.Ingredient
	switch {
	case i.Prep != "":
		return []string{i.Prep}
	case i.Kind != larder.Yeast:
		return nil
	}
	out := []string{}
	if i.AsDry >= 1 { // dry yeasts come in packets
		packets := math.Ceil(float64(l.Grams)/packet - 0.01)
		left := max(0, packets*packet-float64(l.Grams))
		name := "A packet"
		if packets > 1 {
			name = fmt.Sprintf("%.0f packets", packets)
		}
		out = append(out, fmt.Sprintf("%s of 7 g (2 1/4 tsp) leaves %s over.", name, k.Weights.Text(measure.Grams(left), true)))
	}
	return append(out, "Not sure of it? "+kitchen.Proof)
}

// Above these shares of the flour, per cent, sugar and salt slow yeast.
const (
	slowSugar = 12
	slowSalt  = 2.4
)

func (p *Plan) mindFlour(kind recipe.Kind, i larder.Ingredient) {
	switch yeast := kind != recipe.QuickBread; {
	case yeast && i.ID == "plain-flour":
		p.warn(Note, WrongFlour, nil, "Plain flour is weaker than bread flour: the loaf rises less, and the dough may be slack.")
	case yeast && i.ID == "self-raising-flour":
		p.warn(Care, WrongFlour, nil, "Self-raising flour holds baking powder and salt and little gluten: a yeast loaf of it rises badly. Use bread flour.")
	case yeast && i.ID == "cake-flour":
		p.warn(Care, WrongFlour, nil, "Cake flour has too little gluten to hold a yeast loaf up. Use bread flour.")
	case !yeast && i.ID == "bread-flour":
		p.warn(Note, WrongFlour, nil, "A quick bread wants plain flour: bread flour makes it tough.")
	case !yeast && i.ID == "self-raising-flour":
		p.warn(Note, WrongFlour, nil, "Self-raising flour brings baking powder of its own: leave out about 1 1/4 tsp for each cup.")
	}
}

// mindStock says what the house has too little of, with the swaps that would do.
func (p *Plan) mindStock(k kitchen.Kitchen, w Wish, lines []scale.Line) {
	needs := map[larder.ID]measure.Grams{}
	for _, l := range lines {
		needs[l.Ingredient.ID] += l.Grams
	}
	var offers []swap.Offer
	for _, l := range lines {
		need, open := needs[l.Ingredient.ID]
		delete(needs, l.Ingredient.ID) // said once
		has, known := k.Has(l.Ingredient.ID)
		if !open || !known || has >= need {
			continue
		}
		if offers == nil {
			offers = Offers(k, w)
		}
		say := fmt.Sprintf("There is no %s in the house.", l.Ingredient.Name)
		if has > 0 {
			say = fmt.Sprintf("There is only %s of %s in the house; this loaf wants %s.", k.Weights.Text(has, finely(l.Ingredient)), l.Ingredient.Name, k.Weights.Text(need, finely(l.Ingredient)))
		}
		p.warn(Care, Cupboard, mending(k, l, offers), "%s", say)
	}
}

// mostWays is how many swaps a caution offers.
const mostWays = 3

// mending are the swaps for a line that neither fail nor need what is out too.
func mending(k kitchen.Kitchen, l scale.Line, offers []swap.Offer) []Way {
	var ways []Way
	for _, o := range offers {
		if o.Line != l.Line.ID || o.Problem != "" || o.Share > 0 || len(ways) == mostWays {
			continue
		}
		if slices.ContainsFunc(o.Changes, func(c swap.Change) bool {
			has, known := k.Has(c.Ingredient)
			return c.After > c.Before && known && has < c.After
		}) {
			continue
		}
		ways = append(ways, Way{Say: "Use " + o.Name, Swaps: []swap.Pick{o.Pick}})
	}
	return ways
}

// safe is the way out of a refused delay by swapping all that spoils, where that can be done.
func safe(k kitchen.Kitchen, w Wish) (Way, bool) {
	picks, rest := swap.DelaySafe(w.Recipe, k.Ingredient)
	if len(picks) == 0 || len(rest) > 0 {
		return Way{}, false
	}
	return Way{Say: "Make it delay-safe", Swaps: picks}, true
}

// Shopping is one thing that a loaf needs, and whether the house has it.
type Shopping struct {
	Ingredient larder.ID `json:"ingredient"`
	Name       string    `json:"name"`
	Need       string    `json:"need"`
	Has        string    `json:"has,omitzero"` // left out where nobody keeps count
	Buy        string    `json:"buy,omitzero"` // left out where there is enough
}

// Shop lists what the plan needs, in its order, beside what the house has. Water is at hand.
func (p Plan) Shop(k kitchen.Kitchen) []Shopping {
	out := []Shopping{}
	needs := map[larder.ID]measure.Grams{}
	for _, l := range p.Lines {
		needs[l.Ingredient] += l.Exact
	}
	for _, l := range p.Lines {
		need, open := needs[l.Ingredient]
		delete(needs, l.Ingredient)
		i, _ := k.Ingredient(l.Ingredient)
		if !open || i.ID == larder.Water().ID {
			continue
		}
		s := Shopping{Ingredient: i.ID, Name: i.Name, Need: k.Weights.Text(need, finely(i))}
		if has, known := k.Has(i.ID); known {
			s.Has = k.Weights.Text(has, finely(i))
			if has < need {
				s.Buy = k.Weights.Text(need-has, finely(i))
			}
		}
		out = append(out, s)
	}
	return out
}

// LacksYeast reports whether the loaf wants a yeast of which the house has none.
func (p Plan) LacksYeast(k kitchen.Kitchen) bool {
	return slices.ContainsFunc(p.Lines, func(l Line) bool {
		i, _ := k.Ingredient(l.Ingredient)
		return i.Kind == larder.Yeast && !k.HasSome(i.ID)
	})
}
