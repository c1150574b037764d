package api

import (
	"bytes"
	"context"
	"errors"
	"strings"
	"time"

	"github.com/gin-gonic/gin"
	"github.com/go-json-experiment/json"

	"risepan/core/bench"
	"risepan/core/fault"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/timetable"
	"risepan/store"
)

// BenchView is a loaf being measured: its plan as it now is, the steps, and which of them are done.
type BenchView struct {
	PlanAnswer
	ID      string        `json:"id"`
	Wish    Wish          `json:"wish"` // with what the bench has learned; the bake starts from it
	Steps   []bench.Step  `json:"steps"`
	Session bench.Session `json:"session"`
	Passed  bool          `json:"passed,omitzero"` // the wished ready time is over: planned for now
}

// AtBench is what the baker says happened at the bench.
type AtBench struct {
	Do     bench.Do       `json:"do"`
	Step   string         `json:"step,omitzero"`
	Line   string         `json:"line,omitzero"`
	Amount measure.Amount `json:"amount,omitzero"`
	Way    bench.Way      `json:"way,omitzero"`
}

// OpenBench is a bench to go back to.
type OpenBench struct {
	ID     string `json:"id"`
	Recipe string `json:"recipe"`
}

// benchKeeps is how long an unfinished bench is offered to go back to.
const benchKeeps = 24 * time.Hour

func (s *server) openBench(ctx context.Context, k kitchenNow) (*OpenBench, error) {
	id, recipe, err := s.store.OpenBench(ctx, k.ID, k.now.Add(-benchKeeps))
	if errors.Is(err, store.ErrNotFound) {
		return nil, nil
	}
	return &OpenBench{id, recipe}, err
}

// learned is the wish with what the bench has learned.
func (w Wish) learned(s bench.Session) Wish {
	to := s.Wish(plan.Wish{Locks: w.Locks, Have: w.Have})
	w.Locks, w.Have = to.Locks, to.Have
	return w
}

// viewBench works out a bench as it stands. A ready time that has passed is dropped.
func (s *server) viewBench(ctx context.Context, q store.Queries, k kitchenNow, b store.Bench, happened []bench.Happening) (BenchView, error) {
	v := BenchView{ID: b.ID, Session: bench.At(happened)}
	if err := json.Unmarshal([]byte(b.Wish), &v.Wish); err != nil {
		return v, err
	}
	v.Wish = v.Wish.learned(v.Session)
	v.Wish.AtPanel = true
	m, err := s.fulfil(ctx, q, k, v.Wish)
	var f *fault.Fault
	if errors.As(err, &f) && f.Pointer == "/ready" {
		v.Wish.Ready, v.Passed = timetable.Wall{}, true
		m, err = s.fulfil(ctx, q, k, v.Wish)
	}
	if err != nil {
		return v, err
	}
	v.PlanAnswer = m.PlanAnswer
	v.Steps = bench.Steps(k.Kitchen.Kitchen, m.Plan, v.Session.InPan(k.Kitchen.Kitchen, m.Plan))
	return v, nil
}

// addBench begins to measure a planned loaf.
func (s *server) addBench(c *gin.Context, q store.Queries, k kitchenNow, body []byte) (any, error) {
	var w Wish
	if err := read(bytes.NewReader(body), &w); err != nil {
		return nil, err
	}
	ctx := c.Request.Context()
	m, err := s.fulfil(ctx, q, k, w)
	if err != nil {
		return nil, err
	}
	if c, refused := m.Plan.Refusal(); refused {
		return nil, fault.At("", "%s", c.Say)
	}
	doc, err := json.Marshal(w)
	if err != nil {
		return nil, err
	}
	b := store.Bench{RecipeID: m.recipe.ID, MachineID: m.machine.ID, Wish: string(doc), CreatedAt: k.now}
	if b.ID, err = q.AddBench(ctx, k.ID, b); err != nil {
		return nil, err
	}
	return s.viewBench(ctx, q, k, b, nil)
}

func findBench(c *gin.Context, q store.Queries, k kitchenNow) (store.Bench, []bench.Happening, error) {
	ctx, id := c.Request.Context(), c.Param("id")
	if !store.ValidID(id) {
		return store.Bench{}, nil, store.ErrNotFound
	}
	b, err := q.Bench(ctx, k.ID, id)
	if err != nil {
		return b, nil, err
	}
	happened, err := q.BenchHappenings(ctx, k.ID, id)
	return b, happened, err
}

// showBench answers 304 to a client that has seen all that happened.
func (s *server) showBench(c *gin.Context) (any, error) {
	ctx := c.Request.Context()
	k, err := s.kitchen(ctx, s.store.Queries)
	if err != nil {
		return nil, err
	}
	b, happened, err := findBench(c, s.store.Queries, k)
	if err != nil {
		return nil, err
	}
	if err := unseen(c, len(happened)); err != nil {
		return nil, err
	}
	return s.viewBench(ctx, s.store.Queries, k, b, happened)
}

// addAtBench appends what happened. A slip that the plan cannot follow is refused at its amount.
func (s *server) addAtBench(c *gin.Context, q store.Queries, k kitchenNow, body []byte) (any, error) {
	var said AtBench
	if err := read(bytes.NewReader(body), &said); err != nil {
		return nil, err
	}
	ctx := c.Request.Context()
	if !store.ValidID(c.Param("id")) {
		return nil, store.ErrNotFound
	}
	if err := q.HoldBench(ctx, k.ID, c.Param("id")); err != nil {
		return nil, err
	}
	b, happened, err := findBench(c, q, k)
	if err != nil {
		return nil, err
	}
	v, err := s.viewBench(ctx, q, k, b, happened)
	if err != nil {
		return nil, err
	}
	h := bench.Happening{Seq: len(happened) + 1, At: k.now.UTC(), Do: said.Do, Step: said.Step, Line: said.Line, Amount: said.Amount.In(k.Kitchen.Kitchen.Standard), Way: said.Way}
	if err := bench.Check(v.Session, v.Plan, v.Steps, h); err != nil {
		return nil, err
	}
	if h.Do == bench.Slip {
		for _, l := range v.Session.Measured(v.Plan) {
			if l.Line != h.Line {
				h.In = append(h.In, l)
			}
		}
	}
	happened = append(happened, h)
	next, err := s.viewBench(ctx, q, k, b, happened)
	var f *fault.Fault
	if errors.As(err, &f) && (strings.HasPrefix(f.Pointer, "/locks") || strings.HasPrefix(f.Pointer, "/have")) {
		return nil, fault.At("/amount", "%s", f.Detail)
	}
	if err != nil {
		return nil, err
	}
	return next, q.AddBenchHappening(ctx, k.ID, b.ID, h, next.Session.Over)
}
