package schedule

import (
	"context"
	"reflect"
	"slices"
	"sync"
)

// Memory plans days, and remembers those that it planned last: pages look at a day over and over while nothing of it
// changes but the time. The zero Memory is empty, and several may ask it at once.
type Memory struct {
	mu   sync.Mutex
	days []remembered // the oldest first
}

// remembered is a day that was planned.
type remembered struct {
	asked Wanted
	plan  Plan
}

// mostRemembered is how many days are remembered; each takes some kilobytes.
const mostRemembered = 100

// Make plans a day as the function Make does. A nil Memory remembers nothing.
func (m *Memory) Make(ctx context.Context, w Wanted) (Plan, error) {
	if m == nil {
		return Make(ctx, w)
	}
	if p, ok := m.recall(w); ok {
		return p, nil
	}
	p, err := Make(ctx, w)
	if err != nil {
		return p, err
	}
	m.mu.Lock()
	defer m.mu.Unlock()
	if len(m.days) == mostRemembered {
		m.days = slices.Delete(m.days, 0, 1)
	}
	m.days = append(m.days, remembered{w, p})
	return Plan{slices.Clone(p.Loaves), p.Cost, p.Proven, p.Least}, nil
}

func (m *Memory) recall(w Wanted) (Plan, bool) {
	m.mu.Lock()
	defer m.mu.Unlock()
	for _, d := range slices.Backward(m.days) {
		if d.answers(w) {
			d.plan.Loaves = slices.Clone(d.plan.Loaves)
			return d.plan, true
		}
	}
	return Plan{}, false
}

// answers reports whether the plan of the day as it was asked for is one of the day as it is asked for now: nothing
// but the present and the hours from which machines are free lie later, and none of its loaves is loaded before
// them. Whatever could be done later could be done then, so that nothing better can be had now; what is proven stays
// proven. Where the loaves stood may be where it put them.
func (d remembered) answers(w Wanted) bool {
	was := d.asked
	if w.Now < was.Now || len(w.Machines) != len(was.Machines) || len(w.Loaves) != len(was.Loaves) {
		return false
	}
	for n, m := range w.Machines {
		if m.Free < was.Machines[n].Free {
			return false
		}
	}
	for k, p := range d.plan.Loaves {
		if p.None {
			continue
		}
		y := was.Loaves[k].Ways[p.Way]
		if p.Press-y.Load < w.Now || p.Press < w.Machines[y.Machine].Free {
			return false
		}
	}
	if !reflect.DeepEqual(w.Was, was.Was) && !d.stands(w.Was) {
		return false
	}
	w.Now, w.Machines, w.Was = was.Now, slices.Clone(w.Machines), was.Was
	for n := range w.Machines {
		w.Machines[n].Free = was.Machines[n].Free
	}
	return reflect.DeepEqual(w, was)
}

// stands reports whether loaves stood where the plan has them.
func (d remembered) stands(was []Placed) bool {
	return slices.EqualFunc(was, d.plan.Loaves, func(a, b Placed) bool {
		return a.None == b.None && (a.None || a.Way == b.Way && a.Press == b.Press && a.Begin == b.Begin &&
			a.Done == b.Done)
	})
}
