package plan

import (
	"fmt"
	"math"
	"slices"
	"strings"
	"time"

	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/pan"
	"risepan/core/recipe"
	"risepan/core/swap"
	"risepan/core/timetable"
	"risepan/core/word"
)

// Level is how much a caution matters.
type Level string

const (
	Stop Level = "stop" // the bake is not started like this
	Care Level = "care" // something to do or to watch
	Note Level = "note" // good to know
)

var Levels = []Level{Stop, Care, Note}

func (l Level) Words() []string { return word.List(Levels) }
func (l *Level) UnmarshalText(text []byte) error {
	return word.Read(l, text, "level of caution", Levels)
}

// Caution is something that stands against a plan or should be known about it.
type Caution struct {
	Level Level  `json:"level"`
	About About  `json:"about"`
	Line  string `json:"line,omitzero"` // that it is about, of a date
	Say   string `json:"say"`
	Ways  []Way  `json:"ways,omitzero"`
}

// About is what a caution is about.
type About string

const (
	Spoils     About = "spoils in a delay"
	Timing     About = "time"
	Clocks     About = "clocks change"
	Overflow   About = "overflow"
	OutOfBand  About = "outside the usual"
	NoBeep     About = "no beep"
	Unfit      About = "cycle"
	Unmade     About = "not measurable"
	Measures   About = "measures"
	Guessed    About = "guessed"
	NoSetting  About = "no matching setting"
	Dates      About = "dates"
	WrongFlour About = "flour"
	Grain      About = "wholemeal"
	SlowYeast  About = "slow yeast"
	TooMany    About = "add-ins"
	Quiet      About = "quiet hours"
	WetYeast   About = "yeast"
	Cupboard   About = "cupboard"
)

// Way is a way out of a caution: what of the wish to change.
type Way struct {
	Say    string         `json:"say"`
	Now    bool           `json:"now,omitzero"` // start at once
	Ready  timetable.Wall `json:"ready,omitzero"`
	Cycle  string         `json:"cycle,omitzero"`
	AddIns AddInWay       `json:"addIns,omitzero"`
	Order  pan.Order      `json:"order,omitzero"`
	Swaps  []swap.Pick    `json:"swaps,omitzero"` // beside those there are
}

func (p *Plan) warn(l Level, a About, ways []Way, format string, args ...any) {
	p.Cautions = append(p.Cautions, Caution{Level: l, About: a, Say: fmt.Sprintf(format, args...), Ways: ways})
}

// Refusal is the first caution that forbids to start the bake like this, if there is one.
func (p Plan) Refusal() (c Caution, refused bool) {
	for _, c := range p.Cautions {
		if c.Level == Stop {
			return c, true
		}
	}
	return Caution{}, false
}

func (p *Plan) caution(k kitchen.Kitchen, w Wish, cycle machine.Cycle, doubt timetable.Doubt) {
	clock := func(t time.Time) string { return timetable.WallOf(t, w.Zone).Clock() }
	t := p.Timer
	total := time.Duration(p.Setting.Total) * time.Minute
	atOnce := Way{Say: "Start now, ready " + clock(t.Press.Add(total)), Now: true}

	if spoiling := p.spoiling(k); t.Setting > 0 && len(spoiling) > 0 {
		ways := []Way{atOnce}
		if mend, ok := safe(k, w); ok {
			ways = []Way{mend, atOnce}
		}
		p.warn(Stop, Spoils, ways,
			"No delay with %s in the pan: it would stand warm for %s and spoil. Start now, or press Start by hand at %s without the timer.",
			inWords(spoiling), p.waiting(), clock(w.ready(w.Zone).Add(-total)))
	}
	switch t.Fit {
	case timetable.TooSoon:
		p.warn(Care, Timing, append(p.faster(w), Way{Say: "Ready at " + clock(t.Ready) + " instead", Now: true}),
			"Too soon: started at %s the bread is ready at %s, %s later than you wish.", clock(t.Press), clock(t.Ready), inHours(t.Late))
	case timetable.TooFar:
		p.warn(Care, Timing, nil, "The timer goes up to %s. Load the pan later and press Start at %s.", w.Machine.Delay.Largest, clock(t.Press))
	case timetable.ByHand:
		p.warn(Care, Timing, []Way{atOnce},
			"The delay timer cannot be set for this on %s. Press Start by hand at %s.", cycle.Name, clock(t.Press))
	}
	switch name := p.Setting.Cycle.Panel + " " + p.Setting.Cycle.Name; {
	case w.Within == 0 || p.Setting.Total <= w.Within:
	case w.Cycle == "":
		p.warn(Care, Timing, nil, "No cycle that suits this dough is done in %s. %s comes nearest, with %s.", inHours(w.Within), name, inHours(p.Setting.Total))
	default:
		p.warn(Care, Timing, nil, "%s, your own choice, takes %s, and there are %s.", name, inHours(p.Setting.Total), inHours(w.Within))
	}
	p.quiet(k, w)
	switch doubt {
	case timetable.Never:
		p.warn(Care, Clocks, nil, "The clocks go forward that night and %s does not occur. Planned for %s.", w.Ready.Clock(), clock(w.ready(w.Zone)))
	case timetable.Twice:
		p.warn(Note, Clocks, nil, "The clocks go back that night and %s occurs twice. Planned for the first.", w.Ready.Clock())
	}
	p.fits(w, cycle)
}

// fits warns of what does not suit the machine or is unusual in the dough.
func (p *Plan) fits(w Wish, cycle machine.Cycle) {
	if f := p.Pan.Fill; f.Overflows() {
		p.warn(Care, Overflow, nil, "This may rise over the rim: it is likely to reach %s. A smaller size is safer.", f)
	}
	if o := p.Setting.Options; !o[0].Suits {
		p.warn(Care, Unfit, nil, "No cycle of %s is made for this dough. %s comes nearest.", w.Machine.Name, cycle.Name)
	}
	if _, beeps := cycle.Beep(machine.ForAddIns, w.Size, p.Setting.Crust); p.AddIns != nil && p.AddIns.Way == WithHands && !beeps {
		p.warn(Care, NoBeep, nil, "%s has no add-in beep: put the add-ins in by the clock.", cycle.Name)
	}
	for _, l := range p.Lines {
		if l.Like != "" {
			p.warn(Note, Guessed, nil, "What %s is has been guessed: it is taken to be like %s.", l.Name, l.Like)
		}
		if !l.Fixed && len(l.Measured.Scoops) == 0 {
			p.warn(Care, Unmade, nil, "No measure in this kitchen suits %s: weigh %.0f g.", l.Name, float64(l.Exact))
		}
	}
	for _, f := range p.Formula.Against {
		if f.Verdict.Outside() {
			p.warn(Note, OutOfBand, nil, "%s is %.1f per 100 of flour; usual for this kind is %g–%g. That may be how you like it.",
				upper(string(f.Of)), (f.Low+f.High)/2, round(f.Usual.Low, 1), round(f.Usual.High, 1))
		}
	}
}

func (w Wish) ready(zone *time.Location) time.Time { t, _ := w.Ready.Resolve(zone); return t }

// waiting is how long the loaded pan stands before the cycle begins, in words.
func (p *Plan) waiting() string {
	return inHours(machine.Minutes(p.Timer.Begin.Sub(p.Timer.Press) / time.Minute))
}

// spoiling names what would spoil in the pan or the dispenser. What is put in by hand waits in the
// fridge.
func (p *Plan) spoiling(k kitchen.Kitchen) []string {
	var out []string
	for _, l := range p.Lines {
		i, _ := k.Ingredient(l.Ingredient)
		byHand := l.AtBeep && p.AddIns != nil && p.AddIns.Way == WithHands
		if i.Spoils && l.Part == recipe.InDough && !byHand {
			out = append(out, l.Name)
		}
	}
	return out
}

// keepDry refuses a delay in which yeast would lie wet or beside salt.
func (p *Plan) keepDry(w Wish, m pan.Manner, l pan.Loaded) {
	beside := l.Wets()
	if beside == "" {
		return
	}
	way := Way{Say: "Load it " + string(w.Machine.Loading), Order: w.Machine.Loading}
	if m.Order == pan.Bloomed {
		p.warn(Stop, WetYeast, []Way{way}, "No delay with bloomed yeast: it would work for %s before the dough is kneaded.", p.waiting())
		return
	}
	p.warn(Stop, WetYeast, []Way{way}, "In this order the yeast lies beside %s, where it would wake or die during the delay of %s.", beside, p.waiting())
}

// faster are the cycles that suit the dough and are done by the wished time.
func (p *Plan) faster(w Wish) []Way {
	var ways []Way
	spare := machine.Minutes(w.ready(w.Zone).Sub(p.Timer.Press) / time.Minute)
	for _, o := range p.Setting.Options {
		if o.Suits && o.Total <= spare && o.ID != p.Setting.Cycle.ID {
			ways = append(ways, Way{Say: fmt.Sprintf("Use %s %s: done in %s", o.Panel, o.Name, inHours(o.Total)), Cycle: o.ID})
		}
	}
	return ways
}

// quiet warns of a beep that somebody must answer in the hours when nobody should be woken, with what
// can be done instead.
func (p *Plan) quiet(k kitchen.Kitchen, w Wish) {
	n := slices.IndexFunc(p.Moments, func(m timetable.Moment) bool { return m.Kind == timetable.AddIns && m.Person })
	if n < 0 || k.Quiet.IsZero() {
		return
	}
	at := p.Moments[n].At(p.Timer.Begin)
	wall := timetable.WallOf(at, w.Zone)
	if !k.Quiet.Holds(wall.OfDay()) {
		return
	}
	var ways []Way
	if p.AddIns.NoBox == "" {
		ways = append(ways, Way{Say: "Let the dispenser do it", AddIns: InBox})
	}
	ways = append(ways, Way{Say: "Put them in at the start", AddIns: AtStart})
	shift := machine.Minutes(k.Quiet.Until(wall.OfDay())) + w.Machine.Delay.Step // the timer rounds down
	const neat = 5 * time.Minute
	ready := timetable.WallOf(p.Timer.Ready.Add(time.Duration(shift)*time.Minute+neat-1).Truncate(neat), w.Zone)
	ways = append(ways, Way{Say: "Ready at " + ready.Clock() + " instead", Ready: ready})
	p.warn(Care, Quiet, ways, "The beep for the add-ins comes at %s, in the quiet hours.", wall.Clock())
}

// inWords joins names: "milk", "milk and egg", "milk, egg and cheese".
func inWords(names []string) string {
	if len(names) < 2 {
		return strings.Join(names, "")
	}
	last := len(names) - 1
	return strings.Join(names[:last], ", ") + " and " + names[last]
}

// inHours writes a length of time: "45 min", "7 h", "7 h 10 min".
func inHours(m machine.Minutes) string {
	switch h, rest := m/60, m%60; {
	case h == 0:
		return fmt.Sprintf("%d min", rest)
	case rest == 0:
		return fmt.Sprintf("%d h", h)
	default:
		return fmt.Sprintf("%d h %d min", h, rest)
	}
}

func round(f float64, decimals int) float64 {
	p := math.Pow(10, float64(decimals))
	return math.Round(f*p) / p
}
