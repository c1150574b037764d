package plan

import (
	"fmt"
	"strings"

	"risepan/core/machine"
	"risepan/core/pan"
	"risepan/core/swap"
	"risepan/core/timetable"
	"risepan/core/vocab"
)

// Level is how much a caution matters.
type Level string

const (
	Stop Level = "stop" // the bake is not started like this
	Ask  Level = "ask"  // a question that the baker answers before anything is measured
	Care Level = "care" // something to do or to watch
	Note Level = "note" // good to know
)

var Levels = []Level{Stop, Ask, Care, Note}

func (l Level) Words() []string { return vocab.List(Levels) }
func (l *Level) UnmarshalText(text []byte) error {
	return vocab.Read(l, text, "level of caution", Levels)
}

// Caution is something that stands against a plan or should be known about it.
type Caution struct {
	Level Level    `json:"level"`
	About About    `json:"about"`
	Line  string   `json:"line,omitzero"` // that it is about, of a date or an unknown
	Name  string   `json:"name,omitzero"` // the ingredient that is asked about
	Say   string   `json:"say"`
	Ways  []Remedy `json:"ways,omitzero"`
}

// About is what a caution is about.
type About string

const (
	Spoils      About = "spoils in a delay"
	Timed       About = "time"
	Busy        About = "busy"
	Clocks      About = "clocks change"
	Overflow    About = "overflow"
	OutOfBand   About = "outside the usual"
	NoBeep      About = "no beep"
	Unfit       About = "cycle"
	Unmade      About = "not measurable"
	Measures    About = "measures"
	Unknown     About = "unknown"
	Implausible About = "implausible"
	Open        About = "not understood"
	NoSetting   About = "no matching setting"
	Dates       About = "dates"
	WrongFlour  About = "flour"
	Grain       About = "wholemeal"
	SlowYeast   About = "slow yeast"
	TooMany     About = "add-ins"
	Quiet       About = "quiet hours"
	Absent      About = "nobody home"
	WetYeast    About = "yeast"
	Cupboard    About = "cupboard"
	Allergy     About = "allergy"
	Beforehand  About = "beforehand"
	Divided     About = "part of a packet"
	Heated      About = "heat"
	Wetness     About = "how the dough looks"
	Binder      About = "binder"
	Leavening   About = "leavening"
	RawMeat     About = "raw meat"
	Keeping     About = "keeping"
)

// Remedy is a way out of a caution: what of the wish to change.
type Remedy struct {
	Say    string         `json:"say"`
	Now    bool           `json:"now,omitzero"` // start at once
	Ready  timetable.Wall `json:"ready,omitzero"`
	Cycle  string         `json:"cycle,omitzero"`
	AddIns AddInWay       `json:"addIns,omitzero"`
	Order  pan.Order      `json:"order,omitzero"`
	Swaps  []swap.Pick    `json:"swaps,omitzero"` // beside those there are
	Lock   *Lock          `json:"lock,omitzero"`  // a line's amount
	Meant  Figure         `json:"meant,omitzero"` // said of the recipe: the figure is meant

	Tempered bool `json:"tempered,omitzero"` // the liquid as the balance of heat asks
}

// Refusal is the first caution that forbids to measure or start the loaf like this, if there is one: a stop,
// or a question that waits for its answer.
func (p Plan) Refusal() (c Caution, refused bool) {
	for _, level := range []Level{Stop, Ask} {
		for _, c := range p.Cautions {
			if c.Level == level {
				return c, true
			}
		}
	}
	return Caution{}, false
}

// judgement is what stands against a plan while its three values are looked through.
type judgement struct {
	Place
	Wish
	dough     Dough
	programme Programme
	amounts   Amounts
	said      []Caution
}

func (j *judgement) say(l Level, a About, ways []Remedy, format string, args ...any) {
	j.said = append(j.said, Caution{Level: l, About: a, Say: fmt.Sprintf(format, args...), Ways: ways})
}

// judge looks through the three values of a plan for what stands against it.
func judge(p Place, w Wish, d Dough, g Programme, a Amounts) []Caution {
	j := &judgement{p, w, d, g, a, []Caution{}}
	j.addIns()
	j.misses()
	j.dry()
	j.heat()
	j.stood()
	j.fresh()
	j.boxed()
	j.stirredIn()
	j.size()
	j.spoils()
	j.busy()
	j.time()
	j.quiet()
	j.absent()
	j.clocks()
	j.machine()
	j.lines()
	j.ahead()
	j.formula()
	j.starter()
	j.twice()
	j.unmixed()
	j.bound()
	j.cold()
	j.preserved()
	j.filled()
	j.chilled()
	j.packetsYeast()
	j.wetShreds()
	j.starterWater()
	j.fast()
	j.cookedShare()
	j.overnight()
	j.fitted()
	j.flour()
	j.stock()
	return j.said
}

// inWords joins names: "milk", "milk and egg", "milk, egg and cheese".
func inWords(names []string) string {
	if len(names) < 2 {
		return strings.Join(names, "")
	}
	last := len(names) - 1
	return strings.Join(names[:last], ", ") + " and " + names[last]
}

// InHours writes a length of time: "45 min", "7 h", "7 h 10 min".
func InHours(m machine.Minutes) string {
	switch h, rest := m/60, m%60; {
	case h == 0:
		return fmt.Sprintf("%d min", rest)
	case rest == 0:
		return fmt.Sprintf("%d h", h)
	default:
		return fmt.Sprintf("%d h %d min", h, rest)
	}
}
