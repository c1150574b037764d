package usecase

import (
	"errors"
	"regexp"
	"strings"
	"time"

	"risepan/core/bench"
	"risepan/core/fault"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/timetable"
	"risepan/store"
)

// BenchView is a loaf being measured: its plan as it now is, the steps, and which of them are done.
type BenchView struct {
	PlanAnswer
	ID       string         `json:"id"`
	Wish     plan.Wish      `json:"wish"` // with what the bench has learned; the bake starts from it
	Steps    []bench.Step   `json:"steps"`
	Cautions []plan.Caution `json:"cautions,omitzero"` // that what went in has brought
	Session  bench.Session  `json:"session"`
	Passed   bool           `json:"passed,omitzero"` // the wished ready time is over: planned for now
	// what was changed since the bench was made: recipe, machine, kitchen
	Changed []string `json:"changed,omitzero"`
}

// AtBench is what the baker says happened at the bench.
type AtBench struct {
	Do     bench.Do       `json:"do"`
	Step   string         `json:"step,omitzero"`
	Line   string         `json:"line,omitzero"`
	Amount measure.Amount `json:"amount,omitzero"`
	Way    bench.Answer   `json:"way,omitzero"`
}

// BenchTold is what a happening changed: where the bench stands, and the whole of it only where there
// is now something else to measure.
type BenchTold struct {
	ID      string        `json:"id"`
	Session bench.Session `json:"session"`
	Bench   *BenchView    `json:"bench,omitzero"`
}

// OpenBench is a bench to go back to.
type OpenBench struct {
	ID     string `json:"id"`
	Recipe string `json:"recipe"`
}

// benchKeeps is how long an unfinished bench is offered to go back to.
const benchKeeps = 24 * time.Hour

func (c *Scope) openBench() (*OpenBench, error) {
	id, recipe, err := c.q.OpenBench(c.ctx, c.kitchen, c.now.Add(-benchKeeps))
	if errors.Is(err, store.ErrNotFound) {
		return nil, nil
	}
	return &OpenBench{id, recipe}, err
}

// viewBench works out a bench as it stands, with what it was made with. A ready time that has passed is
// dropped.
func (c *Scope) viewBench(b store.Bench, happened []bench.Happening) (BenchView, error) {
	v := BenchView{ID: b.ID, Session: bench.At(happened)}
	v.Wish = v.Session.Wish(b.Wish)
	v.Wish.AtPanel = true
	m, err := c.fulfil(v.Wish, &b.Pins)
	var f *fault.Fault
	if errors.As(err, &f) && f.Pointer == "/time/ready" {
		v.Wish.Ready, v.Passed = timetable.Wall{}, true
		m, err = c.fulfil(v.Wish, &b.Pins)
	}
	if err != nil {
		return v, err
	}
	v.PlanAnswer = m.PlanAnswer
	k := m.kitchen
	v.Cautions = v.Session.Cautions(m.Plan)
	v.Steps = bench.Steps(k, m.Plan, v.Session.InPan(k, m.Plan))
	return v, nil
}

// AddBench begins to measure a planned loaf.
func (c *Scope) AddBench(w plan.Wish) (string, error) {
	m, err := c.fulfil(w, nil)
	if err != nil {
		return "", err
	}
	if refusal, refused := m.Plan.Refusal(); refused {
		return "", fault.At("", "%s", refusal.Say)
	}
	b := store.Bench{Pins: m.pins, Wish: w, CreatedAt: c.now}
	v, err := c.viewBench(b, nil)
	if err != nil {
		return "", err
	}
	b.Steps = bench.IDs(v.Steps)
	return c.q.AddBench(c.ctx, c.kitchen, b)
}

// ShowBench is a bench as it stands, and what has changed beside it.
func (c *Scope) ShowBench(id string) (BenchView, error) {
	b, err := c.q.Bench(c.ctx, c.kitchen, id)
	if err != nil {
		return BenchView{}, err
	}
	happened, err := c.q.BenchHappenings(c.ctx, c.kitchen, id)
	if err != nil {
		return BenchView{}, err
	}
	v, err := c.viewBench(b, happened)
	if err != nil {
		return v, err
	}
	recipe, machine, kitchen, err := c.q.Outdated(c.ctx, c.kitchen, b.Pins)
	for _, what := range []struct {
		name    string
		changed bool
	}{{"recipe", recipe}, {"machine", machine}, {"kitchen", kitchen}} {
		if what.changed {
			v.Changed = append(v.Changed, what.name)
		}
	}
	return v, err
}

// AddAtBench appends what happened. Only a slip, or one taken back, makes the plan anew: a slip that the
// plan cannot follow is refused at its amount.
func (c *Scope) AddAtBench(id string, said AtBench) (string, error) {
	stamp, err := c.hold(id)
	if err != nil {
		return "", err
	}
	b, err := c.q.Bench(c.ctx, c.kitchen, id)
	if err != nil {
		return "", err
	}
	happened, err := c.q.BenchHappenings(c.ctx, c.kitchen, id)
	if err != nil {
		return "", err
	}
	h := bench.Happening{Stamp: stamp, Do: said.Do, Step: said.Step, Line: said.Line, Amount: said.Amount,
		Way: said.Way}
	if err := bench.Check(bench.At(happened), b.Steps, h); err != nil {
		return "", err
	}
	if h.Replans() {
		if h, b.Steps, err = c.replan(b, happened, h); err != nil {
			return "", err
		}
	}
	if err := c.q.AddAtBench(c.ctx, c.kitchen, id, h); err != nil {
		return "", err
	}
	if over := bench.At(append(happened, h)).Over; over != b.Over || h.Replans() {
		err = c.q.NoteBench(c.ctx, c.kitchen, id, b.Steps, over)
	}
	return id, err
}

// replan is a slip with what was in the pan when it happened, and the steps that follow from it.
func (c *Scope) replan(b store.Bench, happened []bench.Happening, h bench.Happening) (bench.Happening, []string,
	error) {
	if h.Do == bench.Slip {
		k, _, err := c.settings()
		if err != nil {
			return h, nil, err
		}
		h.Amount = h.Amount.In(k.Kitchen.Standard)
		before, err := c.viewBench(b, happened)
		if err != nil {
			return h, nil, err
		}
		if err := bench.CheckSlip(before.Plan, h); err != nil {
			return h, nil, err
		}
		for _, l := range before.Session.Measured(before.Plan) {
			if l.Line != h.Line {
				h.In = append(h.In, l)
			}
		}
	}
	next, err := c.viewBench(b, append(happened[:len(happened):len(happened)], h))
	var f *fault.Fault
	if errors.As(err, &f) && (strings.HasPrefix(f.Pointer, "/hands/locks") || strings.HasPrefix(f.Pointer,
		"/loaf/have")) {
		return h, nil, fault.At("/amount", "%s", f.Detail)
	}
	return h, bench.IDs(next.Steps), err
}

// SlipOf is a slip that the baker asks about before answering it.
type SlipOf struct {
	Line   string `json:"line"`
	Amount string `json:"amount"` // all of it that went in, as the baker says it
}

// nothing are words for no amount at all, also before a unit.
var nothing = regexp.MustCompile(`(?i)^\s*(?:none|nothing|no|nil|zero|0+(?:[.,]0+)?(?:[^.,/\d]|$))`)

// went reads how much went in.
func (s SlipOf) went() (measure.Amount, error) {
	if nothing.MatchString(s.Amount) {
		return measure.Amount{}, fault.At("/amount", "Then it is not in the pan yet: close this, and put it in now, as its "+
			"step says.")
	}
	a, err := measure.Parse(s.Amount, measure.US)
	if err != nil {
		return a, fault.At("/amount", "%v", err)
	}
	return a, nil
}

// WaysOut are the ways out of a slip.
type WaysOut struct {
	Ways []bench.Out `json:"ways"`
}

// WaysOut tells what each answer to a slip would make of the loaf, and stores nothing.
func (c *Scope) WaysOut(id string, of SlipOf) (WaysOut, error) {
	b, err := c.q.Bench(c.ctx, c.kitchen, id)
	if err != nil {
		return WaysOut{}, err
	}
	happened, err := c.q.BenchHappenings(c.ctx, c.kitchen, id)
	if err != nil {
		return WaysOut{}, err
	}
	before, err := c.viewBench(b, happened)
	if err != nil {
		return WaysOut{}, err
	}
	k, _, err := c.settings()
	if err != nil {
		return WaysOut{}, err
	}
	amount, err := of.went()
	if err != nil {
		return WaysOut{}, err
	}
	in := bench.Slipped{Before: before.Plan, Stands: before.Session, Line: of.Line}
	if in.Went, err = before.Session.Weigh(k.Kitchen, before.Plan, of.Line, amount); err != nil {
		return WaysOut{}, err
	}
	after := func(way bench.Answer) (*plan.Plan, error) {
		h := bench.Happening{Do: bench.Slip, Line: of.Line, Amount: amount, Way: way}
		h, _, err := c.replan(b, happened, h)
		if err != nil {
			return nil, err
		}
		v, err := c.viewBench(b, append(happened[:len(happened):len(happened)], h))
		return &v.Plan, err
	}
	var fit, grow error
	in.Fit, fit = after(bench.Fit)
	in.Grow, grow = after(bench.Grow)
	var f *fault.Fault
	if fit != nil && grow != nil { // neither: what was typed cannot be
		return WaysOut{}, fit
	}
	for _, err := range []error{fit, grow} {
		if err != nil && !errors.As(err, &f) {
			return WaysOut{}, err
		}
	}
	return WaysOut{bench.Outs(k.Kitchen, in)}, nil
}

// ToldBench answers with what changed.
func (c *Scope) ToldBench(id string) (BenchTold, error) {
	happened, err := c.q.BenchHappenings(c.ctx, c.kitchen, id)
	if err != nil {
		return BenchTold{}, err
	}
	out := BenchTold{ID: id, Session: bench.At(happened)}
	if n := len(happened); n > 0 && happened[n-1].Replans() {
		v, err := c.ShowBench(id)
		if err != nil {
			return BenchTold{}, err
		}
		out.Bench = &v
	}
	return out, nil
}
