package usecase

import (
	"context"
	"errors"
	"fmt"
	"slices"
	"strings"
	"time"

	"risepan/core/bake"
	"risepan/core/fault"
	"risepan/core/kitchen"
	"risepan/core/measure"
	"risepan/core/recipe"
	"risepan/core/scale"
	"risepan/formats"
	"risepan/store"
)

// Brought is what was understood of a file or a pasted text, before any of it is kept.
type Brought struct {
	Cards    []BroughtCard `json:"cards,omitzero"`
	Log      *BroughtLog   `json:"log,omitzero"`
	Calendar *BroughtHours `json:"calendar,omitzero"`
	// of a ZIP archive, to be brought in one by one; nothing of them is read yet
	Files []formats.File `json:"files,omitzero"`
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

// longCalendar is how long a calendar's events may take to be worked out.
const longCalendar = 2 * time.Second

// Bring reads a file or a pasted text. It stores nothing.
func (c *Scope) Bring(b []byte) (Brought, error) {
	if formats.IsZip(b) {
		files, err := formats.Unzip(b)
		if err != nil {
			return Brought{}, fault.At("/file", "%v", err)
		}
		return Brought{Files: files}, nil
	}
	text, err := formats.Text(b)
	if err != nil {
		return Brought{}, fault.At("/file", "%v", err)
	}
	k, zone, err := c.settings()
	if err != nil {
		return Brought{}, err
	}
	if formats.IsLog(text) {
		rows, _, faults, err := c.readLog(text, zone)
		return Brought{Log: &BroughtLog{rows, faults}}, err
	}
	if formats.IsCalendar(text) {
		ctx, cancel := context.WithTimeout(c.ctx, longCalendar)
		defer cancel()
		absences, faults, err := formats.ReadBusy(ctx, text, zone, c.now)
		if err != nil {
			return Brought{}, fault.At("/file", "%v", err)
		}
		return Brought{Calendar: &BroughtHours{append([]kitchen.Absence{}, absences...), faults, zone.String()}}, nil
	}
	cards, err := formats.Cards(text)
	if err != nil {
		return Brought{}, fault.At("/file", "%v", err)
	}
	machines, _, err := c.q.Machines(c.ctx, c.kitchen, false)
	if err != nil {
		return Brought{}, err
	}
	out := Brought{Cards: []BroughtCard{}}
	for _, card := range apart(cards, k.Kitchen) {
		if err := c.ctx.Err(); err != nil {
			return Brought{}, err
		}
		one, err := c.broughtCard(card, k.Kitchen, machines)
		if err != nil {
			return Brought{}, err
		}
		out.Cards = append(out.Cards, one)
	}
	return out, nil
}

// apart are the cards, with one that holds several recipes as so many.
func apart(cards []formats.Card, k kitchen.Kitchen) (out []formats.Card) {
	for _, card := range cards {
		several := recipe.Apart(card.Text, k.Standard, k.Find)
		if several == nil {
			out = append(out, card)
		}
		for _, one := range several {
			out = append(out, formats.Card{Name: one.Name, Text: one.Text})
		}
	}
	return out
}

func (c *Scope) broughtCard(card formats.Card, k kitchen.Kitchen, machines []store.Machine) (BroughtCard, error) {
	t := RecipeText{Standard: k.Standard, Text: card.Text, Note: card.Note, Kind: card.Kind}
	u, err := t.understand(k)
	if err != nil {
		return BroughtCard{Name: card.Name, Problem: fault.Says(err)}, nil
	}
	out := BroughtCard{Name: u.read.Recipe.Name, Read: &u.read, Lost: card.Lost, Oven: forOven(u, machines)}
	twin, err := c.q.Named(c.ctx, c.kitchen, u.read.Recipe.Name)
	if errors.Is(err, store.ErrNotFound) {
		return out, nil
	}
	if err != nil {
		return out, err
	}
	own, err := c.q.Recipe(c.ctx, c.kitchen, twin.ID, 0)
	if err != nil {
		return out, err
	}
	out.Twin = &twin
	out.Same = !slices.ContainsFunc(recipe.Differ(own.Recipe, u.recipe.Revise(own.Recipe), k.Ingredient),
		func(d recipe.Changed) bool { return d.Line != "" })
	return out, nil
}

// forOven is what changes when a recipe for hands and oven comes into the machines of a kitchen.
func forOven(u understood, machines []store.Machine) []OvenChange {
	steps := u.card.ByOven()
	if steps == nil {
		return nil
	}
	var out []OvenChange
	var sizes []measure.LoafSize
	for _, m := range machines {
		sizes = append(sizes, m.Machine.Sizes...)
	}
	size, flour := u.recipe.Size, u.read.Formula.Flour
	if largest, share, beyond := scale.Beyond(size, sizes); beyond && flour > 0 {
		in := slices.IndexFunc(machines, func(m store.Machine) bool { return m.Machine.Bakes(largest) })
		out = append(out, OvenChange{fmt.Sprintf("%.0f g of flour", float64(flour)),
			fmt.Sprintf("That is a loaf of %s. The largest that a machine here bakes is %s, in the %s: there the "+
				"plan takes %.0f %% of everything.", size, largest, machines[in].Machine.Name, 100*share)})
	} else if u.read.Inferred {
		out = append(out, OvenChange{"", fmt.Sprintf("It names no loaf size: by its flour it is one of %s.", size)})
	}
	for _, s := range steps {
		out = append(out, OvenChange{s.Says, s.So})
	}
	return out
}

// readLog reads a log and finds for each of its bakes the recipe, the machine and the plan; a row that is not taken
// says why.
func (c *Scope) readLog(text string, zone *time.Location) ([]LogRow, []startedThen, []formats.LogFault, error) {
	bakes, faults, err := formats.ReadLog(text, zone)
	if err != nil {
		return nil, nil, nil, fault.At("/file", "%v", err)
	}
	machines, _, err := c.q.Machines(c.ctx, c.kitchen, false)
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
			if r, err = c.q.Named(c.ctx, c.kitchen, b.Recipe); err != nil && !errors.Is(err, store.ErrNotFound) {
				return nil, nil, nil, err
			}
			recipes[b.Recipe] = r
			if r.ID != "" {
				if starts[r.ID], err = c.q.Starts(c.ctx, c.kitchen, r.ID); err != nil {
					return nil, nil, nil, err
				}
			}
		}
		m := slices.IndexFunc(machines, func(m store.Machine) bool {
			return strings.EqualFold(m.Machine.Name,
				b.Machine)
		})
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
		case slices.ContainsFunc(starts[r.ID],
			func(at time.Time) bool { return at.Truncate(time.Minute).Equal(minute.UTC()) }):
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
