package store

import (
	"context"
	"database/sql"
	"encoding/base64"
	"errors"
	"io"
	"strings"
	"time"

	"github.com/go-json-experiment/json/jsontext"
)

// WriteKitchen writes all of a kitchen as it stands at one instant, row by row, so that no more than one is held.
func (s *Store) WriteKitchen(ctx context.Context, kitchenID string, w io.Writer, now time.Time) (count Count,
	err error) {
	err = s.Snapshot(ctx, func(q Queries) (err error) {
		count, err = q.WriteKitchen(ctx, kitchenID, w, now)
		return err
	})
	return count, err
}

// WriteKitchen does so inside a snapshot.
func (q Queries) WriteKitchen(ctx context.Context, kitchenID string, w io.Writer, now time.Time) (Count, error) {
	columns, err := q.columnsOf(ctx)
	if err != nil {
		return nil, err
	}
	version, err := q.tablesVersion(ctx)
	if err != nil {
		return nil, err
	}
	k, err := q.Kitchen(ctx, kitchenID, 0)
	if err != nil {
		return nil, err
	}
	e := jsontext.NewEncoder(w, jsontext.Multiline(false), jsontext.SpaceAfterComma(true))
	out := archiveWriter{e, nil}
	out.token(jsontext.BeginObject)
	for _, pair := range []struct {
		name  string
		value jsontext.Token
	}{{"risePan", jsontext.String("kitchen")}, {"version", jsontext.Int(archiveVersion)},
		{"tables", jsontext.Int(int64(version))}, {"name", jsontext.String(k.Kitchen.Name)},
		{"written", jsontext.String(now.UTC().Format(time.RFC3339))}} {
		out.token(jsontext.String(pair.name))
		out.token(pair.value)
	}
	out.token(jsontext.String("things"))
	out.token(jsontext.BeginObject)
	count := Count{}
	for _, table := range archiveTables {
		out.token(jsontext.String(table))
		out.token(jsontext.BeginArray)
		n, err := q.writeRows(ctx, kitchenID, table, columns[table], &out)
		if err != nil {
			return nil, err
		}
		count[table] = n
		out.token(jsontext.EndArray)
	}
	out.token(jsontext.EndObject)
	out.token(jsontext.String("counts"))
	out.token(jsontext.BeginObject)
	for _, table := range archiveTables {
		out.token(jsontext.String(table))
		out.token(jsontext.Int(int64(count[table])))
	}
	out.token(jsontext.EndObject)
	out.token(jsontext.EndObject)
	return count, out.err
}

// archiveWriter writes tokens until one fails.
type archiveWriter struct {
	e   *jsontext.Encoder
	err error
}

func (w *archiveWriter) token(t jsontext.Token) {
	if w.err == nil {
		w.err = w.e.WriteToken(t)
	}
}

func (q Queries) writeRows(ctx context.Context, kitchenID, table string, columns []column, out *archiveWriter) (int,
	error) {
	names := make([]string, len(columns))
	for n, c := range columns {
		names[n] = c.name
	}
	owner := "kitchen_id"
	if table == "kitchens" {
		owner = "id"
	}
	rows, err := q.q.QueryContext(ctx, `SELECT `+strings.Join(names, ", ")+` FROM `+table+` WHERE `+owner+
		` = ? ORDER BY id`, kitchenID)
	if err != nil {
		return 0, err
	}
	defer rows.Close()
	values := make([]sql.RawBytes, len(columns))
	into := make([]any, len(columns))
	times := make([]sql.NullTime, len(columns))
	for n, c := range columns {
		if into[n] = &values[n]; c.kind == "time" {
			into[n] = &times[n]
		}
	}
	count := 0
	for rows.Next() && out.err == nil {
		if err := rows.Scan(into...); err != nil {
			return count, err
		}
		count++
		out.token(jsontext.BeginObject)
		for n, c := range columns {
			out.token(jsontext.String(c.name))
			out.value(c, values[n], times[n])
		}
		out.token(jsontext.EndObject)
	}
	return count, errors.Join(rows.Err(), out.err)
}

func (w *archiveWriter) value(c column, v sql.RawBytes, t sql.NullTime) {
	switch {
	case c.kind == "time" && t.Valid:
		w.token(jsontext.String(t.Time.UTC().Format(time.RFC3339Nano)))
	case c.kind == "time", v == nil:
		w.token(jsontext.Null)
	case c.kind == "blob":
		w.token(jsontext.String(base64.StdEncoding.EncodeToString(v)))
	case c.kind == "json", c.kind == "number":
		if w.err == nil {
			w.err = w.e.WriteValue(jsontext.Value(v))
		}
	default:
		w.token(jsontext.String(string(v)))
	}
}
