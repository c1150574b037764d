package otherwise

import (
	"fmt"

	"risepan/core/advice"
	"risepan/core/machine"
)

var _ = answering(map[Event]func(Stand) advice.Advice{
	WrongCycle:  wrongCycle,
	RapidChosen: rapidChosen,
	DoughChosen: doughChosen,
	BakeChosen:  bakeChosen,
	BakeShort: func(s Stand) advice.Advice {
		if s.Phase == Waits {
			return setAgain("Set the right minutes.")
		}
		return advice.To(advice.Leave, "Let it run to its end.").
			Then(advice.Look, "Measure its middle then.").
			Then(advice.BakeOn, "Bake it on at once for the minutes that are missing.").By(s.Total+5).Moving(10, 30).
			Not("Do not open the lid before.").For("A pan that stays hot loses nothing.")
	},
	SizeUp:   sizeUp,
	SizeDown: sizeDown,
	TooDark: crust("the lighter crust", "12 minutes before its end; end it when it is brown and its middle is done",
		-12, -5),
	TooLight: crust("the darker crust", "at its end; if it is pale bake it on for 5 minutes", 0, 5),
	NoDelay: func(s Stand) advice.Advice {
		switch {
		case s.Phase == Waits:
			return setAgain("Set the delay.")
		case s.Mixed == 0 && s.Mixes > 0:
			return advice.To(advice.Stop, "Press Stop.").Then(advice.Delay, "Set the delay and start: its rest mixes "+
				"nothing, and the yeast is still dry.").By(s.firstKnead()).For("Yeast that is dry waits.")
		}
		return fine("Let it run, and take it out when it is done: it is ready earlier.",
			"A dough that is mixed goes on rising.").Not("Do not set a delay on wet dough.")
	},
	DelayLong: func(s Stand) advice.Advice {
		if s.Phase != Waits {
			return fine("Let it run: it has begun.", "A dough that is mixed goes on rising.")
		}
		return advice.To(advice.Stop, "Press Stop.").Then(advice.Delay, "Set the delay anew by the time it is now.").
			Not("Do not open the lid to stir.").For("Nothing has begun.")
	},
	DelaySpoils: func(s Stand) advice.Advice {
		switch {
		case s.Phase != Waits:
			return spoiling(s)
		case s.Spoils:
			return advice.To(advice.Restart, "Start it now, without a delay.").
				Not("Do not let milk, egg or meat stand in the pan for hours.").For("They spoil before one smells it.")
		}
		return fine("Leave the delay as it is.", "Nothing in this loaf spoils.").Not("Do not use warm water for it.")
	},
	NoStart: func(s Stand) advice.Advice {
		switch {
		case s.Phase != Waits:
			return fine("There is nothing to do: it runs.", "The display counts down.")
		case s.Spoils:
			return advice.To(advice.Discard, "Throw it away if it stood for more than two hours.").
				Not("Do not start it, and do not taste it.").At("What is in the pan is lost.").Losing().
				For("Milk, egg and meat spoil before one smells it.")
		}
		return advice.To(advice.Restart, "Press Start now.").Not("Do not throw it away.").
			For("Flour, water and dry yeast wait for some hours.")
	},
	Stopped: stopped,
	Buttons: func(s Stand) advice.Advice {
		return fine("Leave it: as long as the display counts on it keeps its cycle.",
			"Other buttons do nothing while it runs.").Not("Do not press Stop to put it right.")
	},
	TooHot: func(s Stand) advice.Advice {
		if s.Phase != Waits {
			return fine("There is nothing to do: it runs.", "It refuses only at its start.")
		}
		return advice.To(advice.Open, "Lift the pan out and leave the lid open.").
			Then(advice.Wait, "Wait 15 to 25 minutes.").Then(advice.Restart, "Then start the cycle.").
			Not("No ice, and no water, in the machine.").Moving(15, 25).For("It still has the heat of the last loaf.")
	},
	TooCold: func(s Stand) advice.Advice {
		if s.Phase != Waits {
			return fine("There is nothing to do: it runs.", "It refuses only at its start.")
		}
		return advice.To(advice.Wait, "Let it stand in a warm kitchen for 30 to 60 minutes.").
			Then(advice.Restart, "Then start the cycle.").Not("No hair dryer, and no hot water in the machine.").
			Moving(30, 60).For("It stood in the cold.")
	},
})

// setAgain answers what is set otherwise before anything runs.
func setAgain(set string) advice.Advice {
	return advice.To(advice.Stop, "Press Stop.").Then(advice.Restart, set+" Then start it.").For("Nothing has run yet.")
}

// firstKnead is the minute at which the paddle first turns.
func (s Stand) firstKnead() machine.Minutes {
	for _, st := range s.Stages {
		if st.Kind == machine.Knead {
			return st.From
		}
	}
	return 0
}

// riseAndBake is what a dough gets that leaves its cycle: its rise where it stands, and its baking.
func (s Stand) riseAndBake(a advice.Advice, rise string) advice.Advice {
	return s.bakeOn(a.Then(advice.Wait, "Keep the lid shut "+rise+", until it stands at its planned height."))
}

func wrongCycle(s Stand) advice.Advice {
	passed := max(0, s.Minute)
	switch {
	case s.Phase == Waits:
		return setAgain("Choose the right cycle.")
	case s.still() && s.Phase != Ends:
		return advice.To(advice.Stop, "Press Stop.").Then(advice.OtherCycle, "Start its own cycle.").
			Not("Do not add more sugar.").Moving(passed, passed).For("It is heated, not kneaded; a few minutes do no harm.")
	case s.Phase == Ends:
		return fine("Measure its middle. If it is not done bake it on.",
			"Another cycle bakes for another time.")
	case s.Phase == Bakes:
		return fine("Let it bake, and measure its middle at its end.", "What bakes cannot be kneaded again.").
			Not("Do not start it again.")
	case s.Kind.Shaped && s.Phase != Waits:
		return advice.To(advice.End, "End it when its first rise is over, and take the dough out.").
			By(max(s.Minute, s.Risen)).
			Not("Do not let it bake.").For("Up to there another cycle does the same.")
	case s.Kind.FewKnock && !s.early():
		a := advice.To(advice.Stop, "Press Stop.").Then(advice.Scrape, "Smooth its top with a wet spatula.")
		return s.riseAndBake(a, "for 35 to 55 minutes").By(max(s.Minute, s.Kneaded, s.Knocked-1)).
			Not("Do not let it be knocked back.").Moving(-20, 10).For("Its crumb does not rise twice.")
	case s.early() || s.Mixes > 0:
		return advice.To(advice.Stop, "Press Stop.").Then(advice.OtherCycle, "Choose the right cycle and start it.").
			By(s.Kneaded).Moving(passed, passed).For("A few more minutes of kneading harm no dough.")
	}
	return fine("Let it go on.", "A dough that has risen is past its kneading.").Not("Do not start the cycle again.").
		At("It is a little lower or paler than it would be.")
}

func rapidChosen(s Stand) advice.Advice {
	switch {
	case s.Mixes > 0 || s.over() || s.Phase == Waits || s.still() || s.Kind.FewKnock:
		return wrongCycle(s)
	}
	a := advice.To(advice.Stop, "Press Stop before it bakes.")
	return s.riseAndBake(a, "for 30 to 45 minutes").By(s.Bakes).
		Not("Do not let it bake low, and do not start it again.").Moving(30, 45).For("Its rise is cut short on this cycle.")
}

func doughChosen(s Stand) advice.Advice {
	switch {
	case s.Phase == Waits:
		return setAgain("Choose the right cycle.")
	case s.starter():
		return advice.To(advice.End, "End it when it is mixed, after ten minutes.").
			Then(advice.Move, "Let it stand in a bowl, loosely covered, for 18 to 24 hours.").By(s.Total).
			Not("Do not leave it in the warm machine for a day.").For("The dough cycle only mixes and warms it.")
	case s.still():
		return wrongCycle(s)
	case s.Kind.Shaped:
		return fine("Leave it: that is the cycle for it.", "It is shaped by hand.")
	case s.Bakes > 0 && s.over():
		return fine("Let it bake.", "It bakes already.")
	}
	a := advice.To(advice.Leave, "Let it knead and rise to its end.").
		Then(advice.Shape, "Press the dough out, smooth it and put it back into the pan.").
		Then(advice.Wait, "Keep the lid shut for 40 to 50 minutes.")
	return s.bakeOn(a).By(s.Total+30).Not("Do not start another whole cycle on risen dough.").Moving(0, 10).
		For("The dough cycle does all but the last rise and the baking.")
}

func bakeChosen(s Stand) advice.Advice {
	const warm = 8 // minutes until the heat has set what touches the pan
	switch {
	case s.Phase == Waits:
		return setAgain("Choose the right cycle.")
	case s.Kind.Outside:
		return fine("Leave it: that is the cycle for it.", "It is mixed outside and only baked here.")
	case s.Minute <= warm:
		return advice.To(advice.Stop, "Press Stop.").Then(advice.Open, "Open the lid.").
			Then(advice.Wait, "Wait ten minutes, until the pan is no longer warm to the hand.").
			Then(advice.Restart, "Start the right cycle.").Moving(10, 15).For("Nothing has set yet.")
	}
	return advice.To(advice.Stop, "Press Stop.").Then(advice.Discard, "Throw it away when it has cooled.").
		Not("Do not start again with it.").At("What is in the pan is lost.").Losing().
		For("Heat has killed the yeast and set the edges.")
}

// tooLong is for how many minutes of kneading a size is still put right.
const tooLong = 15

func sizeUp(s Stand) advice.Advice {
	if a, ok := s.sizeAnew(); ok {
		return a
	}
	if s.Phase == Ends {
		return fine("Take it out, and measure its middle another time.", "It has baked long enough.").
			At("A thicker, darker crust.")
	}
	return advice.To(advice.Leave, "Let it go on.").
		Then(advice.Look, "Look about ten minutes before its end.").
		Then(advice.End, "End it when it is brown and its middle is done.").By(s.Total).
		Not("Do not stop it now.").Moving(-20, 0).For("The size sets how long it bakes, and the crust browns last.")
}

func sizeDown(s Stand) advice.Advice {
	if a, ok := s.sizeAnew(); ok {
		return a
	}
	return advice.To(advice.Leave, "Let it go on.").
		Then(advice.Look, "Measure its middle at its end.").
		Then(advice.BakeOn, "Bake it on for 5 to 10 minutes if it is not done.").By(s.Total+10).
		Not("Do not stop it now.").Moving(0, 10).For("The size sets how long it bakes.")
}

// sizeAnew is the answer while a size can still be put right; false afterwards.
func (s Stand) sizeAnew() (advice.Advice, bool) {
	switch {
	case s.Phase == Waits:
		return setAgain("Set the right size."), true
	case s.Mixes > 0 && s.Mixed <= tooLong:
		return advice.To(advice.Stop, "Press Stop.").Then(advice.Restart, "Set the right size and start again.").
			By(max(s.Minute, min(10, s.Kneaded))).Moving(s.Minute, s.Minute).
			For("The size sets how long it bakes, and a few minutes more of kneading do no harm."), true
	}
	return advice.Advice{}, false
}

// crust answers a crust that is not the one that was meant.
func crust(right, look string, low, high machine.Minutes) func(Stand) advice.Advice {
	return func(s Stand) advice.Advice {
		switch {
		case s.Phase == Waits:
			return setAgain("Set " + right + ".")
		case s.Mixes > 0 && s.Minute <= wetYeast:
			return advice.To(advice.Stop, "Press Stop.").Then(advice.Restart, "Set "+right+" and start again.").
				By(5).Moving(s.Minute, s.Minute).For("Hardly anything has run.")
		case s.Phase == Ends:
			return fine("Take it out, or bake a pale one on for 5 minutes.", "The crust is made in the last minutes.")
		}
		return advice.To(advice.Leave, "Let it go on.").Then(advice.Look, "Look "+look+".").By(s.Total).
			Not("Do not stop it now.").Moving(low, high).For("The crust is made in the last minutes of baking.")
	}
}

func stopped(s Stand) advice.Advice {
	passed := max(0, s.Minute)
	switch {
	case s.Phase == Waits:
		return setAgain("Set cycle, size, crust and delay as before.")
	case s.Phase == Ends:
		return advice.To(advice.TurnOut, "Take it out.").For("It is done.")
	case s.Phase == Bakes && s.still():
		return advice.To(advice.Restart, fmt.Sprintf("Start it again for the %d minutes that are left and ten more.",
			s.left())).Not("Do not reach in.").Moving(2, 20).For("It has only stood.")
	case s.Phase == Bakes:
		return s.bakeStep(advice.Advice{}, fmt.Sprintf("at once, for %d to %d minutes and with the lid shut",
			max(1, s.left()-2), s.left()+5)).By(s.Minute+10).Not("Do not open the lid, and do not start the whole cycle.").
			Moving(1, 5).For("A loaf that cools half baked sinks.")
	case s.Mixes > 0 || s.Phase == Rises && s.Kind.Shaped:
		return advice.To(advice.Restart, "Set cycle, size and crust as before and press Start.").By(s.lastCall()).
			Not("Do not throw it away, and do not add yeast.").Moving(passed, passed).
			For("A second kneading does a dough no harm.")
	case s.Bakes == 0 || s.still():
		return fine("Leave it in the pan with the lid shut.", "It goes on by itself without the machine.")
	}
	return s.bakeOn(advice.To(advice.Wait, "Keep the lid shut until it stands at its planned height.")).
		Not("Do not start the whole cycle again.").Moving(0, 10).
		For("Kneading would press the rise out, and the yeast is half spent.")
}
