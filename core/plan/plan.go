// Package plan joins the rooms of the job: a wish in a kitchen becomes a Dough, its Programme on a
// machine, and the Amounts for the hands. Each is made by one function from those before it.
package plan

import (
	"crypto/sha256"
	"encoding/hex"
	"encoding/json"

	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/timetable"
)

// Shape is the number of the plan's JSON shape; a stored plan carries the one it was written in.
const Shape = 1

// Plan is everything about one loaf: its three values, and what stands against it.
type Plan struct {
	Shape int `json:"shape"`
	Dough
	Programme
	Amounts
	Cautions []Caution `json:"cautions"`
}

// Make works out the plan for a wish. It returns a plan for every well-formed wish; what stands
// against it is a Caution inside. An error is a *fault.Fault for malformed input.
func Make(p Place, w Wish) (Plan, error) {
	if err := w.Check(); err != nil {
		return Plan{}, err
	}
	dough, err := MakeDough(p, w)
	if err != nil {
		return Plan{}, err
	}
	programme, err := MakeProgramme(p, w, dough)
	if err != nil {
		return Plan{}, err
	}
	amounts, err := MakeAmounts(p, w, dough, programme)
	if err != nil {
		return Plan{}, err
	}
	return Plan{Shape, dough, programme, amounts, judge(p, w, dough, programme, amounts)}, nil
}

// Digest identifies what the baker measures and sets and what the machine then does. Clock times are
// left out: they move with the present, and a bake that starts a minute later is still the loaf that
// was shown.
func (p Plan) Digest() string {
	b, err := json.Marshal(struct {
		Shape   int
		Recipe  string
		Machine string
		Size    measure.LoafSize
		Lines   []Line
		Pan     Pan
		Cycle   CycleName
		Crust   machine.Crust
		Stages  []machine.Span
		Moments []timetable.Moment
		Timer   machine.Minutes
	}{p.Shape, p.Recipe, p.Machine, p.Size, p.Lines, p.Pan, p.Setting.Cycle, p.Setting.Crust, p.Stages, p.Moments, p.Timer.Setting})
	if err != nil {
		panic("plan: a plan is always writable: " + err.Error())
	}
	sum := sha256.Sum256(b)
	return hex.EncodeToString(sum[:16])
}
