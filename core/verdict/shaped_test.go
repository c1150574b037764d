package verdict_test

import (
	"slices"
	"testing"

	"risepan/core/bake"
	"risepan/core/verdict"
)

// What is seen of a dough as it is shaped has causes of its own, and that a baked loaf shows none of it says nothing.
func TestADoughThatIsShaped(t *testing.T) {
	first := func(signs []bake.Sign, facts ...verdict.Fact) verdict.Weighed {
		return verdict.Weigh(verdict.Seen{Signs: signs, All: true, Facts: facts})[0]
	}
	for sign, want := range map[bake.Sign]verdict.Cause{bake.Sticks: verdict.TooWet, bake.Crumbles: verdict.TooDry,
		bake.SpringsUp: verdict.Unrested} {
		if is := first([]bake.Sign{sign}); is.Cause != want {
			t.Errorf("%s: %s, want %s", sign, is.Cause, want)
		}
	}
	if is := first([]bake.Sign{bake.Sticks}); is.Asks() {
		t.Errorf("a dough that sticks, and nothing else is known: %s is %s", is.Cause, is.Strength)
	}
	if is := first([]bake.Sign{bake.Sticks}, verdict.BallWet); !is.Asks() {
		t.Errorf("a dough that sticks, and its ball was slack: %s is %s", is.Cause, is.Strength)
	}
	for _, sign := range []bake.Sign{bake.HoleOnTop, bake.DrawnIn} {
		if is := first([]bake.Sign{sign}); is.Strength != verdict.Unclear {
			t.Errorf("%s alone: %s is %s", sign, is.Cause, is.Strength)
		}
	}
}

// Of meat that looks well only its middle says that it was done.
func TestMeatIsJudgedByItsMiddle(t *testing.T) {
	for _, l := range loaves(t) {
		if !slices.Contains([]string{"202", "203", "204"}, l["loaf"]) {
			continue
		}
		b, err := l.baked(t)
		if err != nil {
			t.Fatal(err)
		}
		causes := b.Causes()
		want := map[string]verdict.Strength{"202": verdict.Likely, "204": verdict.Unclear}[l["loaf"]]
		switch {
		case want == "" && len(causes) > 0:
			t.Errorf("loaf %s, hot enough: %v", l["loaf"], causes)
		case want != "" && (len(causes) != 1 || causes[0].Cause != verdict.MeatUnder || causes[0].Strength != want ||
			causes[0].Change == ""):
			t.Errorf("loaf %s: %v, want %s", l["loaf"], causes, want)
		}
	}
}

// What a loaf cannot have had go otherwise is not asked about.
func TestWhatCanGoOtherwise(t *testing.T) {
	for _, l := range loaves(t) {
		b, err := l.baked(t)
		if err != nil {
			t.Fatal(err)
		}
		goes := verdict.MishapsOf(b.Plan, b.Kitchen)
		has := func(m bake.Mishap) bool { return slices.Contains(goes, m) }
		switch l["loaf"] {
		case "1": // a white loaf without add-ins
			if has(bake.AddedLate) || has(bake.ShortProof) || has(bake.OldCulture) || !has(bake.PaddleOff) {
				t.Errorf("a white loaf: %q", goes)
			}
		case "170": // rolls
			if !has(bake.ShortProof) || !has(bake.OvenOff) || has(bake.LidOpened) && has(bake.CameOutEarly) {
				t.Errorf("rolls: %q", goes)
			}
		case "190": // jam
			if !has(bake.JudgedWarm) || has(bake.YeastWetted) || has(bake.FlourAdded) {
				t.Errorf("jam: %q", goes)
			}
		}
		for _, m := range b.State.Mishaps {
			if !has(m) && m != bake.AddedLate && m != bake.OtherSize { // which the machine or the recipe may not have
				t.Errorf("loaf %s (%s): %q was told, and is not asked about", l["loaf"], l.kind(), m)
			}
		}
	}
}
