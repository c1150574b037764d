package api

import (
	"fmt"
	"net/http"
	"regexp"
	"strings"
	"time"

	"github.com/gin-gonic/gin"

	"risepan/core/bake"
	"risepan/core/fault"
	"risepan/core/plan"
	"risepan/formats"
)

// paper is something to be carried away: a file with a name.
type paper struct {
	name, kind string // the name without its ending; the media type
	ending     string
	body       []byte
}

// hand makes a handler that gives a file.
func (s *server) hand(f func(*call) (paper, error)) gin.HandlerFunc {
	return func(gc *gin.Context) {
		p, err := f(s.callOf(gc))
		if err != nil {
			s.refuse(gc, err)
			return
		}
		gc.Header("Content-Disposition", disposition(p.name+"."+p.ending))
		gc.Data(http.StatusOK, p.kind+"; charset=utf-8", p.body)
	}
}

var (
	notInNames = regexp.MustCompile(`[^\p{L}\p{N} ._-]+`)
	notPlain   = regexp.MustCompile(`[^ -~]+`)
)

// disposition offers a file under a name: in plain letters for all, and as it is for who reads RFC 5987.
func disposition(name string) string {
	name = notInNames.ReplaceAllString(name, "")
	ascii := notPlain.ReplaceAllString(name, "_")
	var escaped strings.Builder
	for _, b := range []byte(name) {
		if b >= '0' && b <= '9' || b >= 'a' && b <= 'z' || b >= 'A' && b <= 'Z' || b == '-' || b == '.' || b == '_' {
			escaped.WriteByte(b)
		} else {
			fmt.Fprintf(&escaped, "%%%02X", b)
		}
	}
	return fmt.Sprintf(`attachment; filename="%s"; filename*=UTF-8''%s`, ascii, escaped.String())
}

// sheets are the ways in which a recipe is carried away.
var sheets = map[string]func(formats.Sheet) (paper, error){
	"text": func(s formats.Sheet) (paper, error) { return paper{s.Name, "text/plain", "txt", []byte(s.Text())}, nil },
	"markdown": func(s formats.Sheet) (paper, error) {
		return paper{s.Name, "text/markdown", "md", []byte(s.Markdown())}, nil
	},
	"json": func(s formats.Sheet) (paper, error) {
		b, err := s.JSONLD()
		return paper{s.Name, "application/ld+json", "jsonld", b}, err
	},
}

func (c *call) sheet(s formats.Sheet) (paper, error) {
	as, ok := sheets[c.gin.Query("as")]
	if !ok {
		return paper{}, fault.At("/as", "a recipe is had as text, markdown or json")
	}
	return as(s)
}

// carryRecipe gives a recipe as it is written.
func (s *server) carryRecipe(c *call) (paper, error) {
	id, err := c.id()
	if err != nil {
		return paper{}, err
	}
	r, err := c.Recipe(c.ctx, c.kitchen, id, 0)
	if err != nil {
		return paper{}, err
	}
	return c.sheet(formats.Written(r.Recipe))
}

// carryPlan gives a planned loaf: its recipe at that size, its timetable or its shopping list.
func (s *server) carryPlan(c *call) (paper, error) {
	var w plan.Wish
	if err := c.read(&w); err != nil {
		return paper{}, err
	}
	m, err := c.fulfil(w, nil)
	if err != nil {
		return paper{}, err
	}
	r, err := c.Recipe(c.ctx, c.kitchen, m.pins.RecipeID, m.pins.Revision)
	if err != nil {
		return paper{}, err
	}
	switch c.gin.Query("what") {
	case "recipe":
		return c.sheet(formats.Planned(m.Plan, r.Recipe))
	case "shopping":
		k, _, err := c.settings()
		if c.gin.Query("as") == "markdown" {
			return paper{m.Plan.Recipe + " shopping", "text/markdown", "md", []byte(formats.Shopping(m.Plan, m.Plan.Shop(k.Kitchen), true))}, err
		}
		return paper{m.Plan.Recipe + " shopping", "text/plain", "txt", []byte(formats.Shopping(m.Plan, m.Plan.Shop(k.Kitchen), false))}, err
	case "timetable":
		return c.calendar(formats.LoafOf(m.Plan, m.Digest), m.Plan.Timer.Press)
	}
	return paper{}, fault.At("/what", "carry away the recipe, the timetable or the shopping")
}

// carryBake gives the hours of a started bake.
func (s *server) carryBake(c *call) (paper, error) {
	id, err := c.id()
	if err != nil {
		return paper{}, err
	}
	b, err := c.Bake(c.ctx, c.kitchen, id)
	if err != nil {
		return paper{}, err
	}
	happened, err := c.BakeHappenings(c.ctx, c.kitchen, id)
	if err != nil {
		return paper{}, err
	}
	p := b.Plan
	l := formats.LoafOfBake(id, p.Recipe, p.Recipe+", "+p.Size.String()+", "+p.Machine, bake.At(p, happened, c.now).Moments)
	return c.calendar(l, p.Timer.Press)
}

// calendar is the hours of one loaf, of the day on which Start is pressed.
func (c *call) calendar(l formats.Loaf, press time.Time) (paper, error) {
	_, zone, err := c.settings()
	if err != nil {
		return paper{}, err
	}
	day := press.In(zone).Format(time.DateOnly)
	return paper{l.Name + " " + day, "text/calendar", "ics", []byte(formats.Timetable(l.Name, []formats.Loaf{l}, zone, c.now))}, nil
}
