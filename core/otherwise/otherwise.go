package otherwise

import (
	"risepan/core/kind"
	"risepan/core/machine"
	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/core/vocab"
)

// Event is something that went otherwise, as a baker would say it.
type Event string

const (
	NoYeast   Event = "yeast or leavening was left out"
	NoSalt    Event = "salt was left out"
	NoSugar   Event = "sugar or honey was left out"
	NoFat     Event = "butter or oil was left out"
	NoEgg     Event = "egg or milk powder was left out"
	NoFlour   Event = "some of the flour was left out"
	NoWater   Event = "some of the liquid was left out"
	NoPaddle  Event = "the paddle is not in"
	TwoYeasts Event = "yeast went in twice"
	TwoSalts  Event = "salt went in twice"
	TwoOther  Event = "something else went in twice"

	WrongCycle Event = "the wrong cycle was chosen"
	WrongSize  Event = "the wrong size was chosen"
	WrongCrust Event = "the wrong crust was chosen"
	NoDelay    Event = "the delay was not set"
	Stopped    Event = "Stop was pressed"

	ShutBox   Event = "the dispenser did not open"
	FlapIn    Event = "the flap or lid touches the dough"
	MoreFruit Event = "more went in at the beep than planned"
	HighDough Event = "the dough is nearly at the lid"
	OpenLid   Event = "the lid stood open"
	PanLoose  Event = "the pan is not seated, or the paddle came off"
	Noise     Event = "it makes a loud noise"
	Walks     Event = "the machine walks on the worktop"
	OnHeater  Event = "something fell or ran beside the pan"
	Smoke     Event = "it smokes, or smells burnt"
	Leaked    Event = "the filling leaks"

	NotDone   Event = "it is not done inside"
	Stuck     Event = "it will not come out"
	Forgotten Event = "it was forgotten for hours"
	Spoiling  Event = "something in it stood too long in the warm"
)

// Events lists them, as a page offers them.
var Events = []Event{NoYeast, NoSalt, NoSugar, NoFat, NoEgg, NoFlour, NoWater, NoPaddle, TwoYeasts, TwoSalts, TwoOther,
	WrongCycle, WrongSize, WrongCrust, NoDelay, Stopped, ShutBox, FlapIn, MoreFruit, HighDough, OpenLid, PanLoose, Noise,
	Walks, OnHeater, Smoke, Leaked, NotDone, Stuck, Forgotten, Spoiling}

func (e Event) Words() []string                  { return vocab.List(Events) }
func (e *Event) UnmarshalText(text []byte) error { return vocab.Read(e, text, "event", Events) }

// Phase is where a loaf is on its way, as far as something can still be done about it.
type Phase string

const (
	Waits   Phase = "before it starts"
	Kneads  Phase = "kneading"
	Between Phase = "resting, with kneading to come"
	Rises   Phase = "rising"
	Last    Phase = "in its last rise"
	Bakes   Phase = "baking"
	Ends    Phase = "done"
)

// Phases lists them in their order.
var Phases = []Phase{Waits, Kneads, Between, Rises, Last, Bakes, Ends}

// Stand is where a bake stands.
type Stand struct {
	Phase   Phase
	Kind    kind.Row
	Spoils  bool            // milk, egg, meat or the like is in it
	Yeasted bool            // yeast raises it
	Minute  machine.Minutes // of the cycle; below 0 while it waits
	Kneaded machine.Minutes // of the cycle at which the kneading ends; 0: nothing is kneaded
	Bakes   machine.Minutes // at which the baking begins; 0: it is not baked here
	Total   machine.Minutes
}

// At reads off a plan's stages where it stands at a minute of its cycle. An unknown ingredient is taken to spoil.
func At(p plan.Plan, stages []machine.Span, minute machine.Minutes, spoils bool) Stand {
	return AtCourse(p.Kind, stages, minute, spoils, p.Formula.Yeast > 0)
}

// AtCourse is At for a kind on a course of stages, raised by yeast or not.
func AtCourse(k recipe.Kind, stages []machine.Span, minute machine.Minutes, spoils, yeasted bool) Stand {
	s := Stand{Kind: kind.Of(k), Spoils: spoils, Yeasted: yeasted, Minute: minute, Phase: Ends}
	lastRise := machine.Minutes(0)
	for _, st := range stages {
		s.Total = st.To
		switch st.Kind {
		case machine.Knead:
			s.Kneaded = st.To
		case machine.Rise:
			lastRise = st.From
		case machine.Bake, machine.Boil:
			if s.Bakes == 0 {
				s.Bakes = st.From
			}
		}
	}
	for _, st := range stages {
		if minute >= st.From && minute < st.To {
			s.Phase = phaseOf(st.Kind, minute, s.Kneaded, lastRise)
		}
	}
	if minute < 0 {
		s.Phase = Waits
	}
	return s
}

func phaseOf(k machine.StageKind, minute, kneaded, lastRise machine.Minutes) Phase {
	switch {
	case k == machine.Bake, k == machine.Boil:
		return Bakes
	case k == machine.Knead:
		return Kneads
	case minute < kneaded:
		return Between
	case minute >= lastRise:
		return Last
	}
	return Rises
}

// Advice is what to do about an event.
type Advice struct {
	Do    string          `json:"do"`
	Until machine.Minutes `json:"until,omitzero"` // of the cycle, until when it can be done; 0: at once, or at any time
	Never string          `json:"never,omitzero"`
	Costs string          `json:"costs,omitzero"` // of time or of the loaf
	Why   string          `json:"why"`
}

// mixes reports whether what goes in now is still kneaded in: so many minutes of kneading are to come.
func (s Stand) mixes(minutes machine.Minutes) bool {
	return s.Phase == Waits || (s.Phase == Kneads || s.Phase == Between) && s.Kneaded-s.Minute >= minutes
}

// batter reports whether it is poured rather than kneaded.
func (s Stand) batter() bool { return s.Kind.Batter || s.Kind.Loose }

// still reports whether the machine kneads and raises nothing: a jam, a yoghurt, what is mixed outside.
func (s Stand) still() bool { return s.Kind.Still || s.Kind.Outside }

// Answer is what to do about an event where a bake stands.
func Answer(e Event, s Stand) Advice {
	if answer, ok := inThePan[e]; ok {
		return answer(s)
	}
	return atMachine[e](s)
}
