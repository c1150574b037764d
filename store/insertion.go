package store

import (
	"context"
	"database/sql"
	"slices"
	"strings"
)

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
	query := `INSERT INTO ` + i.table + ` (` + strings.Join(i.names, ", ") + `) VALUES ` +
		strings.TrimSuffix(strings.Repeat(one+", ", i.rows), ", ")
	err := write(statement{query, i.values})
	i.values, i.rows, i.bytes = nil, 0, 0
	return err
}

// statement is a query with what it is asked with.
type statement struct {
	query string
	args  []any
}

// writing writes statements one after another while the next are being read. The reader asks nothing of the same
// connection meanwhile.
type writing struct {
	next   chan statement
	failed chan error
	ended  chan struct{} // its last statement is closed: the connection is free
}

func (q Queries) writing(ctx context.Context) *writing {
	w := &writing{make(chan statement, 1), make(chan error, 1), make(chan struct{})}
	go func() {
		defer close(w.ended)
		var err error
		var last prepared
		defer last.close()
		for s := range w.next {
			if err != nil {
				continue
			}
			if err = last.exec(ctx, q, s); err == nil {
				continue
			}
			if !conflict(err) && ctx.Err() == nil {
				err = damaged(err)
			}
			w.failed <- err
		}
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
	case err := <-w.failed:
		return err
	case w.next <- s:
		return nil
	}
}

// finish waits until all is written and the connection is free, and tells what failed and was not told yet.
func (w *writing) finish() error {
	close(w.next)
	<-w.ended
	select {
	case err := <-w.failed:
		return err
	default:
		return nil
	}
}
