package day

import (
	"fmt"
	"time"

	"risepan/core/fault"
	"risepan/core/kitchen"
	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/timetable"
)

// Needs are what a day's loaves want in all.
type Needs struct {
	Shopping []plan.Shopping `json:"shopping"`
	Weigh    []Weigh         `json:"weigh"` // what more than one loaf wants of one flour, to be weighed once for all
}

// Weigh is one flour for several loaves.
type Weigh struct {
	Name string  `json:"name"`
	All  string  `json:"all"`
	Each []Share `json:"each"`
}

// Share is what of it is a loaf's.
type Share struct {
	Loaf   string `json:"loaf"`
	Amount string `json:"amount"`
}

// Plans are the whole plans of a day's loaves that are still to be measured, as they are when each is loaded.
func (p Place) Plans(b Book, d Day) ([]plan.Plan, error) {
	var out []plan.Plan
	for n, l := range d.Loaves {
		if l.Wish == nil {
			continue
		}
		for _, m := range p.Machines {
			if m.ID != l.Machine {
				continue
			}
			made, err := plan.Make(p.place(b.Loaves[n], m, l.Load), *l.Wish)
			if err != nil {
				return nil, err
			}
			out = append(out, made)
		}
	}
	return out, nil
}

// Together is what plans of a day want in all.
func Together(k kitchen.Kitchen, plans []plan.Plan) Needs {
	out := Needs{Shopping: plan.Shop(k, plans...), Weigh: []Weigh{}}
	order, all := plan.Needs(plans...)
	for _, id := range order {
		i, _ := k.Ingredient(id)
		if i.Kind != larder.Flour {
			continue
		}
		w := Weigh{Name: i.Name, All: k.Weight(all[id], false)}
		for _, p := range plans {
			if _, own := plan.Needs(p); own[id] > 0 {
				w.Each = append(w.Each, Share{p.Recipe, k.Weight(own[id], false)})
			}
		}
		if len(w.Each) > 1 {
			out.Weigh = append(out.Weigh, w)
		}
	}
	return out
}

// Regular are the loaves that are baked every week, with what they want.
type Regular struct {
	Loaves []RegularLoaf `json:"loaves"`
	Stock  []Stock       `json:"stock"`
}

// RegularLoaf is one of them.
type RegularLoaf struct {
	kitchen.Regular
	Name string       `json:"name"`
	On   string       `json:"on,omitzero"`   // the machine's name
	Next kitchen.Date `json:"next,omitzero"` // the first day that is not over
	Say  string       `json:"say,omitzero"`  // why it cannot be baked
}

// Stock is how long what is in the house lasts for the regular loaves.
type Stock struct {
	Ingredient larder.ID    `json:"ingredient"`
	Name       string       `json:"name"`
	Week       string       `json:"week"`           // that they want in a week
	Weeks      string       `json:"weeks"`          // and in four
	Has        string       `json:"has,omitzero"`   // left out where nobody keeps count
	Until      kitchen.Date `json:"until,omitzero"` // the last day for which it is enough, within a year
	Buy        string       `json:"buy,omitzero"`   // for four weeks
}

const (
	weeksAhead = 4
	daysAhead  = 366
)

// Regulars tells what the loaves that are baked every week want of flour and yeast, and until when the house has it.
func (p Place) Regulars() (Regular, error) {
	out := Regular{Loaves: []RegularLoaf{}, Stock: []Stock{}}
	var all []wants
	var order []larder.ID
	week := map[larder.ID]measure.Grams{}
	for _, r := range p.Kitchen.Regulars {
		row := RegularLoaf{Regular: r, Name: p.Recipes[r.Recipe].Name}
		for n := range 7 {
			if d := p.Date.AddDays(n); row.Next.IsZero() && r.On(d) {
				row.Next = d
			}
		}
		made, on, err := p.regular(r)
		if row.On = on; err != nil {
			row.Say = sentence(fault.Says(err))
			out.Loaves = append(out.Loaves, row)
			continue
		}
		out.Loaves = append(out.Loaves, row)
		ids, of := plan.Needs(made)
		for _, id := range ids {
			if _, there := week[id]; !there {
				order = append(order, id)
			}
			week[id] += of[id] * measure.Grams(len(r.Days))
		}
		all = append(all, wants{r, of})
	}
	for _, id := range order {
		i, _ := p.Kitchen.Ingredient(id)
		if i.Kind != larder.Flour && i.Kind != larder.Yeast {
			continue
		}
		s := Stock{Ingredient: id, Name: i.Name, Week: p.grams(i, week[id]), Weeks: p.grams(i, week[id]*weeksAhead)}
		if has, known := p.Kitchen.Has(id); known {
			s.Has = p.grams(i, has)
			if short := week[id]*weeksAhead - has; short > 0 {
				s.Buy = p.grams(i, short)
			}
			s.Until = p.lasts(has, id, all)
		}
		out.Stock = append(out.Stock, s)
	}
	return out, nil
}

// wants is what one regular loaf holds.
type wants struct {
	regular kitchen.Regular
	of      map[larder.ID]measure.Grams
}

// lasts is the last day, within a year, for whose regular loaves what there is of an ingredient is enough; zero: for
// none.
func (p Place) lasts(left measure.Grams, id larder.ID, all []wants) (until kitchen.Date) {
	for n := range daysAhead {
		date := p.Date.AddDays(n)
		for _, w := range all {
			if w.regular.On(date) {
				left -= w.of[id]
			}
		}
		if left < 0 {
			break
		}
		until = date
	}
	return until
}

// grams is a weight as this kitchen's scale shows it, yeast finely.
func (p Place) grams(i *larder.Ingredient, g measure.Grams) string {
	return p.Kitchen.Weight(g, i.Kind == larder.Yeast)
}

// regular is the plan of one regular loaf.
func (p Place) regular(r kitchen.Regular) (made plan.Plan, on string, err error) {
	l := regularLoaf(r, p.Date, p.Zone)
	if _, ok := p.Recipes[r.Recipe]; !ok {
		return made, "", errGone
	}
	for _, m := range p.Machines {
		if m.ID == r.Machine {
			made, err = plan.Make(p.place(l, m, p.Now), l.Wish)
			return made, m.Name, err
		}
	}
	return made, "", errNoMachine
}

// regularLoaf is a regular loaf on a date.
func regularLoaf(r kitchen.Regular, date kitchen.Date, zone *time.Location) Loaf {
	t := date.Begins(zone)
	by := time.Date(t.Year(), t.Month(), t.Day(), int(r.By)/60, int(r.By)%60, 0, 0, zone)
	return Loaf{ID: "every-week-" + r.ID, When: By, By: timetable.WallOf(by, zone),
		Wish: plan.Wish{RecipeID: r.Recipe, MachineID: r.Machine, LoafWish: plan.LoafWish{Size: r.Size}}}
}

// Usual are the loaves that are baked on a date every week, and are not in its book.
func (p Place) Usual(b Book) []Loaf {
	out := []Loaf{}
	for _, r := range p.Kitchen.Regulars {
		l := regularLoaf(r, p.Date, p.Zone)
		there := false
		for _, one := range b.Loaves {
			there = there || one.ID == l.ID
		}
		if _, known := p.Recipes[r.Recipe]; r.On(p.Date) && !there && known {
			out = append(out, l)
		}
	}
	return out
}

var (
	errGone      = fmt.Errorf("its recipe is not on the shelf any more")
	errNoBag     = fmt.Errorf("its bag is not on the shelf any more")
	errOver      = fmt.Errorf("it was not baked that day")
	errNoMachine = fmt.Errorf("its machine is not on the shelf any more")
)
