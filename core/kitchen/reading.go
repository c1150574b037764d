package kitchen

import (
	"fmt"
	"slices"
	"strings"

	"risepan/core/fault"
	"risepan/core/larder"
	"risepan/core/validate"
	"risepan/core/vocab"
)

// Reading is a name that this kitchen means otherwise than the larder's table, or that the table lacks:
// what a baker corrected once is remembered for that spelling.
type Reading struct {
	Spelling   string    `json:"spelling"` // in the words that the table is searched by
	Ingredient larder.ID `json:"ingredient"`
}

const mostReadings = 1000

func spelling(name string) string { return strings.Join(larder.Words(name), " ") }

// Find understands a name as this kitchen does: by what it corrected, then by the table, then by what
// it said of names that the table lacks.
func (k Kitchen) Find(name string) larder.Found {
	n := slices.IndexFunc(k.Readings, func(r Reading) bool { return r.Spelling == spelling(name) })
	if n >= 0 {
		if i, ok := k.Ingredient(k.Readings[n].Ingredient); ok && !i.Unknown {
			return larder.Found{Sure: larder.Plainly, Ingredient: *i}
		}
	}
	f := larder.Find(name)
	if f.Ingredient.Unknown {
		if i, ok := k.Ingredient(f.Ingredient.ID); ok && !i.Unknown {
			return larder.Found{Sure: larder.Plainly, Ingredient: *i}
		}
	}
	return f
}

// Correct remembers that a name means an ingredient in this kitchen.
func (k Kitchen) Correct(name string, means larder.ID) (Kitchen, error) {
	if _, ok := k.Ingredient(means); !ok {
		return k, fault.At("/is", "%q is not in the larder", vocab.Clip(string(means)))
	}
	s := spelling(name)
	k.Readings = append(slices.DeleteFunc(slices.Clone(k.Readings), func(r Reading) bool { return r.Spelling == s }),
		Reading{s, means})
	return k, k.Check()
}

// Explain keeps what the baker says of an ingredient that the table lacks.
func (k Kitchen) Explain(name string, a larder.Answer) (Kitchen, error) {
	unknown, ok := larder.Unnamed(name)
	if !ok || spelling(name) == "" {
		return k, fault.At("/name", "an ingredient's name has 1 to %d letters", longName)
	}
	i, ok := a.Known(unknown)
	if !ok {
		return k, fault.At("/answer/like", "%q is not in the larder", vocab.Clip(string(a.Like)))
	}
	k.Facts = append(slices.DeleteFunc(slices.Clone(k.Facts), func(f larder.Ingredient) bool { return f.ID == i.ID }),
		i)
	return k.Correct(name, i.ID) // however it is spelled
}

// checkReadings reports the first correction that cannot be.
func (k Kitchen) checkReadings() error {
	if len(k.Readings) > mostReadings {
		return fault.At("/readings", "%d corrected names are too many: at most %d", len(k.Readings), mostReadings)
	}
	for n, r := range k.Readings {
		at := fmt.Sprintf("/readings/%d", n)
		if err := validate.Name(at+"/spelling", "the corrected name", r.Spelling, longName); err != nil {
			return err
		}
		if _, ok := k.Ingredient(r.Ingredient); !ok {
			return fault.At(at+"/ingredient", "%q is not in the larder", vocab.Clip(string(r.Ingredient)))
		}
	}
	return nil
}
