package bench

import (
	"math"
	"slices"
	"strings"
	"time"

	"risepan/core/fault"
	"risepan/core/journal"
	"risepan/core/kitchen"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/core/validate"
	"risepan/core/vocab"
)

// Do is what happens at the bench.
type Do string

const (
	Done     Do = "done"
	Undone   Do = "undone"
	Begun    Do = "begun"    // a wait
	Slip     Do = "slip"     // another amount went in than the plan's
	Mended   Do = "mended"   // the last slip is taken back
	Emptied  Do = "emptied"  // the pan: everything is measured again, as planned
	Started  Do = "started"  // the bake runs
	Cleared  Do = "cleared"  // the bench is given up
	Reopened Do = "reopened" // and taken up again
)

var Dos = []Do{Done, Undone, Begun, Slip, Mended, Emptied, Started, Cleared, Reopened}

func (d Do) Words() []string                  { return vocab.List(Dos) }
func (d *Do) UnmarshalText(text []byte) error { return vocab.Read(d, text, "doing at the bench", Dos) }

// Answer is how a slip is answered.
type Answer string

const (
	Fit  Answer = "fit"  // the rest is measured around what went in
	Grow Answer = "grow" // the loaf grows to it
)

var Answers = []Answer{Fit, Grow}

func (w Answer) Words() []string { return vocab.List(Answers) }
func (w *Answer) UnmarshalText(text []byte) error {
	return vocab.Read(w, text, "answer to a slip", Answers)
}

// Shape is the number of a happening's JSON shape.
const Shape = 1

// Happening is one thing that happened at the bench.
type Happening struct {
	journal.Stamp
	Do     Do             `json:"do"`
	Step   string         `json:"step,omitzero"`
	Line   string         `json:"line,omitzero"`
	Amount measure.Amount `json:"amount,omitzero"` // of a slip
	Way    Answer         `json:"way,omitzero"`
	In     []plan.Lock    `json:"in,omitzero"` // of a slip: what was in the pan then
}

// TakesBack: a step that is not done after all, or a slip that is taken back, is a happening of its own.
func (h Happening) TakesBack() int { return 0 }

// Replans reports whether the happening changes what is to be measured.
func (h Happening) Replans() bool { return h.Do == Slip || h.Do == Mended || h.Do == Emptied }

// Session is where the bench stands.
type Session struct {
	Done   []string             `json:"done"`
	Begun  map[string]time.Time `json:"begun"`  // waits
	Filled []string             `json:"filled"` // lines that are measured
	Locks  []plan.Lock          `json:"locks"`  // lines held at what went in
	Have   *plan.Have           `json:"have,omitzero"`
	In     []plan.Lock          `json:"in"` // what was in the pan when the loaf grew
	Slips  int                  `json:"slips"`
	Last   int                  `json:"last"` // the newest seq

	Over    bool `json:"over"` // started, or cleared
	Started bool `json:"started"`
}

// At folds what happened into where the bench stands.
func At(happened []Happening) Session {
	s := Session{Done: []string{}, Begun: map[string]time.Time{}, Locks: []plan.Lock{}, In: []plan.Lock{}}
	var slips []Happening
	for _, h := range happened {
		s.Last = max(s.Last, h.Seq)
		switch h.Do {
		case Done:
			if !slices.Contains(s.Done, h.Step) {
				s.Done = append(s.Done, h.Step)
			}
			if h.Step == stirred {
				s.Begun[froth] = h.At
			}
		case Undone:
			if h.Step == stirred {
				delete(s.Begun, froth)
			}
			s.Done = slices.DeleteFunc(s.Done, func(id string) bool { return id == h.Step })
		case Begun:
			if _, ok := s.Begun[h.Step]; !ok {
				s.Begun[h.Step] = h.At
			}
		case Slip:
			slips = append(slips, h)
		case Mended:
			slips = slips[:max(0, len(slips)-1)]
		case Emptied:
			slips, s.Begun = nil, map[string]time.Time{}
			s.Done = slices.DeleteFunc(s.Done, func(id string) bool { return inThePan(id) })
		case Started, Cleared:
			s.Over, s.Started = true, s.Started || h.Do == Started
		case Reopened:
			s.Over = s.Started
		}
	}
	s.Slips, s.Filled = len(slips), []string{}
	for _, step := range s.Done {
		if line, ok := strings.CutPrefix(step, StepOf(Measure, "")); ok {
			s.Filled = append(s.Filled, line)
		}
	}
	for _, h := range slips {
		own := plan.Lock{Line: h.Line, Amount: h.Amount}
		switch h.Way {
		case Grow:
			s.Have, s.Locks, s.In = &plan.Have{Line: h.Line, Amount: h.Amount}, []plan.Lock{},
				append(slices.Clone(h.In), own)
		default:
			s.Locks = merge(s.Locks, append(slices.Clone(h.In), own))
		}
	}
	return s
}

// inThePan reports whether a step is undone by emptying the pan.
func inThePan(step string) bool {
	switch word, _, _ := strings.Cut(step, " "); Kind(word) {
	case Tools, Look, Temper, Cut, Paddle, "ready", "ahead", "fridge", "grease":
		return false
	}
	return true
}

// merge puts newer locks in the place of older ones of the same line.
func merge(old, newer []plan.Lock) []plan.Lock {
	for _, l := range newer {
		old = append(slices.DeleteFunc(old, func(o plan.Lock) bool { return o.Line == l.Line }), l)
	}
	return old
}

// Wish is the wish with what the bench has learned.
func (s Session) Wish(w plan.Wish) plan.Wish {
	w.Locks = merge(slices.Clone(w.Locks), s.Locks)
	if s.Have != nil {
		w.Have = s.Have
		w.Locks = slices.DeleteFunc(w.Locks, func(l plan.Lock) bool { return l.Line == s.Have.Line })
	}
	return w
}

// InPan is what lies in the pan by what the session was told, in grams by line.
func (s Session) InPan(k kitchen.Kitchen, p plan.Plan) map[string]measure.Grams {
	out := map[string]measure.Grams{}
	for _, l := range s.In {
		for _, line := range p.Lines {
			if line.ID != l.Line {
				continue
			}
			i, _ := k.Ingredient(line.Ingredient)
			if g, err := i.Weigh(l.Amount); err == nil {
				out[l.Line] = g
			}
		}
	}
	return out
}

// Weigh is what an amount of a line weighs; a line that the plan has not, or an amount that cannot be weighed, is a
// *fault.Fault.
func (Session) Weigh(k kitchen.Kitchen, p plan.Plan, line string, a measure.Amount) (measure.Grams, error) {
	n := slices.IndexFunc(p.Lines, func(l plan.Line) bool { return l.ID == line })
	if n < 0 {
		return 0, fault.At("/line", "the dough has no line %q", vocab.Clip(line))
	}
	i, _ := k.Ingredient(p.Lines[n].Ingredient)
	g, err := i.Weigh(a.In(k.Standard))
	if err != nil {
		return 0, fault.At("/amount", "%v", err)
	}
	return g, nil
}

// brought are the cares that follow from what went in otherwise than planned.
var brought = []plan.About{plan.Measures, plan.NoSetting, plan.Overflow}

// Cautions are those of a plan that what went in has brought; none where nothing went in otherwise.
func (s Session) Cautions(p plan.Plan) (out []plan.Caution) {
	if s.Slips == 0 {
		return nil
	}
	for _, c := range p.Cautions {
		if c.Level == plan.Ask || c.Level == plan.Care && slices.Contains(brought, c.About) {
			out = append(out, c)
		}
	}
	return out
}

// Measured lists the lines whose measuring is done, at the amounts that went in.
func (s Session) Measured(p plan.Plan) []plan.Lock {
	out := []plan.Lock{}
	for _, l := range p.Lines {
		if slices.Contains(s.Filled, l.ID) {
			out = append(out, plan.Lock{Line: l.ID, Amount: went(l)})
		}
	}
	return out
}

// went is what went in of a line that was measured as planned.
func went(l plan.Line) measure.Amount {
	const parts = 1000
	switch {
	case l.Pieces > 0 && l.Locked == "":
		if l.Packets {
			return measure.Of(l.Pieces, 1, measure.Packet)
		}
		return measure.Of(l.Pieces, 1, measure.Piece)
	case l.Locked != "" && l.Measured.Volume > 0, !l.Fixed && len(l.Measured.Scoops) > 0:
		return measure.Of(int64(math.Round(float64(l.Measured.Volume)*parts)), parts, measure.Millilitre)
	}
	return measure.Of(int64(math.Round(float64(l.Exact)*10)), 10, measure.Gram)
}

// Check reports, as a *fault.Fault, why something cannot happen at a bench that stands so and has steps
// of these ids. Of a slip it looks at the words alone: CheckSlip looks at the dough.
func Check(s Session, steps []string, h Happening) error {
	if err := validate.Check(h); err != nil {
		return err
	}
	switch {
	case s.Started:
		return fault.At("/do", "this loaf is in the machine: plan another")
	case s.Over && h.Do != Reopened:
		return fault.At("/do", "this bench is cleared: take it up again first")
	case len(h.In) > mostLocks:
		return fault.At("/in", "at most %d lines", mostLocks)
	case (h.Do == Done || h.Do == Undone || h.Do == Begun) && !slices.Contains(steps, h.Step):
		return fault.At("/step", "there is no step %q", vocab.Clip(h.Step))
	case h.Do == Done && after(steps, h.Step, froth) && !slices.Contains(s.Done, froth):
		return fault.At("/step", "the yeast is to froth first: what comes after waits for it")
	case h.Do == Mended && s.Slips == 0:
		return fault.At("/do", "there is no slip to take back")
	case h.Do == Slip && h.Way == "":
		return fault.At("/way", "say whether the rest is to fit, or the loaf to grow")
	}
	return nil
}

// after reports whether a step comes after another, where there is such a one.
func after(steps []string, step, other string) bool {
	at := slices.Index(steps, other)
	return at >= 0 && slices.Index(steps, step) > at
}

// Ready reports, as a *fault.Fault, what of a bench still has to be waited for before its loaf can be started.
func (s Session) Ready(steps []string) error {
	if slices.Contains(steps, froth) && !slices.Contains(s.Done, froth) && len(s.Done) > 0 {
		return fault.At("/bench", "the yeast is to froth first: it was stirred in for that")
	}
	return nil
}

// mostLocks is how many lines can be in the pan.
const mostLocks = 60

// CheckSlip reports, as a *fault.Fault, that a slip is in no line of the dough.
func CheckSlip(p plan.Plan, h Happening) error {
	if !slices.ContainsFunc(p.Lines, func(l plan.Line) bool { return l.ID == h.Line && l.Part == recipe.InDough }) {
		return fault.At("/line", "the dough has no line %q", vocab.Clip(h.Line))
	}
	return nil
}
