package rehearse_test

import (
	"slices"
	"strings"
	"testing"
	"time"

	"risepan/core/bake"
	"risepan/core/dough"
	"risepan/core/journal"
	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/plan"
	"risepan/core/plan/plantest"
	"risepan/core/recipe"
	"risepan/core/rehearse"
	"risepan/core/standin"
	"risepan/core/timetable"
	"risepan/demo"
)

var noon = time.Date(2026, 5, 2, 12, 0, 0, 0, time.UTC)

// practice is a rehearsal and what was done in it, on a real clock that the test moves.
type practice struct {
	t   *testing.T
	r   rehearse.Rehearsal
	did []rehearse.Happening
	now time.Time

	thinks time.Duration // before each answer, by the real clock
}

func practise(t *testing.T, name, ready string, slip rehearse.Slip) *practice {
	t.Helper()
	n := slices.IndexFunc(demo.Recipes(), func(r recipe.Recipe) bool { return r.Name == name })
	r := demo.Recipes()[n]
	w := plan.Wish{LoafWish: plan.LoafWish{Size: r.Size}, Timing: plan.Timing{AddIns: plan.WithHands}}
	if ready != "" {
		w.Ready, _ = timetable.ParseWall(ready)
	}
	p, err := plantest.Make(kitchen.New("Test", "UTC"),
		plantest.Ask{Place: plan.Place{Recipe: r, Machine: demo.Galley(), Zone: time.UTC}, Wish: w}, noon)
	if err != nil {
		t.Fatal(err)
	}
	return &practice{t: t, r: rehearse.Rehearsal{Plan: p, Machine: demo.Galley(), Room: 21, Slip: slip, Began: noon},
		now: noon}
}

func (p *practice) state() rehearse.State { return rehearse.At(p.r, p.did, p.now) }

func (p *practice) do(h rehearse.Happening) {
	p.t.Helper()
	h.Stamp = journal.Stamp{Seq: len(p.did) + 1, At: p.now}
	if err := rehearse.Check(p.state(), h); err != nil {
		p.t.Fatalf("%+v: %v", h, err)
	}
	p.did = append(p.did, h)
}

func (p *practice) press(presses []machine.Presses) {
	for _, b := range presses {
		for range b.Times {
			p.do(rehearse.Happening{What: rehearse.Pressed, Button: b.Button})
		}
	}
}

func (p *practice) told(h bake.Happening) {
	p.do(rehearse.Happening{What: rehearse.Told, Told: &h})
}

// answers whatever the clock stands still for, as a baker who follows the program would: what is asked first.
func (p *practice) answer(s rehearse.State) {
	p.now = p.now.Add(p.thinks)
	b := s.Bake
	switch {
	case s.Phase == standin.Paused:
		p.do(rehearse.Happening{What: rehearse.Pressed, Button: "Start"})
	case b.Ball != nil && b.Ball.Look != nil && !b.Ball.Look.After(s.Now) && s.Now.Before(b.Ball.Until):
		p.told(bake.Happening{What: bake.Saw, Seen: s.Inside.Look})
	case b.Ball != nil && b.Ball.Advice != nil && b.Ball.Advice.Add != nil:
		p.told(bake.Happening{What: bake.PutIn, Dose: b.Ball.Advice.Add})
	case !s.Now.Before(b.Ready):
		p.told(bake.Happening{What: bake.TakenOut})
	default:
		n := slices.IndexFunc(b.Moments, func(m bake.Moment) bool {
			return m.Person && !m.Done && !m.Skipped &&
				!m.At.After(s.Now)
		})
		p.told(bake.Happening{What: bake.Done, Moment: b.Moments[n].ID})
	}
}

// through goes on until the loaf is out, and tells how many real seconds the clock ran.
func (p *practice) through() (rehearse.State, int) {
	p.t.Helper()
	for seconds := 0; ; seconds++ {
		s := p.state()
		for n := 0; s.Waits != ""; n++ {
			if n > 40 {
				p.t.Fatalf("it waits for ever: %s", s.Waits)
			}
			p.answer(s)
			s = p.state()
		}
		if s.Bake != nil && s.Bake.Over() {
			return s, seconds
		}
		if seconds > 600 {
			p.t.Fatalf("not done after ten minutes: %+v", s)
		}
		p.now = p.now.Add(time.Second)
	}
}

// A whole bake at six hundred times the pace takes about half a minute, standing still for every hand; the machine
// says what the plan said, and the loaf is a good one.
func TestAWholeBakeInHalfAMinute(t *testing.T) {
	for _, name := range []string{"Towpath white", "Mooring raisin loaf", "Cinnamon coil", "Tiller gluten-free loaf",
		"Boatyard banana bread"} {
		p := practise(t, name, "", rehearse.NoSlip)
		p.do(rehearse.Happening{What: rehearse.Paced, Pace: 600})
		p.press(p.r.Plan.Setting.Presses)
		if d := p.state().Differs; len(d) > 0 {
			t.Errorf("%s: pressed as planned, and it differs: %q", name, d)
		}
		s, seconds := p.through()
		if seconds > 40 {
			t.Errorf("%s took %d s", name, seconds)
		}
		if want := p.r.Plan.Timer.Ready.Sub(
			p.r.Plan.Timer.Press); s.Bake.End.Sub(s.Bake.Begin) < want-11*time.Minute ||
			s.Bake.End.Sub(s.Bake.Begin) > want+2*time.Minute {
			t.Errorf("%s: out after %s, planned %s", name, s.Bake.End.Sub(s.Bake.Begin), want)
		}
		if s.Loaf == nil || s.Loaf.Fell || s.Loaf.Raw || s.Loaf.Flat {
			t.Errorf("%s came out as %+v", name, s.Loaf)
		}
	}
}

// A delay runs on the clock too, to the minute of the plan.
func TestARehearsedDelay(t *testing.T) {
	p := practise(t, "Towpath white", "2026-05-03T07:00", rehearse.NoSlip)
	p.do(rehearse.Happening{What: rehearse.Paced, Pace: 600})
	p.press(p.r.Plan.Setting.Presses)
	if s := p.state(); s.Phase != standin.Waiting || s.Bake.Phase != bake.Waiting ||
		!s.Bake.Ready.Equal(p.r.Plan.Timer.Ready) {
		t.Fatalf("after the presses: %s, ready %s, planned %s", s.Phase, s.Bake.Ready, p.r.Plan.Timer.Ready)
	}
	if s, _ := p.through(); !s.Bake.End.Equal(p.r.Plan.Timer.Ready) {
		t.Errorf("out at %s, planned %s", s.Bake.End, p.r.Plan.Timer.Ready)
	}
}

// What is set otherwise is said and not mended; Start on a wrong cycle is followed to its end.
func TestWhatIsSetOtherwiseIsSaid(t *testing.T) {
	p := practise(t, "Towpath white", "", rehearse.NoSlip)
	p.do(rehearse.Happening{What: rehearse.Pressed, Button: "Menu"})
	p.do(rehearse.Happening{What: rehearse.Pressed, Button: "Crust"})
	s := p.state()
	if len(s.Differs) != 2 || !strings.Contains(s.Differs[0], "2 Wholemeal; planned is 1 Basic") {
		t.Errorf("the menu and the crust are off, and it says %q", s.Differs)
	}
	p.do(rehearse.Happening{What: rehearse.Again})
	if d := p.state().Differs; len(d) > 0 {
		t.Errorf("begun again it differs: %q", d)
	}
}

// A slip shows in the loaf.
func TestWhatASlipDoes(t *testing.T) {
	for slip, is := range map[rehearse.Slip]func(standin.Outcome) bool{
		rehearse.DoubleYeast: func(l standin.Outcome) bool { return l.Fell },
		rehearse.NoYeast:     func(l standin.Outcome) bool { return l.Flat },
		rehearse.NoSalt:      func(l standin.Outcome) bool { return l.Fell },
		rehearse.NoPaddle:    func(l standin.Outcome) bool { return l.Raw },
		rehearse.HotLiquid:   func(l standin.Outcome) bool { return l.Flat || l.Dense },
		rehearse.HalfYeast:   func(l standin.Outcome) bool { return !l.Fell && l.Height < 0.5 },
	} {
		p := practise(t, "Towpath white", "", slip)
		p.do(rehearse.Happening{What: rehearse.Paced, Pace: 600})
		p.press(p.r.Plan.Setting.Presses)
		if s, _ := p.through(); s.Loaf == nil || !is(*s.Loaf) {
			t.Errorf("with %s it comes out as %+v", slip, s.Loaf)
		}
	}
}

// A wet dough is mended by the doses that the program gives, and the stand-in's ball becomes smooth.
func TestDosesMendTheRehearsedDough(t *testing.T) {
	for slip, of := range map[rehearse.Slip]dough.Stuff{rehearse.TooWet: dough.FlourDose,
		rehearse.PackedCup: dough.Water} {
		p := practise(t, "Towpath white", "", slip)
		p.do(rehearse.Happening{What: rehearse.Paced, Pace: 600})
		p.press(p.r.Plan.Setting.Presses)
		s, _ := p.through()
		if s.Bake.Ball == nil || len(s.Bake.Ball.Doses) == 0 || s.Bake.Ball.Doses[0].Of != of {
			t.Errorf("%s: doses %+v, want %s", slip, s.Bake.Ball, of)
		}
		if s.Loaf == nil || s.Loaf.Gummy || s.Loaf.Fell {
			t.Errorf("%s, mended: %+v", slip, s.Loaf)
		}
	}
}

// However long a baker takes to answer and to fetch a spoon, and however fast the clock runs, the dough gets all its
// doses at the minutes in which they are wanted.
func TestASlowAnswerLosesNoDough(t *testing.T) {
	for _, thinks := range []time.Duration{0, 20 * time.Second, 5 * time.Minute} {
		p := practise(t, "Mooring raisin loaf", "", rehearse.TooWet)
		p.thinks = thinks
		p.do(rehearse.Happening{What: rehearse.Paced, Pace: 600})
		p.press(p.r.Plan.Setting.Presses)
		s, _ := p.through()
		if s.Loaf == nil || s.Loaf.Gummy || s.Loaf.Fell || s.Loaf.Coarse || len(s.Bake.Ball.Doses) != 6 {
			t.Errorf("answered after %s: %+v with %d doses", thinks, s.Loaf, len(s.Bake.Ball.Doses))
		}
	}
}

// A loaf that is out stays as it is, however long its clock runs on.
func TestALoafThatIsOutStaysAsItIs(t *testing.T) {
	for _, name := range []string{"Mooring raisin loaf", "Towpath white", "Tiller gluten-free loaf"} {
		p := practise(t, name, "", rehearse.NoSlip)
		p.do(rehearse.Happening{What: rehearse.Paced, Pace: 600})
		p.press(p.r.Plan.Setting.Presses)
		s, _ := p.through()
		was := *s.Loaf
		for range 5 {
			p.now = p.now.Add(20 * time.Second)
			if is := *p.state().Loaf; is != was {
				t.Fatalf("%s came out as %+v, and at %s is %+v", name, was, p.state().Now, is)
			}
		}
	}
}

// What the dough wants can be left undone: the clock goes on, to the next thing that hands are wanted for.
func TestADoughCanBeLeftAlone(t *testing.T) {
	p := practise(t, "Towpath white", "", rehearse.TooWet)
	p.do(rehearse.Happening{What: rehearse.Paced, Pace: 600})
	left := rehearse.Happening{Stamp: journal.Stamp{Seq: 2, At: p.now}, What: rehearse.Left}
	if err := rehearse.Check(p.state(), left); err == nil {
		t.Error("something is left undone before anything is wanted")
	}
	p.press(p.r.Plan.Setting.Presses)
	p.now = p.now.Add(time.Minute)
	s := p.state()
	if s.Waits == "" || !s.Leaves {
		t.Fatalf("at the first look it stands at %s for %q", s.Now, s.Waits)
	}
	p.told(bake.Happening{What: bake.Saw, Seen: s.Inside.Look})
	p.now = p.now.Add(time.Minute)
	if again := p.state(); !again.Now.Equal(s.Now) || again.Waits != "Give the dough what it wants." {
		t.Errorf("with a spoonful to go in it went on to %s: %q", again.Now, again.Waits)
	}
	p.do(rehearse.Happening{What: rehearse.Left})
	p.now = p.now.Add(time.Minute)
	if s = p.state(); s.Waits != "Ready: take the loaf out." || s.Leaves || len(s.Bake.Ball.Doses) != 0 {
		t.Errorf("left alone, it stands at %s for %q (%v)", s.Now, s.Waits, s.Leaves)
	}
	if p.told(bake.Happening{What: bake.TakenOut}); !p.state().Loaf.Gummy {
		t.Errorf("a dough that was too wet came out as %+v", p.state().Loaf)
	}
}

// A rehearsal is kept as a bake once its loaf is out: the last thing that happened is now, all else as long before
// it as it was.
func TestARehearsalIsKeptAsABake(t *testing.T) {
	p := practise(t, "Mooring raisin loaf", "", rehearse.TooWet)
	p.do(rehearse.Happening{What: rehearse.Paced, Pace: 600})
	p.press(p.r.Plan.Setting.Presses)
	p.r.Of = rehearse.Made{RecipeID: "r", Revision: 1, MachineID: "m", Machine: 1, Kitchen: 1}
	if _, _, ok := rehearse.Past(p.r, p.did, p.now); ok {
		t.Error("a loaf that is still in the machine is kept")
	}
	s, _ := p.through()
	kept, happened, ok := rehearse.Past(p.r, p.did, p.now)
	if !ok || len(happened) != len(s.Happens) || !happened[len(happened)-1].At.Equal(p.now) {
		t.Fatalf("kept: %v, %d happenings of %d, the last at %s", ok, len(happened), len(s.Happens),
			happened[len(happened)-1].At)
	}
	again := bake.At(kept, happened, p.now)
	if !again.Over() || again.End.Sub(again.Begin) != s.Bake.End.Sub(s.Bake.Begin) ||
		len(again.Ball.Doses) != len(s.Bake.Ball.Doses) || len(again.Ball.Doses) == 0 {
		t.Errorf("as a bake it took %s with %d doses, rehearsed %s with %d", again.End.Sub(again.Begin),
			len(again.Ball.Doses), s.Bake.End.Sub(s.Bake.Begin), len(s.Bake.Ball.Doses))
	}
	p.r.Of = rehearse.Made{}
	if _, _, ok := rehearse.Past(p.r, p.did, p.now); ok {
		t.Error("one that does not know its recipe is kept")
	}
}

// The dough ages by the minutes of its own clock, however often it is looked at or touched meanwhile; while the
// machine is paused it waits with it.
func TestTheDoughAgesByItsOwnMinutes(t *testing.T) {
	heights := map[bool]float64{}
	for _, often := range []bool{false, true} {
		p := practise(t, "Towpath white", "", rehearse.NoSlip)
		p.press(p.r.Plan.Setting.Presses)
		p.do(rehearse.Happening{What: rehearse.Paced, Pace: 60})
		for p.state().Stage != machine.Rise {
			for s := p.state(); s.Waits != ""; s = p.state() {
				p.answer(s)
			}
			p.now = p.now.Add(time.Second)
		}
		risen := p.state().Inside.Height
		for range 80 { // 20 minutes of the rise, a quarter at a time
			if p.now = p.now.Add(250 * time.Millisecond); often {
				p.do(rehearse.Happening{What: rehearse.Paced, Pace: 60})
			}
		}
		if heights[often] = p.state().Inside.Height; heights[often] < 1.1*risen {
			t.Errorf("20 minutes of rising take it from %.2f to %.2f of the pan", risen, heights[often])
		}
	}
	if heights[false] != heights[true] {
		t.Errorf("the dough stands at %.3f of the pan, and at %.3f where the clock was touched meanwhile",
			heights[false], heights[true])
	}
}
