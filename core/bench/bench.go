package bench

import (
	"fmt"
	"math"
	"slices"
	"strings"

	"risepan/core/kind"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/pan"
	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/core/scoop"
	"risepan/core/vocab"
)

// Kind is what the hands do in a step.
type Kind string

const (
	Tools   Kind = "tools"
	Look    Kind = "look"    // at a date
	Temper  Kind = "temper"  // the liquid
	Cut     Kind = "cut"     // or melt the fat
	Paddle  Kind = "paddle"  // into the pan
	Measure Kind = "measure" // one line
	TopUp   Kind = "top up"  // a line that went in before the loaf grew
	Wait    Kind = "wait"    // bloom, cool
	Well    Kind = "well"
	Stir    Kind = "stir"
	Wipe    Kind = "wipe"
	Recall  Kind = "recall" // all that went in
	PanIn   Kind = "pan in"
	Panel   Kind = "panel"
	Start   Kind = "start"
)

var Kinds = []Kind{Tools, Look, Temper, Cut, Paddle, Measure, TopUp, Wait, Well, Stir, Wipe, Recall, PanIn, Panel,
	Start}

func (k Kind) Words() []string                  { return vocab.List(Kinds) }
func (k *Kind) UnmarshalText(text []byte) error { return vocab.Read(k, text, "step", Kinds) }

// StepOf is the id of a step of a kind; of one that is about an ingredient, with its line.
func StepOf(kind Kind, line string) string { return string(kind) + " " + line }

// Step is one thing to do.
type Step struct {
	ID    string          `json:"id"` // the same as long as the step has the same sense
	Kind  Kind            `json:"kind"`
	Say   string          `json:"say"`
	Why   string          `json:"why,omitzero"`
	Line  string          `json:"line,omitzero"`  // of a measure or top up
	Stuff pan.Stuff       `json:"stuff,omitzero"` // its layer
	Into  string          `json:"into,omitzero"`  // the pan, the dispenser, a bowl
	Add   *scoop.Amount   `json:"add,omitzero"`   // of a top up
	Aloud string          `json:"aloud,omitzero"` // the amount to pick up, as it is said
	List  []string        `json:"list,omitzero"`  // things to get out, presses to make
	Wait  machine.Minutes `json:"wait,omitzero"`
	Holds bool            `json:"holds,omitzero"` // what comes after waits until it is done
	Fails string          `json:"fails,omitzero"` // how it fails, and what is done then: the pan is emptied
	Ask   string          `json:"ask,omitzero"`   // to be answered before the step is done
}

// Waits, in minutes: yeast froths in 5 to 10; a small pan of liquid cools to 40 °C in about 15.
const (
	toBloom machine.Minutes = 8
	toCool  machine.Minutes = 15
	toStand machine.Minutes = 60 // until it is no warmer than the kitchen
)

// Steps lays a plan out as steps. What went in already, by line, is topped up where the plan now wants
// more of it.
func Steps(k kitchen.Kitchen, p plan.Plan, in map[string]measure.Grams) []Step {
	b := &maker{kitchen: k, plan: p, in: in}
	for n, a := range p.Ahead {
		b.add(Step{ID: fmt.Sprintf("ahead %d %s", n, a.Line), Kind: Look, Say: "Done beforehand? " + a.Say})
	}
	b.tools()
	b.look()
	b.fridge()
	b.prepare()
	b.load()
	b.meanwhile()
	b.add(Step{ID: "wipe", Kind: Wipe, Say: "Tap the pan to settle it, and wipe its rim clean."})
	b.add(Step{ID: "recall", Kind: Recall, Say: "Is everything in?", Why: "Look at each once more, and at the paddle."})
	b.add(Step{ID: "pan in", Kind: PanIn, Say: "Pan into the machine until it clicks. Handle down, lid shut.",
		Why: "Push or twist it until it locks."})
	presses := []string{}
	for _, s := range p.Setting.Presses {
		if s.Shows != "running" {
			presses = append(presses, fmt.Sprintf("%s, %s: %s", s.Button, times(s.Times), s.Shows))
		}
	}
	b.add(Step{ID: "panel", Kind: Panel, Say: "Set the panel.", List: presses, Why: "The display then says: " +
		p.Setting.Shows})
	b.add(Step{ID: "start", Kind: Start, Say: "Press " + p.Setting.Fittings.StartButton() + "."})
	return b.steps
}

func times(n int) string {
	if n == 1 {
		return "once"
	}
	return fmt.Sprintf("%d times", n)
}

// IDs lists the steps' ids.
func IDs(steps []Step) []string {
	out := make([]string, len(steps))
	for n, s := range steps {
		out[n] = s.ID
	}
	return out
}

// maker lays steps out.
type maker struct {
	kitchen kitchen.Kitchen
	plan    plan.Plan
	in      map[string]measure.Grams
	steps   []Step
	apart   bool // what is made ready beside the pan is laid out
}

// meanwhile makes ready what does not go in yet: while yeast froths, else when all else is in.
func (b *maker) meanwhile() {
	if b.apart {
		return
	}
	b.apart = true
	for _, id := range b.plan.Pan.Knead {
		b.measure(id, "a bowl, for the first knead", pan.Layer{Stuff: b.line(id).Stuff,
			Reason: "Held back until the first kneading runs."})
	}
	b.aside()
	b.parts()
}

func (b *maker) add(s Step) { b.steps = append(b.steps, s) }

func (b *maker) line(id string) plan.Line {
	n := slices.IndexFunc(b.plan.Lines, func(l plan.Line) bool { return l.ID == id })
	if n < 0 {
		return plan.Line{}
	}
	return b.plan.Lines[n]
}

func (b *maker) ingredient(l plan.Line) *larder.Ingredient {
	i, _ := b.kitchen.Ingredient(l.Ingredient)
	return i.Shaped(l.Note)
}

// tools lists the measures that this plan uses, largest first, and what else is at hand.
func (b *maker) tools() {
	var used []measure.Measure
	weigh, jug := false, false
	for _, l := range b.plan.Lines {
		weigh = weigh || l.Fixed && l.Pieces == 0 && l.Locked == ""
		for _, s := range l.Measured.Scoops {
			jug = jug || s.Jug && !l.Fixed
			if !l.Fixed && !s.Jug && !slices.Contains(used, s.Measure) {
				used = append(used, s.Measure)
			}
		}
	}
	slices.SortFunc(used, func(x, y measure.Measure) int {
		return int(math.Copysign(1, float64(y.Amount.Millilitres()-x.Amount.Millilitres())))
	})
	var list []string
	for _, m := range used {
		list = append(list, m.String())
	}
	if jug {
		list = append([]string{kitchen.TheJug}, list...)
	}
	if weigh {
		list = append(list, "the scale")
	}
	b.add(Step{ID: "tools", Kind: Tools, Say: "Get these out.", List: append(list, "a knife for levelling",
		"a plastic spatula"),
		Why: "Spoon dry ingredients in and level them; read liquids at eye level."})
}

func (b *maker) look() {
	for _, l := range b.plan.Lines {
		if i := b.ingredient(l); i.Kind == larder.Yeast {
			s := Step{ID: "look " + l.ID, Kind: Look, Say: fmt.Sprintf("Look at the date on the %s.", l.Name),
				Stuff: pan.Yeast}
			for _, c := range b.plan.Cautions {
				if c.About == plan.Dates && c.Line == l.ID {
					s.Why = c.Say
				}
			}
			b.add(s)
		}
	}
}

// fridge names what is cold and is to come to the kitchen's warmth before it goes in. Raw meat, milk for a delay and
// fruit for jam stay cold.
func (b *maker) fridge() {
	if kind.Of(b.plan.Kind).Still || b.plan.Timer.Setting > 0 {
		return
	}
	var cold, half []string
	fromFridge := map[string]bool{}
	for _, part := range b.plan.Heat.Parts {
		fromFridge[part.Line] = part.Cold
	}
	for _, l := range b.plan.Lines {
		i := b.ingredient(l)
		own := (recipe.Line{Note: l.Note}).Aside().Warmth
		keptCold := i.Spoils && !i.Raw || i.Kind == larder.Fat && i.State != larder.AtRoom
		if !keptCold || l.Part != recipe.InDough || l.ID == b.plan.Heat.Line || fromFridge[l.ID] || own == "cold" ||
			b.warmed(l.ID) {
			continue
		}
		cold = append(cold, l.Name)
		switch {
		case i.Shell:
			half = append(half, "an egg in its shell")
		case i.Kind == larder.Fat:
			half = append(half, l.Name+" in pieces")
		}
	}
	if len(cold) == 0 {
		return
	}
	why := "What is cold mixes in badly."
	if b.plan.Formula.Yeast > 0 {
		why = "Cold ingredients slow the yeast."
	}
	if len(half) > 0 {
		why += " Allow half an hour for " + strings.Join(half, " or ") + "."
	}
	b.add(Step{ID: "fridge", Kind: Look, Say: "Take these out of the fridge, to come to the kitchen's warmth.",
		List: cold, Why: why})
}

// warmed reports whether a line goes on the stove with the liquid.
func (b *maker) warmed(line string) bool {
	return slices.ContainsFunc(b.plan.Pan.Layers, func(l pan.Layer) bool {
		return l.Place == pan.Together &&
			slices.Contains(l.Lines, line)
	})
}

// fitted says how this machine's paddles go in.
func fitted(p machine.Paddles) (say, why string) {
	say, why = "Take the pan out. Push the paddle fully onto its shaft.", "A little play is normal."
	if p.Count > 1 {
		say = "Pan out of the machine. A paddle on each shaft, right down."
	}
	switch {
	case p.Folding && p.Count > 1:
		why += " Folding paddles stand upright."
	case p.Folding:
		why += " A folding paddle stands upright."
	case p.Count > 1:
		why += " The booklet says how they stand to each other."
	}
	return say, why
}

// partsOf are the parts of a recipe beside its dough, in the order in which they are wanted.
var partsOf = []struct {
	part      recipe.Part
	into, why string
}{
	{recipe.Filling, "a bowl, for the filling", "It goes in when the dough is rolled out."},
	{recipe.Glaze, "a cup, for the glaze", "It is brushed on before the baking or at its end."},
	{recipe.Topping, "a bowl, for the topping", "It is strewn on before the baking."},
}

// parts gets the fillings, glazes and toppings ready.
func (b *maker) parts() {
	for _, of := range partsOf {
		for _, l := range b.plan.Lines {
			if l.Part != of.part {
				continue
			}
			why := of.why
			if b.ingredient(l).Spoils {
				why += " Until then it waits in the fridge."
			}
			b.measure(l.ID, of.into, pan.Layer{Stuff: l.Stuff, Reason: why})
		}
	}
}

// load measures every layer into the pan, from its floor upwards.
func (b *maker) load() {
	for _, layer := range b.plan.Pan.Layers {
		into := ""
		switch layer.Place {
		case pan.Together: // in the saucepan already
			b.add(Step{ID: "pour", Kind: Stir, Say: "Pour what was warmed into the pan.", Stuff: layer.Stuff,
				Why: layer.Reason})
			continue
		case pan.InABag:
			b.add(Step{ID: "bag", Kind: Stir, Say: "Tip the whole bag in, and push it to the corners.",
				Stuff: pan.Flour, Why: layer.Reason})
			continue
		case pan.Mixed:
			into = "a bowl"
		case pan.OwnBox:
			into = "the yeast dispenser"
		case pan.Well:
			b.add(Step{ID: "well", Kind: Well, Say: "Press a shallow well into the flour with a finger.",
				Stuff: pan.Flour, Why: "It must not reach the liquid."})
		}
		for _, id := range layer.Lines {
			b.measure(id, into, layer)
		}
		switch layer.Place {
		case pan.Mixed:
			say := "Stir the dry things together, and tip them over the wet."
			if b.plan.Pan.Order == pan.Outside {
				say = "Mix it all, and press it evenly into the pan."
			}
			b.add(Step{ID: "stir", Kind: Stir, Say: say, Stuff: layer.Stuff})
		case pan.ByHand:
			b.add(Step{ID: "stir", Kind: Stir, Say: "Stir lightly with a plastic spoon, down into the corners.",
				Stuff: layer.Stuff, Why: "Dry corners would stay dry."})
		case pan.Stirred:
			if layer.Stuff == pan.Yeast {
				b.bloom()
			}
		}
	}
}
