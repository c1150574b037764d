package recipe

import (
	"fmt"
	"strings"

	"risepan/core/larder"
	"risepan/core/measure"
)

// Choice is what can stand in a line's place: an ingredient, in the line's own amount or in another
// ("2 tbsp butter or 1 1/2 tbsp oil").
type Choice struct {
	Ingredient larder.ID
	Amount     measure.Amount // none: the line's own
}

// apart stands between the two in the text of a choice.
const apart = " / "

func (c Choice) String() string {
	if c.Amount == (measure.Amount{}) {
		return string(c.Ingredient)
	}
	return string(c.Ingredient) + apart + c.Amount.String()
}

func (c Choice) MarshalText() ([]byte, error) { return []byte(c.String()), nil }

func (c *Choice) UnmarshalText(text []byte) error {
	id, amount, own := strings.Cut(string(text), apart)
	out := Choice{Ingredient: larder.ID(id)}
	if id == "" {
		return fmt.Errorf("say which ingredient the choice is")
	}
	if own {
		a, err := measure.Parse(amount, measure.US)
		if err != nil {
			return err
		}
		out.Amount = a
	}
	*c = out
	return nil
}

// together reads "salt and pepper" without amounts; nothing where one of them is no food.
func (r reading) together(text string) []Understood {
	if found(r.name(firstName(text)).Sure) {
		return nil
	}
	var out []Understood
	for _, one := range andOr.Split(text, -1) {
		if !found(r.name(one).Sure) {
			return nil
		}
		u := r.food(measure.Lead{Rest: one})
		u.Loose = true
		out = append(out, u)
	}
	return out
}
