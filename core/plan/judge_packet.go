package plan

import (
	"regexp"
	"slices"

	"risepan/core/larder"
	"risepan/core/scale"
)

// yeastBeside reports whether yeast stands beside the packet.
func (j *judgement) yeastBeside() bool {
	return slices.ContainsFunc(j.dough.lines, func(l scale.Scaled) bool { return l.Ingredient.Kind == larder.Yeast })
}

// mixSays reports whether there is a mix that is counted as raised by yeast, and whether its line or the recipe has a
// note that reads so.
func (j *judgement) mixSays(note *regexp.Regexp) (mix, says bool) {
	for _, l := range j.dough.lines {
		if l.Ingredient.Packet && l.Ingredient.AsDry > 0 {
			mix, says = true, says || note.MatchString(l.Line.Note) || note.MatchString(j.Recipe.Note)
		}
	}
	return mix, says
}

// twice asks about yeast beside that of a mix whose line says that yeast is in it.
func (j *judgement) twice() {
	if _, in := j.mixSays(saysYeast); in && j.yeastBeside() {
		j.say(Stop, Implausible, nil, "There is yeast in the mix already, and this is as much again: leave it out. If "+
			"the mix has none, write the mix without “with yeast”.")
	}
}

// saysYeast is a mix's note that yeast is in it.
var saysYeast = regexp.MustCompile(
	`(?i)\b(?:with|including|incl\.?|has) (?:the |its own |dry |dried )?yeast\b|\byeast (?:is )?(?:in|mixed)`)

// packetsYeast asks whether yeast is in a mix that says nothing of it, where none stands beside it.
func (j *judgement) packetsYeast() {
	mix, in := j.mixSays(saysYeast)
	if !mix || in || j.yeastBeside() || slices.Contains(j.Recipe.Meant, string(Yeast)) {
		return
	}
	j.say(Ask, Leavening, []Remedy{{Say: "Yeast is in the mix", Meant: Yeast}}, "Is there yeast in the mix? Look at what "+
		"the packet lists. If there is none, or it comes in a sachet of its own, add the yeast to the recipe.")
}

// divided says how a packet that has yeast in it is parted.
func (j *judgement) divided() {
	whole := j.dough.factor.IsWhole() && !j.mixParted()
	if j.dough.packet() && !whole && j.dough.Formula.Yeast > 0 && !j.yeastBeside() {
		j.say(Care, Divided, nil, "A part of a packet: shake it well before you weigh, for its yeast to be spread "+
			"all through. Where the yeast lies in it apart, make a whole one.")
	}
}

// partOf is a mix's note that it is a part of its packet.
var partOf = regexp.MustCompile(`(?i)\b(?:half|third|quarter|part) (?:a |the |of )|\d/\d packet`)

// mixParted reports whether the recipe itself takes a part of a packet.
func (j *judgement) mixParted() bool {
	return slices.ContainsFunc(j.dough.lines, func(l scale.Scaled) bool {
		return l.Ingredient.Packet && partOf.MatchString(l.Line.Note)
	})
}

// stood warns of a packet that is to stand: its yeast cannot be kept from the liquid altogether.
func (j *judgement) stood() {
	if j.programme.Timer.Setting > 0 && j.dough.packet() && !j.yeastBeside() && j.dough.Formula.Yeast > 0 {
		j.say(Care, WetYeast, []Remedy{j.atOnce()}, "The yeast is mixed in, and starts working as soon as it is wet: "+
			"do not stir it, and keep the delay short.")
	}
}
