package otherwise

import (
	"risepan/core/advice"
	"risepan/core/machine"
)

// Minutes of kneading that something needs to be worked in.
const (
	dryYeast = 10 // strewn on a dough
	dryShort = 7  // where the whole kneading is short
	wetYeast = 4  // stirred into water, in a batter
	crystals = 5  // salt, dry milk
	sweets   = 6
	softFat  = 7
	egg      = 10
	flour    = 10
	dryMore  = 4 // seeds, spices, gum, leavening
	fruit    = 3
)

var _ = answering(map[Event]func(Stand) advice.Advice{
	NoYeast:   noYeast,
	NoPowder:  noPowder,
	NoSalt:    noSalt,
	NoSugar:   noSugar,
	NoFat:     noFat,
	NoEgg:     noEgg,
	NoDryMilk: enriching(crystals, "Strew the milk powder over the dough.", "It is a little paler and firmer."),
	NoGluten: enriching(flour, "Leave it out, or sift it thinly over the dough with as many spoons of water.",
		"It stays a little lower."),
	NoBinder: noBinder,
	NoSpice:  enriching(dryMore, "Strew them over the dough.", "It has less taste and bite."),
	NoLemon: func(s Stand) advice.Advice {
		switch {
		case s.Phase == Ends:
			return fine("Leave it out.", "It sets a little more softly.")
		case s.still():
			return advice.To(advice.Add, "Pour the lemon juice in from arm's length, with gloves on.").By(s.Total - 15).
				Not("Do not lean over the open pan: hot fruit spits.").For("It still boils through.")
		}
		return enriching(sweets, "Pour it over the dough.", "It tastes a little flatter.")(s)
	},
	NoFlour: noFlour,
	HeldFlour: func(s Stand) advice.Advice {
		if s.over() || s.Mixes == 0 && s.Phase != Waits {
			return s.tooLate("It is a little firmer.")
		}
		return advice.To(advice.Leave, "Leave it.").Then(advice.Look, "Look at the dough once it has been kneaded for "+
			"ten minutes.").Not("Do not add liquid before then.").For("Grain that is wet gives its water off slowly.")
	},
	NoWater: noWater,
})

func noYeast(s Stand) advice.Advice {
	yeast := amount(s.Amounts.Yeast, "yeast")
	need := machine.Minutes(dryYeast)
	if s.Kneaded > 0 && s.Mixed+s.Mixes < 2*dryYeast {
		need = dryShort
	}
	switch {
	case s.starter() && s.Phase != Ends:
		return advice.To(advice.Add, "Stir the pinch of yeast in with a plastic spoon.").By(s.Minute+s.left()/2).
			Not("Do not use a whole packet.").Moving(60, 60).For("It has many hours to work.")
	case s.still():
		return nothingOf("yeast")
	case s.Phase == Waits:
		return advice.To(advice.Add, "Put "+yeast+" in now, dry, on top of the flour.").
			For("Nothing is wet yet that it could meet.")
	case s.Kind.Loose:
		return noPowder(s)
	case !s.Yeasted:
		return nothingOf("yeast")
	case s.over():
		return advice.To(advice.End, "End the bake.").Then(advice.Discard, "Throw it away.").
			Not("Do not start the same dough again.").At("This loaf is lost.").Losing().
			For("Once it is hot, nothing can raise it any more.")
	case s.batter() && s.mixes(wetYeast):
		return advice.To(advice.Add, "Stir "+yeast+" into a tablespoon of warm water and pour it over the batter.").
			Then(advice.Scrape, "Scrape the sides down over it.").By(s.by(wetYeast)).
			Not("Do not strew dry grains on top: a batter does not knead them in.").
			For("Some minutes of mixing spread it well.")
	case s.Mixed == 0:
		return advice.To(advice.Add, "Strew "+yeast+" dry on top of the flour.").By(s.by(need)).
			For("Nothing has been kneaded yet.")
	case s.mixes(need):
		return advice.To(advice.Add, "Strew "+yeast+" dry over the dough now.").
			Then(advice.Look, "Look at the ball after four minutes of kneading.").By(s.by(need)).
			Not("Do not add a second helping later.").For("The paddle still works it in.")
	}
	a := s.anew("Stir "+yeast+" into a tablespoon of warm water and pour it over the dough.",
		"Kneading twice does a dough no harm, and yeast strewn on it now would stay on top.").
		Not("Do not wait for a rise: none comes.")
	if s.Mixes == 0 && s.Bakes > 0 {
		a.Until = max(s.Minute, s.Bakes-1)
	}
	return a
}

func noPowder(s Stand) advice.Advice {
	powder := amount(s.Amounts.Powder, "leavening")
	switch {
	case s.still():
		return nothingOf("leavening")
	case s.Phase == Waits:
		return advice.To(advice.Add, "Put "+powder+" in now, on top of the flour.").For("Nothing is wet yet.")
	case s.over():
		return s.tooLate("It stays flat and close.")
	case s.Yeasted && s.Mixes < dryMore:
		return fine("Leave it out: the yeast raises it.", "It cannot be mixed in any more.").
			Not("Do not strew it on top.").At("It stays a little lower.")
	case s.mixes(2):
		return advice.To(advice.Add, "Sift "+powder+" over the batter.").
			Then(advice.Scrape, "Scrape the sides and the corners down.").By(s.by(2)).
			For("Some minutes of mixing spread it well.")
	}
	return s.anew("Stir "+powder+" in with a spatula.", "Without it the batter stays flat.")
}

func noSalt(s Stand) advice.Advice {
	salt := amount(s.Amounts.Salt, "salt")
	switch {
	case s.still():
		return fine("Leave it out, or stir it in while it can be stirred.", "It is there for the taste alone.")
	case s.Kind.Batch && s.Kind.Shaped:
		return fine("Leave it out, and salt the water it is boiled in.", "The dough does without it.").
			By(s.by(fruit))
	case s.mixes(crystals):
		return advice.To(advice.Add, "Strew "+salt+" finely over the dough.").By(s.by(crystals)).
			Not("Do not add flour before it has worked in.").For("A few minutes of kneading spread it.")
	case s.mixes(2):
		return advice.To(advice.Add, "Dissolve "+salt+" in half a teaspoon of water and pour it over the dough now.").
			Then(advice.Note, "Note that it went in late.").
			Not("Do not strew it on the risen dough.").For("Two minutes still spread it a little.")
	case s.over():
		return s.tooLate("It tastes bland: salt the butter.")
	}
	return advice.To(advice.Leave, "Leave it out, and look at its height sooner than usual.").
		Not("Do not strew it on top, and do not start again.").At("It tastes bland: salt the butter.").
		For("Without salt it rises faster. If you like, knead it in by hand for two minutes, wetted, right away.")
}

func noSugar(s Stand) advice.Advice {
	if s.still() && s.Phase != Ends {
		return advice.To(advice.Add, "Pour the sugar in slowly.").Then(advice.Scrape, "Scrape the sides down.").
			By(s.Minute+20).Not("Do not lean over the open pan.").Moving(0, 5).For("It still dissolves and boils through.")
	}
	return enriching(sweets, "Add it over the dough in two goes, a minute apart.",
		"It browns less and tastes less sweet.")(s)
}

func noFat(s Stand) advice.Advice {
	return enriching(softFat, "Add it soft, in small pieces; oil in a thin stream.",
		"It is a little drier, and stale sooner.")(s)
}

func noEgg(s Stand) advice.Advice {
	switch {
	case s.still(), s.over():
		return enriching(egg, "", "It is paler and firmer.")(s)
	case s.mixes(egg):
		return advice.To(advice.Add, "Beat the egg and pour it on slowly.").
			Then(advice.Look, "Look at the ball after five minutes of kneading.").By(s.by(egg)).
			Not("Do not add other liquid besides.").For("The dough drinks it while it is kneaded.")
	}
	return s.anew("Pour the beaten egg on, or 3 tablespoons of milk in its place.",
		"Without it the dough is dry and torn, and an egg cannot be folded in.").
		Not("Do not pour it on the rising dough.")
}

func noBinder(s Stand) advice.Advice {
	if s.still() || !s.mixes(dryMore) {
		return enriching(dryMore, "", "It holds less and crumbles: slice it cold.")(s)
	}
	return advice.To(advice.Add, "Stir the gum into as much oil and let it run in as a thread.").
		Then(advice.Scrape, "Scrape the sides down.").By(s.by(dryMore)).
		Not("Do not tip it in dry: it clots.").For("It binds as soon as it is wet.")
}

// enriching answers what enriches a dough: in while it is kneaded, left out afterwards.
func enriching(needs machine.Minutes, put, cost string) func(Stand) advice.Advice {
	return func(s Stand) advice.Advice {
		switch {
		case s.still() && s.Phase != Ends:
			return advice.To(advice.Add, "Stir it in now, as long as it can be stirred.").For("Nothing has set yet.")
		case s.over():
			return s.tooLate(cost)
		case s.mixes(needs) && put != "":
			return advice.To(advice.Add, put).By(s.by(needs)).
				Not("Do not add flour because it slips: wait five minutes.").For("The paddle still works it in.")
		}
		return fine("Leave it out.", "The dough rises without it as well.").
			Not("Do not put it on the rising dough, and do not start again.").At(cost)
	}
}

func noFlour(s Stand) advice.Advice {
	switch {
	case s.still():
		return nothingOf("flour")
	case s.over():
		return s.tooLate("It comes out wet and sunken: toast the slices.")
	case s.mixes(flour):
		return advice.To(advice.Flour, "Add the flour that is missing in three or four goes, one a minute while it kneads.").
			Then(advice.Look, "Look at the dough after five minutes of kneading.").By(s.by(flour)).
			Not("Do not tip it all in at once: it lies dry in the corners.").For("The dough takes it up while it is kneaded.")
	}
	return s.anew("Add the flour that is missing.", "A dough that wet does not hold its rise.").
		Not("Do not fold a cup of flour into the rising dough.")
}

func noWater(s Stand) advice.Advice {
	switch {
	case s.still() && s.Phase != Ends:
		return advice.To(advice.Add, "Add what is missing now, and stir it in.").For("It can still take it up.")
	case s.over():
		return s.tooLate("It comes out short and dry: slice it thin and toast it.")
	case s.Mixed <= wetYeast && s.Phase != Waits && s.mixes(flour):
		return advice.To(advice.Add, "Pour in what is missing in a thin stream, at the edge.").
			Then(advice.Restart, "If nothing is mixed yet, start the cycle again.").
			Not("Do not let it knead dry.").Moving(0, s.Minute).For("Flour that is dry must be wetted all through.")
	case s.mixes(flour):
		return advice.To(advice.Add, "Pour in what is missing in a thin stream.").
			Then(advice.Look, "Look at the ball after five minutes of kneading.").By(s.by(flour)).
			Not("Do not add flour.").For("The dough takes it up while it is kneaded.")
	}
	return s.anew("Add the liquid that is missing, lukewarm.", "Dry flour does not become dough by waiting.")
}
