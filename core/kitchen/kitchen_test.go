package kitchen

import (
	"errors"
	"fmt"
	"slices"
	"strings"
	"testing"
	"time"

	"risepan/core/fault"
	"risepan/core/larder"
	"risepan/core/measure"
)

func date(t testing.TB, s string) Date {
	t.Helper()
	d, err := ParseDate(s)
	if err != nil {
		t.Fatal(err)
	}
	return d
}

func TestDatesOnPacks(t *testing.T) {
	for _, bad := range []string{"20226-01-01", "2026-13-01", "2026-02-30", "1999-12-31", "tomorrow", ""} {
		if d, err := ParseDate(bad); err == nil {
			t.Errorf("%q was read as %v", bad, d)
		}
	}
	zone := time.FixedZone("east", 3*3600)
	if got := DateOf(time.Date(2026, 11, 24, 22, 30, 0, 0, time.UTC), zone); got != date(t, "2026-11-25") {
		t.Errorf("half past ten at night in the west is %v further east", got)
	}
}

func TestAJarPastItsTimeIsWarnedOf(t *testing.T) {
	dry, _ := larder.Get("active-dry-yeast")
	wholemeal, _ := larder.Get("wholemeal-flour")
	today := date(t, "2026-11-25")
	for _, c := range []struct {
		why  string
		i    *larder.Ingredient
		pack Pack
		says string // empty: no worry
	}{
		{"best before today is in order", dry, Pack{BestBefore: today}, ""},
		{"best before yesterday", dry, Pack{BestBefore: date(t, "2026-11-24")}, "a day ago"},
		{"yeast in doubt is tested", dry, Pack{BestBefore: date(t, "2026-11-24")}, "froth should have doubled"},
		{"opened 120 days ago is in order", dry, Pack{Opened: date(t, "2026-07-28")}, ""},
		{"opened 121 days ago", dry, Pack{Opened: date(t, "2026-07-27"), Name: "jar"},
			"(jar) was opened on 27 July 2026, 4 months ago"},
		{"flour is smelled", wholemeal, Pack{BestBefore: date(t, "2026-10-01")}, "Smell and taste it"},
		{"flour may stand open", wholemeal, Pack{Opened: date(t, "2026-01-01")}, ""},
	} {
		got := c.pack.Worry(c.i, today)
		if (c.says == "") != (got == "") || !strings.Contains(got, c.says) {
			t.Errorf("%s: %q, want %q in it", c.why, got, c.says)
		}
	}
}

func TestAGoodPackOutweighsABadOne(t *testing.T) {
	dry, _ := larder.Get("active-dry-yeast")
	today := date(t, "2026-11-25")
	k := New("K", "UTC")
	k.Packs = []Pack{{Ingredient: dry.ID, BestBefore: date(t, "2026-01-01")}}
	if k.Worry(dry, today) == "" {
		t.Error("an old jar alone is no worry")
	}
	k.Packs = append(k.Packs, Pack{Ingredient: dry.ID, BestBefore: date(t, "2027-01-01")})
	if w := k.Worry(dry, today); w != "" {
		t.Errorf("with a fresh jar in the house: %s", w)
	}
}

func TestAKitchenThatCannotBeIsRefusedAtItsField(t *testing.T) {
	cup := larder.Cup{Filling: larder.Spooned, Flour: "bread-flour", Measure: measure.Of(1, 1, measure.Cup),
		Weighings: []measure.Grams{90, 125, 270}}
	hot, _ := measure.ParseTemperature("60 °C")
	for pointer, change := range map[string]func(*Kitchen){
		"/name":             func(k *Kitchen) { k.Name = " " },
		"/quiet/from":       func(k *Kitchen) { k.Quiet.From = -1 },
		"/quiet/to":         func(k *Kitchen) { k.Quiet.To = 24 * 60 },
		"/room":             func(k *Kitchen) { k.Room = hot },
		"/cups/0/weighings": func(k *Kitchen) { k.Cups = []larder.Cup{cup} },
		"/cups/0/flour": func(k *Kitchen) {
			k.Cups = []larder.Cup{{Filling: larder.Spooned, Flour: "water", Measure: cup.Measure}}
		},
		"/cups/1/flour": func(k *Kitchen) {
			good := larder.Cup{Filling: larder.Spooned, Flour: cup.Flour, Measure: cup.Measure}
			k.Cups = []larder.Cup{good, good}
		},
		"/packs/0/ingredient": func(k *Kitchen) { k.Packs = []Pack{{Ingredient: "gold"}} },
		"/stock/0/grams":      func(k *Kitchen) { k.Stock = []Stocked{{"honey", -4}} },
		"/stock/1/ingredient": func(k *Kitchen) { k.Stock = []Stocked{{"honey", 4}, {"honey", 5}} },
		"/jug/step": func(k *Kitchen) {
			k.Jug = measure.Jug{Step: measure.Of(25, 1, measure.Gram), Holds: measure.Of(500, 1, measure.Millilitre)}
		},
		"/jug/holds": func(k *Kitchen) {
			k.Jug = measure.Jug{Step: measure.Of(25, 1, measure.Millilitre), Holds: measure.Of(3001, 1,
				measure.Millilitre)}
		},
		"/measures/0/amount": func(k *Kitchen) { k.Measures[0].Amount = measure.Of(0, 1, measure.Cup) },
	} {
		k := New("K", "UTC")
		change(&k)
		var f *fault.Fault
		if err := k.Check(); !errors.As(err, &f) || f.Pointer != pointer || f.Detail == "" {
			t.Errorf("%s: refused as %v", pointer, err)
		}
	}
	jug := New("K", "UTC")
	jug.Jug = measure.Jug{Step: measure.Of(25, 1, measure.Millilitre), Holds: measure.Of(500, 1, measure.Millilitre)}
	for what, k := range map[string]Kitchen{"a new kitchen": New("K", "UTC"), "one with a jug": jug} {
		if err := k.Check(); err != nil {
			t.Errorf("%s is refused: %v", what, err)
		}
	}
}

func TestAClockOfTwelveHoursSaysWhichHalf(t *testing.T) {
	for clock, want := range map[Clock]string{0: "12:00 am", 5: "12:05 am", 7 * 60: "7:00 am", 11*60 + 59: "11:59 am",
		12 * 60: "12:00 pm", 19*60 + 5: "7:05 pm", 23*60 + 59: "11:59 pm"} {
		if got := Of12.Text(clock); got != want {
			t.Errorf("%v is %q on a clock of twelve hours, want %q", clock, got, want)
		}
		if got := Of24.Text(clock); got != clock.String() || Face("").Text(clock) != got {
			t.Errorf("%v is %q on a clock of 24", clock, got)
		}
	}
}

func TestQuietHoursReachOverMidnight(t *testing.T) {
	clock := func(s string) Clock {
		c, err := ParseClock(s)
		if err != nil {
			t.Fatal(err)
		}
		return c
	}
	q := Quiet{clock("22:30"), clock("6:30")}
	for s, quiet := range map[string]bool{"22:29": false, "22:30": true, "03:20": true, "06:29": true, "06:30": false,
		"12:00": false} {
		if q.Holds(int(clock(s))) != quiet {
			t.Errorf("%s is quiet: %v", s, !quiet)
		}
	}
	if got := q.Until(int(clock("23:00"))); got != 450 {
		t.Errorf("from 23:00 it is quiet for %d minutes more, want 450", got)
	}
	if none := (Quiet{clock("7:00"), clock("7:00")}); none.Holds(int(clock("7:00"))) || !none.IsZero() {
		t.Error("no quiet hours are quiet at seven")
	}
}

func FuzzReadingDatesAndClocks(f *testing.F) {
	for _, s := range []string{"2026-11-25", "20226-01-01", "22:30", "24:00", "7:5"} {
		f.Add(s)
	}
	f.Fuzz(func(t *testing.T, s string) {
		if d, err := ParseDate(s); err == nil && d.String() != s {
			t.Errorf("%q reads as the date %s", s, d)
		}
		if c, err := ParseClock(s); err == nil {
			if back, err := ParseClock(c.String()); err != nil || back != c {
				t.Errorf("%q reads as %s, which reads back as %s (%v)", s, c, back, err)
			}
		}
	})
}

// Loaves of every week have ids of their own, days and an hour.
func TestRegularLoavesAreChecked(t *testing.T) {
	good := Regular{ID: "a", Recipe: "r", Machine: "m", Size: measure.LoafPounds(3, 2), Days: []Weekday{"monday"},
		By: 420}
	for name, c := range map[string]struct {
		at     string
		change func(*Regular)
	}{
		"as it is":     {"", func(*Regular) {}},
		"no id":        {"/regulars/1/id", func(r *Regular) { r.ID = "" }},
		"another's id": {"/regulars/1/id", func(r *Regular) { r.ID = "first" }},
		"no day":       {"/regulars/1/days", func(r *Regular) { r.Days = nil }},
		"more than a week": {"/regulars/1/days", func(r *Regular) {
			r.Days = append(slices.Clone(Weekdays),
				"monday")
		}},
		"beyond the day":   {"/regulars/1/by", func(r *Regular) { r.By = 24 * 60 }},
		"at the day's end": {"", func(r *Regular) { r.By = 24*60 - 1 }},
		"all days":         {"", func(r *Regular) { r.Days = Weekdays }},
	} {
		k := New("Test", "UTC")
		first, second := good, good
		first.ID = "first"
		c.change(&second)
		k.Regulars = []Regular{first, second}
		var f *fault.Fault
		err := k.Check()
		switch {
		case c.at == "" && err != nil:
			t.Errorf("%s: %v", name, err)
		case c.at != "" && (!errors.As(err, &f) || f.Pointer != c.at):
			t.Errorf("%s is answered %v, want a fault at %s", name, err, c.at)
		}
	}
	k := New("Test", "UTC")
	for n := range 21 {
		r := good
		r.ID = fmt.Sprint(n)
		k.Regulars = append(k.Regulars, r)
		if err := k.Check(); (err != nil) != (n+1 > 20) {
			t.Errorf("%d regular loaves: %v", n+1, err)
		}
	}
}
