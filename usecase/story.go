package usecase

import (
	"fmt"
	"slices"
	"time"

	"risepan/core/fault"
	"risepan/core/formula"
	"risepan/core/kitchen"
	"risepan/core/plan"
	"risepan/core/recipe"
	"risepan/core/verdict"
	"risepan/store"
)

// Story is a recipe as it went: its revisions, the bakes made of each, and what they teach.
type Story struct {
	ID        string           `json:"id"`
	Name      string           `json:"name"`
	Revision  int              `json:"revision"`
	Revisions []RevisionTold   `json:"revisions"`      // newest first
	Bakes     []StoryBake      `json:"bakes"`          // newest first
	Older     bool             `json:"older,omitzero"` // there are older bakes, which are not shown here
	Lessons   []verdict.Lesson `json:"lessons,omitzero"`
	Zone      string           `json:"zone"`
	Now       time.Time        `json:"now"`
}

// RevisionTold is one revision, why it was made and what it changed.
type RevisionTold struct {
	Number  int              `json:"number"`
	At      time.Time        `json:"at"`
	Because string           `json:"because,omitzero"`
	Changed []recipe.Changed `json:"changed,omitzero"` // against the one before it
}

// StoryBake is one bake of the story with what changed since the one before it.
type StoryBake struct {
	BakeSummary
	Hydration float64  `json:"hydration"`
	Salt      float64  `json:"salt"`
	Yeast     float64  `json:"yeast"`
	Centre    *int     `json:"centre,omitzero"` // mm over the rim
	Weight    int      `json:"weight,omitzero"`
	Helped    string   `json:"helped,omitzero"`
	Doses     []string `json:"doses,omitzero"`
	Changed   []string `json:"changed,omitzero"`
}

// How many revisions and bakes a story tells.
const (
	mostRevisions = 200
	mostStory     = 100
)

// Story is how a recipe went.
func (c *Scope) Story(id string) (Story, error) {
	k, zone, err := c.settings()
	if err != nil {
		return Story{}, err
	}
	revisions, err := c.q.Revisions(c.ctx, c.kitchen, id, mostRevisions)
	if err != nil {
		return Story{}, err
	}
	glances, err := c.q.Glances(c.ctx, c.kitchen, store.Page{Recipe: id, Most: mostStory + 1})
	if err != nil {
		return Story{}, err
	}
	head := revisions[0]
	out := Story{ID: id, Name: head.Recipe.Name, Revision: head.Number, Revisions: []RevisionTold{},
		Bakes: []StoryBake{}, Zone: zone.String(), Now: c.now}
	for n, r := range revisions {
		told := RevisionTold{Number: r.Number, At: r.At, Because: r.Recipe.Because.String()}
		if n+1 < len(revisions) {
			told.Changed = recipe.Differ(revisions[n+1].Recipe, r.Recipe, k.Kitchen.Ingredient)
			if revisions[n+1].Recipe.Because.Equal(r.Recipe.Because) { // a reason belongs to the revision that it made
				told.Because = ""
			}
		}
		out.Revisions = append(out.Revisions, told)
	}
	if out.Older = len(glances) > mostStory; out.Older {
		glances = glances[:mostStory]
	}
	for n, g := range glances {
		b := c.storyBake(g)
		if n+1 < len(glances) {
			b.Changed = c.since(glances[n+1], g, revisions, k.Kitchen)
		}
		out.Bakes = append(out.Bakes, b)
	}
	lessons, err := c.lessonsOf(id)
	out.Lessons = lessons.Lessons
	return out, err
}

func (c *Scope) storyBake(g store.Glance) StoryBake {
	b := StoryBake{BakeSummary: summary(g, c.now), Hydration: g.Formula.Hydration, Salt: g.Formula.Salt,
		Yeast:  g.Formula.Yeast,
		Centre: g.Verdict.Centre, Weight: int(g.Verdict.Weight), Helped: string(g.Verdict.Helped)}
	for _, d := range g.Doses {
		b.Doses = append(b.Doses, fmt.Sprintf("%s of %s", d.Amount, d.Of))
	}
	return b
}

// since is what changed from one bake to the next, in words.
func (c *Scope) since(before, after store.Glance, revisions []store.Revision, k kitchen.Kitchen) []string {
	out := after.Way().Since(before.Way())
	at := func(number int) *store.Revision {
		if n := slices.IndexFunc(revisions, func(r store.Revision) bool { return r.Number == number }); n >= 0 {
			return &revisions[n]
		}
		return nil
	}
	if was, is := at(before.Revision), at(after.Revision); was != nil && is != nil && was.Number != is.Number {
		for _, d := range recipe.Differ(was.Recipe, is.Recipe, k.Ingredient) {
			out = append(out, d.String())
		}
	}
	return out
}

// Difference is what two revisions of a recipe differ in, in words, amounts and percentages.
type Difference struct {
	From    int              `json:"from"`
	To      int              `json:"to"`
	Changed []recipe.Changed `json:"changed"`
	Figures []FigureMoved    `json:"figures"`
}

// FigureMoved is a figure of the formula in both, per 100 of flour.
type FigureMoved struct {
	Of   plan.Figure `json:"of"`
	From float64     `json:"from"`
	To   float64     `json:"to"`
}

// Difference is what two revisions of a recipe differ in.
func (c *Scope) Difference(id string, from, to int) (Difference, error) {
	k, _, err := c.settings()
	if err != nil {
		return Difference{}, err
	}
	both := [2]store.Recipe{}
	for n, number := range []int{from, to} {
		if both[n], err = c.q.Recipe(c.ctx, c.kitchen, id, number); err != nil {
			return Difference{}, err
		}
	}
	out := Difference{From: both[0].Revision, To: both[1].Revision, Changed: []recipe.Changed{},
		Figures: []FigureMoved{}}
	out.Changed = append(out.Changed, recipe.Differ(both[0].Recipe, both[1].Recipe, k.Kitchen.Ingredient)...)
	was, is := formulaOf(both[0].Recipe, k.Kitchen), formulaOf(both[1].Recipe, k.Kitchen)
	for _, f := range []struct {
		of       plan.Figure
		from, to float64
	}{{plan.Hydration, was.Hydration, is.Hydration}, {plan.Salt, was.Salt, is.Salt}, {plan.Yeast, was.Yeast, is.Yeast},
		{plan.Sugar, was.Sugar, is.Sugar}, {plan.Fat, was.Fat, is.Fat}} {
		out.Figures = append(out.Figures, FigureMoved{f.of, f.from, f.to})
	}
	return out, nil
}

// formulaOf is a recipe's formula as it is written; zero where a line cannot be weighed.
func formulaOf(r recipe.Recipe, k kitchen.Kitchen) formula.Formula {
	weighed, err := r.Weigh(k.Ingredient)
	if err != nil {
		return formula.Formula{}
	}
	return formula.FromRecipe(weighed)
}

// Back is an older revision to return to.
type Back struct {
	Revision int `json:"revision"` // that the baker sees as the newest
	To       int `json:"to"`
}

// GoBack makes an older revision the newest again, as a revision of its own.
func (c *Scope) GoBack(id string, in Back) (string, error) {
	head, err := c.head(id, in.Revision)
	if err != nil {
		return "", err
	}
	if in.To < 1 || in.To >= head.Revision {
		return "", fault.At("/to", "go back to a version from 1 to %d", head.Revision-1)
	}
	old, err := c.q.Recipe(c.ctx, c.kitchen, head.ID, in.To)
	if err != nil {
		return "", err
	}
	next := old.Recipe
	next.Because = recipe.Because{Note: fmt.Sprintf("back to version %d", in.To)}
	return c.keepOld(head, next)
}
