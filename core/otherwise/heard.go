package otherwise

import "risepan/core/advice"

var _ = answering(map[Event]func(Stand) advice.Advice{
	Clicks: func(s Stand) advice.Advice {
		return fine("Leave it: that is usual.", "Relays click, and warm metal ticks.").Not("Do not stop it.")
	},
	Screech: func(s Stand) advice.Advice {
		switch {
		case s.Phase == Waits:
			return advice.To(advice.Unplug, "Pull the plug.").
				Then(advice.Seat, "Lift the pan out, wipe both couplings, and set it in straight until it clicks.").
				Then(advice.Restart, "Then start it.").Not("No force, no oil in the shaft.").Moving(2, 4).
				For("The couplings do not sit in each other.")
		case s.Mixes > 0:
			a := s.unplugged("Lift the pan out, wipe coupling and shaft, and set it in straight.",
				"The couplings do not sit in each other.")
			return a.Not("No oil in the shaft, and do not let it run on.")
		case s.Phase == Ends:
			return advice.To(advice.Unplug, "Pull the plug, and look under the pan before you use it again.").
				For("Nothing should move now.")
		}
		return advice.To(advice.Unplug, "If it goes on press Stop and pull the plug.").For("Only the fan should run now.")
	},
	Thumps: func(s Stand) advice.Advice {
		if s.Mixes < crystals || s.still() || s.batter() || s.Phase == Waits {
			return fine("Leave it.", "It cannot be mended any more, and does no harm.")
		}
		return advice.To(advice.Liquid, "A hard ball thumps: add 1 teaspoon of water.").
			Then(advice.Look, "Look at the ball after two minutes of kneading.").By(s.by(crystals)).
			Not("Do not stop it.").For("A dry dough knocks against the wall.")
	},
	Rattles: func(s Stand) advice.Advice {
		return fine("Leave it: nuts and fruit rattle until they are worked in.", "It stops by itself.").
			Not("Do not stop it.")
	},
	Stalls: func(s Stand) advice.Advice {
		if s.Mixes < crystals || s.still() || s.Phase == Waits {
			return fine("Leave it if it goes on; else press Stop and pull the plug.", "It does not knead now.")
		}
		return advice.To(advice.Liquid, "Add 1 tablespoon of water.").
			Then(advice.Look, "Look again after two minutes of kneading.").
			Then(advice.Pause, "Pause it if it stalls.").By(s.by(crystals)).Not("Do not force the paddle.").
			For("The dough is too stiff for the motor.")
	},
	Walks: func(s Stand) advice.Advice {
		return advice.To(advice.Move, "Push it back by its sides, and put a damp cloth under its feet.").
			Then(advice.Look, "Look at the ball: a stiff one shakes the machine.").
			Not("Do not hold it by the lid, and do not leave it.").For("It could walk over the edge.")
	},
	Edge: func(s Stand) advice.Advice {
		if s.Mixes == 0 && s.Phase != Waits {
			return advice.To(advice.Move, "Push it back by its sides, with both hands, gently.").
				Not("Do not hold it by the hot lid.").For("It could fall.")
		}
		return advice.To(advice.Pause, "Pause it.").
			Then(advice.Move, "Lift it back by its sides, with both hands.").
			Then(advice.GoOn, "Let it go on.").Not("Do not hold it by the lid, and do not leave it.").Moving(1, 2).
			For("It could fall.")
	},
	ThinSmoke: func(s Stand) advice.Advice {
		if s.over() {
			return fine("Leave it, with the lid shut.", "A little flour or sugar beside the pan burns off by itself.").
				Not("Do not open the lid. No water. When the smoke grows thick pull the plug.")
		}
		return answers[OnHeater](s)
	},
	Smoke: func(s Stand) advice.Advice {
		return advice.To(advice.Unplug, "Pull the plug.").
			Then(advice.Leave, "Leave the lid shut, and open a window.").
			Not("No water, no hand inside, and the lid stays shut.").At("This bake is lost.").Losing().
			For("Without air it goes out by itself.")
	},
	Plastic: func(s Stand) advice.Advice {
		return advice.To(advice.Unplug, "Pull the plug, and do not use the machine again before it was looked at.").
			Not("Do not wait, no water, and do not start it again.").At("This bake is lost.").Losing().
			For("Something electric is burning.")
	},
	NewSmell: func(s Stand) advice.Advice {
		return fine("Leave it: that is usual in the first bake.", "The oil of the works burns off.").
			Not("Do not open the lid.")
	},
	Covered: func(s Stand) advice.Advice {
		return advice.To(advice.TakeOff, "Take it away, and lay the cord aside.").Not("Never cover the machine.").
			For("Lid and vents get hot.")
	},
	Curtain: func(s Stand) advice.Advice {
		return advice.To(advice.Move, "Push the curtain aside, or the machine gently by its sides, a hand's breadth away.").
			By(s.Bakes).Not("Do not leave it there.").For("Vents get hot and let steam out.")
	},
})
