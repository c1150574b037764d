package api

import (
	"crypto/sha256"
	"fmt"
	"io"
	"net/http"
	"os"
	"time"

	"github.com/gin-gonic/gin"

	"risepan/core/fault"
	"risepan/store"
)

// largestChest is the most bytes of a kitchen's file.
const largestChest = 2 << 30

// chestPatience is how long a kitchen's file may take.
const chestPatience = 10 * time.Minute

// carryKitchen gives all of a kitchen as one file, written while it is read from the database. A file that ends too soon
// lacks its counts and is refused by whoever reads it; the connection is broken off as well.
func (s *server) carryKitchen(gc *gin.Context) {
	c := s.callOf(gc)
	k, zone, err := c.settings()
	if err != nil {
		s.refuse(gc, err)
		return
	}
	c.audit("kitchen's file taken", "kitchen", c.kitchen, "person", c.access.Person.ID)
	gc.Header("Content-Disposition", disposition(fmt.Sprintf("%s %s.rise-pan.json", k.Kitchen.Name, c.now.In(zone).Format(time.DateOnly))))
	gc.Header("Content-Type", "application/json")
	if _, err := s.store.WriteKitchen(c.ctx, c.kitchen, gc.Writer, c.now); err != nil {
		s.log.Error("a kitchen's file was not written to its end", "error", err)
		panic(http.ErrAbortHandler)
	}
}

// Restored is a kitchen that was restored from its file.
type Restored struct {
	Kitchen string         `json:"kitchen"` // its id
	Name    string         `json:"name"`
	Holds   map[string]int `json:"holds"` // rows of each kind of thing
}

// restoreKitchen writes a kitchen's file into the database and puts it in the place of the kitchen that the path names,
// which is put away and can be brought back.
func (s *server) restoreKitchen(gc *gin.Context) {
	c := s.callOf(gc)
	key := gc.GetHeader("Idempotency-Key")
	if !goodKey(key) {
		s.refuse(gc, errKey)
		return
	}
	file, err := os.CreateTemp("", "rise-pan-kitchen-*")
	if err != nil {
		s.refuse(gc, err)
		return
	}
	defer os.Remove(file.Name())
	defer file.Close()
	hash := sha256.New()
	if _, err := io.Copy(file, io.TeeReader(c.body, hash)); err != nil {
		s.refuse(gc, err)
		return
	}
	whole := fmt.Appendf(nil, "%s %s\n%x", gc.Request.Method, gc.Request.URL.Path, hash.Sum(nil))
	holds := store.Count{}
	made, err := s.store.Once(c.ctx, c.kitchen, key, whole, c.now, func(q store.Queries) (store.Made, error) {
		id, count, err := q.ReadKitchen(c.ctx, file)
		if err != nil {
			return store.Made{}, asFault(err)
		}
		holds = count
		return store.Made{Status: http.StatusCreated, Ref: id}, q.Replace(c.ctx, c.kitchen, id)
	})
	if err != nil {
		s.refuse(gc, err)
		return
	}
	c.audit("kitchen restored", "kitchen", c.kitchen, "by", made.Ref, "person", c.access.Person.ID)
	k, err := s.store.Kitchen(c.ctx, made.Ref, 0)
	s.answer(gc, made.Status, Restored{made.Ref, k.Kitchen.Name, holds}, err)
}

// asFault is what is wrong with a kitchen's file as its sender's mistake.
func asFault(err error) error {
	if mistake(err) == nil && trouble(err) == nil {
		return fault.At("/file", "%v", err)
	}
	return err
}

// Swapped is a kitchen that was put away, to take the place of the one that the path names.
type Swapped struct {
	With string `json:"with"` // its id
}

// swapKitchen brings a kitchen back that was put away, in the place of the one that is there.
func (s *server) swapKitchen(c *call) (any, error) {
	var in Swapped
	if err := c.read(&in); err != nil {
		return nil, err
	}
	away, err := c.Beside(c.ctx, c.kitchen)
	if err != nil {
		return nil, err
	}
	for _, k := range away {
		if k.ID == in.With {
			return Restored{k.ID, k.Name, map[string]int{}}, c.Replace(c.ctx, c.kitchen, k.ID)
		}
	}
	return nil, fault.At("/with", "no such kitchen was put away")
}
