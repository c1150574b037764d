package otherwise

import "risepan/core/advice"

var _ = answering(map[Event]func(Stand) advice.Advice{
	NotIn: func(s Stand) advice.Advice {
		if s.mixes(1) && s.Phase != Waits {
			a := advice.To(advice.Add, "Put them in now by hand, over two turns of the paddle.")
			if s.batter() {
				a = a.Then(advice.Scrape, "Scrape the sides down.")
			}
			return a.By(s.by(fruit)).Not("Do not wait for another beep, and do not tip them in as one heap.").
				For("The last minutes of kneading spread them.")
		}
		return lateAddIns(s)
	},
	ShutBox: func(s Stand) advice.Advice {
		if s.mixes(1) && s.Phase != Waits {
			return advice.To(advice.Add, "Empty it by hand over the ball, at once.").By(s.by(fruit)).
				Not("Do not stop the cycle.").For("The last minutes of kneading spread them.")
		}
		return lateAddIns(s)
	},
	StickyBox: func(s Stand) advice.Advice {
		if s.mixes(1) {
			return advice.To(advice.TakeOff, "Take them out of the dispenser now.").
				Then(advice.Add, "Put them in by hand at the beep.").By(s.by(fruit)).
				Not("Do not leave them in it.").For("What sticks does not fall.")
		}
		return lateAddIns(s)
	},
	FlapIn: func(s Stand) advice.Advice {
		switch s.Phase {
		case Bakes:
			return fine("Leave it, and free it when the loaf is out.", "Cold air would sink the loaf.").
				Not("Do not open the lid, and do not pull.")
		case Ends:
			return advice.To(advice.Loosen, "Wait ten minutes, then ease it off with a plastic spatula.").
				Not("No metal, no force.").For("A crust that has cooled comes off.")
		}
		return advice.To(advice.TakeOff, "Ease it up with an oiled plastic spatula and shut it.").By(s.Bakes).
			Not("Do not press the dough down, and use no force.").For("It would tear the top as it bakes.")
	},
	MoreReady: func(s Stand) advice.Advice {
		if !s.mixes(1) {
			return lateAddIns(s)
		}
		return advice.To(advice.Add, "Put in what was planned, up to a third of a cup for each cup of flour.").
			Then(advice.TakeOff, "Keep the rest for another time.").By(s.by(fruit)).Not("Do not put all of it in.").
			For("More than that weighs the crumb down.")
	},
	MoreFruit: func(s Stand) advice.Advice {
		if s.Mixes > 0 {
			return advice.To(advice.Leave, "Leave it.").Then(advice.Look, "Look at the ball before the kneading ends.").
				By(s.Kneaded).Not("Do not add flour for it.").Moving(0, 5).For("Fruit and cheese wet a dough only slowly.")
		}
		return fine("Leave it as it is.", "Nothing can be taken out any more.").
			At("It stays lower, and some may lie at the bottom.")
	},
	EarlyFruit: func(s Stand) advice.Advice {
		return fine("Leave it.", "It is kneaded finer, and spread more evenly.").Not("Do not stop the cycle.")
	},
	WetFruit: func(s Stand) advice.Advice {
		switch {
		case s.Phase == Waits:
			return advice.To(advice.TakeOff, "Take them out and pat them dry.").For("Nothing is mixed yet.")
		case s.Mixes >= crystals && !s.still() && !s.batter():
			return advice.To(advice.Flour, "Add 1 tablespoon of flour.").
				Then(advice.Look, "Look again after two minutes of kneading.").By(s.by(crystals)).
				Not("Do not add a quarter of a cup at once.").For("What drips off them makes the dough slack.")
		}
		return fine("Leave it.", "It cannot be mended any more.").At("It is a little moister.")
	},
	Large: func(s Stand) advice.Advice {
		return fine("Leave it.", "What is soft bakes with it, and whoever eats it finds it.").Not("Do not stop the cycle.")
	},
	NotShaped: func(s Stand) advice.Advice {
		if s.over() || s.Phase == Waits {
			return fine("Leave it.", "It cannot be shaped now.")
		}
		return advice.To(advice.PaddleOut, "Lift the dough out and take the paddle out.").
			Then(advice.Shape, "Press it out, fill it, roll it and lay it in with its seam down.").
			Then(advice.GoOn, "Press Start.").Not("Do not start the whole cycle again.").Moving(8, 35).
			For("The machine still waits, and the dough has only risen more.")
	},
	GaveUp: func(s Stand) advice.Advice {
		if s.over() || s.Phase == Waits {
			return wrongCycle(s)
		}
		a := advice.To(advice.Shape, "Press the dough out, fill it if it is to be filled, and lay it in with its seam down.")
		return s.riseAndBake(a, "for 35 to 45 minutes").By(s.Minute+30).
			Not("Do not start the whole cycle again.").Moving(45, 70).For("It has only risen more than it should.")
	},
	ColdFilling: func(s Stand) advice.Advice {
		if s.over() {
			return fine("Leave it.", "It is in and warm by now.")
		}
		return advice.To(advice.PaddleOut, "At the pause take the paddle out.").
			Then(advice.Shape, "Roll the dough out as thick as a finger, spread the filling thin, roll it up, seam down.").
			Then(advice.GoOn, "Press Start.").By(max(s.Minute, s.Risen+10)).
			Not("Do not wrap it round a cold lump.").Moving(8, 25).For("Spread thin it warms within minutes.")
	},
	Leaked: func(s Stand) advice.Advice {
		switch s.Phase {
		case Bakes:
			return fine("Leave it, with the lid shut.", "It sets as it bakes.").Not("Do not open the lid.")
		case Ends:
			return advice.To(advice.TurnOut, "Take it out while it is hot, with gloves on.").
				Then(advice.Clean, "Wipe the machine when it is cold.").Not("Do not touch hot sugar.").
				For("Sugar sticks as it cools.")
		}
		return advice.To(advice.Shape, "Pinch the seam with a wet finger and lay it seam down.").By(s.Bakes).
			Not("Do not leave sugar on the rim, and do not start again.").For("It closes as it rises.")
	},
	NotGlazed: func(s Stand) advice.Advice {
		const before, ends = 5, 15 // minutes before the baking, and before the end of a meat loaf's
		switch {
		case s.Kind.Outside && s.Spoils && s.Phase == Bakes && s.left() >= ends:
			return advice.To(advice.Add, "Brush a sugary glaze on when half an hour is left, quickly.").
				Then(advice.Shut, "Shut the lid.").By(s.Total - ends).Not("Do not put it on at the start: sugar burns.").
				For("What has half baked does not sink.")
		case s.over():
			return fine("Leave it off.", "Opening the lid would sink the loaf.").Not("Do not open the lid for it.")
		case s.Bakes == 0:
			return fine("Put it on when it is shaped and has risen.", "It is baked elsewhere.")
		}
		return advice.To(advice.Wait, "Wait until five minutes before it bakes.").
			Then(advice.Add, "Brush it on thinly, with the lid open for seconds.").By(max(s.Minute, s.Bakes-1)).
			Not("Do not open the lid while it bakes, and do not press the dough.").For("It sticks to what is moist.")
	},
	NoTime: func(s Stand) advice.Advice {
		if s.Bakes > 0 || s.Phase == Waits {
			return fine("Leave it: the machine does all of it.", "Nothing is shaped by hand.")
		}
		return advice.To(advice.Press, "Press the dough down when it is done.").
			Then(advice.Fridge, "Cover it and put it in the fridge, for up to 24 hours.").By(s.Total+60).
			Not("Do not bake it as it lies.").Moving(60, 1440).For("In the cold it hardly rises.")
	},
})

// lateAddIns answers add-ins that were missed.
func lateAddIns(s Stand) advice.Advice {
	switch {
	case s.Phase == Waits:
		return advice.To(advice.Add, "Put them in at the beep, by hand.").
			For("They are spread in the last minutes of kneading.")
	case s.batter() || s.over() || s.still():
		return fine("Leave them out, and eat them with it.", "Nothing can be mixed in any more.").
			Not("Do not open the lid for them.")
	case s.Knocked > 0 || s.Kind.Shaped:
		return advice.To(advice.FoldIn, "Fold them in by hand, lightly, now or at the knock-back. Or leave them out.").
			By(max(s.Minute, s.Knocked, s.Risen)).Not("Do not strew them on top, and do not start again.").
			At("They lie less evenly.").For("The paddle does not spread them any more.")
	}
	return fine("Leave them out. A few can be pressed on the top, brushed with water.", "This rise is the last.").
		Not("Do not fold them in: the rise would be lost.")
}
