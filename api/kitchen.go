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
	"risepan/core/measure"
	"risepan/store"
)

// KitchenSettings are a kitchen's settings with their version, and what follows from them.
type KitchenSettings struct {
	Kitchen kitchen.Kitchen `json:"kitchen"`
	Version int             `json:"version"`
	Cups    []CupKnown      `json:"cups"`    // for each of its own cups of flour
	Worries []string        `json:"worries"` // for each pack, what its dates say against it
}

// CupKnown is what is known of a kitchen's own cup of a flour.
type CupKnown struct {
	larder.Known
	Flour  larder.ID     `json:"flour"`
	Name   string        `json:"name"`
	PerCup measure.Grams `json:"perCup"` // a US cup of it is taken to weigh
}

func settings(k kitchen.Kitchen, version int, today kitchen.Date) KitchenSettings {
	out := KitchenSettings{k, version, []CupKnown{}, []string{}}
	for _, c := range k.Cups {
		known, _ := c.Calibrate() // a stored cup was checked
		i, _ := k.Ingredient(c.Flour)
		out.Cups = append(out.Cups, CupKnown{known, c.Flour, i.Name, i.PerCup})
	}
	for _, p := range k.Packs {
		i, _ := k.Ingredient(p.Ingredient)
		out.Worries = append(out.Worries, p.Worry(i, today))
	}
	return out
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
	k = k.Filled()
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

func (s *server) setKitchen(c *gin.Context, version int, next func(store.Queries, string) (kitchen.Kitchen, error)) (any, error) {
	ctx := c.Request.Context()
	var k kitchen.Kitchen
	now := s.Now()
	err := s.store.Do(ctx, func(q store.Queries) error {
		before, err := q.FirstKitchen(ctx)
		if err != nil {
			return err
		}
		if k, err = next(q, before.ID); err != nil {
			return err
		}
		version, err = q.ChangeKitchen(ctx, before.ID, version, k, now)
		return err
	})
	if err != nil {
		return nil, err
	}
	zone, err := time.LoadLocation(k.Zone)
	return settings(k, version, kitchen.DateOf(now, zone)), err
}
