package choice

import (
	"fmt"

	"risepan/core/kind"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/recipe"
)

// harms say what a cycle of a character does to a dough that it is not made for. An empty text: none.
var harms = map[machine.Character]func(Needs) string{
	machine.BakeOnly: func(n Needs) string {
		if n.row().Outside {
			return ""
		}
		if n.row().Loose {
			return "Bake only does not mix: stir the batter in a bowl, take the paddle out, pour it into the greased pan and " +
				"bake it for 60 to 80 minutes, until a skewer comes out clean."
		}
		return "Bake only neither mixes nor raises: flour and water would bake as they lie. It is for what was " +
			"mixed elsewhere."
	},
	machine.Dough: func(n Needs) string {
		if n.row().Shaped || n.row().Handwork > 0 {
			return ""
		}
		return "The dough cycle stops before baking: you would find raw dough, to be shaped and baked in the oven."
	},
	machine.PastaDough: func(n Needs) string {
		if n.Kind == recipe.Pasta {
			return ""
		}
		return "A pasta cycle kneads for some minutes and stops: nothing rises, and nothing is baked."
	},
	machine.QuickBread: func(n Needs) string {
		if n.Formula.Yeast == 0 || n.packet(func(i *larder.Ingredient) bool { return i.Raising > 0 }) {
			return ""
		}
		return "A quick bread cycle bakes as soon as it has mixed: a yeast dough has no time to rise, and comes out " +
			"like a brick."
	},
	machine.Jam: func(n Needs) string {
		if n.Kind == recipe.Preserve {
			return ""
		}
		return "A jam cycle stirs and boils: a dough would burn on to the pan."
	},
	machine.Starter: cultured,
	machine.Yoghurt: cultured,
	machine.GlutenFree: func(n Needs) string {
		if n.row().Batter || n.row().Dense || n.Formula.Yeast == 0 {
			return ""
		}
		return "A gluten-free cycle mixes once and lets it rise once: a wheat dough is kneaded too little, and " +
			"comes out low and coarse."
	},
}

// cultured is what a cycle for cultures does to what is none.
func cultured(n Needs) string {
	if n.Kind == recipe.Starter || n.Kind == recipe.Yoghurt {
		return ""
	}
	return "A cycle for cultures keeps the pan warm for hours: nothing is kneaded, and nothing is baked."
}

// kneaded is what a cycle that kneads and bakes does to what wants another one.
var kneaded = map[recipe.Kind]string{
	recipe.Preserve: "It would knead the fruit and never boil it: nothing sets, and it runs out of the pan.",
	recipe.Yoghurt:  "It would knead the milk and then boil it: a culture dies.",
	recipe.Starter:  "It would knead and bake it: a starter wants warmth for hours, and no heat.",
	recipe.Pasta:    "It would raise and bake what is to be rolled out.",
	recipe.BakeOnly: "It would knead what is mixed already: the paddle tears it.",
}

// Harm says what would happen to the dough on a cycle that cannot make this bread; nothing where it can.
func Harm(c machine.Cycle, n Needs) string {
	if say, ok := harms[c.Character]; ok {
		return say(n)
	}
	if say, ok := kneaded[n.Kind]; ok && c.Character != machine.Dough {
		return say
	}
	t := c.Totals(n.Size.LoafSize, machine.Medium)
	switch {
	case n.Formula.Yeast == 0 && n.Formula.Powder > 0 && t.Rise > 0 && !n.row().Bands.Yeast.IsZero(), n.row().Loose && t.Rise > 0:
		return fmt.Sprintf("%s kneads and then waits %s hours to bake: without yeast nothing rises in them, and the "+
			"leavening is spent before the heat.", c.Name, n.hours(t.Rise))
	case n.row().Handwork > 0 && !c.Calls(machine.PaddleOut):
		return fmt.Sprintf("%s does not stop for your hands: out with the dough as its last rise begins, and back "+
			"within %d minutes.", c.Name, n.row().Handwork)
	case n.row().Batter && t.KnockBacks > 0 && c.Character != machine.Rapid:
		return fmt.Sprintf("%s knocks back what has risen, and a gluten-free batter does not rise again.", c.Name)
	case n.row().FewKnock && t.KnockBacks > kind.MostKnocks && c.Character != machine.Rapid:
		return fmt.Sprintf("%s knocks the dough back %d times, and this one hardly rises again after the first.", c.Name,
			t.KnockBacks)
	case n.row().Shaped && t.Bake > 0:
		return fmt.Sprintf("%s bakes the dough where it lies: there is nothing to shape.", c.Name)
	}
	return ""
}
