package plan

import (
	"fmt"
	"regexp"
	"slices"
	"time"

	"risepan/core/kind"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/recipe"
	"risepan/core/scale"
)

// Ahead is something to do hours or days before the loaf is measured.
type Ahead struct {
	Line string    `json:"line"`
	Name string    `json:"name"`
	Say  string    `json:"say"`
	At   time.Time `json:"at"`
}

// early is what an ingredient wants before, hours before the pan is loaded; long where it takes days.
var early = map[larder.Beforehand]struct {
	long  bool
	steps []step
}{
	larder.Sprouted: {true, []step{
		{72, "Soak the %s in cold water overnight."},
		{60, "Drain and rinse the %s; rinse again morning and evening, until small tails show."},
		{24, "Dry the %s at 40 °C at the most, until hard again."},
		{2, "Mill the %s fine, and let the flour cool."},
	}},
	larder.Ground: {true, []step{
		{60, "Soak whole grain for the %s in cold water overnight."},
		{48, "Drain and rinse the grain for the %s; rinse again morning and evening, until small tails show."},
		{2, "Grind the %s wet, and keep it in the fridge until it goes in."},
	}},
	larder.Fed: {false, []step{
		{12, "Feed the %s with flour and water, and leave it at the kitchen's warmth."},
		{1, "Look at the %s: is it full of bubbles, and does a spoonful float on water? Take what the loaf wants, " +
			"and put the rest back in the fridge."},
	}},
	larder.Thawed: {false, []step{{12, "Take the %s out of the freezer, to thaw in the fridge. Its juice counts."}}},
}

// step is one thing to do so many hours before.
type step struct {
	hours int
	say   string
}

// frozen is a note of what comes from the freezer.
var frozen = regexp.MustCompile(`(?i)\bfrozen\b|\bthaw\w*\b|\bdefrost\w*\b`)

// before is what a line wants before: what its ingredient does, and thawing where it says so.
func before(l scale.Scaled, of recipe.Kind) larder.Beforehand {
	switch {
	case frozen.MatchString(l.Line.Note):
		return larder.Thawed
	case l.Ingredient.Ahead == larder.Fed && kind.Of(of).Still: // it is what is made here
		return larder.AtOnce
	}
	return l.Ingredient.Ahead
}

// overnight is a note that asks for a night.
var overnight = regexp.MustCompile(`(?i)\bovernight\b|\bsoak\w*\b|\bsteep\w*\b`)

// night is how long what is left overnight takes, hours.
const night = 10

// ahead lists what is begun before, counted back from when the pan is loaded and Start pressed.
func ahead(k kitchen.Kitchen, d Dough, press time.Time) []Ahead {
	var out []Ahead
	for _, l := range d.lines {
		begin := func(hours int, say string) {
			out = append(out, Ahead{l.Line.ID, l.Ingredient.Name, say, press.Add(-time.Duration(hours) * time.Hour)})
		}
		for _, step := range early[before(l, d.Kind)].steps {
			begin(step.hours, fmt.Sprintf(k.Degrees.Say(step.say), l.Ingredient.Name))
		}
		if l.Line.Waits() && overnight.MatchString(l.Line.Note) {
			begin(night, fmt.Sprintf("Begin the %s: %s.", l.Ingredient.Name, l.Line.Note))
		}
	}
	slices.SortStableFunc(out, func(a, b Ahead) int { return a.At.Compare(b.At) })
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
			j.say(Care, Beforehand, nil, "%s That takes until %s: unless it is done already, plan the loaf for "+
				"then, or use what is ready.", a.Say, j.clock(ready))
		case j.long(a.Line):
			j.say(Care, Beforehand, nil, "The %s is begun days ahead, at %s: %s", a.Name, j.clock(a.At), a.Say)
		}
	}
}

// long reports whether a line is begun days before.
func (j *judgement) long(line string) bool {
	return slices.ContainsFunc(j.dough.lines, func(l scale.Scaled) bool {
		return l.Line.ID == line &&
			early[before(l, j.dough.Kind)].long
	})
}
