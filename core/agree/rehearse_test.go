package agree

import (
	"fmt"
	"slices"
	"strings"
	"testing"
	"time"

	"risepan/core/bake"
	"risepan/core/dough"
	"risepan/core/journal"
	"risepan/core/kitchen"
	"risepan/core/plan"
	"risepan/core/readtest"
	"risepan/core/rehearse"
	"risepan/core/standin"
	"risepan/demo"
)

// practised is a plan rehearsed on the stand-in as it was made, by a baker who answers what is asked: how the
// dough looked at the first look, and how the loaf came out.
type practised struct {
	look dough.Seen
	loaf *standin.Outcome
	over bool
}

func practise(d drawn) (practised, error) {
	var out practised
	r := rehearse.Rehearsal{Plan: d.p, Machine: d.Machine, Room: d.Kitchen.Room.Celsius(), Began: now}
	real := now
	var did []rehearse.Happening
	do := func(h rehearse.Happening) error {
		h.Stamp = journal.Stamp{Seq: len(did) + 1, At: real}
		if err := rehearse.Check(rehearse.At(r, did, real), h); err != nil {
			return fmt.Errorf("%s: %w", h.What, err)
		}
		did = append(did, h)
		return nil
	}
	if err := do(rehearse.Happening{What: rehearse.Paced, Pace: 600}); err != nil {
		return out, err
	}
	for _, b := range d.p.Setting.Presses {
		for range b.Times {
			if err := do(rehearse.Happening{What: rehearse.Pressed, Button: b.Button}); err != nil {
				return out, err
			}
		}
	}
	tell := func(h bake.Happening) error { return do(rehearse.Happening{What: rehearse.Told, Told: &h}) }
	for turn := 0; turn < 400; turn++ {
		s := rehearse.At(r, did, real)
		if s.Bake == nil {
			return out, fmt.Errorf("it does not start: %s", s.Phase)
		}
		if s.Loaf != nil {
			out.loaf = s.Loaf
		}
		if s.Bake.Over() {
			out.over = true
			return out, nil
		}
		if s.Waits == "" {
			real = real.Add(20 * time.Second)
			continue
		}
		var err error
		switch b := s.Bake; {
		case s.Phase == standin.Paused:
			err = do(rehearse.Happening{What: rehearse.Pressed, Button: d.Machine.Full().Start})
		case s.Waits == "Look at the dough ball.":
			if out.look == "" {
				out.look = s.Inside.Look
			}
			err = tell(bake.Happening{What: bake.Saw, Seen: s.Inside.Look})
		case b.Ball != nil && b.Ball.Advice != nil && b.Ball.Advice.Add != nil:
			err = tell(bake.Happening{What: bake.PutIn, Dose: b.Ball.Advice.Add})
		default:
			n := slices.IndexFunc(b.Moments, func(m bake.Moment) bool {
				return m.Person && !m.Done && !m.Skipped &&
					!m.At.After(s.Now)
			})
			if n < 0 {
				return out, fmt.Errorf("it waits for nothing: %s", s.Waits)
			}
			if m := b.Moments[n]; !s.Now.Before(b.Ready) && !bake.HasFinish(b.Moments) {
				err = tell(bake.Happening{What: bake.TakenOut})
			} else if m.Kind == "eaten" {
				err = tell(bake.Happening{What: bake.TakenOut})
			} else {
				err = tell(bake.Happening{What: bake.Done, Moment: m.ID})
			}
		}
		if err != nil {
			return out, err
		}
	}
	return out, fmt.Errorf("it never ends")
}

// warned reports whether a plan said beforehand that a loaf may come out otherwise than well.
func warned(p plan.Plan) bool {
	return slices.ContainsFunc(p.Cautions, func(c plan.Caution) bool {
		return slices.Contains([]plan.About{plan.OutOfBand, plan.Implausible, plan.Overflow, plan.Unfit,
			plan.SlowYeast, plan.WrongFlour, plan.Measures, plan.NoSetting, plan.Unknown, plan.Heated, plan.Wetness},
			c.About)
	})
}

// wrong is what of a rehearsal of a plan the plan had not said.
func (o practised) wrong(d drawn) string {
	switch {
	case o.look != "" && o.look != dough.Smooth && !warned(d.p):
		return fmt.Sprintf("the first look is %s at hydration %.1f of %v", o.look, d.p.Formula.Hydration,
			d.p.Usual.Bands.Hydration)
	case o.loaf != nil && !strings.HasPrefix(o.loaf.Say, "A good loaf") && !warned(d.p):
		return fmt.Sprintf("%s yeast %.1f, salt %.1f, sugar %.0f", o.loaf.Say, d.p.Formula.Yeast, d.p.Formula.Salt,
			d.p.Formula.Sugar)
	}
	return ""
}

// Rehearsed without a slip, a loaf looks and comes out as the plan says: smooth and good, or the plan had said why not.
func TestARehearsalComesOutAsPlanned(t *testing.T) {
	var c tallied
	all := 0
	rehearsed := func(d drawn) {
		all++
		o, err := practise(d)
		if err != nil {
			c.of("it can be rehearsed to its end", d, err.Error())
			return
		}
		if w := o.wrong(d); w != "" {
			c.of("a rehearsal without a slip comes out as planned", d, w)
		}
	}
	for _, r := range shelf(t) {
		for _, m := range []string{"galley", "boatyard"} {
			for _, weighed := range []bool{true, false} {
				k := kitchen.New("Shelf", "UTC")
				k.Scale = weighed
				d := drawn{Place: plan.Place{Kitchen: k, Zone: time.UTC, Recipe: r, Machine: demo.Galley(), Now: now}}
				if m == "boatyard" {
					d.Machine = demo.Boatyard()
				}
				d.Wish.Size = r.Size
				d.AddIns = plan.WithHands
				var err error
				if d.p, err = plan.Make(d.Place, d.Wish); err != nil {
					continue
				}
				rehearsed(d)
			}
		}
	}
	c.report(t, all)
	c = tallied{}
	all = 0
	draws(t, readtest.Draws(60, 400), 2, func(_ int, d drawn) { rehearsed(d) })
	c.report(t, all)
}
