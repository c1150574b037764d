package measure

import (
	"testing"

	"risepan/core/readtest"
)

// Amounts in many hands, in every standard: what they are, what is left of the line, and how they are written and said.
func TestWhatAmountsAre(t *testing.T) {
	numbers := []string{"1", "1 1/2", "⅔", "1,5", "half a", "a few"}
	units := []string{"", "cups", "c.", "tbsp", "T", "tsp.", "g", "kg", "oz", "lb", "ml", "dl", "pint", "quart",
		"stick", "packet",
		"pinch", "fl oz", "dessertspoon", "handful", "clove", "slice", "can (400 g)"}
	tails := []string{" flour", " plus 1 tbsp flour", " less 1 tsp water", " (120 g) oil", "/4 oz butter",
		" 2 oz honey",
		" heaped sugar", " of milk", " or 3 tbsp fat", " and 1 cup oats"}
	var all []readtest.Said
	for _, s := range Standards {
		var read, left, simple readtest.Rows
		for _, unit := range units {
			for _, n := range numbers {
				a, err := Parse(n+" "+unit, s)
				read.Add(t, n+" "+unit, a.String(), a.Spoken(), a.Millilitres(), a.Grams(), err)
			}
		}
		for _, tail := range tails {
			for _, lead := range []string{"1-2 cups", "¾ tsp", "2 oz", "250 g"} {
				l, ok := ReadLead(lead+tail, s)
				left.Add(t, lead+tail, l, ok)
			}
		}
		for ml := Millilitres(0.3); ml < 4000; ml *= 1.3 {
			for _, exact := range []Millilitres{ml, Millilitres(int(ml/2.4645)) * 2.46446} {
				a, ok := Simple(exact, s)
				simple.Add(t, exact, a, ok)
			}
		}
		all = append(all, readtest.Said{Name: string(s) + ", read", Value: &read},
			readtest.Said{Name: string(s) + ", what is left of a line", Value: &left}, readtest.Said{Name: string(s) +
				", simply", Value: &simple})
	}
	readtest.Hold(t, all)
}
