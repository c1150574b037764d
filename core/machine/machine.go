// Package machine describes bread machines: their pan, sizes and crusts, the stages of their
// cycles minute by minute, and the rule of their delay timer.
package machine

import (
	"fmt"
	"slices"
	"strings"

	"risepan/core/fault"
	"risepan/core/measure"
	"risepan/core/pan"
	"risepan/core/word"
)

// Minutes is a length of time on a machine's display, in whole minutes.
type Minutes int

// String writes hours and minutes as the display does: "3:05".
func (m Minutes) String() string { return fmt.Sprintf("%d:%02d", m/60, m%60) }

// Crust is how dark the machine bakes.
type Crust string

const (
	Light  Crust = "light"
	Medium Crust = "medium"
	Dark   Crust = "dark"
)

var Crusts = []Crust{Light, Medium, Dark}

func (c Crust) Words() []string                  { return word.List(Crusts) }
func (c *Crust) UnmarshalText(text []byte) error { return word.Read(c, text, "crust", Crusts) }

// Character is what a cycle is for.
type Character string

const (
	Basic      Character = "basic"
	Wholemeal  Character = "wholemeal"
	CrustyLoaf Character = "crusty"
	Sweet      Character = "sweet"
	Rapid      Character = "rapid"
	GlutenFree Character = "gluten-free"
	LowCarb    Character = "low-carb"
	QuickBread Character = "quick bread"
	Dough      Character = "dough"
	BakeOnly   Character = "bake only"
)

var Characters = []Character{Basic, Wholemeal, CrustyLoaf, Sweet, Rapid, GlutenFree, LowCarb, QuickBread, Dough, BakeOnly}

func (c Character) Words() []string { return word.List(Characters) }
func (c *Character) UnmarshalText(text []byte) error {
	return word.Read(c, text, "character of a cycle", Characters)
}

// StageKind is what the machine does in a stage.
type StageKind string

const (
	Rest      StageKind = "rest" // or preheat: ingredients come to one temperature
	Knead     StageKind = "knead"
	Rise      StageKind = "rise"
	KnockBack StageKind = "knock-back"
	Bake      StageKind = "bake"
)

var StageKinds = []StageKind{Rest, Knead, Rise, KnockBack, Bake}

func (k StageKind) Words() []string                  { return word.List(StageKinds) }
func (k *StageKind) UnmarshalText(text []byte) error { return word.Read(k, text, "stage", StageKinds) }

// Variation is a stage's length for one size, one crust or both; an empty field stands for any.
type Variation struct {
	Size    measure.LoafSize `json:"size,omitzero"`
	Crust   Crust            `json:"crust,omitzero"`
	Minutes Minutes          `json:"minutes"`
}

// Stage is one stage of a cycle.
type Stage struct {
	Kind    StageKind   `json:"kind"`
	Minutes Minutes     `json:"minutes"`
	Vary    []Variation `json:"vary,omitzero"` // the first that fits replaces Minutes
}

// For is the stage's length at a size and crust.
func (s Stage) For(size measure.LoafSize, crust Crust) Minutes {
	for _, v := range s.Vary {
		if (v.Size.IsZero() || v.Size == size) && (v.Crust == "" || v.Crust == crust) {
			return v.Minutes
		}
	}
	return s.Minutes
}

// Cycle is one programme of a machine.
type Cycle struct {
	ID        string    `json:"id"`
	Panel     string    `json:"panel"` // its number on the panel
	Name      string    `json:"name"`
	Character Character `json:"character"`
	Stages    []Stage   `json:"stages"`
	// BeepBeforeKneadEnd sounds the add-in beep so long before the last knead ends; 0 without one.
	BeepBeforeKneadEnd Minutes `json:"beepBeforeKneadEnd,omitzero"`
	Delay              bool    `json:"delay"`     // the delay timer works with it
	HasCrust           bool    `json:"hasCrust"`  // the crust can be chosen
	KeepsWarm          bool    `json:"keepsWarm"` // goes over to keep warm at its end
}

// Span is one stage of a run, in minutes from when the cycle begins.
type Span struct {
	Kind StageKind `json:"kind"`
	From Minutes   `json:"from"`
	To   Minutes   `json:"to"`
}

// Run lays the cycle's stages end to end for a size and crust, leaving out those of no minutes.
func (c Cycle) Run(size measure.LoafSize, crust Crust) []Span {
	var at Minutes
	var out []Span
	for _, s := range c.Stages {
		if m := s.For(size, crust); m > 0 {
			out = append(out, Span{s.Kind, at, at + m})
			at += m
		}
	}
	return out
}

// Total is how long the cycle takes without keep warm.
func (c Cycle) Total(size measure.LoafSize, crust Crust) Minutes {
	var t Minutes
	for _, s := range c.Stages {
		t += s.For(size, crust)
	}
	return t
}

// Beep is the minute of the add-in beep; ok is false for a cycle without one.
func (c Cycle) Beep(size measure.LoafSize, crust Crust) (at Minutes, ok bool) {
	if c.BeepBeforeKneadEnd <= 0 {
		return 0, false
	}
	for _, s := range c.Run(size, crust) {
		if s.Kind == Knead {
			at, ok = s.To-c.BeepBeforeKneadEnd, true
		}
	}
	return at, ok
}

// DelayRule is what the number on the delay timer means.
type DelayRule string

const (
	FinishBased DelayRule = "finish-based" // hours until the bread is done, cycle included
	StartBased  DelayRule = "start-based"  // hours until the cycle begins
)

var DelayRules = []DelayRule{FinishBased, StartBased}

func (r DelayRule) Words() []string { return word.List(DelayRules) }
func (r *DelayRule) UnmarshalText(text []byte) error {
	return word.Read(r, text, "delay rule", DelayRules)
}

// Delay is a machine's delay timer. A machine without one has a step of 0.
type Delay struct {
	Rule    DelayRule `json:"rule"`
	Step    Minutes   `json:"step"`
	Largest Minutes   `json:"largest"`
}

// Paddles are a machine's kneading paddles.
type Paddles struct {
	Count   int  `json:"count"`
	Folding bool `json:"folding"`
}

// Machine is a bread machine as its owner's booklet describes it.
type Machine struct {
	Name      string              `json:"name"`
	Sizes     []measure.LoafSize  `json:"sizes"`
	Crusts    []Crust             `json:"crusts"`
	Vessel    pan.Vessel          `json:"vessel"`
	Paddles   Paddles             `json:"paddles"`
	Loading   pan.Order           `json:"loading"`
	Dispenser measure.Millilitres `json:"dispenser"` // fruit and nuts; 0 without one
	Delay     Delay               `json:"delay"`
	KeepWarm  Minutes             `json:"keepWarm"`
	CoolDown  Minutes             `json:"coolDown"`           // before it will start again
	KneadRise measure.Celsius     `json:"kneadRise,omitzero"` // that its kneading adds; 0: the usual
	Window    bool                `json:"window"`
	Cycles    []Cycle             `json:"cycles"`
}

// Bakes reports whether the machine bakes a loaf of the size.
func (m Machine) Bakes(s measure.LoafSize) bool { return slices.Contains(m.Sizes, s) }

// SizesInWords lists the machine's sizes for a sentence: "1 lb, 1 1/2 lb".
func (m Machine) SizesInWords() string {
	var w []string
	for _, s := range m.Sizes {
		w = append(w, s.String())
	}
	return strings.Join(w, ", ")
}

// Cycle finds a cycle by its id.
func (m Machine) Cycle(id string) (Cycle, bool) {
	n := slices.IndexFunc(m.Cycles, func(c Cycle) bool { return c.ID == id })
	if n < 0 {
		return Cycle{}, false
	}
	return m.Cycles[n], true
}

// longestStage is the most minutes that a stage of a home machine can last.
const longestStage = 24 * 60

// Check reports the first thing about the machine that cannot be, as a *fault.Fault at its field.
func (m Machine) Check() error {
	switch {
	case strings.TrimSpace(m.Name) == "":
		return fault.At("/name", "give the machine a name of your own")
	case len(m.Sizes) == 0:
		return fault.At("/sizes", "a machine bakes at least one loaf size")
	case m.Vessel.Length <= 0 || m.Vessel.Width <= 0 || m.Vessel.Depth <= 0:
		return fault.At("/vessel", "the pan's length, width and depth are millimetres above 0")
	case m.Loading == "":
		return fault.At("/loading", "say in which order the booklet loads the pan: wet first or dry first")
	case len(m.Cycles) == 0:
		return fault.At("/cycles", "a machine has at least one cycle")
	case m.Delay.Step < 0 || m.Delay.Largest < 0 || (m.Delay.Step > 0 && m.Delay.Rule == ""):
		return fault.At("/delay", "a delay timer has a rule, a step and a largest value above 0")
	}
	for n, c := range m.Cycles {
		if err := m.checkCycle(fmt.Sprintf("/cycles/%d", n), c); err != nil {
			return err
		}
	}
	return nil
}

func (m Machine) checkCycle(at string, c Cycle) error {
	if len(c.Stages) == 0 {
		return fault.At(at+"/stages", "%s has no stages", c.Name)
	}
	for n, s := range c.Stages {
		for _, length := range append([]Variation{{Minutes: s.Minutes}}, s.Vary...) {
			if length.Minutes < 0 || length.Minutes > longestStage {
				return fault.At(fmt.Sprintf("%s/stages/%d/minutes", at, n), "a stage lasts from 0 to %d minutes, not %d", longestStage, length.Minutes)
			}
		}
	}
	for _, size := range m.Sizes {
		if b, ok := c.Beep(size, Medium); (ok && b < 0) || (!ok && c.BeepBeforeKneadEnd > 0) {
			return fault.At(at+"/beepBeforeKneadEnd", "the beep of %s falls outside its kneading", c.Name)
		}
		if c.Total(size, Medium) <= 0 {
			return fault.At(at+"/stages", "%s takes no time at all", c.Name)
		}
	}
	return nil
}
