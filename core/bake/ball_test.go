package bake_test

import (
	"errors"
	"math"
	"testing"
	"time"

	"risepan/core/bake"
	"risepan/core/dough"
	"risepan/core/fault"
	"risepan/core/journal"
	"risepan/core/measure"
	"risepan/core/timetable"
)

// Kneading from 9:00 to 9:34 with a rest in between: what is seen and put in, by the clock.
func TestADoughBallOnTheClock(t *testing.T) {
	p := started(t, "")
	at := func(minute int) time.Time { return press.Add(time.Duration(minute) * time.Minute) }
	var happened []bake.Happening
	tell := func(minute int, h bake.Happening) *bake.Ball {
		h.Stamp = journal.Stamp{Seq: len(happened) + 1, At: at(minute)}
		if err := bake.Check(bake.At(p, happened, at(minute)), happened, h); err != nil {
			t.Fatal(err)
		}
		happened = append(happened, h)
		return bake.At(p, happened, at(minute)).Ball
	}
	look := func(b *bake.Ball) int {
		if b.Look == nil {
			return -1
		}
		return int(b.Look.Sub(press) / time.Minute)
	}
	spoon := func(of dough.Stuff, text string) *dough.Dose {
		a, err := measure.Parse(text, measure.US)
		if err != nil {
			t.Fatal(err)
		}
		return &dough.Dose{Of: of, Amount: a}
	}

	first := bake.At(p, nil, press).Ball
	if look(first) != 7 || first.From != press || first.Until != at(34) || first.Seen != "" {
		t.Fatalf("before anything was seen: %+v", first)
	}
	b := tell(8, bake.Happening{What: bake.Saw, Seen: dough.Torn})
	if look(b) != 16 || b.Advice.Add == nil || b.Advice.Add.Amount.String() != "1 tsp" {
		t.Errorf("torn at minute 8: %+v", b.Advice)
	}
	b = tell(9, bake.Happening{What: bake.PutIn, Dose: spoon(dough.Water, "1 tsp")})
	if look(b) != 17 || b.Advice != nil || len(b.Doses) != 1 || math.Abs(b.Points-1.31) > 0.02 {
		t.Errorf("with a teaspoon in at minute 9: look at %d, %+v", look(b), b)
	}
	// a minute of kneading after the spoon: between lies a rest
	b = tell(16, bake.Happening{What: bake.Saw, Seen: dough.Smears})
	if b.Advice.Add != nil || look(b) != 17 {
		t.Errorf("slack right after liquid: %+v, look at %d", b.Advice, look(b))
	}
	b = tell(17, bake.Happening{What: bake.Saw, Seen: dough.Smooth})
	if look(b) != 27 {
		t.Errorf("smooth at minute 17 is looked at again at %d, want 27", look(b))
	}
	b = tell(30, bake.Happening{What: bake.PutIn, Dose: spoon(dough.FlourDose, "1 tbsp")})
	if look(b) != -1 || len(b.Doses) != 2 {
		t.Errorf("three minutes before the end: look at %d", look(b))
	}
	for _, m := range bake.At(p, happened, at(31)).Moments {
		if m.Kind == timetable.Look && !m.Done {
			t.Error("the look is not ticked off, though there is nothing more to look at")
		}
	}
	if s := bake.At(p, happened[:2], at(10)); s.Next < 0 || s.Moments[s.Next].Kind != timetable.Look ||
		s.Moments[s.Next].At != at(17) {
		t.Errorf("two minutes after a dose the next moment is no look: %+v", s)
	}
	ticked := append(happened[:3:3], bake.Happening{Stamp: journal.Stamp{Seq: 4, At: at(12)}, What: bake.Done,
		Moment: "look"})
	if s := bake.At(p, ticked, at(12)); s.Ball.Look != nil {
		t.Error("a look that was ticked off is asked for again")
	}
	b = tell(31, bake.Happening{What: bake.Undone, Of: 5})
	if len(b.Doses) != 1 || look(b) != 27 {
		t.Errorf("the flour taken back: %d doses, look at %d", len(b.Doses), look(b))
	}

	s := bake.At(p, happened, at(32))
	for pointer, h := range map[string]bake.Happening{
		"/seen": {What: bake.Saw}, "/dose": {What: bake.PutIn},
		"/dose/amount": {What: bake.PutIn, Dose: spoon(dough.Water, "1 cup")},
	} {
		var f *fault.Fault
		if err := bake.Check(s, happened, h); !errors.As(err, &f) || f.Pointer != pointer {
			t.Errorf("%+v: %v, want a fault at %s", h, err, pointer)
		}
	}
	tell(33, bake.Happening{What: bake.Abandoned})
	if err := bake.Check(bake.At(p, happened, at(34)), happened, bake.Happening{What: bake.Saw,
		Seen: dough.Torn}); err == nil {
		t.Error("a bake that is over is still asked about its ball")
	}
}

// From two pounds on liquid goes in by the tablespoon; much whole grain is waited for.
func TestTheBallKnowsTheLoaf(t *testing.T) {
	p := started(t, "")
	saw := func(seen dough.Seen) *dough.Advice {
		happened := []bake.Happening{{Stamp: journal.Stamp{Seq: 1, At: press.Add(8 * time.Minute)}, What: bake.Saw,
			Seen: seen}}
		return bake.At(p, happened, press.Add(8*time.Minute)).Ball.Advice
	}
	for size, want := range map[measure.LoafSize]string{measure.LoafPounds(3, 2): "1 tsp", measure.LoafPounds(2,
		1): "1 tbsp", measure.LoafPounds(5, 2): "1 tbsp"} {
		p.Doses = dough.UsualSpoons(measure.Grams(250*size.Pounds().Float()), false)
		if a := saw(dough.Torn); a.Add == nil || a.Add.Amount.String() != want {
			t.Errorf("%v: %+v, want %s", size, a, want)
		}
	}
	for grain, waits := range map[float64]bool{39: false, 40: true} {
		p.Formula.Grain = grain
		if a := saw(dough.Smears); (a.Add == nil) != waits {
			t.Errorf("with %.0f of whole grain in 100 of flour: %+v", grain, a)
		}
	}
}
