package bake_test

import (
	"strings"
	"testing"

	"risepan/core/bake"
	"risepan/core/dough"
	"risepan/core/journal"
	"risepan/core/machine"
)

// The swirl rises from 9:37 to 10:17, is rolled, rises again from 10:28 to 11:14 and then bakes. What a height means
// follows the clock, and an earlier loaf of the recipe at about that minute.
func TestAHeightOnTheClock(t *testing.T) {
	p := swirl(t, "")
	resumed := bake.Happening{Stamp: journal.Stamp{Seq: 1, At: clock("10:28")}, What: bake.Resumed,
		Moment: "paddle out 1"}
	stood := func(when string, how dough.Stands) string {
		h := bake.Happening{Stamp: journal.Stamp{Seq: 2, At: clock(when)}, What: bake.Stood, Stands: how}
		s := bake.At(p, []bake.Happening{resumed, h}, clock(when))
		return bake.Rise(p, s, nil).Said()
	}
	for when, want := range map[string]string{"09:20": "kneaded", "10:00": "knocked back", "10:50": "early",
		"11:08": "Leave it", "11:30": "shut"} {
		if say := stood(when, dough.Above); !strings.Contains(say, want) &&
			!(want == "early" && strings.Contains(say, "skewer")) {
			t.Errorf("a finger above the rim at %s: %q, want %q", when, say, want)
		}
	}
	h := bake.Happening{Stamp: journal.Stamp{Seq: 2, At: clock("10:50")}, What: bake.Stood, Stands: dough.Lid}
	s := bake.At(p, []bake.Happening{resumed, h}, clock("10:51"))
	if len(s.Heights) != 1 || s.Heights[0].Minute != 110 {
		t.Fatalf("%+v", s.Heights)
	}
	for _, c := range []struct {
		minute machine.Minutes
		mark   int
		want   string
	}{{105, 5, "stood as high"}, {122, 5, "stood as high"}, {130, 5, "skewer"}, {110, 1, "came out poor"}} {
		before := []bake.Before{{Heights: []bake.Height{{Minute: 60, Stands: dough.Third},
			{Minute: c.minute, Stands: dough.Lid}}, Mark: c.mark}}
		if say := bake.Rise(p, s, before).Said(); !strings.Contains(say, c.want) {
			t.Errorf("an earlier loaf at the lid at minute %d, marked %d: %q, want %q", c.minute, c.mark, say, c.want)
		}
	}
}
