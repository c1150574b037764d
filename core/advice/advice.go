package advice

import (
	"strings"

	"risepan/core/machine"
	"risepan/core/vocab"
)

// Act is what is done in a step.
type Act string

const (
	Leave      Act = "leave it"
	Look       Act = "look"
	Wait       Act = "wait"
	Add        Act = "add"
	Flour      Act = "add flour"
	Liquid     Act = "add liquid"
	Scrape     Act = "scrape down"
	FoldIn     Act = "fold in"
	Stop       Act = "stop"
	Restart    Act = "start again"
	OtherCycle Act = "change the cycle"
	Pause      Act = "pause"
	GoOn       Act = "go on"
	Seat       Act = "seat"
	PaddleOut  Act = "take the paddle out"
	Prick      Act = "prick"
	Press      Act = "press down"
	TakeOff    Act = "take off"
	Shape      Act = "shape"
	BakeOn     Act = "bake on"
	Oven       Act = "bake in the oven"
	End        Act = "end it now"
	EndRise    Act = "end the rise"
	TurnOut    Act = "turn out"
	Loosen     Act = "loosen"
	Cool       Act = "let it cool"
	Unplug     Act = "unplug"
	Shut       Act = "shut the lid"
	Open       Act = "open the lid"
	Discard    Act = "throw away"
	Delay      Act = "set the delay"
	Ask        Act = "ask"
	Clean      Act = "clean"
	Note       Act = "note"
	Eat        Act = "eat"
	Fridge     Act = "put in the fridge"
	Move       Act = "move"
)

// Acts lists them.
var Acts = []Act{Leave, Look, Wait, Add, Flour, Liquid, Scrape, FoldIn, Stop, Restart, OtherCycle, Pause, GoOn, Seat,
	PaddleOut, Prick, Press, TakeOff, Shape, BakeOn, Oven, End, EndRise, TurnOut, Loosen, Cool, Unplug, Shut, Open,
	Discard, Delay, Ask, Clean, Note, Eat, Fridge, Move}

func (a Act) Words() []string                  { return vocab.List(Acts) }
func (a *Act) UnmarshalText(text []byte) error { return vocab.Read(a, text, "act", Acts) }

// Step is one thing to do, and how it is said.
type Step struct {
	Act Act    `json:"act"`
	Say string `json:"say"`
}

// Shift is by how many minutes, at the least and at the most, everything later moves; below 0 it comes sooner.
type Shift struct {
	Low  machine.Minutes `json:"low"`
	High machine.Minutes `json:"high"`
}

// Advice is what to do.
type Advice struct {
	Steps []Step          `json:"steps"`
	Until machine.Minutes `json:"until,omitzero"` // of the cycle, until when the first can be done; 0: at any time
	Never string          `json:"never,omitzero"`
	Costs string          `json:"costs,omitzero"` // of the loaf
	Later Shift           `json:"later,omitzero"`
	Lost  bool            `json:"lost,omitzero"` // this bake is over
	Why   string          `json:"why"`
}

// To begins an advice with its first step.
func To(act Act, say string) Advice { return Advice{Steps: []Step{{act, say}}} }

// Then adds a step.
func (a Advice) Then(act Act, say string) Advice {
	a.Steps = append(a.Steps[:len(a.Steps):len(a.Steps)], Step{act, say})
	return a
}

// By sets until which minute of the cycle it can be done.
func (a Advice) By(minute machine.Minutes) Advice {
	a.Until = max(minute, 0)
	return a
}

// Not says what must not be done.
func (a Advice) Not(say string) Advice {
	a.Never = say
	return a
}

// At says what it costs.
func (a Advice) At(cost string) Advice {
	a.Costs = cost
	return a
}

// Moving sets by how many minutes everything later moves.
func (a Advice) Moving(low, high machine.Minutes) Advice {
	a.Later = Shift{low, high}
	return a
}

// Losing says that this bake is over.
func (a Advice) Losing() Advice {
	a.Lost = true
	return a
}

// For gives the reason.
func (a Advice) For(why string) Advice {
	a.Why = why
	return a
}

// Do is what to do, in one run of sentences.
func (a Advice) Do() string {
	says := make([]string, len(a.Steps))
	for n, s := range a.Steps {
		says[n] = s.Say
	}
	return strings.Join(says, " ")
}

// Said is all of it, in one run of sentences: what to do, what never, what it costs and why.
func (a Advice) Said() string {
	said := []string{a.Do()}
	for _, say := range []string{a.Never, a.Costs, a.Why} {
		if say != "" {
			said = append(said, say)
		}
	}
	return strings.Join(said, " ")
}

// Has reports whether one of its steps is such an act.
func (a Advice) Has(act Act) bool {
	for _, s := range a.Steps {
		if s.Act == act {
			return true
		}
	}
	return false
}
