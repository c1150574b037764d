package bench

import (
	"fmt"
	"slices"
	"strings"

	"risepan/core/kind"
	"risepan/core/pan"
	"risepan/core/plan"
	"risepan/core/recipe"
)

// prepare brings liquid and fat to where they should be, and sets the paddle.
func (b *maker) prepare() {
	p := b.plan
	for _, l := range p.Lines {
		if (recipe.Line{Note: l.Note}).Waits() && !slices.ContainsFunc(p.Ahead,
			func(a plan.Ahead) bool { return a.Line == l.ID }) {
			b.add(Step{ID: "ready " + l.ID, Kind: Look, Say: fmt.Sprintf("Have the %s ready: %s.", l.Name, l.Note),
				Why: "The recipe asks for it beforehand."})
		}
	}
	warmed := func(l pan.Layer) bool { return l.Place == pan.Together }
	if n := slices.IndexFunc(p.Pan.Layers, warmed); n >= 0 {
		for _, id := range p.Pan.Layers[n].Lines {
			b.measure(id, "a small saucepan", p.Pan.Layers[n])
		}
		cool := Step{ID: "cool", Kind: Wait, Say: b.kitchen.Degrees.Say("Warm it through, stirring; then let it " +
			"cool to 40 °C."), Wait: toCool, Why: b.kitchen.Degrees.Say("Hotter than 43 °C harms the yeast.")}
		if p.Heat.Cool {
			cool.Say, cool.Wait = "Warm it through, stirring; then let it cool to the kitchen's temperature.", toStand
			cool.Why = "It waits with the yeast until the cycle begins: nothing in the pan may be warm."
		}
		b.add(cool)
	}
	if h := p.Heat; h.Line != "" {
		say := fmt.Sprintf("Bring the %s to %s: %s.", h.Name, h.At, h.Touch)
		if h.Cool {
			say = fmt.Sprintf("The %s goes in cool, as from the tap.", h.Name)
		}
		b.add(Step{ID: "temper", Kind: Temper, Say: say, Why: strings.TrimSpace(kettle(h) + " " + h.Why),
			Stuff: pan.Liquid})
	}
	if p.Pan.Order != pan.Bloomed { // which has time for it while the yeast froths
		b.fats()
	}
	say, why := fitted(p.Pan.Paddles)
	if p.Pan.Order == pan.Outside {
		say, why = "Pan out of the machine. No paddle: it would bake in.", "What goes in is mixed already."
	}
	b.add(Step{ID: "paddle", Kind: Paddle, Say: say, Why: why})
	if first := kind.Of(p.Kind).First; first.Do != "" {
		b.add(Step{ID: "first", Kind: Cut, Say: first.Do, Stuff: pan.AddIn, Why: first.Why})
	}
	if b.kitchen.Grease || p.Pan.Order == pan.Outside {
		b.add(Step{ID: "grease", Kind: Wipe, Say: "Grease the pan and the paddle lightly.",
			Why: "As this kitchen does, where loaves stick."})
	}
}

func kettle(h plan.Heat) string {
	if h.Kettle == "" {
		return ""
	}
	return "No thermometer: " + h.Kettle + "."
}

// fats are cut, softened or melted, as they are to lie in the pan.
func (b *maker) fats() {
	p := b.plan
	for _, layer := range p.Pan.Layers {
		if layer.Stuff != pan.Fat {
			continue
		}
		for _, id := range layer.Lines {
			l := b.line(id)
			if b.ingredient(l).State == "" { // oils pour
				continue
			}
			say := fmt.Sprintf("Cut the %s in small pieces.", l.Name)
			switch layer.Place {
			case pan.Corners:
				say = fmt.Sprintf("Cut the %s in four.", l.Name)
			case pan.Stirred:
				say = fmt.Sprintf("Melt the %s and let it cool a little.", l.Name)
			case pan.Spread:
				say = fmt.Sprintf("Soften the %s.", l.Name)
			}
			b.add(Step{ID: "cut " + id, Kind: Cut, Say: say, Stuff: pan.Fat, Why: layer.Reason})
		}
	}
}
