package pan

import (
	"fmt"
	"math/rand/v2"
	"slices"
	"strings"
	"testing"

	"risepan/core/larder"
	"risepan/core/measure"
	"risepan/core/recipe"
)

func portions(kinds ...larder.Kind) []Portion {
	var out []Portion
	for _, k := range kinds {
		out = append(out, Portion{Line: string(k), Kind: k, Volume: 10})
	}
	return out
}

func stack(layers []Layer) string {
	s := ""
	for _, l := range layers {
		s += fmt.Sprint(l.Lines)
	}
	return s
}

var everything = portions(larder.Yeast, larder.Flour, larder.Salt, larder.Sugar, larder.Fat, larder.Liquid, larder.Egg,
	larder.DryMilk, larder.DryExtra)

// From the floor of the pan upwards, as a booklet would have it.
func TestLayersOfEveryManner(t *testing.T) {
	for _, c := range []struct {
		manner Manner
		want   string
		place  map[Stuff]Place
	}{
		{Manner{}, "[liquid egg][fat][salt sugar][dry milk][flour][dry extra][yeast]", map[Stuff]Place{Yeast: Well,
			Fat: Pieces}},
		{Manner{Order: WetFirst, Salt: SaltWet}, "[liquid egg][fat][salt sugar][dry milk][flour][dry extra][yeast]",
			map[Stuff]Place{SugarSalt: Stirred}},
		{Manner{Order: WetFirst, Salt: SaltHigh}, "[liquid egg][fat][flour][salt sugar][dry milk][dry extra][yeast]",
			map[Stuff]Place{SugarSalt: Corners}},
		{Manner{Order: WetFirst, Fat: FatFloor}, "[fat][liquid egg][salt sugar][dry milk][flour][dry extra][yeast]",
			map[Stuff]Place{Fat: Floor}},
		{Manner{Order: WetFirst, Fat: FatCorners, Yeast: YeastTop},
			"[liquid egg][fat][salt sugar][dry milk][flour][dry extra][yeast]", map[Stuff]Place{Fat: Corners,
				Yeast: Middle}},
		{Manner{Order: WetFirst, Yeast: YeastBox}, "[liquid egg][fat][salt sugar][dry milk][flour][dry extra][yeast]",
			map[Stuff]Place{Yeast: OwnBox}},
		{Manner{Order: DryFirst}, "[yeast][flour][salt sugar][dry milk dry extra][fat][liquid egg]",
			map[Stuff]Place{Yeast: Spread, Fat: Pieces}},
		{Manner{Order: DryFirst, Yeast: YeastBox}, "[yeast][flour][salt sugar][dry milk dry extra][fat][liquid egg]",
			map[Stuff]Place{Yeast: OwnBox}},
		{Manner{Order: DryFirst, Salt: SaltWet}, "[yeast][flour][dry milk dry extra][fat][liquid egg][salt sugar]",
			map[Stuff]Place{SugarSalt: Stirred}},
		{Manner{Order: DryFirst, Fat: FatMelted}, "[yeast][flour][salt sugar][dry milk dry extra][liquid egg][fat]",
			map[Stuff]Place{Fat: Stirred}},
		{Manner{Order: Bloomed}, "[liquid egg][yeast][fat][dry milk][flour][salt sugar][dry extra]",
			map[Stuff]Place{Yeast: Stirred, SugarSalt: Corners}},
		{Manner{Order: Premixed}, "[liquid egg][fat][flour salt sugar dry milk dry extra][yeast]",
			map[Stuff]Place{Flour: Mixed, Yeast: Middle}},
		{Manner{Order: Batter}, "[liquid][fat][egg][salt sugar][flour dry milk dry extra][yeast]",
			map[Stuff]Place{Yeast: Middle}},
		{Manner{Order: AsListed}, "[yeast][flour][salt sugar][fat][liquid egg][dry milk dry extra]", nil},
	} {
		l := Load(c.manner, everything)
		if got := stack(l.Layers); sorted(got) != sorted(c.want) {
			t.Errorf("%+v, from the floor: %s, want %s", c.manner, got, c.want)
		}
		for stuff, place := range c.place {
			if n := slices.IndexFunc(l.Layers, func(l Layer) bool { return l.Stuff == stuff }); n < 0 ||
				l.Layers[n].Place != place {
				t.Errorf("%+v: %s lies %q, want %q", c.manner, stuff, l.Layers[n].Place, place)
			}
		}
		for _, layer := range l.Layers {
			if layer.Reason == "" {
				t.Errorf("%+v: no reason for %v", c.manner, layer.Lines)
			}
		}
	}
}

// sorted puts the lines of each layer in one order; the layers stay.
func sorted(s string) string {
	layers := strings.Split(strings.Trim(s, "[]"), "][")
	for n, l := range layers {
		words := strings.Fields(strings.ReplaceAll(strings.ReplaceAll(l, "dry milk", "dry_milk"), "dry extra",
			"dry_extra"))
		slices.Sort(words)
		layers[n] = strings.Join(words, " ")
	}
	return strings.Join(layers, "|")
}

// What is warmed on the stove goes in with the liquid; what is held back waits; each share has its
// place, so that a flour in three places adds up.
func TestASplitFlourGoesWhereEachShareBelongs(t *testing.T) {
	p := []Portion{
		{"milk", larder.Liquid, 200, recipe.Warmed, false}, {"cooked flour", larder.Flour, 30, recipe.Warmed, false},
		{"water", larder.Liquid, 50, recipe.InPan, false},
		{"flour", larder.Flour, 600, recipe.InPan, false}, {"late flour", larder.Flour, 60, recipe.AtKnead, false},
		{"yeast", larder.Yeast, 8, recipe.InPan, false}, {"raisins", larder.Extra, 90, recipe.AtBeep, false},
	}
	for order, want := range map[Order]string{
		WetFirst: "[milk cooked flour][water][flour][yeast]", DryFirst: "[yeast][flour][milk cooked flour][water]",
		Bloomed: "[milk cooked flour][water][yeast][flour]",
	} {
		l := Load(Manner{Order: order}, p)
		if got := stack(l.Layers); got != want || !slices.Equal(l.Knead, []string{"late flour"}) ||
			!slices.Equal(l.Beep, []string{"raisins"}) {
			t.Errorf("%s: %s, held back %v, for the beep %v; want %s", order, got, l.Knead, l.Beep, want)
		}
	}
}

// Whatever the recipe and the manner, every portion is in exactly one place, volumes add up, and where
// nothing is said against a delay the yeast lies next to no liquid, fat or salt. The orders that
// booklets have keep it dry always.
func TestNothingIsForgottenAndYeastStaysDry(t *testing.T) {
	random := rand.New(rand.NewPCG(3, 1))
	for range 3000 {
		p := portions(larder.Flour, larder.Yeast, larder.Liquid)
		for range random.IntN(12) {
			k := larder.Kinds[random.IntN(len(larder.Kinds))]
			when := recipe.Whens[random.IntN(len(recipe.Whens))]
			if k == larder.Yeast || random.IntN(2) == 0 {
				when = recipe.InPan
			}
			p = append(p, Portion{Line: fmt.Sprint(len(p)), Kind: k, Volume: 5, When: when})
		}
		m := Manner{Orders[random.IntN(len(Orders))], SaltPlaces[random.IntN(3)], FatPlaces[random.IntN(4)],
			YeastPlaces[random.IntN(3)]}
		l := Load(m, p)
		placed := slices.Concat(l.Knead, l.Beep)
		for _, layer := range l.Layers {
			placed = append(placed, layer.Lines...)
		}
		slices.Sort(placed)
		if len(slices.Compact(slices.Clone(placed))) != len(p) || len(placed) != len(p) {
			t.Fatalf("%+v: %d portions, but these are placed: %v", m, len(p), placed)
		}
		var in, want measure.Millilitres
		for _, layer := range l.Layers {
			in += layer.Volume
		}
		for _, q := range p {
			if q.When == recipe.InPan || q.When == recipe.Warmed {
				want += q.Volume
			}
		}
		if in != want {
			t.Fatalf("%+v: %v ml lie in the pan, of %v", m, in, want)
		}
		dry := Wets(l.Layers) == ""
		for n, layer := range l.Layers {
			if layer.Stuff != Yeast || layer.Place == OwnBox || !dry {
				continue
			}
			for _, b := range []int{n - 1, n + 1} {
				if b >= 0 && b < len(l.Layers) && (l.Layers[b].Stuff == Liquid || l.Layers[b].Stuff == SugarSalt ||
					l.Layers[b].Stuff == Fat) {
					t.Fatalf("%+v: yeast lies next to %s: %s", m, l.Layers[b].Stuff, stack(l.Layers))
				}
			}
		}
		if booklet := m.Salt != SaltHigh && (m.Order == WetFirst || m.Order == DryFirst ||
			m.Order == Premixed); booklet && !dry {
			t.Fatalf("%+v: a booklet's order wets the yeast: %s", m, stack(l.Layers))
		}
		if m.Order == Bloomed && dry {
			t.Fatal("bloomed yeast is held to be dry")
		}
	}
}

// The machine's booklet comes first, then the kind of recipe, then what the kitchen likes, then this loaf.
func TestWhoDecidesTheOrder(t *testing.T) {
	booklet := Manner{Order: DryFirst}
	for _, c := range []struct {
		why          string
		kind         recipe.Kind
		school, wish Manner
		want         Manner
	}{
		{"the booklet alone", recipe.White, Manner{}, Manner{}, Manner{DryFirst, SaltLow, FatPieces, YeastWell}},
		{"a kitchen that likes its fat in the corners", recipe.White, Manner{Fat: FatCorners}, Manner{},
			Manner{DryFirst, SaltLow, FatCorners, YeastWell}},
		{"a kitchen that mixes the dry things first", recipe.White, Manner{Order: Premixed}, Manner{},
			Manner{Premixed, SaltLow, FatPieces, YeastWell}},
		{"a loaf that is bloomed for once", recipe.White, Manner{Order: Premixed}, Manner{Order: Bloomed},
			Manner{Bloomed, SaltLow, FatPieces, YeastWell}},
		{"a quick bread, whatever anybody likes", recipe.QuickBread, Manner{Order: Premixed}, Manner{Order: Bloomed},
			Manner{Batter, SaltLow, FatPieces, YeastWell}},
	} {
		got, why := Decide(booklet, c.kind, c.school, c.wish)
		if got != c.want || why == "" {
			t.Errorf("%s: %+v (%s), want %+v", c.why, got, why, c.want)
		}
	}
}

// By hand: 375 g of flour × 5.5–6.0 ml/g = 2062.5–2250 ml in a pan of 19 × 13 × 14.5 cm = 3581.5 ml.
func TestFillOfThePan(t *testing.T) {
	v := Vessel{190, 130, 145}
	f := v.FillOf(recipe.White, 375, 670)
	if f.Pan != 3581.5 || f.Low != 2062.5 || f.High != 2250 || f.Overflows() {
		t.Errorf("a 1 1/2 lb white loaf: %+v", f)
	}
	if f := (Vessel{120, 110, 120}).FillOf(recipe.White, 375, 670); !f.Overflows() {
		t.Errorf("2250 ml cannot stand in a pan of %.0f ml with a dome of 15 %%", f.Pan)
	}
}

func TestTheFillInWords(t *testing.T) {
	if got := (Fill{Pan: 2000, Low: 700, High: 840}).String(); got != "35–42 % of the pan" {
		t.Errorf("a loaf of 700 to 840 ml in a pan of two litres is said to fill %s", got)
	}
}

// The bag lies where its flour would: over the liquid, or on the floor where the flour goes in first.
func TestABagLiesWhereItsFlourWould(t *testing.T) {
	in := func(line string) bool { return line != "liquid" && line != "yeast" && line != "egg" && line != "fat" }
	for order, want := range map[Order]int{WetFirst: 2, DryFirst: 1} {
		layers := FromBag(Load(Manner{Order: order}, everything).Layers, in)
		if at := slices.IndexFunc(layers, func(l Layer) bool { return l.Place == InABag }); at != want ||
			len(layers[at].Lines) != 5 {
			t.Errorf("%s: the bag is layer %d of %+v, want %d", order, at, layers, want)
		}
	}
	flour := func(line string) bool { return line == "flour" }
	if layers := FromBag(Load(Manner{Order: DryFirst, Yeast: YeastBox}, portions(larder.Flour, larder.Liquid)).Layers,
		flour); layers[0].Place != InABag {
		t.Errorf("a bag that goes in first is layered %+v", layers)
	}
}
