package plan_test

import (
	"encoding/json"
	"regexp"
	"strings"
	"testing"

	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/plan/plantest"
	"risepan/demo"
)

// point is a number with decimals after a point.
var point = regexp.MustCompile(`\d\.\d`)

// What is said to a kitchen that writes 6,2 g and reads 81 °F holds no 6.2 g and no 27 °C: for every recipe of the
// demo, resized and not, on both machines, by cups, by the scale and in ounces.
func TestAPlanIsWrittenWithTheKitchensOwnSigns(t *testing.T) {
	commas := 0
	look := func(what string, v any) {
		t.Helper()
		for _, s := range texts(t, v) {
			if point.MatchString(s) || strings.Contains(s, "°C") {
				t.Errorf("%s says %q", what, s)
			}
			if regexp.MustCompile(`\d,\d`).MatchString(s) {
				commas++
			}
		}
	}
	for _, by := range []func(*kitchen.Kitchen){
		func(*kitchen.Kitchen) {},
		func(k *kitchen.Kitchen) { k.Scale = true },
		func(k *kitchen.Kitchen) { k.Weights = measure.InOunces },
		func(k *kitchen.Kitchen) { k.Salt, k.Eggs = "reduced", "part" },
	} {
		k := heron()
		k.Decimal, k.Degrees = measure.Comma, measure.InFahrenheit
		k.Room, _ = measure.ParseTemperature("70 °F")
		by(&k)
		for _, r := range demo.Recipes() {
			for _, m := range []machine.Machine{demo.Galley(), demo.Boatyard()} {
				for _, size := range []measure.LoafSize{one, oneHalf, two} {
					w := wish(t, r.Name, m, size, "2026-03-11T07:00")
					w.NotYet = false
					p, err := plantest.Make(k, w, evening)
					if err != nil {
						continue // no size of this machine, or no such delay
					}
					what := r.Name + " of " + size.String() + " on " + m.Name
					look(what, p)
					look(what+", shopping", p.Shop(k))
					steps, _ := plan.ByOven(k, p)
					look(what+", by the oven", steps)
				}
			}
		}
	}
	if commas < 100 {
		t.Errorf("%d figures with a comma were looked at: too few to tell anything", commas)
	}
}

// texts are all texts in a value as it is sent, but amounts that are read again.
func texts(t *testing.T, v any) (out []string) {
	t.Helper()
	b, err := json.Marshal(v)
	if err != nil {
		t.Fatal(err)
	}
	var all any
	if err := json.Unmarshal(b, &all); err != nil {
		t.Fatal(err)
	}
	var walk func(v any)
	walk = func(v any) {
		switch v := v.(type) {
		case string:
			out = append(out, v)
		case []any:
			for _, e := range v {
				walk(e)
			}
		case map[string]any:
			for name, e := range v {
				if name != "amount" {
					walk(e)
				}
			}
		}
	}
	walk(all)
	return out
}
