package dough

import (
	"math"
	"testing"

	"risepan/core/larder"
	"risepan/core/measure"
)

func part(t testing.TB, id larder.ID, grams measure.Grams, at measure.Celsius) Part {
	t.Helper()
	i, ok := larder.Get(id)
	if !ok {
		t.Fatalf("no %s in the larder", id)
	}
	return Part{Line: string(id), Grams: grams, Heat: SpecificHeat(i), At: at}
}

func near(got, want float64) bool { return math.Abs(got-want) < 0.05 }

// What has no figure of its own is the sum of its shares. Honey: 4.18 × 0.17 + 1.25 × 0.82 + 1.5 ×
// 0.01 = 0.711 + 1.025 + 0.015 = 1.751. Dry milk: 0.125 + 0.02 + 0.65 + 0.012 + 1.5 × 0.427 = 1.447.
func TestSpecificHeats(t *testing.T) {
	for id, want := range map[larder.ID]float64{
		"water": 4.18, "milk": 3.9, "skimmed-milk": 3.9, "egg": 3.3, "butter": 2.0, "oil": 2.0, "sugar": 1.25,
		"bread-flour":     1.7,
		"wholemeal-flour": 1.7, "salt": 0.9, "honey": 1.751, "dry-milk": 1.4476,
	} {
		if got := part(t, id, 1, 0).Heat; math.Abs(got-want) > 0.001 {
			t.Errorf("%s takes up %.4f kJ/(kg·K), want %.4f", id, got, want)
		}
	}
}

// By hand, for 375 g flour, 240 g water, 20 g butter and 12 g sugar. Capacities: flour 375 × 1.7 =
// 637.5, water 240 × 4.18 = 1003.2, butter 40, sugar 15: 1695.7 in all, 692.5 without the water. The
// mix must be 26 − 3 = 23 °C.
func TestTheBalanceOfHeatByHand(t *testing.T) {
	for _, c := range []struct {
		why  string
		room measure.Celsius
		want float64
	}{
		{"in a kitchen of 21 °C: (23 × 1695.7 − 21 × 692.5) ÷ 1003.2 = 24.4", 21, 24.38},
		{"in one of 15 °C: (39001.1 − 15 × 692.5) ÷ 1003.2 = 28.5", 15, 28.52},
		{"in one of 30 °C: (39001.1 − 30 × 692.5) ÷ 1003.2 = 18.2", 30, 18.17},
	} {
		parts := []Part{part(t, "water", 240, 0), part(t, "butter", 20, c.room), part(t, "sugar", 12, c.room),
			part(t, "bread-flour", 375, c.room)}
		got := For(parts, 0, Target-KneadRise)
		if !near(float64(got), c.want) {
			t.Errorf("%s: %.2f", c.why, float64(got))
		}
		parts[0].At = got
		if mix := Mix(parts); !near(float64(mix), 23) {
			t.Errorf("%s: then it mixes to %.2f, want 23", c.why, float64(mix))
		}
	}
	// Milk from the fridge and flour from a cold cupboard: 120 g milk at 5 °C is 468 × 5 = 2340, the
	// flour at 12 °C 637.5 × 12 = 7650; 150 g water, 627: (23 × 1732.5 − 9990) ÷ 627 = 47.6.
	cold := []Part{part(t, "water", 150, 0), part(t, "milk", 120, Fridge), part(t, "bread-flour", 375, 12)}
	if got := For(cold, 0, 23); !near(float64(got), 47.62) {
		t.Errorf("with cold milk and flour the water is %.2f, want 47.62", float64(got))
	} else if held := LimitsFor(Layered).Within(got); held != measure.Celsius(43.333333333333336) {
		t.Errorf("beside dry yeast it is held at %v, want 43", held)
	}
}

func TestLimitsByHowYeastMeetsTheLiquid(t *testing.T) {
	for _, c := range []struct {
		meeting   Meeting
		asked, is measure.Celsius
	}{{Layered, 27, 27}, {Layered, 50, 43}, {Layered, -8, 4}, {Dissolved, 27, 38}, {Dissolved, 50, 43},
		{Mixed, 27, 43}, {Mixed, 70, 54}} {
		if got := measure.InCelsius.Round(LimitsFor(c.meeting).Within(c.asked)); got != c.is {
			t.Errorf("yeast %s: asked for %v °C it is %v, want %v", c.meeting, c.asked, got, c.is)
		}
		if LimitsFor(c.meeting).High >= YeastDies {
			t.Errorf("yeast %s may meet what kills it", c.meeting)
		}
	}
}

// 240 g of water at 34 °C from a tap of 12 °C: (34 − 12) ÷ (100 − 12) = a quarter of it boiling.
func TestTheKettleGivesTheTemperatureWithoutAThermometer(t *testing.T) {
	k, ok := FromKettle(240, 34)
	if !ok || !near(float64(k.Boiling), 60) || !near(float64(k.Cold), 180) {
		t.Errorf("240 g at 34 °C: %+v, want 60 g boiling in 180 g cold", k)
	}
	if k, ok := FromKettle(240, 12); ok {
		t.Errorf("water as the tap gives it wants no kettle: %+v", k)
	}
}

func TestTouchIsToldInWords(t *testing.T) {
	last := ""
	for c := measure.Celsius(4); c < 70; c++ {
		say := Touch(c)
		if say == "" {
			t.Fatalf("%v °C has no words", c)
		}
		if c == 27 && say != "cool on the wrist" {
			t.Errorf("27 °C feels %q", say)
		}
		last = say
	}
	if last != "too hot to hold a finger in" {
		t.Errorf("69 °C feels %q", last)
	}
}

func TestAKitchenIsNoOven(t *testing.T) {
	for text, ok := range map[string]bool{"21 °C": true, "0": true, "45 C": true, "60 °C": false, "70 °F": true,
		"140 °F": false, "-5 °C": false} {
		r, err := measure.ParseTemperature(text)
		if err != nil {
			t.Fatal(err)
		}
		if err := CheckRoom(r); (err == nil) != ok {
			t.Errorf("a kitchen of %s: %v", text, err)
		}
	}
}
