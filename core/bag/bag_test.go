package bag_test

import (
	"errors"
	"math"
	"slices"
	"strings"
	"testing"
	"time"

	"risepan/core/bag"
	"risepan/core/fault"
	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/pan"
	"risepan/core/plan"
	"risepan/core/plan/plantest"
	"risepan/core/recipe"
	"risepan/demo"
)

var (
	morning  = time.Date(2026, 5, 2, 9, 0, 0, 0, time.UTC)
	oneHalf  = measure.LoafPounds(3, 2)
	today, _ = kitchen.ParseDate("2026-05-02")
)

func planned(t *testing.T, name string, m machine.Machine, b *plan.Bag) plan.Plan {
	t.Helper()
	return plannedIn(t, kitchen.New("Test", "UTC"), name, m, b)
}

func plannedIn(t *testing.T, k kitchen.Kitchen, name string, m machine.Machine, b *plan.Bag) plan.Plan {
	t.Helper()
	n := slices.IndexFunc(demo.Recipes(), func(r recipe.Recipe) bool { return r.Name == name })
	p, err := plantest.Make(k, plantest.Ask{Place: plan.Place{Recipe: demo.Recipes()[n], Machine: m, Zone: time.UTC,
		Bag: b}, Wish: plan.Wish{LoafWish: plan.LoafWish{Size: oneHalf}}}, morning)
	if err != nil {
		t.Fatal(err)
	}
	return p
}

func names(parts []bag.Part) string {
	var out []string
	for _, p := range parts {
		out = append(out, p.Name)
	}
	return strings.Join(out, ", ")
}

// What goes into the bag is dry and no yeast; the rest is added on the day, in the machine's order, the bag among it.
func TestABagHoldsWhatIsDryButTheYeast(t *testing.T) {
	for _, c := range []struct {
		recipe     string
		machine    machine.Machine
		holds, add string
		before     string
	}{
		{"Towpath white", demo.Galley(), "sugar, table salt, instant dry milk, bread flour",
			"water, butter, the bag, active dry yeast", "2026-08-02"},
		{"Towpath white", demo.Boatyard(), "sugar, table salt, instant dry milk, bread flour",
			"active dry yeast, the bag, butter, water", "2026-08-02"},
		{"Lock-keeper's wholemeal", demo.Galley(), "table salt, wholemeal flour, bread flour, vital wheat gluten",
			"water, honey, vegetable oil, the bag, active dry yeast", "2026-06-02"},
		{"Mooring raisin loaf", demo.Galley(), "brown sugar, table salt, instant dry milk, bread flour, ground spice",
			"water, butter, the bag, active dry yeast, raisins, walnuts", "2026-08-02"},
		{"Boatyard banana bread", demo.Galley(), "sugar, table salt, plain flour, baking powder, baking soda",
			"whole milk, mashed banana, vegetable oil, large egg, the bag, walnuts", "2026-08-02"},
	} {
		b, err := bag.Pack(planned(t, c.recipe, c.machine, nil), today)
		if err != nil {
			t.Errorf("%s: %v", c.recipe, err)
			continue
		}
		if names(b.Holds) != c.holds || names(b.Add) != c.add || b.Before.String() != c.before {
			t.Errorf("%s on %s holds %s; add %s; before %s\nwant %s; %s; %s", c.recipe, c.machine.Name, names(b.Holds),
				names(b.Add), b.Before, c.holds, c.add, c.before)
		}
		if err := b.Check(); err != nil {
			t.Errorf("%s: %v", c.recipe, err)
		}
	}
	var f *fault.Fault
	for _, name := range []string{"Hedgerow jam", "Chandler's packet loaf"} {
		if _, err := bag.Pack(planned(t, name, demo.Galley(), nil), today); !errors.As(err, &f) {
			t.Errorf("%s in a bag: %v, want a fault", name, err)
		}
	}
}

// A loaf out of a bag is of the bag's size, with what is in it as it is; only the rest is measured.
func TestALoafOutOfABag(t *testing.T) {
	for _, m := range []machine.Machine{demo.Galley(), demo.Boatyard()} {
		before := planned(t, "Towpath white", m, nil)
		b, err := bag.Pack(before, today)
		if err != nil {
			t.Fatal(err)
		}
		p := planned(t, "Towpath white", m, b.Contents())
		var layers []string
		lines := 0
		for _, l := range p.Pan.Layers {
			name := string(l.Stuff)
			if l.Place == pan.InABag {
				name = "bag"
			}
			layers, lines = append(layers, name), lines+len(l.Lines)
		}
		want := "liquid, fat, bag, yeast"
		if m.Loading == pan.DryFirst {
			want = "yeast, bag, fat, liquid"
		}
		if got := strings.Join(layers, ", "); got != want || lines != len(p.Lines) {
			t.Errorf("%s: layers %s with %d lines, want %s with %d", m.Name, got, lines, want, len(p.Lines))
		}
		for n, l := range p.Lines {
			in := slices.ContainsFunc(b.Holds, func(h bag.Part) bool { return h.Line == l.ID })
			if off := math.Abs(float64(l.Measured.Grams - b.Contents().Holds[l.ID])); in && off > 0.01 {
				t.Errorf("of %s lie %.3f g in the bag, and the loaf is planned with %.3f", l.Name,
					b.Contents().Holds[l.ID], l.Measured.Grams)
			}
			if l.InBag != in || l.Locked != "" {
				t.Errorf("%s: in the bag %v, want %v; locked %q", l.Name, l.InBag, in, l.Locked)
			}
			if !in && l.Measured.String() != before.Lines[n].Measured.String() {
				t.Errorf("%s is measured as %s beside the bag, %s without", l.Name, l.Measured,
					before.Lines[n].Measured)
			}
		}
	}
}

// What all the bags take is told as the kitchen's scale shows it.
func TestBagsAreWeighedInAll(t *testing.T) {
	b := bag.Batch{Holds: []bag.Part{{Name: "bread flour", Grams: 375}, {Name: "salt", Grams: 8.5}}}
	k := kitchen.New("Test", "UTC")
	if got := strings.Join(b.InAll(4, k), ", "); got != "1500 g, 34 g" {
		t.Errorf("in four bags: %s", got)
	}
	k.Weights, k.Decimal = measure.InOunces, measure.Comma
	if got := strings.Join(b.InAll(4, k), ", "); got != "52,90 oz, 1,20 oz" {
		t.Errorf("in four bags, in ounces: %s", got)
	}
}

// In a kitchen with a scale a bag's things are weighed, and in one with spoons they weigh what the spoons hold.
func TestABagIsWeighedOrSpooned(t *testing.T) {
	scale := kitchen.New("Test", "UTC")
	scale.Scale = true
	for _, c := range []struct {
		k      kitchen.Kitchen
		amount string // of the flour
		salt   measure.Grams
	}{{scale, "375 g", 9}, {kitchen.New("Test", "UTC"), "3 cups", 9}} {
		p := plannedIn(t, c.k, "Towpath white", demo.Galley(), nil)
		b, err := bag.Pack(p, today)
		if err != nil {
			t.Fatal(err)
		}
		for _, h := range b.Holds {
			if h.Grams <= 0 || h.Name == "bread flour" && (h.Amount != c.amount ||
				math.Abs(float64(h.Grams-375)) > 1e-9) || h.Name == "table salt" && h.Grams != c.salt {
				t.Errorf("%s of %s, %v g", h.Amount, h.Name, float64(h.Grams))
			}
		}
	}
}
