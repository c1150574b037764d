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
	Meets  dough.Meeting   `json:"meets,omitzero"` // how yeast meets the liquid
	Bears  dough.Bearing   `json:"bears,omitzero"` // and what it says to the warmth that it meets
	Yeast  measure.Celsius `json:"yeast,omitzero"` // that warmth: of bloomed yeast that of all in the cup
	Dies   string          `json:"dies"`           // yeast, near
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
	cup         []int               // of the parts, what bloomed yeast is stirred into
	sought      int                 // the liquid among the parts; -1 without one
	own         measure.Temperature // that the recipe asks of that liquid; zero: none
	meeting     dough.Meeting
}

// meetingOf is how yeast meets the liquid: stirred into it, in the flour as a rapid-rise yeast on a rapid cycle, else
// dry in its layer.
func meetingOf(d Dough, g Programme, order pan.Order) dough.Meeting {
	yeasts, rapid := 0, 0
	for _, l := range d.lines {
		if l.Ingredient.Kind == larder.Yeast && l.Line.Part == recipe.InDough {
			yeasts++
			if l.Ingredient.Rapid {
				rapid++
			}
		}
	}
	switch {
	case order == pan.Bloomed:
		return dough.Dissolved
	case yeasts > 0 && rapid == yeasts && g.cycle.Character == machine.Rapid:
		return dough.Mixed
	}
	return dough.Layered
}

// temper works out how warm the liquid must be, in a pan loaded in an order with what of each line goes in.
func temper(p Place, w Wish, d Dough, g Programme, order pan.Order, goesIn []measure.Grams) (Heat, error) {
	t := tempering{
		room: p.Kitchen.Room, flour: w.Warmth.Flour, rise: p.Machine.KneadRise,
		sought: -1, meeting: meetingOf(d, g, order),
	}
	if !w.Warmth.Room.IsZero() {
		t.room = w.Warmth.Room
	}
	if t.flour.IsZero() {
		t.flour = t.room
	}
	if t.rise == 0 {
		t.rise = dough.KneadRise
	}
	if err := dough.CheckRoom(t.room); err != nil {
		return Heat{}, fault.At("/hands/warmth/room", "%v", err)
	}
	if err := dough.CheckRoom(t.flour); err != nil {
		return Heat{}, fault.At("/hands/warmth/flour", "%v", err)
	}
	t.weigh(d.lines, goesIn, w.Warmth)
	show := p.Kitchen.Degrees.Text
	h := Heat{Room: show(t.room.Celsius()), Flour: show(t.flour.Celsius()), Rise: p.Kitchen.Degrees.Difference(t.rise),
		Target: show(dough.Target), Parts: []HeatPart{}}
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
		why += fmt.Sprintf(" This cycle begins with %d minutes of rest, which evens out what is colder or warmer.",
			s[0].To)
	}
	h.Line, h.Name, h.Dies, h.Why = t.parts[t.sought].Line, t.heat[t.sought].Name, show(dough.YeastDies), why
	h.Liquid, h.Cool, h.At, h.Touch = liquid, cool, show(liquid), dough.Touch(p.Kitchen.Degrees.Round(liquid))
	if h.Meets, h.Yeast = t.meeting, t.meets(); cool {
		h.At = "cool"
	} else {
		h.Bears = t.meeting.Bears(h.Yeast, p.Kitchen.Degrees)
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
	dough.Layered: "dry yeast kept apart from it", dough.Dissolved: "yeast stirred into it",
	dough.Mixed: "rapid-rise yeast in the flour",
}

// inCup are the kinds of ingredient that bloomed yeast is stirred into.
var inCup = []larder.Kind{larder.Liquid, larder.Egg, larder.Syrup, larder.Puree}

// weigh lists what the dough is mixed of, each at its temperature; the liquid of which there is most
// is the one that is tempered.
func (t *tempering) weigh(lines []scale.Scaled, goesIn []measure.Grams, said Warmth) {
	most := measure.Grams(0)
	t.parts, t.heat = make([]dough.Part, 0, len(lines)), make([]HeatPart, 0, len(lines))
	for n, l := range lines {
		if l.Line.Part != recipe.InDough || l.Line.When == recipe.AtBeep {
			continue
		}
		part := dough.Part{Line: l.Line.ID, Grams: goesIn[n], Heat: dough.SpecificHeat(l.Ingredient),
			At: t.room.Celsius()}
		cold := slices.Contains(said.Cold, l.Line.ID)
		own, _ := l.Line.Aside().Temperature()
		if said.Tempered {
			own = measure.Temperature{}
		}
		switch {
		case cold:
			part.At = dough.Fridge
		case l.Line.When == recipe.Warmed:
			part.At = dough.Cooled
		case l.Ingredient.Kind == larder.Flour:
			part.At = t.flour.Celsius()
		case l.Ingredient.Kind == larder.Liquid && !own.IsZero():
			part.At = own.Celsius()
		}
		if l.Ingredient.Kind == larder.Liquid && l.Line.When == recipe.InPan && l.Grams > most {
			t.sought, most, t.own = len(t.parts), l.Grams, own
		}
		if slices.Contains(inCup, l.Ingredient.Kind) && l.Line.When != recipe.AtKnead {
			t.cup = append(t.cup, len(t.parts))
		}
		t.parts = append(t.parts, part)
		t.heat = append(t.heat, HeatPart{Name: l.Ingredient.Name, Cold: cold})
	}
}

// inTheCup are the parts that bloomed yeast is stirred into, and which of them is sought.
func (t *tempering) inTheCup() (parts []dough.Part, sought int) {
	for _, n := range t.cup {
		if n == t.sought {
			sought = len(parts)
		}
		parts = append(parts, t.parts[n])
	}
	return parts, sought
}

// meets is the warmth that the yeast meets: of bloomed yeast that of all in the cup, else that of the hottest liquid.
func (t *tempering) meets() measure.Celsius {
	parts, _ := t.inTheCup()
	if t.meeting == dough.Dissolved {
		return dough.Mix(parts)
	}
	hottest := t.parts[t.sought].At
	for _, part := range parts {
		hottest = max(hottest, part.At)
	}
	return hottest
}

// decide is the liquid's temperature by the kitchen's school, whether that is cool for a delay, and
// why.
func (t *tempering) decide(k kitchen.Kitchen, g Programme) (liquid measure.Celsius, cool bool, why string) {
	balance := dough.For(t.parts, t.sought, dough.Target-t.rise)
	switch {
	case g.Timer.Setting > 0:
		return dough.ForDelay(t.room.Celsius()), true,
			"Cool, for the delay: whatever its warmth, it stands at the kitchen's temperature by the time the " +
				"kneading begins, and the yeast must stay asleep."
	case !t.own.IsZero():
		return t.own.Celsius(), false, fmt.Sprintf("As the recipe has it. The balance would ask for %s.",
			k.Degrees.Text(t.within(balance)))
	case t.meeting == dough.Dissolved:
		liquid = t.within(balance)
		why = "Warm enough to wake the yeast that is stirred into it, and not so hot that it dies."
		if parts, _ := t.inTheCup(); len(parts) > 1 {
			why = fmt.Sprintf("So that all in the cup comes to %s, where yeast wakes: the other things in it are "+
				"cooler.", k.Degrees.Text(dough.Mix(t.cupAt(liquid))))
		}
		return liquid, false, why
	case k.Liquid == dough.AtRoom:
		return t.room.Celsius(), false, "As this kitchen likes it: everything at room temperature."
	case k.Liquid == dough.Hot && t.meeting == dough.Mixed:
		return dough.HotForRapid, false,
			"Hot, for rapid-rise yeast mixed with the flour on a rapid cycle. This temperature is " +
				"fixed, and not calculated."
	}
	liquid = t.within(balance)
	why = fmt.Sprintf("So that the dough leaves the kneading at %s, after the %s that kneading adds.",
		k.Degrees.Text(dough.Target), k.Degrees.Difference(t.rise))
	if liquid != balance {
		why = fmt.Sprintf("The ideal would be %s, which is out of reach or would harm the yeast; this is as near as it "+
			"gets.", k.Degrees.Text(balance))
	}
	if k.Liquid == dough.Hot {
		why += " Hot liquid is for rapid-rise yeast on a rapid cycle only."
	}
	return liquid, false, why
}

// within is what the liquid may have: of bloomed yeast, what brings all in the cup to the warmth in which it wakes.
func (t *tempering) within(balance measure.Celsius) measure.Celsius {
	switch t.meeting {
	case dough.Dissolved:
		parts, sought := t.inTheCup()
		return dough.ForCup(parts, sought)
	case dough.Mixed: // warmer than need be is for the hot school alone
		return dough.LimitsFor(dough.Layered).Within(balance)
	}
	return dough.LimitsFor(t.meeting).Within(balance)
}

// cupAt is what is in the cup with the liquid at a temperature.
func (t *tempering) cupAt(liquid measure.Celsius) []dough.Part {
	parts, sought := t.inTheCup()
	parts[sought].At = liquid
	return parts
}

// heat says what is too hot for the yeast, or too cool to wake it, with what mends it.
func (j *judgement) heat() {
	h, d := j.amounts.Heat, j.Kitchen.Degrees
	high := d.Text(dough.LimitsFor(h.Meets).High)
	ways := []Remedy{{Say: "Work out a safe temperature", Tempered: true}}
	switch h.Bears {
	case dough.Kills:
		j.say(Stop, Heated, ways, "The yeast would meet %s, and none survives %s or more. Let it cool to %s or less "+
			"before anything else goes in.", d.Text(h.Yeast), d.Text(dough.Deadly), high)
	case dough.TooHot:
		if j.programme.cycle.Character == machine.Rapid && h.Meets == dough.Layered {
			ways = append(ways, j.rapidYeast()...)
		}
		j.say(Care, Heated, ways, "The yeast would meet %s, and stands %s at most, as %s: hotter, it works less or "+
			"dies. Let it cool first.", d.Text(h.Yeast), high, meetings[h.Meets])
	case dough.TooCool:
		j.say(Care, Heated, ways, "All in the cup comes to %s: yeast wakes from %s on. Warm the %s more, or what "+
			"else is in the cup.", d.Text(h.Yeast), d.Text(dough.LimitsFor(h.Meets).Low), h.Name)
	}
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
