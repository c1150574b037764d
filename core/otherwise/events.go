package otherwise

import "risepan/core/vocab"

// Event is something that went otherwise, as a baker would say it.
type Event string

// Group is a sort of events, by what one remembers of them.
type Group string

const (
	Forgot  Group = "forgotten or too much"
	Pressed Group = "pressed or set"
	Saw     Group = "seen in the pan"
	Heard   Group = "heard or smelt"
	Fitted  Group = "pan, paddle or lid"
	Beeped  Group = "add-ins and shaping"
	Ended   Group = "at the end"
	Spoilt  Group = "spoilt or unsafe"
)

// Groups lists them, as a page offers them.
var Groups = []Group{Forgot, Pressed, Saw, Heard, Fitted, Beeped, Ended, Spoilt}

func (g Group) Words() []string                  { return vocab.List(Groups) }
func (g *Group) UnmarshalText(text []byte) error { return vocab.Read(g, text, "sort of event", Groups) }

const (
	NoYeast    Event = "yeast was left out"
	NoPowder   Event = "baking powder or soda was left out"
	NoSalt     Event = "salt was left out"
	NoSugar    Event = "sugar or honey was left out"
	NoFat      Event = "butter or oil was left out"
	NoEgg      Event = "egg was left out"
	NoDryMilk  Event = "milk powder was left out"
	NoGluten   Event = "gluten was left out"
	NoBinder   Event = "the gum or husk was left out"
	NoSpice    Event = "seeds or spices were left out"
	NoLemon    Event = "lemon juice was left out"
	NoFlour    Event = "some of the flour was left out"
	HeldFlour  Event = "flour that was to be held back is in"
	NoWater    Event = "some of the liquid was left out"
	TwoYeasts  Event = "yeast went in twice"
	ManyYeasts Event = "yeast went in three times or more"
	OwnYeast   Event = "a packet of yeast is left over, and the mix has its own"
	TwoSalts   Event = "salt went in twice"
	TwoSugars  Event = "sugar or butter went in twice"
	TwoEggs    Event = "an egg too many went in"
	TwoFlours  Event = "a cup of flour too many went in"
	TwoWaters  Event = "twice the liquid went in"

	WrongCycle  Event = "a cycle for another bread was chosen"
	RapidChosen Event = "the rapid cycle was chosen"
	DoughChosen Event = "the dough cycle was chosen"
	BakeChosen  Event = "bake only was chosen"
	BakeShort   Event = "bake only was set too short"
	SizeUp      Event = "too large a size was chosen"
	SizeDown    Event = "too small a size was chosen"
	TooDark     Event = "too dark a crust was chosen"
	TooLight    Event = "too light a crust was chosen"
	NoDelay     Event = "the delay was not set"
	DelayLong   Event = "the delay was set too long"
	DelaySpoils Event = "a delay is set, and something in the pan spoils"
	NoStart     Event = "Start was not pressed"
	Stopped     Event = "Stop was pressed, and the display is back at its start"
	Buttons     Event = "another button was pressed, and the display counts on"
	TooHot      Event = "it refuses to start: too hot"
	TooCold     Event = "it refuses to start: too cold"

	HighDough Event = "the dough is nearly at the lid"
	Touches   Event = "the dough touches the lid"
	OverRim   Event = "the dough hangs over the rim"
	RanOver   Event = "something ran over on to the heater"
	Sinks     Event = "it sinks in the middle"
	Wobbles   Event = "the top is brown and the middle wobbles"
	Pale      Event = "it is pale"
	DarkEarly Event = "it is dark, with minutes still to go"
	DoneEarly Event = "it is done, with minutes still to go"
	Foams     Event = "the jam foams to the rim"
	Thin      Event = "it is still thin"
	Fallen    Event = "the starter has risen and fallen, and smells sour"

	Clicks    Event = "it clicks or ticks softly"
	Screech   Event = "it screeches or grinds"
	Thumps    Event = "it thumps"
	Rattles   Event = "it rattles after the add-ins"
	Stalls    Event = "the motor slows and hums"
	Walks     Event = "the machine walks on the worktop"
	Edge      Event = "the machine hangs over the edge"
	ThinSmoke Event = "a little smoke, and it smells of toast or sugar"
	Smoke     Event = "thick smoke or a flame"
	Plastic   Event = "it smells of burnt plastic"
	NewSmell  Event = "a new machine smells of warm oil"
	Covered   Event = "a towel or the cord lies on it"
	Curtain   Event = "a curtain hangs over its vents"

	NoPaddle    Event = "the paddle is not in"
	OnePaddle   Event = "one of the two paddles is not in"
	SparePaddle Event = "a paddle lies in the drawer, and another is in the pan"
	PanLoose    Event = "the pan is not clicked in"
	PanAskew    Event = "the pan stands crooked"
	PaddleStill Event = "the motor runs and the paddle does not turn"
	PaddleOff   Event = "the paddle came off its shaft"
	PaddleFlat  Event = "the folding paddle lies flat"
	PaddlePlay  Event = "the paddle has a little play"
	PaddleIn    Event = "the paddle is still in"
	OpenLid     Event = "the lid stood open"
	OnHeater    Event = "flour or fruit fell beside the pan"
	WaterUnder  Event = "water runs out under the machine"
	NoPan       Event = "water was poured in without the pan"
	WetPan      Event = "the pan is wet outside"
	MetalSpoon  Event = "metal touched the pan or the paddle"

	NotIn       Event = "the add-ins are not in yet"
	ShutBox     Event = "the dispenser did not open"
	StickyBox   Event = "something sticky is in the dispenser"
	FlapIn      Event = "the flap or lid touches the dough"
	MoreReady   Event = "more add-ins are ready than planned"
	MoreFruit   Event = "more add-ins went in than planned"
	EarlyFruit  Event = "the add-ins went in at the start"
	WetFruit    Event = "the add-ins went in dripping wet"
	Large       Event = "a large soft piece went in whole"
	NotShaped   Event = "the pause for shaping was missed"
	GaveUp      Event = "the machine gave up waiting and is off"
	ColdFilling Event = "the filling is cold"
	Leaked      Event = "the filling leaks"
	NotGlazed   Event = "egg wash, glaze or seeds are still to go on top"
	NoTime      Event = "nobody can shape the dough in time"

	NotDone       Event = "it is not done inside"
	Stuck         Event = "it will not come out"
	PaddleInLoaf  Event = "the paddle is stuck in the loaf"
	PaddleOnShaft Event = "the paddle will not come off the shaft"
	FellIn        Event = "its sides fell in"
	Forgotten     Event = "it was forgotten in the pan"
	SliceNow      Event = "it is to be sliced at once"
	NextLoaf      Event = "the next loaf is to go in at once"

	Spoiling   Event = "something for it stood too long in the warm"
	FillingOld Event = "an add-in or filling stood too long in the warm"
	Sour       Event = "soaked or sprouted grain smells sour"
	Beetles    Event = "there are beetles in the flour"
	Eggshell   Event = "a piece of eggshell is in it"
	Stone      Event = "a stone, a nutshell or a bone went in"
	Chip       Event = "a chip of the pan's coating is in it"
	Plaster    Event = "a plaster or something unclean may be in it"
	RawEaten   Event = "somebody ate raw dough"
	HotMilk    Event = "the milk was too hot for its culture"
	Child      Event = "a child reaches for the hot pan"
)

// grouped are the events of each group, in the order in which a page offers them.
var grouped = map[Group][]Event{
	Forgot: {NoYeast, NoPowder, NoSalt, NoSugar, NoFat, NoEgg, NoDryMilk, NoGluten, NoBinder, NoSpice, NoLemon,
		NoFlour, HeldFlour, NoWater, TwoYeasts, ManyYeasts, OwnYeast, TwoSalts, TwoSugars, TwoEggs, TwoFlours, TwoWaters},
	Pressed: {WrongCycle, RapidChosen, DoughChosen, BakeChosen, BakeShort, SizeUp, SizeDown, TooDark, TooLight, NoDelay,
		DelayLong, DelaySpoils, NoStart, Stopped, Buttons, TooHot, TooCold},
	Saw:   {HighDough, Touches, OverRim, RanOver, Sinks, Wobbles, Pale, DarkEarly, DoneEarly, Foams, Thin, Fallen},
	Heard: {Clicks, Screech, Thumps, Rattles, Stalls, Walks, Edge, ThinSmoke, Smoke, Plastic, NewSmell, Covered, Curtain},
	Fitted: {NoPaddle, OnePaddle, SparePaddle, PanLoose, PanAskew, PaddleStill, PaddleOff, PaddleFlat, PaddlePlay,
		PaddleIn, OpenLid, OnHeater, WaterUnder, NoPan, WetPan, MetalSpoon},
	Beeped: {NotIn, ShutBox, StickyBox, FlapIn, MoreReady, MoreFruit, EarlyFruit, WetFruit, Large, NotShaped, GaveUp,
		ColdFilling, Leaked, NotGlazed, NoTime},
	Ended:  {NotDone, Stuck, PaddleInLoaf, PaddleOnShaft, FellIn, Forgotten, SliceNow, NextLoaf},
	Spoilt: {Spoiling, FillingOld, Sour, Beetles, Eggshell, Stone, Chip, Plaster, RawEaten, HotMilk, Child},
}

// Events lists all events, group by group.
var Events = func() (out []Event) {
	for _, g := range Groups {
		out = append(out, grouped[g]...)
	}
	return out
}()

// groupOf is the group of each event.
var groupOf = func() map[Event]Group {
	out := map[Event]Group{}
	for g, events := range grouped {
		for _, e := range events {
			out[e] = g
		}
	}
	return out
}()

// Group is the sort of an event.
func (e Event) Group() Group { return groupOf[e] }

func (e Event) Words() []string { return vocab.List(Events) }

// formerly are events by the words in which earlier bakes have them.
var formerly = map[string]Event{
	"yeast or leavening was left out":               NoYeast,
	"egg or milk powder was left out":               NoEgg,
	"something else went in twice":                  TwoSugars,
	"the wrong cycle was chosen":                    WrongCycle,
	"the wrong size was chosen":                     SizeUp,
	"the wrong crust was chosen":                    TooDark,
	"Stop was pressed":                              Stopped,
	"more went in at the beep than planned":         MoreFruit,
	"the pan is not seated, or the paddle came off": PanLoose,
	"it makes a loud noise":                         Screech,
	"something fell or ran beside the pan":          OnHeater,
	"it smokes, or smells burnt":                    Smoke,
	"it was forgotten for hours":                    Forgotten,
	"something in it stood too long in the warm":    Spoiling,
}

// UnmarshalText reads an event in its words of today or of an earlier bake.
func (e *Event) UnmarshalText(text []byte) error {
	if was, ok := formerly[string(text)]; ok {
		*e = was
		return nil
	}
	return vocab.Read(e, text, "event", Events)
}
