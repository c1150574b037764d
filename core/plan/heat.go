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
		t, h.Cool = dough.ForDelay(room.Celsius()), true
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
