package usecase

import (
	"cmp"
	"slices"
	"time"

	"risepan/core/advice"
	"risepan/core/bake"
	"risepan/core/bench"
	"risepan/core/dough"
	"risepan/core/fault"
	"risepan/core/journal"
	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/otherwise"
	"risepan/core/plan"
	"risepan/core/verdict"
	"risepan/store"
)

// Start begins a bake: the wish, and the digest of the plan that the baker saw.
type Start struct {
	Wish   plan.Wish `json:"wish"`
	Digest string    `json:"digest"`
	Bench  string    `json:"bench,omitzero"` // that the loaf was measured at
}

// BakeSummary is one row of the log.
type BakeSummary struct {
	ID        string           `json:"id"`
	RecipeID  string           `json:"recipeId"`
	Revision  int              `json:"revision"`
	Recipe    string           `json:"recipe"`
	Machine   string           `json:"machine"`
	Size      measure.LoafSize `json:"size"`
	Cycle     plan.CycleName   `json:"cycle"`
	Crust     machine.Crust    `json:"crust,omitzero"` // as it came out, else as it was set
	StartedAt time.Time        `json:"startedAt"`
	Ready     time.Time        `json:"ready"`
	Phase     bake.Phase       `json:"phase"`
	Mark      int              `json:"mark,omitzero"`
	Note      string           `json:"note,omitzero"`
	Signs     []bake.Sign      `json:"signs,omitzero"`
	Photo     string           `json:"photo,omitzero"`     // its id
	Rehearsed bool             `json:"rehearsed,omitzero"` // no flour was used
	Moments   []bake.Moment    `json:"moments,omitzero"`   // while it has not ended
	// the first day of the week in which it was started, in a list by weeks
	Week kitchen.Date `json:"week,omitzero"`
}

// BakeView is one bake: its plan as it was on the day, what happened, and where it stands.
type BakeView struct {
	ID        string    `json:"id"`
	RecipeID  string    `json:"recipeId"`
	Revision  int       `json:"revision"`
	StartedAt time.Time `json:"startedAt"`
	PutAway   bool      `json:"putAway,omitzero"`
	Rehearsed bool      `json:"rehearsed,omitzero"` // no flour was used
	// why the recipe's revision was made: what this loaf was to show
	Tried      string           `json:"tried,omitzero"`
	State      bake.State       `json:"state"`
	Rise       *advice.Advice   `json:"rise,omitzero"` // what to do about the height that was told last
	Shows      []bake.Sign      `json:"shows"`         // the signs that this loaf can show
	Goes       []bake.Mishap    `json:"goes"`          // what can have gone otherwise with it
	Why        []Why            `json:"why,omitzero"`  // it came out so, likeliest cause first
	Plan       plan.Plan        `json:"plan"`
	Happenings []bake.Happening `json:"happenings"`
	Zone       string           `json:"zone"`
	Now        time.Time        `json:"now"`
}

// Happened is what the baker says happened.
type Happened struct {
	What         bake.What `json:"what"`
	Moment       string    `json:"moment,omitzero"`
	bake.Verdict           // of the finished loaf
	Of           int       `json:"of,omitzero"`

	Event otherwise.Event `json:"event,omitzero"` // that went otherwise

	Seen dough.Seen  `json:"seen,omitzero"` // how the dough ball looks
	Dose *dough.Dose `json:"dose,omitzero"` // what was put in to mend it

	Stands dough.Stands `json:"stands,omitzero"` // how high it stands

	Refusal bake.Refusal `json:"refusal,omitzero"` // why it would not start

	// by which what is to come moves; of a Start that was pressed again, how long ago
	Minutes int       `json:"minutes,omitzero"`
	Cut     *bake.Cut `json:"cut,omitzero"` // a power cut

	Warm measure.Temperature `json:"warm,omitzero"` // the dough, by a thermometer
}

// at is what was said as a happening of a journal.
func (h Happened) at(stamp journal.Stamp) bake.Happening {
	return bake.Happening{Stamp: stamp, What: h.What, Moment: h.Moment, Verdict: h.Verdict, Of: h.Of,
		Seen: h.Seen, Dose: h.Dose, Stands: h.Stands, Refusal: h.Refusal, Minutes: h.Minutes, Cut: h.Cut, Warm: h.Warm,
		Event: h.Event}
}

// BakeTold is what a happening changed: how the bake now stands, and all that happened in it.
type BakeTold struct {
	ID         string           `json:"id"`
	State      bake.State       `json:"state"`
	Rise       *advice.Advice   `json:"rise,omitzero"`
	Why        []Why            `json:"why,omitzero"`
	Happenings []bake.Happening `json:"happenings"`
	Now        time.Time        `json:"now"`
}

// Why is one cause of how a loaf came out, and the one change of its recipe that answers it.
type Why struct {
	verdict.Weighed
	Step   *verdict.Change `json:"step,omitzero"`
	Choice *ChoiceNext     `json:"choice,omitzero"`
}

// ChoiceNext is a setting of the machine that answers a cause, as the baker's own for this recipe, and what was chosen
// before.
type ChoiceNext struct {
	verdict.Choice
	Machine string      `json:"machine"` // its id
	Becomes store.Habit `json:"becomes"`
	Was     store.Habit `json:"was"`
}

func summary(g store.Glance, now time.Time) BakeSummary {
	clock, moments := bake.Follow(g.Clock, g.Moments, now)
	crust := g.Crust
	if g.Verdict.Crust != "" {
		crust = g.Verdict.Crust
	}
	return BakeSummary{ID: g.ID, RecipeID: g.RecipeID, Revision: g.Revision, Recipe: g.Recipe, Machine: g.Machine,
		Size: g.Size, Cycle: g.Cycle, Crust: crust,
		StartedAt: g.StartedAt, Ready: clock.Ready, Phase: clock.Phase(now), Mark: g.Verdict.Mark,
		Note: g.Verdict.Note, Signs: g.Verdict.Signs,
		Photo: g.Photo, Rehearsed: g.Rehearsed, Moments: moments}
}

// RunningBakes shows the bakes that have not ended.
func (c *Scope) RunningBakes() (Log, error) {
	_, zone, err := c.settings()
	if err != nil {
		return Log{}, err
	}
	glances, err := c.q.Running(c.ctx, c.kitchen)
	out := Log{Bakes: []BakeSummary{}, Zone: zone.String(), Now: c.now}
	for _, g := range glances {
		out.Bakes = append(out.Bakes, summary(g, c.now))
	}
	return out, err
}

// StartBake stores a bake that begins now. Where the plan would now differ from the one that the
// baker saw, it answers 409 with the new plan and stores nothing. A loaf that was measured at a bench is
// baked with what that bench was made with.
func (c *Scope) StartBake(start Start) (string, error) {
	var pins *store.Pins
	if start.Bench != "" {
		b, err := named(start.Bench, "/bench", "bench", func(id string) (store.Bench, error) {
			return c.q.Bench(c.ctx,
				c.kitchen, id)
		})
		if err != nil {
			return "", err
		}
		pins = &b.Pins
	}
	start.Wish.AtPanel = true
	m, err := c.fulfil(start.Wish, pins)
	if err != nil {
		return "", under("/wish", err)
	}
	if m.Digest != start.Digest {
		r := refuse(Conflict, "/digest", "the plan has changed since it was shown: look at what is different, then "+
			"start")
		r.Plan = &m.PlanAnswer
		return "", r
	}
	if refusal, refused := m.Plan.Refusal(); refused {
		return "", fault.At("/wish", "%s", refusal.Say)
	}
	if err := c.benchReady(start.Bench); err != nil {
		return "", err
	}
	_, zone, err := c.settings()
	if err != nil {
		return "", err
	}
	w := store.Wished{Wall: start.Wish.Ready, Zone: zone.String()}
	w.At, _ = w.Wall.Resolve(zone)
	id, err := c.q.StartBake(c.ctx, c.kitchen, store.Bake{Pins: m.pins, Plan: m.Plan, StartedAt: c.now,
		Bench: start.Bench}, w)
	if err == nil {
		err = c.takeBag(start.Wish)
	}
	if err == nil && start.Bench != "" {
		err = c.leaveBench(start.Bench)
	}
	return id, err
}

// benchReady reports what of the bench of a loaf still has to be waited for; no bench is ready.
func (c *Scope) benchReady(id string) error {
	if id == "" {
		return nil
	}
	b, err := c.q.Bench(c.ctx, c.kitchen, id)
	if err != nil {
		return err
	}
	happened, err := c.q.BenchHappenings(c.ctx, c.kitchen, id)
	if err != nil {
		return err
	}
	return bench.At(happened).Ready(b.Steps)
}

// leaveBench notes that the loaf of a bench was started.
func (c *Scope) leaveBench(id string) error {
	stamp, err := c.hold(id)
	if err != nil {
		return err
	}
	b, err := c.q.Bench(c.ctx, c.kitchen, id)
	if err != nil {
		return err
	}
	if err := c.q.AddAtBench(c.ctx, c.kitchen, id, bench.Happening{Stamp: stamp, Do: bench.Started}); err != nil {
		return err
	}
	return c.q.NoteBench(c.ctx, c.kitchen, id, b.Steps, true)
}

// ShowBake is a bake as it stands.
func (c *Scope) ShowBake(id string) (BakeView, error) {
	k, zone, err := c.settings()
	if err != nil {
		return BakeView{}, err
	}
	b, err := c.q.Bake(c.ctx, c.kitchen, id)
	if err != nil {
		return BakeView{}, err
	}
	happened, err := c.q.BakeHappenings(c.ctx, c.kitchen, id)
	if err != nil {
		return BakeView{}, err
	}
	state := bake.At(b.Plan, happened, c.now)
	var rise *advice.Advice
	if len(state.Heights) > 0 && !state.Over() {
		before, err := c.q.HeightsBefore(c.ctx, c.kitchen, b)
		if err != nil {
			return BakeView{}, err
		}
		rise = bake.Rise(b.Plan, state, before)
	}
	why, err := c.why(b, state, happened)
	if err != nil {
		return BakeView{}, err
	}
	r, err := c.q.Recipe(c.ctx, c.kitchen, b.RecipeID, b.Revision)
	return BakeView{b.ID, b.RecipeID, b.Revision, b.StartedAt, b.PutAway, b.Rehearsed, r.Recipe.Because.String(),
		state, rise, verdict.SignsOf(b.Plan), verdict.MishapsOf(b.Plan, k.Kitchen), why, b.Plan, happened, zone.String(), c.now}, err
}

// why weighs the causes of a loaf of which signs were told.
func (c *Scope) why(b store.Bake, s bake.State, happened []bake.Happening) ([]Why, error) {
	if !s.Over() || s.Mark == 0 {
		return nil, nil
	}
	k, _, err := c.settings()
	if err != nil {
		return nil, err
	}
	r, err := c.q.Recipe(c.ctx, c.kitchen, b.RecipeID, 0)
	if err != nil {
		return nil, err
	}
	baked := verdict.Baked{Plan: b.Plan, State: s, Happened: happened, Kitchen: k.Kitchen}
	if b.Bench != "" {
		at, err := c.q.Bench(c.ctx, c.kitchen, b.Bench)
		if err != nil {
			return nil, err
		}
		told, err := c.q.BenchHappenings(c.ctx, c.kitchen, b.Bench)
		if err != nil {
			return nil, err
		}
		session := bench.At(told)
		baked.Bench, baked.Steps = &session, at.Steps
	}
	then, err := c.q.Recipe(c.ctx, c.kitchen, b.RecipeID, b.Revision)
	if err != nil {
		return nil, err
	}
	if tried := verdict.Cause(then.Recipe.Because.Cause); slices.Contains(verdict.Causes, tried) {
		baked.Tried = tried
	}
	if baked.Well, err = c.q.CameOutWell(c.ctx, c.kitchen, b.RecipeID, b.Revision, b.ID); err != nil {
		return nil, err
	}
	habits, unreadable, err := c.q.Habits(c.ctx, c.kitchen)
	if err != nil {
		return nil, err
	}
	c.unreadable(unreadable...)
	habit := habits[[2]string{b.RecipeID, b.MachineID}]
	var out []Why
	for _, w := range baked.Causes() {
		if !w.Asks() { // nothing is changed for what cannot be told, nor what was changed in vain
			out = append(out, Why{Weighed: w})
			continue
		}
		why := Why{Weighed: w, Step: verdict.Propose(k.Kitchen, b.Plan, r.Recipe, w.Cause)}
		if other := verdict.Choose(b.Plan, s, w.Cause); other != nil {
			becomes := store.Habit{Cycle: cmp.Or(other.Cycle, habit.Cycle), Crust: cmp.Or(other.Crust, habit.Crust)}
			why.Choice = &ChoiceNext{*other, b.MachineID, becomes, habit}
		}
		out = append(out, why)
	}
	return out, nil
}

// AddInBake appends what the baker says happened in a bake.
func (c *Scope) AddInBake(id string, said Happened) (string, error) {
	stamp, err := c.hold(id)
	if err != nil {
		return "", err
	}
	return id, c.tellBake(id, said.at(stamp))
}

// tellBake appends what happened to a bake that is held.
func (c *Scope) tellBake(id string, h bake.Happening) error {
	b, err := c.q.Bake(c.ctx, c.kitchen, id)
	if err != nil {
		return err
	}
	happened, err := c.q.BakeHappenings(c.ctx, c.kitchen, id)
	if err != nil {
		return err
	}
	if err := bake.Check(bake.At(b.Plan, happened, c.now), happened, h); err != nil {
		return err
	}
	return c.q.AddInBake(c.ctx, c.kitchen, id, h, bake.At(b.Plan, append(happened, h), c.now))
}

// ToldBake answers with what a happening changed.
func (c *Scope) ToldBake(id string) (BakeTold, error) {
	v, err := c.ShowBake(id)
	return BakeTold{v.ID, v.State, v.Rise, v.Why, v.Happenings, v.Now}, err
}
