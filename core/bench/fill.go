package bench

import (
	"fmt"
	"strings"

	"risepan/core/larder"
	"risepan/core/pan"
	"risepan/core/plan"
	"risepan/core/scoop"
)

// bloom stirs the yeast in and waits for its froth; what can be done meanwhile comes between.
func (b *maker) bloom() {
	b.add(Step{ID: stirred, Kind: Stir, Say: "Stir the yeast in.", Stuff: pan.Yeast, Why: "It needs some minutes to " +
		"froth. What can be done meanwhile comes next."})
	b.fats()
	b.meanwhile()
	b.add(Step{ID: froth, Kind: Wait, Say: "Wait until the yeast froths.", Wait: toBloom, Stuff: pan.Yeast, Holds: true,
		Why:   "It is ready when a layer of foam covers it.",
		Fails: "No froth after 10 minutes: the yeast is dead. Empty the pan, and begin again with other yeast."})
}

// The steps of blooming: done, the first begins the wait of the second.
const (
	stirred = "bloom"
	froth   = "froth"
)

// aside gets the add-ins ready.
func (b *maker) aside() {
	for _, id := range b.plan.Pan.Aside {
		into := "a bowl, for the beep"
		switch {
		case b.plan.AddIns.Of(id) == plan.InBox:
			into = "the dispenser"
		case b.plan.AddIns != nil && b.plan.AddIns.Silent:
			into = "a bowl, to go in by the clock"
		}
		l := b.line(id)
		b.measure(id, into, pan.Layer{Stuff: pan.AddIn, Reason: strings.Join(l.Tips, " ")})
	}
}

// slack is how far below what the plan wants a line may be before it is topped up.
const slack = 0.03

func (b *maker) measure(id, into string, layer pan.Layer) {
	l := b.line(id)
	s := Step{ID: StepOf(Measure, id), Kind: Measure, Say: l.Name, Line: id, Stuff: layer.Stuff, Into: into,
		Why: layer.Reason, Aloud: l.Spoken}
	if yeast := b.plan.Formula.Yeast; b.ingredient(l).Kind == larder.Yeast && l.Locked != "" &&
		b.plan.Usual.Bands.Yeast.Judge(yeast, yeast).Outside() {
		s.Ask = fmt.Sprintf("%s of yeast is unusual for this flour. Look at the spoon again: tablespoon or teaspoon?",
			shown(l))
	}
	b.add(s)
	in, was := b.in[id]
	if more := l.Exact - in; was && more > l.Exact*slack {
		i := b.ingredient(l)
		set := scoop.NewSet(b.kitchen.Measures, b.kitchen.Standard).WithJug(b.kitchen.Jug)
		add, ok := set.Nearest(i, more)
		if !ok || b.kitchen.Scale {
			add = scoop.Amount{Grams: more, Volume: i.Volume(more)}
		}
		aloud := add.Spoken()
		if aloud == "" {
			aloud = b.kitchen.Weight(more, false)
		}
		b.add(Step{ID: StepOf(TopUp, id), Kind: TopUp, Say: "More " + l.Name, Line: id, Stuff: layer.Stuff, Into: into,
			Add: &add, Aloud: aloud,
			Why: fmt.Sprintf("So that it keeps up with the loaf: %s in all.", b.kitchen.Weight(l.Exact, false))})
	}
}

// shown is a line's amount as it is measured, for a sentence.
func shown(l plan.Line) string {
	switch {
	case l.Locked != "":
		return l.Locked
	case l.Fixed || len(l.Measured.Scoops) == 0:
		return l.Weight
	}
	return l.Measured.String()
}
