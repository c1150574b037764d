package store

import (
	"context"
	"crypto/rand"
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

// ErrNoChest is returned for a file that holds no kitchen.
var ErrNoChest = errors.New("this is no kitchen's file of Rise Pan")

// ReadKitchen writes all of a kitchen's file into the database as a kitchen of its own, whole or not at all, and
// gives its id. Where a kitchen of the file's own id is there already, everything gets new ids, in the same order.
func (s *Store) ReadKitchen(ctx context.Context, r io.ReadSeeker) (id string, count Count, err error) {
	err = s.Do(ctx, func(q Queries) (err error) {
		id, count, err = q.ReadKitchen(ctx, r)
		return err
	})
	return id, count, err
}

// ReadKitchen does so inside a transaction. It reads from the beginning, so that a try that lost a conflict begins
// again.
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
	c := archiveReader{d: jsontext.NewDecoder(r), columns: columns, count: Count{}, write: w.write,
		taken: func(id string) (taken bool, err error) {
			err = q.q.QueryRowContext(ctx, `SELECT EXISTS (SELECT 1 FROM kitchens WHERE id = ?)`, id).Scan(&taken)
			return taken, err
		}}
	err = c.read(version)
	return c.id, c.count, errors.Join(err, w.finish())
}

// read reads the whole file.
func (c *archiveReader) read(version int) error {
	if err := c.head(version); err != nil {
		return err
	}
	for _, table := range archiveTables {
		if err := c.table(table); err != nil {
			return err
		}
	}
	return c.foot()
}

// archiveReader reads a kitchen's file into the database.
type archiveReader struct {
	d       *jsontext.Decoder
	columns map[string][]column
	count   Count
	write   func(statement) error         // into the database
	taken   func(id string) (bool, error) // whether a kitchen of that id is there
	id      string                        // of the kitchen, as it is now
	mask    [6]byte                       // by which ids differ from those of the file; zero: not at all
}

// damaged is what a file is that ends too soon, or holds what no kitchen's file does.
func damaged(err error) error {
	return fmt.Errorf("this file is not whole, or damaged: nothing of it was kept (%s)",
		strings.TrimPrefix(err.Error(), "jsontext: "))
}

func (c *archiveReader) token() (jsontext.Token, error) {
	t, err := c.d.ReadToken()
	if err != nil {
		return t, damaged(err)
	}
	return t, nil
}

// want reads a token that must be there.
func (c *archiveReader) want(kind jsontext.Kind, text string) error {
	t, err := c.token()
	if err == nil && (t.Kind() != kind || text != "" && t.String() != text) {
		err = damaged(fmt.Errorf("%q stands where %q should", t.String(), text))
	}
	return err
}

func (c *archiveReader) head(version int) error {
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
			most, what := int64(archiveVersion), t.String()
			if what == "tables" {
				most = int64(version)
			}
			n, err := c.token()
			if err != nil {
				return err
			}
			if v, err := whole(n); err != nil || v > most {
				return fmt.Errorf("this file was written by a newer Rise Pan (its %s is %s, and this program knows "+
					"%d): bring this program up to date first", what, n.String(), most)
			}
		}
	}
}

// whole is a token as a whole number; the library panics at what is none.
func whole(t jsontext.Token) (int64, error) {
	if t.Kind() != '0' {
		return 0, fmt.Errorf("this is no number: %.20s", t.String())
	}
	return t.Int()
}

// The most rows, and bytes of them, that are written at once.
const (
	batch = 50
	heavy = 1 << 20
)

func (c *archiveReader) table(table string) error {
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
func (c *archiveReader) row(table string) (names []string, values []any, err error) {
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
func (c *archiveReader) begin(v jsontext.Value) error {
	old, err := textOf(v)
	if err != nil || !ValidID(old) || c.id != "" {
		return damaged(errors.New("a kitchen's file holds one kitchen"))
	}
	taken, err := c.taken(old)
	if err != nil {
		return err
	}
	if taken {
		rand.Read(c.mask[:])
	}
	c.id = c.moved(old)
	return nil
}

// moved is an id as it is now: the time in it stays, so that the order does.
func (c *archiveReader) moved(old string) string {
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

func (c *archiveReader) value(k column, v jsontext.Value) (any, error) {
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
		return idIn.ReplaceAllStringFunc(string(v), func(id string) string {
			return `"` +
				c.moved(strings.Trim(id, `"`)) + `"`
		}), nil
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
func (c *archiveReader) foot() error {
	if err := c.want('}', ""); err != nil {
		return err
	}
	if err := c.want('"', "counts"); err != nil {
		return err
	}
	if err := c.want('{', ""); err != nil {
		return err
	}
	for range archiveTables {
		name, err := c.token()
		if err != nil {
			return err
		}
		table := name.String()
		n, err := c.token()
		if err != nil {
			return err
		}
		if v, err := whole(n); err != nil || int(v) != c.count[table] {
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
