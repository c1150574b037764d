package store

import (
	"context"
	"io"

	"github.com/go-json-experiment/json/jsontext"

	"risepan/core/tally"
)

// DryReader reads a kitchen's file as ReadKitchen does, and counts the rows in place of writing them.
func (q Queries) DryReader(ctx context.Context) (func(io.Reader) (id string, count Count, rows int, err error), error) {
	columns, err := q.columnsOf(ctx)
	if err != nil {
		return nil, err
	}
	version, err := q.tablesVersion(ctx)
	return func(r io.Reader) (string, Count, int, error) {
		rows := 0
		c := archiveReader{d: jsontext.NewDecoder(r), columns: columns, count: Count{},
			write: func(s statement) error { rows += len(s.args); return nil },
			taken: func(string) (bool, error) { return false, nil }}
		err := c.read(version)
		return c.id, c.count, rows, err
	}, err
}

// Document is a kind of stored document, for tests of all of them.
type Document = document

// NewDocument is a kind of document of a test's own.
func NewDocument(what string, shape int, upgrades map[int]func(map[string]any) error) Document {
	return document{what, "", shape, upgrades}
}

// Documents lists every kind by its name.
func Documents() map[string]Document {
	out := map[string]Document{}
	for _, d := range documents {
		out[d.what] = d
	}
	return out
}

func (d document) Shape() int { return d.shape }

func (d document) Decode(id string, shape int, doc string, v any) error {
	return d.decode(id, shape, doc, v)
}

// Conflict reports whether a transaction that failed so is tried again.
func Conflict(err error) bool { return conflict(err) }

// ReadUsed reads what of each ingredient a bake used.
func ReadUsed(doc string) ([]tally.Used, error) { return readUsed(doc) }
