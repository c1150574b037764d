package store

import (
	"context"
	"fmt"
	"slices"
	"strings"

	"github.com/go-json-experiment/json"

	"risepan/core/bag"
	"risepan/core/bake"
	"risepan/core/bench"
	"risepan/core/day"
	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/core/rehearse"
	"risepan/core/verdict"
)

// document is a kind of stored document. Every row of it carries the number of the shape that it was
// written in; on reading, it is brought from each shape to the next.
type document struct {
	what     string
	table    string
	shape    int                                // the present one
	upgrades map[int]func(map[string]any) error // from this shape to the next
}

// The documents that a kitchen keeps. Shapes began at 1; who changes one adds its upgrade here and a
// golden file in testdata.
var (
	kitchens = document{"kitchen", "kitchen_versions", kitchen.Shape,
		map[int]func(map[string]any) error{1: grainsAndHoppers}}
	machines = document{"machine", "machine_versions", machine.Shape, nil}
	recipes  = document{"recipe", "recipe_versions", recipe.Shape,
		map[int]func(map[string]any) error{1: guessesUnknown, 2: reasonInWords}}
	habits = document{"habit", "habits", HabitShape, nil}
	wishes = document{"wish", "benches", plan.WishShape, nil}
	plans  = document{"plan", "bakes", plan.Shape, map[int]func(map[string]any) error{1: guessesOfPlan,
		2: settingOfPlan, 3: dosesOfPlan}}
	benchHappened = document{"happening at a bench", "happenings", bench.Shape, nil}
	bakeHappened  = document{"happening in a bake", "happenings", bake.Shape, nil}
	bags          = document{"bag", "bags", bag.Shape, nil}
	books         = document{"day", "day_versions", day.Shape, nil}
	rehearsals    = document{"rehearsal", "rehearsals", rehearse.Shape,
		map[int]func(map[string]any) error{1: inPlan(settingOfPlan), 2: inPlan(dosesOfPlan)}}
	imports   = document{"import", "imports", ImportShape, nil}
	rehearsed = document{"happening in a rehearsal", "happenings", rehearse.HappeningShape, nil}
)

var documents = []document{kitchens, machines, recipes, habits, wishes, plans, benchHappened, bakeHappened, bags,
	books, rehearsals, rehearsed, imports}

// grainsAndHoppers brings a kitchen's own facts from shape 1: whether an ingredient is whole grain and
// whether it may go in a dispenser were one word each, yes or no.
func grainsAndHoppers(kitchen map[string]any) error {
	facts, _ := kitchen["facts"].([]any)
	for _, f := range facts {
		i, ok := f.(map[string]any)
		if !ok {
			return fmt.Errorf("a fact of the kitchen is %T, no ingredient", f)
		}
		if whole, _ := i["grain"].(bool); whole {
			i["whole"] = true
		}
		if may, _ := i["dispenser"].(bool); may {
			i["dispenser"] = "yes"
		} else {
			delete(i, "dispenser")
		}
		delete(i, "grain")
		i["id"] = known(i["id"])
	}
	return nil
}

// guessesUnknown brings a recipe from shape 1, in which what the larder lacked was guessed by its name:
// now it is unknown until somebody says what it is.
func guessesUnknown(recipe map[string]any) error {
	lines, _ := recipe["lines"].([]any)
	for _, l := range lines {
		line, ok := l.(map[string]any)
		if !ok {
			return fmt.Errorf("a line of the recipe is %T", l)
		}
		line["ingredient"] = known(line["ingredient"])
		others, _ := line["or"].([]any)
		for n, o := range others {
			others[n] = known(o)
		}
	}
	return nil
}

// reasonInWords brings a recipe from shape 2, in which the reason of a revision was one text: a cause of the verdict, a
// colon and the signs that the loaf showed, or a note.
func reasonInWords(recipe map[string]any) error {
	text, there := recipe["because"].(string)
	if !there {
		return nil
	}
	cause, signs, _ := strings.Cut(text, ": ")
	if !slices.Contains(verdict.Causes, verdict.Cause(cause)) {
		recipe["because"] = map[string]any{"note": text}
		return nil
	}
	because := map[string]any{"cause": cause}
	if all := signsIn(signs); len(all) > 0 {
		because["signs"] = all
	}
	recipe["because"] = because
	return nil
}

// signsIn are the signs of a text that lists them; some have commas of their own.
func signsIn(text string) (out []any) {
	for text != "" {
		n := slices.IndexFunc(bake.Signs, func(s bake.Sign) bool { return strings.HasPrefix(text, string(s)) })
		if n < 0 {
			return out
		}
		out = append(out, string(bake.Signs[n]))
		text = strings.TrimPrefix(strings.TrimPrefix(text, string(bake.Signs[n])), ", ")
	}
	return out
}

// guessesOfPlan does the same to a plan, whose trade-off was between scoops and closeness.
func guessesOfPlan(plan map[string]any) error {
	plan["shape"] = 2
	rounding, _ := plan["rounding"].(map[string]any)
	choices, _ := rounding["choices"].([]any)
	for _, c := range choices {
		if choice, ok := c.(map[string]any); ok {
			choice["handling"] = choice["scoops"] // of that shape the scoops alone counted
			delete(choice, "scoops")
		}
	}
	return guessesUnknown(plan)
}

// settingOfPlan brings a plan from shape 2, in which one size stood for the loaf and for the panel's setting, and the
// range of a figure for the figure.
func settingOfPlan(plan map[string]any) error {
	plan["shape"] = 3
	setting, ok := plan["setting"].(map[string]any)
	if !ok {
		return fmt.Errorf("the plan's setting is %T", plan["setting"])
	}
	setting["size"] = plan["size"]
	usual, _ := plan["usual"].(map[string]any)
	against, _ := usual["against"].([]any)
	formula, _ := plan["formula"].(map[string]any)
	for _, a := range against {
		if figure, ok := a.(map[string]any); ok {
			if figure["is"] = figure["low"]; figure["of"] == "hydration" {
				figure["is"] = formula["hydration"]
			}
		}
	}
	return nil
}

// dosesOfPlan brings a plan from shape 3, in which a dough that poured got a larger dose of flour.
func dosesOfPlan(plan map[string]any) error {
	plan["shape"] = 4
	doses, _ := plan["doses"].(map[string]any)
	delete(doses, "muchFlour")
	return nil
}

// inPlan does to the plan that a rehearsal holds what is done to a plan.
func inPlan(upgrade func(map[string]any) error) func(map[string]any) error {
	return func(rehearsal map[string]any) error {
		plan, ok := rehearsal["plan"].(map[string]any)
		if !ok {
			return fmt.Errorf("the rehearsal's plan is %T", rehearsal["plan"])
		}
		return upgrade(plan)
	}
}

func known(id any) any {
	text, _ := id.(string)
	if name, guessed := strings.CutPrefix(text, "guess:"); guessed {
		return "unknown:" + name
	}
	return id
}

// Unreadable is the fault of a stored document that cannot be read. It is never the client's.
type Unreadable struct {
	What string
	ID   string
	Err  error
}

func (u *Unreadable) Error() string {
	return fmt.Sprintf("the stored %s %s cannot be read: %v", u.What, u.ID, u.Err)
}

func (u *Unreadable) Unwrap() error { return u.Err }

func encode(v any) (string, error) {
	b, err := json.Marshal(v)
	return string(b), err
}

// decode reads a document that was written in a shape.
func (d document) decode(id string, shape int, doc string, v any) error {
	err := d.read(shape, doc, v)
	if err != nil {
		return &Unreadable{d.what, id, err}
	}
	return nil
}

func (d document) read(shape int, doc string, v any) error {
	if shape < 1 || shape > d.shape {
		return fmt.Errorf("it has shape %d, and this program knows 1 to %d", shape, d.shape)
	}
	if shape < d.shape {
		var tree map[string]any
		if err := json.Unmarshal([]byte(doc), &tree); err != nil {
			return err
		}
		for ; shape < d.shape; shape++ {
			if err := d.upgrades[shape](tree); err != nil {
				return fmt.Errorf("from shape %d: %w", shape, err)
			}
		}
		var err error
		if doc, err = encode(tree); err != nil {
			return err
		}
	}
	return json.Unmarshal([]byte(doc), v)
}

// ErrNewer is returned for a database that a newer program has written to.
var ErrNewer = fmt.Errorf("this kitchen was used with a newer Rise Pan: start that one, or begin with another " +
	"--data folder")

// known refuses a database that holds documents of shapes which this program does not know.
func (q Queries) knownShapes(ctx context.Context) error {
	known := map[string]int{} // by table: two kinds of happenings share one
	for _, d := range documents {
		known[d.table] = max(known[d.table], d.shape)
	}
	for _, d := range documents {
		var newest int
		if err := q.q.QueryRowContext(ctx, `SELECT COALESCE(MAX(shape), 0) FROM `+d.table).Scan(&newest); err != nil {
			return err
		}
		if newest > known[d.table] {
			return fmt.Errorf("%w (its %s has shape %d, and this program knows %d)", ErrNewer, d.what, newest, d.shape)
		}
	}
	return nil
}
