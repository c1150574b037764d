package standin

import (
	"fmt"
	"math"
	"strings"

	"risepan/core/machine"
	"risepan/core/measure"
)

// Outcome is how it came out.
type Outcome struct {
	Height  float64 `json:"height"` // of the pan, 1 at its rim
	Fell    bool    `json:"fell"`   // its top sank in
	Raw     bool    `json:"raw"`    // a heap that was never mixed
	Flat    bool    `json:"flat"`   // it hardly rose
	Over    bool    `json:"over"`   // it ran over the rim
	Gummy   bool    `json:"gummy"`  // its middle was not done, or too wet
	Coarse  bool    `json:"coarse"`
	Dense   bool    `json:"dense"`
	Browned float64 `json:"browned"` // 1 is medium

	Crust machine.Crust `json:"crust"` // as which it would pass
	Say   string        `json:"say"`   // in words
}

// Of the gas that a loaf of its kind holds at its best: from where it is no longer flat, and no longer dense.
const (
	flat       = 0.22
	closeCrumb = 0.5
	coarseFrom = 3.2 // yeast, where no band says otherwise
)

// Shape is how a dough came out of a pan that holds so much.
func (d Dough) Shape(pan measure.Millilitres) Outcome {
	height := float64(d.Volume() / pan)
	l := Outcome{
		Height: height, Fell: d.Fell, Raw: d.Mixed < 0.3, Over: height > 1.15,
		Flat:  d.Gas < flat*d.Most,
		Dense: d.Gas < closeCrumb*d.Most && !d.Fell,
		Gummy: d.Baked < setsAfter+8 || d.Hydration-d.wants() > 10,
		// Wet doughs and young, fast ones have large holes.
		Coarse:  d.Hydration-d.wants() > 6 || d.Yeast > d.Young+0.05 || d.Salt < 0.5 && d.Yeast > 0,
		Browned: d.Browned, Crust: crust(d.Browned),
	}
	l.Say = l.words()
	return l
}

// How browned a crust is, 1 being medium, from which it is no longer light, and from which it is dark.
const (
	mediumFrom = 0.85
	darkFrom   = 1.25
)

func crust(browned float64) machine.Crust {
	switch {
	case browned < mediumFrom:
		return machine.Light
	case browned < darkFrom:
		return machine.Medium
	}
	return machine.Dark
}

// words tell what is wrong with a loaf and how its crust is; one with nothing wrong is good.
func (l Outcome) words() string {
	var faults []string
	for _, f := range []struct {
		is  bool
		say string
	}{
		{l.Raw, "a raw heap that was never mixed"}, {l.Flat && !l.Raw, "it hardly rose"}, {l.Fell, "its top sank in"},
		{l.Over, "it ran over the rim"}, {l.Dense && !l.Flat, "short and dense"},
		{l.Gummy && !l.Raw, "gummy in its middle"},
		{l.Coarse, "coarse, with holes"},
	} {
		if f.is {
			faults = append(faults, f.say)
		}
	}
	if len(faults) > 0 {
		return fmt.Sprintf("The loaf: %s; a %s crust.", strings.Join(faults, ", "), l.Crust)
	}
	return fmt.Sprintf("A good loaf, %.0f %% of the pan, with a %s crust.", math.Round(l.Height*100), l.Crust)
}
