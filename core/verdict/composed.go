package verdict

import (
	"slices"

	"risepan/core/bake"
	"risepan/core/kind"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/otherwise"
	"risepan/core/plan"
)

// What of a recipe can be behind a loaf beside its figures, and what the baker tells of the bake.

// The edges of what a recipe bears: add-ins in 100 of flour, and salt in other things than salt.
const (
	mostAddIns = 45
	muchHidden = 0.8
	surely     = 3 // points of water beyond the edge, where the cup leaves room for doubt
)

// recipe is what of the recipe itself can be behind a loaf.
func (e *evidence) recipe(p plan.Plan, k kitchen.Kitchen) {
	row := kind.Of(p.Kind)
	knocks := 0
	for _, s := range p.Stages {
		if s.Kind == machine.KnockBack {
			knocks++
		}
	}
	e.add(row.FewKnock && knocks > kind.MostKnocks || (row.Sticky || row.Dense) && knocks > 2, KnockedMuch)
	var addIns measure.Grams
	binds, sour, salty, pectin := false, false, false, false
	for _, l := range p.Lines {
		i, ok := k.Ingredient(l.Ingredient)
		if !ok {
			continue
		}
		if p.AddIns != nil && slices.Contains(p.AddIns.Lines, l.ID) {
			addIns += l.Exact
			salty = salty || i.Shares.Salt > 1
		}
		binds = binds || i.Binds
		sour = sour || i.Sour
		pectin = pectin || i.Gels
		old := slices.ContainsFunc(p.Cautions, func(c plan.Caution) bool { return c.About == plan.Dates && c.Line == l.ID })
		e.add(old && i.Kind == larder.Leavening && !slices.Contains(e.facts, OldLeaven), OldLeaven)
		stale := old && (i.Kind == larder.Flour || i.Kind == larder.DryExtra)
		e.add(stale && !slices.Contains(e.facts, StaleFlour), StaleFlour)
	}
	e.add(p.Formula.Flour > 0 && float64(addIns/p.Formula.Flour)*100 > mostAddIns, MuchAdded)
	e.add(row.Leavened() && p.Formula.Powder == 0 && p.Formula.Yeast == 0, NoPowder)
	e.add(row.Unbound && p.Formula.Flour > 0 && !binds, Unbound)
	e.add(p.Formula.Soda > 0 && !sour && p.Formula.Powder <= p.Formula.Soda, NothingSour)
	about := func(a plan.About) bool {
		return slices.ContainsFunc(p.Cautions, func(c plan.Caution) bool { return c.About == a })
	}
	e.add(row.Most > 0 && about(plan.Overflow), MuchCrushed)
	e.add(row.Most > 0 && (about(plan.Keeping) || !sour && !pectin), SetsPoorly)
	e.add(salty || p.Formula.Hidden > muchHidden, SaltAddIns)
}

// mishaps are what follows from what was told of the bake.
var mishaps = map[bake.Mishap]Fact{bake.PaddleOff: ToldPaddle, bake.FlourAdded: ToldFlour, bake.LiquidAdded: ToldLiquid,
	bake.YeastWetted: ToldWet, bake.TwoYeasts: ToldTwo, bake.WeakStarter: ToldStarter, bake.PressedDown: ToldPressed,
	bake.LidTouched: ToldTouched, bake.StopPressed: ToldStopped, bake.OtherSize: ToldSize, bake.PulledOut: ToldPulled,
	bake.CameOutEarly: ToldEarly, bake.CooledShut: ToldShut, bake.KeptDamp: ToldDamp, bake.MixedLonger: ToldMixed,
	bake.Spilt: ToldSpilt, bake.StoodWarm: ToldWarm,
	bake.JudgedWarm: ToldJudged, bake.BoiledOn: ToldBoiled, bake.OldCulture: ToldCulture, bake.HotForIt: ToldScalded,
	bake.WetFilling: ToldFilling, bake.LooseSeam: ToldSeam, bake.ShortProof: ToldShort, bake.LongProof: ToldLong,
	bake.OvenOff: ToldOven}

// events are what follows from what went otherwise while it ran.
var events = map[otherwise.Event]Fact{otherwise.NoYeast: NotTicked, otherwise.NoPowder: NotTicked,
	otherwise.NoSalt: NotTicked, otherwise.NoSugar: NotTicked, otherwise.NoFat: NotTicked, otherwise.NoEgg: NotTicked,
	otherwise.NoDryMilk: NotTicked, otherwise.NoGluten: NotTicked, otherwise.NoBinder: NotTicked,
	otherwise.NoFlour: NotTicked, otherwise.NoWater: NotTicked, otherwise.NoPaddle: ToldPaddle,
	otherwise.OnePaddle: ToldPaddle, otherwise.PanLoose: ToldPaddle, otherwise.PaddleStill: ToldPaddle,
	otherwise.PaddleOff: ToldPaddle, otherwise.PaddleFlat: ToldPaddle,
	otherwise.TwoYeasts: SlipTold, otherwise.ManyYeasts: SlipTold, otherwise.TwoSalts: SlipTold,
	otherwise.TwoSugars: SlipTold, otherwise.TwoEggs: SlipTold, otherwise.TwoFlours: ToldFlour,
	otherwise.TwoWaters: ToldLiquid, otherwise.SizeUp: ToldSize, otherwise.SizeDown: ToldSize,
	otherwise.Stopped: ToldStopped, otherwise.GaveUp: ToldStopped, otherwise.FlapIn: ToldTouched,
	otherwise.Touches: ToldTouched, otherwise.OpenLid: LidWasOpen, otherwise.OnHeater: ToldSpilt,
	otherwise.RanOver: ToldSpilt, otherwise.OverRim: ToldSpilt, otherwise.Smoke: ToldSpilt,
	otherwise.ThinSmoke: ToldSpilt, otherwise.Spoiling: ToldWarm, otherwise.FillingOld: ToldWarm,
	otherwise.ShutBox: AddInsLate, otherwise.NotIn: AddInsLate}

// told is what the baker said of the bake, at its end.
func (e *evidence) told(v bake.Verdict) {
	for _, m := range v.Mishaps {
		if f, ok := mishaps[m]; ok {
			e.add(true, f)
		}
	}
	e.add(slices.Contains(v.Mishaps, bake.AddedLate), AddInsLate)
	e.add(slices.Contains(v.Mishaps, bake.AddedEarly), AddInsFirst)
}
