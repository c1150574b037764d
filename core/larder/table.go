package larder

import (
	_ "embed"
	"encoding/csv"
	"fmt"
	"slices"
	"strconv"
	"strings"

	"risepan/core/measure"
)

// The table is larder.csv, a sheet that a cook can read and correct: a row for each ingredient, in
// grams for a US cup (236.588 ml) filled lightly and levelled, grams a piece, and grams per 100 g from
// general food composition tables, rounded to what a home kitchen can tell apart. Where bakers' books
// differ the row holds the middle, and spread the lightest and heaviest cup. A word in brackets in a
// name may be left out.
//
//go:embed larder.csv
var sheet string

// columns are the headings of the sheet, in their order.
var columns = strings.Split("id,name,also,kind,cup,spread,each,water,fat,sugar,salt,protein,starch,fibre,flour,grain,yeast,powder,allergens,marks,before", ",")

// marks are the words of the sheet's column for what is simply so or not.
var marks = map[string]func(*Ingredient){
	"spoils": func(i *Ingredient) { i.Spoils = true }, "milky": func(i *Ingredient) { i.Milky = true },
	"browns": func(i *Ingredient) { i.Browns = true }, "melts": func(i *Ingredient) { i.Melts = true },
	"breaks": func(i *Ingredient) { i.Breaks = true }, "shell": func(i *Ingredient) { i.Shell = true },
	"rapid": func(i *Ingredient) { i.Rapid = true }, "whole": func(i *Ingredient) { i.Whole = true },
	"binds": func(i *Ingredient) { i.Binds = true }, "sour": func(i *Ingredient) { i.Sour = true },
	"spent":    func(i *Ingredient) { i.Spent = true },
	"shreds":   func(i *Ingredient) { i.Shreds = true },
	"malted":   func(i *Ingredient) { i.Malted = true },
	"gels":     func(i *Ingredient) { i.Gels = true },
	"maybinds": func(i *Ingredient) { i.MayBind = true },
	"ground":   func(i *Ingredient) { i.Ahead = Ground },
	"packet":   func(i *Ingredient) { i.Packet = true }, "sprouts": func(i *Ingredient) { i.Ahead = Sprouted },
	"fed": func(i *Ingredient) { i.Ahead = Fed }, "raw": func(i *Ingredient) { i.Raw = true },
	"puregluten": func(i *Ingredient) { i.Gluten = true }, "softened": func(i *Ingredient) { i.State = Softened },
	"dispenser": func(i *Ingredient) { i.Dispenser = AnyHow }, "drained": func(i *Ingredient) { i.Dispenser = Drained },
	"strong": func(i *Ingredient) { i.Strength = Strong }, "plain": func(i *Ingredient) { i.Strength = Plain },
	"soft": func(i *Ingredient) { i.Strength = Soft }, "self-raising": func(i *Ingredient) { i.Strength = SelfRaising },
}

// read makes the table of its sheet. A cell that cannot be read is an error with its row's id.
func read(sheet string) ([]Ingredient, error) {
	rows, err := csv.NewReader(strings.NewReader(sheet)).ReadAll()
	if err != nil {
		return nil, err
	}
	if !slices.Equal(rows[0], columns) {
		return nil, fmt.Errorf("the larder's columns are %q, not %q", columns, rows[0])
	}
	out := make([]Ingredient, 0, len(rows)-1)
	for _, cells := range rows[1:] {
		i, err := row(cells)
		if err != nil {
			return nil, fmt.Errorf("larder, row %s: %w", cells[0], err)
		}
		out = append(out, i)
	}
	return out, nil
}

func row(cells []string) (i Ingredient, err error) {
	number := func(text string) float64 {
		if text == "" {
			return 0
		}
		v, e := strconv.ParseFloat(text, 64)
		if e != nil && err == nil {
			err = e
		}
		return v
	}
	i.ID, i.Name = ID(cells[0]), cells[1]
	if cells[2] != "" {
		i.Names = strings.Split(cells[2], "; ")
	}
	if err := i.Kind.UnmarshalText([]byte(cells[3])); err != nil {
		return i, err
	}
	i.PerCup, i.Each = measure.Grams(number(cells[4])), measure.Grams(number(cells[6]))
	if light, heavy, ok := strings.Cut(cells[5], "-"); ok {
		i.Lightest, i.Heaviest = measure.Grams(number(light)), measure.Grams(number(heavy))
	}
	for n, share := range []*float64{&i.Shares.Water, &i.Shares.Fat, &i.Shares.Sugar, &i.Shares.Salt,
		&i.Shares.Protein, &i.Shares.Starch, &i.Shares.Fibre, &i.FlourPart} {
		*share = number(cells[7+n])
	}
	i.Grain, i.AsDry, i.Raising, i.Prep = Grain(cells[15]), number(cells[16]), number(cells[17]), cells[20]
	for _, a := range strings.Fields(cells[18]) {
		i.Allergens = append(i.Allergens, Allergen(a))
	}
	for _, m := range strings.Fields(cells[19]) {
		mark, ok := marks[m]
		if !ok {
			return i, fmt.Errorf("%q is no mark", m)
		}
		mark(&i)
	}
	if err == nil {
		err = i.Check()
	}
	return i, err
}

var table = func() []Ingredient {
	t, err := read(sheet)
	if err != nil {
		panic(err) // the sheet is part of the program, and a test reads it
	}
	return t
}()

var byID = func() map[ID]int {
	ids := map[ID]int{}
	for n, i := range table {
		ids[i.ID] = n
	}
	return ids
}()

// Get finds an ingredient by its ID: a row of the table, which nobody changes.
func Get(id ID) (*Ingredient, bool) {
	n, ok := byID[id]
	if !ok {
		return &Ingredient{}, false
	}
	return &table[n], true
}

// Water is the row of plain water.
func Water() *Ingredient { return &table[byID["water"]] }

// All lists the table in its order.
func All() []Ingredient { return slices.Clone(table) }
