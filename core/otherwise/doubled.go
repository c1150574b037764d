package otherwise

import (
	"fmt"

	"risepan/core/advice"
	"risepan/core/measure"
)

var _ = answering(map[Event]func(Stand) advice.Advice{
	TwoYeasts: func(s Stand) advice.Advice {
		switch {
		case s.still() || s.Kind.Loose:
			return nothingOf("yeast")
		case s.Phase == Waits:
			return advice.To(advice.TakeOff, "Lift half of it off with a dry spoon; a little flour with it does not matter.").
				For("It still lies dry on top.")
		case s.over():
			return s.tooLate("It may sink, and tastes of yeast.")
		case s.batter():
			return s.fasterRise()
		case s.mixes(dryYeast):
			return advice.To(advice.OtherCycle, "Press Stop and choose the rapid cycle, with size and crust as before. "+
				"Without one, bake it as soon as it stands at its planned height.").
				By(s.Kneaded).Not("Do not add salt on a guess, and do not leave it to its full last rise.").
				Moving(-60, -15).For("With twice the yeast every rise takes about half as long.")
		}
		return s.fasterRise()
	},
	ManyYeasts: func(s Stand) advice.Advice {
		switch {
		case s.still() || s.Kind.Loose:
			return nothingOf("yeast")
		case s.Phase == Waits:
			return advice.To(advice.TakeOff, "Lift the yeast off with a dry spoon and measure it anew.").
				For("It still lies dry on top.")
		case s.over():
			return s.tooLate("It may run over, and tastes of yeast.")
		}
		return advice.To(advice.Discard, "Take it out when the kneading ends and throw it away, or keep it in the "+
			"fridge as old dough for other loaves.").By(s.Kneaded).Not("Do not let it rise in the pan: it runs over on to " +
			"the heater.").Losing().For("Three times the yeast rises far beyond any pan.")
	},
	OwnYeast: func(s Stand) advice.Advice {
		return fine("Leave it out: the mix has its yeast inside.", "A second one would make it run over.").
			Not("Do not add it.")
	},
	TwoSalts: func(s Stand) advice.Advice {
		if s.Phase == Waits {
			return advice.To(advice.TakeOff, "Spoon half of it off with a little flour, and make the flour up.").
				For("It still lies dry on top.")
		}
		return fine("Leave it, and serve it with sweet butter.", "Salt slows yeast, and nothing takes it out again.").
			Not("Do not add sugar to hide it, nor more yeast alone.").At("A salty loaf that stays low.")
	},
	TwoSugars: func(s Stand) advice.Advice {
		switch {
		case s.Phase == Waits:
			return advice.To(advice.TakeOff, "Lift off what lies dry; tip out a liquid and measure it anew.").
				For("Nothing is mixed yet.")
		case s.Mixes > 0 && !s.still():
			return advice.To(advice.Leave, "Leave it.").
				Then(advice.Look, "Look at the ball once it has been kneaded for ten minutes.").
				Not("Do not add flour at once, nor yeast.").At("It rises more slowly and browns sooner.").
				For("Sugar and fat soften a dough slowly.")
		}
		return fine("Leave it as it is.", "Nothing can be kneaded in any more.").At("It may spread or brown early.")
	},
	TwoEggs: func(s Stand) advice.Advice {
		switch {
		case s.Phase == Waits:
			return advice.To(advice.TakeOff, "Spoon the egg off, or leave out as much of the liquid: an egg is about "+
				"3 tablespoons.").For("Nothing is mixed yet.")
		case s.still() || s.Mixes < dryMore:
			return s.leftSoft()
		case s.batter():
			return advice.To(advice.Flour, "Add 3 tablespoons of the same flour.").
				Then(advice.Scrape, "Scrape the sides down.").By(s.by(dryMore)).
				Not("Do not add liquid, and no wheat flour to a gluten-free batter.").For("An egg is mostly water.")
		}
		return advice.To(advice.Flour, "Add 2 tablespoons of flour while it kneads, then a spoon at a time, up to six.").
			Then(advice.Look, "Look at the ball before each spoon.").By(s.by(crystals)).
			Not("Do not add it while the paddle rests.").For("An egg is mostly water.")
	},
	TwoFlours: func(s Stand) advice.Advice {
		switch {
		case s.still():
			return nothingOf("flour")
		case s.Phase == Waits:
			return advice.To(advice.TakeOff, "Spoon a cup of flour off again.").For("Nothing is mixed yet.")
		case !s.mixes(dryYeast):
			return fine("Leave it as it is.", "Nothing can be kneaded in any more.").At("A dry, short loaf.")
		}
		a := advice.To(advice.Add, "Pour a third of a cup of liquid in slowly, with half a teaspoon of salt.")
		if s.Larger {
			return a.Then(advice.Look, "Look at the ball after five minutes of kneading: it is a larger loaf now.").
				By(s.by(egg)).Not("Do not add yeast, and no liquid by the teaspoon.").Moving(5, 8).
				For("The same share of liquid and salt makes the larger loaf.")
		}
		return a.Then(advice.TakeOff, fmt.Sprintf("When the kneading ends take a piece of the dough out, %s: it makes "+
			"rolls.", s.share())).By(s.Kneaded).Not("Do not leave it all in the pan.").
			For("The pan is made for no more flour than the recipe has.")
	},
	TwoWaters: func(s Stand) advice.Advice {
		if s.Phase == Waits {
			return advice.To(advice.Discard, "If the flour is dry still, pour off what runs clear and measure anew. "+
				"Else throw it away and start over, or knead it by hand with twice of everything else and bake half in the "+
				"oven.").Not("Do not mend it with flour by the spoon.").Moving(5, 15).For("Twice the liquid is a batter.")
		}
		return noFlour(s)
	},
})

// share is how much dough a cup of flour makes of what is in the pan.
func (s Stand) share() string {
	const cup = measure.Grams(125)
	if s.Flour <= 0 {
		return "about 180 g"
	}
	return fmt.Sprintf("about one part in %d", int(s.Flour/cup)+1)
}

// fasterRise answers a dough that rises too fast.
func (s Stand) fasterRise() advice.Advice {
	a := advice.To(advice.Look, "Look at its height every five minutes of its rise.").
		Then(advice.EndRise, "When it stands at its planned height, press Stop.")
	return s.bakeOn(a).By(s.Bakes).
		Not("Do not wait for the end of its rise.").At("A coarser crumb.").Moving(-30, -5).
		For("It rises about twice as fast, and then sinks.")
}

// leftSoft answers a dough that is too soft and cannot be mended.
func (s Stand) leftSoft() advice.Advice {
	return fine("Leave it as it is, and note it.", "Nothing can be kneaded in any more.").At("It may spread or sink.")
}
