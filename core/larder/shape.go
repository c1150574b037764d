package larder

import (
	_ "embed"
	"encoding/csv"
	"fmt"
	"slices"
	"strconv"
	"strings"
	"sync"

	"risepan/core/measure"
)

// shapesSheet is shapes.csv: what a US cup of a food holds, in grams, where its cut changes that by more than a tenth
// from the food's own row. A row's words say the same shape; where words of several rows are said, the first counts.
//
//go:embed shapes.csv
var shapesSheet string

// shape is one cut of a food, and what a cup of it holds.
type shape struct {
	words []string
	cup   measure.Grams
}

var shapes = sync.OnceValue(func() map[ID][]shape {
	out, err := readShapes(shapesSheet)
	if err != nil {
		panic(err) // the sheet ships with the program, and a test reads it
	}
	return out
})

func readShapes(sheet string) (map[ID][]shape, error) {
	rows, err := csv.NewReader(strings.NewReader(sheet)).ReadAll()
	if err != nil {
		return nil, err
	}
	out := map[ID][]shape{}
	for _, cells := range rows[1:] {
		id := ID(cells[0])
		cup, err := strconv.ParseFloat(cells[2], 64)
		switch {
		case err != nil || cup <= 0:
			return nil, fmt.Errorf("shapes, row %s: %q is no weight of a cup", id, cells[2])
		case !has(id):
			return nil, fmt.Errorf("shapes, row %s: the larder has no such row", id)
		}
		out[id] = append(out[id], shape{strings.Fields(cells[1]), measure.Grams(cup)})
	}
	return out, nil
}

func has(id ID) bool {
	_, ok := Get(id)
	return ok
}

// shaped finds the shape of the ingredient that a text tells, and the word that tells it.
func (i *Ingredient) shaped(said string) (shape, string, bool) {
	cuts := shapes()[i.ID]
	if cuts == nil {
		return shape{}, "", false
	}
	words := Words(said)
	for _, s := range cuts {
		for _, word := range words {
			if slices.Contains(s.words, word) {
				return s, word, true
			}
		}
	}
	return shape{}, "", false
}

// Shape is the word of a text that tells how the ingredient is cut, where that changes what a cup of it holds; empty for
// none.
func (i *Ingredient) Shape(said string) string {
	_, word, _ := i.shaped(said)
	return word
}

// Shaped is the ingredient as a line's words say it is cut: a cup of it holds what a cup of that shape does.
func (i *Ingredient) Shaped(said string) *Ingredient {
	s, _, ok := i.shaped(said)
	if !ok {
		return i
	}
	cut := *i
	cut.PerCup, cut.Lightest, cut.Heaviest = s.cup, 0, 0
	return &cut
}
