package dough

import (
	"fmt"
	"math"
	"strings"
	"testing"

	"risepan/core/measure"
)

func spoon(t testing.TB, of Stuff, text string) Dose {
	a, err := measure.Parse(text, measure.US)
	if err != nil {
		t.Fatal(err)
	}
	return Dose{of, a}
}

// At this minute this is seen: so this is said. Reasoned by hand, minute by minute, before the rule.
func TestAtThisMinuteThisIsSeen(t *testing.T) {
	loaf := Ball{Flour: 375, Hydration: 63}              // 1 1/2 lb of white
	big := Ball{Flour: 500, Hydration: 63}               // 2 lb
	whole := Ball{Flour: 375, Hydration: 68, Slow: true} // wholemeal
	batter := Ball{Flour: 300, Hydration: 110, Batter: true}
	at := func(b Ball, into, left int, doses ...Dose) Ball {
		b.Into, b.Left, b.Doses, b.Since = into, left, doses, 3
		return b
	}
	just := func(b Ball) Ball { b.Since = 1; return b }
	water, flour := spoon(t, Water, "1 tsp"), spoon(t, FlourDose, "1 tbsp")
	for _, c := range []struct {
		name string
		ball Ball
		seen Seen
		add  string // empty: nothing goes in
		says string // part of what is said
		next int    // minutes until the next look; 0: none
	}{
		{"three minutes in, ragged is how every dough looks", at(loaf, 3, 25), Torn, "", "still coming together", 2},
		{"three minutes in, slack is no worry either", at(loaf, 3, 25), Smears, "", "still coming together", 2},
		{"four minutes in, one minute more", at(loaf, 4, 24), Knocks, "", "still coming together", 1},
		{"three minutes in, dry corners are scraped at once", at(loaf, 3, 25), Corners, "", "plastic", 2},
		{"seven minutes in, torn: a teaspoon of liquid", at(loaf, 7, 21), Torn, "1 tsp water", "torn", 2},
		{"seven minutes in, hard: two teaspoons", at(loaf, 7, 21), Knocks, "2 tsp water", "hard", 2},
		{"seven minutes in, slack: a tablespoon of flour", at(loaf, 7, 21), Smears, "1 tbsp flour", "too wet", 2},
		{"seven minutes in, no ball at all: a tablespoon, and another look", at(loaf, 7, 21), Pours, "1 tbsp flour",
			"too wet", 2},
		{"a big loaf takes a tablespoon of liquid", at(big, 7, 21), Torn, "1 tbsp water", "torn", 2},
		{"a big loaf that knocks takes no more at once", at(big, 7, 21), Knocks, "1 tbsp water", "hard", 2},
		{"a big loaf's flour goes in by the tablespoon too", at(big, 7, 21), Smears, "1 tbsp flour", "too wet", 2},
		{"one smooth ball is left alone and looked at once more", at(loaf, 7, 21), Smooth, "", "Leave it", 10},
		{"smooth near the end is the end of looking", at(loaf, 20, 8), Smooth, "", "Leave it", 0},
		{"a spoon just put in is waited for", just(at(loaf, 9, 19, water)), Torn, "", "not worked in", 1},
		{"and counts after two minutes", at(loaf, 11, 17, water), Torn, "1 tsp water", "torn", 2},
		{"flour after liquid would be a see-saw", at(loaf, 11, 17, water), Smears, "", "swing it back", 3},
		{"liquid after flour too", at(loaf, 11, 17, flour), Torn, "", "swing it back", 3},
		{"but what pours after a slip with liquid gets flour, a small spoon",
			at(loaf, 11, 17, spoon(t, Water, "1 tbsp")), Pours, "1 tbsp flour", "too wet", 2},
		{"and what knocks after a slip with flour gets liquid, a small spoon", at(big, 11, 17, flour), Knocks,
			"1 tsp water", "hard", 2},
		{"four spoons one way: something was mismeasured, and it is said", at(loaf, 15, 13, water, water, water,
			water), Torn, "1 tsp water", "measured", 2},
		{"four minutes before the end nothing is mended", at(loaf, 24, 4), Smears, "", "Too late", 0},
		{"nor with liquid", at(loaf, 24, 4), Knocks, "", "Too late", 0},
		{"five minutes are enough for a spoon", at(loaf, 23, 5), Torn, "1 tsp water", "torn", 0},
		{"after kneading it is too late for corners as well", at(loaf, 30, 0), Corners, "", "Too late", 0},
		{"wholemeal drinks slowly: flour waits", at(whole, 7, 21), Smears, "", "drinks", 2},
		{"after ten it has drunk", at(whole, 10, 13), Smears, "1 tbsp flour", "too wet", 2},
		{"a short knead leaves no time to wait for it", at(whole, 7, 6), Smears, "1 tbsp flour", "too wet", 0},
		{"wholemeal that is torn needs its liquid now", at(whole, 7, 21), Torn, "1 tsp water", "torn", 2},
		{"a batter is only scraped", at(batter, 7, 10), Pours, "", "batter", 0},
		{"a batter that looks ragged too", at(batter, 7, 10), Torn, "", "batter", 0},
	} {
		t.Run(c.name, func(t *testing.T) {
			got := Advise(c.ball, c.seen)
			add := ""
			if got.Add != nil {
				add = got.Add.Amount.String() + " " + string(got.Add.Of)
			}
			if add != c.add || got.Again != c.next || !strings.Contains(got.Say, c.says) {
				t.Errorf("%q, add %q, look again in %d; want something of %q, add %q, in %d", got.Say, add, got.Again,
					c.says, c.add, c.next)
			}
		})
	}
}

func TestWhatADoseDoes(t *testing.T) {
	b := Ball{Flour: 500, Hydration: 63}
	for text, want := range map[string]float64{"1 tbsp": 3, "1 tsp": 1} {
		if got := spoon(t, Water, text).Points(b); math.Abs(got-want) > 0.05 {
			t.Errorf("%s of liquid in 500 g of flour is %+.2f points, want %+.0f", text, got, want)
		}
	}
	if got := spoon(t, FlourDose, "1 tbsp").Points(b); math.Abs(got+1) > 0.1 {
		t.Errorf("1 tbsp of flour is %+.2f points, want −1", got)
	}
}

// A dough 8 points off is brought within 3 by following the advice, at every size, in a knead of 20 minutes, and
// never goes to and fro. The table is printed.
func TestFollowingTheAdviceMendsTheDough(t *testing.T) {
	look := func(off float64) Seen {
		switch {
		case off > 5:
			return Pours
		case off > 2:
			return Smears
		case off < -5:
			return Knocks
		case off < -2:
			return Torn
		}
		return Smooth
	}
	for _, size := range []struct {
		name  string
		flour measure.Grams
	}{{"1 lb", 250}, {"1 1/2 lb", 375}, {"2 lb", 500}, {"2 1/2 lb", 625}} {
		for _, start := range []float64{-8, -6, -4, 4, 6, 8} {
			const knead, first = 20, 7
			off, doses := start, []Dose{}
			var said []string
			for minute := first; minute < knead; {
				b := Ball{Flour: size.flour, Hydration: 63 + off, Into: minute, Left: knead - minute, Doses: doses,
					Since: 2}
				got := Advise(b, look(off))
				if got.Add != nil {
					if len(doses) > 0 && doses[0].Of != got.Add.Of {
						t.Errorf("%s, %+.0f points: to and fro after %v", size.name, start, said)
					}
					off += got.Add.Points(b)
					doses = append(doses, *got.Add)
					said = append(said, got.Add.Amount.String())
				}
				if got.Again == 0 {
					break
				}
				minute += got.Again
			}
			t.Logf("%-8s %+3.0f points → %+5.1f  %s", size.name, start, off, fmt.Sprint(said))
			if math.Abs(off) > 3 {
				t.Errorf("%s, %+.0f points off: it ends %+.1f off", size.name, start, off)
			}
		}
	}
}

// From the flour of a 2 lb loaf on, liquid is given by the tablespoon; below that of 1 1/2 lb, by the half teaspoon.
func TestADoseGoesByTheFlour(t *testing.T) {
	tsp, tbsp := spoon(t, Water, "1 tsp").Amount, spoon(t, Water, "1 tbsp").Amount
	half, some, more := spoon(t, Water, "1/2 tsp").Amount, spoon(t, Water, "1 1/2 tsp").Amount,
		spoon(t, Water, "1 1/2 tbsp").Amount
	for flour, want := range map[measure.Grams][3]measure.Amount{250: {half, half, some}, 309: {half, half, some},
		310: {tsp, tsp, tbsp}, 434.9: {tsp, tsp, tbsp}, 435: {tsp, tbsp, tbsp}, 500: {tsp, tbsp, tbsp},
		560: {tsp, tbsp, more}} {
		if s := UsualSpoons(flour, false); [3]measure.Amount{s.Least, s.Water, s.Flour} != want {
			t.Errorf("%g g of flour get %+v", float64(flour), s)
		}
	}
	if s := UsualSpoons(250, true); s.Water != tbsp || s.Flour != tbsp {
		t.Errorf("fibre gets %+v", s)
	}
}
