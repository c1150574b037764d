package plan

import (
	"fmt"

	"risepan/core/dough"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/recipe"
)

// HeatOfCard says which of a recipe's own temperatures is more than its yeast stands, by the same limits as the
// plan; nothing where it stands them all, or where there is none.
func HeatOfCard(k kitchen.Kitchen, r recipe.Recipe) string {
	meeting, yeast := dough.Layered, false
	var hot measure.Celsius
	var name string
	for _, l := range r.Lines {
		i, ok := k.Ingredient(l.Ingredient)
		if !ok || l.Part != recipe.InDough {
			continue
		}
		if i.Kind == larder.Yeast {
			if yeast = true; i.Rapid {
				meeting = dough.Mixed
			}
		}
		if own, ok := l.Aside().Temperature(); ok && i.Kind == larder.Liquid && own.Celsius() > hot {
			hot, name = own.Celsius(), i.Name
		}
	}
	if !yeast || name == "" {
		return ""
	}
	d := k.Degrees
	switch meeting.Bears(hot, d) {
	case dough.Kills:
		return fmt.Sprintf("The %s is to have %s: no yeast survives %s or more. Check it.", name, d.Text(hot),
			d.Text(dough.Deadly))
	case dough.TooHot:
		return fmt.Sprintf("The %s is to have %s: its yeast stands %s at most. Check it.", name, d.Text(hot),
			d.Text(dough.LimitsFor(meeting).High))
	}
	return ""
}
