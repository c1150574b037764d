package otherwise

import "risepan/core/advice"

var _ = answering(map[Event]func(Stand) advice.Advice{
	Spoiling: spoiling,
	FillingOld: func(s Stand) advice.Advice {
		return advice.To(advice.Discard, "Throw that away, and bake without it.").By(s.by(fruit)).
			Not("Do not put it in.").For("Ham, cheese and cream spoil within two hours in the warm.")
	},
	Sour: func(s Stand) advice.Advice {
		if s.Phase != Waits {
			return spoilt(s, "Wet grain that smells sour has spoilt.")
		}
		return spoilt(s, "Wet grain that smells sour has spoilt. Begin with fresh grain, and keep it in the fridge.")
	},
	Beetles: func(s Stand) advice.Advice {
		return spoilt(s, "Where some are seen there are more, and their eggs. Look at the other flour as well.")
	},
	Eggshell: func(s Stand) advice.Advice {
		if s.over() {
			return fine("Leave it, and look for it when you slice.", "It does no harm but to a tooth.")
		}
		if s.Mixes > 0 && s.Phase != Waits {
			return advice.To(advice.Pause, "Pause it.").Then(advice.TakeOff, "Take it out with a wooden pick.").
				Then(advice.GoOn, "Let it go on.").By(s.Kneaded).Not("Do not reach in while it turns.").Moving(0, 1).
				For("It is easy to find while it lies on top.")
		}
		return advice.To(advice.TakeOff, "Take it out with a wooden pick.").Not("Do not reach in while it turns.").
			For("It is easy to find while it lies on top.")
	},
	Stone: func(s Stand) advice.Advice {
		if s.over() {
			return fine("Leave it, and tell everybody who eats of it.", "It cannot be found any more.").
				Not("Do not bite hard.")
		}
		return advice.To(advice.TakeOff, "Feel through the dough with oiled hands, now or at the next knock-back, and take "+
			"it out.").By(max(s.Minute, s.Knocked, s.lastRise())).Not("Do not leave it in.").For("Somebody would bite on it.")
	},
	Chip: func(s Stand) advice.Advice {
		return advice.To(advice.Stop, "Press Stop.").Then(advice.Discard, "Throw the dough away.").
			Not("Do not eat it, and do not pick the piece out and bake on.").At("This loaf is lost.").Losing().
			For("Where one piece came off there are others too small to see.")
	},
	Plaster: func(s Stand) advice.Advice {
		if s.over() {
			return spoilt(s, "It cannot be found any more.")
		}
		return advice.To(advice.Stop, "Press Stop.").
			Then(advice.TakeOff, "Look through the dough with clean hands.").
			Then(advice.Discard, "Throw it away if you do not find it.").By(s.Kneaded).Not("Do not leave it.").
			Moving(0, 20).For("It is not to be eaten.")
	},
	RawEaten: func(s Stand) advice.Advice {
		return advice.To(advice.Note, "Note it.").Then(advice.Leave, "Leave the bake as it is, and ask a doctor if "+
			"somebody feels unwell.").Not("Do not eat more of it raw.").For("Raw flour and egg can carry germs.")
	},
	HotMilk: func(s Stand) advice.Advice {
		if s.Phase == Ends {
			return spoilt(s, "Without its culture milk that stood warm has spoilt.")
		}
		return advice.To(advice.Stop, "Press Stop.").
			Then(advice.Wait, "Wait until the milk is at 40 to 43 °C.").
			Then(advice.Add, "Stir in 2 tablespoons of fresh live yoghurt.").
			Then(advice.Restart, "Start the cycle again.").By(s.Total).Not("Do not add the culture to hot milk.").
			Moving(20, 90).For("Heat kills the culture.")
	},
	Child: func(s Stand) advice.Advice {
		return advice.To(advice.TakeOff, "The child first: then push pan and machine to the back, the cord out of reach.").
			Not("Do not leave it there.").For("Pan, lid and vents are hot.")
	},
})

func spoiling(s Stand) advice.Advice {
	if s.Spoils || s.Kind.Outside {
		return spoilt(s, "Milk, egg and meat spoil before one smells it, and baking does not make them good again.")
	}
	return fine("Leave out what stood, and go on without it.", "Nothing else in this loaf spoils.").
		Not("Do not put it in.")
}

// spoilt answers what is thrown away.
func spoilt(s Stand, why string) advice.Advice {
	return advice.To(advice.Discard, "Throw it away.").Not("Do not bake it, and do not taste it.").
		At("What is in the pan is lost.").Losing().For(why)
}
