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
)

// Causes lists them.
var Causes = []Cause{TooWet, TooDry, PackedCup, MuchYeast, FastYeast, LittleYeast, DeadYeast, NoYeast, NoSalt,
	MuchSalt, HotLiquid, WarmPlace, ColdPlace, LongRise, WrongCycle,
	WeakFlour, TooBig, MuchSugar, NoPaddle, NotScraped, CutHot, LeftInPan, CrustSet, EarlyAddIns, LateAddIns,
	WetAddIns, OpenedLid, LidTouched, PowerOut, PaddleLeft}

func (c Cause) Words() []string                  { return vocab.List(Causes) }
func (c *Cause) UnmarshalText(text []byte) error { return vocab.Read(c, text, "cause", Causes) }

// Fact is something that is known of a bake, beside how its loaf looks.
type Fact string

const (
	WetFormula    Fact = "its water is above the usual"
	DryFormula    Fact = "its water is below the usual"
	YeastHigh     Fact = "its yeast is above the usual"
	YeastLow      Fact = "its yeast is below the usual"
	SaltHigh      Fact = "its salt is above the usual"
	SaltLow       Fact = "its salt is below the usual"
	SugarHigh     Fact = "its sugar is above the usual"
	OldYeast      Fact = "the yeast is past its date, or long opened"
	FreshYeast    Fact = "the yeast is fresh"
	BallWet       Fact = "its ball was slack at the last look"
	BallDry       Fact = "its ball was torn or hard at the last look"
	BallGood      Fact = "its ball was smooth at the last look"
	FlourGiven    Fact = "flour was given to the ball"
	LiquidGiven   Fact = "liquid was given to the ball"
	RoseHigh      Fact = "it stood high early"
	RoseLow       Fact = "it stood low before its baking"
	HotKitchen    Fact = "the kitchen is warm"
	ColdKitchen   Fact = "the kitchen is cold"
	VeryHotLiquid Fact = "its liquid was hotter than its yeast bears"
	WeakUsed      Fact = "its flour is plain or soft"
	UnsureCup     Fact = "its flour was measured by a cup that was never weighed"
	WeighedFlour  Fact = "its flour was weighed"
	OtherCycle    Fact = "its cycle is not the one that suits it"
	SlowOnRapid   Fact = "a slow yeast on a rapid cycle"
	FastOnLong    Fact = "a fast yeast in the weight of a slow one"
	LongCycle     Fact = "its cycle rises longer than its dough needs"
	FullPan       Fact = "it was likely to fill more than the pan"
	StoodInPan    Fact = "it stood in the pan after its end"
	TakenAtOnce   Fact = "it was out within minutes"
	CutEarly      Fact = "it was cut within half an hour"
	CutCold       Fact = "it was cut cold"
	CrustDarker   Fact = "the crust was set darker than suggested"
	CrustLighter  Fact = "the crust was set lighter than suggested"
	AddInsFirst   Fact = "its add-ins went in at the start"
	AddInsLate    Fact = "its add-ins went in after the kneading"
	MoistAddIns   Fact = "its add-ins are moist"
	LidWasOpen    Fact = "the lid was opened while it rose or baked"
	PowerWent     Fact = "the power went"
	NotTicked     Fact = "something was left out, or a step of the bench not done"
	HeavyLoaf     Fact = "the loaf weighs more than planned"
	WeightAsMeant Fact = "the loaf weighs as planned"
	SlipTold      Fact = "more than planned of something went in"
	DampDay       Fact = "the day was damp"
	TriedInVain   Fact = "what was changed for it before this loaf did not help"
	TriedInPart   Fact = "what was changed for it before this loaf helped, in part"
)

// Facts lists them.
var Facts = []Fact{WetFormula, DryFormula, YeastHigh, YeastLow, SaltHigh, SaltLow, SugarHigh, OldYeast, FreshYeast,
	BallWet, BallDry, BallGood, FlourGiven, LiquidGiven, RoseHigh, RoseLow,
	HotKitchen, ColdKitchen, VeryHotLiquid, WeakUsed, UnsureCup, WeighedFlour, OtherCycle, SlowOnRapid, FastOnLong,
	LongCycle, FullPan, StoodInPan, TakenAtOnce, CutEarly, CutCold,
	CrustDarker, CrustLighter, AddInsFirst, AddInsLate, MoistAddIns, LidWasOpen, PowerWent, NotTicked, HeavyLoaf,
	WeightAsMeant, SlipTold, DampDay, TriedInVain, TriedInPart}

func (f Fact) Words() []string                  { return vocab.List(Facts) }
func (f *Fact) UnmarshalText(text []byte) error { return vocab.Read(f, text, "fact", Facts) }

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
	TooWet: {0.12, signs{bake.Collapsed: .55, bake.Coarse: .45, bake.Gummy: .35, bake.Sunken: .15},
		facts{WetFormula: 4, BallWet: 6, BallGood: .25, BallDry: .1, FlourGiven: 1.6, DryFormula: .2, UnsureCup: 1.3},
		"", "", "Take 1 tbsp less water, and nothing else.",
		"Look at the dough ball: does it smear the floor of the pan?"},
	TooDry: {0.06, signs{bake.Dense: .6, bake.Lumpy: .5, bake.Corners: .2, bake.Lopsided: .2},
		facts{DryFormula: 4, BallDry: 6, BallGood: .25, BallWet: .1, LiquidGiven: 1.6, WetFormula: .2,
			WeighedFlour: 1.2, HeavyLoaf: .3, WeightAsMeant: 1.2}, "", "", "Take 1 tbsp more water, and nothing else.",
		"Look at the dough ball: is it torn, does it knock?"},
	PackedCup: {0.05, signs{bake.Dense: .6, bake.Lumpy: .55, bake.Corners: .15},
		facts{BallDry: 4, UnsureCup: 1.7, HeavyLoaf: 9, WeightAsMeant: .2, WeighedFlour: .03, DryFormula: .6,
			LiquidGiven: 2, BallWet: .15, BallGood: .4}, "", "",
		"Fill the cup lightly and level it, or weigh a cup of your flour.", "Weigh a cup of your flour."},
	MuchYeast: {0.09, signs{bake.Collapsed: .6, bake.Overflowed: .5, bake.Coarse: .5, bake.Torn: .1},
		facts{YeastHigh: 7, RoseHigh: 4, YeastLow: .1, RoseLow: .1, BallWet: .6, SlipTold: 1.5, BallGood: 1.3}, "", "",
		"Take a quarter teaspoon less yeast, and nothing else.", "Note how high it stands as the last rise begins."},
	FastYeast: {0.03, signs{bake.Overflowed: .55, bake.Collapsed: .5, bake.Coarse: .4},
		facts{FastOnLong: 12, RoseHigh: 4, YeastHigh: 1.5}, FastOnLong, "",
		"Of instant yeast take a fifth less than of active dry.", "Read the jar: instant, or active dry?"},
	LittleYeast: {0.05, signs{bake.Dense: .65, bake.NotRisen: .08, bake.TooSmall: .25},
		facts{YeastLow: 7, RoseLow: 4, YeastHigh: .1, FreshYeast: 1.4, OldYeast: .4, RoseHigh: .1, BallGood: 1.2}, "",
		"", "Take a quarter teaspoon more yeast, and nothing else.", "Test the yeast in warm water."},
	DeadYeast: {0.06, signs{bake.NotRisen: .5, bake.Dense: .6},
		facts{OldYeast: 9, RoseLow: 4, FreshYeast: .15, RoseHigh: .05, BallGood: 1.2}, "", "",
		"Open a new packet of yeast.", "Test the yeast: it should froth within ten minutes."},
	NoYeast: {0.03, signs{bake.NotRisen: .9, bake.Dense: .15},
		facts{NotTicked: 9, RoseLow: 4, OldYeast: .6, FreshYeast: 1.3, RoseHigh: .03}, NotTicked, "",
		"Tick each thing off at the bench as it goes in.", "Is the yeast still where you set it out?"},
	NoSalt: {0.05, signs{bake.Collapsed: .55, bake.Coarse: .5, bake.Bland: .75, bake.Overflowed: .35},
		facts{SaltLow: 7, RoseHigh: 3, SaltHigh: .1, NotTicked: 3, RoseLow: .15}, "", "",
		"Put the salt back to 1½ tsp for 3 cups of flour.", "Taste it: is it bland?"},
	MuchSalt: {0.03, signs{bake.Dense: .55, bake.Salty: .85},
		facts{SaltHigh: 8, RoseLow: 3, SaltLow: .1, SlipTold: 2, RoseHigh: .1}, "", "",
		"Take a quarter teaspoon less salt.", "Taste it: is it salty?"},
	HotLiquid: {0.03, signs{bake.Dense: .55, bake.NotRisen: .5},
		facts{VeryHotLiquid: 25, RoseLow: 4, FreshYeast: 1.3, OldYeast: .5, RoseHigh: .1}, "", "",
		"Let the liquid cool to hand warmth: at most 43 °C.", "Measure how warm the liquid is."},
	WarmPlace: {0.05, signs{bake.Collapsed: .5, bake.Overflowed: .35, bake.Coarse: .3},
		facts{HotKitchen: 12, DampDay: 4, RoseHigh: 3, ColdKitchen: .05, RoseLow: .1}, "", "",
		"On a warm day take the liquid cold from the tap, and a little less yeast.", "Note how warm the kitchen is."},
	ColdPlace: {0.04, signs{bake.Dense: .6, bake.TooSmall: .15},
		facts{ColdKitchen: 14, RoseLow: 4, HotKitchen: .05, FreshYeast: 1.2, RoseHigh: .1}, "", "",
		"In a cold kitchen take the liquid at 30 °C.", "Note how warm the kitchen is."},
	LongRise: {0.03, signs{bake.Collapsed: .6, bake.Coarse: .3},
		facts{LongCycle: 12, RoseHigh: 3, OtherCycle: 1.5, RoseLow: .15}, LongCycle, "",
		"Take a shorter cycle, or half the yeast.", "Note how high it stands when the baking begins."},
	WrongCycle: {0.03, signs{bake.Dense: .5, bake.Gummy: .35, bake.Collapsed: .25, bake.Pale: .2},
		facts{OtherCycle: 14, SlowOnRapid: 12, LongCycle: .6}, OtherCycle, SlowOnRapid,
		"Use the cycle that the plan suggests.", "Compare the cycles side by side."},
	WeakFlour: {0.04, signs{bake.Dense: .45, bake.Collapsed: .45, bake.Coarse: .2},
		facts{WeakUsed: 16, BallWet: 1.8}, WeakUsed, "", "Use bread flour.",
		"Read the bag: bread flour has 12 g of protein or more in 100."},
	TooBig: {0.03, signs{bake.Overflowed: .8, bake.Torn: .35, bake.Gummy: .25},
		facts{FullPan: 20, RoseHigh: 2, RoseLow: .1}, FullPan, "", "Bake the next smaller size.",
		"See what the plan says of how full the pan gets."},
	MuchSugar: {0.04, signs{bake.Burnt: .8, bake.Gummy: .15, bake.Collapsed: .1},
		facts{SugarHigh: 7, CrustDarker: .6}, SugarHigh, "", "Set the crust one lighter.", ""},
	NoPaddle: {0.02, signs{bake.Unmixed: .9, bake.NotRisen: .3, bake.Lopsided: .4, bake.Corners: .3},
		facts{NotTicked: 3, BallDry: 1.5}, "", "", "Paddle on its shaft first, right down.",
		"Look for the paddle before the pan goes in."},
	NotScraped: {0.03, signs{bake.Corners: .85, bake.Lumpy: .15},
		facts{BallGood: 1.4}, "", "", "Scrape the corners with plastic some minutes into kneading.", ""},
	CutHot: {0.05, signs{bake.Gummy: .75},
		facts{CutEarly: 12, CutCold: .05}, "", "", "Let it cool for an hour before it is cut.",
		"Cut the next one cold."},
	LeftInPan: {0.04, signs{bake.Soggy: .9},
		facts{StoodInPan: 14, TakenAtOnce: .05}, "", "", "Take it out within minutes of the end.", ""},
	CrustSet: {0.04, signs{bake.Pale: .6, bake.Burnt: .5},
		facts{CrustDarker: 4, CrustLighter: 4}, CrustDarker, CrustLighter, "Set the crust one step the other way.", ""},
	EarlyAddIns: {0.02, signs{bake.Mashed: .85},
		facts{AddInsFirst: 12, AddInsLate: .05}, AddInsFirst, "", "Put them in at the beep.", ""},
	LateAddIns: {0.02, signs{bake.Sunken: .6, bake.Lopsided: .15},
		facts{AddInsLate: 12, AddInsFirst: .2}, "", "", "Put them in at the beep, a handful at a time.", ""},
	WetAddIns: {0.02, signs{bake.Gummy: .45, bake.Collapsed: .35, bake.Sunken: .45, bake.Coarse: .2},
		facts{MoistAddIns: 14, BallGood: 1.3}, MoistAddIns, "", "Drain the add-ins and pat them dry.", ""},
	OpenedLid: {0.015, signs{bake.Collapsed: .6, bake.Dense: .25},
		facts{LidWasOpen: 20, BallGood: 1.2}, "", "", "Leave the lid shut from the last rise on.", ""},
	LidTouched: {0.02, signs{bake.Torn: .85, bake.Overflowed: .4},
		facts{FullPan: 3, RoseHigh: 3}, "", "", "Bake a smaller size, or shut the dispenser's flap.", ""},
	PowerOut: {0.01, signs{bake.Gummy: .4, bake.Collapsed: .4, bake.Dense: .35, bake.Pale: .35},
		facts{PowerWent: 40}, "", "", "Tell the program of a cut at once: it says what can be saved.", ""},
	PaddleLeft: {0.03, signs{bake.Hole: .9},
		facts{}, "", "", "Take the paddle out before the last rise.", ""},
}

type signs = map[bake.Sign]float64
type facts = map[Fact]float64
