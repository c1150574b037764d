package api

import (
	"risepan/core/choice"
	"risepan/core/fault"
	"risepan/core/formula"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/word"
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

// Doubts are lengths of a description that are asked about.
type Doubts struct {
	Doubts []machine.Doubt `json:"doubts"`
}

// doubts looks at a description that is being written, and stores nothing.
func (s *server) doubts(c *call) (any, error) {
	var m machine.Machine
	if err := c.read(&m); err != nil {
		return nil, err
	}
	return Doubts{m.Doubts()}, nil
}

// Estimate asks for the likely stages of a cycle of which the total is known.
type Estimate struct {
	Character machine.Character `json:"character"`
	Total     machine.Minutes   `json:"total"`
}

// Estimated are those stages.
type Estimated struct {
	Stages []machine.Stage `json:"stages"`
}

// A cycle's total is estimated from a few minutes to a starter's day and a half.
const (
	leastTotal machine.Minutes = 10
	mostTotal  machine.Minutes = 36 * 60
)

func (s *server) estimate(c *call) (any, error) {
	var in Estimate
	if err := c.read(&in); err != nil {
		return nil, err
	}
	if in.Total < leastTotal || in.Total > mostTotal {
		return nil, fault.At("/total", "a cycle takes %s to %s, not %s", leastTotal, mostTotal, in.Total)
	}
	return Estimated{machine.Estimate(in.Character, in.Total)}, nil
}

func (s *server) profiles(*call) (any, error) { return Profiles{machine.Profiles()}, nil }

// MachinesAway are the machines that were put away.
type MachinesAway struct {
	Machines []MachineOnShelf `json:"machines"`
}

func (s *server) machinesAway(c *call) (any, error) {
	machines, _, err := c.machines(true)
	return MachinesAway{machines}, err
}

// machineOf is the machine that the path names, at a version; 0 is the newest.
func (c *call) machineOf(version int) (store.Machine, error) {
	id, err := c.id()
	if err != nil {
		return store.Machine{}, err
	}
	return c.Machine(c.ctx, c.kitchen, id, version)
}

func (s *server) showMachine(c *call) (any, error) {
	m, err := c.machineOf(0)
	return machineRead(m.ID, m.Version, m.Machine), err
}

func (s *server) addMachine(c *call) (string, error) {
	var m machine.Machine
	if err := c.read(&m); err != nil {
		return "", err
	}
	if err := m.Check(); err != nil {
		return "", err
	}
	return c.AddMachine(c.ctx, c.kitchen, m, c.now)
}

func (s *server) machineMade(c *call, id string) (any, error) {
	m, err := c.Machine(c.ctx, c.kitchen, id, 0)
	return machineRead(m.ID, m.Version, m.Machine), err
}

// changeMachine replaces a machine's description; what was made from an older version is refused.
func (s *server) changeMachine(c *call) (any, error) {
	version, err := c.version()
	if err != nil {
		return nil, err
	}
	var m machine.Machine
	if err := c.read(&m); err != nil {
		return nil, err
	}
	if err := m.Check(); err != nil {
		return nil, err
	}
	return c.setMachine(version, m)
}

// undoMachine brings the description before the last change back, as a change of its own.
func (s *server) undoMachine(c *call) (any, error) {
	version, err := c.version()
	if err != nil {
		return nil, err
	}
	before, err := c.machineOf(max(version-1, 1))
	if err != nil {
		return nil, err
	}
	return c.setMachine(version, before.Machine)
}

func (c *call) setMachine(version int, m machine.Machine) (any, error) {
	id, err := c.id()
	if err != nil {
		return nil, err
	}
	version, err = c.ChangeMachine(c.ctx, c.kitchen, id, version, m, c.now)
	return machineRead(id, version, m), err
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
func (s *server) compare(c *call) (any, error) {
	var in Compare
	if err := c.read(&in); err != nil {
		return nil, err
	}
	m, err := c.machineOf(0)
	if err != nil {
		return nil, err
	}
	if n := len(in.Cycles); n < fewestCompared || n > mostCompared {
		return nil, fault.At("/cycles", "compare %d to %d cycles, not %d", fewestCompared, mostCompared, n)
	}
	if !m.Machine.Bakes(in.Size) {
		return nil, fault.At("/size", "%s bakes %s", m.Machine.Name, m.Machine.SizesInWords())
	}
	suits, err := c.suiting(m.Machine, in)
	if err != nil {
		return nil, err
	}
	out := Compared{Machine: m.Machine.Name, Cycles: []ComparedCycle{}}
	for _, id := range in.Cycles {
		cycle, ok := m.Machine.Cycle(id)
		if !ok {
			return nil, fault.At("/cycles", "%s has no cycle %q", m.Machine.Name, id)
		}
		p := cycle.Programme(in.Size, in.Crust)
		t := cycle.Totals(in.Size, in.Crust)
		one := ComparedCycle{ID: id, Panel: cycle.Panel, Name: cycle.Name, Spans: p.Stages, Totals: t, Beeps: cycle.Beeps, Suits: suits[id].Suits, Reason: suits[id].Reason}
		if len(out.Cycles) > 0 {
			one.Beside = t.Beside(out.Cycles[0].Totals)
		}
		out.Cycles = append(out.Cycles, one)
		out.Longest = max(out.Longest, t.All)
	}
	return out, nil
}

// suiting is how each cycle suits the recipe that is compared for, where one is.
func (c *call) suiting(m machine.Machine, in Compare) (map[string]choice.Option, error) {
	suits := map[string]choice.Option{}
	if in.Recipe == "" {
		return suits, nil
	}
	k, _, err := c.settings()
	if err != nil {
		return nil, err
	}
	r, err := named(in.Recipe, "/recipe", "recipe", func(id string) (store.Recipe, error) { return c.Recipe(c.ctx, c.kitchen, id, 0) })
	if err != nil {
		return nil, err
	}
	lines, err := r.Recipe.Weigh(k.Kitchen.Ingredient)
	if err != nil {
		return nil, err
	}
	for _, o := range choice.Cycles(m, choice.Needs{Kind: r.Recipe.Kind, Formula: formula.FromRecipe(lines), Lines: lines, Size: machine.SizeSetting{LoafSize: in.Size}, Decimal: k.Kitchen.Decimal}) {
		suits[o.Cycle] = o
	}
	return suits, nil
}

// HabitOf is the baker's own cycle and crust for a recipe on a machine.
type HabitOf struct {
	Recipe  string `json:"recipe"`
	Machine string `json:"machine"`
	store.Habit
}

// setHabit remembers the baker's own choice; empty ones forget it.
func (s *server) setHabit(c *call) (any, error) {
	var in HabitOf
	if err := c.read(&in); err != nil {
		return nil, err
	}
	if _, err := named(in.Recipe, "/recipe", "recipe", func(id string) (store.RecipeOnShelf, error) { return c.OnShelf(c.ctx, c.kitchen, id) }); err != nil {
		return nil, err
	}
	m, err := named(in.Machine, "/machine", "machine", func(id string) (store.Machine, error) { return c.Machine(c.ctx, c.kitchen, id, 0) })
	if err != nil {
		return nil, err
	}
	if _, ok := m.Machine.Cycle(in.Cycle); in.Cycle != "" && !ok {
		return nil, fault.At("/cycle", "%s has no cycle %q", m.Machine.Name, word.Clip(in.Cycle))
	}
	return in, c.SetHabit(c.ctx, c.kitchen, in.Recipe, in.Machine, in.Habit)
}
