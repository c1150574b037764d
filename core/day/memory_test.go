package day_test

import (
	"context"
	"errors"
	"fmt"
	"slices"
	"testing"
	"time"

	"risepan/core/day"
	"risepan/core/schedule"
)

// twelve is a day of as many loaves as one can have.
func twelve() day.Book {
	names := []string{}
	for name := range heron().Recipes {
		names = append(names, name)
	}
	slices.Sort(names)
	var b day.Book
	for n := range schedule.MostLoaves {
		b.Loaves = append(b.Loaves, loaf(fmt.Sprint(n), names[n], 3, at(6+n, 0)))
	}
	b.Hands = 1
	return b
}

// A day that is looked at over and over tells the same as one that is planned at each look, also by where its book was
// kept.
func TestADayIsRememberedWhileItIsLookedAt(t *testing.T) {
	p, b := heron(), book(loaf("a", "Towpath white", 3, at(9, 0)), loaf("b", "Oat and honey loaf", 3, at(13, 0)),
		loaf("c", "Towpath white", 2, at(17, 0)))
	anew := p
	p.Memory = &schedule.Memory{}
	b = p.Keep(b, planned(t, p, b))
	for range 40 { // through the night and the first loaves
		got, want := planned(t, p, b), planned(t, anew, b)
		if fmt.Sprint(got.Cost, got.Say) != fmt.Sprint(want.Cost, want.Say) {
			t.Fatalf("at %s from memory: %+v %s\nplanned anew: %+v %s", p.Now, got.Cost, got.Say, want.Cost, want.Say)
		}
		for n, l := range got.Loaves {
			if w := want.Loaves[n]; l.Standing != w.Standing || !l.Press.Equal(w.Press) || !l.Done.Equal(w.Done) ||
				l.Say != w.Say {
				t.Fatalf("at %s loaf %s from memory: %+v\nplanned anew: %+v", p.Now, l.ID, l, w)
			}
		}
		p.Now = p.Now.Add(29 * time.Minute)
		anew.Now = p.Now
	}
}

func BenchmarkDayOfTwelve(b *testing.B) {
	p, of := heron(), twelve()
	for _, c := range []struct {
		name   string
		memory *schedule.Memory
	}{{"planned anew", nil}, {"looked at again", &schedule.Memory{}}} {
		b.Run(c.name, func(b *testing.B) {
			p.Memory = c.memory
			if _, err := day.Make(b.Context(), p, of); err != nil {
				b.Fatal(err)
			}
			for b.Loop() {
				if _, err := day.Make(b.Context(), p, of); err != nil {
					b.Fatal(err)
				}
			}
		})
	}
}

// A day that nobody waits for any more is given up, and so are the ways to help; what was begun is not remembered.
func TestADayIsGivenUpWhenNobodyWaits(t *testing.T) {
	gone, leave := context.WithCancel(t.Context())
	leave()
	p, b := heron(), twelve()
	p.Memory = &schedule.Memory{}
	for range 2 {
		if _, err := day.Make(gone, p, b); !errors.Is(err, context.Canceled) {
			t.Errorf("a day is planned for nobody: %v", err)
		}
	}
	if _, err := day.Mends(gone, p, b, b.Loaves[0].ID); !errors.Is(err, context.Canceled) {
		t.Errorf("ways to help are looked for, for nobody: %v", err)
	}
	few := day.Book{Loaves: b.Loaves[:2], Hands: 1}
	if d, err := day.Make(t.Context(), p, few); err != nil || len(d.Loaves) != 2 {
		t.Errorf("asked by somebody who waits: %v", err)
	}
}
