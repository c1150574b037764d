package otherwise

import (
	"fmt"

	"risepan/core/advice"
)

var _ = answering(map[Event]func(Stand) advice.Advice{
	HighDough: func(s Stand) advice.Advice {
		const soon = 3 // minutes to the baking, from when nothing is done
		switch {
		case s.still():
			return answers[Foams](s)
		case s.Phase == Bakes:
			return fine("Leave the lid shut. If it runs over and smokes thickly, pull the plug.",
				"The crust sets within minutes.").Not("Do not open the lid, and do not prick it.")
		case s.Phase == Ends:
			return advice.To(advice.TurnOut, "Take it out.").For("It is done.")
		case s.Phase == Last && s.Bakes-s.Minute <= soon:
			return fine("Leave it: the baking begins now.", "The heat sets it.").Not("Do not prick or press it.").By(s.Bakes)
		case s.Phase == Last:
			return advice.To(advice.Look, "Look again in five to ten minutes.").
				Then(advice.Prick, "If it is within a finger of the lid, prick it three or four times with a skewer.").
				By(s.Bakes).Not("Do not press it down, and do not keep the lid open.").For("It still rises a little.")
		}
		return fine("Leave it: it is knocked back before its last rise.", "Only its last height counts.")
	},
	Touches: func(s Stand) advice.Advice {
		if s.Phase != Last || s.still() {
			return answers[HighDough](s)
		}
		a := advice.To(advice.Open, "Open the lid and loosen the dough from it with an oiled spatula.").
			Then(advice.Prick, "Prick it four or five times.").Then(advice.Stop, "Press Stop.")
		return s.bakeOn(a).By(s.Bakes).
			Not("Do not press the lid shut on it, and do not let it rise on.").Moving(s.Minute-s.Bakes, 0).
			For("It has risen as far as it can.")
	},
	OverRim: func(s Stand) advice.Advice {
		switch {
		case s.still():
			return answers[RanOver](s)
		case s.Phase == Bakes, s.Phase == Ends:
			return answers[HighDough](s)
		case s.Phase != Last:
			return answers[HighDough](s)
		}
		return s.cutOff()
	},
	RanOver: func(s Stand) advice.Advice {
		switch {
		case s.Phase == Waits:
			return answers[OnHeater](s)
		case s.Phase == Bakes || s.still() && s.Phase != Ends:
			a := advice.To(advice.Unplug, "Pull the plug.").
				Then(advice.Wait, "Leave the lid shut until nothing smokes any more.")
			if !s.still() {
				a = a.Then(advice.Oven, "Bake the loaf on in the oven if its pan is made for one. Else throw it away.")
			}
			return a.Then(advice.Clean, "Clean the machine when it is cold.").
				Not("No water, no hand inside, and do not open the lid while it smokes.").Losing().
				For("What lies on the heater burns as long as it is hot.")
		case s.Phase == Ends:
			return answers[OnHeater](s)
		}
		return s.cutOff()
	},
	Sinks: func(s Stand) advice.Advice {
		if s.over() {
			return fine("Leave it.", "It rose too far before it baked; nothing raises it again.").
				Not("Do not open the lid, and do not stop it.")
		}
		return fine("Leave it, and bake it as soon as you can.", "It has risen too far.").Not("Do not start it again.")
	},
	Wobbles: func(s Stand) advice.Advice {
		if s.Phase == Ends {
			return answers[NotDone](s)
		}
		return fine("Leave it with the lid shut.", "The middle is done last.").
			Not("Do not open the lid, and do not end it.")
	},
	Pale: func(s Stand) advice.Advice {
		if s.Phase == Ends {
			if s.done() {
				return advice.To(advice.TurnOut, "Take it out. If you like it darker bake it on for 5 minutes first.").
					Then(advice.Cool, "Let it cool.").By(s.Total+10).Not("Do not bake it for 20 minutes more.").
					Moving(0, 5).For("Its middle is done, and colour is a matter of taste.")
			}
			return answers[NotDone](s)
		}
		return fine("Leave it: it browns in the last minutes.", "Colour comes last.").
			Not("Do not open the lid, and do not stop it.")
	},
	DarkEarly: func(s Stand) advice.Advice {
		switch {
		case s.Phase == Ends:
			return answers[NotDone](s)
		case s.Phase != Bakes:
			return fine("Leave it.", "It does not bake yet.")
		case s.Core > 0 && s.done():
			return endNow(s)
		}
		return advice.To(advice.Leave, "Leave it, with the lid shut.").
			Then(advice.Look, fmt.Sprintf("Measure its middle %d minutes before its end.", s.left()/2)).By(s.Total).
			Not("Do not end it before its middle is done, and do not cover lid or vents.").Moving(-s.left()/2, 0).
			For("A dark crust says nothing of the middle.")
	},
	DoneEarly: func(s Stand) advice.Advice {
		switch {
		case s.Phase == Ends:
			return advice.To(advice.TurnOut, "Take it out.").For("It is done.")
		case s.Phase != Bakes:
			return fine("Leave it.", "It does not bake yet.")
		}
		return endNow(s)
	},
	Foams: func(s Stand) advice.Advice {
		switch {
		case s.still() && (s.Phase == Ends || s.Kind.Outside):
			return fine("Leave it.", "Nothing boils in it.")
		case !s.still():
			return answers[HighDough](s)
		}
		return advice.To(advice.Leave, "Leave it.").Then(advice.Look, "Look again in two minutes.").
			Not("Do not open the lid for long, and do not stop it. If it runs over pull the plug.").By(s.Total).
			For("Foam sinks again as it boils.")
	},
	Thin: func(s Stand) advice.Advice {
		switch {
		case s.Kind.Only && s.Kind.Most > 0:
			return fine("Leave it: let it cool in the fridge overnight.", "Jam sets as it cools.").
				Not("Do not add more sugar, and do not stop it early.")
		case s.Kind.Flourless && !s.Kind.Outside && s.left() > 30:
			return fine("Shut the lid and leave it.", "It sets in its last hours.").Not("Do not stir it.")
		case s.Kind.Flourless && !s.Kind.Outside:
			return advice.To(advice.Wait, "Give it one to three hours more, warm.").
				Then(advice.Discard, "Throw it away if it smells off.").Not("Do not add sugar.").Moving(60, 180).
				For("A weak culture takes longer.")
		case s.batter() || s.still():
			return fine("Leave it: a batter runs.", "It sets as it bakes.").Not("Do not add flour.")
		}
		return noFlour(s)
	},
	Fallen: func(s Stand) advice.Advice {
		if !s.starter() {
			return answers[Sinks](s)
		}
		return fine("Leave it: that is as it should be.", "Bubbles and a sour smell are its yeast and acids.").
			Not("Do not throw it away, and do not add yeast.")
	},
})

// cutOff answers dough that runs over the rim before it bakes.
func (s Stand) cutOff() advice.Advice {
	a := advice.To(advice.Stop, "Press Stop.").Then(advice.Unplug, "Pull the plug.").
		Then(advice.TakeOff, "With an oiled plastic scraper cut off what hangs over, and wipe out what fell with a dry "+
			"cloth.")
	return s.bakeOn(a).By(max(s.Minute, s.Bakes)).
		Not("Do not reach in while it is plugged in, no metal.").Moving(0, 10).
		For("What lies on the heater burns.")
}

func endNow(s Stand) advice.Advice {
	return advice.To(advice.End, "End it now.").Then(advice.TurnOut, "Take it out.").Then(advice.Cool, "Let it cool.").
		By(s.Total).Not("Do not leave it in to dry, for the timer's sake.").Moving(-s.left(), -s.left()).
		For("Its middle is done.")
}

// done reports whether its middle is known to be done.
func (s Stand) done() bool { return s.Core > 0 && s.Core >= s.Kind.Ending.Core.Low }
