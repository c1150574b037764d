package measure

import (
	"testing"

	"risepan/core/readtest"
)

// Amounts in many hands, in every standard: what they are, what is left of the line, and how they are written and said.
func TestWhatAmountsAre(t *testing.T) {
	numbers := []string{"1", "2", "1/2", "⅓", "1 1/2", "2½", "0.75", "1,5", "half a", "a", "two", "1-2", "a few", "0", "12", "⅖", "⅘", "7/8"}
	units := []string{"", "cup", "cups", "c.", "tbsp", "T", "tsp.", "g", "kg", "oz", "lb", "ml", "dl", "pint", "quart", "stick", "packet", "pinch", "fl oz", "dessertspoon", "handful", "clove", "slice", "can (400 g)"}
	tails := []string{" flour", " plus 1 tbsp flour", " less 1 tsp water", " (120 g) oil", "/4 oz butter", " 2 oz honey", " heaped sugar", " of milk", " or 3 tbsp fat", " and 1 cup oats"}
	var all []readtest.Said
	for _, s := range Standards {
		for _, unit := range units {
			var read []any
			for _, n := range numbers {
				for _, tail := range tails {
					text := n + " " + unit + tail
					l, ok := ReadLead(text, s)
					a, err := Parse(n+" "+unit, s)
					read = append(read, l, ok, l.Amount.String(), l.Amount.Spoken(), l.Amount.Millilitres(), l.Amount.Grams(), a, err)
				}
			}
			all = append(all, readtest.Said{Name: string(s) + ", by the " + unit, Value: read})
		}
	}
	for _, s := range Standards {
		var simple []any
		for ml := Millilitres(0.3); ml < 4000; ml *= 1.07 {
			for _, exact := range []Millilitres{ml, Millilitres(int(ml/2.4645)) * 2.46446} {
				a, ok := Simple(exact, s)
				simple = append(simple, a, ok)
			}
		}
		all = append(all, readtest.Said{Name: string(s) + ", simply", Value: simple})
	}
	readtest.Hold(t, all)
}
