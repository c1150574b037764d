package plan_test

import "testing"

// reasons stand beside the recipes of the corpus that lie outside a band and are believable bread all
// the same.
var reasons = map[string]map[string]string{
	"half wholemeal":  {"sugar": "two tablespoons of honey, against the bitterness of the bran"},
	"three grain":     {"hydration": "oats and wholemeal together drink more than either does alone"},
	"two eggs":        {"hydration": "a third of a cup of butter softens the dough where water would"},
	"chocolate":       {"hydration": "cocoa drinks like a flour and does not count as one"},
	"olive":           {"hydration": "the olives, an add-in, give up water as they break"},
	"gluten-free two": {"sugar": "honey browns a crust that has no gluten to brown"},
}

func TestARecipeOutsideItsBandHasAReason(t *testing.T) {
	seen := 0
	for n := range corpus {
		r := readCorpus(t, n)
		off := outside(t, r)
		for what, figure := range off {
			seen++
			if reasons[r.Name][what] == "" {
				t.Errorf("%s: %s is %s, and no reason is written", r.Name, what, figure)
			}
		}
		for what := range reasons[r.Name] {
			if _, ok := off[what]; !ok {
				t.Errorf("%s: a reason is written for %s, which is as usual", r.Name, what)
			}
		}
	}
	t.Logf("%d figures of %d recipes lie outside their bands", seen, len(corpus))
}
