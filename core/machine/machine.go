package machine

import (
	"fmt"
	"regexp"
	"slices"
	"strings"

	"risepan/core/measure"
	"risepan/core/pan"
	"risepan/core/vocab"
)

// Minutes is a length of time on a machine's display, in whole minutes.
type Minutes int

// String writes hours and minutes as the display has them, in a form that nobody takes for a clock time: "3 h 05".
func (m Minutes) String() string { return fmt.Sprintf("%d h %02d", m/60, m%60) }

// Crust is how dark the machine bakes.
type Crust string

const (
	Light  Crust = "light"
	Medium Crust = "medium"
	Dark   Crust = "dark"
)

var Crusts = []Crust{Light, Medium, Dark}

func (c Crust) Words() []string                  { return vocab.List(Crusts) }
func (c *Crust) UnmarshalText(text []byte) error { return vocab.Read(c, text, "crust", Crusts) }

// DelayRule is what the number on the delay timer means.
type DelayRule string

const (
	FinishBased DelayRule = "finish-based" // hours until the bread is done, cycle included
	StartBased  DelayRule = "start-based"  // hours until the cycle begins
	NoTimer     DelayRule = "none"
)

var DelayRules = []DelayRule{FinishBased, StartBased, NoTimer}

func (r DelayRule) Words() []string { return vocab.List(DelayRules) }
func (r *DelayRule) UnmarshalText(text []byte) error {
	return vocab.Read(r, text, "delay rule", DelayRules)
}

// FirstPress is what the first press of the timer's button does.
type FirstPress string

const (
	WholeStep FirstPress = "next whole step" // 3:22 goes on to 3:30
	OneStep   FirstPress = "one step on"     // 3:22 goes on to 3:32
)

var FirstPresses = []FirstPress{WholeStep, OneStep}

func (f FirstPress) Words() []string { return vocab.List(FirstPresses) }
func (f *FirstPress) UnmarshalText(text []byte) error {
	return vocab.Read(f, text, "first press of a timer", FirstPresses)
}

// Delay is a machine's delay timer. A machine without one has a step of 0.
type Delay struct {
	Rule    DelayRule  `json:"rule"`
	Step    Minutes    `json:"step"`
	Largest Minutes    `json:"largest"`
	First   FirstPress `json:"first,omitzero"` // empty: the next whole step
}

// base is what the display shows before the timer is touched, for a cycle of so many minutes.
func (d Delay) base(total Minutes) Minutes {
	if d.Rule == FinishBased {
		return total
	}
	return 0
}

// Least is what the display shows after the first press, for a cycle of so many minutes; 0 on a machine
// without a timer.
func (d Delay) Least(total Minutes) Minutes {
	switch b := d.base(total); {
	case d.Step <= 0:
		return 0
	case d.First == OneStep:
		return b + d.Step
	default:
		return (b/d.Step + 1) * d.Step
	}
}

// Most is the largest value that the display comes to; ok is false on a machine without a timer, and where
// even the first press goes beyond what the timer holds.
func (d Delay) Most(total Minutes) (m Minutes, ok bool) {
	least := d.Least(total)
	if d.Step <= 0 || least > d.Largest {
		return 0, false
	}
	return least + (d.Largest-least)/d.Step*d.Step, true
}

// Presses is how often the timer's button is pressed until it shows a value.
func (d Delay) Presses(total, value Minutes) int {
	if value <= 0 || d.Step <= 0 {
		return 0
	}
	return int((value-d.Least(total))/d.Step) + 1
}

// Paddles are a machine's kneading paddles.
type Paddles struct {
	Count   int  `json:"count"`
	Folding bool `json:"folding"`
}

// paddle finds the word in a sentence.
var paddle = regexp.MustCompile(`\b([Pp])addle\b`)

// Say is a sentence about the paddle, told of as many as there are.
func (p Paddles) Say(sentence string) string {
	if p.Count > 1 {
		return paddle.ReplaceAllString(sentence, "${1}addles")
	}
	return sentence
}

// Shape is the number of a machine's JSON shape.
const Shape = 1

// Machine is a bread machine as its owner's booklet describes it.
type Machine struct {
	Name      string              `json:"name"`
	Sizes     []measure.LoafSize  `json:"sizes"`
	Crusts    []Crust             `json:"crusts"`
	Vessel    pan.Vessel          `json:"vessel"`
	Paddles   Paddles             `json:"paddles"`
	Loading   pan.Order           `json:"loading"`
	Dispenser measure.Millilitres `json:"dispenser"`         // fruit and nuts; 0 without one
	YeastBox  bool                `json:"yeastBox,omitzero"` // yeast has a dispenser of its own
	Salt      pan.SaltPlace       `json:"salt,omitzero"`     // where the booklet says so
	Fat       pan.FatPlace        `json:"fat,omitzero"`
	Delay     Delay               `json:"delay"`
	KeepWarm  Minutes             `json:"keepWarm"`
	CoolDown  Minutes             `json:"coolDown"`           // before it will start again
	KneadRise measure.Celsius     `json:"kneadRise,omitzero"` // that its kneading adds; 0: the usual
	// shades by which crusts come out darker than they are set; below 0 paler
	Browns int     `json:"browns,omitzero"`
	Fills  float64 `json:"fills,omitzero"` // how much of the usual volume its loaves reach; 0: the usual
	Window bool    `json:"window"`
	Memory int     `json:"memory,omitzero"` // own cycles that it can store
	Panel  Panel   `json:"panel,omitzero"`
	Cycles []Cycle `json:"cycles"`
}

// Manner is how its booklet loads the pan.
func (m Machine) Manner() pan.Manner {
	out := pan.Manner{Order: m.Loading, Salt: m.Salt, Fat: m.Fat}
	if m.YeastBox {
		out.Yeast = pan.YeastBox
	}
	return out
}

// SizeSetting is what the size button is set to. It is a type of its own, because a loaf smaller than every
// setting is baked on the next larger one: its own size and the panel's setting are then two facts.
type SizeSetting struct{ measure.LoafSize }

// Bakes reports whether the machine has a setting for a loaf of exactly this size.
func (m Machine) Bakes(s measure.LoafSize) bool { return slices.Contains(m.Sizes, s) }

// SettingFor is the setting on which a loaf of so many pounds is baked: the smallest that is not smaller than
// the loaf. ok is false where the loaf is larger than every setting; it is then the largest.
func (m Machine) SettingFor(pounds measure.Ratio) (s SizeSetting, ok bool) {
	for _, size := range m.Sizes {
		holds, better := size.Pounds().Cmp(pounds) >= 0, size.Pounds().Cmp(s.Pounds()) < 0
		if s.IsZero() || holds && (!ok || better) || !holds && !ok && !better {
			s, ok = SizeSetting{size}, holds
		}
	}
	return s, ok
}

// CycleOf is the machine's first cycle of a character.
func (m Machine) CycleOf(c Character) (Cycle, bool) {
	n := slices.IndexFunc(m.Cycles, func(o Cycle) bool { return o.Character == c })
	if n < 0 {
		return Cycle{}, false
	}
	return m.Cycles[n], true
}

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
