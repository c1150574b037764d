package plan

import (
	"fmt"
	"math"

	"risepan/core/fault"
	"risepan/core/kind"
	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/recipe"
)

// Kneading and mixing without a bread machine, minutes: working values of home bakers.
const (
	hookSlow = 2  // with the dough hook, until it comes together
	hookOn   = 7  // and then
	byHands  = 11 // in place of both
	beaten   = 5  // a batter with yeast
)

// ByOven is the same loaf made with mixer and oven, for a day without the machine: the amounts are the plan's, the
// rises are those of its cycle. A *fault.Fault for what no oven makes.
func ByOven(k kitchen.Kitchen, p Plan) ([]string, error) {
	row := kind.Of(p.Kind)
	if row.Oven == 0 && !row.Shaped {
		return nil, fault.At("/wish/recipe", "there is no way by mixer and oven for %s", p.Recipe)
	}
	var out []string
	say := func(format string, args ...any) { out = append(out, fmt.Sprintf(k.Degrees.Say(format), args...)) }
	heat := func(c int) string { return k.Degrees.Text(measure.Celsius(c)) }
	addIns := p.names(p.Pan.Aside)
	switch {
	case row.Loose:
		say("Heat the oven to %s. Line the tin.", heat(row.Oven))
		say("Whisk the wet things together. Stir the dry ones in a second bowl.")
		say("Fold the dry into the wet until no flour shows, and no longer.")
		if addIns != "" {
			say("Fold in the %s.", addIns)
		}
	default:
		if p.Heat.Line != "" {
			say("Bring the %s to %s: %s.", p.Heat.Name, p.Heat.At, p.Heat.Touch)
		}
		if row.Batter {
			say("Beat everything for %d minutes with the flat beater: it is a batter, and is not kneaded.", beaten)
		} else {
			say("Everything into the mixer's bowl, liquid first. With the dough hook %d minutes slowly, until it "+
				"comes together, then %d minutes a little faster; by hand %d minutes in all. It should be smooth "+
				"and just tacky.", hookSlow, hookOn, byHands)
		}
		if addIns != "" {
			say("Knead in the %s in the last minute.", addIns)
		}
	}
	if p.Kind == recipe.Pasta {
		say("Wrap it, and let it rest for %d minutes. Roll it out and cut it.", row.Finish.Rise)
		return out, nil
	}
	first, last := p.rises()
	if first > 0 && !row.Batter {
		say("Cover the bowl and let it rise until it has doubled: about %d minutes at 25 °C, longer in a cold "+
			"kitchen.", first)
	}
	switch {
	case row.Shaped:
		f := p.Finish
		say("Shape it, %d minutes of work; cover it, and let it rise for about %d minutes.", f.Shape, f.Rise)
		say("Heat the oven to %s; bake for about %d minutes.", heat(max(row.Oven, usualOven)), f.Oven)
		return out, nil
	case row.Handwork > 0:
		say("Roll it out, spread the filling (%s), roll it up, and lay it seam down into a greased tin.",
			inWords(p.part(recipe.Filling)))
	case !row.Loose:
		say("Shape it, and lay it into a greased tin that it fills to a half or a little more.")
	default:
		say("Into the tin, to two thirds at the most.")
	}
	if last > 0 {
		say("Let it rise, covered, until it stands a finger above the rim: about %d minutes. Meanwhile heat the "+
			"oven to %s.", last, heat(row.Oven))
	}
	if names := append(p.part(recipe.Glaze), p.part(recipe.Topping)...); len(names) > 0 {
		say("Put on the %s.", inWords(names))
	}
	done := "a skewer comes out clean"
	if p.Ending.Core != "" {
		done = "its middle is at " + p.Ending.Core
	}
	say("Bake at %s for about %d minutes, until %s.", heat(row.Oven), ovenMinutes(row.Bake, p.Size), done)
	if p.Ending.Slice > 0 {
		say("Out of the tin, on to %s: %d minutes before it is cut at all, %d until it cuts clean.", p.Ending.On,
			p.Ending.Slice, p.Ending.Clean)
	}
	return out, nil
}

const usualOven = 200 // °C, for rolls

// ovenMinutes are the minutes of a loaf of a size, where one of 1 1/2 lb takes so many; to the nearest five.
func ovenMinutes(middle int, size measure.LoafSize) int {
	const middlePounds = 1.5
	return int(math.Round(float64(middle)*math.Sqrt(size.Pounds().Float()/middlePounds)/5)) * 5
}

// rises are how long the dough rises before it is shaped and after, on its cycle.
func (p Plan) rises() (first, last int) {
	for _, s := range p.Stages {
		if s.Kind == machine.Rise {
			first, last = first+last, int(s.To-s.From)
		}
	}
	if first == 0 && p.Finish != (recipe.Finish{}) { // of a dough, the machine's one rise is the first
		return last, 0
	}
	return first, last
}

func (p Plan) names(lines []string) string {
	var out []string
	for _, l := range p.Lines {
		for _, id := range lines {
			if id == l.ID {
				out = append(out, l.Name)
			}
		}
	}
	return inWords(out)
}

func (p Plan) part(part recipe.Part) []string {
	var out []string
	for _, l := range p.Lines {
		if l.Part == part {
			out = append(out, l.Name)
		}
	}
	return out
}
