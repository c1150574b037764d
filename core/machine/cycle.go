package machine

import (
	"strings"

	"risepan/core/measure"
	"risepan/core/vocab"
)

// Character is what a cycle is for.
type Character string

const (
	Basic      Character = "basic"
	Wholemeal  Character = "wholemeal"
	CrustyLoaf Character = "crusty"
	Sweet      Character = "sweet"
	Rapid      Character = "rapid"
	GlutenFree Character = "gluten-free"
	LowCarb    Character = "low-carb"
	QuickBread Character = "quick bread"
	PacketMix  Character = "packet mix"
	Dough      Character = "dough"
	PastaDough Character = "pasta dough"
	Starter    Character = "starter"
	Jam        Character = "jam"
	Yoghurt    Character = "yoghurt"
	BakeOnly   Character = "bake only"
)

var Characters = []Character{Basic, Wholemeal, CrustyLoaf, Sweet, Rapid, GlutenFree, LowCarb, QuickBread, PacketMix,
	Dough, PastaDough, Starter, Jam, Yoghurt, BakeOnly}

func (c Character) Words() []string { return vocab.List(Characters) }
func (c *Character) UnmarshalText(text []byte) error {
	return vocab.Read(c, text, "character of a cycle", Characters)
}

// StageKind is what the machine does in a stage.
type StageKind string

const (
	Rest      StageKind = "rest" // or preheat: ingredients come to one temperature
	Knead     StageKind = "knead"
	Rise      StageKind = "rise"
	KnockBack StageKind = "knock-back"
	Bake      StageKind = "bake"
	Boil      StageKind = "boil" // fruit and sugar, stirred
	Culture   StageKind = "warm" // evenly, for hours
)

var StageKinds = []StageKind{Rest, Knead, Rise, KnockBack, Bake, Boil, Culture}

func (k StageKind) Words() []string                  { return vocab.List(StageKinds) }
func (k *StageKind) UnmarshalText(text []byte) error { return vocab.Read(k, text, "stage", StageKinds) }

// Variation is a stage's length for one size, one crust or both; an empty field stands for any.
type Variation struct {
	Size    measure.LoafSize `json:"size,omitzero"`
	Crust   Crust            `json:"crust,omitzero"`
	Minutes Minutes          `json:"minutes"`
}

// Stage is one stage of a cycle.
type Stage struct {
	Kind    StageKind           `json:"kind"`
	Minutes Minutes             `json:"minutes"`
	Least   Minutes             `json:"least,omitzero"`  // of a stage that waits for warmth; Minutes is then the most
	Vary    []Variation         `json:"vary,omitzero"`   // the first that fits replaces Minutes
	Warmth  measure.Temperature `json:"warmth,omitzero"` // where the booklet gives it
}

// slack is by how much the stage may be shorter than the minutes that it takes at a size and crust.
func (s Stage) slack(minutes Minutes) Minutes {
	if s.Least <= 0 {
		return 0
	}
	return max(0, minutes-s.Least)
}

// Signal is what a beep calls for.
type Signal string

const (
	ForAddIns Signal = "add-ins"
	PaddleOut Signal = "paddle out" // or shape the dough, before the last rise
	Scrape    Signal = "scrape the sides"
)

var Signals = []Signal{ForAddIns, PaddleOut, Scrape}

func (s Signal) Words() []string { return vocab.List(Signals) }
func (s *Signal) UnmarshalText(text []byte) error {
	return vocab.Read(s, text, "call of a beep", Signals)
}

// Anchor is what the minutes of a beep count from.
type Anchor string

const (
	AfterStart     Anchor = "after the start"
	BeforeKneadEnd Anchor = "before the last knead ends"
	BeforeLastRise Anchor = "before the last rise"
)

var Anchors = []Anchor{AfterStart, BeforeKneadEnd, BeforeLastRise}

func (a Anchor) Words() []string { return vocab.List(Anchors) }
func (a *Anchor) UnmarshalText(text []byte) error {
	return vocab.Read(a, text, "way to time a beep", Anchors)
}

// Beep is one beep of a cycle.
type Beep struct {
	For     Signal  `json:"for"`
	By      Anchor  `json:"by"`
	Minutes Minutes `json:"minutes"`
	UpTo    Minutes `json:"upTo,omitzero"` // the latest, where the booklet gives a window after the start
	Pips    int     `json:"pips,omitzero"`
}

// For is the stage's length at a size and crust.
func (s Stage) For(size measure.LoafSize, crust Crust) Minutes {
	for _, v := range s.Vary {
		if (v.Size.IsZero() || v.Size == size) && (v.Crust == "" || v.Crust == crust) {
			return v.Minutes
		}
	}
	return s.Minutes
}

// Title is the cycle's name with what the panel shows before it, such as "4 Sweet"; once where both are one.
func (c Cycle) Title() string {
	if c.Panel == c.Name {
		return c.Name
	}
	return strings.TrimSpace(c.Panel + " " + c.Name)
}

// Cycle is one programme of a machine.
type Cycle struct {
	ID        string    `json:"id"`
	Panel     string    `json:"panel"` // its number on the panel
	Name      string    `json:"name"`
	Character Character `json:"character"`
	Stages    []Stage   `json:"stages"`
	Beeps     []Beep    `json:"beeps,omitzero"`
	Delay     bool      `json:"delay"`              // the delay timer works with it
	HasCrust  bool      `json:"hasCrust"`           // the crust can be chosen
	NoSize    bool      `json:"noSize,omitzero"`    // the size cannot
	KeepsWarm bool      `json:"keepsWarm"`          // goes over to keep warm at its end
	Restart   bool      `json:"restart,omitzero"`   // Start is pressed again after a pause
	Own       bool      `json:"own,omitzero"`       // made by its owner and stored on the machine
	Estimated bool      `json:"estimated,omitzero"` // only its total is known: its stages are the usual shares of that
	Typical   bool      `json:"typical,omitzero"`   // its times are a usual machine's, and nobody has checked them
	// the cycle whose place on the menu it shares, where a value of the crust button chooses it
	With    string `json:"with,omitzero"`
	OnCrust string `json:"onCrust,omitzero"` // and that value, such as "rapid"
}
