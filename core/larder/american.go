package larder

import (
	_ "embed"
	"encoding/csv"
	"fmt"
	"strings"
	"sync"
)

// american holds the names of ingredients that American kitchens call otherwise than British ones.
//
//go:embed american.csv
var american string

// americans are the ingredients that have an American name, under it.
var americans = sync.OnceValue(func() map[ID]*Ingredient {
	rows, err := csv.NewReader(strings.NewReader(american)).ReadAll()
	if err != nil {
		panic(fmt.Sprintf("american.csv: %v", err))
	}
	out := make(map[ID]*Ingredient, len(rows))
	for _, row := range rows[1:] {
		i, ok := Get(ID(row[0]))
		if !ok {
			panic("american.csv: there is no " + row[0])
		}
		named := *i
		named.Name = row[1]
		out[i.ID] = &named
	}
	return out
})

// InAmerican is the ingredient under the name that American kitchens know it by, and itself where that is the same.
func InAmerican(i *Ingredient) *Ingredient {
	if named, ok := americans()[i.ID]; ok {
		return named
	}
	return i
}
