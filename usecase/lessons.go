package usecase

import (
	"slices"
	"strings"
	"time"

	"risepan/core/fault"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/recipe"
	"risepan/core/tally"
	"risepan/core/verdict"
	"risepan/store"
)

// Lessons are what the log teaches, and what of it the kitchen does not want.
type Lessons struct {
	Lessons  []verdict.Lesson `json:"lessons"`
	Declined []verdict.Lesson `json:"declined"`
}

// How many bakes the lessons look back on.
const (
	lookBack   = 120
	lookBackOf = 20 // one recipe
)

// Lessons are what the log teaches.
func (c *Scope) Lessons() (Lessons, error) { return c.lessonsOf("") }

// lessonsOf are the lessons of one recipe, or of the whole kitchen.
func (c *Scope) lessonsOf(recipeID string) (Lessons, error) {
	out := Lessons{Lessons: []verdict.Lesson{}, Declined: []verdict.Lesson{}}
	k, zone, err := c.settings()
	if err != nil {
		return out, err
	}
	most := lookBack
	if recipeID != "" {
		most = lookBackOf
	}
	past, machines, recipes, err := c.past(k.Kitchen, zone, recipeID, most)
	if err != nil {
		return out, err
	}
	add := func(l *verdict.Lesson) {
		switch {
		case l == nil:
		case slices.Contains(k.Kitchen.Declined, l.ID):
			out.Declined = append(out.Declined, *l)
		default:
			out.Lessons = append(out.Lessons, *l)
		}
	}
	var told []string // recipes and machines, in the order of the newest bake
	for _, p := range past {
		if !slices.Contains(told, p.RecipeID) {
			told = append(told, p.RecipeID)
			add(verdict.LiquidLesson(p.RecipeID, recipes[p.RecipeID], k.Kitchen.Ingredient, past))
		}
	}
	if recipeID != "" {
		return out, nil
	}
	for _, p := range past {
		if m := machines[p.MachineID]; !slices.Contains(told, p.MachineID) {
			told = append(told, p.MachineID)
			add(verdict.CrustLesson(p.MachineID, m.Machine, past))
			add(verdict.FillLesson(p.MachineID, m.Machine, k.Kitchen, past))
			add(verdict.KneadLesson(p.MachineID, m.Machine, k.Kitchen, past))
		}
	}
	add(verdict.CupLesson(k.Kitchen, past))
	return out, nil
}

// LessonOf names a lesson of the log.
type LessonOf struct {
	ID string `json:"id"`
}

// TakeLesson changes what a lesson says: the recipe's liquid, the machine's description or the kitchen's figure of a
// cup, each of which can be undone where it stands. The lesson is worked out anew, so that what was taken is what the
// log teaches now.
func (c *Scope) TakeLesson(in LessonOf) (string, error) {
	about := ""
	if id, ok := strings.CutPrefix(in.ID, "liquid "); ok {
		about = id
	}
	all, err := c.lessonsOf(about)
	if err != nil {
		return "", err
	}
	n := slices.IndexFunc(all.Lessons, func(l verdict.Lesson) bool { return l.ID == in.ID })
	if n < 0 {
		return "", fault.At("/id", "the log does not teach that any more: look at it again")
	}
	return in.ID, c.learn(all.Lessons[n])
}

func (c *Scope) learn(l verdict.Lesson) error {
	switch {
	case l.Change != nil:
		before, err := c.q.Recipe(c.ctx, c.kitchen, l.RecipeID, 0)
		if err != nil {
			return err
		}
		next, err := c.taught(before.Recipe, l.Change.Line, l.Change.To, recipe.Because{Note: l.Say})
		if err == nil {
			_, err = c.keep(before, next)
		}
		return err
	case l.Machine != "":
		m, err := c.q.Machine(c.ctx, c.kitchen, l.Machine, 0)
		if err != nil {
			return err
		}
		next := m.Machine
		switch {
		case l.Browns != nil:
			next.Browns = *l.Browns
		case l.Fills > 0:
			next.Fills = l.Fills
		default:
			next.KneadRise = l.KneadRise
		}
		if err := next.Check(); err != nil {
			return err
		}
		_, err = c.q.ChangeMachine(c.ctx, c.kitchen, m.ID, m.Version, next, c.now)
		return err
	}
	k, _, err := c.settings()
	if err != nil {
		return err
	}
	known, _ := k.Kitchen.Ingredient(l.Flour)
	own := *known
	own.PerCup = l.PerCup
	next := k.Kitchen
	next.Facts = append(slices.DeleteFunc(slices.Clone(next.Facts),
		func(i larder.Ingredient) bool { return i.ID == own.ID }), own)
	return c.keepSettings(k, next)
}

// keepSettings keeps the kitchen's settings as they now are.
func (c *Scope) keepSettings(before store.Kitchen, next kitchen.Kitchen) error {
	if err := next.Check(); err != nil {
		return err
	}
	_, err := c.q.ChangeKitchen(c.ctx, c.kitchen, before.Version, next, c.now)
	return err
}

// LessonTaken answers with what the log teaches after a lesson was taken.
func (c *Scope) LessonTaken(string) (Lessons, error) { return c.lessonsOf("") }

// Declining says whether a lesson is wanted.
type Declining struct {
	ID string `json:"id"`
	On bool   `json:"on"` // it is not
}

// DeclineLesson puts a lesson away, or lets it be offered again.
func (c *Scope) DeclineLesson(in Declining) (Lessons, error) {
	k, _, err := c.settings()
	if err != nil {
		return Lessons{}, err
	}
	next := k.Kitchen
	next.Declined = slices.DeleteFunc(slices.Clone(next.Declined), func(id string) bool { return id == in.ID })
	if in.On {
		next.Declined = append(next.Declined, in.ID)
	}
	if !slices.Equal(next.Declined, k.Kitchen.Declined) {
		if err := c.keepSettings(k, next); err != nil {
			return Lessons{}, err
		}
	}
	return c.lessonsOf("")
}

// past are the newest bakes of a recipe, or of the whole kitchen, to learn from; with their machines, and their
// recipes at their newest.
func (c *Scope) past(k kitchen.Kitchen, zone *time.Location, recipeID string, most int) (past []verdict.Past,
	machines map[string]store.Machine, recipes map[string]recipe.Recipe, err error) {
	machines, recipes = map[string]store.Machine{}, map[string]recipe.Recipe{}
	kept, err := c.q.Past(c.ctx, c.kitchen, recipeID, most)
	if err != nil {
		return nil, nil, nil, err
	}
	for _, p := range kept {
		if _, known := machines[p.MachineID]; !known {
			if machines[p.MachineID], err = c.q.Machine(c.ctx, c.kitchen, p.MachineID, 0); err != nil {
				return nil, nil, nil, err
			}
		}
		then, err := c.q.Recipe(c.ctx, c.kitchen, p.RecipeID, p.Revision)
		if err != nil {
			return nil, nil, nil, err
		}
		if _, known := recipes[p.RecipeID]; !known {
			now, err := c.q.Recipe(c.ctx, c.kitchen, p.RecipeID, 0)
			if err != nil {
				return nil, nil, nil, err
			}
			recipes[p.RecipeID] = now.Recipe
		}
		liquid, _ := then.Recipe.Liquid(k.Ingredient)
		present, _ := recipes[p.RecipeID].Liquid(k.Ingredient)
		past = append(past, verdict.Past{At: p.StartedAt.In(zone), RecipeID: p.RecipeID, Recipe: p.Recipe,
			MachineID: p.MachineID, Liquid: liquid.Amount, Mended: liquid.Amount != present.Amount, Formula: p.Formula,
			Flour: tally.MainFlour(p.Used, k), Ball: p.Ball, Doses: p.Doses, Off: p.Off, Crust: p.Crust,
			Fill:    machines[p.MachineID].Machine.Vessel.FillOf(p.Kind, p.Formula.Flour, tally.Grams(p.Used)),
			Verdict: p.Verdict})
	}
	return past, machines, recipes, nil
}
