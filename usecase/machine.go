package usecase

import (
	"fmt"

	"risepan/core/choice"
	"risepan/core/fault"
	"risepan/core/formula"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/vocab"
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

// Booklet asks what a booklet's table of programs says.
type Booklet struct {
	Text  string             `json:"text"`
	Sizes []measure.LoafSize `json:"sizes"` // of the machine, for the columns of times
}

// BookletRead are its programs as cycles, and the rows that could not be read.
type BookletRead struct {
	Cycles []machine.Cycle  `json:"cycles"`
	Unread []machine.Unread `json:"unread"`
}

// Booklet reads a booklet's table of programs, and stores nothing.
func (c *Scope) Booklet(in Booklet) (BookletRead, error) {
	cycles, unread := machine.ReadBooklet(in.Text, in.Sizes)
	return BookletRead{append([]machine.Cycle{}, cycles...), append([]machine.Unread{}, unread...)}, nil
}

// Profiles are typical machines to begin a description from.
type Profiles struct {
	Profiles []machine.Machine `json:"profiles"`
}

// Doubts are lengths of a description that are asked about.
type Doubts struct {
	Doubts []machine.Doubt     `json:"doubts"`
	Totals [][]machine.Minutes `json:"totals"` // of each cycle, at each of the machine's sizes with a medium crust
}

// Doubts looks at a description that is being written, and stores nothing.
func (c *Scope) Doubts(m machine.Machine) (Doubts, error) {
	totals := make([][]machine.Minutes, len(m.Cycles))
	for n, cycle := range m.Cycles {
		totals[n] = make([]machine.Minutes, len(m.Sizes))
		for s, size := range m.Sizes {
			totals[n][s] = cycle.Total(size, machine.Medium)
		}
	}
	return Doubts{m.Doubts(), totals}, nil
}

// Estimate asks for the likely stages of a cycle of which the total is known.
type Estimate struct {
	Character machine.Character `json:"character"`
	Total     machine.Minutes   `json:"total"`
	// where it differs by size: the total of each, in place of the one
	Sizes  []measure.LoafSize `json:"sizes,omitzero"`
	Totals []machine.Minutes  `json:"totals,omitzero"`
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

// Estimate are the likely stages of a cycle of which the total is known.
func (c *Scope) Estimate(in Estimate) (Estimated, error) {
	if len(in.Totals) > 0 {
		if len(in.Totals) != len(in.Sizes) {
			return Estimated{}, fault.At("/totals", "a total for each of the %d sizes is wanted, not %d", len(in.Sizes),
				len(in.Totals))
		}
		for n, total := range in.Totals {
			if total < leastTotal || total > mostTotal {
				return Estimated{}, fault.At(fmt.Sprintf("/totals/%d", n), "a cycle takes %s to %s, not %s", leastTotal, mostTotal,
					total)
			}
		}
		return Estimated{machine.EstimateBySize(in.Character, in.Sizes, in.Totals)}, nil
	}
	if in.Total < leastTotal || in.Total > mostTotal {
		return Estimated{}, fault.At("/total", "a cycle takes %s to %s, not %s", leastTotal, mostTotal, in.Total)
	}
	return Estimated{machine.Estimate(in.Character, in.Total)}, nil
}

// Profiles are typical machines to begin a description from.
func (c *Scope) Profiles() (Profiles, error) { return Profiles{machine.Profiles()}, nil }

// MachinesAway are the machines that were put away.
type MachinesAway struct {
	Machines []MachineOnShelf `json:"machines"`
}

// MachinesAway are the machines that were put away.
func (c *Scope) MachinesAway() (MachinesAway, error) {
	machines, _, err := c.machines(true)
	return MachinesAway{machines}, err
}

// AddMachine keeps a new machine.
func (c *Scope) AddMachine(m machine.Machine) (string, error) {
	if err := m.Check(); err != nil {
		return "", err
	}
	return c.q.AddMachine(c.ctx, c.kitchen, m, c.now)
}

// ShowMachine is a machine's description.
func (c *Scope) ShowMachine(id string) (MachineRead, error) {
	m, err := c.q.Machine(c.ctx, c.kitchen, id, 0)
	return machineRead(m.ID, m.Version, m.Machine), err
}

// ChangeMachine replaces a machine's description; what was made from an older version is refused.
func (c *Scope) ChangeMachine(id string, version int, m machine.Machine) (MachineRead, error) {
	if err := m.Check(); err != nil {
		return MachineRead{}, err
	}
	return c.setMachine(id, version, m)
}

// UndoMachine brings the description before the last change back, as a change of its own.
func (c *Scope) UndoMachine(id string, version int) (MachineRead, error) {
	before, err := c.q.Machine(c.ctx, c.kitchen, id, max(version-1, 1))
	if err != nil {
		return MachineRead{}, err
	}
	return c.setMachine(id, version, before.Machine)
}

func (c *Scope) setMachine(id string, version int, m machine.Machine) (MachineRead, error) {
	version, err := c.q.ChangeMachine(c.ctx, c.kitchen, id, version, m, c.now)
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

// Compare lays cycles side by side, and says in words how each differs from the first and whether it
// suits the recipe.
func (c *Scope) Compare(id string, in Compare) (Compared, error) {
	m, err := c.q.Machine(c.ctx, c.kitchen, id, 0)
	if err != nil {
		return Compared{}, err
	}
	if n := len(in.Cycles); n < fewestCompared || n > mostCompared {
		return Compared{}, fault.At("/cycles", "compare %d to %d cycles, not %d", fewestCompared, mostCompared, n)
	}
	if !m.Machine.Bakes(in.Size) {
		return Compared{}, fault.At("/size", "%s bakes %s", m.Machine.Name, m.Machine.SizesInWords())
	}
	suits, err := c.suiting(m.Machine, in)
	if err != nil {
		return Compared{}, err
	}
	out := Compared{Machine: m.Machine.Name, Cycles: []ComparedCycle{}}
	for _, id := range in.Cycles {
		cycle, ok := m.Machine.Cycle(id)
		if !ok {
			return Compared{}, fault.At("/cycles", "%s has no cycle %q", m.Machine.Name, id)
		}
		p := cycle.Programme(in.Size, in.Crust)
		t := cycle.Totals(in.Size, in.Crust)
		one := ComparedCycle{ID: id, Panel: cycle.Panel, Name: cycle.Name, Spans: p.Stages, Totals: t,
			Beeps: cycle.Beeps, Suits: suits[id].Suits, Reason: suits[id].Reason}
		if len(out.Cycles) > 0 {
			one.Beside = t.Beside(out.Cycles[0].Totals)
		}
		out.Cycles = append(out.Cycles, one)
		out.Longest = max(out.Longest, t.All)
	}
	return out, nil
}

// suiting is how each cycle suits the recipe that is compared for, where one is.
func (c *Scope) suiting(m machine.Machine, in Compare) (map[string]choice.Option, error) {
	suits := map[string]choice.Option{}
	if in.Recipe == "" {
		return suits, nil
	}
	k, _, err := c.settings()
	if err != nil {
		return nil, err
	}
	r, err := named(in.Recipe, "/recipe", "recipe", func(id string) (store.Recipe, error) {
		return c.q.Recipe(c.ctx,
			c.kitchen, id, 0)
	})
	if err != nil {
		return nil, err
	}
	lines, err := r.Recipe.Weigh(k.Kitchen.Ingredient)
	if err != nil {
		return nil, err
	}
	for _, o := range choice.Cycles(m, choice.Needs{Kind: r.Recipe.Kind, Formula: formula.FromRecipe(lines),
		Lines: lines, Size: machine.SizeSetting{LoafSize: in.Size}, Decimal: k.Kitchen.Decimal}) {
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

// SetHabit remembers the baker's own choice; empty ones forget it.
func (c *Scope) SetHabit(in HabitOf) (HabitOf, error) {
	if _, err := named(in.Recipe, "/recipe", "recipe", func(id string) (store.RecipeOnShelf,
		error) {
		return c.q.OnShelf(c.ctx, c.kitchen, id)
	}); err != nil {
		return HabitOf{}, err
	}
	m, err := named(in.Machine, "/machine", "machine", func(id string) (store.Machine,
		error) {
		return c.q.Machine(c.ctx, c.kitchen, id, 0)
	})
	if err != nil {
		return HabitOf{}, err
	}
	if _, ok := m.Machine.Cycle(in.Cycle); in.Cycle != "" && !ok {
		return HabitOf{}, fault.At("/cycle", "%s has no cycle %q", m.Machine.Name, vocab.Clip(in.Cycle))
	}
	return in, c.q.SetHabit(c.ctx, c.kitchen, in.Recipe, in.Machine, in.Habit)
}
