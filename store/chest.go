package store

import (
	"context"
	"crypto/rand"
	"database/sql"
	"encoding/base64"
	"errors"
	"fmt"
	"io"
	"regexp"
	"slices"
	"strings"
	"time"

	"github.com/go-json-experiment/json/jsontext"
	"github.com/google/uuid"
)

// A kitchen's file holds all that a kitchen keeps, as rows of its tables in an order in which each can be written again.
// docs/kitchen-file.md says what stands in it.

// chestVersion is the version of the file's frame; what stands in the rows has the database's own.
const chestVersion = 1

// chestTables are the tables of a kitchen, those first that others point at. A test holds them against the database, so
// that none is forgotten.
var chestTables = []string{"kitchens", "kitchen_versions", "machines", "machine_versions", "recipes", "recipe_versions", "habits", "journals", "happenings", "benches", "bags", "bakes", "rehearsals", "photos", "imports"}

// column is one column of a table, and how its values are written.
type column struct {
	name string
	kind string // uuid, json, time, blob, number, text
	null bool   // it may be empty
}

// kinds are how values of a type of the database are written.
var columnKinds = map[string]string{"uuid": "uuid", "datetime": "time", "mediumblob": "blob", "int": "number", "tinyint": "number", "double": "number", "varchar": "text", "text": "text", "longtext": "json"}

// columnsOf are the columns of a kitchen's tables, in order.
func (q Queries) columnsOf(ctx context.Context) (map[string][]column, error) {
	rows, err := q.q.QueryContext(ctx, `SELECT table_name, column_name, data_type, is_nullable FROM information_schema.columns WHERE table_schema = DATABASE() ORDER BY table_name, ordinal_position`)
	all, err := list(rows, err, func(scan func(...any) error) (c [4]string, err error) { return c, scan(&c[0], &c[1], &c[2], &c[3]) })
	out := map[string][]column{}
	for _, c := range all {
		if !slices.Contains(chestTables, c[0]) {
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

// chestShapes are what a value of each kind is in JSON Schema.
var chestShapes = map[string]map[string]any{
	"uuid": {"type": "string", "format": "uuid"}, "time": {"type": "string", "format": "date-time"}, "blob": {"type": "string", "contentEncoding": "base64"},
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
	for _, table := range chestTables {
		properties, names := object{}, []string{}
		for _, c := range columns[table] {
			var shape any = chestShapes[c.kind]
			if c.null {
				shape = object{"anyOf": []any{shape, object{"type": "null"}}}
			}
			properties[c.name], names = shape, append(names, c.name)
		}
		things[table] = object{"type": "array", "items": closed(properties, names)}
		counts[table] = object{"type": "integer", "minimum": 0}
	}
	out := closed(object{"risePan": object{"const": "kitchen"}, "version": object{"const": chestVersion}, "tables": object{"type": "integer"}, "name": object{"type": "string"},
		"written": object{"type": "string", "format": "date-time"}, "things": closed(things, chestTables), "counts": closed(counts, chestTables)},
		[]string{"risePan", "version", "tables", "name", "written", "things", "counts"})
	out["$schema"], out["title"] = "https://json-schema.org/draft/2020-12/schema", "A kitchen's file of Rise Pan"
	return out, nil
}

// Count is how many rows of each table a kitchen's file holds.
type Count map[string]int

// Snapshot reads everything as it stands at one instant.
func (s *Store) Snapshot(ctx context.Context, f func(Queries) error) error {
	tx, err := s.db.BeginTx(ctx, &sql.TxOptions{Isolation: sql.LevelRepeatableRead, ReadOnly: true})
	if err != nil {
		return err
	}
	defer tx.Rollback()
	return f(Queries{tx, true, s.read})
}

// WriteKitchen writes all of a kitchen as it stands at one instant, row by row, so that no more than one is held.
func (s *Store) WriteKitchen(ctx context.Context, kitchenID string, w io.Writer, now time.Time) (count Count, err error) {
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
	out := chestWriter{e, nil}
	out.token(jsontext.BeginObject)
	for _, pair := range []struct {
		name  string
		value jsontext.Token
	}{{"risePan", jsontext.String("kitchen")}, {"version", jsontext.Int(chestVersion)}, {"tables", jsontext.Int(int64(version))}, {"name", jsontext.String(k.Kitchen.Name)}, {"written", jsontext.String(now.UTC().Format(time.RFC3339))}} {
		out.token(jsontext.String(pair.name))
		out.token(pair.value)
	}
	out.token(jsontext.String("things"))
	out.token(jsontext.BeginObject)
	count := Count{}
	for _, table := range chestTables {
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
	for _, table := range chestTables {
		out.token(jsontext.String(table))
		out.token(jsontext.Int(int64(count[table])))
	}
	out.token(jsontext.EndObject)
	out.token(jsontext.EndObject)
	return count, out.err
}

// chestWriter writes tokens until one fails.
type chestWriter struct {
	e   *jsontext.Encoder
	err error
}

func (w *chestWriter) token(t jsontext.Token) {
	if w.err == nil {
		w.err = w.e.WriteToken(t)
	}
}

func (q Queries) writeRows(ctx context.Context, kitchenID, table string, columns []column, out *chestWriter) (int, error) {
	names := make([]string, len(columns))
	for n, c := range columns {
		names[n] = c.name
	}
	owner := "kitchen_id"
	if table == "kitchens" {
		owner = "id"
	}
	rows, err := q.q.QueryContext(ctx, `SELECT `+strings.Join(names, ", ")+` FROM `+table+` WHERE `+owner+` = ? ORDER BY id`, kitchenID)
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

func (w *chestWriter) value(c column, v sql.RawBytes, t sql.NullTime) {
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

// ErrNoChest is returned for a file that holds no kitchen.
var ErrNoChest = errors.New("this is no kitchen's file of Rise Pan")

// ReadKitchen writes all of a kitchen's file into the database as a kitchen of its own, whole or not at all, and gives its
// id. Where a kitchen of the file's own id is there already, everything gets new ids, in the same order.
func (s *Store) ReadKitchen(ctx context.Context, r io.ReadSeeker) (id string, count Count, err error) {
	err = s.Do(ctx, func(q Queries) (err error) {
		id, count, err = q.ReadKitchen(ctx, r)
		return err
	})
	return id, count, err
}

// ReadKitchen does so inside a transaction. It reads from the beginning, so that a try that lost a conflict begins again.
func (q Queries) ReadKitchen(ctx context.Context, r io.ReadSeeker) (string, Count, error) {
	if _, err := r.Seek(0, io.SeekStart); err != nil {
		return "", nil, err
	}
	columns, err := q.columnsOf(ctx)
	if err != nil {
		return "", nil, err
	}
	version, err := q.tablesVersion(ctx)
	if err != nil {
		return "", nil, err
	}
	w := q.writing(ctx)
	c := chestReader{ctx: ctx, q: q, d: jsontext.NewDecoder(r), columns: columns, count: Count{}, write: w.write}
	err = c.read(version)
	return c.id, c.count, errors.Join(err, w.finish())
}

// read reads the whole file.
func (c *chestReader) read(version int) error {
	if err := c.head(version); err != nil {
		return err
	}
	for _, table := range chestTables {
		if err := c.table(table); err != nil {
			return err
		}
	}
	return c.foot()
}

// chestReader reads a kitchen's file into the database.
type chestReader struct {
	ctx     context.Context
	q       Queries
	d       *jsontext.Decoder
	columns map[string][]column
	count   Count
	write   func(statement) error // into the database
	id      string                // of the kitchen, as it is now
	mask    [6]byte               // by which ids differ from those of the file; zero: not at all
}

// damaged is what a file is that ends too soon, or holds what no kitchen's file does.
func damaged(err error) error {
	return fmt.Errorf("this file is not whole, or damaged: nothing of it was kept (%s)", strings.TrimPrefix(err.Error(), "jsontext: "))
}

func (c *chestReader) token() (jsontext.Token, error) {
	t, err := c.d.ReadToken()
	if err != nil {
		return t, damaged(err)
	}
	return t, nil
}

// want reads a token that must be there.
func (c *chestReader) want(kind jsontext.Kind, text string) error {
	t, err := c.token()
	if err == nil && (t.Kind() != kind || text != "" && t.String() != text) {
		err = damaged(fmt.Errorf("%q stands where %q should", t.String(), text))
	}
	return err
}

func (c *chestReader) head(version int) error {
	t, err := c.d.ReadToken()
	if err != nil || t.Kind() != '{' {
		return ErrNoChest
	}
	if t, err := c.d.ReadToken(); err != nil || t.Kind() != '"' || t.String() != "risePan" {
		return ErrNoChest
	}
	for {
		t, err := c.token()
		if err != nil {
			return err
		}
		switch t.String() {
		case "things":
			return c.want('{', "")
		case "version", "tables":
			most, what := int64(chestVersion), t.String()
			if what == "tables" {
				most = int64(version)
			}
			n, err := c.token()
			if err != nil {
				return err
			}
			if v, err := n.Int(); err != nil || v > most {
				return fmt.Errorf("this file was written by a newer Rise Pan (its %s is %s, and this program knows %d): bring this program up to date first", what, n.String(), most)
			}
		}
	}
}

// The most rows, and bytes of them, that are written at once.
const (
	batch = 50
	heavy = 1 << 20
)

func (c *chestReader) table(table string) error {
	if err := c.want('"', table); err != nil {
		return err
	}
	if err := c.want('[', ""); err != nil {
		return err
	}
	c.count[table] = 0
	into := insertion{table: table}
	for c.d.PeekKind() != ']' {
		names, values, err := c.row(table)
		if err != nil {
			return err
		}
		if err := into.add(names, values, c.write); err != nil {
			return err
		}
		c.count[table]++
	}
	if err := into.flush(c.write); err != nil {
		return err
	}
	return c.want(']', "")
}

// row is a row of the file as the database takes it. A column that this program does not know is refused; one that the
// file does not have is what the database makes it.
func (c *chestReader) row(table string) (names []string, values []any, err error) {
	if err := c.want('{', ""); err != nil {
		return nil, nil, err
	}
	for c.d.PeekKind() != '}' {
		t, err := c.token()
		if err != nil {
			return nil, nil, err
		}
		name := t.String()
		n := slices.IndexFunc(c.columns[table], func(k column) bool { return k.name == name })
		if n < 0 {
			return nil, nil, damaged(fmt.Errorf("%s have no %s", table, name))
		}
		v, err := c.d.ReadValue()
		if err != nil {
			return nil, nil, damaged(err)
		}
		if table == "kitchens" && name == "id" {
			if err := c.begin(v); err != nil {
				return nil, nil, err
			}
		}
		value, err := c.value(c.columns[table][n], v)
		if err != nil {
			return nil, nil, damaged(fmt.Errorf("%s of %s: %w", name, table, err))
		}
		names, values = append(names, name), append(values, value)
	}
	return names, values, c.want('}', "")
}

// begin learns the kitchen's id, and how ids must change where it is taken.
func (c *chestReader) begin(v jsontext.Value) error {
	old, err := textOf(v)
	if err != nil || !ValidID(old) || c.id != "" {
		return damaged(errors.New("a kitchen's file holds one kitchen"))
	}
	var taken int
	if err := c.q.q.QueryRowContext(c.ctx, `SELECT COUNT(*) FROM kitchens WHERE id = ?`, old).Scan(&taken); err != nil {
		return err
	}
	if taken > 0 {
		rand.Read(c.mask[:])
	}
	c.id = c.moved(old)
	return nil
}

// moved is an id as it is now: the time in it stays, so that the order does.
func (c *chestReader) moved(old string) string {
	id, err := uuid.Parse(old)
	if err != nil {
		return old
	}
	for n := range c.mask {
		id[10+n] ^= c.mask[n]
	}
	return id.String()
}

// idIn finds ids inside a document, where they stand alone between quotation marks or lead a word.
var idIn = regexp.MustCompile(`"[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[0-9a-f]{4}-[0-9a-f]{12}"`)

func textOf(v jsontext.Value) (string, error) {
	text, err := jsontext.AppendUnquote(nil, v)
	return string(text), err
}

func (c *chestReader) value(k column, v jsontext.Value) (any, error) {
	if v.Kind() == 'n' {
		return nil, nil
	}
	switch k.kind {
	case "number":
		if v.Kind() != '0' {
			return nil, errors.New("this is no number")
		}
		return string(v), nil
	case "json":
		if c.mask == ([6]byte{}) {
			return string(v), nil
		}
		return idIn.ReplaceAllStringFunc(string(v), func(id string) string { return `"` + c.moved(strings.Trim(id, `"`)) + `"` }), nil
	}
	text, err := textOf(v)
	if err != nil {
		return nil, err
	}
	switch k.kind {
	case "uuid":
		if !ValidID(text) {
			return nil, fmt.Errorf("%.40q is no id", text)
		}
		return c.moved(text), nil
	case "time":
		return time.Parse(time.RFC3339Nano, text)
	case "blob":
		return base64.StdEncoding.DecodeString(text)
	}
	return text, nil
}

// foot reads the counts, without which a file is not whole, and holds them against what was read.
func (c *chestReader) foot() error {
	if err := c.want('}', ""); err != nil {
		return err
	}
	if err := c.want('"', "counts"); err != nil {
		return err
	}
	if err := c.want('{', ""); err != nil {
		return err
	}
	for range chestTables {
		name, err := c.token()
		if err != nil {
			return err
		}
		table := name.String()
		n, err := c.token()
		if err != nil {
			return err
		}
		if v, err := n.Int(); err != nil || int(v) != c.count[table] {
			return damaged(fmt.Errorf("it says that it has %s of %s, and has %d", n.String(), table, c.count[table]))
		}
	}
	if c.id == "" {
		return damaged(errors.New("there is no kitchen in it"))
	}
	if err := c.want('}', ""); err != nil {
		return err
	}
	return c.want('}', "")
}

// insertion gathers rows of one table that have the same columns, and writes them together.
type insertion struct {
	table  string
	names  []string
	values []any
	rows   int
	bytes  int
}

func (i *insertion) add(names []string, values []any, write func(statement) error) error {
	if i.rows > 0 && (i.rows >= batch || i.bytes >= heavy || !slices.Equal(names, i.names)) {
		if err := i.flush(write); err != nil {
			return err
		}
	}
	i.names, i.values, i.rows = names, append(i.values, values...), i.rows+1
	for _, v := range values {
		switch v := v.(type) {
		case string:
			i.bytes += len(v)
		case []byte:
			i.bytes += len(v)
		}
	}
	return nil
}

func (i *insertion) flush(write func(statement) error) error {
	if i.rows == 0 {
		return nil
	}
	one := "(" + strings.TrimSuffix(strings.Repeat("?, ", len(i.names)), ", ") + ")"
	query := `INSERT INTO ` + i.table + ` (` + strings.Join(i.names, ", ") + `) VALUES ` + strings.TrimSuffix(strings.Repeat(one+", ", i.rows), ", ")
	err := write(statement{query, i.values})
	i.values, i.rows, i.bytes = nil, 0, 0
	return err
}

// statement is a query with what it is asked with.
type statement struct {
	query string
	args  []any
}

// writing writes statements one after another while the next are being read.
type writing struct {
	next chan statement
	done chan error
}

func (q Queries) writing(ctx context.Context) *writing {
	w := &writing{make(chan statement, 1), make(chan error, 1)}
	go func() {
		var err error
		var last prepared
		defer last.close()
		for s := range w.next {
			if err == nil {
				err = last.exec(ctx, q, s)
				if err != nil && !conflict(err) && ctx.Err() == nil {
					err = damaged(err)
				}
				if err != nil {
					w.done <- err
				}
			}
		}
		close(w.done)
	}()
	return w
}

// prepared is the last statement, made ready once for all that have its form.
type prepared struct {
	query string
	stmt  *sql.Stmt
}

func (p *prepared) exec(ctx context.Context, q Queries, s statement) (err error) {
	if p.query != s.query {
		p.close()
		if p.stmt, err = q.q.PrepareContext(ctx, s.query); err != nil {
			return err
		}
		p.query = s.query
	}
	_, err = p.stmt.ExecContext(ctx, s.args...)
	return err
}

func (p *prepared) close() {
	if p.stmt != nil {
		p.stmt.Close()
	}
	p.query, p.stmt = "", nil
}

// write hands a statement over, or tells why an earlier one failed.
func (w *writing) write(s statement) error {
	select {
	case err := <-w.done:
		return err
	case w.next <- s:
		return nil
	}
}

// finish waits until all is written.
func (w *writing) finish() error {
	close(w.next)
	return <-w.done
}

// KitchensAway lists the kitchens that were put away, the newest first.
func (q Queries) KitchensAway(ctx context.Context) ([]KitchenName, error) {
	rows, err := q.q.QueryContext(ctx, `SELECT id, name FROM kitchens WHERE put_away ORDER BY id DESC`)
	return list(rows, err, func(scan func(...any) error) (k KitchenName, err error) {
		return k, scan(&k.ID, &k.Name)
	})
}

// Replace puts one kitchen away and another in its place, or the other way round.
func (q Queries) Replace(ctx context.Context, away, shown string) error {
	for _, k := range []struct {
		id   string
		away bool
	}{{away, true}, {shown, false}} {
		if _, err := q.q.ExecContext(ctx, `UPDATE kitchens SET put_away = ? WHERE id = ?`, k.away, k.id); err != nil {
			return err
		}
	}
	return nil
}
