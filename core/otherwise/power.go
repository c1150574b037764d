package otherwise

import (
	"fmt"

	"risepan/core/advice"
	"risepan/core/machine"
)

// Minutes of a power cut: what spoils may stand so long, and what has all but baked needs no more heat.
const (
	spoilsAfter = 120
	allButDone  = 10
)

// Cut is what to do when the power was off for so many minutes and the machine has lost its cycle. The stand is that
// of the moment at which the power went.
func Cut(s Stand, off machine.Minutes) advice.Advice {
	passed := max(0, s.Minute) + off
	switch {
	case s.Phase == Waits && !s.Spoils:
		return advice.To(advice.Delay, "Set the panel anew, with the delay for the hour you want; if the yeast is wet, "+
			"without one.").
			Not("Do not throw it away.").For("Flour, water and dry yeast wait for hours.")
	case s.Phase == Ends:
		return advice.To(advice.TurnOut, "Take it out.").For("It was done already.")
	case off > spoilsAfter && (s.Spoils || s.Kind.Outside):
		a := spoilt(s, "Milk, egg and meat spoil before one smells it.")
		a.Why = fmt.Sprintf("What spoils stood warm for %d minutes.", off)
		return a
	case s.Phase == Waits:
		return advice.To(advice.Restart, "Start it now, without a delay.").
			For("Nothing has begun, and what spoils has not stood long.")
	case s.starter():
		return fine("Leave it: it ferments without the machine.", "It needs no heat.").
			Not("Do not throw it away, and do not add yeast.")
	case s.still() && s.Phase != Bakes:
		return advice.To(advice.Restart, "Start the same cycle for the hours that are left and one more.").By(s.Total).
			Not("Do not throw it away.").Moving(60, 60).For("It has only lost some warmth.")
	case s.Phase == Bakes && s.left() <= allButDone && !s.still():
		return advice.To(advice.Leave, "Leave it for ten minutes, with the lid shut.").
			Then(advice.Look, "Then measure its middle"+s.doneAt()+".").By(s.Total+allButDone).
			Not("Do not open the lid at once, and do not start it again.").Moving(0, 10).
			For("The pan is hot enough to finish it.")
	case s.Phase == Bakes && s.Kind.Outside:
		a := s.bakeStep(advice.Advice{}, fmt.Sprintf("at once, for %d minutes and until its middle is at 71 °C, "+
			"poultry at 74 °C",
			s.left()+off/2))
		return a.Not("Do not leave it to stand warm, and do not eat it before.").Moving(off, off+15).
			For("Meat is safe only when it is hot all through.")
	case s.Phase == Bakes && s.Kind.Still:
		return advice.To(advice.Restart, "Start the cycle again for 30 to 40 minutes, or boil it on in a pot.").
			Not("Do not throw it away, and do not reach in.").Moving(off, off+15).For("It goes on boiling where it was.")
	case s.Phase == Bakes:
		a := s.bakeStep(advice.Advice{}, fmt.Sprintf("at once, for %d to %d minutes, and keep the lid shut", s.left()+3,
			s.left()+8))
		return a.Then(advice.Look, "Measure its middle then"+s.doneAt()+".").
			Not("Do not start the whole cycle again, and do not open the lid.").Moving(off+2, off+8).
			For("It was baking: it is baked to its end before it cools.")
	case s.Mixes > 0, s.Kind.Shaped && s.Risen > 0 && off <= spoilsAfter:
		return advice.To(advice.Restart, "Start the same cycle again.").By(s.lastCall()).
			Not("Do not throw it away, and do not bake it now.").Moving(passed, passed).
			For("A second kneading does a dough no harm.")
	}
	wait := max(0, s.Bakes-s.Minute-off)
	a := advice.Advice{}
	switch {
	case s.Bakes == 0:
		return fine("Leave it in the pan, covered, until it stands as planned. Then shape and bake it.",
			"It went on rising without the machine.")
	case wait > 0:
		a = a.Then(advice.Wait, fmt.Sprintf("Keep the lid shut for about %d minutes, until it stands at its planned "+
			"height.", wait))
	}
	return s.bakeStep(a, "then, "+s.whole()).Not("Do not start the whole cycle again.").
		Moving(0, max(5, off)).For(fmt.Sprintf("It went on rising for %d minutes.", off))
}

// doneAt says when its middle is done; empty where no temperature tells.
func (s Stand) doneAt() string {
	if said := s.Kind.Ending.Said(); said != "" {
		return ": it is done at " + said
	}
	return ""
}
