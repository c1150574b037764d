package plan

import (
	"fmt"
	"regexp"
	"time"

	"risepan/core/larder"
	"risepan/core/recipe"
)

// Ahead is something to do hours or days before the loaf is measured.
type Ahead struct {
	Line string    `json:"line"`
	Name string    `json:"name"`
	Say  string    `json:"say"`
	At   time.Time `json:"at"`
}

// sprouting is how grain becomes sprouted flour, hours before the pan is loaded.
var sprouting = []struct {
	hours int
	say   string
}{
	{72, "Soak the %s in cold water overnight."},
	{60, "Drain and rinse the %s; rinse again morning and evening, until small tails show."},
	{24, "Dry the %s at 40 °C at the most, until hard again."},
	{2, "Mill the %s fine, and let the flour cool."},
}

// sprouts are the grains that a recipe for flour takes whole, to be sprouted and milled.
var sprouts = map[larder.ID]bool{"wheat-berries": true}

// overnight is a note that asks for a night.
var overnight = regexp.MustCompile(`(?i)\bovernight\b|\bsoak\w*\b|\bsteep\w*\b`)

// night is how long what is left overnight takes, hours.
const night = 10

// ahead lists what is begun before, counted back from when the pan is loaded and Start pressed.
func ahead(d Dough, press time.Time) []Ahead {
	var out []Ahead
	for _, l := range d.lines {
		before := func(hours int, say string) {
			out = append(out, Ahead{l.Line.ID, l.Ingredient.Name, say, press.Add(-time.Duration(hours) * time.Hour)})
		}
		switch {
		case sprouts[l.Ingredient.ID]:
			for _, step := range sprouting {
				before(step.hours, fmt.Sprintf(step.say, l.Ingredient.Name))
			}
		case l.Line.Waits() && overnight.MatchString(l.Line.Note):
			before(night, fmt.Sprintf("Begin the %s: %s.", l.Ingredient.Name, l.Line.Note))
		}
	}
	return out
}

// ahead says when what takes hours or days is begun, and that it is too late for it where it is.
func (j *judgement) ahead() {
	said := map[string]bool{}
	for _, a := range j.amounts.Ahead {
		if said[a.Line] {
			continue // the first step is the one that matters
		}
		said[a.Line] = true
		switch late := a.At.Before(j.Now); {
		case late && j.AtPanel: // whoever stands at the panel has it
		case late:
			ready := j.Now.Add(j.programme.Timer.Press.Sub(a.At))
			j.say(Care, Beforehand, nil, "%s That takes until %s: unless it is done already, plan the loaf for then, or use what is ready.", a.Say, j.clock(ready))
		case sprouts[j.ingredient(a.Line)]:
			j.say(Care, Beforehand, nil, "The %s is begun days ahead, at %s: %s", a.Name, j.clock(a.At), a.Say)
		}
	}
}

func (j *judgement) ingredient(line string) larder.ID {
	for _, l := range j.dough.lines {
		if l.Line.ID == line && l.Line.Part == recipe.InDough {
			return l.Ingredient.ID
		}
	}
	return ""
}
