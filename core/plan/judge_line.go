package plan

import (
	"regexp"
	"slices"

	"risepan/core/kind"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/pan"
	"risepan/core/recipe"
	"risepan/core/scale"
)

// moist is up to how much dry yeast in 1 g on a yeast is moist, and works in a delay.
const moist = 0.6

// moistYeast reports whether some of its yeast is moist.
func (d Dough) moistYeast() bool {
	return d.in(recipe.InDough, func(i *larder.Ingredient) bool {
		return i.Kind == larder.Yeast && i.AsDry > 0 && i.AsDry < moist
	})
}

// fresh warns of fresh yeast that is to stand.
func (j *judgement) fresh() {
	if j.programme.Timer.Setting > 0 && j.dough.moistYeast() {
		j.say(Care, WetYeast, []Remedy{j.atOnce()}, "Fresh yeast is moist, and works while the timer waits: use dry yeast "+
			"for a delay, or start now.")
	}
}

// boxed warns of fresh yeast where the machine has a dispenser for dry yeast.
func (j *judgement) boxed() {
	if j.Machine.YeastBox && j.dough.moistYeast() {
		j.say(Care, WetYeast, nil, "Fresh yeast sticks in the yeast dispenser: crumble it into the pan, on the flour.")
	}
}

// stirs is a yeast's note that it is stirred into the liquid first.
var stirs = regexp.MustCompile(`(?i)\b(?:dissolv|bloom|proof(?:ed)?\b|froth|foam|activated|` +
	`(?:stirred|sprinkled) (?:in|on|over))`)

// stirredIn says where yeast goes that the recipe stirs into the liquid.
func (j *judgement) stirredIn() {
	says := slices.ContainsFunc(j.dough.lines, func(l scale.Scaled) bool {
		return l.Ingredient.Kind == larder.Yeast && stirs.MatchString(l.Line.Note)
	})
	switch {
	case !says || j.amounts.Pan.Order == pan.Bloomed:
	case j.programme.Timer.Setting > 0:
		j.say(Care, WetYeast, []Remedy{j.atOnce()}, "The recipe stirs the yeast into the liquid. Not before a delay: wet, it "+
			"would work while the timer waits. It goes in dry, on the flour, and the liquid cool.")
	default:
		j.say(Note, WetYeast, []Remedy{{Say: "Stir it in first", Order: pan.Bloomed}}, "The recipe stirs the yeast into the "+
			"liquid first. Here it goes in dry, on the flour: the machine mixes it just as well.")
	}
}

// wetShreds says what to do with grated vegetables that are full of water.
func (j *judgement) wetShreds() {
	for _, l := range j.dough.lines {
		if l.Ingredient.Shreds {
			j.say(Note, Wetness, nil, "Squeeze the %s in a cloth before you measure it: wet, it makes a gummy middle.",
				l.Ingredient.Name)
			return
		}
	}
}

// cooksShare is a sentence of the method that cooks a share of the flour: "Cook 3 tbsp of the flour with the milk".
var cooksShare = regexp.MustCompile(`(?i)\b(?:cook|heat|boil|scald|simmer|whisk)\w*\b[^.]*?([\d½¼¾⅓⅔][\d ½¼¾⅓⅔/.]*` +
	`(?:tbsp|tablespoons?|cups?|g)) of the (?:\w+ )?flour\b`)

// cookedShare says what a method's paste is made of, and how warm it goes in.
func (j *judgement) cookedShare() {
	for _, sentence := range j.Recipe.Method {
		if m := cooksShare.FindStringSubmatch(sentence); m != nil {
			j.say(Care, Heated, nil, "The method cooks %s of the flour to a paste: that is a share of the flour on the list, so "+
				"take it out of what is measured. Let the paste cool to 40 °C or less before it goes in.", m[1])
			return
		}
	}
}

// longWait is from how many minutes of waiting a shaped dough may as well rise in the fridge.
const longWait = 12 * 60

// overnight says how a dough that is shaped by hand waits for a day in the fridge.
func (j *judgement) overnight() {
	t := j.programme.Timer
	if !kind.Of(j.dough.Kind).Shaped || kind.Of(j.dough.Kind).Batch || j.dough.Formula.Yeast == 0 ||
		t.Begin.Sub(j.Now).Minutes() < longWait {
		return
	}
	j.say(Note, Timed, nil, "Or make it now: a quarter of the yeast, out of the machine when the kneading ends, and into the "+
		"fridge, covered, for up to a day. Take it out one to two hours before it is shaped.")
}

// tellsWater is a starter's note of how wet it is.
var tellsWater = regexp.MustCompile(`(?i)\d ?%|hydration|equal|liquid|stiff`)

// starterWater says how wet a starter is taken to be that does not tell it.
func (j *judgement) starterWater() {
	if kind.Of(j.dough.Kind).Still {
		return
	}
	for _, l := range j.dough.lines {
		if i := l.Ingredient; (i.Ahead == larder.Fed || i.Spent) && !tellsWater.MatchString(l.Line.Note) {
			j.say(Note, Wetness, nil, "The %s is counted as equal weights of flour and water. A stiff one holds some 30 g less "+
				"water in a cup: look at the dough ball early.", i.Name)
			return
		}
	}
}

// mostlySprouted is of the flour, from where what sprouted flour does tells.
const mostlySprouted = 0.5

// fast says that sprouted flour rises faster.
func (j *judgement) fast() {
	sprouted := j.dough.weight(recipe.InDough, func(i *larder.Ingredient) bool {
		return i.Kind == larder.Flour && i.Malted
	})
	if j.dough.Formula.Flour > 0 && sprouted >= mostlySprouted*j.dough.Formula.Flour {
		j.say(Note, SlowYeast, nil, "Sprouted flour rises faster than plain wholemeal: 10 to 20 %% less yeast is enough. Look "+
			"at it before it bakes.")
	}
}

// fitted says what this machine's fittings do to this loaf: a small dough between two paddles, a sweet one under the
// only crust there is.
func (j *judgement) fitted() {
	m, s := j.Machine, j.programme.Setting
	kneads := slices.ContainsFunc(j.programme.Stages, func(s machine.Span) bool { return s.Kind == machine.Knead })
	if m.Paddles.Count > 1 && kneads && !j.loose() && j.dough.Batch.IsZero() && j.dough.pounds(j.Recipe).Float() <= 1 {
		j.say(Care, Wetness, nil, "So small a dough may lie at one end of a pan with two paddles: push it to the middle "+
			"after the last knock-back.")
	}
	if len(m.Crusts) == 0 && s.HasCrust && kind.Of(j.dough.Kind).Rich {
		j.say(Note, Unfit, nil, "%s has no choice of crust, and a sweet loaf browns fast: look at it ten minutes before "+
			"the end.", m.Name)
	}
}
