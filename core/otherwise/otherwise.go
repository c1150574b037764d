package otherwise

import (
	"fmt"

	"risepan/core/advice"
	"risepan/core/kind"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/recipe"
)

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

// Stand is where a bake stands. Minutes are of the cycle.
type Stand struct {
	Phase   Phase
	Kind    kind.Row
	Minute  machine.Minutes // below 0 while it waits
	Stages  []machine.Span
	Mixed   machine.Minutes // for how long the paddle has turned
	Mixes   machine.Minutes // and for how long it will
	Kneaded machine.Minutes // at which the kneading ends; 0: nothing is kneaded
	Risen   machine.Minutes // at which the first rise after it ends; 0: none comes
	Knocked machine.Minutes // at which it is knocked back next; 0: not any more
	Bakes   machine.Minutes // at which the baking begins; 0: it is not baked here
	Total   machine.Minutes

	Spoils  bool          // milk, egg, meat or the like is in it
	Yeasted bool          // yeast raises it
	Flour   measure.Grams // of the recipe at its size; 0: not known
	Larger  bool          // the machine bakes a larger size than this
	Core    float64       // °C in its middle as measured; 0: not measured
	Meat    bool          // pieces of meat, fish or cheese are in it, which spoil when baked as well
	// BakeOnly is how the machine's cycle that only bakes is called; empty: it has none.
	BakeOnly string
	Amounts  Amounts // as they are said aloud, of what is in the recipe
}

// Amounts are what the recipe has of what is left out most often; empty where there is none of it.
type Amounts struct{ Yeast, Salt, Powder string }

// larger is how much more a loaf is with a cup of flour more, and meaty is from how much protein in 100 g on what
// spoils is meat, fish or cheese and no fruit.
const (
	larger = 4.0 / 3
	meaty  = 12
)

// At reads off a plan's stages where it stands at a minute of its cycle.
func At(p plan.Plan, stages []machine.Span, minute machine.Minutes) Stand {
	s := AtCourse(p.Kind, stages, minute, p.Spoils, p.Formula.Yeast > 0)
	s.Flour, s.Amounts = p.Formula.Flour, amountsOf(p)
	s.Larger = p.Pan.Fill.High*larger <= p.Pan.Fill.Room
	if only := p.Setting.Fittings.BakeOnly; only != nil {
		s.BakeOnly = only.String()
	}
	for _, l := range p.Lines {
		i, known := larder.Get(l.Ingredient)
		s.Meat = s.Meat || known && i.Spoils && i.Kind == larder.Extra && i.Shares.Protein >= meaty
	}
	return s
}

// amountsOf are the amounts of what raises and seasons a plan's dough.
func amountsOf(p plan.Plan) (out Amounts) {
	for _, l := range p.Lines {
		switch {
		case l.Part != recipe.InDough || l.Spoken == "":
		case l.Stuff == "yeast":
			out.Yeast = l.Spoken
		case l.Ingredient == "salt":
			out.Salt = l.Spoken
		case l.Ingredient == "baking-powder", l.Ingredient == "baking-soda":
			out.Powder = l.Spoken
		}
	}
	return out
}

// AtCourse is At for a kind on a course of stages, raised by yeast or not.
func AtCourse(k recipe.Kind, stages []machine.Span, minute machine.Minutes, spoils, yeasted bool) Stand {
	s := Stand{Kind: kind.Of(k), Spoils: spoils, Yeasted: yeasted, Minute: minute, Stages: stages, Phase: Ends}
	lastRise := machine.Minutes(0)
	for _, st := range stages {
		s.Total = st.To
		switch st.Kind {
		case machine.Knead:
			s.Kneaded = st.To
			s.Mixed += max(0, min(minute, st.To)-st.From)
			s.Mixes += max(0, st.To-max(minute, st.From))
		case machine.Rise:
			lastRise = st.From
		case machine.Bake, machine.Boil:
			if s.Bakes == 0 {
				s.Bakes = st.From
			}
		}
	}
	for _, st := range stages {
		if st.Kind == machine.Rise && st.From >= s.Kneaded && st.To > minute && s.Risen == 0 {
			s.Risen = st.To
			if st.From < lastRise {
				s.Knocked = st.To
			}
		}
		if minute >= st.From && minute < st.To {
			s.Phase = phaseOf(st.Kind, minute, s.Kneaded, lastRise)
		}
	}
	switch {
	case minute < 0:
		s.Phase = Waits
	case minute < s.Total && s.Phase == Ends: // the machine waits for Start
		s.Phase = Rises
		if minute+1 >= lastRise {
			s.Phase = Last
		}
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

// Answer is what to do about an event where a bake stands.
func Answer(e Event, s Stand) advice.Advice {
	if s.Phase == Waits && missing[e] {
		return advice.To(advice.Add, "Put it in now, in its place.").For("Nothing has been mixed yet.")
	}
	a := answers[e](s)
	if a.Until <= s.Minute {
		a.Until = 0
	}
	return a
}

// missing are what is simply put in where nothing has begun.
var missing = map[Event]bool{NoPowder: true, NoSalt: true, NoSugar: true, NoFat: true, NoEgg: true, NoDryMilk: true,
	NoGluten: true, NoBinder: true, NoSpice: true, NoLemon: true, NoFlour: true, NoWater: true}

// Asks reports whether the answer would be surer with the temperature of its middle, which only a thermometer tells.
func (e Event) Asks(s Stand) bool {
	baking := e == NotDone || e == DarkEarly || e == Pale || e == DoneEarly
	return baking && s.over() && !s.Kind.Ending.Core.IsZero()
}

// answers is the table: what is done about each event.
var answers = map[Event]func(Stand) advice.Advice{}

// answering adds answers to the table.
func answering(more map[Event]func(Stand) advice.Advice) bool {
	for e, answer := range more {
		answers[e] = answer
	}
	return true
}

// mixes reports whether what goes in now is still worked in: so many minutes of kneading are to come.
func (s Stand) mixes(minutes machine.Minutes) bool {
	return s.Phase == Waits || s.Mixes >= minutes
}

// by is the minute of the cycle until when so many minutes of kneading are still to come.
func (s Stand) by(minutes machine.Minutes) machine.Minutes {
	if s.Phase == Waits {
		return 0
	}
	return max(s.Kneaded-minutes, s.Minute)
}

// early reports whether the dough is at the beginning of its kneading.
func (s Stand) early() bool {
	return s.Phase == Waits || s.Mixes > 0 && s.Mixed <= hardly
}

// hardly is for how many minutes a dough is kneaded that has hardly begun.
const hardly = 15

// over reports whether heat has set it.
func (s Stand) over() bool { return s.Phase == Bakes || s.Phase == Ends }

// batter reports whether it is poured rather than kneaded.
func (s Stand) batter() bool { return s.Kind.Batter || s.Kind.Loose }

// still reports whether the machine kneads and raises nothing: a jam, a yoghurt, what is mixed outside.
func (s Stand) still() bool { return s.Kind.Still || s.Kind.Outside }

// starter reports whether it is flour and water that ferment for hours.
func (s Stand) starter() bool { return s.Kind.Still && !s.Kind.Flourless }

// left are the minutes until the cycle's end.
func (s Stand) left() machine.Minutes { return max(0, s.Total-s.Minute) }

// after are the minutes since it was done.
func (s Stand) after() machine.Minutes { return max(0, s.Minute-s.Total) }

// whole are the minutes of its whole baking, said as a range that allows for a pan that has cooled.
func (s Stand) whole() string {
	if s.Bakes == 0 {
		return "until it is done"
	}
	long := s.Total - s.Bakes
	return fmt.Sprintf("for %d to %d minutes", long, long+5)
}

// bakeOn adds the baking of a dough that its cycle does not bake any more.
func (s Stand) bakeOn(a advice.Advice) advice.Advice { return s.bakeStep(a, s.whole()) }

// bakeStep adds baking, for so long, on the machine's own cycle for that where it has one, else in the oven.
func (s Stand) bakeStep(a advice.Advice, long string) advice.Advice {
	if s.BakeOnly == "" {
		return a.Then(advice.Oven, "Bake it in a tin in the oven at 190 °C (375 °F), "+long+".")
	}
	return a.Then(advice.BakeOn, "Bake it with "+s.BakeOnly+", "+long+".")
}

// amount is an amount with its thing, or the thing alone where the amount is not known.
func amount(of, thing string) string {
	if of == "" {
		return "the " + thing
	}
	return of + " of " + thing
}

// nothingOf answers that there is none of something in it.
func nothingOf(what string) advice.Advice {
	return advice.To(advice.Leave, "There is nothing to do: no "+what+" belongs in it.").For("It is made without.")
}

// fine answers that nothing is wrong.
func fine(say, why string) advice.Advice { return advice.To(advice.Leave, say).For(why) }

// tooLate answers what cannot be mended any more.
func (s Stand) tooLate(cost string) advice.Advice {
	if s.Phase == Bakes {
		return advice.To(advice.Leave, "Leave it, with the lid shut.").Not("Do not open the lid, and do not start it again.").
			At(cost).For("What bakes cannot be mixed again.")
	}
	return advice.To(advice.Leave, "Leave it as it is.").Not("Do not start it again.").At(cost).
		For("What is baked cannot be mixed again.")
}

// anew answers what only another beginning mends: Stop, what goes in, and the cycle from its start.
func (s Stand) anew(put, why string) advice.Advice {
	return advice.To(advice.Stop, "Press Stop.").Then(advice.Add, put).
		Then(advice.Restart, "Start the same cycle again.").
		By(s.lastCall()).Moving(max(0, s.Minute), max(0, s.Minute)).For(why)
}

// lastCall is until when a cycle can be started again: with live yeast until its first rise is over, else until
// it bakes.
func (s Stand) lastCall() machine.Minutes {
	if s.Phase == Waits {
		return 0
	}
	return max(s.Minute, s.Risen)
}

// unplugged answers what needs hands in the pan while something should turn.
func (s Stand) unplugged(do, why string) advice.Advice {
	return advice.To(advice.Stop, "Press Stop.").Then(advice.Unplug, "Pull the plug.").Then(advice.Seat, do).
		Then(advice.Restart, "Plug it in and start the cycle again.").Not("Never reach in while it is plugged in.").
		Moving(max(0, s.Minute), max(0, s.Minute)+5).For(why)
}

// lastRise is the minute at which the last rise begins.
func (s Stand) lastRise() (from machine.Minutes) {
	for _, st := range s.Stages {
		if st.Kind == machine.Rise {
			from = st.From
		}
	}
	return from
}
