package api

import (
	"bytes"

	"github.com/gin-gonic/gin"

	"risepan/core/choice"
	"risepan/core/fault"
	"risepan/core/formula"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/store"
)

// MachineRead is a machine as it is described, with its panel in full.
type MachineRead struct {
	ID      string          `json:"id"`
	Version int             `json:"version"`
	Machine machine.Machine `json:"machine"`
	Panel   machine.Panel   `json:"panel"` // with what follows from the machine filled in
}

func machineRead(id string, version int, m machine.Machine) MachineRead {
	return MachineRead{id, version, m, m.Full()}
}

// Profiles are typical machines to begin a description from.
type Profiles struct {
	Profiles []machine.Machine `json:"profiles"`
}

func (s *server) profiles(*gin.Context) (any, error) { return Profiles{machine.Profiles()}, nil }

func (s *server) showMachine(c *gin.Context) (any, error) {
	_, m, err := s.machineOf(c)
	return machineRead(m.ID, m.Version, m.Machine), err
}

// machineOf is the machine that the path names.
func (s *server) machineOf(c *gin.Context) (kitchenNow, store.Machine, error) {
	ctx := c.Request.Context()
	k, err := s.kitchen(ctx, s.store.Queries)
	if err != nil {
		return k, store.Machine{}, err
	}
	if !store.ValidID(c.Param("id")) {
		return k, store.Machine{}, store.ErrNotFound
	}
	m, err := s.store.Machine(ctx, k.ID, c.Param("id"))
	return k, m, err
}

func (s *server) addMachine(c *gin.Context, q store.Queries, k kitchenNow, body []byte) (any, error) {
	var m machine.Machine
	if err := read(bytes.NewReader(body), &m); err != nil {
		return nil, err
	}
	if err := m.Check(); err != nil {
		return nil, err
	}
	id, err := q.AddMachine(c.Request.Context(), k.ID, m, k.now)
	return machineRead(id, 1, m), err
}

// changeMachine replaces a machine's description; what was made from an older version is refused.
func (s *server) changeMachine(c *gin.Context) (any, error) {
	var m machine.Machine
	if err := read(c.Request.Body, &m); err != nil {
		return nil, err
	}
	version, err := ifMatch(c)
	if err != nil {
		return nil, err
	}
	if err := m.Check(); err != nil {
		return nil, err
	}
	return s.setMachine(c, version, func(store.Queries, string, string) (machine.Machine, error) { return m, nil })
}

// undoMachine brings the description before the last change back, as a change of its own.
func (s *server) undoMachine(c *gin.Context) (any, error) {
	version, err := ifMatch(c)
	if err != nil {
		return nil, err
	}
	return s.setMachine(c, version, func(q store.Queries, kitchenID, id string) (machine.Machine, error) {
		return q.MachineBefore(c.Request.Context(), kitchenID, id, version-1)
	})
}

func (s *server) setMachine(c *gin.Context, version int, next func(q store.Queries, kitchenID, id string) (machine.Machine, error)) (any, error) {
	ctx := c.Request.Context()
	id := c.Param("id")
	if !store.ValidID(id) {
		return nil, store.ErrNotFound
	}
	var m machine.Machine
	now := s.Now()
	err := s.store.Do(ctx, func(q store.Queries) error {
		k, err := q.FirstKitchen(ctx)
		if err != nil {
			return err
		}
		if m, err = next(q, k.ID, id); err != nil {
			return err
		}
		version, err = q.ChangeMachine(ctx, k.ID, id, version, m, now)
		return err
	})
	if err != nil {
		return nil, err
	}
	return machineRead(id, version, m), nil
}

// Compared are cycles of a machine side by side, at one size and crust.
type Compared struct {
	Machine string          `json:"machine"`
	Cycles  []ComparedCycle `json:"cycles"`
	Longest machine.Minutes `json:"longest"`
}

// ComparedCycle is one cycle among others.
type ComparedCycle struct {
	ID     string         `json:"id"`
	Panel  string         `json:"panel"`
	Name   string         `json:"name"`
	Spans  []machine.Span `json:"spans"`
	Totals machine.Totals `json:"totals"`
	Beside string         `json:"beside"`          // the first of them
	Suits  bool           `json:"suits"`           // the recipe's dough
	Reason string         `json:"reason,omitzero"` // for the recipe
	Beeps  []machine.Beep `json:"beeps,omitzero"`
}

// Compare names what to compare: a stored machine's cycles, for a recipe or none.
type Compare struct {
	Cycles []string         `json:"cycles"`
	Size   measure.LoafSize `json:"size"`
	Crust  machine.Crust    `json:"crust"`
	Recipe string           `json:"recipe,omitzero"`
}

// The fewest and most cycles that stand side by side.
const (
	fewestCompared = 2
	mostCompared   = 6
)

// compare lays cycles side by side, and says in words how each differs from the first and whether it
// suits the recipe.
func (s *server) compare(c *gin.Context) (any, error) {
	var in Compare
	if err := read(c.Request.Body, &in); err != nil {
		return nil, err
	}
	k, m, err := s.machineOf(c)
	if err != nil {
		return nil, err
	}
	if n := len(in.Cycles); n < fewestCompared || n > mostCompared {
		return nil, fault.At("/cycles", "compare %d to %d cycles, not %d", fewestCompared, mostCompared, n)
	}
	if !m.Machine.Bakes(in.Size) {
		return nil, fault.At("/size", "%s bakes %s", m.Machine.Name, m.Machine.SizesInWords())
	}
	suits := map[string]choice.Option{}
	if in.Recipe != "" {
		r, err := named(in.Recipe, "/recipe", "recipe", func(id string) (store.Recipe, error) { return s.store.Recipe(c.Request.Context(), k.ID, id) })
		if err != nil {
			return nil, err
		}
		lines, err := r.Recipe.Weigh(k.Kitchen.Kitchen.Ingredient)
		if err != nil {
			return nil, err
		}
		for _, o := range choice.Cycles(m.Machine, choice.Needs{Kind: r.Recipe.Kind, Formula: formula.FromRecipe(lines), Lines: lines, Size: in.Size}) {
			suits[o.Cycle] = o
		}
	}
	out := Compared{Machine: m.Machine.Name, Cycles: []ComparedCycle{}}
	for _, id := range in.Cycles {
		cycle, ok := m.Machine.Cycle(id)
		if !ok {
			return nil, fault.At("/cycles", "%s has no cycle %q", m.Machine.Name, id)
		}
		t := cycle.Totals(in.Size, in.Crust)
		one := ComparedCycle{ID: id, Panel: cycle.Panel, Name: cycle.Name, Spans: cycle.Run(in.Size, in.Crust), Totals: t, Beeps: cycle.Beeps, Suits: suits[id].Suits, Reason: suits[id].Reason}
		if len(out.Cycles) > 0 {
			one.Beside = t.Beside(out.Cycles[0].Totals)
		}
		out.Cycles = append(out.Cycles, one)
		out.Longest = max(out.Longest, t.All)
	}
	return out, nil
}

// HabitOf is the baker's own cycle and crust for a recipe on a machine.
type HabitOf struct {
	Recipe  string `json:"recipe"`
	Machine string `json:"machine"`
	store.Habit
}

// setHabit remembers the baker's own choice; empty ones forget it.
func (s *server) setHabit(c *gin.Context) (any, error) {
	var in HabitOf
	if err := read(c.Request.Body, &in); err != nil {
		return nil, err
	}
	ctx := c.Request.Context()
	k, err := s.kitchen(ctx, s.store.Queries)
	if err != nil {
		return nil, err
	}
	if _, err := named(in.Recipe, "/recipe", "recipe", func(id string) (store.Recipe, error) { return s.store.Recipe(ctx, k.ID, id) }); err != nil {
		return nil, err
	}
	m, err := named(in.Machine, "/machine", "machine", func(id string) (store.Machine, error) { return s.store.Machine(ctx, k.ID, id) })
	if err != nil {
		return nil, err
	}
	if _, ok := m.Machine.Cycle(in.Cycle); in.Cycle != "" && !ok {
		return nil, fault.At("/cycle", "%s has no cycle %q", m.Machine.Name, in.Cycle)
	}
	return in, s.store.SetHabit(ctx, k.ID, in.Recipe, in.Machine, in.Habit)
}
