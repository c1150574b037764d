package api

import (
	"cmp"
	"errors"
	"fmt"
	"io"
	"math"
	"slices"
	"strings"
	"time"

	"risepan/core/bake"
	"risepan/core/fault"
	"risepan/core/journal"
	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/formats"
	"risepan/store"
)

// Brought is what was understood of a file or a pasted text, before any of it is kept.
type Brought struct {
	Cards    []BroughtCard `json:"cards,omitzero"`
	Log      *BroughtLog   `json:"log,omitzero"`
	Calendar *BroughtHours `json:"calendar,omitzero"`
}

// BroughtHours are the hours that a calendar shows as taken.
type BroughtHours struct {
	Absences []kitchen.Absence `json:"absences"`
	Faults   []string          `json:"faults,omitzero"` // what of it cannot be read
	Zone     string            `json:"zone"`
}

// BroughtCard is one recipe as it was understood.
type BroughtCard struct {
	Name    string               `json:"name"`
	Read    *RecipeRead          `json:"read,omitzero"`    // left out where it cannot be read
	Lost    []string             `json:"lost,omitzero"`    // what of it no card holds
	Twin    *store.RecipeOnShelf `json:"twin,omitzero"`    // one of the same name on the shelf
	Same    bool                 `json:"same,omitzero"`    // with the same lines
	Oven    []OvenChange         `json:"oven,omitzero"`    // what becomes of a recipe for hands and oven
	Problem string               `json:"problem,omitzero"` // why it cannot be read
}

// OvenChange is one thing that changes when a recipe for hands and oven is baked in the machine, with its reason.
type OvenChange struct {
	Says string `json:"says,omitzero"` // the recipe; empty: it says nothing of it
	So   string `json:"so"`
}

// BroughtLog is a log as it was understood.
type BroughtLog struct {
	Bakes  []LogRow           `json:"bakes"`
	Faults []formats.LogFault `json:"faults,omitzero"`
}

// LogRow is one bake of a table, and why it is not taken; empty: it is.
type LogRow struct {
	Started time.Time        `json:"started"`
	Recipe  string           `json:"recipe"`
	Size    measure.LoafSize `json:"size"`
	Machine string           `json:"machine"`
	Mark    int              `json:"mark,omitzero"`
	Skip    string           `json:"skip,omitzero"`
}

// bring reads a file or a pasted text. It stores nothing.
func (s *server) bring(c *call) (any, error) {
	b, err := io.ReadAll(c.body)
	if err != nil {
		return nil, err
	}
	text, err := formats.Text(b)
	if err != nil {
		return nil, fault.At("/file", "%v", err)
	}
	k, zone, err := c.settings()
	if err != nil {
		return nil, err
	}
	if formats.IsLog(text) {
		rows, _, faults, err := c.readLog(text, zone)
		return Brought{Log: &BroughtLog{rows, faults}}, err
	}
	if formats.IsCalendar(text) {
		absences, faults, err := formats.ReadBusy(text, zone, c.now)
		if err != nil {
			return nil, fault.At("/file", "%v", err)
		}
		return Brought{Calendar: &BroughtHours{append([]kitchen.Absence{}, absences...), faults, zone.String()}}, nil
	}
	cards, err := formats.Cards(text)
	if err != nil {
		return nil, fault.At("/file", "%v", err)
	}
	machines, _, err := c.Machines(c.ctx, c.kitchen, false)
	if err != nil {
		return nil, err
	}
	out := Brought{Cards: []BroughtCard{}}
	for _, card := range cards {
		one, err := c.broughtCard(card, k.Kitchen, machines)
		if err != nil {
			return nil, err
		}
		out.Cards = append(out.Cards, one)
	}
	return out, nil
}

func (c *call) broughtCard(card formats.Card, k kitchen.Kitchen, machines []store.Machine) (BroughtCard, error) {
	t := RecipeText{Standard: k.Standard, Text: card.Text, Note: card.Note, Kind: card.Kind}
	u, err := t.understand(k)
	if err != nil {
		return BroughtCard{Name: card.Name, Problem: fault.Says(err)}, nil
	}
	out := BroughtCard{Name: u.read.Recipe.Name, Read: &u.read, Lost: card.Lost, Oven: forOven(u, machines)}
	twin, err := c.Named(c.ctx, c.kitchen, u.read.Recipe.Name)
	if errors.Is(err, store.ErrNotFound) {
		return out, nil
	}
	if err != nil {
		return out, err
	}
	own, err := c.Recipe(c.ctx, c.kitchen, twin.ID, 0)
	if err != nil {
		return out, err
	}
	out.Twin = &twin
	out.Same = !slices.ContainsFunc(recipe.Differ(own.Recipe, u.recipe.Revise(own.Recipe), k.Ingredient), func(d recipe.Changed) bool { return d.Line != "" })
	return out, nil
}

// forOven is what changes when a recipe for hands and oven comes into the machines of a kitchen.
func forOven(u understood, machines []store.Machine) []OvenChange {
	steps := u.card.ByOven()
	if steps == nil {
		return nil
	}
	var out []OvenChange
	largest := measure.LoafSize{}
	name := ""
	for _, m := range machines {
		for _, size := range m.Machine.Sizes {
			if largest.IsZero() || size.Pounds().Cmp(largest.Pounds()) > 0 {
				largest, name = size, m.Machine.Name
			}
		}
	}
	size := u.recipe.Size
	if flour := u.read.Formula.Flour; !largest.IsZero() && flour > 0 && size.Pounds().Cmp(largest.Pounds()) > 0 {
		share := largest.Over(size).Float()
		out = append(out, OvenChange{fmt.Sprintf("%.0f g of flour", float64(flour)), fmt.Sprintf("That is a loaf of %s. The largest that a machine here bakes is %s, in the %s: there the plan takes %.0f %% of everything.", size, largest, name, math.Round(100*share))})
	} else if u.read.Inferred {
		out = append(out, OvenChange{"", fmt.Sprintf("It names no loaf size: by its flour it is one of %s.", size)})
	}
	for _, s := range steps {
		out = append(out, OvenChange{s.Says, s.So})
	}
	return out
}

// readLog reads a log and finds for each of its bakes the recipe, the machine and the plan; a row that is not taken says why.
func (c *call) readLog(text string, zone *time.Location) ([]LogRow, []startedThen, []formats.LogFault, error) {
	bakes, faults, err := formats.ReadLog(text, zone)
	if err != nil {
		return nil, nil, nil, fault.At("/file", "%v", err)
	}
	machines, _, err := c.Machines(c.ctx, c.kitchen, false)
	if err != nil {
		return nil, nil, nil, err
	}
	recipes := map[string]store.RecipeOnShelf{}
	starts := map[string][]time.Time{}
	rows, then := []LogRow{}, []startedThen{}
	for _, b := range bakes {
		row := LogRow{Started: b.Started, Recipe: b.Recipe, Size: b.Size, Machine: b.Machine, Mark: b.Verdict.Mark}
		r, ok := recipes[b.Recipe]
		if !ok {
			if r, err = c.Named(c.ctx, c.kitchen, b.Recipe); err != nil && !errors.Is(err, store.ErrNotFound) {
				return nil, nil, nil, err
			}
			recipes[b.Recipe] = r
			if r.ID != "" {
				if starts[r.ID], err = c.Starts(c.ctx, c.kitchen, r.ID); err != nil {
					return nil, nil, nil, err
				}
			}
		}
		m := slices.IndexFunc(machines, func(m store.Machine) bool { return strings.EqualFold(m.Machine.Name, b.Machine) })
		minute := b.Started.Truncate(time.Minute)
		switch {
		case r.ID == "":
			row.Skip = "no recipe of this name is on the shelf: bring it in first"
		case m < 0:
			row.Skip = "no machine of this name is in the kitchen"
		case b.Phase != bake.Out && b.Phase != bake.GivenUp:
			row.Skip = "it had not ended"
		case b.Started.After(c.now):
			row.Skip = "it begins in the future"
		case slices.ContainsFunc(starts[r.ID], func(at time.Time) bool { return at.Truncate(time.Minute).Equal(minute.UTC()) }):
			row.Skip = "it is in the log already"
		default:
			then = append(then, startedThen{b, r.ID, machines[m]})
			starts[r.ID] = append(starts[r.ID], b.Started.UTC())
		}
		rows = append(rows, row)
	}
	return rows, then, faults, nil
}

// startedThen is a bake of a table with what it was made with.
type startedThen struct {
	formats.Bake
	recipe  string // its id
	machine store.Machine
}

// Bringing is what is kept of what was understood.
type Bringing struct {
	Cards    []CardKept        `json:"cards,omitzero"`
	Log      string            `json:"log,omitzero"`      // the table itself
	Absences []kitchen.Absence `json:"absences,omitzero"` // in which nobody is home
}

// CardKept is one recipe, kept as a new one or as the next revision of one that there is.
type CardKept struct {
	Recipe RecipeText `json:"recipe"`
	Of     string     `json:"of,omitzero"`       // a recipe's id, of which it is the next revision
	Seen   int        `json:"revision,omitzero"` // of that recipe, as the baker saw it
}

// BringDone is what an import made.
type BringDone struct {
	ID      string             `json:"id"`
	Recipes []store.RecipeMade `json:"recipes"`
	Bakes   int                `json:"bakes"`
	Hours   int                `json:"hours,omitzero"` // absences
	Undone  bool               `json:"undone,omitzero"`
}

// keepBrought keeps what was brought in, whole or not at all.
func (s *server) keepBrought(c *call) (string, error) {
	var in Bringing
	if err := c.read(&in); err != nil {
		return "", err
	}
	if len(in.Cards) == 0 && in.Log == "" && len(in.Absences) == 0 {
		return "", fault.At("/cards", "choose what to keep")
	}
	k, zone, err := c.settings()
	if err != nil {
		return "", err
	}
	made := store.Imported{Recipes: []store.RecipeMade{}, Bakes: []string{}}
	for n, card := range in.Cards {
		one, err := c.keepCard(card, k.Kitchen)
		if err != nil {
			return "", under(fmt.Sprintf("/cards/%d", n), err)
		}
		made.Recipes = append(made.Recipes, one)
	}
	if in.Log != "" {
		_, then, _, err := c.readLog(in.Log, zone)
		if err != nil {
			return "", err
		}
		for _, b := range then {
			id, err := c.keepThen(b, k, zone)
			if err != nil {
				return "", fmt.Errorf("the bake of %s: %w", b.Started.Format(time.DateTime), err)
			}
			made.Bakes = append(made.Bakes, id)
		}
	}
	if len(in.Absences) > 0 {
		made.Absences = in.Absences
		if err := c.changed(k, k.Kitchen.WithAbsences(in.Absences, c.now)); err != nil {
			return "", err
		}
	}
	return c.AddImport(c.ctx, c.kitchen, made, c.now)
}

func (c *call) keepCard(card CardKept, k kitchen.Kitchen) (store.RecipeMade, error) {
	t := card.Recipe
	before := store.Recipe{}
	if card.Of != "" {
		var err error
		if before, err = named(card.Of, "/of", "recipe", func(id string) (store.Recipe, error) { return c.Recipe(c.ctx, c.kitchen, id, 0) }); err != nil {
			return store.RecipeMade{}, err
		}
		if before.Revision != card.Seen {
			return store.RecipeMade{}, store.ErrStale
		}
		t.Note, t.Kind = cmp.Or(t.Note, before.Recipe.Note), cmp.Or(t.Kind, before.Recipe.Kind)
	}
	u, err := t.understand(k)
	switch {
	case err != nil:
		return store.RecipeMade{}, under("/recipe", err)
	case u.read.Problem != "":
		return store.RecipeMade{}, fault.At("/recipe", "%s", u.read.Problem)
	}
	r := u.recipe
	if card.Of == "" {
		r = recipe.New(r)
		if err := r.Check(); err != nil {
			return store.RecipeMade{}, under("/recipe", err)
		}
		stored, err := c.AddRecipe(c.ctx, c.kitchen, r, r.Yeasted(k.Ingredient), c.now)
		return store.RecipeMade{ID: stored.ID, Name: r.Name, Revision: stored.Revision}, err
	}
	r = r.Revise(before.Recipe)
	if err := r.Check(); err != nil {
		return store.RecipeMade{}, under("/recipe", err)
	}
	stored, err := c.ReviseRecipe(c.ctx, c.kitchen, before.ID, before.Revision, r, r.Yeasted(k.Ingredient), c.now)
	return store.RecipeMade{ID: stored.ID, Name: r.Name, Revision: stored.Revision}, err
}

// keepThen keeps a bake of a table, planned with what the kitchen has now.
func (c *call) keepThen(b startedThen, k store.Kitchen, zone *time.Location) (string, error) {
	r, err := c.Recipe(c.ctx, c.kitchen, b.recipe, 0)
	if err != nil {
		return "", err
	}
	m := b.machine.Machine
	w := plan.Wish{RecipeID: r.ID, MachineID: b.machine.ID, Loaf: plan.Loaf{Size: b.Size}, Timing: plan.Timing{AtPanel: true}}
	if n := slices.IndexFunc(m.Cycles, func(cy machine.Cycle) bool { return cy.Panel == b.Panel && (b.Cycle == "" || cy.Name == b.Cycle) }); n >= 0 {
		w.Cycle = m.Cycles[n].ID
	}
	p, err := plan.Make(plan.Place{Kitchen: k.Kitchen, Zone: zone, Recipe: r.Recipe, Machine: m, Now: b.Started}, w)
	if err != nil {
		return "", err
	}
	pins := store.Pins{RecipeID: r.ID, Revision: r.Revision, MachineID: b.machine.ID, Machine: b.machine.Version, Kitchen: k.Version}
	id, err := c.StartBake(c.ctx, c.kitchen, store.Bake{Pins: pins, Plan: p, StartedAt: b.Started, Rehearsed: b.Rehearsed}, store.Wished{Zone: k.Kitchen.Zone})
	if err != nil {
		return "", err
	}
	end := p.Timer.Ready
	if b.Ended != nil {
		end = *b.Ended
	}
	what := map[bool]bake.What{true: bake.Abandoned, false: bake.TakenOut}[b.Phase == bake.GivenUp]
	happened := []bake.Happening{{Stamp: journal.Stamp{Seq: 1, At: end.UTC()}, What: what}}
	if b.Verdict.Mark > 0 {
		happened = append(happened, bake.Happening{Stamp: journal.Stamp{Seq: 2, At: end.UTC()}, What: bake.Judged, Verdict: b.Verdict})
	}
	for n, h := range happened {
		if err := bake.Check(bake.At(p, happened[:n], c.now), happened[:n], h); err != nil {
			return "", err
		}
		if err := c.AddInBake(c.ctx, c.kitchen, id, h, bake.At(p, happened[:n+1], c.now)); err != nil {
			return "", err
		}
	}
	return id, nil
}

func (s *server) broughtIn(c *call, id string) (any, error) {
	i, err := c.Import(c.ctx, c.kitchen, id)
	return doneOf(i), err
}

func doneOf(i store.Import) BringDone {
	return BringDone{i.ID, i.Made.Recipes, len(i.Made.Bakes), len(i.Made.Absences), i.Undone}
}

// undoBrought takes all of one import back: its new recipes and bakes are put away, its revisions undone. A recipe that
// was changed since keeps its change.
func (s *server) undoBrought(c *call) (any, error) {
	id, err := c.id()
	if err != nil {
		return nil, err
	}
	i, err := c.Import(c.ctx, c.kitchen, id)
	if err != nil || i.Undone {
		return doneOf(i), err
	}
	for _, r := range i.Made.Recipes {
		if err := c.takeBack(r); err != nil {
			return nil, err
		}
	}
	for _, b := range i.Made.Bakes {
		if err := c.PutBakeAway(c.ctx, c.kitchen, b, true); err != nil {
			return nil, err
		}
	}
	if len(i.Made.Absences) > 0 {
		k, _, err := c.settings()
		if err != nil {
			return nil, err
		}
		if err := c.changed(k, k.Kitchen.WithoutAbsences(i.Made.Absences)); err != nil {
			return nil, err
		}
	}
	i.Undone = true
	return doneOf(i), c.UndoneImport(c.ctx, c.kitchen, id)
}

func (c *call) takeBack(made store.RecipeMade) error {
	if made.Revision == 1 {
		return c.PutRecipeAway(c.ctx, c.kitchen, made.ID, true)
	}
	head, err := c.Recipe(c.ctx, c.kitchen, made.ID, 0)
	if err != nil || head.Revision != made.Revision {
		return err
	}
	before, err := c.Recipe(c.ctx, c.kitchen, made.ID, made.Revision-1)
	if err != nil {
		return err
	}
	back := before.Recipe
	back.Drawn = max(back.Drawn, head.Recipe.Drawn)
	_, err = c.keep(head, back)
	return err
}
