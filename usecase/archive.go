package usecase

import (
	"fmt"
	"io"
	"time"

	"risepan/core/fault"
	"risepan/store"
)

// KitchenFile is the name of a file that holds all of the kitchen, and how it is written: while it is read from the
// database. One that ends too soon lacks its counts and is refused by whoever reads it.
func (c *Scope) KitchenFile() (name string, write func(io.Writer) error, err error) {
	k, zone, err := c.settings()
	if err != nil {
		return "", nil, err
	}
	c.audit("kitchen's file taken", "kitchen", c.kitchen, "person", c.access.Person.ID)
	return fmt.Sprintf("%s %s", k.Kitchen.Name, c.now.In(zone).Format(time.DateOnly)), func(w io.Writer) error {
		_, err := c.Store.WriteKitchen(c.ctx, c.kitchen, w, c.now)
		return err
	}, nil
}

// Restored is a kitchen that was restored from its file.
type Restored struct {
	Kitchen string         `json:"kitchen"` // its id
	Name    string         `json:"name"`
	Holds   map[string]int `json:"holds"` // rows of each kind of thing
}

// BadFile is what is wrong with a kitchen's file.
type BadFile struct{ Err error }

func (b *BadFile) Error() string { return b.Err.Error() }
func (b *BadFile) Unwrap() error { return b.Err }

// RestoreKitchen writes a kitchen's file into the database and puts it in the place of this kitchen, which is put away
// and can be brought back. The request tells the file apart from another under the same key. It runs in a transaction
// of its own.
func (c *Scope) RestoreKitchen(request []byte, file io.ReadSeeker) (Restored, error) {
	made, err := c.Store.Once(c.ctx, c.kitchen, c.visitor.Key, request, c.now, func(q store.Queries) (store.Made,
		error) {
		id, _, err := q.ReadKitchen(c.ctx, file)
		if err != nil {
			return store.Made{}, &BadFile{err}
		}
		return store.Made{Status: created, Ref: id}, q.Replace(c.ctx, c.kitchen, id)
	})
	if err != nil {
		return Restored{}, err
	}
	c.audit("kitchen restored", "kitchen", c.kitchen, "by", made.Ref, "person", c.access.Person.ID)
	k, err := c.q.Kitchen(c.ctx, made.Ref, 0)
	if err != nil {
		return Restored{}, err
	}
	holds, err := c.q.Holds(c.ctx, made.Ref)
	return Restored{made.Ref, k.Kitchen.Name, holds}, err
}

// Swapped is a kitchen that was put away, to take the place of the one that the path names.
type Swapped struct {
	With string `json:"with"` // its id
}

// SwapKitchen brings a kitchen back that was put away, in the place of the one that is there.
func (c *Scope) SwapKitchen(in Swapped) (Restored, error) {
	away, err := c.q.Beside(c.ctx, c.kitchen)
	if err != nil {
		return Restored{}, err
	}
	for _, k := range away {
		if k.ID == in.With {
			return Restored{k.ID, k.Name, map[string]int{}}, c.q.Replace(c.ctx, c.kitchen, k.ID)
		}
	}
	return Restored{}, fault.At("/with", "no such kitchen was put away")
}
