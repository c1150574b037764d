package api_test

import (
	"slices"
	"strings"
	"testing"
	"time"

	"risepan/core/otherwise"
	"risepan/usecase"
)

// Salt that is remembered while it kneads: what to do and until when by the clock; told, it stands in the journal, and
// is taken back. What is told after the end is refused.
func TestWhatWentOtherwiseIsAnsweredAndTold(t *testing.T) {
	h := open(t)
	b := h.start("Towpath white", "one")
	h.later(12 * time.Minute)
	salt := func() usecase.Trouble {
		var all usecase.Troubles
		h.must(200, "GET", "~/bakes/"+b.ID+"/troubles", nil, &all)
		if len(all.Troubles) != len(otherwise.Events) {
			t.Fatalf("%d things can go otherwise, want %d", len(all.Troubles), len(otherwise.Events))
		}
		n := slices.IndexFunc(all.Troubles, func(a usecase.Trouble) bool { return a.Event == otherwise.NoSalt })
		return all.Troubles[n]
	}
	early := salt()
	if !strings.Contains(early.Do(), "over the dough") || early.Until == nil || !early.Until.After(h.now) {
		t.Errorf("salt at minute 12: %+v", early)
	}
	var told usecase.BakeTold
	noSalt := map[string]any{"what": "otherwise", "event": "salt was left out"}
	at := "~/bakes/" + b.ID + "/happenings"
	h.must(201, "POST", at, noSalt, &told, "Idempotency-Key", "o1")
	last := told.Happenings[len(told.Happenings)-1]
	if last.Event != otherwise.NoSalt {
		t.Errorf("told is %+v", last)
	}
	h.must(201, "POST", at, map[string]any{"what": "undone", "of": last.Seq}, &told, "Idempotency-Key", "o2")
	h.must(422, "POST", at, map[string]any{"what": "otherwise"}, nil, "Idempotency-Key", "o3")
	h.must(400, "POST", at, map[string]any{"what": "otherwise", "event": "it sulks"}, nil, "Idempotency-Key", "o4")
	h.later(100 * time.Minute)
	if late := salt(); !strings.Contains(late.Do(), "Leave it out") || late.Until != nil {
		t.Errorf("salt in the rise: %+v", late)
	}
	h.later(3 * time.Hour)
	h.must(201, "POST", at, map[string]any{"what": "taken out"}, nil, "Idempotency-Key", "o5")
	h.must(422, "POST", at, noSalt, nil, "Idempotency-Key", "o6")
}
