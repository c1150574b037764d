package otherwise

// inThePan are the answers to what went in otherwise, and to what was set otherwise.
var inThePan = map[Event]func(Stand) Advice{
	NoYeast: func(s Stand) Advice {
		switch {
		case s.still():
			return nothingOf("yeast")
		case s.Phase == Waits:
			return Advice{Do: "Put it in now, dry, on top of the flour.", Why: "Nothing is wet yet that it " +
				"could meet."}
		case s.mixes(4) && !s.Yeasted:
			return Advice{Do: "Sieve the leavening over the batter and scrape the sides.", Until: s.Kneaded - 4,
				Why: "Some minutes of mixing spread it well."}
		case s.mixes(4) && s.batter():
			return Advice{Do: "Stir the yeast into a tablespoon of warm water, pour it over the batter and " +
				"scrape the sides.",
				Until: s.Kneaded - 4, Never: "No dry grains on top: a batter does not knead them in.",
				Why: "Some minutes of mixing spread it well."}
		case s.mixes(7):
			return Advice{Do: "Strew the yeast dry over the dough now.", Until: s.Kneaded - 7,
				Never: "No second helping later.", Why: "It dissolves and spreads while the paddle still turns."}
		case s.Phase == Bakes || s.Phase == Ends:
			return Advice{Do: "End the bake. Slice it thin and toast it, or throw it out.",
				Never: "Do not start the same dough again.", Costs: "This loaf is lost.",
				Why: "Once it is hot, nothing can raise it any more."}
		case !s.Yeasted:
			return Advice{Do: "Stop it, stir the leavening in by hand, and start the cycle again.",
				Costs: "The whole cycle again.", Why: "Without it the batter stays flat."}
		}
		return Advice{Do: "Press Stop, stir the yeast into a tablespoon of warm water, pour it over the dough " +
			"and start the " +
			"cycle again.", Never: "Do not wait for a rise: none comes.", Costs: "The whole cycle again.",
			Why: "The kneading is over, and yeast on top of a dough stays there."}
	},
	NoSalt: func(s Stand) Advice {
		if s.still() {
			return Advice{Do: "Leave it out, or stir it in now if it can be stirred.", Why: "It is there for " +
				"the taste alone."}
		}
		if s.mixes(5) {
			return Advice{Do: "Dissolve it in a teaspoon of water and pour it over the " +
				"dough.", Until: s.Kneaded - 5,
				Why: "A few minutes of kneading spread it through."}
		}
		if s.Phase == Rises || s.Phase == Last {
			return Advice{Do: "Leave it out, look at its height sooner than usual, and bake it as soon as it " +
				"stands at its " +
				"planned height.", Never: "Do not strew it on top.", Costs: "It tastes bland.",
				Why: "Without salt it rises faster and holds less."}
		}
		return Advice{Do: "Leave it as it is, and salt the butter.", Costs: "It tastes bland.",
			Why: "Nothing can be mixed in any more."}
	},
	NoSugar: later("Strew it over the dough now.", "Leave it out.",
		"It browns less and tastes less sweet.", "Sugar feeds the yeast a little; the dough rises without it "+
			"as well."),
	NoFat: later("Put it in now in small pieces, or pour the oil over the dough.", "Leave it out.",
		"It is a little drier and goes stale sooner.", "Fat only softens the crumb."),
	NoEgg: later("Beat it and pour it over the dough slowly, then look at the ball.", "Leave it out.",
		"It is paler and a little firmer.", "Egg and milk powder enrich the dough; it stands without them."),
	NoFlour: func(s Stand) Advice {
		switch {
		case s.still():
			return nothingOf("flour")
		case s.mixes(8):
			return Advice{Do: "Add it now by the spoonful, all that is missing, and look at the dough in five " +
				"minutes.",
				Until: s.Kneaded - 8, Never: "Not the whole cup at once: it lies dry in the corners.",
				Why: "The dough takes it up while it is kneaded."}
		case s.Phase == Bakes || s.Phase == Ends:
			return tooLate("It comes out wet and sunken; toast the slices.")
		}
		return again("Press Stop, add the flour that is missing, and start the cycle again.",
			"A dough that wet does not hold its rise.")
	},
	NoWater: func(s Stand) Advice {
		switch {
		case s.still():
			return Advice{Do: "Add what is missing now, and stir it in.", Why: "It can still take it up."}
		case s.mixes(8):
			return Advice{Do: "Pour what is missing over the dough slowly, then look at the ball in five minutes.",
				Until: s.Kneaded - 8, Why: "The dough takes it up while it is kneaded."}
		case s.Phase == Bakes || s.Phase == Ends:
			return tooLate("It comes out short and dry; slice it thin and toast it.")
		}
		return again("Press Stop, add the liquid that is missing, lukewarm, and start the cycle again.",
			"Dry flour does not become dough by waiting.")
	},
	NoPaddle: func(s Stand) Advice {
		switch {
		case s.Kind.Outside:
			return Advice{Do: "Leave it out: what is mixed outside wants no paddle.", Why: "It is only baked here."}
		case s.Phase == Waits:
			return Advice{Do: "Lift the pan out, push the paddle down on its shaft, and fill the pan again.",
				Why: "It cannot be pushed down through flour."}
		case s.Phase == Bakes || s.Phase == Ends:
			return tooLate("End it and throw it out: it is raw flour and water.")
		}
		return Advice{Do: "Press Stop and pull the plug. Tip everything into a bowl, push the paddle on, fill " +
			"the pan again " +
			"and start anew.", Never: "Never reach in while it is plugged in.", Costs: "The whole cycle again.",
			Why: "Without a paddle nothing is mixed."}
	},
	TwoYeasts: func(s Stand) Advice {
		switch {
		case s.still() || !s.Yeasted:
			return nothingOf("yeast")
		case s.Phase == Waits:
			return Advice{Do: "Lift half of it off again with a dry spoon; a little flour with it does not matter.",
				Why: "It still lies dry on top."}
		case s.Phase == Bakes || s.Phase == Ends:
			return Advice{Do: "Let it bake. It may sink in the middle.", Costs: "A coarse loaf that tastes of " +
				"yeast.",
				Why: "What has risen cannot be taken back."}
		case s.Phase == Last:
			return Advice{Do: "Look at its height every five minutes. When it stands where it should, press " +
				"Stop and bake it " +
				"with bake only.", Never: "Do not wait for the end of the rise.", Why: "It rises twice as " +
				"fast, and then sinks."}
		}
		return Advice{Do: "Change to the rapid cycle if there are more than ten minutes of kneading left; else " +
			"look at its " +
			"height early and bake it as soon as it stands.", Never: "No salt on a guess.", Costs: "A coarser " +
			"crumb.",
			Why: "With twice the yeast every rise takes about half as long."}
	},
	TwoSalts: func(s Stand) Advice {
		switch {
		case s.Phase == Waits:
			return Advice{Do: "Spoon half of it off again with a little flour, and make the flour up.",
				Why: "It still lies dry."}
		case s.still():
			return Advice{Do: "Leave it: nothing takes salt out.", Costs: "It tastes of salt.", Why: "It is " +
				"dissolved."}
		case s.mixes(10):
			return Advice{Do: "Leave it, and serve it with sweet butter; or make a larger loaf of it: add a " +
				"third of everything " +
				"but salt, and start again at the next size.", Never: "No sugar to hide it, no more yeast alone.",
				Costs: "A salty loaf that stays low.", Why: "Salt slows yeast, and nothing takes it out again."}
		}
		return Advice{Do: "Leave it. Give its last rise more time if the machine lets you.", Costs: "A salty " +
			"loaf that stays low.",
			Why: "Salt slows yeast, and nothing takes it out again."}
	},
	TwoOther: func(s Stand) Advice {
		switch {
		case s.Phase == Waits:
			return Advice{Do: "Lift off what lies dry; of a liquid, tip it out and measure " +
				"anew.", Why: "Nothing is mixed yet."}
		case s.still():
			return Advice{Do: "Go on, and taste it at the end.", Why: "It cannot be taken out."}
		case s.mixes(8):
			return Advice{Do: "Look at the dough in five minutes, and mend it by the teaspoon: flour if it " +
				"smears, water if it " +
				"is torn.", Until: s.Kneaded - 4, Never: "Not by the cup, and not both ways.",
				Why: "Sugar, fat and egg soften a dough more slowly than water does."}
		}
		return Advice{Do: "Leave it as it is, and note what went in for the verdict.", Costs: "It may spread " +
			"or stay low.",
			Why: "Nothing can be kneaded in any more."}
	},
	WrongCycle: func(s Stand) Advice {
		switch {
		case s.Phase == Waits || s.Phase == Kneads && s.Minute < 15 || s.Phase == Between && s.Minute < 30:
			return Advice{Do: "Press Stop until it is off, choose the right cycle, and start again.",
				Costs: "The minutes that have passed.", Why: "A few minutes more of kneading harm no dough."}
		case s.Phase == Ends:
			return Advice{Do: "Measure its middle. If it is not done, bake on with bake only.",
				Why: "Another cycle bakes for another time."}
		case s.Phase == Bakes:
			return Advice{Do: "Let it bake, and measure its middle before you take it out.", Never: "Do not " +
				"start it again.",
				Why: "What bakes cannot be kneaded again."}
		}
		return Advice{Do: "Let it rise on. If its rise is cut short, press Stop, wait with the lid shut until " +
			"it stands at its " +
			"planned height, and bake it with bake only.", Never: "Do not start the whole cycle again.",
			Why: "A dough that has risen is past its kneading."}
	},
	WrongSize: func(s Stand) Advice {
		switch s.Phase {
		case Waits, Kneads, Between:
			return Advice{Do: "Press Stop until it is off, set the right size, and start again.", Until: s.Kneaded,
				Costs: "The minutes that have passed.", Why: "Size sets how long it bakes."}
		case Ends:
			return Advice{Do: "Measure its middle: bake on if it is not done, else take it out.",
				Why: "A smaller size bakes too short, a larger one too long."}
		}
		return Advice{Do: "Let it go on. Of a size too large look ten minutes before the end and take it out " +
			"when it is " +
			"brown; of one too small give it ten minutes more with bake only.", Never: "Do not stop the rise " +
			"for it.",
			Why: "Size changes little but the minutes of baking."}
	},
	WrongCrust: func(s Stand) Advice {
		switch s.Phase {
		case Waits, Kneads, Between:
			return Advice{Do: "If the crust can be changed while it runs, change it; else let it " +
				"be.", Until: s.Bakes,
				Why: "Crust only sets the last minutes of baking."}
		case Ends:
			return Advice{Do: "Too pale: a few minutes of bake only. Too dark: take it out at once.",
				Why: "Crust only sets the last minutes of baking."}
		}
		return Advice{Do: "Set to dark: look ten minutes before its end, and take it out when it is brown. Set " +
			"to light: give it " +
			"some minutes more at its end.", Never: "Do not stop it now.", Why: "Crust only sets the last " +
			"minutes of baking."}
	},
	NoDelay: func(s Stand) Advice {
		switch {
		case s.Phase == Waits:
			return Advice{Do: "Press Stop, set the delay, and start again.", Why: "Nothing has run yet."}
		case s.Minute < 4 && s.Phase != Ends:
			return Advice{Do: "Press Stop. If the yeast is still dry set the delay and start again; if it is " +
				"wet let it run " +
				"now.", Until: 4, Why: "Yeast that is wet does not wait."}
		}
		return Advice{Do: "Let it run, and take the loaf out when it is done: it is ready earlier.",
			Never: "Do not stop a wet dough to start it hours later.", Why: "A dough that is mixed goes on rising."}
	},
	Stopped: func(s Stand) Advice {
		switch s.Phase {
		case Waits:
			return Advice{Do: "Set cycle, size, crust and delay as before, and press Start.", Why: "Nothing " +
				"has run yet."}
		case Kneads, Between:
			return Advice{Do: "Press Start within ten minutes if the machine has only paused; else start the " +
				"cycle again.",
				Costs: "The minutes that have passed.", Why: "A few minutes more of kneading harm no dough."}
		case Rises, Last:
			return Advice{Do: "If it has lost its cycle, keep the lid shut until the dough stands at its " +
				"planned height, then " +
				"bake it with bake only.", Never: "Do not start the whole cycle again.",
				Why: "Kneading would press the rise out, and the yeast is half spent."}
		case Bakes:
			return Advice{Do: "Start bake only at once, for the minutes that are left and five more, with the " +
				"lid shut.",
				Never: "Do not open the lid.", Why: "A loaf that cools half baked sinks."}
		}
		return Advice{Do: "Take the loaf out.", Why: "It is done."}
	},
}

// nothingOf answers that there is none of something in it.
func nothingOf(what string) Advice {
	return Advice{Do: "Nothing to do: no " + what + " belongs in it.", Why: "It is made without."}
}

// later is an answer to what enriches a dough: in while it is kneaded, left out afterwards.
func later(now, after, costs, why string) func(Stand) Advice {
	return func(s Stand) Advice {
		if s.still() && s.Phase != Ends {
			return Advice{Do: "Stir it in now, as long as it can be stirred.", Why: "Nothing is baked yet."}
		}
		if s.mixes(5) {
			return Advice{Do: now, Until: max(s.Kneaded-5, 0), Why: why}
		}
		return Advice{Do: after, Never: "Do not strew it on top.", Costs: costs, Why: why}
	}
}

// lateAddIns answers add-ins that were missed.
func lateAddIns(s Stand) Advice {
	switch s.Phase {
	case Rises:
		return Advice{Do: "Fold them in by hand at the next knock-back, lightly, or leave them " +
			"out.", Never: "Do not start it " +
			"again.", Costs: "They lie less evenly.", Why: "The paddle does not turn any more."}
	case Last:
		return Advice{Do: "Leave them out; press a few on the top if you like.", Until: s.Bakes,
			Never: "Do not fold them in: the rise would be lost.", Why: "This rise is the last."}
	}
	return Advice{Do: "Leave them out, and eat them with it.", Never: "Do not open the lid for them.",
		Why: "Nothing can be mixed in any more."}
}

// again answers what only another beginning mends.
func again(do, why string) Advice {
	return Advice{Do: do, Costs: "The whole cycle again.", Why: why}
}

// tooLate answers what nothing mends.
func tooLate(costs string) Advice {
	return Advice{Do: "Let it be.", Never: "Do not start it again.", Costs: costs, Why: "What bakes cannot be " +
		"mixed again."}
}
