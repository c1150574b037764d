package store

import (
	"context"
	"fmt"
	"time"

	"risepan/core/bake"
	"risepan/core/formula"
	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/core/timetable"
)

// Wished is the ready time that the baker asked for: on the wall, in which zone, and the instant
// that it resolved to. Its Wall is zero for a bake that started at once.
type Wished struct {
	Wall timetable.Wall
	Zone string
	At   time.Time
}

// Bake is a stored bake: the plan as it was on the day, and where it came from.
type Bake struct {
	ID         string
	RecipeID   string
	RevisionID string
	Revision   int
	MachineID  string
	Plan       plan.Plan
	StartedAt  time.Time
}

// StartBake stores a new bake.
func (q Queries) StartBake(ctx context.Context, kitchenID string, b Bake, w Wished) (string, error) {
	doc, err := encode(b.Plan)
	if err != nil {
		return "", err
	}
	id := NewID()
	var wall, at any
	if !w.Wall.IsZero() {
		wall, at = w.Wall.String(), w.At.UTC()
	}
	_, err = q.q.ExecContext(ctx, `INSERT INTO bakes (id, kitchen_id, revision_id, machine_id, shape, plan, wished_wall, wished_zone, wished_at, started_at)
		VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)`,
		id, kitchenID, b.RevisionID, b.MachineID, b.Plan.Shape, doc, wall, w.Zone, at, b.StartedAt.UTC())
	return id, err
}

const selectBake = `SELECT b.id, v.recipe_id, v.id, v.number, b.machine_id, b.shape, b.plan, b.started_at
	FROM bakes b JOIN recipe_revisions v ON v.id = b.revision_id `

func scanBake(scan func(...any) error) (Bake, error) {
	var b Bake
	var shape int
	var doc string
	if err := scan(&b.ID, &b.RecipeID, &b.RevisionID, &b.Revision, &b.MachineID, &shape, &doc, &b.StartedAt); err != nil {
		return b, err
	}
	if shape < 1 || shape > plan.Shape {
		return b, fmt.Errorf("bake %s has a plan of shape %d, which this version cannot read", b.ID, shape)
	}
	return b, decode(doc, &b.Plan)
}

// Bakes lists a kitchen's bakes, newest first, at most limit of them.
func (q Queries) Bakes(ctx context.Context, kitchenID string, limit int) ([]Bake, error) {
	rows, err := q.q.QueryContext(ctx, selectBake+`WHERE b.kitchen_id = ? ORDER BY b.started_at DESC, b.id DESC LIMIT ?`, kitchenID, limit)
	return list(rows, err, scanBake)
}

// Bake finds one bake of a kitchen.
func (q Queries) Bake(ctx context.Context, kitchenID, id string) (Bake, error) {
	b, err := scanBake(q.q.QueryRowContext(ctx, selectBake+`WHERE b.kitchen_id = ? AND b.id = ?`, kitchenID, id).Scan)
	return b, found(err)
}

// HoldBake keeps others from adding to a bake until the transaction ends.
func (q Queries) HoldBake(ctx context.Context, kitchenID, id string) error {
	var one string
	return found(q.q.QueryRowContext(ctx, `SELECT id FROM bakes WHERE kitchen_id = ? AND id = ? FOR UPDATE`, kitchenID, id).Scan(&one))
}

// Happenings lists what happened in some bakes, by bake, in order.
func (q Queries) Happenings(ctx context.Context, kitchenID string, bakeIDs ...string) (map[string][]bake.Happening, error) {
	out := map[string][]bake.Happening{}
	if len(bakeIDs) == 0 {
		return out, nil
	}
	args := []any{kitchenID}
	marks := ""
	for _, id := range bakeIDs {
		args = append(args, id)
		marks += ",?"
	}
	type row struct {
		bake string
		h    bake.Happening
	}
	rows, err := q.q.QueryContext(ctx, `SELECT bake_id, doc FROM happenings WHERE kitchen_id = ? AND bake_id IN (`+marks[1:]+`) ORDER BY bake_id, seq`, args...)
	all, err := list(rows, err, func(scan func(...any) error) (r row, err error) {
		var doc string
		if err := scan(&r.bake, &doc); err != nil {
			return r, err
		}
		return r, decode(doc, &r.h)
	})
	for _, r := range all {
		out[r.bake] = append(out[r.bake], r.h)
	}
	return out, err
}

// AddHappening appends to a bake and notes the mark that it then has. The happening's Seq must be the
// next; another one of the same number is refused by the table.
func (q Queries) AddHappening(ctx context.Context, kitchenID, bakeID string, h bake.Happening, mark int) error {
	doc, err := encode(h)
	if err != nil {
		return err
	}
	_, err = q.q.ExecContext(ctx, `INSERT INTO happenings (id, kitchen_id, bake_id, seq, shape, doc, created_at) VALUES (?, ?, ?, ?, ?, ?, ?)`,
		NewID(), kitchenID, bakeID, h.Seq, bake.Shape, doc, h.At.UTC())
	if err != nil {
		return err
	}
	_, err = q.q.ExecContext(ctx, `UPDATE bakes SET mark = ? WHERE kitchen_id = ? AND id = ?`, mark, kitchenID, bakeID)
	return err
}

// A bake of this mark or better was liked; so many of the newest are asked.
const (
	liked     = 4
	mostLiked = 50
)

// LikedDoughs lists the formulas of a kitchen's well-marked bakes of a kind of bread, newest first.
func (q Queries) LikedDoughs(ctx context.Context, kitchenID string, k recipe.Kind) ([]formula.Formula, error) {
	rows, err := q.q.QueryContext(ctx, `SELECT JSON_EXTRACT(plan, '$.formula') FROM bakes
		WHERE kitchen_id = ? AND mark >= ? AND JSON_VALUE(plan, '$.kind') = ? ORDER BY started_at DESC LIMIT ?`, kitchenID, liked, string(k), mostLiked)
	return list(rows, err, func(scan func(...any) error) (f formula.Formula, err error) {
		var doc string
		if err := scan(&doc); err != nil {
			return f, err
		}
		return f, decode(doc, &f)
	})
}
