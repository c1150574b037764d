package store

import (
	"context"
	"database/sql"
	"time"

	"risepan/core/plan"
)

// Around is what is known around a recipe on a machine, beside the two themselves.
type Around struct {
	Pins                    // the newest versions; 0: there is no such recipe or machine
	Habit    Habit          // the baker's own choice for the two
	Occupied *plan.Occupied // the machine's last bake of late, for whether it is free; nil: none
	Liked    []plan.Liked   // the formulas of well-marked bakes of the recipe's kind
}

const (
	recently  = 72 * time.Hour // back a machine's last bake is looked for: longer than any bake and its cooling takes
	mostLiked = 50             // bakes of a kind, the newest, are asked how they were liked
)

const selectAround = `SELECT k.head, r.head, m.head, h.shape, h.doc, o.recipe, o.ready_at, COALESCE(o.freed_at,
	o.ended_at),
		l.recipe_id = r.id, l.hydration, l.salt, l.yeast, l.sugar, l.fat, l.powder FROM kitchens k
	LEFT JOIN recipes r ON r.kitchen_id = k.id AND r.id = ? LEFT JOIN machines m ON m.kitchen_id = k.id AND m.id = ?
	LEFT JOIN habits h ON h.kitchen_id = k.id AND h.recipe_id = r.id AND h.machine_id = m.id
	LEFT JOIN bakes o ON o.id = (SELECT id FROM bakes WHERE kitchen_id = ? AND put_away = FALSE AND NOT rehearsed AND
		started_at > ? AND machine_id = ?
		ORDER BY started_at DESC LIMIT 1)
	LEFT JOIN (SELECT recipe_id, hydration, salt, yeast, sugar, fat, powder FROM bakes WHERE kitchen_id = ? AND kind =
		(SELECT kind FROM recipes WHERE kitchen_id = ? AND id = ?)
		AND liked = TRUE AND NOT rehearsed ORDER BY started_at DESC LIMIT ?) l ON TRUE
	WHERE k.id = ?`

// Around tells what is known around a recipe on a machine, in one statement.
func (q Queries) Around(ctx context.Context, kitchenID, recipeID, machineID string, now time.Time) (a Around,
	err error) {
	since := now.Add(-recently).UTC().Truncate(time.Hour)
	rows, err := q.q.QueryContext(ctx, selectAround, recipeID, machineID, kitchenID, since, machineID, kitchenID,
		kitchenID, recipeID, mostLiked, kitchenID)
	if err != nil {
		return a, err
	}
	defer rows.Close()
	a.RecipeID, a.MachineID = recipeID, machineID
	var recipe, machine, shape sql.NullInt64
	var doc, on sql.NullString
	var ready, freed sql.NullTime
	for rows.Next() {
		var own sql.NullBool
		var f [6]sql.NullFloat64
		if err := rows.Scan(&a.Kitchen, &recipe, &machine, &shape, &doc, &on, &ready, &freed, &own, &f[0], &f[1],
			&f[2], &f[3], &f[4], &f[5]); err != nil {
			return a, err
		}
		if own.Valid {
			l := plan.Liked{Own: own.Bool}
			to := &l.Formula
			for n, v := range []*float64{&to.Hydration, &to.Salt, &to.Yeast, &to.Sugar, &to.Fat, &to.Powder} {
				*v = f[n].Float64
			}
			a.Liked = append(a.Liked, l)
		}
	}
	switch {
	case rows.Err() != nil:
		return a, rows.Err()
	case a.Kitchen == 0:
		return a, ErrNotFound
	}
	a.Revision, a.Machine = int(recipe.Int64), int(machine.Int64)
	if ready.Valid {
		a.Occupied = &plan.Occupied{Recipe: on.String, Until: ready.Time, Running: !freed.Valid}
		if freed.Valid {
			a.Occupied.Until = freed.Time
		}
	}
	if doc.Valid {
		err = habits.decode(recipeID, int(shape.Int64), doc.String, &a.Habit)
	}
	return a, err
}
