package plan

import (
	"fmt"
	"slices"
	"time"

	"risepan/core/fault"
	"risepan/core/formula"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/pan"
	"risepan/core/recipe"
	"risepan/core/swap"
	"risepan/core/timetable"
	"risepan/core/validate"
)

// WishShape is the number of a wish's JSON shape.
const WishShape = 1

// Wish is what the baker wants. It is the same value in a request, at a stored bench and here; the
// recipe and the machine are named by their ids, and a Place holds what they are.
type Wish struct {
	RecipeID  string `json:"recipe"`
	MachineID string `json:"machine"`
	LoafWish  `json:"loaf"`
	Timing    `json:"time,omitzero"`
	Handling  `json:"hands,omitzero"`
}

// LoafWish is what is to be baked.
type LoafWish struct {
	// empty: as the recipe is written, or the machine's largest where that is too large
	Size measure.LoafSize `json:"size,omitzero"`
	// baked out of such a bag, by its id: of its size, with what is in it
	BagID string `json:"bag,omitzero"`
	// above 0: the smallest size that gives so many; Size is then not looked at
	Slices  int                  `json:"slices,omitzero"`
	Eaters  int                  `json:"eaters,omitzero"`  // above 0: so many slices for each
	Have    *Have                `json:"have,omitzero"`    // the loaf follows what there is of one line
	Without []string             `json:"without,omitzero"` // optional lines to leave out
	Instead map[string]larder.ID `json:"instead,omitzero"` // for lines that offer a choice
	Swaps   []swap.Pick          `json:"swaps,omitzero"`   // made one after another in the recipe as written
}

// Timing is when it is wanted and what the machine shall do. Empty fields are chosen here.
type Timing struct {
	Ready timetable.Wall `json:"ready,omitzero"` // on the kitchen's clock; zero: start at once
	// ready not before that time, for somebody who comes home then
	NotYet bool `json:"notYet,omitzero"`
	// the pan is loaded and the baker stands at the machine: no lead time
	AtPanel bool                `json:"atPanel,omitzero"`
	Within  machine.Minutes     `json:"within,omitzero"` // the time that there is; 0: any
	Away    bool                `json:"away,omitzero"`   // nobody is there for the beep
	Cycle   string              `json:"cycle,omitzero"`  // the baker's own choice
	Crust   machine.Crust       `json:"crust,omitzero"`  // the baker's own choice
	AddIns  AddInWay            `json:"addIns,omitzero"` // for all of them
	Ways    map[string]AddInWay `json:"ways,omitzero"`   // of single lines
}

// Handling is how the hands measure and load.
type Handling struct {
	// steps from where the rounding begins: above 0 closer, below it fewer scoops
	Closer    int        `json:"closer,omitzero"`
	NotToHand []string   `json:"notToHand,omitzero"` // measures in use or missing just now, as they are called
	Locks     []Lock     `json:"locks,omitzero"`     // lines held at an amount
	Weigh     []string   `json:"weigh,omitzero"`     // lines to weigh
	Loading   pan.Manner `json:"loading,omitzero"`   // the baker's own way for this loaf
	Warmth    Warmth     `json:"warmth,omitzero"`    // of this day
}

// Lock holds one line at an amount that the baker wants; the rest is measured around it.
type Lock struct {
	Line   string         `json:"line"`
	Amount measure.Amount `json:"amount"`
}

// Have is an amount of one ingredient that the baker has: the whole loaf follows it.
type Have struct {
	Line   string         `json:"line"`
	Amount measure.Amount `json:"amount"`
}

// Warmth is what the baker says of this day's temperatures; a zero reading is the kitchen's usual.
type Warmth struct {
	Room  measure.Temperature `json:"room,omitzero"`
	Flour measure.Temperature `json:"flour,omitzero"`
	Cold  []string            `json:"cold,omitzero"` // lines straight from the fridge
	// Tempered has the liquid as the balance of heat asks, whatever temperature the recipe gives it.
	Tempered bool `json:"tempered,omitzero"`
}

// Place is where and when a wish is granted: the kitchen, what the wish's ids stand for, and the
// present.
type Place struct {
	Kitchen  kitchen.Kitchen
	Zone     *time.Location // of the kitchen's clock
	Recipe   recipe.Recipe
	Machine  machine.Machine
	Liked    []Liked   // this kitchen's well-marked loaves of the kind
	Occupied *Occupied // the machine's last bake of late; nil: none
	Bag      *Bag      // that the loaf is baked out of; nil: none
	Now      time.Time
	Stop     <-chan struct{} // closed when nobody waits for the plan any more; nil: somebody always does
}

// Liked is the formula of a loaf that was liked.
type Liked struct {
	Own     bool // of the very recipe that is planned
	Formula formula.Formula
}

// Occupied is the last bake of a machine.
type Occupied struct {
	Recipe  string
	Until   time.Time // that its bread is ready, or that it ended
	Running bool
}

// What a wish may ask for at the most.
const (
	mostEaters = 50
	mostSlices = 200
	mostListed = 60 // lines, locks, measures
	mostSwaps  = 20
	longID     = 80
	mostCloser = 1000
)

// Check reports the first thing about a wish that no kitchen could grant, as a *fault.Fault at its
// field.
func (w Wish) Check() error {
	if err := validate.Check(w); err != nil {
		return err
	}
	switch {
	case w.Eaters < 0 || w.Eaters > mostEaters:
		return fault.At("/loaf/eaters", "ask for 1 to %d eaters, not %d", mostEaters, w.Eaters)
	case w.Slices < 0 || w.Slices > mostSlices:
		return fault.At("/loaf/slices", "ask for 1 to %d slices, not %d", mostSlices, w.Slices)
	case w.Within < 0 || w.Within > 24*60:
		return fault.At("/time/within", "enter a time of up to 24 hours, not %s", w.Within)
	case w.Closer < -mostCloser || w.Closer > mostCloser:
		return fault.At("/hands/closer", "at most %d steps, not %d", mostCloser, w.Closer)
	case len(w.Swaps) > mostSwaps:
		return fault.At("/loaf/swaps", "%d swaps are too many: at most %d", len(w.Swaps), mostSwaps)
	}
	for at, n := range map[string]int{
		"/loaf/without": len(w.Without), "/loaf/instead": len(w.Instead), "/hands/notToHand": len(w.NotToHand),
		"/time/ways": len(w.Ways), "/hands/locks": len(w.Locks), "/hands/weigh": len(w.Weigh),
		"/hands/warmth/cold": len(w.Warmth.Cold),
	} {
		if n > mostListed {
			return fault.At(at, "%d entries are too many: at most %d", n, mostListed)
		}
	}
	for _, id := range slices.Concat([]string{w.BagID}, w.Without, w.NotToHand, w.Weigh, w.Warmth.Cold,
		[]string{w.Cycle}) {
		if err := validate.Short("", "a name in this wish", id, longID); err != nil {
			return err
		}
	}
	return nil
}

// In is the wish with the plain cups and spoons of what the baker said taken to be those of the kitchen.
func (w Wish) In(s measure.Standard) Wish {
	w.Locks = slices.Clone(w.Locks)
	for n := range w.Locks {
		w.Locks[n].Amount = w.Locks[n].Amount.In(s)
	}
	if w.Have != nil {
		w.Have = &Have{Line: w.Have.Line, Amount: w.Have.Amount.In(s)}
	}
	return w
}

// furthest is how far ahead a loaf can be planned.
const furthest = 14 * 24 * time.Hour

// fits reports what of a wish this machine and this moment cannot grant.
func (p Place) fits(w Wish, batch bool) error {
	if err := p.checkSize(w.Size, batch); err != nil {
		return err
	}
	if w.Ready.IsZero() {
		return nil
	}
	ready, _ := w.Ready.Resolve(p.Zone)
	if ready.Before(p.Now) {
		return fault.At("/time/ready", "%s has passed: it is %s now", w.Ready, timetable.WallOf(p.Now, p.Zone))
	}
	if ready.After(p.Now.Add(furthest)) {
		return fault.At("/time/ready", "%s is too far ahead: plan at most %d days ahead", w.Ready,
			int(furthest.Hours()/24))
	}
	return nil
}

// wanted is how many slices the loaf should give.
func (l LoafWish) wanted() int { return l.Slices * max(l.Eaters, 1) }

// weighs reports whether a line is weighed rather than scooped.
func (h Handling) weighs(k kitchen.Kitchen, line string) bool {
	return k.Scale || slices.Contains(h.Weigh, line) || slices.ContainsFunc(h.Locks, func(l Lock) bool {
		return l.Line == line && l.Amount.Unit.Facts().Dimension == measure.Weight
	})
}

// locked is the index of the lock that holds a line, or -1.
func (h Handling) locked(line string) int {
	return slices.IndexFunc(h.Locks, func(l Lock) bool { return l.Line == line })
}

// ready is the instant of the wished time.
func (t Timing) ready(zone *time.Location) time.Time {
	at, _ := t.Ready.Resolve(zone)
	return at
}

// swapped is a recipe with the wished swaps made, one after another.
func (l LoafWish) swapped(k kitchen.Kitchen, r recipe.Recipe) (recipe.Recipe, []Swapped, error) {
	done := []Swapped{}
	for n, p := range l.Swaps {
		next, err := swap.Apply(r, k.Ingredient, p)
		if err != nil {
			return r, nil, fault.Under(fmt.Sprintf("/loaf/swaps/%d", n), err)
		}
		r, done = next, append(done, Swapped{p, p.Said(k.Ingredient)})
	}
	return r, done, nil
}
