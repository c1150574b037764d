package api_test

import (
	"strings"
	"testing"

	"risepan/usecase"
)

// A height that is told is judged beside the earlier loaves of the recipe in the same machine.
func TestAHeightIsHeldBesideEarlierLoaves(t *testing.T) {
	h := open(t)
	tell := func(id, key string, body map[string]any) usecase.BakeTold {
		var told usecase.BakeTold
		h.must(201, "POST", "~/bakes/"+id+"/happenings", body, &told, "Idempotency-Key", key)
		return told
	}
	first := h.start("Winding-hole crusty", "one")
	if told := tell(first.ID, "h1", map[string]any{"what": "stood",
		"stands": "touches the lid"}); !strings.Contains(told.Rise.Said(), "kneaded") {
		t.Errorf("right after Start: %q", told.Rise.Said())
	}
	var view usecase.BakeView
	h.must(200, "GET", "~/bakes/"+first.ID, nil, &view)
	if len(view.State.Heights) != 1 || view.Rise == nil {
		t.Errorf("the bake knows of %+v, and says %v", view.State.Heights, view.Rise)
	}
	h.must(422, "POST", "~/bakes/"+first.ID+"/happenings", map[string]any{"what": "stood"}, nil, "Idempotency-Key",
		"h2")
	tell(first.ID, "h3", map[string]any{"what": "taken out"})
	view = usecase.BakeView{}
	h.must(200, "GET", "~/bakes/"+first.ID, nil, &view)
	if view.Rise != nil {
		t.Errorf("a loaf that is out is still told %v", view.Rise)
	}
}
