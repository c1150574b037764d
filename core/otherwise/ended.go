package otherwise

import "risepan/core/advice"

// Minutes after its end: a loaf is still hot, and meat may stand no longer.
const (
	stillHot  = 90
	meatStand = 120
)

var _ = answering(map[Event]func(Stand) advice.Advice{
	NotDone: notDone,
	Stuck: func(s Stand) advice.Advice {
		switch {
		case s.Phase != Ends:
			return fine("Leave it until it is done.", "It is not meant to come out yet.")
		case s.after() > stillHot:
			return advice.To(advice.Loosen, "Stand the foot of the pan in hot water for two to three minutes, its coupling "+
				"dry, or warm it in the machine for three.").Then(advice.TurnOut, "Then turn it over and shake.").
				Not("No metal, no force, and do not put the pan under water.").For("Warmth loosens what has cooled on.")
		}
		return advice.To(advice.Wait, "With gloves, stand the pan upside down on the rack for three minutes.").
			Then(advice.Loosen, "Shake it, turn the nut under the pan a quarter to and fro, and go round with a plastic "+
				"spatula.").
			By(s.Total + 15).Not("No metal, no force.").For("Steam loosens the loaf; metal scratches the pan.")
	},
	PaddleInLoaf: func(s Stand) advice.Advice {
		if s.Phase != Ends {
			return answers[PaddleIn](s)
		}
		if s.after() > stillHot {
			return advice.To(advice.Loosen, "Draw it out by hand.").
				Then(advice.Look, "Look at its coating for chips.").Not("No metal.").For("It has cooled.")
		}
		return advice.To(advice.Wait, "Let the loaf cool for 10 to 15 minutes.").
			Then(advice.Loosen, "Draw it out from below with a plastic or wooden hook.").
			Not("No metal, no bare fingers: it is hot.").For("As it cools the crumb lets it go.")
	},
	PaddleOnShaft: func(s Stand) advice.Advice {
		if s.Phase != Ends && s.Phase != Waits {
			return fine("Leave it.", "It is needed, or baked in.")
		}
		return advice.To(advice.Clean, "Fill the pan with hot water to cover the paddle, for 20 to 30 minutes.").
			Then(advice.Loosen, "Then turn and lift it.").Not("No metal, no force, and do not put the pan under water.").
			For("Dried dough holds it.")
	},
	FellIn: func(s Stand) advice.Advice {
		if s.Phase != Ends {
			return answers[Sinks](s)
		}
		return advice.To(advice.Loosen, "Go round it with a plastic spatula.").Then(advice.TurnOut, "Turn it out.").
			Then(advice.Cool, "Let it cool on its side.").Not("No metal, and do not throw it away.").
			For("It was damp in the pan; it tastes as well.")
	},
	Forgotten: func(s Stand) advice.Advice {
		switch {
		case s.Phase == Waits:
			return answers[NoStart](s)
		case s.Phase != Ends:
			return fine("It still runs: go on from here.", "What is still to come is on this page.")
		case s.Kind.Outside && s.after() > meatStand:
			return advice.To(advice.Discard, "Throw it away.").Not("Do not eat it, and do not heat it again.").
				At("This one is lost.").Losing().For("Meat spoils in a machine that cools.")
		case s.Kind.Outside:
			return advice.To(advice.TurnOut, "Take it out.").Then(advice.Eat, "Eat it now, or chill it.").By(s.Total + 60).
				Not("Do not leave it beyond its keep warm.").For("It is hot enough until then.")
		case s.starter():
			return fine("Leave it, or feed it.", "It only gets sourer.")
		case s.Meat && s.after() > meatStand:
			return spoilt(s, "Meat and cheese in it spoil in a warm machine.")
		case s.Kind.Shaped && s.after() > meatStand:
			return advice.To(advice.Press, "Press the dough down.").
				Then(advice.Shape, "Make thin pizza or flat bread of it. Throw it away if it is grey or smells sharp.").
				By(s.Total + 600).Not("Not for a loaf: it has no rise left.").For("A dough goes on rising until it falls.")
		case s.Kind.Shaped:
			return advice.To(advice.Press, "Press the dough down.").Then(advice.Shape, "Shape it now.").By(s.Total + 120).
				Not("Do not throw it away.").For("It has only risen a little too far.")
		case s.after() <= stillHot:
			return advice.To(advice.TurnOut, "Take it out.").Then(advice.Cool, "Let it cool on a rack.").
				Not("Do not throw it away, and do not cut it warm.").At("A softer, damp crust.").
				For("Steam has gone back into the crust.")
		}
		return advice.To(advice.TurnOut, "Take it out.").
			Then(advice.Cool, "Let it dry on a rack; ten minutes in the oven at 180 °C crisp it again.").
			Not("Do not throw it away, and do not bake it again.").At("A soft, damp crust.").
			For("It is baked: only its crust has suffered.")
	},
	SliceNow: func(s Stand) advice.Advice {
		switch {
		case s.Phase != Ends:
			return fine("Wait until it is done.", "It is not baked yet.")
		case s.Kind.Ending.Clean > 0 && s.after() > meatStand:
			return advice.To(advice.Eat, "Slice it: it has cooled long enough.").Not("There is no need to wait.").
				For("Its crumb has set.")
		}
		return advice.To(advice.Wait, "Let it cool on a rack: half an hour at the least, an hour for clean slices, and "+
			"two where it is gluten-free or dense.").Not("Do not cut it hot.").For("Its crumb still sets as it cools.")
	},
	NextLoaf: func(s Stand) advice.Advice {
		if s.Phase != Ends {
			return fine("Wait until this one is done.", "The machine is taken.")
		}
		return advice.To(advice.Open, "Take the pan out and leave the lid open.").
			Then(advice.Wait, "Wait 15 to 25 minutes.").Then(advice.Restart, "Then start the next.").
			Not("No ice in it, no force.").Moving(15, 25).For("A hot machine refuses, or rises too fast.")
	},
})

func notDone(s Stand) advice.Advice {
	const hot = 10 // minutes after its end in which it is baked on
	switch {
	case s.Phase == Bakes:
		return fine("Leave the lid shut and let it bake to its end; measure it then.", "The middle is done last.").
			Not("Do not open the lid.")
	case s.Phase != Ends:
		return fine("There is nothing to do: it has not baked yet.", "Only the end of the bake tells.")
	case s.Kind.Shaped || s.Kind.Still && !s.Kind.Outside:
		return fine("There is nothing to bake here.", "It is finished elsewhere.")
	case s.done() && s.Kind.Outside:
		return advice.To(advice.End, "It is done: end the keep warm.").Then(advice.Cool, "Let it stand for ten minutes, "+
			"then slice it.").By(s.Total + hot).Not("Do not bake it on.").For("From 71 °C meat is safe; poultry from 74 °C.")
	case s.Kind.Outside:
		return advice.To(advice.BakeOn, "Bake on for ten minutes.").
			Then(advice.Look, "Measure its middle again: 71 °C, poultry at 74 °C.").
			Not("Do not eat it before, and do not leave it to stand warm.").Moving(5, 15).For("Meat is safe only from there.")
	case s.done():
		return advice.To(advice.TurnOut, "It is done: turn it out.").Then(advice.Cool, "Let it cool before you cut it.").
			By(s.Total + hot).Not("Do not bake it on.").For("Warm crumb feels moist until it has cooled.")
	}
	long, range_ := "7", advice.Shift{Low: 5, High: 10}
	if s.Kind.Batter || s.Kind.Dense {
		long, range_ = "12", advice.Shift{Low: 8, High: 15}
	}
	return advice.To(advice.BakeOn, "Bake on for "+long+" minutes, lid shut.").
		Then(advice.Look, "Then measure its middle again: it is done at "+s.Kind.Ending.Said()+".").By(s.Total+hot).
		Not("Do not turn it out, cool it or cut it yet.").Moving(range_.Low, range_.High).
		For("It sinks as it cools while it is raw inside.")
}
