package api

import (
	"net/http"
	"strconv"
	"strings"
	"time"

	"github.com/gin-gonic/gin"

	"risepan/core/fault"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/store"
)

// KitchenSettings are a kitchen's settings with their version.
type KitchenSettings struct {
	Kitchen kitchen.Kitchen `json:"kitchen"`
	Version int             `json:"version"`
}

// Larder is the table of ingredients, with this kitchen's own facts in it.
type Larder struct {
	Ingredients []larder.Ingredient `json:"ingredients"`
}

func (s *server) larder(c *gin.Context) (any, error) {
	k, err := s.kitchen(c.Request.Context(), s.store.Queries)
	if err != nil {
		return nil, err
	}
	out := Larder{larder.All()}
	for n, i := range out.Ingredients {
		out.Ingredients[n], _ = k.Kitchen.Kitchen.Ingredient(i.ID)
	}
	return out, nil
}

// ifMatch reads the version that an edit was made from.
func ifMatch(c *gin.Context) (int, error) {
	text := strings.Trim(c.GetHeader("If-Match"), `"`)
	version, err := strconv.Atoi(text)
	if err != nil {
		return 0, problem(http.StatusPreconditionRequired, "", "send If-Match with the version that you changed, such as \"3\"")
	}
	return version, nil
}

// changeKitchen replaces the settings; what was made from an older version is refused.
func (s *server) changeKitchen(c *gin.Context) (any, error) {
	var k kitchen.Kitchen
	if err := read(c.Request.Body, &k); err != nil {
		return nil, err
	}
	version, err := ifMatch(c)
	if err != nil {
		return nil, err
	}
	if err := k.Check(); err != nil {
		return nil, err
	}
	if _, err := time.LoadLocation(k.Zone); err != nil || k.Zone == "" || k.Zone == "Local" {
		return nil, fault.At("/zone", "%.40q is no time zone: use one such as Europe/London", k.Zone)
	}
	return s.setKitchen(c, version, func(store.Queries, string) (kitchen.Kitchen, error) { return k, nil })
}

// undoKitchen brings the settings before the last change back, as a change of its own.
func (s *server) undoKitchen(c *gin.Context) (any, error) {
	version, err := ifMatch(c)
	if err != nil {
		return nil, err
	}
	return s.setKitchen(c, version, func(q store.Queries, id string) (kitchen.Kitchen, error) {
		return q.KitchenBefore(c.Request.Context(), id, version-1)
	})
}

func (s *server) setKitchen(c *gin.Context, version int, settings func(store.Queries, string) (kitchen.Kitchen, error)) (any, error) {
	ctx := c.Request.Context()
	var out KitchenSettings
	err := s.store.Do(ctx, func(q store.Queries) error {
		before, err := q.FirstKitchen(ctx)
		if err != nil {
			return err
		}
		if out.Kitchen, err = settings(q, before.ID); err != nil {
			return err
		}
		out.Version, err = q.ChangeKitchen(ctx, before.ID, version, out.Kitchen, s.Now())
		return err
	})
	return out, err
}
