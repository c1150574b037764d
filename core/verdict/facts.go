package verdict

import (
	"risepan/core/bake"
	"risepan/core/vocab"
)

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
	CrustOther    Fact = "the crust was set the other way"
	ScoopedCup    Fact = "its flour was scooped into the cup"
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

	WaterUsual  Fact = "its water is as usual"
	YeastUsual  Fact = "its yeast is as usual"
	SaltUsual   Fact = "its salt is as usual"
	SugarUsual  Fact = "its sugar is as usual"
	SugarLow    Fact = "its sugar is below the usual"
	RoomMild    Fact = "the kitchen was neither warm nor cold"
	LiquidMild  Fact = "its liquid was as warm as it should be"
	CoreDone    Fact = "its middle was done, by the thermometer"
	CoreLow     Fact = "its middle was not done, by the thermometer"
	KnockedMuch Fact = "its cycle knocks it back more often than it bears"
	MuchAdded   Fact = "its add-ins are more than it can carry"
	Unbound     Fact = "nothing in it binds it"
	PowderHigh  Fact = "its leavening is above the usual"
	PowderLow   Fact = "its leavening is below the usual"
	PowderUsual Fact = "its leavening is as usual"
	OldLeaven   Fact = "its leavening is past its date, or long opened"
	NothingSour Fact = "its soda has nothing sour to work on"
	StaleFlour  Fact = "its flour or seeds are past their date, or long opened"
	SaltAddIns  Fact = "something salty is in it beside the salt"
	ToldPaddle       = Fact(bake.PaddleOff)
	ToldFlour        = Fact(bake.FlourAdded)
	ToldLiquid       = Fact(bake.LiquidAdded)
	ToldWet          = Fact(bake.YeastWetted)
	ToldTwo          = Fact(bake.TwoYeasts)
	ToldStarter      = Fact(bake.WeakStarter)
	ToldPressed      = Fact(bake.PressedDown)
	ToldTouched      = Fact(bake.LidTouched)
	ToldStopped      = Fact(bake.StopPressed)
	ToldSize         = Fact(bake.OtherSize)
	ToldPulled       = Fact(bake.PulledOut)
	ToldEarly        = Fact(bake.CameOutEarly)
	ToldShut         = Fact(bake.CooledShut)
	ToldDamp         = Fact(bake.KeptDamp)
	ToldMixed        = Fact(bake.MixedLonger)
	ToldSpilt        = Fact(bake.Spilt)
	ToldWarm         = Fact(bake.StoodWarm)
	ToldJudged       = Fact(bake.JudgedWarm)
	ToldBoiled       = Fact(bake.BoiledOn)
	ToldCulture      = Fact(bake.OldCulture)
	ToldScalded      = Fact(bake.HotForIt)
	ToldFilling      = Fact(bake.WetFilling)
	ToldSeam         = Fact(bake.LooseSeam)
	ToldShort        = Fact(bake.ShortProof)
	ToldLong         = Fact(bake.LongProof)
	ToldOven         = Fact(bake.OvenOff)

	CoreHigh     Fact = "its middle was hotter than done, by the thermometer"
	LightAlready Fact = "the crust was set to light already"
	DarkAlready  Fact = "the crust was set to dark already"
	CrustRoom    Fact = "the crust can be set another step"
	MaybeWet     Fact = "its water may be above the usual, by its cups"
	RapidShort   Fact = "a rapid cycle, and too little yeast for one"
	FatHigh      Fact = "its fat is above the usual"
	WellBefore   Fact = "the same recipe came out well before"
	AddInsAtBeep Fact = "its add-ins went in at the beep"
	MuchCrushed  Fact = "its fruit is more than boils in the pan"
	GummyDone    Fact = "it is gummy, though it was done and cut cold"
	NoPowder     Fact = "it has neither yeast nor leavening"
	SetsPoorly   Fact = "it has little sugar for its fruit, or neither acid nor pectin"
)

// Facts lists them.
var Facts = []Fact{WetFormula, DryFormula, YeastHigh, YeastLow, SaltHigh, SaltLow, SugarHigh, OldYeast, FreshYeast,
	BallWet, BallDry, BallGood, FlourGiven, LiquidGiven, RoseHigh, RoseLow,
	HotKitchen, ColdKitchen, VeryHotLiquid, WeakUsed, UnsureCup, WeighedFlour, OtherCycle, SlowOnRapid, FastOnLong,
	LongCycle, FullPan, StoodInPan, TakenAtOnce, CutEarly, CutCold,
	CrustDarker, CrustLighter, CrustOther, ScoopedCup, AddInsFirst, AddInsLate, MoistAddIns, LidWasOpen, PowerWent,
	NotTicked, HeavyLoaf,
	WeightAsMeant, SlipTold, DampDay, TriedInVain, TriedInPart, WaterUsual, YeastUsual, SaltUsual, SugarUsual, SugarLow,
	RoomMild, LiquidMild, CoreDone, CoreLow, KnockedMuch, MuchAdded, Unbound, PowderHigh, PowderLow, PowderUsual,
	OldLeaven,
	NothingSour, StaleFlour, SaltAddIns, ToldPaddle, ToldFlour, ToldLiquid, ToldWet, ToldTwo, ToldStarter, ToldPressed,
	ToldTouched, ToldStopped, ToldSize, ToldPulled, ToldEarly, ToldShut, ToldDamp, ToldMixed, ToldSpilt, ToldWarm,
	CoreHigh, LightAlready,
	DarkAlready, CrustRoom, MaybeWet, RapidShort, FatHigh, WellBefore, AddInsAtBeep, MuchCrushed, SetsPoorly,
	ToldJudged, ToldBoiled, ToldCulture, ToldScalded, ToldFilling, ToldSeam, ToldShort, ToldLong, ToldOven,
	NoPowder, GummyDone}

func (f Fact) Words() []string                  { return vocab.List(Facts) }
func (f *Fact) UnmarshalText(text []byte) error { return vocab.Read(f, text, "fact", Facts) }
