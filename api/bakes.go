package api

import (
	"bytes"
	"context"
	"net/http"
	"strconv"
	"time"

	"github.com/gin-gonic/gin"

	"risepan/core/bake"
	"risepan/core/bench"
	"risepan/core/fault"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/timetable"
	"risepan/store"
)

// Start begins a bake: the wish, and the digest of the plan that the baker saw.
type Start struct {
	Wish   Wish   `json:"wish"`
	Digest string `json:"digest"`
	Bench  string `json:"bench,omitzero"` // that the loaf was measured at
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
	StartedAt time.Time        `json:"startedAt"`
	State     bake.State       `json:"state"`
}

// Log lists bakes, newest first.
type Log struct {
	Bakes []BakeSummary `json:"bakes"`
	Zone  string        `json:"zone"`
	Now   time.Time     `json:"now"`
}

// BakeView is one bake: its plan as it was on the day, what happened, and where it stands.
type BakeView struct {
	BakeSummary
	Plan       plan.Plan        `json:"plan"`
	Happenings []bake.Happening `json:"happenings"`
	Zone       string           `json:"zone"`
	Now        time.Time        `json:"now"`
}

// Happened is what the baker says happened.
type Happened struct {
	What   bake.What            `json:"what"`
	Moment timetable.MomentKind `json:"moment,omitzero"`
	Mark   int                  `json:"mark,omitzero"`
	Note   string               `json:"note,omitzero"`
	Of     int                  `json:"of,omitzero"`
}

// longestLog is how many bakes the log shows.
const longestLog = 200

func summary(b store.Bake, happened []bake.Happening, now time.Time) BakeSummary {
	return BakeSummary{b.ID, b.RecipeID, b.Revision, b.Plan.Recipe, b.Plan.Machine, b.Plan.Size, b.Plan.Setting.Cycle,
		b.StartedAt, bake.At(b.Plan, happened, now)}
}

func (s *server) listBakes(c *gin.Context) (any, error) {
	ctx := c.Request.Context()
	k, err := s.kitchen(ctx, s.store.Queries)
	if err != nil {
		return nil, err
	}
	bakes, err := s.store.Bakes(ctx, k.ID, longestLog)
	if err != nil {
		return nil, err
	}
	ids := make([]string, len(bakes))
	for n, b := range bakes {
		ids[n] = b.ID
	}
	happened, err := s.store.Happenings(ctx, k.ID, ids...)
	if err != nil {
		return nil, err
	}
	out := Log{Bakes: []BakeSummary{}, Zone: k.zone.String(), Now: k.now}
	for _, b := range bakes {
		out.Bakes = append(out.Bakes, summary(b, happened[b.ID], k.now))
	}
	return out, nil
}

// startBake stores a bake that begins now. Where the plan would now differ from the one that the
// baker saw, it answers 409 with the new plan and stores nothing.
func (s *server) startBake(c *gin.Context, q store.Queries, k kitchenNow, body []byte) (any, error) {
	var start Start
	if err := read(bytes.NewReader(body), &start); err != nil {
		return nil, err
	}
	start.Wish.AtPanel = true
	ctx := c.Request.Context()
	m, err := s.fulfil(ctx, q, k, start.Wish)
	if err != nil {
		return nil, under("/wish", err)
	}
	if m.Digest != start.Digest {
		p := problem(http.StatusConflict, "/digest", "the plan has changed since it was shown: look at what is different, then start")
		p.Plan = &m.PlanAnswer
		return nil, p
	}
	if c, refused := m.Plan.Refusal(); refused {
		return nil, fault.At("/wish", "%s", c.Say)
	}
	b := store.Bake{RecipeID: m.recipe.ID, RevisionID: m.recipe.RevisionID, Revision: m.recipe.Revision, MachineID: m.machine.ID, Plan: m.Plan, StartedAt: k.now}
	w := store.Wished{Wall: start.Wish.Ready, Zone: k.zone.String()}
	w.At, _ = w.Wall.Resolve(k.zone)
	if b.ID, err = q.StartBake(ctx, k.ID, b, w); err != nil {
		return nil, err
	}
	if start.Bench != "" {
		if err := s.leaveBench(ctx, q, k, start.Bench); err != nil {
			return nil, under("/bench", err)
		}
	}
	return view(b, nil, k), nil
}

// leaveBench notes that the loaf of a bench was started.
func (s *server) leaveBench(ctx context.Context, q store.Queries, k kitchenNow, id string) error {
	if !store.ValidID(id) {
		return store.ErrNotFound
	}
	if err := q.HoldBench(ctx, k.ID, id); err != nil {
		return err
	}
	happened, err := q.BenchHappenings(ctx, k.ID, id)
	if err != nil {
		return err
	}
	return q.AddBenchHappening(ctx, k.ID, id, bench.Happening{Seq: len(happened) + 1, At: k.now.UTC(), Do: bench.Started}, true)
}

// under moves a fault's pointer below the field that holds the faulty value.
func under(prefix string, err error) error {
	p := asProblem(err)
	if p.Status >= 500 {
		return err
	}
	p.Pointer = prefix + p.Pointer
	return p
}

func view(b store.Bake, happened []bake.Happening, k kitchenNow) BakeView {
	return BakeView{summary(b, happened, k.now), b.Plan, happened, k.zone.String(), k.now}
}

// showBake answers 304 to a client that has seen all that happened.
func (s *server) showBake(c *gin.Context) (any, error) {
	ctx := c.Request.Context()
	k, err := s.kitchen(ctx, s.store.Queries)
	if err != nil {
		return nil, err
	}
	b, happened, err := findBake(c, s.store.Queries, k)
	if err != nil {
		return nil, err
	}
	if err := unseen(c, len(happened)); err != nil {
		return nil, err
	}
	return view(b, happened, k), nil
}

// unseen is notModified for a client that says it has seen all that happened.
func unseen(c *gin.Context, last int) error {
	text := c.Query("after")
	if text == "" {
		return nil
	}
	after, err := strconv.Atoi(text)
	switch {
	case err != nil || after < 0:
		return problem(http.StatusBadRequest, "/after", "after wants the number of the last happening seen, not %.20q", text)
	case after == last:
		return notModified
	}
	return nil
}

func findBake(c *gin.Context, q store.Queries, k kitchenNow) (store.Bake, []bake.Happening, error) {
	id := c.Param("id")
	if !store.ValidID(id) {
		return store.Bake{}, nil, problem(http.StatusNotFound, "", "there is no such bake")
	}
	b, err := q.Bake(c.Request.Context(), k.ID, id)
	if err != nil {
		return store.Bake{}, nil, err
	}
	happened, err := q.Happenings(c.Request.Context(), k.ID, id)
	return b, happened[id], err
}

func (s *server) addHappening(c *gin.Context, q store.Queries, k kitchenNow, body []byte) (any, error) {
	var said Happened
	if err := read(bytes.NewReader(body), &said); err != nil {
		return nil, err
	}
	ctx := c.Request.Context()
	if !store.ValidID(c.Param("id")) {
		return nil, store.ErrNotFound
	}
	if err := q.HoldBake(ctx, k.ID, c.Param("id")); err != nil {
		return nil, err
	}
	b, happened, err := findBake(c, q, k)
	if err != nil {
		return nil, err
	}
	h := bake.Happening{Seq: len(happened) + 1, At: k.now.UTC(), What: said.What, Moment: said.Moment, Mark: said.Mark, Note: said.Note, Of: said.Of}
	if err := bake.Check(bake.At(b.Plan, happened, k.now), happened, h); err != nil {
		return nil, err
	}
	happened = append(happened, h)
	if err := q.AddHappening(ctx, k.ID, b.ID, h, bake.At(b.Plan, happened, k.now).Mark); err != nil {
		return nil, err
	}
	return view(b, happened, k), nil
}
