package plan

import (
	"fmt"
	"math"
	"slices"

	"risepan/core/dough"
	"risepan/core/fault"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/pan"
	"risepan/core/recipe"
	"risepan/core/scale"
)

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

// tempering is a balance of heat while it is worked out.
type tempering struct {
	room, flour measure.Temperature
	rise        measure.Celsius // that kneading adds
	parts       []dough.Part
	heat        []HeatPart
	sought      int                 // the liquid among the parts; -1 without one
	own         measure.Temperature // that the recipe asks of that liquid; zero: none
	rapid       bool
	meeting     dough.Meeting
}

// temper works out how warm the liquid must be, in a pan loaded in an order with what of each line goes in.
func temper(p Place, w Wish, d Dough, g Programme, order pan.Order, goesIn []measure.Grams) (Heat, error) {
	t := tempering{room: p.Kitchen.Room, flour: w.Warmth.Flour, rise: p.Machine.KneadRise, sought: -1, meeting: dough.Layered}
	if !w.Warmth.Room.IsZero() {
		t.room = w.Warmth.Room
	}
	if t.flour.IsZero() {
		t.flour = t.room
	}
	if t.rise == 0 {
		t.rise = dough.KneadRise
	}
	if order == pan.Bloomed {
		t.meeting = dough.Dissolved
	}
	if err := dough.CheckRoom(t.room); err != nil {
		return Heat{}, fault.At("/hands/warmth/room", "%v", err)
	}
	if err := dough.CheckRoom(t.flour); err != nil {
		return Heat{}, fault.At("/hands/warmth/flour", "%v", err)
	}
	t.weigh(d.lines, goesIn, w.Warmth.Cold)
	show := p.Kitchen.Degrees.Text
	h := Heat{Room: show(t.room.Celsius()), Flour: show(t.flour.Celsius()), Rise: p.Kitchen.Degrees.Difference(t.rise), Target: show(dough.Target), Parts: []HeatPart{}}
	if t.sought < 0 || d.Formula.Yeast == 0 {
		return h, nil
	}
	liquid, cool, why := t.decide(p.Kitchen, g)
	if cool {
		for n := range t.parts {
			t.parts[n].At = t.room.Celsius()
		}
	} else {
		t.parts[t.sought].At = liquid
	}
	if s := g.Stages; len(s) > 0 && s[0].Kind == machine.Rest && s[0].To >= forgives {
		why += fmt.Sprintf(" This cycle begins with %d minutes of rest, which evens out what is colder or warmer.", s[0].To)
	}
	h.Line, h.Name, h.Dies, h.Why = t.parts[t.sought].Line, t.heat[t.sought].Name, show(dough.YeastDies), why
	h.Liquid, h.Cool, h.At, h.Touch = liquid, cool, show(liquid), p.Kitchen.Degrees.Say(dough.Touch(liquid))
	if cool {
		h.At = "cool"
	}
	h.Leaves = show(dough.Mix(t.parts) + t.rise)
	h.Limit = fmt.Sprintf("at most %s with %s", show(dough.LimitsFor(t.meeting).High), meetings[t.meeting])
	h.Kettle = t.kettle(p.Kitchen, liquid, cool)
	h.Parts = t.heat
	for n, part := range t.parts {
		h.Parts[n].Part, h.Parts[n].Shown, h.Parts[n].Sought = part, show(part.At), n == t.sought && !cool
		h.Parts[n].Share = 100 * part.Capacity() / dough.Capacity(t.parts)
	}
	return h, nil
}

// meetings say how yeast meets the liquid.
var meetings = map[dough.Meeting]string{
	dough.Layered: "dry yeast kept apart from it", dough.Dissolved: "yeast stirred into it", dough.Mixed: "rapid-rise yeast in the flour",
}

// weigh lists what the dough is mixed of, each at its temperature; the liquid of which there is most
// is the one that is tempered.
func (t *tempering) weigh(lines []scale.Line, goesIn []measure.Grams, fromFridge []string) {
	most := measure.Grams(0)
	t.parts, t.heat = make([]dough.Part, 0, len(lines)), make([]HeatPart, 0, len(lines))
	for n, l := range lines {
		if l.Line.Part != recipe.InDough || l.Line.When == recipe.AtBeep {
			continue
		}
		t.rapid = t.rapid || l.Ingredient.Rapid
		part := dough.Part{Line: l.Line.ID, Grams: goesIn[n], Heat: dough.SpecificHeat(l.Ingredient), At: t.room.Celsius()}
		cold := slices.Contains(fromFridge, l.Line.ID)
		switch {
		case cold:
			part.At = dough.Fridge
		case l.Line.When == recipe.Warmed:
			part.At = dough.Cooled
		case l.Ingredient.Kind == larder.Flour:
			part.At = t.flour.Celsius()
		}
		if l.Ingredient.Kind == larder.Liquid && l.Line.When == recipe.InPan && l.Grams > most {
			t.sought, most = len(t.parts), l.Grams
			t.own, _ = l.Line.Aside().Temperature()
		}
		t.parts = append(t.parts, part)
		t.heat = append(t.heat, HeatPart{Name: l.Ingredient.Name, Cold: cold})
	}
}

// decide is the liquid's temperature by the kitchen's school, whether that is cool for a delay, and
// why.
func (t *tempering) decide(k kitchen.Kitchen, g Programme) (liquid measure.Celsius, cool bool, why string) {
	balance := dough.For(t.parts, t.sought, dough.Target-t.rise)
	switch {
	case g.Timer.Setting > 0:
		return dough.ForDelay(t.room.Celsius()), true,
			"Cool, for the delay: whatever its warmth, it stands at the kitchen's temperature by the time the kneading begins, and the yeast must stay asleep."
	case !t.own.IsZero():
		return t.own.Celsius(), false, "As the recipe has it. " + t.harm(k)
	case k.Liquid == dough.AtRoom && t.meeting != dough.Dissolved:
		return t.room.Celsius(), false, "As this kitchen likes it: everything at room temperature."
	case k.Liquid == dough.Hot && t.rapid && g.cycle.Character == machine.Rapid:
		t.meeting = dough.Mixed
		return dough.HotForRapid, false,
			"Hot, for rapid-rise yeast mixed with the flour on a rapid cycle. This is a fixed temperature; the balance of heat is not asked."
	}
	liquid = dough.LimitsFor(t.meeting).Within(balance)
	switch {
	case t.meeting == dough.Dissolved:
		why = "Warm enough to wake the yeast that is stirred into it, and not so hot that it dies."
	case liquid != balance:
		why = fmt.Sprintf("The balance asks for %s, which is out of reach or harms the yeast; this is as near as it goes.", k.Degrees.Text(balance))
	default:
		why = fmt.Sprintf("So that the dough leaves the kneading at %s, after the %s that kneading adds.", k.Degrees.Text(dough.Target), k.Degrees.Difference(t.rise))
	}
	if k.Liquid == dough.Hot {
		why += " Hot liquid is for rapid-rise yeast on a rapid cycle only."
	}
	return liquid, false, why
}

// harm warns of a temperature of the recipe's own that the yeast does not stand.
func (t *tempering) harm(k kitchen.Kitchen) string {
	if high := dough.LimitsFor(t.meeting).High; t.own.Celsius() > high && !t.rapid {
		return fmt.Sprintf("It is above %s: let it cool before it meets the yeast.", k.Degrees.Text(high))
	}
	return fmt.Sprintf("The balance would ask for %s.", k.Degrees.Text(dough.For(t.parts, t.sought, dough.Target-t.rise)))
}

// kettle says how much boiling water and how much cold make the liquid, where it is water.
func (t *tempering) kettle(k kitchen.Kitchen, liquid measure.Celsius, cool bool) string {
	water := t.parts[t.sought]
	shares, ok := dough.FromKettle(water.Grams, liquid)
	if !ok || cool || water.Heat != dough.SpecificHeat(larder.Water()) {
		return ""
	}
	spoons := measure.NewRatio(int64(math.Round(float64(shares.Boiling)/gramsPerTbsp)), 1)
	cups := measure.Amount{Quantity: spoons.Over(measure.Whole(16)), Unit: measure.Cup}
	if cups.Quantity.Cmp(measure.NewRatio(1, 4)) < 0 {
		cups = measure.Amount{Quantity: spoons, Unit: measure.Tbsp}
	}
	return fmt.Sprintf("%s of boiling water (about %s), topped up with cold (%s) to %s",
		k.Weight(shares.Boiling, false), cups, k.Degrees.Text(shares.Tap), k.Weight(water.Grams, false))
}

// gramsPerTbsp is what a US tablespoon of water weighs.
const gramsPerTbsp = 14.8

// forgives is how long a rest before kneading evens temperatures out, minutes.
const forgives = 10
