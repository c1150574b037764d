package rehearse

import (
	"time"

	"risepan/core/bake"
	"risepan/core/plan"
)

// Made names what a rehearsed plan was made with, so that it can be kept as a bake; zero in rehearsals of old.
type Made struct {
	RecipeID  string `json:"recipeId"`
	Revision  int    `json:"revision"`
	MachineID string `json:"machineId"`
	Machine   int    `json:"machine"` // its version
	Kitchen   int    `json:"kitchen"` // its version
}

// Past is a rehearsal that came to its end as a bake: its plan and what happened, moved so that its last happening was
// now. ok is false while it has not ended, and for one of old.
func Past(r Rehearsal, did []Happening, now time.Time) (p plan.Plan, happened []bake.Happening, ok bool) {
	a, _ := r.after(did)
	if r.Of == (Made{}) || !a.started || len(a.told) == 0 || !bake.At(a.plan, a.told, a.engine.Now).Over() {
		return p, nil, false
	}
	by := now.Truncate(time.Second).Sub(a.told[len(a.told)-1].At)
	p = a.plan
	p.Timer.Press, p.Timer.Begin, p.Timer.Ready = p.Timer.Press.Add(by), p.Timer.Begin.Add(by), p.Timer.Ready.Add(by)
	if !p.Eaten.IsZero() {
		p.Eaten = p.Timer.Ready.Add(time.Duration(p.Finish.Total()) * time.Minute)
	}
	for _, h := range a.told {
		h.At = h.At.Add(by)
		happened = append(happened, h)
	}
	return p, happened, true
}
