package verdict_test

import (
	"testing"
	"time"

	"risepan/core/bake"
	"risepan/core/dough"
	"risepan/core/kitchen"
	"risepan/core/machine"
	"risepan/core/measure"
	"risepan/core/plan"
	"risepan/core/verdict"
	"risepan/demo"
)

func galleyPlan(t *testing.T, change func(*plan.Wish)) plan.Plan {
	t.Helper()
	w := plan.Wish{LoafWish: plan.LoafWish{Size: measure.LoafPounds(3, 2)}}
	change(&w)
	p, err := plan.Make(plan.Place{Kitchen: kitchen.New("Test", "UTC"), Zone: time.UTC, Recipe: demo.Recipes()[0],
		Machine: demo.Galley(), Now: firstDay}, w)
	if err != nil {
		t.Fatal(err)
	}
	return p
}

// A cause that the machine's setting answers gets one step of it, and no step where there is none.
func TestTheSettingThatAnswersACause(t *testing.T) {
	set := func(crust machine.Crust) plan.Plan { return galleyPlan(t, func(w *plan.Wish) { w.Crust = crust }) }
	for _, c := range []struct {
		name  string
		plan  plan.Plan
		state bake.State
		cause verdict.Cause
		to    string // empty: nothing
	}{
		{"too dark", set(machine.Medium), bake.State{Verdict: bake.Verdict{Signs: []bake.Sign{bake.Burnt}}},
			verdict.CrustSet, "light crust"},
		{"too pale", set(machine.Medium), bake.State{Verdict: bake.Verdict{Signs: []bake.Sign{bake.Pale}}},
			verdict.CrustSet, "dark crust"},
		{"too dark at its lightest", set(machine.Light),
			bake.State{Verdict: bake.Verdict{Signs: []bake.Sign{bake.Burnt}}}, verdict.CrustSet, ""},
		{"came out darker than it was set, by the swatches", set(machine.Medium),
			bake.State{Verdict: bake.Verdict{Crust: machine.Dark}}, verdict.MuchSugar, "light crust"},
		{"neither dark nor pale", set(machine.Medium),
			bake.State{Verdict: bake.Verdict{Signs: []bake.Sign{bake.Gummy}}}, verdict.CrustSet, ""},
		{"another cycle than suits it", galleyPlan(t, func(w *plan.Wish) { w.Cycle = "gluten-free" }), bake.State{},
			verdict.WrongCycle, "1 Basic"},
		{"the cycle that suits it", set(machine.Medium), bake.State{}, verdict.WrongCycle, ""},
		{"what no setting answers", set(machine.Medium),
			bake.State{Verdict: bake.Verdict{Signs: []bake.Sign{bake.Burnt}}}, verdict.TooWet, ""},
	} {
		t.Run(c.name, func(t *testing.T) {
			got := ""
			if choice := verdict.Choose(c.plan, c.state, c.cause); choice != nil {
				got = choice.To
			}
			if got != c.to {
				t.Errorf("it is answered with %q, want %q", got, c.to)
			}
		})
	}
}

// How high it stood counts in its last rise alone: high while much of that is left, low shortly before the baking.
func TestHowHighItStoodIsEvidence(t *testing.T) {
	stages := []machine.Span{{Kind: machine.Knead, From: 0, To: 30}, {Kind: machine.Rise, From: 30, To: 70},
		{Kind: machine.Rise, From: 70, To: 120},
		{Kind: machine.Bake, From: 120, To: 180}}
	for _, c := range []struct {
		at     machine.Minutes
		stands dough.Stands
		want   verdict.Fact // empty: neither
	}{
		{90, dough.Above, verdict.RoseHigh}, {109, dough.Lid, verdict.RoseHigh}, {110, dough.Lid, ""},
		{118, dough.Third, verdict.RoseLow}, {118, dough.Half, ""}, {110, dough.Third, verdict.RoseLow},
		{109, dough.Third, ""}, {69, dough.Above, ""}, {120, dough.Half, ""}, {130, dough.Lid, ""},
	} {
		var got verdict.Fact
		for _, f := range (verdict.Baked{Plan: galleyPlan(t, func(*plan.Wish) {}), State: bake.State{Stages: stages,
			Heights: []bake.Height{{Minute: c.at, Stands: c.stands}}}, Kitchen: kitchen.New("Test",
			"UTC")}).Evidence() {
			if f == verdict.RoseHigh || f == verdict.RoseLow {
				got = f
			}
		}
		if got != c.want {
			t.Errorf("%s at minute %d tells %q, want %q", c.stands, c.at, got, c.want)
		}
	}
}

// What was changed before a loaf and did not help is no longer the first to be blamed.
func TestAChangeThatDidNotHelpIsEvidence(t *testing.T) {
	first := func(s verdict.Seen) verdict.Weighed { return verdict.Weigh(s)[0] }
	seen := verdict.Seen{Signs: []bake.Sign{bake.Collapsed}, All: true}
	was := first(seen).Cause
	seen.Tried, seen.Helped = was, bake.No
	if now := first(seen); now.Cause == was {
		t.Errorf("%s was changed in vain, and comes first again", was)
	}
	seen.Helped = bake.Yes
	if now := first(seen); now.Cause != was || now.For[len(now.For)-1] != verdict.TriedInPart {
		t.Errorf("%s was changed and it helped in part; now %s comes first for %q", was, now.Cause, now.For)
	}
	baked := verdict.Baked{Plan: galleyPlan(t, func(*plan.Wish) {}), Kitchen: kitchen.New("Test", "UTC"),
		Tried: verdict.MuchYeast}
	if got := baked.Seen().Tried; got != verdict.MuchYeast {
		t.Errorf("a revision for too much yeast tried %q", got)
	}
}

// What was measured of a loaf is a sign where nobody told one, and what the baker knows of the day is evidence.
func TestWhatIsMeasuredAndTold(t *testing.T) {
	p := galleyPlan(t, func(*plan.Wish) {})
	facts := func(v bake.Verdict) map[verdict.Fact]bool {
		out := map[verdict.Fact]bool{}
		for _, f := range (verdict.Baked{Plan: p, State: bake.State{Verdict: v}, Kitchen: kitchen.New("Test",
			"UTC")}).Evidence() {
			out[f] = true
		}
		return out
	}
	signs := func(v bake.Verdict) []bake.Sign {
		return verdict.Baked{Plan: p, State: bake.State{Verdict: v}, Kitchen: kitchen.New("Test", "UTC")}.Seen().Signs
	}
	if s := signs(bake.Verdict{Centre: new(-20), Sides: new(2)}); len(s) != 1 || s[0] != bake.Collapsed {
		t.Errorf("a middle 22 mm below the edges is %q", s)
	}
	if s := signs(bake.Verdict{Centre: new(2), Sides: new(4)}); len(s) != 0 {
		t.Errorf("a level loaf is %q", s)
	}
	if s := signs(bake.Verdict{Sides: new(30)}); len(s) != 1 || s[0] != bake.Overflowed {
		t.Errorf("edges 30 mm over the rim are %q", s)
	}
	cold := facts(bake.Verdict{Room: measure.Reading(12), Damp: true, Mishaps: []bake.Mishap{bake.LidOpened,
		bake.LeftOut, bake.PutTwice}})
	for _, want := range []verdict.Fact{verdict.ColdKitchen, verdict.DampDay, verdict.LidWasOpen, verdict.NotTicked,
		verdict.SlipTold} {
		if !cold[want] {
			t.Errorf("it is not known that %s", want)
		}
	}
	if usual := facts(bake.Verdict{}); usual[verdict.ColdKitchen] || usual[verdict.NotTicked] ||
		usual[verdict.DampDay] {
		t.Errorf("of a usual day it is said: %v", usual)
	}
}
