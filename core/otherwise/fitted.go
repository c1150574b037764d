package otherwise

import "risepan/core/advice"

var _ = answering(map[Event]func(Stand) advice.Advice{
	NoPaddle: func(s Stand) advice.Advice {
		switch {
		case s.still():
			return fine("Leave it out: this wants no paddle.", "Nothing is kneaded.")
		case s.Phase == Waits:
			return advice.To(advice.Seat, "Lift the pan out, tip it into a bowl, push the paddle on its shaft and fill "+
				"the pan again, yeast last.").For("It cannot be pushed down through flour.")
		case s.over():
			return advice.To(advice.Discard, "Throw it away when it has cooled.").Then(advice.Note, "Note it.").
				Not("Do not start it again, and do not eat raw flour.").At("This loaf is lost.").Losing().
				For("Nothing was mixed.")
		}
		return s.unplugged("Tip everything into a bowl, fit the paddle, and fill the pan again, yeast last.",
			"Without a paddle nothing is mixed.")
	},
	OnePaddle: func(s Stand) advice.Advice {
		switch {
		case s.still() || s.over():
			return s.tooLate("One half of it may be dry.")
		case s.Phase == Waits:
			return advice.To(advice.Seat, "Lift the pan out and push the second paddle down on its shaft.").
				For("Each paddle mixes its own half.")
		case s.Mixes == 0:
			return fine("Leave it if the dough is well mixed.", "The kneading is over.").At("It may be uneven.")
		}
		return s.unplugged("Push the second paddle down on its shaft through the dough.",
			"Each paddle mixes its own half.").By(s.Kneaded)
	},
	SparePaddle: func(s Stand) advice.Advice {
		return fine("Leave it: one paddle is in, and that is enough.", "The other is a spare.").
			Not("Do not stop the cycle.")
	},
	PanLoose: func(s Stand) advice.Advice {
		switch {
		case s.Phase == Waits:
			return advice.To(advice.Seat, "Press the pan down until it clicks.").For("Nothing has run yet.")
		case s.over():
			return fine("Leave it until it is done, and measure its middle then.", "It bakes as well, a little slower.").
				Not("Do not reach in: everything is hot. Do not open the lid.").Moving(0, 10)
		case s.Mixes == 0:
			return askew(s)
		}
		return advice.To(advice.Pause, "Pause it with a short press on Start/Stop.").
			Then(advice.Seat, "Press or turn the pan until it clicks, its handle down.").
			Then(advice.GoOn, "Let it go on within ten minutes.").By(s.Kneaded).
			Not("Do not reach in while it runs.").Moving(1, 3).For("It mixes only when the pan sits on its drive.")
	},
	PanAskew: askew,
	PaddleStill: func(s Stand) advice.Advice {
		if s.Mixes == 0 || s.Phase == Waits {
			return fine("Leave it: it does not turn now.", "Nothing is kneaded at the moment.")
		}
		return s.unplugged("Lift the pan out, push the paddle fully down, and turn the coupling under the pan by hand.",
			"The paddle sits too high, or the pan is not on its drive.")
	},
	PaddleOff: func(s Stand) advice.Advice {
		switch {
		case s.Phase == Waits:
			return advice.To(advice.Seat, "Push the paddle down on its shaft.").For("Nothing has run yet.")
		case s.over() || s.still():
			return fine("Leave it, and take it out of the loaf when that has cooled.", "It only leaves a hole.").
				Not("Do not reach in.")
		case s.Mixes == 0:
			return advice.To(advice.PaddleOut, "With oiled hands take it out of the dough, and shape the dough to a ball.").
				By(s.Bakes).Not("Do not start it again.").For("It is not needed any more.")
		}
		return s.unplugged("Oil your fingers and push the paddle down on its shaft.",
			"It mixes only while the paddle turns.").By(s.Kneaded)
	},
	PaddleFlat: func(s Stand) advice.Advice {
		if s.Mixes == 0 && s.Phase != Waits {
			return fine("Leave it: that is how it should lie now.", "Flat, it leaves a smaller hole.")
		}
		if s.Phase == Waits {
			return fine("Leave it: it stands up when it turns.", "Nothing has run yet.")
		}
		return s.unplugged("Stand the paddle up with a plastic spoon.", "Flat, it leaves half the flour lying.")
	},
	PaddlePlay: func(s Stand) advice.Advice {
		return fine("Leave it: a little play is usual.", "It is meant to come off again.").Not("Do not force it.")
	},
	PaddleIn: func(s Stand) advice.Advice {
		const late = 12 // minutes into the last rise after which the dough is not disturbed
		switch {
		case s.still() && s.Phase != Ends, s.Phase == Bakes:
			return fine("Leave it: it only leaves a hole.", "What bakes is left alone.").
				Not("Do not open the lid, and do not reach in.")
		case s.Phase == Ends:
			return advice.To(advice.Loosen, "Look for it before you slice, and draw it out with a plastic hook.").
				Not("No metal.").For("It stays in the loaf.")
		case s.Mixes > 0 || s.Phase == Waits || s.Knocked > 0:
			return fine("Leave it in: it is still needed.", "The dough is kneaded or knocked back once more.")
		case s.Phase == Last && s.Minute-s.lastRise() <= late:
			return advice.To(advice.PaddleOut, "With a floured hand take it out now, and smooth the dough to fill the pan.").
				By(s.lastRise() + late).Not("Do not reach in before it has stopped.").For("The dough still closes over it.")
		}
		return fine("Leave it: it only leaves a hole.", "The dough has risen too far to be disturbed.").
			Not("Do not take it out now.")
	},
	OpenLid: func(s Stand) advice.Advice {
		switch {
		case s.Phase == Waits || s.Phase == Ends:
			return advice.To(advice.Shut, "Shut it, or take out what is done.").For("No harm is done now.")
		case s.Phase == Bakes:
			return advice.To(advice.Shut, "Shut it at once.").Not("Do not open it again to look.").Moving(0, 6).
				For("The cold air costs some minutes of baking.")
		case s.Kind.Still:
			return advice.To(advice.Shut, "Shut it, and leave it alone.").Not("Do not stir.").For("It only lost some warmth.")
		case s.Mixes > 0:
			return advice.To(advice.Shut, "Shut it.").Not("Do not stop the cycle.").For("Kneading does not need it shut.")
		}
		return advice.To(advice.Shut, "Shut it.").Then(advice.Look, "Look at its height shortly before it bakes.").
			By(s.Bakes).Not("Do not start it again, and do not press the dough.").Moving(0, 15).
			For("Warmth was lost: it may want some minutes more.")
	},
	OnHeater: func(s Stand) advice.Advice {
		switch s.Phase {
		case Bakes:
			return fine("Leave it as long as it smells of toast only. At thick smoke pull the plug.",
				"A little flour burns off by itself.").Not("No water, and no hand inside. Keep the lid shut.")
		case Waits:
			return advice.To(advice.Clean, "Lift the pan out and wipe the cold machine.").For("It would burn later.")
		case Ends:
			return advice.To(advice.Clean, "Pull the plug, let it cool for an hour and wipe it.").
				Not("No water into the machine.").For("What is left smokes next time.")
		}
		return advice.To(advice.Pause, "Pause it.").
			Then(advice.Clean, "Lift the pan out, wipe the machine with a dry cloth, and put the pan back.").
			Then(advice.GoOn, "Let it go on within ten minutes.").Not("No wet cloth on a warm heater.").Moving(1, 5).
			For("It burns as soon as it bakes.")
	},
	WaterUnder: func(s Stand) advice.Advice {
		return advice.To(advice.Stop, "Press Stop.").Then(advice.Unplug, "Pull the plug.").
			Then(advice.Move, "Lift the pan out and dry everything.").
			Then(advice.Look, "Look at the seal of the pan's shaft: have it mended before the next bake.").
			Not("Do not reach in while it is plugged in, and do not let it run.").Losing().
			For("Water and current do not go together.")
	},
	NoPan: func(s Stand) advice.Advice {
		return advice.To(advice.Unplug, "Pull the plug.").
			Then(advice.Move, "Tip it out, dry it and leave it open for a day or two. Have it looked at.").
			Not("Do not start it, and do not dry it by a bake.").Losing().For("Water has run to the motor and the heater.")
	},
	WetPan: func(s Stand) advice.Advice {
		if s.Phase != Waits {
			return fine("Leave it.", "It dries in the warm machine.").Not("Do not lift the pan out while it runs.")
		}
		return advice.To(advice.Clean, "Dry the pan outside, and its coupling.").
			Not("Leave no drops on the coupling.").For("Drops hiss and rust under it.")
	},
	MetalSpoon: func(s Stand) advice.Advice {
		if s.Mixes == 0 || s.Phase == Waits {
			return advice.To(advice.Look, "Look at pan and paddle for scratches when they are empty.").
				Not("Use wood or plastic.").For("Metal takes the coating off.")
		}
		return advice.To(advice.Stop, "Press Stop.").Then(advice.Unplug, "Pull the plug.").
			Then(advice.Look, "Look at pan and paddle for scratches or chips.").
			Then(advice.Restart, "If there are none start the cycle again.").By(s.Kneaded).
			Not("No metal, and do not reach in while it is plugged in.").Moving(s.Minute, s.Minute).
			For("A chip of coating in the dough is not to be eaten.")
	},
})

func askew(s Stand) advice.Advice {
	switch {
	case s.Phase == Waits || s.Mixes > 0:
		return answers[PanLoose](s)
	case s.over():
		return fine("Leave it until it is done.", "It bakes as well when it stands crooked.").
			Not("Do not open the lid, and do not reach in: everything is hot.")
	}
	return advice.To(advice.Seat, "Press it down level until it clicks.").By(s.Bakes).Not("Do not stop the cycle.").
		For("Level, it bakes evenly.")
}
