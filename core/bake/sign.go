package bake

import "risepan/core/vocab"

// Sign is something that is seen, felt or tasted of a finished loaf.
type Sign string

const (
	Collapsed  Sign = "sunken top"
	Overflowed Sign = "bulges over the rim"
	NotRisen   Sign = "did not rise"
	Unmixed    Sign = "unmixed"
	Dense      Sign = "short and dense"
	Lumpy      Sign = "lumpy, rough outside"
	Coarse     Sign = "coarse, holey"
	Gummy      Sign = "gummy middle"
	Corners    Sign = "floury corners"
	Pale       Sign = "too pale"
	Burnt      Sign = "too dark"
	Soggy      Sign = "soggy, wrinkled sides"
	Mashed     Sign = "add-ins mashed"
	Sunken     Sign = "add-ins at the bottom"
	Salty      Sign = "too salty"
	Bland      Sign = "too bland"
	TooSmall   Sign = "too small for the house"
	Torn       Sign = "torn or holed top"
	Hole       Sign = "big hole, torn base"
	Lopsided   Sign = "lopsided, a dry lump"

	Raw        Sign = "raw in the middle"
	Crumbly    Sign = "crumbly, falls apart"
	DryCrumb   Sign = "dry crumb"
	SoftCrust  Sign = "crust too soft"
	ThickCrust Sign = "crust thick and hard"
	Broke      Sign = "broke as it was turned out"
	Outside    Sign = "add-ins on the outside"
	Clumped    Sign = "add-ins in a lump"
	Tunnels    Sign = "tunnels in the crumb"
	Soapy      Sign = "tastes soapy"
	Rancid     Sign = "tastes bitter or stale"
	Sour       Sign = "too sour"
	OffSmell   Sign = "smells off"
	BurntSmell Sign = "a burnt smell"
	Mouldy     Sign = "mould"
	Runny      Sign = "runny, did not set"
	StiffSet   Sign = "set too stiff"
	BoiledOver Sign = "boiled over"
	Whey       Sign = "whey stands on it"
	PinkMeat   Sign = "pink in the middle"
	DryMeat    Sign = "dry meat"
	FillingRan Sign = "the filling ran out"
	RollGaps   Sign = "gaps in the roll"
	HoleOnTop  Sign = "a hole under the crust"
	DrawnIn    Sign = "sides drawn in"
	Sticks     Sign = "dough sticks, slack"
	Crumbles   Sign = "dough crumbly, stiff"
	SpringsUp  Sign = "dough springs back as it is rolled"
	Spread     Sign = "spread flat"

	Domed     Sign = "domed, near the rim"
	Hollow    Sign = "sounds hollow"
	FineCrumb Sign = "fine, even crumb"
)

// Signs lists them, the good ones last.
var Signs = []Sign{Collapsed, Overflowed, NotRisen, Unmixed, Dense, Lumpy, Coarse, Gummy, Corners, Pale, Burnt, Soggy,
	Mashed, Sunken, Salty, Bland, TooSmall, Torn, Hole, Lopsided,
	Raw, Crumbly, DryCrumb, SoftCrust, ThickCrust, Broke, Outside, Clumped, Tunnels, Soapy, Rancid, Sour, OffSmell,
	BurntSmell, Mouldy, Runny, StiffSet, BoiledOver, Whey, PinkMeat, DryMeat, FillingRan, RollGaps,
	HoleOnTop, DrawnIn, Sticks, Crumbles, SpringsUp, Spread,
	Domed, Hollow, FineCrumb}

// Helped is whether what was tried with a loaf helped.
type Helped string

const (
	NotSaid Helped = ""
	Yes     Helped = "yes"
	No      Helped = "no"
)

var AllHelped = []Helped{NotSaid, Yes, No}

func (h Helped) Words() []string { return vocab.List(AllHelped) }
func (h *Helped) UnmarshalText(text []byte) error {
	return vocab.Read(h, text, "answer (leave it empty, or)", AllHelped)
}

// Good reports whether it is a sign of a good loaf.
func (s Sign) Good() bool { return s == Domed || s == Hollow || s == FineCrumb }

func (s Sign) Words() []string                  { return vocab.List(Signs) }
func (s *Sign) UnmarshalText(text []byte) error { return vocab.Read(s, text, "sign of a loaf", Signs) }
