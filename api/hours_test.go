package api_test

import (
	"strings"
	"testing"
	"time"

	"risepan/usecase"
)

// Minutes that are added on Watch move the calendar file of the bake too.
func TestAddedMinutesMoveTheBakesCalendar(t *testing.T) {
	h := open(t)
	first := h.start("Winding-hole crusty", "one")
	ready := func() (view usecase.BakeView) {
		h.must(200, "GET", "~/bakes/"+first.ID, nil, &view)
		var calendar string
		h.must(200, "GET", "~/bakes/"+first.ID+"/timetable", nil, &calendar)
		zone, err := time.LoadLocation(view.Zone)
		if err != nil {
			t.Fatal(err)
		}
		if at := view.State.Ready.In(zone).Format("20060102T150405"); !strings.Contains(calendar, at) {
			t.Errorf("ready at %s, the calendar has\n%s", at, calendar)
		}
		return view
	}
	before := ready()
	h.must(201, "POST", "~/bakes/"+first.ID+"/happenings", map[string]any{"what": "moved", "minutes": 25}, nil,
		"Idempotency-Key", "m1")
	if moved := ready().State.Ready.Sub(before.State.Ready).Minutes(); moved != 25 {
		t.Errorf("25 minutes were added, and it is ready %v later", moved)
	}
}
