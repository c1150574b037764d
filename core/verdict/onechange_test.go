package verdict_test

import (
	"regexp"
	"slices"
	"strings"
	"testing"

	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/verdict"
)

// habits are what bakers tell to do otherwise, and what of this program's sentences says the same.
var habits = map[string]string{
	"new flour": "fresh bag", "warmer liquid": "liquid at", "wait to cut": "before it is cut",
	"out at once": "within minutes of the end", "new yeast": "new packet of yeast", "leave the lid shut": "lid shut",
	"feed the starter": "Feed the starter", "cooler liquid": "liquid cold from the tap|Let the liquid cool",
	"cool in pan first": "stand in the pan", "no yeast beside the packet": "mix's own yeast alone",
	"yeast dry on top": "Keep the yeast dry", "seat the pan": "right down", "paddle in first": "Paddle on its shaft first",
	"seal the seam": "pinch the seam", "scrape the corners": "Scrape the corners", "rest the dough": "Let the dough rest",
	"prove shorter": "while a finger's dent", "prove longer": "nearly doubled",
	"paddle out before last rise": "Take the paddle out", "no milk in a delay": "no egg", "new leavening": "fresh baking powder",
	"new culture": "fresh live yoghurt", "measure as written": "[Tt]ick|Measure everything|spoon of salt|Read the spoon",
	"leave the dough alone": "Leave the dough alone", "leave the buttons alone": "Lock the buttons",
	"hold longer": "Keep it warm for", "free the paddle gently": "no pulling", "dry the filling": "Drain the filling",
	"drain add-ins": "Drain the add-ins", "cool on a rack": "on a rack", "clean the heater": "wipe the heater",
	"check the oven": "Heat the oven", "after a cut start anew": "cut at once", "add at the beep": "at the beep|before the kneading ends",
	"check the display": "size on the display", "weigh flour": "weigh a cup|Weigh a cup|Fill the cup", "look at the ball": "dough ball|shaft first",
	"wait for the chill": "chill overnight", "wait before dosing": "look again after", "smaller doses": "by the teaspoon",
	"store dry": "keep it dry", "less mixing": "Stop as soon as", "smaller batch": "smaller batches", "clear the flap": "flap is shut|flap",
	"core to safe": "until its middle is",
}

var dose = regexp.MustCompile(`^(less|more|add) (.+?)(?:, (.+?)(?: to (.+))?)?$`)

// kindOfFood is what a food in a baker's words is to a change: what the program says less or more of.
var kindOfFood = regexp.MustCompile(`water|milk|yoghurt|purée|banana|liquid`)

// does reports whether what this program proposes is one of the things that a baker would do.
func (l judged) does(t *testing.T) bool {
	b, r, err := l.made()
	if err != nil {
		t.Fatal(err)
	}
	all := b.Causes()
	if len(all) == 0 {
		return l["do"] == "none" || l["do"] == "repeat as written"
	}
	say := all[0].Change
	step := verdict.Propose(b.Kitchen, b.Plan, r, all[0].Cause)
	if all[0].Strength == verdict.Unclear {
		step = nil
	}
	return slices.ContainsFunc(strings.Split(l["do"], " | "), func(do string) bool {
		if habit, ok := strings.CutPrefix(do, "habit "); ok {
			return habits[habit] != "" && regexp.MustCompile(habits[habit]).MatchString(say)
		}
		if m := dose.FindStringSubmatch(do); m != nil {
			return l.doses(m, say, step)
		}
		word, what, _ := strings.Cut(do, " to ")
		switch word {
		case "repeat as written", "none":
			return strings.HasPrefix(say, "Change nothing")
		case "crust":
			return strings.Contains(say, "crust to "+what) || strings.Contains(say, "crust one")
		case "knock-backs":
			return strings.Contains(say, "single rise")
		case "cycle":
			return strings.Contains(say, "Use ") || strings.Contains(say, "No cycle of this machine")
		case "rise":
			return strings.Contains(say, "half the yeast") || strings.Contains(say, "third less yeast") ||
				strings.Contains(say, "shorter cycle") || strings.Contains(say, "Use ")
		case "size":
			return strings.Contains(say, "size on the display")
		case "all lines":
			return strings.Contains(say, "smaller")
		case "go back":
			return strings.HasPrefix(say, "Change nothing")
		}
		if strings.HasPrefix(do, "bake longer") {
			return strings.Contains(say, "minutes more")
		}
		if strings.HasPrefix(do, "bake shorter") {
			return strings.Contains(say, "minutes before its end") || strings.Contains(say, "minutes less")
		}
		if to, ok := strings.CutPrefix(do, "swap "); ok {
			_, food, _ := strings.Cut(to, " for ")
			return strings.Contains(say, food)
		}
		if strings.HasPrefix(do, "leave out ") {
			return strings.Contains(say, "alone") || strings.Contains(say, "half the salt")
		}
		return false
	})
}

// doses reports whether a change is a baker's: the same food, the same way, by an amount of that size, half as much or
// half as much again.
func (l judged) doses(m []string, say string, step *verdict.Change) bool {
	way, food := m[1], m[2]
	of := larder.Find(food).Ingredient
	said := func(words ...string) bool {
		return slices.ContainsFunc(words, func(w string) bool { return strings.Contains(say, w) })
	}
	if step == nil {
		switch {
		case strings.Contains(food, "yeast"):
			return way != "add" && said(way+" yeast", "less yeast")
		case strings.Contains(food, "sugar") || strings.Contains(food, "honey"):
			return said("less sugar") && way == "less" || said("sugar") && way != "less"
		case strings.Contains(food, "butter") || strings.Contains(food, "oil"):
			return said("less butter")
		case strings.Contains(food, "salt"):
			return said("half the salt", "less salt") && way == "less" || said("salt back") && way != "less"
		case strings.Contains(food, "powder") || strings.Contains(food, "soda"):
			return said(way+" leavening", "baking powder")
		case strings.Contains(food, "pectin") || strings.Contains(food, "milk") && way == "add":
			return said("pectin", "dry milk")
		case strings.Contains(food, "gum") || strings.Contains(food, "psyllium"):
			return said("binds")
		case strings.Contains(food, "raisin") || strings.Contains(food, "fruit") || strings.Contains(food, "seed"):
			return said("fewer add-ins")
		case kindOfFood.MatchString(food):
			return said(way + " liquid")
		}
		return false
	}
	is, ok := larder.Is(step.Name)
	if !ok || is.Kind != of.Kind && !(kindOfFood.MatchString(food) && (is.Kind == larder.Liquid || is.Kind == larder.Puree)) {
		return false
	}
	from, err := is.Weigh(step.From)
	to, err2 := is.Weigh(step.To)
	if err != nil || err2 != nil || (to < from) != (way == "less") {
		return false
	}
	low, lerr := measure.Parse(m[3], measure.US)
	high, herr := measure.Parse(m[4], measure.US)
	if lerr != nil || herr != nil {
		return m[3] == ""
	}
	if low.Unit == measure.Piece {
		low.Unit = high.Unit
	}
	least, err := is.Weigh(low)
	most, err2 := is.Weigh(high)
	by := max(to-from, from-to)
	return err == nil && err2 == nil && by >= least/2 && by <= most*3/2
}
