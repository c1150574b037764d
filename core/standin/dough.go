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
	Grain     float64 // whole grain in 100 of flour
	Strong    float64 // the flour's strength, 1 for good bread flour
	Base      float64 // hydration at which a dough of its kind, without grain, fat and sugar, is as it should be
	Powder    float64 // leavening that works in the heat, as baking powder
	Batter    bool    // poured: it wants mixing, and no gluten
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
	usualWet     = 64.5  // hydration at which a white dough is a smooth ball
	grainWet     = 0.150 // by which each 1 of whole grain raises that
	fatWet       = 0.30  // by which each 1 of fat lowers it: fat softens too
	sugarWet     = 0.20
	slumps       = 0.03   // of its gas a wet dough lets go, per point beyond a ball
	ballHalf     = 3.0    // points to either side within which it is one smooth ball
	farOff       = 8.0    // from where it pours, or knocks
	gasRate      = .050   // ml per g of flour and minute, of 1 of yeast at 27 °C
	bestHeat     = 36.0   // °C, above which yeast slows
	killing      = 52.0   // from where it dies
	saltSlows    = 0.17   // per 1 of salt
	saltHolds    = 0.07   // per 1 of salt, what the dough can hold
	sugarSlows   = 12.0   // per 100 of flour, from where sugar slows
	ownSugar     = 2.6    // that flour gives of itself, per 100
	sugarPerGas  = 0.30   // used for each ml of gas a gram of flour
	dense        = 0.85   // ml per g of flour of a dough without gas, of its water beside
	grainTears   = 0.0045 // of what a dough holds, per 1 of whole grain
	holdsMost    = 5.1    // ml of gas a gram of strong flour can hold
	proofWarm    = 30.0   // °C in a rise
	warming      = 55.0   // minutes
	keepsOfKnock = 0.35   // of its gas after a knock-back
	keepsOfFall  = 0.45
	leaks        = 6.0 // how steeply a dough lets gas through near what it holds
	torn         = 0.4
	tears        = 0.20  // of what it holds, lost through its skin, and it falls
	spring       = 0.012 // more, each minute of the first of the bake
	springs      = 10.0  // minutes
	setsAfter    = 22.0
	browns       = 52.0 // minutes to a medium crust of a usual sugar
	browning     = 0.035
	mostBrowning = 15.0 // sugar, beyond which a crust is not darker
)

// The kinds of dough that are not of wheat and yeast.
const (
	batterWet   = 101.0 // hydration of a gluten-free batter that is as it should be
	batterKeeps = 0.5   // of the gas that a wheat dough would keep
	batterHolds = 0.60  // of what a wheat dough holds
	denseWet    = 108.0 // of a low-carb dough
	powderGas   = 0.036 // ml per g of flour and minute of heat, of 1 of baking powder
)

// Put is what of a formula goes into a stand-in's pan, at these temperatures, as a kind of dough.
func Put(k kind.Row, f formula.Formula, room, liquid measure.Celsius) Dough {
	d := Dough{Flour: f.Flour, Hydration: f.Hydration, Salt: f.Salt, Yeast: f.Yeast, Sugar: f.Sugar, Fat: f.Fat, Grain: f.Grain, Powder: f.Powder,
		Strong: 1, Base: usualWet, Room: room, Liquid: liquid, Alive: 1}
	switch {
	case k.Loose: // whatever its water, it is as it should be
		d.Batter, d.Base = true, f.Hydration+fatWet*f.Fat+sugarWet*f.Sugar-grainWet*f.Grain
	case k.Batter:
		d.Batter, d.Base, d.Strong = true, batterWet, batterHolds
	case k.ByWeight && k.Dense:
		d.Base, d.Strong = denseWet, batterHolds
	}
	if liquid > killing {
		d.Alive = math.Max(0, 1-float64(liquid-killing)/8)
	}
	d.Warm = d.mixed()
	return d
}

// mixed is how warm it is once it is mixed: what its liquid and its flour bring.
func (d Dough) mixed() measure.Celsius {
	water, flour := d.Hydration*4.18, 170.0
	return measure.Celsius((water*float64(d.Liquid) + flour*float64(d.Room)) / (water + flour))
}

// Add puts water or flour in, by the spoon.
func (d Dough) Add(dose dough.Dose) Dough {
	g := dose.Grams()
	if dose.Of == dough.Water {
		d.Hydration += 100 * float64(g/d.Flour)
		return d
	}
	share := float64(d.Flour / (d.Flour + g))
	d.Hydration, d.Salt, d.Yeast, d.Sugar, d.Fat = d.Hydration*share, d.Salt*share, d.Yeast*share, d.Sugar*share, d.Fat*share
	d.Flour += g
	return d
}

// wants is the hydration at which it is one smooth ball.
func (d Dough) wants() float64 {
	return d.Base + grainWet*d.Grain - fatWet*d.Fat - sugarWet*d.Sugar
}

// Off is by how many points it seems too wet, below 0 too dry: what is not drunk yet counts as wet.
func (d Dough) Off() float64 {
	const free = 9.0 // points, of water that nothing has drunk
	return d.Hydration - d.wants() + free*(1-d.Drunk)*d.Mixed
}

// Look is how its ball looks.
func (d Dough) Look() dough.Seen {
	switch off := d.Off(); {
	case d.Mixed < 0.25:
		return dough.Torn
	case off > farOff:
		return dough.Pours
	case off > ballHalf:
		return dough.Smears
	case off < -farOff:
		return dough.Knocks
	case off < -ballHalf:
		return dough.Torn
	}
	return dough.Smooth
}

// pace is how fast its yeast works, 1 at 27 °C without salt or much sugar.
func (d Dough) pace() float64 {
	t := float64(d.Warm)
	heat := math.Pow(2, (t-27)/10)
	if t > bestHeat {
		heat *= math.Max(0, 1-(t-bestHeat)/14)
	}
	sweet := 1.0
	if d.Sugar > sugarSlows {
		sweet = math.Max(0.35, 1-(d.Sugar-sugarSlows)*0.03)
	}
	wet := 0.6 + 0.4*math.Min(1.3, d.Hydration/d.Base)
	food := math.Min(1, math.Max(0, ownSugar+d.Sugar-d.Eaten)/1.2)
	return heat * math.Max(0.2, 1-saltSlows*d.Salt) * sweet * wet * food * d.Alive
}

// holds is how much gas it can hold, ml per g of flour.
func (d Dough) holds() float64 {
	wet := math.Max(0, d.Hydration-d.wants()-ballHalf)
	dry := math.Max(0, d.wants()-ballHalf-d.Hydration)
	grain := 1 - grainTears*d.Grain
	if d.Fell { // what has torn holds little
		grain *= torn
	}
	return holdsMost * d.Strong * grain * d.Mixed * (1 + saltHolds*math.Min(d.Salt, 3) - saltHolds*2) * math.Max(0.3, 1-0.028*wet) * math.Max(0.3, 1-0.05*dry)
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
	gas := gasRate * d.Yeast * d.pace() * minutes
	if d.Batter {
		gas *= batterKeeps
	}
	most := d.holds()
	wet := math.Max(0, d.Hydration-d.wants()-ballHalf)
	kept := gas * math.Max(0.2, 1-slumps*wet) * math.Max(0, 1-math.Pow(d.Gas/math.Max(most, 0.1), leaks))
	d.Gas += kept
	if d.Lost += gas - kept; d.Lost > most*tears && !d.Fell && d.Hydration > d.wants()-ballHalf { // a stiff one does not
		d.Fell, d.Gas = true, d.Gas*keepsOfFall
	}
	d.Eaten += gas * sugarPerGas
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
	if !d.Set {
		d.Gas += powderGas * d.Powder
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

// Gas to its solid, from which a loaf is no longer flat, and no longer dense.
const (
	flat       = 0.35
	closeCrumb = 0.9
)

// lightness is how light a loaf of its kind is, beside one of wheat and yeast.
func (d Dough) lightness() float64 {
	if d.Batter || d.Base > usualWet {
		return 0.4
	}
	return 1
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
