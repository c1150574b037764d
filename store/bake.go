package store

import (
	"context"
	"database/sql"
	"errors"
	"strings"
	"time"

	"github.com/go-json-experiment/json"

	"risepan/core/bake"
	"risepan/core/dough"
	"risepan/core/larder"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/core/tally"
	"risepan/core/timetable"
)

// Wished is the ready time that the baker asked for: on the wall, in which zone, and the instant
// that it resolved to. Its Wall is zero for a bake that started at once.
type Wished struct {
	Wall timetable.Wall
	Zone string
	At   time.Time
}

// Bake is a stored bake: the plan as it was on the day, and what it was made with.
type Bake struct {
	Pins
	ID        string
	Plan      plan.Plan
	StartedAt time.Time
	PutAway   bool
	Bench     string // that it was measured at; empty: none
	Rehearsed bool   // no flour was used
}

// Glance is what lists show of a bake; it is kept beside the plan, so that no list reads one.
type Glance struct {
	ID        string
	RecipeID  string
	Revision  int
	Recipe    string
	Kind      recipe.Kind
	Machine   string
	MachineID string
	Size      measure.LoafSize
	Cycle     plan.CycleName
	Crust     machine.Crust // that was set; empty: no choice
	StartedAt time.Time
	Clock     bake.Clock
	Verdict   bake.Verdict
	Photo     string       // the newest; empty: none
	Formula   plan.Formula // as far as lists show it
	Doses     []dough.Dose // that mended its ball
	Rehearsed bool
	Moments   []bake.Moment // while it has not ended
}

// Way is how the bake was made.
func (g Glance) Way() bake.Setup {
	return bake.Setup{Machine: g.Machine, Size: g.Size, Cycle: g.Cycle.Name, Crust: g.Crust}
}

// Past is what is kept of an ended bake to learn from.
type Past struct {
	Glance
	Used []tally.Used
	Ball dough.Seen
	Off  *measure.Celsius // by how much the dough was warmer than was aimed at
}

// usedIn pairs the ingredients of a plan with their grams.
func usedIn(p plan.Plan) [][2]any {
	pairs := make([][2]any, len(p.Lines))
	for n, l := range p.Lines {
		pairs[n] = [2]any{l.Ingredient, l.Exact}
	}
	return pairs
}

// StartBake stores a new bake.
func (q Queries) StartBake(ctx context.Context, kitchenID string, b Bake, w Wished) (string, error) {
	doc, err := encode(b.Plan)
	if err != nil {
		return "", err
	}
	state := bake.At(b.Plan, nil, b.StartedAt)
	moments, err := encode(state.Moments)
	if err != nil {
		return "", err
	}
	used, err := encode(usedIn(b.Plan))
	if err != nil {
		return "", err
	}
	id, err := q.addJournal(ctx, kitchenID)
	if err != nil {
		return "", err
	}
	var wall, at, bench any
	if !w.Wall.IsZero() {
		wall, at = w.Wall.String(), w.At.UTC()
	}
	if b.Bench != "" {
		bench = b.Bench
	}
	p, f := b.Plan, b.Plan.Formula
	clock := bake.ClockOf(p, state)
	_, err = q.q.ExecContext(ctx, `INSERT INTO bakes (id, kitchen_id, recipe_id, recipe_version, machine_id,
		machine_version, kitchen_version,
		wished_wall, wished_zone, wished_at, started_at, recipe, machine, kind, size, cycle_id, cycle_panel,
			cycle_name, begins_at, ready_at, warm_until,
		crust, rehearsed, bench_id, used, flour, sure, note, moments, hydration, salt, yeast, sugar, fat, powder,
			shape, plan)
		VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, '', ?, ?, ?, ?, ?, ?,
			?, ?, ?)`,
		id, kitchenID, b.RecipeID, b.Revision, b.MachineID, b.Machine, b.Kitchen, wall, w.Zone, at, b.StartedAt.UTC(),
		p.Recipe, p.Machine, string(p.Kind), p.Size.String(), p.Setting.Cycle.ID, p.Setting.Cycle.Panel,
		p.Setting.Cycle.Name,
		clock.Begin.UTC(), clock.Ready.UTC(), clock.WarmUntil.UTC(),
		string(p.Setting.Crust), b.Rehearsed, bench, used, f.Flour, string(f.Sure), moments, f.Hydration, f.Salt,
		f.Yeast, f.Sugar, f.Fat, f.Powder, plans.shape, doc)
	return id, err
}

// noteState keeps what lists show of a bake's state.
func (q Queries) noteState(ctx context.Context, kitchenID, id string, s bake.State) error {
	moments, err := encode(s.Moments)
	if err != nil {
		return err
	}
	heights, err := encode(s.Heights)
	if err != nil {
		return err
	}
	told, err := encode(s.Verdict)
	if err != nil {
		return err
	}
	var end, freed, photo, off any
	seen, doses := dough.Seen(""), []dough.Dose{}
	if s.Ball != nil {
		seen = s.Ball.Seen
		for _, d := range s.Ball.Doses {
			doses = append(doses, d.Dose)
		}
	}
	put, err := encode(doses)
	if err != nil {
		return err
	}
	if s.Probe != nil && s.Probe.Off != nil {
		off = float64(*s.Probe.Off)
	}
	if n := len(s.Photos); n > 0 {
		photo = s.Photos[n-1].ID
	}
	if s.End != nil {
		end = s.End.UTC()
	}
	if s.Freed != nil {
		freed = s.Freed.UTC()
	}
	_, err = q.q.ExecContext(ctx, `UPDATE bakes SET ended_at = ?, freed_at = ?, gave_up = ?, mark = ?, note = ?,
		moments = ?, liked = ?,
		warm_until = DATE_ADD(warm_until, INTERVAL TIMESTAMPDIFF(MICROSECOND, ready_at, ?) MICROSECOND),
			begins_at = ?, ready_at = ?, heights = ?, verdict = ?, photo = ?, ball = ?, doses = ?, probe_off = ? WHERE
			kitchen_id = ? AND id = ?`,
		end, freed, s.Phase == bake.GivenUp, s.Mark, s.Note, moments, s.Mark >= liked, s.Ready.UTC(), s.Begin.UTC(),
		s.Ready.UTC(), heights, told, photo, string(seen), put, off, kitchenID, id)
	return err
}

// mostBefore is how many earlier loaves a height is held beside.
const mostBefore = 5

// HeightsBefore lists how high the loaves before a bake stood, of its recipe and in its machine, newest first.
func (q Queries) HeightsBefore(ctx context.Context, kitchenID string, b Bake) ([]bake.Before, error) {
	rows, err := q.q.QueryContext(ctx, `SELECT heights, mark FROM bakes WHERE kitchen_id = ? AND recipe_id = ? AND
		machine_id = ? AND started_at < ? AND NOT gave_up AND NOT rehearsed AND heights <> '[]'
		ORDER BY started_at DESC LIMIT ?`, kitchenID, b.RecipeID, b.MachineID, b.StartedAt.UTC(), mostBefore)
	return list(rows, err, func(scan func(...any) error) (before bake.Before, err error) {
		var heights string
		if err := scan(&heights, &before.Mark); err != nil {
			return before, err
		}
		return before, json.Unmarshal([]byte(heights), &before.Heights)
	})
}

// Bake finds one bake of a kitchen.
func (q Queries) Bake(ctx context.Context, kitchenID, id string) (b Bake, err error) {
	var shape int
	var doc string
	err = q.q.QueryRowContext(ctx, `SELECT id, recipe_id, recipe_version, machine_id, machine_version,
		kitchen_version, started_at, put_away, IFNULL(CAST(bench_id AS CHAR), ''), rehearsed, shape, plan
		FROM bakes WHERE kitchen_id = ? AND id = ?`, kitchenID, id).
		Scan(&b.ID, &b.RecipeID, &b.Revision, &b.MachineID, &b.Machine, &b.Kitchen, &b.StartedAt, &b.PutAway, &b.Bench,
			&b.Rehearsed, &shape, &doc)
	if err != nil {
		return b, found(err)
	}
	return b, plans.decode(id, shape, doc, &b.Plan)
}

const glanceColumns = `SELECT id, recipe_id, recipe_version, recipe, kind, machine, machine_id, size, cycle_id,
	cycle_panel, cycle_name, crust, started_at, begins_at, ready_at, warm_until,
	ended_at, gave_up, verdict, IFNULL(CAST(photo AS CHAR), ''), rehearsed, flour, hydration, salt, yeast, sugar, fat,
		sure, doses, moments `

// scanGlance reads the columns of a glance, and those that stand behind them.
func scanGlance(scan func(...any) error, more ...any) (g Glance, err error) {
	var size, moments, told, doses string
	f := &g.Formula
	var end sql.NullTime
	if err := scan(append([]any{&g.ID, &g.RecipeID, &g.Revision, &g.Recipe, &g.Kind, &g.Machine, &g.MachineID, &size,
		&g.Cycle.ID, &g.Cycle.Panel, &g.Cycle.Name, &g.Crust, &g.StartedAt,
		&g.Clock.Begin, &g.Clock.Ready, &g.Clock.WarmUntil, &end, &g.Clock.GaveUp, &told, &g.Photo, &g.Rehearsed,
		&f.Flour, &f.Hydration, &f.Salt, &f.Yeast, &f.Sugar, &f.Fat, &f.Sure, &doses, &moments},
		more...)...); err != nil {
		return g, err
	}
	if end.Valid {
		g.Clock.End = &end.Time
	}
	if g.Size, err = measure.ParseLoafSize(size); err == nil {
		err = errors.Join(json.Unmarshal([]byte(told), &g.Verdict), json.Unmarshal([]byte(doses), &g.Doses))
	}
	if err == nil && g.Clock.End == nil {
		err = json.Unmarshal([]byte(moments), &g.Moments)
		g.Clock.Dough = bake.HasFinish(g.Moments)
	}
	if err != nil {
		err = &Unreadable{"bake", g.ID, err}
	}
	return g, err
}

func glance(scan func(...any) error) (Glance, error) { return scanGlance(scan) }

// Page says which bakes of the log are looked for.
type Page struct {
	Before   time.Time   // started before it, or at it with a lesser id; zero: from the newest
	ID       string      // with Before
	Words    string      // each a part of the recipe's name, or of the note; empty: any
	Kind     recipe.Kind // empty: any
	Recipe   string      // its id; empty: any
	Machine  string      // its id; empty: any
	Sign     bake.Sign   // that was told; empty: any
	From, To time.Time   // started from the one and before the other; zero: any
	Least    int         // mark; 0: any
	Worst    int         // mark at the most; 0: any
	Most     int
}

// index is by which the page is read in order.
func (p Page) index() string {
	if p.Recipe != "" {
		return "bakes_of_recipe"
	}
	return "bakes_newest"
}

// Glances lists a page of a kitchen's bakes, newest first.
func (q Queries) Glances(ctx context.Context, kitchenID string, p Page) ([]Glance, error) {
	// Left to choose, the optimizer reads and sorts every older bake of a deep page: 130 ms for 0.6 ms.
	query, args := glanceColumns+`FROM bakes FORCE INDEX (`+p.index()+`) WHERE kitchen_id = ? AND put_away = FALSE `,
		[]any{kitchenID}
	if !p.Before.IsZero() {
		query, args = query+`AND (started_at, id) < (?, ?) AND started_at <= ? `, append(args, p.Before.UTC(), p.ID,
			p.Before.UTC())
	}
	for _, word := range strings.Fields(p.Words) {
		part := "%" + likeEscape.Replace(word) + "%"
		query, args = query+`AND (recipe LIKE ? OR note LIKE ?) `, append(args, part, part)
	}
	if p.Kind != "" {
		query, args = query+`AND kind = ? `, append(args, string(p.Kind))
	}
	for _, of := range []struct{ column, id string }{{"recipe_id", p.Recipe}, {"machine_id", p.Machine}} {
		if of.id != "" {
			query, args = query+`AND `+of.column+` = ? `, append(args, of.id)
		}
	}
	if p.Sign != "" {
		query, args = query+`AND JSON_CONTAINS(verdict, JSON_QUOTE(?), '$.signs') `, append(args, string(p.Sign))
	}
	if !p.From.IsZero() {
		query, args = query+`AND started_at >= ? `, append(args, p.From.UTC())
	}
	if !p.To.IsZero() {
		query, args = query+`AND started_at < ? `, append(args, p.To.UTC())
	}
	if p.Least > 0 {
		query, args = query+`AND mark >= ? `, append(args, p.Least)
	}
	if p.Worst > 0 {
		query, args = query+`AND mark > 0 AND mark <= ? `, append(args, p.Worst)
	}
	rows, err := q.q.QueryContext(ctx, query+`ORDER BY started_at DESC, id DESC LIMIT ?`, append(args, p.Most)...)
	return list(rows, err, glance)
}

// Past lists the newest ended bakes of a kitchen, or of one of its recipes, to learn from; what was rehearsed, given
// up or put away teaches nothing.
func (q Queries) Past(ctx context.Context, kitchenID, recipeID string, most int) ([]Past, error) {
	query, args, index := ``, []any{kitchenID}, "bakes_newest"
	if recipeID != "" {
		query, args, index = `AND recipe_id = ? `, append(args, recipeID), "bakes_of_recipe"
	}
	rows, err := q.q.QueryContext(ctx, strings.TrimSpace(glanceColumns)+`, used, ball, probe_off FROM bakes FORCE
		INDEX (`+index+`)
		WHERE kitchen_id = ? AND put_away = FALSE AND ended_at IS NOT NULL AND NOT gave_up AND NOT rehearsed
			`+query+`ORDER BY started_at DESC, id DESC LIMIT ?`, append(args, most)...)
	return list(rows, err, func(scan func(...any) error) (p Past, err error) {
		var used string
		var off sql.NullFloat64
		if p.Glance, err = scanGlance(scan, &used, &p.Ball, &off); err != nil {
			return p, err
		}
		if off.Valid {
			c := measure.Celsius(off.Float64)
			p.Off = &c
		}
		p.Used, err = readUsed(used)
		return p, err
	})
}

// Baked lists a kitchen's finished bakes of a time, oldest first, with what was used: what was rehearsed, given up
// or put away is not among them.
func (q Queries) Baked(ctx context.Context, kitchenID string, from, to time.Time) ([]tally.BakedLoaf, error) {
	rows, err := q.q.QueryContext(ctx, `SELECT recipe_id, recipe, mark, used FROM bakes FORCE INDEX (bakes_newest)
		WHERE kitchen_id = ? AND put_away = FALSE AND started_at >= ? AND started_at < ? AND ended_at IS NOT NULL AND
			NOT gave_up AND NOT rehearsed ORDER BY started_at`, kitchenID, from.UTC(), to.UTC())
	return list(rows, err, func(scan func(...any) error) (l tally.BakedLoaf, err error) {
		var used string
		if err := scan(&l.RecipeID, &l.Recipe, &l.Mark, &used); err != nil {
			return l, err
		}
		l.Used, err = readUsed(used)
		return l, err
	})
}

// FirstBake is when a kitchen began its first bake; zero where it has none.
func (q Queries) FirstBake(ctx context.Context, kitchenID string) (time.Time, error) {
	var at sql.NullTime
	err := q.q.QueryRowContext(ctx, `SELECT MIN(started_at) FROM bakes WHERE kitchen_id = ? AND put_away = FALSE`,
		kitchenID).Scan(&at)
	return at.Time, err
}

// readUsed reads pairs of an ingredient and its grams.
func readUsed(doc string) ([]tally.Used, error) {
	var pairs [][2]any
	if err := json.Unmarshal([]byte(doc), &pairs); err != nil {
		return nil, err
	}
	out := make([]tally.Used, 0, len(pairs))
	for _, p := range pairs {
		id, named := p[0].(string)
		grams, weighed := p[1].(float64)
		if named && weighed {
			out = append(out, tally.Used{Ingredient: larder.ID(id), Grams: measure.Grams(grams)})
		}
	}
	return out, nil
}

// CameOutWell reports whether a revision of a recipe was liked at another bake.
func (q Queries) CameOutWell(ctx context.Context, kitchenID, recipeID string, revision int, but string) (well bool,
	err error) {
	err = q.q.QueryRowContext(ctx, `SELECT EXISTS (SELECT 1 FROM bakes WHERE kitchen_id = ? AND recipe_id = ? AND
		recipe_version = ? AND liked = TRUE AND NOT put_away AND NOT rehearsed AND id <> ?)`, kitchenID, recipeID, revision,
		but).Scan(&well)
	return well, err
}

// mostRunning is how many bakes that have not ended are listed.
const mostRunning = 20

// Running lists a kitchen's bakes that have not ended, newest first.
func (q Queries) Running(ctx context.Context, kitchenID string) ([]Glance, error) {
	rows, err := q.q.QueryContext(ctx, glanceColumns+
		`FROM bakes WHERE kitchen_id = ? AND ended_at IS NULL AND NOT put_away ORDER BY started_at DESC LIMIT ?`,
		kitchenID, mostRunning)
	return list(rows, err, glance)
}

// liked is the mark from which on a bake was liked.
const liked = 4
