package recipe

import "fmt"

// New is a recipe written for the first time: its lines are given ids.
func New(r Recipe) Recipe { return r.Revise(Recipe{}) }

// Revise is r as the next revision of before: lines that stand for the same thing keep their ids, and
// new ones get ids that no line of the recipe ever had. A line is the same where ingredient, place and
// amount are; then where ingredient and place are; then where the ingredient is, each in the order of
// the lines.
func (r Recipe) Revise(before Recipe) Recipe {
	lines := append([]Line{}, r.Lines...)
	for n := range lines {
		lines[n].ID = ""
	}
	used := map[string]bool{}
	for _, same := range []func(a, b Line) bool{
		func(a, b Line) bool { return alike(a, b) && a.Amount == b.Amount },
		alike,
		func(a, b Line) bool { return a.Ingredient == b.Ingredient },
	} {
		for n, l := range lines {
			for _, old := range before.Lines {
				if lines[n].ID == "" && !used[old.ID] && same(l, old) {
					lines[n].ID, used[old.ID] = old.ID, true
				}
			}
		}
	}
	r.Drawn, r.Meant = before.Drawn, before.Meant
	for n := range lines {
		for lines[n].ID == "" {
			r.Drawn++
			if id := fmt.Sprintf("l%d", r.Drawn); !before.has(id) {
				lines[n].ID = id
			}
		}
	}
	r.Lines = lines
	return r
}

func alike(a, b Line) bool {
	return a.Ingredient == b.Ingredient && a.Part == b.Part && a.When == b.When
}

func (r Recipe) has(id string) bool {
	for _, l := range r.Lines {
		if l.ID == id {
			return true
		}
	}
	return false
}
