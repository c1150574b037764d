package measure

import (
	"encoding/json"
	"errors"
	"math"
	"math/big"
	"math/rand/v2"
	"strings"
	"testing"

	"risepan/core/readtest"
)

func TestReadingAmountsAsCooksWriteThem(t *testing.T) {
	for _, c := range []struct {
		text string
		want Amount
	}{
		{"1 cup", Of(1, 1, Cup)}, {"1 1/2 cups", Of(3, 2, Cup)}, {"1-1/2 c", Of(3, 2, Cup)}, {"1½ cups", Of(3, 2, Cup)},
		{"1.5 cups", Of(3, 2, Cup)}, {"⅔ cup", Of(2, 3, Cup)}, {"2 T", Of(2, 1, Tbsp)}, {"2 t", Of(2, 1, Tsp)},
		{"2 Tb.", Of(2, 1, Tbsp)}, {"3 tablespoons", Of(3, 1, Tbsp)}, {"1 TEASPOON", Of(1, 1, Tsp)},
		{"350 g", Of(350, 1, Gram)},
		{"2¼ tsp", Of(9, 4, Tsp)}, {"1 fl oz", Of(1, 1, FluidOunce)}, {"2", Of(2, 1, Piece)},
		{"pinch", Of(1, 1, Pinch)},
		{"1 cup plus 2 tbsp", Of(9, 8, Cup)}, {"1 cup less 1 tbsp", Of(15, 16, Cup)},
		{"1 cup + 1 tbsp", Of(17, 16, Cup)},
		{"2-3 tbsp", Amount{Whole(2), Whole(3), Tbsp}}, {"2 to 3 tbsp", Amount{Whole(2), Whole(3), Tbsp}},
		{"1 stick", Of(1, 1, Stick)}, {"1 envelope", Of(1, 1, Packet)}, {"0.25 l", Of(1, 4, Litre)},
		{" 7g ", Of(7, 1, Gram)},
	} {
		got, err := Parse(c.text, US)
		if err != nil || got != c.want {
			t.Errorf("%q reads as %v (%v), want %v", c.text, got, err, c.want)
		}
	}
}

func TestPlainCupsAreThoseOfTheStandard(t *testing.T) {
	for _, c := range []struct {
		text     string
		standard Standard
		ml       float64
	}{
		{"1 cup", US, 236.588}, {"1 cup", Metric, 250}, {"1 tbsp", Australian, 20}, {"1 tbsp", Imperial, 15},
		{"1 pint", Imperial, 568.26}, {"1 pint", US, 473.176}, {"1 imperial pint", US, 568.26},
		{"1 stick", US, 118.294},
		{"16 pinches", US, 236.588 / 48},
	} {
		a, err := Parse(c.text, c.standard)
		if err != nil || math.Abs(float64(a.Millilitres())-c.ml) > 1e-9 {
			t.Errorf("%q in a %s kitchen is %v ml (%v), want %v", c.text, c.standard, a.Millilitres(), err, c.ml)
		}
	}
}

// A baker in a metric kitchen who says half a cup means 125 ml.
func TestWhatABakerSaysIsInTheKitchensOwnMeasures(t *testing.T) {
	for text, ml := range map[string]float64{"1/2 cup": 125, "1 tbsp": 15, "1/2 metric cup": 125, "100 g": 0,
		"30 ml": 30} {
		a, err := Parse(text, US)
		if err != nil {
			t.Fatal(err)
		}
		if got := float64(a.In(Metric).In(Metric).Millilitres()); math.Abs(got-ml) > 1e-9 {
			t.Errorf("%q in a metric kitchen is %v ml, want %v", text, got, ml)
		}
	}
}

func TestWrongAmountsSayWhereTheyAreWrong(t *testing.T) {
	for _, c := range []struct {
		text   string
		column int
		says   string
	}{
		{"", 1, "want an amount"}, {"flour", 1, "want an amount"}, {"-1 cup", 1, "negative"},
		{"1/0 cup", 4, "under the fraction"},
		{"1 bucket", 3, "add a unit"}, {"1 cup plus 100 g", 7, "weight"}, {"1 tbsp less 1 cup", 8, "nothing is left"},
		{"123456789 g", 1, "too large"}, {"3-2 cups", 2, "add a unit"}, {strings.Repeat("1", 300), 1, "too long"},
	} {
		_, err := Parse(c.text, US)
		var p *ParseError
		if !errors.As(err, &p) {
			t.Errorf("%q was read without an error", c.text)
		} else if p.Column != c.column {
			t.Errorf("%q is wrong at column %d, reported at %d: %v", c.text, c.column, p.Column, p)
		} else if !strings.Contains(p.Error(), c.says) {
			t.Errorf("%q is refused with %q, which does not say %q", c.text, p, c.says)
		}
	}
}

func TestANumberIsReadWholeOrNotAtAll(t *testing.T) {
	for text, want := range map[string]Ratio{"2": {2, 1}, " 1 1/2 ": {3, 2}, "1½": {3, 2}, "1.5": {3, 2}, "": {},
		"flour": {}, "2 x": {}, "1/0": {}, "1 1/2 cups": {}} {
		got, err := ParseRatio(text)
		if (err == nil) != (want != Ratio{}) || err == nil && got.Cmp(want) != 0 {
			t.Errorf("%q reads as %v (%v), want %v", text, got, err, want)
		}
	}
}

func TestWritingAnAmountAndReadingItBackIsTheSameAmount(t *testing.T) {
	random := rand.New(rand.NewPCG(1, 2))
	for range 5000 {
		a := Amount{Quantity: NewRatio(1+random.Int64N(400), 1+random.Int64N(48)), Unit: Unit(random.IntN(len(units)))}
		if random.IntN(4) == 0 {
			a.UpTo = a.Quantity.Plus(NewRatio(1+random.Int64N(8), 4))
		}
		back, err := Parse(a.String(), US)
		if err != nil || back != a {
			t.Fatalf("%#v is written %q and read back as %#v (%v)", a, a, back, err)
		}
	}
}

func TestTwoThirdsThreeTimesIsTwoCups(t *testing.T) {
	a := Of(2, 3, Cup)
	if got := a.Times(Whole(3)); got != Of(2, 1, Cup) {
		t.Errorf("2/3 cup three times is %v, want exactly 2 cups", got)
	}
	third := LoafPounds(1, 1).Over(LoafPounds(3, 2))
	if third != NewRatio(2, 3) {
		t.Errorf("1 1/2 lb to 1 lb is a factor of %v, want 2/3", third)
	}
	if got := a.Times(third).Times(LoafPounds(3, 2).Over(LoafPounds(1, 1))); got != a {
		t.Errorf("2/3 cup scaled to 1 lb and back is %v", got)
	}
}

func TestLoafSizesInGramsAreExactRatiosOfPounds(t *testing.T) {
	s, err := ParseLoafSize("750 g")
	if err != nil {
		t.Fatal(err)
	}
	if want := NewRatio(750_000, 453_592); s.Pounds() != want {
		t.Errorf("750 g is %v lb, want exactly %v", s.Pounds(), want)
	}
	for _, bad := range []string{"", "0 lb", "12 lb", "1 cup", "1-2 lb", "lb", "90 g"} {
		if s, err := ParseLoafSize(bad); err == nil {
			t.Errorf("%q was taken for a loaf size: %v", bad, s)
		}
	}
}

func TestGramsLeaveTheProgramRoundedAndNeverAsNaN(t *testing.T) {
	if b, _ := json.Marshal(Grams(2.0/3.0 + 5)); string(b) != "5.667" {
		t.Errorf("5 2/3 g is written %s, want 5.667", b)
	}
	if b, err := json.Marshal(Grams(math.NaN())); err == nil {
		t.Errorf("no amount of grams was written as %s", b)
	}
}

func FuzzReadingAnAmount(f *testing.F) {
	for _, s := range []string{"1 1/2 cups", "2-3 tbsp", "1 cup plus 2 tbsp", "½ tsp", "1/0", "-", "1 cup less 2 cups",
		"99999999999999999999"} {
		f.Add(s)
	}
	f.Fuzz(func(t *testing.T, text string) {
		var a Amount
		var err error
		readtest.Within(t, len(text), func() { a, err = Parse(text, US) })
		if err != nil {
			if err.Error() == "" {
				t.Errorf("%q is refused without a word", text)
			}
			return
		}
		if a.Quantity.Sign() < 0 || math.IsNaN(a.Middle().Float()) {
			t.Errorf("%q reads as %v", text, a)
		}
		if a.Quantity.Sign() > 0 {
			if back, err := Parse(a.String(), US); err != nil || back != a {
				t.Errorf("%q reads as %v, which reads back as %v (%v)", text, a, back, err)
			}
		}
	})
}

func TestWeightsAreWrittenAsAScaleShowsThem(t *testing.T) {
	for _, c := range []struct {
		w      Weights
		grams  Grams
		finely bool
		want   string
	}{{InGrams, 236.6, false, "237 g"}, {InGrams, 6.24, true, "6.2 g"}, {InOunces, 375, false, "13.25 oz"},
		{InOunces, 6.2, true, "0.220 oz"}, {"", 12.5, false, "13 g"}} {
		if got := c.w.Text(c.grams, c.finely); got != c.want {
			t.Errorf("%v g in %s is written %q, want %q", c.grams, c.w, got, c.want)
		}
	}
}

func TestReadingATemperature(t *testing.T) {
	for text, celsius := range map[string]float64{"21 °C": 21, "21c": 21, "21": 21, "70 °F": 21.11, "-3,5 °C": -3.5,
		" 98.6F ": 37} {
		r, err := ParseTemperature(text)
		if err != nil || math.Abs(float64(r.Celsius())-celsius) > 0.01 {
			t.Errorf("%q reads as %v °C (%v), want %v", text, float64(r.Celsius()), err, celsius)
		}
	}
	for _, bad := range []string{"", "warm", "°C", "NaN", "1e9", "21 K", "400 °C"} {
		if r, err := ParseTemperature(bad); err == nil {
			t.Errorf("%q was read as %s", bad, r)
		}
	}
	if got := InFahrenheit.Text(27) + ", " + InFahrenheit.Difference(3); got != "81 °F, 5 °F" {
		t.Errorf("27 °C and 3 °C more are %s", got)
	}
}

func FuzzReadingATemperature(f *testing.F) {
	for _, s := range []string{"21 °C", "70F", "-0", "+Inf", "1e300", "0x10", "°°°"} {
		f.Add(s)
	}
	f.Fuzz(func(t *testing.T, text string) {
		r, err := ParseTemperature(text)
		if err != nil {
			return
		}
		if back, err := ParseTemperature(r.String()); err != nil || back != r {
			t.Errorf("%q reads as %s, which reads back as %s (%v)", text, r, back, err)
		}
	})
}

// Ratios of small terms are reckoned in 64 bits: the same as with big numbers, and of large ones too.
func TestRatiosOfSmallTermsReckonLikeBigOnes(t *testing.T) {
	random := rand.New(rand.NewPCG(7, 9))
	for n := range 20_000 {
		most := int64(1000)
		if n%4 == 0 {
			most = 1 << 34 // beyond what is small
		}
		a, b := random.Int64N(2*most)-most, random.Int64N(most)+1
		c, d := random.Int64N(2*most)-most, random.Int64N(most)+1
		r, s := NewRatio(a, b), NewRatio(c, d)
		x, y := big.NewRat(a, b), big.NewRat(c, d)
		if got, want := r.Cmp(s), x.Cmp(y); got != want {
			t.Fatalf("%v against %v is %d, want %d", r, s, got, want)
		}
		if most > 1000 {
			continue // sums and products may be rounded there
		}
		for name, p := range map[string]struct {
			got  Ratio
			want *big.Rat
		}{
			"+": {r.Plus(s), new(big.Rat).Add(x, y)}, "-": {r.Minus(s), new(big.Rat).Sub(x, y)},
			"*": {r.Times(s), new(big.Rat).Mul(x, y)},
		} {
			num, den := p.got.Terms()
			if big.NewRat(num, den).Cmp(p.want) != 0 || p.got.Sign() != p.want.Sign() {
				t.Fatalf("%v %s %v is %v, want %v", r, name, s, p.got, p.want)
			}
		}
		if f, _ := x.Float64(); r.Float() != f {
			t.Fatalf("%v is %v, want %v", r, r.Float(), f)
		}
		if c != 0 {
			num, den := r.Over(s).Terms()
			if big.NewRat(num, den).Cmp(new(big.Rat).Quo(x, y)) != 0 {
				t.Fatalf("%v over %v is %v", r, s, r.Over(s))
			}
		}
	}
}

func TestFiguresAreWrittenWithTheKitchensSign(t *testing.T) {
	for _, c := range []struct{ got, want string }{
		{Comma.In("12.5 g"), "12,5 g"},
		{Point.In("12.5 g"), "12.5 g"},
		{DecimalSign("").Figure(1.25, 1), "1.2"},
		{Comma.Figure(1.25, -1), "1,25"},
		{Comma.Figure(3, 1), "3,0"},
		{InFahrenheit.Say("Let it cool to 40 °C; 43 °C harms the yeast."),
			"Let it cool to 104 °F; 109 °F harms the yeast."},
		{InCelsius.Say("Let it cool to 40 °C."), "Let it cool to 40 °C."},
	} {
		if c.got != c.want {
			t.Errorf("%q, want %q", c.got, c.want)
		}
	}
	var d DecimalSign
	if err := d.UnmarshalText([]byte("dot")); err == nil || d != "" {
		t.Error("a sign that there is not was taken")
	}
}
