package standin

import (
	"math"

	"risepan/core/dough"
	"risepan/core/formula"
	"risepan/core/kind"
	"risepan/core/machine"
	"risepan/core/measure"
)

// Dough is what was really put into the pan, per 100 of its flour, and how it is by now. It is a small model for
// rehearsal and for trials, and says nothing of a real loaf: docs/dough.md tells what it can and cannot.
type Dough struct {
	Flour     measure.Grams
	Hydration float64
	Salt      float64
	Yeast     float64 // as active dry
	Sugar     float64
	Fat       float64
	Grain     float64         // whole grain in 100 of flour
	Strong    float64         // the flour's strength, 1 for good bread flour
	Meant     formula.Formula // what was planned to go in
	Right     float64         // hydration at which the dough as it was meant is one smooth ball
	Young     float64         // yeast above which its crumb is coarse
	Bears     float64         // of what it holds, that it can lose through its skin before it falls
	Most      float64         // ml of gas a gram of flour that it holds at its best, as it goes into the heat
	Powder    float64         // leavening that works in the heat, as baking powder
	Batter    bool            // poured: it wants mixing, and no gluten
	Room      measure.Celsius
	Liquid    measure.Celsius // as it went in
	NoPaddle  bool            // nothing is mixed

	Warm    measure.Celsius // of the dough now
	Drunk   float64         // share of its water that the flour has taken up, 0 to 1
	Mixed   float64         // share that is kneaded, 0 to 1
	Alive   float64         // share of its yeast that works, 0 to 1
	Eaten   float64         // sugar, its own and the flour's, that the yeast has used, per 100 of flour
	Gas     float64         // ml per g of flour that it holds
	Lost    float64         // and that went through its skin since it was last knocked back
	Fell    bool            // it rose beyond what it could hold
	Top     float64         // the most that it stood, ml per g of flour
	Baked   float64         // minutes at heat
	Set     bool            // its crumb holds by itself
	Browned float64         // of its crust; 1 is medium
}

// The parameters of the model in one table. Where a figure is a working value of home baking it is that of
// the rules elsewhere in core; the others were set so that the fifty inequalities of dough_test.go hold and a usual
// white loaf fills its pan as core/kind has it.
const (
	drinks       = 6.0   // minutes in which white flour takes up two thirds of its water
	drinksGrain  = 16.0  // whole grain
	kneads       = 9.0   // minutes of kneading that make two thirds of a dough
	grainWet     = 0.150 // by which each 1 of whole grain more than was meant raises the hydration that is right
	fatWet       = 0.30  // by which each 1 of fat lowers it: fat softens too
	sugarWet     = 0.20
	slumps       = 0.03 // of its gas a wet dough lets go, per point beyond a ball
	gasRate      = .052 // ml per g of flour and minute, of 1 of yeast at 27 °C in a white dough
	bestHeat     = 31   // °C, above which yeast works no faster
	tooWarm      = 38.0 // and above which it slows
	saltSlows    = 0.17 // per 1 of salt
	saltHolds    = .12  // per 1 of salt, what the dough can hold
	sugarSlows   = 12.0 // per 100 of flour, from where sugar slows
	ownSugar     = 2.6  // that flour gives of itself, per 100
	sugarPerGas  = 0.30 // used for each ml of gas a gram of flour
	dense        = 0.85 // ml per g of flour of a dough without gas, of its water beside
	whiteMost    = 3.76 // ml of gas a gram of flour that a white dough holds
	proofWarm    = 30.0 // °C in a rise
	warming      = 55.0 // minutes
	keepsOfKnock = 0.35 // of its gas after a knock-back
	keepsOfFall  = 0.45
	leaks        = 6.0 // how steeply a dough lets gas through near what it holds
	torn         = 0.4
	whiteYeast   = 2.2   // the most that is usual in a white dough, for which the next is told
	tears        = 0.80  // of what it holds, lost through its skin, and it falls
	spring       = 0.012 // more, each minute of the first of the bake
	springs      = 10.0  // minutes
	setsAfter    = 22.0
	browns       = 52.0 // minutes to a medium crust of a usual sugar
	browning     = 0.035
	mostBrowning = 15.0 // sugar, beyond which a crust is not darker
)

// What is not of wheat and yeast.
const (
	batterKeeps  = 0.8 // of the gas that a wheat dough would keep
	usualPowder  = 3.0 // baking powder that raises a batter as high as it goes
	withoutYeast = 0.9 // of what it holds, that leavening alone fills
)

// In is what goes into a stand-in's pan.
type In struct {
	Kind   kind.Row
	Bands  kind.Bands          // what is usual of it: where the water lies inside, the dough as it is meant is right
	Meant  formula.Formula     // what was planned
	Went   formula.Formula     // what went in; zero: as it was planned
	Fills  measure.Millilitres // that a good loaf of it comes to, baked; 0: as is usual for its kind
	Room   measure.Celsius
	Liquid measure.Celsius
	Meets  dough.Meeting // how yeast and liquid meet
}

// Put is the dough of what goes in.
func Put(in In) Dough {
	f := in.Went
	if f == (formula.Formula{}) {
		f = in.Meant
	}
	d := Dough{Flour: f.Flour, Hydration: f.Hydration, Salt: f.Salt, Yeast: f.Yeast, Sugar: f.Sugar, Fat: f.Fat,
		Grain: f.Grain, Powder: f.Powder,
		Strong: 1, Meant: in.Meant, Right: in.Bands.Hydration.Nearest(in.Meant.Hydration), Batter: in.Kind.Batter,
		Room: in.Room, Liquid: in.Liquid, Alive: in.Meets.Alive(in.Liquid)}
	d.Young = max(coarseFrom, in.Bands.Yeast.High)
	d.Bears = tears * max(1, in.Bands.Yeast.High/whiteYeast) // a kind that takes more yeast bears more of it
	fills := float64(in.Fills)
	if fills <= 0 {
		fills = float64(in.Meant.Flour) * (in.Kind.Low + in.Kind.High) / 2
	}
	solid := dense + (in.Meant.Hydration+in.Meant.Fat)/100
	d.Most = max(0.5, fills/max(1, float64(in.Meant.Flour))-solid) / dough.Spring
	d.Warm = d.mixed()
	return d
}

// mixed is how warm it is once it is mixed: what its liquid, its flour and the pan bring.
func (d Dough) mixed() measure.Celsius {
	const flourAndPan = 170.0 + 60.0
	water := d.Hydration * 4.18
	return measure.Celsius((water*float64(d.Liquid) + flourAndPan*float64(d.Room)) / (water + flourAndPan))
}

// Add puts water or flour in, by the spoon.
func (d Dough) Add(dose dough.Dose) Dough {
	g := dose.Grams()
	if dose.Of == dough.Water {
		d.Hydration += 100 * float64(g/d.Flour)
		return d
	}
	share := float64(d.Flour / (d.Flour + g))
	d.Hydration, d.Salt, d.Yeast, d.Sugar, d.Fat = d.Hydration*share, d.Salt*share, d.Yeast*share, d.Sugar*share,
		d.Fat*share
	d.Flour += g
	return d
}

// wants is the hydration at which it is one smooth ball: what is right of the dough as it was meant, moved by what
// went in besides.
func (d Dough) wants() float64 {
	return d.Right + grainWet*(d.Grain-d.Meant.Grain) - fatWet*(d.Fat-d.Meant.Fat) - sugarWet*(d.Sugar-d.Meant.Sugar)
}

// Off is by how many points it seems too wet, below 0 too dry: what is not drunk yet counts as wet.
func (d Dough) Off() float64 {
	const free = 2.8 // points, of water that nothing has drunk
	return d.Hydration - d.wants() + free*(1-d.Drunk)*d.Mixed
}

// Look is how its ball looks.
func (d Dough) Look() dough.Seen {
	if d.Mixed < 0.25 {
		return dough.Torn
	}
	return dough.LookAt(d.Off())
}

// pace is how fast its yeast works, 1 at 27 °C without salt or much sugar.
func (d Dough) pace() float64 {
	t := float64(d.Warm)
	heat := math.Pow(2, (math.Min(t, bestHeat)-27)/10) * math.Max(0, 1-math.Max(0, t-tooWarm)/12)
	sweet := 1.0
	if d.Sugar > sugarSlows {
		sweet = math.Max(0.35, 1-(d.Sugar-sugarSlows)*0.03)
	}
	wet := 0.6 + 0.4*math.Min(1.3, d.Hydration/math.Max(1, d.Right))
	food := math.Min(1, math.Max(0, ownSugar+d.Sugar-d.Eaten)/1.2)
	return heat * math.Max(0.2, 1-saltSlows*d.Salt) * sweet * wet * food * d.Alive
}

// holds is how much gas it can hold, ml per g of flour.
func (d Dough) holds() float64 {
	wet := math.Max(0, d.Hydration-d.wants()-dough.Smeared)
	dry := math.Max(0, d.wants()-dough.Smeared-d.Hydration)
	whole := 1.0
	if d.Fell { // what has torn holds little
		whole = torn
	}
	return d.Most * d.Strong * whole * d.Mixed * (1 + saltHolds*math.Min(d.Salt, 3) - saltHolds*2) * math.Max(0.3,
		1-0.028*wet) * math.Max(0.3, 1-0.05*dry)
}

// Minute is one minute of a stage; a delay or an idle machine is the empty stage.
func (d Dough) Minute(stage machine.StageKind) Dough {
	d.Drunk += (1 - d.Drunk) / (drinks + (drinksGrain-drinks)*d.Grain/100)
	switch stage {
	case machine.Knead:
		if !d.NoPaddle {
			d.Mixed += (1 - d.Mixed) / kneads
		}
		d.Warm += dough.KneadRise / 25
		d.Gas *= 0.97
	case machine.KnockBack:
		d.Gas, d.Lost = d.Gas*keepsOfKnock, 0
	case machine.Rise:
		d.Warm += measure.Celsius((proofWarm - float64(d.Warm)) / warming)
	case machine.Bake:
		return d.bake()
	default:
		d.Warm += measure.Celsius((float64(d.Room) - float64(d.Warm)) / (4 * warming))
	}
	return d.ferment(1)
}

func (d Dough) ferment(minutes float64) Dough {
	if d.Set || d.Mixed < 0.1 { // it is bread; the yeast lies dry
		return d
	}
	gas := gasRate * d.Yeast * d.pace() * minutes * d.Most / whiteMost
	if d.Batter {
		gas *= batterKeeps
	}
	most := d.holds()
	wet := math.Max(0, d.Hydration-d.wants()-dough.Smeared)
	kept := gas * math.Max(0.2, 1-slumps*wet) * math.Max(0, 1-math.Pow(d.Gas/math.Max(most, 0.1), leaks))
	d.Gas += kept
	// a stiff one does not
	if d.Lost += gas - kept; d.Lost > most*d.Bears && !d.Fell && d.Hydration > d.wants()-dough.Smeared {
		d.Fell, d.Gas = true, d.Gas*keepsOfFall
	}
	d.Eaten += gas * sugarPerGas * whiteMost / d.Most
	d.Top = math.Max(d.Top, d.Gas)
	return d
}

// bake is one minute in the heat: it springs, then sets, and browns.
func (d Dough) bake() Dough {
	d.Baked++
	if d.Baked <= springs && !d.Set {
		d = d.ferment(0.8)
		d.Gas *= 1 + spring
	}
	if full := d.Most * withoutYeast; !d.Set && d.Gas < full {
		d.Gas = math.Min(full, d.Gas+full*math.Min(1, d.Powder/usualPowder)/setsAfter)
	}
	if d.Baked >= setsAfter {
		d.Set = true
	}
	d.Browned += (1 + browning*(math.Min(d.Sugar, mostBrowning)-3)) / browns
	return d
}

// Volume is what it fills, ml.
func (d Dough) Volume() measure.Millilitres {
	solid := dense + (d.Hydration+d.Fat)/100
	return measure.Millilitres(float64(d.Flour) * (solid + d.Gas))
}

// Through is the dough after a whole programme, or after so many minutes of it.
func (d Dough) Through(p machine.Programme, upTo machine.Minutes) Dough {
	for _, s := range p.Stages {
		for m := s.From; m < s.To && m < upTo; m++ {
			d = d.Minute(s.Kind)
		}
	}
	return d
}
