package scoop

import (
	"testing"

	"risepan/core/measure"
)

func TestAmountsAreSaidAsACookSaysThem(t *testing.T) {
	of := func(text string, count int) Scoops {
		m, err := measure.Parse(text, measure.US)
		if err != nil {
			t.Fatal(err)
		}
		return Scoops{Measure: measure.Measure{Amount: m}, Count: count}
	}
	mug := Scoops{Measure: measure.Measure{Name: "the blue mug", Amount: of("180 ml", 1).Measure.Amount}, Count: 2}
	jug := of("3/8 cup", 1)
	jug.Jug = true
	for _, c := range []struct {
		want   string
		scoops []Scoops
	}{
		{"3 cups", []Scoops{of("1 cup", 3)}},
		{"1 cup and a third of a cup", []Scoops{of("1 cup", 1), of("1/3 cup", 1)}},
		{"2 tablespoons and 1 teaspoon", []Scoops{of("1 tbsp", 2), of("1 tsp", 1)}},
		{"1 teaspoon and a quarter of a teaspoon", []Scoops{of("1 tsp", 1), of("1/4 tsp", 1)}},
		{"2 times a third of a cup", []Scoops{of("1/3 cup", 2)}},
		{"half a cup, 1 tablespoon and an eighth of a teaspoon", []Scoops{of("1/2 cup", 1), of("1 tbsp", 1),
			of("1/8 tsp", 1)}},
		{"2 times the blue mug", []Scoops{mug}},
		{"three eighths of a cup in the jug and 1 tablespoon", []Scoops{jug, of("1 tbsp", 1)}},
		{"", nil},
	} {
		if got := (Amount{Scoops: c.scoops}).Spoken(); got != c.want {
			t.Errorf("%v is said %q, want %q", Amount{Scoops: c.scoops}, got, c.want)
		}
	}
	for text, want := range map[string]string{"1 1/2 tbsp": "1 and a half tablespoons",
		"2 1/3 cups": "2 and a third cups", "7.5 g": "7.5 grams", "1 g": "1 gram", "2": "2", "1 packet": "1 packet",
		"2 packets": "2 packets"} {
		m, err := measure.Parse(text, measure.US)
		if err != nil || m.Spoken() != want {
			t.Errorf("%s is said %q, want %q (%v)", text, m.Spoken(), want, err)
		}
	}
}
