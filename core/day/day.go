package day

import (
	"time"

	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/schedule"
	"risepan/core/vocab"
)

// Day is a day's plan by the clock.
type Day struct {
	From     time.Time     `json:"from"`
	To       time.Time     `json:"to"`
	Loaves   []Planned     `json:"loaves"` // in the book's order
	Machines []Lane        `json:"machines"`
	Shut     []Shut        `json:"shut"`  // in which nobody is there, or nothing may sound
	Hands    []Moment      `json:"hands"` // all that is to be done, in order
	Say      string        `json:"say"`   // how the day comes out
	Off      string        `json:"off,omitzero"`
	Cost     schedule.Cost `json:"cost"`
}

// Standing is how far a loaf of a day is.
type Standing string

const (
	ToCome   Standing = "to come"
	NoPlace  Standing = "no place"
	Running  Standing = "running"
	Finished Standing = "finished"
)

// Standings are how far a loaf can be.
var Standings = []Standing{ToCome, NoPlace, Running, Finished}

func (s Standing) Words() []string { return vocab.List(Standings) }
func (s *Standing) UnmarshalText(text []byte) error {
	return vocab.Read(s, text, "standing of a loaf", Standings)
}

// Planned is a loaf of the day as it is planned, or as it runs.
type Planned struct {
	ID       string           `json:"id"`
	Name     string           `json:"name"`
	Size     measure.LoafSize `json:"size,omitzero"`
	Standing Standing         `json:"standing"`
	Bake     string           `json:"bake,omitzero"` // that was started for it, by its id
	Machine  string           `json:"machine,omitzero"`
	On       string           `json:"on,omitzero"` // the machine's name
	Lent     bool             `json:"lent,omitzero"`
	Cycle    plan.CycleName   `json:"cycle,omitzero"`
	Load     time.Time        `json:"load,omitzero"`  // when loading begins
	Press    time.Time        `json:"press,omitzero"` // Start
	Begin    time.Time        `json:"begin,omitzero"` // of the cycle
	Ready    time.Time        `json:"ready,omitzero"`
	Taken    time.Time        `json:"taken,omitzero"` // out of the machine
	Done     time.Time        `json:"done,omitzero"`
	Free     time.Time        `json:"free,omitzero"`  // the machine has cooled
	Timer    machine.Minutes  `json:"timer,omitzero"` // what it shows; 0: no delay
	Panel    string           `json:"panel,omitzero"` // the presses, in short

	Presses []machine.Presses `json:"presses,omitzero"`
	Stages  []machine.Span    `json:"stages,omitzero"` // since the cycle's begin
	Late    machine.Minutes   `json:"late,omitzero"`
	Warm    machine.Minutes   `json:"warm,omitzero"`  // kept in the machine
	Early   machine.Minutes   `json:"early,omitzero"` // done before it is wanted
	Say     string            `json:"say,omitzero"`   // why it is not as it is wanted
	Was     *Stood            `json:"was,omitzero"`   // where it stood before, where that is somewhere else
	Hand    bool              `json:"hand,omitzero"`  // no delay: Start is pressed by hand at its time
	Dough   bool              `json:"dough,omitzero"` // leaves the machine unbaked
	Wish    *plan.Wish        `json:"wish,omitzero"`  // with which it is measured

	keepWarm machine.Minutes // that the machine keeps it warm
}

// Lane is a machine's day.
type Lane struct {
	ID   string    `json:"id"`
	Name string    `json:"name"`
	Lent bool      `json:"lent,omitzero"`
	Runs []Run     `json:"runs,omitzero"` // that are not of this day's loaves, or of them already
	Free time.Time `json:"free"`          // from when on it can be started
}

// Run is a bake that was started, or a loaf of another day.
type Run struct {
	Bake  string       `json:"bake,omitzero"`
	Date  kitchen.Date `json:"date,omitzero"` // of a loaf that is planned for another day
	Name  string       `json:"name"`
	Press time.Time    `json:"press"`
	Begin time.Time    `json:"begin"`
	Ready time.Time    `json:"ready"`
	Out   time.Time    `json:"out"` // as it was, or will be
	Over  bool         `json:"over,omitzero"`
}

// Shut are hours in which nobody is there, or nothing may sound.
type Shut struct {
	From  time.Time `json:"from"`
	To    time.Time `json:"to"`
	Name  string    `json:"name,omitzero"`
	Quiet bool      `json:"quiet,omitzero"`
}

// Doing is what hands do at a moment of the day.
type Doing string

const (
	Loads   Doing = "load"
	Helps   Doing = "help" // at a beep, or by the clock
	Takes   Doing = "take out"
	Follows Doing = "after" // shaping, the oven
)

// Doings are what hands do.
var Doings = []Doing{Loads, Helps, Takes, Follows}

func (d Doing) Words() []string { return vocab.List(Doings) }
func (d *Doing) UnmarshalText(text []byte) error {
	return vocab.Read(d, text, "work of hands", Doings)
}

// Moment is something for the hands.
type Moment struct {
	At   time.Time `json:"at"`
	To   time.Time `json:"to"`
	Loaf string    `json:"loaf,omitzero"` // of the day, by its id
	Bake string    `json:"bake,omitzero"` // that runs
	Name string    `json:"name"`          // of the loaf
	On   string    `json:"on,omitzero"`   // the machine's name
	Does Doing     `json:"does"`
	Say  string    `json:"say"`
}
