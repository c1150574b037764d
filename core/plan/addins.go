package plan

import (
	"fmt"
	"regexp"
	"slices"
	"strings"

	"risepan/core/fault"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/recipe"
	"risepan/core/scale"
	"risepan/core/vocab"
)

// AddInWay is how add-ins get into the dough.
type AddInWay string

const (
	WithHands AddInWay = "by hand"      // at the beep, or its clock time
	InBox     AddInWay = "dispenser"    // which drops them in by itself
	AtStart   AddInWay = "at the start" // with everything else
)

var AddInWays = []AddInWay{WithHands, InBox, AtStart}

func (a AddInWay) Words() []string { return vocab.List(AddInWays) }
func (a *AddInWay) UnmarshalText(text []byte) error {
	return vocab.Read(a, text, "way for add-ins", AddInWays)
}

// AddIns is how and when the add-ins of a loaf go in.
type AddIns struct {
	Way     AddInWay            `json:"way"` // of all of them; by hand where some go so and others do not
	Why     string              `json:"why"`
	Volume  measure.Millilitres `json:"volume"`
	Carries measure.Millilitres `json:"carries"`        // what the dough carries
	Box     measure.Millilitres `json:"box"`            // what the dispenser holds; 0 without one
	NoBox   string              `json:"noBox,omitzero"` // why none of them can go in the dispenser
	Lines   []string            `json:"lines"`
	Each    []AddIn             `json:"each,omitzero"`   // a plan of old has none: then all go in the one way
	Silent  bool                `json:"silent,omitzero"` // the cycle has no beep for them: they go in by the clock
}

// AddIn is one add-in and its own way in.
type AddIn struct {
	Line  string   `json:"line"`
	Name  string   `json:"name"`
	Way   AddInWay `json:"way"`
	NoBox string   `json:"noBox,omitzero"` // why it cannot go in the dispenser
}

// Of is the way in of a line; empty for a line that is no add-in.
func (a *AddIns) Of(line string) AddInWay {
	switch n := a.index(line); {
	case a == nil || !slices.Contains(a.Lines, line):
		return ""
	case n < 0:
		return a.Way
	default:
		return a.Each[n].Way
	}
}

func (a *AddIns) index(line string) int {
	if a == nil {
		return -1
	}
	return slices.IndexFunc(a.Each, func(e AddIn) bool { return e.Line == line })
}

// named lists the add-ins that go in one way.
func (a *AddIns) named(way AddInWay) []string {
	var names []string
	for _, e := range a.Each {
		if e.Way == way {
			names = append(names, e.Name)
		}
	}
	return names
}

// asks reports whether anything goes in when the machine beeps.
func (a *AddIns) asks() bool { return len(a.named(AtStart)) < len(a.Each) }

// carried is the share of the flour's volume that a dough carries: a third of a cup to a cup of flour.
const carried = 1.0 / 3

// placeAddIns decides how each add-in goes in: as wished, else by the dispenser where it can, else by hand
// where somebody is there, else at the start. It is nil where there are none.
func placeAddIns(m machine.Machine, t Timing, lines []scale.Scaled) (*AddIns, error) {
	a := AddIns{Box: m.Dispenser, Lines: []string{}, Carries: volumeOf(lines, larder.Flour) * carried}
	fits := measure.Millilitres(0) // what could go in the dispenser
	for _, l := range lines {
		if l.Line.When != recipe.AtBeep || l.Line.Part != recipe.InDough {
			continue
		}
		e := AddIn{Line: l.Line.ID, Name: l.Ingredient.Name}
		volume := l.Ingredient.Volume(l.Grams)
		switch {
		case a.Box == 0:
			e.NoBox = m.Name + " has no dispenser."
		case l.Ingredient.Dispenser == larder.NoHopper && !patted(l):
			e.NoBox = fmt.Sprintf("%s: too %s for a dispenser, where it would stay.", vocab.Upper(e.Name),
				l.Ingredient.WhyNoHopper())
		default:
			fits += volume
		}
		a.Volume += volume
		a.Lines, a.Each = append(a.Lines, e.Line), append(a.Each, e)
	}
	if len(a.Lines) == 0 {
		return nil, nil
	}
	if fits > a.Box && a.Box > 0 {
		for n, e := range a.Each {
			if e.NoBox == "" {
				a.Each[n].NoBox = fmt.Sprintf("What could go in it fills %.0f ml, and the dispenser holds %.0f ml.",
					float64(fits), float64(a.Box))
			}
		}
	}
	if !slices.ContainsFunc(a.Each, func(e AddIn) bool { return e.NoBox == "" }) {
		a.NoBox = a.Each[0].NoBox
	}
	if t.AddIns == InBox && a.NoBox != "" {
		return nil, fault.At("/time/addIns", "not in the dispenser: %s", a.NoBox)
	}
	for n := range a.Each {
		e := &a.Each[n]
		own := t.Ways[e.Line]
		if own == InBox && e.NoBox != "" {
			return nil, fault.At("/time/ways/"+e.Line, "not in the dispenser: %s", e.NoBox)
		}
		e.Way = e.goes(own, t)
	}
	a.Way, a.Why = a.together(t.Away)
	return &a, nil
}

// drained is a note that says that what is wet was drained or patted dry.
var drained = regexp.MustCompile(`(?i)\b(?:drained|patted dry|pat dry|well dried)\b`)

// patted reports whether an add-in that is only too wet for a dispenser is drained, as its line says.
func patted(l scale.Scaled) bool {
	return drained.MatchString(l.Line.Note) && l.Ingredient.Kind != larder.Syrup && !l.Ingredient.Raw &&
		l.Ingredient.Kind != larder.DryExtra
}

// goes is an add-in's way: its own, else the wish for all of them, else as suits best.
func (e AddIn) goes(own AddInWay, t Timing) AddInWay {
	wished := t.AddIns
	if own != "" {
		wished = own
	}
	switch {
	case wished == AtStart:
		return AtStart
	case wished == WithHands:
		return WithHands
	case e.NoBox == "":
		return InBox
	case t.Away:
		return AtStart
	}
	return WithHands
}

// whys say why an add-in goes in as it does.
var whys = map[AddInWay]string{
	InBox:     "The dispenser drops them in near the end of the last knead.",
	AtStart:   "With everything else: they get more broken, and need nobody.",
	WithHands: "Near the end of the last knead, so that they stay whole and spread.",
}

// together is the way of all add-ins, with the reason. Where they differ it is the one that asks most of the
// hands, and each is named.
func (a *AddIns) together(away bool) (AddInWay, string) {
	var parts []string
	for _, way := range []AddInWay{InBox, WithHands, AtStart} {
		names := a.named(way)
		switch {
		case len(names) == len(a.Each) && way == AtStart && away:
			return way, strings.TrimSpace("Nobody is there for the beep, so they go in with everything else. " +
				a.NoBox)
		case len(names) == len(a.Each):
			return way, whys[way]
		case len(names) > 0:
			parts = append(parts, fmt.Sprintf("%s: %s.", vocab.Upper(way.said()), inWords(names)))
		}
	}
	if len(a.named(WithHands)) == 0 {
		return InBox, strings.Join(parts, " ")
	}
	return WithHands, strings.Join(parts, " ")
}

func (a AddInWay) said() string {
	if a == InBox {
		return "by the dispenser"
	}
	return string(a)
}

// atBeep reports whether a line is kept out of the pan until its moment.
func (g Programme) atBeep(l recipe.Line) bool {
	return l.When == recipe.AtBeep && g.AddIns.Of(l.ID) != AtStart
}
