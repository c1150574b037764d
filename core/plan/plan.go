package plan

import "slices"

// Shape is the number of the plan's JSON shape; a stored plan carries the one it was written in.
const Shape = 4

// Plan is everything about one loaf: its three values, and what stands against it.
type Plan struct {
	Shape int `json:"shape"`
	Dough
	Programme
	Amounts
	Cautions []Caution `json:"cautions"`
}

// follows is the wish with the line that its loaf follows held at what there is of it.
func (w Wish) follows() Wish {
	if w.Have != nil && w.locked(w.Have.Line) < 0 {
		w.Locks = append(slices.Clone(w.Locks), Lock{Line: w.Have.Line, Amount: w.Have.Amount})
	}
	return w
}

// Make works out the plan for a wish. It returns a plan for every well-formed wish; what stands
// against it is a Caution inside. An error is a *fault.Fault for malformed input.
func Make(p Place, w Wish) (Plan, error) {
	if err := w.Check(); err != nil {
		return Plan{}, err
	}
	w = w.fromBag(p).follows()
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
