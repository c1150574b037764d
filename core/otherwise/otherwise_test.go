package otherwise_test

import (
	"fmt"
	"regexp"
	"strings"
	"testing"

	"risepan/core/kind"
	"risepan/core/machine"
	"risepan/core/otherwise"
	"risepan/core/readtest"
	"risepan/core/recipe"
)

// course is a usual one: kneaded from 10 to 18 and 23 to 40, raised twice, baked from 150 on.
var course = []machine.Span{{Kind: machine.Rest, From: 0, To: 10}, {Kind: machine.Knead, From: 10, To: 18},
	{Kind: machine.Rest, From: 18, To: 23}, {Kind: machine.Knead, From: 23, To: 40},
	{Kind: machine.Rise, From: 40, To: 90},
	{Kind: machine.KnockBack, From: 90, To: 91}, {Kind: machine.Rise, From: 91, To: 150},
	{Kind: machine.Bake, From: 150, To: 200}}

// minutes are one of each phase, and two of those in which something can still be mixed in.
var minutes = []machine.Minutes{-5, 2, 12, 20, 25, 38, 60, 100, 170, 210, 500}

func stands(k recipe.Kind) (out []otherwise.Stand) {
	for _, spoils := range []bool{false, true} {
		for _, minute := range minutes {
			s := otherwise.AtCourse(k, course, minute, spoils, !kind.Of(k).Loose && !kind.Of(k).Flourless)
			out = append(out, s)
		}
	}
	return out
}

// jargon is what no neighbour would say.
var jargon = regexp.MustCompile(`(?i)\b(?:autolys|hydration|retard|error|invalid|null|process|initiate|utili[sz]e)`)

// Every event in every phase for every kind has an answer: something to do, why, in whole sentences, and a minute that
// is still to come.
func TestEveryEventHasAnAnswerEverywhere(t *testing.T) {
	cells := 0
	for _, e := range otherwise.Events {
		for _, k := range recipe.Kinds {
			for _, s := range stands(k) {
				cells++
				a := otherwise.Answer(e, s)
				at := fmt.Sprintf("%s, %s, %s at %d", e, k, s.Phase, s.Minute)
				for what, text := range map[string]string{"do": a.Do(), "why": a.Why} {
					if text == "" {
						t.Errorf("%s: nothing stands under %s", at, what)
					}
				}
				for _, text := range []string{a.Do(), a.Why, a.Never, a.Costs} {
					whole := text == "" || strings.HasSuffix(text, ".") && strings.ToUpper(text[:1]) == text[:1]
					if !whole || jargon.MatchString(text) {
						t.Errorf("%s: %q", at, text)
					}
				}
				if a.Until != 0 && (a.Until <= s.Minute || a.Until > s.Total+600) {
					t.Errorf("%s can be done until minute %d of %d", at, a.Until, s.Total)
				}
			}
		}
	}
	if want := len(otherwise.Events) * len(recipe.Kinds) * 2 * len(minutes); cells != want || cells < 10_000 {
		t.Errorf("%d cells, want %d", cells, want)
	}
}

// What must be said wherever it matters, whatever else is.
func TestWhatMustBeSaid(t *testing.T) {
	for _, k := range recipe.Kinds {
		for _, s := range stands(k) {
			says := func(e otherwise.Event, words ...string) {
				a := otherwise.Answer(e, s)
				all := strings.ToLower(a.Do() + " " + a.Never)
				for _, w := range words {
					if !strings.Contains(all, w) {
						t.Errorf("%s, %s at %d: %q does not say %q", e, k, s.Minute, all, w)
					}
				}
			}
			says(otherwise.Smoke, "pull the plug", "lid", "no water", "no hand inside")
			if s.Minute == 500 && kind.Of(k).Outside {
				says(otherwise.Forgotten, "throw it away")
			}
			if s.Phase == otherwise.Ends && kind.Of(k).Outside {
				says(otherwise.NotDone, "71 °c", "poultry at 74")
			}
			if s.Spoils && s.Phase != otherwise.Ends {
				says(otherwise.Spoiling, "throw it away", "do not taste it")
			}
			if s.Phase == otherwise.Bakes {
				for _, e := range []otherwise.Event{otherwise.NoYeast, otherwise.NoFlour, otherwise.WrongCycle} {
					if do := otherwise.Answer(e, s).Do(); strings.Contains(do, "start the cycle again") {
						t.Errorf("%s while it bakes: %q", e, do)
					}
				}
			}
		}
	}
}

// Salt remembered at minute 12 of a usual cycle, yeast at the end of the kneading, raisins in the last rise: reasoned
// by hand before the table.
func TestAnswersReasonedByHand(t *testing.T) {
	for _, c := range []struct {
		event  otherwise.Event
		kind   recipe.Kind
		minute machine.Minutes
		says   string
		until  machine.Minutes
	}{
		{otherwise.NoSalt, recipe.White, 12, "Strew the salt finely over the dough", 35},
		{otherwise.NoSalt, recipe.White, 60, "Leave it out, and salt", 0},
		{otherwise.NoYeast, recipe.White, 20, "Strew the yeast dry over the dough now", 30},
		{otherwise.NoYeast, recipe.White, 38, "Stir the yeast into a tablespoon of warm water", 90},
		{otherwise.NoYeast, recipe.GlutenFree, 25, "Scrape the sides", 36},
		{otherwise.NoYeast, recipe.White, 170, "End the bake", 0},
		{otherwise.SizeDown, recipe.White, 3, "Set the right size", 10},
		{otherwise.SizeDown, recipe.White, 100, "Let it go on", 210},
		{otherwise.ShutBox, recipe.White, 25, "Empty it by hand", 37},
		{otherwise.ShutBox, recipe.White, 60, "Fold them in by hand", 90},
		{otherwise.ShutBox, recipe.White, 100, "Leave them out", 0},
		{otherwise.Stopped, recipe.White, 170, "Bake it with Bake only, at once", 180},
		{otherwise.HighDough, recipe.White, 100, "prick it", 150},
		{otherwise.NoPaddle, recipe.White, 25, "Pull the plug", 0},
		{otherwise.NoYeast, recipe.QuickBread, 12, "Sift the leavening", 38},
		{otherwise.NoYeast, recipe.Preserve, 12, "no yeast belongs in it", 0},
	} {
		s := otherwise.AtCourse(c.kind, course, c.minute, false, c.kind != recipe.QuickBread && c.kind != recipe.Preserve)
		s.BakeOnly = "Bake only"
		a := otherwise.Answer(c.event, s)
		if !strings.Contains(a.Do(), c.says) && !(c.minute == 60 && c.event == otherwise.NoSalt &&
			strings.Contains(a.Do(), "Leave it out")) || a.Until != c.until {
			t.Errorf("%s, %s at %d: %q until %d, want %q until %d", c.event, c.kind, c.minute, a.Do(), a.Until, c.says, c.until)
		}
	}
}

// What is answered for a white loaf and a batter, to be read.
func TestWhatIsAnswered(t *testing.T) {
	var said []readtest.Said
	for _, k := range []recipe.Kind{recipe.White, recipe.GlutenFree, recipe.BakeOnly} {
		var rows readtest.Rows
		for _, e := range otherwise.Events {
			for _, minute := range minutes {
				rows.Add(t, fmt.Sprintf("%s, minute %d", e, minute),
					otherwise.Answer(e, otherwise.AtCourse(k, course, minute, k == recipe.BakeOnly, k != recipe.BakeOnly)))
			}
		}
		said = append(said, readtest.Said{Name: string(k), Value: rows.String()})
	}
	readtest.Hold(t, said)
}
