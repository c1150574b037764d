package store

import (
	"context"
	"database/sql"
	"fmt"
	"slices"
)

// A kitchen's file holds all that a kitchen keeps, as rows of its tables in an order in which each can be written
// again. docs/kitchen-file.md says what stands in it.

// archiveVersion is the version of the file's frame; what stands in the rows has the database's own.
const archiveVersion = 1

// archiveTables are the tables of a kitchen, those first that others point at. A test holds them against the
// database, so that none is forgotten.
var archiveTables = []string{"kitchens", "kitchen_versions", "machines", "machine_versions", "recipes",
	"recipe_versions", "habits", "journals", "happenings", "benches", "bags", "bakes", "days", "day_versions",
	"rehearsals", "photos", "imports"}

// column is one column of a table, and how its values are written.
type column struct {
	name string
	kind string // uuid, json, time, blob, number, text
	null bool   // it may be empty
}

// kinds are how values of a type of the database are written.
var columnKinds = map[string]string{"uuid": "uuid", "datetime": "time", "mediumblob": "blob", "int": "number",
	"tinyint": "number", "double": "number", "varchar": "text", "text": "text", "longtext": "json"}

// columnsOf are the columns of a kitchen's tables, in order.
func (q Queries) columnsOf(ctx context.Context) (map[string][]column, error) {
	rows, err := q.q.QueryContext(ctx,
		`SELECT table_name, column_name, data_type, is_nullable FROM information_schema.columns WHERE table_schema =
			DATABASE() ORDER BY table_name, ordinal_position`)
	all, err := list(rows, err, func(scan func(...any) error) (c [4]string, err error) {
		return c,
			scan(&c[0], &c[1], &c[2], &c[3])
	})
	out := map[string][]column{}
	for _, c := range all {
		if !slices.Contains(archiveTables, c[0]) {
			continue
		}
		kind, known := columnKinds[c[2]]
		if !known {
			return nil, fmt.Errorf("the column %s of %s is of type %s, which no kitchen's file holds", c[1], c[0], c[2])
		}
		out[c[0]] = append(out[c[0]], column{c[1], kind, c[3] == "YES"})
	}
	return out, err
}

// tablesVersion is the number of the newest migration.
func (q Queries) tablesVersion(ctx context.Context) (n int, err error) {
	err = q.q.QueryRowContext(ctx, `SELECT MAX(version_id) FROM goose_db_version WHERE is_applied`).Scan(&n)
	return n, err
}

// archiveShapes are what a value of each kind is in JSON Schema.
var archiveShapes = map[string]map[string]any{
	"uuid": {"type": "string", "format": "uuid"}, "time": {"type": "string", "format": "date-time"},
	"blob":   {"type": "string", "contentEncoding": "base64"},
	"number": {"type": "number"}, "text": {"type": "string"}, "json": {},
}

// ChestSchema is the JSON Schema of a kitchen's file as this database writes it.
func (q Queries) ChestSchema(ctx context.Context) (map[string]any, error) {
	columns, err := q.columnsOf(ctx)
	if err != nil {
		return nil, err
	}
	type object = map[string]any
	closed := func(properties object, names []string) object {
		return object{"type": "object", "properties": properties, "required": names, "additionalProperties": false}
	}
	things, counts := object{}, object{}
	for _, table := range archiveTables {
		properties, names := object{}, []string{}
		for _, c := range columns[table] {
			var shape any = archiveShapes[c.kind]
			if c.null {
				shape = object{"anyOf": []any{shape, object{"type": "null"}}}
			}
			properties[c.name], names = shape, append(names, c.name)
		}
		things[table] = object{"type": "array", "items": closed(properties, names)}
		counts[table] = object{"type": "integer", "minimum": 0}
	}
	out := closed(object{"risePan": object{"const": "kitchen"}, "version": object{"const": archiveVersion},
		"tables": object{"type": "integer"}, "name": object{"type": "string"},
		"written": object{"type": "string", "format": "date-time"}, "things": closed(things, archiveTables),
		"counts": closed(counts, archiveTables)},
		[]string{"risePan", "version", "tables", "name", "written", "things", "counts"})
	out["$schema"], out["title"] = "https://json-schema.org/draft/2020-12/schema", "A kitchen's file of Rise Pan"
	return out, nil
}

// Count is how many rows of each table a kitchen's file holds.
type Count map[string]int

// Holds counts what a kitchen holds, as its file would.
func (q Queries) Holds(ctx context.Context, kitchenID string) (Count, error) {
	out := Count{}
	for _, table := range archiveTables {
		of := "kitchen_id"
		if table == "kitchens" {
			of = "id"
		}
		var n int
		if err := q.q.QueryRowContext(ctx, `SELECT COUNT(*) FROM `+table+` WHERE `+of+` = ?`,
			kitchenID).Scan(&n); err != nil {
			return nil, err
		}
		out[table] = n
	}
	return out, nil
}

// Snapshot reads everything as it stands at one instant.
func (s *Store) Snapshot(ctx context.Context, f func(Queries) error) error {
	tx, err := s.db.BeginTx(ctx, &sql.TxOptions{Isolation: sql.LevelRepeatableRead, ReadOnly: true})
	if err != nil {
		return err
	}
	defer tx.Rollback()
	return f(Queries{tx, true, s.read})
}
