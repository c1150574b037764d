package otherwise

// atMachine are the answers to what is seen, heard and smelt at the machine, and to what comes of it.
var atMachine = map[Event]func(Stand) Advice{
	ShutBox: func(s Stand) Advice {
		if s.mixes(3) {
			return Advice{Do: "Empty it by hand over the dough now, over two turns of the " +
				"ball.", Until: s.Kneaded - 3,
				Why: "Three minutes spread them."}
		}
		return lateAddIns(s)
	},
	FlapIn: func(s Stand) Advice {
		switch s.Phase {
		case Bakes:
			return Advice{Do: "Leave it, and free it when the loaf is out.", Never: "Do not open the lid, and " +
				"do not pull.",
				Why: "The cold air would sink the loaf."}
		case Ends:
			return Advice{Do: "Wait ten minutes, then ease it off with a plastic spatula.", Never: "No metal, " +
				"no force.",
				Why: "Crust that has cooled comes off."}
		}
		return Advice{Do: "Ease it up with an oiled plastic spatula and shut it.", Until: s.Bakes,
			Never: "Do not press the dough down.", Why: "It would tear the top as it bakes."}
	},
	MoreFruit: func(s Stand) Advice {
		if s.mixes(3) {
			return Advice{Do: "Leave it, and look at the ball before the kneading ends.", Until: s.Kneaded,
				Never: "No flour for it yet.", Why: "Fruit and cheese wet a dough only slowly."}
		}
		return Advice{Do: "Leave it as it is.", Costs: "It stays lower, and some may lie at the bottom.",
			Why: "Nothing can be taken out any more."}
	},
	HighDough: func(s Stand) Advice {
		switch s.Phase {
		case Bakes:
			return Advice{Do: "Leave the lid shut. If it runs over and smokes, press Stop and pull the plug.",
				Never: "Do not open the lid.", Why: "The crust sets within minutes."}
		case Ends:
			return Advice{Do: "Take it out, and clean the cold machine.", Why: "It is done."}
		case Last:
			return Advice{Do: "If it is within a finger of the lid, prick it three or four times with a skewer.",
				Until: s.Bakes, Never: "Do not press it down with the hand.", Why: "It still rises as it warms."}
		}
		return Advice{Do: "Leave it: it is knocked back before its last rise. Look again when that begins.",
			Why: "Only its last height counts."}
	},
	OpenLid: func(s Stand) Advice {
		if s.Phase == Ends || s.Phase == Waits {
			return Advice{Do: "Shut it, or take the loaf out.", Why: "No harm is done now."}
		}
		return Advice{Do: "Shut it and leave it shut; look at its height ten minutes before it bakes.",
			Never: "Do not open it again to look.", Why: "Warmth was lost: it may want some minutes more."}
	},
	PanLoose: func(s Stand) Advice {
		switch s.Phase {
		case Waits:
			return Advice{Do: "Press the pan down until it clicks.", Why: "Nothing has run yet."}
		case Kneads, Between:
			return Advice{Do: "Press Stop and pull the plug. Seat the pan until it clicks, push the paddle " +
				"down, and start again.",
				Never: "Never reach in while it is plugged in.", Costs: "The minutes that have passed.",
				Why: "It mixes only while the paddle turns."}
		case Bakes:
			return Advice{Do: "Leave it until it is done.", Never: "Do not reach in: everything is hot.",
				Why: "It bakes as well when it stands askew."}
		case Ends:
			return Advice{Do: "Take it out with gloves on.", Why: "It is done."}
		}
		return Advice{Do: "Press the pan level if it was well kneaded; take a loose paddle out with oiled " +
			"fingers.", Until: s.Bakes,
			Why: "It is not needed any more."}
	},
	Noise: func(s Stand) Advice {
		switch s.Phase {
		case Kneads, Between:
			return Advice{Do: "Clicking and rattling are usual. Thumping means a hard dough: look at the ball. " +
				"At a screech press " +
				"Stop, pull the plug, wipe coupling and shaft, and seat the pan anew.", Never: "No oil in the " +
				"shaft.",
				Why: "A dry dough and a pan askew are loud."}
		case Waits, Ends:
			return Advice{Do: "Pull the plug and look under the pan before you use it again.",
				Why: "Nothing should move now."}
		}
		return Advice{Do: "Leave it if it is soft; at a loud one press Stop and pull the plug.",
			Why: "Only heater and fan run now."}
	},
	Walks: func(s Stand) Advice {
		if s.Phase == Kneads || s.Phase == Between || s.Phase == Waits {
			return Advice{Do: "Push it back by its sides, put a damp cloth under its feet, and look at the ball.",
				Never: "Do not hold it by the lid.", Why: "A stiff dough shakes the machine."}
		}
		return Advice{Do: "Push it back from the edge by its sides.", Never: "Do not touch lid or vents: they " +
			"are hot.",
			Why: "It does not knead any more."}
	},
	OnHeater: func(s Stand) Advice {
		switch s.Phase {
		case Bakes:
			return Advice{Do: "Keep the lid shut and let it bake while it smells of toast only. When it smokes " +
				"thickly, press Stop " +
				"and pull the plug.", Never: "No water, no hand inside.", Why: "A little flour burns off by " +
				"itself."}
		case Waits:
			return Advice{Do: "Lift the pan out and wipe the cold machine clean.", Why: "It would burn later."}
		case Ends:
			return Advice{Do: "Pull the plug, let it cool for an hour, and wipe the heater clean before the " +
				"next bake.",
				Never: "No water into the machine.", Why: "What is left smokes next time."}
		}
		return Advice{Do: "Press Stop, pull the plug, lift the pan out and wipe the machine clean; then put it " +
			"back and start " +
			"again.", Never: "No wet cloth on a warm heater.", Why: "It burns as soon as it bakes."}
	},
	Smoke: func(s Stand) Advice {
		return Advice{Do: "Thick smoke, a flame, or a smell of plastic: press Stop, pull the plug, keep the " +
			"lid shut and open a " +
			"window. Thin smoke that smells of toast is flour beside the pan: leave the lid shut.",
			Never: "No water, no hand inside, and the lid stays shut.",
			Costs: "This bake is over if you pulled the plug.", Why: "Without air it goes out by itself."}
	},
	Leaked: func(s Stand) Advice {
		switch s.Phase {
		case Bakes:
			return Advice{Do: "Leave it.", Never: "Do not open the lid.", Why: "It sets as it bakes."}
		case Ends:
			return Advice{Do: "Take it out at once, and clean the cold machine.", Never: "Do not touch hot sugar.",
				Why: "Sugar sticks as it cools."}
		}
		return Advice{Do: "Pinch the seam with a wet finger and lay it seam down.", Until: s.Bakes, Why: "It " +
			"closes as it rises."}
	},
	NotDone: func(s Stand) Advice {
		if s.Phase == Bakes {
			return Advice{Do: "Leave the lid shut and let it bake to its end; measure it then.",
				Why: "The middle is done last."}
		}
		if s.Phase != Ends {
			return Advice{Do: "It has not baked yet: nothing to do.", Why: "Only the end of the bake tells."}
		}
		if s.Kind.Outside {
			return Advice{Do: "Bake on until its middle is at 71 °C, poultry at 74 °C, and measure it.",
				Never: "Do not serve it before, and do not leave it to stand warm.", Why: "Meat is safe only " +
					"from there."}
		}
		return Advice{Do: "Bake on with bake only for ten minutes, lid shut, and measure its middle again.",
			Never: "Do not turn it out and do not cut it yet.", Why: "It sinks as it cools while it is raw inside."}
	},
	Stuck: func(s Stand) Advice {
		if s.Phase != Ends {
			return Advice{Do: "Leave it until it is done.", Why: "It is not meant to come out yet."}
		}
		return Advice{Do: "Gloves on: stand the pan upside down for three minutes, then shake it; turn the nut " +
			"under it a " +
			"quarter, to and fro. When it is cold, stand the foot of the pan in hot water first.",
			Never: "No metal, no force, no pan under water.", Why: "Steam loosens the loaf, metal scratches " +
				"the pan."}
	},
	Forgotten: func(s Stand) Advice {
		switch {
		case s.Phase == Waits:
			return Advice{Do: "Set the delay anew, if nothing in it spoils.", Why: "Dry flour waits."}
		case s.Phase != Ends:
			return Advice{Do: "It still runs: go on from here.", Why: "What was missed is told on this page."}
		case s.Kind.Outside:
			return Advice{Do: "Throw it away if it stood for more than two hours after its end.", Never: "Do " +
				"not taste it.",
				Costs: "This one is lost.", Why: "Meat spoils in a machine that cools."}
		case s.Kind.Shaped:
			return Advice{Do: "Press the dough down and use it now for flat bread; throw it out if it is grey " +
				"or smells sharp.",
				Never: "Not for a loaf: it has no rise left.", Why: "A dough goes on rising until it falls."}
		}
		return Advice{Do: "Take it out and let it dry on a rack; ten minutes in the oven at 180 °C crisp it again.",
			Costs: "A soft, damp crust.", Why: "Steam has gone back into the crust."}
	},
	Spoiling: func(s Stand) Advice {
		switch {
		case s.Phase == Ends && s.Kind.Outside, s.Phase == Waits && s.Spoils:
			return Advice{Do: "Throw it away if it stood in the warm for more than two hours.", Never: "Do not " +
				"taste it.",
				Costs: "This one is lost.", Why: "Milk, egg and meat spoil before one smells it."}
		case s.Spoils:
			return Advice{Do: "Throw it away if milk, egg or meat stood in the warm for more than two hours " +
				"before it was " +
				"baked.", Never: "Baking does not make it good again: do not taste it.", Costs: "This one is lost.",
				Why: "What has spoilt stays so."}
		}
		return Advice{Do: "Leave out what stood, and go on without it.", Never: "Do not put it in.",
			Why: "Nothing else in this loaf spoils."}
	},
}
