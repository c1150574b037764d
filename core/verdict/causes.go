package verdict

import (
	"risepan/core/bake"
	"risepan/core/vocab"
)

// Cause is what can lie behind a loaf that is not as it should be.
type Cause string

const (
	TooWet      Cause = "too wet"
	TooDry      Cause = "too dry"
	PackedCup   Cause = "flour packed into the cup"
	MuchYeast   Cause = "too much yeast"
	FastYeast   Cause = "a faster yeast than the recipe means"
	LittleYeast Cause = "too little yeast"
	DeadYeast   Cause = "old or killed yeast"
	NoYeast     Cause = "yeast forgotten"
	NoSalt      Cause = "salt forgotten or too little"
	MuchSalt    Cause = "too much salt"
	HotLiquid   Cause = "liquid too hot"
	WarmPlace   Cause = "too warm or damp"
	ColdPlace   Cause = "too cold"
	LongRise    Cause = "risen too long on this cycle"
	WrongCycle  Cause = "a cycle for another dough"
	WeakFlour   Cause = "flour too weak"
	TooBig      Cause = "too big for the pan"
	MuchSugar   Cause = "much sugar"
	NoPaddle    Cause = "paddle missing or not seated"
	NotScraped  Cause = "sides not scraped"
	CutHot      Cause = "cut hot"
	LeftInPan   Cause = "left in the pan"
	CrustSet    Cause = "crust setting"
	EarlyAddIns Cause = "add-ins too early"
	LateAddIns  Cause = "add-ins too late"
	WetAddIns   Cause = "wet add-ins"
	OpenedLid   Cause = "lid opened while it rose or baked"
	LidTouched  Cause = "lid or flap touched it"
	PowerOut    Cause = "power cut"
	PaddleLeft  Cause = "the paddle in the loaf"

	UnderBaked   Cause = "not baked through"
	OverBaked    Cause = "baked too long"
	WrongSize    Cause = "another size was set"
	ManyKnocks   Cause = "knocked back too often"
	LittleSugar  Cause = "too little sugar to brown"
	ManyAddIns   Cause = "too many add-ins"
	NoBinder     Cause = "nothing that binds it"
	OldPowder    Cause = "old or forgotten leavening"
	LittlePowder Cause = "too little leavening"
	MuchPowder   Cause = "too much leavening"
	SodaAlone    Cause = "soda with nothing sour"
	OldFlour     Cause = "flour or seeds gone stale"
	HiddenSalt   Cause = "salt hidden in other things"
	MuchFlour    Cause = "too much flour added while it kneaded"
	MuchLiquid   Cause = "too much liquid added while it kneaded"
	WetYeast     Cause = "the yeast got wet too soon"
	DoubleYeast  Cause = "the mix's own yeast, and more"
	WeakFerment  Cause = "a starter that was not ripe"
	PressedDown  Cause = "pressed down before it baked"
	StoppedCycle Cause = "the cycle was stopped or begun again"
	PulledOut    Cause = "pulled or twisted out of the pan"
	TurnedOut    Cause = "turned out while it was fragile"
	CooledShut   Cause = "cooled under cover"
	KeptDamp     Cause = "kept closed or damp"
	OverMixed    Cause = "mixed too long"
	SpiltOver    Cause = "something burnt beside the pan"
	Spoilt       Cause = "milk, egg or meat that stood too long"
	TooRich      Cause = "richer than its cycle bears"
	MuchFruit    Cause = "too much fruit at once"
	LittleSet    Cause = "too little sugar, acid or pectin to set"
	NotYetSet    Cause = "judged before it had cooled"
	BoiledLong   Cause = "boiled too long"
	DeadCulture  Cause = "a culture that was dead or scalded"
	ShortHeld    Cause = "not kept warm for long enough"
	MeatUnder    Cause = "meat not hot enough in the middle"
	FillingWet   Cause = "a wet filling"
	SeamOpen     Cause = "a seam that opened"
	Unrested     Cause = "a dough that was not rested"
	UnderProved  Cause = "not risen for long enough after shaping"
	OverProved   Cause = "risen for too long after shaping"
	OvenWrong    Cause = "an oven that was too hot, too cool or not heated"
	Forgotten    Cause = "something forgotten"
)

// Causes lists them.
var Causes = []Cause{TooWet, TooDry, PackedCup, MuchYeast, FastYeast, LittleYeast, DeadYeast, NoYeast, NoSalt,
	MuchSalt, HotLiquid, WarmPlace, ColdPlace, LongRise, WrongCycle,
	WeakFlour, TooBig, MuchSugar, NoPaddle, NotScraped, CutHot, LeftInPan, CrustSet, EarlyAddIns, LateAddIns,
	WetAddIns, OpenedLid, LidTouched, PowerOut, PaddleLeft, UnderBaked, OverBaked, WrongSize, ManyKnocks, LittleSugar,
	ManyAddIns, NoBinder, OldPowder, LittlePowder, MuchPowder, SodaAlone, OldFlour, HiddenSalt, MuchFlour, MuchLiquid,
	WetYeast, DoubleYeast, WeakFerment, PressedDown, StoppedCycle, PulledOut, TurnedOut, CooledShut, KeptDamp, OverMixed,
	SpiltOver, Spoilt, TooRich, MuchFruit, LittleSet, NotYetSet, BoiledLong, DeadCulture, ShortHeld, MeatUnder, FillingWet,
	SeamOpen, Unrested, UnderProved, OverProved, OvenWrong, Forgotten}

func (c Cause) Words() []string                  { return vocab.List(Causes) }
func (c *Cause) UnmarshalText(text []byte) error { return vocab.Read(c, text, "cause", Causes) }

// row is what is known of a cause: how common it is, how likely each sign is under it, how much more likely each
// fact is under it than without it, and what to do about it.
type row struct {
	prior   float64
	signs   map[bake.Sign]float64
	facts   map[Fact]float64 // 1 where it is as likely as ever
	wants   Fact             // that goes with it, and that the program knows by itself; empty: none
	orWants Fact             // or this one
	change  string           // the one change for next time
	tell    string           // what would tell it from its like
}

// leak is how likely any sign is of a loaf for a reason that is not named; rare is the least of what is not said.
const leak = 0.03

// causes: priors are the order of the booklets' tables of troubles, turned into shares (the first cause of a common
// sign is the most common); likelihoods are a home baker's judgement, one figure in one place, to be corrected here.
var causes = map[Cause]row{
	TooWet: {0.12, signs{bake.Collapsed: .55, bake.Coarse: .45, bake.Gummy: .35, bake.Sunken: .15,
		bake.Sticks: .8, bake.DrawnIn: .3, bake.Spread: .3},
		facts{ToldLiquid: .4, GummyDone: 4, MaybeWet: 3, WellBefore: .45, WaterUsual: .3, MuchAdded: .6,
			WetFormula: 4, BallWet: 6, BallGood: .25,
			BallDry: .1, FlourGiven: 1.6, DryFormula: .2, UnsureCup: 1.3},
		"", "", "Use 1 tbsp less water, and change nothing else.",
		"Look at the dough ball: does it smear the floor of the pan?"},
	TooDry: {0.06, signs{bake.Dense: .6, bake.Lumpy: .5, bake.Corners: .2, bake.Lopsided: .2,
		bake.Crumbles: .8},
		facts{WellBefore: .45, WaterUsual: .3, ToldFlour: .5, DryFormula: 4, BallDry: 6, BallGood: .25, BallWet: .1,
			LiquidGiven: 1.6, WetFormula: .2,
			WeighedFlour: 1.2, HeavyLoaf: .3, WeightAsMeant: 1.2}, "", "", "Use 1 tbsp more water, and change nothing else.",
		"Check the dough ball: is it tearing, does it bang about?"},
	PackedCup: {0.05, signs{bake.Dense: .6, bake.Lumpy: .55, bake.Corners: .15},
		facts{ScoopedCup: 8, BallDry: 4, UnsureCup: 1.7, HeavyLoaf: 9, WeightAsMeant: .2, WeighedFlour: .03, DryFormula: .6,
			LiquidGiven: 2, BallWet: .15, BallGood: .4}, "", "",
		"Fill the cup lightly and level it, or weigh a cup of your flour.", "Weigh a cup of your flour."},
	MuchYeast: {0.09, signs{bake.Collapsed: .6, bake.Overflowed: .5, bake.Coarse: .5, bake.Torn: .1,
		bake.HoleOnTop: .3},
		facts{WellBefore: .15, YeastUsual: .25, YeastHigh: 7, RoseHigh: 4, YeastLow: .1, RoseLow: .1, BallWet: .6,
			SlipTold: 4, BallGood: 1.3}, "", "",
		"Use ¼ tsp less yeast, and change nothing else.", "Note how high it stands as the last rise begins."},
	FastYeast: {0.03, signs{bake.Overflowed: .55, bake.Collapsed: .5, bake.Coarse: .4},
		facts{FastOnLong: 12, RoseHigh: 4, YeastHigh: 1.5}, FastOnLong, "",
		"Of instant yeast take a fifth less than of active dry.", "Read the jar: instant, or active dry?"},
	LittleYeast: {0.05, signs{bake.Dense: .65, bake.NotRisen: .08, bake.TooSmall: .25},
		facts{WellBefore: .15, YeastUsual: .25, YeastLow: 7, RoseLow: 4, YeastHigh: .1, FreshYeast: 1.4, OldYeast: .4,
			RoseHigh: .1, BallGood: 1.2}, "",
		"", "Use ¼ tsp more yeast, and change nothing else.", "Test the yeast in warm water."},
	DeadYeast: {0.06, signs{bake.NotRisen: .5, bake.Dense: .6},
		facts{OldYeast: 9, RoseLow: 4, FreshYeast: .15, RoseHigh: .05, BallGood: 1.2}, "", "",
		"Open a new packet of yeast.", "Test the yeast: it should froth within ten minutes."},
	NoYeast: {0.03, signs{bake.NotRisen: .9, bake.Dense: .15},
		facts{NotTicked: 9, RoseLow: 4, OldYeast: .6, FreshYeast: 1.3, RoseHigh: .03}, NotTicked, "",
		"Tick each thing off at the bench as it goes in.", "Is the yeast still where you set it out?"},
	NoSalt: {0.05, signs{bake.Collapsed: .55, bake.Coarse: .5, bake.Bland: .75, bake.Overflowed: .35},
		facts{WellBefore: .15, SaltUsual: .25, SaltLow: 7, RoseHigh: 3, SaltHigh: .1, NotTicked: 3, RoseLow: .15}, "", "",
		"Put the salt back to 1½ tsp for 3 cups of flour.", "Taste it: is it bland?"},
	MuchSalt: {0.03, signs{bake.Dense: .55, bake.Salty: .85},
		facts{WellBefore: .15, SaltUsual: .3, SaltHigh: 8, RoseLow: 3, SaltLow: .1, SlipTold: 2, RoseHigh: .1}, "", "",
		"Take a quarter teaspoon less salt.", "Level the spoon of salt, and look which spoon it is."},
	HotLiquid: {0.03, signs{bake.Dense: .55, bake.NotRisen: .5},
		facts{LiquidMild: .05, VeryHotLiquid: 25, RoseLow: 4, FreshYeast: 1.3, OldYeast: .5, RoseHigh: .1}, "", "",
		"Let the liquid cool to hand warmth: at most 43 °C.", "Measure how warm the liquid is."},
	WarmPlace: {0.05, signs{bake.Collapsed: .5, bake.Overflowed: .35, bake.Coarse: .3},
		facts{RoomMild: .15, HotKitchen: 12, DampDay: 4, RoseHigh: 3, ColdKitchen: .05, RoseLow: .1}, "", "",
		"On a warm day take the liquid cold from the tap, and a little less yeast.", "Note how warm the kitchen is."},
	ColdPlace: {0.04, signs{bake.Dense: .6, bake.TooSmall: .15},
		facts{RoomMild: .15, LiquidMild: .12, ColdKitchen: 14, RoseLow: 4, HotKitchen: .05, FreshYeast: 1.2,
			RoseHigh: .1}, "", "",
		"In a cold kitchen take the liquid at 30 °C.", "Note how warm the kitchen is."},
	LongRise: {0.03, signs{bake.Collapsed: .6, bake.Coarse: .3, bake.HoleOnTop: .3, bake.Sour: .2},
		facts{WellBefore: .15, YeastUsual: 1.2, LongCycle: 12, RoseHigh: 2.2, OtherCycle: 1.5, RoseLow: .15}, LongCycle, "",
		"Take a shorter cycle, or half the yeast.", "Note how high it stands when the baking begins."},
	WrongCycle: {0.03, signs{bake.Dense: .5, bake.Gummy: .35, bake.Collapsed: .25, bake.Pale: .2},
		facts{WellBefore: .15, RapidShort: 14, YeastUsual: 1.1, OtherCycle: 14, SlowOnRapid: 12, LongCycle: .6},
		OtherCycle, SlowOnRapid,
		"Use the cycle that the plan suggests.", "Compare the cycles side by side."},
	WeakFlour: {0.04, signs{bake.Dense: .45, bake.Collapsed: .45, bake.Coarse: .2},
		facts{WeakUsed: 16, BallWet: 1.8}, WeakUsed, "", "Use bread flour.",
		"Read the bag: bread flour has 12 g of protein or more in 100."},
	TooBig: {0.03, signs{bake.Overflowed: .8, bake.Torn: .35, bake.Gummy: .25},
		facts{WellBefore: .15, FullPan: 20, ToldSize: 10, RoseHigh: 2, RoseLow: .1}, FullPan, ToldSize, "Bake the next smaller size.",
		"See what the plan says of how full the pan gets."},
	MuchSugar: {0.04, signs{bake.Burnt: .8, bake.Gummy: .15, bake.Collapsed: .1},
		facts{WellBefore: .15, LightAlready: 9, SugarUsual: .5, SugarHigh: 7, CrustDarker: .6}, SugarHigh, "",
		"Set the crust one lighter.", ""},
	NoPaddle: {0.02, signs{bake.Unmixed: .9, bake.NotRisen: .3, bake.Lopsided: .4, bake.Corners: .3},
		facts{ToldPaddle: 40, NotTicked: 3, BallDry: 1.5}, "", "", "Paddle on its shaft first, right down.",
		"Look for the paddle before the pan goes in."},
	NotScraped: {0.03, signs{bake.Corners: .85, bake.Lumpy: .15},
		facts{BallGood: 1.4}, "", "", "Scrape the corners with plastic some minutes into kneading.", ""},
	CutHot: {0.05, signs{bake.Gummy: .75},
		facts{CoreDone: 1.6, CoreLow: .2, CutEarly: 12, CutCold: .05}, "", "", "Let it cool for an hour before it is cut.",
		"Cut the next one cold."},
	LeftInPan: {0.04, signs{bake.Soggy: .9},
		facts{ToldShut: .3, StoodInPan: 14, TakenAtOnce: .05}, "", "", "Take it out within minutes of the end.",
		"Measure its middle as it ends."},
	CrustSet: {0.04, signs{bake.Pale: .6, bake.Burnt: .5, bake.ThickCrust: .3},
		facts{CrustRoom: 3, DarkAlready: .1, LightAlready: .1, CrustOther: .1, CrustDarker: 4, CrustLighter: 4},
		CrustRoom, "", "Set the crust one step the other way.", ""},
	EarlyAddIns: {0.02, signs{bake.Mashed: .85},
		facts{AddInsAtBeep: .1, AddInsFirst: 12, AddInsLate: .05}, AddInsFirst, "", "Put them in at the beep.", ""},
	LateAddIns: {0.02, signs{bake.Outside: .8, bake.Sunken: .6, bake.Lopsided: .15},
		facts{AddInsLate: 12, AddInsFirst: .2}, "", "", "Put them in at the beep, a handful at a time.", ""},
	WetAddIns: {0.02, signs{bake.Gummy: .45, bake.Collapsed: .35, bake.Sunken: .45, bake.Coarse: .2},
		facts{GummyDone: 1.5, MoistAddIns: 14, BallGood: 1.3}, MoistAddIns, "", "Drain the add-ins and pat them dry.", ""},
	OpenedLid: {0.015, signs{bake.Gummy: .3, bake.Collapsed: .6, bake.Dense: .25},
		facts{LidWasOpen: 20, BallGood: 1.2}, "", "", "Leave the lid shut from the last rise on.", ""},
	LidTouched: {0.02, signs{bake.Torn: .85, bake.Overflowed: .4},
		facts{ToldTouched: 30, FullPan: 3, RoseHigh: 3}, "", "", "Bake a smaller size, or shut the dispenser's flap.", ""},
	PowerOut: {0.01, signs{bake.Coarse: .3, bake.Gummy: .4, bake.Collapsed: .4, bake.Dense: .35, bake.Pale: .35},
		facts{PowerWent: 40}, "", "", "Report a power cut straight away to see what can be saved.", ""},
	PaddleLeft: {0.03, signs{bake.Hole: .9},
		facts{ToldPulled: .3}, "", "", "Take the paddle out before the last rise.", ""},

	UnderBaked: {0.04, signs{bake.Gummy: .8, bake.Raw: .8, bake.Pale: .3, bake.Collapsed: .2, bake.DrawnIn: .4},
		facts{CoreHigh: .05, CoreLow: 30, CoreDone: .02, CutEarly: .7, CrustLighter: 1.5}, "", "",
		"Give it some minutes more at its end.", "Measure its middle as it ends."},
	OverBaked: {0.02, signs{bake.DryMeat: .8, bake.Burnt: .5, bake.ThickCrust: .6, bake.DryCrumb: .85},
		facts{CoreHigh: 8, CoreLow: .05, CrustDarker: 2, StoodInPan: 2}, "", "", "Take it out some minutes before its end.",
		"Measure its middle some minutes before its end."},
	WrongSize: {0.01, signs{bake.Gummy: .5, bake.Raw: .4, bake.Pale: .4, bake.Burnt: .4, bake.ThickCrust: .4,
		bake.Dense: .2},
		facts{ToldSize: 40, CoreLow: 4}, ToldSize, "", "Check the size on the display before Start.",
		"Look at the size on the display."},
	ManyKnocks: {0.02, signs{bake.Dense: .75, bake.Collapsed: .2},
		facts{WellBefore: .15, KnockedMuch: 14, RoseLow: 2, YeastUsual: 1.3, WaterUsual: 1.2}, KnockedMuch, "",
		"Take a cycle with a single rise, or one of your own.", ""},
	LittleSugar: {0.02, signs{bake.Pale: .75},
		facts{SugarUsual: .5, DarkAlready: 9, WellBefore: .15, SugarLow: 12, CrustLighter: .5, CrustDarker: 1.6},
		SugarLow, "",
		"A spoonful of sugar, honey or dry milk browns it.", ""},
	ManyAddIns: {0.02, signs{bake.Dense: .6, bake.Clumped: .6, bake.Sunken: .3, bake.Torn: .2},
		facts{WellBefore: .15, MuchAdded: 14, YeastUsual: 1.2}, MuchAdded, "",
		"Take fewer add-ins: a third of the flour at most.", ""},
	NoBinder: {0.02, signs{bake.Crumbly: .85, bake.Collapsed: .3, bake.DryCrumb: .4, bake.Dense: .3},
		facts{WellBefore: .15, Unbound: 20}, Unbound, "", "Add what binds it: xanthan gum, psyllium or gluten.",
		"Weigh a cup of your flour, filled as you fill it."},
	OldPowder: {0.03, signs{bake.Dense: .6, bake.NotRisen: .6, bake.Raw: .1},
		facts{NoPowder: 60, OldLeaven: 12, PowderUsual: 1.3, NotTicked: 4, PowderLow: .4}, "", "",
		"Use fresh baking powder or soda, and tick it off as it goes in.",
		"Put a little of the powder in hot water: it should froth."},
	LittlePowder: {0.02, signs{bake.Dense: .7, bake.NotRisen: .2},
		facts{NoPowder: .1, WellBefore: .15, PowderLow: 12, PowderUsual: .2, PowderHigh: .05}, PowderLow, "",
		"Take half a teaspoon more leavening.", ""},
	MuchPowder: {0.02, signs{bake.Collapsed: .6, bake.Overflowed: .5, bake.Soapy: .6, bake.Coarse: .5},
		facts{WellBefore: .15, PowderHigh: 14, PowderUsual: .2, PowderLow: .05}, PowderHigh, "",
		"Take half a teaspoon less leavening.", ""},
	SodaAlone: {0.02, signs{bake.Soapy: .85, bake.Dense: .5, bake.Burnt: .3},
		facts{WellBefore: .15, NothingSour: 16, PowderHigh: .6}, NothingSour, "",
		"Take buttermilk, or baking powder in the soda's place.", ""},
	OldFlour: {0.02, signs{bake.Rancid: .9, bake.Dense: .3},
		facts{StaleFlour: 14}, "", "", "Open a fresh bag of wholemeal or seeds, and keep it cold.",
		"Smell the flour: stale wholemeal smells of paint."},
	HiddenSalt: {0.015, signs{bake.Salty: .8, bake.Dense: .3},
		facts{WellBefore: .15, SaltAddIns: 12, SaltHigh: 2, SaltLow: .2}, SaltAddIns, "",
		"Take half the salt: cheese, olives and the like bring their own.",
		""},
	MuchFlour: {0.01, signs{bake.Dense: .7, bake.Lumpy: .5, bake.Crumbly: .3, bake.DryCrumb: .2},
		facts{ToldFlour: 25, BallDry: 5, BallWet: .3}, ToldFlour, "",
		"Add flour by the teaspoon, and look again after a minute.", ""},
	MuchLiquid: {0.01, signs{bake.Collapsed: .6, bake.Coarse: .5, bake.Gummy: .4},
		facts{ToldLiquid: 25, BallWet: 5, BallDry: .3}, ToldLiquid, "",
		"Add liquid by the teaspoon, and look again after a minute.", ""},
	WetYeast: {0.01, signs{bake.NotRisen: .5, bake.Dense: .7},
		facts{ToldWet: 40, RoseLow: 2}, ToldWet, "", "Keep the yeast dry, on top of the flour, until the kneading.", ""},
	DoubleYeast: {0.01, signs{bake.Overflowed: .6, bake.Collapsed: .7, bake.Coarse: .6},
		facts{ToldTwo: 40, RoseHigh: 2}, ToldTwo, "", "Use the mix's own yeast alone.", ""},
	WeakFerment: {0.02, signs{bake.Dense: .8, bake.NotRisen: .3, bake.Gummy: .3, bake.Sour: .2},
		facts{ToldStarter: 30, RoseLow: 2}, ToldStarter, "", "Feed the starter and use it at its peak.",
		"Watch whether the starter doubles before you use it."},
	PressedDown: {0.01, signs{bake.Collapsed: .7, bake.Torn: .5, bake.Dense: .4},
		facts{ToldPressed: 40}, ToldPressed, "", "Leave the dough alone once it rises.", ""},
	StoppedCycle: {0.01, signs{bake.Collapsed: .5, bake.Gummy: .4, bake.Pale: .6, bake.Coarse: .4, bake.Dense: .3,
		bake.Sour: .2, bake.Raw: .3}, facts{ToldStopped: 40, CoreLow: 8}, ToldStopped, "",
		"Lock the buttons once it runs.", ""},
	PulledOut: {0.01, signs{bake.Hole: .8},
		facts{ToldPulled: 40}, ToldPulled, "", "Wait some minutes, then shake it out: no pulling, no turning.", ""},
	TurnedOut: {0.01, signs{bake.Broke: .9},
		facts{ToldEarly: 10, TakenAtOnce: 1.2}, "", "", "Let it stand in the pan for ten minutes, then turn it out.", ""},
	CooledShut: {0.01, signs{bake.SoftCrust: .8, bake.Soggy: .6, bake.Mouldy: .2},
		facts{ToldShut: 40}, ToldShut, "", "Let it cool on a rack, uncovered.", ""},
	KeptDamp: {0.01, signs{bake.Mouldy: .9},
		facts{ToldDamp: 20}, "", "", "Let it cool fully, keep it dry, and freeze what you will not eat in two days.", ""},
	Unrested: {0.03, signs{bake.SpringsUp: .9, bake.Dense: .2},
		facts{BallGood: 1.3}, "", "", "Let the dough rest, covered, for 15 minutes before it is rolled.", ""},
	UnderProved: {0.04, signs{bake.Dense: .7, bake.Torn: .5, bake.TooSmall: .4, bake.RollGaps: .3, bake.Lumpy: .1},
		facts{ToldShort: 25, ToldLong: .1, ColdKitchen: 3, HotKitchen: .3, RoseLow: 2}, "", "",
		"Let it rise until it has nearly doubled: a finger's dent fills slowly.",
		"Press it with a finger before it bakes: does the dent stay?"},
	OverProved: {0.03, signs{bake.Spread: .8, bake.Collapsed: .6, bake.Coarse: .5, bake.Pale: .2, bake.RollGaps: .4},
		facts{ToldLong: 25, ToldShort: .1, HotKitchen: 3, ColdKitchen: .3, RoseHigh: 3}, "", "",
		"Bake it while a finger's dent still fills slowly.",
		"Press it with a finger before it bakes: does the dent stay?"},
	OvenWrong: {0.03, signs{bake.Pale: .5, bake.Burnt: .5, bake.ThickCrust: .4, bake.Gummy: .3, bake.DryCrumb: .5},
		facts{ToldOven: 30, CoreLow: 2}, "", "", "Heat the oven first, and hold a thermometer in it.",
		"Hold a thermometer in the oven."},
	Forgotten: {0.02, signs{bake.Dense: .45, bake.DryCrumb: .35, bake.Lumpy: .3, bake.Coarse: .15, bake.Crumbly: .2,
		bake.Pale: .15, bake.Bland: .15, bake.Gummy: .1, bake.Collapsed: .1},
		facts{NotTicked: 45, BallDry: 1.6, BallWet: 1.3}, NotTicked, "",
		"Measure everything out before the first of it goes in, and tick it off.",
		"Is anything still where you set it out?"},
	OverMixed: {0.01, signs{bake.Tunnels: .8, bake.Dense: .4, bake.Torn: .2},
		facts{ToldMixed: 30}, "", "", "Stop as soon as no dry flour is left.", ""},
	SpiltOver: {0.01, signs{bake.BurntSmell: .85},
		facts{ToldSpilt: 20}, "", "", "Unplug the machine, let it cool, and wipe the heater clean.", ""},
	TooRich: {0.02, signs{bake.Dense: .6, bake.Gummy: .5, bake.NotRisen: .2, bake.Raw: .3},
		facts{FatHigh: 16, SugarHigh: 3, CoreLow: 2.5}, FatHigh, "", "Take a third less butter or oil.", ""},
	Spoilt: {0.01, signs{bake.OffSmell: .9, bake.Sour: .5, bake.Dense: .2},
		facts{ToldWarm: 60}, "", "", "Throw it out. In a delay take water and dry milk, and no egg.", ""},
	MuchFruit: {0.05, signs{bake.BoiledOver: .9, bake.Runny: .2}, facts{MuchCrushed: 40, ToldJudged: .3}, MuchCrushed, "",
		"Boil it in two smaller batches.", "Weigh the crushed fruit."},
	LittleSet: {0.06, signs{bake.Runny: .8}, facts{SetsPoorly: 12, ToldJudged: .2, WellBefore: .15}, SetsPoorly, "",
		"Take half the fruit's weight of sugar at the least, with lemon juice or pectin.", "Weigh the crushed fruit."},
	NotYetSet: {0.04, signs{bake.Runny: .8}, facts{ToldJudged: 40, SetsPoorly: .5}, ToldJudged, "",
		"Let it chill overnight before you judge it.", "Look at it again when it is cold."},
	BoiledLong: {0.03, signs{bake.StiffSet: .9, bake.Rancid: .4, bake.Burnt: .3}, facts{ToldBoiled: 25}, "", "",
		"Boil it for some minutes less.", ""},
	DeadCulture: {0.05, signs{bake.Runny: .8, bake.Whey: .2}, facts{ToldCulture: 25, ToldScalded: 30}, "", "",
		"Take fresh live yoghurt, into milk of 40 to 43 °C.", "Measure the milk before the culture goes in."},
	ShortHeld: {0.03, signs{bake.Runny: .8, bake.Whey: .2}, facts{ToldStopped: 30, ColdKitchen: 1.5}, ToldStopped, "",
		"Keep it warm for 6 to 10 hours.", "Note how long it is kept warm."},
	MeatUnder: {0.05, signs{bake.PinkMeat: .9, bake.Raw: .6}, facts{CoreLow: 25, CoreDone: .02, CoreHigh: .01}, CoreLow,
		"", "Bake it until its middle is at 71 °C, poultry at 74 °C.", "Measure its middle as it ends."},
	FillingWet: {0.03, signs{bake.FillingRan: .8, bake.RollGaps: .6, bake.Gummy: .5}, facts{ToldFilling: 30}, "", "",
		"Drain the filling, or thicken it with a spoonful of starch or crumbs.",
		"Look at the cut roll: is the filling runny, or is there a gap above it?"},
	SeamOpen: {0.03, signs{bake.FillingRan: .7, bake.RollGaps: .7}, facts{ToldSeam: 25}, "", "",
		"Roll it tightly, pinch the seam and lay it seam down.",
		"Look at the cut roll: is the filling runny, or is there a gap above it?"},
}

type signs = map[bake.Sign]float64
type facts = map[Fact]float64
